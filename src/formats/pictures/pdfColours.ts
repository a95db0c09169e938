import { inflateSync } from 'node:zlib';
import { PDFArray, PDFDict, PDFDocument, PDFName, PDFNumber, PDFRawStream, type PDFObject } from '@cantoo/pdf-lib';
import type { PictureRecord } from '@/core/records/index';

/** How deep forms within forms are followed, and how many of them in all. */
const MOST_FORMS = 500;

/** Bytes of operators that are looked through. */
const MOST_OPERATORS = 50_000_000;

/**
 * The colours a page of a PDF is made of, by its operators and colour spaces (ISO 32000-1, 8.6): light where it uses any,
 * else the printer's inks, else grey. A page that cannot be looked into counts as light: it is then put into inks, which
 * leaves inks as they are.
 */
export async function coloursOfPage(bytes: Uint8Array, page: number): Promise<PictureRecord['colour']> {
  try {
    const pdf = await PDFDocument.load(bytes, { ignoreEncryption: true, updateMetadata: false });
    const found = new Set<'rgb' | 'cmyk' | 'grey'>();
    const seen = new Set<PDFObject>();
    let operators = 0;
    const own = pdf.getPage(page - 1).node;

    const space = (object: PDFObject | undefined): void => {
      const value = object && pdf.context.lookup(object);
      const name = value instanceof PDFName ? value.decodeText() : value instanceof PDFArray ? kindOf(value) : '';
      if (name === 'DeviceRGB' || name === 'CalRGB' || name === 'Lab') found.add('rgb');
      else if (name === 'DeviceCMYK') found.add('cmyk');
      else if (name === 'ICCBased' && value instanceof PDFArray) {
        const stream = value.lookup(1);
        const n = stream instanceof PDFRawStream ? stream.dict.lookup(PDFName.of('N')) : undefined;
        found.add(
          n instanceof PDFNumber && n.asNumber() === 4 ? 'cmyk' : n instanceof PDFNumber && n.asNumber() === 1 ? 'grey' : 'rgb',
        );
      } else if (value instanceof PDFArray && (name === 'Indexed' || name === 'Separation' || name === 'DeviceN'))
        space(value.get(name === 'Indexed' ? 1 : 2));
      else if (value instanceof PDFArray && name === 'Pattern' && value.size() > 1) space(value.get(1));
    };
    const content = (stream: PDFRawStream): void => {
      const filter = stream.dict.lookup(PDFName.of('Filter'));
      const packed =
        filter instanceof PDFName ? filter.decodeText() : filter instanceof PDFArray ? String(filter.get(0)).slice(1) : '';
      if (packed !== '' && packed !== 'FlateDecode') return void found.add('rgb');
      const most = MOST_OPERATORS - operators;
      const plain = packed === '' ? stream.contents : inflateSync(stream.contents, { maxOutputLength: most });
      operators += plain.length;
      const words = Buffer.from(plain).toString('latin1');
      if (/[\d.]\s+(rg|RG)\b/.test(words)) found.add('rgb');
      if (/[\d.]\s+[kK]\b/.test(words)) found.add('cmyk');
    };
    const resources = (dict: PDFDict | undefined): void => {
      if (!dict || seen.has(dict) || seen.size > MOST_FORMS) return;
      seen.add(dict);
      const each = (key: string, work: (object: PDFObject) => void) => {
        const entries = dict.lookup(PDFName.of(key));
        if (entries instanceof PDFDict) for (const [, object] of entries.entries()) work(object);
      };
      each('ColorSpace', space);
      each('Shading', (object) => {
        const shading = pdf.context.lookup(object);
        const of = shading instanceof PDFRawStream ? shading.dict : shading;
        if (of instanceof PDFDict) space(of.get(PDFName.of('ColorSpace')));
      });
      each('Pattern', (object) => {
        const pattern = pdf.context.lookup(object);
        if (pattern instanceof PDFRawStream) form(pattern);
        else if (pattern instanceof PDFDict) {
          const shading = pattern.lookup(PDFName.of('Shading'));
          const of = shading instanceof PDFRawStream ? shading.dict : shading;
          if (of instanceof PDFDict) space(of.get(PDFName.of('ColorSpace')));
        }
      });
      each('XObject', (object) => {
        const stream = pdf.context.lookup(object);
        if (!(stream instanceof PDFRawStream)) return;
        if (stream.dict.lookup(PDFName.of('Subtype')) === PDFName.of('Form')) form(stream);
        else space(stream.dict.get(PDFName.of('ColorSpace')));
      });
    };
    const form = (stream: PDFRawStream): void => {
      if (seen.has(stream) || seen.size > MOST_FORMS) return;
      seen.add(stream);
      content(stream);
      const inner = stream.dict.lookup(PDFName.of('Resources'));
      if (inner instanceof PDFDict) resources(inner);
    };

    const contents = own.Contents();
    const streams = contents instanceof PDFArray ? contents.asArray().map((ref) => pdf.context.lookup(ref)) : [contents];
    for (const stream of streams) if (stream instanceof PDFRawStream) content(stream);
    resources(own.Resources());
    return found.has('rgb') ? 'rgb' : found.has('cmyk') ? 'cmyk' : 'grey';
  } catch {
    return 'rgb';
  }
}

const kindOf = (array: PDFArray): string => {
  const first = array.size() > 0 ? array.lookup(0) : undefined;
  return first instanceof PDFName ? first.decodeText() : '';
};
