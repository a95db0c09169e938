import type { Found } from '../finding';
import { linesOn, type LineOnPage, lineWords, placeOfLine } from '../lines';
import { type Rule, styleOf } from '../rule';

/** What rounding moves a space by. */
const HAIR = 0.005;

/** Times what its style allows from which it is told, and from which it is seen at arm’s length. */
const TOLD = 1.25;
const HOLE = 2;

const percent = (share: number): string => `${Math.round(100 * share)} %`;

/** Lines whose word spaces are wider or narrower than their style allows: one for each frame, by its worst. */
export const SPACING: Rule = {
  name: 'spacing',
  title: 'Loose and tight lines',
  page: (view) => {
    const worst = new Map<string, { on: LineOnPage; by: number; limit: number; isLoose: boolean; count: number }>();
    for (const on of linesOn(view)) {
      const { line } = on;
      if (line.overfull || !line.runs.some(({ added }) => !added)) continue;
      const { wordSpace, align, lastLine } = styleOf(view, on.text, on.paragraph);
      if (align !== 'justify' || (line.lastOfParagraph && lastLine !== 'justify')) continue;
      const isLoose = line.wordSpace > wordSpace.most + HAIR;
      if (!isLoose && line.wordSpace >= wordSpace.least - HAIR) continue;
      const limit = isLoose ? wordSpace.most : wordSpace.least;
      const by = isLoose ? line.wordSpace / limit : limit / Math.max(0.01, line.wordSpace);
      if (by < TOLD) continue;
      const key = `${on.item.frame} ${isLoose}`;
      const before = worst.get(key);
      const count = (before?.count ?? 0) + 1;
      worst.set(key, before && before.by >= by ? { ...before, count } : { on, by, limit, isLoose, count });
    }
    return [...worst.values()].map(({ on, by, limit, isLoose, count }): Found => {
      const more = count > 1 ? `, the worst of ${count} here` : '';
      return {
        grave: by > HOLE ? 'fault' : 'detail',
        at: placeOfLine(view, on),
        words:
          `A ${isLoose ? 'loose' : 'tight'} line: word spaces of ${percent(on.line.wordSpace)}, ` +
          `${isLoose ? 'at most' : 'at least'} ${percent(limit)} wanted${more}: “${lineWords(on)}”.`,
        effect: isLoose ? 'It shows as a pale line with holes in it.' : 'Its words run into one another.',
        mends: [{ name: 'Make it fit …', open: 'fit', text: on.text.id }],
      };
    });
  },
};
