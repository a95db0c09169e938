'use client';

import { useState } from 'react';
import { pageGrid } from '@/core/page/grid';
import { BASE, deskPage, realMasters } from '@/core/page/houseDesk';
import { spreads } from '@/core/page/pages';
import { all } from '@/core/records/document';
import { Choice } from '@/parts/Choice';
import { Select } from '@/parts/Select';
import { WordsField } from '@/parts/WordsField';
import type { Desk } from '../useDesk';
import { CopyAcross } from './CopyAcross';
import { FromMaster } from './FromMaster';
import { MarkOutSection } from './MarkOutSection';

/** The master in sight, when nothing on it is chosen. */
export function MasterChapter({ desk }: { desk: Desk }) {
  const { document, format, actions } = desk;
  const { pages } = desk.spread;
  const [which, setWhich] = useState<'left' | 'right'>('right');
  const page = pages.find(({ side }) => side === which) ?? pages[0]!;
  const { master } = page;
  const ids = pages.map((each) => each.page.id);
  const grid = pageGrid(format, master, page.side);
  const base = realMasters(document).find(({ id }) => master.basedOn === id + BASE);
  const others = realMasters(document).filter(({ id }) => id !== master.id);
  return (
    <>
      <section aria-label="Master" className="flex flex-col gap-1.5">
        <WordsField label="Master" value={master.name} onChange={(name) => actions.renameMaster(master.id, name)} />
        <p className="opacity-75">
          {grid.columns.length} columns, {grid.lines} lines. Its grid is set in Format and grid.
        </p>
        <Select
          label="Based on"
          value={base ? base.id : ''}
          of={[{ value: '', name: 'Nothing' }, ...others.map(({ id, name }) => ({ value: id, name }))]}
          onChange={(id) => actions.setBasedOn(master.id, id === '' ? undefined : id)}
        />
        <p className="opacity-75">
          Drag over empty grid to mark out a stretch: a flow area takes main text, a slot a part of a story, a text shows fields.
        </p>
      </section>
      <section aria-label="In the margins" className="flex gap-1.5">
        <button type="button" className="btn btn-xs" onClick={() => actions.marginText(ids, 'folio')}>
          Add folios
        </button>
        <button type="button" className="btn btn-xs" onClick={() => actions.marginText(ids, 'runningHead')}>
          Add a running head
        </button>
      </section>
      {pages.length > 1 && (
        <Choice
          label="On page"
          value={page.side}
          of={pages.map(({ side }) => ({ value: side, name: side === 'left' ? 'Left page' : 'Right page' }))}
          onChange={setWhich}
        />
      )}
      <MarkOutSection desk={desk} page={page} name={`the ${page.side} page`} />
      {pages.length > 1 && (
        <section aria-label="Copy across">
          <CopyAcross desk={desk} page={page} />
        </section>
      )}
      <FromMaster desk={desk} page={page} />
      <section aria-label="Masters">
        <h3 className="chapter pb-1">Masters</h3>
        <div className="flex flex-wrap gap-1.5">
          <button type="button" className="btn btn-xs" onClick={() => addToDesk(desk, 'Master', master.id, false)}>
            New with this grid
          </button>
          <button type="button" className="btn btn-xs" onClick={() => addToDesk(desk, master.name, master.id, true)}>
            New based on this
          </button>
          <button type="button" className="btn btn-xs" onClick={() => actions.removeMaster(master.id)}>
            Remove
          </button>
        </div>
      </section>
    </>
  );
}

/** Adds a master and lays it on the desk, so that what is done next is done to it. */
function addToDesk({ store, actions, spread }: Desk, name: string, like: string, based: boolean): void {
  const before = new Set(all(store.whole, 'master').map(({ id }) => id));
  actions.addMaster(name, like, based);
  const added = all(store.whole, 'master').find(({ id }) => !before.has(id));
  if (!added) return;
  const at = spreads(store.document).findIndex((each) => each.some(({ page }) => page.id === deskPage(added.id, 'right')));
  if (at >= 0) spread.go(at);
}
