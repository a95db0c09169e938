import { cleanUps, type CleanUp, RULES, type Rule as Untidy } from '../../finding/cleanUp';
import { counted } from '../../records/count';
import type { Found } from '../finding';
import type { Rule } from '../rule';

/** What of it is looked for here: the rest is a matter of taste, and for the cleaning of copy. */
const LOOKED_FOR: ReadonlySet<Untidy> = new Set(['spaces', 'ends', 'tabs', 'empty', 'quotes', 'dashes', 'dots', 'ligatures']);

const EFFECTS: Partial<Readonly<Record<Untidy, string>>> = {
  spaces: 'They show as holes in a line.',
  ends: 'They push words off the edge of their column.',
  tabs: 'Words stand where nobody put them.',
  empty: 'They leave a blank line, and nothing at the foot of a column.',
  quotes: 'They look typed, not set.',
  dashes: 'They look typed, not set.',
  dots: 'They stand too close, and may part at the end of a line.',
  ligatures: 'They cannot be searched, hyphenated or spaced.',
};

/** What typing has left in a text: one for each kind. */
export const UNTIDY: Rule = {
  name: 'untidy',
  title: 'Untidy copy',
  text: ({ text, language }) => {
    // What stands on every page was set so on purpose.
    if (text.role === 'furniture') return [];
    const byRule = new Map<Untidy, CleanUp[]>();
    for (const each of cleanUps([text], language, LOOKED_FOR)) byRule.set(each.rule, [...(byRule.get(each.rule) ?? []), each]);
    return [...byRule].map(([rule, places]): Found => {
      const { paragraph, from, to } = places[0]!.replacement;
      const [{ before, is, after }] = places as [CleanUp];
      return {
        grave: rule === 'quotes' || rule === 'spaces' || rule === 'empty' ? 'fault' : 'detail',
        at: { text: text.id, story: text.story, paragraph, from, to },
        words: `${RULES[rule]}, ${counted(places.length, 'place')}${rule === 'empty' ? '' : `: “${`${before}${is}${after}`.trim()}”`}.`,
        effect: EFFECTS[rule] ?? '',
        mends: [{ name: 'Put it right', do: 'replace', of: places.map(({ replacement }) => replacement) }],
      };
    });
  },
};
