'use client';

import { memo, useMemo, useState } from 'react';
import type { Fit } from '@/core/compose/text/fit';
import { balanceOf, filledShares, wholeBalance } from '@/core/plan/balance';
import { bindingOf, signatures, signatureWords, SIGNATURE_SIZES, type SignatureSize } from '@/core/plan/signatures';
import { pageCountAdvice } from '@/core/plan/startIssue';
import { formatOf, placedPages } from '@/core/page/pages';
import type { Document } from '@/core/records/document';
import { Choice } from '@/parts/Choice';
import { Select } from '@/parts/Select';
import { BalanceChart } from './BalanceChart';
import { Sheets } from './Sheets';
import type { PlanActions } from './usePlanActions';

interface PlanFootProps {
  readonly document: Document;
  readonly fits: ReadonlyMap<string, Fit>;
  readonly actions: PlanActions;
  readonly showsMarks: boolean;
  readonly onMarks: (on: boolean) => void;
}

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** Below the flatplan: what takes up the pages, their number, and the sheets they are printed on. */
export const PlanFoot = memo(function PlanFoot({ document, fits, actions, showsMarks, onMarks }: PlanFootProps) {
  const [sheets, setSheets] = useState(false);
  const pages = placedPages(document);
  const balance = useMemo(() => balanceOf(document, filledShares(document, fits)), [document, fits]);
  const folios = useMemo(() => placedPages(document).map(({ folio }) => folio), [document]);
  const whole = wholeBalance(balance);
  const { kind, signature } = bindingOf(formatOf(document));
  const list = signatures(pages.length, signature, kind);
  const advice = pageCountAdvice(pages.length);
  const empty = pages.filter((_, i) => balance[i]!.text + balance[i]!.pictures + balance[i]!.advertisements === 0);
  const spare = advice ? pages.length - advice.less : 0;
  // The back cover comes last: blanks go in before it, and pages that may go are taken from before it too.
  const beforeLast = pages.at(-2)?.page.id;
  const droppable = empty.filter((page) => page !== pages.at(-1)).slice(-spare);
  return (
    <footer className="border-base-300 bg-base-100 flex min-h-44 shrink-0 gap-5 border-t px-5 py-2.5 xl:gap-8">
      <section aria-label="Balance" className="min-w-0 flex-[2]">
        <h2 className="chapter truncate">Text, pictures and advertisements by page</h2>
        <BalanceChart folios={folios} pages={balance} />
        <p className="narrow flex flex-wrap gap-x-3 xl:gap-x-4" data-balance>
          <Key ink="--plan-text">Text {percent(whole.text)}</Key>
          <Key ink="--plan-pictures">Pictures {percent(whole.pictures)}</Key>
          <Key ink="--plan-advertisements">Advertisements {percent(whole.advertisements)}</Key>
          <span className="opacity-70">of all type areas</span>
        </p>
      </section>
      <section aria-label="Number of pages" className="w-40 xl:w-52">
        <h2 className="chapter">Pages</h2>
        <p className="text-xl leading-snug font-semibold" data-page-count>
          {pages.length}
          {advice && (
            <span className="text-error text-base">
              , {advice.more - pages.length} short of {advice.more}
            </span>
          )}
        </p>
        {advice ? (
          <>
            <p className="pb-1.5 leading-tight opacity-75">Printed leaves have four pages; the back cover is the last.</p>
            <div className="flex flex-col items-start gap-1">
              <button
                type="button"
                className="btn btn-primary btn-xs font-semibold"
                onClick={() => actions.add({ after: beforeLast, count: advice.more - pages.length })}
              >
                Add {advice.more - pages.length} before the back cover
              </button>
              {droppable.length === spare && pages.length > 4 && (
                <button type="button" className="btn btn-xs" onClick={() => actions.remove(droppable.map(({ page }) => page.id))}>
                  Remove empty {droppable.map(({ folio }) => folio).join(', ')}
                </button>
              )}
            </div>
          </>
        ) : (
          <p className="text-success">A multiple of four, as printing asks.</p>
        )}
      </section>
      <section aria-label="Signatures" className="flex w-60 flex-col gap-1.5">
        <h2 className="chapter">Signatures</h2>
        <p className="leading-tight">
          {signatureWords(list)}
          {list.length > 0 ? `, ${kind}.` : '.'}
        </p>
        <Choice
          label="Binding"
          value={kind}
          of={[
            { value: 'stitched', name: 'Stitched' },
            { value: 'bound', name: 'Bound' },
          ]}
          onChange={(next) => actions.binding({ kind: next, signature })}
        />
        <div className="flex items-end gap-2">
          <div className="w-24">
            <Select
              label="Pages to a sheet"
              value={String(signature) as `${SignatureSize}`}
              of={SIGNATURE_SIZES.map((size) => ({ value: String(size) as `${SignatureSize}`, name: String(size) }))}
              onChange={(size) => actions.binding({ kind, signature: Number(size) as SignatureSize })}
            />
          </div>
          <button type="button" className="btn btn-xs" aria-pressed={showsMarks} onClick={() => onMarks(!showsMarks)}>
            On pages
          </button>
          <button type="button" className="btn btn-xs" onClick={() => setSheets(true)}>
            Sheets
          </button>
        </div>
      </section>
      {sheets && <Sheets list={list} folios={folios} binding={kind} onClose={() => setSheets(false)} />}
    </footer>
  );
});

function Key({ ink, children }: { ink: string; children: React.ReactNode }) {
  return (
    <span className="flex items-center gap-1.5">
      <span className="size-2.5" style={{ background: `var(${ink})` }} />
      <span>{children}</span>
    </span>
  );
}
