import type { PictureRecord } from '../records/index';

/** Longer sides of the copies of pictures that screens are given, pixels: the next larger one is shown. */
export const COPY_SIDES = [200, 400, 800, 1600, 3200] as const;

/** The copy that is given where so many pixels are wanted. */
export const copySide = (side: number): number => COPY_SIDES.find((each) => each >= side) ?? COPY_SIDES.at(-1)!;

/** The file that is seen of a picture: a picture that is kept of it, where no screen shows the file itself or not fast. */
export const shownFile = ({ preview, blob }: Pick<PictureRecord, 'preview' | 'blob'>): string => preview ?? blob;

/** Where a screen has a picture from, so many pixels at its longer side. */
export const screenSource = (picture: Pick<PictureRecord, 'preview' | 'blob'>, side: number): string =>
  `/api/pictures/${shownFile(picture)}?side=${copySide(side)}`;
