'use client';

import { X } from 'lucide-react';
import { useEffect, useRef } from 'react';
import { beyondOf } from '@/core/compose/displayList/beyond';
import { fitWords } from '@/core/compose/text/fit';
import { counted } from '@/core/records/count';
import { find, threadOf } from '@/core/records/document';
import { PaintedPage } from '../../sheet/Paper';
import { useSetting } from '../../sheet/useSetting';
import { toScreen } from '../../sheet/view';
import { onSpread } from '../frames/frameInSight';
import { useHand } from '../hand/hand';
import type { Desk } from '../useDesk';
import { Caret, SelectedAreas } from './Selected';

/** Pixels that the panel is high at most, and that it keeps away from the desk's edge. */
const HIGH = 260;
const RIM = 8;

/**
 * The overset of a text, looked at beside its tail: where the caret has gone into it, or where the tail was pressed. It is
 * written in like any other part of the text.
 */
export function BeyondPanel({ desk }: { desk: Desk }) {
  const { composer, hand, looking, onLook } = desk;
  const writing = useHand(hand, (now) => (now.doing === 'typing' ? now.text : undefined));
  const caretPage = useSetting(composer, (setting) => setting.selection.caret?.page);
  const text = looking ?? (writing !== undefined && caretPage === beyondOf(writing) ? writing : undefined);
  const sheet = useSetting(composer, (setting) => setting.beyond);
  useEffect(() => {
    if (text === undefined) return undefined;
    composer.lookBeyond(text);
    return () => composer.lookBeyond(null);
  }, [composer, text]);
  if (text === undefined || sheet?.text !== text) return null;
  return <Panel desk={desk} text={text} width={sheet.width} height={sheet.height} onClose={() => onLook(undefined)} />;
}

function Panel({
  desk,
  text,
  width,
  height,
  onClose,
}: {
  desk: Desk;
  text: string;
  width: number;
  height: number;
  onClose: () => void;
}) {
  const { composer, document, frames, view, inHand, selecting } = desk;
  const page = beyondOf(text);
  const fit = useSetting(composer, (setting) => setting.fits.get(text));
  const selection = useSetting(composer, (setting) => setting.selection);
  const paper = useRef<HTMLDivElement>(null);
  // As large as the page, but large enough to read.
  const k = Math.max(view.view.k, 1.1);
  const caret = selection.caret?.page === page ? selection.caret.box : undefined;
  const caretAt = caret?.y;
  useEffect(() => {
    const element = paper.current;
    if (!element || caretAt === undefined) return;
    const y = caretAt * k;
    if (y < element.scrollTop) element.scrollTop = y - 20;
    else if (y > element.scrollTop + element.clientHeight - 30) element.scrollTop = y - element.clientHeight + 40;
  }, [caretAt, k]);
  const last = threadOf(document, text).at(-1);
  const tail = frames.find(({ frame }) => frame.id === last?.id);
  const anchor = tail && view.onGround(toScreen(view.view, onSpread(tail)));
  const wide = width * k + 2;
  const high = Math.min(HIGH, height * k + 34);
  const left = Math.max(RIM, Math.min((anchor?.x ?? RIM) + 8, view.ground.width - wide - RIM));
  const top = Math.max(RIM, Math.min(anchor ? anchor.y + anchor.h + 26 : RIM, view.ground.height - high - RIM));
  const areas = selection.areas.find((each) => each.page === page)?.areas;
  const pointOf = (event: { clientX: number; clientY: number }) => {
    const box = paper.current?.firstElementChild?.getBoundingClientRect();
    return box && { page, x: (event.clientX - box.left) / k, y: (event.clientY - box.top) / k };
  };
  const story = find(document, 'story', find(document, 'text', text)?.story)?.name ?? 'Text';
  return (
    <section
      aria-label={`Overset of ${story}`}
      data-beyond={text}
      className="border-error absolute z-20 flex flex-col border bg-white text-[#14213d]"
      style={{ left, top, width: wide, height: high }}
      onPointerDown={(event) => event.stopPropagation()}
    >
      <header className="narrow bg-error text-error-content flex h-7 shrink-0 items-center gap-2 px-2">
        <button type="button" className="link truncate font-semibold" title="Make it fit …" onClick={() => desk.setFitting(text)}>
          {fit ? `${fitWords(fit)}, ${counted(fit.oversetWords, 'word')}` : story}
        </button>
        <button type="button" aria-label="Close the overset" className="ml-auto" onMouseDown={keep} onClick={onClose}>
          <X size={14} />
        </button>
      </header>
      <div ref={paper} className="relative flex-1 cursor-text overflow-auto">
        <div
          className="relative"
          style={{ width: width * k, height: height * k }}
          onMouseDown={(event) => {
            if (inHand.now()?.text === text) return selecting.press(event, pointOf);
            const at = pointOf(event);
            if (!at) return;
            event.preventDefault();
            void composer.placeAt(page, at, text).then((found) => {
              if (found) inHand.begin(text, { anchor: found.place, head: found.place });
            });
          }}
        >
          <PaintedPage composer={composer} page={page} furniture={false} transform={`scale(${k})`} />
          {areas && (
            <svg className="pointer-events-none absolute inset-0 h-full w-full" aria-hidden="true">
              <SelectedAreas areas={areas} view={{ k, tx: 0, ty: 0 }} />
            </svg>
          )}
          {caret && <Caret at={toScreen({ k, tx: 0, ty: 0 }, caret)} />}
        </div>
      </div>
    </section>
  );
}

/** A press does not take the focus from the text in hand. */
const keep = (event: { preventDefault: () => void }) => event.preventDefault();
