import { describe, expect, it } from 'vitest';
import { cmykToRgbHex } from './cmyk';
import { contrast, lightOf, NEEDED } from './contrast';
import { coloursIn, harmoniesOf } from './harmonies';

/** Pixels of some colours, so many of each. */
const picture = (...parts: readonly (readonly [number, number, number, number])[]): number[] =>
  parts.flatMap(([r, g, b, count]) => Array.from({ length: count }, () => [r, g, b, 255]).flat());

/** Degrees around the circle of colours of a colour, by its light alone (HSL, CSS Color 4). */
function hueOf(hex: string): number {
  const [r, g, b] = lightOf(hex);
  const most = Math.max(r, g, b);
  const d = most - Math.min(r, g, b);
  const h = most === r ? ((g - b) / d + 6) % 6 : most === g ? (b - r) / d + 2 : (r - g) / d + 4;
  return 60 * h;
}

describe('colours of a picture', () => {
  it('are those it is made of, with their shares', () => {
    const found = coloursIn(picture([200, 30, 30, 600], [240, 240, 235, 300], [20, 60, 140, 100]));
    expect(found.map(({ share }) => Math.round(100 * share))).toEqual([60, 30, 10]);
    expect(found.map(({ rgb }) => rgb.map((each) => Math.round(255 * each)))).toEqual([
      [200, 30, 30],
      [240, 240, 235],
      [20, 60, 140],
    ]);
  });

  it('are the same whatever order its pixels come in, and none where all of it is seen through', () => {
    const parts = [
      [210, 120, 40, 50],
      [30, 90, 120, 80],
      [230, 225, 210, 200],
    ] as const;
    const rounded = (of: ReturnType<typeof coloursIn>) => of.map(({ rgb }) => rgb.map((each) => Math.round(255 * each)));
    expect(rounded(coloursIn(picture(...parts)))).toEqual(rounded(coloursIn(picture(...[...parts].reverse()))));
    expect(coloursIn([255, 0, 0, 0, 0, 255, 0, 0])).toEqual([]);
    expect(harmoniesOf([])).toEqual([]);
  });
});

describe('palettes from a picture', () => {
  const pictures = {
    'a harbour at dusk': picture([70, 80, 100, 700], [180, 140, 90, 200], [30, 30, 40, 100]),
    'a red kite': picture([210, 40, 30, 300], [150, 190, 220, 700]),
    'a pale beach': picture([240, 235, 220, 900], [250, 250, 250, 100]),
    'a lemon': picture([250, 230, 40, 800], [255, 255, 255, 200]),
    'a grey plate': picture([90, 90, 90, 500], [200, 200, 200, 500]),
  };

  it.each(Object.entries(pictures))('of %s have accents that are read on paper, and ink on the tint', (_, pixels) => {
    const harmonies = harmoniesOf(coloursIn(pixels));
    expect(harmonies.length).toBeGreaterThanOrEqual(2);
    for (const { colours } of harmonies) {
      const light = (role: keyof typeof colours) => lightOf(cmykToRgbHex(colours[role]));
      expect(contrast(light('accent1'), light('paper'))).toBeGreaterThanOrEqual(NEEDED);
      expect(contrast(light('accent2'), light('paper'))).toBeGreaterThanOrEqual(NEEDED);
      expect(contrast(light('ink'), light('tint'))).toBeGreaterThanOrEqual(7);
      for (const colour of Object.values(colours))
        for (const ink of colour) expect(ink).toSatisfy((i: number) => i >= 0 && i <= 1);
    }
  });

  it('lead with its most telling colour, and set a second against it', () => {
    const harmonies = harmoniesOf(coloursIn(pictures['a red kite']));
    const [own, , against] = harmonies;
    const hue = (of: typeof own, role: 'accent1' | 'accent2') => hueOf(cmykToRgbHex(of!.colours[role]));
    const apart = (a: number, b: number) => Math.min(Math.abs(a - b), 360 - Math.abs(a - b));
    expect(apart(hue(own, 'accent1'), 0)).toBeLessThan(25);
    expect(apart(hue(own, 'accent2'), 210)).toBeLessThan(35);
    expect(apart(hue(against, 'accent1'), hue(against, 'accent2'))).toBeGreaterThan(100);
    expect(harmonies.map(({ name }) => name)).toEqual(['The picture’s own', 'Side by side', 'Set against it']);
  });
});
