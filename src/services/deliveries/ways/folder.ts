import JSZip from 'jszip';
import { WAYS } from '@/core/handoff/ways';
import { picturesOn } from '@/core/print/measured';
import { get } from '@/core/records/document';
import { givenFaces } from '@/formats/faces/givenAway';
import { endingOf, fileStem, freeNames, pictureStem } from '@/formats/fileNames';
import { outputProfile } from '@/formats/pdf/press';
import { reportPage } from '@/formats/report/report';
import { getBlob } from '@/store/blobs';
import { ownProfile } from '../ownProfile';
import { makeBundle } from './bundle';
import { makePrintPdf } from './printPdf';
import { ticketOf } from './ticket';
import type { WayOut } from './way';

/** Everything a print shop may ask for, as one zip. */
export const makeFolder: WayOut<'folder'> = async (material) => {
  const { document, composed, choices, report } = material;
  const { crop, originals, faces, bundle } = choices;
  const zip = new JSZip();
  const stem = fileStem(report.title, 'Issue');
  zip.file(`${stem}.pdf`, await makePrintPdf({ ...material, choices: { ...WAYS.print.usual, crop } }));
  zip.file('Checks.html', reportPage(report));
  const ticket = ticketOf(document, material.at, (await outputProfile(await ownProfile(document))).name);
  zip.file('ticket.json', `${JSON.stringify(ticket, null, 2)}\n`);
  if (originals) {
    const named = freeNames();
    for (const id of new Set(composed.pages.flatMap(picturesOn))) {
      const { name, media, blob } = get(document, 'picture', id);
      const file = named(pictureStem(name), endingOf(media));
      // What is squeezed already is laid in as it is.
      zip.file(`pictures/${file}`, (await getBlob(blob)).bytes, { compression: 'STORE' });
    }
  }
  if (faces) {
    const given = await givenFaces(document);
    for (const { id, bytes } of given) zip.file(`faces/${id}.ttf`, bytes);
    zip.file('faces/licences.txt', given.map(({ id, licence }) => `${id}: ${licence}\n`).join(''));
  }
  if (bundle) zip.file(`${stem} bundle.zip`, await makeBundle({ ...material, choices: { faces } }), { compression: 'STORE' });
  return zip.generateAsync({ type: 'uint8array', compression: 'DEFLATE' });
};
