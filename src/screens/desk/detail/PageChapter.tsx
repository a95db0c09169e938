'use client';

import { useState } from 'react';
import { paletteInUse } from '@/core/actions/colour';
import { pageGrid } from '@/core/page/grid';
import { mastersOf, placedPages, type PlacedPage } from '@/core/page/pages';
import { pageCountAdvice } from '@/core/plan/startIssue';
import { all, type Document } from '@/core/records/document';
import { Choice } from '@/parts/Choice';
import { Select } from '@/parts/Select';
import type { Desk } from '../useDesk';
import { CopyAcross } from './CopyAcross';
import { GuideList } from './GuideList';
import { FromMaster } from './FromMaster';
import { MarkOutSection } from './MarkOutSection';
import { movePage } from './movePage';

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
export function PageChapter({ desk }: { desk: Desk }) {
  const { document, format, actions } = desk;
  const { pages } = desk.spread;
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
      <MarkOutSection desk={desk} page={page} name={`page ${page.folio}`} />
      <section aria-label="Pages">
        <h3 className="chapter pb-1">Page {page.folio}</h3>
        <div className="flex gap-2">
          <Select
            label="Master"
            value={page.page.master}
            of={mastersOf(document).map(({ id, name }) => ({ value: id, name }))}
            onChange={(master) => actions.master(chosenBy(document, page, reach), master)}
          />
          <Select label="Apply to" value={reach} of={REACHES} onChange={setReach} />
        </div>
        <div className="flex flex-wrap gap-1.5 pt-2">
          {button('Move earlier', count > 1 && page.number > 1, () => movePage(desk, id, -1))}
          {button('Move later', page.number < count, () => movePage(desk, id, 1))}
          {button('Duplicate', true, () => actions.duplicatePage(id))}
          {button('Remove', count > 1, () => actions.removePage(id))}
        </div>
        <div className="flex gap-1.5 pt-1.5">
          {button('Add page after', true, () => actions.addPages({ after: last, count: 1 }))}
          {button('Add two after', true, () => actions.addPages({ after: last, count: 2 }))}
        </div>
        <CopyAcross desk={desk} page={page} />
        {advice && (
          <p className="text-warning pt-2">
            {count} pages cannot be stitched: that takes a multiple of four.{' '}
            <button
              type="button"
              className="btn btn-xs"
              onClick={() => actions.addPages({ after: end, count: advice.more - count })}
            >
              Add {advice.more - count} at the end
            </button>
          </p>
        )}
      </section>
      <GuideList desk={desk} page={page} />
      <FromMaster desk={desk} page={page} />
      {palettes.length > 0 && (
        <section aria-label="Colours">
          <h3 className="chapter pb-1">Colours of the issue</h3>
          <Select
            label="Palette"
            value={inUse?.id ?? ''}
            of={[
              ...(inUse ? [] : [{ value: '', name: 'Own colours' }]),
              ...palettes.map(({ id, name }) => ({ value: id, name })),
            ]}
            onChange={(id) => id !== '' && actions.palette(id)}
          />
          <button type="button" className="btn btn-xs mt-2" onClick={() => desk.setColouring(true)}>
            Colours in the issue …
          </button>
        </section>
      )}
    </>
  );
}
