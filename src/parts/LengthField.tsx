'use client';

import { formatLength, parseLength, POINTS, type Unit } from '@/core/length/length';
import { useUnit } from './units';
import { isWithin, limitWords } from '@/core/properties/limits';
import type { LengthKind } from '@/core/properties/property';
import { TypedField } from './TypedField';

interface LengthFieldProps {
  readonly label: string;
  /** Points; undefined where several things are chosen that do not agree. */
  readonly value: number | undefined;
  /** What is said where there is none. */
  readonly none?: string;
  /** Points for what is a matter of type; all else is in the unit that this person goes by. */
  readonly unit?: Unit;
  /** What it must lie within; a length typed beyond is refused here. */
  readonly limits?: LengthKind;
  readonly help?: string | undefined;
  readonly onPreview?: ((points: number | undefined) => void) | undefined;
  readonly onChange: (points: number) => void;
  readonly hideLabel?: boolean;
}

/** A field for one length: takes any unit and simple arithmetic. */
export function LengthField({ unit: asked = 'mm', limits, ...rest }: LengthFieldProps) {
  const own = useUnit();
  const unit = asked === 'pt' ? asked : own;
  const read = (typed: string): number => {
    const points = parseLength(typed, unit);
    if (limits && !isWithin(limits, points)) throw new RangeError(`${rest.label}: ${limitWords({ ...limits, unit })}.`);
    return points;
  };
  const step = POINTS[unit] / (unit === 'pt' ? 2 : 1);
  return <TypedField show={(value) => formatLength(value, unit)} read={read} step={step} {...rest} />;
}
