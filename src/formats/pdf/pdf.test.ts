import { readFile } from 'node:fs/promises';
import { decodePDFRawStream, PDFArray, PDFDict, PDFDocument, PDFName, type PDFRawStream, PDFStream } from '@cantoo/pdf-lib';
import sharp from 'sharp';
import { beforeAll, describe, expect, it } from 'vitest';
import {
  baseRecords,
  document,
  pictureFrame,
  pictureRecord,
  prose,
  textFrame,
  textRecord,
} from '../../../tests/support/documents';
import { madePdf, type PdfAsked } from '../../../tests/support/pdf';
import { pdfWords, ran } from '../../../tests/support/programs';
import type { PageList, TextItem } from '@/core/compose/displayList/displayList';
import { lineText } from '@/core/compose/displayList/lineText';
import { docOf, markOf, paragraphOf, plainBody, plainParagraphs, textOf } from '@/core/records/body';
import type { Document } from '@/core/records/document';
import type { PictureRecord } from '@/core/records/index';

const AREA = { x: 50, y: 48, w: 300, h: 504 };

const body = docOf([
  ...plainParagraphs('crosshead', 'Affairs of the office'),
  paragraphOf({ style: 'body' }, [
    textOf('A fjord, an office and a '),
    textOf('difficult affair', [markOf('emphasis')]),
    textOf('; “AVATAR”, she said, '),
    textOf('Été, naïve, Te Wa', [markOf('strong')]),
    textOf(`. ${prose(500, 2)}`),
  ]),
]);

const PICTURES: Record<string, Partial<PictureRecord>> = {
  photo: { media: 'image/jpeg', width: 600, height: 400 },
  cut: { media: 'image/png', width: 300, height: 300, transparent: true, outlines: { alpha: [[0, 0, 1, 0, 0.5, 1]] } },
  drawing: { media: 'image/svg+xml', width: 40, height: 40 },
  lamp: {
    media: 'image/png',
    width: 200,
    height: 200,
    outlines: { background: [[0.25, 0.25, 0.75, 0.25, 0.75, 0.75, 0.25, 0.75]] },
  },
};

async function bytesOf(id: string): Promise<Uint8Array> {
  const red = { width: 300, height: 300, channels: 4 as const, background: { r: 200, g: 30, b: 20, alpha: 0.5 } };
  if (id === 'photo')
    return sharp({ create: { ...red, width: 600, height: 400, channels: 3 } })
      .jpeg()
      .toBuffer();
  if (id === 'cut') return sharp({ create: red }).png().toBuffer();
  if (id === 'lamp')
    return sharp({ create: { ...red, width: 200, height: 200, channels: 3, background: '#ffffff' } })
      .png()
      .toBuffer();
  return new TextEncoder().encode(
    '<svg xmlns="http://www.w3.org/2000/svg" width="40" height="40"><circle cx="20" cy="20" r="18" fill="#0a0"/></svg>',
  );
}

const doc = document(
  ...baseRecords(3),
  { id: 'red', kind: 'swatch', name: 'Red', cmyk: [0, 1, 1, 0] },
  ...Object.entries(PICTURES).map(([id, more]) => pictureRecord(id, more)),
  textRecord('text', body),
  textFrame('f', 'text', 'p1', { ...AREA, y: 180, h: 370 }, { columns: 2 }),
  pictureFrame('photo-frame', 'photo', 'p1', { x: -9, y: -9, w: 418, h: 180 }, { mode: 'frame', standOff: 0 }),
  pictureFrame('cut-frame', 'cut', 'p1', { x: 150, y: 300, w: 90, h: 90 }, { mode: 'outline', standOff: 8 }),
  pictureFrame('drawing-frame', 'drawing', 'p2', { x: 330, y: 100, w: 140, h: 140 }),
  pictureFrame(
    'lamp-frame',
    'lamp',
    'p2',
    { x: 60, y: 300, w: 100, h: 100 },
    { mode: 'outline', standOff: 3, outline: 'background' },
  ),
  {
    ...pictureFrame('panel', undefined, 'p3', { x: 200, y: 400, w: 100, h: 100 }),
    content: { type: 'panel' },
    fill: { swatch: 'red', tint: 1 },
  },
  pictureFrame('waits', undefined, 'p3', { x: 50, y: 400, w: 100, h: 100 }),
);

interface Made {
  readonly path: string;
  readonly pages: readonly PageList[];
}

/** What a reader of a text makes of it: a soft hyphen at a line's end joins the two parts of its word. */
const joined = (out: string): string => out.replace(/\u00AD\s*/g, '').replace(/\s+/g, ' ');

const made = (of: Document, asked: Pick<PdfAsked, 'for' | 'marks' | 'spreads'>): Promise<Made> =>
  madePdf(of, { ...asked, bytes: (picture) => bytesOf(picture.id) });

/** A page drawn at 72 pixels to the inch. */
async function pictureOf(path: string, page: number): Promise<string> {
  const prefix = path.replace('.pdf', `-drawn-${page}`);
  await ran('pdftoppm', ['-r', '72', '-png', '-singlefile', '-f', String(page), '-l', String(page), path, prefix]);
  return `${prefix}.png`;
}

const lines = (pages: readonly PageList[], page: string) =>
  pages
    .find((list) => list.page === page)!
    .items.filter((item): item is TextItem => item.type === 'text')
    .flatMap((item) => item.columns.flatMap((column) => column.lines));

describe('a screen PDF', () => {
  let pdf: Made;
  beforeAll(async () => (pdf = await made(doc, { for: 'screen' })));

  // Reference: qpdf, which checks the structure of a PDF against ISO 32000.
  it('is well formed', async () => {
    const { code, out } = await ran('qpdf', ['--check', pdf.path]);
    expect(out).toContain('No syntax or stream encoding errors');
    expect(code).toBe(0);
  });

  it('has the size of the trim, and says what it is', async () => {
    const { out } = await ran('pdfinfo', ['-box', pdf.path]);
    expect(out).toMatch(/Page size:\s+400 x 600 pts/);
    expect(out).toMatch(/Title:\s+Longspar 14/);
    expect(out).toMatch(/Pages:\s+3/);
  });

  it('embeds its fonts as subsets with their characters', async () => {
    const { out } = await ran('pdffonts', [pdf.path]);
    const rows = out.trim().split('\n').slice(2);
    expect(rows.length).toBe(3);
    for (const row of rows) expect(row).toMatch(/^[A-Z]{6}\+SourceSerif4-\S+\s+CID TrueType\s+Identity-H\s+yes yes yes/);
  });

  // Reference: poppler's pdftotext, against the display list that the screen is painted from.
  it('has every word where the display list has it, to a tenth of a point', async () => {
    const words = (await pdfWords(pdf.path)).filter(({ page }) => page === 1);
    const expected = lines(pdf.pages, 'p1').flatMap((line) => {
      const out: { text: string; x: number; y: number; ascent: number }[] = [];
      for (const run of line.runs) {
        const last = out.at(-1);
        const joins = last && line.runs[line.runs.indexOf(run) - 1]!.to === run.from;
        // The hyphen of a line's end is read as a soft one.
        const text = run.added ? run.text.replace(/-$/, '\u00AD') : run.text;
        if (joins) out[out.length - 1] = { ...last, text: last.text + text };
        else out.push({ text, x: line.x + run.x, y: line.baseline, ascent: line.ascent });
      }
      return out;
    });
    expect(words.length).toBe(expected.length);
    const found = [...words];
    for (const word of expected) {
      const at = found.findIndex(
        (each) => each.text === word.text && Math.abs(each.x - word.x) < 0.1 && each.top < word.y && each.bottom > word.y - 1,
      );
      expect(at, `${word.text} at ${word.x}, ${word.y}`).toBeGreaterThanOrEqual(0);
      found.splice(at, 1);
    }
  });

  it('is read in the order of the text', async () => {
    const { out } = await ran('pdftotext', ['-raw', '-f', '1', '-l', '1', pdf.path, '-']);
    const squeezed = (text: string) => text.replace(/\s+/g, '');
    const read = lines(pdf.pages, 'p1').map((line) =>
      line.hyphenated ? lineText(line).replace(/-$/, '\u00AD') : lineText(line),
    );
    expect(squeezed(out)).toBe(squeezed(read.join('')));
    expect(out).toContain('fjord');
  });

  it('holds pictures at all their pixels, cut-outs with their transparency', async () => {
    const { out } = await ran('pdfimages', ['-list', pdf.path]);
    const rows = out
      .trim()
      .split('\n')
      .slice(2)
      .map((row) => row.trim().split(/\s+/));
    const of = (type: string, width: string) => rows.filter((row) => row[2] === type && row[3] === width);
    expect(of('image', '600')[0]).toMatchObject({ 5: 'rgb', 8: 'jpeg' });
    expect(of('image', '300')).toHaveLength(1);
    expect(of('smask', '300')).toHaveLength(1);
  });

  it('shows what reaches over the spine on both pages, cuts out by outline, and leaves out what waits', async () => {
    const at = async (page: number, x: number, y: number) => {
      const prefix = pdf.path.replace('.pdf', `-${page}`);
      await ran('pdftoppm', ['-r', '72', '-png', '-singlefile', '-f', String(page), '-l', String(page), pdf.path, prefix]);
      const { data } = await sharp(`${prefix}.png`)
        .removeAlpha()
        .extract({ left: x, top: y, width: 1, height: 1 })
        .raw()
        .toBuffer({ resolveWithObject: true });
      return [...data];
    };
    for (const [red, green, blue] of [await at(2, 380, 170), await at(3, 30, 170)]) {
      expect(Math.abs(green! - 170)).toBeLessThan(4);
      expect(red! + blue!).toBeLessThan(8);
    }
    expect((await at(3, 250, 450))[0]).toBeGreaterThan(200);
    expect((await at(3, 250, 450))[1]).toBeLessThan(60);
    expect(await at(3, 100, 450)).toEqual([255, 255, 255]);
  });
});

describe('a print PDF', () => {
  let marked: Made;
  let plain: Made;
  beforeAll(async () => {
    marked = await made(doc, { for: 'print', marks: { crop: true } });
    plain = await made(doc, { for: 'print' });
  });

  const boxes = async (path: string) => {
    const { out } = await ran('pdfinfo', ['-box', '-f', '1', '-l', '1', path]);
    const box = (name: string) =>
      new RegExp(`${name}:\\s+([-\\d.]+)\\s+([-\\d.]+)\\s+([-\\d.]+)\\s+([-\\d.]+)`).exec(out)!.slice(1).map(Number);
    return { media: box('MediaBox'), bleed: box('BleedBox'), trim: box('TrimBox') };
  };

  // Source: ISO 32000-1, 14.11.2: the trim box lies in the bleed box, the bleed box in the media box.
  it('has trim, bleed and media boxes, one inside the other', async () => {
    for (const { path } of [marked, plain]) {
      const { media, bleed, trim } = await boxes(path);
      expect(trim[2]! - trim[0]!).toBeCloseTo(400, 1);
      expect(trim[3]! - trim[1]!).toBeCloseTo(600, 1);
      expect(trim[0]! - bleed[0]!).toBeCloseTo(9, 1);
      expect(bleed[3]! - trim[3]!).toBeCloseTo(9, 1);
      expect(media[0]!).toBeLessThanOrEqual(bleed[0]!);
      expect(media[2]!).toBeGreaterThanOrEqual(bleed[2]!);
    }
    expect((await boxes(plain.path)).media).toEqual((await boxes(plain.path)).bleed);
    expect((await boxes(marked.path)).media[2]! - (await boxes(marked.path)).bleed[2]!).toBeGreaterThan(14);
  });

  it('is well formed, and has nothing but the four inks', async () => {
    for (const { path } of [marked, plain]) {
      expect((await ran('qpdf', ['--check', path])).code).toBe(0);
      const { out } = await ran('pdfimages', ['-list', path]);
      const kinds = out
        .trim()
        .split('\n')
        .slice(2)
        .map((row) => row.trim().split(/\s+/))
        .filter((row) => row[2] === 'image')
        .map((row) => row[5]);
      expect(new Set(kinds)).toEqual(new Set(['cmyk']));
    }
  });

  // Reference: Ghostscript's inkcov, the share of each ink on a page.
  it('prints text and panels in the inks of their swatches', async () => {
    const { out } = await ran('gs', ['-q', '-o', '-', '-sDEVICE=inkcov', '-dFirstPage=3', '-dLastPage=3', plain.path]);
    const [c, m, y, k] = out.trim().split(/\s+/).map(Number);
    // A red panel of 100 × 100 pt on 418 × 618, and the drawing's part that reaches over the spine.
    expect(m!).toBeGreaterThan(0.035);
    expect(y!).toBeGreaterThan(0.035);
    expect(c!).toBeLessThan(0.06);
    expect(k!).toBeLessThan(0.03);
  });

  it('keeps a picture’s colour when its inks are turned round by JPEG', async () => {
    const prefix = plain.path.replace('.pdf', '-1');
    await ran('gs', ['-q', '-o', `${prefix}.png`, '-r36', '-sDEVICE=png16m', '-dLastPage=1', plain.path]);
    const { data } = await sharp(`${prefix}.png`)
      .removeAlpha()
      .extract({ left: 100, top: 50, width: 1, height: 1 })
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect(data[0]).toBeGreaterThan(150);
    expect(data[1]).toBeLessThan(90);
    expect(data[2]).toBeLessThan(90);
  });

  it('draws crop marks at the trim, outside the bleed', async () => {
    const { out } = await ran('qpdf', ['--qdf', '--object-streams=disable', '--stream-data=uncompress', marked.path, '-']);
    expect(out.match(/ l S/g)?.length).toBe(8 * 3);
    const bare = await ran('qpdf', ['--qdf', '--object-streams=disable', '--stream-data=uncompress', plain.path, '-']);
    expect(bare.out).not.toMatch(/ l S/);
  });
});

// Source: ISO 15930-7:2010 (PDF/X-4). Its clauses are cited from memory.
describe('a print PDF is PDF/X-4', () => {
  let path: string;
  let objects: PDFDocument;
  beforeAll(async () => {
    ({ path } = await made(doc, { for: 'print', marks: { crop: true, strip: true, slug: true } }));
    objects = await PDFDocument.load(await readFile(path), { updateMetadata: false });
  });

  it('says so in its metadata, which can be read in the file as they are (6.9)', async () => {
    expect((await readFile(path)).subarray(0, 8).toString('latin1')).toBe('%PDF-1.6');
    const metadata = objects.catalog.lookup(PDFName.of('Metadata'), PDFStream);
    expect(metadata.dict.has(PDFName.of('Filter'))).toBe(false);
    const xmp = new TextDecoder().decode(metadata.getContents());
    expect(xmp).toContain('<pdfxid:GTS_PDFXVersion>PDF/X-4</pdfxid:GTS_PDFXVersion>');
    for (const name of [
      'xmp:CreateDate',
      'xmp:ModifyDate',
      'xmp:MetadataDate',
      'xmpMM:DocumentID',
      'xmpMM:VersionID',
      'dc:title',
    ])
      expect(xmp, name).toContain(`<${name}>`);
    expect((await readFile(path)).includes('/GTS_PDFXVersion')).toBe(false);
  });

  it('says whether it is trapped, in both places (6.10), and has identifiers (6.1.3)', async () => {
    const { out } = await ran('pdfinfo', [path]);
    expect(out).toMatch(/Title:\s+Longspar 14/);
    const info = objects.context.lookup(objects.context.trailerInfo.Info, PDFDict);
    expect(info.get(PDFName.of('Trapped'))).toBe(PDFName.of('False'));
    expect(objects.context.lookup(objects.context.trailerInfo.ID, PDFArray).size()).toBe(2);
    expect(objects.context.trailerInfo.Encrypt).toBeUndefined();
  });

  it('names the printing it is made for, with its profile in it (6.2.2)', () => {
    const [intent, ...more] = objects.catalog.lookup(PDFName.of('OutputIntents'), PDFArray).asArray();
    expect(more).toEqual([]);
    const dict = objects.context.lookup(intent, PDFDict);
    expect(dict.get(PDFName.of('S'))).toBe(PDFName.of('GTS_PDFX'));
    expect(dict.has(PDFName.of('OutputConditionIdentifier'))).toBe(true);
    const profile = dict.lookup(PDFName.of('DestOutputProfile'), PDFStream);
    expect(String(profile.dict.get(PDFName.of('N')))).toBe('4');
    // ICC.1:2022, 7.2: an output profile (prtr) of four inks (CMYK).
    const bytes = Buffer.from(decodePDFRawStream(profile as PDFRawStream).decode());
    expect(bytes.subarray(12, 20).toString('latin1')).toBe('prtrCMYK');
  });

  it('has no colour of light (6.2.4), every font in it (6.3), nothing live (6.6, 6.15), and its transparency (6.2.9)', async () => {
    const { out } = await ran('qpdf', ['--qdf', '--object-streams=disable', '--stream-data=uncompress', path, '-']);
    expect(out).not.toMatch(
      /DeviceRGB|CalRGB|\b(rg|RG)\n|\/JavaScript|\/JS\b|\/Annots|\/AcroForm|\/OPI|\/TR\b|\/Encrypt|LZWDecode/,
    );
    const fonts = (await ran('pdffonts', [path])).out.trim().split('\n').slice(2);
    for (const font of fonts) expect(font).toMatch(/yes yes yes/);
    expect(out).toContain('/SMask');
    expect(out.match(/\/CS \/DeviceCMYK/g)?.length).toBe(3);
  });

  it('has an ink strip and a slug line outside the trim', async () => {
    const words = await pdfWords(path);
    const slug = words.filter(({ page, text }) => page === 2 && /^(Longspar|14,|page|2)$/.test(text));
    expect(slug.map(({ text }) => text).join(' ')).toBe('Longspar 14, page 2');
    const { media, trim } = { media: objects.getPage(1).getMediaBox(), trim: objects.getPage(1).getTrimBox() };
    // From the top down: under the trim’s foot.
    for (const word of slug) expect(word.top).toBeGreaterThan(media.height - trim.y);
    const { data } = await sharp(await pictureOf(path, 2))
      .removeAlpha()
      .extract({ left: Math.round(trim.x - 13), top: Math.round(media.height / 2 - 60), width: 1, height: 110 })
      .raw()
      .toBuffer({ resolveWithObject: true });
    const colours = new Set<string>();
    for (let i = 0; i < data.length; i += 3) colours.add([data[i]! >> 6, data[i + 1]! >> 6, data[i + 2]! >> 6].join());
    expect(colours.size).toBeGreaterThan(6);
  });

  it('calls its pages by their folios', async () => {
    const folios = document(...baseRecords(3), {
      id: 'from',
      kind: 'section',
      from: 'p1',
      name: 'Front',
      folios: { style: 'i', prefix: '', start: 5 },
    } as never);
    const { path: own } = await made(folios, { for: 'print' });
    const { out } = await ran('qpdf', ['--json', '--json-key=pagelabels', own]);
    const labels = (JSON.parse(out) as { pagelabels: { label: Record<string, string> }[] }).pagelabels;
    expect(labels.map(({ label }) => label['/P'])).toEqual(['u:v', 'u:vi', 'u:vii']);
  });
});

describe('the inks of a print PDF', () => {
  const panel = (swatch: string) => ({
    ...pictureFrame('under', undefined, 'p1', { x: 50, y: 48, w: 300, h: 200 }),
    content: { type: 'panel' as const },
    fill: { swatch, tint: 1 },
    order: 'A0',
  });

  // Reference: Ghostscript's separations, which knows overprinting (ISO 32000-1, 8.6.7).
  it('black letters are printed over what lies under them; other letters take its place', async () => {
    const coverage = async (cmyk: readonly [number, number, number, number]) => {
      const of = document(
        ...baseRecords(1),
        { id: 'red', kind: 'swatch', name: 'Red', cmyk: [0, 1, 1, 0] },
        { id: 'letters', kind: 'swatch', name: 'Letters', cmyk },
        panel('red'),
        {
          id: 'heavy',
          kind: 'paragraphStyle',
          name: 'Heavy',
          properties: { hyphens: false, align: 'left', size: 60, leading: 60, swatch: 'letters' },
        },
        textRecord('text', plainBody('heavy', 'MMMMMM')),
        textFrame('f', 'text', 'p1', { ...AREA, h: 180 }),
      );
      const { path } = await made(of, { for: 'print' });
      const { out } = await ran('gs', ['-q', '-o', '-', '-sDEVICE=ink_cov', path]);
      return out.trim().split(/\s+/).slice(0, 4).map(Number);
    };
    const whole = (100 * 300 * 200) / (418 * 618);
    const [, over, , black] = await coverage([0, 0, 0, 1]);
    expect(black!).toBeGreaterThan(1.5);
    expect(Math.abs(over! - whole)).toBeLessThan(0.3);
    const [, knocked] = await coverage([0, 0, 0, 0.9]);
    expect(knocked!).toBeLessThan(whole - 1.5);
  });

  it('an ink of its own has a plate of its own, by its name', async () => {
    const of = document(
      ...baseRecords(1),
      { id: 'spot', kind: 'swatch', name: 'Harbour Blue', cmyk: [0.9, 0.6, 0, 0.1], spot: true },
      { ...panel('spot'), fill: { swatch: 'spot', tint: 0.5 } },
    );
    const { path } = await made(of, { for: 'print' });
    const prefix = path.replace('.pdf', '');
    await ran('gs', ['-q', '-o', `${prefix}.tif`, '-sDEVICE=tiffsep', '-r72', path]);
    const { data } = await sharp(`${prefix}(Harbour Blue).tif`)
      .extract({ left: 200, top: 150, width: 1, height: 1 })
      .raw()
      .toBuffer({ resolveWithObject: true });
    expect(Math.abs(data[0]! - 127)).toBeLessThan(3);
    const cyan = await sharp(`${prefix}(Cyan).tif`).extract({ left: 200, top: 150, width: 1, height: 1 }).raw().toBuffer();
    expect(cyan[0]).toBe(255);
  });

  it('spreads lie open, with the fold marked', async () => {
    const { path } = await made(doc, { for: 'print', spreads: true, marks: { crop: true, fold: true } });
    const objects = await PDFDocument.load(await readFile(path));
    expect(objects.getPages().map((page) => Math.round(page.getTrimBox().width))).toEqual([400, 800]);
    const { out } = await ran('qpdf', ['--qdf', '--object-streams=disable', '--stream-data=uncompress', path, '-']);
    expect(out.match(/\[2 1.5\] 0 d/g)).toHaveLength(1);
  });
});

describe('text copied from a PDF', () => {
  const narrow = { x: 50, y: 48, w: 60, h: 504 };
  const read = async (...records: Parameters<typeof document>) => {
    const { path, pages } = await made(document(...records), { for: 'screen' });
    const { out } = await ran('pdftotext', ['-raw', path, '-']);
    return { path, pages, out, joined: joined(out) };
  };

  // Source: ISO 32000-1, 14.8.2.2.3: a hyphen that a line's end made is a soft one.
  it('has its words whole again, and keeps the hyphens that are theirs', async () => {
    const words = 'An extraordinary affair of three-quarter considerations and well-known misunderstandings throughout.';
    const { out, joined: whole } = await read(
      ...baseRecords(1),
      textRecord('text', plainBody('body', words)),
      textFrame('f', 'text', 'p1', narrow),
    );
    expect(out).toContain('\u00AD');
    expect(whole.replaceAll('- ', '-')).toContain(words.replaceAll(' ', ' '));
  });

  it('says capitals where small capitals stand for them', async () => {
    const { joined: whole } = await read(
      ...baseRecords(1),
      {
        id: 'caps',
        kind: 'characterStyle',
        name: 'Caps',
        properties: { letterCase: 'allSmallCapitals' },
      },
      textRecord(
        'text',
        docOf([paragraphOf({ style: 'body' }, [textOf('The unesco and the UNESCO', [markOf('character', { style: 'caps' })])])]),
      ),
      textFrame('f', 'text', 'p1', { ...narrow, w: 300 }),
    );
    expect(whole).toContain('The unesco and the UNESCO');
  });

  it('follows its thread from frame to frame, wherever those stand', async () => {
    const words = Array.from({ length: 160 }, (_, i) => `w${i}`).join(' ');
    const { joined: whole } = await read(
      ...baseRecords(1),
      textRecord('text', plainBody('body', words)),
      textFrame('first', 'text', 'p1', { x: 230, y: 48, w: 120, h: 120 }),
      textFrame('second', 'text', 'p1', { x: 50, y: 300, w: 120, h: 240 }, { order: 'a1' }, 'a1'),
      textFrame('third', 'text', 'p1', { x: 50, y: 48, w: 120, h: 120 }, { order: 'a2' }, 'a2'),
    );
    const numbers = [...whole.matchAll(/w(\d+)/g)].map(([, n]) => Number(n));
    expect(numbers.length).toBeGreaterThan(100);
    expect(numbers).toEqual(numbers.map((_, i) => i));
  });

  it('has Han, Hangul, Thai and Hebrew in faces of their own, and boxes with their characters where no face has them', async () => {
    const { path, pages, out } = await read(
      ...baseRecords(1),
      textRecord('text', plainBody('body', 'Drawn by 李明, 한국어, สวัสดี and שלום; ᚠᚢ.')),
      textFrame('f', 'text', 'p1', { ...narrow, w: 300 }),
    );
    for (const word of ['李明', '한국어', 'สวัสดี', 'ᚠᚢ']) expect(out.normalize('NFKC')).toContain(word.normalize('NFKC'));
    const { out: fonts } = await ran('pdffonts', [path]);
    for (const face of ['NotoSansSC', 'NotoSansKR', 'NotoSansThai', 'NotoSansHebrew']) expect(fonts).toContain(face);
    // No glyph of any face says “missing”: what none has is a box, and there is one for each.
    const runs = lines(pages, 'p1').flatMap((line) => line.runs);
    expect(runs.filter(({ look, shaped }) => shaped.missing > 0 && !look.absent)).toEqual([]);
    expect(
      runs
        .filter(({ look }) => look.absent)
        .map((run) => run.text)
        .join(''),
    ).toBe('ᚠᚢ');
    const qdf = await ran('qpdf', ['--qdf', '--object-streams=disable', '--stream-data=uncompress', path, '-']);
    expect(qdf.out.match(/ re S/g)).toHaveLength(2);
  });
});

describe('supplied inks', () => {
  // Reference: Ghostscript's separations, ink by ink.
  it.each(['cmyk', 'grey'] as const)('of a %s picture are printed as they were supplied', async (colour) => {
    const side = 64;
    const jpeg = await sharp({ create: { width: side, height: side, channels: 3, background: '#203050' } })
      .toColourspace(colour === 'cmyk' ? 'cmyk' : 'b-w')
      .jpeg({ quality: 100 })
      .toBuffer();
    const kept = await sharp(jpeg)
      .pipelineColourspace(colour === 'cmyk' ? 'cmyk' : 'b-w')
      .toColourspace(colour === 'cmyk' ? 'cmyk' : 'b-w')
      .raw()
      .toBuffer();
    const of = document(
      ...baseRecords(1),
      pictureRecord('ink-picture', { media: 'image/jpeg', width: side, height: side, colour }),
      pictureFrame('f', 'ink-picture', 'p1', { x: 0, y: 0, w: 400, h: 600 }),
    );
    const { path } = await madePdf(of, { for: 'print', bytes: async () => new Uint8Array(jpeg) });
    const { out } = await ran('gs', ['-q', '-o', '-', '-sDEVICE=ink_cov', path]);
    const inks = out.trim().split(/\s+/).slice(0, 4).map(Number);
    // The picture is square, the page with its bleed 418 × 618 pt: as much of each ink as its own file says.
    const covered = inks.map((ink) => (ink * 418 * 618) / (400 * 400));
    const own = colour === 'cmyk' ? [...kept.subarray(0, 4)].map((ink) => ink / 2.55) : [0, 0, 0, 100 - kept[0]! / 2.55];
    covered.forEach((ink, i) => expect(Math.abs(ink - own[i]!), `${covered} ${own}`).toBeLessThan(2));
    // And byte for byte what came.
    await ran('pdfimages', ['-all', path, path.replace('.pdf', '')]);
    expect((await readFile(path.replace('.pdf', '-000.jpg'))).equals(jpeg)).toBe(true);
  });
});
