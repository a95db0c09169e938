import type { Edition } from '@/core/handoff/reading/edition';
import { isRightToLeft } from '@/core/records/language';
import { escaped } from '../markup';

/** What a page of a web edition says of itself. */
export interface PageHead {
  readonly title: string;
  readonly description: string;
  /** Where it lies in the edition. */
  readonly path: string;
  /** What it is, for readers of links: a site or an article (Open Graph). */
  readonly type: 'website' | 'article';
  /** A picture for links to it, from the edition’s root, with what is said in its place. */
  readonly picture?: { readonly path: string; readonly alternative: string } | undefined;
  /** What it is, for machines (schema.org). */
  readonly data: Readonly<Record<string, unknown>>;
  /** The section it belongs to, by path. */
  readonly section?: string | undefined;
}

/** What all pages of an edition share. */
export interface Frame {
  readonly edition: Edition;
  /** Where the edition will stand, ending in a slash; undefined where that is not known. */
  readonly address: string | undefined;
  readonly sections: readonly { readonly name: string; readonly path: string }[];
}

/** Titles that are longer are cut in lists of what was found. */
const MOST_TITLE = 70;

/** The issue as its masthead names it: "No. 14 · Winter 2026". */
export const issueLine = ({ number, season }: Edition): string => [number && `No. ${number}`, season].filter(Boolean).join(' · ');

/** What a page is called in a window and in lists: with its publication, where there is room. */
export function titleOf(title: string, { publication }: Edition): string {
  const whole = title === publication ? title : `${title} – ${publication}`;
  if (whole.length <= MOST_TITLE) return whole;
  return title.length <= MOST_TITLE ? title : `${title.slice(0, MOST_TITLE - 1).replace(/\s+\S*$/, '')}…`;
}

/** A page of a web edition (HTML, WHATWG), with what links to it show (Open Graph) and what machines read (schema.org, JSON-LD). */
export function webPage({ edition, address, sections }: Frame, head: PageHead, main: string): string {
  const { title, description, path, type, picture, data, section } = head;
  const absolute = (to: string) => new URL(to, address).href;
  const meta = (property: string, content: string) => `<meta property="${property}" content="${escaped(content)}">`;
  const links =
    address === undefined ? [] : [meta('og:url', absolute(path)), `<link rel="canonical" href="${escaped(absolute(path))}">`];
  if (address !== undefined && picture)
    links.push(meta('og:image', absolute(picture.path)), meta('og:image:alt', picture.alternative));
  const nav = sections
    .map(({ name, path: to }) => `<li><a href="${to}"${to === section ? ' aria-current="page"' : ''}>${escaped(name)}</a></li>`)
    .join('');
  const isHome = path === 'index.html';
  return `<!DOCTYPE html>
<html lang="${escaped(edition.language)}"${isRightToLeft(edition.language) ? ' dir="rtl"' : ''}>
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<title>${escaped(title)}</title>
${description === '' ? '' : `<meta name="description" content="${escaped(description)}">\n`}<meta name="color-scheme" content="light dark">
<link rel="stylesheet" href="style.css">
<link rel="alternate" type="application/atom+xml" title="${escaped(edition.publication)}" href="feed.xml">
<link rel="alternate" type="application/feed+json" title="${escaped(edition.publication)}" href="feed.json">
${[meta('og:title', title), meta('og:type', type), meta('og:site_name', edition.publication), meta('og:locale', edition.language.replace('-', '_')), ...(description === '' ? [] : [meta('og:description', description)]), ...links].join('\n')}
<script type="application/ld+json">${JSON.stringify({ '@context': 'https://schema.org', ...data }).replaceAll('<', '\\u003c')}</script>
</head>
<body>
<a class="skip" href="#main">Skip to the text</a>
<header class="masthead">
<p class="name">${isHome ? escaped(edition.publication) : `<a href="index.html">${escaped(edition.publication)}</a>`}</p>
<p class="issue">${escaped(issueLine(edition))}</p>
${nav === '' ? '' : `<nav aria-label="Sections"><ul>${nav}</ul></nav>\n`}</header>
<main id="main">
${main}
</main>
<footer class="foot">
<p>${escaped([edition.publication, issueLine(edition)].filter(Boolean).join(', '))}</p>
${edition.publisher === '' ? '' : `<p>${escaped(edition.publisher)}</p>\n`}<p><a href="index.html">Contents</a> <a href="feed.xml">Feed</a></p>
</footer>
</body>
</html>
`;
}
