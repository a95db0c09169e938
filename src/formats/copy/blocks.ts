import type { Node } from 'prosemirror-model';

/** A cell of a table, and how many columns and rows it takes. */
export interface Cell {
  readonly blocks: readonly Block[];
  readonly across: number;
  readonly down: number;
}

export interface TableRows {
  /** Rows at its beginning that are its head. */
  readonly head: number;
  readonly rows: readonly (readonly Cell[])[];
}

/** What every reader of copy gives: paragraphs and tables in order, with what they are, free of any house's styles. */
export interface Block {
  readonly kind: 'heading' | 'paragraph' | 'quotation' | 'table' | 'picture';
  /** What the source's own style of the paragraph is called. */
  readonly style?: string | undefined;
  /** Of a table, whose own content is empty. */
  readonly table?: TableRows;
  /** Of a picture that stood here: which of the copy's it is. */
  readonly picture?: number;
  /** 1 to 6 for headings. */
  readonly level: number;
  readonly list?: { readonly kind: 'bullet' | 'number'; readonly level: number; readonly number?: number } | undefined;
  readonly startIn?: 'column' | 'page' | undefined;
  readonly content: readonly Node[];
}

/** A picture that came inside copy: its file, and what the copy says it shows. */
export interface CopyPicture {
  readonly name: string;
  readonly says: string;
  readonly bytes: Uint8Array;
}

/** Copy as a reader gives it. */
export interface Copy {
  readonly blocks: readonly Block[];
  readonly pictures: readonly CopyPicture[];
  /** The source's names for looks of letters, which `sourceMark` numbers. */
  readonly letters: readonly string[];
  /** What the source had and a story cannot take, in words: “2 comments”. */
  readonly dropped: readonly string[];
  /** What its letters were encoded in, where that was found out rather than said. */
  readonly encoding?: string | undefined;
  /** Plain text as it came, whose line ends may mean one thing or another. */
  readonly plain?: string | undefined;
  /** What is said of it to the desk, and is not to be printed. */
  readonly notes?: string | undefined;
}

/** A look of letters that some houses have a character style for. */
export const LETTER_LOOKS = ['underline', 'strike', 'smallCapitals'] as const;
export type LetterLook = (typeof LETTER_LOOKS)[number];

const MARK = 'source-';

/** The style of the mark that stands for a look of the source's letters until the house is known. */
export const sourceMark = (look: LetterLook | number): string => `${MARK}${look}`;

/** Whether a mark's style stands for something of the source. */
export const isSourceMark = (style: string): boolean => style.startsWith(MARK);
