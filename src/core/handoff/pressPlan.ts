import { imposed, type PressSheet } from './imposition';
import type { PressLayout } from './pressSheet';
import type { WayChoices } from './ways';

/** What is known of pages that are to be laid on sheets, points. */
export interface PagesToLay {
  readonly count: number;
  readonly width: number;
  readonly height: number;
  readonly bleed: number;
}

/** The sheets that were asked for, and how pages lie on them: what is drawn beforehand is what is made. */
export function pressPlan(
  pages: PagesToLay,
  choices: WayChoices['sheets'],
): { readonly sheets: PressSheet[]; readonly layout: PressLayout } {
  const { width, height, bleed } = pages;
  if (choices.onto === 'home') {
    const layout: PressLayout = { width, height, bleed: 0, gutter: 0, gripper: 0, binding: 'saddle', margin: 0, milled: 0 };
    return { sheets: imposed(pages.count, 'saddle', 4, 0), layout };
  }
  const { binding, signature, thickness, gutter, gripper, milled } = choices;
  const layout: PressLayout = { width, height, bleed, gutter, gripper, binding, margin: MARGIN, milled };
  return { sheets: imposed(pages.count, binding, signature, thickness), layout };
}

/** Around the pages, for marks and words: common practice. */
const MARGIN = 34;

/** A4, lying (ISO 216), points: what a printer at home takes. */
export const HOME_PAPER = { width: 841.89, height: 595.28 } as const;
