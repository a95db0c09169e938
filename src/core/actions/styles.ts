import { changeProblem } from '../properties/limits';
import { PARAGRAPH } from '../properties/type';
import type { Diff } from '../records/diff';
import { all, type Document, find } from '../records/document';
import type { CharacterStyleRecord, ParagraphStyleRecord, TextRecord } from '../records/index';
import type { ParagraphProperties } from '../records/paragraphStyle';
import { isThere, led } from '../records/references';
import { said } from '../records/said';
import { styleSheet } from '../type/styles';
import { ActionError, Edit, freeName, newId, ownName } from './edit';
import { removeFor } from './instead';

export type StyleKind = 'paragraphStyle' | 'characterStyle';
export type StyleRecord = ParagraphStyleRecord | CharacterStyleRecord;

/** What a style says otherwise; a property that is undefined is left to the style it is based on. */
export type StyleChange = { readonly [K in keyof ParagraphProperties]?: ParagraphProperties[K] | undefined };

const findStyle = (document: Document, id: string): StyleRecord => {
  const style = find(document, 'paragraphStyle', id) ?? find(document, 'characterStyle', id);
  if (!style) throw new ActionError('That style is no longer there.');
  return style;
};

const children = (document: Document, style: StyleRecord): readonly StyleRecord[] =>
  (all(document, style.kind) as readonly StyleRecord[]).filter(({ basedOn }) => basedOn === style.id);

/** The styles that a change of some properties of a style reaches: those based on it that do not say them themselves. */
export function reachedBy(document: Document, id: string, keys: readonly (keyof ParagraphProperties)[]): StyleRecord[] {
  const out: StyleRecord[] = [];
  const walk = (style: StyleRecord, left: readonly string[]) => {
    for (const child of children(document, style)) {
      const open = left.filter((key) => !(key in child.properties));
      if (open.length === 0 || out.includes(child)) continue;
      out.push(child);
      walk(child, open);
    }
  };
  walk(findStyle(document, id), keys);
  return out;
}

/**
 * Changes what a style says.
 *
 * @param cut styles based on it whose tie is cut first: they keep all that they look like, and are based on nothing
 * @throws ActionError when a value is none that type can be set in
 */
export function setStyle(document: Document, id: string, change: StyleChange, cut: readonly string[] = []): Diff {
  const edit = new Edit(document);
  checkType(change);
  const style = findStyle(document, id);
  const sheet = styleSheet(document);
  for (const each of cut) {
    const { basedOn: _, ...own } = findStyle(document, each);
    edit.put({ ...own, properties: { ...resolvedStyle(document, each, sheet) } } as StyleRecord);
  }
  edit.put({ ...style, properties: said({ ...style.properties, ...change }) } as StyleRecord);
  return edit.diff();
}

/** @throws ActionError with the limits of the first property that is out of them */
function checkType(change: StyleChange): void {
  const wrong = changeProblem(PARAGRAPH, change);
  if (wrong) throw new ActionError(wrong);
}

/** Adds a style based on another, and saying nothing itself yet. */
export function addStyle(document: Document, basedOn: string): Diff {
  const edit = new Edit(document);
  const base = findStyle(document, basedOn);
  edit.put({
    id: newId(),
    kind: base.kind,
    name: freeName(all(document, base.kind), base.name),
    basedOn,
    properties: {},
  } as StyleRecord);
  return edit.diff();
}

/** The name that a style is to have. @throws ActionError when it is none, or another's */
export const styleName = (document: Document, kind: StyleKind, name: string, own?: string): string =>
  ownName(all(document, kind), 'style', name, own);

export function renameStyle(document: Document, id: string, name: string): Diff {
  const edit = new Edit(document);
  const style = findStyle(document, id);
  edit.put({ ...style, name: styleName(document, style.kind, name, id) });
  return edit.diff();
}

/** Bases a style on another. @throws ActionError when they would be based on one another in a circle */
export function setStyleBase(document: Document, id: string, base: string | undefined): Diff {
  const edit = new Edit(document);
  const style = findStyle(document, id);
  for (let at = base; at !== undefined; at = (document.records.get(at) as StyleRecord | undefined)?.basedOn) {
    if (at === id)
      throw new ActionError(`${style.name} cannot be based on ${findStyle(document, base!).name}: that would be a circle.`);
  }
  edit.put(said({ ...style, basedOn: base }));
  return edit.diff();
}

/**
 * Removes a style; where it is used, another takes its place.
 * @throws ActionError when it is used and nothing takes its place
 */
export function removeStyle(document: Document, id: string, instead?: string): Diff {
  const edit = new Edit(document);
  removeFor(edit, findStyle(document, id).kind, id, instead);
  return edit.diff();
}

/**
 * A text as the document can have it: paragraphs in a style that is not there are set in running text, and what else
 * it refers to and is not there it does without. Copy comes in the styles that a house usually has.
 */
export function inOwnStyles<R extends TextRecord>(document: Document, text: R): R {
  const styles = all(document, 'paragraphStyle');
  const running = (styles.find(({ id }) => id === 'body') ?? styles[0])?.id;
  return led(text, (reference) => {
    if (isThere(document, reference) || reference.to.includes('story')) return reference.id;
    return reference.to.includes('paragraphStyle') ? running : undefined;
  });
}

/**
 * The style of a paragraph that is begun behind one: what opens a text, with a drop cap or a lead-in, opens it once, and
 * is followed by the style it is based on.
 */
export function followingStyle(document: Document, id: string): string {
  const sheet = styleSheet(document);
  const opens = (style: string) => {
    const properties = sheet.paragraph.get(style);
    return properties !== undefined && (properties.dropCap !== null || properties.leadIn !== null || style === OPENING);
  };
  let at = id;
  // As many steps as there are styles at most: a circle comes to an end.
  for (let i = 0; i < sheet.paragraph.size && opens(at); i++) {
    const base = find(document, 'paragraphStyle', at)?.basedOn;
    if (base === undefined) break;
    at = base;
  }
  return at;
}

/** The style of a story's first paragraph, which has no indent. */
const OPENING = 'bodyFirst';

/** What a style says with all that it is based on. */
export function resolvedStyle(document: Document, id: string, sheet = styleSheet(document)): Partial<ParagraphProperties> {
  const { kind } = findStyle(document, id);
  return (kind === 'paragraphStyle' ? sheet.paragraph : sheet.character).get(id) ?? {};
}
