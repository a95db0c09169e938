import { ActionError } from '@/core/actions/edit';
import { makeQuote, type Passage } from '@/core/actions/quotes';
import { crowdedWords, fillSlots, type FillSlots } from '@/core/actions/slots';
import { continueThread, placeStory, type ContinueThread, type PlaceStory } from '@/core/actions/stories';
import { Composer, type Composed } from '@/core/compose/compose';
import { caretAt, placeAt, placeBeside } from '@/core/compose/caret';
import type { PageList } from '@/core/compose/displayList';
import { facesOf } from '@/core/compose/faces';
import { partOf, showsOthers } from '@/core/compose/part';
import { slotWords } from '@/core/compose/slotFits';
import { sentencesOf } from '@/core/compose/sentences';
import { applied, type Diff } from '@/core/records/diff';
import { type Document, find, get } from '@/core/records/document';
import { same } from '@/core/records/same';
import { readDiff, readDocument, storedDiff } from '@/core/records/stored';
import type { TextPlace } from '@/core/records/typing';
import { Shaper } from '@/core/type/shaper';
import { paintItem } from '@/formats/svg/painter';
import { SmallPages } from './smallPages';
import { loadFaces } from './loadFaces';
import type { FromWorker, PaintedPage, Planned, PlannedActions, ToWorker } from './messages';

/**
 * The browser's typesetter. Diffs go in; painted pages of what is being looked at come back. Messages are worked off
 * in order, and of several drafts only the newest is composed.
 */

const shaper = new Shaper();
const composer = new Composer(shaper);
const slotComposer = new Composer(shaper);
let base: Document | undefined;
let draft: Diff | null = null;
let turn = 0;
/** Where the caret stands in a text that is being typed. */
let caret: { text: string; place: TextPlace } | undefined;
let watched: readonly string[] = [];
/** All of the document has been composed once. */
let isComposed = false;
/** What the screen has of each page: its list, and the markup of its chunks. */
const shown = new Map<string, { list: PageList; markup: Map<string, string> }>();

const send = (message: FromWorker): void => self.postMessage(message);

const now = (): Document => (draft ? applied(base!, draft) : base!);

function show(): void {
  const started = performance.now();
  const document = now();
  const composed = composer.compose(document);
  isComposed = true;
  const took = performance.now() - started;
  const fits = changedOnly('fits', [...composed.fits]);
  const grown = changedOnly('grown', [...composed.grown]);
  send({
    type: 'composed',
    turn,
    pages: paint(document, composed),
    ...(fits ? { fits } : {}),
    ...(grown ? { grown } : {}),
    ...(caret ? { caret: caretAt(composed.pages, caret.text, caret.place) ?? null } : {}),
    took,
  });
  showSmall(document, composed);
}

/** Draws the pages that are looked at small, and tells what the slots in sight take. */
function showSmall(document: Document, composed: Composed): void {
  small.draw(document, composed.pages);
  // While a hand moves things, what would fit can wait.
  const slots = draft ? undefined : changedOnly('slots', [...slotWords(document, [...watched, ...small.watched], slotComposer)]);
  if (slots) send({ type: 'slots', slots });
}

const small = new SmallPages(
  shaper,
  (pages) =>
    self.postMessage({ type: 'drawn', pages } satisfies FromWorker, {
      transfer: pages.map(({ picture }) => picture.data.buffer),
    }),
  () => {
    queue.push({ type: 'pictures' });
    void work();
  },
);

/** Small pages that are waited for are drawn before all of the issue is composed: of these alone, as far as that goes. */
function showFirst(pages: readonly string[]): void {
  const part = partOf(now(), pages);
  small.draw(part, new Composer(shaper).compose(part).pages);
}

/** The pages that are looked at, shown before all of the issue is composed, where nothing on them follows from other pages. */
function showSpread(): void {
  const document = now();
  if (watched.length === 0 || watched.some((page) => showsOthers(document, page))) return;
  const part = partOf(document, watched);
  // The paragraphs it has set are set already when all of the issue is.
  send({ type: 'composed', turn, pages: paint(part, composer.compose(part)), took: 0 });
}

/** What was last sent of each kind. */
const sent = new Map<string, unknown>();

/** A list, unless it is the one that was sent last. */
function changedOnly<T>(kind: string, list: T): T | undefined {
  if (same(sent.get(kind), list)) return undefined;
  sent.set(kind, list);
  return list;
}

function paint(document: Document, composed: Composed): PaintedPage[] {
  const out: PaintedPage[] = [];
  for (const list of composed.pages) {
    if (!watched.includes(list.page)) continue;
    const before = shown.get(list.page);
    if (before?.list === list) continue;
    const source = (id: string, placed: { w: number; h: number }): string => {
      const picture = get(document, 'picture', id);
      // Twice the points serves a usual zoom on a dense screen; the server rounds up to the copies that it keeps.
      return `/api/pictures/${picture.blob}?side=${Math.max(16, Math.min(3200, Math.ceil(2 * Math.max(placed.w, placed.h))))}`;
    };
    const chunks = list.items.flatMap((item, i) =>
      paintItem(item, source).map((chunk) => ({ ...chunk, furniture: i < list.furniture })),
    );
    const markup = new Map(chunks.map((chunk) => [chunk.key, chunk.markup]));
    out.push({
      page: list.page,
      chunks: chunks.map(({ key, frame, markup: own, furniture }) => ({
        key,
        frame,
        furniture,
        markup: before?.markup.get(key) === own ? undefined : own,
      })),
    });
    shown.set(list.page, { list, markup });
  }
  return out;
}

function plan(action: keyof PlannedActions, intent: PlannedActions[keyof PlannedActions]): Planned {
  const document = base!;
  switch (action) {
    case 'placeStory':
      return { diff: storedDiff(placeStory(document, intent as PlaceStory, composer)) };
    case 'continueThread':
      return { diff: storedDiff(continueThread(document, intent as ContinueThread, composer)) };
    case 'makeQuote':
      return { diff: storedDiff(makeQuote(document, intent as Passage, composer)) };
    case 'fillSlots': {
      const diff = fillSlots(document, intent as FillSlots, composer);
      const filled = [...diff.added, ...diff.updated.map(({ after }) => after)].map(({ id }) => id);
      return { diff: storedDiff(diff), says: crowdedWords(applied(document, diff), filled, composer) };
    }
  }
}

async function take(message: ToWorker | { type: 'pictures' }): Promise<void> {
  switch (message.type) {
    case 'open':
      base = readDocument(message.records);
      draft = null;
      shown.clear();
      isComposed = false;
      await loadFaces(shaper, facesOf(base));
      // What is to be looked at is named right behind: it is shown first.
      if (queue.length === 0) show();
      return;
    case 'apply':
      base = applied(base!, readDiff(message.diff));
      draft = null;
      caret = message.caret ?? caret;
      await loadFaces(shaper, facesOf(base));
      return show();
    case 'caret':
      caret = message.caret;
      return show();
    case 'draft':
      draft = message.diff && readDiff(message.diff);
      turn = message.turn;
      return show();
    case 'place': {
      const list = composer.compose(now()).pages.find(({ page }) => page === message.page);
      return send({ type: 'answer', ask: message.ask, place: list && placeAt(list, message.point, message.text) });
    }
    case 'beside': {
      const place = placeBeside(composer.compose(now()).pages, message.text, message.place, message.by);
      return send({ type: 'answer', ask: message.ask, place: { text: message.text, place } });
    }
    case 'watch': {
      // A page that was out of sight is painted whole when it comes back.
      for (const page of shown.keys()) if (!message.pages.includes(page)) shown.delete(page);
      watched = message.pages;
      if (!base) return;
      if (!isComposed) showSpread();
      return show();
    }
    case 'small':
      small.watch(message.pages, message.width);
      if (!base) return;
      if (isComposed) return showSmall(now(), composer.compose(now()));
      if (message.pages.length > 0) showFirst(message.pages);
      return show();
    case 'pictures':
      if (base && isComposed) showSmall(now(), composer.compose(now()));
      return;
    case 'sentences': {
      const text = get(base!, 'text', message.text);
      const language = find(base!, 'issue', 'issue')?.language ?? 'en-GB';
      const { pages } = composer.compose(now());
      return send({ type: 'answer', ask: message.ask, sentences: sentencesOf(text, language, pages) });
    }
    case 'plan':
      try {
        send({ type: 'answer', ask: message.ask, planned: plan(message.action, message.intent) });
      } catch (error) {
        send({ type: 'answer', ask: message.ask, refused: error instanceof Error ? error.message : String(error) });
        if (!(error instanceof ActionError)) console.error(error);
      }
      // Trying an action composed other documents; the memory is set on the real one again.
      return show();
  }
}

const queue: (ToWorker | { type: 'pictures' })[] = [];
let working = false;

async function work(): Promise<void> {
  if (working) return;
  working = true;
  for (let message = queue.shift(); message; message = queue.shift()) {
    // Of drafts, and of what is looked at, only the newest counts.
    if ((message.type === 'draft' || message.type === 'small') && queue.some((next) => next.type === message.type)) continue;
    try {
      await take(message);
    } catch (error) {
      console.error(error);
      const why = `The page could not be composed: ${error instanceof Error ? error.message : String(error)}`;
      // Whoever asked something is answered, and does not wait for ever.
      if ('ask' in message) send({ type: 'answer', ask: message.ask, refused: why });
      send({ type: 'failed', message: why });
    }
  }
  working = false;
}

self.onmessage = ({ data }: MessageEvent<ToWorker>) => {
  queue.push(data);
  void work();
};

send({ type: 'ready' });
