import type { Diff } from '../records/diff';
import { type Document, get } from '../records/document';
import type { Shape } from '../records/frame';
import type { FrameRecord } from '../records/index';
import { said } from '../records/said';
import { ActionError, Edit } from './edit';

/** What a frame looks like, whatever it shows. */
export type Appearance = Pick<FrameRecord, 'shape' | 'rotation' | 'opacity' | 'fill' | 'border' | 'shadow'>;

/**
 * Sets how a frame looks; what is given as undefined is taken off it.
 * @throws ActionError with the limit that is passed
 */
export function setAppearance(document: Document, id: string, changes: Partial<Appearance>): Diff {
  const edit = new Edit(document);
  const frame = get(document, 'frame', id);
  const next: Record<string, unknown> = { ...frame, ...changes };
  const { rotation, opacity, border, shadow, shape } = changes;
  if (rotation !== undefined) {
    if (!Number.isFinite(rotation)) throw new ActionError('A frame is turned by a number of degrees.');
    next.rotation = turnedWithin(rotation) || undefined;
  }
  if (opacity !== undefined && !(opacity >= 0 && opacity <= 1)) throw new ActionError('Opacity is between 0 and 100 %.');
  if (border && !(border.weight > 0 && border.weight <= 720)) throw new ActionError('A border is thicker than nothing.');
  if (shadow && !(shadow.blur >= 0 && shadow.blur <= 200)) throw new ActionError('The soft edge of a shadow is at most 70 mm.');
  if (shape?.type === 'rounded' && !(shape.radius >= 0)) throw new ActionError('The radius of corners is not below nothing.');
  if (shape && frame.content.type === 'rule') throw new ActionError('A rule has no other form.');
  edit.put(said(next) as unknown as FrameRecord);
  return edit.diff();
}

/** The same turn within half a turn either way. */
function turnedWithin(degrees: number): number {
  const turn = ((degrees % 360) + 360) % 360;
  return turn > 180 ? turn - 360 : turn;
}

/** Corners of an even polygon in the unit square, the first at the top. */
export function evenPolygon(corners: number): Shape {
  if (!Number.isInteger(corners) || corners < 3 || corners > 60) throw new ActionError('A polygon has 3 to 60 corners.');
  const points: number[] = [];
  for (let i = 0; i < corners; i++) {
    const angle = (2 * Math.PI * i) / corners - Math.PI / 2;
    points.push(0.5 + 0.5 * Math.cos(angle), 0.5 + 0.5 * Math.sin(angle));
  }
  return { type: 'polygon', points };
}

/** A shape with one of its corners elsewhere, in the unit square. */
export function withCorner(shape: Extract<Shape, { type: 'polygon' }>, corner: number, x: number, y: number): Shape {
  const points = [...shape.points];
  points[2 * corner] = Math.max(-1, Math.min(2, x));
  points[2 * corner + 1] = Math.max(-1, Math.min(2, y));
  return { ...shape, points };
}
