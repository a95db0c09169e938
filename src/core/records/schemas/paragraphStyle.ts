import Joi from 'joi';
import { idSchema, lineSchema, pointsSchema, recordSchema, sizeSchema } from './common';
import { characterFields, tintSchema } from './characterStyle';

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
