'use client';

import { formatNumber } from '@/core/length/length';
import { TypedField } from './TypedField';

interface NumberFieldProps {
  readonly label: string;
  readonly value: number;
  /** Written behind the number: "°", "%". */
  readonly unit?: string;
  readonly least: number;
  readonly most: number;
  readonly whole?: boolean;
  readonly onChange: (value: number) => void;
}

/** A field for one number within limits. */
export function NumberField({ label, value, unit = '', least, most, whole = false, onChange }: NumberFieldProps) {
  const read = (typed: string): number => {
    const text = typed.replace(unit, '').replace(',', '.').trim();
    const next = text === '' ? NaN : Number(text);
    if (!Number.isFinite(next) || next < least || next > most || (whole && !Number.isInteger(next)))
      throw new RangeError(`A ${whole ? 'whole ' : ''}number from ${formatNumber(least, 1)} to ${formatNumber(most, 1)}.`);
    return next;
  };
  const shown = `${formatNumber(value, whole ? 0 : 1)}${unit && ` ${unit}`}`;
  return <TypedField label={label} value={value} shown={shown} read={read} onChange={onChange} />;
}
