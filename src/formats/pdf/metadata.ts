import { randomUUID } from 'node:crypto';
import { PDFHeader, PDFHexString, PDFName, PDFString, type PDFDocument } from '@cantoo/pdf-lib';
import { escaped } from '../markup';

/** What a PDF says of itself. */
export interface PdfHead {
  readonly title: string;
  readonly author: string;
  readonly language: string;
  /** When it was made. */
  readonly at: Date;
}

/** Properties of a schema in the metadata, by its prefix: `pdfuaid:part`. */
type Said = Readonly<Record<string, string>>;

const SCHEMAS: Readonly<Record<string, string>> = {
  dc: 'http://purl.org/dc/elements/1.1/',
  xmp: 'http://ns.adobe.com/xap/1.0/',
  xmpMM: 'http://ns.adobe.com/xap/1.0/mm/',
  pdf: 'http://ns.adobe.com/pdf/1.3/',
  pdfxid: 'http://www.npes.org/pdfx/ns/id/',
  pdfuaid: 'http://www.aiim.org/pdfua/ns/id/',
};

const MAKER = 'Restless Kite';

/**
 * Writes what a PDF says of itself, in its information dictionary and, the same again, as XMP (ISO 16684-1), which stays
 * readable in the file; and gives it the identifiers that tell its versions apart (ISO 32000-1, 14.4).
 */
export function writeHead(pdf: PDFDocument, head: PdfHead, more: Said = {}): void {
  const { title, author, language, at } = head;
  pdf.setTitle(title, { showInWindowTitleBar: true });
  pdf.setAuthor(author);
  pdf.setLanguage(language);
  pdf.setProducer(MAKER);
  pdf.setCreator(MAKER);
  pdf.setCreationDate(at);
  pdf.setModificationDate(at);
  const { context } = pdf;
  const id = randomUUID();
  const metadata = context.stream(new TextEncoder().encode(xmp(head, id, more)), { Type: 'Metadata', Subtype: 'XML' });
  pdf.catalog.set(PDFName.of('Metadata'), context.register(metadata));
  const bytes = PDFHexString.of(id.replaceAll('-', '').toUpperCase());
  context.trailerInfo.ID = context.obj([bytes, bytes]);
}

function xmp({ title, author, language, at }: PdfHead, id: string, more: Said): string {
  const date = at.toISOString().replace(/\.\d+Z$/, 'Z');
  const said: Said = {
    'dc:format': 'application/pdf',
    'xmp:CreateDate': date,
    'xmp:ModifyDate': date,
    'xmp:MetadataDate': date,
    'xmp:CreatorTool': MAKER,
    'xmpMM:DocumentID': `uuid:${id}`,
    'xmpMM:VersionID': '1',
    'xmpMM:RenditionClass': 'default',
    'pdf:Producer': MAKER,
    ...more,
  };
  const spaces = Object.entries(SCHEMAS).map(([prefix, uri]) => `xmlns:${prefix}="${uri}"`);
  const entries = Object.entries(said).map(([name, value]) => `   <${name}>${escaped(value)}</${name}>`);
  return [
    '<?xpacket begin="\uFEFF" id="W5M0MpCehiHzreSzNTczkc9d"?>',
    '<x:xmpmeta xmlns:x="adobe:ns:meta/">',
    ' <rdf:RDF xmlns:rdf="http://www.w3.org/1999/02/22-rdf-syntax-ns#">',
    `  <rdf:Description rdf:about="" ${spaces.join(' ')}>`,
    `   <dc:title><rdf:Alt><rdf:li xml:lang="x-default">${escaped(title)}</rdf:li></rdf:Alt></dc:title>`,
    `   <dc:creator><rdf:Seq><rdf:li>${escaped(author)}</rdf:li></rdf:Seq></dc:creator>`,
    `   <dc:language><rdf:Bag><rdf:li>${escaped(language)}</rdf:li></rdf:Bag></dc:language>`,
    ...entries,
    '  </rdf:Description>',
    ' </rdf:RDF>',
    '</x:xmpmeta>',
    '<?xpacket end="w"?>',
  ].join('\n');
}

/** A colour profile of a press, and what it calls itself. */
export interface OutputProfile {
  readonly bytes: Uint8Array;
  readonly name: string;
}

/**
 * Makes a PDF one that a press takes as it is: PDF/X-4 (ISO 15930-7; the clauses from memory). It says for which printing it was
 * made, with that printing’s profile in it (6.2.2), that it is not trapped (6.10), and of what version it is (6.1.2, 6.9).
 */
export function asPdfX4(pdf: PDFDocument, head: PdfHead, profile: OutputProfile): void {
  const { context } = pdf;
  // A reader of the standard’s own time is told no later version of PDF than it knows.
  context.header = PDFHeader.forVersion(1, 6);
  writeHead(pdf, head, { 'pdfxid:GTS_PDFXVersion': 'PDF/X-4', 'pdf:Trapped': 'False' });
  const info = context.lookup(context.trailerInfo.Info);
  if (info && 'set' in info)
    (info as { set(key: PDFName, value: PDFName): void }).set(PDFName.of('Trapped'), PDFName.of('False'));
  const intent = context.obj({
    Type: 'OutputIntent',
    S: 'GTS_PDFX',
    OutputConditionIdentifier: PDFString.of('Custom'),
    OutputCondition: PDFHexString.fromText(profile.name),
    Info: PDFHexString.fromText(profile.name),
    DestOutputProfile: context.register(context.flateStream(profile.bytes, { N: 4 })),
  });
  pdf.catalog.set(PDFName.of('OutputIntents'), context.obj([context.register(intent)]));
}

/** Gives every page the name by which readers call it: its folio (ISO 32000-1, 12.4.2). */
export function labelPages(pdf: PDFDocument, labels: readonly string[]): void {
  const nums = labels.flatMap((label, i) => [i, { P: PDFHexString.fromText(label) }]);
  pdf.catalog.set(PDFName.of('PageLabels'), pdf.context.obj({ Nums: nums }));
}
