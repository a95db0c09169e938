/** A colour as it prints and as it shows: CMYK 0 to 1, and the sRGB hex the screen takes. */
export interface Ink {
  readonly cmyk: readonly [number, number, number, number];
  readonly rgb: string;
}
