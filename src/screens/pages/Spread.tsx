'use client';

import { memo } from 'react';
import type { Painted } from '@/client/composerClient';
import { grown, type Box } from '@/core/geometry/box';
import type { PlacedPage } from '@/core/page/pages';
import type { FormatRecord } from '@/core/records/index';
import { BleedHatch, Guides, PaintedChunks } from './Paper';
import type { Look } from './look';
import type { View } from './view';

interface SpreadProps {
  readonly format: FormatRecord;
  readonly pages: readonly PlacedPage[];
  readonly painted: ReadonlyMap<string, readonly Painted[]>;
  readonly bleedBox: Box;
  readonly view: View;
  readonly look: Look;
}

const NOTHING_PAINTED: readonly Painted[] = [];

const attributes = ({ x, y, w, h }: Box) => ({ x, y, width: w, height: h });

/** The spread on the desk: paper, guides and painted pages, in its own coordinates. */
export const Spread = memo(function Spread({ format, pages, painted, bleedBox, view, look }: SpreadProps) {
  const trim = grown(bleedBox, -format.bleed);
  const hair = 1 / view.k;
  const guides = !look.proof;
  const quiet = { fill: 'none', stroke: 'var(--hold)', strokeWidth: hair, pointerEvents: 'none' } as const;
  return (
    <g transform={`translate(${view.tx} ${view.ty}) scale(${view.k})`}>
      <defs>
        <BleedHatch k={view.k} />
        <clipPath id="spread-clip">
          <rect {...attributes(look.proof ? trim : bleedBox)} />
        </clipPath>
      </defs>
      {guides && <rect {...attributes(bleedBox)} fill="url(#bleed-hatch)" />}
      <rect {...attributes(trim)} fill="var(--paper)" data-paper />
      {guides &&
        pages.map((page) => (
          <Guides key={page.page.id} format={format} page={page} columns={look.columns} baselines={false} k={view.k} />
        ))}
      <g clipPath="url(#spread-clip)">
        {pages.map(({ page, dx }) => (
          <PaintedChunks key={page.id} chunks={painted.get(page.id) ?? NOTHING_PAINTED} dx={dx} />
        ))}
      </g>
      {guides && <rect {...attributes(trim)} {...quiet} strokeOpacity={0.35} />}
      {guides &&
        look.baselines &&
        pages.map((page) => <Guides key={page.page.id} format={format} page={page} columns={false} baselines k={view.k} />)}
      {guides && pages.length > 1 && (
        <line x1={format.width} x2={format.width} y1={0} y2={format.height} {...quiet} strokeOpacity={0.3} />
      )}
    </g>
  );
});
