import { generateKeyBetween } from 'fractional-indexing';
import { type Box, grown } from '../geometry/box';
import { cmykToRgbHex } from '../colour/cmyk';
import { lightOf, luminance } from '../colour/contrast';
import type { Diff } from '../records/diff';
import { all, type Document, framesOn, get } from '../records/document';
import type { SwatchRecord } from '../records/index';
import { ActionError, Edit } from './edit';
import { NO_WRAP, putFrame } from './frames';

/** Points that a panel stands out around the words on it. */
const AROUND = 6;

export interface PanelBehind {
  readonly frame: string;
  readonly tone: 'dark' | 'light';
  /** 0 to 1. */
  readonly opacity: number;
  /** Where the words are: a frame that grows is as high as they are. */
  readonly box: Box;
}

/** The darkest or the lightest colour that a document has. */
export function swatchOfTone(document: Document, tone: 'dark' | 'light'): SwatchRecord | undefined {
  const light = ({ cmyk }: SwatchRecord): number => luminance(lightOf(cmykToRgbHex(cmyk)));
  return [...all(document, 'swatch')].sort((a, b) => (tone === 'dark' ? light(a) - light(b) : light(b) - light(a)))[0];
}

/**
 * Puts a panel behind words that cannot be read on what they lie on, in the darkest or the lightest colour there is.
 * @throws ActionError where the document has no colours
 */
export function putPanelBehind(document: Document, { frame: id, tone, opacity, box }: PanelBehind): Diff {
  const edit = new Edit(document);
  const frame = get(document, 'frame', id);
  const chosen = swatchOfTone(document, tone);
  if (!chosen) throw new ActionError('There is no colour for a panel.');
  const others = framesOn(document, frame.on);
  const below = others[others.findIndex((each) => each.id === id) - 1];
  const order =
    below && below.order < frame.order ? generateKeyBetween(below.order, frame.order) : generateKeyBetween(null, frame.order);
  putFrame(edit, frame.on, grown(box, AROUND), { type: 'panel' }, NO_WRAP, {
    order,
    opacity,
    fill: { swatch: chosen.id, tint: 1 },
    ...(frame.rotation === undefined ? {} : { rotation: frame.rotation }),
  });
  return edit.diff();
}
