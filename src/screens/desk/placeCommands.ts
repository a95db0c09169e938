import { placedPage, placedPages } from '@/core/page/pages';
import { all, find, threadOf } from '@/core/records/document';
import { pictureIn } from '@/core/records/kinds/frames';
import { type Command, command } from '../frame/commands/command';
import { movePage } from './detail/movePage';
import type { Desk } from './useDesk';

/** What lies beside the desk and has a menu of its own. */
export interface Beside {
  readonly of: 'page' | 'story' | 'picture';
  readonly id: string;
}

/** What can be done with a page in the page line, and with a story or picture in the tray. */
export function placeCommands(desk: Desk, { of, id }: Beside): Command[] {
  if (of === 'page') return pageCommands(desk, id);
  const { document, puttingDown, spread } = desk;
  const on =
    of === 'story'
      ? threadOf(document, find(document, 'story', id)?.parts.body ?? '').map((frame) => frame.on)
      : all(document, 'frame').flatMap((frame) => (pictureIn(document, frame)?.picture === id ? [frame.on] : []));
  const pages = placedPages(document).filter(({ page }) => on.includes(page.id));
  return [
    command('put', 'Put it where there is room on this spread', 'Enter', undefined, () => puttingDown.byKey({ what: of, id })),
    command('go', 'Go to its page', undefined, pages.length === 0 && 'It is on no page yet', () => spread.go(pages[0]!.spread)),
  ];
}

function pageCommands(desk: Desk, id: string): Command[] {
  const { document, actions, spread, place } = desk;
  const page = placedPage(document, id);
  const count = placedPages(document).length;
  if (!page) return [];
  const go = command('go', `Go to page ${page.folio}`, undefined, undefined, () => spread.go(page.spread));
  // Masters have no order, and are added and removed by name.
  if (place.kind === 'masters') return [go];
  return [
    go,
    command('add', 'Add a page after it', undefined, undefined, () => actions.addPages({ after: id, count: 1 })),
    command('duplicate', 'Duplicate it', undefined, undefined, () => actions.duplicatePage(id)),
    command('earlier', 'Move it earlier', undefined, page.number === 1 && 'It is the first', () => movePage(desk, id, -1)),
    command('later', 'Move it later', undefined, page.number === count && 'It is the last', () => movePage(desk, id, 1)),
    command('clear-guides', 'Remove its guides', undefined, !page.page.guides?.length && 'It has none', () =>
      actions.clearGuides([id]),
    ),
    command('remove', 'Remove it', undefined, count === 1 && 'It is the only one', () => actions.removePage(id)),
  ];
}

/** What of these was pressed, by what the page holds. */
export function besideAt(target: EventTarget | null): Beside | undefined {
  if (!(target instanceof Element)) return undefined;
  for (const kind of ['page', 'story', 'picture'] as const) {
    const id = target.closest(`button[data-${kind}]`)?.getAttribute(`data-${kind}`);
    if (id) return { of: kind, id };
  }
  return undefined;
}
