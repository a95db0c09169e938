import type { Box, Point } from '../../geometry/box';
import type { Matrix } from '../../geometry/matrix';
import type { FrameRecord } from '../../records/index';
import type { Showing, Veil } from '../displayList/displayList';
import { contourOf, grownContour } from './contours';

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
    feather: feather ? { contour: grownContour(contourOf(shape, box), -feather / 2), blur: feather / 2 } : undefined,
  };
}
