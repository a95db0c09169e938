'use client';

import { useRouter } from 'next/navigation';
import {
  useCallback,
  useDeferredValue,
  useMemo,
  useState,
  useSyncExternalStore,
  type PointerEvent as ReactPointerEvent,
} from 'react';
import { keepPages, type Kept } from '@/client/keptPages';
import { bindingOf, signatures } from '@/core/plan/signatures';
import { formatOf, placedPage, placedPages, type PlacedPage } from '@/core/page/pages';
import { documentOf } from '@/core/records/document';
import { readDocument, type StoredRecord } from '@/core/records/stored';
import { CarriedThing } from '@/parts/CarriedThing';
import { Notices } from '@/parts/Notices';
import { IssueHeader } from '../frame/IssueHeader';
import type { OpenedTools } from '../frame/useOpened';
import { followPointer, hasWandered } from '../../parts/followPointer';
import { command } from '../frame/commands/command';
import { useCommands } from '../frame/commands/useCommands';
import { useConflicts } from '../frame/useConflicts';
import { PAUSES, useLiveChecks } from '../frame/useLiveChecks';
import { spotUrl } from '../frame/spotUrl';
import { useNotices } from '../frame/useNotices';
import { useSetting } from '../sheet/useSetting';
import { ChosenPages } from './ChosenPages';
import { FlatPlan, pageWidth } from './FlatPlan';
import { HouseOffers } from './HouseOffers';
import { PlanFoot } from './PlanFoot';
import { letterOf } from './Sheets';
import { ToPlace, type Carried } from './ToPlace';
import { type Keeping, useKept } from '../frame/useKept';
import { usePlanActions } from './usePlanActions';

/** What is under the hand: something for a page, or pages for another place. */
interface Carrying {
  readonly name: string;
  readonly x: number;
  readonly y: number;
  readonly target: string | undefined;
  readonly before: string | undefined;
}

/** Stands for the document until there is time for it. */
const EMPTY = documentOf([]);

/** Pixels from the edge of the flatplan within which it scrolls under a hand that carries. */
const EDGE = 40;

/** Small pages are kept, so that a plan that is opened again shows them at once. */
const SMALL_PAGES: Keeping<Kept['pages']> = {
  pick: (setting) => setting.small,
  show: (composer, pages) => composer.showKept(pages),
  keep: keepPages,
};

export interface PlanScreenProps {
  readonly id: string;
  readonly publication: string;
  readonly name: string;
  readonly house: string | undefined;
  /** The recurring pages of the house, with what lies on them. */
  readonly recurring: readonly StoredRecord[];
  /** ISO 8601. */
  readonly today: string;
}

interface PlanBenchProps extends PlanScreenProps, OpenedTools {
  /** Small pages that were kept of the last time. */
  readonly kept: Promise<Kept | undefined> | undefined;
}

export function PlanBench({ id, publication, name, house, recurring, today, kept, store, composer }: PlanBenchProps) {
  const { document } = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  const fits = useSetting(composer, (setting) => setting.fits);
  const slots = useSetting(composer, (setting) => setting.slots);
  const trouble = useSetting(composer, (setting) => setting.trouble);
  const { notices, say, close } = useNotices();
  const actions = usePlanActions(store, composer, say);
  useConflicts(store, say);
  useLiveChecks(id, store, composer, PAUSES.elsewhere);
  useKept(SMALL_PAGES, id, kept, store, composer);
  const router = useRouter();
  const [chosenIds, setChosen] = useState<ReadonlySet<string>>(new Set());
  /** Where a stretch of chosen pages begins. */
  const [anchor, setAnchor] = useState<string>();
  const [carrying, setCarrying] = useState<Carrying>();
  const [showsMarks, setShowsMarks] = useState(false);
  // The pages come first: what is counted over all of them follows when there is time.
  const counted = useDeferredValue(document, EMPTY);
  const models = useMemo(() => readDocument(recurring), [recurring]);
  const format = formatOf(document);
  const pages = placedPages(document);
  const chosen = pages.filter(({ page }) => chosenIds.has(page.id));

  const marks = useMemo(() => {
    if (!showsMarks) return undefined;
    const { kind, signature } = bindingOf(formatOf(document));
    const every = placedPages(document);
    const out = new Map<string, string>();
    signatures(every.length, signature, kind).forEach(({ leaves }, i) =>
      leaves.forEach(({ outer, inner }, k) => {
        for (const page of [...outer, ...inner]) out.set(every[page - 1]!.page.id, `${letterOf(i)}, leaf ${k + 1}`);
      }),
    );
    return out;
  }, [document, showsMarks]);

  const choose = useCallback((ids: readonly string[]) => setChosen(new Set(ids)), []);
  const open = (page: PlacedPage) => router.push(`/issues/${id}/pages?page=${page.page.id}`);
  const none = chosen.length === 0 && 'No page is chosen';
  const { tools, dialogs } = useCommands({
    store,
    say,
    guided: true,
    commands: [
      command('open', 'Open the page in Pages', undefined, none, () => open(chosen[0]!)),
      command(
        'remove',
        'Remove the chosen pages',
        undefined,
        none || (chosen.length === pages.length && 'An issue has at least one'),
        () => actions.remove([...chosenIds]) && choose([]),
      ),
    ],
    onKey: (event) => {
      if (event.key !== 'Escape') return false;
      choose([]);
      return true;
    },
  });

  const choosePage = ({ page }: PlacedPage, how: 'only' | 'also' | 'upTo') => {
    const order = pages.map((each) => each.page.id);
    if (how === 'upTo' && anchor !== undefined && order.includes(anchor)) {
      const [from, to] = [order.indexOf(anchor), order.indexOf(page.id)].sort((a, b) => a - b) as [number, number];
      return choose(order.slice(from, to + 1));
    }
    setAnchor(page.id);
    if (how === 'also') {
      const next = new Set(chosenIds);
      if (!next.delete(page.id)) next.add(page.id);
      return setChosen(next);
    }
    choose([page.id]);
  };

  const put = async ({ what, id: carried }: Carried, page: PlacedPage, at?: { x: number; y: number }) => {
    if (what === 'advertisement')
      actions.placeAdvertisement({ advertisement: carried, page: page.page.id, ...(at ? { at } : {}) });
    else if (what === 'picture') await actions.placePicture(carried, page, at);
    else await actions.placeStory(carried, page, at);
  };
  const carry = (carried: Carried, start: ReactPointerEvent) => {
    start.preventDefault();
    let target: Under | undefined;
    let moved = false;
    followPointer(
      (event) => {
        if (!moved && !hasWandered(start, event)) return;
        moved = true;
        scrollNear(event);
        target = pageUnder(event);
        setCarrying({ name: carried.name, x: event.clientX, y: event.clientY, target: target?.page, before: undefined });
      },
      (event) => {
        setCarrying(undefined);
        const page = event && target && placedPage(store.document, target.page);
        if (!page || !target) return;
        const k = format.width / pageWidth(pages.length);
        void put(carried, page, { x: target.x * k, y: target.y * k });
      },
    );
  };
  const pressPage = (page: PlacedPage, start: ReactPointerEvent) => {
    if (start.button !== 0) return;
    const own = page.page.id;
    const moving = chosenIds.has(own) ? [...chosenIds] : [own];
    let before: string | undefined;
    let moved = false;
    followPointer(
      (event) => {
        if (!moved && !hasWandered(start, event)) return;
        moved = true;
        scrollNear(event);
        before = placeUnder(event, pages);
        const named = moving.length === 1 ? `Page ${page.folio}` : `${moving.length} pages`;
        setCarrying({ name: named, x: event.clientX, y: event.clientY, target: undefined, before });
      },
      (event) => {
        setCarrying(undefined);
        if (!event) return;
        if (!moved) choosePage(page, start.shiftKey ? 'upTo' : start.ctrlKey || start.metaKey ? 'also' : 'only');
        else if (before !== undefined) {
          actions.move(moving, before === 'end' ? undefined : before);
          choose(moving);
        }
      },
    );
  };
  const keyOnPage = (page: PlacedPage, event: React.KeyboardEvent) => {
    const by = event.key === 'ArrowRight' ? 1 : event.key === 'ArrowLeft' ? -1 : 0;
    if (by !== 0) {
      event.preventDefault();
      if (event.altKey) {
        const ids = chosenIds.has(page.page.id) ? [...chosenIds] : [page.page.id];
        const own = pages.filter((each) => ids.includes(each.page.id));
        const before = by > 0 ? pages[own.at(-1)!.number + 1]?.page.id : pages[Math.max(0, own[0]!.number - 2)]!.page.id;
        actions.move(ids, before);
        return;
      }
      const next = pages[page.number - 1 + by];
      if (next) window.document.querySelector<HTMLElement>(`[data-plan-page="${next.page.id}"]`)?.focus();
    }
    if (event.key === ' ') {
      event.preventDefault();
      choosePage(page, event.shiftKey ? 'upTo' : event.ctrlKey ? 'also' : 'only');
    }
    if (event.key === 'Enter') {
      event.preventDefault();
      open(page);
    }
    if (event.key === 'Delete' && chosen.length > 0 && chosen.length < pages.length && actions.remove([...chosenIds])) choose([]);
  };

  return (
    <div className="flex h-full flex-col">
      <IssueHeader
        document={id}
        publication={publication}
        name={name}
        house={house}
        place="plan"
        store={store}
        composer={composer}
        tools={tools}
      />
      <div className="flex min-h-0 flex-1">
        <main className="bg-base-200 flex min-w-0 flex-1 flex-col" data-plan>
          <h1 className="sr-only">
            {publication}, {name}: plan
          </h1>
          <div className="flex items-center gap-4 px-5 pt-2.5 pb-1">
            <p className="narrow opacity-70">
              Press a page to choose it, drag it to move it; two presses open it. Drag stories, pictures and advertisements onto
              pages.
            </p>
            <HouseOffers id={id} document={document} store={store} say={say} />
            {trouble && (
              <p role="alert" className="text-error">
                {trouble}
              </p>
            )}
          </div>
          <FlatPlan
            document={document}
            format={format}
            composer={composer}
            fits={fits}
            slots={slots}
            chosen={chosenIds}
            target={carrying?.target}
            before={carrying?.before}
            marks={marks}
            onPress={pressPage}
            onOpen={open}
            onFit={(page, text) => router.push(spotUrl(id, { page: page.page.id }, text))}
            onKey={keyOnPage}
          />
          {counted === EMPTY ? (
            <footer className="border-base-300 bg-base-100 h-44 shrink-0 border-t" />
          ) : (
            <PlanFoot document={counted} fits={fits} actions={actions} showsMarks={showsMarks} onMarks={setShowsMarks} />
          )}
        </main>
        <aside
          aria-label="Beside the plan"
          className="border-base-300 bg-base-100 flex w-72 shrink-0 flex-col overflow-auto border-l"
        >
          {chosen.length > 0 && (
            <ChosenPages
              document={document}
              pages={chosen}
              house={models}
              actions={actions}
              onOpen={() => open(chosen[0]!)}
              onChoose={choose}
            />
          )}
          <ToPlace
            document={document}
            today={today}
            actions={actions}
            onCarry={carry}
            onPlace={(carried) => {
              const page = chosen[0];
              if (page) void put(carried, page);
              else say('Choose a page first.', 'wrong');
            }}
          />
        </aside>
      </div>
      {carrying && <CarriedThing at={carrying} name={carrying.name} />}
      {dialogs}
      <Notices notices={notices} onClose={close} above={186} />
    </div>
  );
}

interface Under {
  readonly page: string;
  /** Pixels from the page's corner. */
  readonly x: number;
  readonly y: number;
}

/** The page under the pointer, and where on it. */
function pageUnder({ clientX, clientY }: PointerEvent): Under | undefined {
  const element = window.document.elementFromPoint(clientX, clientY)?.closest('[data-plan-page]');
  if (!element) return undefined;
  const rect = element.getBoundingClientRect();
  return { page: element.getAttribute('data-plan-page')!, x: clientX - rect.left, y: clientY - rect.top };
}

/** The page in front of which what is carried would go: of the page under the pointer, or that behind it; `end` behind all. */
function placeUnder(event: PointerEvent, pages: readonly PlacedPage[]): string | undefined {
  const under = pageUnder(event);
  if (!under) return undefined;
  if (under.x < pageWidth(pages.length) / 2) return under.page;
  const at = pages.findIndex(({ page }) => page.id === under.page);
  return pages[at + 1]?.page.id ?? 'end';
}

/** Near the upper or lower edge of the flatplan, it scrolls on. */
function scrollNear({ clientY }: PointerEvent): void {
  const element = window.document.querySelector('[data-flatplan]');
  if (!element) return;
  const { top, bottom } = element.getBoundingClientRect();
  if (clientY < top + EDGE) element.scrollBy(0, -24);
  else if (clientY > bottom - EDGE && clientY < bottom + EDGE) element.scrollBy(0, 24);
}
