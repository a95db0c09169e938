'use client';

import { memo } from 'react';
import type { Point } from '@/core/geometry/box';
import { useSetting } from '../../sheet/useSetting';
import type { Desk } from '../useDesk';

/** Pixels of a wave, and how far it swings. */
const WAVE = 3;
const SWING = 1.1;

/** The words on the spread that no dictionary knows, underlined as a proof-reader would. */
export const Misspellings = memo(function Misspellings({ desk }: { desk: Pick<Desk, 'composer' | 'spread' | 'view'> }) {
  const { composer, spread, view } = desk;
  const marks = useSetting(composer, (setting) => setting.marks);
  const { k, tx, ty } = view.view;
  const path = spread.pages.flatMap(({ page, dx }) => {
    const at = ({ x, y }: Point): Point => ({ x: (x + dx) * k + tx, y: y * k + ty });
    return marks.flatMap((mark) =>
      mark.page === page.id ? mark.areas.map((corners) => wave(at(corners[3]), at(corners[2]))) : [],
    );
  });
  return (
    <path d={path.join('')} fill="none" stroke="var(--tail)" strokeWidth={1} pointerEvents="none" data-misspelt={path.length} />
  );
});

function wave(from: Point, to: Point): string {
  const length = Math.hypot(to.x - from.x, to.y - from.y);
  const steps = Math.max(2, Math.round(length / WAVE));
  const [dx, dy] = [(to.x - from.x) / steps, (to.y - from.y) / steps];
  // Across the line's own direction.
  const [nx, ny] = length > 0 ? [-(to.y - from.y) / length, (to.x - from.x) / length] : [0, 1];
  let d = `M${from.x.toFixed(1)} ${from.y.toFixed(1)}`;
  for (let i = 1; i <= steps; i++) {
    const swing = (i % 2 === 0 ? -SWING : SWING) / 2;
    d += `L${(from.x + dx * i + nx * swing).toFixed(1)} ${(from.y + dy * i + ny * swing).toFixed(1)}`;
  }
  return d;
}
