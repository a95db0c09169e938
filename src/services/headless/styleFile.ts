import Joi from 'joi';
import type { CharacterProperties } from '@/core/records/characterStyle';
import type { FrameRecord, TextContent, Wrap } from '@/core/records/frame';
import type { ParagraphProperties } from '@/core/records/paragraphStyle';
import { LAYOUT, WRAP } from '@/core/properties/frame';
import { SCHEMAS } from '@/core/records/schemas';
import { fieldsOf } from '@/core/records/schemas/fromTable';
import { COPY_STYLES } from '@/core/plan/copyStyles';
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

const properties = (kind: 'paragraphStyle' | 'characterStyle'): Joi.Schema => SCHEMAS[kind].extract('properties').optional();
const styles = (of: Joi.Schema) => Joi.object().pattern(/^[A-Za-z0-9_-]{1,40}$/, of);
const frameFields = (...names: string[]) =>
  Joi.object(Object.fromEntries(names.map((name) => [name, SCHEMAS.frame.extract(name).optional()])));

// The one frame that `render` makes is as high as it is told, and its type as large.
const { grows: _, fitsWidth: __, ...layout } = LAYOUT;

const schema = Joi.object({
  paragraphs: Joi.object(Object.fromEntries(Object.values(COPY_STYLES).map((id) => [id, properties('paragraphStyle')]))),
  characters: styles(properties('characterStyle')),
  swatches: styles(SCHEMAS.swatch.extract('cmyk')),
  text: Joi.object(fieldsOf(layout)),
  frame: frameFields('shape', 'fill', 'border', 'rotation', 'opacity', 'shadow'),
  picture: frameFields('shape', 'border', 'rotation', 'opacity', 'shadow'),
  wrap: Joi.object({ ...fieldsOf(WRAP), outline: Joi.valid('alpha', 'background', 'shape') }),
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
