import type { Diff } from '../records/diff';
import { type Document, get } from '../records/document';
import type { Shape } from '../records/frame';
import { said } from '../records/said';
import { changeProblem } from '../properties/limits';
import { type Appearance, LOOK } from '../properties/frame';
import { ActionError, Edit } from './edit';
import { frameKind } from '../records/kinds/frames';

/**
 * Sets how frames look; what is given as undefined is taken off them.
 * @throws ActionError with the limit that is passed
 */
export function setAppearance(document: Document, ids: readonly string[], changes: Partial<Appearance>): Diff {
  const edit = new Edit(document);
  const { shape, rotation } = changes;
  const turned = rotation === undefined ? {} : { rotation: turnedWithin(rotation) };
  const wrong = changeProblem(LOOK, { ...changes, ...turned });
  if (wrong) throw new ActionError(wrong);
  if (shape?.type === 'rounded' && !(shape.radius >= 0)) throw new ActionError('A radius cannot be negative.');
  for (const id of ids) {
    const frame = get(document, 'frame', id);
    if (shape && frameKind(frame.content).isThin) throw new ActionError('A rule has no other form.');
    edit.put(said({ ...frame, ...changes, ...(turned.rotation === 0 ? { rotation: undefined } : turned) }));
  }
  return edit.diff();
}

/** The same turn within half a turn either way. */
export function turnedWithin(degrees: number): number {
  const turn = ((degrees % 360) + 360) % 360;
  return turn > 180 ? turn - 360 : turn;
}

/** A shape with one of its corners elsewhere, in the unit square. */
export function withCorner(shape: Extract<Shape, { type: 'polygon' }>, corner: number, x: number, y: number): Shape {
  const points = [...shape.points];
  points[2 * corner] = Math.max(-1, Math.min(2, x));
  points[2 * corner + 1] = Math.max(-1, Math.min(2, y));
  return { ...shape, points };
}
