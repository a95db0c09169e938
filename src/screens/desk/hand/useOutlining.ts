'use client';

import { type PointerEvent as ReactPointerEvent, useMemo } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import { setOutline, setWrap } from '@/core/actions/frames';
import { outlineBy } from '@/core/compose/frames/around';
import { outlineOf, contourOf } from '@/core/compose/frames/contours';
import type { Point } from '@/core/geometry/box';
import { nearest, type PointOf, smoothed, withoutPoint, withPointAt, withPointBehind } from '@/core/geometry/editing';
import type { Outline } from '@/core/geometry/outline';
import { fromUnit, placedPicture, toUnit } from '@/core/pictures/placing';
import { finished } from '@/core/page/finished';
import { type Document, find } from '@/core/records/document';
import { sidesOf } from '@/core/records/frame';
import type { FrameRecord } from '@/core/records/index';
import { pictureIn } from '@/core/records/kinds/frames';
import { followPointer, hasWandered } from '../../../parts/followPointer';
import { useLatest } from '../../frame/useLatest';
import type { DeskView } from '../../sheet/useDeskView';
import { alongFrame } from '../frames/frameInSight';
import type { useDeskActions } from '../frames/useDeskActions';
import type { Hand } from './hand';

/** How finely an outline is smoothed, as a share of its picture. */
const FINE = 0.002;

/** The outline of a frame that text runs around, in the unit square it is given in, and how that lies on the page. */
export interface Outlined {
  readonly frame: FrameRecord;
  readonly outline: Outline;
  readonly toPage: (point: Point) => Point;
  readonly toUnit: (point: Point) => Point;
}

export function outlinedBy(document: Document, id: string, now?: Outline): Outlined | undefined {
  const own = find(document, 'frame', id);
  if (!own) return undefined;
  const frame = finished(document, own);
  const shows = pictureIn(document, frame);
  const picture = find(document, 'picture', shows?.picture);
  const placed = shows && picture ? placedPicture(frame.box, picture, shows) : { box: frame.box, matrix: undefined };
  const toPage = (point: Point) => fromUnit(placed, point);
  const ontoUnit = (point: Point) => toUnit(placed, point);
  const given = now ?? outlineBy(frame, frame.wrap, picture);
  if (given) return { frame, outline: given, toPage, toUnit: ontoUnit };
  const edge = outlineOf(contourOf(frame.shape, frame.box));
  const outline = edge.map((ring) =>
    Array.from({ length: ring.length / 2 }, (_, i) => ontoUnit({ x: ring[2 * i]!, y: ring[2 * i + 1]! })).flatMap(({ x, y }) => [
      x,
      y,
    ]),
  );
  return { frame, outline, toPage, toUnit: ontoUnit };
}

interface Around {
  readonly hand: Hand;
  readonly store: DeskStore;
  readonly composer: ComposerClient;
  readonly view: DeskView;
  readonly actions: ReturnType<typeof useDeskActions>;
}

/** Mending an outline: points are dragged, put in and taken out, and text follows at once. */
export function useOutlining({ hand, store, composer, view, actions }: Around) {
  const gone = useLatest(view.gone);
  return useMemo(() => {
    const now = () => {
      const doing = hand.now();
      return doing.doing === 'outlining' ? doing : undefined;
    };
    const own = () => {
      const doing = now();
      return doing && outlinedBy(store.document, doing.frame, doing.outline);
    };
    const choose = (frame: string, at?: PointOf) => hand.take({ doing: 'outlining', frame, at });
    const done = (label: string, { frame }: Outlined, outline: Outline | undefined, at?: PointOf) => {
      actions.outline(label, frame.id, outline);
      choose(frame.id, at);
    };
    /** A way of the pointer, along the sides of the frame, points. */
    const along = ({ frame }: Outlined, start: { clientX: number; clientY: number }, event: PointerEvent): Point =>
      alongFrame(frame, gone(start, event));
    const drag = (from: Outlined, at: PointOf, start: ReactPointerEvent) => {
      const ring = from.outline[at.ring]!;
      const begin = from.toPage({ x: ring[2 * at.point]!, y: ring[2 * at.point + 1]! });
      let outline: Outline | undefined;
      choose(from.frame.id, at);
      followPointer(
        (event) => {
          if (!outline && !hasWandered(start, event)) return;
          const by = along(from, start, event);
          outline = withPointAt(from.outline, at, from.toUnit({ x: begin.x + by.x, y: begin.y + by.y }));
          hand.take({ doing: 'outlining', frame: from.frame.id, at, outline });
          composer.draft(setOutline(store.document, from.frame.id, outline));
        },
        (event) => {
          if (event && outline) return done('Move a point of an outline', from, outline, at);
          if (outline) composer.draft(null);
          choose(from.frame.id, at);
        },
      );
    };
    return {
      enter: (frame: string) => choose(frame),
      leave: () => hand.rest('outlining'),
      choose: (at: PointOf) => choose(now()!.frame, at),
      dragPoint: (at: PointOf, start: ReactPointerEvent) => {
        const from = own();
        if (from) drag(from, at, start);
      },
      /** A press on the line puts in a point, which is at once in the hand. */
      addAt: (point: Point, start: ReactPointerEvent) => {
        const from = own();
        const unit = from?.toUnit(point);
        const side = from && unit && nearest(from.outline, unit)?.side;
        if (!from || !unit || !side) return;
        const at = { ring: side.ring, point: side.point + 1 };
        const outline = withPointBehind(from.outline, side, unit);
        actions.outline('Add a point to an outline', from.frame.id, outline);
        drag({ ...from, outline }, at, start);
      },
      /** By keys: a point behind the chosen one, halfway to the next. */
      addBehind: () => {
        const from = own();
        const at = now()?.at;
        if (!from || !at) return;
        const ring = from.outline[at.ring]!;
        const [i, k] = [2 * at.point, (2 * at.point + 2) % ring.length];
        const middle = { x: (ring[i]! + ring[k]!) / 2, y: (ring[i + 1]! + ring[k + 1]!) / 2 };
        const next = { ring: at.ring, point: at.point + 1 };
        done('Add a point to an outline', from, withPointBehind(from.outline, at, middle), next);
      },
      remove: () => {
        const from = own();
        const at = now()?.at;
        if (!from || !at) return;
        const outline = withoutPoint(from.outline, at);
        if (outline === from.outline) return;
        const ring = outline[at.ring] ?? outline[0]!;
        done('Remove a point of an outline', from, outline, {
          ring: Math.min(at.ring, outline.length - 1),
          point: Math.min(at.point, ring.length / 2 - 1),
        });
      },
      nudge: (x: number, y: number) => {
        const from = own();
        const at = now()?.at;
        if (!from || !at) return;
        const ring = from.outline[at.ring]!;
        const place = from.toPage({ x: ring[2 * at.point]!, y: ring[2 * at.point + 1]! });
        const to = from.toUnit({ x: place.x + x, y: place.y + y });
        done('Move a point of an outline', from, withPointAt(from.outline, at, to), at);
      },
      /** The next or last point, all around and from ring to ring. */
      walk: (by: 1 | -1) => {
        const from = own();
        if (!from) return;
        const all = from.outline.flatMap((ring, r) =>
          Array.from({ length: ring.length / 2 }, (_, point) => ({ ring: r, point })),
        );
        const at = now()?.at;
        const i = at ? all.findIndex(({ ring, point }) => ring === at.ring && point === at.point) : by > 0 ? -1 : 0;
        choose(from.frame.id, all[(i + by + all.length) % all.length]);
      },
      smooth: () => {
        const from = own();
        if (from) done('Smooth an outline', from, smoothed(from.outline, FINE));
      },
      reset: () => {
        const from = own();
        if (from) done('Take an outline as it was traced', from, undefined);
      },
      /** Drags the stand-off: the distance of the text from the outline. */
      dragStandOff: (start: ReactPointerEvent) => {
        const from = own();
        if (!from) return;
        const before = Math.max(...Object.values(sidesOf(from.frame.wrap.standOff)));
        let standOff: number | undefined;
        followPointer(
          (event) => {
            standOff = Math.min(720, Math.max(0, before + along(from, start, event).x));
            composer.draft(setWrap(store.document, [from.frame.id], { standOff }));
            hand.take({ doing: 'outlining', frame: from.frame.id, at: now()?.at, standOff });
          },
          (event) => {
            if (event && standOff !== undefined) actions.put('wrap', [from.frame.id], { standOff });
            else composer.draft(null);
            choose(from.frame.id, now()?.at);
          },
        );
      },
    };
  }, [hand, store, composer, actions, gone]);
}

export type Outlining = ReturnType<typeof useOutlining>;
