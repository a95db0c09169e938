'use client';

import type { Sentence } from '@/client/typesetter';
import type { Box } from '@/core/geometry/box';
import type { PlacedPage } from '@/core/page/pages';
import { onSpread } from '../frames/frameInSight';
import { toScreen, type View } from '../../sheet/view';

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
