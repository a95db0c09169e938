import { offer } from './earlyMessages';
import './earlyFaces';
import { screenSource } from '@/core/pictures/screen';
import { transfer } from 'comlink';
import type { Node } from 'prosemirror-model';
import { ActionError } from '@/core/actions/edit';
import { addCaptions, type AddCaptions } from '@/core/actions/captions';
import { lettersToFrame } from '@/core/actions/forms';
import { fillFrame, type FillFrame, placePicture, type PlacePicture, swapPictures } from '@/core/actions/pictures';
import { makeQuote, type QuoteChange, type QuoteOf, setQuote } from '@/core/actions/quotes';
import { crowdedWords, fillSlots, type FillSlots } from '@/core/actions/slots';
import { continueThread, placeStory, type ContinueThread, type PlaceStory } from '@/core/actions/stories';
import { splitOff } from '@/core/actions/threads';
import { Composer, type Composed } from '@/core/compose/composer';
import { beyondList, isBeyond } from '@/core/compose/displayList/beyond';
import { caretAt, lineEdge, placeAt, placeBeside, selectedAreas, shownIn, invisiblesOn } from '@/core/compose/displayList/caret';
import type { PageList } from '@/core/compose/displayList/displayList';
import { endOfSpace, galley, isGalley, measureOf } from '@/core/compose/measure/galley';
import { measuresOf } from '@/core/compose/measure/surface';
import { partOf, showsOthers } from '@/core/compose/measure/part';
import { slotWords } from '@/core/compose/measure/slotFits';
import { letterForms } from '@/core/type/letterForms';
import { sentencesOf } from '@/core/compose/displayList/sentences';
import { samePlace } from '@/core/editing/places';
import { applied, type Diff } from '@/core/records/diff';
import { bodyOf, paragraphsOf, plainText } from '@/core/records/body';
import { type Document, documentOf, find, get } from '@/core/records/document';
import { same } from '@/core/records/same';
import type { DocumentRecord } from '@/core/records/index';
import { readDiff, readDocument, storedDiff } from '@/core/records/stored';
import { Shaper } from '@/core/type/shaper';
import { paintItem } from '@/formats/svg/painter';
import { besides } from '@/core/print/measured';
import { LiveChecks } from './liveChecks';
import { LiveFit } from './liveFit';
import { PageMeter } from './pageMeter';
import { SmallPages } from './smallPages';
import { loadNeeds } from './loadNeeds';
import type {
  BeyondSheet,
  GalleyOrder,
  Listener,
  PaintedPage,
  Planned,
  PlannedActions,
  RangeIn,
  ShownSelection,
  Typesetter,
} from './typesetter';

/**
 * The browser's typesetter. Diffs go in; painted pages of what is being looked at come back.
 */

const shaper = new Shaper();
const composer = new Composer(shaper);
const slotComposer = new Composer(shaper);
const galleyComposer = new Composer(shaper);
let base: Document | undefined;
let draft: Diff | null = null;
let turn = 0;
/** What is selected in the text in hand, and the text whose overset is looked at. */
let selected: RangeIn | null = null;
let looked: string | null = null;
/** What is set in a galley, and the bodies of what is only tried there. */
let galleyOrder: GalleyOrder | null = null;
let tried: readonly { readonly name: string; readonly body: Node; readonly like?: string | undefined }[] = [];
/** What is marked on the pages. */
let marks: readonly RangeIn[] = [];
let tellsInvisibles = false;
let watched: readonly string[] = [];
/** All of the document has been composed once. */
let isComposed = false;
/** What the screen has of each page: its list, and the markup of its chunks. */
const shown = new Map<string, { list: PageList; markup: Map<string, string> }>();

/** Who is told what comes of it. */
let listener: Listener | undefined;

const now = (): Document => (draft ? applied(base!, draft) : base!);

function show(): void {
  const document = now();
  const composed = composer.compose(document);
  isComposed = true;
  const fits = changedOnly('fits', [...composed.fits]);
  const grown = changedOnly('grown', [...composed.grown]);
  listener?.composed({
    turn,
    pages: paint(document, composed),
    ...(fits ? { fits } : {}),
    ...(grown ? { grown } : {}),
    ...(selected ? { selection: shownSelection(composed, selected) } : {}),
    beyond: sheetOf(looked, composed),
  });
  showSmall(document, composed);
  checks.changed();
  if (galleyOrder) unasked(showGalley, 'galley');
  if (marks.length > 0) unasked(showMarks, 'marks');
  if (tellsInvisibles) unasked(tellInvisibles, 'invisibles');
}

/** Sets the texts that are looked at in a galley. It comes after the pages, and only the newest counts. */
function showGalley(): void {
  if (!galleyOrder) return;
  const document = now();
  const texts = [
    ...galleyOrder.texts.flatMap((id) => {
      const body = find(document, 'text', id)?.body;
      return body ? [{ name: id, body, measure: measureOf(document, id) }] : [];
    }),
    ...tried.map(({ name, body, like }) => ({
      name,
      body,
      measure: like ? measureOf(document, like) : measuresOf(document)[name === 'body' ? 'body' : 'area'],
    })),
  ];
  const { fits } = composer.compose(document);
  const parts = galley(document, galleyComposer, texts);
  listener?.galley({
    parts: parts.map((part) => {
      const { name, list, baselines } = part;
      const over = fits.get(name)?.oversetFrom;
      const { page, width, height } = list;
      return { name, page, width, height, baselines, endsAt: over && endOfSpace(part, over) };
    }),
    pages: paintLists(
      document,
      parts.map(({ list }) => list),
    ),
  });
}

/** Finds the characters of the pages that are looked at which are not seen. */
function tellInvisibles(): void {
  if (!base) return;
  if (!tellsInvisibles) return listener?.invisibles([]);
  const document = now();
  const lists = composer.compose(document).pages.filter(({ page }) => watched.includes(page));
  const textOf = (id: string) => {
    const body = find(document, 'text', id)?.body;
    return body ? paragraphsOf(body).map(plainText) : [];
  };
  listener?.invisibles(invisiblesOn(lists, textOf));
}

/** Finds where what is marked stands on the pages that are looked at. */
function showMarks(): void {
  if (!base) return;
  const lists = composer.compose(now()).pages.filter(({ page }) => watched.includes(page));
  const shownTexts = new Set(lists.flatMap(({ items }) => items.flatMap((item) => (item.type === 'text' ? [item.text] : []))));
  const areas = marks.flatMap(({ text, ...range }) => (shownTexts.has(text) ? selectedAreas(lists, text, range) : []));
  const changed = changedOnly('marks', areas);
  if (changed) listener?.marked(changed);
}

/** The pages with the sheet on which the overset of a text is looked at. */
function withBeyond({ pages, beyond }: Composed, text: string | null): readonly PageList[] {
  const column = text === null ? undefined : beyond.get(text);
  return column ? [...pages, beyondList(text!, column)] : pages;
}

function sheetOf(text: string | null, composed: Composed): BeyondSheet | null {
  const column = text === null ? undefined : composed.beyond.get(text);
  if (!column) return null;
  const { page, width, height } = beyondList(text!, column);
  return { text: text!, page, width, height };
}

function shownSelection(composed: Composed, of: RangeIn): ShownSelection {
  const lists = withBeyond(composed, of.text);
  const inSight = lists.filter(({ page }) => watched.includes(page) || isBeyond(page));
  return { caret: caretAt(lists, of.text, of.head) ?? null, areas: selectedAreas(inSight, of.text, of) };
}

/** Draws the pages that are looked at small, and tells what the slots in sight take. */
function showSmall(document: Document, composed: Composed): void {
  small.draw(document, composed.pages);
  // While a hand moves things, what would fit can wait.
  const slots = draft ? undefined : changedOnly('slots', [...slotWords(document, [...watched, ...small.watched], slotComposer)]);
  if (slots) listener?.slots(slots);
}

const meter = new PageMeter(shaper);

const checks = new LiveChecks(
  shaper,
  meter,
  () => {
    if (!base || draft) return undefined;
    // A place that looks at no page still has it composed.
    if (!isComposed) show();
    return { document: base, composed: composer.compose(base) };
  },
  (work) => unasked(work),
  () => performance.now() - askedAt,
  (findings) => {
    const changed = changedOnly('checks', findings);
    if (changed) listener?.checked(changed);
  },
);

const liveFit = new LiveFit(
  shaper,
  (work) => unasked(work),
  (found) => listener?.fitted(found),
);

const small = new SmallPages(
  shaper,
  (pages) =>
    listener?.drawn(
      transfer(
        pages,
        pages.map(({ picture }) => picture.data.buffer),
      ),
    ),
  () => unasked(() => base && isComposed && showSmall(now(), composer.compose(now()))),
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
  listener?.composed({ turn, pages: paint(part, composer.compose(part)) });
}

/** Begins anew to try what makes a text fit; where it has gone, nothing is tried. */
function beginFit(text: string): void {
  try {
    liveFit.begin(base!, text);
  } catch {
    liveFit.end();
  }
}

/** What was last sent of each kind. */
const sent = new Map<string, unknown>();

/** A list, unless it is the one that was sent last. */
function changedOnly<T>(kind: string, list: T): T | undefined {
  if (same(sent.get(kind), list)) return undefined;
  sent.set(kind, list);
  return list;
}

const paint = (document: Document, composed: Composed): PaintedPage[] =>
  paintLists(
    document,
    withBeyond(composed, looked).filter(({ page }) => watched.includes(page) || isBeyond(page)),
  );

/** Paints what is not on the screen as it is. */
function paintLists(document: Document, lists: readonly PageList[]): PaintedPage[] {
  const out: PaintedPage[] = [];
  for (const list of lists) {
    const before = shown.get(list.page);
    if (before?.list === list) continue;
    const source = (id: string, placed: { w: number; h: number }): string => {
      const picture = get(document, 'picture', id);
      // Twice the points serves a usual zoom on a dense screen; the server rounds up to the copies that it keeps.
      return screenSource(picture, 2 * Math.max(placed.w, placed.h));
    };
    const chunks = list.items.flatMap((item, i) =>
      paintItem(item, source).map((chunk) => ({ ...chunk, furniture: i < list.furniture })),
    );
    const markup = new Map(chunks.map((chunk) => [chunk.key, chunk.markup]));
    out.push({
      page: list.page,
      chunks: chunks.map(({ markup: own, ...chunk }) => ({
        ...chunk,
        markup: before?.markup.get(chunk.key) === own ? undefined : own,
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
      return { diff: storedDiff(makeQuote(document, intent as QuoteOf, composer)) };
    case 'setQuote':
      return { diff: storedDiff(setQuote(document, intent as QuoteChange, composer)) };
    case 'placePicture':
      return { diff: storedDiff(placePicture(document, intent as PlacePicture, composer)) };
    case 'fillFrame':
      return { diff: storedDiff(fillFrame(document, intent as FillFrame, composer)) };
    case 'swapPictures':
      return { diff: storedDiff(swapPictures(document, intent as PlannedActions['swapPictures'], composer)) };
    case 'addCaptions':
      return { diff: storedDiff(addCaptions(document, intent as AddCaptions, composer)) };
    case 'lettersToFrame':
      return { diff: storedDiff(lettersToFrame(document, intent as string, composer, shaper)) };
    case 'splitOff': {
      const frame = intent as string;
      const { content } = get(document, 'frame', frame);
      const text = content.type === 'text' ? content.text : '';
      // What no frame shows stays with the text, so the overset is looked at too.
      const shown = shownIn(withBeyond(composer.compose(document), text), text, frame);
      if (!shown) throw new ActionError('That frame shows no text.');
      return { diff: storedDiff(splitOff(document, { frame, ...shown })) };
    }
    case 'fillSlots': {
      const diff = fillSlots(document, intent as FillSlots, composer);
      const filled = [...diff.added, ...diff.updated.map(({ after }) => after)].map(({ id }) => id);
      return { diff: storedDiff(diff), says: crowdedWords(applied(document, diff), filled, composer) };
    }
  }
}

interface Job {
  readonly work: () => unknown;
  /** Of those of a kind that wait, only the newest is done. */
  readonly newest: 'draft' | 'small' | 'select' | 'galley' | 'marks' | 'invisibles' | 'fit' | undefined;
  readonly done: (value: unknown) => void;
  readonly failed: (error: unknown) => void;
}

const queue: Job[] = [];
let working = false;

/** When something was asked for last: whoever works is not to wait for what nobody asked for. */
let askedAt = -Infinity;

/** Does something that was asked for, after all that was told before it. */
function inTurn<T>(work: () => T | Promise<T>, newest?: Job['newest']): Promise<T> {
  askedAt = performance.now();
  return queued(work, newest);
}

function queued<T>(work: () => T | Promise<T>, newest?: Job['newest']): Promise<T> {
  return new Promise<T>((done, failed) => {
    queue.push({ work, newest, done: done as (value: unknown) => void, failed });
    void workOff();
  });
}

/** The same for what nobody waits for: where it goes wrong, the screen is told. */
function unasked(work: () => unknown, newest?: Job['newest']): void {
  queued(work, newest).catch((error: unknown) => listener?.failed(error instanceof Error ? error.message : String(error)));
}

async function workOff(): Promise<void> {
  if (working) return;
  working = true;
  for (let job = queue.shift(); job; job = queue.shift()) {
    const { newest } = job;
    if (newest !== undefined && queue.some((next) => next.newest === newest)) {
      job.done(undefined);
      continue;
    }
    try {
      job.done(await job.work());
    } catch (error) {
      if (!(error instanceof ActionError)) console.error(error);
      job.failed(error);
    }
  }
  working = false;
}

const typesetter: Typesetter = {
  listen: (to) => void (listener = to),
  open: (records) =>
    inTurn(() => {
      base = readDocument(records);
      draft = null;
      shown.clear();
      isComposed = false;
      // What is to be looked at is named right behind: it is shown first, and then all of it is composed.
      return loadNeeds(base, shaper);
    }),
  apply: (diff, at) =>
    inTurn(async () => {
      base = applied(base!, readDiff(diff));
      draft = null;
      selected = at ?? selected;
      await loadNeeds(base, shaper);
      show();
      if (liveFit.text !== undefined) unasked(() => beginFit(liveFit.text!), 'fit');
    }),
  draft: (diff, of) =>
    inTurn(() => {
      draft = diff && readDiff(diff);
      turn = of;
      show();
    }, 'draft'),
  select: (at) =>
    inTurn(() => {
      selected = at;
      if (at) listener?.selected(shownSelection(composer.compose(now()), at));
    }, 'select'),
  lookBeyond: (text) =>
    inTurn(() => {
      looked = text;
      for (const page of shown.keys()) if (isBeyond(page)) shown.delete(page);
      show();
    }),
  setGalley: (order) =>
    inTurn(async () => {
      galleyOrder = order;
      tried = order?.tried.map(({ name, body, like }) => ({ name, body: bodyOf(body), like })) ?? [];
      for (const page of shown.keys()) if (isGalley(page)) shown.delete(page);
      if (!order || !base) return;
      const faces = tried.map(({ name, body }): DocumentRecord => ({ id: name, kind: 'text', role: 'furniture', body }));
      await loadNeeds(documentOf([...base.records.values(), ...faces]), shaper);
      showGalley();
    }),
  showInvisibles: (are) =>
    inTurn(() => {
      tellsInvisibles = are;
      tellInvisibles();
    }),
  setMarks: (ranges) =>
    inTurn(() => {
      marks = ranges;
      showMarks();
    }, 'marks'),
  setFit: (text) => inTurn(() => (text === null ? liveFit.end() : beginFit(text))),
  fitTogether: (ids) => inTurn(() => liveFit.together(ids)),
  watchChecks: (watches, pause) => inTurn(() => checks.watch(watches, pause)),
  setPictureFiles: (files) => inTurn(() => checks.setFiles(files)),
  watch: (pages) =>
    inTurn(() => {
      // A page that was out of sight is painted whole when it comes back.
      for (const page of shown.keys()) if (!pages.includes(page) && !isGalley(page)) shown.delete(page);
      watched = pages;
      if (!base) return;
      if (!isComposed) showSpread();
      show();
    }),
  watchSmall: (pages, width) =>
    inTurn(() => {
      small.watch(pages, width);
      if (!base) return;
      if (isComposed) return showSmall(now(), composer.compose(now()));
      if (pages.length > 0) showFirst(pages);
      show();
    }, 'small'),
  placeAt: (page, point, text) =>
    inTurn(() => {
      const list = withBeyond(composer.compose(now()), text ?? looked).find((each) => each.page === page);
      return list && placeAt(list, point, text);
    }),
  caretAt: (text, place) => inTurn(() => caretAt(composer.compose(now()).pages, text, place)),
  placeBeside: (text, place, by, goal) =>
    inTurn(() => {
      const lists = withBeyond(composer.compose(now()), text);
      let beside = { place, goal: goal ?? 0 };
      let way = goal;
      // A page has fewer lines than a screen could ever show.
      for (let i = Math.min(200, Math.abs(by)); i > 0; i--) {
        const next = placeBeside(lists, text, beside.place, by > 0 ? 1 : -1, way);
        way = next.goal;
        if (samePlace(next.place, beside.place)) break;
        beside = next;
      }
      return { ...beside, goal: way ?? 0 };
    }),
  lineEdge: (text, place, end) => inTurn(() => lineEdge(withBeyond(composer.compose(now()), text), text, place, end)),
  sentences: (id) =>
    inTurn(() => {
      const language = find(base!, 'issue', 'issue')?.language ?? 'en-GB';
      return sentencesOf(get(base!, 'text', id), language, composer.compose(now()).pages);
    }),
  letterForms: (face, letters) =>
    inTurn(() => {
      const language = find(base!, 'issue', 'issue')?.language ?? 'en-GB';
      return shaper.hasFace(face) ? letterForms(shaper, face, letters, language) : [];
    }),
  legibility: async (page, frame) => {
    const [document, list] = await inTurn(() => {
      const shownNow = now();
      return [shownNow, composer.compose(shownNow).pages.find((each) => each.page === page)] as const;
    });
    if (!list) return undefined;
    const beside = besides(document, composer.compose(document).pages).get(page);
    let measured = meter.known(document, list, beside);
    if (!measured) {
      const table = await meter.fetch(document, list, beside);
      if (!table) return undefined;
      const steps = meter.measuring(document, list, beside, table);
      for (let step = steps.next(); !measured; step = steps.next()) if (step.done) measured = step.value;
    }
    const read = measured.legibility.get(frame);
    // On bare paper nothing but the colour of the letters counts, which is a matter of the house.
    return read?.isBare ? undefined : read;
  },
  plan: (action, intent) =>
    inTurn(() => {
      try {
        return plan(action, intent);
      } finally {
        // Trying an action composed other documents; the memory is set on the real one again.
        unasked(show);
      }
    }),
};

offer(typesetter);
