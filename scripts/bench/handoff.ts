import PDFDocument from 'pdfkit';
import sharp from 'sharp';
import { Composer } from '@/core/compose/composer';
import type { PageList } from '@/core/compose/displayList/displayList';
import { facesOf } from '@/core/compose/paragraph/faces';
import { inReadingOrder } from '@/core/compose/displayList/readingOrder';
import { singlePages } from '@/core/handoff/sheets';
import { placedPages } from '@/core/page/pages';
import { type Document, documentOf, get } from '@/core/records/document';
import { Shaper } from '@/core/type/shaper';
import { facePath, loadFaces } from '@/formats/faces/files';
import { paintPdf } from '@/formats/pdf/painter';
import { withPress } from '@/formats/pdf/press';
import { NO_MARKS } from '@/formats/pdf/printersMarks';
import { makeWeb } from '@/services/deliveries/ways/web';
import { putBlob } from '@/store/blobs';
import { issueOf } from './checks';
import { PAGE, passage, threaded } from './texts';

/** Pages of text that are written as PDF. */
export const WRITTEN_PAGES = 100;
/** Pages of the issue whose web edition is made, and pictures in it. */
export const EDITION_PAGES = 32;
export const EDITION_PICTURES = 40;

export interface WritingFigures {
  /** Milliseconds: our print PDF, our screen PDF with its tags, and pdfkit's. */
  readonly print: readonly number[];
  readonly tagged: readonly number[];
  readonly theirs: readonly number[];
  /** The most memory of a process that writes both of ours, bytes. */
  readonly bytes: number;
}

/** Pages of text as PDF, beside pdfkit that writes the same words at the same places; in a process of its own. */
export async function writing(rounds: number): Promise<WritingFigures> {
  const words = 600 * WRITTEN_PAGES;
  const document = threaded(await passage(words));
  const shaper = new Shaper();
  await loadFaces(shaper, facesOf(document));
  const pages = new Composer(shaper).compose(document).pages.slice(0, WRITTEN_PAGES);
  const folios = placedPages(document).map(({ folio }) => folio);
  const head = { title: 'Longspar 14', author: 'Longspar', language: 'en-GB', at: new Date('2026-03-01T10:00:00Z') };
  const sources = {
    face: (id: string) => shaper.face(id),
    picture: (id: string) => get(document, 'picture', id),
    bytes: () => Promise.reject(new Error('There is no picture.')),
    order: (items: PageList['items']) => inReadingOrder(document, items),
  };
  const print = () =>
    withPress(undefined, (press) =>
      paintPdf(
        singlePages(pages, folios),
        head,
        { for: 'print', marks: NO_MARKS, press, slug: () => undefined as never },
        sources,
      ),
    );
  const tagged = () => paintPdf(singlePages(pages, folios), head, { for: 'screen', document, ppi: 200 }, sources);
  await print();
  await tagged();
  const bytes = process.resourceUsage().maxRSS * 1024;
  await withPdfkit(pages);
  const times = { print: [] as number[], tagged: [] as number[], theirs: [] as number[] };
  for (let i = 0; i < rounds; i++) {
    times.print.push(await taken(print));
    times.tagged.push(await taken(tagged));
    times.theirs.push(await taken(() => withPdfkit(pages)));
  }
  return { ...times, bytes };
}

async function taken(work: () => Promise<unknown>): Promise<number> {
  const from = performance.now();
  await work();
  return performance.now() - from;
}

/** The same words at the same places, word by word as they are set. */
function withPdfkit(pages: readonly PageList[]): Promise<Buffer> {
  return new Promise((resolve) => {
    const pdf = new PDFDocument({ autoFirstPage: false, size: [PAGE.width, PAGE.height], margin: 0 });
    const pieces: Buffer[] = [];
    pdf.on('data', (piece: Buffer) => pieces.push(piece));
    pdf.on('end', () => resolve(Buffer.concat(pieces)));
    const known = new Set<string>();
    for (const { items } of pages) {
      pdf.addPage();
      for (const item of items) {
        if (item.type !== 'text') continue;
        for (const { lines } of item.columns)
          for (const line of lines)
            for (const { x, text, look } of line.runs) {
              if (!known.has(look.face)) pdf.registerFont(look.face, facePath(look.face));
              known.add(look.face);
              pdf.font(look.face).fontSize(look.size).fillColor('black');
              pdf.text(text, line.x + x, line.baseline, {
                lineBreak: false,
                baseline: 'alphabetic',
                characterSpacing: line.letterSpace,
              });
            }
      }
    }
    pdf.end();
  });
}

export interface EditionFigures {
  /** Milliseconds from the composed pages to the zip. */
  readonly made: number;
  /** The longest time between two tellings of how far it is. */
  readonly longest: number;
}

/** A web edition of an issue with pictures of twelve megapixels, as cameras of today have them. */
export async function edition(): Promise<EditionFigures> {
  const base = await issueOf(EDITION_PAGES);
  // As in the process that makes deliveries.
  sharp.concurrency(1);
  sharp.cache(false);
  const pictures: { blob: string; i: number }[] = [];
  for (let i = 0; i < EDITION_PICTURES; i++) pictures.push({ blob: await putBlob('image/jpeg', await photograph(i)), i });
  const pic = get(base, 'picture', 'pic');
  const frame = get(base, 'frame', 'fp0');
  const document: Document = documentOf([
    ...[...base.records.values()].filter(({ id }) => id !== 'pic' && !/^fp\d+$/.test(id)),
    ...pictures.flatMap(({ blob, i }) => [
      { ...pic, id: `pic${i}`, name: `Kite ${i}`, blob, width: 4000, height: 3000 },
      {
        ...frame,
        id: `fp${i}`,
        on: `p${i % EDITION_PAGES}`,
        box: { ...frame.box, y: i < EDITION_PAGES ? 300 : 560 },
        content: { type: 'picture' as const, picture: `pic${i}`, fit: 'fill' as const },
      },
    ]),
  ]);
  const shaper = new Shaper();
  await loadFaces(shaper, facesOf(document));
  const composed = new Composer(shaper).compose(document);
  let last = performance.now();
  let longest = 0;
  const from = last;
  await makeWeb({
    document,
    whole: document,
    source: { id: 'bench', seq: 1 },
    composed,
    shaper,
    choices: { address: '' },
    report: { title: '', at: '', limits: '', findings: [] },
    at: new Date('2026-03-01T10:00:00Z'),
    progress: () => {
      longest = Math.max(longest, performance.now() - last);
      last = performance.now();
      return Promise.resolve();
    },
  });
  return { made: performance.now() - from, longest };
}

/** Soft shapes, so that it is no larger a file than one of a camera. */
async function photograph(seed: number): Promise<Uint8Array> {
  const small = Buffer.from(
    Array.from({ length: 96 * 64 * 3 }, (_, i) => (i * 2_654_435_761 + seed * 40_503 + ((i * i) >> 3)) & 255),
  );
  return sharp(small, { raw: { width: 96, height: 64, channels: 3 } })
    .resize(4000, 3000, { fit: 'fill', kernel: 'cubic' })
    .jpeg({ quality: 80 })
    .toBuffer();
}
