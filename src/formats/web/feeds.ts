import type { Edition } from '@/core/handoff/reading/edition';
import { escaped } from '../markup';
import { issueLine } from './page';

/** What both feeds say of an edition. */
export interface FeedHead {
  readonly edition: Edition;
  /** Where it will stand, ending in a slash; what is not known is left to where the feed is read from. */
  readonly address: string | undefined;
  /** What something of it is known by wherever it stands. */
  readonly urn: (of: string) => string;
  readonly at: Date;
}

/** A story in a feed. */
export interface FeedEntry {
  readonly id: string;
  readonly path: string;
  readonly title: string;
  readonly summary: string;
  readonly writer: string;
  readonly section: string;
  readonly picture: string | undefined;
  readonly html: string;
}

const feedTitle = (edition: Edition): string => [edition.publication, issueLine(edition)].filter(Boolean).join(', ') || 'Issue';

const at = (address: string | undefined, path: string): string => (address === undefined ? path : new URL(path, address).href);

/** When an issue came out (RFC 3339); when the edition was made, where it has no cover date. */
const outOn = ({ edition, at: made }: FeedHead): string =>
  edition.date === '' ? made.toISOString() : `${edition.date}T00:00:00Z`;

/** The stories of an edition as Atom (RFC 4287). Links are relative to the feed where no address is known (4.1.3.2, RFC 3986). */
export function atomFeed(head: FeedHead, entries: readonly FeedEntry[]): string {
  const { edition, address, urn, at: made } = head;
  const written = entries.map(
    ({ id, path, title, summary, writer, section, html }) =>
      `<entry>\n<id>${urn(id)}</id>\n<title>${escaped(title)}</title>\n<link rel="alternate" type="text/html" href="${escaped(at(address, path))}"/>\n` +
      `<published>${outOn(head)}</published>\n<updated>${made.toISOString()}</updated>\n` +
      `${writer === '' ? '' : `<author><name>${escaped(writer)}</name></author>\n`}${section === '' ? '' : `<category term="${escaped(section)}"/>\n`}` +
      `${summary === '' ? '' : `<summary>${escaped(summary)}</summary>\n`}<content type="html">${escaped(html)}</content>\n</entry>`,
  );
  return (
    `<?xml version="1.0" encoding="utf-8"?>\n<feed xmlns="http://www.w3.org/2005/Atom" xml:lang="${escaped(edition.language)}">\n` +
    `<id>${urn('')}</id>\n<title>${escaped(feedTitle(edition))}</title>\n${edition.strapline === '' ? '' : `<subtitle>${escaped(edition.strapline)}</subtitle>\n`}` +
    `<updated>${made.toISOString()}</updated>\n<author><name>${escaped(edition.publication || 'The editors')}</name></author>\n` +
    `<link rel="self" type="application/atom+xml" href="${escaped(at(address, 'feed.xml'))}"/>\n` +
    `<link rel="alternate" type="text/html" href="${escaped(at(address, 'index.html'))}"/>\n${written.join('\n')}\n</feed>\n`
  );
}

/** The same as JSON Feed 1.1 (jsonfeed.org). */
export function jsonFeed(head: FeedHead, entries: readonly FeedEntry[]): string {
  const { edition, address, urn } = head;
  const items = entries.map(({ id, path, title, summary, writer, section, picture, html }) => ({
    id: urn(id),
    url: at(address, path),
    title,
    ...(summary === '' ? {} : { summary }),
    content_html: html,
    ...(picture === undefined ? {} : { image: at(address, picture) }),
    date_published: outOn(head),
    ...(writer === '' ? {} : { authors: [{ name: writer }] }),
    ...(section === '' ? {} : { tags: [section] }),
  }));
  return `${JSON.stringify(
    {
      version: 'https://jsonfeed.org/version/1.1',
      title: feedTitle(edition),
      home_page_url: at(address, 'index.html'),
      feed_url: at(address, 'feed.json'),
      ...(edition.strapline === '' ? {} : { description: edition.strapline }),
      language: edition.language,
      items,
    },
    null,
    1,
  )}\n`;
}
