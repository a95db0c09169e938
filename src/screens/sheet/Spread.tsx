'use client';

import { memo } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import { grown, type Box } from '@/core/geometry/box';
import type { PlacedPage } from '@/core/page/pages';
import type { FormatRecord } from '@/core/records/index';
import { BleedHatch, Guides, PaintedPage } from './Paper';
import type { Look } from './look';
import { toScreen, type View } from './view';

interface SpreadProps {
  readonly format: FormatRecord;
  readonly pages: readonly PlacedPage[];
  readonly composer: ComposerClient;
  readonly bleedBox: Box;
  readonly view: View;
  readonly look: Look;
  /** The frames that are shown alone. */
  readonly alone?: ReadonlySet<string> | undefined;
}

const attributes = ({ x, y, w, h }: Box) => ({ x, y, width: w, height: h });

/**
 * The spread on the desk: paper, painted pages and guides, one layer over another. What is painted lies in drawings of
 * its own, one a frame's column: a browser paints only those anew in which something changed.
 */
export const Spread = memo(function Spread({ format, pages, composer, bleedBox, view, look, alone }: SpreadProps) {
  const trim = grown(bleedBox, -format.bleed);
  const hair = 1 / view.k;
  const guides = !look.proof;
  const quiet = { fill: 'none', stroke: 'var(--hold)', strokeWidth: hair, pointerEvents: 'none' } as const;
  const transform = `translate(${view.tx} ${view.ty}) scale(${view.k})`;
  const seen = toScreen(view, look.proof ? trim : bleedBox);
  return (
    <>
      <svg className="absolute inset-0 block h-full w-full" aria-hidden="true">
        <defs>
          <BleedHatch k={view.k} />
        </defs>
        <g transform={transform}>
          {guides && <rect {...attributes(bleedBox)} fill="url(#bleed-hatch)" />}
          <rect {...attributes(trim)} fill="var(--paper)" data-paper />
          {guides &&
            pages.map((page) => (
              <Guides key={page.page.id} format={format} page={page} columns={look.columns} baselines={false} k={view.k} />
            ))}
        </g>
      </svg>
      <div className="absolute overflow-hidden" style={{ left: seen.x, top: seen.y, width: seen.w, height: seen.h }} data-painted>
        {/* Masters' furniture of both pages lies lowest: what reaches over the spine covers it on either. */}
        {[true, false].flatMap((furniture) =>
          pages.map(({ page, dx }) => (
            <PaintedPage
              key={`${page.id} ${furniture}`}
              composer={composer}
              page={page.id}
              furniture={furniture}
              alone={alone}
              transform={`translate(${view.tx - seen.x} ${view.ty - seen.y}) scale(${view.k}) translate(${dx} 0)`}
            />
          )),
        )}
      </div>
      {guides && (
        <svg className="pointer-events-none absolute inset-0 block h-full w-full" aria-hidden="true">
          <g transform={transform}>
            <rect {...attributes(trim)} {...quiet} strokeOpacity={0.35} />
            {look.baselines &&
              pages.map((page) => <Guides key={page.page.id} format={format} page={page} columns={false} baselines k={view.k} />)}
            {pages.length > 1 && (
              <line x1={format.width} x2={format.width} y1={0} y2={format.height} {...quiet} strokeOpacity={0.3} />
            )}
          </g>
        </svg>
      )}
    </>
  );
});
