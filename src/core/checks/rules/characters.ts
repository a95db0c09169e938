import { counted } from '../../records/count';
import type { Found } from '../finding';
import { linesOn, type LineOnPage, runBox, shortened } from '../lines';
import type { Rule } from '../rule';

/** Characters that no face has: one for each text, with all of them. */
export const CHARACTERS: Rule = {
  name: 'characters',
  title: 'Missing characters',
  page: (view) => {
    const byText = new Map<string, { on: LineOnPage; run: number; signs: Set<string>; count: number }>();
    for (const on of linesOn(view))
      on.line.runs.forEach((run, i) => {
        if (!run.look.absent) return;
        const own = byText.get(on.text.id) ?? { on, run: i, signs: new Set<string>(), count: 0 };
        for (const sign of run.text) own.signs.add(sign);
        own.count += [...run.text].length;
        byText.set(on.text.id, own);
      });
    return [...byText.values()].map(({ on, run, signs, count }): Found => {
      const own = on.line.runs[run]!;
      const at = { page: view.list.page, frame: on.item.frame, box: runBox(on.item, on.line, own), text: on.text.id };
      return {
        grave: 'grave',
        at: { ...at, paragraph: on.paragraph, from: own.from, to: own.to, story: on.text.story },
        words: `${counted(count, 'character')} that no face has: ${shortened([...signs].join(' '), 30)}`,
        effect: 'An empty box would stand in place of each.',
      };
    });
  },
};
