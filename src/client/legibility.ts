import type { Legibility } from './typesetter';
import {
  contrastOver,
  gainFor,
  isLarge,
  type Light,
  lightOf,
  NEEDED,
  NEEDED_LARGE,
  panelOpacity,
  type Read,
} from '@/core/colour/contrast';
import { type Line, type PageList, runWidth, type TextItem } from '@/core/compose/displayList/displayList';
import { overlaps } from '@/core/geometry/box';
import { mappedBox } from '@/core/geometry/matrix';
import { screenSource } from '@/core/pictures/screen';
import { type Document, find } from '@/core/records/document';
import type { Shaper } from '@/core/type/shaper';
import { paintSmall } from '@/formats/canvas/painter';

/** Pixels to the point that what lies under letters is looked at with. */
const FINE = 1.5;

/** Pixels of the longer side of pictures as they are looked at. */
const PICTURE_SIDE = 800;

/** Measures how letters contrast with what lies under them, on the page as it is painted. */
export class LegibilityMeter {
  readonly #shaper: Shaper;
  readonly #pictures = new Map<string, Promise<ImageBitmap | undefined>>();

  constructor(shaper: Shaper) {
    this.#shaper = shaper;
  }

  /** Of a text on a page: undefined where nothing but paper lies under it. */
  async of(document: Document, list: PageList, frame: string): Promise<Legibility | undefined> {
    const at = list.items.findIndex((item) => item.type === 'text' && item.frame === frame);
    const item = list.items[at];
    if (item?.type !== 'text') return undefined;
    const room = mappedBox(item.transform, item.box);
    const under = list.items
      .slice(0, at)
      .filter((each) => (each.type === 'picture' || each.type === 'area') && overlaps(mappedBox(each.transform, each.box), room));
    if (under.length === 0) return undefined;
    const pictures = new Map(
      await Promise.all(
        under
          .flatMap((each) => (each.type === 'picture' ? [each.picture] : []))
          .map(async (id) => [id, await this.#picture(document, id)] as const),
      ),
    );
    const canvas = new OffscreenCanvas(Math.ceil(list.width * FINE), Math.ceil(list.height * FINE)).getContext('2d', {
      willReadFrequently: true,
    })!;
    const beneath: PageList = { ...list, items: list.items.slice(0, at), furniture: Math.min(list.furniture, at) };
    paintSmall(canvas, beneath, FINE, { face: (id) => this.#shaper.face(id), picture: (id) => pictures.get(id) });
    const shown = under.filter(({ type }) => type === 'picture');
    const own = shown.length === 1 && list.items.indexOf(shown[0]!) >= list.furniture ? shown[0] : undefined;
    return worstOf(item, (line, run) => pixelsUnder(canvas, item, line, run), own?.frame);
  }

  #picture(document: Document, id: string): Promise<ImageBitmap | undefined> {
    const record = find(document, 'picture', id);
    if (!record) return Promise.resolve(undefined);
    const url = screenSource(record, PICTURE_SIDE);
    let own = this.#pictures.get(url);
    if (!own) {
      own = fetch(url)
        .then(async (response) => createImageBitmap(await response.blob()))
        .catch(() => undefined);
      this.#pictures.set(url, own);
    }
    return own;
  }
}

type Run = Line['runs'][number];

/** The most pixels of a run that are looked at again for what would mend it. */
const LOOKED_AT = 300;

/** The line that is hardest to read, how it contrasts, and what would mend all of them. */
function worstOf(
  item: TextItem,
  pixelsOf: (line: Line, run: Run) => readonly Light[],
  onPicture: string | undefined,
): Legibility | undefined {
  let worst: { ratio: number; needed: number; words: string } | undefined;
  const reads: Read[] = [];
  for (const { lines } of item.columns)
    for (const line of lines)
      for (const run of line.runs) {
        if (run.text.trim() === '') continue;
        const pixels = pixelsOf(line, run);
        if (pixels.length === 0) continue;
        const { size, ink: of, face } = run.look;
        const needed = isLarge(size, /\b[789]00|bold/i.test(face) ? 700 : 400) ? NEEDED_LARGE : NEEDED;
        const ink = lightOf(of.rgb);
        const ratio = contrastOver(pixels, ink);
        const every = Math.ceil(pixels.length / LOOKED_AT);
        reads.push({ pixels: pixels.filter((_, i) => i % every === 0), ink, needed: needed * MARGIN });
        if (worst && ratio / needed >= worst.ratio / worst.needed) continue;
        const words = line.runs.map(({ text }) => text).join(' ');
        worst = { ratio, needed, words: words.trim() };
      }
  if (!worst || worst.ratio >= worst.needed) return worst;
  const [dark, paper] = [panelOpacity(reads, BLACK), panelOpacity(reads, WHITE)];
  const [panel] = [{ tone: 'dark', opacity: dark } as const, { tone: 'light', opacity: paper } as const]
    .flatMap(({ tone, opacity }) => (opacity === undefined ? [] : [{ tone, opacity }]))
    .sort((a, b) => a.opacity - b.opacity);
  const picture = onPicture !== undefined && {
    frame: onPicture,
    gain: gainFor(reads),
    // What is left of a picture where it fades into white paper until letters on it can be read.
    fade: paper === undefined || paper >= 1 ? undefined : 1 - paper,
  };
  return { ...worst, ...(panel ? { panel } : {}), ...(picture ? { picture } : {}) };
}

const BLACK: Light = [0, 0, 0];
const WHITE: Light = [255, 255, 255];

/** Fewer pixels are looked at for a mend than when it is measured again: a mend does a little more than is needed. */
const MARGIN = 1.03;

function pixelsUnder(canvas: OffscreenCanvasRenderingContext2D, { transform }: TextItem, line: Line, run: Run): Light[] {
  const box = {
    x: line.x + run.x,
    y: line.baseline + run.drop - 0.75 * run.look.size,
    w: runWidth(run, line),
    h: 0.95 * run.look.size,
  };
  const upright = transform ? mappedBox(transform, box) : box;
  const { width, height } = canvas.canvas;
  const x = Math.max(0, Math.floor(upright.x * FINE));
  const y = Math.max(0, Math.floor(upright.y * FINE));
  const w = Math.min(width, Math.ceil((upright.x + upright.w) * FINE)) - x;
  const h = Math.min(height, Math.ceil((upright.y + upright.h) * FINE)) - y;
  if (w < 1 || h < 1) return [];
  const { data } = canvas.getImageData(x, y, w, h);
  const out: Light[] = [];
  for (let i = 0; i < data.length; i += 4) out.push([data[i]!, data[i + 1]!, data[i + 2]!]);
  return out;
}
