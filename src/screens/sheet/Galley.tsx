'use client';

import type { ComposerClient } from '@/client/composerClient';
import { PaintedPage } from './Paper';
import { useSetting } from './useSetting';

/** Lines between two numbers beside a galley. */
const EVERY = 5;

/** No part is set smaller than this share of the others: what does not fit then is cut at the side. */
const LEAST = 0.4;

interface GalleyProps {
  readonly composer: ComposerClient;
  /** Pixels a point. */
  readonly k: number;
  /** Pixels that there are: what is set wider is shown smaller. */
  readonly width: number;
  /** The part whose lines are counted. */
  readonly counted?: string | undefined;
  /** A part that is set to be counted, not to be seen. */
  readonly not?: string | undefined;
}

/** Texts, for the eye alone, as they are set by themselves in their true measure, one under another, with their lines counted beside them. */
export function Galley({ composer, k: usual, width: room, counted, not }: GalleyProps) {
  const parts = useSetting(composer, (setting) => setting.galley);
  return (
    <div className="flex flex-col items-start gap-3 text-[#14213d]" data-galley={parts.length} aria-hidden="true">
      {parts
        .filter(({ name }) => name !== not)
        .map(({ name, page, width, height, baselines, endsAt }) => {
          const k = Math.max(usual * LEAST, Math.min(usual, room / width));
          return (
            <div
              key={name}
              className={`relative shrink-0 ${name === counted ? '' : 'overflow-hidden'}`}
              style={{ width: Math.min(room, width * k), height: height * k }}
              data-galley-part={name}
            >
              <div className="absolute inset-0 bg-white shadow-[0_1px_4px_rgb(20_33_61/0.25)]" />
              <PaintedPage composer={composer} page={page} furniture={false} transform={`scale(${k})`} />
              {name === counted &&
                baselines.map((y, i) =>
                  (i + 1) % EVERY === 0 ? (
                    <span
                      key={i}
                      className="narrower text-base-content absolute -left-7 w-5 -translate-y-3 text-right tabular-nums opacity-70"
                      style={{ top: y * k }}
                    >
                      {i + 1}
                    </span>
                  ) : null,
                )}
              {endsAt !== undefined && (
                <>
                  <div className="bg-error/10 absolute inset-x-0 bottom-0" style={{ top: endsAt * k }} />
                  <p
                    className="text-error border-error narrow absolute -right-3 -left-3 border-t-2 border-dashed text-right leading-tight font-semibold"
                    style={{ top: endsAt * k }}
                  >
                    <span className="bg-base-100 px-1">The space ends here</span>
                  </p>
                </>
              )}
            </div>
          );
        })}
    </div>
  );
}
