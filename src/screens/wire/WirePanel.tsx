'use client';

import { X } from 'lucide-react';
import { useEffect, useMemo, useRef, useState } from 'react';
import { ask } from '@/client/ask';
import { counted, listed } from '@/core/records/count';
import { all, type Document } from '@/core/records/document';
import type { NewsLine } from '@/formats/wire/lines';
import { toggled } from '@/parts/toggled';
import { type Arrived, arrivedByWire, type Brought } from '../bringIn/arrived';
import type { Say } from '../frame/useNotices';
import { noteSeen, seenUpTo } from './seen';
import { SubscribeForm } from './SubscribeForm';
import { useWires } from './useWires';

interface WirePanelProps {
  readonly issue: string;
  readonly document: Document;
  readonly say: Say;
  /** Told what was fetched to be taken in. */
  readonly onArrived: (news: readonly Arrived[]) => void;
  readonly onClose: () => void;
}

/** A piece of news, and the wire it came on. */
interface Line extends NewsLine {
  readonly wire: string;
  readonly wireName: string;
}

const keyOf = ({ wire, uri }: Line): string => `${wire} ${uri}`;

/** What the news wires have sent, the newest first: seen, chosen, and taken in. */
export function WirePanel({ issue, document, say, onArrived, onClose }: WirePanelProps) {
  const { wires: known, trouble, subscribe, unsubscribe } = useWires(issue);
  const [isAdding, setAdding] = useState(false);
  const [chosen, setChosen] = useState<ReadonlySet<string>>(new Set());
  const [words, setWords] = useState('');
  const [fetching, setFetching] = useState<{ readonly done: number; readonly of: number }>();
  const [seen] = useState(() => seenUpTo(issue));
  const fetches = useRef<AbortController | undefined>(undefined);
  useEffect(() => () => fetches.current?.abort(), []);
  const lines = useMemo(
    () =>
      (known?.wires ?? [])
        .flatMap(({ id, name, news }) => news.map((each): Line => ({ ...each, wire: id, wireName: name })))
        .sort((a, b) => timeOf(b).localeCompare(timeOf(a))),
    [known],
  );
  useEffect(() => {
    const latest = lines.reduce((last, { arrivedAt }) => (arrivedAt > last ? arrivedAt : last), '');
    if (latest) noteSeen(issue, latest);
  }, [issue, lines]);
  const inIssue = useMemo(() => new Set(all(document, 'story').flatMap(({ file }) => file ?? [])), [document]);
  const looked = words.trim().toLowerCase();
  const shown = looked === '' ? lines : lines.filter((each) => wordsOf(each).includes(looked));
  const ticked = lines.filter((each) => chosen.has(keyOf(each)));
  const take = async (own: readonly Line[]) => {
    if (fetches.current) return;
    const stop = (fetches.current = new AbortController());
    const arrived: Arrived[] = [];
    for (const [done, line] of own.entries()) {
      setFetching({ done, of: own.length });
      try {
        const brought = await ask<Brought>(`/api/documents/${issue}/wires/${line.wire}`, { uri: line.uri }, stop.signal);
        arrived.push(arrivedByWire(line.uri, line.headline, brought));
      } catch (error) {
        if (stop.signal.aborted) break;
        say((error as Error).message, 'wrong');
      }
    }
    fetches.current = undefined;
    setFetching(undefined);
    if (stop.signal.aborted || arrived.length === 0) return;
    setChosen(new Set());
    onArrived(arrived);
  };
  const isEmpty = known?.wires.length === 0;
  return (
    <section aria-label="News wire" className="bg-base-100 flex min-h-0 w-full flex-1 flex-col">
      <header className="flex items-center gap-3 px-4 pt-3 pb-2">
        <h2 className="text-base font-semibold whitespace-nowrap">News wire</h2>
        {lines.length > 0 && (
          <input
            type="search"
            className="field max-w-72"
            aria-label="Find in news"
            placeholder="Find in news …"
            value={words}
            onChange={(event) => setWords(event.target.value)}
          />
        )}
        <button type="button" className="ml-auto opacity-70 hover:opacity-100" aria-label="Close the news wire" onClick={onClose}>
          <X size={16} />
        </button>
      </header>
      {trouble && (
        <p role="alert" className="text-error px-4 pb-2">
          {trouble}
        </p>
      )}
      {!known && !trouble && (
        <p role="status" className="px-4 opacity-75">
          Asking what is new …
        </p>
      )}
      {isEmpty && !isAdding && <p className="max-w-prose px-4 pb-2">No wire is subscribed to yet.</p>}
      {known && (isAdding || isEmpty) && (
        <SubscribeForm
          key={known.offered?.address ?? ''}
          offered={known.offered}
          subscribe={subscribe}
          onDone={() => setAdding(false)}
        />
      )}
      {known?.wires.map(
        ({ id, trouble: own }) =>
          own && (
            <p key={id} role="alert" className="text-error px-4 pb-1">
              {own} What came before stays in the list.
            </p>
          ),
      )}
      {lines.length > 0 && (
        <div className="flex items-center gap-3 px-4 pb-2">
          <button
            type="button"
            className="btn btn-primary btn-sm font-semibold"
            disabled={ticked.length === 0 || fetching !== undefined}
            onClick={() => void take(ticked)}
          >
            {ticked.length > 0 ? `Take in ${counted(ticked.length, 'story', 'stories')}` : 'Take in'}
          </button>
          {fetching && (
            <span role="status" className="flex items-center gap-2">
              Fetching {fetching.done + 1} of {fetching.of} …
              <button type="button" className="btn btn-xs" onClick={() => fetches.current?.abort()}>
                Cancel
              </button>
            </span>
          )}
        </div>
      )}
      <ul aria-label="News" className="min-h-0 flex-1 overflow-auto">
        {shown.map((line) => (
          <NewsRow
            key={keyOf(line)}
            line={line}
            isNew={line.arrivedAt > seen}
            isInIssue={inIssue.has(line.uri)}
            isChosen={chosen.has(keyOf(line))}
            onChoose={() => setChosen(toggled(chosen, keyOf(line)))}
            onTake={() => void take([line])}
          />
        ))}
        {lines.length > 0 && shown.length === 0 && <li className="px-4 py-2 opacity-75">No news has these words.</li>}
        {known && !isEmpty && lines.length === 0 && <li className="px-4 py-2 opacity-75">The wire has sent nothing yet.</li>}
      </ul>
      {known && !isEmpty && (
        <details className="border-base-300 border-t px-4 py-2">
          <summary className="cursor-pointer font-semibold">{counted(known.wires.length, 'wire')}</summary>
          <ul className="pt-1">
            {known.wires.map(({ id, name, address }) => (
              <li key={id} className="flex items-baseline gap-2 py-0.5">
                {name}
                <span className="narrow truncate opacity-75">{address}</span>
                <button
                  type="button"
                  className="ml-auto underline"
                  aria-label={`Unsubscribe from ${name}`}
                  onClick={() => unsubscribe.mutate(id, { onError: (error) => say(error.message, 'wrong') })}
                >
                  Unsubscribe
                </button>
              </li>
            ))}
          </ul>
          {!isAdding && (
            <button type="button" className="btn btn-xs mt-1" onClick={() => setAdding(true)}>
              Subscribe to another wire
            </button>
          )}
        </details>
      )}
    </section>
  );
}

const timeOf = ({ at, arrivedAt }: Line): string => at || arrivedAt;

const wordsOf = ({ headline, summary, slug, subjects, byline }: Line): string =>
  [headline, summary, slug, byline, ...subjects].join(' ').toLowerCase();

interface NewsRowProps {
  readonly line: Line;
  readonly isNew: boolean;
  readonly isInIssue: boolean;
  readonly isChosen: boolean;
  readonly onChoose: () => void;
  readonly onTake: () => void;
}

/** Why news may not be taken, in a word for its row; nothing where it may. */
const REFUSED = { withheld: 'withheld by the wire', canceled: 'cancelled by the wire' } as const;

function NewsRow({ line, isNew, isInIssue, isChosen, onChoose, onTake }: NewsRowProps) {
  const { headline, summary, subjects, urgency, status, embargoed, note, words, pictures, version, wireName } = line;
  const refused = status === 'usable' ? undefined : REFUSED[status];
  const isEmbargoed = embargoed !== undefined && Date.parse(embargoed) > Date.now();
  const facts = [
    counted(words, 'word'),
    ...(pictures > 0 ? [counted(pictures, 'picture')] : []),
    ...(version !== '' && version !== '1' ? [`version ${version}`] : []),
    wireName,
  ];
  return (
    <li className="border-base-300 flex gap-3 border-t px-4 py-2" data-news={line.uri}>
      <input
        type="checkbox"
        className="checkbox checkbox-xs mt-1"
        aria-label={`Choose “${headline}”`}
        checked={isChosen}
        disabled={refused !== undefined}
        onChange={onChoose}
      />
      <div className="min-w-0 flex-1 leading-snug">
        <p className="narrow flex gap-2 opacity-75">
          <time dateTime={timeOf(line)}>{CLOCK.format(new Date(timeOf(line)))}</time>
          {subjects.length > 0 && <span>{listed(subjects)}</span>}
          {urgency !== undefined && urgency <= 2 && <span className="text-error font-semibold">Urgent</span>}
        </p>
        <button
          type="button"
          className={`text-left font-semibold enabled:hover:underline ${refused ? 'line-through opacity-75' : ''}`}
          disabled={refused !== undefined}
          onClick={onTake}
        >
          {headline}
        </button>
        {isNew && !isInIssue && !refused && <span className="bg-secondary text-secondary-content narrow ml-2 px-1.5">new</span>}
        {isInIssue && <span className="bg-base-300 narrow ml-2 px-1.5">in this issue</span>}
        {refused && <span className="text-error narrow ml-2">{refused}</span>}
        {summary && <p>{summary}</p>}
        {isEmbargoed && <p className="text-error">Not to be printed before {CLOCK.format(new Date(embargoed))}.</p>}
        {note && <p className="opacity-75">{note}</p>}
        <p className="narrow opacity-75">{facts.join(' · ')}</p>
      </div>
    </li>
  );
}

const CLOCK = new Intl.DateTimeFormat('en-GB', {
  weekday: 'short',
  day: 'numeric',
  month: 'short',
  hour: '2-digit',
  minute: '2-digit',
});
