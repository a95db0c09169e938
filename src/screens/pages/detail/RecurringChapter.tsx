'use client';

import type { PageChapterProps } from './PageChapter';
import { useState } from 'react';
import { mastersOf } from '@/core/page/pages';
import type { PageRecord } from '@/core/records/index';
import { all } from '@/core/records/document';
import { Choice } from '@/parts/Choice';
import { Select } from '@/parts/Select';
import { WordsField } from '@/parts/WordsField';
import { CopyAcross } from './CopyAcross';
import { FromMaster } from './FromMaster';
import { MarkOutSection } from './MarkOutSection';

interface RecurringChapterProps extends PageChapterProps {
  readonly onRecurring: (page: string, changes: Partial<Pick<PageRecord, 'name' | 'recurs'>>) => void;
}

/** The recurring page in sight, when nothing on it is chosen. */
export function RecurringChapter({ document, format, pages, onMark, pageActions, onRecurring }: RecurringChapterProps) {
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
        <WordsField label="Page" value={page.page.name ?? ''} onChange={(name) => onRecurring(id, { name })} />
        <Select
          label="Comes in every issue"
          value={page.page.recurs ?? ''}
          of={[
            { value: 'front', name: 'At the front' },
            { value: 'back', name: 'At the back' },
            { value: '', name: 'Only when it is put in' },
          ]}
          onChange={(recurs) => onRecurring(id, { recurs: recurs === '' ? undefined : recurs })}
        />
        <Select
          label="Master"
          value={page.page.master}
          of={mastersOf(document).map((master) => ({ value: master.id, name: master.name }))}
          onChange={(master) => pageActions.master([id], master)}
        />
        <p className="opacity-75">
          What lies here comes along with every issue: standing text and pictures as they are, slots to be filled.
        </p>
      </section>
      <MarkOutSection format={format} page={page} name="this page" onMark={onMark} />
      <section aria-label="Pages">
        <h3 className="chapter pb-1">Pages</h3>
        <div className="flex flex-wrap gap-1.5">
          {button('Earlier', page.number > 1, () => pageActions.move(id, -1))}
          {button('Later', page.number < count, () => pageActions.move(id, 1))}
          {button('Add one after', true, () => pageActions.add(id, 1))}
          {button('Duplicate', true, () => pageActions.duplicate(id))}
          {button('Remove', count > 1, () => pageActions.remove(id))}
        </div>
        {pages.length > 1 && (
          <CopyAcross page={page} other={pages.find((each) => each !== page)!} onAcross={pageActions.across} />
        )}
      </section>
      <FromMaster document={document} page={page} onPart={pageActions.part} onRejoin={pageActions.rejoin} />
    </>
  );
}
