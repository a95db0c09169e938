'use client';

import { USUAL_MARGINS } from '@/core/page/practice';
import { LengthField } from '@/parts/LengthField';
import { Chapter } from '../../pages/detail/Chapter';
import type { GridChapterProps } from './chapter';

/** The white around the type area. */
export function MarginChapter({ format, master, actions, pressed }: GridChapterProps) {
  const { margins } = master;
  const field = (label: string, side: keyof typeof margins) => (
    <LengthField
      label={label}
      value={margins[side]}
      onChange={(points) => actions.grid({ margins: { ...margins, [side]: points } })}
    />
  );
  return (
    <Chapter name="Margins">
      <div className="flex gap-2">
        {field(format.facing ? 'Inner margin' : 'Left margin', 'inner')}
        {field(format.facing ? 'Outer margin' : 'Right margin', 'outer')}
      </div>
      <div className="flex gap-2">
        {field('Top margin', 'top')}
        {field('Bottom margin', 'bottom')}
      </div>
      <button
        type="button"
        className="btn btn-xs self-start"
        title="Inner 10 mm, top and outer half as much again, bottom 20 mm, so that the folio has room"
        onClick={() => pressed(() => actions.grid({ margins: USUAL_MARGINS }))}
      >
        Take the usual margins
      </button>
    </Chapter>
  );
}
