import { bottom, type Box, right } from '../geometry/box';
import { all, type Document, find } from '../records/document';
import type { Beside } from '../records/frame';
import type { DocumentRecord, FrameRecord } from '../records/index';

/** Points across that a turned credit takes. */
const EDGE = 10;

/** The part of a picture's height, from its foot, that a caption on it may take. */
const ON = 0.5;

/** Points that a caption on a picture keeps from its sides. */
const INSET = 8;

/**
 * Where a caption lies beside its picture.
 * @param own its box so far: what grows with its text keeps its height
 */
export function besideBox(picture: Box, { place, gap, width, dx = 0, dy = 0 }: Beside, own: Box): Box {
  const { x, y, w, h } = picture;
  switch (place) {
    case 'below':
      return { x, y: bottom(picture) + gap, w, h: own.h };
    case 'left':
      return { x: x - gap - width, y, w: width, h };
    case 'right':
      return { x: right(picture) + gap, y, w: width, h };
    case 'on':
      return { x: x + INSET, y: y + h * (1 - ON), w: Math.max(1, w - 2 * INSET), h: Math.max(1, h * ON - gap) };
    case 'edge':
      return { x: right(picture) + gap, y, w: EDGE, h };
    case 'own':
      return { ...own, x: x + dx, y: bottom(picture) + dy };
  }
}

/** The frames among records that stand by themselves, not as the caption or credit of another: what is chosen when they are new. */
export const standing = (records: readonly DocumentRecord[]): readonly string[] =>
  records.flatMap((record) => (record.kind === 'frame' && !record.beside ? [record.id] : []));

/** The captions and credits of a frame. */
export const captionsOf = (document: Document, frame: string): readonly FrameRecord[] =>
  all(document, 'frame').filter(({ beside }) => beside?.frame === frame);

/** Frames with the captions and credits of all of them. */
export function withCaptions(document: Document, ids: readonly string[]): readonly string[] {
  const chosen = new Set(ids);
  for (const { id, beside } of all(document, 'frame')) if (beside && chosen.has(beside.frame)) chosen.add(id);
  return [...chosen];
}

const sameBox = (a: Box, b: Box): boolean => a.x === b.x && a.y === b.y && a.w === b.w && a.h === b.h;

/**
 * Captions and credits as they have to lie after a change: with their pictures; or, where a hand has moved one by itself,
 * from now on where that has put it.
 */
export function settledCaptions(before: Document, now: Document): FrameRecord[] {
  const out: FrameRecord[] = [];
  for (const frame of all(now, 'frame')) {
    const { beside } = frame;
    const picture = beside && find(now, 'frame', beside.frame);
    if (!beside || !picture) continue;
    const was = find(before, 'frame', frame.id);
    const pictureWas = find(before, 'frame', picture.id);
    const stays = pictureWas && pictureWas.on === picture.on && sameBox(pictureWas.box, picture.box);
    if (was?.beside === beside && stays) {
      if (
        was === frame ||
        (was.on === frame.on && was.box.x === frame.box.x && was.box.y === frame.box.y && was.box.w === frame.box.w)
      )
        continue;
      const { x, y } = frame.box;
      out.push({ ...frame, beside: { ...beside, place: 'own', dx: x - picture.box.x, dy: y - bottom(picture.box) } });
    } else {
      const box = besideBox(picture.box, beside, frame.box);
      if (frame.on !== picture.on || !sameBox(box, frame.box)) out.push({ ...frame, on: picture.on, box });
    }
  }
  return out;
}
