import type { Node } from 'prosemirror-model';
import { type EditorState, TextSelection } from 'prosemirror-state';
import { paragraphsOf, plainText } from '../records/body';

/** A place in a text: a paragraph, counted as `paragraphsOf` counts them, and a position in its content. */
export interface TextPlace {
  readonly paragraph: number;
  readonly offset: number;
}

/** A stretch of a text: where it was begun, and where the caret is. The same place twice is a caret alone. */
export interface TextRange {
  readonly anchor: TextPlace;
  readonly head: TextPlace;
}

export const lengthOf = (paragraph: Node): number => paragraph.content.size;

const starts = new WeakMap<Node, readonly number[]>();

/** Where the content of each paragraph of a body begins. */
function startsOf(body: Node): readonly number[] {
  let list = starts.get(body);
  if (!list) {
    const own: number[] = [];
    const look = (of: Node, start: number): void => {
      of.forEach((child, offset) => {
        if (child.type.name === 'paragraph') own.push(start + offset + 1);
        else look(child, start + offset + 1);
      });
    };
    look(body, 0);
    starts.set(body, (list = own));
  }
  return list;
}

/** The position in a body at which a place of it is. @throws RangeError when there is no such paragraph */
export function positionOf(body: Node, { paragraph, offset }: TextPlace): number {
  const start = startsOf(body)[paragraph];
  if (start === undefined) throw new RangeError(`The text has no paragraph ${paragraph}.`);
  return start + offset;
}

/** The place that a position is at, or the nearest before it. */
export function placeOf(body: Node, position: number): TextPlace {
  const list = startsOf(body);
  let low = 0;
  let high = list.length;
  while (low < high) {
    const middle = (low + high) >> 1;
    if (list[middle]! <= position) low = middle + 1;
    else high = middle;
  }
  if (low === 0) return { paragraph: 0, offset: 0 };
  const paragraph = low - 1;
  return { paragraph, offset: Math.min(position - list[paragraph]!, lengthOf(paragraphsOf(body)[paragraph]!)) };
}

/** A place that is in a body: where one would be beyond the end of its paragraph or text, the nearest. */
export function placeIn(body: Node, { paragraph, offset }: TextPlace): TextPlace {
  const list = paragraphsOf(body);
  const at = Math.max(0, Math.min(paragraph, list.length - 1));
  return { paragraph: at, offset: Math.max(0, Math.min(offset, list[at] ? lengthOf(list[at]) : 0)) };
}

export const samePlace = (a: TextPlace, b: TextPlace): boolean => a.paragraph === b.paragraph && a.offset === b.offset;

export const isBefore = (a: TextPlace, b: TextPlace): boolean =>
  a.paragraph < b.paragraph || (a.paragraph === b.paragraph && a.offset < b.offset);

/** A range as its first and last place. */
export const inOrder = ({ anchor, head }: TextRange): { from: TextPlace; to: TextPlace } =>
  isBefore(head, anchor) ? { from: head, to: anchor } : { from: anchor, to: head };

/** What is selected of a text. */
export const rangeOf = ({ doc, selection }: EditorState): TextRange => ({
  anchor: placeOf(doc, selection.anchor),
  head: placeOf(doc, selection.head),
});

/** The selection of a range; a place that is no longer there is the nearest that is. */
export const selectionOf = (body: Node, { anchor, head }: TextRange): TextSelection =>
  TextSelection.create(body, positionOf(body, placeIn(body, anchor)), positionOf(body, placeIn(body, head)));

/** The whole of a text. */
export function everything(body: Node): TextRange {
  const list = paragraphsOf(body);
  const last = list.length - 1;
  return { anchor: { paragraph: 0, offset: 0 }, head: { paragraph: last, offset: lengthOf(list[last]!) } };
}

const LETTERS = new Intl.Segmenter(undefined, { granularity: 'grapheme' });

/** An offset a letter further, its accents and joined signs with it. */
export function letterBeyond(of: Node, offset: number, by: 1 | -1): number {
  const text = plainText(of);
  // Far more than a letter has; all of the paragraph would be gone through with every key.
  const from = by > 0 ? offset : Math.max(0, offset - 64);
  const to = by > 0 ? Math.min(text.length, offset + 64) : offset;
  const letters = [...LETTERS.segment(text.slice(from, to))];
  const letter = by > 0 ? letters[0] : letters[letters.length - 1];
  return letter ? offset + by * letter.segment.length : offset;
}

/** The next place before or behind another, over whole letters and from paragraph to paragraph. */
export function steppedPlace(body: Node, at: TextPlace, by: 1 | -1): TextPlace {
  const own = paragraphsOf(body)[at.paragraph]!;
  if (by > 0 ? at.offset < lengthOf(own) : at.offset > 0) return { ...at, offset: letterBeyond(own, at.offset, by) };
  return beyond(body, at, by);
}

/** The end of the paragraph before, or the beginning of the one behind; the place itself where there is none. */
function beyond(body: Node, at: TextPlace, by: 1 | -1): TextPlace {
  const paragraph = at.paragraph + by;
  const other = paragraphsOf(body)[paragraph];
  return other ? { paragraph, offset: by > 0 ? 0 : lengthOf(other) } : at;
}

/** The beginnings and ends of words in a paragraph, by the language's own rules (Unicode UAX #29). */
function wordsIn(paragraph: Node, language: string): { readonly from: number; readonly to: number }[] {
  const out: { from: number; to: number }[] = [];
  for (const { segment, index, isWordLike } of new Intl.Segmenter(language, { granularity: 'word' }).segment(
    plainText(paragraph),
  )) {
    if (isWordLike) out.push({ from: index, to: index + segment.length });
  }
  return out;
}

/** The beginning of the word before a place, or the end of the word behind it. */
export function wordBeyond(body: Node, at: TextPlace, by: 1 | -1, language: string): TextPlace {
  const own = paragraphsOf(body)[at.paragraph]!;
  const words = wordsIn(own, language);
  const word = by > 0 ? words.find(({ to }) => to > at.offset) : words.findLast(({ from }) => from < at.offset);
  if (word) return { ...at, offset: by > 0 ? word.to : word.from };
  const edge = by > 0 ? lengthOf(own) : 0;
  return at.offset === edge ? beyond(body, at, by) : { ...at, offset: edge };
}

/** The word that a place is in or at, or what stands between two words there. */
export function wordAt(body: Node, { paragraph, offset }: TextPlace, language: string): TextRange {
  const own = paragraphsOf(body)[paragraph]!;
  let from = 0;
  let to = lengthOf(own);
  for (const word of wordsIn(own, language)) {
    if (word.from <= offset && offset <= word.to) {
      ({ from, to } = word);
      break;
    }
    if (word.to <= offset) from = word.to;
    if (word.from >= offset) {
      to = word.from;
      break;
    }
  }
  return { anchor: { paragraph, offset: from }, head: { paragraph, offset: to } };
}

/** All of the paragraph that a place is in. */
export const paragraphAt = (body: Node, { paragraph }: TextPlace): TextRange => ({
  anchor: { paragraph, offset: 0 },
  head: { paragraph, offset: lengthOf(paragraphsOf(body)[paragraph]!) },
});

/** The smallest range that holds two others, its head at the end where the second is. */
export function joined(a: TextRange, b: TextRange): TextRange {
  const [first, second] = [inOrder(a), inOrder(b)];
  const from = isBefore(second.from, first.from) ? second.from : first.from;
  const to = isBefore(first.to, second.to) ? second.to : first.to;
  return isBefore(second.from, first.from) ? { anchor: to, head: from } : { anchor: from, head: to };
}
