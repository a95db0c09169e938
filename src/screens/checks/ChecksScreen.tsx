'use client';

import { IssueHeader } from '../frame/IssueHeader';
import { ServerData } from '../frame/ServerData';
import { useOpened } from '../frame/useOpened';
import { ChecksBench, type ChecksScreenProps } from './ChecksBench';

/** The place Checks: what is wrong with the issue, where, and what would mend it. */
export function ChecksScreen(props: ChecksScreenProps) {
  const { id, publication, name, house } = props;
  const opening = useOpened(id);
  if (opening && 'store' in opening) {
    return (
      <ServerData>
        <ChecksBench {...props} {...opening} />
      </ServerData>
    );
  }
  return (
    <div className="flex h-full flex-col">
      <IssueHeader document={id} publication={publication} name={name} house={house} place="checks" />
      {opening ? (
        <p role="alert" className="text-error p-6">
          {opening.failed}
        </p>
      ) : (
        <p className="p-6 opacity-70" role="status">
          Looking through the issue …
        </p>
      )}
    </div>
  );
}
