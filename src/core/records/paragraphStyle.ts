import Joi from 'joi';
import { characterFields, type CharacterProperties, type Stroke, tintSchema } from './characterStyle';
import { idSchema, lineSchema, pointsSchema, recordSchema, sizeSchema, type RecordBase } from './common';

/** A rule above or below a paragraph. */
export interface ParagraphRule extends Stroke {
  /** From the first baseline up, or from the last one down, to the rule's nearer edge. */
  readonly offset: number;
  /** As wide as the column, or as the text of the line it stands at. */
  readonly width: 'column' | 'text';
  readonly leftIndent: number;
  readonly rightIndent: number;
}

export interface TabStop {
  /** From the left edge of the column. */
  readonly at: number;
  readonly align: 'left' | 'centre' | 'right' | 'decimal';
  /** Repeated between the text before the tab and the text after it. */
  readonly leader?: string | undefined;
}

export interface DropCap {
  /** Lines it stands beside; its baseline is the last one's, its top the cap height of the first. */
  readonly lines: number;
  readonly letters: number;
  readonly gap: number;
  /** A character style for its letters. */
  readonly style?: string | undefined;
}

/** The beginning of a paragraph in a character style: so many words, or its first line however it breaks. */
export interface LeadIn {
  readonly extent: number | 'line';
  readonly style: string;
}

/** What may give in a justified line, as shares; `best` is what it is set to when nothing has to give. */
export interface Range {
  readonly least: number;
  readonly best: number;
  readonly most: number;
}

/** Limits of hyphenation (CSS Text 4: `hyphenate-limit-chars`, `hyphenate-limit-lines`, `hyphenate-limit-last`). */
export interface HyphenLimits {
  /** Letters of the shortest word that is divided, and the fewest before and after the hyphen. */
  readonly word: number;
  readonly before: number;
  readonly after: number;
  /** Lines in a row that may end in a hyphen. */
  readonly consecutive: number;
  /** Whether a paragraph's last word may be divided, a word across a column's end, a word with capitals. */
  readonly lastWord: boolean;
  readonly acrossColumns: boolean;
  readonly capitals: boolean;
}

/** Where a paragraph starts afresh. */
export type StartIn = 'column' | 'frame' | 'page' | 'oddPage';

/** What a paragraph style can say; what it leaves out comes from the style it is based on. Lengths in points. */
export interface ParagraphProperties extends CharacterProperties {
  readonly leading: number;
  readonly align: 'justify' | 'left' | 'centre' | 'right' | 'towardsSpine' | 'awayFromSpine';
  /** How a justified paragraph's last line stands. */
  readonly lastLine: 'left' | 'centre' | 'right' | 'justify';
  readonly breaking: 'total-fit' | 'first-fit';
  /** Total fit aims at so many lines more or fewer than the best number, for copyfit. */
  readonly looseness: number;
  /** Ems that ragged lines may fall short by before it counts as bad. */
  readonly rag: number;
  readonly hyphens: boolean;
  readonly hyphenLimits: HyphenLimits;
  readonly spaceBefore: number;
  readonly spaceAfter: number;
  readonly firstIndent: number;
  readonly leftIndent: number;
  readonly rightIndent: number;
  readonly tabs: readonly TabStop[];
  readonly ruleAbove: ParagraphRule | null;
  readonly ruleBelow: ParagraphRule | null;
  /** What stands before a bulleted item, and how numbered ones are counted. */
  readonly bullet: string;
  readonly numbering: '1' | 'a' | 'A' | 'i' | 'I';
  readonly onGrid: boolean;
  readonly orphans: number;
  readonly widows: number;
  /** Lines of the next paragraph that must stand under this one in the same column. */
  readonly keepNext: number;
  readonly keepTogether: boolean;
  readonly startIn: StartIn | null;
  /** The paragraph runs across all columns of its frame. */
  readonly spans: boolean;
  readonly dropCap: DropCap | null;
  readonly leadIn: LeadIn | null;
  /** Set behind the last word where this is the last paragraph of a story. */
  readonly endMark: { readonly text: string; readonly style?: string | undefined } | null;
  /** Share of the usual amount by which hyphens and punctuation hang over the column's edges. */
  readonly hanging: number;
  /** As shares of the face's own word space, of an em, and of the glyphs' own width. */
  readonly wordSpace: Range;
  readonly letterSpace: Range;
  readonly glyphScale: Range;
}

export interface ParagraphStyleRecord extends RecordBase<'paragraphStyle'> {
  readonly name: string;
  readonly basedOn?: string | undefined;
  readonly properties: Partial<ParagraphProperties>;
}

const count = (least: number, most: number) => Joi.number().integer().min(least).max(most);

const rule = Joi.object({
  weight: sizeSchema.required(),
  swatch: idSchema.required(),
  tint: tintSchema.required(),
  offset: pointsSchema.required(),
  width: Joi.valid('column', 'text').required(),
  leftIndent: pointsSchema.required(),
  rightIndent: pointsSchema.required(),
}).allow(null);

const range = (least: number, most: number) => {
  const bound = Joi.number().min(least).max(most).required();
  return Joi.object({ least: bound, best: bound.min(Joi.ref('least')), most: bound.min(Joi.ref('best')) });
};

export const paragraphStyleSchema = recordSchema('paragraphStyle', {
  name: lineSchema.required(),
  basedOn: idSchema,
  properties: Joi.object({
    ...characterFields,
    leading: Joi.number().min(1).max(4000),
    align: Joi.valid('justify', 'left', 'centre', 'right', 'towardsSpine', 'awayFromSpine'),
    lastLine: Joi.valid('left', 'centre', 'right', 'justify'),
    breaking: Joi.valid('total-fit', 'first-fit'),
    looseness: count(-10, 10),
    rag: Joi.number().min(0.1).max(50),
    hyphens: Joi.boolean(),
    hyphenLimits: Joi.object({
      word: count(2, 40).required(),
      before: count(1, 20).required(),
      after: count(1, 20).required(),
      consecutive: count(1, 100).required(),
      lastWord: Joi.boolean().required(),
      acrossColumns: Joi.boolean().required(),
      capitals: Joi.boolean().required(),
    }),
    spaceBefore: sizeSchema,
    spaceAfter: sizeSchema,
    firstIndent: pointsSchema,
    leftIndent: sizeSchema,
    rightIndent: sizeSchema,
    tabs: Joi.array()
      .max(40)
      .items(
        Joi.object({
          at: sizeSchema.required(),
          align: Joi.valid('left', 'centre', 'right', 'decimal').required(),
          leader: Joi.string().max(8),
        }),
      ),
    ruleAbove: rule,
    ruleBelow: rule,
    bullet: Joi.string().min(1).max(8),
    numbering: Joi.valid('1', 'a', 'A', 'i', 'I'),
    onGrid: Joi.boolean(),
    orphans: count(1, 20),
    widows: count(1, 20),
    keepNext: count(0, 20),
    keepTogether: Joi.boolean(),
    startIn: Joi.valid('column', 'frame', 'page', 'oddPage').allow(null),
    spans: Joi.boolean(),
    dropCap: Joi.object({
      lines: count(2, 20).required(),
      letters: count(1, 40).required(),
      gap: pointsSchema.required(),
      style: idSchema,
    }).allow(null),
    leadIn: Joi.object({
      extent: Joi.alternatives(count(1, 200), Joi.valid('line')).required(),
      style: idSchema.required(),
    }).allow(null),
    endMark: Joi.object({ text: Joi.string().min(1).max(20).required(), style: idSchema }).allow(null),
    hanging: Joi.number().min(0).max(2),
    wordSpace: range(0.1, 5),
    letterSpace: range(-0.5, 1),
    glyphScale: range(0.5, 2),
  }).required(),
});
