'use client';

import { formatDistanceToNow } from 'date-fns';
import Link from 'next/link';
import { useSyncExternalStore } from 'react';
import { daysUntil, dueWords } from '@/core/plan/storyList';
import { STORY_STATES, type StoryState } from '@/core/records/story';
import { keptPlace, placeIn } from '@/parts/lastPlace';

/** How the work on an issue stands, as the shelf is given it. */
export interface ShelfWork {
  readonly issue: string;
  readonly states: Readonly<Partial<Record<StoryState, number>>>;
  readonly due: readonly { readonly id: string; readonly name: string; readonly writer: string; readonly due: string }[];
}

const TONES: Readonly<Record<StoryState, string>> = {
  planned: 'bg-base-300',
  commissioned: 'bg-info/50',
  delivered: 'bg-warning',
  edited: 'bg-accent',
  passed: 'bg-success',
};

/** What is due on the issue that comes out next, who has it, and how many stories are how far. */
export function Work({ work, today }: { work: ShelfWork; today: string }) {
  const states = STORY_STATES.filter((state) => work.states[state]);
  const all = states.reduce((sum, state) => sum + work.states[state]!, 0);
  const passed = work.states.passed ?? 0;
  return (
    <div className="text-sm">
      <p className="chapter">Stories</p>
      <p className="font-semibold">{passed === all ? `All ${all} passed` : `${passed} of ${all} passed`}</p>
      <div className="flex h-1.5 gap-px pt-0.5" aria-hidden="true">
        {[...states].reverse().map((state) => (
          <span key={state} className={TONES[state]} style={{ flexGrow: work.states[state] }} />
        ))}
      </div>
      <p className="narrow pt-1.5 opacity-75">
        {[...states]
          .reverse()
          .map((state) => `${work.states[state]} ${state}`)
          .join(', ')}
      </p>
      {work.due.length > 0 && (
        <>
          <p className="chapter pt-3.5">Due next</p>
          <ul>
            {work.due.map(({ id, name, writer, due }) => (
              <li key={id} className="border-base-300 border-b py-1 last:border-b-0">
                <Link href={`/issues/${work.issue}/copy?story=${id}`} className="block leading-snug hover:underline">
                  {name}
                </Link>
                <span className="narrow">
                  {writer && <span className="opacity-75">{writer} · </span>}
                  <Days due={due} today={today} />
                </span>
              </li>
            ))}
          </ul>
        </>
      )}
    </div>
  );
}

function Days({ due, today }: { due: string; today: string }) {
  const days = daysUntil(due, today);
  return <span className={days < 0 ? 'text-error font-semibold' : 'opacity-75'}>{dueWords(days)}</span>;
}

/** The way back to where this browser was in an issue; the issue itself where it was nowhere. */
export function WayBack({ issue, name }: { issue: string; name: string }) {
  // A place is known to the browser alone: the page is the same on the server, and says so a moment later.
  const kept = useSyncExternalStore(
    () => () => undefined,
    () => keptPlace(issue),
    () => null,
  );
  const place = placeIn(kept);
  return (
    <>
      <p>
        <Link href={`/issues/${issue}/pages`} className="link">
          Open {name}
        </Link>
      </p>
      {place && (
        <p>
          <Link href={`/issues/${issue}/pages?page=${place.page}`} className="link">
            Go on at {/–/.test(place.folios) ? 'pages' : 'page'} {place.folios}
          </Link>
          <span className="narrow block opacity-75">where you were {formatDistanceToNow(place.at)} ago</span>
        </p>
      )}
    </>
  );
}
