import { cmykToRgbHex, rgbHex } from '../../colour/cmyk';
import type { Ink } from '../../colour/ink';
import { type Document, find } from '../../records/document';

const BLACK: Ink = { cmyk: [0, 0, 0, 1], rgb: cmykToRgbHex([0, 0, 0, 1]) };

/** Looks swatches up and tints them; the same swatch and tint always give the same object. */
export class Inks {
  readonly #kept = new Map<string, { of: unknown; ink: Ink }>();

  /** The ink of a swatch at a tint (0 to 1); black where the swatch is missing. */
  ink(document: Document, swatch: string, tint: number): Ink {
    const record = find(document, 'swatch', swatch);
    if (!record) return BLACK;
    const key = `${swatch} ${tint}`;
    const kept = this.#kept.get(key);
    if (kept?.of === record) return kept.ink;
    const [c, m, y, k] = record.cmyk;
    const cmyk = [c * tint, m * tint, y * tint, k * tint] as const;
    const ink: Ink = {
      cmyk,
      rgb: record.rgb ? rgbHex(record.rgb, tint) : cmykToRgbHex(cmyk),
      ...(record.spot ? { spot: { name: record.name, tint, full: record.cmyk } } : {}),
    };
    this.#kept.set(key, { of: record, ink });
    return ink;
  }
}
