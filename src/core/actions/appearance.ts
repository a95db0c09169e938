import type { Diff } from '../records/diff';
import { type Document, get } from '../records/document';
import type { Shape } from '../records/frame';
import { finished } from '../page/finished';
import { said } from '../records/said';
import { changeProblem } from '../properties/limits';
import { type Appearance, LOOK, RULE, type RuleValues, ruleValues } from '../properties/look';
import { ActionError, Edit } from './edit';
import { saysItself } from './finishes';
import { freed } from './forms';
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
    // A free outline begins as the form that there is.
    const form = shape?.type === 'outline' && shape.rings.length === 0 ? { shape: freed(finished(document, frame)) } : {};
    edit.put(
      said({
        ...frame,
        ...changes,
        ...form,
        ...saysItself(frame, changes),
        ...(turned.rotation === 0 ? { rotation: undefined } : turned),
      }),
    );
  }
  return edit.diff();
}

/** Sets how rules are drawn. @throws ActionError with the limit that is passed */
export function setRule(document: Document, ids: readonly string[], changes: Partial<RuleValues>): Diff {
  const edit = new Edit(document);
  const wrong = changeProblem(RULE, changes);
  if (wrong) throw new ActionError(wrong);
  for (const id of ids) {
    const frame = get(document, 'frame', id);
    if (frame.content.type !== 'rule') throw new ActionError('Only a rule has a line of its own.');
    const { weight, line, start, end } = { ...ruleValues(frame.content, frame.box), ...changes };
    const { x, y, w, h } = frame.box;
    // It grows to both sides of where it lies.
    const box = h > w ? { x: x + (w - weight) / 2, y, w: weight, h } : { x, y: y + (h - weight) / 2, w, h: weight };
    const content = said({
      type: 'rule' as const,
      weight,
      line: line === 'plain' ? undefined : line,
      start: start === 'none' ? undefined : start,
      end: end === 'none' ? undefined : end,
    });
    edit.put({ ...frame, box, content });
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
