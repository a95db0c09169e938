'use client';

import { pageGrid } from '@/core/page/grid';
import { formatOf, masterFrames, placedPages, type PlacedPage } from '@/core/page/pages';
import { type Document, framesOn } from '@/core/records/document';
import type { FrameContent } from '@/core/records/frame';

interface BeforeAfterProps {
  readonly before: Document;
  readonly after: Document;
}

/** Pixels. */
const WIDTH = 92;

/** The recurring pages of a house whose grid has changed, as they were and as they are: what lies on the grid went with it. */
export function BeforeAfter({ before, after }: BeforeAfterProps) {
  const was = new Map(placedPages(before).map((page) => [page.page.id, page]));
  const pages = placedPages(after).filter(({ page }) => {
    const old = was.get(page.id);
    return old !== undefined && changed(before, after, old.page.id);
  });
  if (pages.length === 0) return null;
  return (
    <section aria-label="Pages before and after">
      <h3 className="chapter pb-1">Pages before and after</h3>
      <p className="pb-2 opacity-75">
        Frames on the old columns and lines have moved to the new ones. Undo brings everything back.
      </p>
      <ul className="flex flex-col gap-2.5">
        {pages.map((page) => (
          <li key={page.page.id}>
            <p className="narrow pb-0.5">{page.page.name ?? `Page ${page.folio}`}</p>
            <div className="flex items-start gap-3">
              <Sketch document={before} page={was.get(page.page.id)!} />
              <Sketch document={after} page={page} />
            </div>
          </li>
        ))}
      </ul>
    </section>
  );
}

const changed = (before: Document, after: Document, page: string): boolean =>
  formatOf(before) !== formatOf(after) ||
  framesOn(after, page).some((frame) => frame.box !== framesOn(before, page).find(({ id }) => id === frame.id)?.box);

const INKS: Partial<Record<FrameContent['type'], string>> = {
  text: 'var(--plan-text)',
  slot: 'var(--plan-text)',
  picture: 'var(--plan-pictures)',
  advertisement: 'var(--plan-advertisements)',
};

/** A page's columns, and where its frames lie on them. */
function Sketch({ document, page }: { document: Document; page: PlacedPage }) {
  const format = formatOf(document);
  const { area, columns } = pageGrid(format, page.master, page.side);
  const frames = [...masterFrames(document, page.master.id, page.side), ...framesOn(document, page.page.id)];
  return (
    <svg
      width={WIDTH}
      height={(WIDTH * format.height) / format.width}
      viewBox={`0 0 ${format.width} ${format.height}`}
      className="border-base-300 border bg-white"
      aria-hidden="true"
    >
      {columns.map(({ x, w }) => (
        <rect key={x} x={x} y={area.y} width={w} height={area.h} fill="var(--guide-column)" opacity={0.12} />
      ))}
      {frames.map(({ id, box, content }) => (
        <rect
          key={id}
          x={box.x}
          y={box.y}
          width={box.w}
          height={Math.max(box.h, 1)}
          fill={INKS[content.type] ?? 'none'}
          fillOpacity={0.28}
          stroke="var(--guide-line)"
          strokeWidth={2}
        />
      ))}
    </svg>
  );
}
