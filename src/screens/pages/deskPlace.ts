import type { ReactNode } from 'react';

/** What lies on the desk: an issue, or a house's masters or recurring pages. */
export type DeskKind = 'issue' | 'masters' | 'recurring';

/** What a place gives the desk that it stands in. */
export interface DeskPlace {
  readonly kind: DeskKind;
  /** What is seen there, for those who listen. */
  readonly title: string;
  /** The page that is to be in sight first. */
  readonly at?: string | undefined;
  readonly header: (tools: HeaderTools) => ReactNode;
  /** On the left; the tray of the issue when not said. */
  readonly side?: ReactNode;
}

/** What the header shows and does. */
export interface HeaderTools {
  readonly undo: string | undefined;
  readonly redo: string | undefined;
  readonly onTurn: (how: 'undo' | 'redo') => void;
  readonly onCommands: (() => void) | undefined;
  readonly onHelp: (() => void) | undefined;
}
