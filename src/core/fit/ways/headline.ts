import { Edit } from '../../actions/edit';
import { bottom } from '../../geometry/box';
import { formatNumber } from '../../length/length';
import { paragraphsOf } from '../../records/body';
import { applied } from '../../records/diff';
import { type Document, find, get, threadOf } from '../../records/document';
import type { ParagraphAttrs } from '../../records/text';
import { PLAIN } from '../../type/styles';
import { below, headsMoved, stackedUnder } from '../around';
import { paragraphsSet } from '../paragraphsSet';
import { shownLines } from '../shown';
import type { Candidate, FitWay } from '../way';

/** The smallest share of its size that a headline is set in to lose a line. */
const SMALLEST = 0.72;

/** The headline a line shorter, in type as much smaller as it takes. */
export const HEADLINE: FitWay = {
  name: 'headline',
  need: ['fewer'],
  *candidates(view): Generator<Candidate | undefined> {
    const { document, story, sheet, text } = view;
    const headline = find(document, 'text', story?.parts.headline);
    const [frame] = headline ? threadOf(document, headline.id) : [];
    const [paragraph] = headline ? paragraphsOf(headline.body) : [];
    if (!headline || !frame || frame.locked || !paragraph || frame.content.type !== 'text' || !frame.content.grows) return;
    if (frame.content.fitsWidth) return;
    const attrs = paragraph.attrs as ParagraphAttrs;
    const style = { ...(sheet.paragraph.get(attrs.style) ?? PLAIN), ...attrs.local };
    const before = new Set(shownLines(view.composed, headline.id).map(({ line }) => line.baseline)).size;
    if (before < 2) return;
    for (let share = 0.96; share >= SMALLEST; share -= 0.04) {
      const size = Math.round(style.size * share * 2) / 2;
      const leading = Math.round(style.leading * share * 2) / 2;
      const set = (of: Document) => paragraphsSet(of, headline.id, () => ({ size, leading }));
      const { composed } = view.tried(set(document));
      yield undefined;
      if (new Set(shownLines(composed, headline.id).map(({ line }) => line.baseline)).size >= before) continue;
      const old = view.composed.grown.get(frame.id) ?? frame.box;
      const now = composed.grown.get(frame.id) ?? old;
      const freed = bottom(old) - bottom(now);
      yield {
        id: 'headline',
        name: 'Headline a line shorter',
        price: `${formatNumber(size, 1)} pt instead of ${formatNumber(style.size, 1)} pt`,
        done: (of) => {
          const steps = set(of);
          const edit = new Edit(applied(of, steps));
          const box = { ...get(of, 'frame', frame.id).box, h: old.h };
          const parts = new Set([story?.parts.standfirst, story?.parts.byline].flatMap((id) => id ?? []));
          const stack = stackedUnder(of, frame.on, box, parts);
          for (const each of stack) edit.put({ ...each, box: { ...each.box, y: each.box.y - freed } });
          headsMoved(edit, below(of, text.id, frame.on, [box, ...stack.map((each) => each.box)]), freed);
          const { texts: _, ...records } = edit.diff();
          return { ...records, texts: steps.texts };
        },
      };
      return;
    }
  },
};
