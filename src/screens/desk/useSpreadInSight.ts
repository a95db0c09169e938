'use client';

import { useCallback, useEffect, useMemo, useState } from 'react';
import type { DeskStore } from '@/client/deskStore';
import { placedPage, type PlacedPage, spreads } from '@/core/page/pages';
import type { Document } from '@/core/records/document';
import { keepPlace } from '@/parts/lastPlace';

/** Which spread lies on the desk. */
export interface SpreadInSight {
  readonly index: number;
  readonly count: number;
  readonly pages: readonly PlacedPage[];
  readonly every: readonly (readonly PlacedPage[])[];
  readonly go: (to: number) => void;
  /** The same, with what is in hand staying there. */
  readonly turn: (to: number) => void;
}

/**
 * The spread in sight: that of a page, wherever it goes; by its number where the page is no more.
 *
 * @param onGo told when another comes up
 * @param keptFor the issue for which the shelf is to lead back here
 */
export function useSpreadInSight(
  store: DeskStore,
  document: Document,
  first: string | undefined,
  onGo: () => void,
  keptFor: string | undefined,
): SpreadInSight {
  const [at, setAt] = useState<{ readonly page: string | undefined; readonly spread: number }>({ page: first, spread: 0 });
  const every = useMemo(() => spreads(document), [document]);
  const index = placedPage(document, at.page ?? '')?.spread ?? Math.min(at.spread, every.length - 1);
  const turn = useCallback(
    (to: number) => {
      const list = spreads(store.document);
      const spread = Math.max(0, Math.min(list.length - 1, to));
      setAt({ spread, page: list[spread]![0]!.page.id });
    },
    [store],
  );
  const go = useCallback(
    (to: number) => {
      turn(to);
      onGo();
    },
    [turn, onGo],
  );
  const pages = every[index]!;
  const page = pages[0]!.page.id;
  const folios = pages.map(({ folio }) => folio).join('–');
  useEffect(() => {
    // Where an issue opens is nowhere that somebody would want to be led back to.
    if (keptFor !== undefined && index > 0) keepPlace(keptFor, page, folios);
  }, [keptFor, index, page, folios]);
  return { index, count: every.length, pages, every, go, turn };
}
