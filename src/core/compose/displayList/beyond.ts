import { translation } from '../../geometry/matrix';
import type { PageList, TextColumn } from './displayList';

/** Points that are left free around text that is looked at by itself. */
const RIM = 4;

const BEYOND = 'beyond ';

/** What a sheet of overset is called among pages. */
export const beyondOf = (text: string): string => `${BEYOND}${text}`;

/** Whether a page is such a sheet. */
export const isBeyond = (page: string): boolean => page.startsWith(BEYOND);

const made = new WeakMap<TextColumn, PageList>();

/** The text that no frame shows, on a sheet of its own, as if that were a page: as wide as the column it would stand in. */
export function beyondList(text: string, column: TextColumn): PageList {
  let list = made.get(column);
  if (!list) made.set(column, (list = sheetOf(text, column)));
  return list;
}

function sheetOf(text: string, column: TextColumn): PageList {
  const last = column.lines.at(-1);
  const h = last ? last.baseline + last.descent - column.box.y : 0;
  const { x, y, w } = column.box;
  return {
    page: beyondOf(text),
    number: 0,
    side: 'right',
    width: w + 2 * RIM,
    height: h + 2 * RIM,
    bleed: 0,
    furniture: 0,
    items: [
      {
        type: 'text',
        frame: beyondOf(text),
        text,
        box: { ...column.box, h },
        columns: [column],
        transform: translation(RIM - x, RIM - y),
      },
    ],
  };
}
