import { clampChroma, converter, modeLrgb, modeOklab, modeOklch, modeRgb, useMode as define } from 'culori/fn';
import type { Cmyk, Rgb, Role } from '../records/swatch';
import { cmykToRgbHex, rgbToCmyk } from './cmyk';
import { contrast, lightOf, NEEDED } from './contrast';

define(modeRgb);
define(modeLrgb);
define(modeOklab);
const toLch = define(modeOklch);
const toRgb = converter('rgb');

/** A colour as Oklch has it (CSS Color 4): lightness and chroma as shares, hue in degrees. */
interface Lch {
  readonly l: number;
  readonly c: number;
  readonly h: number;
}

/** A colour of a picture, and how much of the picture has it. */
export interface FoundColour {
  readonly rgb: Rgb;
  readonly share: number;
}

/** Colours for the roles of a palette, made from a picture's. */
export interface Harmony {
  readonly name: string;
  readonly colours: Readonly<Record<Role, Cmyk>>;
}

/** Pixels that are looked at: more of them tell no more. */
const LOOKED_AT = 4000;
const FOUND = 6;
const ROUNDS = 12;

/**
 * The colours that a picture is made of, the most common first: pixels gathered around so many middles (Lloyd's k-means), in Oklab,
 * where equal distances look equal.
 *
 * @param pixels red, green, blue, alpha, each 0 to 255
 */
export function coloursIn(pixels: ArrayLike<number>): FoundColour[] {
  const every = Math.max(1, Math.ceil(pixels.length / 4 / LOOKED_AT));
  const points: [number, number, number][] = [];
  for (let i = 0; i + 3 < pixels.length; i += 4 * every) {
    // What is seen through belongs to what lies under it.
    if (pixels[i + 3]! < 128) continue;
    points.push(labOf([pixels[i]! / 255, pixels[i + 1]! / 255, pixels[i + 2]! / 255]));
  }
  if (points.length === 0) return [];
  let middles = farApart(points);
  const counts = new Array<number>(middles.length).fill(0);
  for (let round = 0; round < ROUNDS; round++) {
    const sums = middles.map(() => [0, 0, 0] as [number, number, number]);
    counts.fill(0);
    for (const point of points) {
      const k = nearest(middles, point);
      counts[k]!++;
      for (const axis of [0, 1, 2] as const) sums[k]![axis] += point[axis];
    }
    middles = sums.map((sum, k) => (counts[k] === 0 ? middles[k]! : (sum.map((each) => each / counts[k]!) as typeof sum)));
  }
  return middles
    .map((middle, k) => ({ rgb: rgbOf(middle), share: counts[k]! / points.length }))
    .filter(({ share }) => share > 0)
    .sort((a, b) => b.share - a.share);
}

/** The first middle is the average, each other the pixel farthest from all before it: the same picture gives the same colours. */
function farApart(points: readonly [number, number, number][]): [number, number, number][] {
  const average = [0, 1, 2].map((axis) => points.reduce((sum, point) => sum + point[axis as 0], 0) / points.length);
  const out = [average as [number, number, number]];
  const far = points.map((point) => distance(point, out[0]!));
  while (out.length < FOUND) {
    let best = 0;
    for (let i = 1; i < far.length; i++) if (far[i]! > far[best]!) best = i;
    if (far[best]! < 1e-4) break;
    const next = points[best]!;
    out.push(next);
    points.forEach((point, i) => (far[i] = Math.min(far[i]!, distance(point, next))));
  }
  return out;
}

const distance = (a: readonly number[], b: readonly number[]): number =>
  (a[0]! - b[0]!) ** 2 + (a[1]! - b[1]!) ** 2 + (a[2]! - b[2]!) ** 2;

function nearest(middles: readonly (readonly number[])[], point: readonly number[]): number {
  let best = 0;
  for (let k = 1; k < middles.length; k++) if (distance(middles[k]!, point) < distance(middles[best]!, point)) best = k;
  return best;
}

const toLab = converter('oklab');
const labOf = ([r, g, b]: Rgb): [number, number, number] => {
  const lab = toLab({ mode: 'rgb', r, g, b });
  return [lab.l, lab.a, lab.b];
};
const within = (value: number): number => Math.min(1, Math.max(0, value));
const rgbOf = ([l, a, b]: readonly [number, number, number]): Rgb => {
  const rgb = toRgb({ mode: 'oklab', l, a, b });
  return [within(rgb.r), within(rgb.g), within(rgb.b)];
};

function lchOf([r, g, b]: Rgb): Lch {
  const { l, c, h = 0 } = toLch({ mode: 'rgb', r, g, b });
  return { l, c, h };
}

/** The colour as a screen can show it: of less chroma, where there is no such light. */
function shown({ l, c, h }: Lch): Rgb {
  const { r, g, b } = toRgb(clampChroma({ mode: 'oklch', l, c, h }, 'oklch'));
  return [within(r), within(g), within(b)];
}

/** How colourful, and how common, a colour must be to lead a palette. */
const weight = ({ rgb, share }: FoundColour): number => lchOf(rgb).c * Math.sqrt(share);

/** Angles of the colour circle by which the second accent stands off the first. */
const BESIDE = 40;
const ACROSS = 180;

/**
 * Palettes that go with a picture. All of them have its most telling colour as their first accent, dark enough to be read on their
 * paper; the second accent is another of the picture's, one beside the first on the circle of colours, or the one across it.
 */
export function harmoniesOf(found: readonly FoundColour[]): Harmony[] {
  if (found.length === 0) return [];
  const [lead, ...others] = [...found].sort((a, b) => weight(b) - weight(a));
  const main = lchOf(lead!.rgb);
  // Next to the lead, the most telling colour of another hue; a picture of one hue has none.
  const other = others.map(({ rgb }) => lchOf(rgb)).find(({ c, h }) => c > 0.03 && apart(h, main.h) > BESIDE / 2);
  // A grey picture has grey accents; the least hint of a colour is made enough of one to be told from ink.
  const accent = (of: Lch): Lch => ({ ...of, c: main.c > 0.02 ? Math.min(MOST_CHROMA, Math.max(of.c, LEAST_CHROMA)) : of.c });
  const tempered = accent(main);
  const palette = (name: string, accent2: Lch): Harmony => ({
    name,
    colours: {
      // Text is printed in one ink, on the paper as it is (common practice).
      ink: [0, 0, 0, 1],
      paper: [0, 0, 0, 0],
      accent1: readable(tempered),
      accent2: readable(accent(accent2)),
      tint: inks(shown({ l: 0.94, c: Math.min(0.03, tempered.c / 3), h: tempered.h })),
    },
  });
  const turned = (by: number): Lch => ({ ...tempered, h: (tempered.h + by + 360) % 360 });
  return [
    ...(other ? [palette('The picture’s own', other)] : []),
    palette('Side by side', turned(BESIDE)),
    palette('Set against it', turned(ACROSS)),
  ];
}

/** How colourful accents are, at least and at most: more does not print. */
const LEAST_CHROMA = 0.11;
const MOST_CHROMA = 0.17;

/** Degrees between two hues. */
const apart = (a: number, b: number): number => {
  const d = Math.abs(a - b) % 360;
  return Math.min(d, 360 - d);
};

/** In inks, darkened until words in it are read on white paper (WCAG 2.2, 1.4.3), as inks are shown on a screen. */
function readable(of: Lch): Cmyk {
  let l = Math.min(of.l, 0.7);
  let out = inks(shown({ ...of, l }));
  while (l > 0.1 && contrast(lightOf(cmykToRgbHex(out)), WHITE) < NEEDED) {
    l -= 0.01;
    out = inks(shown({ ...of, l }));
  }
  return out;
}

const WHITE = [255, 255, 255] as const;

/** Per cents of inks are whole. */
const inks = (rgb: Rgb): Cmyk => rgbToCmyk(rgb).map((ink) => Math.round(100 * ink) / 100) as unknown as Cmyk;
