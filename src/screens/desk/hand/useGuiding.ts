'use client';

import { type PointerEvent as ReactPointerEvent, useMemo } from 'react';
import type { GuideAt } from '@/core/actions/guides';
import { type Box, middleOf, type Point } from '@/core/geometry/box';
import type { PlacedPage } from '@/core/page/pages';
import type { FormatRecord } from '@/core/records/index';
import type { PageGuide } from '@/core/records/page';
import { followPointer, hasWandered } from '../../../parts/followPointer';
import { useLatest } from '../../frame/useLatest';
import type { DeskView } from '../../sheet/useDeskView';
import { type FrameInSight, onSpread } from '../frames/frameInSight';
import type { useDeskActions } from '../frames/useDeskActions';
import type { Hand } from './hand';
import { catchesOf, caughtBy } from './snap';

/** Pixels within which a guide, or an end of a measure, is caught. */
const REACH = 6;

interface Around {
  readonly hand: Hand;
  readonly view: DeskView;
  readonly format: FormatRecord;
  readonly pages: readonly PlacedPage[];
  readonly frames: readonly FrameInSight[];
  readonly actions: ReturnType<typeof useDeskActions>;
}

/** Edges and middles of what lies on the spread, and the lines of its grid. */
function linesOf(format: FormatRecord, pages: readonly PlacedPage[], boxes: readonly Box[]) {
  const { left, right, y } = catchesOf(format, pages);
  return {
    upright: [...left, ...right, ...boxes.flatMap((box) => [box.x, box.x + box.w, middleOf(box).x])],
    level: [...y, ...boxes.flatMap((box) => [box.y, box.y + box.h, middleOf(box).y])],
  };
}

/** Guides drawn by hand onto the pages from their rims, and a measure between any two points. */
export function useGuiding(around: Around) {
  const { hand } = around;
  const now = useLatest(() => around);
  return useMemo(() => {
    /** The lines that catch, and how near is near, for as long as a press lasts. */
    const catching = () => {
      const { format, pages, frames, view } = now();
      const lines = linesOf(format, pages, frames.map(onSpread));
      return (at: Point, isFree: boolean): Point => {
        const reach = isFree ? 0 : REACH / view.view.k;
        return { x: caughtBy(at.x, lines.upright, reach), y: caughtBy(at.y, lines.level, reach) };
      };
    };
    return {
      /**
       * Draws a guide, or moves one that is there: Shift takes a level one over the whole spread, Alt frees it of what it is
       * caught by; beside the pages it is removed.
       */
      guide: (direction: PageGuide['direction'], start: ReactPointerEvent, from?: GuideAt & { readonly spread: boolean }) => {
        start.stopPropagation();
        const caught = catching();
        let last: { readonly page: string; readonly guide: PageGuide } | undefined;
        let hasMoved = false;
        followPointer(
          (event) => {
            if (!hasMoved && !hasWandered(start, event)) return;
            hasMoved = true;
            const { format, pages, view } = now();
            const point = view.pointAt(event);
            const { x, y } = caught(point, event.altKey);
            const at = direction === 'upright' ? x : y;
            const on = pages.find(({ dx }) => point.x >= dx && point.x <= dx + format.width);
            const inside = point.y >= 0 && point.y <= format.height && on !== undefined;
            const spread = direction === 'level' && pages.length > 1 && (event.shiftKey || from?.spread === true);
            last = inside
              ? {
                  page: on.page.id,
                  guide: { direction, at: direction === 'upright' ? at - on.dx : at, ...(spread ? { spread } : {}) },
                }
              : undefined;
            hand.take({ doing: 'guiding', direction, from, at, ...last });
          },
          (event) => {
            hand.rest('guiding');
            if (!event || !hasMoved) return;
            const { actions } = now();
            if (last && from) actions.moveGuide(from, last.page, last.guide);
            else if (last) actions.addGuide(last.page, last.guide);
            else if (from) actions.removeGuide(from);
          },
        );
      },
      /** Begins to measure: what is chosen, else the page in sight. */
      measure: (of: Box) => hand.take({ doing: 'measuring', from: of, to: { x: of.x + of.w, y: of.y + of.h } }),
      /** Measures from where the pointer is pressed to where it is let go; Shift holds it level or upright. */
      drag: (start: ReactPointerEvent) => {
        start.stopPropagation();
        const caught = catching();
        const from = caught(now().view.pointAt(start), start.altKey);
        hand.take({ doing: 'measuring', from, to: from });
        followPointer(
          (event) => {
            const point = now().view.pointAt(event);
            const isLevel = Math.abs(point.x - from.x) >= Math.abs(point.y - from.y);
            const to = caught(point, event.altKey);
            const held = isLevel ? { x: to.x, y: from.y } : { x: from.x, y: to.y };
            hand.take({ doing: 'measuring', from, to: event.shiftKey ? held : to });
          },
          (event) => {
            if (!event) hand.rest('measuring');
          },
        );
      },
      /** Moves the end of the measure, or its beginning. */
      nudge: (which: 'from' | 'to', by: Point) => {
        const doing = hand.now();
        if (doing.doing !== 'measuring') return;
        const at = doing[which];
        hand.take({ ...doing, [which]: { x: at.x + by.x, y: at.y + by.y } });
      },
    };
  }, [hand, now]);
}

export type Guiding = ReturnType<typeof useGuiding>;
