'use client';

import { type MouseEvent as ReactMouseEvent, useEffect, useRef } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { PlaceIn } from '@/client/typesetter';
import { joined, paragraphAt, rangeOf, type TextPlace, type TextRange, wordAt } from '@/core/editing/places';
import type { PlacedPage } from '@/core/page/pages';
import { followPointer, hasWandered } from '@/parts/followPointer';
import type { DeskView } from '../../sheet/useDeskView';
import type { Hand } from '../hand/hand';
import { isInAreas } from './Selected';
import { landing, moveSelected } from './moveSelected';
import type { TextInHand } from '../../text/textInHand';
import type { DeskStore } from '@/client/deskStore';

interface Around {
  readonly hand: Hand;
  readonly inHand: TextInHand;
  readonly store: DeskStore;
  readonly composer: ComposerClient;
  readonly desk: DeskView;
  readonly pages: readonly PlacedPage[];
  readonly width: number;
  readonly onGo: (spread: number) => void;
}

/** A point of a page or of the sheet of overset. */
interface Point {
  readonly page: string;
  readonly x: number;
  readonly y: number;
}

/** The one under the pointer. */
type PointOf = (event: { clientX: number; clientY: number }) => Point | undefined;

/** Of what is asked for while an answer is on its way only the newest is asked: the typesetter answers one at a time. */
function newestOnly<T>(ask: (what: T) => Promise<void>): (what: T | undefined) => void {
  let asking = false;
  let next: T | undefined;
  const on = async () => {
    if (asking) return;
    asking = true;
    while (next !== undefined) {
      const what = next;
      next = undefined;
      await ask(what);
    }
    asking = false;
  };
  return (what) => {
    next = what;
    void on();
  };
}

/** Selecting text by the pointer, and moving what is selected. */
export function useSelecting(around: Around) {
  const latest = useRef(around);
  useEffect(() => {
    latest.current = around;
  });

  /** The point of a page of the spread that is nearest to the pointer. */
  const onSpread: PointOf = (event) => {
    const { desk, pages, width } = latest.current;
    const point = desk.pointAt(event);
    const page =
      pages.find(({ dx }) => point.x >= dx && point.x <= dx + width) ?? (point.x < pages[0]!.dx ? pages[0] : pages.at(-1));
    return page && { page: page.page.id, x: point.x - page.dx, y: point.y };
  };

  const placeAt = async (point: ReturnType<PointOf>, text?: string): Promise<PlaceIn | undefined> =>
    point && latest.current.composer.placeAt(point.page, point, text);

  /**
   * A press in the text in hand: the caret goes there, and what the pointer then passes is selected; two presses take words,
   * three paragraphs. Pressed in what is selected, a drag moves that.
   */
  const press = (start: ReactMouseEvent, pointOf: PointOf = onSpread) => {
    const { inHand, composer } = latest.current;
    const now = inHand.now();
    if (!now || start.button !== 0) return;
    start.stopPropagation();
    // The focus stays with the text.
    start.preventDefault();
    // What counts as pressed again is the system's own to say.
    const times = ((start.detail - 1) % 3) + 1;
    const point = pointOf(start);
    if (times === 1 && !start.shiftKey && point && isInAreas(composer.setting().selection, point.page, point))
      return moveIt(start, pointOf);
    const unit = (place: TextPlace): TextRange => {
      const { doc } = inHand.now()!.state;
      if (times === 2) return wordAt(doc, place, inHand.language);
      return times === 3 ? paragraphAt(doc, place) : { anchor: place, head: place };
    };
    let first: TextRange | undefined;
    const seek = newestOnly(async (at: Point) => {
      const found = await placeAt(at, now.text);
      if (!found || inHand.now()?.text !== now.text) return;
      const own = unit(found.place);
      if (!first) {
        first = start.shiftKey ? { anchor: rangeOf(inHand.now()!.state).anchor, head: found.place } : own;
        inHand.select(first);
      } else if (start.shiftKey || times === 1) inHand.select({ anchor: first.anchor, head: found.place });
      else inHand.select(joined(first, own));
    });
    seek(point);
    followPointer(
      (event) => {
        if (!hasWandered(start, event)) return;
        follow(event);
        seek(pointOf(event));
      },
      () => undefined,
    );
  };

  /** The view goes with the pointer: to the spread of a cell of the page line, and on beyond the desk's edge. */
  const follow = (event: PointerEvent) => {
    const { desk, onGo } = latest.current;
    // A mouse says what is under it; a finger stays with what it was set down on.
    const { pointerType, target, clientX, clientY } = event;
    const under = pointerType === 'mouse' ? target : window.document.elementFromPoint(clientX, clientY);
    const cell = under instanceof Element ? under.closest('[data-spread]') : null;
    if (cell) return onGo(Number(cell.getAttribute('data-spread')));
    desk.follow(event);
  };

  /** Drags what is selected to where it is let go, shown there before; with Ctrl or Alt a copy. A press without a drag sets the caret. */
  const moveIt = (start: ReactMouseEvent, pointOf: PointOf) => {
    const { inHand, composer, hand, store } = latest.current;
    const { text } = inHand.now()!;
    let wandered = false;
    const isCopy = (event: PointerEvent) => event.ctrlKey || event.metaKey || event.altKey;
    const seek = newestOnly(async ({ at, copy }: { at: Point; copy: boolean }) => {
      const found = await placeAt(at);
      const target = found && landing(store, inHand, found);
      const caret = target && (await composer.caretAt(target.text, target.place));
      const now = hand.now();
      if (wandered && now.doing === 'typing') hand.take({ ...now, drop: caret && { ...caret, copy } });
    });
    followPointer(
      (event) => {
        if (!wandered && !hasWandered(start, event)) return;
        wandered = true;
        follow(event);
        const at = onSpread(event);
        seek(at && { at, copy: isCopy(event) });
      },
      (event) => {
        const now = hand.now();
        if (now.doing === 'typing') hand.take({ doing: 'typing', text: now.text });
        if (!event) return;
        if (wandered) {
          // Where it is let go is what counts, though the typesetter may still be at a place before.
          void placeAt(onSpread(event)).then((at) => at && moveSelected(store, inHand, at, isCopy(event)));
          return;
        }
        void placeAt(pointOf(start), text).then((at) => at && inHand.select({ anchor: at.place, head: at.place }));
      },
    );
  };

  /** Shows where in the text in hand something from elsewhere would go if it were let go now; nowhere without an event. */
  const hover = newestOnly(async (event: { clientX: number; clientY: number }) => {
    const { inHand, composer, hand } = latest.current;
    const text = inHand.now()?.text;
    const target = text === undefined ? undefined : await placeAt(onSpread(event), text);
    const caret = target && (await composer.caretAt(target.text, target.place));
    const now = hand.now();
    if (now.doing === 'typing') hand.take({ ...now, drop: caret && { ...caret, copy: true } });
  });

  /** The place in the text in hand that the pointer is nearest to. */
  const placeUnder = async (event: { clientX: number; clientY: number }): Promise<PlaceIn | undefined> => {
    const { inHand, hand } = latest.current;
    const now = hand.now();
    if (now.doing === 'typing') hand.take({ doing: 'typing', text: now.text });
    const text = inHand.now()?.text;
    return text === undefined ? undefined : placeAt(onSpread(event), text);
  };

  return { press, hover, placeUnder };
}
