import type { Line } from '../displayList/displayList';

/** Word spaces of a text's justified lines, as shares of the face's own, by the two ways of breaking. */
export interface Comparison {
  readonly totalFit: readonly number[];
  readonly firstFit: readonly number[];
}

/** One value a line, where a line has word spaces and is not a paragraph's last. */
export function wordSpaces(lines: readonly Line[]): number[] {
  return lines.filter((line) => !line.lastOfParagraph && line.runs.length > 1).map((line) => line.wordSpace);
}

/** How far word spaces stray from the face's own on average, as a share of it. */
export const unevennessOf = (spaces: readonly number[]): number =>
  spaces.length === 0 ? 0 : spaces.reduce((sum, each) => sum + Math.abs(each - 1), 0) / spaces.length;
