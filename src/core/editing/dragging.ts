import { type Node, Slice } from 'prosemirror-model';
import { type EditorState, TextSelection, type Transaction } from 'prosemirror-state';
import { paragraphsOf, plainText } from '../records/body';
import { moveTo, putIn, selectedSlice, takeIn } from './moving';
import { lengthOf, positionOf, type TextPlace } from './places';

/**
 * Text that is dragged. Whole paragraphs come to stand between others, whole words between words, with one space on either
 * side; what is no whole goes exactly where it is let go.
 */
export type Portion = 'paragraphs' | 'words' | 'letters';

const WORD = /[\p{L}\p{N}\p{M}'’]/u;
/** What stands close to the word before it, and to the word behind it. */
const CLOSES = /[.,;:!?…)\]}’”»]/u;
const OPENS = /[([{‘“«]/u;

/** Whether a place lies between two letters of one word. */
const isInWord = (text: string, offset: number): boolean =>
  offset > 0 && offset < text.length && WORD.test(text[offset - 1]!) && WORD.test(text[offset]!);

/** What sort of a whole is selected. */
export function portionOf({ doc, selection: { $from, $to, empty } }: EditorState): Portion {
  if (empty || !$from.parent.inlineContent || !$to.parent.inlineContent) return 'letters';
  const isWhole = $from.parentOffset === 0 && $to.parentOffset === $to.parent.content.size;
  // Paragraphs of one and the same place; the whole of a text has nowhere to go in it.
  if (isWhole && $from.depth === $to.depth && $from.node(-1) === $to.node(-1)) {
    const { childCount } = $from.node(-1);
    if ($to.index(-1) - $from.index(-1) + 1 < childCount || $from.node(-1) === doc) return 'paragraphs';
  }
  const isEdge = (at: typeof $from) => !isInWord(plainText(at.parent), at.parentOffset);
  return isEdge($from) && isEdge($to) && WORD.test(doc.textBetween($from.pos, $to.pos)) ? 'words' : 'letters';
}

/** Where something that is let go at a place comes to stand: the nearest place that is made for it. */
export function dropPlace(portion: Portion, body: Node, place: TextPlace): TextPlace {
  const own = paragraphsOf(body)[place.paragraph];
  if (!own || portion === 'letters') return place;
  const length = lengthOf(own);
  if (portion === 'paragraphs') return { ...place, offset: place.offset < length / 2 ? 0 : length };
  const text = plainText(own);
  if (!isInWord(text, place.offset)) return place;
  let [from, to] = [place.offset, place.offset];
  while (isInWord(text, from)) from--;
  while (isInWord(text, to)) to++;
  return { ...place, offset: place.offset - from <= to - place.offset ? from : to };
}

/** What is selected, as it is carried elsewhere. */
const carried = (state: EditorState, portion: Portion): Slice => {
  const { $from, $to } = state.selection;
  return portion === 'paragraphs' ? new Slice(state.doc.slice($from.before(), $to.after()).content, 0, 0) : selectedSlice(state);
};

/** Takes what is selected out; where words were, one space is left between their neighbours. */
function takeOut(tr: Transaction, portion: Portion): void {
  const { $from, $to, from } = tr.selection;
  if (portion === 'paragraphs') {
    const all = $from.node(-1).childCount === $to.index(-1) - $from.index(-1) + 1;
    if (all) tr.deleteSelection();
    else tr.delete($from.before(), $to.after());
    return;
  }
  tr.deleteSelection();
  if (portion !== 'words') return;
  const $at = tr.doc.resolve(tr.mapping.map(from, -1));
  const text = plainText($at.parent);
  const [before, after] = [text[$at.parentOffset - 1], text[$at.parentOffset]];
  if (after === ' ' && (before === undefined || before === ' ')) tr.delete($at.pos, $at.pos + 1);
  else if (before === ' ' && (after === undefined || CLOSES.test(after))) tr.delete($at.pos - 1, $at.pos);
}

/** Puts something in at a position that was made for it, and selects it. */
function putWhole(tr: Transaction, at: number, slice: Slice, portion: Portion): void {
  if (portion === 'paragraphs') {
    const $at = tr.doc.resolve(at);
    const edge = $at.parentOffset < $at.parent.content.size || $at.parent.content.size === 0 ? $at.before() : $at.after();
    tr.replaceRange(edge, edge, slice);
    const [start, end] = [tr.doc.resolve(edge + 1), tr.doc.resolve(edge + slice.size - 1)];
    tr.setSelection(TextSelection.between(start, end));
    return;
  }
  const $at = tr.doc.resolve(at);
  const text = plainText($at.parent);
  const [before, after] = [text[$at.parentOffset - 1], text[$at.parentOffset]];
  const words = slice.content.textBetween(0, slice.content.size, ' ');
  const first = words[0] ?? ' ';
  const last = words.at(-1) ?? ' ';
  const spaced = (sign: string | undefined) => sign === undefined || /[\s\u2028\uFFFC]/.test(sign);
  if (!spaced(after) && !CLOSES.test(after!) && !spaced(last) && !OPENS.test(last)) tr.insertText(' ', at);
  let from = at;
  if (!spaced(before) && !OPENS.test(before!) && !spaced(first) && !CLOSES.test(first)) tr.insertText(' ', from++);
  putIn(tr, from, from, slice);
}

/**
 * Drags what is selected to another place of the same text, where it stays selected.
 *
 * @param place as `dropPlace` gives it
 * @returns undefined where that is in what is selected
 */
export function dragTo(state: EditorState, place: TextPlace, copy: boolean): Transaction | undefined {
  const portion = portionOf(state);
  if (portion === 'letters') return moveTo(place, copy)(state);
  const { from, to } = state.selection;
  const target = positionOf(state.doc, place);
  if (target >= from && target <= to) return undefined;
  const slice = carried(state, portion);
  const { tr } = state;
  if (!copy) takeOut(tr, portion);
  putWhole(tr, tr.mapping.map(target), slice, portion);
  return tr;
}

/**
 * Drags what is selected into another text.
 *
 * @param there the other text as it is
 * @returns what is done to either; `cut` is nothing where a copy is dragged
 */
export function dragInto(
  state: EditorState,
  there: EditorState,
  place: TextPlace,
  copy: boolean,
): { cut: Transaction | undefined; put: Transaction } | undefined {
  if (state.selection.empty) return undefined;
  const portion = portionOf(state);
  const slice = carried(state, portion);
  let put: Transaction | undefined;
  const at = positionOf(there.doc, place);
  if (portion === 'letters') put = takeIn(slice)(there.apply(there.tr.setSelection(TextSelection.create(there.doc, at))));
  else putWhole((put = there.tr), at, slice, portion);
  if (!put) return undefined;
  if (copy) return { cut: undefined, put };
  const cut = state.tr;
  takeOut(cut, portion);
  return { cut, put };
}
