'use client';

import { useState } from 'react';
import { pageGrid, type Stretch } from '@/core/page/grid';
import type { PlacedPage } from '@/core/page/pages';
import { paletteInUse } from '@/core/actions/colour';
import { all, type Document } from '@/core/records/document';
import type { FormatRecord } from '@/core/records/index';
import { Choice } from '@/parts/Choice';
import { Select } from '@/parts/Select';
import { Range } from './Range';

export interface PageChapterProps {
  readonly document: Document;
  readonly onPalette: (palette: string) => void;
  readonly format: FormatRecord;
  readonly pages: readonly PlacedPage[];
  readonly onMark: (page: PlacedPage, stretch: Stretch) => void;
  readonly onAddPages: (count: number) => void;
}

/** The spread in sight, when nothing on it is chosen. */
export function PageChapter({ document, format, pages, onMark, onAddPages, onPalette }: PageChapterProps) {
  const [which, setWhich] = useState(0);
  const palettes = all(document, 'palette');
  const inUse = paletteInUse(document);
  const page = pages[which] ?? pages[0];
  const [marked, setMarked] = useState<Stretch>({ columns: [1, 1], lines: [1, 10] });
  if (!page) return null;
  const grid = pageGrid(format, page.master, page.side);
  return (
    <>
      <section aria-label="Spread">
        <h2 className="font-semibold">
          {pages.length > 1 ? `Pages ${pages[0]!.number} and ${pages[1]!.number}` : `Page ${page.number}`}
        </h2>
        <p className="opacity-75">
          {grid.columns.length} columns, {grid.lines} lines,{' '}
          {pages
            .map(({ master }) => master.name)
            .filter((name, i, all) => all.indexOf(name) === i)
            .join(' and ')}
        </p>
        <p className="pt-2 opacity-75">Choose a frame by pressing on it. Drag over empty grid to mark out a stretch.</p>
      </section>
      <section aria-label="Mark out a stretch">
        <h3 className="chapter pb-1">Mark out a stretch</h3>
        {pages.length > 1 && (
          <div className="pb-1.5">
            <Choice
              label="On page"
              value={String(pages.indexOf(page))}
              of={pages.map(({ number }, i) => ({ value: String(i), name: `Page ${number}` }))}
              onChange={(value) => setWhich(Number(value))}
            />
          </div>
        )}
        <Range
          name="Columns"
          from={marked.columns[0]}
          to={marked.columns[1]}
          most={grid.columns.length}
          onChange={(from, to) => setMarked({ ...marked, columns: [from, to] })}
        />
        <Range
          name="Lines"
          from={marked.lines[0]}
          to={marked.lines[1]}
          most={grid.lines}
          onChange={(from, to) => setMarked({ ...marked, lines: [from, to] })}
        />
        <button type="button" className="btn btn-xs mt-2" onClick={() => onMark(page, marked)}>
          Mark out
        </button>
      </section>
      <section aria-label="Pages">
        <h3 className="chapter pb-1">Pages</h3>
        <div className="flex gap-1.5">
          <button type="button" className="btn btn-xs" onClick={() => onAddPages(1)}>
            Add one after
          </button>
          <button type="button" className="btn btn-xs" onClick={() => onAddPages(2)}>
            Add two after
          </button>
        </div>
      </section>
      {palettes.length > 0 && (
        <section aria-label="Colours">
          <h3 className="chapter pb-1">Colours of the issue</h3>
          <Select
            label="Palette"
            value={inUse?.id ?? ''}
            of={[
              ...(inUse ? [] : [{ value: '', name: 'Colours of its own' }]),
              ...palettes.map(({ id, name }) => ({ value: id, name })),
            ]}
            onChange={(id) => id !== '' && onPalette(id)}
          />
        </section>
      )}
    </>
  );
}
