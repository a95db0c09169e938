'use client';

import { useEffect, useMemo, useRef, type PointerEvent as ReactPointerEvent } from 'react';
import { type Box, contains } from '@/core/geometry/box';
import type { ComposerClient } from '@/client/composerClient';
import type { Fit } from '@/core/compose/fit';
import { slotKey } from '@/core/compose/slotFits';
import { inheritedFrames, placedPages, type PlacedPage, spreads } from '@/core/page/pages';
import { all, type Document, find, framesOn, threadOf } from '@/core/records/document';
import type { FormatRecord, StoryRecord } from '@/core/records/index';
import { SmallPage } from './SmallPage';

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
  readonly onKey: (page: PlacedPage, event: React.KeyboardEvent) => void;
}

/** What is said under a page: the stories on it, and how one fits that ends there. */
interface Under {
  readonly stories: readonly StoryRecord[];
  readonly fit: { readonly words: string; readonly over: boolean } | undefined;
}

function undersOf(document: Document, fits: ReadonlyMap<string, Fit>): Map<string, Under> {
  const storyOf = new Map<string, StoryRecord>();
  for (const story of all(document, 'story')) for (const text of Object.values(story.parts)) if (text) storyOf.set(text, story);
  const out = new Map<string, Under>();
  for (const page of all(document, 'page')) {
    const stories = new Set<StoryRecord>();
    let fit: Under['fit'];
    for (const frame of framesOn(document, page.id)) {
      const story = frame.content.type === 'text' ? storyOf.get(frame.content.text) : undefined;
      if (!story) continue;
      stories.add(story);
      const own = fits.get(story.parts.body);
      const isEnd = threadOf(document, story.parts.body).at(-1)?.on === page.id;
      if (!own || !isEnd || fit?.over) continue;
      fit = {
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
  const { document, format, composer, fits, slots, chosen, target, before, marks, onPress, onOpen, onKey } = props;
  const ref = useRef<HTMLDivElement>(null);
  const across = pageWidth(placedPages(document).length);
  const height = Math.round((across * format.height) / format.width);
  const all = useMemo(() => spreads(document), [document]);
  const unders = useMemo(() => undersOf(document, fits), [document, fits]);
  const order = all
    .flat()
    .map(({ page }) => page.id)
    .join(' ');

  // The worker draws what is in sight, and a row more.
  useEffect(() => {
    const inSight = new Set<string>();
    const width = Math.round(across * Math.min(3, Math.max(1, window.devicePixelRatio)) * 1.5);
    let asked: number | undefined;
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
      { root: ref.current, rootMargin: '160px' },
    );
    for (const element of ref.current!.querySelectorAll('[data-plan-page]')) observer.observe(element);
    return () => {
      observer.disconnect();
      if (asked !== undefined) cancelAnimationFrame(asked);
    };
  }, [composer, order, across]);

  const sections = new Map(
    all.flat().flatMap((page) => (page.section?.from === page.page.id ? [[page.page.id, page.section.name] as const] : [])),
  );
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
              const under = unders.get(id);
              return (
                <div key={id} className="relative" style={{ width: across }}>
                  <p className="narrower h-3.5 truncate leading-none font-semibold opacity-80" data-section-name>
                    {sections.get(id) ?? marks?.get(id) ?? ''}
                  </p>
                  {before === id && (
                    <span
                      className="bg-primary absolute top-3 -left-1 z-10 w-1"
                      style={{ height: height + 4 }}
                      data-drop-before
                    />
                  )}
                  <button
                    type="button"
                    data-plan-page={id}
                    aria-label={pageLabel(page, under)}
                    aria-pressed={chosen.has(id)}
                    className={`border-base-300 relative block border-y border-r text-left first:border-l touch-none select-none ${page.side === 'left' || pages.length === 1 ? 'border-l' : ''} ${
                      chosen.has(id)
                        ? 'outline-primary z-10 outline-[3px]'
                        : target === id
                          ? 'outline-primary z-10 outline-2 outline-dashed'
                          : 'shadow-[0_1px_3px_rgb(20_33_61/0.22)]'
                    }`}
                    style={{ width: across, height }}
                    onPointerDown={(event) => onPress(page, event)}
                    onDoubleClick={() => onOpen(page)}
                    onKeyDown={(event) => onKey(page, event)}
                  >
                    <SmallPage composer={composer} page={id} width={across - 1} height={height - 2} />
                    <Labels document={document} page={page} slots={slots} k={across / format.width} />
                  </button>
                  <span className="flex h-1.5 gap-px pt-[3px]" aria-hidden="true">
                    {(under?.stories.length ?? 0) === 0 && <span className="bg-base-300 h-1 flex-1" />}
                    {under?.stories.map((story) => (
                      <span key={story.id} className="h-1 flex-1" style={{ background: `var(--story-${story.tint})` }} />
                    ))}
                  </span>
                  <p className="narrow flex items-baseline pt-0.5 leading-tight">
                    <span className="font-semibold">{page.folio}</span>
                    {under?.fit && (
                      <span className={`ml-auto pr-1.5 ${under.fit.over ? 'text-error font-semibold' : 'opacity-70'}`}>
                        {under.fit.words}
                      </span>
                    )}
                  </p>
                </div>
              );
            })}
          </div>
        ))}
        {before === 'end' && <span className="bg-primary mt-3 w-1" style={{ height }} data-drop-before />}
      </div>
    </div>
  );
}

/** What waits on a page, and whose advertisements stand there without their picture yet, said where they are. */
function Labels({
  document,
  page,
  slots,
  k,
}: {
  document: Document;
  page: PlacedPage;
  slots: ReadonlyMap<string, number>;
  k: number;
}) {
  const said = new Set<string>();
  const own = framesOn(document, page.page.id);
  const covered = ({ x, y }: Box) => own.some(({ box }) => contains(box, { x: x + 4, y: y + 4 }));
  return [...inheritedFrames(document, page), ...own].map((frame) => {
    const { content, box } = frame;
    // What lies over a master's slot says what is there.
    if (frame.on !== page.page.id && covered(box)) return null;
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
    if ((name === undefined && words === undefined) || box.w * k < 24 || box.h * k < 12) return null;
    return (
      <span
        key={frame.id}
        className="narrower pointer-events-none absolute overflow-hidden text-[0.62rem] leading-[1.15] text-[#14213d] opacity-80"
        style={{ left: box.x * k + 3, top: box.y * k + 2, width: box.w * k - 5, maxHeight: box.h * k - 3 }}
      >
        {name}
        {words !== undefined && <span className="block">{words.toLocaleString('en-GB')} words</span>}
      </span>
    );
  });
}

function pageLabel(page: PlacedPage, under: Under | undefined): string {
  const stories = under?.stories.map(({ name }) => name).join(', ');
  return [`Page ${page.folio}`, page.page.name, stories || 'no story', under?.fit?.words].filter(Boolean).join(', ');
}
