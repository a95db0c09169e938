import { paperGrid } from '../page/refit';
import { formatOf, placedPage } from '../page/pages';
import type { Diff } from '../records/diff';
import { type Document, framesOn, get } from '../records/document';
import type { FrameRecord } from '../records/index';
import type { Box } from '../geometry/box';
import { exact } from '../length/length';
import { copiesOf, putCopies } from './copying';
import { ActionError, Edit, orderAfter } from './edit';

export type Across = 'offset' | 'mirrored';

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
  const ids = frames.map(({ id }) => id);
  for (const record of copiesOf(document, ids, 'slot')) {
    if (record.kind !== 'frame') {
      edit.put(record);
      continue;
    }
    const { of: _, ...own } = record;
    const copy = how === 'offset' ? own : mirroredForm({ ...own, box: mirrored(own.box, width) });
    edit.put({ ...copy, on: to, order: orderAfter(framesOn(edit.document, to)) });
  }
  return edit.diff();
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
  get(document, 'frame', id);
  if (!(Number.isInteger(across) && Number.isInteger(down) && across >= 1 && down >= 1 && across * down <= MOST_COPIES))
    throw new ActionError(`A frame is repeated 1 to ${MOST_COPIES} times in all.`);
  if (across * down < 2) throw new ActionError('Say how often to repeat it, across or down.');
  if ((across > 1 && stepAcross === 0) || (down > 1 && stepDown === 0))
    throw new ActionError('With a step of nothing they would all lie on one another.');
  for (let row = 0; row < down; row++) {
    for (let column = 0; column < across; column++) {
      if (row === 0 && column === 0) continue;
      putCopies(edit, document, [id], { x: column * stepAcross, y: row * stepDown }, 'slot');
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
