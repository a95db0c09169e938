'use client';

import { ARROWS } from '@/parts/arrows';
import type { PointerEvent as ReactPointerEvent } from 'react';
import { mapped, rotation } from '@/core/geometry/matrix';
import { fromUnit, placedPicture, share, toUnit } from '@/core/pictures/placing';
import { screenSource } from '@/core/pictures/screen';
import { followPointer } from '../../../parts/followPointer';
import { toScreen } from '../../sheet/view';
import { onSpread, turnOf } from '../frames/frameInSight';
import { useHand } from '../hand/hand';
import { insideOf } from '../hand/useCropping';
import type { Desk } from '../useDesk';

/** How far an arrow key takes the focus, as a share of the picture. */
const STEP = 0.02;

/** The picture that somebody is inside of: all of it, faintly, with its frame divided into thirds and its focus. */
export function InsidePicture({ desk }: { desk: Desk }) {
  const now = useHand(desk.hand, (doing) => (doing.doing === 'cropping' ? doing : undefined));
  const inside = now && insideOf(desk.document, now.frame, now.crop);
  const each = inside && desk.frames.find(({ frame }) => frame.id === inside.frame.id);
  if (!inside || !each) return null;
  const { view } = desk.view;
  const { picture, crop } = inside;
  const rim = toScreen(view, onSpread(each));
  const placed = placedPicture(rim, picture, crop);
  const { box, matrix } = placed;
  const { x, y, w, h } = rim;
  const turned = matrix && `matrix(${matrix.join(' ')})`;
  const own = picture.focus ?? { x: 0.5, y: 0.5 };
  const focus = fromUnit(placed, own);
  const setFocus = (to: { readonly x: number; readonly y: number }) => desk.actions.focus(picture.id, to);

  const dragFocus = (start: ReactPointerEvent<SVGElement>) => {
    start.stopPropagation();
    const mark = start.currentTarget;
    let to: { x: number; y: number } | undefined;
    followPointer(
      (event) => {
        const upright = mapped(rotation(-(each.frame.rotation ?? 0), { x: x + w / 2, y: y + h / 2 }), desk.view.onDesk(event));
        const at = toUnit(placed, upright);
        to = { x: share(at.x), y: share(at.y) };
        const shown = fromUnit(placed, to);
        mark.setAttribute('transform', `translate(${shown.x} ${shown.y})`);
      },
      (event) => {
        if (event && to) setFocus(to);
        else mark.setAttribute('transform', `translate(${focus.x} ${focus.y})`);
      },
    );
  };

  const thirds = [1, 2].map((i) => `M${x + (i * w) / 3} ${y}v${h}M${x} ${y + (i * h) / 3}h${w}`).join('');
  return (
    <g transform={turnOf(each.frame, rim)} data-cropping={each.frame.id} data-dx={each.page.dx}>
      {/* What lies outside its frame: what is seen inside it is painted on the page already. */}
      <clipPath id="outside-frame">
        <path d={`M-1e5 -1e5h2e5v2e5h-2e5zM${x} ${y}v${h}h${w}v${-h}z`} clipRule="evenodd" />
      </clipPath>
      <g clipPath="url(#outside-frame)">
        <image
          x={box.x}
          y={box.y}
          width={box.w}
          height={box.h}
          transform={turned}
          href={screenSource(picture, 2 * Math.max(box.w, box.h))}
          preserveAspectRatio="none"
          opacity={0.3}
          style={{ cursor: 'move' }}
          onPointerDown={(event) => press(event, desk)}
        />
      </g>
      <rect
        x={x}
        y={y}
        width={w}
        height={h}
        fill="transparent"
        stroke="var(--mark)"
        strokeWidth={2}
        style={{ cursor: 'move' }}
        onPointerDown={(event) => press(event, desk)}
      />
      <path d={thirds} stroke="#fff" strokeOpacity={0.5} strokeWidth={2} pointerEvents="none" />
      <path d={thirds} stroke="var(--hold)" strokeOpacity={0.75} strokeWidth={0.75} pointerEvents="none" data-thirds="" />
      <g
        role="button"
        tabIndex={0}
        data-focus-of={picture.id}
        aria-label="Focus of the picture, kept by every automatic crop; arrow keys move it"
        transform={`translate(${focus.x} ${focus.y})`}
        style={{ cursor: 'grab' }}
        onPointerDown={dragFocus}
        onKeyDown={(event) => {
          const step = ARROWS[event.key];
          if (!step) return;
          event.preventDefault();
          event.stopPropagation();
          setFocus({ x: own.x + step[0] * STEP, y: own.y + step[1] * STEP });
        }}
      >
        <title>Focus: what every automatic crop keeps. Drag it.</title>
        <circle r={12} fill="transparent" />
        <circle r={9} fill="none" stroke="#fff" strokeWidth={4} opacity={0.8} />
        <circle r={9} fill="none" stroke="var(--hold)" strokeWidth={1.6} />
        <circle r={2} fill="var(--hold)" />
      </g>
    </g>
  );
}

function press(event: ReactPointerEvent, desk: Desk): void {
  if (event.button !== 0) return;
  event.stopPropagation();
  desk.cropping.drag(event);
}
