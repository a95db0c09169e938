import type { Blend } from '../colour/blend';
import type { Box, Point } from '../geometry/box';
import type { Outline } from '../geometry/outline';
import type { Stroke } from './characterStyle';
import type { RecordBase } from './common';

/** A length for each side. */
export interface Sides {
  readonly top: number;
  readonly right: number;
  readonly bottom: number;
  readonly left: number;
}

/** One length for all sides, or one for each. */
export type Lengths = number | Sides;

export const sidesOf = (lengths: Lengths): Sides =>
  typeof lengths === 'number' ? { top: lengths, right: lengths, bottom: lengths, left: lengths } : lengths;

/** How texts of other frames keep away from this one. */
export interface Wrap {
  readonly mode: 'none' | 'frame' | 'outline' | 'clear';
  /** Points between the frame or outline and the text. */
  readonly standOff: Lengths;
  /** Which outline `outline` means: traced from a picture's transparency or plain background, the frame's own shape, or its letters. */
  readonly outline: 'alpha' | 'background' | 'shape' | 'glyphs';
  /** Where text runs beside it; both sides when not said. (`wrap-flow` of CSS Exclusions: both, start, end, maximum.) */
  readonly side?: 'both' | 'left' | 'right' | 'wider' | undefined;
}

/** How a corner is made, and how far along both edges it reaches, points. */
export interface Corner {
  readonly form: 'square' | 'rounded' | 'cut' | 'scooped';
  readonly size: number;
}

/** The corners of a frame, each by itself. */
export interface Corners {
  readonly topLeft: Corner;
  readonly topRight: Corner;
  readonly bottomRight: Corner;
  readonly bottomLeft: Corner;
}

/**
 * The form of a frame; a rectangle when not said. A polygon's points lie in the unit square of its box, and so do those of an
 * `outline`: rings of points with curves between them, six figures a point (its place, and the two handles of its curves, the
 * one behind it first; a handle that lies on its point makes that side straight). Inside is what an odd number of rings surrounds.
 */
export type Shape =
  | { readonly type: 'rectangle' }
  | { readonly type: 'rounded'; readonly radius: number }
  | ({ readonly type: 'corners' } & Corners)
  | { readonly type: 'ellipse' }
  /** Upright sides that a half circle, or the half of an ellipse so high, closes at the top. */
  | { readonly type: 'arch'; readonly rise: number }
  | { readonly type: 'polygon'; readonly points: readonly number[] }
  | { readonly type: 'outline'; readonly rings: readonly (readonly number[])[] };

/** A colour and how much of it. */
export interface Tinted {
  readonly swatch: string;
  readonly tint: number;
}

/** A colour that a gradient runs by way of; `at`: the share of the way at which it is this colour. */
export interface Through extends Tinted {
  readonly at: number;
}

/** Colours that a gradient runs by way of, at most. */
export const MOST_THROUGH = 12;

/** The colour that a frame's area runs into from its own, by way of others where there are any. */
export interface Gradient extends Tinted {
  readonly form: 'linear' | 'radial';
  /** In the unit square of the box: where it begins and where it ends; of `radial`, the middle and a place on the rim. */
  readonly from: Point;
  readonly to: Point;
  readonly through?: readonly Through[] | undefined;
}

/** The area of a frame. */
export interface Fill extends Tinted {
  /** 0 to 1; 1 when not said. */
  readonly opacity?: number | undefined;
}

/** The line along a frame's edge. */
export interface Border extends Stroke {
  /** Where it lies: half inside and half outside when not said. */
  readonly align?: 'inside' | 'outside' | undefined;
  readonly line?: 'dashed' | 'dotted' | 'double' | undefined;
  readonly opacity?: number | undefined;
}

/** What a frame shows grows fainter from one side to the other. */
export interface Fade {
  /** In the unit square of the box: where it is all there, and where nothing is left. */
  readonly from: Point;
  readonly to: Point;
}

/** Light around a frame, or a shadow inside its edge: of one colour, softer over `blur` points. */
export interface Glow {
  readonly blur: number;
  readonly swatch: string;
  readonly opacity: number;
}

/** A shadow under what a frame shows. Lengths in points; `blur` is the width of its soft edge. */
export interface Shadow {
  readonly dx: number;
  readonly dy: number;
  readonly blur: number;
  readonly swatch: string;
  readonly opacity: number;
}

/** Which master pages' sides a master's frame is for. */
export type Side = 'left' | 'right' | 'both';

/** How a text runs along the edge of its frame's form, on one line. */
export interface TextAlong {
  /** Outside it stands on the edge and goes clockwise; inside it stands within it and goes the other way. */
  readonly side: 'outside' | 'inside';
  /** Where it begins, as a share of the way round from the middle of the foot; inside from the middle of the top. */
  readonly from: number;
  /** The share of the way round that it may take. */
  readonly reach: number;
  /** Points that it keeps off the edge; negative: over it. */
  readonly gap: number;
}

export interface TextContent {
  readonly type: 'text';
  readonly text: string;
  /** Place in the thread of that text. */
  readonly order: string;
  readonly columns: number;
  readonly gutter: number;
  readonly inset: Lengths;
  /** The frame is as high as its text. */
  readonly grows: boolean;
  /** The text does not keep away from other frames. */
  readonly ignoresWraps: boolean;
  /** Where the lines stand in the frame's height; `spread` gives the room left to the spaces between them. */
  readonly align: 'top' | 'centre' | 'bottom' | 'spread';
  /** The most that `spread` adds between two paragraphs, points; between two lines a fifth of it. 12 when not said. */
  readonly spreadMost?: number | undefined;
  /** The columns of the frame in which the text ends are made of one height. */
  readonly balanced?: boolean | undefined;
  /** How far below the frame's top the first baseline lies: the font's ascent when not said; or a length. */
  readonly firstBaseline?: 'ascent' | 'capHeight' | 'leading' | number | undefined;
  /** The type is as large as the frame's width lets its longest line be. */
  readonly fitsWidth?: boolean | undefined;
  /** Quarter turns clockwise of the text inside the frame. */
  readonly turns?: 0 | 1 | 2 | 3 | undefined;
  /** It runs along the edge; in columns when not said. */
  readonly along?: TextAlong | undefined;
  /** Texts set at the foot of this frame where the story goes on on another page, and at its head where it comes from one. */
  readonly jumpTo?: string | undefined;
  readonly jumpFrom?: string | undefined;
}

/** How a text stands in its frame. */
export type TextLayout = Omit<TextContent, 'type' | 'text' | 'order'>;

/** In one column from the top of its frame, keeping away from other frames: how a text stands unless something else is said. */
export const textLayout = (more: Partial<TextLayout> = {}): TextLayout => ({
  columns: 1,
  gutter: 0,
  inset: 0,
  grows: false,
  ignoresWraps: false,
  align: 'top',
  ...more,
});

/** A text in its frame, as `textLayout` has it unless something else is said. */
export const textContent = (text: string, order = 'a0', more: Partial<TextContent> = {}): TextContent => ({
  ...textLayout(),
  type: 'text',
  text,
  order,
  ...more,
});

/** How a picture lies in its frame. */
export interface Crop {
  /** `fill` covers the frame and keeps the picture's focus, `fit` shows all of the picture, `own` is as a hand laid it. */
  readonly fit: 'fill' | 'fit' | 'own';
  /** Of `own`: the place of the picture, in its unit square, that lies in the middle of the frame; its middle when not said. */
  readonly at?: Point | undefined;
  /** Of `own`: times the size at which the picture just covers the frame; 1 when not said. */
  readonly zoom?: number | undefined;
  /** Degrees clockwise that the picture is turned inside its frame. */
  readonly turn?: number | undefined;
  /** Left and right of the picture are changed over, before it is turned. */
  readonly mirrored?: boolean | undefined;
}

/** How a picture is changed as it is shown; what is not said is as it is. */
export interface Adjust {
  /** −1 to 1. */
  readonly light?: number | undefined;
  readonly contrast?: number | undefined;
  /** 0 to 1: how much its edges are drawn out, for print to lose less of them. */
  readonly sharpen?: number | undefined;
  readonly inks?: 'grey' | 'one' | 'two' | undefined;
  /** Swatches of its darks and of its lights. */
  readonly dark?: string | undefined;
  readonly pale?: string | undefined;
}

export interface PictureContent extends Crop {
  readonly type: 'picture';
  /** Undefined while the frame waits for its picture. */
  readonly picture?: string | undefined;
  readonly adjust?: Adjust | undefined;
}

/** What a slot takes: a part of a story; `flow` is the part of a master's flow area that lies here, and takes main text. */
export const SLOT_TAKES = ['headline', 'standfirst', 'byline', 'body', 'flow'] as const;
export type SlotTakes = (typeof SLOT_TAKES)[number];

/** A place for a part of a story that nothing fills yet. A picture's slot is a picture frame without a picture. */
export interface SlotContent {
  readonly type: 'slot';
  readonly takes: SlotTakes;
  /** Slots of one set take the parts of one story. */
  readonly set: string;
  /** What is meant to come here, "Lead story". */
  readonly name: string;
  /** Place among the slots of its set, and in the thread that fills it. */
  readonly order: string;
  /** How the text that fills it stands. */
  readonly layout: TextLayout;
}

/** The place of an advertisement; undefined while none is booked for it. */
export interface AdvertisementContent {
  readonly type: 'advertisement';
  readonly advertisement?: string | undefined;
}

export interface PanelContent {
  readonly type: 'panel';
}

/** What rules are set of. */
export const ORNAMENTS = ['diamonds', 'kites', 'stars', 'leaves', 'rings', 'teeth'] as const;
export type Ornament = (typeof ORNAMENTS)[number];

export interface RuleContent {
  readonly type: 'rule';
  readonly weight: number;
  /** What its line is like; plain when not said. */
  readonly line?: 'dashed' | 'dotted' | 'double' | 'wavy' | Ornament | undefined;
  /** What stands at its ends, the left or upper one first. */
  readonly start?: LineEnd | undefined;
  readonly end?: LineEnd | undefined;
}

export type LineEnd = 'arrow' | 'dot' | 'bar';

export type FrameContent = TextContent | PictureContent | PanelContent | RuleContent | SlotContent | AdvertisementContent;

/** Where a caption or credit lies: it goes with the picture, and lies anew when that is sized. */
export interface Beside {
  /** The frame it belongs to. */
  readonly frame: string;
  /**
   * Under it; to its left or right, at its foot; on it, at its foot; turned, along its right edge; or `own`, where a hand has
   * put it.
   */
  readonly place: 'below' | 'left' | 'right' | 'on' | 'edge' | 'own';
  /** Points between the two. */
  readonly gap: number;
  /** Of a caption to the left or right, points. */
  readonly width: number;
  /** Of `own`: from the lower left corner of the picture, points. */
  readonly dx?: number | undefined;
  readonly dy?: number | undefined;
}

/** What says what a frame looks like, whatever it shows. */
export const LOOK_KEYS = [
  'shape',
  'opacity',
  'contentOpacity',
  'blend',
  'fill',
  'gradient',
  'border',
  'shadow',
  'innerShadow',
  'glow',
  'feather',
  'fade',
] as const;

export type FrameLook = Pick<FrameRecord, (typeof LOOK_KEYS)[number]>;

/** The look of a frame, of all that it says: what it does not have is undefined. */
export const lookFields = (frame: FrameRecord): FrameLook =>
  Object.fromEntries(LOOK_KEYS.map((key) => [key, frame[key]])) as FrameLook;

/**
 * What a finish says of a frame. Rotation, crop and place are the frame's own; so is a form that was drawn, which a finish may give
 * corners to only where it says so.
 */
export const FINISHED = [...LOOK_KEYS, 'inset', 'wrap'] as const;

export type FinishedKey = (typeof FINISHED)[number];

/** A frame: an area on a page or master, and what it shows. */
export interface FrameRecord extends RecordBase<'frame'> {
  /** The page, master or piece of furniture it lies on. */
  readonly on: string;
  /** On a master: the pages it shows on. */
  readonly side: Side;
  /** Points from the trim's top left corner; it may reach over the spine. */
  readonly box: Box;
  /** What somebody calls it; what it shows says what it is where nobody does. */
  readonly name?: string | undefined;
  /** No hand moves, sizes or removes it. */
  readonly locked?: boolean | undefined;
  /** It is neither shown nor printed, and in nobody's way. */
  readonly hidden?: boolean | undefined;
  /** What it is shown, locked and printed with. */
  readonly layer?: string | undefined;
  /** Stacking among the frames of the page, the greatest on top. */
  readonly order: string;
  readonly content: FrameContent;
  readonly wrap: Wrap;
  /**
   * The outline that text runs around, as a hand has mended it: in the unit square of the picture, of the box where there is
   * none.
   */
  readonly outline?: Outline | undefined;
  /** The area; of a rule, its line. */
  readonly fill?: Fill | undefined;
  /** What the area's colour runs into; nothing where there is no area. */
  readonly gradient?: Gradient | undefined;
  readonly shape?: Shape | undefined;
  /** A line along the shape's edge. */
  readonly border?: Border | undefined;
  /** Degrees clockwise, about the middle of the box. */
  readonly rotation?: number | undefined;
  /** 0 to 1; 1 when not said. */
  readonly opacity?: number | undefined;
  /** How its colours mix with what lies under it; it covers that when not said. */
  readonly blend?: Blend | undefined;
  readonly shadow?: Shadow | undefined;
  /** A shadow that its edge throws inside, over what it shows. */
  readonly innerShadow?: Shadow | undefined;
  readonly glow?: Glow | undefined;
  /** Points over which its edge grows soft. */
  readonly feather?: number | undefined;
  readonly fade?: Fade | undefined;
  /** Of what it shows by itself, without its area and border: 0 to 1; 1 when not said. */
  readonly contentOpacity?: number | undefined;
  /** What it looks like by name, and what of that it says otherwise itself. */
  readonly finish?: string | undefined;
  readonly own?: readonly FinishedKey[] | undefined;
  /** The group it belongs to. */
  readonly group?: string | undefined;
  /** It is the caption or credit of another frame, and lies where that one does. */
  readonly beside?: Beside | undefined;
  /** The master's frame in whose place it stands on its page: it was parted from it, or fills its slot. */
  readonly of?: string | undefined;
  /** The part of a piece of furniture that it is a copy of, and follows. */
  readonly piece?: string | undefined;
}
