import type { Box } from '../geometry/box';
import type { Outline } from '../geometry/outline';
import type { Shaped } from '../type/shaper';

/**
 * The display list: what there is to see on a page, placed to the point, in the order of painting. Painters draw
 * it and decide nothing. All lengths are points; coordinates are the page's, from its trim's top left corner.
 */
export interface PageList {
  readonly page: string;
  readonly number: number;
  readonly side: 'left' | 'right';
  readonly width: number;
  readonly height: number;
  readonly bleed: number;
  readonly items: readonly Item[];
}

export type Item = TextItem | PictureItem | AreaItem | EmptyItem;

/** A run of glyphs of one face and size, a word or a part of one, on a baseline. */
export interface Run {
  readonly x: number;
  /** Above the line's baseline by this much (negative: below). */
  readonly rise: number;
  readonly text: string;
  readonly shaped: Shaped;
  readonly face: string;
  readonly size: number;
  /** Added after each glyph, points. */
  readonly tracking: number;
  readonly features: string;
  readonly ink: Ink;
  /** Positions from the start of the paragraph's content; equal for what the typesetter added (a bullet). */
  readonly from: number;
  readonly to: number;
  /** True for a hyphen at a line's end that is not in the text. */
  readonly added: boolean;
}

export interface Line {
  readonly x: number;
  readonly baseline: number;
  /** Of the space it was given. */
  readonly width: number;
  /** Of what is set in it. */
  readonly natural: number;
  /** Word space as a share of the face's own; 1 where the line has none. */
  readonly wordSpace: number;
  readonly hyphenated: boolean;
  /** Its text is longer than its space, even with the least word space. */
  readonly overfull: boolean;
  readonly lastOfParagraph: boolean;
  readonly ascent: number;
  readonly descent: number;
  readonly runs: readonly Run[];
}

export interface TextItem {
  readonly type: 'text';
  readonly frame: string;
  readonly text: string;
  readonly box: Box;
  readonly columns: readonly TextColumn[];
}

export interface TextColumn {
  readonly box: Box;
  readonly lines: readonly Line[];
  /** For each line: which paragraph of the text it belongs to. */
  readonly paragraphs: readonly number[];
}

export interface PictureItem {
  readonly type: 'picture';
  readonly frame: string;
  readonly picture: string;
  /** The frame, which clips the picture. */
  readonly box: Box;
  /** Where the whole picture lies. */
  readonly placed: Box;
  /** What of it is seen, where that is not all: its outline, when text runs around what stands before a plain background. */
  readonly outline: Outline | undefined;
}

export interface AreaItem {
  readonly type: 'area';
  readonly frame: string;
  readonly box: Box;
  readonly ink: Ink;
}

/** A frame that waits for its content: shown on the desk, absent from what is printed. */
export interface EmptyItem {
  readonly type: 'empty';
  readonly frame: string;
  readonly box: Box;
}

/** A colour as it prints and as it shows: CMYK 0 to 1, and the sRGB hex the screen takes. */
export interface Ink {
  readonly cmyk: readonly [number, number, number, number];
  readonly rgb: string;
}
