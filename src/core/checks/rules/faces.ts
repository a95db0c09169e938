import { listed } from '../../records/count';
import { find, threadOf } from '../../records/document';
import type { Found } from '../finding';
import { textName } from '../lines';
import type { Rule } from '../rule';

/** Styles, weights and features that a face was asked for and lacks; nothing is faked. */
export const FACES: Rule = {
  name: 'faces',
  title: 'Styles that a face lacks',
  issue: ({ document, fits }) =>
    [...fits].flatMap(([id, { lacks }]): Found[] => {
      const text = find(document, 'text', id);
      if (!text || lacks.length === 0) return [];
      const [frame] = threadOf(document, id);
      return [
        {
          grave: 'fault',
          at: { page: frame?.on, frame: frame?.id, box: frame?.box, text: id, story: text.story },
          words: `In ${textName({ find: (kind, own) => find(document, kind, own) }, text)} something is asked of a face that it lacks: ${listed(lacks)}.`,
          effect: 'The words stand there without it: nothing is faked.',
          mends: [{ name: 'Open Type', open: 'house', chapter: 'type' }],
        },
      ];
    }),
};
