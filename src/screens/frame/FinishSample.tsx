'use client';

import { useMemo } from 'react';
import { Inks } from '@/core/compose/displayList/inks';
import { lookItems } from '@/core/compose/page/lookItems';
import type { Document } from '@/core/records/document';
import type { FinishRecord } from '@/core/records/index';
import { paintItem } from '@/formats/svg/painter';

interface FinishSampleProps {
  readonly document: Document;
  readonly finish: FinishRecord;
  /** Pixels. */
  readonly width: number;
  readonly height: number;
  /** Points of the area that is shown, so many times as small. */
  readonly scale: number;
}

/** What a finish looks like, by the same painter as pages. */
export function FinishSample({ document, finish, width, height, scale }: FinishSampleProps) {
  const markup = useMemo(() => {
    const rim = 0.16 * height * scale;
    const box = { x: rim, y: rim, w: width * scale - 2 * rim, h: height * scale - 2 * rim };
    return lookItems(document, new Inks(), `sample-${finish.id}-${scale}`, finish.look, box)
      .flatMap((item) => paintItem(item, () => ''))
      .map((chunk) => chunk.markup)
      .join('');
  }, [document, finish, width, height, scale]);
  return (
    <svg
      width={width}
      height={height}
      viewBox={`0 0 ${width * scale} ${height * scale}`}
      aria-hidden="true"
      className="outline-base-300 shrink-0 bg-white outline-1"
      dangerouslySetInnerHTML={{ __html: markup }}
    />
  );
}
