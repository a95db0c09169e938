import type { Node } from 'prosemirror-model';

/** What every reader of copy gives: paragraphs in order, with what they are, free of any house's styles. */
export interface Block {
  readonly kind: 'heading' | 'paragraph' | 'quotation';
  /** 1 to 6 for headings. */
  readonly level: number;
  readonly list?: { readonly kind: 'bullet' | 'number'; readonly level: number; readonly number?: number } | undefined;
  readonly startIn?: 'column' | 'page' | undefined;
  readonly content: readonly Node[];
}
