import type { Rule } from '../rule';
import { ownItems } from '../rule';

/** Pages with nothing on them but what their master shows. */
export const BLANK_PAGES: Rule = {
  name: 'blankPages',
  title: 'Blank pages',
  page: (view) =>
    ownItems(view).length > 0
      ? []
      : [
          {
            grave: 'fault',
            at: { page: view.list.page },
            words: `Page ${view.folio} has nothing on it.`,
            effect: 'It would be blank but for what its master shows.',
            mends: [{ name: 'Remove the page', do: 'removePage', of: { page: view.list.page } }],
          },
        ],
};
