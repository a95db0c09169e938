'use client';

import { withCorner } from '@/core/actions/appearance';
import { pathPoint, withPathPoint } from '@/core/actions/forms';
import { type PointerEvent as ReactPointerEvent, type ReactNode, useMemo } from 'react';
import { around, contains, type Point } from '@/core/geometry/box';
import { isGround } from '@/core/page/ground';
import { stretchWords } from '@/core/page/grid';
import { useLatest } from '../../frame/useLatest';
import { useSetting } from '../../sheet/useSetting';
import { toScreen } from '../../sheet/view';
import { asRead } from '../frames/asRead';
import { type FrameInSight, inPlace, onSpread, turnOf } from '../frames/frameInSight';
import { SelectedAreas } from '../text/Selected';
import { isMany, MANY, useHand, useInHand } from '../hand/hand';
import { MOVE } from '../hand/snap';
import { Invisibles } from './Invisibles';
import { Misspellings } from './Misspellings';
import { Threads } from '../text/Threads';
import type { Desk } from '../useDesk';
import { Block, Brackets, BracketsOfMany, Corners, TurnHold } from './Holds';
import { LookHolds } from './LookHolds';
import { PathPoints } from './PathPoints';
import { Distances } from './Distances';
import { InsidePicture } from './InsidePicture';
import { Measure } from './Measure';
import { PictureMarks } from './PictureMarks';
import { PageGuides } from './PageGuides';
import { OutlinePoints } from './OutlinePoints';
import { Lit, Sentences } from './Lit';
import { Frames, Inherited, Waiting } from './Overlay';
import { textIn } from '@/core/records/kinds/frames';

const NONE: ReadonlySet<string> = new Set();

/** What lies over the painted spread, to be seen and pressed: frames and what is done with them. */
export function Surface({ desk }: { desk: Desk }) {
  const { hand, chosen, gestures, spread, view: ground } = desk;
  return (
    <svg
      width={ground.size.width}
      height={ground.size.height}
      className="relative block"
      role="group"
      aria-label={`Spread ${spread.pages.map(({ number }) => number).join('–')}`}
      onPointerDownCapture={(event) => {
        if (event.button === 0 && hand.now().doing === 'measuring') desk.guiding.drag(event);
      }}
      onContextMenu={(event) => {
        event.preventDefault();
        const surface = ground.ref.current!.getBoundingClientRect();
        const pressed = (event.target as Element).closest('[data-frame]')?.getAttribute('data-frame');
        const writing = desk.inHand.now();
        const isInText = ({ frame }: FrameInSight) => frame.id === pressed && textIn(frame) === writing?.text;
        if (writing && desk.frames.some(isInText))
          return desk.setTextMenu({ x: event.clientX - surface.left, y: event.clientY - surface.top });
        // What is pressed is what the menu is of; what is chosen with it stays so.
        if (pressed && !chosen.ids.has(pressed)) chosen.choose([pressed]);
        const at = { x: event.clientX - surface.left, y: event.clientY - surface.top };
        hand.take({ doing: 'listing', of: pressed ? 'frame' : 'spread', at });
      }}
      onMouseDown={(event) => {
        const frame = (event.target as Element).closest('[data-frame]')?.getAttribute('data-frame');
        const own = desk.frames.find((each) => each.frame.id === frame);
        const writing = desk.inHand.now();
        if (!own || !writing || textIn(own.frame) !== writing.text) return;
        // The other buttons leave the text, and what is selected of it, as they are.
        if (event.button === 0) desk.selecting.press(event);
        else event.preventDefault();
      }}
      onPointerDown={(event) => {
        if (event.button !== 0) return;
        hand.rest('asking', 'typing', 'cropping', 'outlining');
        const under = event.altKey ? ground.pointAt(event) : undefined;
        gestures.markOut(event, under ? () => chooseBeneath(desk, under) : desk.letGo);
      }}
    >
      {!desk.look.proof && (
        <>
          <PageGuides desk={desk} />
          <Resting desk={desk} />
          <Picked desk={desk} />
          <Threads
            document={desk.document}
            composer={desk.composer}
            hand={hand}
            pages={spread.pages}
            frames={desk.frames}
            view={ground.view}
            chosen={desk.look.threads ? chosen.ids : NONE}
            room={ground.size.width}
            onTail={(of, event) => gestures.carryOver('tail', of, event)}
            onTailKey={desk.puttingDown.goOn}
          />
          <PictureMarks desk={desk} />
          <Misspellings desk={desk} />
          {desk.look.invisibles && <Invisibles desk={desk} />}
          <Marked desk={desk} />
          <MovedTogether desk={desk}>
            {desk.held.length > MANY ? (
              <BracketsOfMany chosen={desk.held} view={ground.view} />
            ) : (
              desk.held.map((each) => <Held key={each.frame.id} desk={desk} each={each} />)
            )}
          </MovedTogether>
          <HeldTogether desk={desk} />
          <InsidePicture desk={desk} />
          <OutlinePoints desk={desk} />
          <Distances desk={desk} />
          <Measure desk={desk} />
          <Stretch desk={desk} />
        </>
      )}
    </svg>
  );
}

/** Chooses what lies under a point below what is chosen there, and from the lowest the topmost again. */
function chooseBeneath({ frames, chosen, letGo }: Desk, point: Point): void {
  const under = frames.filter((each) => contains(onSpread(each), point)).reverse();
  const at = under.findIndex(({ frame }) => chosen.ids.has(frame.id));
  const next = under[(at + 1) % under.length];
  if (next) chosen.choose([next.frame.id]);
  else letGo();
}

/** The frames of the spread, and what its masters show. What moves moves by itself: the rest is not drawn again for it. */
function Resting({ desk }: { desk: Desk }) {
  const { hand, chosen, gestures, frames, fromMasters, format, document } = desk;
  const { view } = desk.view;
  const slots = useSetting(desk.composer, (setting) => setting.slots);
  const waiting = useMemo(() => [...fromMasters, ...frames], [fromMasters, frames]);

  const pressInherited = useLatest((each: FrameInSight, event: ReactPointerEvent) => {
    if (event.button !== 0) return;
    event.stopPropagation();
    hand.rest('asking');
    gestures.markOut(event, () => {
      hand.rest();
      chosen.press(each);
    });
  });
  const pressFrame = useLatest((each: FrameInSight, event: ReactPointerEvent) => {
    const writing = desk.inHand.now();
    // In the text in hand a press selects (`onMouseDown`, which counts presses).
    if (writing && textIn(each.frame) === writing.text) return event.stopPropagation();
    if (event.button !== 0 || event.altKey) return;
    event.stopPropagation();
    hand.rest('asking', 'picking', 'typing', 'cropping', 'outlining');
    const { id: pressed, group: of } = each.frame;
    // Ground is chosen by a press; a drag over it marks out.
    if (isGround(format, each.box) && !chosen.ids.has(pressed)) return gestures.markOut(event, () => chosen.choose([pressed]));
    const together = of === undefined ? [pressed] : frames.filter(({ frame }) => frame.group === of).map(({ frame }) => frame.id);
    const next = event.shiftKey
      ? new Set([...chosen.ids, ...together])
      : chosen.ids.has(pressed)
        ? chosen.ids
        : new Set(together);
    chosen.choose(next);
    // A second press on a group chooses the one frame in it.
    const onPress = of !== undefined && desk.group?.id === of && !event.shiftKey ? () => chosen.choose([pressed]) : undefined;
    gestures.pull([each, ...frames.filter((other) => other !== each && next.has(other.frame.id))], MOVE, event, { onPress });
  });
  const read = useMemo(
    () =>
      asRead(
        document,
        frames.filter(({ locked }) => !locked),
      ),
    [document, frames],
  );
  const walkOn = useLatest((from: FrameInSight, by: 1 | -1): boolean => {
    // Inside a picture or an outline Tab is not the frames’.
    if (hand.now().doing !== 'choosing') return false;
    const next = read[read.findIndex(({ frame }) => frame.id === from.frame.id) + by];
    const element = next && desk.view.ref.current?.querySelector<SVGElement>(`[data-frame="${next.frame.id}"]`);
    element?.focus();
    return element !== undefined && element !== null;
  });
  const first = read.find(({ frame }) => chosen.ids.has(frame.id)) ?? read[0];
  const focusFrame = useLatest(({ frame }: FrameInSight) => chosen.focus(frame.id));
  const enterFrame = useLatest((each: FrameInSight, event: { clientX: number; clientY: number }) => {
    // In the text in hand two presses take a word.
    if (each.frame.content.type === 'picture') desk.cropping.enter(each.frame.id);
    else if (textIn(each.frame) !== desk.inHand.now()?.text) void typeAt(desk, each, event);
  });
  return (
    <>
      <Inherited document={document} frames={fromMasters} view={view} chosen={chosen.inherited} onPress={pressInherited} />
      <Waiting frames={waiting} view={view} slots={slots} />
      <Frames
        document={document}
        hand={hand}
        pages={desk.spread.pages}
        frames={frames}
        view={view}
        selection={chosen.ids}
        edges={desk.look.columns}
        onPress={pressFrame}
        onFocus={focusFrame}
        onEnter={enterFrame}
        first={first?.frame.id}
        onWalk={walkOn}
      />
    </>
  );
}

/** Goes into the text of a frame: where it was pressed, or at its beginning. */
export async function typeAt(
  desk: Desk,
  { frame, page }: FrameInSight,
  event?: { clientX: number; clientY: number },
): Promise<void> {
  const text = textIn(frame);
  if (text === undefined) return;
  const point = event && desk.view.pointAt(event);
  const found = point && (await desk.composer.placeAt(page.page.id, { x: point.x - page.dx, y: point.y }, text));
  if (found) desk.inHand.begin(text, { anchor: found.place, head: found.place });
  // A frame that the text does not reach shows none of it: it goes on at its end.
  else desk.inHand.beginAtEnd(text);
}

/** What is selected of the text in hand, and the rims of the frames it is in. */
function Marked({ desk: { composer, hand, spread, frames, view } }: { desk: Desk }) {
  const areas = useSetting(composer, (setting) => setting.selection.areas);
  const writing = useHand(hand, (now) => (now.doing === 'typing' ? now.text : undefined));
  if (writing === undefined) return null;
  return (
    <g pointerEvents="none">
      {spread.pages.map(({ page, dx }) => {
        const own = areas.find((each) => each.page === page.id);
        return own && <SelectedAreas key={page.id} areas={own.areas} view={view.view} dx={dx} />;
      })}
      {frames
        .filter(({ frame }) => textIn(frame) === writing)
        .map((each) => {
          const { x, y, w, h } = toScreen(view.view, onSpread(each));
          return (
            <rect
              key={each.frame.id}
              x={x - 2}
              y={y - 2}
              width={w + 4}
              height={h + 4}
              transform={turnOf(each.frame, { x, y, w, h })}
              fill="none"
              stroke="var(--mark)"
              strokeWidth={2}
              data-writing={each.frame.id}
            />
          );
        })}
    </g>
  );
}

/** The sentences that one is picked from. */
function Picked({ desk }: { desk: Desk }) {
  const picking = useHand(desk.hand, (now) => (now.doing === 'picking' ? now : undefined));
  if (!picking) return null;
  return (
    <Sentences
      sentences={picking.sentences}
      lit={picking.lit}
      pages={desk.spread.pages}
      view={desk.view.view}
      onLight={desk.picking.light}
      onTake={(which) => void desk.picking.take(which)}
    />
  );
}

/** The brackets of a chosen frame, and the corners of a polygon. */
function Held({ desk, each }: { desk: Desk; each: FrameInSight }) {
  const { hand, gestures, only, held } = desk;
  const { view } = desk.view;
  const now = useInHand(hand, each, desk.spread.pages);
  const isPicking = useHand(hand, ({ doing }) => PULLS_NOTHING.has(doing));
  const isMoving = useHand(hand, ({ doing }) => doing === 'moving');
  const isTurning = useHand(hand, ({ doing }) => doing === 'turning');
  const { shape } = now.frame;
  return (
    <>
      {!isPicking && (
        <Brackets
          chosen={now}
          view={view}
          pullable={!each.locked}
          onPull={(how, event) => {
            event.stopPropagation();
            gestures.pull([each, ...held.filter((other) => other !== each && !other.locked)], how, event);
          }}
        />
      )}
      {only && !isPicking && !each.locked && (
        <TurnHold
          chosen={now}
          view={view}
          isTurning={isTurning}
          onPull={(event) => gestures.pullTurn(each, event)}
          onTurn={(rotation) => desk.actions.put('look', [each.frame.id], { rotation })}
        />
      )}
      {only && shape?.type === 'polygon' && !isMoving && (
        <Corners
          chosen={now}
          shape={shape}
          view={view}
          onPull={(corner, event) =>
            gestures.pullLook(each, event, ({ x, y }) => ({
              shape: withCorner(
                shape,
                corner,
                shape.points[2 * corner]! + x / each.box.w,
                shape.points[2 * corner + 1]! + y / each.box.h,
              ),
            }))
          }
          onShape={(to) => desk.actions.put('look', [each.frame.id], { shape: to })}
        />
      )}
      {only && !isMoving && !isPicking && !each.locked && (
        <LookHolds
          chosen={now}
          view={view}
          onPull={(event, looks) => gestures.pullLook(each, event, looks)}
          onLook={(look) => desk.actions.put('look', [each.frame.id], look)}
        />
      )}
      {only && shape?.type === 'outline' && !isMoving && !isPicking && (
        <PathPoints
          chosen={now}
          shape={shape}
          view={view}
          onPull={(place, event) => {
            const [px, py] = pathPoint(shape, place);
            gestures.pullLook(each, event, ({ x, y }) => ({
              shape: withPathPoint(shape, place, px + x / each.box.w, py + y / each.box.h),
            }));
          }}
          onShape={(to) => desk.actions.put('look', [each.frame.id], { shape: to })}
          say={desk.say}
        />
      )}
    </>
  );
}

const PULLS_NOTHING: ReadonlySet<string> = new Set(['picking', 'cropping', 'outlining', 'measuring']);

/** The brackets of many frames go along with the hand as one drawing. */
function MovedTogether({ desk: { hand, view }, children }: { desk: Desk; children: ReactNode }) {
  const by = useHand(hand, (now) => (now.doing === 'moving' && isMany(now) ? now.by : undefined));
  return <g transform={by && `translate(${by.x * view.view.k} ${by.y * view.view.k})`}>{children}</g>;
}

/** The block that several chosen frames make, to be sized as one: each keeps its share of it. */
function HeldTogether({ desk: { hand, held, gestures, spread, view } }: { desk: Desk }) {
  const doing = useHand(hand, (now) => now.doing);
  const places = useHand(hand, (now) => (now.doing === 'moving' ? now.places : undefined));
  if (held.length < 2 || PULLS_NOTHING.has(doing)) return null;
  const free = held.filter(({ locked }) => !locked);
  const box = around(free.map((each) => onSpread(inPlace(each, places?.get(each.frame.id), spread.pages))));
  if (!box) return null;
  return (
    <Block
      box={toScreen(view.view, box)}
      onPull={(how, event) => {
        event.stopPropagation();
        gestures.pull(free, how, event, { block: box });
      }}
    />
  );
}

/** The stretch that is marked out, or that would take what is carried. */
function Stretch({ desk }: { desk: Desk }) {
  const onto = useHand(desk.hand, (now) => (now.doing === 'moving' ? now.onto : undefined));
  const marked = useHand(desk.hand, (now) => (now.doing === 'marking' || now.doing === 'asking' ? now.marked : undefined));
  const carry = useHand(desk.hand, (now) => (now.doing === 'carrying' ? now.carry : undefined));
  const { view } = desk.view;
  const gathering = useHand(desk.hand, (now) => (now.doing === 'gathering' ? now.around : undefined));
  if (gathering) {
    const { x, y, w, h } = toScreen(view, gathering);
    return (
      <rect
        x={x}
        y={y}
        width={w}
        height={h}
        fill="var(--mark)"
        fillOpacity={0.12}
        stroke="var(--hold)"
        strokeDasharray="4 3"
        data-gathering=""
      />
    );
  }
  if (onto) return <Lit page={onto.page} box={onto.box} words={onto.words} view={view} />;
  if (marked) return <Lit page={marked.page} box={marked.box} words={stretchWords(marked.stretch)} view={view} />;
  if (!carry?.target) return null;
  const words = carry.target.words + (carry.allPages ? ', and as many pages as it needs' : '');
  return <Lit page={carry.target.page} box={carry.target.box} words={words} view={view} />;
}
