import fc from 'fast-check';
import sharp, { type Blend as Mixing } from 'sharp';
import { describe, expect, it } from 'vitest';
import { type Blend, blendedInks, blendedLight, BLENDS, cssBlend, pdfBlend } from './blend';

const share = fc.double({ min: 0, max: 1, noNaN: true });
const light = fc.tuple(share, share, share);

describe('colours that mix', () => {
  // Reference: libvips, which has the separable ways of the same standard (W3C Compositing and Blending 1, 10.1).
  const TOGETHER: readonly Blend[] = ['hue', 'saturation', 'colour', 'luminosity'];
  it.each(BLENDS.filter((blend) => !TOGETHER.includes(blend)))('as libvips mixes them: %s', async (blend) => {
    const steps = Array.from({ length: 16 }, (_, i) => 17 * i);
    const under = Buffer.from(steps.flatMap((a) => steps.flatMap(() => [a, a, a])));
    const on = Buffer.from(steps.flatMap(() => steps.flatMap((b) => [b, b, b])));
    const raw = { width: 16, height: 16, channels: 3 } as const;
    const mixing = cssBlend(blend).replace('color-dodge', 'colour-dodge').replace('color-burn', 'colour-burn') as Mixing;
    const { data, info } = await sharp(under, { raw })
      .composite([{ input: on, raw, blend: mixing }])
      .raw()
      .toBuffer({ resolveWithObject: true });
    for (let i = 0; i < 256; i++) {
      const of = (from: Buffer) => from[3 * i]! / 255;
      const ours = blendedLight(blend, [of(under), of(under), of(under)], [of(on), of(on), of(on)])[0];
      const theirs = data[info.channels * i]! / 255;
      // At the very ends burning and dodging are not defined alike: the standard says what comes of them.
      if ((blend === 'colourBurn' || blend === 'colourDodge') && (of(on) === 0 || of(on) === 1)) continue;
      expect(Math.abs(ours - theirs), `${of(under)} under ${of(on)}`).toBeLessThan(0.012);
    }
  });

  it('together: what is mixed has the luminosity and the hue that the standard says (ISO 32000-1, 11.3.5.3)', () => {
    const lum = ([r, g, b]: readonly number[]) => 0.3 * r! + 0.59 * g! + 0.11 * b!;
    fc.assert(
      fc.property(light, light, (under, on) => {
        expect(lum(blendedLight('luminosity', under, on))).toBeCloseTo(lum(on), 6);
        for (const blend of ['hue', 'saturation', 'colour'] as const)
          expect(lum(blendedLight(blend, under, on))).toBeCloseTo(lum(under), 6);
        // Grey has no hue: in its colour everything becomes grey.
        const [r, g, b] = blendedLight('colour', under, [on[0], on[0], on[0]]);
        expect(Math.max(r, g, b) - Math.min(r, g, b)).toBeLessThan(1e-9);
      }),
    );
  });

  it('stay within what there is of light and of ink', () => {
    fc.assert(
      fc.property(fc.constantFrom(...BLENDS), light, light, share, share, (blend, under, on, black, blackOn) => {
        const out = [...blendedLight(blend, under, on), ...blendedInks(blend, [...under, black], [...on, blackOn])];
        for (const each of out) expect(each >= -1e-9 && each <= 1 + 1e-9).toBe(true);
      }),
      { numRuns: 1000 },
    );
  });

  it('leave the paper to inks that are multiplied on it, and nothing of inks that are screened', () => {
    fc.assert(
      fc.property(fc.tuple(share, share, share, share), (inks) => {
        blendedInks('multiply', [0, 0, 0, 0], inks).forEach((ink, i) => expect(ink).toBeCloseTo(inks[i]!, 9));
        for (const ink of blendedInks('screen', [0, 0, 0, 0], inks)) expect(ink).toBeCloseTo(0, 9);
      }),
    );
  });

  it('are called in CSS and PDF as those call them', () => {
    expect(BLENDS.map(cssBlend)).toEqual([
      'multiply',
      'screen',
      'overlay',
      'darken',
      'lighten',
      'color-dodge',
      'color-burn',
      'hard-light',
      'soft-light',
      'difference',
      'exclusion',
      'hue',
      'saturation',
      'color',
      'luminosity',
    ]);
    // ISO 32000-1, tables 136 and 137.
    expect(BLENDS.map(pdfBlend)).toEqual([
      'Multiply',
      'Screen',
      'Overlay',
      'Darken',
      'Lighten',
      'ColorDodge',
      'ColorBurn',
      'HardLight',
      'SoftLight',
      'Difference',
      'Exclusion',
      'Hue',
      'Saturation',
      'Color',
      'Luminosity',
    ]);
  });
});
