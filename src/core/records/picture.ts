import type { Outline } from '../geometry/outline';
import type { RecordBase } from './common';
import { figure, type Kind, LINE, list, maybe, oneOf, ORDER, parts, reference, words, YES_OR_NO } from './kind';

/** A picture the issue owns. The file itself is a blob, named by its SHA-256. */
export interface PictureRecord extends RecordBase<'picture'> {
  readonly name: string;
  readonly order: string;
  readonly blob: string;
  readonly media: 'image/jpeg' | 'image/png' | 'image/webp' | 'image/svg+xml';
  /** Pixels; for SVG the size it asks for. */
  readonly width: number;
  readonly height: number;
  readonly colour: 'rgb' | 'cmyk' | 'grey';
  readonly transparent: boolean;
  /** Traced outlines in the unit square of the picture. */
  readonly outlines: { readonly alpha?: Outline | undefined; readonly background?: Outline | undefined };
  readonly caption: string;
  readonly credit: string;
  /** The story that it came with. */
  readonly story?: string | undefined;
}

/** Rings of a traced outline, in the unit square of the picture. */
const OUTLINE = maybe(list(list(figure(-1, 2), 4000, 6), 200));

export const PICTURE: Kind<PictureRecord> = {
  called: 'picture',
  offered: 'Picture',
  fields: {
    name: LINE,
    order: ORDER,
    blob: { is: 'hash' },
    media: oneOf('image/jpeg', 'image/png', 'image/webp', 'image/svg+xml'),
    width: figure(0.001, 100_000),
    height: figure(0.001, 100_000),
    colour: oneOf('rgb', 'cmyk', 'grey'),
    transparent: YES_OR_NO,
    outlines: parts({ alpha: OUTLINE, background: OUTLINE }),
    caption: words(2000),
    credit: LINE,
    story: maybe(reference('story', 'forgets')),
  },
};
