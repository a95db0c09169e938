import { mm } from '../length/length';

/**
 * Trim sizes by name, in millimetres, portrait.
 * A and B series: ISO 216:2007, table 1. US sizes: ANSI/ASME Y14.1 (letter 8½ × 11 in) and common practice.
 */
const SIZES: Readonly<Record<string, readonly [number, number]>> = {
  A3: [297, 420],
  A4: [210, 297],
  A5: [148, 210],
  A6: [105, 148],
  B4: [250, 353],
  B5: [176, 250],
  letter: [215.9, 279.4],
  'half-letter': [139.7, 215.9],
  tabloid: [279.4, 431.8],
};

/** Width and height in points of a size by its name, whatever the case; undefined when there is none. */
export function namedSize(name: string): { width: number; height: number } | undefined {
  const key = Object.keys(SIZES).find((each) => each.toLowerCase() === name.trim().toLowerCase());
  const size = key === undefined ? undefined : SIZES[key]!;
  return size && { width: mm(size[0]), height: mm(size[1]) };
}

export const SIZE_NAMES = Object.keys(SIZES);
