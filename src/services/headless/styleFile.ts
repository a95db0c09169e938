import Joi from 'joi';
import { characterStyleSchema } from '@/core/records/schemas/characterStyle';
import type { CharacterProperties } from '@/core/records/characterStyle';
import type { FrameRecord, TextContent, Wrap } from '@/core/records/frame';
import type { ParagraphProperties } from '@/core/records/paragraphStyle';
import { frameSchema } from '@/core/records/schemas/frame';
import { paragraphStyleSchema } from '@/core/records/schemas/paragraphStyle';
import { swatchSchema } from '@/core/records/schemas/swatch';
import { COPY_STYLES } from '@/formats/copy/story';
import { OptionError } from './options';

/**
 * What a style file can say to `render`: properties of the paragraph styles that copy is set in, character styles,
 * how the text's frames are divided and shaped, how text keeps away from the picture, and swatches.
 */
export interface StyleFile {
  readonly paragraphs: Readonly<Record<string, Partial<ParagraphProperties>>>;
  readonly characters: Readonly<Record<string, Partial<CharacterProperties>>>;
  readonly swatches: Readonly<Record<string, readonly [number, number, number, number]>>;
  readonly text: Partial<Omit<TextContent, 'type' | 'text' | 'order' | 'grows'>>;
  readonly frame: Partial<Pick<FrameRecord, 'shape' | 'fill' | 'border' | 'rotation' | 'opacity' | 'shadow'>>;
  readonly picture: Partial<Pick<FrameRecord, 'shape' | 'border' | 'rotation' | 'opacity' | 'shadow'>>;
  readonly wrap: Partial<Wrap>;
}

export const NO_STYLE_FILE: StyleFile = {
  paragraphs: {},
  characters: {},
  swatches: {},
  text: {},
  frame: {},
  picture: {},
  wrap: {},
};

const properties = (schema: Joi.ObjectSchema): Joi.Schema => schema.extract('properties').optional();
const styles = (of: Joi.Schema) => Joi.object().pattern(/^[A-Za-z0-9_-]{1,40}$/, of);
const frameFields = (...names: string[]) =>
  Joi.object(Object.fromEntries(names.map((name) => [name, frameSchema.extract(name).optional()])));

const schema = Joi.object({
  paragraphs: Joi.object(Object.fromEntries(Object.values(COPY_STYLES).map((id) => [id, properties(paragraphStyleSchema)]))),
  characters: styles(properties(characterStyleSchema)),
  swatches: styles(swatchSchema.extract('cmyk')),
  text: Joi.object({
    columns: Joi.number().integer().min(1).max(40),
    gutter: Joi.number().min(0).max(20000),
    inset: Joi.alternatives(
      Joi.number().min(0).max(720),
      Joi.object()
        .pattern(/^(top|right|bottom|left)$/, Joi.number().min(0).max(720))
        .length(4),
    ),
    ignoresWraps: Joi.boolean(),
    align: Joi.valid('top', 'centre', 'bottom', 'spread'),
    spreadMost: Joi.number().min(0).max(20000),
    balanced: Joi.boolean(),
    firstBaseline: Joi.alternatives(Joi.valid('ascent', 'capHeight', 'leading'), Joi.number().min(0).max(20000)),
    turns: Joi.valid(0, 1, 2, 3),
  }),
  frame: frameFields('shape', 'fill', 'border', 'rotation', 'opacity', 'shadow'),
  picture: frameFields('shape', 'border', 'rotation', 'opacity', 'shadow'),
  wrap: Joi.object({
    side: Joi.valid('both', 'left', 'right', 'wider'),
    mode: Joi.valid('none', 'frame', 'outline', 'clear'),
    outline: Joi.valid('alpha', 'background', 'shape'),
    standOff: frameSchema.extract('wrap.standOff').optional(),
  }),
});

/** Reads a style file. @throws OptionError with one sentence that names what is wrong, and where */
export function readStyleFile(name: string, content: string): StyleFile {
  let json: unknown;
  try {
    json = JSON.parse(content);
  } catch {
    throw new OptionError(`The style file “${name}” is not JSON.`);
  }
  const { value, error } = schema.validate(json, { convert: false });
  if (error) throw new OptionError(`The style file “${name}” cannot be used: ${error.message.replace(/"/g, '')}.`);
  return { ...NO_STYLE_FILE, ...(value as Partial<StyleFile>) };
}
