import { formatNumber } from '../../length/length';
import { paragraphsOf } from '../../records/body';
import type { ParagraphAttrs } from '../../records/text';
import { paragraphsSet, styledAs } from '../paragraphsSet';
import type { Candidate, FitWay } from '../way';

/** Leading a hundredth closer or wider; where the house sets its text on the baseline grid, leading is not anybody’s to change. */
export const LEADING: FitWay = {
  name: 'leading',
  need: ['fewer', 'more'],
  *candidates(view): Generator<Candidate | undefined> {
    const { text, need } = view;
    const free = paragraphsOf(text.body).filter(
      (node) => !styledAs(view, node.attrs as ParagraphAttrs).onGrid && node.content.size > 0,
    );
    const [first] = free;
    if (!first) return;
    for (const hundredths of [1, 2]) {
      const factor = 1 + ((need === 'fewer' ? -1 : 1) * hundredths) / 100;
      const { leading } = styledAs(view, first.attrs as ParagraphAttrs);
      yield {
        id: 'leading',
        name: `Leading ${hundredths === 1 ? 'a hundredth' : 'two hundredths'} ${need === 'fewer' ? 'closer' : 'wider'}`,
        price: `${formatNumber(leading * factor, 2)} pt instead of ${formatNumber(leading, 2)} pt`,
        done: (document) =>
          paragraphsSet(document, text.id, (_, attrs) => {
            const style = styledAs(view, attrs);
            return style.onGrid ? undefined : { leading: Math.round(style.leading * factor * 1000) / 1000 };
          }),
      };
    }
  },
};
