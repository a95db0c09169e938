'use client';

import { memo, useEffect, useMemo, useRef, type PointerEvent as ReactPointerEvent } from 'react';
import { type Box, contains } from '@/core/geometry/box';
import type { ComposerClient } from '@/client/composerClient';
import type { Fit } from '@/core/compose/text/fit';
import { slotKey } from '@/core/compose/measure/slotFits';
import { inheritedFrames, placedPages, type PlacedPage, spreads } from '@/core/page/pages';
import { all, type Document, find, framesOn, threadOf } from '@/core/records/document';
import type { FormatRecord, StoryRecord } from '@/core/records/index';
import { same } from '@/core/records/same';
import { useLatest } from '../frame/useLatest';
import { SmallPage } from './SmallPage';
import { textIn } from '@/core/records/kinds/frames';

/** Pixels that a page is shown wide: the fewer there are, the larger. */
export const pageWidth = (pages: number): number => (pages <= 12 ? 132 : pages <= 40 ? 104 : 84);

interface FlatPlanProps {
  readonly document: Document;
  readonly format: FormatRecord;
  readonly composer: ComposerClient;
  readonly fits: ReadonlyMap<string, Fit>;
  readonly slots: ReadonlyMap<string, number>;
  readonly chosen: ReadonlySet<string>;
  /** The page that something carried would go to; and the page in front of which carried pages would go, `end` behind all. */
  readonly target: string | undefined;
  readonly before: string | undefined;
  /** Said of a page at its head: its signature and leaf. */
  readonly marks: ReadonlyMap<string, string> | undefined;
  readonly onPress: (page: PlacedPage, event: ReactPointerEvent) => void;
  readonly onOpen: (page: PlacedPage) => void;
  /** Opens Fit at a text that ends on a page. */
  readonly onFit: (page: PlacedPage, text: string) => void;
  readonly onKey: (page: PlacedPage, event: React.KeyboardEvent) => void;
}

/** What is said under a page: the stories on it, and how one fits that ends there. */
interface Under {
  readonly stories: readonly StoryRecord[];
  readonly fit: { readonly text: string; readonly story: string; readonly words: string; readonly over: boolean } | undefined;
}

function undersOf(document: Document, fits: ReadonlyMap<string, Fit>): Map<string, Under> {
  const storyOf = new Map<string, StoryRecord>();
  for (const story of all(document, 'story')) for (const text of Object.values(story.parts)) if (text) storyOf.set(text, story);
  const out = new Map<string, Under>();
  for (const page of all(document, 'page')) {
    const stories = new Set<StoryRecord>();
    let fit: Under['fit'];
    for (const frame of framesOn(document, page.id)) {
      const story = storyOf.get(textIn(frame) ?? '');
      if (!story) continue;
      stories.add(story);
      const own = fits.get(story.parts.body);
      const isEnd = threadOf(document, story.parts.body).at(-1)?.on === page.id;
      if (!own || !isEnd || fit?.over) continue;
      fit = {
        text: story.parts.body,
        story: story.name,
        words: own.oversetLines > 0 ? `over ${own.oversetLines}` : own.room > 0 ? `room ${own.room}` : 'fits',
        over: own.oversetLines > 0,
      };
    }
    out.set(page.id, { stories: [...stories], fit });
  }
  return out;
}

/** Every page small and true, in spreads, with what is on it. */
export function FlatPlan(props: FlatPlanProps) {
  const { document, format, composer, fits, slots, chosen, target, before, marks, onPress, onOpen, onFit, onKey } = props;
  const ref = useRef<HTMLDivElement>(null);
  const across = pageWidth(placedPages(document).length);
  const height = Math.round((across * format.height) / format.width);
  const all = useMemo(() => spreads(document), [document]);
  const unders = useMemo(() => undersOf(document, fits), [document, fits]);
  const labels = useLabels(document, all, slots, across / format.width);
  const press = useLatest(onPress);
  const fit = useLatest(onFit);
  const open = useLatest(onOpen);
  const key = useLatest(onKey);
  const order = all
    .flat()
    .map(({ page }) => page.id)
    .join(' ');

  // The worker draws what is in sight; when that is done, a row more.
  useEffect(() => {
    const inSight = new Set<string>();
    const width = Math.round(across * Math.min(3, Math.max(1, window.devicePixelRatio)) * 1.5);
    let asked: number | undefined;
    const watch = (margin: number) => {
      const observer = new IntersectionObserver(
        (entries) => {
          for (const { target: element, isIntersecting } of entries) {
            const id = element.getAttribute('data-plan-page')!;
            if (isIntersecting) inSight.add(id);
            else inSight.delete(id);
          }
          asked ??= requestAnimationFrame(() => {
            asked = undefined;
            composer.watchSmall([...inSight], width);
          });
        },
        { root: ref.current, rootMargin: `${margin}px` },
      );
      for (const element of ref.current!.querySelectorAll('[data-plan-page]')) observer.observe(element);
      return observer;
    };
    let observer = watch(0);
    const stop = composer.subscribe(() => {
      if (!composer.setting().ready) return;
      stop();
      observer.disconnect();
      observer = watch(MARGIN);
    });
    return () => {
      stop();
      observer.disconnect();
      if (asked !== undefined) cancelAnimationFrame(asked);
    };
  }, [composer, order, across]);

  return (
    <div ref={ref} className="min-h-0 flex-1 overflow-auto px-5 pt-4 pb-6" data-flatplan role="group" aria-label="Flatplan">
      <div className="flex flex-wrap gap-x-6 gap-y-4">
        {all.map((pages) => (
          <div
            key={pages[0]!.page.id}
            className="flex"
            style={{
              width: format.facing ? 2 * across : across,
              justifyContent: pages.length === 1 && pages[0]!.side === 'right' ? 'flex-end' : 'flex-start',
            }}
          >
            {pages.map((page) => {
              const { id } = page.page;
              return (
                <PlanPage
                  key={id}
                  page={page}
                  head={(page.section?.from === id ? page.section.name : marks?.get(id)) ?? ''}
                  composer={composer}
                  width={across}
                  height={height}
                  edged={page.side === 'left' || pages.length === 1}
                  chosen={chosen.has(id)}
                  targeted={target === id}
                  dropsBefore={before === id}
                  under={unders.get(id)!}
                  labels={labels.get(id)!}
                  onPress={press}
                  onOpen={open}
                  onFit={fit}
                  onKey={key}
                />
              );
            })}
          </div>
        ))}
        {before === 'end' && <span className="bg-primary mt-3 w-1" style={{ height }} data-drop-before />}
      </div>
    </div>
  );
}

/** Pixels beyond what is in sight within which pages are drawn beforehand. */
const MARGIN = 160;

interface PlanPageProps extends Pick<FlatPlanProps, 'composer' | 'onPress' | 'onOpen' | 'onFit' | 'onKey'> {
  readonly page: PlacedPage;
  /** Said above it. */
  readonly head: string;
  readonly width: number;
  readonly height: number;
  readonly edged: boolean;
  readonly chosen: boolean;
  readonly targeted: boolean;
  readonly dropsBefore: boolean;
  readonly under: Under;
  readonly labels: readonly Label[];
}

/** A page of the flatplan; it is built anew only when something about it has changed. */
const PlanPage = memo(
  function PlanPage(props: PlanPageProps) {
    const { page, head, composer, width, height, edged, chosen, targeted, dropsBefore, under, labels } = props;
    const { onPress, onOpen, onFit, onKey } = props;
    const { id } = page.page;
    const edge = chosen
      ? 'outline-primary z-10 outline-[3px]'
      : targeted
        ? 'outline-primary z-10 outline-2 outline-dashed'
        : 'shadow-[0_1px_3px_rgb(20_33_61/0.22)]';
    return (
      <div className="relative" style={{ width }}>
        <p className="narrower h-3.5 truncate leading-none font-semibold opacity-80" data-section-name>
          {head}
        </p>
        {dropsBefore && (
          <span className="bg-primary absolute top-3 -left-1 z-10 w-1" style={{ height: height + 4 }} data-drop-before />
        )}
        <button
          type="button"
          data-plan-page={id}
          aria-label={pageLabel(page, under)}
          aria-pressed={chosen}
          className={`border-base-300 relative block touch-none border-y border-r text-left select-none first:border-l ${edged ? 'border-l' : ''} ${edge}`}
          style={{ width, height }}
          onPointerDown={(event) => onPress(page, event)}
          onDoubleClick={() => onOpen(page)}
          onKeyDown={(event) => onKey(page, event)}
        >
          <SmallPage composer={composer} page={id} width={width - 1} height={height - 2} />
          {labels.map(({ key, name, words, box }) => (
            <span
              key={key}
              className="narrower pointer-events-none absolute overflow-hidden text-[0.62rem] leading-[1.15] text-[#14213d] opacity-80"
              style={{ left: box.x + 3, top: box.y + 2, width: box.w - 5, maxHeight: box.h - 3 }}
            >
              {name}
              {words !== undefined && <span className="block">{words.toLocaleString('en-GB')} words</span>}
            </span>
          ))}
        </button>
        <span className="flex h-1.5 gap-px pt-[3px]" aria-hidden="true">
          {under.stories.length === 0 && <span className="bg-base-300 h-1 flex-1" />}
          {under.stories.map(({ id: story, tint }) => (
            <span key={story} className="h-1 flex-1" style={{ background: `var(--story-${tint})` }} />
          ))}
        </span>
        <p className="narrow flex items-baseline pt-0.5 leading-tight">
          <span className="font-semibold">{page.folio}</span>
          {under.fit && (
            <button
              type="button"
              className={`ml-auto min-h-6 min-w-6 pr-1.5 text-right hover:underline ${under.fit.over ? 'text-error font-semibold' : 'opacity-70'}`}
              aria-label={`${under.fit.story}: ${under.fit.words}. Make it fit`}
              onClick={() => onFit(page, under.fit!.text)}
            >
              {under.fit.words}
            </button>
          )}
        </p>
      </div>
    );
  },
  // A document that changed elsewhere makes new objects that say the same.
  (a, b) =>
    a.page.page === b.page.page &&
    a.page.folio === b.page.folio &&
    a.page.number === b.page.number &&
    a.page.side === b.page.side &&
    a.page.master === b.page.master &&
    a.head === b.head &&
    a.composer === b.composer &&
    a.width === b.width &&
    a.height === b.height &&
    a.edged === b.edged &&
    a.chosen === b.chosen &&
    a.targeted === b.targeted &&
    a.dropsBefore === b.dropsBefore &&
    same(a.under, b.under) &&
    same(a.labels, b.labels),
);

/** What is said on a page, and where on it; pixels. */
interface Label {
  readonly key: string;
  readonly name: string | undefined;
  readonly words: number | undefined;
  readonly box: Box;
}

const useLabels = (
  document: Document,
  all: readonly (readonly PlacedPage[])[],
  slots: ReadonlyMap<string, number>,
  k: number,
): ReadonlyMap<string, readonly Label[]> =>
  useMemo(() => new Map(all.flat().map((page) => [page.page.id, labelsOf(document, page, slots, k)])), [document, all, slots, k]);

/** What waits on a page, and whose advertisements stand there without their picture yet, said where they are. */
function labelsOf(document: Document, page: PlacedPage, slots: ReadonlyMap<string, number>, k: number): Label[] {
  const said = new Set<string>();
  const own = framesOn(document, page.page.id);
  const covered = ({ x, y }: Box) => own.some(({ box }) => contains(box, { x: x + 4, y: y + 4 }));
  return [...inheritedFrames(document, page), ...own].flatMap((frame): Label[] => {
    const { content, box } = frame;
    // What lies over a master's slot says what is there.
    if (frame.on !== page.page.id && covered(box)) return [];
    let name: string | undefined;
    let words: number | undefined;
    if (content.type === 'slot' && (content.takes === 'body' || content.takes === 'flow') && !said.has(content.set)) {
      said.add(content.set);
      name = content.takes === 'flow' ? undefined : content.name;
      words = slots.get(slotKey(frame.id, page.page.id));
    }
    if (content.type === 'advertisement') {
      const booked = find(document, 'advertisement', content.advertisement);
      name = booked ? (booked.picture === undefined ? booked.name : undefined) : 'Advertisement';
    }
    if ((name === undefined && words === undefined) || box.w * k < 24 || box.h * k < 12) return [];
    return [{ key: frame.id, name, words, box: { x: box.x * k, y: box.y * k, w: box.w * k, h: box.h * k } }];
  });
}

function pageLabel(page: PlacedPage, under: Under | undefined): string {
  const stories = under?.stories.map(({ name }) => name).join(', ');
  return [`Page ${page.folio}`, page.page.name, stories || 'no story', under?.fit?.words].filter(Boolean).join(', ');
}
