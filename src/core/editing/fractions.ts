import type { EditorState } from 'prosemirror-state';
import { markOf, plainText } from '../records/body';
import { bodySchema } from '../records/bodySchema';
import type { TextCommand } from './typing';

const FRACTION_SLASH = '\u2044';

/**
 * Sets what is written as fractions as such: of "3/8" the figure before is raised, that behind lowered, with a fraction slash (U+2044)
 * between them. What is no fraction is left alone: a date, a road, a day of twenty-four hours in a week of seven.
 */
export const setFractions: TextCommand = (state) => {
  const { tr } = state;
  eachMatch(state, /(?<![\d/\u2044.,])(\d{1,3})[/\u2044](\d{1,3})(?![\d/\u2044]|[.,]\d)/g, (at, [whole, over, under]) => {
    if (Number(over) >= Number(under)) return;
    const slash = at + over!.length;
    const to = at + whole.length;
    tr.replaceWith(slash, slash + 1, bodySchema.text(FRACTION_SLASH, state.doc.nodeAt(slash)?.marks ?? []));
    tr.removeMark(at, to, bodySchema.marks['subscript']!).removeMark(at, to, bodySchema.marks['superscript']!);
    tr.addMark(at, slash, markOf('superscript')).addMark(slash + 1, to, markOf('subscript'));
  });
  return tr.docChanged ? tr : undefined;
};

/** Raises the letters of ordinals: 1st, 22nd, 3rd, 14th. */
export const raiseOrdinals: TextCommand = (state) => {
  const { tr } = state;
  eachMatch(state, /(?<![\w.,])\d*(?:1[123]th|1st|2nd|3rd|[04-9]th)\b/g, (at, [whole]) => {
    const [from, to] = [at + whole.length - 2, at + whole.length];
    tr.removeMark(from, to, bodySchema.marks['subscript']!).addMark(from, to, markOf('superscript'));
  });
  return tr.docChanged ? tr : undefined;
};

/** Every place that a pattern finds, in what is selected or, where nothing is, in the whole text; positions in the body. */
function eachMatch(
  { doc, selection: { from, to, empty } }: EditorState,
  pattern: RegExp,
  found: (at: number, match: RegExpMatchArray) => void,
): void {
  doc.descendants((node, position) => {
    if (node.type.name !== 'paragraph') return true;
    for (const match of plainText(node).matchAll(pattern)) {
      const at = position + 1 + match.index;
      if (empty || (at >= from && at + match[0].length <= to)) found(at, match);
    }
    return false;
  });
}
