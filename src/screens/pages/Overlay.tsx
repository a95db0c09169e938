'use client';

import type { MouseEvent as ReactMouseEvent, PointerEvent as ReactPointerEvent } from 'react';
import type { Box } from '@/core/geometry/box';
import { fitWords, type Fit } from '@/core/compose/fit';
import type { Sentence } from '@/client/messages';
import type { PlacedPage } from '@/core/page/pages';
import { all, type Document, find, threadOf } from '@/core/records/document';
import type { Shape } from '@/core/records/frame';
import type { FrameRecord } from '@/core/records/index';
import { frameName, placeWords } from './frameWords';
import type { Pull } from './snap';
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
const turnOf = ({ rotation }: FrameRecord, { x, y, w, h }: Box): string | undefined =>
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

const ARM = 11;

/** The sides and corners that can be pulled. */
const PULLS: readonly (Pull & { readonly name: string; readonly cursor: string; readonly at: readonly [number, number] })[] = [
  { name: 'left top', left: true, right: false, top: true, bottom: false, cursor: 'nwse-resize', at: [0, 0] },
  { name: 'right top', left: false, right: true, top: true, bottom: false, cursor: 'nesw-resize', at: [1, 0] },
  { name: 'left bottom', left: true, right: false, top: false, bottom: true, cursor: 'nesw-resize', at: [0, 1] },
  { name: 'right bottom', left: false, right: true, top: false, bottom: true, cursor: 'nwse-resize', at: [1, 1] },
  { name: 'left', left: true, right: false, top: false, bottom: false, cursor: 'ew-resize', at: [0, 0.5] },
  { name: 'right', left: false, right: true, top: false, bottom: false, cursor: 'ew-resize', at: [1, 0.5] },
  { name: 'top', left: false, right: false, top: true, bottom: false, cursor: 'ns-resize', at: [0.5, 0] },
  { name: 'bottom', left: false, right: false, top: false, bottom: true, cursor: 'ns-resize', at: [0.5, 1] },
];

/** Corner brackets around a chosen frame, and the places to pull it by. */
export function Brackets({
  chosen,
  view,
  pullable,
  onPull,
}: {
  chosen: FrameInSight;
  view: View;
  pullable: boolean;
  onPull: (frame: FrameInSight, pull: Pull, event: ReactPointerEvent) => void;
}) {
  const { x, y, w, h } = toScreen(view, onSpread(chosen));
  const arm = Math.min(ARM, w / 2, h / 2);
  const d = [
    `M${x - 2} ${y + arm}V${y - 2}H${x + arm}`,
    `M${x + w - arm} ${y - 2}H${x + w + 2}V${y + arm}`,
    `M${x + w + 2} ${y + h - arm}V${y + h + 2}H${x + w - arm}`,
    `M${x + arm} ${y + h + 2}H${x - 2}V${y + h - arm}`,
  ].join('');
  return (
    <g transform={turnOf(chosen.frame, { x, y, w, h })}>
      <path d={d} fill="none" stroke="#fff" strokeWidth={5} opacity={0.7} pointerEvents="none" />
      <path d={d} fill="none" stroke="var(--hold)" strokeWidth={2.6} pointerEvents="none" data-brackets={chosen.frame.id} />
      {pullable &&
        PULLS.map(({ name, cursor, at, ...pull }) => {
          const corner = at[0] !== 0.5 && at[1] !== 0.5;
          const wide = corner ? 14 : at[0] === 0.5 ? Math.max(0, w - 28) : 8;
          const tall = corner ? 14 : at[1] === 0.5 ? Math.max(0, h - 28) : 8;
          return (
            <rect
              key={name}
              data-pull={name}
              x={x + at[0] * w - wide / 2}
              y={y + at[1] * h - tall / 2}
              width={wide}
              height={tall}
              fill="transparent"
              style={{ cursor }}
              onPointerDown={(event) => onPull(chosen, pull, event)}
            />
          );
        })}
    </g>
  );
}

/** The corners of a polygon, to be dragged, or moved by the arrow keys. */
export function Corners({
  chosen,
  shape,
  view,
  onPull,
  onStep,
}: {
  chosen: FrameInSight;
  shape: Extract<Shape, { type: 'polygon' }>;
  view: View;
  onPull: (corner: number, event: ReactPointerEvent) => void;
  onStep: (corner: number, across: number, down: number) => void;
}) {
  const at = toScreen(view, onSpread(chosen));
  const corners = shape.points.filter((_, i) => i % 2 === 0).map((x, i) => [x, shape.points[2 * i + 1]!] as const);
  return (
    <g transform={turnOf(chosen.frame, at)}>
      {corners.map(([x, y], corner) => {
        const [cx, cy] = [at.x + x * at.w, at.y + y * at.h];
        return (
          <rect
            key={corner}
            role="button"
            tabIndex={0}
            data-corner={corner}
            aria-label={`Corner ${corner + 1} of ${corners.length}; arrow keys move it`}
            x={cx - 4}
            y={cy - 4}
            width={8}
            height={8}
            transform={`rotate(45 ${cx} ${cy})`}
            fill="var(--mark)"
            stroke="var(--hold)"
            style={{ cursor: 'move' }}
            onPointerDown={(event) => {
              event.stopPropagation();
              onPull(corner, event);
            }}
            onKeyDown={(event) => {
              const step = ARROWS[event.key];
              if (!step) return;
              event.preventDefault();
              event.stopPropagation();
              onStep(corner, step[0] / chosen.box.w, step[1] / chosen.box.h);
            }}
          />
        );
      })}
    </g>
  );
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

interface ThreadsProps {
  readonly document: Document;
  readonly frames: readonly FrameInSight[];
  readonly view: View;
  readonly fits: ReadonlyMap<string, Fit>;
  readonly selection: ReadonlySet<string>;
  /** Width of the desk, which a tail must not leave. */
  readonly room: number;
  readonly onTail: (text: string, event: ReactPointerEvent) => void;
  /** The keyboard's way: goes on where there is most room. */
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

/** Sentences to choose from, one lit. */
export function Sentences({
  sentences,
  lit,
  pages,
  view,
  onLight,
  onTake,
}: {
  sentences: readonly Sentence[];
  lit: number;
  pages: readonly PlacedPage[];
  view: View;
  onLight: (index: number) => void;
  onTake: (index: number) => void;
}) {
  return (
    <g data-sentences>
      {sentences.flatMap((sentence, index) =>
        sentence.boxes.map(({ page, box }, i) => {
          const placed = pages.find((each) => each.page.id === page);
          if (!placed) return null;
          const at = toScreen(view, onSpread({ page: placed, box }));
          return (
            <rect
              key={`${index} ${i}`}
              data-sentence={index}
              {...{ x: at.x - 1, y: at.y, width: at.w + 2, height: at.h }}
              fill="var(--mark)"
              fillOpacity={index === lit ? 0.5 : 0.07}
              style={{ cursor: 'pointer', mixBlendMode: 'multiply' }}
              onPointerEnter={() => onLight(index)}
              onPointerDown={(event) => {
                event.stopPropagation();
                onTake(index);
              }}
            />
          );
        }),
      )}
    </g>
  );
}

/** The stretch that is being marked out, or that would take what is carried. */
export function Lit({ page, box, words, view }: { page: PlacedPage; box: Box; words: string; view: View }) {
  const at = toScreen(view, onSpread({ page, box }));
  return (
    <g pointerEvents="none" data-lit>
      <rect
        x={at.x}
        y={at.y}
        width={at.w}
        height={at.h}
        fill="var(--mark)"
        fillOpacity={0.2}
        stroke="var(--mark)"
        strokeWidth={2}
      />
      <rect x={at.x} y={at.y} width={Math.min(at.w, words.length * 6.4 + 14)} height={20} fill="#fff" fillOpacity={0.85} />
      <text x={at.x + 7} y={at.y + 14} fontSize={11.5} fontWeight={600} fill="var(--hold)" className="narrow">
        {words}
      </text>
    </g>
  );
}
