'use client';

import { format } from 'date-fns';
import { Download, FileText, Printer } from 'lucide-react';
import { useState, type ReactNode } from 'react';
import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import Link from 'next/link';
import { ask, got, taken } from '@/client/ask';
import { isOpen, isOpenGrave } from '@/core/checks/finding';
import type { CheckReport } from '@/core/checks/report';
import { ServerData } from '../frame/ServerData';
import { command } from '../frame/commands/command';
import { useCommands } from '../frame/commands/useCommands';
import { IssueHeader } from '../frame/IssueHeader';

/** A delivery as the server tells of it. */
export interface DeliveryView {
  readonly id: string;
  readonly options: { readonly purpose: 'print' | 'screen'; readonly marks: boolean; readonly noticed?: boolean };
  readonly state: 'waiting' | 'working' | 'done' | 'held' | 'failed' | 'cancelled';
  readonly done: number;
  readonly total: number;
  readonly message: string | null;
  /** What was found before it was made. */
  readonly report: CheckReport | null;
  readonly fileName: string;
  readonly at: string;
}

/** How often a delivery under way is asked after, milliseconds. */
const ASK_EVERY = 400;

interface HandoffProps {
  readonly id: string;
  readonly publication: string;
  readonly name: string;
  readonly house: string | undefined;
  readonly pages: number;
  readonly deliveries: readonly DeliveryView[];
}

const isUnderWay = ({ state }: DeliveryView): boolean => state === 'waiting' || state === 'working';

/** One card for each way out, and what was made before. */
export function HandoffScreen(props: HandoffProps) {
  return (
    <ServerData>
      <Cards {...props} />
    </ServerData>
  );
}

/** The deliveries of an issue; as long as some are under way it is asked how far they are. */
function useDeliveries(id: string, first: readonly DeliveryView[]) {
  const client = useQueryClient();
  const key = ['deliveries', id];
  const change = (how: (old: readonly DeliveryView[]) => readonly DeliveryView[]) =>
    client.setQueryData<readonly DeliveryView[]>(key, (old = first) => how(old));
  const { data: deliveries, isError } = useQuery<readonly DeliveryView[]>({
    queryKey: key,
    initialData: first,
    queryFn: ({ signal }) =>
      Promise.all(
        (client.getQueryData<readonly DeliveryView[]>(key) ?? first).map((each) =>
          isUnderWay(each) ? got<DeliveryView>(`/api/deliveries/${each.id}`, signal) : each,
        ),
      ),
    refetchInterval: ({ state }) => (state.data?.some(isUnderWay) ? ASK_EVERY : false),
  });
  const make = useMutation({
    mutationFn: (options: DeliveryView['options']) => ask<DeliveryView>(`/api/documents/${id}/deliveries`, options),
    onSuccess: (made) => change((old) => [made, ...old]),
  });
  const cancel = useMutation({
    mutationFn: (delivery: string) => taken(`/api/deliveries/${delivery}`),
    onSuccess: (_, delivery) =>
      change((old) => old.map((each) => (each.id === delivery ? { ...each, state: 'cancelled', message: 'Cancelled.' } : each))),
  });
  const refused = make.error ?? cancel.error;
  const trouble = refused?.message ?? (isError ? 'The server is not answering. What is under way goes on there.' : undefined);
  return { deliveries, trouble, make: make.mutate, cancel: cancel.mutate };
}

function Cards({ id, publication, name, house, pages, deliveries: first }: HandoffProps) {
  const [marks, setMarks] = useState(true);
  const { deliveries, trouble, make, cancel } = useDeliveries(id, first);
  const under = deliveries.filter(isUnderWay);
  const busy = (purpose: 'print' | 'screen') => under.some((each) => each.options.purpose === purpose);
  const busyWords = (purpose: 'print' | 'screen') => busy(purpose) && 'One is being made';
  const { tools, dialogs } = useCommands({
    commands: [
      command('print', 'Make print PDF', undefined, busyWords('print'), () => make({ purpose: 'print', marks })),
      command('screen', 'Make screen PDF', undefined, busyWords('screen'), () => make({ purpose: 'screen', marks: false })),
    ],
  });

  return (
    <div className="flex h-full flex-col">
      <IssueHeader document={id} publication={publication} name={name} house={house} place="handoff" tools={tools} />
      {dialogs}
      <main className="mx-auto w-full max-w-5xl flex-1 overflow-auto px-8 py-7">
        <h1 className="sr-only">Handoff</h1>
        {trouble && (
          <p role="alert" className="text-error pb-4">
            {trouble}
          </p>
        )}
        <div className="grid grid-cols-2 gap-8">
          <Card icon={<Printer size={20} />} title="Print PDF" picture={<Sheet document={id} marks={marks} />}>
            <p>
              For the printer: {pages} pages with trim and bleed boxes, four inks, fonts embedded, pictures at all their pixels.
            </p>
            <label className="flex items-center gap-2 py-3">
              <input
                type="checkbox"
                className="checkbox checkbox-sm"
                checked={marks}
                onChange={(event) => setMarks(event.target.checked)}
              />
              Crop marks outside the bleed
            </label>
            <button
              type="button"
              className="btn btn-primary btn-sm font-semibold"
              disabled={busy('print')}
              onClick={() => make({ purpose: 'print', marks })}
            >
              Make print PDF
            </button>
          </Card>
          <Card icon={<FileText size={20} />} title="Screen PDF" picture={<Sheet document={id} marks={false} />}>
            <p>For reading and proofs: pages cut to their trim, in screen colours, with text that can be searched and copied.</p>
            <button
              type="button"
              className="btn btn-primary btn-sm mt-3 font-semibold"
              disabled={busy('screen')}
              onClick={() => make({ purpose: 'screen', marks: false })}
            >
              Make screen PDF
            </button>
          </Card>
        </div>
        <h2 className="chapter border-base-300 mt-9 border-b pb-1.5">Made earlier</h2>
        {deliveries.length === 0 && <p className="py-3 opacity-70">Nothing has been made from this issue yet.</p>}
        <ul aria-label="Made earlier">
          {deliveries.map((delivery) => (
            <li key={delivery.id} data-state={delivery.state} className="border-base-300 flex items-center gap-4 border-b py-2">
              <span className="w-24 font-semibold">{delivery.options.purpose === 'print' ? 'Print PDF' : 'Screen PDF'}</span>
              <span className="narrow w-32 opacity-75">{format(new Date(delivery.at), 'd MMM yyyy, HH:mm')}</span>
              <State
                delivery={delivery}
                issue={id}
                isLatest={deliveries.find(({ options }) => options.purpose === delivery.options.purpose) === delivery}
                onCancel={() => cancel(delivery.id)}
                onAllTheSame={() => make({ ...delivery.options, noticed: true })}
              />
            </li>
          ))}
        </ul>
      </main>
    </div>
  );
}

function Card({ icon, title, picture, children }: { icon: ReactNode; title: string; picture: ReactNode; children: ReactNode }) {
  return (
    <section aria-label={title} className="bg-base-100 border-base-300 flex gap-6 border p-5">
      <div className="shrink-0">{picture}</div>
      <div>
        <h2 className="flex items-center gap-2 pb-2 text-base font-semibold">
          {icon} {title}
        </h2>
        {children}
      </div>
    </section>
  );
}

/** Page 1 as it will come: with or without marks around it. */
function Sheet({ document, marks }: { document: string; marks: boolean }) {
  const corner = 'absolute bg-base-content';
  return (
    <div className="relative p-3">
      <img
        src={`/api/documents/${document}/pages/1`}
        alt="Page 1"
        width={120}
        height={156}
        className="h-[9.75rem] w-[7.5rem] bg-white shadow-[0_1px_3px_rgb(20_33_61/0.3)]"
      />
      {marks &&
        [
          'left-3 top-0 h-2 w-px',
          'right-3 top-0 h-2 w-px',
          'left-3 bottom-0 h-2 w-px',
          'right-3 bottom-0 h-2 w-px',
          'left-0 top-3 h-px w-2',
          'left-0 bottom-3 h-px w-2',
          'right-0 top-3 h-px w-2',
          'right-0 bottom-3 h-px w-2',
        ].map((place) => <span key={place} className={`${corner} ${place}`} />)}
    </div>
  );
}

interface StateProps {
  readonly delivery: DeliveryView;
  readonly issue: string;
  readonly onCancel: () => void;
  /** No other of its purpose was asked for after it. */
  readonly isLatest: boolean;
  /** Has it made although something grave was found. */
  readonly onAllTheSame: () => void;
}

function State({ delivery, issue, isLatest, onCancel, onAllTheSame }: StateProps) {
  if (delivery.state === 'done') {
    return (
      <>
        <Report delivery={delivery} />
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
  if (delivery.state === 'failed' || delivery.state === 'cancelled')
    return <span className={delivery.state === 'failed' ? 'text-error' : 'opacity-70'}>{delivery.message}</span>;
  return (
    <>
      <progress
        className="progress progress-success w-56"
        aria-label="Progress"
        value={delivery.done}
        max={Math.max(1, delivery.total)}
      />
      <span className="narrow">{delivery.total > 0 ? `page ${delivery.done} of ${delivery.total}` : 'composing …'}</span>
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
function Held({ delivery, issue, isLatest, onAllTheSame }: Omit<StateProps, 'onCancel'>) {
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
