'use client';

import type { DocumentRecord } from '@/core/records/index';
import { IssueHeader } from '../frame/IssueHeader';
import { useOpened } from '../frame/useOpened';
import { PlanBench } from './PlanBench';

export interface PlanScreenProps {
  readonly id: string;
  readonly publication: string;
  readonly name: string;
  /** The recurring pages of the house, with what lies on them. */
  readonly recurring: readonly DocumentRecord[];
  /** ISO 8601. */
  readonly today: string;
}

/** The place Plan: which story, picture and advertisement goes on which page. */
export function PlanScreen(props: PlanScreenProps) {
  const { id, publication, name } = props;
  const opening = useOpened(id);
  if (opening && 'store' in opening) return <PlanBench {...props} {...opening} />;
  return (
    <div className="flex h-full flex-col">
      <IssueHeader document={id} publication={publication} name={name} place="plan" />
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
