import type { CharacterProperties } from '../records/characterStyle';
import { type Document, all } from '../records/document';
import type { ParagraphProperties } from '../records/paragraphStyle';

/** What a paragraph is set in when no style says otherwise. */
export const PLAIN: ParagraphProperties = {
  family: 'Source Serif 4',
  weight: 400,
  italic: false,
  size: 10,
  tracking: 0,
  kerning: true,
  letterCase: 'typed',
  figures: 'usual',
  figureWidth: 'usual',
  position: 'normal',
  features: [],
  underline: false,
  strike: false,
  lineWeight: 'face',
  underlineOffset: 'face',
  strikeOffset: 'face',
  highlight: null,
  rise: 0,
  swatch: 'ink',
  tint: 1,
  gradient: null,
  letterOutline: null,
  language: '',
  leading: 13,
  align: 'justify',
  lastLine: 'left',
  breaking: 'total-fit',
  looseness: 0,
  rag: 3,
  hyphens: true,
  hyphenLimits: { word: 5, before: 2, after: 3, consecutive: 3, lastWord: true, acrossColumns: true, capitals: true },
  spaceBefore: 0,
  spaceAfter: 0,
  firstIndent: 0,
  leftIndent: 0,
  rightIndent: 0,
  tabs: [],
  ruleAbove: null,
  ruleBelow: null,
  panel: null,
  bullet: '•',
  numbering: '1',
  onGrid: true,
  orphans: 2,
  widows: 2,
  keepNext: 0,
  keepTogether: false,
  startIn: null,
  spans: false,
  dropCap: null,
  leadIn: null,
  endMark: null,
  hanging: 0,
  wordSpace: { least: 0.8, best: 1, most: 1.5 },
  letterSpace: { least: 0, best: 0, most: 0 },
  glyphScale: { least: 1, best: 1, most: 1 },
};

/** The styles of a document with their inheritance worked out. */
export interface StyleSheet {
  readonly paragraph: ReadonlyMap<string, ParagraphProperties>;
  readonly character: ReadonlyMap<string, Partial<CharacterProperties>>;
}

interface Style<P> {
  readonly id: string;
  readonly name: string;
  readonly basedOn?: string | undefined;
  readonly properties: Partial<P>;
}

/**
 * Works out every style of the document. A style based on one that is missing stands on `PLAIN`; a character style
 * says only what it and those it is based on say. Where styles are based on one another in a circle, the tie that closes
 * it is left aside, so that a document that holds one still opens.
 */
export function styleSheet(document: Document): StyleSheet {
  return {
    paragraph: cascade<ParagraphProperties, ParagraphProperties>(all(document, 'paragraphStyle'), PLAIN),
    character: cascade<CharacterProperties, Partial<CharacterProperties>>(all(document, 'characterStyle'), {}),
  };
}

function cascade<P, R extends Partial<P>>(list: readonly Style<P>[], ground: R): Map<string, R> {
  const byId = new Map(list.map((style) => [style.id, style]));
  const sheet = new Map<string, R>();
  const resolve = (id: string, above: readonly string[]): R => {
    const done = sheet.get(id);
    if (done) return done;
    if (above.includes(id)) return ground;
    const style = byId.get(id);
    if (!style) return ground;
    const base = style.basedOn ? resolve(style.basedOn, [...above, id]) : ground;
    const properties: R = { ...base, ...style.properties };
    sheet.set(id, properties);
    return properties;
  };
  for (const style of list) resolve(style.id, []);
  return sheet;
}
