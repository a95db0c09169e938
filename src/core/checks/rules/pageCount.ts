import { formatOf } from '../../page/pages';
import { pageCountAdvice } from '../../plan/startIssue';
import { bindingOf } from '../../plan/signatures';
import { counted } from '../../records/count';
import { all } from '../../records/document';
import type { Rule } from '../rule';

/** A number of pages that sheets cannot be folded to (common practice: stitched work has a multiple of four). */
export const PAGE_COUNT: Rule = {
  name: 'pageCount',
  title: 'Number of pages',
  issue: ({ document, limits }) => {
    const pages = all(document, 'page').length;
    const advice = pageCountAdvice(pages);
    const format = formatOf(document);
    if (!advice || !limits.inks || !format.facing) return [];
    const { kind } = bindingOf(format);
    const count = advice.more - pages;
    return [
      {
        grave: 'grave',
        at: {},
        words: `${counted(pages, 'page')}: ${kind === 'stitched' ? 'stitched' : 'bound'} sheets make a multiple of four.`,
        effect: `${counted(count, 'blank page')} would be added at the end by whoever binds it.`,
        mends: [
          { name: `Add ${counted(count, 'page')} before the last`, do: 'addPages', of: { count } },
          { name: 'Choose pages to remove …', open: 'plan' },
        ],
      },
    ];
  },
};
