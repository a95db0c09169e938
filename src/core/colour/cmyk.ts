/**
 * The sRGB colour that stands for a CMYK one on a screen, as `#rrggbb`.
 *
 * Inks are taken as filters of paper, each with the tone of a usual coated-paper ink rather than a pure complement,
 * and multiplied (Neugebauer primaries by the Demichel equations; the primaries' sRGB values are rounded readings
 * of a coated offset set, common practice, from memory). A colour-managed conversion belongs to the print PDF's
 * pictures; this one only has to look like the page.
 */
export function cmykToRgbHex([c, m, y, k]: readonly [number, number, number, number]): string {
  let red = 0;
  let green = 0;
  let blue = 0;
  for (let i = 0; i < 16; i++) {
    const share = (i & 1 ? c : 1 - c) * (i & 2 ? m : 1 - m) * (i & 4 ? y : 1 - y) * (i & 8 ? k : 1 - k);
    const of = PRIMARIES[i]!;
    red += share * of[0];
    green += share * of[1];
    blue += share * of[2];
  }
  const hex = (value: number) => Math.round(value).toString(16).padStart(2, '0');
  return `#${hex(red)}${hex(green)}${hex(blue)}`;
}

/** By bits: 1 cyan, 2 magenta, 4 yellow, 8 black. */
const PRIMARIES: readonly (readonly [number, number, number])[] = [
  [255, 255, 255],
  [0, 158, 224],
  [229, 0, 126],
  [43, 46, 131],
  [255, 237, 0],
  [0, 150, 64],
  [227, 6, 19],
  [58, 48, 41],
  [29, 29, 27],
  [0, 20, 32],
  [28, 0, 16],
  [8, 4, 22],
  [30, 26, 0],
  [0, 18, 8],
  [26, 2, 0],
  [0, 0, 0],
];

/**
 * The inks that stand for light: what red, green and blue lack, with their common part printed as black (conversion
 * from DeviceRGB to DeviceCMYK with full undercolour removal, ISO 32000-1, 10.3.4).
 */
export function rgbToCmyk([r, g, b]: readonly [number, number, number]): readonly [number, number, number, number] {
  const k = 1 - Math.max(r, g, b);
  // Nothing but black: the other inks would say nothing.
  if (k >= 1) return [0, 0, 0, 1];
  return [1 - r - k, 1 - g - k, 1 - b - k, k];
}

/** Light as `#rrggbb`, `tint` of it on white paper. */
export const rgbHex = (rgb: readonly [number, number, number], tint = 1): string =>
  `#${rgb
    .map((light) =>
      Math.round(255 * (1 - (1 - light) * tint))
        .toString(16)
        .padStart(2, '0'),
    )
    .join('')}`;
