import { describe, expect, it } from 'vitest';
import { contrast, contrastOver, gainFor, isLarge, type Light, lightOf, panelOpacity, through } from './contrast';

const WHITE: Light = [255, 255, 255];
const BLACK: Light = [0, 0, 0];

describe('contrast', () => {
  // Pairs that W3C publishes in its techniques and understanding documents for WCAG 2 (G18, C37, “Understanding 1.4.3”), from memory.
  it.each([
    ['#000000', '#ffffff', 21],
    ['#777777', '#ffffff', 4.48],
    ['#767676', '#ffffff', 4.54],
    ['#949494', '#ffffff', 3.03],
    ['#ff0000', '#ffffff', 4.0],
    ['#0000ff', '#ffffff', 8.59],
    ['#ffffff', '#ffffff', 1],
  ])('of %s on %s is %f', (a, b, ratio) => {
    expect(contrast(lightOf(a), lightOf(b))).toBeCloseTo(ratio, 1);
    expect(contrast(lightOf(b), lightOf(a))).toBe(contrast(lightOf(a), lightOf(b)));
  });

  it('is less needed of large letters', () => {
    expect([isLarge(17, 400), isLarge(18, 400), isLarge(14, 600), isLarge(14, 700)]).toEqual([false, true, false, true]);
  });

  it('over a picture is that of its worst parts, but not of single pixels', () => {
    const dark = Array.from({ length: 97 }, () => BLACK);
    expect(contrastOver([...dark, WHITE, WHITE, WHITE], WHITE)).toBe(21);
    expect(contrastOver([...dark.slice(20), ...Array.from({ length: 20 }, () => WHITE)], WHITE)).toBe(1);
    expect(contrastOver([], WHITE)).toBe(21);
  });

  it('is mended by as thin a panel as will do', () => {
    const bright = Array.from({ length: 50 }, (): Light => [200, 210, 220]);
    const white = [{ pixels: bright, ink: WHITE, needed: 4.5 }];
    const opacity = panelOpacity(white, BLACK)!;
    const seen = (share: number) =>
      contrastOver(
        bright.map((under) => through(under, BLACK, share)),
        WHITE,
      );
    expect(seen(opacity)).toBeGreaterThanOrEqual(4.5);
    expect(seen(opacity - 0.1)).toBeLessThan(4.5);
    expect(panelOpacity(white, WHITE)).toBeUndefined();
    // What mends some letters and spoils others is no mend.
    const red: Light = [200, 50, 30];
    const both = [...white, { pixels: bright, ink: [20, 30, 60] as Light, needed: 4.5 }];
    expect(panelOpacity(both, BLACK)).toBeUndefined();
    expect(panelOpacity([{ pixels: bright, ink: red, needed: 6 }], WHITE)).toBeUndefined();
  });

  it('is mended by as little darkening or lightening of a picture as will do', () => {
    const middle = Array.from({ length: 50 }, (): Light => [120, 130, 140]);
    const seen = (gain: number, ink: Light) =>
      contrastOver(
        middle.map((under) => under.map((value) => Math.min(255, value * gain)) as unknown as Light),
        ink,
      );
    const of = (ink: Light, needed = 4.5) => gainFor([{ pixels: middle, ink, needed }]);
    const darker = of(WHITE)!;
    expect(darker).toBeLessThan(1);
    expect(seen(darker, WHITE)).toBeGreaterThanOrEqual(4.5);
    expect(seen(darker + 0.06, WHITE)).toBeLessThan(4.5);
    const lighter = of([60, 60, 60])!;
    expect(lighter).toBeGreaterThan(1);
    expect(seen(lighter, [60, 60, 60])).toBeGreaterThanOrEqual(4.5);
    // Dark letters ask for no darker picture, and letters of a middle grey are read on nothing.
    expect(of([60, 0, 0], 18)).toBeUndefined();
    expect(of([125, 125, 125], 9)).toBeUndefined();
  });
});
