import { Fragment, type Node, Slice } from 'prosemirror-model';
import { type EditorState, TextSelection, type Transaction } from 'prosemirror-state';
import type { ParagraphAttrs } from '../records/text';
import { positionOf, type TextPlace } from './places';
import type { TextCommand } from './typing';

/** Puts a slice in at a position, and selects it. */
export function putIn(tr: Transaction, from: number, to: number, slice: Slice): Transaction {
  // Counted from either end: at the edge of a paragraph the whole of it may be replaced, and maps lead beside what came in.
  const behind = tr.doc.content.size - to;
  tr.replaceRange(from, to, slice);
  const [start, end] = [tr.doc.resolve(from), tr.doc.resolve(tr.doc.content.size - behind)];
  return tr.setSelection(TextSelection.between(start, end));
}

/** What is selected, as it would stand elsewhere. */
export const selectedSlice = ({ selection }: EditorState): Slice => selection.content();

/**
 * Moves what is selected to another place of the same text, where it stays selected.
 * @returns undefined where that is in what is selected
 */
export const moveTo =
  (place: TextPlace, copy = false): TextCommand =>
  (state) => {
    const { from, to, empty } = state.selection;
    const target = positionOf(state.doc, place);
    if (empty || (target >= from && target <= to)) return undefined;
    const slice = selectedSlice(state);
    const { tr } = state;
    if (!copy) tr.deleteSelection();
    const at = tr.mapping.map(target);
    return putIn(tr, at, at, slice);
  };

/** Puts a slice of another text in at the selection, where it stays selected. */
export const takeIn =
  (slice: Slice): TextCommand =>
  (state) => {
    if (slice.size === 0) return undefined;
    const { from, to } = state.selection;
    return putIn(state.tr, from, to, slice);
  };

/** The same, with the caret behind it. */
export const pasteSlice =
  (slice: Slice): TextCommand =>
  (state) => {
    const tr = takeIn(slice)(state);
    return tr?.setSelection(TextSelection.near(tr.doc.resolve(tr.selection.to), -1));
  };

/**
 * Blocks in the place of what is selected; the caret is behind them. A single paragraph joins the one it comes into, and so
 * does running text at the edges of several; a heading, an item of a list stay what they are.
 *
 * @param running styles of running text
 */
export const pasteBlocks =
  (blocks: readonly Node[], running: readonly string[] = []): TextCommand =>
  (state) => {
    const { parent } = state.selection.$from;
    const joins = (node: Node | undefined): boolean => {
      if (node?.type.name !== 'paragraph') return false;
      const { style, list } = node.attrs as ParagraphAttrs;
      return blocks.length === 1 || (!list && (style === parent.attrs['style'] || running.includes(style)));
    };
    const open = (node: Node | undefined) => (joins(node) ? 1 : 0);
    return pasteSlice(new Slice(Fragment.fromArray([...blocks]), open(blocks[0]), open(blocks.at(-1))))(state);
  };
