import { shownFile } from '@/core/pictures/screen';
import { Checker } from '@/core/checks/checker';
import { besides, type Measured, measurePage, picturesOn } from '@/core/print/measured';
import { type PicturePixels, picturePixels, type PictureSource } from '@/core/print/picturePixels';
import type { Composed } from '@/core/compose/composer';
import type { PageList } from '@/core/compose/displayList/displayList';
import { adjustedKey } from '@/core/pictures/adjusting';
import type { PictureFiles } from '@/core/pictures/states';
import { all, type Document } from '@/core/records/document';
import { profileOf } from '@/core/print/profile';
import type { Shaper } from '@/core/type/shaper';
import { inkTable, pictureSource } from '@/formats/pictures/inks';
import { type CheckReport, reportOf } from '@/core/checks/report';
import { getBlob } from '@/store/blobs';
import { missingPictures } from '@/store/pictures';

/**
 * Checks an issue as it is delivered, by the same rules as on the desk, its pages measured one after another.
 * @param id of the stored document
 * @param between told after each page; throws where the work is to stop
 */
export async function checkIssue(
  id: string,
  document: Document,
  composed: Composed,
  shaper: Shaper,
  between: () => Promise<void>,
): Promise<CheckReport> {
  const { icc, coverage } = profileOf(document);
  // Where the print shop’s own is not to be had, the usual one is nearer than none.
  const table = await (icc
    ? getBlob(icc.blob).then(
        ({ bytes }) => inkTable(bytes),
        () => inkTable(),
      )
    : inkTable());
  const files: PictureFiles = { missing: new Set(await missingPictures(id)), changed: new Set() };
  const sides = besides(document, composed.pages);
  const measured = new Map<PageList, Measured>();
  for (const list of composed.pages) {
    const beside = sides.get(list.page);
    const pictures = await sourcesOf(document, beside ? [list, beside.list] : [list]);
    const known = new Map<string, PicturePixels>();
    const sources = {
      face: (face: string) => shaper.face(face),
      pixels: (item: { readonly picture: string; readonly adjusted?: Parameters<typeof adjustedKey>[0] | undefined }) => {
        const source = pictures.get(item.picture);
        if (!source) return undefined;
        const key = `${item.picture} ${item.adjusted ? adjustedKey(item.adjusted) : ''}`;
        let own = known.get(key);
        if (!own) known.set(key, (own = picturePixels(source, item.adjusted, table)));
        return own;
      },
    };
    measured.set(list, measurePage(list, beside, sources, coverage));
    await between();
  }
  const found = new Checker().check(document, composed, {
    face: (face) => shaper.face(face),
    files,
    measured: (list) => measured.get(list),
  });
  return reportOf(document, found, new Date().toISOString());
}

async function sourcesOf(document: Document, lists: readonly PageList[]): Promise<Map<string, PictureSource>> {
  const out = new Map<string, PictureSource>();
  const used = new Set(lists.flatMap(picturesOn));
  for (const picture of all(document, 'picture')) {
    if (!used.has(picture.id)) continue;
    try {
      out.set(picture.id, await pictureSource(picture, (await getBlob(shownFile(picture))).bytes));
    } catch {
      // One that is not there has neither ink nor light; that it is missing is a finding of its own.
    }
  }
  return out;
}
