import type { AddCaptions } from '@/core/actions/captions';
import type { FillFrame, PlacePicture } from '@/core/actions/pictures';
import type { Passage, QuoteChange, QuoteOf } from '@/core/actions/quotes';
import type { FillSlots } from '@/core/actions/slots';
import type { ContinueThread, PlaceStory } from '@/core/actions/stories';
import type { Invisible, PlacedCaret, PlaceBeside, SelectedArea } from '@/core/compose/displayList/caret';
import type { Finding } from '@/core/checks/finding';
import type { TriedMend } from '@/core/fit/way';
import type { Fit } from '@/core/compose/text/fit';
import type { PictureFiles } from '@/core/pictures/states';
import type { Legibility } from '@/core/print/legibility';
import type { Box, Point } from '@/core/geometry/box';
import type { StoredDiff, StoredRecord } from '@/core/records/stored';
import type { BodyJson } from '@/core/records/body';
import type { TextPlace, TextRange } from '@/core/editing/places';
import type { LetterForm } from '@/core/type/letterForms';
import type { Chunk } from '@/formats/svg/painter';

/** Actions that must see how text falls, and so are worked out beside the typesetter. */
export interface PlannedActions {
  placeStory: PlaceStory;
  continueThread: ContinueThread;
  fillSlots: FillSlots;
  makeQuote: QuoteOf;
  setQuote: QuoteChange;
  placePicture: PlacePicture;
  fillFrame: FillFrame;
  /** The two frames whose pictures change places. */
  swapPictures: readonly [string, string];
  addCaptions: AddCaptions;
  /** The frame that is to be split off. */
  splitOff: string;
  /** The frame whose letters become the form of a picture frame. */
  lettersToFrame: string;
}

/** What an action does, and what is to be said of it. */
export interface Planned {
  readonly diff: StoredDiff;
  readonly says?: string | undefined;
}

/** A sentence of a text, and where it stands: boxes in page coordinates, one a line. */
export interface Sentence extends Passage {
  readonly words: string;
  readonly boxes: readonly { readonly page: string; readonly box: Box }[];
}

/** A page drawn small. */
export interface DrawnPage {
  readonly page: string;
  readonly picture: ImageData;
}

/** A page as painted: its chunks in the order of painting; only those whose markup changed carry it. */
export interface PaintedPage {
  readonly page: string;
  readonly chunks: readonly (Omit<Chunk, 'markup'> & { readonly markup: string | undefined; readonly furniture: boolean })[];
}

/** A place in a text. */
export interface PlaceIn {
  readonly text: string;
  readonly place: TextPlace;
}

/** What is selected in a text. */
export interface RangeIn extends TextRange {
  readonly text: string;
}

/** Where what is selected stands: the caret, null where neither a frame nor the sheet of overset shows it; areas on what is looked at. */
export interface ShownSelection {
  readonly caret: PlacedCaret | null;
  readonly areas: readonly SelectedArea[];
}

/** The sheet on which the overset of a text is looked at: painted as a page of that name; points. */
export interface BeyondSheet {
  readonly text: string;
  readonly page: string;
  readonly width: number;
  readonly height: number;
}

/** What is to be set in a galley: texts of the document in their measures, and others that are only tried. */
export interface GalleyOrder {
  readonly texts: readonly string[];
  /** `like`: in the measure of that text of the document. */
  readonly tried: readonly { readonly name: string; readonly body: BodyJson; readonly like?: string }[];
}

/** Texts as they are set by themselves, one under another; points. */
export interface GalleySheet {
  readonly parts: readonly {
    readonly name: string;
    readonly page: string;
    readonly width: number;
    readonly height: number;
    readonly baselines: readonly number[];
    /** Where its space on the pages ends, if it is over. */
    readonly endsAt?: number | undefined;
  }[];
  readonly pages: readonly PaintedPage[];
}

/** What was found by checking the issue: by all rules, but for what pixels say of pages that are not measured yet. */
export interface LiveFindings {
  readonly findings: readonly Finding[];
  /** Of so many pages, so many are measured. */
  readonly measured: number;
  readonly pages: number;
}

/** What was found to make a text fit, so far. */
export interface FitFound {
  readonly text: string;
  /** As it is. */
  readonly fit: Fit;
  readonly mends: readonly TriedMend[];
  readonly isDone: boolean;
}

/** What several mends do together, and how the text fits then. */
export interface FitTogether {
  readonly diff: StoredDiff;
  readonly fit: Fit;
}

/** What came of composing. */
export interface ComposedPages {
  /** Of the drafts, the one that is shown. */
  readonly turn: number;
  readonly pages: readonly PaintedPage[];
  /** Left out where nothing about them changed. */
  readonly fits?: readonly (readonly [text: string, fit: Fit])[];
  readonly grown?: readonly (readonly [frame: string, box: Box])[];
  /** Where what is selected stands, while a text is in the hand. */
  readonly selection?: ShownSelection;
  /** The overset that is looked at; null where there is none. */
  readonly beyond?: BeyondSheet | null;
}

/** What the typesetter tells its screen, unasked. */
export interface Listener {
  composed(pages: ComposedPages): void;
  /** What is selected stands elsewhere, and nothing else changed. */
  selected(selection: ShownSelection): void;
  /** Words that the waiting slots in sight take, by `slotKey`. */
  slots(slots: readonly (readonly [slot: string, words: number])[]): void;
  drawn(pages: readonly DrawnPage[]): void;
  galley(sheet: GalleySheet): void;
  /** Characters that are not seen, on the pages that are looked at. */
  invisibles(signs: readonly Invisible[]): void;
  /** Where what is marked stands on the pages that are looked at. */
  marked(areas: readonly SelectedArea[]): void;
  /** What was found by checking the issue as it now is. */
  checked(findings: LiveFindings): void;
  /** What was found to make a text fit. */
  fitted(found: FitFound): void;
  /** What it did unasked went wrong. */
  failed(why: string): void;
}

/**
 * The typesetter as its screen sees it, over the border between them (Comlink). What it is told is done in order; a
 * promise is refused with the sentence why it could not be. Of several drafts, and of several lists of small pages, only
 * the newest counts.
 */
export interface Typesetter {
  listen(listener: Listener): void;
  open(records: readonly StoredRecord[]): Promise<void>;
  apply(diff: StoredDiff, selected?: RangeIn): Promise<void>;
  /** A change that is being tried by hand; null when it is over. */
  draft(diff: StoredDiff | null, turn: number): Promise<void>;
  /** What is selected in the text in hand; null when it is left. Of several only the newest is told. */
  select(selected: RangeIn | null): Promise<void>;
  /** The text whose overset is looked at. */
  lookBeyond(text: string | null): Promise<void>;
  /** Texts that are looked at in a galley, now and with every change; null when it is put away. */
  setGalley(order: GalleyOrder | null): Promise<void>;
  /** Whether characters that are not seen are told of. */
  showInvisibles(are: boolean): Promise<void>;
  /** Stretches that are marked on the pages, such as words that are misspelt. */
  setMarks(marks: readonly RangeIn[]): Promise<void>;
  /**
   * Whether what is found by checking the issue is told of, now and whenever it has come to rest.
   * @param pause milliseconds between two slices of measuring: longer where something else is looked at
   */
  watchChecks(watches: boolean, pause: number): Promise<void>;
  /** What is known of the files of pictures. */
  setPictureFiles(files: PictureFiles): Promise<void>;
  /** The text for which ways to make it fit are tried, told of as they are found, and anew with every change; null ends it. */
  setFit(text: string | null): Promise<void>;
  /** What some of the ways that were found do together. */
  fitTogether(ids: readonly string[]): Promise<FitTogether>;
  /** The pages that are looked at. */
  watch(pages: readonly string[]): Promise<void>;
  /** Pages to be drawn small, so many pixels wide. */
  watchSmall(pages: readonly string[], width: number): Promise<void>;
  /** Where in a text a point of a page is, or of the sheet of overset. */
  placeAt(page: string, point: Point, text?: string): Promise<PlaceIn | undefined>;
  /** Where the caret before a place of a text stands. */
  caretAt(text: string, place: TextPlace): Promise<PlacedCaret | undefined>;
  /** The place so many lines below or above another. */
  placeBeside(text: string, place: TextPlace, by: number, goal?: number): Promise<PlaceBeside>;
  /** The beginning or end of the line that a place is in. */
  lineEdge(text: string, place: TextPlace, end: boolean): Promise<TextPlace>;
  sentences(text: string): Promise<readonly Sentence[]>;
  /** The other forms that a face has for some letters. */
  letterForms(face: string, letters: string): Promise<readonly LetterForm[]>;
  /** How a text contrasts with what lies under it on a page; undefined where that is paper alone. */
  legibility(page: string, frame: string): Promise<Legibility | undefined>;
  plan<A extends keyof PlannedActions>(action: A, intent: PlannedActions[A]): Promise<Planned>;
}
