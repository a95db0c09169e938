import type { Ink } from '../../colour/ink';
import type { Box } from '../../geometry/box';
import { formatOf } from '../../page/pages';
import { placedPicture, tracedOn } from '../../pictures/placing';
import { type Document, find } from '../../records/document';
import type { Adjust } from '../../records/frame';
import type { FrameRecord, PictureRecord, SwatchRecord } from '../../records/index';
import type { Inks } from '../displayList/inks';
import { contentShowing, showingOf } from '../frames/showing';
import type { Adjusted } from '../../pictures/adjusting';
import { areaItems } from './areaItems';
import type { BrokenItem, Contour, Item, PageList, PictureItem, Showing, TextItem } from '../displayList/displayList';
import { type Shown, type ShownFrames } from '../frames/shown';
import type { Shows } from '../../records/kinds/frames/kind';
import { frameKind, pictureIn } from '../../records/kinds/frames';

/** What the items of a frame are made of. */
interface MadeOf {
  readonly frame: FrameRecord;
  readonly box: Box;
  readonly picture: PictureRecord | undefined;
  /** The colours it asks for, in their order. */
  readonly swatches: readonly (SwatchRecord | undefined)[];
  readonly texts: readonly TextItem[] | undefined;
}

function sameMadeOf(a: MadeOf, b: MadeOf): boolean {
  const n = a.texts?.length ?? 0;
  if (
    a.frame !== b.frame ||
    a.picture !== b.picture ||
    a.swatches.length !== b.swatches.length ||
    a.swatches.some((each, i) => each !== b.swatches[i]) ||
    n !== (b.texts?.length ?? 0) ||
    (a.box !== b.box && (a.box.x !== b.box.x || a.box.y !== b.box.y || a.box.w !== b.box.w || a.box.h !== b.box.h))
  )
    return false;
  for (let i = 0; i < n; i++) if (a.texts![i] !== b.texts![i]) return false;
  return true;
}

const NO_SWATCHES: MadeOf['swatches'] = [];

/** Every frame is asked at every composing: what it names is read off once. */
const named = new WeakMap<FrameRecord, readonly string[]>();

/** The swatches that a frame's look names. */
function swatchesOf(frame: FrameRecord): readonly string[] {
  let own = named.get(frame);
  if (!own) {
    const { fill, gradient, border, shadow, innerShadow, glow } = frame;
    const parts = [fill, gradient, ...(gradient?.through ?? []), border, shadow, innerShadow, glow];
    named.set(frame, (own = parts.flatMap((part) => (part ? [part.swatch] : []))));
  }
  return own;
}

/** No ink at all. */
const PAPER: Ink = { cmyk: [0, 0, 0, 0], rgb: '#ffffff' };

/** Puts the display lists of pages together; a page whose items are the same as before is the same object. */
export class PageLists {
  readonly #inks: Inks;
  readonly #pages = new Map<string, PageList>();
  readonly #items = new Map<string, { readonly by: MadeOf; readonly items: readonly Item[] }>();

  readonly #broken = new Map<string, { readonly frame: FrameRecord; readonly item: BrokenItem }>();

  constructor(inks: Inks) {
    this.#inks = inks;
  }

  of(
    document: Document,
    { shown, pages }: ShownFrames,
    texts: ReadonlyMap<string, readonly TextItem[]>,
    grown: ReadonlyMap<string, Box>,
    broken: ReadonlyMap<string, string>,
  ): PageList[] {
    const format = formatOf(document);
    const byPage = new Map<string, Item[]>();
    const furniture = new Map<string, number>();
    for (const each of shown) {
      let items = byPage.get(each.page.page.id);
      if (!items) byPage.set(each.page.page.id, (items = []));
      const box = grown.get(each.frame.id) ?? each.frame.box;
      const why = broken.get(each.key);
      if (why !== undefined) items.push(this.#brokenItem(each, box, why));
      else {
        try {
          for (const item of this.#itemsOf(document, each, box, texts.get(each.key))) items.push(item);
        } catch (error) {
          items.push(this.#brokenItem(each, box, (error as Error).message));
        }
      }
      if (each.fromMaster) furniture.set(each.page.page.id, items.length);
    }
    return pages.map((page) => {
      const list: PageList = {
        page: page.page.id,
        number: page.number,
        side: page.side,
        width: format.width,
        height: format.height,
        bleed: format.bleed,
        items: byPage.get(page.page.id) ?? [],
        furniture: furniture.get(page.page.id) ?? 0,
      };
      const kept = this.#pages.get(list.page);
      if (kept && samePage(kept, list)) return kept;
      this.#pages.set(list.page, list);
      return list;
    });
  }

  #brokenItem({ key, frame, rotated }: Shown, box: Box, why: string): BrokenItem {
    const kept = this.#broken.get(key);
    if (kept?.frame === frame && kept.item.why === why && kept.item.box === box) return kept.item;
    const item: BrokenItem = { type: 'broken', frame: frame.id, box, why, transform: rotated, opacity: undefined };
    this.#broken.set(key, { frame, item });
    return item;
  }

  /** What an adjustment does to pixels; undefined where that is nothing. */
  #adjusted(document: Document, adjust: Adjust | undefined, width: number): Adjusted | undefined {
    if (!adjust) return undefined;
    const { light = 0, contrast = 0, sharpen = 0, inks, dark, pale } = adjust;
    const ink = (swatch: string | undefined) => this.#inks.ink(document, swatch ?? '', 1);
    const tones =
      inks === undefined ? 'full' : inks === 'grey' ? 'grey' : { dark: ink(dark), pale: inks === 'two' ? ink(pale) : PAPER };
    if (light === 0 && contrast === 0 && sharpen === 0 && tones === 'full') return undefined;
    const sharper = sharpen > 0 ? { sharpen: { amount: SHARPEST * sharpen, reach: SHARP_REACH / width } } : {};
    return { gain: 1 + light, contrast: 1 + contrast, tones, ...sharper };
  }

  #itemsOf(document: Document, each: Shown, box: Box, texts: readonly TextItem[] | undefined): readonly Item[] {
    const { frame, rotated } = each;
    const { content } = frame;
    const kind = frameKind(content);
    const shows = pictureIn(document, frame);
    const picture = find(document, 'picture', shows?.picture);
    const adjust = shows?.adjust;
    const asked = adjust ? [...swatchesOf(frame), adjust.dark, adjust.pale] : swatchesOf(frame);
    const by: MadeOf = {
      frame,
      box,
      picture,
      swatches: asked.length === 0 ? NO_SWATCHES : asked.map((id) => find(document, 'swatch', id)),
      texts,
    };
    const kept = this.#items.get(each.key);
    if (kept && sameMadeOf(kept.by, by)) return kept.items;
    const traced = kind.outlines && picture && shows ? thrownBy(frame, picture, shows, box) : undefined;
    const { contour, under, over } = areaItems(document, this.#inks, frame, box, rotated, traced);
    const items: Item[] = [...under];
    if (shows && picture)
      items.push(
        pictureItem(
          frame,
          picture,
          shows,
          box,
          contour,
          (width) => this.#adjusted(document, shows.adjust, width),
          contentShowing(frame, box, rotated),
        ),
      );
    else if (kind.waitsFor) items.push({ type: 'empty', frame: frame.id, box, ...showingOf(frame, box, rotated) });
    if (texts) items.push(...texts);
    items.push(...over);
    this.#items.set(each.key, { by, items });
    return items;
  }
}

/** Sharpening at its most, and how far it reaches, points: a pixel and a half of 300 to the inch. */
const SHARPEST = 1.5;
const SHARP_REACH = 0.36;

/** A picture whose text runs around what stands before its background is cut out, or it would cover that text. */
function pictureItem(
  frame: FrameRecord,
  picture: PictureRecord,
  content: Shows,
  box: Box,
  contour: Contour,
  adjustedAt: (width: number) => Adjusted | undefined,
  showing: Showing,
): PictureItem {
  const { box: placed, matrix: inner } = placedPicture(box, picture, content);
  const adjusted = adjustedAt(placed.w);
  const cut =
    frame.wrap.mode === 'outline' && frame.wrap.outline === 'background'
      ? (frame.outline ?? picture.outlines.background)
      : undefined;
  const shaped = contour.type !== 'rectangle' || contour.radius > 0 ? contour : undefined;
  const clip = cut ? { type: 'outline' as const, outline: tracedOn(cut, box, picture, content) } : shaped;
  return { type: 'picture', frame: frame.id, picture: picture.id, box, placed, inner, adjusted, clip, ...showing };
}

/** A cut-out throws the shadow of its outline; undefined where a frame throws that of its form. */
function thrownBy(frame: FrameRecord, picture: PictureRecord, content: Shows, box: Box): Contour | undefined {
  const traced = picture.outlines.alpha ?? (frame.wrap.outline === 'background' ? picture.outlines.background : undefined);
  return traced && !frame.fill ? { type: 'outline', outline: tracedOn(traced, box, picture, content) } : undefined;
}

function samePage(a: PageList, b: PageList): boolean {
  return (
    a.number === b.number &&
    a.side === b.side &&
    a.width === b.width &&
    a.height === b.height &&
    a.bleed === b.bleed &&
    a.furniture === b.furniture &&
    a.items.length === b.items.length &&
    a.items.every((item, i) => item === b.items[i])
  );
}
