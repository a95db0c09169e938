'use client';

import { CircleCheck, Circle, X } from 'lucide-react';
import { useQuery } from '@tanstack/react-query';
import Link from 'next/link';
import { useDeferredValue, useMemo, useSyncExternalStore } from 'react';
import { got } from '@/client/ask';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import { isOpenGrave } from '@/core/checks/finding';
import { FIRST_STEPS, type FirstStep, stepsDone } from '@/core/plan/firstIssue';
import { useSetting } from '../../sheet/useSetting';
import { ServerData } from '../ServerData';
import { guideState } from './guideState';

interface Step {
  readonly name: string;
  readonly how: string;
  /** The place where it is done. */
  readonly place: 'pages' | 'checks' | 'handoff';
}

const STEPS: Readonly<Record<FirstStep, Step>> = {
  copy: {
    name: 'Bring in a story',
    how: 'Drop a file on a page, into the tray or on the list in Copy, or press B. You see how it will be set before it is taken.',
    place: 'pages',
  },
  placed: {
    name: 'Put it on a page',
    how: 'Drag it from the tray onto a page: into a place that waits, or onto empty grid.',
    place: 'pages',
  },
  picture: {
    name: 'Place a picture',
    how: 'Drop a picture file where it is to stand. Text runs around it; inside it, you choose what is seen.',
    place: 'pages',
  },
  caption: {
    name: 'Give it a caption',
    how: 'Choose the picture; its caption and its credit are typed beside it, and go wherever it goes.',
    place: 'pages',
  },
  goesOn: {
    name: 'Run the story on',
    how: 'What does not fit hangs from its last frame as a tail. Drag the tail to another page.',
    place: 'pages',
  },
  quote: {
    name: 'Pull a quote',
    how: 'Select a sentence in the text and press Alt+Q. It is set where it does least harm.',
    place: 'pages',
  },
  checks: {
    name: 'Clear what is grave in Checks',
    how: 'Checks lists what is wrong, where, and what mends it. One press shows the place.',
    place: 'checks',
  },
  deliver: {
    name: 'Deliver it',
    how: 'Handoff makes the file for the printer, for screens, or for the web.',
    place: 'handoff',
  },
};

interface GuideProps {
  readonly issue: string;
  readonly place: string;
  readonly store: DeskStore;
  readonly composer: ComposerClient;
}

/** “First issue in ten minutes”: eight steps beside the work, each ticked by what it leaves behind, in whatever order. */
export function Guide(props: GuideProps) {
  const state = useSyncExternalStore(guideState.subscribe, guideState.now, () => 'folded' as const);
  if (state === 'away') return null;
  return (
    <ServerData>
      <Steps {...props} isOpen={state === 'open'} />
    </ServerData>
  );
}

function Steps({ issue, place, store, composer, isOpen }: GuideProps & { isOpen: boolean }) {
  const { document: now } = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  // What is done on the page is not to wait for its tick.
  const document = useDeferredValue(now);
  const grave = useSetting(composer, ({ checked }) => checked && checked.findings.some(isOpenGrave));
  const { data: deliveries = [] } = useQuery({
    queryKey: ['delivered', issue],
    queryFn: ({ signal }) => got<readonly { readonly state: string }[]>(`/api/documents/${issue}/deliveries`, signal),
    enabled: isOpen,
  });
  const delivered = deliveries.some(({ state }) => state === 'done');
  const done = useMemo(() => stepsDone(document, { grave, delivered }), [document, grave, delivered]);
  return (
    <div className="relative mr-1">
      <button
        type="button"
        className="btn btn-ghost btn-sm narrow"
        aria-expanded={isOpen}
        onClick={() => guideState.turn(isOpen ? 'folded' : 'open')}
      >
        First issue
        <span className="flex gap-0.5" aria-hidden="true">
          {FIRST_STEPS.map((step) => (
            <span key={step} className={`h-2.5 w-1 ${done.has(step) ? 'bg-success' : 'bg-base-300'}`} />
          ))}
        </span>
        <span className="sr-only">{`${done.size} of ${FIRST_STEPS.length} steps done`}</span>
      </button>
      {isOpen && (
        <aside
          aria-label="First issue in ten minutes"
          className="border-base-300 bg-base-100 absolute top-10 right-0 z-30 w-80 border p-3.5 shadow-[0_4px_16px_rgb(20_33_61/0.2)]"
        >
          <div className="flex items-center">
            <h2 className="font-semibold">First issue in ten minutes</h2>
            <button
              type="button"
              className="btn btn-ghost btn-xs btn-square ml-auto"
              aria-label="Fold the guide"
              onClick={() => guideState.turn('folded')}
            >
              <X size={14} />
            </button>
          </div>
          <p className="narrow pb-1.5 opacity-75">In any order. Each is ticked when the issue shows it.</p>
          <ol>
            {FIRST_STEPS.map((step) => (
              <li key={step} className="flex gap-2 py-1" data-step={step} data-done={done.has(step)}>
                {done.has(step) ? (
                  <CircleCheck size={16} className="text-success mt-0.5 shrink-0" aria-label="Done:" />
                ) : (
                  <Circle size={16} className="mt-0.5 shrink-0 opacity-40" aria-label="To do:" />
                )}
                <div>
                  <p className={done.has(step) ? 'opacity-60' : 'font-semibold'}>{STEPS[step].name}</p>
                  {!done.has(step) && (
                    <p className="narrow leading-snug opacity-75">
                      {STEPS[step].how}{' '}
                      {STEPS[step].place !== place && (
                        <Link href={`/issues/${issue}/${STEPS[step].place}`} prefetch={false} className="link">
                          Go there
                        </Link>
                      )}
                    </p>
                  )}
                </div>
              </li>
            ))}
          </ol>
          <div className="border-base-300 mt-2 flex items-center border-t pt-2">
            <p className="narrow opacity-75">
              {done.size === FIRST_STEPS.length ? 'All eight are done.' : `${done.size} of ${FIRST_STEPS.length} done.`}
            </p>
            <button type="button" className="btn btn-xs ml-auto" onClick={() => guideState.turn('away')}>
              Put the guide away
            </button>
          </div>
        </aside>
      )}
    </div>
  );
}
