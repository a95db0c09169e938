'use client';

import { useEffect, useRef, useState } from 'react';
import { BarePage } from '@/parts/BarePage';
import { useLatest } from '../frame/useLatest';

/** How many covers are asked for at the same time that are still to be drawn. */
const AT_ONCE = 2;
/** How far from the window a cover is drawn beforehand, in pixels. */
const MARGIN = 200;

/** Whose turn it is to be drawn: a browser keeps few connections to a server, and drawing is not to take all of them. */
interface Turns {
  readonly has: (issue: string) => boolean;
  /** It is in sight, or no longer. */
  readonly see: (issue: string, isInSight: boolean) => void;
  readonly end: (issue: string) => void;
}

/** Those in sight have their turns, in the order in which they came there. What was begun is ended out of sight, too. */
export function useTurns(): Turns {
  const [{ waiting, ended }, set] = useState<{ readonly waiting: readonly string[]; readonly ended: ReadonlySet<string> }>({
    waiting: [],
    ended: new Set(),
  });
  const next = waiting.slice(0, AT_ONCE);
  return {
    has: (issue) => ended.has(issue) || next.includes(issue),
    see: (issue, isInSight) =>
      set((now) => {
        if (now.ended.has(issue) || now.waiting.includes(issue) === isInSight) return now;
        if (isInSight) return { ...now, waiting: [...now.waiting, issue] };
        return now.waiting.indexOf(issue) < AT_ONCE ? now : { ...now, waiting: now.waiting.filter((id) => id !== issue) };
      }),
    end: (issue) => set((now) => ({ waiting: now.waiting.filter((id) => id !== issue), ended: new Set([...now.ended, issue]) })),
  };
}

/**
 * A true picture of page 1, in the shape of its paper, drawn by the server as the issue now is. Until it is, the picture
 * that was drawn before lies there, or where there is none, a bare page.
 */
export function Cover({
  issue: { id, shape, cover },
  name,
  turns,
}: {
  issue: { readonly id: string; readonly shape: number; readonly cover: 'now' | 'earlier' | null };
  name: string;
  turns: Turns;
}) {
  const [isDrawn, setDrawn] = useState(false);
  const own = useRef<HTMLImageElement>(null);
  const paper = useRef<HTMLSpanElement>(null);
  const waits = cover !== 'now' && !isDrawn;
  const end = () => {
    setDrawn(true);
    turns.end(id);
  };
  // A picture that came before the code of the page has told nobody.
  useEffect(() => {
    if (own.current?.complete) end();
    // eslint-disable-next-line react-hooks/exhaustive-deps -- once, of what was there from the beginning
  }, []);
  const see = useLatest(turns.see);
  useEffect(() => {
    if (!waits) return;
    const observer = new IntersectionObserver(([entry]) => see(id, entry!.isIntersecting), { rootMargin: `${MARGIN}px` });
    observer.observe(paper.current!);
    return () => observer.disconnect();
  }, [waits, id, see]);
  return (
    <span
      ref={paper}
      style={{ aspectRatio: shape }}
      className="relative block w-[10.5rem] bg-white shadow-[0_1px_3px_rgb(20_33_61/0.3)] outline-2 outline-offset-2 outline-transparent group-hover:outline-[var(--color-primary)]"
    >
      {cover === 'earlier' && !isDrawn && (
        <img src={`/api/documents/${id}/pages/1?earlier`} alt="" className="absolute inset-0 size-full" />
      )}
      {cover === null && !isDrawn && <BarePage isBeingDrawn={turns.has(id)} />}
      {(cover === 'now' || turns.has(id)) && (
        <img
          ref={own}
          loading={cover === 'now' ? 'lazy' : 'eager'}
          src={`/api/documents/${id}/pages/1`}
          alt={name}
          onLoad={end}
          onError={end}
          className={`absolute inset-0 size-full ${isDrawn || cover === 'now' ? '' : 'opacity-0'}`}
        />
      )}
    </span>
  );
}
