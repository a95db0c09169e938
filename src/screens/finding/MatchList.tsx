'use client';

import { useVirtualizer } from '@tanstack/react-virtual';
import { type ReactNode, useRef } from 'react';

/** A place in a text, as a list shows it: in its context, under what it stands in. */
export interface Listed {
  readonly key: string;
  /** What it stands in: the story's name and the part. */
  readonly where: string;
  readonly before: string;
  readonly is: ReactNode;
  readonly after: string;
  readonly said: string;
}

interface MatchListProps {
  readonly label: string;
  readonly places: readonly Listed[];
  /** Those that are not taken. */
  readonly left: ReadonlySet<string>;
  readonly onToggle: (key: string) => void;
  readonly onShow: (index: number) => void;
}

/** Pixels a row is high until it is measured. */
const ROW = 44;

/** Places in texts, each with a tick whether it is taken; a press shows it. Of a long list only what is in sight is in the page. */
export function MatchList({ label, places, left, onToggle, onShow }: MatchListProps) {
  const around = useRef<HTMLDivElement>(null);
  const virtual = useVirtualizer({
    count: places.length,
    getScrollElement: () => around.current,
    estimateSize: () => ROW,
    getItemKey: (i) => places[i]!.key,
    overscan: 10,
  });
  return (
    <div ref={around} className="min-h-0 flex-1 overflow-auto">
      <ul aria-label={label} className="relative" style={{ height: virtual.getTotalSize() }}>
        {virtual.getVirtualItems().map(({ index, key, start }) => {
          const place = places[index]!;
          const isNew = place.where !== places[index - 1]?.where;
          return (
            <li
              key={key}
              ref={virtual.measureElement}
              data-index={index}
              data-match=""
              className="border-base-300 absolute inset-x-0 border-t"
              style={{ transform: `translateY(${start}px)` }}
            >
              {isNew && <p className="narrow bg-base-200 px-4 py-0.5 font-semibold">{place.where}</p>}
              <div className="flex items-start gap-2 px-4 py-1">
                <input
                  type="checkbox"
                  className="checkbox checkbox-xs mt-0.5"
                  aria-label={`Take: ${place.said}`}
                  checked={!left.has(place.key)}
                  onChange={() => onToggle(place.key)}
                />
                <button
                  type="button"
                  className="min-w-0 flex-1 text-left leading-snug hover:underline"
                  onClick={() => onShow(index)}
                >
                  <span className="opacity-75">{place.before}</span>
                  {place.is}
                  <span className="opacity-75">{place.after}</span>
                </button>
              </div>
            </li>
          );
        })}
      </ul>
    </div>
  );
}
