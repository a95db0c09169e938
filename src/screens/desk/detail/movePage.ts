import { spreads } from '@/core/page/pages';
import type { Desk } from '../useDesk';

/** Moves a page; the desk goes with it. */
export function movePage({ store, actions, spread }: Desk, page: string, by: number): void {
  actions.movePage(page, by);
  const at = spreads(store.document).findIndex((each) => each.some((placed) => placed.page.id === page));
  if (at >= 0 && at !== spread.index) spread.go(at);
}
