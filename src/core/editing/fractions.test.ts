import { EditorState, TextSelection } from 'prosemirror-state';
import { describe, expect, it } from 'vitest';
import { paragraph } from '../../../tests/support/composed';
import { docOf } from '../records/body';
import { raiseOrdinals, setFractions } from './fractions';

/** The words of a text after a command: what is raised in braces, what is lowered in angles. */
function after(words: string, command: typeof setFractions, select?: readonly [number, number]): string | undefined {
  const doc = docOf([paragraph('body', words)]);
  let state = EditorState.create({ doc });
  if (select) state = state.apply(state.tr.setSelection(TextSelection.create(doc, select[0] + 1, select[1] + 1)));
  const tr = command(state);
  if (!tr) return undefined;
  let out = '';
  tr.doc.descendants((node) => {
    if (!node.isText) return true;
    const has = (name: string) => node.marks.some(({ type }) => type.name === name);
    out += has('superscript') ? `{${node.text}}` : has('subscript') ? `<${node.text}>` : node.text;
    return false;
  });
  return out;
}

describe('fractions', () => {
  it('are figures raised and lowered about a fraction slash', () => {
    expect(after('Cut 3/8 of a yard, then 15/16.', setFractions)).toBe('Cut {3}⁄<8> of a yard, then {15}⁄<16>.');
    expect(after('A length of 1 1/2 spars', setFractions)).toBe('A length of 1 {1}⁄<2> spars');
  });

  it('are not made of dates, roads, ratios or hours', () => {
    for (const words of ['on 3/8/2026', 'open 24/7', 'and/or', 'the B3/4x', 'a 9/4 tide', '1/1000', '2.1/4', '1/0'])
      expect(after(words, setFractions), words).toBe(words === 'the B3/4x' ? 'the B{3}⁄<4>x' : undefined);
  });

  it('are made in what is selected, where something is', () => {
    expect(after('1/2 and 1/4', setFractions, [8, 11])).toBe('1/2 and {1}⁄<4>');
  });
});

describe('ordinals', () => {
  it('have their letters raised, those that are written right', () => {
    expect(after('the 1st, 2nd, 3rd, 4th, 11th, 12th, 21st and 113th', raiseOrdinals)).toBe(
      'the 1{st}, 2{nd}, 3{rd}, 4{th}, 11{th}, 12{th}, 21{st} and 113{th}',
    );
    expect(after('the 1th, 2st, month and 4thly', raiseOrdinals)).toBeUndefined();
  });
});
