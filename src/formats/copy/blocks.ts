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
  readonly kind: 'heading' | 'paragraph' | 'quotation' | 'table';
  /** Of a table, whose own content is empty. */
  readonly table?: TableRows;
  /** 1 to 6 for headings. */
  readonly level: number;
  readonly list?: { readonly kind: 'bullet' | 'number'; readonly level: number; readonly number?: number } | undefined;
  readonly startIn?: 'column' | 'page' | undefined;
  readonly content: readonly Node[];
}
