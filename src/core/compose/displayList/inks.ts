import { cmykToRgbHex, rgbHex } from '../../colour/cmyk';
import type { Ink } from '../../colour/ink';
import { type Document, find } from '../../records/document';
import type { Through, Tinted } from '../../records/frame';
import type { Ramp } from './displayList';

const BLACK: Ink = { cmyk: [0, 0, 0, 1], rgb: cmykToRgbHex([0, 0, 0, 1]) };

/** Steps between two colours of a gradient that are worked out as a press mixes them. */
const MIXED = 7;

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

  /** The colours of a gradient, with those between them as a press mixes them. @param colours in their order */
  ramp(document: Document, colours: readonly Through[]): Ramp['stops'] {
    const stops: Ramp['stops'][number][] = [];
    colours.forEach((colour, i) => {
      const before = colours[i - 1];
      if (before)
        this.between(document, before, colour, MIXED).forEach((ink, k) => {
          stops.push({ at: before.at + ((colour.at - before.at) * (k + 1)) / (MIXED + 1), ink });
        });
      stops.push({ at: colour.at, ink: this.ink(document, colour.swatch, colour.tint) });
    });
    return stops;
  }

  /**
   * The colours between two, as a press mixes them: ink by ink where both are given in inks, so that a screen shows what is
   * printed; as light where either is given as light. A tint of one ink of its own stays in that ink.
   *
   * @returns so many, without the two themselves
   */
  between(document: Document, from: Tinted, to: Tinted, count: number): Ink[] {
    const [a, b] = [this.ink(document, from.swatch, from.tint), this.ink(document, to.swatch, to.tint)];
    const isLight = [from, to].some(({ swatch }) => find(document, 'swatch', swatch)?.rgb !== undefined);
    return Array.from({ length: count }, (_, i) => {
      const t = (i + 1) / (count + 1);
      const cmyk = a.cmyk.map((value, k) => value + (b.cmyk[k]! - value) * t) as unknown as Ink['cmyk'];
      const spot =
        a.spot && b.spot && a.spot.name === b.spot.name
          ? { spot: { ...a.spot, tint: a.spot.tint + (b.spot.tint - a.spot.tint) * t } }
          : {};
      return { cmyk, rgb: isLight ? lightBetween(a.rgb, b.rgb, t) : cmykToRgbHex(cmyk), ...spot };
    });
  }
}

/** The light between two colours, channel by channel. */
const lightBetween = (a: string, b: string, t: number): string =>
  `#${[1, 3, 5]
    .map((i) => {
      const [from, to] = [parseInt(a.slice(i, i + 2), 16), parseInt(b.slice(i, i + 2), 16)];
      return Math.round(from + (to - from) * t)
        .toString(16)
        .padStart(2, '0');
    })
    .join('')}`;
