'use client';

import { formatNumber } from '@/core/length/length';
import { lengthWords } from '@/parts/units';
import { useHand } from '../hand/hand';
import type { Desk } from '../useDesk';
import { Label, labelWidth } from './Label';

/** Pixels of the bars at the ends of a measure, to each side of it. */
const BAR = 6;

/** The distance between two points of the spread, with its parts across and down, and its angle. */
export function Measure({ desk }: { desk: Desk }) {
  const now = useHand(desk.hand, (doing) => (doing.doing === 'measuring' ? doing : undefined));
  if (!now) return null;
  const { view, size } = desk.view;
  const { from, to } = now;
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const length = Math.hypot(dx, dy);
  const [x0, y0] = [from.x * view.k + view.tx, from.y * view.k + view.ty];
  const [x1, y1] = [to.x * view.k + view.tx, to.y * view.k + view.ty];
  const pixels = Math.max(1, Math.hypot(x1 - x0, y1 - y0));
  const [nx, ny] = [((y1 - y0) / pixels) * BAR, (-(x1 - x0) / pixels) * BAR];
  const line = `M${x0} ${y0}L${x1} ${y1}M${x0 - nx} ${y0 - ny}l${2 * nx} ${2 * ny}M${x1 - nx} ${y1 - ny}l${2 * nx} ${2 * ny}`;
  const angle = (Math.atan2(-dy, dx) * 180) / Math.PI;
  const parts = dx !== 0 && dy !== 0 ? `, ${lengthWords(Math.abs(dx))} across, ${lengthWords(Math.abs(dy))} down` : '';
  const words = `${lengthWords(length)}${parts}${length > 0 ? `, ${formatNumber(angle, 1).replace('-', '−')}°` : ''}`;
  const wide = labelWidth(words);
  const at = {
    x: Math.max(4, Math.min(size.width - wide - 4, (x0 + x1) / 2 - wide / 2)),
    y: Math.max(4, Math.min(size.height - 26, (y0 + y1) / 2 + 10)),
  };
  return (
    <g pointerEvents="none" data-measure={words}>
      <path d={line} stroke="#fff" strokeWidth={4} opacity={0.7} />
      <path d={line} stroke="var(--hold)" strokeWidth={1.6} />
      <Label {...at} words={words} role="status" />
    </g>
  );
}
