import { LRUCache } from 'lru-cache';
import type { PageList, PictureItem } from '@/core/compose/displayList/displayList';
import { adjustedKey } from '@/core/pictures/adjusting';
import { screenSource, shownFile } from '@/core/pictures/screen';
import type { InkTable } from '@/core/print/inkTable';
import { type Beside, type Measured, measuring, picturesOn } from '@/core/print/measured';
import { MEASURED_SIDE, type PicturePixels, picturePixels, type PictureSource } from '@/core/print/picturePixels';
import { type Document, find } from '@/core/records/document';
import type { PictureRecord } from '@/core/records/index';
import { profileOf } from '@/core/print/profile';
import type { Shaper } from '@/core/type/shaper';

/** What a page was measured with. */
interface By {
  readonly list: PageList;
  readonly beside: PageList | undefined;
  readonly coverage: number;
  readonly icc: string | undefined;
}

/** Measures pages in the worker: ink and legibility, each again only when what is painted on it is something else. */
export class PageMeter {
  readonly #shaper: Shaper;
  /** Pictures small, by file; some half a megabyte each, and as they are printed, a megabyte. */
  readonly #sources = new LRUCache<string, PictureSource>({ max: 80 });
  readonly #pixels = new LRUCache<string, PicturePixels>({ max: 30 });
  readonly #tables = new Map<string, Promise<InkTable>>();
  #measured = new Map<string, { readonly by: By; readonly measured: Measured }>();

  constructor(shaper: Shaper) {
    this.#shaper = shaper;
  }

  /** What a page measures, if it has been since it is as it is. */
  known(document: Document, list: PageList, beside: Beside | undefined): Measured | undefined {
    const kept = this.#measured.get(list.page);
    const by = byOf(document, list, beside);
    return kept && same(kept.by, by) ? kept.measured : undefined;
  }

  /** What a page measured the last time, whatever has become of it since: what is found stays in sight until it is looked at again. */
  last(page: string): Measured | undefined {
    return this.#measured.get(page)?.measured;
  }

  /** Fetches what a page is measured with. What cannot be had is measured as if it were not there. */
  async fetch(document: Document, list: PageList, beside: Beside | undefined): Promise<InkTable | undefined> {
    const pictures = new Set([...picturesOn(list), ...(beside ? picturesOn(beside.list) : [])]);
    const [table] = await Promise.all([
      this.#table(profileOf(document).icc?.blob),
      ...[...pictures].map((id) => this.#source(find(document, 'picture', id))),
    ]);
    return table;
  }

  /** Measures a page step by step, and keeps what comes of it. */
  *measuring(document: Document, list: PageList, beside: Beside | undefined, table: InkTable): Generator<undefined, Measured> {
    const by = byOf(document, list, beside);
    const pixels = (item: PictureItem | { readonly picture: string }) => {
      const record = find(document, 'picture', item.picture);
      const source = record && this.#sources.get(shownFile(record));
      if (!source) return undefined;
      const adjusted = 'adjusted' in item ? item.adjusted : undefined;
      const key = `${shownFile(record)} ${adjusted ? adjustedKey(adjusted) : ''} ${by.icc ?? ''}`;
      let own = this.#pixels.get(key);
      if (!own) this.#pixels.set(key, (own = picturePixels(source, adjusted, table)));
      return own;
    };
    const sources = { face: (id: string) => this.#shaper.face(id), pixels };
    const measured = yield* measuring(list, beside, sources, by.coverage);
    this.#measured.set(list.page, { by, measured });
    return measured;
  }

  #table(icc: string | undefined): Promise<InkTable | undefined> {
    const key = icc ?? 'usual';
    let own = this.#tables.get(key);
    if (!own) {
      own = fetch(`/api/inks/${key}`).then(async (response) => {
        if (!response.ok) throw new Error('The colour profile cannot be had.');
        const inks = new Uint8Array(await response.arrayBuffer());
        return { side: Math.round(Math.cbrt(inks.length / 4)), inks };
      });
      this.#tables.set(key, own);
      // What could not be had is asked for again the next time.
      own.catch(() => this.#tables.delete(key));
    }
    // Where the print shop’s own is not to be had, the usual one is nearer than none.
    return own.catch(() => (icc === undefined ? undefined : this.#table(undefined)));
  }

  async #source(record: PictureRecord | undefined): Promise<void> {
    if (!record || this.#sources.has(shownFile(record))) return;
    try {
      const response = await fetch(screenSource(record, MEASURED_SIDE));
      const image = await createImageBitmap(await response.blob());
      const { width, height } = image;
      const canvas = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
      canvas.drawImage(image, 0, 0);
      image.close();
      const rgba = canvas.getImageData(0, 0, width, height).data;
      this.#sources.set(shownFile(record), { width, height, rgba, ...(record.colour === 'grey' ? { grey: true } : {}) });
    } catch {
      // A picture that is not there has neither ink nor light; that it is missing is another check.
    }
  }
}

function byOf(document: Document, list: PageList, beside: Beside | undefined): By {
  const { coverage, icc } = profileOf(document);
  return { list, beside: beside?.list, coverage, icc: icc?.blob };
}

const same = (a: By, b: By): boolean =>
  a.list === b.list && a.beside === b.beside && a.coverage === b.coverage && a.icc === b.icc;
