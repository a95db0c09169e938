import type { Node } from 'prosemirror-model';
import type { CharacterProperties, Stroke } from './characterStyle';
import type { RecordBase } from './common';
import { type Kind, maybe, oneOf, reference, withWhat, words } from './kind';
import type { DetailName } from './details';
import type { Lengths } from './frame';
import type { ParagraphProperties, StartIn } from './paragraphStyle';

/** What a text is in its story; a furniture text (a folio, say) belongs to none. */
export type TextRole = 'headline' | 'standfirst' | 'byline' | 'body' | 'caption' | 'credit' | 'quote' | 'furniture';

/** `nextFolio` and `previousFolio` are the pages on which the story goes on, and from which it comes. */
export type FieldName =
  | 'folio'
  | 'nextFolio'
  | 'previousFolio'
  | 'publication'
  | 'number'
  | 'season'
  | 'date'
  | 'section'
  | 'story'
  | 'standfirst'
  | DetailName;

/** A field shows something that is known elsewhere: a page's number, or something of the issue. */
export interface FieldAttrs {
  readonly name: FieldName;
  /** The story that is meant, where that is not the one the field stands in; its first page, for `folio`. */
  readonly of?: string | undefined;
}

/** A picture that stands in the line like a letter, as high as said (points); its width follows. */
export interface InlinePictureAttrs {
  readonly picture: string;
  readonly height: number;
  /** Of its foot above the baseline. */
  readonly rise?: number | undefined;
}

export interface ListAttrs {
  readonly kind: 'bullet' | 'number';
  readonly level: number;
  readonly number?: number | undefined;
}

export interface ParagraphAttrs {
  /** Id of the paragraph style. */
  readonly style: string;
  readonly list?: ListAttrs | undefined;
  /** The paragraph begins at the top of the next column, frame or page, whatever its style says. */
  readonly startIn?: StartIn | undefined;
  /** Set once for every story on the pages, in their order, its fields saying what they say of it: a contents list. */
  readonly each?: 'story' | undefined;
  /** What is said of the paragraph by hand, over its style. */
  readonly local?: Partial<ParagraphProperties> | undefined;
}

/** Of the mark `local`. */
export interface LocalAttrs {
  readonly properties: Partial<CharacterProperties>;
}

/** Of a picture between paragraphs that travels with the text. */
export interface FigureAttrs {
  readonly picture: string;
  /** Points; the column's width when not said. */
  readonly width?: number | undefined;
  readonly align?: 'left' | 'centre' | 'right' | undefined;
}

export interface Area {
  readonly swatch: string;
  readonly tint: number;
}

export interface CellAttrs {
  /** Columns and rows it takes; 1 when not said. */
  readonly across?: number | undefined;
  readonly down?: number | undefined;
  readonly align?: 'top' | 'centre' | 'bottom' | undefined;
  readonly fill?: Area | undefined;
}

export interface TableAttrs {
  /** A fixed width in points, or a share of what the fixed ones leave. */
  readonly columns: readonly ({ readonly points: number } | { readonly share: number })[];
  /** Rows at the head that are set again in every column the table reaches into. */
  readonly headerRows: number;
  readonly inset: Lengths;
  /** Between rows, between columns, around the whole, and under the header rows. */
  readonly rules?:
    | {
        readonly rows?: Stroke;
        readonly columns?: Stroke;
        readonly around?: Stroke;
        readonly head?: Stroke;
      }
    | undefined;
  readonly headFill?: Area | undefined;
  /** Every other row under the header. */
  readonly stripe?: Area | undefined;
}

export interface TextRecord extends RecordBase<'text'> {
  readonly role: TextRole;
  readonly story?: string | undefined;
  /** A document of `bodySchema`: a run of paragraphs, tables and pictures. */
  readonly body: Node;
  /** For a caption or credit: the picture it is of. */
  readonly picture?: string | undefined;
  /** For a pull quote: the text it was taken from, and its words there. */
  readonly source?: { readonly text: string; readonly words: string } | undefined;
}

export const TEXT: Kind<TextRecord> = {
  called: 'text',
  offered: 'Text on a master',
  fields: {
    role: oneOf('headline', 'standfirst', 'byline', 'body', 'caption', 'credit', 'quote', 'furniture'),
    story: maybe(reference('story', 'goes')),
    body: { is: 'body' },
    picture: maybe(reference('picture', 'forgets')),
    source: maybe(withWhat({ text: reference('text', 'forgets'), words: words(5000) })),
  },
};
