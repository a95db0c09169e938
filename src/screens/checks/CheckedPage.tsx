'use client';

import { useEffect, useMemo, useRef } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { Finding } from '@/core/checks/finding';
import { placedPage, spreads } from '@/core/page/pages';
import type { Document } from '@/core/records/document';
import type { FormatRecord } from '@/core/records/index';
import { USUAL_LOOK } from '../sheet/look';
import { Spread } from '../sheet/Spread';
import { useSize } from '../sheet/useSize';
import { fitView, toScreen } from '../sheet/view';

interface CheckedPageProps {
  readonly document: Document;
  readonly format: FormatRecord;
  readonly composer: ComposerClient;
  readonly finding: Finding | undefined;
  readonly onShow: (finding: Finding) => void;
}

const PROOF = { ...USUAL_LOOK, proof: true };

/** The page that the chosen finding is on, large, with the spot marked. */
export function CheckedPage({ document, format, composer, finding, onShow }: CheckedPageProps) {
  const ref = useRef<HTMLDivElement>(null);
  const size = useSize(ref);
  const on = placedPage(document, finding?.at.page ?? '');
  const pages = useMemo(
    () => (on ? (spreads(document)[on.spread] ?? []).map((page) => ({ ...page, dx: page.dx - on.dx })) : []),
    [document, on],
  );
  const named = pages.map(({ page }) => page.id).join(' ');
  useEffect(() => {
    if (named !== '') composer.watch(named.split(' '));
  }, [composer, named]);
  const page = useMemo(() => ({ x: 0, y: 0, w: format.width, h: format.height }), [format]);
  const view = useMemo(() => fitView(page, size.width, size.height), [page, size]);
  const { box } = finding?.at ?? {};
  const spot = box && toScreen(view, box);
  return (
    <section aria-label="The page" className="bg-base-200 flex min-w-0 flex-1 flex-col">
      <div className="flex h-11 shrink-0 items-center px-5">
        <h2 className="font-semibold">{on ? `Page ${on.folio}` : 'The issue as a whole'}</h2>
        {finding && on && (
          <button type="button" className="link link-hover narrow ml-auto" onClick={() => onShow(finding)}>
            Open in Pages
          </button>
        )}
      </div>
      <div ref={ref} className="relative min-h-0 flex-1 overflow-hidden" data-checked-page={on?.page.id}>
        {on && size.width > 0 && (
          <>
            {/* What lies beside it in its spread is there for what reaches over; the page alone is seen. */}
            <div className="absolute inset-0" style={{ clipPath: `inset(${clipOf(toScreen(view, page), size)})` }}>
              <Spread format={format} pages={pages} composer={composer} bleedBox={page} view={view} look={PROOF} />
            </div>
            {spot && (
              <span
                className="border-error pointer-events-none absolute border-[3px] shadow-[0_0_0_1px_#fff]"
                style={{ left: spot.x - 5, top: spot.y - 5, width: spot.w + 10, height: spot.h + 10 }}
                data-spot
              />
            )}
          </>
        )}
        {!on && (
          <p className="px-5 opacity-75">
            {finding ? 'What was found is not on one page.' : 'Choose a finding to see its place.'}
          </p>
        )}
      </div>
    </section>
  );
}

/** What is cut off on each side of a box, as CSS has it. */
const clipOf = (
  { x, y, w, h }: { x: number; y: number; w: number; h: number },
  size: { width: number; height: number },
): string => [y, size.width - x - w, size.height - y - h, x].map((edge) => `${Math.max(0, edge)}px`).join(' ');
