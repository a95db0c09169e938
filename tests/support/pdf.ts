import type { PageList } from '@/core/compose/displayList/displayList';
import { inReadingOrder } from '@/core/compose/displayList/readingOrder';
import { placedPages } from '@/core/page/pages';
import { type Document, get } from '@/core/records/document';
import type { PictureRecord } from '@/core/records/index';
import { paintPdf, type PdfPurpose } from '@/formats/pdf/painter';
import { withPress } from '@/formats/pdf/press';
import { NO_MARKS, type PrintersMarks } from '@/formats/pdf/printersMarks';
import { openSpreads, singlePages } from '@/core/handoff/sheets';
import { composerFor } from './faces';
import { filed } from './programs';

/** How a test has a document written out. */
export interface PdfAsked {
  readonly for: PdfPurpose['for'];
  readonly marks?: Partial<PrintersMarks>;
  readonly spreads?: boolean;
  readonly ppi?: number;
  readonly title?: string;
  readonly bytes?: (picture: PictureRecord) => Promise<Uint8Array>;
}

/** A document of a test as a PDF in a file, with the pages that it was painted from. */
export async function madePdf(of: Document, asked: PdfAsked): Promise<{ path: string; pages: readonly PageList[] }> {
  const { composer, shaper } = await composerFor(of);
  const { pages } = composer.compose(of);
  const folios = placedPages(of).map(({ folio }) => folio);
  const head = {
    title: asked.title ?? 'Longspar 14',
    author: 'Longspar',
    language: 'en-GB',
    at: new Date('2026-03-01T10:00:00Z'),
  };
  const slug = (label: string) => {
    const face = shaper.face([...pages[0]!.items].flatMap(facesIn)[0]!);
    const words = `${head.title}, page ${label}`;
    return { words, face, shaped: shaper.with(face.id, '', 'en').shape(words) };
  };
  const bytes = await withPress(undefined, (press) =>
    paintPdf(
      (asked.spreads ? openSpreads : singlePages)(pages, folios),
      head,
      asked.for === 'print'
        ? { for: 'print', marks: { ...NO_MARKS, ...asked.marks }, press, slug }
        : { for: 'screen', document: of, ppi: asked.ppi },
      {
        face: (id) => shaper.face(id),
        picture: (id) => get(of, 'picture', id),
        bytes: asked.bytes ?? (() => Promise.reject(new Error('There is no picture.'))),
        order: (items) => inReadingOrder(of, items),
      },
    ),
  );
  return { path: await filed('made.pdf', bytes), pages };
}

const facesIn = (item: PageList['items'][number]): string[] =>
  item.type === 'text' ? item.columns.flatMap(({ lines }) => lines.flatMap(({ runs }) => runs.map(({ look }) => look.face))) : [];
