'use client';

import { OpenedIssue } from '../frame/OpenedIssue';
import { CopyBench, type CopyScreenProps } from './CopyBench';

/** The place Copy: the stories of the issue as a newsdesk lists them, and each of them to be written in. */
export function CopyScreen(props: CopyScreenProps) {
  return (
    <OpenedIssue {...props} place="copy" waiting="Laying out the stories …">
      {(tools) => <CopyBench {...props} {...tools} />}
    </OpenedIssue>
  );
}
