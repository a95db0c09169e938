import { Fragment, type Mark, type Node, Slice } from 'prosemirror-model';
import { type EditorState, TextSelection, type Transaction } from 'prosemirror-state';
import { canJoin } from 'prosemirror-transform';
import { fieldOf, lineBreak, paragraphOf, paragraphsOf, textOf } from '../records/body';
import type { StartIn } from '../records/paragraphStyle';
import type { FieldName, ListAttrs, ParagraphAttrs } from '../records/text';
import { letterBeyond, lengthOf, placeOf, positionOf, type TextPlace, wordBeyond } from './places';

/**
 * What is done to a text in the hand. Each gives the transaction that does it at the selection, or undefined where it
 * would do nothing.
 */
export type TextCommand = (state: EditorState) => Transaction | undefined;

/** The style of a paragraph that is begun behind one of a style. */
export type Following = (style: string) => string;

const alike: Following = (style) => style;

/** The paragraph in which a selection begins. */
export const paragraphIn = ({ selection: { $from } }: EditorState): Node => $from.parent;

/** What is typed at the selection looks so: what was asked for there, or the look of the letter before it. */
export const marksNow = ({ storedMarks, selection: { $from } }: EditorState): readonly Mark[] => {
  if (storedMarks) return storedMarks;
  const { parent, parentOffset } = $from;
  if (parentOffset > 0) return $from.marks();
  // At the beginning, the look of the first letter.
  return parent.firstChild?.isText ? parent.firstChild.marks.filter(({ type }) => type.spec.inclusive !== false) : [];
};

/** A transaction with what is selected taken out; its selection is where that was. */
function emptied(state: EditorState): Transaction {
  const { tr } = state;
  return state.selection.empty ? tr : tr.deleteSelection();
}

const caretAt = (tr: Transaction, position: number): Transaction =>
  tr.setSelection(TextSelection.create(tr.doc, position)).setStoredMarks(null);

/**
 * Words typed or pasted in the place of what is selected; every line of them after the first begins a paragraph.
 *
 * @param following the style of a paragraph that follows one of a style
 */
export const typeWords =
  (words: string, following: Following = alike): TextCommand =>
  (state) => {
    const lines = words.replace(/\r\n?/g, '\n').split('\n');
    const marks = marksNow(state);
    const tr = emptied(state);
    const at = tr.selection.from;
    const content = lines.map((line) => (line === '' ? Fragment.empty : Fragment.from(textOf(line, marks))));
    if (lines.length === 1) {
      if (words === '') return tr.docChanged ? tr : undefined;
      tr.insert(at, content[0]!);
      // Letters that follow at once look alike, at a place where none stood before too.
      return caretAt(tr, at + words.length).setStoredMarks(state.storedMarks ? marks : null);
    }
    const own = tr.selection.$from.parent.attrs as ParagraphAttrs;
    const begun = begunBehind(own, following);
    const blocks = content.map((each, i) => paragraphOf(i === 0 ? own : begun, each));
    tr.replace(at, at, new Slice(Fragment.fromArray(blocks), 1, 1));
    const first = placeOf(tr.doc, at).paragraph;
    return caretAt(tr, positionOf(tr.doc, { paragraph: first + lines.length - 1, offset: lines.at(-1)!.length }));
  };

/** What a paragraph is like that is begun behind another: it does not ask for a new column again. */
const begunBehind = (attrs: ParagraphAttrs, following: Following): ParagraphAttrs => ({
  ...attrs,
  style: following(attrs.style),
  startIn: undefined,
  each: undefined,
  list: attrs.list && nextItem(attrs.list),
});

const nextItem = (list: ListAttrs): ListAttrs => (list.number === undefined ? list : { ...list, number: list.number + 1 });

/** Begins a paragraph at the selection; an empty item of a list is the end of the list instead. */
export const partParagraph =
  (following: Following = alike, startIn?: StartIn): TextCommand =>
  (state) => {
    const paragraph = paragraphIn(state);
    const { list } = paragraph.attrs as ParagraphAttrs;
    if (list && state.selection.empty && paragraph.content.size === 0 && !startIn)
      return state.tr.setNodeAttribute(state.selection.$from.before(), 'list', undefined);
    const marks = state.storedMarks;
    const tr = emptied(state);
    const attrs = begunBehind(tr.selection.$from.parent.attrs as ParagraphAttrs, following);
    tr.split(tr.selection.from, 1, [{ type: paragraph.type, attrs: { ...attrs, ...(startIn ? { startIn } : {}) } }]);
    return tr.setStoredMarks(marks);
  };

/** One node in the place of what is selected, in the look of the letter before it. */
const putIn =
  (make: (marks: readonly Mark[]) => Node): TextCommand =>
  (state) => {
    const marks = marksNow(state).filter(({ type }) => type.name !== 'link');
    const tr = emptied(state);
    const at = tr.selection.from;
    return caretAt(tr.insert(at, make(marks)), at + 1);
  };

export const typeField = (name: FieldName): TextCommand => putIn((marks) => fieldOf({ name }, marks));

export const typeLineBreak: TextCommand = putIn((marks) => lineBreak(marks));

/**
 * Takes out what is selected; where nothing is, what stands before or behind the caret: one letter with its accents, or a
 * word, or what keeps two paragraphs apart.
 * @returns undefined at the text's very beginning or end, and between what is in a table and what is not
 */
export const erase =
  (back: boolean, by: 'letter' | 'word' = 'letter', language = 'en-GB'): TextCommand =>
  (state) => {
    if (!state.selection.empty) return state.tr.deleteSelection();
    const { doc } = state;
    const at = placeOf(doc, state.selection.head);
    const own = paragraphsOf(doc)[at.paragraph]!;
    if (back ? at.offset > 0 : at.offset < lengthOf(own)) {
      const step = back ? -1 : 1;
      const to = by === 'letter' ? { ...at, offset: letterBeyond(own, at.offset, step) } : wordBeyond(doc, at, step, language);
      const [from, end] = [positionOf(doc, at), positionOf(doc, to)].sort((a, b) => a - b) as [number, number];
      return caretAt(state.tr.delete(from, end), from);
    }
    const { list } = own.attrs as ParagraphAttrs;
    if (back && list) return state.tr.setNodeAttribute(state.selection.$from.before(), 'list', undefined);
    return joinedBeside(state, at, back);
  };

/** Joins two neighbours of the same text or cell, with nothing between them. */
function joinedBeside(state: EditorState, at: TextPlace, back: boolean): Transaction | undefined {
  const { doc } = state;
  const list = paragraphsOf(doc);
  const first = back ? at.paragraph - 1 : at.paragraph;
  if (first < 0 || first + 1 >= list.length) return undefined;
  const end = positionOf(doc, { paragraph: first, offset: lengthOf(list[first]!) });
  if (positionOf(doc, { paragraph: first + 1, offset: 0 }) !== end + 2 || !canJoin(doc, end + 1)) return undefined;
  return caretAt(state.tr.join(end + 1), end);
}
