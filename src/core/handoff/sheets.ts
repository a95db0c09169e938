import type { PageList } from '../compose/displayList/displayList';

/** A page on a sheet, so many points from the sheet's left trim. */
export interface Placed {
  readonly list: PageList;
  readonly dx: number;
}

/** A sheet that goes out: a page, or the pages of a spread side by side. */
export interface Sheet {
  readonly pages: readonly Placed[];
  /** The page across the spine where that is no part of the sheet: frames may reach over from it. */
  readonly beside: Placed | undefined;
  /** What readers call it: its folio, or those of both its pages. */
  readonly label: string;
}

/** Points across a sheet, from trim to trim. */
export const sheetWidth = ({ pages }: Pick<Sheet, 'pages'>): number => pages.reduce((sum, { list }) => sum + list.width, 0);

/** One sheet for each page. @param folios of the pages, in their order */
export function singlePages(lists: readonly PageList[], folios: readonly string[]): Sheet[] {
  return lists.map((list, i) => {
    const other = across(lists, i);
    return {
      pages: [{ list, dx: 0 }],
      beside: other && { list: other, dx: list.side === 'left' ? list.width : -other.width },
      label: folios[i] ?? '',
    };
  });
}

/** One sheet for each spread, as it lies open. @param folios of the pages, in their order */
export function openSpreads(lists: readonly PageList[], folios: readonly string[]): Sheet[] {
  const out: Sheet[] = [];
  for (let i = 0; i < lists.length; i++) {
    const list = lists[i]!;
    const right = list.side === 'left' ? across(lists, i) : undefined;
    const pages = right
      ? [
          { list, dx: 0 },
          { list: right, dx: list.width },
        ]
      : [{ list, dx: 0 }];
    const label = pages.map((_, k) => folios[i + k] ?? '').join('–');
    out.push({ pages, beside: undefined, label });
    if (right) i++;
  }
  return out;
}

/** The page across the spine: a left page's is the right page behind it. */
function across(lists: readonly PageList[], i: number): PageList | undefined {
  const isLeft = lists[i]!.side === 'left';
  const other = lists[isLeft ? i + 1 : i - 1];
  return other?.side === (isLeft ? 'right' : 'left') ? other : undefined;
}
