import { readFile } from 'node:fs/promises';
import JSZip from 'jszip';
import { facesOf } from '@/core/compose/paragraph/faces';
import { WAYS } from '@/core/handoff/ways';
import { picturesOn } from '@/core/print/measured';
import { profileOf } from '@/core/print/profile';
import { get } from '@/core/records/document';
import { CATALOGUE } from '@/core/type/catalogue';
import { facePath } from '@/formats/faces/files';
import { endingOf, fileStem, freeNames } from '@/formats/fileNames';
import { withPress } from '@/formats/pdf/press';
import { reportPage } from '@/formats/report/report';
import { getBlob } from '@/store/blobs';
import { makeBundle } from './bundle';
import { makePrintPdf } from './printPdf';
import { ticketOf } from './ticket';
import type { Material, WayOut } from './way';

/** Everything a print shop may ask for, as one zip. */
export const makeFolder: WayOut<'folder'> = async (material) => {
  const { document, composed, choices, report } = material;
  const { crop, originals, faces, bundle } = choices;
  const zip = new JSZip();
  const stem = fileStem(report.title, 'Issue');
  zip.file(`${stem}.pdf`, await makePrintPdf({ ...material, choices: { ...WAYS.print.usual, crop } }));
  zip.file('Checks.html', reportPage(report));
  const { icc } = profileOf(document);
  const own = icc && (await getBlob(icc.blob)).bytes;
  const ticket = await withPress(own, ({ name }) => Promise.resolve(ticketOf(document, material.at, name)));
  zip.file('ticket.json', `${JSON.stringify(ticket, null, 2)}\n`);
  if (originals) {
    const named = freeNames();
    for (const id of new Set(composed.pages.flatMap(picturesOn))) {
      const { name, media, blob } = get(document, 'picture', id);
      const file = named(fileStem(name.replace(/\.\w{2,4}$/, ''), 'Picture'), endingOf(media));
      // What is squeezed already is laid in as it is.
      zip.file(`pictures/${file}`, (await getBlob(blob)).bytes, { compression: 'STORE' });
    }
  }
  if (faces) await addFaces(zip, material);
  if (bundle) zip.file(`${stem} bundle.zip`, await makeBundle({ ...material, choices: { faces } }), { compression: 'STORE' });
  return zip.generateAsync({ type: 'uint8array', compression: 'DEFLATE' });
};

/** The faces of an issue that may be given away, with the licences by which they may. */
async function addFaces(zip: JSZip, { document }: Material<'folder'>): Promise<void> {
  const licences: string[] = [];
  for (const id of new Set(facesOf(document))) {
    const face = CATALOGUE.find((each) => each.id === id);
    if (!face) continue;
    zip.file(`faces/${id}.ttf`, new Uint8Array(await readFile(facePath(id))));
    licences.push(`${id}: ${face.licence}`);
  }
  zip.file('faces/licences.txt', `${licences.join('\n')}\n`);
}
