'use client';

import { addMonths, formatISO } from 'date-fns';
import { useState } from 'react';
import { MOST_PAGES } from '@/core/actions/pages';
import { type Frequency, type IssueName, nextIssue, seasonOf } from '@/core/plan/recurrence';
import { pageCountAdvice } from '@/core/plan/startIssue';
import { DayField } from '@/parts/DayField';
import { Dialog } from '@/parts/Dialog';
import { NumberField } from '@/parts/NumberField';
import { Select } from '@/parts/Select';
import { Tick } from '@/parts/Tick';
import { OrderField, OrderForm } from './OrderForm';

interface NextIssueProps {
  readonly publication: { readonly id: string; readonly name: string; readonly language: string };
  readonly frequency: Frequency;
  /** The latest first. */
  readonly issues: readonly (IssueName & { readonly id: string; readonly name: string; readonly pages: number })[];
  readonly onClose: () => void;
}

const USUAL_PAGES = 8;

const monthAhead = (): string => formatISO(addMonths(new Date(), 1), { representation: 'date' });

/** Proposes number, date and name of the issue after the last, to be changed and started. */
export function NextIssue({ publication, frequency, issues, onClose }: NextIssueProps) {
  const [double, setDouble] = useState(false);
  const [skip, setSkip] = useState(0);
  const [typed, setTyped] = useState<{ number?: string; date?: string; season?: string }>({});
  const [pages, setPages] = useState(issues[0]?.pages ?? USUAL_PAGES);
  const proposed = nextIssue(issues, frequency, { double, skip });
  const number = typed.number ?? proposed.number;
  // The first issue has none to go on from: it is proposed a month ahead.
  const date = typed.date ?? (proposed.date || monthAhead());
  const season = typed.season ?? (date ? seasonOf(date, frequency) : proposed.season);
  const [from, setFrom] = useState('');
  const advice = pageCountAdvice(pages);
  return (
    <Dialog title="Start the next issue" onClose={onClose}>
      <OrderForm<{ issue: string }>
        title={`The next issue of ${publication.name}`}
        words={`${publication.name} comes out ${frequency}. It starts from the house as it is now; later changes to the house are offered to it, and made only if you take them.`}
        button={`Start No. ${number || '…'}`}
        url={`/api/publications/${publication.id}/issues`}
        order={() => ({ number, date, season, pages, ...(from === '' ? {} : { from }) })}
        goTo={({ issue }) => `/issues/${issue}/plan`}
        onClose={onClose}
      >
        {(wrong) => (
          <>
            <div className="flex gap-3">
              <OrderField
                label="Number"
                field="number"
                value={number}
                wrong={wrong}
                onChange={(value) => setTyped({ ...typed, number: value })}
              />
              <div className="min-w-0 flex-1">
                <label htmlFor="cover-date" className="text-2xs opacity-70">
                  Cover date
                </label>
                <DayField
                  id="cover-date"
                  value={date}
                  language={publication.language}
                  onChange={(value) => setTyped({ ...typed, date: value })}
                />
                {wrong?.field === 'date' && (
                  <p role="alert" className="text-2xs text-error pt-0.5">
                    {wrong.message}
                  </p>
                )}
              </div>
            </div>
            <div className="flex items-end gap-4">
              <Tick label="Double issue" value={double} onChange={setDouble} />
              <div className="w-32">
                <NumberField label="Issues skipped" value={skip} least={0} most={50} whole onChange={setSkip} />
              </div>
            </div>
            <div className="flex gap-3">
              <OrderField
                label="Name"
                field="season"
                value={season}
                wrong={wrong}
                onChange={(value) => setTyped({ ...typed, season: value })}
              />
              <div className="w-24">
                <NumberField label="Pages" value={pages} least={1} most={MOST_PAGES} whole onChange={setPages} />
              </div>
            </div>
            {issues.length > 0 && (
              <Select
                label="Pages come from"
                value={from}
                of={[
                  { value: '', name: 'The house: recurring pages, and empty ones between them' },
                  ...issues.map(({ id, name }) => ({ value: id, name: `${name}: its pages, articles replaced by slots` })),
                ]}
                onChange={setFrom}
              />
            )}
            {wrong?.field === 'pages' && (
              <p role="alert" className="text-2xs text-error">
                {wrong.message}
              </p>
            )}
            {advice && (
              <p className="text-warning flex flex-wrap items-center gap-2">
                Stitched work has a multiple of four pages.
                {[advice.less, advice.more].map((count) => (
                  <button key={count} type="button" className="btn btn-xs" onClick={() => setPages(count)}>
                    {count} pages
                  </button>
                ))}
              </p>
            )}
          </>
        )}
      </OrderForm>
    </Dialog>
  );
}
