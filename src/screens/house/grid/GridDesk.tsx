'use client';

import type { PointerEvent as ReactPointerEvent } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import { grown } from '@/core/geometry/box';
import { pageGrid } from '@/core/page/grid';
import { formatOf, type PlacedPage } from '@/core/page/pages';
import { type Document, get } from '@/core/records/document';
import { lengthWords } from '@/parts/units';
import { followPointer } from '../../../parts/followPointer';
import { USUAL_LOOK } from '../../sheet/look';
import { Spread } from '../../sheet/Spread';
import { useDeskView } from '../../sheet/useDeskView';
import { toScreen } from '../../sheet/view';

interface GridDeskProps {
  readonly house: Document;
  /** The spread of the specimen. */
  readonly pages: readonly PlacedPage[];
  readonly composer: ComposerClient;
  /** Widths of columns that a hand is trying; undefined ends it. */
  readonly onDraft: (widths: readonly number[] | undefined) => void;
  readonly onWidths: (widths: readonly number[]) => void;
}

const LOOK = { ...USUAL_LOOK, baselines: true };

/** A column is at least as wide as this while it is dragged, points. */
const LEAST = 12;

/** The spread of a specimen, whose bands are dragged to make columns unequal. */
export function GridDesk({ house, pages, composer, onDraft, onWidths }: GridDeskProps) {
  const format = formatOf(house);
  const desk = useDeskView(pages, format);
  const { view, size } = desk;
  const trim = toScreen(view, grown(desk.bleedBox, -format.bleed));
  return (
    <div ref={desk.ref} className="desk absolute inset-x-0 top-0 bottom-8 overflow-hidden">
      <div
        aria-hidden="true"
        className="absolute shadow-[0_1px_5px_rgb(20_33_61/0.3)]"
        style={{ left: trim.x, top: trim.y, width: trim.w, height: trim.h }}
      />
      <Spread format={format} pages={pages} composer={composer} bleedBox={desk.bleedBox} view={view} look={LOOK} />
      <svg width={size.width} height={size.height} className="relative block" role="group" aria-label="Columns">
        {pages.map((page) => (
          <Bands key={page.page.id} house={house} page={page} view={view} onDraft={onDraft} onWidths={onWidths} />
        ))}
      </svg>
    </div>
  );
}

interface BandsProps extends Pick<GridDeskProps, 'house' | 'onDraft' | 'onWidths'> {
  readonly page: PlacedPage;
  readonly view: Parameters<typeof toScreen>[0];
}

/** The gutters between a page's columns, to be dragged, or moved by the arrow keys. */
function Bands({ house, page, view, onDraft, onWidths }: BandsProps) {
  const format = formatOf(house);
  const grid = pageGrid(format, get(house, 'master', page.master.id), page.side);
  const mirrored = format.facing && page.side === 'left' && format.pattern !== 'repeated';
  /** Widths with the gutter behind column `i` of this page moved, from the spine outwards. */
  const moved = (i: number, by: number): number[] => {
    const widths = grid.columns.map(({ w }) => w);
    const room = Math.max(LEAST - widths[i]!, Math.min(widths[i + 1]! - LEAST, by));
    widths[i]! += room;
    widths[i + 1]! -= room;
    const rounded = widths.map((w) => Math.round(w * 1000) / 1000);
    return mirrored ? rounded.reverse() : rounded;
  };
  const drag = (i: number, start: ReactPointerEvent) => {
    start.preventDefault();
    let widths: number[] | undefined;
    followPointer(
      (event) => onDraft((widths = moved(i, (event.clientX - start.clientX) / view.k))),
      (event) => {
        if (event && widths) onWidths(widths);
        else onDraft(undefined);
      },
    );
  };
  return grid.columns.slice(0, -1).map(({ x, w }, i) => {
    const at = toScreen(view, { x: page.dx + x + w, y: grid.area.y, w: grid.gutter, h: grid.area.h });
    const wide = Math.max(8, at.w);
    return (
      <rect
        key={i}
        role="separator"
        aria-orientation="vertical"
        aria-valuenow={Math.round(x + w)}
        aria-valuemin={Math.round(grid.area.x)}
        aria-valuemax={Math.round(grid.area.x + grid.area.w)}
        aria-valuetext={`${lengthWords(x + w)} from the left of the page`}
        tabIndex={0}
        aria-label={`Gutter behind column ${i + 1} of page ${page.side}; arrow keys move it`}
        data-gutter={`${page.side}-${i}`}
        x={at.x + at.w / 2 - wide / 2}
        y={at.y}
        width={wide}
        height={at.h}
        fill="var(--mark)"
        fillOpacity={0}
        className="hover:[fill-opacity:0.35] focus-visible:[fill-opacity:0.35]"
        style={{ cursor: 'col-resize' }}
        onPointerDown={(event) => drag(i, event)}
        onKeyDown={(event) => {
          if (event.key !== 'ArrowLeft' && event.key !== 'ArrowRight') return;
          event.preventDefault();
          onWidths(moved(i, event.key === 'ArrowLeft' ? -1 : 1));
        }}
      />
    );
  });
}
