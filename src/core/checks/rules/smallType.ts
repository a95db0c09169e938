import { formatNumber } from '../../length/length';
import type { Run } from '../../compose/displayList/displayList';
import { counted } from '../../records/count';
import type { Found } from '../finding';
import { linesOn, type LineOnPage, lineWords, placeOfLine } from '../lines';
import type { PageView, Rule } from '../rule';

/** An ink of less than this is not seen as one. */
const SEEN = 0.02;

type Wrong = 'small' | 'inks' | 'black';

/** Letters that are too small to print, or to print in so many inks: one for each colour on a page. */
export const SMALL_TYPE: Rule = {
  name: 'smallType',
  title: 'Type too small for its inks',
  page: (view) => {
    const worst = new Map<string, { on: LineOnPage; size: number; what: Wrong; inks: number; texts: Set<string> }>();
    for (const on of linesOn(view))
      for (const run of on.line.runs) {
        const what = wrongWith(view, run);
        if (!what) continue;
        const { size, ink } = run.look;
        const key = `${what} ${ink.cmyk.join()}`;
        const before = worst.get(key);
        const texts = (before?.texts ?? new Set<string>()).add(on.text.id);
        if (size < (before?.size ?? Infinity)) worst.set(key, { on, size, what, inks: inksOf(run), texts });
      }
    return [...worst.values()].map(({ on, size, what, inks, texts }): Found => {
      const points = `${formatNumber(size, 2)} pt`;
      const more = texts.size > 1 ? `, and in ${counted(texts.size - 1, 'other text')} here` : '';
      const least = formatNumber(what === 'small' ? view.limits.smallest : view.limits.smallestInked, 2);
      return {
        grave: what === 'small' ? 'fault' : 'detail',
        at: placeOfLine(view, on),
        words:
          what === 'small'
            ? `Type of ${points}, below ${least} pt: “${lineWords(on)}”${more}.`
            : `Type of ${points} in ${what === 'black' ? `a black of ${inks} inks` : `${inks} inks`}, below ${least} pt: “${lineWords(on)}”${more}.`,
        effect: what === 'small' ? 'It cannot be read.' : 'It blurs where the inks do not meet exactly.',
        mends: [
          { name: what === 'small' ? 'Open Type' : 'Open Colour', open: 'house', chapter: what === 'small' ? 'type' : 'colour' },
        ],
      };
    });
  },
};

const inksOf = ({ look }: Run): number => look.ink.cmyk.filter((share) => share > SEEN).length;

function wrongWith({ limits }: PageView, run: Run): Wrong | undefined {
  const { size, ink } = run.look;
  if (run.text.trim() === '') return undefined;
  if (size < limits.smallest - 0.001) return 'small';
  if (!limits.inks || size >= limits.smallestInked - 0.001) return undefined;
  const inks = inksOf(run);
  if (ink.cmyk[3] > 0.85 && inks > 1) return 'black';
  return inks > 2 ? 'inks' : undefined;
}
