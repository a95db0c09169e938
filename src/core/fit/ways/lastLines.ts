import { listed } from '../../records/count';
import type { Document } from '../../records/document';
import { paragraphsSet } from '../paragraphsSet';
import { shownLines, untidy } from '../shown';
import { type Candidate, type FitView, type FitWay, overBy } from '../way';

/** Share of its column up to which a last line can be taken into the lines above it, and from which another may follow it. */
const SHORT = 0.45;
const LONG = 0.75;

/** Paragraphs that are changed at once at most: more of them and the grey of the page changes. */
const MOST = 8;

/** Paragraphs set a line shorter or longer than would be best, where their last lines nearly are so already. */
export const LAST_LINES: FitWay = {
  name: 'lastLines',
  need: ['fewer', 'more'],
  *candidates(view): Generator<Candidate | undefined> {
    const lines = shownLines(view.composed, view.text.id);
    const by = view.need === 'fewer' ? -1 : 1;
    const wanted = lines
      .filter(({ line, isFirst, isLast }) => {
        const share = line.natural / line.width;
        return isLast && (by < 0 ? !isFirst && share < SHORT : share > LONG && !isFirst);
      })
      .sort((a, b) => by * (b.line.natural / b.line.width - a.line.natural / a.line.width))
      .slice(0, 3 * MOST);
    const good: number[] = [];
    for (const { paragraph } of wanted) {
      if (good.length >= Math.min(MOST, view.lines)) break;
      const { composed } = view.tried(loosened(view, [paragraph], by)(view.document));
      // Where it cannot be set otherwise, or only with holes, it is left.
      const own = shownLines(composed, view.text.id).filter((each) => each.paragraph === paragraph);
      const before = lines.filter((each) => each.paragraph === paragraph);
      const evenly = own.every(({ line }) => line.wordSpace < 2 && !line.overfull);
      if (own.length === before.length + by && evenly) good.push(paragraph);
      yield undefined;
    }
    if (good.length > 0) yield candidate(view, good, by);
    // A widow or a stub is taken in even where nothing has to fit.
    const shabby = [...new Set(untidy(lines).map(({ paragraph }) => paragraph))]
      .filter((each) => !good.includes(each))
      .slice(0, MOST);
    for (const paragraph of shabby)
      for (const way of [-1, 1] as const) {
        const { composed, fit } = view.tried(loosened(view, [paragraph], way)(view.document));
        const better = untidy(shownLines(composed, view.text.id)).length < untidy(lines).length;
        yield undefined;
        if (!better || (way > 0 && overBy(fit) > Math.max(0, overBy(view.fit)))) continue;
        yield {
          id: `tidy ${paragraph}`,
          name: way < 0 ? 'A short last line taken in' : 'A last line made longer',
          price: `paragraph ${paragraph + 1}`,
          done: loosened(view, [paragraph], way),
        };
        break;
      }
  },
};

const loosened =
  ({ text }: FitView, paragraphs: readonly number[], by: number) =>
  (document: Document) =>
    paragraphsSet(document, text.id, (paragraph) => (paragraphs.includes(paragraph) ? { looseness: by } : undefined));

function candidate(view: FitView, paragraphs: readonly number[], by: number): Candidate {
  const sorted = [...paragraphs].sort((a, b) => a - b);
  const count = sorted.length;
  const which = `${count === 1 ? 'paragraph' : 'paragraphs'} ${listed(sorted.map((each) => String(each + 1)))}`;
  return {
    id: 'lastLines',
    name:
      by < 0
        ? `${count === 1 ? 'A short last line' : `${count} short last lines`} taken in`
        : `${count === 1 ? 'A paragraph' : `${count} paragraphs`} set a line longer`,
    price: which,
    done: loosened(view, sorted, by),
  };
}
