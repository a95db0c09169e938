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
