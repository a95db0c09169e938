import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { inReadingOrder } from '@/core/compose/displayList/readingOrder';
import { profileOf } from '@/core/print/profile';
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
  async make({ document, composed, shaper, options, progress }: Material) {
    const issue = find(document, 'issue', 'issue');
    const icc = id === 'print' ? profileOf(document).icc : undefined;
    const folder = icc && (await mkdtemp(join(tmpdir(), 'press-')));
    try {
      const press = icc && folder ? await pressIn(folder, icc.blob) : undefined;
      return await paintPdf(
        pdfPages(composed.pages),
        {
          purpose: id,
          marks: options.marks,
          title: `${issue?.publication ?? ''} ${issue?.number ?? ''}`.trim(),
          author: issue?.publication ?? '',
          language: issue?.language ?? 'en-GB',
          press,
        },
        {
          face: (face) => shaper.face(face),
          picture: (picture) => get(document, 'picture', picture),
          bytes: async (picture) => (await getBlob(picture.drawing ?? picture.blob)).bytes,
          order: (items) => inReadingOrder(document, items),
          progress,
        },
      );
    } finally {
      if (folder) await rm(folder, { recursive: true, force: true });
    }
  },
});

/** The print shop’s profile, laid where it can be read by its path. */
async function pressIn(folder: string, blob: string): Promise<{ bytes: Uint8Array; path: string }> {
  const { bytes } = await getBlob(blob);
  const path = join(folder, 'press.icc');
  await writeFile(path, bytes);
  return { bytes, path };
}
