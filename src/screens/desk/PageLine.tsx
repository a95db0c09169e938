'use client';

import { type KeyboardEvent as ReactKeyboardEvent, memo, useEffect, useRef } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import { type Finding, isCounted } from '@/core/checks/finding';
import { counted } from '@/core/records/count';
import type { Fit } from '@/core/compose/text/fit';
import { fitWords } from '@/core/compose/text/fit';
import { spreads, type PlacedPage } from '@/core/page/pages';
import { all, type Document, framesOn, threadOf } from '@/core/records/document';
import type { FormatRecord } from '@/core/records/index';
import { ARROWS } from '@/parts/arrows';
import type { DeskKind } from './deskPlace';
import { useSetting } from '../sheet/useSetting';
import { useHand } from './hand/hand';
import type { Desk } from './useDesk';
import { textIn } from '@/core/records/kinds/frames';

interface PageLineProps {
  readonly desk: Desk;
  readonly hovered: string | undefined;
  readonly onHover: (page: string | undefined) => void;
}

/** The thin line of page cells: the whole issue, and the way about in it. */
export function PageLine({ desk, hovered, onHover }: PageLineProps) {
  const fits = useSetting(desk.composer, (setting) => setting.fits);
  const checked = useSetting(desk.composer, (setting) => setting.checked);
  const isMoving = useHand(desk.hand, ({ doing }) => doing === 'moving');
  return (
    <PageCells
      document={desk.document}
      format={desk.format}
      spread={desk.spread.index}
      fits={fits}
      findings={checked?.findings ?? NO_FINDINGS}
      stirred={isMoving}
      hovered={hovered}
      composer={desk.composer}
      kind={desk.place.kind}
      onGo={desk.spread.go}
      onHover={onHover}
    />
  );
}

interface CellsProps extends Pick<PageLineProps, 'hovered' | 'onHover'> {
  readonly document: Document;
  readonly format: FormatRecord;
  readonly spread: number;
  readonly fits: ReadonlyMap<string, Fit>;
  readonly findings: readonly Finding[];
  /** Text of the spread in sight is being moved by the hand. */
  readonly stirred: boolean;
  readonly composer: ComposerClient;
  readonly kind: DeskKind;
  readonly onGo: (spread: number) => void;
}

const NO_FINDINGS: readonly Finding[] = [];

interface Cell {
  readonly tints: readonly number[];
  readonly overset: string | undefined;
  /** What the checks found here, but for details and what is accepted. */
  readonly found: readonly Finding[];
}

/** What each page's cell shows: the tints of its stories, and whether a thread ends there with text to spare. */
function cellsOf(document: Document, fits: ReadonlyMap<string, Fit>, findings: readonly Finding[]): Map<string, Cell> {
  const byPage = new Map<string, Finding[]>();
  for (const each of findings.filter(isCounted)) {
    const { page } = each.at;
    if (page === undefined) continue;
    byPage.set(page, [...(byPage.get(page) ?? []), each]);
  }
  const storyOf = new Map(all(document, 'story').map((story) => [story.parts.body, story]));
  const cells = new Map<string, Cell>();
  for (const page of all(document, 'page')) {
    const tints = new Set<number>();
    let overset: string | undefined;
    for (const frame of framesOn(document, page.id)) {
      const story = storyOf.get(textIn(frame) ?? '');
      if (!story) continue;
      tints.add(story.tint);
      const fit = fits.get(story.parts.body);
      if (fit && fit.oversetLines > 0 && threadOf(document, story.parts.body).at(-1)?.id === frame.id)
        overset = `${story.name}: ${fitWords(fit)}`;
    }
    cells.set(page.id, { tints: [...tints], overset, found: byPage.get(page.id) ?? NO_FINDINGS });
  }
  return cells;
}

/** The cells themselves, for whoever shows an issue’s pages in a line. */
export const PageCells = memo(function PageCells({
  document,
  format,
  spread,
  fits,
  findings,
  stirred,
  hovered,
  composer,
  kind,
  onGo,
  onHover,
}: CellsProps) {
  const nameOf = NAMES_OF[kind];
  const cells = cellsOf(document, fits, findings);
  const line = useRef<HTMLElement>(null);
  // A long line moves on with the spread that is shown, and with what is dragged over it: the next cells stay in sight.
  useEffect(() => {
    line.current?.querySelector(`[data-spread="${spread}"]`)?.scrollIntoView({ inline: 'nearest', block: 'nearest' });
  }, [spread]);
  return (
    <nav
      ref={line}
      aria-label="Page line"
      className="border-base-300 bg-base-100 relative z-20 flex h-9 shrink-0 items-center gap-1.5 overflow-x-auto overflow-y-hidden border-b px-3 [scrollbar-width:thin]"
      onKeyDown={walkCells}
      onWheel={({ currentTarget, deltaY }) => currentTarget.scrollBy({ left: deltaY })}
    >
      {spreads(document).map((pages, index) => (
        <div
          key={pages[0]!.page.id}
          className={`flex shrink-0 scroll-mx-8 ${index === spread ? 'outline-base-content outline-2' : ''}`}
          data-spread={index}
        >
          {pages.map(({ page, side, folio }) => {
            const cell = cells.get(page.id)!;
            return (
              <button
                key={page.id}
                type="button"
                data-page={page.id}
                // One of them is stopped at, however many there are; arrow keys go on from it.
                tabIndex={index === Math.max(0, spread) && page === pages[0]!.page ? 0 : -1}
                className={`border-base-300 relative h-[1.15rem] w-7 border text-left ${index === spread ? 'bg-primary/15' : 'bg-base-100'} -ml-px first:ml-0`}
                aria-label={`${kind === 'masters' ? `${nameOf?.(pages) ?? ''}, ${side} page` : `Page ${folio}`}${cell.overset ? `, ${cell.overset}` : ''}${cell.found.length > 0 ? `, ${counted(cell.found.length, 'finding')}` : ''}`}
                aria-current={index === spread ? 'page' : undefined}
                onClick={() => onGo(index)}
                onPointerEnter={() => onHover(page.id)}
                onPointerLeave={() => onHover(undefined)}
                onFocus={() => onHover(page.id)}
                onBlur={() => onHover(undefined)}
              >
                <span className="narrower absolute top-0 left-1 text-[0.66rem] leading-3 font-semibold">
                  {nameOf && kind === 'masters' ? side.charAt(0).toUpperCase() : folio}
                </span>
                <span className="absolute inset-x-0 bottom-0 flex h-[0.3rem]">
                  {cell.tints.map((tint) => (
                    <span key={tint} className="flex-1" style={{ background: `var(--story-${tint})` }} />
                  ))}
                </span>
                {cell.overset && <span className="bg-error absolute top-0.5 right-0.5 size-[0.4rem] rounded-full" data-overset />}
                {cell.found.length > 0 && <Notch isGrave={cell.found.some(({ grave }) => grave === 'grave')} />}
                {stirred && index === spread && <span className="bg-primary absolute inset-x-0 top-0 h-[0.15rem]" />}
                {hovered === page.id && (
                  <span className="bg-base-100 border-base-300 pointer-events-none fixed top-[5.25rem] left-1/2 z-30 block -translate-x-1/2 border p-1 shadow-[0_2px_8px_rgb(20_33_61/0.25)]">
                    <SmallPage composer={composer} page={page.id} format={format} />
                    <span className="narrow block pt-0.5">{cell.overset ?? `Page ${folio}`}</span>
                    {cell.found.slice(0, 3).map((each) => (
                      <span key={each.key} className="narrow block max-w-52 truncate opacity-80">
                        {each.words}
                      </span>
                    ))}
                  </span>
                )}
              </button>
            );
          })}
          {nameOf?.(pages) && (
            <button
              type="button"
              className={`narrow px-1.5 leading-[1.15rem] ${index === spread ? 'font-semibold' : 'opacity-70'}`}
              tabIndex={-1}
              onClick={() => onGo(index)}
            >
              {nameOf(pages)}
            </button>
          )}
        </div>
      ))}
    </nav>
  );
});

/** Something failed a check on this page: a notch in its foot. */
function Notch({ isGrave }: { isGrave: boolean }) {
  return (
    <svg
      className={`absolute -bottom-px left-1/2 -translate-x-1/2 ${isGrave ? 'text-error' : 'text-base-content'}`}
      width="10"
      height="6"
      aria-hidden="true"
      data-notch={isGrave ? 'grave' : 'fault'}
    >
      <path d="M0 6 5 0l5 6z" fill="currentColor" />
    </svg>
  );
}

/** Arrow keys go from cell to cell. */
function walkCells(event: ReactKeyboardEvent<HTMLElement>): void {
  const cells = [...event.currentTarget.querySelectorAll<HTMLElement>('[data-page]')];
  const at = cells.findIndex((cell) => cell === window.document.activeElement);
  const [across] = ARROWS[event.key] ?? [0];
  const to = event.key === 'Home' ? 0 : event.key === 'End' ? cells.length - 1 : across === 0 ? -1 : at + across;
  if (at < 0 || !cells[to]) return;
  event.preventDefault();
  cells[to].focus();
}

/** What is said beside the cells of a spread. */
const NAMES_OF: Readonly<Record<DeskKind, ((pages: readonly PlacedPage[]) => string | undefined) | undefined>> = {
  issue: undefined,
  masters: ([page]) => page!.master.name,
  recurring: (pages) =>
    pages
      .map(({ page }) => page.name ?? '')
      .filter(Boolean)
      .join(' · ') || undefined,
};

function SmallPage({ composer, page, format }: { composer: ComposerClient; page: string; format: FormatRecord }) {
  const chunks = useSetting(composer, (setting) => setting.pages.get(page)) ?? [];
  return (
    <svg
      width={150}
      height={(150 * format.height) / format.width}
      viewBox={`0 0 ${format.width} ${format.height}`}
      className="block bg-white"
      aria-hidden="true"
      textRendering="geometricPrecision"
    >
      {chunks.map((chunk) => (
        <g key={chunk.key} dangerouslySetInnerHTML={{ __html: chunk.markup }} />
      ))}
    </svg>
  );
}
