'use client';

import type { ReactNode } from 'react';
import { IssueHeader, type IssuePlace } from './IssueHeader';
import { ServerData } from './ServerData';
import { type OpenedTools, useOpened } from './useOpened';

interface OpenedIssueProps {
  readonly id: string;
  readonly publication: string;
  readonly name: string;
  readonly house: string | undefined;
  readonly place: IssuePlace;
  /** In sight until all is there: “Laying out the stories …”. */
  readonly waiting: string;
  /** The place itself, once the issue and its typesetter are there. */
  readonly children: (tools: OpenedTools) => ReactNode;
}

/** A place of an issue: its header at once, itself when the issue is open, or a sentence why it is not. */
export function OpenedIssue({ id, publication, name, house, place, waiting, children }: OpenedIssueProps) {
  const opening = useOpened(id);
  if (opening && 'store' in opening) return <ServerData>{children(opening)}</ServerData>;
  return (
    <div className="flex h-full flex-col">
      <IssueHeader document={id} publication={publication} name={name} house={house} place={place} />
      {opening ? (
        <p role="alert" className="text-error p-6">
          {opening.failed}
        </p>
      ) : (
        <p className="p-6 opacity-70" role="status">
          {waiting}
        </p>
      )}
    </div>
  );
}
