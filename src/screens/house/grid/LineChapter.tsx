'use client';

import { formatLength } from '@/core/length/length';
import { lengthWords } from '@/parts/units';
import { snappedBottom } from '@/core/page/practice';
import { BASELINE } from '@/core/properties/sheet';
import { Fields } from '@/parts/fields/Fields';
import { Group } from '@/parts/fields/Group';
import type { GridChapterProps } from './chapter';

/** A hundredth of a point is no line's part. */
const WHOLE = 0.01;

/** The baseline grid: its step from the leading of the body, and a type area of whole lines. */
export function LineChapter({
  format,
  master,
  grid,
  actions,
  preview,
  pressed,
  leading,
}: GridChapterProps & { leading: number }) {
  const { step, offset } = format.baseline;
  const { margins } = master;
  const snapped = snappedBottom(format, margins);
  const rest = (grid.area.h - offset) / step;
  const isWhole = Math.abs(rest - Math.round(rest)) * step < WHOLE;
  return (
    <Group name="Baselines" now={`${formatLength(step, 'pt')} apart`}>
      <Fields
        table={BASELINE}
        of={[format.baseline]}
        onPreview={(key, value) => preview(value === undefined ? undefined : { baseline: { step, offset, [key]: value } })}
        onChange={(key, value) => actions.format({ baseline: { step, offset, [key]: value } })}
      />
      {Math.abs(leading - step) > WHOLE && (
        <button type="button" className="btn btn-xs self-start" onClick={() => pressed(() => actions.baseline(leading))}>
          Take {formatLength(leading, 'pt')} from the body
        </button>
      )}
      {isWhole ? (
        <p className="text-success">The type area is {grid.lines} whole lines.</p>
      ) : (
        <>
          <p>
            The type area is {(Math.round(rest * 100) / 100).toLocaleString('en-GB')} lines. With a bottom margin of{' '}
            {lengthWords(snapped.bottom)} instead of {lengthWords(margins.bottom)} it is {snapped.lines}.
          </p>
          <button
            type="button"
            className="btn btn-xs self-start"
            onClick={() => pressed(() => actions.grid({ margins: { ...margins, bottom: snapped.bottom } }))}
          >
            Make whole lines
          </button>
        </>
      )}
    </Group>
  );
}
