'use client';

import type { MouseEvent as ReactMouseEvent, PointerEvent as ReactPointerEvent } from 'react';
import type { Box } from '@/core/geometry/box';
import type { PlacedPage } from '@/core/page/pages';
import type { Document } from '@/core/records/document';
import type { FrameRecord } from '@/core/records/index';
import { frameName, placeWords } from './frameWords';
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
        const waits = frame.content.type === 'picture' && !frame.content.picture;
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
