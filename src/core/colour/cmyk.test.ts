import { describe, expect, it } from 'vitest';
import { cmykToRgbHex } from './cmyk';

const channels = (hex: string) => [1, 3, 5].map((i) => parseInt(hex.slice(i, i + 2), 16));
const light = (hex: string) => channels(hex).reduce((sum, channel) => sum + channel, 0);

describe('a CMYK colour on a screen', () => {
  it('is white for paper and near black for full black', () => {
    expect(cmykToRgbHex([0, 0, 0, 0])).toBe('#ffffff');
    expect(Math.max(...channels(cmykToRgbHex([0, 0, 0, 1])))).toBeLessThan(40);
    expect(cmykToRgbHex([1, 1, 1, 1])).toBe('#000000');
  });

  it('has the hue of its ink', () => {
    const [r, g, b] = channels(cmykToRgbHex([1, 0, 0, 0]));
    expect(b! > g! && g! > r!).toBe(true);
    const [r2, g2] = channels(cmykToRgbHex([0, 0, 1, 0]));
    expect(r2! > 200 && g2! > 200).toBe(true);
    const [r3, g3] = channels(cmykToRgbHex([0, 1, 1, 0]));
    expect(r3! > 200 && g3! < 60).toBe(true);
  });

  it('grows darker with every ink', () => {
    for (let i = 0; i < 4; i++) {
      let before = Infinity;
      for (let share = 0; share <= 1; share += 0.1) {
        const cmyk = [0.1, 0.1, 0.1, 0.1] as [number, number, number, number];
        cmyk[i] = share;
        const now = light(cmykToRgbHex(cmyk));
        expect(now).toBeLessThanOrEqual(before);
        before = now;
      }
    }
  });
});
