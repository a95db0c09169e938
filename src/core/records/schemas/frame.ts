import Joi from 'joi';
import { boxSchema, idSchema, lineSchema, orderSchema, pointsSchema, recordSchema, sizeSchema } from './common';
import { SLOT_TAKES } from '../frame';
import { strokeSchema } from './characterStyle';

const side = Joi.number().min(0).max(720);

export const lengthsSchema = Joi.alternatives(
  side,
  Joi.object({ top: side.required(), right: side.required(), bottom: side.required(), left: side.required() }),
);

const layoutSchema = {
  columns: Joi.number().integer().min(1).max(40).required(),
  gutter: sizeSchema.required(),
  inset: lengthsSchema.required(),
  grows: Joi.boolean().required(),
  ignoresWraps: Joi.boolean().required(),
  align: Joi.valid('top', 'centre', 'bottom', 'spread').required(),
  spreadMost: sizeSchema,
  balanced: Joi.boolean(),
  firstBaseline: Joi.alternatives(Joi.valid('ascent', 'capHeight', 'leading'), sizeSchema),
  fitsWidth: Joi.boolean(),
  turns: Joi.valid(0, 1, 2, 3),
  jumpTo: idSchema,
  jumpFrom: idSchema,
};

const content = Joi.alternatives().conditional('.type', {
  switch: [
    {
      is: 'text',
      then: Joi.object({
        type: Joi.valid('text').required(),
        text: idSchema.required(),
        order: orderSchema.required(),
        ...layoutSchema,
      }),
    },
    {
      is: 'picture',
      then: Joi.object({
        type: Joi.valid('picture').required(),
        picture: idSchema,
        fit: Joi.valid('fill', 'fit').required(),
        focus: Joi.object({ x: Joi.number().min(0).max(1).required(), y: Joi.number().min(0).max(1).required() }).required(),
      }),
    },
    {
      is: 'slot',
      then: Joi.object({
        type: Joi.valid('slot').required(),
        takes: Joi.valid(...SLOT_TAKES).required(),
        set: idSchema.required(),
        name: lineSchema.required(),
        order: orderSchema.required(),
        layout: Joi.object(layoutSchema).required(),
      }),
    },
    {
      is: 'advertisement',
      then: Joi.object({ type: Joi.valid('advertisement').required(), advertisement: idSchema }),
    },
    { is: 'panel', then: Joi.object({ type: Joi.valid('panel').required() }) },
    { is: 'rule', then: Joi.object({ type: Joi.valid('rule').required(), weight: sizeSchema.required() }) },
  ],
  otherwise: Joi.forbidden(),
});

const shape = Joi.alternatives().conditional('.type', {
  switch: [
    { is: 'rectangle', then: Joi.object({ type: Joi.valid('rectangle').required() }) },
    { is: 'rounded', then: Joi.object({ type: Joi.valid('rounded').required(), radius: sizeSchema.required() }) },
    { is: 'ellipse', then: Joi.object({ type: Joi.valid('ellipse').required() }) },
    {
      is: 'polygon',
      then: Joi.object({
        type: Joi.valid('polygon').required(),
        points: Joi.array().min(6).max(4000).items(Joi.number().min(-1).max(2)).required(),
      }),
    },
  ],
  otherwise: Joi.forbidden(),
});

export const wrapSchema = Joi.object({
  mode: Joi.valid('none', 'frame', 'outline', 'clear').required(),
  standOff: lengthsSchema.required(),
  outline: Joi.valid('alpha', 'background', 'shape', 'glyphs').required(),
  side: Joi.valid('both', 'left', 'right', 'wider'),
});

const share = Joi.number().min(0).max(1);

export const frameSchema = recordSchema('frame', {
  on: idSchema.required(),
  side: Joi.valid('left', 'right', 'both').required(),
  box: boxSchema.required(),
  order: orderSchema.required(),
  content: content.required(),
  wrap: wrapSchema.required(),
  fill: Joi.object({ swatch: idSchema.required(), tint: share.required() }),
  shape,
  border: strokeSchema,
  rotation: Joi.number().min(-360).max(360),
  opacity: share,
  shadow: Joi.object({
    dx: pointsSchema.required(),
    dy: pointsSchema.required(),
    blur: Joi.number().min(0).max(200).required(),
    swatch: idSchema.required(),
    opacity: share.required(),
  }),
  group: idSchema,
  of: idSchema,
});
