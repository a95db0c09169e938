'use client';

import { useState } from 'react';
import { paletteInUse } from '@/core/actions/colour';
import type { Across } from '@/core/actions/copies';
import { pageGrid, type Stretch } from '@/core/page/grid';
import { mastersOf, placedPages, type PlacedPage } from '@/core/page/pages';
import { pageCountAdvice } from '@/core/plan/startIssue';
import { all, type Document } from '@/core/records/document';
import type { FormatRecord } from '@/core/records/index';
import { Choice } from '@/parts/Choice';
import { Select } from '@/parts/Select';
import { CopyAcross } from './CopyAcross';
import { FromMaster } from './FromMaster';
import { MarkOutSection } from './MarkOutSection';

/** What is done with the pages of an issue. */
export interface PageActions {
  readonly add: (after: string, count: number) => void;
  readonly remove: (page: string) => void;
  readonly move: (page: string, by: number) => void;
  readonly duplicate: (page: string) => void;
  readonly master: (pages: readonly string[], master: string) => void;
  readonly part: (page: string, frames?: readonly string[]) => void;
  readonly rejoin: (frames: readonly string[]) => void;
  readonly across: (from: string, to: string, how: Across) => void;
}

export interface PageChapterProps {
  readonly document: Document;
  readonly onPalette: (palette: string) => void;
  readonly pageActions: PageActions;
  readonly format: FormatRecord;
  readonly pages: readonly PlacedPage[];
  readonly onMark: (page: PlacedPage, stretch: Stretch) => void;
}

const REACHES = [
  { value: 'one', name: 'This page' },
  { value: 'spread', name: 'This spread' },
  { value: 'odd', name: 'Odd pages' },
  { value: 'even', name: 'Even pages' },
  { value: 'all', name: 'All pages' },
] as const;

type Reach = (typeof REACHES)[number]['value'];

/** The pages that a choice reaches from one of them. */
function chosenBy(document: Document, page: PlacedPage, reach: Reach): string[] {
  const chosen = placedPages(document).filter(({ number, spread, page: { id } }) => {
    switch (reach) {
      case 'one':
        return id === page.page.id;
      case 'spread':
        return spread === page.spread;
      case 'odd':
        return number % 2 === 1;
      case 'even':
        return number % 2 === 0;
      case 'all':
        return true;
    }
  });
  return chosen.map(({ page: { id } }) => id);
}

/** The spread in sight, when nothing on it is chosen. */
export function PageChapter({ document, format, pages, onMark, onPalette, pageActions }: PageChapterProps) {
  const [which, setWhich] = useState(0);
  const [reach, setReach] = useState<Reach>('one');
  const palettes = all(document, 'palette');

  const inUse = paletteInUse(document);
  const page = pages[which] ?? pages[0];
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
          {pages.length > 1 ? `Pages ${pages[0]!.folio} and ${pages[1]!.folio}` : `Page ${page.folio}`}
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
          of={pages.map(({ folio }, i) => ({ value: String(i), name: `Page ${folio}` }))}
          onChange={(value) => setWhich(Number(value))}
        />
      )}
      <MarkOutSection format={format} page={page} name={`page ${page.folio}`} onMark={onMark} />
      <section aria-label="Pages">
        <h3 className="chapter pb-1">Page {page.folio}</h3>
        <div className="flex gap-2">
          <Select
            label="Master"
            value={page.page.master}
            of={mastersOf(document).map(({ id, name }) => ({ value: id, name }))}
            onChange={(master) => pageActions.master(chosenBy(document, page, reach), master)}
          />
          <Select label="Given to" value={reach} of={REACHES} onChange={setReach} />
        </div>
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
        {pages.length > 1 && (
          <CopyAcross page={page} other={pages.find((each) => each !== page)!} onAcross={pageActions.across} />
        )}
        {advice && (
          <p className="text-warning pt-2">
            {count} pages cannot be stitched: that takes a multiple of four.{' '}
            <button type="button" className="btn btn-xs" onClick={() => pageActions.add(end, advice.more - count)}>
              Add {advice.more - count} at the end
            </button>
          </p>
        )}
      </section>
      <FromMaster document={document} page={page} onPart={pageActions.part} onRejoin={pageActions.rejoin} />
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
