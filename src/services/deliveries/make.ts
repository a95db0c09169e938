import { inReadingOrder } from '@/core/compose/readingOrder';
import { find, get } from '@/core/records/document';
import { readDocument } from '@/core/records/stored';
import { composerFor } from '@/formats/faces/files';
import { pdfPages } from '@/formats/pdf/pages';
import { paintPdf } from '@/formats/pdf/painter';
import { getBlob, putBlob } from '@/store/blobs';
import { endDelivery, findDelivery, noteProgress } from '@/store/deliveries';
import { loadRecords } from '@/store/documents';

class CancelledError extends Error {
  override name = 'CancelledError';
}

/** Makes the PDF of a delivery and keeps it, telling the database after each page how far it is. */
export async function makeDelivery(id: string): Promise<void> {
  const delivery = await findDelivery(id);
  if (!delivery) return;
  try {
    const { records } = await loadRecords(delivery.document);
    const document = readDocument(records);
    const { composer, shaper } = await composerFor(document);
    const { pages } = composer.compose(document);
    for (const page of pages)
      for (const item of page.items)
        if (item.type === 'broken') throw new Error(`a frame on page ${page.number} cannot be composed (${item.why}).`);
    if (!(await noteProgress(id, 0, pages.length))) return;
    const issue = find(document, 'issue', 'issue');
    const pdf = await paintPdf(
      pdfPages(pages),
      {
        purpose: delivery.options.purpose,
        marks: delivery.options.marks,
        title: `${issue?.publication ?? ''} ${issue?.number ?? ''}`.trim(),
        author: issue?.publication ?? '',
        language: issue?.language ?? 'en-GB',
      },
      {
        face: (face) => shaper.face(face),
        picture: (picture) => get(document, 'picture', picture),
        bytes: async (picture) => (await getBlob(picture.blob)).bytes,
        order: (items) => inReadingOrder(document, items),
        progress: async (done, of) => {
          if (!(await noteProgress(id, done, of))) throw new CancelledError();
        },
      },
    );
    await endDelivery(id, { state: 'done', blob: await putBlob('application/pdf', pdf) });
  } catch (error) {
    if (error instanceof CancelledError) return;
    await endDelivery(id, { state: 'failed', message: `The PDF could not be made: ${(error as Error).message}` });
  }
}
