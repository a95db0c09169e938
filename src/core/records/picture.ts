import type { Point } from '../geometry/box';
import type { Outline } from '../geometry/outline';
import type { RecordBase } from './common';
import {
  type Field,
  figure,
  type Kind,
  LINE,
  list,
  maybe,
  oneOf,
  ORDER,
  parts,
  reference,
  SHARE,
  whole,
  words,
  YES_OR_NO,
} from './kind';

/** What a picture's file may be. */
export const MEDIA = [
  'image/jpeg',
  'image/png',
  'image/webp',
  'image/tiff',
  'image/avif',
  'image/gif',
  'image/svg+xml',
  'application/pdf',
  'application/postscript',
] as const;

export type PictureMedia = (typeof MEDIA)[number];

/** What a file chooser offers. */
export const PICTURE_ENDINGS = '.jpg,.jpeg,.png,.webp,.tif,.tiff,.avif,.gif,.svg,.pdf,.eps';

/** Lines and areas rather than pixels: as fine as it is printed. */
export const isDrawing = ({ media }: { readonly media: PictureMedia }): boolean =>
  media === 'image/svg+xml' || media === 'application/pdf' || media === 'application/postscript';

/** A picture the issue owns. The file itself is a blob, named by its SHA-256. */
export interface PictureRecord extends RecordBase<'picture'> {
  readonly name: string;
  readonly order: string;
  readonly blob: string;
  readonly media: PictureMedia;
  /** Pixels; for a drawing the size it asks for: CSS pixels of an SVG, points of a page of PDF or EPS. */
  readonly width: number;
  readonly height: number;
  readonly colour: 'rgb' | 'cmyk' | 'grey';
  /** Bits a channel, where they are not 8. */
  readonly depth?: 16 | undefined;
  /** What its colour profile calls itself; undefined where it carries none. */
  readonly profile?: string | undefined;
  readonly transparent: boolean;
  /** Of a PDF: which of its pages it is, from 1. */
  readonly page?: number | undefined;
  readonly pages?: number | undefined;
  /** Of a drawing that no browser shows: a picture of it. */
  readonly preview?: string | undefined;
  /** Of an EPS: the same as a page of PDF. */
  readonly drawing?: string | undefined;
  /** The place that every automatic crop keeps, in the unit square; its middle when not said. */
  readonly focus?: Point | undefined;
  /** Traced outlines in the unit square of the picture. */
  readonly outlines: { readonly alpha?: Outline | undefined; readonly background?: Outline | undefined };
  readonly caption: string;
  readonly credit: string;
  /** What it shows, in words for those who do not see it. */
  readonly alternative?: string | undefined;
  /** Who may use it for what, as its file or its agency says. */
  readonly rights?: string | undefined;
  /** The picture agency's name for it, and which version of it this is. */
  readonly source?: { readonly uri: string; readonly version: string } | undefined;
  /** The story that it came with. */
  readonly story?: string | undefined;
}

/** Rings of an outline in a unit square. */
/** What an outline has at most, and its rings at least and at most, in numbers: a triangle's are six. */
export const MOST_RINGS = 200;
export const FEWEST_NUMBERS = 6;
export const MOST_NUMBERS = 4000;

export const RINGS: Field = list(list(figure(-1, 2), MOST_NUMBERS, FEWEST_NUMBERS), MOST_RINGS);

const OUTLINE = maybe(RINGS);

export const PICTURE: Kind<PictureRecord> = {
  called: 'picture',
  offered: 'Picture',
  fields: {
    name: LINE,
    order: ORDER,
    blob: { is: 'hash' },
    media: oneOf(...MEDIA),
    width: figure(0.001, 100_000),
    height: figure(0.001, 100_000),
    colour: oneOf('rgb', 'cmyk', 'grey'),
    depth: maybe(oneOf(16)),
    profile: maybe(LINE),
    transparent: YES_OR_NO,
    page: maybe(whole(1, 100_000)),
    pages: maybe(whole(1, 100_000)),
    preview: maybe({ is: 'hash' }),
    drawing: maybe({ is: 'hash' }),
    focus: maybe(parts({ x: SHARE, y: SHARE })),
    outlines: parts({ alpha: OUTLINE, background: OUTLINE }),
    caption: words(2000),
    credit: LINE,
    alternative: maybe(words(2000)),
    rights: maybe(LINE),
    source: maybe(parts({ uri: LINE, version: words(40) })),
    story: maybe(reference('story', 'forgets')),
  },
};
