'use client';

import { memo, useEffect, useRef } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import { useSetting } from '../sheet/useSetting';

interface SmallPageProps {
  readonly composer: ComposerClient;
  readonly page: string;
  readonly width: number;
  readonly height: number;
}

/** A page as a small true picture, as the worker last drew it. */
export const SmallPage = memo(function SmallPage({ composer, page, width, height }: SmallPageProps) {
  const picture = useSetting(composer, (setting) => setting.small.get(page));
  const ref = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const canvas = ref.current;
    if (!canvas || !picture) return;
    canvas.width = picture.width;
    canvas.height = picture.height;
    canvas.getContext('2d')!.putImageData(picture, 0, 0);
  }, [picture]);
  return (
    <canvas
      ref={ref}
      aria-hidden="true"
      className="block bg-white"
      style={{ width, height }}
      data-drawn={picture !== undefined}
    />
  );
});
