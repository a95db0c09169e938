import JSZip from 'jszip';

/** What a run of text in a test's DOCX may be. */
export interface DocxRun {
  readonly text?: string;
  readonly bold?: boolean;
  readonly italic?: boolean;
  readonly break?: 'line' | 'page' | 'column';
}

export interface DocxParagraph {
  readonly style?: string;
  readonly list?: 'bullet' | 'number';
  readonly runs: readonly DocxRun[];
}

const escaped = (text: string) => text.replaceAll('&', '&amp;').replaceAll('<', '&lt;');

/** A DOCX made by the book: the parts that ECMA-376 asks for, and no more. */
export async function docx(paragraphs: readonly DocxParagraph[], more: Record<string, string> = {}): Promise<Uint8Array> {
  const run = ({ text, bold, italic, break: kind }: DocxRun) => {
    const properties = `<w:rPr>${bold ? '<w:b/>' : ''}${italic ? '<w:i/>' : ''}</w:rPr>`;
    const broken = kind === 'line' ? '<w:br/>' : kind ? `<w:br w:type="${kind}"/>` : '';
    return `<w:r>${properties}${broken}${text === undefined ? '' : `<w:t xml:space="preserve">${escaped(text)}</w:t>`}</w:r>`;
  };
  const paragraph = ({ style, list, runs }: DocxParagraph) => {
    const numbering = list ? `<w:numPr><w:ilvl w:val="0"/><w:numId w:val="${list === 'bullet' ? 1 : 2}"/></w:numPr>` : '';
    return `<w:p><w:pPr>${style ? `<w:pStyle w:val="${style}"/>` : ''}${numbering}</w:pPr>${runs.map(run).join('')}</w:p>`;
  };
  const w = 'xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"';
  const head = '<?xml version="1.0" encoding="UTF-8" standalone="yes"?>';
  const part = (name: string, type: string) =>
    `<Override PartName="/word/${name}.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.${type}+xml"/>`;
  const relation = (id: string, type: string, target: string) =>
    `<Relationship Id="${id}" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/${type}" Target="${target}"/>`;
  const relations = (inner: string) =>
    `${head}<Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships">${inner}</Relationships>`;
  const named = (id: string, name: string) => `<w:style w:type="paragraph" w:styleId="${id}"><w:name w:val="${name}"/></w:style>`;
  const level = (format: string) => `<w:lvl w:ilvl="0"><w:start w:val="1"/><w:numFmt w:val="${format}"/></w:lvl>`;
  const zip = new JSZip();
  zip.file(
    '[Content_Types].xml',
    `${head}<Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/>${part('document', 'document.main')}${part('styles', 'styles')}${part('numbering', 'numbering')}</Types>`,
  );
  zip.file('_rels/.rels', relations(relation('r1', 'officeDocument', 'word/document.xml')));
  zip.file(
    'word/_rels/document.xml.rels',
    relations(relation('r1', 'styles', 'styles.xml') + relation('r2', 'numbering', 'numbering.xml')),
  );
  zip.file('word/document.xml', `${head}<w:document ${w}><w:body>${paragraphs.map(paragraph).join('')}</w:body></w:document>`);
  zip.file(
    'word/styles.xml',
    `${head}<w:styles ${w}>${named('Title', 'Title')}${named('Heading1', 'heading 1')}${named('Heading2', 'heading 2')}${named('Quote', 'Quote')}</w:styles>`,
  );
  zip.file(
    'word/numbering.xml',
    `${head}<w:numbering ${w}><w:abstractNum w:abstractNumId="1">${level('bullet')}</w:abstractNum><w:abstractNum w:abstractNumId="2">${level('decimal')}</w:abstractNum><w:num w:numId="1"><w:abstractNumId w:val="1"/></w:num><w:num w:numId="2"><w:abstractNumId w:val="2"/></w:num></w:numbering>`,
  );
  for (const [name, content] of Object.entries(more)) zip.file(name, content);
  return zip.generateAsync({ type: 'uint8array', compression: 'DEFLATE' });
}

/** A DOCX whose zip holds `megabytes` of nothing in a file a thousand times smaller. */
export const swollenDocx = (megabytes: number): Promise<Uint8Array> =>
  docx(
    [{ runs: [{ text: 'Small' }] }],
    Object.fromEntries(
      Array.from({ length: Math.ceil(megabytes / 20) }, (_, i) => [`word/media/${i}.bin`, '0'.repeat(20_000_000)]),
    ),
  );
