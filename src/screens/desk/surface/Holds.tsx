'use client';

import { ARROWS } from '@/parts/arrows';
import { memo, type PointerEvent as ReactPointerEvent } from 'react';
import { withCorner } from '@/core/actions/appearance';
import { type Box, grown, middleOf } from '@/core/geometry/box';
import { mappedBox, rotation } from '@/core/geometry/matrix';
import { formatNumber } from '@/core/length/length';
import type { Shape } from '@/core/records/frame';
import { type FrameInSight, onSpread, turnOf } from '../frames/frameInSight';
import type { Pull } from '../hand/snap';
import { Label, labelWidth } from './Label';
import { toScreen, type View } from '../../sheet/view';

const ARM = 11;

/** The sides and corners that can be pulled. */
const PULLS: readonly (Pull & { readonly name: string; readonly cursor: string; readonly at: readonly [number, number] })[] = [
  { name: 'left top', left: true, right: false, top: true, bottom: false, cursor: 'nwse-resize', at: [0, 0] },
  { name: 'right top', left: false, right: true, top: true, bottom: false, cursor: 'nesw-resize', at: [1, 0] },
  { name: 'left bottom', left: true, right: false, top: false, bottom: true, cursor: 'nesw-resize', at: [0, 1] },
  { name: 'right bottom', left: false, right: true, top: false, bottom: true, cursor: 'nwse-resize', at: [1, 1] },
  { name: 'left', left: true, right: false, top: false, bottom: false, cursor: 'ew-resize', at: [0, 0.5] },
  { name: 'right', left: false, right: true, top: false, bottom: false, cursor: 'ew-resize', at: [1, 0.5] },
  { name: 'top', left: false, right: false, top: true, bottom: false, cursor: 'ns-resize', at: [0.5, 0] },
  { name: 'bottom', left: false, right: false, top: false, bottom: true, cursor: 'ns-resize', at: [0.5, 1] },
];

const bracketsAround = ({ x, y, w, h }: Box): string => {
  const arm = Math.min(ARM, w / 2, h / 2);
  return [
    `M${x - 2} ${y + arm}V${y - 2}H${x + arm}`,
    `M${x + w - arm} ${y - 2}H${x + w + 2}V${y + arm}`,
    `M${x + w + 2} ${y + h - arm}V${y + h + 2}H${x + w - arm}`,
    `M${x + arm} ${y + h + 2}H${x - 2}V${y + h - arm}`,
  ].join('');
};

/** Brackets around so many chosen frames that they are one drawing; they are sized as a block alone, since their own edges lie too close to be meant. */
export const BracketsOfMany = memo(function BracketsOfMany({ chosen, view }: { chosen: readonly FrameInSight[]; view: View }) {
  const d = chosen.map((each) => bracketsAround(mappedBox(rotationOf(each, view), toScreen(view, onSpread(each))))).join('');
  return <path d={d} fill="none" stroke="var(--hold)" strokeWidth={2} pointerEvents="none" data-brackets="many" />;
});

/** The turn of a frame on the screen. */
function rotationOf(each: FrameInSight, view: View) {
  return each.frame.rotation ? rotation(each.frame.rotation, middleOf(toScreen(view, onSpread(each)))) : undefined;
}

/** Corner brackets around a chosen frame, and the places to pull it by. */
export function Brackets({
  chosen,
  view,
  pullable,
  onPull,
}: {
  chosen: FrameInSight;
  view: View;
  pullable: boolean;
  onPull: (pull: Pull, event: ReactPointerEvent) => void;
}) {
  const { x, y, w, h } = toScreen(view, onSpread(chosen));
  const d = bracketsAround({ x, y, w, h });
  return (
    <g transform={turnOf(chosen.frame, { x, y, w, h })}>
      <path d={d} fill="none" stroke="#fff" strokeWidth={5} opacity={0.7} pointerEvents="none" />
      <path d={d} fill="none" stroke="var(--hold)" strokeWidth={2.6} pointerEvents="none" data-brackets={chosen.frame.id} />
      {pullable && <Pulls box={{ x, y, w, h }} onPull={onPull} />}
    </g>
  );
}

/** The places to pull a box by: its corners, and its sides between them. */
function Pulls({ box: { x, y, w, h }, onPull }: { box: Box; onPull: (pull: Pull, event: ReactPointerEvent) => void }) {
  return PULLS.map(({ name, cursor, at, ...pull }) => {
    const corner = at[0] !== 0.5 && at[1] !== 0.5;
    const wide = corner ? 14 : at[0] === 0.5 ? Math.max(0, w - 28) : 8;
    const tall = corner ? 14 : at[1] === 0.5 ? Math.max(0, h - 28) : 8;
    return (
      <rect
        key={name}
        data-pull={name}
        x={x + at[0] * w - wide / 2}
        y={y + at[1] * h - tall / 2}
        width={wide}
        height={tall}
        fill="transparent"
        style={{ cursor }}
        onPointerDown={(event) => onPull(pull, event)}
      />
    );
  });
}

/** Pixels between the frames that are chosen and the line around them all. */
const APART = 9;

/** A line around several frames, by which they are sized as one. */
export function Block({ box, onPull }: { box: Box; onPull: (pull: Pull, event: ReactPointerEvent) => void }) {
  const rim = grown(box, APART);
  return (
    <g data-block="">
      <rect
        x={rim.x}
        y={rim.y}
        width={rim.w}
        height={rim.h}
        fill="none"
        stroke="var(--hold)"
        strokeWidth={1.4}
        strokeDasharray="7 4"
        pointerEvents="none"
      />
      <Pulls box={rim} onPull={onPull} />
    </g>
  );
}

/** A bow at the lower right corner of a frame, to turn it by: dragged, or by the arrow keys. */
export function TurnHold({
  chosen,
  view,
  isTurning,
  onPull,
  onTurn,
}: {
  chosen: FrameInSight;
  view: View;
  isTurning: boolean;
  onPull: (event: ReactPointerEvent) => void;
  onTurn: (degrees: number) => void;
}) {
  const at = toScreen(view, onSpread(chosen));
  const [x, y] = [at.x + at.w, at.y + at.h];
  const now = chosen.frame.rotation ?? 0;
  const bow = `M${x + 15} ${y + 3}A15 15 0 0 1 ${x + 3} ${y + 15}`;
  const hold = (
    <g
      transform={turnOf(chosen.frame, at)}
      role="slider"
      tabIndex={0}
      aria-label="Rotation"
      aria-valuemin={-360}
      aria-valuemax={360}
      aria-valuenow={now}
      aria-valuetext={`${now}°`}
      data-turn=""
      className="turn-hold"
      style={{ cursor: 'grab' }}
      onPointerDown={(event) => {
        event.stopPropagation();
        onPull(event);
      }}
      onKeyDown={(event) => {
        const step = ARROWS[event.key];
        if (!step) return;
        event.preventDefault();
        event.stopPropagation();
        onTurn(now + (step[0] || -step[1]) * (event.shiftKey ? 15 : 1));
      }}
    >
      <path d={bow} fill="none" stroke="#fff" strokeWidth={6} opacity={0.7} />
      <path d={bow} fill="none" stroke="var(--hold)" strokeWidth={2.6} />
      <path d={bow} fill="none" stroke="transparent" strokeWidth={14} />
    </g>
  );
  if (!isTurning) return hold;
  const words = `${formatNumber(now, 1)}°`;
  const [mx, my] = [at.x + at.w / 2, at.y + at.h / 2];
  return (
    <>
      {hold}
      <g pointerEvents="none">
        <Label x={mx - labelWidth(words) / 2} y={my - 8} words={words} fontWeight={700} data-degrees="" />
      </g>
    </>
  );
}

/** The corners of a polygon, to be dragged, or moved by the arrow keys. */
export function Corners({
  chosen,
  shape,
  view,
  onPull,
  onShape,
}: {
  chosen: FrameInSight;
  shape: Extract<Shape, { type: 'polygon' }>;
  view: View;
  onPull: (corner: number, event: ReactPointerEvent) => void;
  onShape: (shape: Shape) => void;
}) {
  const at = toScreen(view, onSpread(chosen));
  const corners = shape.points.filter((_, i) => i % 2 === 0).map((x, i) => [x, shape.points[2 * i + 1]!] as const);
  return (
    <g transform={turnOf(chosen.frame, at)}>
      {corners.map(([x, y], corner) => {
        const [cx, cy] = [at.x + x * at.w, at.y + y * at.h];
        return (
          <rect
            key={corner}
            role="button"
            tabIndex={0}
            data-corner={corner}
            aria-label={`Corner ${corner + 1} of ${corners.length}; arrow keys move it`}
            x={cx - 4}
            y={cy - 4}
            width={8}
            height={8}
            transform={`rotate(45 ${cx} ${cy})`}
            fill="var(--mark)"
            stroke="var(--hold)"
            style={{ cursor: 'move' }}
            onPointerDown={(event) => {
              event.stopPropagation();
              onPull(corner, event);
            }}
            onKeyDown={(event) => {
              const step = ARROWS[event.key];
              if (!step) return;
              event.preventDefault();
              event.stopPropagation();
              onShape(withCorner(shape, corner, x + step[0] / chosen.box.w, y + step[1] / chosen.box.h));
            }}
          />
        );
      })}
    </g>
  );
}
