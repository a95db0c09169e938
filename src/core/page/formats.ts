import { mm } from '../length/length';

/**
 * Trim sizes by name, in millimetres, portrait.
 * A and B series: ISO 216:2007, table 1. US sizes: ANSI/ASME Y14.1 (letter 8½ × 11 in) and common practice.
 * Newspapers: common practice, from memory; every press has its own.
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
  compact: [280, 430],
  berliner: [315, 470],
  broadsheet: [375, 600],
};

/** The names of sizes, by where they are at home. */
export const SIZE_GROUPS: readonly { readonly name: string; readonly sizes: readonly string[] }[] = [
  { name: 'ISO 216', sizes: ['A3', 'A4', 'A5', 'A6', 'B4', 'B5'] },
  { name: 'US', sizes: ['letter', 'half-letter', 'tabloid'] },
  { name: 'Newspapers', sizes: ['compact', 'berliner', 'broadsheet'] },
];

/** The name of a size, portrait or landscape; undefined for one that has none. */
export function sizeName(width: number, height: number): string | undefined {
  const near = (a: number, b: number) => Math.abs(a - mm(b)) < 0.1;
  return Object.keys(SIZES).find((name) => {
    const [w, h] = SIZES[name]!;
    return (near(width, w) && near(height, h)) || (near(width, h) && near(height, w));
  });
}

/** Width and height in points of a size by its name, whatever the case; undefined when there is none. */
export function namedSize(name: string): { width: number; height: number } | undefined {
  const key = Object.keys(SIZES).find((each) => each.toLowerCase() === name.trim().toLowerCase());
  const size = key === undefined ? undefined : SIZES[key]!;
  return size && { width: mm(size[0]), height: mm(size[1]) };
}

export const SIZE_NAMES = Object.keys(SIZES);
