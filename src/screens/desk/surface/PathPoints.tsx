'use client';

import { type PointerEvent as ReactPointerEvent, useState } from 'react';
import {
  type FreeOutline,
  type PathPlace,
  pathPoint,
  withoutPathPoint,
  withPathPoint,
  withPathPointAfter,
  withRoundness,
} from '@/core/actions/forms';
import { PER_POINT } from '@/core/geometry/path';
import { ARROWS } from '@/parts/arrows';
import { toScreen, type View } from '../../sheet/view';
import { type FrameInSight, onSpread, turnOf } from '../frames/frameInSight';

/** Points of a form that can be told apart by a hand. */
const MOST_SHOWN = 200;

interface PathPointsProps {
  readonly chosen: FrameInSight;
  readonly shape: FreeOutline;
  readonly view: View;
  readonly onPull: (place: PathPlace, event: ReactPointerEvent) => void;
  readonly onShape: (shape: FreeOutline) => void;
  readonly say: (words: string, kind: 'wrong') => void;
}

/**
 * The points of a free outline, to be dragged or moved by the arrow keys; the point that has the focus shows the handles of its
 * curves. Insert adds a point behind it, Delete takes it away, and a double press or `c` makes a corner of a curve, and back.
 */
export function PathPoints({ chosen, shape, view, onPull, onShape, say }: PathPointsProps) {
  const [at, setAt] = useState<{ ring: number; point: number }>();
  const box = toScreen(view, onSpread(chosen));
  const count = shape.rings.reduce((sum, ring) => sum + ring.length / PER_POINT, 0);
  if (count > MOST_SHOWN) return null;
  const onScreen = (place: PathPlace) => {
    const [x, y] = pathPoint(shape, place);
    return { x: box.x + x * box.w, y: box.y + y * box.h };
  };
  const nudge = (place: PathPlace, x: number, y: number) => {
    const [px, py] = pathPoint(shape, place);
    onShape(withPathPoint(shape, place, px + x / chosen.box.w, py + y / chosen.box.h));
  };
  const onKey = (place: PathPlace) => (event: React.KeyboardEvent) => {
    const { ring, point } = place;
    const step = ARROWS[event.key];
    const act = step
      ? () => nudge(place, step[0] * (event.shiftKey ? 10 : 1), step[1] * (event.shiftKey ? 10 : 1))
      : event.key === 'Insert'
        ? () => onShape(withPathPointAfter(shape, ring, point))
        : event.key === 'Delete' || event.key === 'Backspace'
          ? () => onShape(withoutPathPoint(shape, ring, point))
          : event.key === 'c' && !event.ctrlKey && !event.metaKey && !event.altKey
            ? () => onShape(withRoundness(shape, ring, point))
            : undefined;
    if (!act) return;
    event.preventDefault();
    event.stopPropagation();
    try {
      act();
    } catch (error) {
      say((error as Error).message, 'wrong');
    }
  };
  const chosenPoint = at && at.point < (shape.rings[at.ring]?.length ?? 0) / PER_POINT ? at : undefined;
  return (
    <g transform={turnOf(chosen.frame, box)} data-path-points="">
      {chosenPoint &&
        (['into', 'out'] as const).map((part) => {
          const own = { ...chosenPoint, part };
          const from = onScreen({ ...chosenPoint, part: 'place' });
          const to = onScreen(own);
          if (from.x === to.x && from.y === to.y) return null;
          return (
            <g key={part}>
              <path d={`M${from.x} ${from.y}L${to.x} ${to.y}`} stroke="var(--hold)" pointerEvents="none" />
              <circle
                role="button"
                tabIndex={0}
                data-handle={part}
                aria-label={`Handle of the curve ${part === 'into' ? 'before' : 'after'} point ${chosenPoint.point + 1}; arrow keys move it`}
                cx={to.x}
                cy={to.y}
                r={4}
                fill="#fff"
                stroke="var(--hold)"
                style={{ cursor: 'move' }}
                onPointerDown={(event) => {
                  event.stopPropagation();
                  onPull(own, event);
                }}
                onKeyDown={onKey(own)}
              />
            </g>
          );
        })}
      {shape.rings.flatMap((ring, r) =>
        Array.from({ length: ring.length / PER_POINT }, (_, point) => {
          const place: PathPlace = { ring: r, point, part: 'place' };
          const { x, y } = onScreen(place);
          return (
            <rect
              key={`${r} ${point}`}
              role="button"
              tabIndex={0}
              data-path-point={`${r}-${point}`}
              aria-label={`Point ${point + 1} of ${ring.length / PER_POINT}; arrow keys move it, Insert adds one, Delete removes it, C makes it a corner or a curve`}
              x={x - 4}
              y={y - 4}
              width={8}
              height={8}
              fill={chosenPoint?.ring === r && chosenPoint.point === point ? 'var(--hold)' : 'var(--mark)'}
              stroke="var(--hold)"
              style={{ cursor: 'move' }}
              onFocus={() => setAt({ ring: r, point })}
              onPointerDown={(event) => {
                event.stopPropagation();
                setAt({ ring: r, point });
                event.currentTarget.focus();
                onPull(place, event);
              }}
              onDoubleClick={(event) => {
                event.stopPropagation();
                onShape(withRoundness(shape, r, point));
              }}
              onKeyDown={onKey(place)}
            />
          );
        }),
      )}
    </g>
  );
}
