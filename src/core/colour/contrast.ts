/** Contrast as WCAG 2.2 defines it: relative luminance, and the ratio of two (success criterion 1.4.3 and its definitions). */

export type Light = readonly [red: number, green: number, blue: number];

/** Ratios that letters need, and those that are large: 18 pt, or 14 pt in bold. */
export const NEEDED = 4.5;
export const NEEDED_LARGE = 3;

export const isLarge = (points: number, weight: number): boolean => points >= 18 || (points >= 14 && weight >= 700);

const linear = (value: number): number => {
  const share = value / 255;
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
};

/** @param of sRGB, 0 to 255 each */
export const luminance = ([red, green, blue]: Light): number =>
  0.2126 * linear(red) + 0.7152 * linear(green) + 0.0722 * linear(blue);

/** From 1, none, to 21, black on white. */
export function contrast(a: Light, b: Light): number {
  const [x, y] = [luminance(a), luminance(b)];
  return (Math.max(x, y) + 0.05) / (Math.min(x, y) + 0.05);
}

/** `#aabbcc` as light. */
export const lightOf = (hex: string): Light => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16)) as unknown as Light;

/** The share of what lies under letters that may contrast less: a single bright pixel hides no letter. */
const SPARED = 0.05;

/** The most pixels that are looked at for one line. */
const MOST = 20_000;

/** How letters contrast with what lies under them: with all of it but the worst twentieth. */
export function contrastOver(pixels: readonly Light[], ink: Light): number {
  if (pixels.length === 0) return 21;
  const step = Math.ceil(pixels.length / MOST);
  const ratios: number[] = [];
  for (let i = 0; i < pixels.length; i += step) ratios.push(contrast(pixels[i]!, ink));
  ratios.sort((a, b) => a - b);
  return ratios[Math.floor(ratios.length * SPARED)]!;
}

/** Light seen through a panel. */
export const through = (under: Light, panel: Light, opacity: number): Light =>
  under.map((value, i) => value + (panel[i]! - value) * opacity) as unknown as Light;

/** A picture may be made so many times as dark or as light as it is, for letters on it to be read. */
const DARKEST = 0.2;
const LIGHTEST = 1.9;

/**
 * How dark or light a picture under letters must be made for them to contrast enough: what its light is multiplied by, as
 * near to 1 as will do; undefined where none will.
 */
export function gainFor(pixels: readonly Light[], ink: Light, needed: number): number | undefined {
  const does = (gain: number): boolean =>
    contrastOver(
      pixels.map((under) => under.map((value) => Math.min(255, value * gain)) as unknown as Light),
      ink,
    ) >= needed;
  for (const [far, step] of [
    [DARKEST, -0.05],
    [LIGHTEST, 0.05],
  ] as const)
    for (let gain = 1 + step; step < 0 ? gain >= far - 1e-9 : gain <= far + 1e-9; gain += step)
      if (does(gain)) return Math.round(gain * 100) / 100;
  return undefined;
}

/** The least opacity of a panel behind letters, in tenths, with which they contrast enough; undefined where none will do. */
export function panelOpacity(pixels: readonly Light[], ink: Light, panel: Light, needed: number): number | undefined {
  for (let tenths = 3; tenths <= 10; tenths++) {
    const opacity = tenths / 10;
    if (
      contrastOver(
        pixels.map((under) => through(under, panel, opacity)),
        ink,
      ) >= needed
    )
      return opacity;
  }
  return undefined;
}
