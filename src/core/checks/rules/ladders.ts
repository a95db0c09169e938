import { counted } from '../../records/count';
import type { Found } from '../finding';
import { linesOn, type LineOnPage, lineWords, placeOfLine } from '../lines';
import { type Rule, styleOf } from '../rule';

/** Hyphens at the ends of more lines in a row than the style allows. */
export const LADDERS: Rule = {
  name: 'ladders',
  title: 'Ladders of hyphens',
  page: (view) => {
    const out: Found[] = [];
    let run: LineOnPage[] = [];
    const end = () => {
      const [first] = run;
      const most = first ? styleOf(view, first.text, first.paragraph).hyphenLimits.consecutive : 0;
      if (first && run.length > most)
        out.push({
          grave: 'detail',
          at: placeOfLine(view, first),
          words: `${counted(run.length, 'line')} in a row end in a hyphen, ${most} wanted at most, from “${lineWords(first)}”.`,
          effect: 'The hyphens stand out as a ladder at the edge of the column.',
          mends: [{ name: 'Make it fit …', open: 'fit', text: first.text.id }],
        });
      run = [];
    };
    for (const on of linesOn(view)) {
      const last = run.at(-1);
      if (last && (last.item !== on.item || last.column !== on.column || last.paragraph !== on.paragraph)) end();
      if (on.line.hyphenated) run.push(on);
      else end();
    }
    end();
    return out;
  },
};
