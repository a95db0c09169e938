'use client';

import { X } from 'lucide-react';
import { useEffect, useRef, useState } from 'react';
import type { Fit } from '@/core/compose/text/fit';
import { fitWords } from '@/core/compose/text/fit';
import { overBy, type TriedMend } from '@/core/fit/way';
import { placedPage } from '@/core/page/pages';
import { counted } from '@/core/records/count';
import { type Diff, isEmpty } from '@/core/records/diff';
import { find, threadOf } from '@/core/records/document';
import { toggled } from '@/parts/toggled';
import { onControl } from '../../frame/commands/command';
import { useLatest } from '../../frame/useLatest';
import { useSetting } from '../../sheet/useSetting';
import type { Desk } from '../useDesk';
import { proposal } from './proposal';

const NONE: readonly TriedMend[] = [];

/** What some mends do together. */
interface Together {
  readonly ids: string;
  readonly diff: Diff;
  readonly fit: Fit;
}

/**
 * Fit, in the place of the detail: what was tried to make a text fit, each with what it does and its price. What is ticked is seen on
 * the page and taken with one press; nothing is cut that nobody has ticked.
 */
export function FitPanel({ desk, text }: { desk: Desk; text: string }) {
  const { composer, store, document, say } = desk;
  const found = useSetting(composer, (setting) => (setting.fitted?.text === text ? setting.fitted : undefined));
  const [ticked, setTicked] = useState<ReadonlySet<string>>(new Set());
  const [together, setTogether] = useState<Together>();
  const [isShownAsIs, setAsIs] = useState(false);
  const mends = found?.mends ?? NONE;
  const story = find(document, 'story', find(document, 'text', text)?.story);
  // What is no longer offered cannot be taken.
  const chosen = mends.filter(({ id }) => ticked.has(id)).map(({ id }) => id);
  const ids = chosen.join('\n');
  const close = useLatest(() => {
    composer.draft(null);
    desk.setFitting(undefined);
  });
  useGoThere(desk, text);
  // Keys are for what is looked at now, not for what it was opened from.
  const aside = useRef<HTMLElement>(null);
  useEffect(() => aside.current?.focus({ preventScroll: true }), []);
  useEffect(() => {
    composer.setFit(text);
    return () => {
      composer.setFit(null);
      composer.draft(null);
    };
  }, [composer, text]);
  useEffect(() => {
    if (ids === '') {
      composer.draft(null);
      return;
    }
    let isOver = false;
    composer.fitTogether(ids.split('\n')).then(
      ({ diff, fit }) => {
        if (isOver) return;
        setTogether({ ids, diff, fit });
        composer.draft(diff);
      },
      (error: Error) => !isOver && say(error.message, 'wrong'),
    );
    return () => {
      isOver = true;
    };
    // What was found anew goes by another state of the document.
  }, [composer, ids, say, found?.fit]);
  const now = together?.ids === ids ? together : undefined;
  const show = useLatest((asIs: boolean) => {
    setAsIs(asIs);
    composer.draft(asIs || !now ? null : now.diff);
  });
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      const { target } = event;
      const isField =
        target instanceof Element &&
        target.closest('input:not([type=checkbox]), textarea, [role=dialog], [contenteditable=true]');
      // Whatever has the focus is pressed by it.
      const presses = onControl(event);
      if (event.key === ' ' && !isField && !presses && ids !== '') {
        // The desk is moved with it where nothing is to be compared.
        event.preventDefault();
        event.stopImmediatePropagation();
        if (event.type === 'keydown' && event.repeat) return;
        show(event.type === 'keydown');
      } else if (event.key === 'Escape' && event.type === 'keydown' && !isField) {
        event.stopImmediatePropagation();
        close();
      }
    };
    window.addEventListener('keydown', press, true);
    window.addEventListener('keyup', press, true);
    return () => {
      window.removeEventListener('keydown', press, true);
      window.removeEventListener('keyup', press, true);
    };
  }, [ids, show, close]);
  const take = () => {
    if (!now || isEmpty(now.diff)) return;
    try {
      store.do(`Make ${story ? `“${story.name}”` : 'a text'} fit`, now.diff);
      desk.setFitting(undefined);
    } catch {
      say('Somebody has changed the text meanwhile. It is tried anew: look again, then take it.', 'wrong');
    }
  };
  const proposed = found?.isDone ? proposal(found.fit, mends) : [];
  const over = found ? overBy(found.fit) : 0;
  return (
    <aside
      ref={aside}
      tabIndex={-1}
      aria-label="Fit"
      data-fit-done={found?.isDone ?? false}
      className="border-base-300 bg-base-100 flex w-80 shrink-0 flex-col border-l outline-none"
    >
      <header className="flex items-baseline gap-2 px-4 pt-3 pb-1">
        <h2 className="text-base font-semibold">Fit</h2>
        <span className="narrow min-w-0 flex-1 truncate text-right opacity-75">{story?.name ?? 'Text'}</span>
        <button type="button" className="btn btn-ghost btn-xs btn-square" aria-label="Close Fit" onClick={close}>
          <X size={15} />
        </button>
      </header>
      {found && <Bar before={found.fit} after={now?.fit ?? found.fit} />}
      <div className="min-h-0 flex-1 overflow-auto px-4">
        <h3 className="chapter pt-3 pb-1">
          {over > 0 ? 'Tried on these pages' : over < 0 ? 'For the room that is left' : 'It fits'}
        </h3>
        <ul aria-label="Mends">
          {mends.map((mend) => (
            <Mend
              key={mend.id}
              mend={mend}
              over={over}
              isTicked={ticked.has(mend.id)}
              onTick={() => setTicked((old) => toggled(old, mend.id))}
            />
          ))}
        </ul>
        <p role="status" className="narrow py-2 opacity-75">
          {!found?.isDone
            ? 'Trying …'
            : mends.length === 0
              ? over === 0
                ? 'Nothing has to be done.'
                : 'Nothing that was tried helps. Give it more room, or cut it in Copy.'
              : ''}
        </p>
      </div>
      <footer className="border-base-300 flex flex-col gap-2 border-t px-4 py-3">
        {proposed.length > 0 && chosen.length === 0 && (
          <button type="button" className="btn btn-sm w-full" onClick={() => setTicked(new Set(proposed.map(({ id }) => id)))}>
            Tick what would do: {proposed.length}
          </button>
        )}
        <div className="flex items-center gap-2">
          <button
            type="button"
            className="btn btn-primary btn-sm font-semibold"
            disabled={!now || isEmpty(now.diff)}
            onClick={take}
          >
            {chosen.length > 1 ? `Take these ${chosen.length}` : 'Take it'}
          </button>
          <button type="button" className="btn btn-sm" onClick={close}>
            Leave
          </button>
        </div>
        {ids !== '' && (
          <button
            type="button"
            className="link link-hover narrow self-start"
            onPointerDown={() => show(true)}
            onPointerUp={() => show(false)}
            onPointerLeave={() => isShownAsIs && show(false)}
            onKeyDown={({ key, repeat }) => !repeat && (key === ' ' || key === 'Enter') && show(true)}
            onKeyUp={() => show(false)}
            onBlur={() => isShownAsIs && show(false)}
          >
            Hold to see it as it is
          </button>
        )}
        <p className="narrow opacity-75">
          {ids === ''
            ? 'Tick what may be done: the page shows it.'
            : isShownAsIs
              ? 'As it is.'
              : 'As it would be. Hold Space to see it as it is.'}
        </p>
      </footer>
    </aside>
  );
}

/** Brings the end of the text into sight when Fit is opened at it. */
function useGoThere({ document, spread }: Desk, text: string): void {
  const went = useRef(false);
  useEffect(() => {
    if (went.current) return;
    went.current = true;
    const pages = threadOf(document, text).flatMap(({ on }) => placedPage(document, on) ?? []);
    const last = pages.at(-1);
    if (last && !pages.some((page) => page.spread === spread.index)) spread.go(last.spread);
  });
}

/** The text against its space: what is over stands out beyond the mark at which the space ends. */
function Bar({ before, after }: { before: Fit; after: Fit }) {
  const space = before.lines - before.oversetLines + before.room;
  const spaceNow = after.lines - after.oversetLines + after.room;
  const most = Math.max(before.lines, after.lines, space, spaceNow, 1);
  const share = (lines: number) => `${(100 * lines) / most}%`;
  const [was, is] = [fitWords(before), fitWords(after)];
  const isOver = after.oversetLines > 0;
  return (
    <div className="px-4 pb-1">
      <div className="bg-base-200 relative h-3.5 overflow-hidden" aria-hidden="true">
        <span className="bg-success absolute inset-y-0 left-0" style={{ width: share(after.lines - after.oversetLines) }} />
        {isOver && (
          <span
            className="bg-error absolute inset-y-0"
            style={{ left: share(after.lines - after.oversetLines), width: share(after.oversetLines) }}
          />
        )}
        <span className="bg-base-content absolute inset-y-0 w-0.5" style={{ left: `calc(${share(spaceNow)} - 2px)` }} />
      </div>
      <p className="flex gap-2 pt-1" data-fits={is}>
        {was !== is && <s className="opacity-70">{was}</s>}
        <span className={`font-semibold ${isOver ? 'text-error' : 'text-success'}`}>{is}</span>
        {before.oversetWords > 0 && (
          <span className="narrow ml-auto opacity-75">
            {before.oversetWords === after.oversetWords
              ? counted(after.oversetWords, 'word')
              : `${before.oversetWords} → ${counted(after.oversetWords, 'word')}`}
          </span>
        )}
      </p>
    </div>
  );
}

interface MendProps {
  readonly mend: TriedMend;
  readonly over: number;
  readonly isTicked: boolean;
  readonly onTick: () => void;
}

function Mend({ mend, over, isTicked, onTick }: MendProps) {
  const { id, name, price, lines, tidied, cut } = mend;
  const what = lines > 0 ? `${over > 0 ? '−' : '+'}${lines}` : tidied > 0 ? 'tidier' : '';
  const inWords = lines > 0 ? `${counted(lines, 'line')} ${over > 0 ? 'fewer' : 'more'}` : tidied > 0 ? 'tidier' : '';
  return (
    <li className="border-base-300 border-b" data-mend={id}>
      {/* A tick by mouse leaves the keys to the desk: Space compares. */}
      <label
        onMouseDown={(event) => event.preventDefault()}
        className="hover:bg-base-200/60 flex cursor-pointer items-start gap-2.5 py-2"
      >
        <input
          type="checkbox"
          className="checkbox checkbox-sm mt-0.5"
          checked={isTicked}
          aria-label={`${cut ? `Cut “${cut.words}”` : name}: ${price}${inWords ? `, ${inWords}` : ''}`}
          onChange={onTick}
        />
        <span className="min-w-0 flex-1 leading-snug">
          {cut ? <s className="text-error">{name}</s> : <span className="font-medium">{name}</span>}
          <span className="narrow block leading-snug opacity-75">{price}</span>
        </span>
        <span className="narrow shrink-0 font-semibold tabular-nums">{what}</span>
      </label>
    </li>
  );
}
