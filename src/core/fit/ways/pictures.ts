import { Edit } from '../../actions/edit';
import { lengthIn } from '../../length/length';
import { formatOf } from '../../page/pages';
import { bottom } from '../../geometry/box';
import { keptCrop } from '../../pictures/placing';
import { counted } from '../../records/count';
import { type Document, find, framesOn, get } from '../../records/document';
import type { FrameRecord } from '../../records/index';
import { below, headsMoved, stackedUnder, withCaptionBoxes } from '../around';
import { type Candidate, type FitView, type FitWay, overBy } from '../way';

/** A picture is made less deep by a third of itself at most, and deeper by as much. */
const MOST = 1 / 3;

/** Lines that are tried, the smaller first. */
const STEPS = [1, 2, 3, 4, 6, 8, 12, 16] as const;

/** Pictures beside or above the text, so many lines less deep, or deeper. */
export const PICTURES: FitWay = {
  name: 'pictures',
  need: ['fewer', 'more'],
  *candidates(view): Generator<Candidate | undefined> {
    const { document, pages } = view;
    const { step } = formatOf(document).baseline;
    for (const { page } of pages)
      for (const frame of framesOn(document, page.id)) {
        if (frame.content.type !== 'picture' || !find(document, 'picture', frame.content.picture)) continue;
        if (frame.locked || frame.rotation || frame.box.h < 3 * step) continue;
        let best: { candidate: Candidate; gain: number } | undefined;
        for (const lines of STEPS) {
          if (lines * step > MOST * frame.box.h) break;
          const candidate = deepened(view, frame, view.need === 'fewer' ? -lines : lines, step);
          const { fit } = view.tried(candidate.done(document));
          const left = overBy(fit);
          // What had room must not come to lack it.
          if (view.need === 'more' && left > 0) break;
          const gain = Math.abs(overBy(view.fit)) - Math.abs(left);
          if (gain > (best?.gain ?? 0)) best = { candidate, gain };
          if (left <= 0 && view.need === 'fewer') break;
          yield undefined;
        }
        yield best?.candidate;
      }
  },
};

function deepened({ text, story }: FitView, { id, on, box }: FrameRecord, lines: number, step: number): Candidate {
  const by = lines * step;
  const done = (document: Document) => {
    const edit = new Edit(document);
    const frame = get(document, 'frame', id);
    const { content } = frame;
    if (content.type !== 'picture') return edit.diff();
    const { height, bleed } = formatOf(document);
    // One that stands at the foot of the page keeps its foot, every other its head.
    const atFoot = bottom(frame.box) > height - 3 * step && frame.box.y > 3 * step - bleed;
    const now = { ...frame.box, y: atFoot ? frame.box.y - by : frame.box.y, h: frame.box.h + by };
    const picture = find(document, 'picture', content.picture);
    const crop = picture && content.fit === 'own' ? keptCrop(frame.box, now, picture, content) : {};
    // What stands under it goes along: headline, standfirst and byline as they are, the text by its head.
    const boxes = withCaptionBoxes(document, frame);
    const lowest = boxes.reduce((low, each) => (bottom(each) > bottom(low) ? each : low));
    const parts = new Set([story?.parts.headline, story?.parts.standfirst, story?.parts.byline].flatMap((each) => each ?? []));
    const stack = stackedUnder(document, on, lowest, parts);
    const after = below(document, text.id, on, [...boxes, ...stack.map((each) => each.box)]);
    edit.put({ ...frame, box: now, content: { ...content, ...crop } });
    if (!atFoot) {
      for (const each of stack) edit.put({ ...each, box: { ...each.box, y: each.box.y + by } });
      headsMoved(edit, after, -by);
    }
    return edit.diff();
  };
  return {
    id: `picture ${id}`,
    name: `Picture ${counted(Math.abs(lines), 'line')} ${lines < 0 ? 'less deep' : 'deeper'}`,
    price: `${lengthIn(box.h + by)} instead of ${lengthIn(box.h)}, ${Math.round((100 * (box.h + by)) / box.h)} % of its depth`,
    done,
  };
}
