import type { ReactNode } from 'react';

/** What lies on the desk: an issue, or a house's masters or recurring pages. */
export type DeskKind = 'issue' | 'masters' | 'recurring';

/** What a place gives the desk that it stands in. */
export interface DeskPlace {
  /** The document that lies there. */
  readonly document: string;
  readonly kind: DeskKind;
  /** What is seen there, for those who listen. */
  readonly title: string;
  /** The page that is to be in sight first. */
  readonly at?: string | undefined;
  /** The frame that is to be chosen first, and the text that Fit is to be opened at. */
  readonly frame?: string | undefined;
  readonly fit?: string | undefined;
  /** @param tools undo, redo and the rest that stands on its right */
  readonly header: (tools: ReactNode) => ReactNode;
  /** On the left; the tray of the issue when not said. */
  readonly side?: ReactNode;
}
