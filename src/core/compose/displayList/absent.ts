import type { Box } from '../../geometry/box';
import type { Line, Run } from './displayList';

/** Of the type size: how wide the line of a box is, and how far it stands in from its glyph's sides. */
const WEIGHT = 0.04;
const SIDE = 0.06;

/** A capital's height, of the type size, about: what a box for an absent character is high. */
const HEIGHT = 0.68;

/** The boxes that stand for the characters of a run that no face has, and the weight of their line. Page coordinates. */
export function absentBoxes(run: Run, line: Line): { readonly boxes: readonly Box[]; readonly weight: number } {
  const { look, shaped } = run;
  const { size } = look;
  const y = line.baseline + run.drop - look.rise;
  let x = line.x + run.x;
  const boxes: Box[] = [];
  for (const advance of shaped.advances) {
    const w = advance * look.scale * line.glyphScale;
    const own = Math.max(w - 2 * SIDE * size, 0.2 * size);
    boxes.push({ x: x + (w - own) / 2, y: y - HEIGHT * size, w: own, h: HEIGHT * size });
    x += w + (look.tracking + line.letterSpace) * line.glyphScale;
  }
  return { boxes, weight: WEIGHT * size };
}
