'use client';

import { formatLength, parseLength, type Unit } from '@/core/length/length';
import { TypedField } from './TypedField';

interface LengthFieldProps {
  readonly label: string;
  /** Points. */
  readonly value: number;
  readonly unit?: Unit;
  readonly onChange: (points: number) => void;
  readonly hideLabel?: boolean;
}

/** A field for one length: takes any unit and simple arithmetic. */
export function LengthField({ value, unit = 'mm', ...rest }: LengthFieldProps) {
  return <TypedField value={value} shown={formatLength(value, unit)} read={(typed) => parseLength(typed, unit)} {...rest} />;
}
