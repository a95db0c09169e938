import type { LetterForm } from '@/core/type/letterForms';
import { proxy, type Remote, wrap } from 'comlink';
import type { Invisible, PlacedCaret, PlaceBeside, SelectedArea } from '@/core/compose/displayList/caret';
import type { Fit } from '@/core/compose/text/fit';
import type { Box, Point } from '@/core/geometry/box';
import type { Diff } from '@/core/records/diff';
import { readDiff, stored, storedDiff } from '@/core/records/stored';
import type { TextPlace } from '@/core/editing/places';
import type { PictureFiles } from '@/core/pictures/states';
import type { Legibility } from '@/core/print/legibility';
import type { Document } from '@/core/records/document';
import type { Chunk } from '@/formats/svg/painter';
import { takeComposer } from './startWorker';
import type {
  BeyondSheet,
  ComposedPages,
  DrawnPage,
  FitFound,
  GalleyOrder,
  GalleySheet,
  LiveFindings,
  PaintedPage,
  PlaceIn,
  PlannedActions,
  RangeIn,
  Sentence,
  ShownSelection,
  Typesetter,
} from './typesetter';

/** A chunk of painted page, kept by identity as long as its markup is the same. */
export interface Painted extends Chunk {
  /** Its master shows it. */
  readonly furniture: boolean;
}

/** A change that is shown and not done: worked out only when it is its turn, where it is costly; null for none. */
export type Draft = Diff | null | (() => Diff | null);

/** A document that tells of its changes. */
export interface DocumentSource {
  readonly document: Document;
  /** Gives how to stop listening. */
  onDiff(listener: (diff: Diff) => void): () => void;
}

/** What the typesetter last gave. */
export interface Setting {
  readonly ready: boolean;
  readonly pages: ReadonlyMap<string, readonly Painted[]>;
  readonly fits: ReadonlyMap<string, Fit>;
  readonly grown: ReadonlyMap<string, Box>;
  /** Words that waiting slots in sight take, by `slotKey`. */
  readonly slots: ReadonlyMap<string, number>;
  /** Pages drawn small, as far as they have been asked for. */
  readonly small: ReadonlyMap<string, ImageData>;
  readonly trouble: string | undefined;
  /** Where what is selected in the text in hand stands. */
  readonly selection: ShownSelection;
  /** The overset that is looked at. */
  readonly beyond: BeyondSheet | undefined;
  /** What is looked at in a galley; it is painted among `pages`. */
  readonly galley: GalleySheet['parts'];
  /** Where what is marked stands. */
  readonly marks: readonly SelectedArea[];
  readonly invisibles: readonly Invisible[];
  /** What was found by checking; undefined before it was done once. */
  readonly checked: LiveFindings | undefined;
  /** What was found to make the text fit that is being made to. */
  readonly fitted: FitFound | undefined;
}

const NOTHING: Setting = {
  ready: false,
  pages: new Map(),
  fits: new Map(),
  grown: new Map(),
  slots: new Map(),
  small: new Map(),
  trouble: undefined,
  selection: { caret: null, areas: [] },
  beyond: undefined,
  galley: [],
  marks: [],
  invisibles: [],
  checked: undefined,
  fitted: undefined,
};

/** The screen's side of the compose worker: passes every diff on, and holds what came back. */
export class ComposerClient {
  readonly #worker: Worker;
  readonly #typesetter: Remote<Typesetter>;
  readonly #listeners = new Set<() => void>();
  readonly #stop: () => void;
  #setting = NOTHING;
  #watched: readonly string[] | undefined;
  #selected: RangeIn | undefined;
  #turn = 0;
  /** The turn being composed, and the newest draft that waits for its end. */
  #busy = false;
  #waiting: { draft: Draft } | undefined;

  constructor(store: DocumentSource) {
    const { worker, stopped } = takeComposer();
    this.#worker = worker;
    this.#typesetter = wrap<Typesetter>(worker);
    this.#tell((typesetter) =>
      typesetter.listen(
        proxy({
          composed: (pages: ComposedPages) => this.#takeComposed(pages),
          selected: (selection: ShownSelection) => this.#set({ selection }),
          slots: (slots: readonly (readonly [string, number])[]) => this.#set({ slots: new Map(slots) }),
          drawn: (pages: readonly DrawnPage[]) => this.#takeDrawn(pages),
          galley: ({ parts, pages }: GalleySheet) => this.#set({ galley: parts, pages: this.#painted(pages) }),
          invisibles: (invisibles: readonly Invisible[]) => this.#set({ invisibles }),
          marked: (marks: readonly SelectedArea[]) => this.#set({ marks }),
          checked: (checked: LiveFindings) => this.#set({ checked }),
          fitted: (fitted: FitFound) => this.#set({ fitted }),
          failed: (why: string) => this.#notComposed(why),
        }),
      ),
    );
    const records = [...store.document.records.values()].map(stored);
    this.#tell((typesetter) => typesetter.open(records));
    void stopped.then((why) => this.#fail(`The typesetter stopped (${why}). Reload the page; what was done is kept.`));
    this.#stop = store.onDiff((diff) => {
      this.#waiting = undefined;
      const selected = this.#selected;
      this.#selected = undefined;
      const sent = storedDiff(diff);
      this.#tell((typesetter) => typesetter.apply(sent, selected));
    });
  }

  /** Has the typesetter do something; where it cannot, it says so where the pages are. */
  #tell(what: (typesetter: Remote<Typesetter>) => Promise<unknown>): void {
    void what(this.#typesetter).catch((error: unknown) =>
      this.#notComposed(error instanceof Error ? error.message : String(error)),
    );
  }

  readonly subscribe = (listener: () => void): (() => void) => {
    this.#listeners.add(listener);
    return () => this.#listeners.delete(listener);
  };

  readonly setting = (): Setting => this.#setting;

  /** Names the pages that are looked at: only they are painted. */
  watch(pages: readonly string[]): void {
    if (this.#watched?.join(' ') === pages.join(' ')) return;
    this.#watched = pages;
    this.#tell((typesetter) => typesetter.watch(pages));
  }

  /** Names the pages that are looked at small, so many pixels of the screen wide. */
  watchSmall(pages: readonly string[], width: number): void {
    this.#tell((typesetter) => typesetter.watchSmall(pages, width));
  }

  /** The pages that are looked at, as they are painted: of others there may be some of before. */
  inSight(): ReadonlyMap<string, readonly Painted[]> {
    return new Map(
      (this.#watched ?? []).flatMap((page) => (this.#setting.pages.has(page) ? [[page, this.#setting.pages.get(page)!]] : [])),
    );
  }

  /** Shows pages that were painted before, until they are composed. */
  showKeptSpread(pages: ReadonlyMap<string, readonly Painted[]>): void {
    if (this.#setting.pages.size > 0) return;
    this.#set({ pages });
  }

  /** Shows small pages that were drawn before, until they are drawn again. */
  showKept(pages: ReadonlyMap<string, ImageData>): void {
    if (pages.size === 0) return;
    this.#set({ small: new Map([...pages, ...this.#setting.small]) });
  }

  /** Shows a change without doing it; null ends it. While one is being composed only the newest of the next is kept. */
  draft(draft: Draft): void {
    if (this.#busy) {
      this.#waiting = { draft };
      return;
    }
    this.#busy = true;
    const turn = ++this.#turn;
    const diff = typeof draft === 'function' ? draft() : draft;
    const sent = diff && storedDiff(diff);
    this.#tell((typesetter) => typesetter.draft(sent, turn));
  }

  /** What is selected in the text in hand; with the change that is done next, when it is said `before` it. */
  select(selected: RangeIn | null, before = false): void {
    this.#selected = before ? (selected ?? undefined) : undefined;
    if (!before) this.#tell((typesetter) => typesetter.select(selected));
    if (!selected) this.#set({ selection: NOTHING.selection });
  }

  /** Has the overset of a text painted, to be looked at. */
  lookBeyond(text: string | null): void {
    this.#tell((typesetter) => typesetter.lookBeyond(text));
  }

  /** Has texts set in a galley, now and with every change; null puts it away. */
  setGalley(order: GalleyOrder | null): void {
    this.#tell((typesetter) => typesetter.setGalley(order));
    if (!order) this.#set({ galley: NOTHING.galley });
  }

  /** Has characters that are not seen told of, or no more. */
  showInvisibles(are: boolean): void {
    this.#tell((typesetter) => typesetter.showInvisibles(are));
  }

  /**
   * Has the issue checked, now and whenever it has come to rest, or no more.
   * @param pause milliseconds between two slices of measuring
   */
  watchChecks(watches: boolean, pause = 0): void {
    this.#tell((typesetter) => typesetter.watchChecks(watches, pause));
  }

  /** Has ways tried to make a text fit, told of as they are found; null ends it. */
  setFit(text: string | null): void {
    this.#set({ fitted: undefined });
    this.#tell((typesetter) => typesetter.setFit(text));
  }

  /** What some of the ways that were found do together. @throws Error with a sentence where they cannot be done together */
  async fitTogether(ids: readonly string[]): Promise<{ diff: Diff; fit: Fit }> {
    const { diff, fit } = await this.#typesetter.fitTogether(ids);
    return { diff: readDiff(diff), fit };
  }

  /** Tells what is known of the files of pictures. */
  setPictureFiles(files: PictureFiles): void {
    this.#tell((typesetter) => typesetter.setPictureFiles(files));
  }

  /** Marks stretches of texts on the pages. */
  setMarks(marks: readonly RangeIn[]): void {
    this.#tell((typesetter) => typesetter.setMarks(marks));
  }

  /** The place in a text that a point of a page is nearest to. */
  async placeAt(page: string, point: Point, text?: string): Promise<PlaceIn | undefined> {
    return this.#typesetter.placeAt(page, point, text);
  }

  async caretAt(text: string, place: TextPlace): Promise<PlacedCaret | undefined> {
    return this.#typesetter.caretAt(text, place);
  }

  /** The place so many lines below or above another. */
  async placeBeside(text: string, place: TextPlace, by: number, goal?: number): Promise<PlaceBeside> {
    return this.#typesetter.placeBeside(text, place, by, goal);
  }

  /** The beginning or end of the line that a place is in. */
  async lineEdge(text: string, place: TextPlace, end: boolean): Promise<TextPlace> {
    return this.#typesetter.lineEdge(text, place, end);
  }

  /** Works an action out beside the typesetter. @throws Error with a sentence when it cannot be done */
  async plan<A extends keyof PlannedActions>(
    action: A,
    intent: PlannedActions[A],
  ): Promise<{ diff: Diff; says?: string | undefined }> {
    const { diff, says } = await this.#typesetter.plan(action, intent);
    return { diff: readDiff(diff), says };
  }

  async legibility(page: string, frame: string): Promise<Legibility | undefined> {
    return this.#typesetter.legibility(page, frame);
  }

  async sentences(text: string): Promise<readonly Sentence[]> {
    return this.#typesetter.sentences(text);
  }

  async letterForms(face: string, letters: string): Promise<readonly LetterForm[]> {
    return this.#typesetter.letterForms(face, letters);
  }

  close(): void {
    this.#stop();
    // What is still said by parts of the screen that go with it is heard by nobody.
    this.#worker.terminate();
  }

  #takeDrawn(drawn: readonly DrawnPage[]): void {
    const small = new Map(this.#setting.small);
    for (const { page, picture } of drawn) small.set(page, picture);
    this.#set({ small });
  }

  #takeComposed(composed: ComposedPages): void {
    if (composed.turn === this.#turn) this.#busy = false;
    const pages = this.#painted(composed.pages);
    const { fits, grown, selection, beyond } = composed;
    this.#set({
      ready: true,
      pages,
      trouble: undefined,
      ...(fits ? { fits: new Map(fits) } : {}),
      ...(grown ? { grown: new Map(grown) } : {}),
      ...(selection ? { selection } : {}),
      ...(beyond === undefined ? {} : { beyond: beyond ?? undefined }),
    });
  }

  /** The pages with those that were painted anew; what of them is the same stays the same object. */
  #painted(painted: readonly PaintedPage[]): ReadonlyMap<string, readonly Painted[]> {
    const pages = new Map(this.#setting.pages);
    for (const { page, chunks } of painted) {
      const before = new Map((pages.get(page) ?? []).map((chunk) => [chunk.key, chunk]));
      pages.set(
        page,
        chunks.map(({ markup, ...chunk }) =>
          markup === undefined ? (before.get(chunk.key) ?? { ...chunk, markup: '' }) : { ...chunk, markup },
        ),
      );
    }
    return pages;
  }

  #set(what: Partial<Setting>): void {
    this.#setting = { ...this.#setting, ...what };
    this.#told();
  }

  #notComposed(why: string): void {
    this.#fail(`The page could not be composed: ${why}`);
  }

  /** Says what went wrong where the pages are. */
  #fail(why: string): void {
    this.#busy = false;
    this.#set({ trouble: why });
  }

  #told(): void {
    for (const listener of this.#listeners) listener();
    if (!this.#busy && this.#waiting) {
      const { draft } = this.#waiting;
      this.#waiting = undefined;
      this.draft(draft);
    }
  }
}
