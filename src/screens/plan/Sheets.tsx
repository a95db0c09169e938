'use client';

import type { Binding, Signature } from '@/core/plan/signatures';
import { Dialog } from '@/parts/Dialog';

interface SheetsProps {
  readonly list: readonly Signature[];
  readonly folios: readonly string[];
  readonly binding: Binding;
  readonly onClose: () => void;
}

/** The leaves of every signature, outside and inside, as they come off the fold. */
export function Sheets({ list, folios, binding, onClose }: SheetsProps) {
  const pair = ([left, right]: readonly [number, number]) => (
    <span className="border-base-content/40 mr-3 inline-flex border bg-white text-[#14213d]">
      {[left, right].map((page) => (
        <span
          key={page}
          className="border-base-content/40 min-w-10 border-l px-1 py-1 text-center font-semibold first:border-l-0"
        >
          {folios[page - 1] ?? <span className="font-normal opacity-75">blank</span>}
        </span>
      ))}
    </span>
  );
  return (
    <Dialog title="Sheets" size="wide" onClose={onClose}>
      <div className="max-h-[32rem] overflow-auto p-5">
        <h2 className="text-base font-semibold">Sheets</h2>
        <p className="pb-3 opacity-75">
          {binding === 'stitched'
            ? 'Signatures lie one in another; the first is the outermost. Each leaf is shown with its outer side, then its inner one.'
            : 'Signatures follow one another to the spine. Each leaf is shown with its outer side, then its inner one.'}
        </p>
        {list.map(({ pages, leaves }, i) => (
          <section key={pages[0]} aria-label={`Signature ${letterOf(i)}`} className="border-base-300 border-t py-2.5">
            <h3 className="chapter pb-1.5">
              Signature {letterOf(i)}, {pages.length} pages
            </h3>
            <div className="flex flex-wrap gap-x-5 gap-y-2">
              {leaves.map((leaf) => (
                <span key={leaf.outer[1]} className="whitespace-nowrap">
                  {pair(leaf.outer)}
                  {pair(leaf.inner)}
                </span>
              ))}
            </div>
          </section>
        ))}
        <div className="flex justify-end pt-3">
          <button type="button" className="btn btn-sm" onClick={onClose}>
            Close
          </button>
        </div>
      </div>
    </Dialog>
  );
}

export const letterOf = (signature: number): string =>
  String.fromCharCode(65 + (signature % 26)) + (signature >= 26 ? String(Math.floor(signature / 26)) : '');
