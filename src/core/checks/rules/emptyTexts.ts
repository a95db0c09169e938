import { placedPage } from '../../page/pages';
import { bodyText } from '../../records/body';
import { all, find } from '../../records/document';
import type { Found } from '../finding';
import { textName } from '../lines';
import { remembered } from '../remembered';
import type { Rule } from '../rule';

const isBlank = remembered((body) => bodyText(body).trim() === '');

/** Text frames without a word in them. */
export const EMPTY_TEXTS: Rule = {
  name: 'emptyTexts',
  title: 'Text frames without text',
  issue: ({ document, pages }) => {
    const shown = new Set(
      pages.flatMap(({ items }) =>
        items.flatMap((item) => (item.type === 'text' && item.columns.some(({ lines }) => lines.length > 0) ? [item.frame] : [])),
      ),
    );
    return all(document, 'frame').flatMap((frame): Found[] => {
      const { content } = frame;
      if (content.type !== 'text' || frame.hidden || !placedPage(document, frame.on)) return [];
      const text = find(document, 'text', content.text);
      const isEmpty = !text || isBlank(text.body);
      if (!isEmpty && shown.has(frame.id)) return [];
      const name = text && textName({ find: (kind, id) => find(document, kind, id) }, text);
      return [
        {
          grave: 'fault',
          at: { page: frame.on, frame: frame.id, box: frame.box, text: content.text, story: text?.story },
          words: isEmpty ? 'A text frame has no text.' : `${name} ends before it reaches this frame.`,
          effect: 'It would be blank paper.',
          mends: [{ name: 'Remove the frame', do: 'removeFrame', of: { frame: frame.id } }],
        },
      ];
    });
  },
};
