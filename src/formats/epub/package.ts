import { escaped } from '../markup';
import type { Book } from './book';

/** What else belongs to a book. */
export interface PackageSources {
  /** Paths of its pictures and faces. */
  readonly binary: readonly string[];
  readonly urn: string;
  readonly at: Date;
}

const MEDIA: Readonly<Record<string, string>> = {
  xhtml: 'application/xhtml+xml',
  css: 'text/css',
  jpg: 'image/jpeg',
  png: 'image/png',
  woff2: 'font/woff2',
};

/** The package document of a book: what it is, what belongs to it and how it is read (EPUB 3.3, 5; EPUB Accessibility 1.1). */
export function packageOf({ edition, title, texts, spine, cover, hasPages, isDescribed }: Book, sources: PackageSources): string {
  const { binary, urn, at } = sources;
  const paths = [...texts.keys(), ...binary];
  const ids = new Map(paths.map((path, i) => [path, `item-${i + 1}`]));
  const item = (path: string) => {
    const properties = path === 'nav.xhtml' ? ' properties="nav"' : path === cover ? ' properties="cover-image"' : '';
    return `<item id="${ids.get(path)!}" href="${path}" media-type="${MEDIA[path.split('.').at(-1)!]!}"${properties}/>`;
  };
  const meta = (property: string, value: string) => `<meta property="${property}">${escaped(value)}</meta>`;
  const hasPictures = binary.some((path) => /\.(jpg|png)$/.test(path));
  const features = [
    'structuralNavigation',
    'tableOfContents',
    'readingOrder',
    'displayTransformability',
    ...(isDescribed ? ['alternativeText'] : []),
    ...(hasPages ? ['pageNavigation', 'pageBreakMarkers'] : []),
  ];
  const summary =
    `Stories are in their order with headings, ${hasPages ? 'the pages of the print are marked, ' : ''}` +
    `and ${isDescribed ? 'every picture has a text in its place' : 'some pictures have only their name in their place'}.`;
  const made = at.toISOString().replace(/\.\d+Z$/, 'Z');
  return `<?xml version="1.0" encoding="utf-8"?>
<package xmlns="http://www.idpf.org/2007/opf" version="3.0" unique-identifier="id" xml:lang="${escaped(edition.language)}">
<metadata xmlns:dc="http://purl.org/dc/elements/1.1/">
<dc:identifier id="id">${urn}</dc:identifier>
<dc:title>${escaped(title)}</dc:title>
<dc:language>${escaped(edition.language)}</dc:language>
${edition.publisher || edition.publication ? `<dc:publisher>${escaped(edition.publisher || edition.publication)}</dc:publisher>\n` : ''}${edition.date === '' ? '' : `<dc:date>${edition.date}</dc:date>\n`}${edition.strapline === '' ? '' : `<dc:description>${escaped(edition.strapline)}</dc:description>\n`}${hasPages ? `<dc:source id="print">${escaped(title)} (print)</dc:source>\n<meta refines="#print" property="source-of">pagination</meta>\n` : ''}${meta('dcterms:modified', made)}
${['textual', ...(hasPictures ? ['visual'] : [])].map((mode) => meta('schema:accessMode', mode)).join('\n')}
${isDescribed ? meta('schema:accessModeSufficient', 'textual') : meta('schema:accessModeSufficient', 'textual,visual')}
${features.map((feature) => meta('schema:accessibilityFeature', feature)).join('\n')}
${meta('schema:accessibilityHazard', 'none')}
${meta('schema:accessibilitySummary', summary)}
</metadata>
<manifest>
${paths.map(item).join('\n')}
</manifest>
<spine>
${spine.map((path) => `<itemref idref="${ids.get(path)!}"/>`).join('\n')}
</spine>
</package>
`;
}
