'use client';

import { type CSSProperties, memo, type ReactElement } from 'react';
import { type Blend, cssBlend } from '@/core/colour/blend';
import type { ComposerClient, Painted } from '@/client/composerClient';
import { guideAt, moduleRows, pageGrid, stretchBox } from '@/core/page/grid';
import type { PlacedPage } from '@/core/page/pages';
import type { FormatRecord } from '@/core/records/index';
import { useSetting } from './useSetting';

interface GuidesProps {
  readonly format: FormatRecord;
  readonly page: PlacedPage;
  readonly columns: boolean;
  readonly baselines: boolean;
  readonly k: number;
}

/** The guides of a page, each with its own code: bands for columns, ochre for the type area, dots for baselines. */
export const Guides = memo(function Guides({ format, page, columns, baselines, k }: GuidesProps) {
  const grid = pageGrid(format, page.master, page.side);
  const hair = 1 / k;
  const { area } = grid;
  const lines: ReactElement[] = [];
  if (baselines) {
    for (let i = 0; i < grid.lines; i++) {
      const y = grid.first + i * grid.step;
      lines.push(
        <line
          key={i}
          x1={area.x}
          x2={area.x + area.w}
          y1={y}
          y2={y}
          stroke="var(--guide-line)"
          strokeWidth={hair}
          strokeDasharray={`${hair} ${3 * hair}`}
          opacity={0.75}
        />,
      );
    }
  }
  return (
    <g transform={`translate(${page.dx} 0)`} pointerEvents="none" aria-hidden="true">
      {columns &&
        grid.columns.map(({ x, w }) => (
          <rect
            key={x}
            x={x}
            y={area.y}
            width={w}
            height={area.h}
            fill="var(--guide-column)"
            opacity={0.085}
            data-guide="column"
          />
        ))}
      {columns && (
        <>
          <rect
            x={area.x}
            y={area.y}
            width={area.w}
            height={area.h}
            fill="none"
            stroke="var(--guide-area)"
            strokeWidth={hair}
            opacity={0.8}
          />
          <rect
            x={format.safe}
            y={format.safe}
            width={format.width - 2 * format.safe}
            height={format.height - 2 * format.safe}
            fill="none"
            stroke="var(--guide-safe)"
            strokeWidth={hair}
            strokeDasharray={`${2 * hair} ${3 * hair}`}
            opacity={0.4}
          />
        </>
      )}
      {columns &&
        page.master.rows &&
        moduleRows(grid, page.master.rows).map(([from, to]) => {
          const row = stretchBox(grid, { columns: [1, grid.columns.length], lines: [from, to] });
          return (
            <path
              key={from}
              d={`M${row.x} ${row.y}h${row.w}M${row.x} ${row.y + row.h}h${row.w}`}
              stroke="var(--guide-column)"
              strokeWidth={hair}
              opacity={0.6}
              data-guide="row"
            />
          );
        })}
      {columns &&
        page.master.guides?.map((guide, i) => {
          const at = guideAt(format, grid, page.side, guide);
          const upright = guide.direction === 'upright';
          return (
            <line
              key={i}
              x1={upright ? at : -format.bleed}
              x2={upright ? at : format.width + format.bleed}
              y1={upright ? -format.bleed : at}
              y2={upright ? format.height + format.bleed : at}
              stroke="var(--guide-line)"
              strokeWidth={hair}
              strokeDasharray={`${6 * hair} ${4 * hair}`}
              data-guide="drawn"
            />
          );
        })}
      {lines}
    </g>
  );
});

/** The painted chunks of a page, those of one frame's column together in a drawing of their own. */
export const PaintedPage = memo(function PaintedPage({
  composer,
  page,
  furniture,
  alone,
  transform,
}: {
  composer: ComposerClient;
  page: string;
  /** What its master shows, or all else. */
  furniture: boolean;
  /** The frames that are shown alone. */
  alone?: ReadonlySet<string> | undefined;
  transform: string;
}) {
  const chunks = useSetting(composer, (setting) => setting.pages.get(page)) ?? [];
  const drawings: { key: string; chunks: Painted[]; blend: Blend | undefined }[] = [];
  for (const chunk of chunks) {
    if (chunk.furniture !== furniture || (alone && !alone.has(chunk.frame))) continue;
    const key = chunk.key.split('/').slice(0, 3).join('/');
    const last = drawings[drawings.length - 1];
    // Areas one over another are one drawing: there can be hundreds, and each is painted in no time.
    const isAlike =
      last?.blend === chunk.blend && (last?.key === key || (!chunk.blend && last && isArea(chunk) && isArea(last.chunks[0]!)));
    if (last && isAlike) last.chunks.push(chunk);
    else drawings.push({ key, chunks: [chunk], blend: chunk.blend });
  }
  return drawings.map((drawing) => (
    <svg
      key={drawing.key}
      className="pointer-events-none absolute inset-0 overflow-visible"
      width="1"
      height="1"
      style={drawing.blend && { mixBlendMode: cssBlend(drawing.blend) as CSSProperties['mixBlendMode'] }}
    >
      <g transform={transform} textRendering="geometricPrecision">
        {drawing.chunks.length > 1 && isArea(drawing.chunks[0]!) ? (
          <PaintedAreas chunks={drawing.chunks} />
        ) : (
          drawing.chunks.map((chunk) => <PaintedChunk key={chunk.key} chunk={chunk} />)
        )}
      </g>
    </svg>
  ));
});

/** It has neither letters nor a picture. */
const isArea = ({ markup }: Painted): boolean => !markup.includes('<text') && !markup.includes('<image');

const PaintedChunk = memo(function PaintedChunk({ chunk }: { chunk: Painted }) {
  return <g data-chunk={chunk.key} dangerouslySetInnerHTML={{ __html: chunk.markup }} />;
});

/** Areas are so little each that hundreds of them are put there at once sooner than each by itself. */
function PaintedAreas({ chunks }: { chunks: readonly Painted[] }) {
  const markup = chunks.map((chunk) => `<g data-chunk="${chunk.key}">${chunk.markup}</g>`).join('');
  return <g dangerouslySetInnerHTML={{ __html: markup }} />;
}

/** The hatch of the bleed's rim, defined once for a desk. */
export function BleedHatch({ k }: { k: number }) {
  const size = 5 / k;
  return (
    <pattern id="bleed-hatch" width={size} height={size} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
      <line x1="0" y1="0" x2="0" y2={size} stroke="var(--guide-bleed)" strokeWidth={1.2 / k} opacity={0.55} />
    </pattern>
  );
}
