'use client';

import { lengthWords } from '@/parts/units';
import type { Seen } from '@/core/geometry/neighbours';
import { Label } from './Label';
import { useHand } from '../hand/hand';
import type { Desk } from '../useDesk';

const AS: Readonly<Record<NonNullable<Extract<Seen, { is: 'gap' }>['as']>, string>> = {
  above: ', as above',
  below: ', as below',
  left: ', as on the left',
  right: ', as on the right',
  both: ', on both sides',
};

const NOTHING: readonly Seen[] = [];

/** While frames move: the lines they share with others, and how far they are from their neighbours. */
export function Distances({ desk }: { desk: Desk }) {
  const seen = useHand(desk.hand, (now) => (now.doing === 'moving' ? now.seen : NOTHING));
  if (seen.length === 0) return null;
  const { k, tx, ty } = desk.view.view;
  const point = (along: number, across: number, upright: boolean): readonly [number, number] =>
    upright ? [across * k + tx, along * k + ty] : [along * k + tx, across * k + ty];
  return (
    <g pointerEvents="none" data-distances="">
      {seen.map((each, i) => {
        const [x0, y0] = point(each.from, each.at, each.upright);
        const [x1, y1] = point(each.to, each.at, each.upright);
        if (each.is === 'line')
          return (
            <path
              key={i}
              d={`M${x0} ${y0}L${x1} ${y1}`}
              stroke="var(--mark)"
              strokeWidth={1.4}
              data-aligned={each.upright ? 'upright' : 'level'}
            />
          );
        const words = `${lengthWords(each.to - each.from)}${each.as ? AS[each.as] : ''}`;
        const [mx, my] = [(x0 + x1) / 2, (y0 + y1) / 2];
        return (
          <g key={i}>
            <path
              d={`M${x0} ${y0}L${x1} ${y1}`}
              stroke="var(--hold)"
              strokeWidth={each.as ? 2 : 1}
              strokeDasharray={each.as ? undefined : '3 2'}
            />
            <Label x={mx + 5} y={my - 8} words={words} fontWeight={each.as ? 700 : 500} data-gap="" />
          </g>
        );
      })}
    </g>
  );
}
