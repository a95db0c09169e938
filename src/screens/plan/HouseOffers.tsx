'use client';

import { useQuery } from '@tanstack/react-query';
import { got } from '@/client/ask';
import { useMemo, useState } from 'react';
import type { DeskStore } from '@/client/deskStore';
import {
  type HouseChange,
  leaveOffer,
  offersFor,
  readChange,
  type SentChange,
  takeOffer,
  takeOffers,
} from '@/core/plan/houseOffers';
import type { Diff } from '@/core/records/diff';
import type { Document } from '@/core/records/document';
import { Dialog } from '@/parts/Dialog';
import type { Say } from '../frame/useNotices';

interface HouseOffersProps {
  readonly id: string;
  readonly document: Document;
  readonly store: DeskStore;
  readonly say: Say;
}

const NONE: readonly HouseChange[] = [];

/** Says that the house has changed since the issue was brought up to it, and offers each change to be taken or left. */
export function HouseOffers({ id, document, store, say }: HouseOffersProps) {
  const [open, setOpen] = useState(false);
  // Without an answer nothing is offered; the next time the plan is opened it is asked again.
  const { data: changes = NONE } = useQuery({
    queryKey: ['house changes', id],
    queryFn: async ({ signal }): Promise<readonly HouseChange[]> => {
      const { changes: sent } = await got<{ changes: SentChange[] }>(`/api/documents/${id}/house`, signal);
      return sent.map(readChange);
    },
  });
  const offers = useMemo(() => offersFor(document, changes), [document, changes]);
  if (offers.length === 0) return null;
  const settle = (label: string, how: (issue: Document) => Diff) => {
    try {
      store.act(label, how);
    } catch (error) {
      say((error as Error).message, 'wrong');
    }
  };
  return (
    <>
      <button type="button" className="btn btn-primary btn-xs ml-auto font-semibold" onClick={() => setOpen(true)}>
        The house has {offers.length === 1 ? 'a change' : `${offers.length} changes`}
      </button>
      {open && (
        <Dialog title="Changes of the house" size="wide" onClose={() => setOpen(false)}>
          <div className="flex max-h-[34rem] flex-col p-5">
            <h2 className="text-base font-semibold">Changes of the house</h2>
            <p className="pb-3 opacity-75">
              The issue keeps its own copy of the house. Take what you want; the rest stays as it is here.
            </p>
            <ul className="min-h-0 flex-1 overflow-auto">
              {offers.map(({ change, name, words }) => (
                <li key={change.id} className="border-base-300 flex items-baseline gap-3 border-t py-1.5" data-offer={change.id}>
                  <span className="w-56 shrink-0 font-semibold">{name}</span>
                  <span className="narrow min-w-0 flex-1">{words}</span>
                  <button
                    type="button"
                    className="btn btn-xs"
                    aria-label={`Take: ${name}`}
                    onClick={() => settle(`Take from the house: ${name}`, (issue) => takeOffer(issue, change, changes))}
                  >
                    Take
                  </button>
                  <button
                    type="button"
                    className="btn btn-ghost btn-xs"
                    aria-label={`Leave: ${name}`}
                    onClick={() => settle(`Leave as it is: ${name}`, (issue) => leaveOffer(issue, change))}
                  >
                    Leave
                  </button>
                </li>
              ))}
            </ul>
            <div className="flex justify-end gap-2 pt-3">
              {offers.length > 1 && (
                <button
                  type="button"
                  className="btn btn-sm"
                  onClick={() =>
                    settle(`Take ${offers.length} changes of the house`, (issue) =>
                      takeOffers(
                        issue,
                        offers.map(({ change }) => change),
                        changes,
                      ),
                    )
                  }
                >
                  Take all {offers.length}
                </button>
              )}
              <button type="button" className="btn btn-sm" onClick={() => setOpen(false)}>
                Close
              </button>
            </div>
          </div>
        </Dialog>
      )}
    </>
  );
}
