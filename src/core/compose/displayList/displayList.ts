import type { Blend } from '../../colour/blend';
import type { Ink } from '../../colour/ink';
import type { Box, Point } from '../../geometry/box';
import type { Matrix } from '../../geometry/matrix';
import type { Adjusted } from '../../pictures/adjusting';
import type { Outline } from '../../geometry/outline';
import type { Path } from '../../geometry/path';
import type { LetterGradient } from '../../records/characterStyle';
import type { ParagraphPanel } from '../../records/paragraphStyle';
import type { Shaped } from '../../type/shaper';

/**
 * The display list: what there is to see on a page, placed to the point, in the order of painting. Painters draw
 * it and decide nothing. All lengths are points; coordinates are the page's, from its trim's top left corner, or
 * those of the item's own `transform`.
 */
export interface PageList {
  readonly page: string;
  readonly number: number;
  readonly side: 'left' | 'right';
  readonly width: number;
  readonly height: number;
  readonly bleed: number;
  readonly items: readonly Item[];
  /** How many of them, from the first, its master shows: what reaches over the spine lies above these on either page. */
  readonly furniture: number;
}

export type Item = TextItem | PictureItem | AreaItem | EmptyItem | BrokenItem;

/** What letters look like: shared by all runs that look alike. */
export interface Look {
  readonly face: string;
  readonly size: number;
  /** Points a font unit is worth. */
  readonly scale: number;
  /** Added after each glyph, points. */
  readonly tracking: number;
  /** Above the line's baseline by this much; negative: below. */
  readonly rise: number;
  readonly features: string;
  readonly language: string;
  readonly ink: Ink;
  /** No face has these characters: a box stands for each of them, from the baseline to the height of a capital. */
  readonly absent: boolean;
  /** What the ink runs into, from its top downwards or along its line; undefined where letters are all of one. */
  readonly ramp: { readonly way: LetterGradient['way']; readonly stops: Ramp['stops'] } | undefined;
  /** A line around each letter, behind it, standing out by `weight`. */
  readonly outline: { readonly weight: number; readonly ink: Ink } | undefined;
}

/** A run of glyphs of one look, a word or a part of one, on a baseline. */
export interface Run {
  /** From the line's own x. */
  readonly x: number;
  readonly text: string;
  readonly shaped: Shaped;
  readonly look: Look;
  /** It is written from right to left. */
  readonly rightToLeft: boolean;
  /** Below the line's baseline by this much: a drop cap hangs. */
  readonly drop: number;
  /** Positions from the start of the paragraph's content; equal for what the typesetter added (a bullet). */
  readonly from: number;
  readonly to: number;
  /** True for a hyphen at a line's end, a bullet, a leader: what is not in the text. */
  readonly added: boolean;
  /** From where it stands in its line to where it is seen, of a line that follows a curve. */
  readonly turn?: Matrix | undefined;
}

/** Something drawn with a line that is no letter: a rule, an underline, a cell's tint, a picture in the text. */
export type LineMark = { readonly box: Box; readonly turn?: Run['turn'] } & (
  { readonly type: 'area'; readonly ink: Ink; readonly over: boolean } | { readonly type: 'picture'; readonly picture: string }
);

export interface Line {
  readonly x: number;
  readonly baseline: number;
  /** Of the space it was given. */
  readonly width: number;
  /** Of what is set in it. */
  readonly natural: number;
  /** Word space as a share of the face's own; 1 where the line has none. */
  readonly wordSpace: number;
  /** Added after each glyph for justification, points, and the width of glyphs as a share of their own. */
  readonly letterSpace: number;
  readonly glyphScale: number;
  readonly hyphenated: boolean;
  /** Its text is longer than its space, even with the least word space. */
  readonly overfull: boolean;
  readonly lastOfParagraph: boolean;
  readonly ascent: number;
  readonly descent: number;
  readonly runs: readonly Run[];
  /** In coordinates whose origin is the line's x and baseline. */
  readonly marks: readonly LineMark[] | undefined;
  /** Of its paragraph; the first line of a column that has it carries the mark for it. */
  readonly panel: Panel | undefined;
}

/** An area behind the lines of paragraphs; the same object for paragraphs whose areas are one. */
export interface Panel {
  readonly ink: Ink;
  readonly width: ParagraphPanel['width'];
  readonly beside: number;
  readonly above: number;
}

/** From a letter's top to its foot, of its size: where a gradient runs downwards. */
const CAPITAL = 0.72;

/** What the letters of a run are filled with, in the coordinates of their line; undefined where that is one ink. */
export function letterRamp({ look, drop }: Run, line: Line): Ramp | undefined {
  if (!look.ramp) return undefined;
  const { way, stops } = look.ramp;
  const foot = line.baseline + drop - look.rise;
  return way === 'right'
    ? { form: 'linear', from: { x: line.x, y: foot }, to: { x: line.x + line.natural, y: foot }, stops }
    : { form: 'linear', from: { x: line.x, y: foot - CAPITAL * look.size }, to: { x: line.x, y: foot }, stops };
}

/** Width in points of a run as it is set in its line. */
export const runWidth = (run: Run, line: Pick<Line, 'letterSpace' | 'glyphScale'>): number =>
  (run.shaped.width * run.look.scale + run.shaped.glyphs.length * (run.look.tracking + line.letterSpace)) * line.glyphScale;

/** How an item is shown as a whole. */
export interface Showing {
  /** From the item's own coordinates to the page's; undefined where they are the same. */
  readonly transform?: Matrix | undefined;
  /** 0 to 1; undefined for 1. */
  readonly opacity?: number | undefined;
  /** How its colours mix with what lies under it; undefined where it covers that. */
  readonly blend?: Blend | undefined;
  /** Where it grows fainter; undefined where it does not. */
  readonly veil?: Veil | undefined;
}

export interface TextItem extends Showing {
  readonly type: 'text';
  readonly frame: string;
  readonly text: string;
  /** In the item's own coordinates. */
  readonly box: Box;
  readonly columns: readonly TextColumn[];
}

export interface TextColumn {
  readonly box: Box;
  readonly lines: readonly Line[];
  /** For each line: which paragraph of the text it belongs to; −1 for what belongs to none. */
  readonly paragraphs: readonly number[];
}

export interface PictureItem extends Showing {
  readonly type: 'picture';
  readonly frame: string;
  readonly picture: string;
  /** The frame, which clips the picture. */
  readonly box: Box;
  /** Where the whole picture lies, before it is turned and mirrored. */
  readonly placed: Box;
  /** Turns and mirrors it inside its frame; undefined where it is upright. */
  readonly inner: Matrix | undefined;
  /** What becomes of its pixels; undefined where they are shown as they are. */
  readonly adjusted: Adjusted | undefined;
  /** What of it is seen, where that is not the box: the frame's shape, or the outline text runs around. */
  readonly clip: Contour | undefined;
}

/** An area of colour, a line along its edge, or what it throws around or into itself. */
export interface AreaItem extends Showing {
  readonly type: 'area';
  readonly frame: string;
  readonly part: 'fill' | 'border' | 'shadow' | 'innerShadow' | 'glow';
  readonly box: Box;
  readonly contour: Contour;
  readonly ink: Ink;
  /** What its colour runs into; undefined where it is all of one. */
  readonly ramp?: Ramp | undefined;
  /** Width of the line along the edge; 0 fills the area. */
  readonly stroke: number;
  /** Width of the soft edge, points. */
  readonly blur: number;
  /** What of it is seen, where that is not all. */
  readonly clip?: Contour | undefined;
}

/** Colours that run into one another along a way, or from a middle outwards; beyond its ends they stay. */
export interface Ramp {
  readonly form: 'linear' | 'radial';
  readonly from: Point;
  readonly to: Point;
  /** From 0 to 1 along the way, in their order. */
  readonly stops: readonly { readonly at: number; readonly ink: Ink }[];
}

/** How what a frame shows grows fainter: towards one side, or towards its edge. In the page's coordinates. */
export interface Veil {
  /** From the veil's own coordinates to the page's; undefined where they are the same. */
  readonly transform: Matrix | undefined;
  /** Where all of it is there, and where nothing is left. */
  readonly fade: { readonly from: Point; readonly to: Point } | undefined;
  /** It is there inside an edge that is soft over so many points, as an area's is. */
  readonly feather: { readonly contour: Contour; readonly blur: number } | undefined;
}

/** The edge of an area: rounded by `radius`, or any outline, with curves where it is a path; an ellipse fills its box. */
export type Contour =
  | { readonly type: 'rectangle'; readonly box: Box; readonly radius: number }
  | { readonly type: 'ellipse'; readonly box: Box }
  | { readonly type: 'outline'; readonly outline: Outline }
  | { readonly type: 'path'; readonly path: Path };

/** A frame that waits for its content: shown on the desk, absent from what is printed. */
export interface EmptyItem extends Showing {
  readonly type: 'empty';
  readonly frame: string;
  readonly box: Box;
}

/** A frame that could not be composed, and why: the document is not what it should be there. */
export interface BrokenItem extends Showing {
  readonly type: 'broken';
  readonly frame: string;
  readonly box: Box;
  readonly why: string;
}
