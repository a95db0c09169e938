import { paragraphsOf } from '../../records/body';
import type { Found } from '../finding';
import type { Rule } from '../rule';

/** Links that lead nowhere. Whether somebody answers at an address is not asked: that is the world's, and changes. */
export const LINKS: Rule = {
  name: 'links',
  title: 'Links that lead nowhere',
  text: ({ text }) =>
    paragraphsOf(text.body).flatMap((node, paragraph) => {
      const out: Found[] = [];
      node.forEach((child, from) => {
        const href = child.marks.find(({ type }) => type.name === 'link')?.attrs['href'] as string | undefined;
        const why = href === undefined ? undefined : problem(href);
        if (!why) return;
        const stretch = { text: text.id, paragraph, from, to: from + child.nodeSize };
        out.push({
          grave: 'fault',
          at: { ...stretch, story: text.story },
          words: `The link “${href}” ${why}.`,
          effect: 'It would lead readers nowhere.',
          mends: [{ name: 'Take the link off', do: 'unlink', of: stretch }],
        });
      });
      return out;
    }),
};

/** Why an address cannot be gone to; undefined where it can. */
function problem(href: string): string | undefined {
  let url: URL;
  try {
    url = new URL(href);
  } catch {
    return 'is no address';
  }
  if (url.protocol === 'mailto:') return /^[^@\s]+@[^@\s]+\.[^@\s]+$/.test(url.pathname) ? undefined : 'names no mailbox';
  if (url.protocol === 'tel:') return /\d{3}/.test(url.pathname) ? undefined : 'names no number';
  if (url.protocol !== 'http:' && url.protocol !== 'https:') return 'is of a kind that readers cannot open';
  // A name without a dot is known inside a house alone (RFC 6761, and common practice).
  return /\.[\p{L}]{2,}$/u.test(url.hostname) || /^[\d.:[\]]+$/.test(url.hostname)
    ? undefined
    : 'is known inside one house alone';
}
