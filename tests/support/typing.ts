import type { Node } from 'prosemirror-model';
import { EditorState } from 'prosemirror-state';
import type { Step } from 'prosemirror-transform';
import { setParagraphs } from '@/core/editing/formatting';
import { placeOf, selectionOf, type TextPlace, type TextRange } from '@/core/editing/places';
import * as typing from '@/core/editing/typing';
import type { FieldName, ParagraphAttrs } from '@/core/records/text';

/** Steps that a command does to a body, and where the caret is after them. */
export interface Typed {
  readonly steps: readonly Step[];
  readonly caret: TextPlace;
}

/** A text in the hand, with a stretch of it selected. */
export const inHand = (body: Node, range: TextRange): EditorState =>
  EditorState.create({ doc: body, selection: selectionOf(body, range) });

/** A text with the caret at a place. */
export const at = (body: Node, place: TextPlace): EditorState => inHand(body, { anchor: place, head: place });

/** What a command does at a place; undefined where it does nothing. */
export function doneAt(body: Node, place: TextPlace, command: typing.TextCommand): Typed | undefined {
  const tr = command(at(body, place));
  return tr && { steps: tr.steps, caret: placeOf(tr.doc, tr.selection.head) };
}

export const typeWords = (body: Node, place: TextPlace, words: string, following?: (style: string) => string): Typed =>
  doneAt(body, place, typing.typeWords(words, following))!;
export const typeField = (body: Node, place: TextPlace, name: FieldName): Typed => doneAt(body, place, typing.typeField(name))!;
export const deleteAt = (body: Node, place: TextPlace, back: boolean): Typed | undefined =>
  doneAt(body, place, typing.erase(back));
export const restyled = (body: Node, place: TextPlace, attrs: Partial<ParagraphAttrs>): Typed =>
  doneAt(body, place, setParagraphs(attrs))!;
