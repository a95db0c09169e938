import { inReadingOrder } from '@/core/compose/displayList/readingOrder';
import { find, get } from '@/core/records/document';
import { pdfPages } from '@/formats/pdf/pages';
import { paintPdf } from '@/formats/pdf/painter';
import { getBlob } from '@/store/blobs';
import type { Material, WayOut } from './way';

/** A PDF for one purpose. */
export const pdfFor = (id: WayOut['id']): WayOut => ({
  id,
  ending: 'pdf',
  media: 'application/pdf',
  make({ document, composed, shaper, options, progress }: Material) {
    const issue = find(document, 'issue', 'issue');
    return paintPdf(
      pdfPages(composed.pages),
      {
        purpose: id,
        marks: options.marks,
        title: `${issue?.publication ?? ''} ${issue?.number ?? ''}`.trim(),
        author: issue?.publication ?? '',
        language: issue?.language ?? 'en-GB',
      },
      {
        face: (face) => shaper.face(face),
        picture: (picture) => get(document, 'picture', picture),
        bytes: async (picture) => (await getBlob(picture.drawing ?? picture.blob)).bytes,
        order: (items) => inReadingOrder(document, items),
        progress,
      },
    );
  },
});
