/**
 * How the colours of what is painted mix with those under it (ISO 32000-1, 11.3.5; the same as W3C Compositing and Blending, 10).
 * Colours are shares of light, 0 to 1; inks are counted from the paper: a share of ink is one less its light.
 */

/** Ways of mixing, in the order of the standard; what mixes in none of them covers what lies under it. */
export const BLENDS = [
  'multiply',
  'screen',
  'overlay',
  'darken',
  'lighten',
  'colourDodge',
  'colourBurn',
  'hardLight',
  'softLight',
  'difference',
  'exclusion',
  'hue',
  'saturation',
  'colour',
  'luminosity',
] as const;

export type Blend = (typeof BLENDS)[number];

/** What CSS and canvases call it. */
export const cssBlend = (blend: Blend): string =>
  blend.replace('colour', 'color').replace(/[A-Z]/g, (letter) => `-${letter.toLowerCase()}`);

/** What PDF calls it. */
export const pdfBlend = (blend: Blend): string => blend.charAt(0).toUpperCase() + blend.slice(1).replace('olour', 'olor');

/** Of one channel: what is under it, and what is laid on it. */
type OneByOne = (under: number, on: number) => number;

const multiply: OneByOne = (under, on) => under * on;
const screen: OneByOne = (under, on) => under + on - under * on;
const hardLight: OneByOne = (under, on) => (on <= 0.5 ? multiply(under, 2 * on) : screen(under, 2 * on - 1));

const softLight: OneByOne = (under, on) => {
  if (on <= 0.5) return under - (1 - 2 * on) * under * (1 - under);
  const deep = under <= 0.25 ? ((16 * under - 12) * under + 4) * under : Math.sqrt(under);
  return under + (2 * on - 1) * (deep - under);
};

/** Channels by themselves (11.3.5.2). */
const SEPARATE: Partial<Record<Blend, OneByOne>> = {
  multiply,
  screen,
  hardLight,
  softLight,
  overlay: (under, on) => hardLight(on, under),
  darken: Math.min,
  lighten: Math.max,
  colourDodge: (under, on) => (under === 0 ? 0 : on >= 1 ? 1 : Math.min(1, under / (1 - on))),
  colourBurn: (under, on) => (under === 1 ? 1 : on <= 0 ? 0 : 1 - Math.min(1, (1 - under) / on)),
  difference: (under, on) => Math.abs(under - on),
  exclusion: (under, on) => under + on - 2 * under * on,
};

type Three = readonly [number, number, number];

const luminosity = ([r, g, b]: Three): number => 0.3 * r + 0.59 * g + 0.11 * b;
const saturation = (of: Three): number => Math.max(...of) - Math.min(...of);

/** Channels brought back into what there is of light, without another luminosity. */
function clipped(of: Three): Three {
  const l = luminosity(of);
  const [least, most] = [Math.min(...of), Math.max(...of)];
  const at = (value: number): number => {
    if (least < 0) return l + ((value - l) * l) / (l - least);
    if (most > 1) return l + ((value - l) * (1 - l)) / (most - l);
    return value;
  };
  return of.map(at) as unknown as Three;
}

function withLuminosity(of: Three, l: number): Three {
  const more = l - luminosity(of);
  return clipped(of.map((value) => value + more) as unknown as Three);
}

function withSaturation(of: Three, s: number): Three {
  const [least, range] = [Math.min(...of), saturation(of)];
  return (range === 0 ? [0, 0, 0] : of.map((value) => ((value - least) * s) / range)) as unknown as Three;
}

/** All three channels together (11.3.5.3). */
function together(blend: Blend, under: Three, on: Three): Three {
  switch (blend) {
    case 'hue':
      return withLuminosity(withSaturation(on, saturation(under)), luminosity(under));
    case 'saturation':
      return withLuminosity(withSaturation(under, saturation(on)), luminosity(under));
    case 'colour':
      return withLuminosity(on, luminosity(under));
    default:
      return withLuminosity(under, luminosity(on));
  }
}

/** Light mixed with the light under it. */
export function blendedLight(blend: Blend, under: Three, on: Three): Three {
  const one = SEPARATE[blend];
  return one ? [one(under[0], on[0]), one(under[1], on[1]), one(under[2], on[2])] : together(blend, under, on);
}

type Four = readonly [number, number, number, number];

/**
 * Inks mixed with the inks under them. Of the ways that take all channels together black stays what it was under, but for
 * luminosity, which takes that of what is laid on (11.3.5.3, the last paragraph).
 */
export function blendedInks(blend: Blend, under: Four, on: Four): Four {
  const one = SEPARATE[blend];
  if (one) return under.map((ink, i) => 1 - one(1 - ink, 1 - on[i]!)) as unknown as Four;
  const light = (inks: Four): Three => [1 - inks[0], 1 - inks[1], 1 - inks[2]];
  const [c, m, y] = together(blend, light(under), light(on));
  return [1 - c, 1 - m, 1 - y, blend === 'luminosity' ? on[3] : under[3]];
}
