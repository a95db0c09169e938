'use client';

import { useState } from 'react';
import { mastersOf, placedPages, type PlacedPage } from '@/core/page/pages';
import { all, type Document } from '@/core/records/document';
import { type FolioStyle, FOLIO_STYLES } from '@/core/records/section';
import { folioOf } from '@/core/page/folio';
import { NumberField } from '@/parts/NumberField';
import { Select } from '@/parts/Select';
import { WordsField } from '@/parts/WordsField';
import type { PlanActions } from './usePlanActions';

interface ChosenPagesProps {
  readonly document: Document;
  /** In the order of the issue; at least one. */
  readonly pages: readonly PlacedPage[];
  /** The house, as far as its recurring pages need it. */
  readonly house: Document;
  readonly actions: PlanActions;
  readonly onOpen: () => void;
  readonly onChoose: (pages: readonly string[]) => void;
}

const FOLIO_NAMES: Readonly<Record<FolioStyle, string>> = {
  '1': '1, 2, 3',
  i: 'i, ii, iii',
  I: 'I, II, III',
  a: 'a, b, c',
  A: 'A, B, C',
};

/** What is done with the pages that are chosen. */
export function ChosenPages({ document, pages, house, actions, onOpen, onChoose }: ChosenPagesProps) {
  const [count, setCount] = useState(1);
  const [what, setWhat] = useState('');
  const ids = pages.map(({ page }) => page.id);
  const [first] = pages;
  const last = pages.at(-1)!;
  const every = placedPages(document);
  const before = every[first!.number - 2]?.page.id;
  const masters = [...new Set(pages.map(({ page }) => page.master))];
  const models = all(house, 'page');
  const add = (after: string | undefined) => {
    if (what.startsWith('model ')) actions.recurring(house, what.slice(6), after);
    else actions.add({ after, count, ...(what ? { master: what } : {}) });
  };
  const button = (name: string, run: () => void, enabled = true) => (
    <button type="button" className="btn btn-xs" disabled={!enabled} onClick={run}>
      {name}
    </button>
  );
  return (
    <section aria-label="Chosen pages" className="border-base-300 flex flex-col gap-2 border-b px-3.5 py-3">
      <div className="flex items-baseline gap-2">
        <h2 className="font-semibold">
          {pages.length === 1 ? `Page ${first!.folio}` : `${pages.length} pages, ${first!.folio} to ${last.folio}`}
        </h2>
        <button type="button" className="link narrow ml-auto" onClick={onOpen}>
          Open in Pages
        </button>
      </div>
      <Select
        label="Master"
        value={masters.length === 1 ? masters[0]! : ''}
        of={[
          ...(masters.length === 1 ? [] : [{ value: '', name: 'Mixed' }]),
          ...mastersOf(document).map(({ id, name }) => ({ value: id, name })),
        ]}
        onChange={(master) => master !== '' && actions.master(ids, master)}
      />
      <div className="flex flex-wrap gap-1.5">
        {button('Move earlier', () => actions.move(ids, every[Math.max(0, first!.number - 2)]!.page.id), first!.number > 1)}
        {button('Move later', () => actions.move(ids, every[last.number + 1]?.page.id), last.number < every.length)}
        {button('Duplicate', () => actions.duplicate(ids))}
        {button('Remove', () => actions.remove(ids) && onChoose([]), ids.length < every.length)}
      </div>
      <div className="flex items-end gap-2">
        <Select
          label="New pages"
          value={what}
          of={[
            { value: '', name: 'Like the page before' },
            ...mastersOf(document).map(({ id, name }) => ({ value: id, name: `On ${name}` })),
            ...models.map(({ id, name }) => ({ value: `model ${id}`, name: `${name ?? 'Recurring page'}, from the house` })),
          ]}
          onChange={setWhat}
        />
        {!what.startsWith('model ') && (
          <div className="w-14">
            <NumberField label="How many" value={count} least={1} most={400} whole onChange={setCount} />
          </div>
        )}
      </div>
      <div className="flex gap-1.5">
        {button('Add before', () => add(before))}
        {button('Add after', () => add(last.page.id))}
      </div>
      <SectionFields key={first!.page.id} document={document} page={first!} actions={actions} />
    </section>
  );
}

/** The section that begins on a page. */
function SectionFields({ document, page, actions }: { document: Document; page: PlacedPage; actions: PlanActions }) {
  const own = all(document, 'section').find(({ from }) => from === page.page.id);
  const [opened, setOpened] = useState(false);
  if (!own && !opened) {
    return (
      <p className="narrow flex items-baseline gap-2">
        <span className="min-w-0 flex-1 truncate opacity-75">
          {page.section ? `In the section ${page.section.name}` : 'In no section'}
        </span>
        <button type="button" className="btn btn-xs" onClick={() => setOpened(true)}>
          Start a section here
        </button>
      </p>
    );
  }
  const folios = own?.folios;
  const name = own?.name ?? '';
  const put = (changes: { name?: string; folios?: typeof folios | null }) => {
    const next = changes.folios === null ? undefined : (changes.folios ?? folios);
    actions.section(page.page.id, { name: changes.name ?? name, ...(next ? { folios: next } : {}) });
  };
  return (
    <div role="group" aria-label="Section" className="flex flex-col gap-1.5">
      <WordsField label="Section starting here" value={name} onChange={(words) => put({ name: words })} />
      {own && (
        <>
          <div className="flex gap-2">
            <Select
              label="Folios"
              value={folios?.style ?? ''}
              of={[{ value: '', name: 'Continue' }, ...FOLIO_STYLES.map((style) => ({ value: style, name: FOLIO_NAMES[style] }))]}
              onChange={(style) =>
                put({ folios: style === '' ? null : { prefix: folios?.prefix ?? '', start: folios?.start ?? 1, style } })
              }
            />
            {folios && (
              <>
                <WordsField
                  label="Prefix"
                  most={8}
                  value={folios.prefix}
                  onChange={(prefix) => put({ folios: { ...folios, prefix } })}
                />
                <NumberField
                  label="From"
                  value={folios.start}
                  least={1}
                  most={9999}
                  whole
                  onChange={(start) => put({ folios: { ...folios, start } })}
                />
              </>
            )}
          </div>
          <p className="narrow flex items-baseline gap-2 opacity-75">
            <span className="flex-1">{folios ? `Starts at ${folioOf(folios, 0)}` : 'A department: its folios continue.'}</span>
            <button type="button" className="btn btn-ghost btn-xs" onClick={() => actions.endSection(own.id)}>
              Remove the section
            </button>
          </p>
        </>
      )}
    </div>
  );
}
