/** Contrast as WCAG 2.2 defines it: relative luminance, and the ratio of two (success criterion 1.4.3 and its definitions). */

export type Light = readonly [red: number, green: number, blue: number];

/** Ratios that letters need, and those that are large: 18 pt, or 14 pt in bold. */
export const NEEDED = 4.5;
export const NEEDED_LARGE = 3;

export const isLarge = (points: number, weight: number): boolean => points >= 18 || (points >= 14 && weight >= 700);

/** Steps to one of 255 values that light is told apart by: whole values are exact, and no eye sees the rest. */
const STEPS = 4;

const LINEAR = Float64Array.from({ length: 255 * STEPS + 1 }, (_, i) => {
  const share = i / (255 * STEPS);
  return share <= 0.04045 ? share / 12.92 : ((share + 0.055) / 1.055) ** 2.4;
});

const linear = (value: number): number => LINEAR[Math.round(Math.min(255, Math.max(0, value)) * STEPS)]!;

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

/** Letters of one colour, and what lies under them. */
export interface Read {
  readonly pixels: readonly Light[];
  readonly ink: Light;
  /** The contrast that letters of their size need. */
  readonly needed: number;
}

/** Whether all letters are read when what lies under them is changed. */
const readsOn = (reads: readonly Read[], changed: (under: Light) => Light): boolean =>
  reads.every(({ pixels, ink, needed }) => contrastOver(pixels.map(changed), ink) >= needed);

/** A picture may be made so many times as dark or as light as it is, for letters on it to be read. */
const DARKEST = 0.2;
const LIGHTEST = 1.9;
const GAIN_STEP = 0.05;

/**
 * How dark or light a picture must be made for all letters on it to be read: what its light is multiplied by, as near to 1 as
 * will do; undefined where none will. Letters that are dark themselves ask for a lighter one.
 */
export function gainFor(reads: readonly Read[]): number | undefined {
  const darkOnes = reads.filter(({ ink }) => luminance(ink) < MIDDLE_LIGHT).length;
  const step = 2 * darkOnes >= reads.length ? GAIN_STEP : -GAIN_STEP;
  for (let i = 1; ; i++) {
    const gain = Math.round((1 + i * step) * 100) / 100;
    if (gain < DARKEST || gain > LIGHTEST) return undefined;
    if (readsOn(reads, (under) => under.map((value) => Math.min(255, value * gain)) as unknown as Light)) return gain;
  }
}

/** The luminance that contrasts alike with black and with white. */
const MIDDLE_LIGHT = 0.179;

/** The least opacity of a panel behind letters, in tenths, with which all of them are read; undefined where none will do. */
export function panelOpacity(reads: readonly Read[], panel: Light): number | undefined {
  for (let tenths = 3; tenths <= 10; tenths++)
    if (readsOn(reads, (under) => through(under, panel, tenths / 10))) return tenths / 10;
  return undefined;
}
