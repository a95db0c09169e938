'use client';

import type { Across } from '@/core/actions/copies';
import type { PlacedPage } from '@/core/page/pages';
import type { Desk } from '../useDesk';

/** Copies a page's design to the facing one, where there is one. */
export function CopyAcross({ desk, page }: { desk: Desk; page: PlacedPage }) {
  const other = desk.spread.pages.find((each) => each !== page);
  if (!other) return null;
  const button = (name: string, title: string, how: Across) => (
    <button
      type="button"
      className="btn btn-xs"
      title={title}
      onClick={() => desk.actions.across(page.page.id, other.page.id, how)}
    >
      {name}
    </button>
  );
  return (
    <div className="pt-2">
      <span className="text-2xs opacity-70">Copy its design to the {other.side} page</span>
      <div className="flex gap-1.5">
        {button('At the same offset', 'As far from the left and the top of that page', 'offset')}
        {button('Mirrored', 'As in a mirror at the spine', 'mirrored')}
      </div>
    </div>
  );
}
