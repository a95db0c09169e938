import { mm } from '../length/length';
import type { FormatRecord, MasterRecord } from '../records/index';

/** What the trade usually does, offered as a beginning. All common practice, the figures from memory. */

type Margins = MasterRecord['margins'];

/** Inner 10 mm, top and outer half as much again, the bottom the largest, so that the folio has room. */
export const USUAL_MARGINS: Margins = { inner: mm(10), top: mm(15), outer: mm(15), bottom: mm(20) };

/** Columns of running text closer than this are read across. */
export const LEAST_GUTTER = mm(5);

/** Width to height of pages that have long been thought to look well. */
export const PROPORTIONS: readonly { readonly name: string; readonly ratio: number }[] = [
  { name: '2:3', ratio: 2 / 3 },
  { name: '3:4', ratio: 3 / 4 },
  { name: '1:√2', ratio: 1 / Math.SQRT2 },
  { name: 'Golden section', ratio: 2 / (1 + Math.sqrt(5)) },
];

/** The height of a page of a width, by its proportion. */
export const heightFor = (width: number, ratio: number): number => width / ratio;

/**
 * The bottom margin with which the type area is a whole number of lines, its top and first line staying where they
 * are: the nearest to the one there is.
 */
export function snappedBottom(
  format: FormatRecord,
  { top, bottom }: Margins,
): { readonly bottom: number; readonly lines: number } {
  const { step, offset } = format.baseline;
  const room = format.height - top - offset;
  const lines = Math.max(1, Math.min(Math.floor(room / step + 1e-6), Math.round((room - bottom) / step)));
  return { bottom: room - lines * step, lines };
}
