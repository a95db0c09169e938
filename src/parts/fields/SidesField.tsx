'use client';

import type { LengthKind } from '@/core/properties/property';
import { sidesApart } from '@/core/properties/frame';
import { type Lengths, type Sides, sidesOf } from '@/core/records/frame';
import { LengthField } from '../LengthField';
import { Tick } from '../Tick';

interface SidesFieldProps {
  readonly label: string;
  readonly kind: LengthKind;
  /** Undefined where several things are chosen that do not agree. */
  readonly value: Lengths | undefined;
  readonly onPreview?: ((value: Lengths | undefined) => void) | undefined;
  readonly onChange: (value: Lengths) => void;
}

/** One length for all sides, or one for each. */
export function SidesField({ label, kind, value, onPreview, onChange }: SidesFieldProps) {
  const apart = typeof value === 'object';
  const sides = value === undefined ? undefined : sidesOf(value);
  const field = (name: string, points: number | undefined, put: (points: number) => Lengths) => (
    <LengthField
      label={name}
      unit={kind.unit}
      value={points}
      limits={kind}
      onPreview={onPreview && ((to) => onPreview(to === undefined ? undefined : put(to)))}
      onChange={(to) => onChange(put(to))}
    />
  );
  const side = (name: string, key: keyof Sides) => field(`${label} ${name}`, sides?.[key], (to) => ({ ...sides!, [key]: to }));
  return (
    <div>
      {apart ? (
        <div className="grid grid-cols-2 gap-x-2 gap-y-1">
          {side('left', 'left')}
          {side('right', 'right')}
          {side('top', 'top')}
          {side('bottom', 'bottom')}
        </div>
      ) : (
        field(label, typeof value === 'number' ? value : undefined, (to) => to)
      )}
      <Tick label="Each side by itself" value={apart} onChange={(to) => onChange(sidesApart(value ?? 0, to))} />
    </div>
  );
}
