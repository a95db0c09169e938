/** A colour as it prints and as it shows: CMYK 0 to 1, and the sRGB hex the screen takes. */
export interface Ink {
  readonly cmyk: readonly [number, number, number, number];
  readonly rgb: string;
  /** It is printed with an ink of its own, so much of it; `cmyk` is what stands for it where there is none. */
  readonly spot?: SpotInk | undefined;
}

export interface SpotInk {
  /** What the ink is called, on the tin and on its plate. */
  readonly name: string;
  /** How much of it, 0 to 1. */
  readonly tint: number;
  /** What stands for all of it in the four inks. */
  readonly full: readonly [number, number, number, number];
}

/** Black ink alone, all of it: letters of it are printed over what lies under them. */
export const isBlack = ({ cmyk: [c, m, y, k], spot }: Ink): boolean => !spot && c === 0 && m === 0 && y === 0 && k === 1;
