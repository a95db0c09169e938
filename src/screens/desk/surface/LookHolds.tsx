'use client';

import type { PointerEvent as ReactPointerEvent } from 'react';
import type { Appearance } from '@/core/properties/look';
import type { Point } from '@/core/geometry/box';
import { formatNumber } from '@/core/length/length';
import { lengthWords } from '@/parts/units';
import { ARROWS } from '@/parts/arrows';
import { toScreen, type View } from '../../sheet/view';
import { type FrameInSight, onSpread, turnOf } from '../frames/frameInSight';

interface LookHoldsProps {
  readonly chosen: FrameInSight;
  readonly view: View;
  /** @param look what it is when the pointer has gone so far, points along the sides of the frame */
  readonly onPull: (event: ReactPointerEvent, look: (by: Point) => Partial<Appearance>) => void;
  readonly onLook: (look: Partial<Appearance>) => void;
}

interface Hold {
  readonly id: string;
  readonly words: string;
  /** On the screen. */
  readonly at: Point;
  readonly form: 'round' | 'square';
  /** What it changes when it is moved by so much, points. */
  readonly moved: (by: Point) => Partial<Appearance>;
}

/** Pixels below its frame at which a shadow is taken hold of. */
const BELOW = 14;

/** A place in the unit square stays near it. */
const near = (value: number): number => Math.max(-4, Math.min(5, value));

/**
 * The ends of a gradient and of a fade, to be dragged over their frame, and a shadow, by its offset and its soft edge. Arrow keys
 * move each of them.
 */
export function LookHolds({ chosen, view, onPull, onLook }: LookHoldsProps) {
  const { frame } = chosen;
  const box = toScreen(view, onSpread(chosen));
  const { w, h } = chosen.box;
  const place = ({ x, y }: Point): Point => ({ x: box.x + x * box.w, y: box.y + y * box.h });
  const away = ({ x, y }: Point, by: Point): Point => ({ x: near(x + by.x / w), y: near(y + by.y / h) });
  const lines: { from: Point; to: Point; dashed: boolean }[] = [];
  const holds: Hold[] = [];
  const { gradient, fade, shadow } = frame;
  if (gradient && frame.fill) {
    const { from, to, through } = gradient;
    lines.push({ from: place(from), to: place(to), dashed: false });
    const ends = [
      { id: 'gradient-from', words: 'Start of the gradient', at: from, key: 'from' },
      { id: 'gradient-to', words: 'End of the gradient', at: to, key: 'to' },
    ] as const;
    for (const { id, words, at, key } of ends)
      holds.push({
        id,
        words,
        at: place(at),
        form: 'round',
        moved: (by) => ({ gradient: { ...gradient, [key]: away(at, by) } }),
      });
    const [dx, dy] = [(to.x - from.x) * w, (to.y - from.y) * h];
    const square = dx * dx + dy * dy || 1;
    through?.forEach((colour, i) => {
      const along = (at: number): Point => ({ x: from.x + (to.x - from.x) * at, y: from.y + (to.y - from.y) * at });
      holds.push({
        id: `gradient-through-${i}`,
        words: `Colour ${i + 1} between the ends of the gradient, at ${formatNumber(100 * colour.at, 0)} %`,
        at: place(along(colour.at)),
        form: 'square',
        moved: (by) => {
          const at = Math.max(0, Math.min(1, colour.at + (by.x * dx + by.y * dy) / square));
          return { gradient: { ...gradient, through: through.map((each, k) => (k === i ? { ...each, at } : each)) } };
        },
      });
    });
  }
  if (fade) {
    lines.push({ from: place(fade.from), to: place(fade.to), dashed: true });
    for (const [key, words] of [
      ['from', 'Start of the fade'],
      ['to', 'End of the fade'],
    ] as const)
      holds.push({
        id: `fade-${key}`,
        words,
        at: place(fade[key]),
        form: 'round',
        moved: (by) => ({ fade: { ...fade, [key]: away(fade[key], by) } }),
      });
  }
  if (shadow) {
    const foot = { x: box.x + box.w / 2, y: box.y + box.h + BELOW };
    const thrown = { x: foot.x + shadow.dx * view.k, y: foot.y + shadow.dy * view.k };
    const soft = { x: thrown.x + BELOW + shadow.blur * view.k, y: thrown.y };
    lines.push({ from: foot, to: thrown, dashed: false }, { from: thrown, to: soft, dashed: true });
    holds.push(
      {
        id: 'shadow',
        words: `Shadow, ${lengthWords(shadow.dx)} to the right, ${lengthWords(shadow.dy)} down`,
        at: thrown,
        form: 'round',
        moved: (by) => ({ shadow: { ...shadow, dx: shadow.dx + by.x, dy: shadow.dy + by.y } }),
      },
      {
        id: 'shadow-blur',
        words: `Soft edge of the shadow, ${lengthWords(shadow.blur)}`,
        at: soft,
        form: 'square',
        moved: (by) => ({ shadow: { ...shadow, blur: Math.max(0, Math.min(200, shadow.blur + by.x)) } }),
      },
    );
  }
  if (holds.length === 0) return null;
  return (
    <g transform={turnOf(frame, box)} data-look-holds="">
      {lines.map(({ from, to, dashed }, i) => (
        <g key={i} pointerEvents="none">
          <path d={`M${from.x} ${from.y}L${to.x} ${to.y}`} stroke="#fff" strokeWidth={3} opacity={0.8} />
          <path
            d={`M${from.x} ${from.y}L${to.x} ${to.y}`}
            stroke="var(--hold)"
            strokeWidth={1.2}
            strokeDasharray={dashed ? '4 3' : undefined}
          />
        </g>
      ))}
      {holds.map(({ id, words, at, form, moved }) => {
        const props = {
          role: 'button',
          tabIndex: 0,
          'aria-label': `${words}; arrow keys move it`,
          'data-look-hold': id,
          fill: 'var(--mark)',
          stroke: 'var(--hold)',
          style: { cursor: 'move' },
          onPointerDown: (event: ReactPointerEvent) => {
            event.stopPropagation();
            onPull(event, moved);
          },
          onKeyDown: (event: React.KeyboardEvent) => {
            const step = ARROWS[event.key];
            if (!step) return;
            event.preventDefault();
            event.stopPropagation();
            const far = event.shiftKey ? 10 : 1;
            onLook(moved({ x: step[0] * far, y: step[1] * far }));
          },
        } as const;
        return form === 'round' ? (
          <circle key={id} {...props} cx={at.x} cy={at.y} r={5} />
        ) : (
          <rect key={id} {...props} x={at.x - 4.5} y={at.y - 4.5} width={9} height={9} />
        );
      })}
    </g>
  );
}
