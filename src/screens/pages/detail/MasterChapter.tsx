'use client';

import { useState } from 'react';
import type { Across } from '@/core/actions/copies';
import type { Stretch } from '@/core/page/grid';
import { pageGrid } from '@/core/page/grid';
import { BASE, realMasters } from '@/core/page/houseDesk';
import type { PlacedPage } from '@/core/page/pages';
import type { Document } from '@/core/records/document';
import type { FormatRecord } from '@/core/records/index';
import type { MarginText } from '@/core/page/furniture';
import { Choice } from '@/parts/Choice';
import { Select } from '@/parts/Select';
import { WordsField } from '@/parts/WordsField';
import { CopyAcross } from './CopyAcross';
import { FromMaster } from './FromMaster';
import { MarkOutSection } from './MarkOutSection';

/** What is done with the masters of a house. */
export interface MasterActions {
  readonly add: (name: string, like: string, based: boolean) => void;
  readonly rename: (id: string, name: string) => void;
  readonly basedOn: (id: string, base: string | undefined) => void;
  readonly remove: (id: string) => void;
  readonly across: (from: string, to: string, how: Across) => void;
  readonly marginText: (pages: readonly string[], what: MarginText) => void;
  readonly part: (page: string, frames?: readonly string[]) => void;
  readonly rejoin: (frames: readonly string[]) => void;
}

export interface MasterChapterProps {
  readonly document: Document;
  readonly format: FormatRecord;
  readonly pages: readonly PlacedPage[];
  readonly onMark: (page: PlacedPage, stretch: Stretch) => void;
  readonly masterActions: MasterActions;
}

/** The master in sight, when nothing on it is chosen. */
export function MasterChapter({ document, format, pages, onMark, masterActions: on }: MasterChapterProps) {
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
        <WordsField label="Master" value={master.name} onChange={(name) => on.rename(master.id, name)} />
        <p className="opacity-75">
          {grid.columns.length} columns, {grid.lines} lines. Its grid is set in Format and grid.
        </p>
        <Select
          label="Based on"
          value={base ? base.id : ''}
          of={[{ value: '', name: 'Nothing' }, ...others.map(({ id, name }) => ({ value: id, name }))]}
          onChange={(id) => on.basedOn(master.id, id === '' ? undefined : id)}
        />
        <p className="opacity-75">
          Drag over empty grid to mark out a stretch: a flow area takes main text, a slot a part of a story, a text shows fields.
        </p>
      </section>
      <section aria-label="In the margins" className="flex gap-1.5">
        <button type="button" className="btn btn-xs" onClick={() => on.marginText(ids, 'folio')}>
          Add folios
        </button>
        <button type="button" className="btn btn-xs" onClick={() => on.marginText(ids, 'runningHead')}>
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
      <MarkOutSection format={format} page={page} name={`the ${page.side} page`} onMark={onMark} />
      {pages.length > 1 && (
        <section aria-label="Copy across">
          <CopyAcross page={page} other={pages.find((each) => each !== page)!} onAcross={on.across} />
        </section>
      )}
      <FromMaster document={document} page={page} onPart={on.part} onRejoin={on.rejoin} />
      <section aria-label="Masters">
        <h3 className="chapter pb-1">Masters</h3>
        <div className="flex flex-wrap gap-1.5">
          <button type="button" className="btn btn-xs" onClick={() => on.add('Master', master.id, false)}>
            New with this grid
          </button>
          <button type="button" className="btn btn-xs" onClick={() => on.add(master.name, master.id, true)}>
            New based on this
          </button>
          <button type="button" className="btn btn-xs" onClick={() => on.remove(master.id)}>
            Remove
          </button>
        </div>
      </section>
    </>
  );
}
