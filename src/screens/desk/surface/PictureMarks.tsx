'use client';

import { type PictureState, pictureStates } from '@/core/pictures/states';
import { find } from '@/core/records/document';
import { toScreen } from '../../sheet/view';
import { type FrameInSight, onSpread, turnOf } from '../frames/frameInSight';
import { useInHand } from '../hand/hand';
import type { Desk } from '../useDesk';

/** What is wrong with pictures, marked where they lie; the detail has what mends it. */
export function PictureMarks({ desk }: { desk: Desk }) {
  return desk.frames.map((each) =>
    each.frame.content.type === 'picture' ? <Marks key={each.frame.id} desk={desk} each={each} /> : null,
  );
}

/** Pixels of a mark. */
const SIDE = 16;

const SIGNS: Readonly<Record<PictureState['is'], { readonly sign: string; readonly fill: string }>> = {
  missing: { sign: '?', fill: 'var(--color-error)' },
  changed: { sign: '↻', fill: 'var(--color-secondary)' },
  coarse: { sign: '!', fill: 'var(--color-error)' },
};

function Marks({ desk, each }: { desk: Desk; each: FrameInSight }) {
  const now = useInHand(desk.hand, each, desk.spread.pages);
  const { content } = now.frame;
  const picture = content.type === 'picture' ? find(desk.document, 'picture', content.picture) : undefined;
  if (content.type !== 'picture' || !picture) return null;
  const states = pictureStates(picture, now.box, content, desk.pictureFiles.files);
  if (states.length === 0) return null;
  const { x, y, w, h } = toScreen(desk.view.view, onSpread(now));
  const isMissing = states.some(({ is }) => is === 'missing');
  return (
    <g transform={turnOf(now.frame, { x, y, w, h })} data-picture-states={states.map(({ is }) => is).join(' ')}>
      {isMissing && (
        <g pointerEvents="none">
          <rect x={x} y={y} width={w} height={h} fill="var(--color-base-200)" stroke="var(--color-error)" strokeDasharray="5 4" />
          {w > 90 && (
            <text x={x + w / 2} y={y + h / 2} textAnchor="middle" className="slot-words">
              File missing
            </text>
          )}
        </g>
      )}
      {states.map(({ is, words }, i) => (
        <g
          key={is}
          role="img"
          aria-label={`${picture.name}: ${words}`}
          style={{ cursor: 'pointer' }}
          onPointerDown={(event) => {
            event.stopPropagation();
            desk.hand.rest();
            desk.chosen.choose([now.frame.id]);
          }}
        >
          <title>{`${words}. Press to mend it.`}</title>
          <rect x={x + 3 + i * (SIDE + 2)} y={y + 3} width={SIDE} height={SIDE} fill={SIGNS[is].fill} stroke="#fff" />
          <text
            x={x + 3 + i * (SIDE + 2) + SIDE / 2}
            y={y + 3 + SIDE - 4}
            textAnchor="middle"
            fill="#fff"
            fontSize={12}
            fontWeight={700}
            pointerEvents="none"
          >
            {SIGNS[is].sign}
          </text>
        </g>
      ))}
    </g>
  );
}
