'use client';

import { memo, type MouseEvent as ReactMouseEvent, type PointerEvent as ReactPointerEvent } from 'react';
import type { Box } from '@/core/geometry/box';
import type { PlacedPage } from '@/core/page/pages';
import type { Document } from '@/core/records/document';
import type { FrameRecord } from '@/core/records/index';
import { cameFromDialog } from '@/parts/lastInput';
import { slotKey } from '@/core/compose/measure/slotFits';
import { placeWords } from '../frames/frameWords';
import { type FrameInSight, onSpread, turnOf } from '../frames/frameInSight';
import { type Hand, useInHand } from '../hand/hand';
import { toScreen, type View } from '../../sheet/view';
import { frameKind, frameName, waitsFor } from '@/core/records/kinds/frames';

/** Nothing fills it yet. */
const isWaiting = (frame: FrameRecord): boolean => waitsFor(frame) !== undefined;

interface FramesProps {
  readonly document: Document;
  readonly hand: Hand;
  readonly pages: readonly PlacedPage[];
  readonly frames: readonly FrameInSight[];
  readonly view: View;
  readonly selection: ReadonlySet<string>;
  readonly edges: boolean;
  readonly onPress: (frame: FrameInSight, event: ReactPointerEvent) => void;
  readonly onFocus: (frame: FrameInSight) => void;
  readonly onEnter: (frame: FrameInSight, event: ReactMouseEvent) => void;
  /** The frame that keys come to first: the one that is chosen, else the first that is read. */
  readonly first: string | undefined;
  /** Goes to the next frame as it is read, or the one before; gives whether there is one. */
  readonly onWalk: (frame: FrameInSight, by: 1 | -1) => boolean;
}

/** A place to press for every frame, lowest first, named for those who cannot see it. */
export function Frames({ frames, selection, first, ...shared }: FramesProps) {
  return (
    <g>
      {frames.map((each) => (
        <Frame
          key={each.frame.id}
          each={each}
          isChosen={selection.has(each.frame.id)}
          isFirst={each.frame.id === first}
          {...shared}
        />
      ))}
    </g>
  );
}

interface FrameProps extends Omit<FramesProps, 'frames' | 'selection' | 'first'> {
  readonly isFirst: boolean;
  readonly each: FrameInSight;
  readonly isChosen: boolean;
}

const Frame = memo(function Frame(props: FrameProps) {
  const { each, isChosen, isFirst, document, hand, pages, view, edges, onPress, onFocus, onEnter, onWalk } = props;
  const now = useInHand(hand, each, pages);
  const { frame } = now;
  const at = toScreen(view, onSpread(now));
  const waits = isWaiting(frame);
  return (
    <rect
      role="button"
      // One of them is stopped at; Tab goes on in the order in which they are read.
      tabIndex={isFirst ? 0 : -1}
      // What is locked is not in the way of what lies under it.
      pointerEvents={each.locked ? 'none' : undefined}
      data-locked={each.locked}
      aria-label={`${frameName(document, frame)}; ${placeWords(document, now.page, now.box)}`}
      aria-pressed={isChosen}
      data-frame={frame.id}
      {...pressable(frame, at)}
      transform={turnOf(frame, at)}
      fill={waits ? 'var(--guide-line)' : 'transparent'}
      fillOpacity={waits ? 0.12 : 1}
      stroke={waits ? 'var(--guide-line)' : edges ? 'var(--guide-line)' : 'none'}
      strokeDasharray={waits ? '5 4' : undefined}
      strokeOpacity={waits ? 1 : 0.22}
      className="outline-none"
      onPointerDown={(event) => onPress(each, event)}
      onFocus={() => cameFromDialog() || onFocus(each)}
      onKeyDown={(event) => {
        if (event.key === 'Tab' && onWalk(each, event.shiftKey ? -1 : 1)) return event.preventDefault();
        // What has the focus but is not chosen any more is chosen again first.
        if (isChosen || event.key !== 'Enter') return;
        event.preventDefault();
        onFocus(each);
      }}
      onDoubleClick={(event) => onEnter(each, event)}
    />
  );
});

/** The box in which a frame is pressed: a rule is thinner than a hand can hit. */
function pressable({ content }: FrameRecord, { x, y, w, h }: Box) {
  return frameKind(content).isThin ? { x, y: y - 4, width: w, height: 8 } : { x, y, width: w, height: h };
}

interface InheritedProps extends Pick<FramesProps, 'document' | 'frames' | 'view' | 'onPress'> {
  readonly chosen: FrameInSight | undefined;
}

/** What pages show of their masters: pressed, it says so; it cannot be moved. Those who use keys find it in the detail. */
export const Inherited = memo(function Inherited({ document, frames, view, chosen, onPress }: InheritedProps) {
  return (
    <g>
      {frames.map((each) => {
        const { frame } = each;
        const at = toScreen(view, onSpread(each));
        const waits = isWaiting(frame);
        const isChosen = chosen?.frame === frame && chosen.page.page.id === each.page.page.id;
        return (
          <rect
            key={`${frame.id} ${each.page.page.id}`}
            data-inherited={frame.id}
            data-on={each.page.page.id}
            aria-hidden="true"
            {...pressable(frame, at)}
            transform={turnOf(frame, at)}
            fill={waits ? 'var(--guide-line)' : 'transparent'}
            fillOpacity={0.07}
            stroke={isChosen ? 'var(--hold)' : waits ? 'var(--guide-line)' : 'none'}
            strokeDasharray={isChosen ? undefined : '2 4'}
            className="outline-none"
            onPointerDown={(event) => onPress(each, event)}
          >
            <title>{frameName(document, frame)}</title>
          </rect>
        );
      })}
    </g>
  );
});

interface WaitingProps extends Pick<FramesProps, 'frames' | 'view'> {
  readonly slots: ReadonlyMap<string, number>;
}

/** What waits in frames that nothing fills yet, said in them. */
export const Waiting = memo(function Waiting({ frames, view, slots }: WaitingProps) {
  const said = new Set<string>();
  return (
    <g aria-hidden="true" pointerEvents="none">
      {frames.map((each) => {
        const { frame, page } = each;
        const name = waitsFor(frame);
        if (name === undefined) return null;
        const words = slots.get(slotKey(frame.id, page.page.id));
        const set = frame.content.type === 'slot' ? `${frame.content.set} ${frame.content.takes}` : frame.id;
        const again = said.has(set);
        said.add(set);
        const { x, y, w, h } = toScreen(view, onSpread(each));
        if (w < 40 || h < 9) return null;
        const more = again || words === undefined ? undefined : `${words.toLocaleString('en-GB')} words`;
        const room = Math.floor(w / 6.2);
        return (
          <text
            key={`${frame.id} ${page.page.id}`}
            x={x + 6}
            y={y + Math.min(16, h / 2 + 4)}
            className="slot-words"
            data-slot={frame.id}
          >
            {name.length > room ? `${name.slice(0, Math.max(1, room - 1))}…` : name}
            {more && h > 34 && (
              <tspan x={x + 6} dy={15} className="slot-count">
                {more}
              </tspan>
            )}
          </text>
        );
      })}
    </g>
  );
});
