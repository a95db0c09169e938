'use client';

import { type Lengths, type Sides, sidesOf } from '@/core/records/frame';
import { LengthField } from '@/parts/LengthField';
import { Tick } from '@/parts/Tick';

interface SidesFieldProps {
  readonly label: string;
  readonly value: Lengths;
  readonly onChange: (value: Lengths) => void;
}

/** One length for all sides, or one for each. */
export function SidesField({ label, value, onChange }: SidesFieldProps) {
  const sides = sidesOf(value);
  const each = typeof value !== 'number';
  const field = (name: string, side: keyof Sides) => (
    <LengthField label={`${label} ${name}`} value={sides[side]} onChange={(points) => onChange({ ...sides, [side]: points })} />
  );
  return (
    <div>
      {each ? (
        <>
          <div className="flex gap-2">
            {field('left', 'left')}
            {field('right', 'right')}
          </div>
          <div className="flex gap-2 pt-1">
            {field('above', 'top')}
            {field('below', 'bottom')}
          </div>
        </>
      ) : (
        <LengthField label={label} value={value} onChange={onChange} />
      )}
      <Tick
        label="Each side by itself"
        value={each}
        onChange={(apart) => onChange(apart ? sides : Math.max(sides.top, sides.right, sides.bottom, sides.left))}
      />
    </div>
  );
}
