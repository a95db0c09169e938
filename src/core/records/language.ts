/** Languages are BCP 47 tags: "en-GB", "de". What was stored before tags were looked at may be anything. */

const known = new Map<string, boolean>();

/** Whether a tag is well formed (RFC 5646), so that it can be asked for by name. */
export function isLanguage(tag: string): boolean {
  let is = known.get(tag);
  if (is === undefined) {
    try {
      is = Intl.getCanonicalLocales(tag).length === 1;
    } catch {
      is = false;
    }
    known.set(tag, is);
  }
  return is;
}

/** A language that can be asked for: the tag itself, or another in its place. */
export const spoken = (tag: string | undefined, otherwise = 'en-GB'): string => (tag && isLanguage(tag) ? tag : otherwise);

/** A language as an English reader calls it: “British English”. */
export const languageName = (tag: string): string => new Intl.DisplayNames('en-GB', { type: 'language' }).of(tag) ?? tag;

/** The languages that are proposed: those whose hyphenation there is. */
export const LANGUAGES = ['en-GB', 'en-US', 'de', 'fr'] as const;

/** Whether a language is usually written from right to left (Unicode CLDR, scripts Arab, Hebr, Syrc, Thaa, Nkoo, Adlm). */
export const isRightToLeft = (tag: string): boolean =>
  isLanguage(tag) && /^(Arab|Hebr|Syrc|Thaa|Nkoo|Adlm)$/.test(new Intl.Locale(tag).maximize().script ?? '');
