import { describe, expect, it } from 'vitest';
import { adjustedKey, adjustPixels, greyPixels, inkRamp, levels, sharpenPixels } from './adjusting';

const NAVY = { cmyk: [0.9, 0.7, 0.2, 0.3], rgb: '#103050' } as const;
const SAND = { cmyk: [0, 0.2, 0.4, 0], rgb: '#ffe6b3' } as const;
const PLAIN = { gain: 1, contrast: 1 } as const;

const pixel = (...values: number[]) => Uint8Array.from([...values, 200]);

describe('pixels that are adjusted', () => {
  it('stay where nothing is said', () => {
    expect([...levels(PLAIN)]).toEqual(Array.from({ length: 256 }, (_, i) => i));
  });

  it('are lighter by a share, and apart from the middle by another, within black and white', () => {
    expect([0, 100, 255].map((i) => levels({ gain: 1.5, contrast: 1 })[i])).toEqual([0, 150, 255]);
    const hard = levels({ gain: 1, contrast: 1.5 });
    expect([0, 64, 191, 255].map((i) => hard[i])).toEqual([0, 32, 223, 255]);
    expect(levels({ gain: 1, contrast: 0 })[7]).toBe(128);
    // What is lit beyond white is white before it is drawn together.
    expect(levels({ gain: 2, contrast: 0.5 })[255]).toBe(191);
  });

  it('are as grey as their light (the weights of ITU-R BT.709)', () => {
    for (const [rgb, grey] of [
      [[255, 0, 0], 54],
      [[0, 255, 0], 182],
      [[0, 0, 255], 18],
      [[90, 90, 90], 90],
    ] as const) {
      const data = pixel(...rgb);
      expect([...greyPixels(data, { ...PLAIN, tones: 'grey' })]).toEqual([grey]);
      adjustPixels(data, { ...PLAIN, tones: 'grey' });
      expect([...data]).toEqual([grey, grey, grey, 200]);
    }
  });

  it('have their edges drawn out by what a blur takes of them, and no even tone', () => {
    // An unsharp mask: out = in + amount × (in − blurred), within black and white, opacity apart.
    const data = Uint8Array.from([200, 100, 10, 128, 60, 60, 60, 255]);
    sharpenPixels(data, Uint8Array.from([180, 110, 30, 90, 60, 60, 60, 255]), 1.5);
    expect([...data]).toEqual([230, 85, 0, 128, 60, 60, 60, 255]);
  });

  it('go from one ink to another, and print in those inks alone', () => {
    const tones = { dark: NAVY, pale: SAND };
    const black = pixel(0, 0, 0);
    const white = pixel(255, 255, 255);
    adjustPixels(black, { ...PLAIN, tones });
    adjustPixels(white, { ...PLAIN, tones });
    expect([...black]).toEqual([0x10, 0x30, 0x50, 200]);
    expect([...white]).toEqual([0xff, 0xe6, 0xb3, 200]);
    const ramp = inkRamp(tones);
    expect([...ramp.subarray(0, 4)]).toEqual([230, 179, 51, 77]);
    expect([...ramp.subarray(1020)]).toEqual([0, 51, 102, 0]);
  });

  it('are told apart by all that is done to them', () => {
    const of = [
      { ...PLAIN, tones: 'full' },
      { ...PLAIN, tones: 'grey' },
      { gain: 1.1, contrast: 1, tones: 'full' },
      { ...PLAIN, tones: 'full', sharpen: { amount: 1, reach: 0.01 } },
      { ...PLAIN, tones: 'full', sharpen: { amount: 1, reach: 0.02 } },
      { gain: 1, contrast: 1.1, tones: 'full' },
      { ...PLAIN, tones: { dark: NAVY, pale: SAND } },
      { ...PLAIN, tones: { dark: SAND, pale: NAVY } },
    ] as const;
    expect(new Set(of.map(adjustedKey)).size).toBe(of.length);
  });
});
