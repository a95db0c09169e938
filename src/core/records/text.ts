import Joi from 'joi';
import { type Stroke, strokeSchema, tintSchema } from './characterStyle';
import { idSchema, recordSchema, type RecordBase } from './common';
import { DETAIL_NAMES, type DetailName } from './details';
import { type Lengths, lengthsSchema } from './frame';
import type { StartIn } from './paragraphStyle';

/** What a text is in its story; a furniture text (a folio, say) belongs to none. */
export type TextRole = 'headline' | 'standfirst' | 'byline' | 'body' | 'caption' | 'credit' | 'quote' | 'furniture';

export interface Mark {
  readonly type: 'emphasis' | 'strong' | 'superscript' | 'subscript' | 'link' | 'character';
  readonly attrs?: { readonly href?: string; readonly style?: string };
}

/** An inline node of a body, in the JSON form of a ProseMirror document. */
export interface InlineNode {
  readonly type: 'text' | 'lineBreak' | 'field' | 'picture';
  readonly text?: string;
  readonly marks?: readonly Mark[];
  readonly attrs?: FieldAttrs | InlinePictureAttrs;
}

/** A field shows something that is known elsewhere: a page's number, or something of the issue. */
export interface FieldAttrs {
  readonly name: FieldName;
  /** The story that is meant, where that is not the one the field stands in; its first page, for `folio`. */
  readonly of?: string;
}

/** A picture that stands in the line like a letter, as high as said (points); its width follows. */
export interface InlinePictureAttrs {
  readonly picture: string;
  readonly height: number;
  /** Of its foot above the baseline. */
  readonly rise?: number;
}

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

export interface ParagraphNode {
  readonly type: 'paragraph';
  readonly attrs: {
    /** Id of the paragraph style. */
    readonly style: string;
    readonly list?: { readonly kind: 'bullet' | 'number'; readonly level: number; readonly number?: number };
    /** The paragraph begins at the top of the next column, frame or page, whatever its style says. */
    readonly startIn?: StartIn;
    /** Set once for every story on the pages, in their order, its fields saying what they say of it: a contents list. */
    readonly each?: 'story';
  };
  readonly content?: readonly InlineNode[];
}

/** A picture between paragraphs that travels with the text. */
export interface FigureNode {
  readonly type: 'figure';
  readonly attrs: {
    readonly picture: string;
    /** Points; the column's width when not said. */
    readonly width?: number;
    readonly align?: 'left' | 'centre' | 'right';
  };
}

export interface TableCellNode {
  readonly type: 'cell';
  readonly attrs?: {
    /** Columns and rows it takes; 1 when not said. */
    readonly across?: number;
    readonly down?: number;
    readonly align?: 'top' | 'centre' | 'bottom';
    readonly fill?: { readonly swatch: string; readonly tint: number };
  };
  readonly content: readonly ParagraphNode[];
}

export interface TableRowNode {
  readonly type: 'row';
  readonly content: readonly TableCellNode[];
}

export interface TableNode {
  readonly type: 'table';
  readonly attrs: {
    /** A fixed width in points, or a share of what the fixed ones leave. */
    readonly columns: readonly ({ readonly points: number } | { readonly share: number })[];
    /** Rows at the head that are set again in every column the table reaches into. */
    readonly headerRows: number;
    readonly inset: Lengths;
    /** Between rows, between columns, around the whole, and under the header rows. */
    readonly rules?: {
      readonly rows?: Stroke;
      readonly columns?: Stroke;
      readonly around?: Stroke;
      readonly head?: Stroke;
    };
    readonly headFill?: { readonly swatch: string; readonly tint: number };
    /** Every other row under the header. */
    readonly stripe?: { readonly swatch: string; readonly tint: number };
  };
  readonly content: readonly TableRowNode[];
}

export type BlockNode = ParagraphNode | FigureNode | TableNode;

/** A text's body: a run of paragraphs, tables and pictures. The schema is `bodySchema` in `body.ts`. */
export interface BodyNode {
  readonly type: 'doc';
  readonly content: readonly BlockNode[];
}

export interface TextRecord extends RecordBase<'text'> {
  readonly role: TextRole;
  readonly story?: string | undefined;
  readonly body: BodyNode;
  /** For a pull quote: the text it was taken from, and its words there. */
  readonly source?: { readonly text: string; readonly words: string } | undefined;
}

const marks = Joi.array()
  .max(8)
  .items(
    Joi.object({
      type: Joi.valid('emphasis', 'strong', 'superscript', 'subscript', 'link', 'character').required(),
      attrs: Joi.object({ href: Joi.string().max(2000), style: idSchema }),
    }),
  );

export const FIELD_NAMES: readonly FieldName[] = [
  'folio',
  'nextFolio',
  'previousFolio',
  'publication',
  'number',
  'season',
  'date',
  'section',
  'story',
  'standfirst',
  ...DETAIL_NAMES,
];

const inline = Joi.object({
  type: Joi.valid('text', 'lineBreak', 'field', 'picture').required(),
  text: Joi.string().max(2_000_000),
  marks,
  attrs: Joi.alternatives(
    Joi.object({ name: Joi.valid(...FIELD_NAMES).required(), of: idSchema }),
    Joi.object({
      picture: idSchema.required(),
      height: Joi.number().min(1).max(2000).required(),
      rise: Joi.number().min(-2000).max(2000),
    }),
  ),
});

const paragraph = Joi.object({
  type: Joi.valid('paragraph').required(),
  attrs: Joi.object({
    style: idSchema.required(),
    list: Joi.object({
      kind: Joi.valid('bullet', 'number').required(),
      level: Joi.number().integer().min(0).max(1000).required(),
      number: Joi.number().integer().min(0),
    }),
    startIn: Joi.valid('column', 'frame', 'page', 'oddPage'),
    each: Joi.valid('story'),
  }).required(),
  content: Joi.array().items(inline),
});

const figure = Joi.object({
  type: Joi.valid('figure').required(),
  attrs: Joi.object({
    picture: idSchema.required(),
    width: Joi.number().min(1).max(20000),
    align: Joi.valid('left', 'centre', 'right'),
  }).required(),
});

const area = Joi.object({ swatch: idSchema.required(), tint: tintSchema.required() });
const span = Joi.number().integer().min(1).max(100);

const table = Joi.object({
  type: Joi.valid('table').required(),
  attrs: Joi.object({
    columns: Joi.array()
      .min(1)
      .max(100)
      .items(
        Joi.object({ points: Joi.number().min(0).max(20000).required() }),
        Joi.object({ share: Joi.number().positive().max(1000).required() }),
      )
      .required(),
    headerRows: Joi.number().integer().min(0).max(20).required(),
    inset: lengthsSchema.required(),
    rules: Joi.object({ rows: strokeSchema, columns: strokeSchema, around: strokeSchema, head: strokeSchema }),
    headFill: area,
    stripe: area,
  }).required(),
  content: Joi.array()
    .min(1)
    .max(5000)
    .items(
      Joi.object({
        type: Joi.valid('row').required(),
        content: Joi.array()
          .max(100)
          .items(
            Joi.object({
              type: Joi.valid('cell').required(),
              attrs: Joi.object({ across: span, down: span, align: Joi.valid('top', 'centre', 'bottom'), fill: area }),
              content: Joi.array().items(paragraph).min(1).required(),
            }),
          )
          .required(),
      }),
    )
    .required(),
});

const block = Joi.alternatives().conditional('.type', {
  switch: [
    { is: 'paragraph', then: paragraph },
    { is: 'figure', then: figure },
    { is: 'table', then: table },
  ],
  otherwise: Joi.forbidden(),
});

export const textSchema = recordSchema('text', {
  role: Joi.valid('headline', 'standfirst', 'byline', 'body', 'caption', 'credit', 'quote', 'furniture').required(),
  story: idSchema,
  body: Joi.object({ type: Joi.valid('doc').required(), content: Joi.array().items(block).min(1).required() }).required(),
  source: Joi.object({ text: idSchema.required(), words: Joi.string().max(5000).required() }),
});
