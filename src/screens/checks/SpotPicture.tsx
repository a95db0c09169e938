'use client';

import { memo, useEffect, useMemo, useRef } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { Box } from '@/core/geometry/box';
import type { FormatRecord } from '@/core/records/index';
import { useSetting } from '../sheet/useSetting';

/** Pixels of the picture on the screen. */
const WIDTH = 96;
const HEIGHT = 70;

interface SpotPictureProps {
  readonly composer: ComposerClient;
  readonly format: FormatRecord;
  readonly page: string;
  /** The spot, points of the page; all of the page where there is none. */
  readonly box: Box | undefined;
}

/** The place of a page that something was found at, as it is, with the spot marked. */
export const SpotPicture = memo(function SpotPicture({ composer, format, page, box }: SpotPictureProps) {
  const picture = useSetting(composer, (setting) => setting.small.get(page));
  const ref = useRef<HTMLCanvasElement>(null);
  const seen = useMemo(() => around(format, box), [format, box]);
  useEffect(() => {
    const canvas = ref.current;
    if (!canvas || !picture) return;
    const k = picture.width / format.width;
    const whole = new OffscreenCanvas(picture.width, picture.height);
    whole.getContext('2d')!.putImageData(picture, 0, 0);
    const dense = window.devicePixelRatio;
    canvas.width = WIDTH * dense;
    canvas.height = HEIGHT * dense;
    const { x, y, w, h } = seen;
    canvas.getContext('2d')!.drawImage(whole, x * k, y * k, w * k, h * k, 0, 0, canvas.width, canvas.height);
  }, [picture, seen, format]);
  const scale = WIDTH / seen.w;
  const spot = box && {
    left: Math.max(1, (box.x - seen.x) * scale - 2),
    top: Math.max(1, (box.y - seen.y) * scale - 2),
    right: Math.max(1, WIDTH - (box.x + box.w - seen.x) * scale - 2),
    bottom: Math.max(1, HEIGHT - (box.y + box.h - seen.y) * scale - 2),
  };
  return (
    <span
      aria-hidden="true"
      className="border-base-300 relative block shrink-0 overflow-hidden border bg-white"
      style={{ width: WIDTH, height: HEIGHT }}
      data-drawn={picture !== undefined}
    >
      <canvas ref={ref} className="block h-full w-full" />
      {spot && <span className="border-error absolute border-2" style={spot} data-spot />}
    </span>
  );
});

/** What of the page is shown: the spot with something around it, in the picture's proportion, within the page. */
function around({ width, height }: FormatRecord, box: Box | undefined): Box {
  const shape = WIDTH / HEIGHT;
  const most = Math.min(width, height * shape);
  if (!box) return { x: 0, y: 0, w: width, h: width / shape };
  const w = Math.min(most, Math.max(1.5 * box.w, 1.5 * box.h * shape, width / 3));
  const h = w / shape;
  const within = (middle: number, size: number, all: number) => Math.max(0, Math.min(all - size, middle - size / 2));
  return { x: within(box.x + box.w / 2, w, width), y: within(box.y + box.h / 2, h, height), w, h };
}
