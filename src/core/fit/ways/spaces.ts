import { formatNumber } from '../../length/length';
import { paragraphsOf } from '../../records/body';
import type { Document } from '../../records/document';
import type { Range } from '../../records/paragraphStyle';
import type { ParagraphAttrs } from '../../records/text';
import { paragraphsSet, styledAs } from '../paragraphsSet';
import { type Candidate, type FitView, type FitWay, overBy } from '../way';

/** Shares of what a style lets spaces give that are tried: as little as will do is offered. */
const STEPS = [0.25, 0.5, 0.75, 1] as const;

/** Closer or wider word and letter spaces, within what the style itself allows. */
export const SPACES: FitWay = {
  name: 'spaces',
  need: ['fewer', 'more'],
  *candidates(view): Generator<Candidate | undefined> {
    if (!view.text.body.textContent || !givesAny(view)) return;
    let best: { candidate: Candidate; gain: number } | undefined;
    for (const share of STEPS) {
      const candidate = spaced(view, view.need === 'fewer' ? -share : share);
      const { fit } = view.tried(candidate.done(view.document));
      const gain = Math.abs(overBy(view.fit) - overBy(fit));
      if (gain > (best?.gain ?? 0)) best = { candidate, gain };
      if (overBy(fit) === 0) break;
      yield undefined;
    }
    yield best?.candidate;
  },
};

/** Whether the styles let spaces give in the direction that is needed. */
const givesAny = (view: FitView): boolean =>
  paragraphsOf(view.text.body).some((node) => {
    const { wordSpace } = styledAs(view, node.attrs as ParagraphAttrs);
    return view.need === 'fewer' ? wordSpace.least < wordSpace.best : wordSpace.most > wordSpace.best;
  });

/** @param share from −1, the least that styles allow, to 1, the most */
function spaced(view: FitView, share: number): Candidate {
  const { text } = view;
  const give = ({ least, best, most }: Range): Range => ({
    least,
    best: round(best + (share < 0 ? (best - least) * share : (most - best) * share * 0.5)),
    most,
  });
  const done = (document: Document) =>
    paragraphsSet(document, text.id, (_, attrs) => {
      const style = styledAs(view, attrs);
      return { wordSpace: give(style.wordSpace), letterSpace: give(style.letterSpace) };
    });
  const style = styledAs(view, paragraphsOf(text.body).find((node) => node.content.size > 0)!.attrs as ParagraphAttrs);
  const [word, letter] = [give(style.wordSpace).best, give(style.letterSpace).best];
  const letters = letter === style.letterSpace.best ? '' : `, letters ${signed(100 * (letter - style.letterSpace.best))} %`;
  return {
    id: 'spaces',
    name: share < 0 ? 'Closer word and letter spaces' : 'Wider word and letter spaces',
    price: `word spaces ${Math.round(100 * word)} % instead of ${Math.round(100 * style.wordSpace.best)} %${letters}, within the style`,
    done,
  };
}

const round = (value: number): number => Math.round(value * 10_000) / 10_000;
const signed = (value: number): string => `${value < 0 ? '−' : '+'}${formatNumber(Math.abs(value), 2)}`;
