'use client';

import type { MouseEvent as ReactMouseEvent, PointerEvent as ReactPointerEvent } from 'react';
import type { Box } from '@/core/geometry/box';
import type { PlacedPage } from '@/core/page/pages';
import type { Document } from '@/core/records/document';
import type { FrameRecord } from '@/core/records/index';
import { slotKey } from '@/core/compose/slotFits';
import { frameName, placeWords, waitingWords } from './frameWords';
import { toScreen, type View } from './view';

/** A frame of the spread in sight, where it now lies. */
export interface FrameInSight {
  readonly frame: FrameRecord;
  readonly page: PlacedPage;
  /** In page coordinates. */
  readonly box: Box;
}

export const onSpread = ({ page, box }: Pick<FrameInSight, 'page' | 'box'>): Box => ({ ...box, x: box.x + page.dx });

/** The turn of a frame about the middle of its box on the screen. */
export const turnOf = ({ rotation }: FrameRecord, { x, y, w, h }: Box): string | undefined =>
  rotation ? `rotate(${rotation} ${x + w / 2} ${y + h / 2})` : undefined;

/** Nothing fills it yet. */
const isWaiting = ({ content }: FrameRecord): boolean =>
  content.type === 'slot' ||
  (content.type === 'picture' && !content.picture) ||
  (content.type === 'advertisement' && !content.advertisement);

interface FramesProps {
  readonly document: Document;
  readonly frames: readonly FrameInSight[];
  readonly view: View;
  readonly selection: ReadonlySet<string>;
  readonly edges: boolean;
  readonly onPress: (frame: FrameInSight, event: ReactPointerEvent) => void;
  readonly onFocus: (frame: FrameInSight) => void;
  readonly onEnter: (frame: FrameInSight, event: ReactMouseEvent) => void;
}

/** A place to press for every frame, lowest first, named for those who cannot see it. */
export function Frames({ document, frames, view, selection, edges, onPress, onFocus, onEnter }: FramesProps) {
  return (
    <g>
      {frames.map((each) => {
        const { frame } = each;
        const { x, y, w, h } = toScreen(view, onSpread(each));
        const thin = frame.content.type === 'rule';
        const waits = isWaiting(frame);
        return (
          <rect
            key={frame.id}
            role="button"
            tabIndex={0}
            aria-label={`${frameName(document, frame)}; ${placeWords(document, each.page, each.box)}`}
            aria-pressed={selection.has(frame.id)}
            data-frame={frame.id}
            x={x}
            y={thin ? y - 4 : y}
            width={w}
            height={thin ? 8 : h}
            transform={turnOf(frame, { x, y, w, h })}
            fill={waits ? 'var(--guide-line)' : 'transparent'}
            fillOpacity={waits ? 0.12 : 1}
            stroke={waits ? 'var(--guide-line)' : edges ? 'var(--guide-line)' : 'none'}
            strokeDasharray={waits ? '5 4' : undefined}
            strokeOpacity={waits ? 1 : 0.22}
            className="outline-none"
            onPointerDown={(event) => onPress(each, event)}
            onFocus={() => onFocus(each)}
            onDoubleClick={(event) => onEnter(each, event)}
          />
        );
      })}
    </g>
  );
}

interface InheritedProps extends Pick<FramesProps, 'document' | 'frames' | 'view' | 'onPress'> {
  readonly chosen: FrameInSight | undefined;
}

/** What pages show of their masters: pressed, it says so; it cannot be moved. Those who use keys find it in the detail. */
export function Inherited({ document, frames, view, chosen, onPress }: InheritedProps) {
  return (
    <g>
      {frames.map((each) => {
        const { frame } = each;
        const { x, y, w, h } = toScreen(view, onSpread(each));
        const thin = frame.content.type === 'rule';
        const waits = isWaiting(frame);
        const isChosen = chosen?.frame === frame && chosen.page.page.id === each.page.page.id;
        return (
          <rect
            key={`${frame.id} ${each.page.page.id}`}
            data-inherited={frame.id}
            data-on={each.page.page.id}
            aria-hidden="true"
            x={x}
            y={thin ? y - 4 : y}
            width={w}
            height={thin ? 8 : h}
            transform={turnOf(frame, { x, y, w, h })}
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
}

interface WaitingProps extends Pick<FramesProps, 'frames' | 'view'> {
  readonly slots: ReadonlyMap<string, number>;
}

/** What waits in frames that nothing fills yet, said in them. */
export function Waiting({ frames, view, slots }: WaitingProps) {
  const said = new Set<string>();
  return (
    <g aria-hidden="true" pointerEvents="none">
      {frames.map((each) => {
        const { frame, page } = each;
        if (!isWaiting(frame)) return null;
        const words = slots.get(slotKey(frame.id, page.page.id));
        const set = frame.content.type === 'slot' ? `${frame.content.set} ${frame.content.takes}` : frame.id;
        const again = said.has(set);
        said.add(set);
        const { x, y, w, h } = toScreen(view, onSpread(each));
        if (w < 40 || h < 9) return null;
        const [name, more] = waitingWords(frame, again ? undefined : words);
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
}
