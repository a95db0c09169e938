'use client';

import { useCallback, useEffect, useMemo, useRef, useState } from 'react';
import type { Box } from '@/core/geometry/box';
import type { PlacedPage } from '@/core/page/pages';
import type { FormatRecord } from '@/core/records/index';
import { useSize } from './useSize';
import { fitView, toSpread, zoomed, type View } from './view';

/** Pixels of the desk's edge that what is revealed keeps away from. */
const RIM = 12;

/** The desk as a surface: its size, how the spread is looked at, and what a point of the screen is on the spread. */
export function useDeskView(pages: readonly PlacedPage[], format: FormatRecord) {
  const ref = useRef<HTMLDivElement>(null);
  const size = useSize(ref);
  const { id } = pages[0]!.page;
  const [chosen, setChosen] = useState<{ readonly spread: string; readonly view: View }>();
  const bleedBox = useMemo<Box>(() => {
    const left = pages[0]!.dx;
    const { bleed } = format;
    const width = pages.at(-1)!.dx + format.width - left;
    return { x: left - bleed, y: -bleed, w: width + 2 * bleed, h: format.height + 2 * bleed };
  }, [pages, format]);
  const fitted = useMemo(() => fitView(bleedBox, Math.max(200, size.width), Math.max(200, size.height)), [bleedBox, size]);
  // Another spread is seen whole.
  const own = chosen?.spread === id ? chosen.view : undefined;
  const view = own ?? fitted;

  /** Whoever the wheel means something to before it is the desk's: gives whether it did. */
  const taker = useRef<(event: WheelEvent) => boolean>(undefined);
  const onWheel = useCallback((take: (event: WheelEvent) => boolean) => {
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
      if (taker.current?.(event)) return;
      const rect = element.getBoundingClientRect();
      setChosen((old) => {
        const from = old?.spread === id ? old.view : fitted;
        const next =
          event.ctrlKey || event.metaKey
            ? zoomed(from, Math.exp(-event.deltaY / 300), event.clientX - rect.left, event.clientY - rect.top)
            : { ...from, tx: from.tx - event.deltaX, ty: from.ty - event.deltaY };
        return { spread: id, view: next };
      });
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
  }, [fitted, id]);

  const pointAt = useCallback(
    ({ clientX, clientY }: { clientX: number; clientY: number }) => {
      const rect = ref.current!.getBoundingClientRect();
      const inside = clientX >= rect.left && clientX <= rect.right && clientY >= rect.top && clientY <= rect.bottom;
      return { inside, ...toSpread(view, clientX - rect.left, clientY - rect.top) };
    },
    [view],
  );

  const pan = (dx: number, dy: number) =>
    setChosen((old) => {
      const from = old?.spread === id ? old.view : fitted;
      return { spread: id, view: { ...from, tx: from.tx + dx, ty: from.ty + dy } };
    });

  return {
    ref,
    size,
    view,
    /** The spread with its bleed, in its own coordinates. */
    bleedBox,
    pointAt,
    onWheel,
    fit: useCallback(() => setChosen(undefined), []),
    /** Goes on in the direction in which the pointer has left the desk. */
    follow: ({ clientX, clientY }: { clientX: number; clientY: number }) => {
      const { left, right, top, bottom } = ref.current!.getBoundingClientRect();
      const beyond = (at: number, from: number, to: number) => Math.max(0, from - at) - Math.max(0, at - to);
      const [dx, dy] = [beyond(clientX, left, right), beyond(clientY, top, bottom)];
      if (dx !== 0 || dy !== 0) pan(dx, dy);
    },
    /** Brings a box of the desk, pixels, into sight. */
    reveal: ({ x, y, w, h }: Box) => {
      const by = (at: number, length: number, room: number) =>
        at < RIM ? RIM - at : at + length > room - RIM ? room - RIM - at - length : 0;
      const [dx, dy] = [by(x, w, size.width), by(y, h, size.height)];
      if (dx !== 0 || dy !== 0) pan(dx, dy);
    },
    pan,
    /** Pixels to the point; the middle of the desk stays where it is. */
    zoomTo: (k: number) => setChosen({ spread: id, view: zoomed(view, k / view.k, size.width / 2, size.height / 2) }),
    zoomBy: (factor: number) => setChosen({ spread: id, view: zoomed(view, factor, size.width / 2, size.height / 2) }),
  };
}

export type DeskView = ReturnType<typeof useDeskView>;
