import { BarePage } from '@/parts/BarePage';
import { RIM } from '../sheet/view';

/** The paper that a desk opens at, points: a page and its bleed, and how many lie side by side. */
export interface OpeningPaper {
  readonly width: number;
  readonly height: number;
  readonly bleed: number;
  readonly pages: number;
}

/** What a desk looks like before its document is there: its parts empty, and bare paper where the pages will lie. */
export function DeskSkeleton({ paper }: { paper: OpeningPaper }) {
  const { width, height, bleed, pages } = paper;
  const across = pages * width + 2 * bleed;
  const down = height + 2 * bleed;
  const share = (part: number, of: number) => `${(100 * part) / of}%`;
  const panel = 'border-base-300 bg-base-100 shrink-0';
  return (
    <>
      <div className={`${panel} h-9 border-b`} />
      <div className="flex min-h-0 flex-1">
        <div className={`${panel} w-56 border-r`} />
        <div className="flex min-w-0 flex-1 flex-col">
          <div className="bg-base-200 min-h-0 flex-1" style={{ padding: RIM }}>
            <div className="grid size-full place-items-center [container-type:size]">
              {/* As the desk begins (`fitView`): all of a spread in sight. */}
              <div
                className="relative aspect-[var(--ratio)] w-[min(100cqw,100cqh*var(--ratio))]"
                style={{ ['--ratio' as string]: across / down }}
              >
                <div
                  data-bare-paper
                  className="absolute flex bg-white shadow-[0_1px_3px_rgb(20_33_61/0.3)]"
                  style={{
                    left: share(bleed, across),
                    top: share(bleed, down),
                    width: share(pages * width, across),
                    height: share(height, down),
                  }}
                >
                  {Array.from({ length: pages }, (_, i) => (
                    <div key={i} className="relative h-full flex-1">
                      <BarePage isBeingDrawn />
                    </div>
                  ))}
                </div>
              </div>
            </div>
          </div>
          <div className={`${panel} h-9 border-t`} />
          <p className={`${panel} narrow h-6 border-t px-3 leading-6 opacity-70`} role="status">
            Laying out the desk …
          </p>
        </div>
        <div className={`${panel} w-60 border-l`} />
      </div>
    </>
  );
}
