import { all } from '../../records/document';
import type { Found } from '../finding';
import type { Rule } from '../rule';

/** Shares of ink by which two colours may differ and be taken for the same. */
const ALIKE = 0.015;

/** Two colours that nobody can tell apart. */
export const SWATCHES: Rule = {
  name: 'swatches',
  title: 'Colours that look the same',
  issue: ({ document }) => {
    const list = all(document, 'swatch');
    return list.flatMap((swatch, i): Found[] => {
      const other = list.slice(0, i).find(({ cmyk }) => cmyk.every((share, ink) => Math.abs(share - swatch.cmyk[ink]!) <= ALIKE));
      if (!other) return [];
      // What has a part in the palette stays.
      const [goes, stays] = swatch.role ? [other, swatch] : [swatch, other];
      return [
        {
          grave: 'detail',
          at: { swatch: swatch.id },
          words: `The colours “${other.name}” and “${swatch.name}” look the same.`,
          effect: 'Change one, and the other stays as it was.',
          mends: goes.role
            ? []
            : [{ name: `Use “${stays.name}” for both`, do: 'mergeSwatch', of: { swatch: goes.id, into: stays.id } }],
        },
      ];
    });
  },
};
