import type { Box } from '@/core/geometry/box';

/** The one shadow there is. A plain element casts it: as a filter in the drawing it would be drawn anew with every word that moves. */
export function PaperShadow({ at }: { at: Box }) {
  const style = { left: at.x, top: at.y, width: at.w, height: at.h };
  return <div aria-hidden="true" className="absolute shadow-[0_1px_5px_rgb(20_33_61/0.3)]" style={style} />;
}
