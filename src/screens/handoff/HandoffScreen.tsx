'use client';

import { format } from 'date-fns';
import { Download, FileText, Printer } from 'lucide-react';
import { useEffect, useState, type ReactNode } from 'react';
import { IssueHeader } from '../frame/IssueHeader';

/** A delivery as the server tells of it. */
export interface DeliveryView {
  readonly id: string;
  readonly options: { readonly purpose: 'print' | 'screen'; readonly marks: boolean };
  readonly state: 'waiting' | 'working' | 'done' | 'failed' | 'cancelled';
  readonly done: number;
  readonly total: number;
  readonly message: string | null;
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

/** One card for each way out, and what was made before. */
export function HandoffScreen({ id, publication, name, house, pages, deliveries: first }: HandoffProps) {
  const [deliveries, setDeliveries] = useState(first);
  const [marks, setMarks] = useState(true);
  const [trouble, setTrouble] = useState<string>();
  const under = deliveries.filter((each) => each.state === 'waiting' || each.state === 'working');
  const asking = under.map((each) => each.id).join(' ');

  useEffect(() => {
    if (asking === '') return;
    const timer = setInterval(() => {
      void Promise.all(
        asking
          .split(' ')
          .map((each) => fetch(`/api/deliveries/${each}`).then((response) => response.json() as Promise<DeliveryView>)),
      )
        .then((now) => setDeliveries((old) => old.map((each) => now.find((fresh) => fresh.id === each.id) ?? each)))
        .catch(() => setTrouble('The server does not answer. What is under way goes on there.'));
    }, ASK_EVERY);
    return () => clearInterval(timer);
  }, [asking]);

  const make = async (options: DeliveryView['options']) => {
    setTrouble(undefined);
    try {
      const response = await fetch(`/api/documents/${id}/deliveries`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(options),
      });
      const answer = (await response.json()) as DeliveryView & { message?: string };
      if (!response.ok) throw new Error(answer.message);
      setDeliveries((old) => [answer, ...old]);
    } catch (error) {
      setTrouble((error as Error).message || 'The server does not answer. Try again.');
    }
  };
  const cancel = async (delivery: string) => {
    await fetch(`/api/deliveries/${delivery}`, { method: 'DELETE' });
    setDeliveries((old) =>
      old.map((each) => (each.id === delivery ? { ...each, state: 'cancelled', message: 'Cancelled.' } : each)),
    );
  };
  const busy = (purpose: 'print' | 'screen') => under.some((each) => each.options.purpose === purpose);

  return (
    <div className="flex h-full flex-col">
      <IssueHeader document={id} publication={publication} name={name} house={house} place="handoff" />
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
              onClick={() => void make({ purpose: 'print', marks })}
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
              onClick={() => void make({ purpose: 'screen', marks: false })}
            >
              Make screen PDF
            </button>
          </Card>
        </div>
        <h2 className="chapter border-base-300 mt-9 border-b pb-1.5">Made before</h2>
        {deliveries.length === 0 && <p className="py-3 opacity-70">Nothing has been made of this issue yet.</p>}
        <ul aria-label="Made before">
          {deliveries.map((delivery) => (
            <li key={delivery.id} data-state={delivery.state} className="border-base-300 flex items-center gap-4 border-b py-2">
              <span className="w-24 font-semibold">{delivery.options.purpose === 'print' ? 'Print PDF' : 'Screen PDF'}</span>
              <span className="narrow w-32 opacity-75">{format(new Date(delivery.at), 'd MMM yyyy, HH:mm')}</span>
              <State delivery={delivery} onCancel={() => void cancel(delivery.id)} />
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

function State({ delivery, onCancel }: { delivery: DeliveryView; onCancel: () => void }) {
  if (delivery.state === 'done') {
    return (
      <a
        className="link link-hover ml-auto flex items-center gap-1.5 font-medium"
        href={`/api/deliveries/${delivery.id}/file`}
        download={delivery.fileName}
      >
        <Download size={15} /> {delivery.fileName}
      </a>
    );
  }
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
