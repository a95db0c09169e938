import type { PictureRecord } from '../records/index';

/** Longer sides of the copies of pictures that screens are given, pixels: the next larger one is shown. */
export const COPY_SIDES = [200, 400, 800, 1600, 3200] as const;

/** The copy that is given where so many pixels are wanted. */
export const copySide = (side: number): number => COPY_SIDES.find((each) => each >= side) ?? COPY_SIDES.at(-1)!;

/** Where a screen has a picture from, so many pixels at its longer side. */
export const screenSource = ({ preview, blob }: Pick<PictureRecord, 'preview' | 'blob'>, side: number): string =>
  `/api/pictures/${preview ?? blob}?side=${copySide(side)}`;
