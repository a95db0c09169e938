import Joi from 'joi';
import type { Box } from '../geometry/box';
import { boxSchema, idSchema, orderSchema, recordSchema, sizeSchema, type RecordBase } from './common';

/** How texts of other frames keep away from this one. */
export interface Wrap {
  readonly mode: 'none' | 'frame' | 'outline' | 'clear';
  /** Points between the frame or outline and the text. */
  readonly standOff: number;
  /** Which outline `outline` means; a picture may offer either. */
  readonly outline: 'alpha' | 'background';
}

/** Which master pages' sides a master's frame is for. */
export type Side = 'left' | 'right' | 'both';

export interface TextContent {
  readonly type: 'text';
  readonly text: string;
  /** Place in the thread of that text. */
  readonly order: string;
  readonly columns: number;
  readonly gutter: number;
  readonly inset: number;
  /** The frame is as high as its text. */
  readonly grows: boolean;
  /** The text does not keep away from other frames. */
  readonly ignoresWraps: boolean;
  readonly align: 'top' | 'bottom';
}

export interface PictureContent {
  readonly type: 'picture';
  /** Undefined while the frame waits for its picture. */
  readonly picture?: string | undefined;
  /** `fill` covers the frame, `fit` shows all of the picture. */
  readonly fit: 'fill' | 'fit';
  /** Where the surplus of `fill` goes, 0 to 1: 0 keeps the left or top, ½ the middle. */
  readonly focus: { readonly x: number; readonly y: number };
}

export interface PanelContent {
  readonly type: 'panel';
}

export interface RuleContent {
  readonly type: 'rule';
  readonly weight: number;
}

export type FrameContent = TextContent | PictureContent | PanelContent | RuleContent;

/** A frame: an area on a page or master, and what it shows. */
export interface FrameRecord extends RecordBase<'frame'> {
  /** The page or master it lies on. */
  readonly on: string;
  /** On a master: the pages it shows on. */
  readonly side: Side;
  /** Points from the trim's top left corner; it may reach over the spine. */
  readonly box: Box;
  /** Stacking among the frames of the page, the greatest on top. */
  readonly order: string;
  readonly content: FrameContent;
  readonly wrap: Wrap;
  /** Swatch and tint of the area; of the line, for a rule. */
  readonly fill?: { readonly swatch: string; readonly tint: number } | undefined;
}

const content = Joi.alternatives().conditional('.type', {
  switch: [
    {
      is: 'text',
      then: Joi.object({
        type: Joi.valid('text').required(),
        text: idSchema.required(),
        order: orderSchema.required(),
        columns: Joi.number().integer().min(1).max(40).required(),
        gutter: sizeSchema.required(),
        inset: sizeSchema.required(),
        grows: Joi.boolean().required(),
        ignoresWraps: Joi.boolean().required(),
        align: Joi.valid('top', 'bottom').required(),
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
    { is: 'panel', then: Joi.object({ type: Joi.valid('panel').required() }) },
    { is: 'rule', then: Joi.object({ type: Joi.valid('rule').required(), weight: sizeSchema.required() }) },
  ],
  otherwise: Joi.forbidden(),
});

export const frameSchema = recordSchema('frame', {
  on: idSchema.required(),
  side: Joi.valid('left', 'right', 'both').required(),
  box: boxSchema.required(),
  order: orderSchema.required(),
  content: content.required(),
  wrap: Joi.object({
    mode: Joi.valid('none', 'frame', 'outline', 'clear').required(),
    standOff: Joi.number().min(0).max(720).required(),
    outline: Joi.valid('alpha', 'background').required(),
  }).required(),
  fill: Joi.object({ swatch: idSchema.required(), tint: Joi.number().min(0).max(1).required() }),
});
