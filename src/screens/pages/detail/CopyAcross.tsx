'use client';

import type { Across } from '@/core/actions/copies';
import type { PlacedPage } from '@/core/page/pages';

interface CopyAcrossProps {
  readonly page: PlacedPage;
  readonly other: PlacedPage;
  readonly onAcross: (from: string, to: string, how: Across) => void;
}

/** Copies a page's design to the facing one. */
export function CopyAcross({ page, other, onAcross }: CopyAcrossProps) {
  const button = (name: string, title: string, how: Across) => (
    <button type="button" className="btn btn-xs" title={title} onClick={() => onAcross(page.page.id, other.page.id, how)}>
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
