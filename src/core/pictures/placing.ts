import type { Box, Point } from '../geometry/box';
import { composedWith, inverse, mapped, type Matrix, mappedOutline, rotation } from '../geometry/matrix';
import { laidOver, type Outline } from '../geometry/outline';
import type { Crop } from '../records/frame';
import type { PictureRecord } from '../records/index';
import { type CropValues, LEAST_ZOOM, MOST_ZOOM } from '../properties/crop';

/** What of a picture decides how it lies in a frame. */
export type Sized = Pick<PictureRecord, 'width' | 'height' | 'focus'>;

/** Where the whole of a picture lies, in the coordinates of its frame's box. */
export interface PlacedPicture {
  /** Before it is turned and mirrored. */
  readonly box: Box;
  /** Turns and mirrors it, about the middle of that box; undefined where it is upright. */
  readonly matrix: Matrix | undefined;
}

/** A place of a picture is never beside it: the middle of a frame always lies on its picture. */
export const share = (value: number): number => Math.min(1, Math.max(0, value));

const MIDDLE: Point = { x: 0.5, y: 0.5 };

/** Width and height of the upright box around a box that is turned. */
function turnedSize(w: number, h: number, degrees: number): { readonly w: number; readonly h: number } {
  const [a, b] = rotation(degrees, { x: 0, y: 0 });
  const [cos, sin] = [Math.abs(a), Math.abs(b)];
  return { w: w * cos + h * sin, h: w * sin + h * cos };
}

/** Points of the page that a pixel of a picture takes where it just covers its frame. */
function coverScale(box: Box, { width, height }: Sized, turn: number): number {
  const room = turnedSize(box.w, box.h, turn);
  return Math.max(room.w / width, room.h / height);
}

/** The place nearest to `at` that may lie in the middle of the frame while the picture covers all of it. */
export function covering(box: Box, picture: Sized, { zoom, turn }: Pick<CropValues, 'zoom' | 'turn'>, at: Point): Point {
  const scale = coverScale(box, picture, turn) * zoom;
  const room = turnedSize(box.w, box.h, turn);
  const within = (place: number, half: number) => (half >= 0.5 ? 0.5 : Math.min(1 - half, Math.max(half, place)));
  return {
    x: within(at.x, room.w / (2 * picture.width * scale)),
    y: within(at.y, room.h / (2 * picture.height * scale)),
  };
}

/**
 * How a picture lies in its frame as if a hand had laid it: its zoom and the place in the middle of the frame. What covers
 * the frame by itself does so with the picture's focus as near to the middle as it goes.
 */
export function cropValues(box: Box, picture: Sized, crop: Crop | CropValues): CropValues {
  if ('x' in crop) return crop;
  const { fit, at, zoom = 1, turn = 0, mirrored = false } = crop;
  if (fit === 'own') return { fit, zoom, ...(at ?? MIDDLE), turn, mirrored };
  if (fit === 'fill')
    return { fit, zoom: 1, ...covering(box, picture, { zoom: 1, turn }, picture.focus ?? MIDDLE), turn, mirrored };
  const whole = turnedSize(picture.width, picture.height, turn);
  const shown = Math.min(box.w / whole.w, box.h / whole.h);
  return { fit, zoom: shown / coverScale(box, picture, turn), ...MIDDLE, turn, mirrored };
}

/** Where the whole of a picture lies when its frame is `box`. */
export function placedPicture(box: Box, picture: Sized, crop: Crop | CropValues): PlacedPicture {
  const { zoom, x, y, turn, mirrored } = cropValues(box, picture, crop);
  const scale = coverScale(box, picture, turn) * zoom;
  const w = picture.width * scale;
  const h = picture.height * scale;
  const [a, b] = rotation(turn, { x: 0, y: 0 });
  // From the place in the middle of the frame to the middle of the picture, as it is shown.
  const across = (mirrored ? x - 0.5 : 0.5 - x) * w;
  const down = (0.5 - y) * h;
  const middle = { x: box.x + box.w / 2 + a * across - b * down, y: box.y + box.h / 2 + b * across + a * down };
  const own = { x: middle.x - w / 2, y: middle.y - h / 2, w, h };
  if (turn % 360 === 0 && !mirrored) return { box: own, matrix: undefined };
  const turned = rotation(turn, middle);
  return { box: own, matrix: mirrored ? composedWith(turned, [-1, 0, 0, 1, 2 * middle.x, 0]) : turned };
}

/** A place of a picture, in its unit square, where it lies. */
export function fromUnit({ box, matrix }: PlacedPicture, { x, y }: Point): Point {
  const upright = { x: box.x + x * box.w, y: box.y + y * box.h };
  return matrix ? mapped(matrix, upright) : upright;
}

/** The place of a picture that lies at a point, in its unit square. */
export function toUnit({ box, matrix }: PlacedPicture, point: Point): Point {
  const upright = matrix ? mapped(inverse(matrix), point) : point;
  return { x: (upright.x - box.x) / box.w, y: (upright.y - box.y) / box.h };
}

/** A traced outline of a picture where the picture lies. */
export function tracedOn(outline: Outline, box: Box, picture: Sized, crop: Crop | CropValues): Outline {
  const { box: placed, matrix } = placedPicture(box, picture, crop);
  const own = laidOver(outline, placed);
  return matrix ? mappedOutline(matrix, own) : own;
}

/**
 * The crop by hand with which a picture lies in another box just where it lies now: what a frame shows more or less of when
 * its edge is pulled.
 */
export function keptCrop(from: Box, to: Box, picture: Sized, crop: Crop): Crop {
  const { zoom, x, y, turn, mirrored } = cropValues(from, picture, crop);
  const scale = coverScale(from, picture, turn) * zoom;
  const d = sharesOf(
    from,
    picture,
    { zoom, turn, mirrored },
    {
      x: to.x + to.w / 2 - from.x - from.w / 2,
      y: to.y + to.h / 2 - from.y - from.h / 2,
    },
  );
  return ownCrop({ zoom: scale / coverScale(to, picture, turn), x: x + d.x, y: y + d.y, turn, mirrored });
}

/** Points of the page from the place of a picture in the middle of its frame, as shares of the picture. */
function sharesOf(box: Box, picture: Sized, { zoom, turn, mirrored }: Omit<CropValues, 'fit' | 'x' | 'y'>, by: Point): Point {
  const scale = coverScale(box, picture, turn) * zoom;
  const { x, y } = mapped(rotation(-turn, { x: 0, y: 0 }), by);
  return { x: (mirrored ? -x : x) / (picture.width * scale), y: y / (picture.height * scale) };
}

/**
 * A picture moved in its frame.
 * @param by points of the page, along the frame's own sides
 * @param covers where the picture is large enough, no part of the frame is left bare
 */
export function movedCrop(box: Box, picture: Sized, of: CropValues, by: Point, covers: boolean): CropValues {
  const d = sharesOf(box, picture, of, by);
  const at = { x: share(of.x - d.x), y: share(of.y - d.y) };
  return { ...of, fit: 'own', ...(covers && of.zoom >= 1 ? covering(box, picture, of, at) : at) };
}

/**
 * A picture zoomed in its frame, with the place under a point staying there.
 * @param point from the middle of the frame, points of the page
 */
export function zoomedCrop(box: Box, picture: Sized, of: CropValues, point: Point, factor: number): CropValues {
  const zoom = Math.min(MOST_ZOOM, Math.max(LEAST_ZOOM, of.zoom * factor));
  const before = sharesOf(box, picture, of, point);
  const after = sharesOf(box, picture, { ...of, zoom }, point);
  const at = { x: share(of.x + before.x - after.x), y: share(of.y + before.y - after.y) };
  return { ...of, fit: 'own', zoom, ...(zoom >= 1 ? covering(box, picture, { ...of, zoom }, at) : at) };
}

/** A crop by hand, within its limits, what is usual left unsaid. */
export function ownCrop({ zoom, x, y, turn, mirrored }: Omit<CropValues, 'fit'>): Crop {
  return {
    fit: 'own',
    at: { x: share(x), y: share(y) },
    zoom: Math.min(MOST_ZOOM, Math.max(LEAST_ZOOM, zoom)),
    ...(turn === 0 ? {} : { turn }),
    ...(mirrored ? { mirrored } : {}),
  };
}

/** Pixels to the inch that are good in print, and the least that will do (common practice). */
export const GOOD_PPI = 300;
export const ENOUGH_PPI = 200;

/** Pixels to the inch of a picture as placed. */
export function effectiveResolution(picture: Pick<PictureRecord, 'width'>, placed: Box): number {
  return placed.w > 0 ? picture.width / (placed.w / 72) : 0;
}

/** The zoom at which a picture has so many pixels to the inch. */
export const zoomAt = (box: Box, picture: Sized, turn: number, ppi: number): number => 72 / ppi / coverScale(box, picture, turn);
