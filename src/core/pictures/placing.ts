import type { Box } from '../geometry/box';
import type { PictureContent } from '../records/frame';
import type { PictureRecord } from '../records/index';

/** Where the whole picture lies when its frame is `box`: covering it or inside it, whole and in proportion. */
export function placedPicture(
  box: Box,
  picture: Pick<PictureRecord, 'width' | 'height'>,
  content: Pick<PictureContent, 'fit' | 'focus'>,
): Box {
  const across = box.w / picture.width;
  const down = box.h / picture.height;
  const scale = content.fit === 'fill' ? Math.max(across, down) : Math.min(across, down);
  const w = picture.width * scale;
  const h = picture.height * scale;
  return { x: box.x + (box.w - w) * content.focus.x, y: box.y + (box.h - h) * content.focus.y, w, h };
}

/** Pixels to the inch of a picture as placed. */
export function effectiveResolution(picture: Pick<PictureRecord, 'width'>, placed: Box): number {
  return placed.w > 0 ? picture.width / (placed.w / 72) : 0;
}
