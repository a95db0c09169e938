import type { Edit } from '../actions/edit';
import { type Box, bottom, right, shifted } from '../geometry/box';
import { captionsOf } from '../page/beside';
import { placedPage, spreads } from '../page/pages';
import { type Document, find, framesOn } from '../records/document';
import type { FrameRecord } from '../records/index';
import { textIn } from '../records/kinds/frames';

/** Points within which a text that begins below something begins right below it. */
const NEAR = 40;

const shareColumns = (a: Box, b: Box): boolean => a.x < right(b) - 1 && b.x < right(a) - 1;

/** A frame and its captions, as boxes of its page. */
export const withCaptionBoxes = (document: Document, frame: FrameRecord, box: Box = frame.box): Box[] => [
  box,
  ...captionsOf(document, frame.id).map((each) => each.box),
];

/** The frames of a text that begin right below some boxes of a page: they take what room comes free above them, and give what is taken. */
export function below(document: Document, text: string, page: string, boxes: readonly Box[]): FrameRecord[] {
  const on = placedPage(document, page);
  if (!on) return [];
  // What reaches over the spine lies above both pages of its spread.
  return spreads(document)[on.spread]!.flatMap((each) =>
    framesOn(document, each.page.id).filter((frame) => {
      const { content } = frame;
      if (textIn(frame) !== text || content.type !== 'text' || content.grows) return false;
      const above = boxes.filter((box) => shareColumns(shifted(frame.box, each.dx - on.dx, 0), box));
      const gap = frame.box.y - Math.max(...above.map(bottom));
      return above.length > 0 && Math.abs(gap) < NEAR;
    }),
  );
}

/** The frames of some texts that stand one below another, from a box of a page down: a standfirst and a byline under a headline. */
export function stackedUnder(document: Document, page: string, box: Box, texts: ReadonlySet<string>): FrameRecord[] {
  const out: FrameRecord[] = [];
  let last = box;
  const left = framesOn(document, page)
    .filter((frame) => texts.has(textIn(frame) ?? '') && !frame.locked)
    .sort((a, b) => a.box.y - b.box.y);
  for (const frame of left) {
    if (!shareColumns(frame.box, last) || Math.abs(frame.box.y - bottom(last)) > NEAR) continue;
    out.push(frame);
    last = frame.box;
  }
  return out;
}

/** Moves the heads of frames up by so many points, down where negative; their feet stay. */
export function headsMoved(edit: Edit, frames: readonly FrameRecord[], up: number): void {
  for (const { id } of frames) {
    const frame = find(edit.document, 'frame', id);
    if (!frame || frame.locked) continue;
    const { y, h } = frame.box;
    edit.put({ ...frame, box: { ...frame.box, y: y - up, h: h + up } });
  }
}
