import type { Ink } from '../colour/ink';

/** What becomes of the pixels of a picture on its way to a page; the same for every painter. */
export interface Adjusted {
  /** First its edges are drawn out by what a blur takes of them, as an unsharp mask does: so many times as much. */
  readonly sharpen?: {
    readonly amount: number;
    /** Standard deviation of the blur, as a share of the picture's width. */
    readonly reach: number;
  };
  /** Then each channel is multiplied by it. */
  readonly gain: number;
  /** Then it is drawn apart from, or together to, its middle by this. */
  readonly contrast: number;
  /** Then only its light is left, in grey or from one ink to another. */
  readonly tones: 'full' | 'grey' | { readonly dark: Ink; readonly pale: Ink };
}

/** The light of a pixel, of its red, green and blue as sRGB has them (the weights of ITU-R BT.709, as Filter Effects 1 takes them). */
export const GREY_OF = [0.2126, 0.7152, 0.0722] as const;

/** What a channel of each of the 256 values becomes. */
export function levels({ gain, contrast }: Pick<Adjusted, 'gain' | 'contrast'>): Uint8Array {
  const out = new Uint8Array(256);
  for (let i = 0; i < 256; i++) {
    const lit = Math.min(1, (i / 255) * gain);
    out[i] = Math.round(255 * Math.min(1, Math.max(0, (lit - 0.5) * contrast + 0.5)));
  }
  return out;
}

const byte = (hex: string, i: number): number => parseInt(hex.slice(1 + 2 * i, 3 + 2 * i), 16);

/**
 * Draws the edges of a picture out, in place: each value goes away from what it is in the picture blurred. Four bytes a pixel,
 * whose opacity stays.
 */
export function sharpenPixels(
  data: Uint8Array | Uint8ClampedArray,
  blurred: Uint8Array | Uint8ClampedArray,
  amount: number,
): void {
  for (let i = 0; i < data.length; i++) {
    if (i % 4 === 3) continue;
    const value = Math.round(data[i]! + amount * (data[i]! - blurred[i]!));
    data[i] = value < 0 ? 0 : value > 255 ? 255 : value;
  }
}

/** A blur finer than this, pixels, changes none of them. */
const FINEST_BLUR = 0.3;

/** How far a picture of so many pixels across is blurred to be sharpened, in pixels; undefined where it is not. */
export function blurOf({ sharpen }: Adjusted, width: number): number | undefined {
  const blur = sharpen && sharpen.reach * width;
  return blur !== undefined && blur >= FINEST_BLUR ? blur : undefined;
}

/** Changes pixels of four bytes (sRGB and opacity) in place. */
export function adjustPixels(data: Uint8Array | Uint8ClampedArray, adjusted: Adjusted): void {
  const { tones } = adjusted;
  const table = levels(adjusted);
  const ramp =
    typeof tones === 'object' ? [0, 1, 2].map((i) => [byte(tones.dark.rgb, i), byte(tones.pale.rgb, i)] as const) : undefined;
  for (let i = 0; i < data.length; i += 4) {
    const [r, g, b] = [table[data[i]!]!, table[data[i + 1]!]!, table[data[i + 2]!]!];
    if (tones === 'full') {
      data[i] = r;
      data[i + 1] = g;
      data[i + 2] = b;
      continue;
    }
    const grey = GREY_OF[0] * r + GREY_OF[1] * g + GREY_OF[2] * b;
    for (let c = 0; c < 3; c++) {
      const [dark, pale] = ramp?.[c] ?? [0, 255];
      data[i + c] = Math.round(dark + ((pale - dark) * grey) / 255);
    }
  }
}

/** Pixels of four bytes as their light alone, one byte each. */
export function greyPixels(data: Uint8Array, adjusted: Adjusted): Uint8Array {
  const table = levels(adjusted);
  const out = new Uint8Array(data.length / 4);
  for (let i = 0, k = 0; i < data.length; i += 4, k++)
    out[k] = Math.round(GREY_OF[0] * table[data[i]!]! + GREY_OF[1] * table[data[i + 1]!]! + GREY_OF[2] * table[data[i + 2]!]!);
  return out;
}

/** The inks of each of 256 tones from darks to lights, four bytes each: the table of an indexed colour space. */
export function inkRamp({ dark, pale }: { readonly dark: Ink; readonly pale: Ink }): Uint8Array {
  const out = new Uint8Array(1024);
  for (let i = 0; i < 256; i++)
    for (let c = 0; c < 4; c++) out[4 * i + c] = Math.round(255 * (dark.cmyk[c]! + ((pale.cmyk[c]! - dark.cmyk[c]!) * i) / 255));
  return out;
}

/** Names what is done to pixels: two that are named alike do the same. */
export function adjustedKey({ gain, contrast, tones, sharpen }: Adjusted): string {
  const inks = typeof tones === 'object' ? `${tones.dark.cmyk.join(',')} ${tones.pale.cmyk.join(',')}` : tones;
  return `${gain} ${contrast} ${inks}${sharpen ? ` ${sharpen.amount} ${sharpen.reach}` : ''}`;
}
