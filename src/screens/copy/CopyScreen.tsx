'use client';

import { IssueHeader } from '../frame/IssueHeader';
import { ServerData } from '../frame/ServerData';
import { useOpened } from '../frame/useOpened';
import { CopyBench, type CopyScreenProps } from './CopyBench';

/** The place Copy: the stories of the issue as a newsdesk lists them, and each of them to be written in. */
export function CopyScreen(props: CopyScreenProps) {
  const { id, publication, name, house } = props;
  const opening = useOpened(id);
  if (opening && 'store' in opening) {
    return (
      <ServerData>
        <CopyBench {...props} {...opening} />
      </ServerData>
    );
  }
  return (
    <div className="flex h-full flex-col">
      <IssueHeader document={id} publication={publication} name={name} house={house} place="copy" />
      {opening ? (
        <p role="alert" className="text-error p-6">
          {opening.failed}
        </p>
      ) : (
        <p className="p-6 opacity-70" role="status">
          Laying out the stories …
        </p>
      )}
    </div>
  );
}
