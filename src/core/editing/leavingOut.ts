import { plainText } from '../records/body';
import { placeOf, positionOf } from './places';
import type { TextCommand } from './typing';

/** Words without some of them: an ellipsis stands for those, with a space on either side within the sentence (British practice). */
export function withEllipsis(words: string, from: number, to: number): string {
  const before = words.slice(0, from).trimEnd();
  const after = words.slice(to).trimStart();
  const [left, right] = [
    /[‘“"']$/.test(before) || before === '' ? '' : ' ',
    /^[.,;:!?’”"']/.test(after) || after === '' ? '' : ' ',
  ];
  return `${before}${left}…${right}${after}`;
}

/** Leaves out what is selected of one paragraph, an ellipsis in its place; nothing where nothing of one paragraph is selected. */
export const leaveOut: TextCommand = (state) => {
  const [from, to] = [placeOf(state.doc, state.selection.from), placeOf(state.doc, state.selection.to)];
  if (state.selection.empty || from.paragraph !== to.paragraph) return undefined;
  const words = plainText(state.selection.$from.parent);
  const after = words.slice(to.offset).trimStart();
  const before = words.slice(0, from.offset).trimEnd();
  const next = withEllipsis(words, from.offset, to.offset);
  const place = (offset: number) => positionOf(state.doc, { paragraph: from.paragraph, offset });
  return state.tr.insertText(
    next.slice(before.length, next.length - after.length),
    place(before.length),
    place(words.length - after.length),
  );
};
