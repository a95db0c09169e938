import { all } from '../../records/document';
import { isDrawing } from '../../records/picture';
import type { Found } from '../finding';
import { boxOf, type Rule } from '../rule';

/** Pictures and colours of light where the publication is printed in inks. */
export const LIGHT: Rule = {
  name: 'light',
  title: 'Pictures and colours of light',
  page: (view) =>
    view.list.items.flatMap((item): Found[] => {
      if (!view.limits.inks || item.type !== 'picture') return [];
      const picture = view.find('picture', item.picture);
      // What is set in grey or in an ink or two prints in those.
      if (picture?.colour !== 'rgb' || (item.adjusted && item.adjusted.tones !== 'full')) return [];
      return [
        {
          grave: 'detail',
          at: { page: view.list.page, frame: item.frame, box: boxOf(item), picture: picture.id },
          words: `“${picture.name}” is ${isDrawing(picture) ? 'drawn' : 'kept'} in light (RGB).`,
          effect: 'It is converted to inks for print; bright colours become duller.',
        },
      ];
    }),
  issue: ({ document, limits }) =>
    !limits.inks
      ? []
      : all(document, 'swatch').flatMap((swatch): Found[] =>
          swatch.rgb
            ? [
                {
                  grave: 'detail',
                  at: { swatch: swatch.id },
                  words: `The colour “${swatch.name}” is given in light (RGB).`,
                  effect: 'Print shows it in inks that only come near it.',
                  mends: [{ name: 'Keep it in its inks', do: 'inkSwatch', of: { swatch: swatch.id } }],
                },
              ]
            : [],
        ),
};
