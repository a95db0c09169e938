import { type Document, all, find } from '../records/document';
import type { ParagraphProperties } from '../records/paragraphStyle';

/** What a paragraph is set in when no style says otherwise. */
export const PLAIN: ParagraphProperties = {
  family: 'Source Serif 4',
  weight: 400,
  italic: false,
  size: 10,
  leading: 13,
  tracking: 0,
  features: [],
  swatch: 'ink',
  tint: 1,
  align: 'justify',
  breaking: 'total-fit',
  hyphens: true,
  spaceBefore: 0,
  spaceAfter: 0,
  firstIndent: 0,
  leftIndent: 0,
  onGrid: true,
  orphans: 2,
  widows: 2,
  keepNext: 0,
  keepTogether: false,
  wordSpace: { least: 0.8, most: 1.5 },
};

/** The paragraph styles of a document with their inheritance worked out. */
export type StyleSheet = ReadonlyMap<string, ParagraphProperties>;

/** Thrown when styles are based on one another in a circle. */
export class StyleCircleError extends Error {
  override name = 'StyleCircleError';
}

const sheets = new WeakMap<readonly unknown[], StyleSheet>();

/**
 * Works out every paragraph style of the document. A style based on one that is missing stands on `PLAIN`.
 * @throws StyleCircleError naming the styles in the circle
 */
export function styleSheet(document: Document): StyleSheet {
  const list = all(document, 'paragraphStyle');
  const kept = sheets.get(list);
  if (kept) return kept;
  const sheet = new Map<string, ParagraphProperties>();
  const resolve = (id: string, above: readonly string[]): ParagraphProperties => {
    const done = sheet.get(id);
    if (done) return done;
    if (above.includes(id)) {
      const names = [...above, id].map((each) => find(document, 'paragraphStyle', each)?.name ?? each);
      throw new StyleCircleError(`These styles are based on one another in a circle: ${names.join(', ')}.`);
    }
    const style = find(document, 'paragraphStyle', id);
    if (!style) return PLAIN;
    const base = style.basedOn ? resolve(style.basedOn, [...above, id]) : PLAIN;
    const properties = { ...base, ...style.properties };
    sheet.set(id, properties);
    return properties;
  };
  for (const style of list) resolve(style.id, []);
  sheets.set(list, sheet);
  return sheet;
}
