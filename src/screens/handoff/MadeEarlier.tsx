'use client';

import { format, parseISO } from 'date-fns';
import { Download } from 'lucide-react';
import Link from 'next/link';
import { useState } from 'react';
import { isOpen, isOpenGrave } from '@/core/checks/finding';
import { WAYS } from '@/core/handoff/ways';
import { EditionView, isEdition } from './EditionView';
import { type DeliveryView, isUnderWay, type Order } from './useDeliveries';

interface MadeEarlierProps {
  readonly issue: string;
  readonly deliveries: readonly DeliveryView[];
  readonly onCancel: (delivery: string) => void;
  readonly onMake: (order: Order) => void;
  readonly onSend: (delivery: string) => void;
}

/** What was made of an issue, the newest first: how far it is, where it lies, or why it is not there. */
export function MadeEarlier({ issue, deliveries, onCancel, onMake, onSend }: MadeEarlierProps) {
  const [looked, setLooked] = useState<DeliveryView>();
  return (
    <>
      {looked && <EditionView delivery={looked} onClose={() => setLooked(undefined)} />}
      <h2 className="chapter border-base-300 mt-9 border-b pb-1.5">Made earlier</h2>
      {deliveries.length === 0 && (
        <p className="py-3 opacity-70">Nothing has been made from this issue yet. Choose one of the ways out above.</p>
      )}
      <ul aria-label="Made earlier">
        {deliveries.map((delivery) => (
          <li
            key={delivery.id}
            data-state={delivery.state}
            className="border-base-300 flex flex-wrap items-center gap-x-4 gap-y-1 border-b py-2"
          >
            <span className="w-32 shrink-0 font-semibold">{WAYS[delivery.options.way].name}</span>
            <span className="narrow w-32 shrink-0 opacity-75">{format(new Date(delivery.at), 'd MMM yyyy, HH:mm')}</span>
            <State
              delivery={delivery}
              issue={issue}
              isLatest={deliveries.find(({ options }) => options.way === delivery.options.way) === delivery}
              onCancel={() => onCancel(delivery.id)}
              onLook={() => setLooked(delivery)}
              onAllTheSame={() => onMake({ ...delivery.options, noticed: true })}
            />
            {delivery.state === 'done' && isForShop(delivery) && (
              <AtShop delivery={delivery} onSend={() => onSend(delivery.id)} />
            )}
          </li>
        ))}
      </ul>
    </>
  );
}

/** A print shop takes the print PDF, in single pages. */
const isForShop = ({ options }: DeliveryView): boolean => options.way === 'print' && options.choices.sheets === 'pages';

/** What the print shop says of a file, or the press that sends it there. */
function AtShop({ delivery: { sent }, onSend }: { delivery: DeliveryView; onSend: () => void }) {
  return (
    <div className="w-full pl-[17.5rem]" role="group" aria-label="Print shop">
      {sent?.state === 'sending' ? (
        <p role="status" className="flex items-center gap-2">
          <span className="loading loading-spinner loading-xs" /> The print shop is looking at it …
        </p>
      ) : sent?.state === 'accepted' ? (
        <p className="text-success font-semibold">
          Accepted by {sent.shop}: on press on {format(parseISO(sent.onPress), 'd MMMM yyyy')} (job {sent.job}).
        </p>
      ) : (
        <>
          {sent?.state === 'failed' && <p className="text-error">{sent.message}</p>}
          {sent?.state === 'refused' && (
            <>
              <p className="text-error font-semibold">Sent back by {sent.shop}:</p>
              <ul className="pb-1">
                {sent.problems.map(({ page, words }, i) => (
                  <li key={i}>
                    <span className="narrow opacity-75">{page === undefined ? 'File' : `Page ${page}`}</span> {words}
                  </li>
                ))}
              </ul>
            </>
          )}
          <button type="button" className="btn btn-xs" onClick={onSend}>
            {sent ? 'Send it again' : 'Send it to the print shop'}
          </button>
        </>
      )}
    </div>
  );
}

interface StateProps {
  readonly delivery: DeliveryView;
  readonly issue: string;
  readonly onCancel: () => void;
  readonly onLook: () => void;
  /** No other of its way was asked for after it. */
  readonly isLatest: boolean;
  /** Has it made although something grave was found. */
  readonly onAllTheSame: () => void;
}

function State({ delivery, issue, isLatest, onCancel, onLook, onAllTheSame }: StateProps) {
  if (delivery.state === 'done') {
    return (
      <>
        <Report delivery={delivery} />
        {isEdition(delivery) && (
          <button type="button" className="btn btn-xs" onClick={onLook}>
            Look at it
          </button>
        )}
        <a
          className="link link-hover ml-auto flex items-center gap-1.5 font-medium"
          href={`/api/deliveries/${delivery.id}/file`}
          download={delivery.fileName}
        >
          <Download size={15} /> {delivery.fileName}
        </a>
      </>
    );
  }
  if (delivery.state === 'held')
    return <Held delivery={delivery} issue={issue} isLatest={isLatest} onAllTheSame={onAllTheSame} />;
  if (!isUnderWay(delivery))
    return <span className={delivery.state === 'failed' ? 'text-error' : 'opacity-70'}>{delivery.message}</span>;
  return (
    <>
      <progress
        className="progress progress-success w-56"
        aria-label="Progress"
        value={delivery.done}
        max={Math.max(1, delivery.total)}
      />
      <span className="narrow">{delivery.total > 0 ? `${delivery.done} of ${delivery.total}` : 'composing …'}</span>
      <button type="button" className="btn btn-ghost btn-xs ml-auto" onClick={onCancel}>
        Cancel
      </button>
    </>
  );
}

/** What was found before it was made, to be read. */
function Report({ delivery: { id, report } }: Pick<StateProps, 'delivery'>) {
  if (!report) return null;
  const open = report.findings.filter(isOpen).length;
  return (
    <a className="link link-hover narrow" href={`/api/deliveries/${id}/report`} target="_blank" rel="noreferrer">
      Report: {open === 0 ? 'nothing found' : `${open} found`}
    </a>
  );
}

/** Grave findings that a delivery was held for. */
function Held({ delivery, issue, isLatest, onAllTheSame }: Omit<StateProps, 'onCancel' | 'onLook'>) {
  const graves = (delivery.report?.findings ?? []).filter(isOpenGrave);
  return (
    <div className="min-w-0 flex-1" role="group" aria-label="Held">
      <p className="text-error font-semibold">{delivery.message}</p>
      <ul className="pb-1">
        {graves.slice(0, MOST_HELD).map(({ words, folio }, i) => (
          <li key={i} className="truncate">
            <span className="narrow opacity-75">{folio === undefined ? 'Issue' : `Page ${folio}`}</span> {words}
          </li>
        ))}
        {graves.length > MOST_HELD && <li className="opacity-75">and {graves.length - MOST_HELD} more</li>}
      </ul>
      <div className="flex items-center gap-3">
        {isLatest && (
          <>
            <Link className="btn btn-xs btn-primary font-semibold" href={`/issues/${issue}/checks`}>
              See them in Checks
            </Link>
            <button type="button" className="btn btn-xs" onClick={onAllTheSame}>
              Make it all the same
            </button>
          </>
        )}
        <Report delivery={delivery} />
      </div>
    </div>
  );
}

/** Grave findings that are told where a delivery is held; the rest is in Checks. */
const MOST_HELD = 4;
