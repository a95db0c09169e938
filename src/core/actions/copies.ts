import { paperGrid } from '../page/refit';
import { formatOf, placedPage } from '../page/pages';
import type { Diff } from '../records/diff';
import { type Document, find, framesOn, get } from '../records/document';
import type { FrameRecord } from '../records/index';
import type { Box } from '../geometry/box';
import { ActionError, Edit, newId, orderAfter, renaming } from './edit';
import { withOwnText } from './masters';
import { copiedContent, emptied, textIn } from '../records/kinds/frames';

export type Across = 'offset' | 'mirrored';

/** Places are kept to a thousandth of a point. */
const exact = (value: number): number => Math.round(value * 1000) / 1000;

/**
 * Copies the design of one page onto another: every frame at the same offset from the page's corner, or as in a mirror.
 * Texts are copied, but a story is in one place only: where one stands, the copy is a slot of the same form.
 * @throws ActionError when there is nothing to copy
 */
export function copyAcross(document: Document, from: string, to: string, how: Across): Diff {
  const edit = new Edit(document);
  const frames = framesOn(document, from);
  if (frames.length === 0) throw new ActionError('There is nothing on that page to copy.');
  const { width } = formatOf(document);
  if (!placedPage(document, to)) throw new ActionError('There is no facing page to copy to.');
  const sets = renaming();
  for (const frame of frames) {
    const { group: _, of: __, beside: ___, ...alone } = frame;
    const box = how === 'offset' ? frame.box : mirrored(frame.box, width);
    const copy = copyOf(edit, { ...alone, id: newId(), on: to, box }, sets);
    if (copy) edit.put({ ...(how === 'mirrored' ? mirroredForm(copy) : copy), order: orderAfter(framesOn(edit.document, to)) });
  }
  return edit.diff();
}

/** A copy of a frame with what it shows; where a story stands, a slot of the same form. */
function copyOf(edit: Edit, frame: FrameRecord, sets: (set: string) => string): FrameRecord | undefined {
  const text = find(edit.document, 'text', textIn(frame));
  if (text && text.story === undefined && text.role !== 'body') return withOwnText(edit, frame);
  const place = text ? emptied(edit.document, frame, 'Story') : frame;
  return place && { ...place, content: copiedContent(place.content, sets) };
}

const mirrored = (box: Box, width: number): Box => ({ ...box, x: exact(width - box.x - box.w) });

function mirroredForm(frame: FrameRecord): FrameRecord {
  const { shape, rotation } = frame;
  const points = shape?.type === 'polygon' ? shape.points.map((value, i) => (i % 2 === 0 ? 1 - value : value)) : undefined;
  return {
    ...frame,
    ...(points ? { shape: { type: 'polygon', points } } : {}),
    ...(rotation ? { rotation: -rotation } : {}),
  };
}

export interface Repeat {
  /** How many there are to be in all, across and down. */
  readonly across: number;
  readonly down: number;
  /** From one to the next, points; from left edge to left edge, from top to top. */
  readonly stepAcross: number;
  readonly stepDown: number;
}

/** The most copies that one repeat makes. */
const MOST_COPIES = 400;

/** Repeats a frame in rows and columns at even steps. @throws ActionError */
export function repeatFrame(document: Document, id: string, { across, down, stepAcross, stepDown }: Repeat): Diff {
  const edit = new Edit(document);
  const frame = get(document, 'frame', id);
  if (!(Number.isInteger(across) && Number.isInteger(down) && across >= 1 && down >= 1 && across * down <= MOST_COPIES))
    throw new ActionError(`A frame is repeated 1 to ${MOST_COPIES} times in all.`);
  if (across * down < 2) throw new ActionError('Say how often to repeat it, across or down.');
  if ((across > 1 && stepAcross === 0) || (down > 1 && stepDown === 0))
    throw new ActionError('With a step of nothing they would all lie on one another.');
  const { group: _, of: __, beside: ___, ...alone } = frame;
  const sets = renaming();
  for (let row = 0; row < down; row++) {
    for (let column = 0; column < across; column++) {
      if (row === 0 && column === 0) continue;
      const box = { ...frame.box, x: exact(frame.box.x + column * stepAcross), y: exact(frame.box.y + row * stepDown) };
      const copy = copyOf(edit, { ...alone, id: newId(), box }, sets);
      if (copy) edit.put({ ...copy, order: orderAfter(framesOn(edit.document, frame.on)) });
    }
  }
  return edit.diff();
}

/** The step that puts copies one gutter apart. */
export function usualStep(document: Document, frame: FrameRecord): { readonly across: number; readonly down: number } {
  const page = placedPage(document, frame.on);
  const { gutter, step } = page ? paperGrid(formatOf(document), page.master, page.side).grid : { gutter: 12, step: 12 };
  return { across: exact(frame.box.w + gutter), down: exact(frame.box.h + step) };
}
