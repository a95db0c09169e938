import type { Box, Point } from '../../geometry/box';
import type { Matrix } from '../../geometry/matrix';
import { grownOutline } from '../../geometry/shapes';
import type { FrameRecord } from '../../records/index';
import type { Contour, Showing, Veil } from '../displayList/displayList';
import { contourOf, outlineOf } from './contours';

/** How the items of a frame are shown as a whole. @param rotated the frame's own rotation */
export function showingOf(frame: FrameRecord, box: Box, rotated: Matrix | undefined): Showing {
  const veil = frame.fade || frame.feather ? { veil: veilOf(frame, box, rotated) } : {};
  return { transform: rotated, opacity: frame.opacity, blend: frame.blend, ...veil };
}

/** The same for what a frame shows beside its area and border. */
export function contentShowing(frame: FrameRecord, box: Box, rotated: Matrix | undefined): Showing {
  const showing = showingOf(frame, box, rotated);
  const { contentOpacity } = frame;
  return contentOpacity === undefined ? showing : { ...showing, opacity: (showing.opacity ?? 1) * contentOpacity };
}

function veilOf({ shape, fade, feather }: FrameRecord, box: Box, rotated: Matrix | undefined): Veil {
  const at = ({ x, y }: Point): Point => ({ x: box.x + x * box.w, y: box.y + y * box.h });
  return {
    transform: rotated,
    fade: fade && { from: at(fade.from), to: at(fade.to) },
    feather: feather ? { contour: inset(contourOf(shape, box), feather / 2), blur: feather / 2 } : undefined,
  };
}

/** An edge so far inside another one. */
function inset(contour: Contour, by: number): Contour {
  if (contour.type !== 'rectangle') return { type: 'outline', outline: grownOutline(outlineOf(contour), -by) };
  const { x, y, w, h } = contour.box;
  const [dx, dy] = [Math.min(by, w / 2), Math.min(by, h / 2)];
  return { ...contour, box: { x: x + dx, y: y + dy, w: w - 2 * dx, h: h - 2 * dy }, radius: Math.max(0, contour.radius - by) };
}
