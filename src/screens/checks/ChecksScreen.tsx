'use client';

import { OpenedIssue } from '../frame/OpenedIssue';
import { ChecksBench, type ChecksScreenProps } from './ChecksBench';

/** The place Checks: what is wrong with the issue, where, and what would mend it. */
export function ChecksScreen(props: ChecksScreenProps) {
  return (
    <OpenedIssue {...props} place="checks" waiting="Looking through the issue …">
      {(tools) => <ChecksBench {...props} {...tools} />}
    </OpenedIssue>
  );
}
