'use client';

import type { PointerEvent as ReactPointerEvent } from 'react';
import type { Point } from '@/core/geometry/box';
import { inverse, mapped, rotation } from '@/core/geometry/matrix';
import { sidesOf } from '@/core/records/frame';
import { lengthWords } from '@/parts/units';
import { toScreen, toSpread } from '../../sheet/view';
import { onSpread, turnOf } from '../frames/frameInSight';
import { useHand } from '../hand/hand';
import { outlinedBy } from '../hand/useOutlining';
import type { Desk } from '../useDesk';

/** The outline that is being mended: its points, the line between them, and how far off the text stays. */
export function OutlinePoints({ desk }: { desk: Desk }) {
  const now = useHand(desk.hand, (doing) => (doing.doing === 'outlining' ? doing : undefined));
  const own = now && outlinedBy(desk.document, now.frame, now.outline);
  const each = own && desk.frames.find(({ frame }) => frame.id === own.frame.id);
  if (!now || !own || !each) return null;
  const { view } = desk.view;
  const rim = toScreen(view, onSpread(each));
  const onScreen = (unit: Point): Point => {
    const { x, y } = own.toPage(unit);
    const at = toScreen(view, { x: x + each.page.dx, y, w: 0, h: 0 });
    return { x: at.x, y: at.y };
  };
  const rings = own.outline.map((ring) =>
    Array.from({ length: ring.length / 2 }, (_, i) => onScreen({ x: ring[2 * i]!, y: ring[2 * i + 1]! })),
  );
  const d = rings.map((ring) => `M${ring.map(({ x, y }) => `${x} ${y}`).join('L')}z`).join('');
  const off = now.standOff ?? Math.max(...Object.values(sidesOf(own.frame.wrap.standOff)));
  const right = rings.flat().reduce((a, b) => (b.x > a.x ? b : a));
  const handle = { x: right.x + off * view.k, y: right.y };
  const turn = turnOf(each.frame, rim);

  const pressLine = (event: ReactPointerEvent<SVGElement>) => {
    if (event.button !== 0) return;
    event.stopPropagation();
    const centre = { x: rim.x + rim.w / 2, y: rim.y + rim.h / 2 };
    const upright = mapped(inverse(rotation(each.frame.rotation ?? 0, centre)), desk.view.onDesk(event));
    const { x, y } = toSpread(view, upright.x, upright.y);
    desk.outlining.addAt({ x: x - each.page.dx, y }, event);
  };
  return (
    <g transform={turn} data-outlining={each.frame.id}>
      <path
        d={d}
        fill="none"
        stroke="var(--mark)"
        strokeOpacity={0.35}
        strokeWidth={2 * off * view.k}
        strokeLinejoin="round"
        pointerEvents="none"
      />
      <path d={d} fill="none" stroke="#fff" strokeWidth={3} pointerEvents="none" />
      <path d={d} fill="none" stroke="var(--hold)" strokeWidth={1.4} pointerEvents="none" />
      <path
        d={d}
        fill="none"
        stroke="transparent"
        strokeWidth={11}
        style={{ cursor: 'copy' }}
        data-outline-line=""
        onPointerDown={pressLine}
      >
        <title>Press to add a point</title>
      </path>
      {rings.flatMap((ring, r) =>
        ring.map(({ x, y }, point) => {
          const isChosen = now.at?.ring === r && now.at.point === point;
          return (
            <circle
              key={`${r} ${point}`}
              data-point={`${r}-${point}`}
              data-chosen={isChosen || undefined}
              cx={x}
              cy={y}
              r={isChosen ? 5 : 3}
              fill={isChosen ? 'var(--mark)' : '#fff'}
              stroke="var(--hold)"
              strokeWidth={1.2}
              style={{ cursor: 'move' }}
              onPointerDown={(event) => {
                if (event.button !== 0) return;
                event.stopPropagation();
                desk.outlining.dragPoint({ ring: r, point }, event);
              }}
            />
          );
        }),
      )}
      <path d={`M${right.x} ${right.y}H${handle.x}`} stroke="var(--hold)" strokeDasharray="2 2" pointerEvents="none" />
      <rect
        data-stand-off=""
        x={handle.x - 5}
        y={handle.y - 5}
        width={10}
        height={10}
        fill="var(--mark)"
        stroke="var(--hold)"
        style={{ cursor: 'ew-resize' }}
        onPointerDown={(event) => {
          if (event.button !== 0) return;
          event.stopPropagation();
          desk.outlining.dragStandOff(event);
        }}
      >
        <title>{`Stand-off ${lengthWords(off)}. Drag it.`}</title>
      </rect>
    </g>
  );
}
