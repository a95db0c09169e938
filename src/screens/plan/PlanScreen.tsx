'use client';

import { useState } from 'react';
import { keptPages } from '@/client/keptPages';
import { OpenedIssue } from '../frame/OpenedIssue';
import { PlanBench, type PlanScreenProps } from './PlanBench';

/** The place Plan: which story, picture and advertisement goes on which page. */
export function PlanScreen(props: PlanScreenProps) {
  // What was kept of the last time is looked for while the issue itself is on its way.
  const [kept] = useState(() => (typeof window === 'undefined' ? undefined : keptPages(props.id)));
  return (
    <OpenedIssue {...props} place="plan" waiting="Laying out the flatplan …">
      {(tools) => <PlanBench {...props} {...tools} kept={kept} />}
    </OpenedIssue>
  );
}
