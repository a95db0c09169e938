'use client';

import { useState } from 'react';
import { paletteInUse } from '@/core/actions/colour';
import { pageGrid, type Stretch } from '@/core/page/grid';
import { mastersOf, type PlacedPage } from '@/core/page/pages';
import { pageCountAdvice } from '@/core/plan/startIssue';
import { all, type Document } from '@/core/records/document';
import type { FormatRecord } from '@/core/records/index';
import { Choice } from '@/parts/Choice';
import { Select } from '@/parts/Select';
import { Range } from './Range';

/** What is done with the pages of an issue. */
export interface PageActions {
  readonly add: (after: string, count: number) => void;
  readonly remove: (page: string) => void;
  readonly move: (page: string, by: number) => void;
  readonly duplicate: (page: string) => void;
  readonly master: (page: string, master: string) => void;
}

export interface PageChapterProps {
  readonly document: Document;
  readonly onPalette: (palette: string) => void;
  readonly pageActions: PageActions;
  readonly format: FormatRecord;
  readonly pages: readonly PlacedPage[];
  readonly onMark: (page: PlacedPage, stretch: Stretch) => void;
}

/** The spread in sight, when nothing on it is chosen. */
export function PageChapter({ document, format, pages, onMark, onPalette, pageActions }: PageChapterProps) {
  const [which, setWhich] = useState(0);
  const palettes = all(document, 'palette');

  const inUse = paletteInUse(document);
  const page = pages[which] ?? pages[0];
  const [marked, setMarked] = useState<Stretch>({ columns: [1, 1], lines: [1, 10] });
  if (!page) return null;
  const grid = pageGrid(format, page.master, page.side);
  const { id } = page.page;
  const last = pages.at(-1)!.page.id;
  const everyPage = all(document, 'page');
  const count = everyPage.length;
  const end = everyPage.at(-1)!.id;
  const advice = pageCountAdvice(count);
  const button = (name: string, enabled: boolean, run: () => void) => (
    <button type="button" className="btn btn-xs" disabled={!enabled} onClick={run}>
      {name}
    </button>
  );
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
      {pages.length > 1 && (
        <Choice
          label="On page"
          value={String(pages.indexOf(page))}
          of={pages.map(({ number }, i) => ({ value: String(i), name: `Page ${number}` }))}
          onChange={(value) => setWhich(Number(value))}
        />
      )}
      <section aria-label="Mark out a stretch">
        <h3 className="chapter pb-1">Mark out a stretch of page {page.number}</h3>
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
        <h3 className="chapter pb-1">Page {page.number}</h3>
        <Select
          label="Master"
          value={page.page.master}
          of={mastersOf(document).map(({ id, name }) => ({ value: id, name }))}
          onChange={(master) => pageActions.master(id, master)}
        />
        <div className="flex flex-wrap gap-1.5 pt-2">
          {button('Earlier', count > 1 && page.number > 1, () => pageActions.move(id, -1))}
          {button('Later', page.number < count, () => pageActions.move(id, 1))}
          {button('Duplicate', true, () => pageActions.duplicate(id))}
          {button('Remove', count > 1, () => pageActions.remove(id))}
        </div>
        <div className="flex gap-1.5 pt-1.5">
          {button('Add one after', true, () => pageActions.add(last, 1))}
          {button('Add two after', true, () => pageActions.add(last, 2))}
        </div>
        {advice && (
          <p className="text-warning pt-2">
            {count} pages cannot be stitched: that takes a multiple of four.{' '}
            <button type="button" className="btn btn-xs" onClick={() => pageActions.add(end, advice.more - count)}>
              Add {advice.more - count} at the end
            </button>
          </p>
        )}
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
