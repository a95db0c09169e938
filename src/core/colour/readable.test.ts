import fc from 'fast-check';
import { expect, it } from 'vitest';
import { contrast, lightOf, NEEDED } from './contrast';
import { hexOf, readableOn } from './readable';

const colour = fc.tuple(fc.nat(255), fc.nat(255), fc.nat(255)).map((light) => hexOf(light));

it('makes any colour readable on any ground, and leaves alone what is readable', () => {
  fc.assert(
    fc.property(colour, colour, (own, ground) => {
      const out = readableOn(own, ground, NEEDED);
      // Black or white have 4.58 at least on any ground (WCAG 2.2: the middle is a luminance of 0.179).
      expect(contrast(lightOf(out), lightOf(ground))).toBeGreaterThanOrEqual(NEEDED);
      if (contrast(lightOf(own), lightOf(ground)) >= NEEDED) expect(out).toBe(own);
    }),
    { numRuns: 2000 },
  );
});

it('keeps to the hue: a dark blue on black becomes a lighter blue', () => {
  const [r, g, b] = lightOf(readableOn('#102a5c', '#000000', NEEDED));
  expect(b).toBeGreaterThan(g);
  expect(g).toBeGreaterThan(r);
});
