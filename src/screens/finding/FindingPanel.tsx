'use client';

import type { DeskStore } from '@/client/deskStore';
import type { Stretch } from '@/core/finding/replacing';
import type { Document } from '@/core/records/document';
import type { Say } from '../frame/useNotices';
import { SpellingPanel } from '../spelling/SpellingPanel';
import type { Spelling } from '../spelling/useSpelling';
import type { InHand } from '../text/textInHand';
import { CleanUpPanel } from './CleanUpPanel';
import { FindPanel } from './FindPanel';

/** What is looked for in texts. */
export type Finding = 'find' | 'clean' | 'spelling';

export interface FindingPanelProps {
  readonly finding: Finding;
  /** The issue, by id. */
  readonly issue: string;
  readonly store: DeskStore;
  readonly document: Document;
  /** The story that is looked at. */
  readonly story: string | undefined;
  /** The text that is written in. */
  readonly inHand: InHand | undefined;
  readonly spelling: Spelling;
  readonly say: Say;
  /** Goes to a place that was found. */
  readonly onShow: (stretch: Stretch) => void;
  readonly onClose: () => void;
}

/** Words and styles, untidy places or unknown words: listed, gone to, and changed. */
export function FindingPanel({ finding, issue, inHand, spelling, ...shared }: FindingPanelProps) {
  if (finding === 'find') return <FindPanel {...shared} issue={issue} inHand={inHand} />;
  return finding === 'clean' ? <CleanUpPanel {...shared} /> : <SpellingPanel {...shared} spelling={spelling} />;
}
