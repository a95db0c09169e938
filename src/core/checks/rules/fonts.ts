import type { Found } from '../finding';
import { linesOn } from '../lines';
import type { Rule } from '../rule';

/** Faces whose licence forbids that they are embedded (OpenType 1.9, OS/2, fsType). */
export const FONTS: Rule = {
  name: 'fonts',
  title: 'Faces that may not be embedded',
  page: (view) => {
    const done = new Set<string>();
    return linesOn(view).flatMap(({ item, line }): Found[] =>
      line.runs.flatMap(({ look }): Found[] => {
        if (done.has(look.face)) return [];
        done.add(look.face);
        if (view.face(look.face).mayEmbed) return [];
        return [
          {
            grave: 'grave',
            at: { page: view.list.page, frame: item.frame, text: item.text },
            words: `The face ${look.face} may not be embedded: its licence forbids it.`,
            effect: 'A PDF that contains it may not be passed on.',
            mends: [{ name: 'Open Type', open: 'house', chapter: 'type' }],
          },
        ];
      }),
    );
  },
};
