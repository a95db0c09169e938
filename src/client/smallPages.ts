import { screenSource, shownFile } from '@/core/pictures/screen';
import type { DrawnPage } from './typesetter';
import type { PageList } from '@/core/compose/displayList/displayList';
import { placedPages } from '@/core/page/pages';
import { type Document, find } from '@/core/records/document';
import type { PictureRecord } from '@/core/records/index';
import type { Shaper } from '@/core/type/shaper';
import { paintSmall } from '@/formats/canvas/painter';

/** Pixels of the longer side that pictures are fetched at for small pages. */
const PICTURE_SIDE = 240;

/** Pages that are sent together: enough that the screen is not told of every one, few enough that it sees them come. */
const TOGETHER = 12;

interface Drawn {
  readonly list: PageList;
  readonly facing: PageList | undefined;
  readonly width: number;
}

/** Draws small pages in the worker: each again only when what is on it has changed. */
export class SmallPages {
  readonly #shaper: Shaper;
  readonly #send: (pages: readonly DrawnPage[]) => void;
  /** Told when a picture has come that pages were drawn without. */
  readonly #onPicture: () => void;
  readonly #drawn = new Map<string, Drawn>();
  readonly #pictures = new Map<string, ImageBitmap | 'coming' | 'missing'>();
  #waiting = new Set<string>();
  #canvas: OffscreenCanvasRenderingContext2D | undefined;
  #watched: readonly string[] = [];
  #width = 0;

  constructor(shaper: Shaper, send: (pages: readonly DrawnPage[]) => void, onPicture: () => void) {
    this.#shaper = shaper;
    this.#send = send;
    this.#onPicture = onPicture;
  }

  get watched(): readonly string[] {
    return this.#watched;
  }

  /** Names the pages that are looked at, and how wide they are drawn, in pixels of the screen. */
  watch(pages: readonly string[], width: number): void {
    this.#watched = pages;
    this.#width = width;
  }

  /** Draws those of the pages looked at that are not as they were drawn. */
  draw(document: Document, lists: readonly PageList[]): void {
    if (this.#width < 1) return;
    const wanted = new Set(this.#watched);
    const places = placedPages(document);
    let pages: DrawnPage[] = [];
    for (const [i, list] of lists.entries()) {
      if (!wanted.has(list.page)) continue;
      const beside = [i - 1, i + 1].find((at) => places[at] !== undefined && places[at].spread === places[i]!.spread);
      const facing = beside === undefined ? undefined : lists[beside];
      const kept = this.#drawn.get(list.page);
      if (kept?.list === list && kept.facing === facing && kept.width === this.#width && !this.#waiting.has(list.page)) continue;
      const { picture, lacks } = this.#paint(document, list, facing && { list: facing, dx: places[beside!]!.dx - places[i]!.dx });
      this.#drawn.set(list.page, { list, facing, width: this.#width });
      if (lacks) this.#waiting.add(list.page);
      else this.#waiting.delete(list.page);
      pages.push({ page: list.page, picture });
      if (pages.length < TOGETHER) continue;
      this.#send(pages);
      pages = [];
    }
    if (pages.length > 0) this.#send(pages);
  }

  /** Paints a page; gives it, and whether pictures of it are still to come. */
  #paint(document: Document, list: PageList, facing: { list: PageList; dx: number } | undefined) {
    const k = this.#width / list.width;
    const canvas = this.#canvasOf(this.#width, Math.max(1, Math.round(list.height * k)));
    let lacks = false;
    const picture = (id: string) => {
      const record = find(document, 'picture', id);
      const known = record && this.#pictures.get(shownFile(record));
      if (record && known === undefined) this.#fetch(record);
      if (known === undefined || known === 'coming') lacks = record !== undefined;
      return typeof known === 'object' ? known : undefined;
    };
    paintSmall(canvas, list, k, { face: (id) => this.#shaper.face(id), picture }, facing);
    const { width, height } = canvas.canvas;
    return { picture: canvas.getImageData(0, 0, width, height), lacks };
  }

  /**
   * One canvas serves all pages of a size, in the worker's own memory: one that is shared with the compositor waits for
   * it at every page, ten times as long as painting takes while the screen is being built.
   */
  #canvasOf(width: number, height: number): OffscreenCanvasRenderingContext2D {
    const kept = this.#canvas;
    if (kept && kept.canvas.width === width && kept.canvas.height === height) return kept;
    return (this.#canvas = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!);
  }

  #fetch(record: PictureRecord): void {
    const file = shownFile(record);
    this.#pictures.set(file, 'coming');
    void fetch(screenSource(record, PICTURE_SIDE))
      .then(async (response) => createImageBitmap(await response.blob()))
      .then(
        (image) => this.#pictures.set(file, image),
        () => this.#pictures.set(file, 'missing'),
      )
      .then(() => this.#onPicture());
  }
}
