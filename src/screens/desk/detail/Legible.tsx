'use client';

import { useEffect, useState } from 'react';
import { swatchOfTone } from '@/core/actions/legible';
import { setLetters } from '@/core/editing/formatting';
import type { Legibility } from '@/core/print/legibility';
import { find } from '@/core/records/document';
import { formatNumber } from '@/core/length/length';
import { useSetting } from '../../sheet/useSetting';
import { useHand } from '../hand/hand';
import type { FrameInSight } from '../frames/frameInSight';
import type { Desk } from '../useDesk';

/** The light of a picture that is so many times what it is now. */
function lightBy({ document }: Desk, frame: string, gain: number): number {
  const content = find(document, 'frame', frame)?.content;
  const light = content?.type === 'picture' ? (content.adjust?.light ?? 0) : 0;
  return Math.max(-1, Math.min(1, Math.round(((1 + light) * gain - 1) * 100) / 100));
}

const opacityOf = ({ document }: Desk, frame: string) => find(document, 'frame', frame)?.opacity;

/** Whether words can be read on the picture or panel they lie on, and what would mend it. */
export function Legible({ desk, each }: { desk: Desk; each: FrameInSight }) {
  const { composer } = desk;
  const { page, frame, box } = each;
  const painted = useSetting(composer, (setting) => setting.pages.get(page.page.id));
  const [found, setFound] = useState<Legibility>();
  // A hand that writes or moves does not wait for it.
  const isResting = useHand(desk.hand, ({ doing }) => doing === 'choosing');
  useEffect(() => {
    if (!isResting) return undefined;
    let isMeant = true;
    // What lies under it may have changed with anything on the page.
    void composer.legibility(page.page.id, frame.id).then((legibility) => isMeant && setFound(legibility));
    return () => {
      isMeant = false;
    };
  }, [composer, page.page.id, frame.id, painted, isResting]);
  if (!found) return null;
  const { ratio, needed, words, letters, panel, picture } = found;
  const reads = ratio >= needed;
  const other = !reads && letters ? swatchOfTone(desk.document, letters) : undefined;
  return (
    <div data-contrast={ratio.toFixed(2)}>
      <p className={reads ? 'text-success' : 'text-error font-semibold'}>
        Contrast {formatNumber(ratio, 1)} : 1 on what lies under it,{' '}
        {reads ? 'enough to read' : `${formatNumber(needed, 1)} : 1 is needed`}
      </p>
      {!reads && <p className="opacity-75">Hardest to read: “{words.length > 60 ? `${words.slice(0, 57)}…` : words}”</p>}
      {other && (
        <button
          type="button"
          className="btn btn-xs mt-1 mr-1"
          onClick={() =>
            desk.formatter.run(setLetters({ swatch: other.id, tint: 1 }, desk.formatter.sheet()), 'Change the colour of text')
          }
        >
          Set it in {other.name}
        </button>
      )}
      {!reads && !other && !panel && picture?.gain === undefined && (
        <p className="opacity-75">Nothing behind these words would make all of them readable. Give them another colour.</p>
      )}
      {picture?.gain !== undefined && (
        <button
          type="button"
          className="btn btn-xs mt-1 mr-1"
          onClick={() => desk.actions.put('adjust', [picture.frame], { light: lightBy(desk, picture.frame, picture.gain!) })}
        >
          Make the picture {picture.gain < 1 ? 'darker' : 'lighter'}
        </button>
      )}
      {picture?.fade !== undefined && (
        <button
          type="button"
          className="btn btn-xs mt-1 mr-1"
          onClick={() =>
            desk.actions.put('look', [picture.frame], { opacity: picture.fade! * (opacityOf(desk, picture.frame) ?? 1) })
          }
        >
          Fade the picture to {Math.round(100 * picture.fade)} %
        </button>
      )}
      {panel && (
        <button
          type="button"
          className="btn btn-xs mt-1"
          onClick={() => desk.actions.panelBehind({ frame: frame.id, box, ...panel })}
        >
          Put a {panel.tone} panel behind it, {Math.round(100 * panel.opacity)} %
        </button>
      )}
    </div>
  );
}
