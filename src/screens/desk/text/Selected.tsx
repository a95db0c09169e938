'use client';

import { memo } from 'react';
import type { ShownSelection } from '@/client/typesetter';
import type { Box, Point } from '@/core/geometry/box';
import type { PlacedPage } from '@/core/page/pages';
import { onSpread } from '../frames/frameInSight';
import { toScreen, type View } from '../../sheet/view';

type Areas = ShownSelection['areas'][number]['areas'];

/** Areas of a page as one path of the screen. */
const pathOf = (areas: Areas, { k, tx, ty }: View, dx: number): string => {
  const at = ({ x, y }: Point) => `${((x + dx) * k + tx).toFixed(2)} ${(y * k + ty).toFixed(2)}`;
  return areas.map((corners) => `M${corners.map(at).join('L')}Z`).join('');
};

/** What is selected of a text, in the true shapes of its lines; under the letters, as a marker pen would be. */
export const SelectedAreas = memo(function SelectedAreas({ areas, view, dx = 0 }: { areas: Areas; view: View; dx?: number }) {
  return (
    <path
      d={pathOf(areas, view, dx)}
      fill="var(--mark)"
      opacity={0.55}
      style={{ mixBlendMode: 'multiply' }}
      pointerEvents="none"
      data-text-selected
    />
  );
});

/** The caret on the screen; undefined where it stands on none of the pages in sight. */
export function caretOnScreen({ caret }: ShownSelection, pages: readonly PlacedPage[], view: View): Box | undefined {
  const page = pages.find((each) => each.page.id === caret?.page);
  return caret && page ? toScreen(view, onSpread({ page, box: caret.box })) : undefined;
}

/** A caret; its colour is that of what is about to be done. */
export function Caret({ at, isDrop = false }: { at: Box; isDrop?: boolean }) {
  return (
    <div
      aria-hidden="true"
      {...(isDrop ? { 'data-drop-caret': '' } : { 'data-caret': '' })}
      className="caret pointer-events-none absolute"
      style={{ left: at.x - 1, top: at.y, width: Math.max(2, at.w), height: Math.max(2, at.h) }}
    />
  );
}

/** Whether a point of a page lies in what is selected there. */
export const isInAreas = ({ areas }: ShownSelection, page: string, { x, y }: Point): boolean =>
  areas.some(
    (each) =>
      each.page === page &&
      each.areas.some((corners) => {
        // Convex: the point is on the same side of all edges.
        const sides = corners.map((a, i) => {
          const b = corners[(i + 1) % 4]!;
          return Math.sign((b.x - a.x) * (y - a.y) - (b.y - a.y) * (x - a.x));
        });
        return sides.every((side) => side >= 0) || sides.every((side) => side <= 0);
      }),
  );
