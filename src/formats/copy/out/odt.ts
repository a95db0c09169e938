import JSZip from 'jszip';
import { escaped } from '@/formats/markup';
import type { Kind, OutBlock, OutParagraph, OutTable, Run } from '@/core/handoff/reading/outline';

const MEDIA = 'application/vnd.oasis.opendocument.text';

/** Style names of OpenDocument's own default set, by what paragraphs are. */
const STYLES: Readonly<Record<Kind, string>> = {
  headline: 'Title',
  standfirst: 'Subtitle',
  byline: 'Byline',
  heading: 'Heading_20_2',
  paragraph: 'Text_20_body',
  quotation: 'Quotations',
  caption: 'Caption',
};

const LOOKS = {
  strong: '<style:text-properties fo:font-weight="bold"/>',
  emphasis: '<style:text-properties fo:font-style="italic"/>',
  both: '<style:text-properties fo:font-weight="bold" fo:font-style="italic"/>',
  superscript: '<style:text-properties style:text-position="super 58%"/>',
  subscript: '<style:text-properties style:text-position="sub 58%"/>',
} as const;

const NAMES =
  'xmlns:office="urn:oasis:names:tc:opendocument:xmlns:office:1.0" xmlns:style="urn:oasis:names:tc:opendocument:xmlns:style:1.0" xmlns:text="urn:oasis:names:tc:opendocument:xmlns:text:1.0" xmlns:table="urn:oasis:names:tc:opendocument:xmlns:table:1.0" xmlns:fo="urn:oasis:names:tc:opendocument:xmlns:xsl-fo-compatible:1.0" xmlns:xlink="http://www.w3.org/1999/xlink" xmlns:dc="http://purl.org/dc/elements/1.1/" xmlns:meta="urn:oasis:names:tc:opendocument:xmlns:meta:1.0" office:version="1.2"';
const HEAD = '<?xml version="1.0" encoding="UTF-8"?>';
const LEVELS = 10;

/** A quotation is set in, which is how some programs know one. */
const SET_IN = '<style:paragraph-properties fo:margin-left="1cm" fo:margin-right="1cm"/>';

/** Blocks as an OpenDocument text (ISO/IEC 26300). */
export async function writeOdt(title: string, blocks: readonly OutBlock[]): Promise<Uint8Array> {
  const zip = new JSZip();
  // It comes first, and is not packed, so that the file is known by its beginning.
  zip.file('mimetype', MEDIA, { compression: 'STORE' });
  const entry = (path: string, media: string) =>
    `<manifest:file-entry manifest:full-path="${path}" manifest:media-type="${media}"/>`;
  zip.file(
    'META-INF/manifest.xml',
    `${HEAD}<manifest:manifest xmlns:manifest="urn:oasis:names:tc:opendocument:xmlns:manifest:1.0" manifest:version="1.2">${entry('/', MEDIA)}${entry('content.xml', 'text/xml')}${entry('styles.xml', 'text/xml')}${entry('meta.xml', 'text/xml')}</manifest:manifest>`,
  );
  zip.file(
    'meta.xml',
    `${HEAD}<office:document-meta ${NAMES}><office:meta><dc:title>${escaped(title)}</dc:title></office:meta></office:document-meta>`,
  );
  const named = Object.values(STYLES).map(
    (name) =>
      `<style:style style:name="${name}" style:display-name="${name.replace('_20_', ' ')}" style:family="paragraph">${name === STYLES.quotation ? SET_IN : ''}</style:style>`,
  );
  zip.file(
    'styles.xml',
    `${HEAD}<office:document-styles ${NAMES}><office:styles>${named.join('')}</office:styles></office:document-styles>`,
  );
  const looks = Object.entries(LOOKS).map(
    ([name, look]) => `<style:style style:name="${name}" style:family="text">${look}</style:style>`,
  );
  const levels = Array.from({ length: LEVELS }, (_, i) => i + 1);
  const lists = [
    `<text:list-style style:name="bullet">${levels.map((level) => `<text:list-level-style-bullet text:level="${level}" text:bullet-char="•"/>`).join('')}</text:list-style>`,
    `<text:list-style style:name="number">${levels.map((level) => `<text:list-level-style-number text:level="${level}" style:num-format="1" style:num-suffix="."/>`).join('')}</text:list-style>`,
  ];
  zip.file(
    'content.xml',
    `${HEAD}<office:document-content ${NAMES}><office:automatic-styles>${looks.join('')}${lists.join('')}</office:automatic-styles><office:body><office:text>${bodyOf(blocks)}</office:text></office:body></office:document-content>`,
  );
  return zip.generateAsync({ type: 'uint8array', compression: 'DEFLATE', mimeType: MEDIA });
}

function bodyOf(blocks: readonly OutBlock[]): string {
  let out = '';
  let depth = 0;
  let kind = '';
  const close = (to: number) => {
    for (; depth > to; depth--) out += '</text:list-item></text:list>';
  };
  for (const block of blocks) {
    if (block.is === 'table' || !block.list) {
      close(0);
      out += block.is === 'table' ? tableOf(block) : paragraphOf(block);
      continue;
    }
    const level = Math.min(LEVELS, block.list.level + 1);
    if (depth > 0 && level === 1 && kind !== block.list.kind) close(0);
    close(level);
    if (depth === level) out += '</text:list-item><text:list-item>';
    for (; depth < level; depth++) out += `<text:list text:style-name="${block.list.kind}"><text:list-item>`;
    kind = block.list.kind;
    out += paragraphOf({ ...block, list: undefined });
  }
  close(0);
  return out;
}

function paragraphOf({ kind, runs }: OutParagraph): string {
  const tag = kind === 'heading' ? 'text:h text:outline-level="2"' : 'text:p';
  return `<${tag} text:style-name="${STYLES[kind]}">${runs.map(inline).join('')}</${tag.split(' ')[0]}>`;
}

function tableOf({ head, rows }: OutTable): string {
  const columns = Math.max(...rows.map((cells) => cells.reduce((sum, { across }) => sum + across, 0)));
  const row = (cells: OutTable['rows'][number]) =>
    `<table:table-row>${cells
      .map(({ paragraphs, across, down }) => {
        const spans = `${across > 1 ? ` table:number-columns-spanned="${across}"` : ''}${down > 1 ? ` table:number-rows-spanned="${down}"` : ''}`;
        return `<table:table-cell${spans}>${paragraphs.map(paragraphOf).join('')}</table:table-cell>${'<table:covered-table-cell/>'.repeat(across - 1)}`;
      })
      .join('')}</table:table-row>`;
  const heads = head > 0 ? `<table:table-header-rows>${rows.slice(0, head).map(row).join('')}</table:table-header-rows>` : '';
  return `<table:table><table:table-column table:number-columns-repeated="${columns}"/>${heads}${rows.slice(head).map(row).join('')}</table:table>`;
}

function inline({ words, strong, emphasis, position, link, isBreak }: Run): string {
  if (isBreak) return '<text:line-break/>';
  const look = position ?? (strong && emphasis ? 'both' : strong ? 'strong' : emphasis ? 'emphasis' : undefined);
  // Several spaces are one in OpenDocument unless they are counted.
  const own = escaped(words)
    .replace(/\t/g, '<text:tab/>')
    .replace(/ {2,}/g, (spaces) => ` <text:s text:c="${spaces.length - 1}"/>`);
  const styled = look ? `<text:span text:style-name="${look}">${own}</text:span>` : own;
  return link === undefined ? styled : `<text:a xlink:type="simple" xlink:href="${escaped(link)}">${styled}</text:a>`;
}
