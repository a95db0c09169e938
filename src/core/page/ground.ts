import type { Box } from '../geometry/box';
import type { FormatRecord } from '../records/index';

/** A frame that covers most of its page is ground to put others on, not in anybody's way. */
const GROUND = 0.85;

export function isGround(format: FormatRecord, box: Box): boolean {
  const w = Math.min(box.x + box.w, format.width) - Math.max(box.x, 0);
  const h = Math.min(box.y + box.h, format.height) - Math.max(box.y, 0);
  return w > 0 && h > 0 && w * h > GROUND * format.width * format.height;
}
