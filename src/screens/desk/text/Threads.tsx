'use client';

import { counted } from '@/core/records/count';
import { memo, type PointerEvent as ReactPointerEvent, useMemo } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import { fitWords, type Fit } from '@/core/compose/text/fit';
import type { Box } from '@/core/geometry/box';
import type { PlacedPage } from '@/core/page/pages';
import { type Document, find, threadOf } from '@/core/records/document';
import { useLatest } from '../../frame/useLatest';
import { useSetting } from '../../sheet/useSetting';
import { type FrameInSight, inPlace, onSpread } from '../frames/frameInSight';
import { type Hand, useHand } from '../hand/hand';
import { toScreen, type View } from '../../sheet/view';
import { textIn } from '@/core/records/kinds/frames';

interface ThreadsProps {
  readonly document: Document;
  readonly composer: ComposerClient;
  readonly hand: Hand;
  readonly pages: readonly PlacedPage[];
  readonly frames: readonly FrameInSight[];
  readonly view: View;
  /** The frames that are chosen. */
  readonly chosen: ReadonlySet<string>;
  /** Width of the desk, which a tail must not leave. */
  readonly room: number;
  readonly onTail: (text: string, event: ReactPointerEvent) => void;
  /** The keyboard's way: goes on in reading order. */
  readonly onTailKey: (text: string) => void;
}

/** Soft lines along the threads of chosen stories, running numbers at their frames, and the tails of unfinished ones. */
export function Threads({ frames, document, chosen, onTail, onTailKey, ...shared }: ThreadsProps) {
  const carry = useLatest(onTail);
  const goOn = useLatest(onTailKey);
  const threads = useMemo(() => {
    const texts = new Set(frames.flatMap(({ frame }) => textIn(frame) ?? []));
    const inSight = new Map(frames.map((each) => [each.frame.id, each]));
    return [...texts].map((text) => ({ text, frames: threadOf(document, text).map(({ id }) => inSight.get(id)) }));
  }, [frames, document]);
  return (
    <g>
      {threads.map(({ text, frames: own }) => (
        <Thread
          key={text}
          text={text}
          name={find(document, 'story', find(document, 'text', text)?.story)?.name ?? 'text'}
          frames={own}
          isChosen={own.some((each) => each !== undefined && chosen.has(each.frame.id))}
          onTail={carry}
          onTailKey={goOn}
          {...shared}
        />
      ))}
    </g>
  );
}

interface ThreadProps extends Omit<ThreadsProps, 'document' | 'frames' | 'chosen'> {
  readonly text: string;
  readonly name: string;
  /** In the thread's order; undefined for those that are on other spreads. */
  readonly frames: readonly (FrameInSight | undefined)[];
  readonly isChosen: boolean;
}

const Thread = memo(function Thread({
  text,
  name,
  frames,
  isChosen,
  composer,
  hand,
  pages,
  view,
  room,
  onTail,
  onTailKey,
}: ThreadProps) {
  const fit = useSetting(composer, (setting) => setting.fits.get(text));
  const moving = useHand(hand, (now) =>
    now.doing === 'moving' && frames.some((each) => each && now.places.has(each.frame.id)) ? now.places : undefined,
  );
  const boxes = frames.map((each) => each && toScreen(view, onSpread(inPlace(each, moving?.get(each.frame.id), pages))));
  const last = boxes.at(-1);
  const isOver = last !== undefined && fit !== undefined && fit.oversetLines > 0;
  return (
    <g>
      {isChosen &&
        boxes.length > 1 &&
        boxes.map((box, i) => {
          if (!box) return null;
          const next = boxes[i + 1];
          return (
            <g key={i} pointerEvents="none">
              {next && (
                <path
                  d={`M${box.x + box.w} ${box.y + box.h - 4}C${box.x + box.w + 40} ${box.y + box.h - 4} ${next.x - 40} ${next.y + 4} ${next.x} ${next.y + 4}`}
                  fill="none"
                  stroke="var(--thread)"
                  strokeWidth={2}
                  opacity={0.7}
                  data-thread={text}
                />
              )}
              <circle cx={box.x - 11} cy={box.y + 2} r={8} fill="var(--thread)" />
              <text x={box.x - 11} y={box.y + 6} textAnchor="middle" fontSize={11} fontWeight={700} fill="#fff">
                {i + 1}
              </text>
            </g>
          );
        })}
      {isOver && <Tail text={text} name={name} fit={fit} box={last} room={room} onTail={onTail} onTailKey={onTailKey} />}
    </g>
  );
});

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
  const label = `+${counted(fit.oversetLines, 'line')}`;
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
      aria-label={`Tail of ${name}: ${fitWords(fit)}. Drag it to where the story continues, or press Enter to continue it where there is most room.`}
      style={{ cursor: 'grab' }}
      className="outline-none"
      onPointerDown={(event) => onTail(text, event)}
      onKeyDown={(event) => {
        if (event.key !== 'Enter') return;
        event.stopPropagation();
        onTailKey(text);
      }}
    >
      <title>{`${fitWords(fit)}, ${fit.oversetWords} words. Drag the tail to where the story continues.`}</title>
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
