'use client';

import { formatNumber, parseNumber } from '@/core/length/length';
import { TypedField } from './TypedField';

interface NumberFieldProps {
  readonly label: string;
  /** Undefined where several things are chosen that do not agree. */
  readonly value: number | undefined;
  /** Written behind the number: "°", "%". */
  readonly unit?: string;
  readonly least: number;
  readonly most: number;
  readonly whole?: boolean;
  readonly help?: string | undefined;
  readonly onPreview?: ((value: number | undefined) => void) | undefined;
  readonly onChange: (value: number) => void;
}

/** A field for one number within limits; takes simple arithmetic. */
export function NumberField({ unit = '', least, most, whole = false, ...rest }: NumberFieldProps) {
  const read = (typed: string): number => {
    const next = parseNumber(typed, unit);
    if (next < least || next > most || (whole && !Number.isInteger(next)))
      throw new RangeError(`A ${whole ? 'whole ' : ''}number from ${formatNumber(least, 1)} to ${formatNumber(most, 1)}.`);
    return next;
  };
  const show = (value: number) => `${formatNumber(value, whole ? 0 : 1)}${unit && (unit === '°' ? unit : ` ${unit}`)}`;
  return <TypedField show={show} read={read} step={1} {...rest} />;
}
