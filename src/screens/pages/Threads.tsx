'use client';

import type { PointerEvent as ReactPointerEvent } from 'react';
import { fitWords, type Fit } from '@/core/compose/fit';
import type { Box } from '@/core/geometry/box';
import { all, type Document, find, threadOf } from '@/core/records/document';
import { type FrameInSight, onSpread } from './Overlay';
import { toScreen, type View } from './view';

interface ThreadsProps {
  readonly document: Document;
  readonly frames: readonly FrameInSight[];
  readonly view: View;
  readonly fits: ReadonlyMap<string, Fit>;
  readonly selection: ReadonlySet<string>;
  /** Width of the desk, which a tail must not leave. */
  readonly room: number;
  readonly onTail: (text: string, event: ReactPointerEvent) => void;
  /** The keyboard's way: goes on in reading order. */
  readonly onTailKey: (text: string) => void;
}

/** Soft lines along the threads of chosen stories, running numbers at their frames, and the tails of unfinished ones. */
export function Threads({ document, frames, view, fits, selection, room, onTail, onTailKey }: ThreadsProps) {
  const chosen = new Set(
    frames
      .filter(({ frame }) => selection.has(frame.id))
      .map(({ frame }) => (frame.content.type === 'text' ? frame.content.text : '')),
  );
  const inSight = new Map(frames.map((each) => [each.frame.id, each]));
  return (
    <g>
      {all(document, 'text').map((text) => {
        const thread = threadOf(document, text.id);
        const fit = fits.get(text.id);
        const last = inSight.get(thread.at(-1)?.id ?? '');
        const parts = [];
        if (chosen.has(text.id) && thread.length > 1) {
          thread.forEach((frame, i) => {
            const at = inSight.get(frame.id);
            if (!at) return;
            const box = toScreen(view, onSpread(at));
            const next = inSight.get(thread[i + 1]?.id ?? '');
            if (next) {
              const to = toScreen(view, onSpread(next));
              const [x0, y0, x1, y1] = [box.x + box.w, box.y + box.h - 4, to.x, to.y + 4];
              parts.push(
                <path
                  key={`line ${frame.id}`}
                  d={`M${x0} ${y0}C${x0 + 40} ${y0} ${x1 - 40} ${y1} ${x1} ${y1}`}
                  fill="none"
                  stroke="var(--thread)"
                  strokeWidth={2}
                  opacity={0.7}
                  pointerEvents="none"
                  data-thread={text.id}
                />,
              );
            }
            parts.push(
              <g key={`number ${frame.id}`} pointerEvents="none">
                <circle cx={box.x - 11} cy={box.y + 2} r={8} fill="var(--thread)" />
                <text x={box.x - 11} y={box.y + 6} textAnchor="middle" fontSize={11} fontWeight={700} fill="#fff">
                  {i + 1}
                </text>
              </g>,
            );
          });
        }
        if (last && fit && fit.oversetLines > 0) {
          parts.push(
            <Tail
              key="tail"
              text={text.id}
              name={find(document, 'story', text.story)?.name ?? 'text'}
              fit={fit}
              box={toScreen(view, onSpread(last))}
              room={room}
              onTail={onTail}
              onTailKey={onTailKey}
            />,
          );
        }
        return parts.length > 0 ? <g key={text.id}>{parts}</g> : null;
      })}
    </g>
  );
}

/** Pixels of tail: a short one for a line, a long one for many. */
const tailLength = (lines: number): number => Math.min(96, 26 + 2 * lines);

function Tail({
  text,
  name,
  fit,
  box,
  room,
  onTail,
  onTailKey,
}: {
  text: string;
  name: string;
  fit: Fit;
  box: Box;
  room: number;
  onTail: ThreadsProps['onTail'];
  onTailKey: ThreadsProps['onTailKey'];
}) {
  const length = tailLength(fit.oversetLines);
  const label = `+${fit.oversetLines} line${fit.oversetLines === 1 ? '' : 's'}`;
  const wide = 14 + 6.6 * label.length;
  const x = Math.min(box.x + box.w - 4, room - 8 - length - wide + 14);
  const y = box.y + box.h + 9;
  const bow = (at: number, rise: number) => (
    <path key={at} d={`M${x + at - 7} ${y + rise - 4}v8l7-4 7-4v8l-7-4z`} fill="var(--tail)" />
  );
  return (
    <g
      role="button"
      tabIndex={0}
      data-tail={text}
      aria-label={`Tail of ${name}: ${fitWords(fit)}. Drag it to where the story goes on, or press Enter to go on where there is most room.`}
      style={{ cursor: 'grab' }}
      className="outline-none"
      onPointerDown={(event) => onTail(text, event)}
      onKeyDown={(event) => {
        if (event.key !== 'Enter') return;
        event.stopPropagation();
        onTailKey(text);
      }}
    >
      <title>{`${fitWords(fit)}, ${fit.oversetWords} words. Drag the tail to where the story goes on.`}</title>
      <rect x={x - 14} y={y - 14} width={length + 4} height={28} fill="transparent" />
      <g className="tail-line">
        <path
          d={`M${x - 12} ${y}q${length / 4} -9 ${length / 2} 0t${length / 2} 0`}
          fill="none"
          stroke="var(--tail)"
          strokeWidth={2}
        />
        {bow(length * 0.3 - 6, -2)}
        {length > 50 && bow(length * 0.66 - 4, 2)}
      </g>
      <rect x={x + length - 14} y={y - 9} width={wide} height={18} fill="var(--tail)" />
      <text x={x + length - 14 + wide / 2} y={y + 4} textAnchor="middle" fontSize={11.5} fontWeight={700} fill="#fff">
        {label}
      </text>
    </g>
  );
}
