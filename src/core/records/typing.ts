import { type Mark, type Node, Slice, Fragment } from 'prosemirror-model';
import { type Step, Transform } from 'prosemirror-transform';
import { fieldOf, paragraphOf, paragraphsOf, plainText, textOf } from './body';
import type { FieldName, ParagraphAttrs } from './text';

/** A place in a text: a paragraph, counted as `paragraphsOf` counts them, and a position in its content. */
export interface TextPlace {
  readonly paragraph: number;
  readonly offset: number;
}

/** Steps that typing does to a body, and where the caret is after them. */
export interface Typed {
  readonly steps: readonly Step[];
  readonly caret: TextPlace;
}

export const lengthOf = (paragraph: Node): number => paragraph.content.size;

/** The position in a body at which a place of it is. */
export function positionOf(body: Node, { paragraph, offset }: TextPlace): number {
  return startOf(body, paragraph) + offset;
}

/** Where a paragraph's content begins. @throws RangeError when there is no such paragraph */
function startOf(body: Node, paragraph: number): number {
  let at = 0;
  let found = -1;
  const look = (of: Node, start: number): void => {
    of.forEach((child, offset) => {
      if (found >= 0) return;
      if (child.type.name !== 'paragraph') look(child, start + offset + 1);
      else if (at++ === paragraph) found = start + offset + 1;
    });
  };
  look(body, 0);
  if (found < 0) throw new RangeError(`The text has no paragraph ${paragraph}.`);
  return found;
}

/** The place that a position is at, or the nearest before it. */
export function placeOf(body: Node, position: number): TextPlace {
  const list = paragraphsOf(body);
  let at = 0;
  let place: TextPlace = { paragraph: 0, offset: 0 };
  const look = (of: Node, start: number): void => {
    of.forEach((child, offset) => {
      const begins = start + offset + 1;
      if (child.type.name !== 'paragraph') return look(child, begins);
      if (begins <= position) place = { paragraph: at, offset: Math.min(position - begins, child.content.size) };
      at++;
    });
  };
  if (list.length > 0) look(body, 0);
  return place;
}

/**
 * Words typed or pasted at a place, in the look of the letter before it; every line of them after the first begins a
 * paragraph.
 *
 * @param following the style of a paragraph that follows one of a style
 */
export function typeWords(
  body: Node,
  at: TextPlace,
  words: string,
  following: (style: string) => string = (style) => style,
): Typed {
  const own = paragraphsOf(body)[at.paragraph]!;
  const lines = words.replace(/\r\n?/g, '\n').split('\n');
  const marks = marksBefore(own, at.offset);
  const position = positionOf(body, at);
  const content = lines.map((line) => (line === '' ? Fragment.empty : Fragment.from(textOf(line, marks))));
  const change = new Transform(body);
  if (lines.length === 1) change.insert(position, content[0]!);
  else {
    const attrs = own.attrs as ParagraphAttrs;
    // One that begins anew does not ask for a new column again.
    const begun = { ...attrs, style: following(attrs.style), startIn: undefined };
    const blocks = content.map((each, i) => paragraphOf(i === 0 ? attrs : begun, each));
    change.replace(position, position, new Slice(Fragment.fromArray(blocks), 1, 1));
  }
  const last = lines[lines.length - 1]!;
  const caret = {
    paragraph: at.paragraph + lines.length - 1,
    offset: lines.length === 1 ? at.offset + last.length : last.length,
  };
  return { steps: change.steps, caret };
}

/** A field put in at a place, in the look of the letter before it. */
export function typeField(body: Node, at: TextPlace, name: FieldName): Typed {
  const marks = marksBefore(paragraphsOf(body)[at.paragraph]!, at.offset);
  const change = new Transform(body).insert(positionOf(body, at), fieldOf({ name }, marks));
  return { steps: change.steps, caret: { ...at, offset: at.offset + 1 } };
}

/**
 * Takes out what stands before or behind a place: one letter with its accents, or what keeps two paragraphs apart.
 * @returns undefined at the text's very beginning or end, and between what is in a table and what is not
 */
export function deleteAt(body: Node, at: TextPlace, back: boolean): Typed | undefined {
  const list = paragraphsOf(body);
  const own = list[at.paragraph]!;
  const length = lengthOf(own);
  if (back ? at.offset > 0 : at.offset < length) {
    const from = back ? letterBeyond(own, at.offset, -1) : at.offset;
    const to = back ? at.offset : letterBeyond(own, at.offset, 1);
    const start = startOf(body, at.paragraph);
    const change = new Transform(body).delete(start + from, start + to);
    return { steps: change.steps, caret: { paragraph: at.paragraph, offset: from } };
  }
  const first = back ? at.paragraph - 1 : at.paragraph;
  if (first < 0 || first + 1 >= list.length) return undefined;
  const end = lengthOf(list[first]!);
  const position = startOf(body, first) + end;
  // Neighbours in the same text or the same cell, with nothing between them.
  if (startOf(body, first + 1) !== position + 2) return undefined;
  return { steps: new Transform(body).join(position + 1).steps, caret: { paragraph: first, offset: end } };
}

/** The paragraph of a place with other attributes; what is given as undefined is taken off it. */
export function restyled(body: Node, at: TextPlace, attrs: Partial<ParagraphAttrs>): Typed {
  const position = startOf(body, at.paragraph) - 1;
  const change = new Transform(body);
  // Attribute by attribute, so that what others type there meanwhile is left alone.
  for (const [key, value] of Object.entries(attrs)) change.setNodeAttribute(position, key, value);
  return { steps: change.steps, caret: at };
}

/** The next place before or behind another, over whole letters and from paragraph to paragraph. */
export function steppedPlace(body: Node, at: TextPlace, by: 1 | -1): TextPlace {
  const list = paragraphsOf(body);
  const own = list[at.paragraph]!;
  if (by > 0 ? at.offset < lengthOf(own) : at.offset > 0) return { ...at, offset: letterBeyond(own, at.offset, by) };
  const other = list[at.paragraph + by];
  return other ? { paragraph: at.paragraph + by, offset: by > 0 ? 0 : lengthOf(other) } : at;
}

/** The marks of the letter before an offset, at the beginning those of the first. */
function marksBefore(of: Node, offset: number): readonly Mark[] {
  const node = offset === 0 ? of.firstChild : of.childBefore(offset).node;
  return node?.isText ? node.marks : [];
}

/** A letter further, its accents and joined signs with it. */
function letterBeyond(of: Node, offset: number, by: 1 | -1): number {
  const text = plainText(of);
  const from = by > 0 ? offset : Math.max(0, offset - 64);
  const to = by > 0 ? Math.min(text.length, offset + 64) : offset;
  const letters = [...new Intl.Segmenter(undefined, { granularity: 'grapheme' }).segment(text.slice(from, to))];
  const letter = by > 0 ? letters[0] : letters[letters.length - 1];
  return letter ? offset + by * letter.segment.length : offset;
}
