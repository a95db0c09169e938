import { Checker, type CheckSources } from '@/core/checks/checker';
import type { Finding } from '@/core/checks/finding';
import { Composer } from '@/core/compose/composer';
import { facesOf } from '@/core/compose/paragraph/faces';
import { ALL_THERE } from '@/core/pictures/states';
import { tableLights, TABLE_SIDE, type InkTable } from '@/core/print/inkTable';
import { besides, type Measured, measurePage } from '@/core/print/measured';
import { picturePixels } from '@/core/print/picturePixels';
import { profileOf } from '@/core/print/profile';
import { rgbToCmyk } from '@/core/colour/cmyk';
import type { PageList } from '@/core/compose/displayList/displayList';
import type { Document } from '@/core/records/document';
import type { Face } from '@/core/type/face';
import { Shaper } from '@/core/type/shaper';
import { loadFaces } from '@/formats/faces/files';

/** Light as the inks that it lacks: simpler than any press, and known to the byte. */
export const PLAIN_TABLE: InkTable = (() => {
  const lights = tableLights();
  const inks = new Uint8Array(4 * TABLE_SIDE ** 3);
  for (let i = 0; i < lights.length / 3; i++) {
    const [r, g, b] = [lights[3 * i]! / 255, lights[3 * i + 1]! / 255, lights[3 * i + 2]! / 255];
    inks.set(
      rgbToCmyk([r, g, b]).map((ink) => Math.round(255 * ink)),
      4 * i,
    );
  }
  return { side: TABLE_SIDE, inks };
})();

/** A picture of one colour: mid grey unless its name says otherwise. */
const colourOf = (picture: string): readonly [number, number, number] =>
  picture.includes('dark') ? [20, 20, 24] : picture.includes('pale') ? [240, 238, 230] : [128, 128, 128];

export interface Checking {
  readonly files?: CheckSources['files'];
  readonly face?: (face: Face) => Face;
}

/** Faces are read once for all. */
const SHAPER = new Shaper();

/** Composes, measures and checks documents, one state after another, with pictures of one colour each. */
export class Inspector {
  readonly shaper = SHAPER;
  readonly composer = new Composer(SHAPER);
  readonly checker = new Checker();
  readonly #measured = new Map<string, { list: PageList; beside: PageList | undefined; coverage: number; measured: Measured }>();

  async of(document: Document, { files = ALL_THERE, face }: Checking = {}): Promise<Finding[]> {
    await loadFaces(this.shaper, facesOf(document));
    const composed = this.composer.compose(document);
    const sides = besides(document, composed.pages);
    const { coverage } = profileOf(document);
    const measured = (list: PageList): Measured => {
      const beside = sides.get(list.page);
      const kept = this.#measured.get(list.page);
      if (kept?.list === list && kept.beside === beside?.list && kept.coverage === coverage) return kept.measured;
      const own = measurePage(
        list,
        beside,
        {
          face: (id) => this.shaper.face(id),
          pixels: (item) => {
            const [r, g, b] = colourOf(item.picture);
            const source = { width: 1, height: 1, rgba: Uint8Array.of(r, g, b, 255) };
            return picturePixels(source, 'adjusted' in item ? item.adjusted : undefined, PLAIN_TABLE);
          },
        },
        coverage,
      );
      this.#measured.set(list.page, { list, beside: beside?.list, coverage, measured: own });
      return own;
    };
    return this.checker.check(document, composed, {
      files,
      measured,
      face: (id) => (face ? face(this.shaper.face(id)) : this.shaper.face(id)),
    });
  }
}

/** What is found in a document that nobody has looked at before. */
export const inspected = (document: Document, how?: Checking): Promise<Finding[]> => new Inspector().of(document, how);
