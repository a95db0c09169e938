import { type Adjusted, adjustPixels, greyPixels, inkRamp } from '../pictures/adjusting';
import { type InkTable, inksOf } from './inkTable';

/** Pixels of the longer side of pictures as they are measured: one of the sizes that screens are given (`pictures/screen.ts`). */
export const MEASURED_SIDE = 400;

/** Figures to a pixel: four inks, three of light, and opacity. */
export const CHANNELS = 8;

/** A picture small, as it is printed and as it is seen: eight bytes a pixel, row by row. */
export interface PicturePixels {
  readonly width: number;
  readonly height: number;
  readonly data: Uint8Array;
}

/** What is known of a picture's pixels: its light with its opacity, and its own inks where it came in inks. */
export interface PictureSource {
  readonly width: number;
  readonly height: number;
  /** Red, green, blue and opacity. */
  readonly rgba: Uint8Array | Uint8ClampedArray;
  /** It is in black ink alone. */
  readonly grey?: boolean;
}

/** A picture's pixels as they are printed where it is adjusted so, by a print shop's table. */
export function picturePixels(of: PictureSource, adjusted: Adjusted | undefined, table: InkTable): PicturePixels {
  const { width, height } = of;
  const count = width * height;
  const rgba = new Uint8ClampedArray(of.rgba);
  const tones = adjusted?.tones ?? 'full';
  const isBlack = tones === 'grey' || (tones === 'full' && of.grey === true);
  const ramp = typeof tones === 'object' ? inkRamp(tones) : undefined;
  const grey = isBlack || ramp ? greyPixels(new Uint8Array(of.rgba), adjusted ?? AS_IT_IS) : undefined;
  if (adjusted) adjustPixels(rgba, adjusted);
  const data = new Uint8Array(CHANNELS * count);
  const out = new Float32Array(4);
  // Pixels beside one another are often alike.
  let last = -1;
  for (let i = 0, from = 0, at = 0; i < count; i++, from += 4, at += CHANNELS) {
    const [r, g, b] = [rgba[from]!, rgba[from + 1]!, rgba[from + 2]!];
    data[at + 4] = r;
    data[at + 5] = g;
    data[at + 6] = b;
    data[at + 7] = rgba[from + 3]!;
    if (ramp) for (let ink = 0; ink < 4; ink++) data[at + ink] = ramp[4 * grey![i]! + ink]!;
    else if (isBlack) data[at + 3] = 255 - grey![i]!;
    else {
      const now = (r << 16) | (g << 8) | b;
      if (now !== last) inksOf(table, r, g, b, out);
      last = now;
      for (let ink = 0; ink < 4; ink++) data[at + ink] = Math.round(out[ink]!);
    }
  }
  return { width, height, data };
}

const AS_IT_IS: Adjusted = { gain: 1, contrast: 1, tones: 'full' };
