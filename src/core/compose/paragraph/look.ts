import type { Ink } from '../../colour/ink';
import type { FaceShaper } from '../../type/shaper';
import type { Look } from '../displayList/displayList';

/** A look with what sets words in it. */
export interface SetLook extends Look {
  readonly underline: boolean;
  readonly strike: boolean;
  /** Points; undefined where the face says it. */
  readonly lineWeight: number | undefined;
  readonly underlineOffset: number | undefined;
  readonly strikeOffset: number | undefined;
  readonly highlight: { readonly ink: Ink; readonly around: number } | undefined;
  readonly shaper: FaceShaper;
  /** Font units added after each glyph. */
  readonly trackingUnits: number;
  /** What was asked for and the face does not have: a weight or style, or a feature. */
  readonly lacks: readonly string[];
}

/** How far letters of a look stand above the line's baseline and hang below it, points. */
export const riseOf = ({ shaper: { face }, scale, rise, outline }: SetLook): number =>
  face.ascent * scale + rise + (outline?.weight ?? 0);
export const fallOf = ({ shaper: { face }, scale, rise, outline }: SetLook): number =>
  -face.descent * scale - rise + (outline?.weight ?? 0);
