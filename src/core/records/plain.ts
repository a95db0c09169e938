/** Words from outside as they can be kept: nothing that a database or a screen cannot hold. */

let letters: Intl.Segmenter | undefined;

/** The beginning of a text, at most so many UTF-16 units long, and never half of a letter that people see as one. */
export function cutTo(text: string, most: number): string {
  if (text.length <= most) return text;
  letters ??= new Intl.Segmenter('en', { granularity: 'grapheme' });
  let end = 0;
  // A little more than what is kept is looked at: letters are short.
  for (const { index, segment } of letters.segment(text.slice(0, most + 64))) {
    if (index + segment.length > most) break;
    end = index + segment.length;
  }
  return text.slice(0, end);
}

/** Without NUL, and with halves of surrogate pairs replaced: neither is text (Unicode 3.9, D10). */
export const wellFormed = (text: string): string =>
  /[\u0000\uD800-\uDFFF]/.test(text) ? text.replaceAll('\u0000', '').replace(LONE, '\uFFFD') : text;

const LONE = /[\uD800-\uDBFF](?![\uDC00-\uDFFF])|(?<![\uD800-\uDBFF])[\uDC00-\uDFFF]/g;

/** What JSON brought, with every text in it well formed. */
export function mended<T>(value: T): T {
  if (typeof value === 'string') return wellFormed(value) as T;
  if (Array.isArray(value)) {
    let out: unknown[] | undefined;
    for (let i = 0; i < value.length; i++) {
      const own: unknown = mended(value[i] as unknown);
      if (own !== value[i]) (out ??= [...(value as unknown[])])[i] = own;
    }
    return (out ?? value) as T;
  }
  if (value === null || typeof value !== 'object') return value;
  let out: Record<string, unknown> | undefined;
  for (const [key, part] of Object.entries(value)) {
    const own: unknown = mended(part as unknown);
    if (own !== part) (out ??= { ...(value as Record<string, unknown>) })[key] = own;
  }
  return (out ?? value) as T;
}
