'use client';

import { useState } from 'react';
import { keptPages } from '@/client/keptPages';
import { IssueHeader } from '../frame/IssueHeader';
import { ServerData } from '../frame/ServerData';
import { useOpened } from '../frame/useOpened';
import { PlanBench, type PlanScreenProps } from './PlanBench';

/** The place Plan: which story, picture and advertisement goes on which page. */
export function PlanScreen(props: PlanScreenProps) {
  const { id, publication, name, house } = props;
  // What was kept of the last time is looked for while the issue itself is on its way.
  const [kept] = useState(() => (typeof window === 'undefined' ? undefined : keptPages(id)));
  const opening = useOpened(id);
  if (opening && 'store' in opening) {
    return (
      <ServerData>
        <PlanBench {...props} {...opening} kept={kept} />
      </ServerData>
    );
  }
  return (
    <div className="flex h-full flex-col">
      <IssueHeader document={id} publication={publication} name={name} house={house} place="plan" />
      {opening ? (
        <p role="alert" className="text-error p-6">
          {opening.failed}
        </p>
      ) : (
        <p className="p-6 opacity-70" role="status">
          Laying out the flatplan …
        </p>
      )}
    </div>
  );
}
