'use client';

import type { PointerEvent as ReactPointerEvent } from 'react';
import { mm } from '@/core/length/length';
import { type DrawnGuide, drawnGuides } from '@/core/page/guides';
import { ARROWS } from '@/parts/arrows';
import { lengthWords } from '@/parts/units';
import { type Of, useHand } from '../hand/hand';
import type { Desk } from '../useDesk';
import { Label } from './Label';

/** Pixels beside the trim in which a guide is drawn from, and the size of the tab by which one is taken hold of. */
const RIM = 12;
const TAB = 9;

/** The rim of the pages, from which guides are drawn onto them, and the guides that are there. They lie under the frames. */
export function PageGuides({ desk }: { desk: Desk }) {
  const { format, spread, view, guiding, place } = desk;
  const now = useHand(desk.hand, (doing) => (doing.doing === 'guiding' ? doing : undefined));
  if (!desk.look.columns) return null;
  const { k, tx, ty } = view.view;
  const guides = drawnGuides(spread.pages, format.width, format.height);
  const first = spread.pages[0]!.dx;
  const last = spread.pages.at(-1)!.dx + format.width;
  const [left, right] = [first * k + tx, last * k + tx];
  const [top, foot] = [ty, format.height * k + ty];
  const rim = (key: string, direction: 'upright' | 'level', x: number, y: number, width: number, height: number) => (
    <rect
      key={key}
      data-rim={key}
      x={x}
      y={y}
      width={width}
      height={height}
      fill="transparent"
      style={{ cursor: direction === 'upright' ? 'col-resize' : 'row-resize' }}
      onPointerDown={(event) => event.button === 0 && guiding.guide(direction, event)}
    >
      <title>Drag a guide onto the page from here</title>
    </rect>
  );
  const isMoved = ({ page, index }: DrawnGuide) => now?.from?.page === page.page.id && now.from.index === index;
  return (
    <g data-guides={guides.length}>
      {place.kind !== 'masters' && [
        rim('left', 'upright', left - RIM, top, RIM, foot - top),
        rim('right', 'upright', right, top, RIM, foot - top),
        rim('top', 'level', left, top - RIM, right - left, RIM),
        rim('foot', 'level', left, foot, right - left, RIM),
      ]}
      {guides.map((each) =>
        isMoved(each) ? null : <Drawn key={`${each.page.page.id} ${each.index}`} desk={desk} each={each} />,
      )}
      {now && <Moving desk={desk} now={now} />}
    </g>
  );
}

/** A guide, with a tab beside the page to take hold of it where frames lie over it. */
function Drawn({ desk, each }: { desk: Desk; each: DrawnGuide }) {
  const { k, tx, ty } = desk.view.view;
  const { page, index, guide, at, from, to } = each;
  const isUpright = guide.direction === 'upright';
  const own = { page: page.page.id, index, spread: guide.spread === true };
  const press = (event: ReactPointerEvent) => event.button === 0 && desk.guiding.guide(guide.direction, event, own);
  const line = isUpright ? `M${at * k + tx} ${from * k + ty}V${to * k + ty}` : `M${from * k + tx} ${at * k + ty}H${to * k + tx}`;
  const tab = isUpright
    ? `M${at * k + tx} ${from * k + ty}l${-TAB / 2} ${-TAB}h${TAB}z`
    : `M${from * k + tx} ${at * k + ty}l${-TAB} ${-TAB / 2}v${TAB}z`;
  const words = `${isUpright ? 'Vertical' : 'Horizontal'} guide of page ${page.folio}${guide.spread ? ', over the spread' : ''}`;
  const cursor = isUpright ? 'col-resize' : 'row-resize';
  return (
    <g data-page-guide={guide.direction}>
      <path d={line} stroke="var(--guide-line)" strokeDasharray="6 4" pointerEvents="none" />
      <path d={line} stroke="transparent" strokeWidth={7} style={{ cursor }} onPointerDown={press} />
      <path
        d={tab}
        role="slider"
        tabIndex={0}
        aria-label={words}
        aria-orientation={isUpright ? 'horizontal' : 'vertical'}
        aria-valuenow={Math.round(guide.at)}
        aria-valuetext={lengthWords(guide.at)}
        fill="var(--guide-line)"
        style={{ cursor }}
        onPointerDown={press}
        onKeyDown={(event) => {
          const step = ARROWS[event.key];
          const isGone = event.key === 'Delete' || event.key === 'Backspace';
          if (!step && !isGone) return;
          event.preventDefault();
          event.stopPropagation();
          if (isGone) return void desk.actions.removeGuide(own);
          const by = (isUpright ? step![0] : step![1]) * mm(event.shiftKey ? 1 : 0.1);
          if (by !== 0) desk.actions.moveGuide(own, own.page, { ...guide, at: guide.at + by });
        }}
      >
        <title>{`${words}, at ${lengthWords(guide.at)}. Drag it; beside the page it is removed.`}</title>
      </path>
    </g>
  );
}

/** A guide in the hand, and where it is. */
function Moving({ desk, now }: { desk: Desk; now: Of<'guiding'> }) {
  const { format, spread, view } = desk;
  const { k, tx, ty } = view.view;
  const isUpright = now.direction === 'upright';
  const on = spread.pages.find(({ page }) => page.id === now.page);
  const whole = !on || now.guide?.spread === true;
  const x0 = (whole ? spread.pages[0]!.dx : on.dx) * k + tx;
  const x1 = ((whole ? spread.pages.at(-1)!.dx : on.dx) + format.width) * k + tx;
  const [x, y] = isUpright ? [now.at * k + tx, ty] : [x0, now.at * k + ty];
  const words = now.guide
    ? `${lengthWords(now.guide.at)}${now.guide.spread ? ', over the spread' : ''}`
    : 'Let go here for no guide';
  return (
    <g pointerEvents="none" data-guiding="">
      <path
        d={isUpright ? `M${x} ${ty}V${format.height * k + ty}` : `M${x0} ${y}H${x1}`}
        stroke="var(--guide-line)"
        strokeWidth={1.6}
        strokeDasharray={now.guide ? undefined : '2 4'}
      />
      <Label x={x + 5} y={y + 5} words={words} />
    </g>
  );
}
