'use client';

import { useEffect, useRef } from 'react';
import { formatNumber, POINTS, type Unit } from '@/core/length/length';
import { useUnit } from '@/parts/units';
import type { Desk } from '../useDesk';

/** Pixels of a ruler across. */
const RULER = 18;

/** Steps that are read easily, by unit: what stands at a number, and how many parts it has. */
const STEPS: Readonly<Record<Unit, readonly (readonly [step: number, parts: number])[]>> = {
  mm: [
    [1, 2],
    [5, 5],
    [10, 10],
    [20, 4],
    [50, 5],
    [100, 10],
  ],
  cm: [
    [0.5, 5],
    [1, 10],
    [2, 4],
    [5, 5],
    [10, 10],
  ],
  in: [
    [0.25, 4],
    [0.5, 8],
    [1, 8],
    [2, 8],
    [5, 5],
  ],
  pt: [
    [1, 2],
    [5, 5],
    [10, 10],
    [50, 5],
    [100, 10],
    [200, 4],
  ],
  pica: [
    [1, 12],
    [2, 4],
    [5, 5],
    [6, 6],
    [12, 12],
    [24, 4],
  ],
};

/** Pixels between two numbers at least. */
const APART = 44;

/** Rulers along the desk, each page measured from its own trim. A guide is drawn from them onto the page. */
export function Rulers({ desk }: { desk: Desk }) {
  const unit = useUnit();
  const { format, spread, view: around, guiding, place } = desk;
  const { view, size, ref, onDesk } = around;
  const across = useRef<SVGLineElement>(null);
  const down = useRef<SVGLineElement>(null);
  // The marks follow the pointer by themselves: nothing else is drawn anew for them.
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const onMove = (event: PointerEvent) => {
      const { x, y } = onDesk(event);
      across.current?.setAttribute('transform', `translate(${x})`);
      down.current?.setAttribute('transform', `translate(0 ${y})`);
    };
    element.addEventListener('pointermove', onMove);
    return () => element.removeEventListener('pointermove', onMove);
  }, [ref, onDesk]);
  if (size.width === 0) return null;
  const [step, parts] = STEPS[unit].find(([each]) => each * POINTS[unit] * view.k >= APART) ?? STEPS[unit].at(-1)!;
  const part = (step * POINTS[unit]) / parts;
  const marks = (from: number, to: number, origin: number) => {
    const out: { readonly at: number; readonly words?: string; readonly long: number }[] = [];
    for (let i = Math.ceil((from - origin) / part); i <= Math.floor((to - origin) / part); i++) {
      const isNumber = i % parts === 0;
      const words = isNumber ? { words: formatNumber((i / parts) * step, 2) } : {};
      out.push({ at: origin + i * part, ...words, long: isNumber ? RULER : (2 * i) % parts === 0 ? 8 : 4 });
    }
    return out;
  };
  const levels = marks(-view.ty / view.k, (size.height - view.ty) / view.k, 0);
  const uprights = spread.pages.flatMap((page, i) => {
    const from = i === 0 ? -view.tx / view.k : page.dx;
    const to = i === spread.pages.length - 1 ? (size.width - view.tx) / view.k : spread.pages[i + 1]!.dx - part / 2;
    return marks(from, to, page.dx);
  });
  const canGuide = place.kind !== 'masters';
  return (
    <svg
      className="absolute inset-0 pointer-events-none"
      width={size.width}
      height={size.height}
      aria-hidden="true"
      data-rulers={unit}
    >
      <g className="ruler">
        <rect
          width={size.width}
          height={RULER}
          pointerEvents="auto"
          data-ruler="across"
          style={{ cursor: canGuide ? 'row-resize' : 'default' }}
          onPointerDown={(event) => canGuide && event.button === 0 && guiding.guide('level', event)}
        />
        <rect
          width={RULER}
          height={size.height}
          pointerEvents="auto"
          data-ruler="down"
          style={{ cursor: canGuide ? 'col-resize' : 'default' }}
          onPointerDown={(event) => canGuide && event.button === 0 && guiding.guide('upright', event)}
        />
        {/* What the pages take of them, from trim to trim. */}
        {spread.pages.map(({ page, dx }) => (
          <rect
            key={page.id}
            x={dx * view.k + view.tx}
            width={format.width * view.k}
            height={RULER}
            className="ruler-page"
            data-ruler-page=""
          />
        ))}
        <rect y={view.ty} width={RULER} height={format.height * view.k} className="ruler-page" />
        <path
          d={[
            ...uprights.map(({ at, long }) => `M${at * view.k + view.tx} ${RULER}v${-long}`),
            ...levels.map(({ at, long }) => `M${RULER} ${at * view.k + view.ty}h${-long}`),
          ].join('')}
          className="ruler-marks"
        />
        {uprights.map(
          ({ at, words }) =>
            words !== undefined && (
              <text key={at} x={at * view.k + view.tx + 3} y={9}>
                {words}
              </text>
            ),
        )}
        {levels.map(
          ({ at, words }) =>
            words !== undefined && (
              <text key={at} transform={`translate(9 ${at * view.k + view.ty - 3}) rotate(-90)`}>
                {words}
              </text>
            ),
        )}
        <line ref={across} y2={RULER} stroke="var(--hold)" />
        <line ref={down} x2={RULER} stroke="var(--hold)" />
        <rect width={RULER} height={RULER} />
      </g>
    </svg>
  );
}
