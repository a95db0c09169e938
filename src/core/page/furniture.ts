import type { Node } from 'prosemirror-model';
import type { Box } from '../geometry/box';
import type { FormatRecord, MasterRecord } from '../records/index';
import { fieldOf, paragraphOf, textOf } from '../records/body';
import type { FieldName } from '../records/text';
import { pageGrid } from './grid';

/** What stands in the margins of every page: its folio at the foot, or a running head. */
export type MarginText = 'folio' | 'runningHead';

/** Points. */
const DEEP = 10;

const field = (name: FieldName): Node => fieldOf({ name });

/**
 * A text for the margin of a page, outside, a line away from the type area: below it the folio; above it the
 * publication on left pages, the issue on right ones (common practice).
 */
export function marginText(
  format: FormatRecord,
  master: MasterRecord,
  side: 'left' | 'right',
  what: MarginText,
): { readonly box: Box; readonly paragraph: Node } {
  const { area, step } = pageGrid(format, master, side);
  const w = area.w / 2;
  const y = what === 'folio' ? area.y + area.h + step : Math.max(0, area.y - step - DEEP);
  const box = { x: side === 'left' ? area.x : area.x + area.w - w, y: Math.min(y, format.height - DEEP), w, h: DEEP };
  const issue = [textOf('No. '), field('number'), textOf(', '), field('season')];
  const content = what === 'folio' ? [field('folio')] : side === 'left' ? [field('publication')] : issue;
  return { box, paragraph: paragraphOf({ style: what }, content) };
}
