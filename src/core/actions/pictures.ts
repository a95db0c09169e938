import { around, bottom, type Box, type Point } from '../geometry/box';
import { captionsOf } from '../page/beside';
import { formatOf } from '../page/pages';
import type { Diff } from '../records/diff';
import { all, type Document, find, get } from '../records/document';
import type { PictureRecord } from '../records/index';
import type { Adjust, Crop, PictureContent, Wrap } from '../records/frame';
import { isDrawing } from '../records/picture';
import { ADJUST, type AdjustValues } from '../properties/adjust';
import { said } from '../records/said';
import { CROP, type CropValues } from '../properties/crop';
import { changeProblem } from '../properties/limits';
import { cropValues, effectiveResolution, ownCrop, placedPicture, share } from '../pictures/placing';
import { turnedWithin } from './appearance';
import { exact, mm } from '../length/length';
import { ActionError, Edit, newId, orderAfter } from './edit';
import { captionHabit, makeRoomUnder, putCaptions, recaption } from './captions';
import { pageWithGrid, type Place, placeFrames, putFrame } from './frames';
import type { Typesetter } from './typesetter';

/** Stand-off around a cut-out (common practice: 5 mm) and around a rectangular picture. */
const CUT_OUT_STAND_OFF = mm(5);
const FRAME_STAND_OFF = mm(4);

/** What is known of a picture that is brought in. */
export type NewPicture = Omit<PictureRecord, 'id' | 'kind' | 'order'>;

export function bringInPicture(document: Document, picture: NewPicture): Diff {
  const edit = new Edit(document);
  putPicture(edit, picture);
  return edit.diff();
}

export const putPicture = (edit: Edit, picture: NewPicture): PictureRecord =>
  edit.put<PictureRecord>({ id: newId(), kind: 'picture', order: orderAfter(all(edit.document, 'picture')), ...picture });

/**
 * Puts another file in the place of a picture's: every frame that shows it shows that, cropped and laid as it was. The words
 * that belong to the picture stay; where it has none, those of the file come.
 */
export function replaceFile(document: Document, id: string, file: NewPicture): Diff {
  const edit = new Edit(document);
  const { kind, order, name, story, caption, credit, alternative, rights } = get(document, 'picture', id);
  const words = said({ alternative: alternative ?? file.alternative, rights: file.rights ?? rights, story, source: file.source });
  const own: PictureRecord = said({
    ...file,
    ...words,
    id,
    kind,
    order,
    name,
    caption: caption || file.caption,
    credit: credit || file.credit,
  });
  edit.put(own);
  for (const frame of all(document, 'frame')) {
    const { content } = frame;
    if (content.type === 'picture' && content.picture === id) edit.put({ ...frame, wrap: wrapAround(own, frame.wrap) });
  }
  return edit.diff();
}

/**
 * Makes frames so much smaller, from their upper left corner, that their pictures have so many pixels to the inch; those
 * that have are left as they are.
 */
export function shrinkToResolution(document: Document, ids: readonly string[], ppi: number): Diff {
  const places = new Map<string, Place>();
  for (const id of ids) {
    const { on, box, content } = get(document, 'frame', id);
    const picture = content.type === 'picture' ? find(document, 'picture', content.picture) : undefined;
    if (content.type !== 'picture' || !picture) throw new ActionError('This frame has no picture yet.');
    const share = effectiveResolution(picture, placedPicture(box, picture, content).box) / ppi;
    if (share < 1) places.set(id, { on, box: { ...box, w: exact(box.w * share), h: exact(box.h * share) } });
  }
  return placeFrames(document, places);
}

/** The words that belong to a picture. */
export type PictureWords = Pick<PictureRecord, 'caption' | 'credit' | 'alternative' | 'rights'>;

/** Changes the words that belong to a picture. */
export function setPictureWords(document: Document, id: string, words: Partial<PictureWords>): Diff {
  const edit = new Edit(document);
  edit.put(said({ ...get(document, 'picture', id), ...words }));
  return edit.diff();
}

/** Sets the place of a picture that every automatic crop keeps, in its unit square. */
export function setFocus(document: Document, id: string, { x, y }: Point): Diff {
  const edit = new Edit(document);
  edit.put({ ...get(document, 'picture', id), focus: { x: share(x), y: share(y) } });
  return edit.diff();
}

/**
 * Sets how pictures lie in their frames. What is said of a picture that lies by itself is said of how it lies then: from
 * there on it lies by hand.
 *
 * @throws ActionError with the limit that is passed, or where a frame shows no picture
 */
export function setCrop(document: Document, ids: readonly string[], change: Partial<CropValues>): Diff {
  const edit = new Edit(document);
  const wrong = changeProblem(CROP, change);
  if (wrong) throw new ActionError(wrong);
  for (const id of ids) {
    const frame = get(document, 'frame', id);
    const { content } = frame;
    if (content.type !== 'picture') throw new ActionError('Only a picture frame has a picture to lay.');
    const picture = find(document, 'picture', content.picture);
    if (!picture) throw new ActionError('This frame has no picture yet.');
    edit.put({
      ...frame,
      content: said({
        type: 'picture',
        picture: picture.id,
        adjust: content.adjust,
        ...changedCrop(frame.box, picture, content, change),
      }),
    });
  }
  return edit.diff();
}

/** How a picture is adjusted, all of it said. */
export const adjustValues = (document: Document, { adjust = {} }: Pick<PictureContent, 'adjust'>): AdjustValues => {
  const { light = 0, contrast = 0, sharpen = 0, inks = 'full', dark, pale } = adjust;
  const swatches = all(document, 'swatch');
  const usual = (role: string) => (swatches.find((swatch) => swatch.role === role) ?? swatches[0])?.id ?? '';
  return { light, contrast, sharpen, inks, dark: dark ?? usual('ink'), pale: pale ?? usual('tint') };
};

/**
 * Adjusts pictures where they are shown; their files stay as they are.
 * @throws ActionError with the limit that is passed, or where what a frame shows has no pixels
 */
export function setAdjust(document: Document, ids: readonly string[], change: Partial<AdjustValues>): Diff {
  const edit = new Edit(document);
  const wrong = changeProblem(ADJUST, change);
  if (wrong) throw new ActionError(wrong);
  for (const id of ids) {
    const frame = get(document, 'frame', id);
    const { content } = frame;
    const picture = content.type === 'picture' ? find(document, 'picture', content.picture) : undefined;
    if (content.type !== 'picture' || !picture) throw new ActionError('This frame has no picture yet.');
    if (isDrawing(picture)) throw new ActionError('A drawing keeps its colours: only pictures of pixels are adjusted.');
    const { light, contrast, sharpen, inks, dark, pale } = { ...adjustValues(document, content), ...change };
    const isInked = inks === 'one' || inks === 'two';
    const own: Adjust = said({
      light: light || undefined,
      contrast: contrast || undefined,
      sharpen: sharpen || undefined,
      inks: inks === 'full' ? undefined : inks,
      dark: isInked ? dark : undefined,
      pale: inks === 'two' ? pale : undefined,
    });
    const { adjust: _, ...plain } = content;
    edit.put({ ...frame, content: Object.keys(own).length === 0 ? plain : { ...plain, adjust: own } });
  }
  return edit.diff();
}

function changedCrop(box: Box, picture: PictureRecord, crop: Crop, change: Partial<CropValues>): Crop {
  const values = { ...cropValues(box, picture, crop), ...change };
  const { zoom, x, y } = change;
  const byHand =
    change.fit === undefined ? values.fit === 'own' || [zoom, x, y].some((each) => each !== undefined) : change.fit === 'own';
  const turn = turnedWithin(values.turn);
  if (byHand) return ownCrop({ ...values, turn });
  return said({ fit: values.fit, turn: turn === 0 ? undefined : turn, mirrored: values.mirrored || undefined });
}

/** The wrap that suits a picture best: around its transparency, else around its frame. */
export function usualWrap(picture: PictureRecord): Wrap {
  return picture.outlines.alpha
    ? { mode: 'outline', standOff: CUT_OUT_STAND_OFF, outline: 'alpha' }
    : { mode: 'frame', standOff: FRAME_STAND_OFF, outline: picture.outlines.background ? 'background' : 'alpha' };
}

export interface PlacePicture {
  readonly picture: string;
  readonly page: string;
  readonly box: Box;
  /** The free stretch around it, where that is larger: its caption may take of it. */
  readonly room?: Box | undefined;
}

/**
 * Puts a picture on a page in a frame of its own, with its caption and credit as the house has them. A cut-out is shown
 * whole and without, a picture with edges fills its frame.
 */
export function placePicture(document: Document, intent: PlacePicture, typesetter: Typesetter): Diff {
  const edit = new Edit(document);
  const picture = find(document, 'picture', intent.picture);
  if (!picture) throw new ActionError('That picture is no longer in the issue.');
  const { page } = pageWithGrid(document, intent.page);
  const frame = putFrame(
    edit,
    page.page.id,
    intent.box,
    { type: 'picture', picture: picture.id, fit: picture.outlines.alpha ? 'fit' : 'fill' },
    usualWrap(picture),
  );
  const { height } = formatOf(document);
  // What bleeds off the foot has no room for words under it.
  if (!picture.outlines.alpha && captionHabit(document).always && bottom(intent.box) < height) {
    putCaptions(edit, frame.id);
    makeRoomUnder(edit, frame.id, bottom(intent.room ?? intent.box), typesetter);
  }
  return edit.diff();
}

export interface FillFrame {
  readonly frame: string;
  readonly picture: string;
}

/**
 * Fills a picture frame with a picture, in place of the one it may show. In the place of an advertisement it becomes the
 * artwork of the one that is booked for it; where none is, the place becomes a picture's.
 */
export function fillFrame(document: Document, { frame: frameId, picture: pictureId }: FillFrame, typesetter: Typesetter): Diff {
  const edit = new Edit(document);
  const frame = get(document, 'frame', frameId);
  const picture = get(document, 'picture', pictureId);
  if (frame.content.type === 'advertisement') {
    const booked = find(document, 'advertisement', frame.content.advertisement);
    if (booked) edit.put({ ...booked, picture: picture.id });
    else edit.put({ ...frame, content: { type: 'picture', picture: picture.id, fit: 'fill' } });
    return edit.diff();
  }
  if (frame.content.type !== 'picture') throw new ActionError('Only a picture frame takes a picture.');
  const before = find(document, 'picture', frame.content.picture);
  edit.put({ ...frame, wrap: wrapAround(picture, frame.wrap), content: { ...frame.content, picture: picture.id } });
  const foot = bottom(around([frame.box, ...captionsOf(document, frame.id).map(({ box }) => box)])!);
  if (before || frame.wrap.mode !== 'none') recaption(edit, frame.id, before);
  makeRoomUnder(edit, frame.id, foot, typesetter);
  return edit.diff();
}

/** Two frames change over their pictures, each keeping its form, its look and where it lies. */
export function swapPictures(document: Document, [one, other]: readonly [string, string], typesetter: Typesetter): Diff {
  const edit = new Edit(document);
  const pictureOf = (id: string) => {
    const { content } = get(document, 'frame', id);
    return content.type === 'picture' ? content.picture : undefined;
  };
  const [a, b] = [pictureOf(one), pictureOf(other)];
  if (a === undefined || b === undefined) throw new ActionError('Only two pictures change places.');
  edit.take(fillFrame(edit.document, { frame: one, picture: b }, typesetter));
  edit.take(fillFrame(edit.document, { frame: other, picture: a }, typesetter));
  return edit.diff();
}

/** A wrap that was another picture's: along an outline that this one lacks, it is what suits this one best. */
const wrapAround = (picture: PictureRecord, wrap: Wrap): Wrap =>
  wrap.mode === 'outline' && wrap.outline !== 'shape' && !hasOutline(picture, wrap)
    ? { ...usualWrap(picture), standOff: wrap.standOff }
    : wrap;

const hasOutline = ({ outlines }: PictureRecord, { outline }: Wrap): boolean =>
  outline === 'alpha' || outline === 'background' ? outlines[outline] !== undefined : false;
