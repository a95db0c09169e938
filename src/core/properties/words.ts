import { formatLength, formatNumber } from '../length/length';
import type { Property } from './property';

/** A value as a person reads it: “9.5 pt”, “Justified”; undefined where it takes more than a word or two. */
export function valueWords({ kind }: Property, value: unknown): string | undefined {
  if (value === undefined) return 'unset';
  switch (kind.type) {
    case 'length':
      return typeof value === 'number' ? formatLength(value, kind.unit) : undefined;
    case 'number':
      return typeof value === 'number'
        ? `${formatNumber(value * (kind.times ?? 1), 1)}${kind.unit ? ` ${kind.unit}` : ''}`
        : undefined;
    case 'choice':
      return kind.of.find((each) => each.value === value)?.name.toLowerCase();
    case 'tick':
      return value === true ? 'on' : 'off';
    case 'words':
      return typeof value === 'string' ? `“${value}”` : undefined;
    case 'pick':
      return typeof value === 'string' || typeof value === 'number' ? String(value) || 'unset' : undefined;
    default:
      return undefined;
  }
}
