import JSZip from 'jszip';

/** Files as they may come from anywhere, among them such as are made to stop whoever reads them. */

/** A DOCX package whose document holds these paragraphs, and nothing else. */
export async function docx(paragraphs: string): Promise<Uint8Array> {
  const zip = new JSZip();
  zip.file(
    '[Content_Types].xml',
    '<?xml version="1.0"?><Types xmlns="http://schemas.openxmlformats.org/package/2006/content-types"><Default Extension="rels" ContentType="application/vnd.openxmlformats-package.relationships+xml"/><Default Extension="xml" ContentType="application/xml"/><Override PartName="/word/document.xml" ContentType="application/vnd.openxmlformats-officedocument.wordprocessingml.document.main+xml"/></Types>',
  );
  zip.file(
    '_rels/.rels',
    '<?xml version="1.0"?><Relationships xmlns="http://schemas.openxmlformats.org/package/2006/relationships"><Relationship Id="r" Type="http://schemas.openxmlformats.org/officeDocument/2006/relationships/officeDocument" Target="word/document.xml"/></Relationships>',
  );
  zip.file(
    'word/document.xml',
    `<?xml version="1.0"?><w:document xmlns:w="http://schemas.openxmlformats.org/wordprocessingml/2006/main"><w:body>${paragraphs}</w:body></w:document>`,
  );
  return zip.generateAsync({ type: 'uint8array', compression: 'DEFLATE' });
}

export const svg = (inner: string, size = 'width="400" height="400"') =>
  `<svg xmlns="http://www.w3.org/2000/svg" ${size}>${inner}</svg>`;

/** A package of some hundred kilobytes in which 3,500,000 paragraphs lie. */
export const unpacksTo150MB = (): Promise<Uint8Array> => docx('<w:p><w:r><w:t>wind</w:t></w:r></w:p>'.repeat(3_500_000));

/** A drawing of a few kilobytes that takes minutes to draw. */
export function filtersOverFilters(): string {
  const blur = Array.from(
    { length: 20 },
    (_, i) =>
      `<feTurbulence baseFrequency="0.0${i + 1}" numOctaves="30" result="t${i}"/><feMorphology operator="dilate" radius="200"/><feGaussianBlur stdDeviation="90"/>`,
  ).join('');
  return svg(
    `<filter id="f" x="-5" y="-5" width="11" height="11">${blur}</filter><rect width="400" height="400" filter="url(#f)"/>`,
    'width="4000" height="4000"',
  );
}
