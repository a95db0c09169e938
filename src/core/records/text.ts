import Joi from 'joi';
import { idSchema, recordSchema, type RecordBase } from './common';

/** What a text is in its story; a furniture text (a folio, say) belongs to none. */
export type TextRole = 'headline' | 'standfirst' | 'byline' | 'body' | 'caption' | 'credit' | 'quote' | 'furniture';

export interface Mark {
  readonly type: 'emphasis' | 'strong' | 'superscript' | 'subscript' | 'link' | 'character';
  readonly attrs?: { readonly href?: string; readonly style?: string };
}

/** An inline node of a body, in the JSON form of a ProseMirror document. */
export interface InlineNode {
  readonly type: 'text' | 'lineBreak' | 'field';
  readonly text?: string;
  readonly marks?: readonly Mark[];
  readonly attrs?: { readonly name: FieldName };
}

/** What a field shows: the page's number, or something of the issue. */
export type FieldName = 'folio' | 'publication' | 'number' | 'season';

export interface ParagraphNode {
  readonly type: 'paragraph';
  readonly attrs: {
    /** Id of the paragraph style. */
    readonly style: string;
    readonly list?: { readonly kind: 'bullet' | 'number'; readonly level: number; readonly number?: number };
    /** The paragraph begins at the top of the next column, frame or page. */
    readonly startIn?: 'column' | 'frame' | 'page';
  };
  readonly content?: readonly InlineNode[];
}

/** A text's body: a flat run of paragraphs. The schema is `bodySchema` in `body.ts`. */
export interface BodyNode {
  readonly type: 'doc';
  readonly content: readonly ParagraphNode[];
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

const inline = Joi.object({
  type: Joi.valid('text', 'lineBreak', 'field').required(),
  text: Joi.string().max(2_000_000),
  marks,
  attrs: Joi.object({ name: Joi.valid('folio', 'publication', 'number', 'season').required() }),
});

const paragraph = Joi.object({
  type: Joi.valid('paragraph').required(),
  attrs: Joi.object({
    style: idSchema.required(),
    list: Joi.object({
      kind: Joi.valid('bullet', 'number').required(),
      level: Joi.number().integer().min(0).max(8).required(),
      number: Joi.number().integer().min(0),
    }),
    startIn: Joi.valid('column', 'frame', 'page'),
  }).required(),
  content: Joi.array().items(inline),
});

export const textSchema = recordSchema('text', {
  role: Joi.valid('headline', 'standfirst', 'byline', 'body', 'caption', 'credit', 'quote', 'furniture').required(),
  story: idSchema,
  body: Joi.object({ type: Joi.valid('doc').required(), content: Joi.array().items(paragraph).min(1).required() }).required(),
  source: Joi.object({ text: idSchema.required(), words: Joi.string().max(5000).required() }),
});
