'use client';

import { isParted, partable } from '@/core/actions/masters';
import type { PlacedPage } from '@/core/page/pages';
import { framesOn } from '@/core/records/document';
import type { Desk } from '../useDesk';
import { frameName } from '@/core/records/kinds/frames';

/** What a page shows of its master, to be parted from it here; and what was, to join again. */
export function FromMaster({ desk: { document, actions }, page }: { desk: Desk; page: PlacedPage }) {
  const inherited = partable(document, page);
  const parted = framesOn(document, page.page.id).filter((frame) => isParted(document, frame));
  if (inherited.length + parted.length === 0) return null;
  const row = (key: string, name: string, action: string, run: () => void) => (
    <li key={key} className="flex items-baseline gap-2">
      <span className="narrow min-w-0 flex-1 truncate">{name}</span>
      <button type="button" className="btn btn-ghost btn-xs" aria-label={`${action}: ${name}`} onClick={run}>
        {action}
      </button>
    </li>
  );
  return (
    <section aria-label="From the master">
      <h3 className="chapter pb-1">From the master {page.master.name}</h3>
      <ul>
        {inherited.map((frame) =>
          row(frame.id, frameName(document, frame), 'Free', () => actions.part(page.page.id, [frame.id])),
        )}
        {parted.map((frame) => row(frame.id, frameName(document, frame), 'Follow', () => actions.rejoin([frame.id])))}
      </ul>
      <div className="flex gap-1.5 pt-1">
        {inherited.length > 1 && (
          <button type="button" className="btn btn-xs" onClick={() => actions.part(page.page.id)}>
            Free all
          </button>
        )}
        {parted.length > 0 && (
          <button type="button" className="btn btn-xs" onClick={() => actions.rejoin(parted.map(({ id }) => id))}>
            Follow all
          </button>
        )}
      </div>
    </section>
  );
}
