'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Box, Point } from '@/core/geometry/box';
import type { PlacedPage } from '@/core/page/pages';
import type { FormatRecord } from '@/core/records/index';
import { boxOnGround, nextTurn, pointOn, type Turn, turnedSize, wayOn } from './turned';
import { type Size, useSize } from './useSize';
import { useLatest } from '../frame/useLatest';
import { fitView, toScreen, toSpread, zoomed, type View } from './view';

/** Pixels of the desk's edge that what is revealed keeps away from. */
const RIM = 12;

/** A place of the screen. */
export interface OnScreen {
  readonly clientX: number;
  readonly clientY: number;
}

/** Takes a zoom about a point of the screen, by so many times; gives whether it meant something to it. */
export type Zoomer = (at: OnScreen & { readonly target: EventTarget | null }, factor: number) => boolean;

/** A row of spreads, one under another: which lie next to the one in sight, by their first pages. */
export interface Row {
  readonly before: string | undefined;
  readonly after: string | undefined;
  /** Told when another comes up: so many further down. */
  readonly onGo: (by: number) => void;
}

/** Points between two spreads of a row, from bleed to bleed. */
const ROW_GAP = 28;

/** How much more than the spread is seen to begin with, so that those next to it are, as a share of its height. */
const PEEP = 0.16;

/** Points from a spread of a row to the next. */
export const rowStep = ({ height, bleed }: FormatRecord): number => height + 2 * bleed + ROW_GAP;

/** Spreads with their bleed, in their own coordinates. */
export function bleedBoxOf(pages: readonly PlacedPage[], { width, height, bleed }: FormatRecord): Box {
  const left = pages[0]!.dx;
  return { x: left - bleed, y: -bleed, w: pages.at(-1)!.dx + width - left + 2 * bleed, h: height + 2 * bleed };
}

/** How a spread was last looked at. */
interface Looked {
  readonly spread: string;
  readonly view: View;
  /** How large the desk was then. */
  readonly size: Size;
}

/** The same on a desk that has another size by now: its middle stays. */
const seenOn = ({ view, size: { width, height } }: Looked, size: Size): View => ({
  ...view,
  tx: view.tx + (size.width - width) / 2,
  ty: view.ty + (size.height - height) / 2,
});

/**
 * The desk as a surface: its size, how the spread is looked at, and what a point of the screen is on the spread.
 *
 * @param row the row that the spread lies in, where it is looked at in one: whichever is in the middle of the desk is in sight
 */
export function useDeskView(pages: readonly PlacedPage[], format: FormatRecord, row?: Row) {
  const ref = useRef<HTMLDivElement>(null);
  const ground = useSize(ref);
  const [turn, setTurn] = useState<Turn>(0);
  /** Of what lies on the ground, which may be turned. */
  const size = useMemo(() => turnedSize(ground, turn), [ground, turn]);
  const { id } = pages[0]!.page;
  const [chosen, setChosen] = useState<Looked>();
  /** The same, also between two drawings. */
  const last = useRef<Looked>(undefined);
  const bleedBox = useMemo(() => bleedBoxOf(pages, format), [pages, format]);
  const isRow = row !== undefined;
  const fitted = useMemo(() => {
    const { y, h } = bleedBox;
    const seen = isRow ? { ...bleedBox, y: y - h * PEEP, h: h * (1 + 2 * PEEP) } : bleedBox;
    return fitView(seen, Math.max(200, size.width), Math.max(200, size.height));
  }, [bleedBox, size, isRow]);
  // Another spread is seen whole.
  const view = useMemo(() => (chosen?.spread === id ? seenOn(chosen, size) : fitted), [chosen, id, size, fitted]);

  const put = useCallback((next: Looked | undefined) => {
    last.current = next;
    setChosen(next);
  }, []);
  /** Goes on to a spread of the row, with everything staying where it is on the screen. */
  const goInRow = (by: number, to: string, from: View) => {
    put({ spread: to, view: { ...from, ty: from.ty + by * rowStep(format) * from.k }, size });
    row?.onGo(by);
  };
  /** A point of the screen on what lies there, pixels; and a way. */
  const onDesk = useLatest(({ clientX, clientY }: OnScreen): Point => {
    const rect = ref.current!.getBoundingClientRect();
    return pointOn(turn, ground, { x: clientX - rect.left, y: clientY - rect.top });
  });
  const wayOnDesk = useLatest((x: number, y: number): Point => wayOn(turn, { x, y }));
  const change = useLatest((make: (from: View) => View) => {
    const isComing = last.current !== undefined && last.current.spread !== id && row !== undefined;
    const next = make(last.current && (isComing || last.current.spread === id) ? seenOn(last.current, size) : fitted);
    const middle = size.height / 2;
    const edge = (ROW_GAP / 2) * next.k;
    const screen = toScreen(next, bleedBox);
    if (!isComing && row?.after && middle > screen.y + screen.h + edge) return goInRow(1, row.after, next);
    if (!isComing && row?.before && middle < screen.y - edge) return goInRow(-1, row.before, next);
    put({ spread: isComing ? last.current!.spread : id, view: next, size });
  });

  /** Whoever a wheel or two fingers mean something to before they are the desk's: gives whether they did. */
  const taker = useRef<Zoomer>(undefined);
  const onZoom = useCallback((take: Zoomer) => {
    taker.current = take;
    return () => {
      taker.current = undefined;
    };
  }, []);

  // The wheel must be listened to directly: React's listener may not keep the browser from zooming.
  useEffect(() => {
    const element = ref.current;
    if (!element) return;
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      if (taker.current?.(event, Math.exp(-event.deltaY / 400))) return;
      const at = onDesk(event);
      const way = wayOnDesk(event.deltaX, event.deltaY);
      change((from) =>
        event.ctrlKey || event.metaKey
          ? zoomed(from, Math.exp(-event.deltaY / 300), at.x, at.y)
          : { ...from, tx: from.tx - way.x, ty: from.ty - way.y },
      );
    };
    /** Fingers on the desk: two of them zoom and move it, and whatever one of them had begun is over. */
    const fingers = new Map<number, OnScreen>();
    const pinched = () => {
      const [one, other] = [...fingers.values()];
      if (!one || !other || fingers.size > 2) return undefined;
      return {
        clientX: (one.clientX + other.clientX) / 2,
        clientY: (one.clientY + other.clientY) / 2,
        apart: Math.max(1, Math.hypot(one.clientX - other.clientX, one.clientY - other.clientY)),
      };
    };
    const onDown = (event: PointerEvent) => {
      if (event.pointerType !== 'touch') return;
      fingers.set(event.pointerId, event);
      if (fingers.size < 2) return;
      event.stopPropagation();
      window.dispatchEvent(new PointerEvent('pointercancel'));
    };
    const onMove = (event: PointerEvent) => {
      if (!fingers.has(event.pointerId)) return;
      const before = pinched();
      fingers.set(event.pointerId, event);
      const now = pinched();
      if (!before || !now) return;
      const target = document.elementFromPoint(now.clientX, now.clientY);
      if (taker.current?.({ ...now, target }, now.apart / before.apart)) return;
      const at = onDesk(before);
      const way = wayOnDesk(now.clientX - before.clientX, now.clientY - before.clientY);
      change((from) => {
        const near = zoomed(from, now.apart / before.apart, at.x, at.y);
        return { ...near, tx: near.tx + way.x, ty: near.ty + way.y };
      });
    };
    const onUp = ({ pointerId }: PointerEvent) => fingers.delete(pointerId);
    element.addEventListener('wheel', onWheel, { passive: false });
    element.addEventListener('pointerdown', onDown, true);
    window.addEventListener('pointermove', onMove);
    window.addEventListener('pointerup', onUp);
    return () => {
      element.removeEventListener('wheel', onWheel);
      element.removeEventListener('pointerdown', onDown, true);
      window.removeEventListener('pointermove', onMove);
      window.removeEventListener('pointerup', onUp);
    };
  }, [change, onDesk, wayOnDesk]);

  const pointAt = useCallback(
    (event: OnScreen) => {
      const { x, y } = onDesk(event);
      const inside = x >= 0 && x <= size.width && y >= 0 && y <= size.height;
      return { inside, ...toSpread(view, x, y) };
    },
    [view, size, onDesk],
  );

  const pan = (dx: number, dy: number) => change((from) => ({ ...from, tx: from.tx + dx, ty: from.ty + dy }));

  return {
    ref,
    size,
    view,
    turn,
    /** The desk turned by so many quarters clockwise, its spread seen whole. */
    turnBy: (quarters: number) => {
      setTurn((now) => nextTurn(now, quarters));
      put(undefined);
    },
    /** Where what lies on the desk does so on the ground, as CSS has it. */
    layer: {
      width: size.width,
      height: size.height,
      left: (ground.width - size.width) / 2,
      top: (ground.height - size.height) / 2,
      transform: turn === 0 ? undefined : `rotate(${turn}deg)`,
    },
    ground,
    onDesk,
    /** How far the pointer has gone over the spread, points. */
    gone: (from: OnScreen, to: OnScreen): Point => {
      const way = wayOnDesk(to.clientX - from.clientX, to.clientY - from.clientY);
      return { x: way.x / view.k, y: way.y / view.k };
    },
    /** Where an arrow key goes on the page, as it is seen. */
    seenWay: ([across, down]: readonly [number, number]): readonly [number, number] => {
      const { x, y } = wayOn(turn, { x: across, y: down });
      return [x, y];
    },
    /** Where a box of the desk, pixels, lies on the ground. */
    onGround: (box: Box): Box => boxOnGround(turn, ground, box),
    /** The spread with its bleed, in its own coordinates. */
    bleedBox,
    pointAt,
    onZoom,
    fit: useCallback(() => put(undefined), [put]),
    /** Brings a spread of the row up where it lies. */
    goInRow: (by: number, to: string) => goInRow(by, to, view),
    /** Goes on in the direction in which the pointer has left the desk. */
    follow: ({ clientX, clientY }: { clientX: number; clientY: number }) => {
      const { left, right, top, bottom } = ref.current!.getBoundingClientRect();
      const beyond = (at: number, from: number, to: number) => Math.max(0, from - at) - Math.max(0, at - to);
      const [dx, dy] = [beyond(clientX, left, right), beyond(clientY, top, bottom)];
      const way = wayOn(turn, { x: dx, y: dy });
      if (dx !== 0 || dy !== 0) pan(way.x, way.y);
    },
    /** Brings a box of the desk, pixels, into sight. */
    reveal: ({ x, y, w, h }: Box) => {
      const by = (at: number, length: number, room: number) =>
        at < RIM ? RIM - at : at + length > room - RIM ? room - RIM - at - length : 0;
      const [dx, dy] = [by(x, w, size.width), by(y, h, size.height)];
      if (dx !== 0 || dy !== 0) pan(dx, dy);
    },
    /** Moves the desk as far as the pointer has gone. */
    panBy: (from: OnScreen, to: OnScreen) => {
      const way = wayOn(turn, { x: to.clientX - from.clientX, y: to.clientY - from.clientY });
      pan(way.x, way.y);
    },
    /** Pixels to the point; the middle of the desk stays where it is. */
    zoomTo: (k: number) => change((from) => zoomed(from, k / from.k, size.width / 2, size.height / 2)),
    zoomBy: (factor: number) => change((from) => zoomed(from, factor, size.width / 2, size.height / 2)),
  };
}

export type DeskView = ReturnType<typeof useDeskView>;
