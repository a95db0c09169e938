'use client';

import { useState } from 'react';
import { mastersOf } from '@/core/page/pages';
import { all } from '@/core/records/document';
import { Choice } from '@/parts/Choice';
import { Select } from '@/parts/Select';
import { WordsField } from '@/parts/WordsField';
import type { Desk } from '../useDesk';
import { CopyAcross } from './CopyAcross';
import { FromMaster } from './FromMaster';
import { MarkOutSection } from './MarkOutSection';
import { movePage } from './movePage';

/** The recurring page in sight, when nothing on it is chosen. */
export function RecurringChapter({ desk }: { desk: Desk }) {
  const { document, actions } = desk;
  const { pages } = desk.spread;
  const [which, setWhich] = useState(0);
  const page = pages[which] ?? pages[0]!;
  const { id } = page.page;
  const count = all(document, 'page').length;
  const button = (name: string, enabled: boolean, run: () => void) => (
    <button type="button" className="btn btn-xs" disabled={!enabled} onClick={run}>
      {name}
    </button>
  );
  return (
    <>
      {pages.length > 1 && (
        <Choice
          label="On page"
          value={String(pages.indexOf(page))}
          of={pages.map(({ side }, i) => ({ value: String(i), name: side === 'left' ? 'Left page' : 'Right page' }))}
          onChange={(value) => setWhich(Number(value))}
        />
      )}
      <section aria-label="Recurring page" className="flex flex-col gap-1.5">
        <WordsField label="Page" value={page.page.name ?? ''} onChange={(name) => actions.recurring(id, { name })} />
        <Select
          label="In every issue"
          value={page.page.recurs ?? ''}
          of={[
            { value: 'front', name: 'At the front' },
            { value: 'back', name: 'At the back' },
            { value: '', name: 'Only when added' },
          ]}
          onChange={(recurs) => actions.recurring(id, { recurs: recurs === '' ? undefined : recurs })}
        />
        <Select
          label="Master"
          value={page.page.master}
          of={mastersOf(document).map((master) => ({ value: master.id, name: master.name }))}
          onChange={(master) => actions.master([id], master)}
        />
        <p className="opacity-75">
          What is here appears in every issue: standing text and pictures as they are, slots to be filled.
        </p>
      </section>
      <MarkOutSection desk={desk} page={page} name="this page" />
      <section aria-label="Pages">
        <h3 className="chapter pb-1">Pages</h3>
        <div className="flex flex-wrap gap-1.5">
          {button('Move earlier', page.number > 1, () => movePage(desk, id, -1))}
          {button('Move later', page.number < count, () => movePage(desk, id, 1))}
          {button('Add page after', true, () => actions.addPages({ after: id, count: 1 }))}
          {button('Duplicate', true, () => actions.duplicatePage(id))}
          {button('Remove', count > 1, () => actions.removePage(id))}
        </div>
        <CopyAcross desk={desk} page={page} />
      </section>
      <FromMaster desk={desk} page={page} />
    </>
  );
}
