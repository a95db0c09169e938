import fc from 'fast-check';
import { EditorState } from 'prosemirror-state';
import { describe, expect, it } from 'vitest';
import { paragraph } from '../../../tests/support/composed';
import { inHand } from '../../../tests/support/typing';
import { bodyText, checkBody, docOf, paragraphsOf, plainText } from '../records/body';
import { dragInto, dragTo, dropPlace, portionOf } from './dragging';
import { rangeOf, type TextPlace } from './places';

const body = docOf([
  paragraph('body', 'The spar remembers, she says.'),
  paragraph('crosshead', 'A note'),
  paragraph('body', 'It was before breakfast.'),
]);
const at = (p: number, offset: number): TextPlace => ({ paragraph: p, offset });
const lines = (state: EditorState | undefined) => state && paragraphsOf(state.doc).map(plainText);
const dragged = (anchor: TextPlace, head: TextPlace, to: TextPlace, copy = false) => {
  const state = inHand(body, { anchor, head });
  const tr = dragTo(state, dropPlace(portionOf(state), body, to), copy);
  return tr && state.apply(tr);
};

describe('text that is dragged', () => {
  it('is whole paragraphs, whole words, or letters', () => {
    const portion = (anchor: TextPlace, head: TextPlace) => portionOf(inHand(body, { anchor, head }));
    expect(portion(at(1, 0), at(1, 6))).toBe('paragraphs');
    expect(portion(at(0, 0), at(1, 6))).toBe('paragraphs');
    expect(portion(at(0, 4), at(0, 18))).toBe('words');
    expect(portion(at(0, 4), at(0, 19))).toBe('words');
    expect(portion(at(0, 5), at(0, 18))).toBe('letters');
    expect(portion(at(0, 4), at(0, 4))).toBe('letters');
  });

  it('leaves words as they are: it comes to stand between them, with one space on either side', () => {
    const moved = dragged(at(0, 4), at(0, 8), at(2, 9))!;
    expect(lines(moved)).toEqual(['The remembers, she says.', 'A note', 'It was spar before breakfast.']);
    const { anchor, head } = rangeOf(moved);
    expect([anchor, head]).toEqual([at(2, 7), at(2, 11)]);
    // Before a full stop, and from before a comma.
    expect(lines(dragged(at(0, 9), at(0, 18), at(2, 22)))).toEqual([
      'The spar, she says.',
      'A note',
      'It was before breakfast remembers.',
    ]);
    // At the very beginning, and at the very end.
    expect(lines(dragged(at(0, 0), at(0, 3), at(2, 0)))![2]).toBe('The It was before breakfast.');
    expect(lines(dragged(at(0, 0), at(0, 3), at(1, 6)))!.slice(0, 2)).toEqual(['spar remembers, she says.', 'A note The']);
    expect(lines(dragged(at(0, 4), at(0, 8), at(2, 3), true))![2]).toBe('It spar was before breakfast.');
  });

  it('is put between paragraphs where it is whole ones, with their style', () => {
    const moved = dragged(at(1, 0), at(1, 6), at(2, 20))!;
    expect(paragraphsOf(moved.doc).map((each) => [plainText(each), each.attrs['style']])).toEqual([
      ['The spar remembers, she says.', 'body'],
      ['It was before breakfast.', 'body'],
      ['A note', 'crosshead'],
    ]);
    expect(lines(dragged(at(2, 0), at(2, 24), at(0, 3)))).toEqual([
      'It was before breakfast.',
      'The spar remembers, she says.',
      'A note',
    ]);
  });

  it('comes into another text the same way, which takes it all', () => {
    const other = EditorState.create({ doc: docOf([paragraph('body', 'Elsewhere.')]) });
    const state = inHand(body, { anchor: at(0, 4), head: at(0, 8) });
    const { cut, put } = dragInto(state, other, dropPlace('words', other.doc, at(0, 9)), false)!;
    expect([lines(state.apply(cut!))![0], bodyText(put.doc)]).toEqual(['The remembers, she says.', 'Elsewhere spar.']);
    const all = inHand(body, { anchor: at(0, 0), head: at(2, 24) });
    const whole = dragInto(all, other, at(0, 10), false)!;
    expect(lines(all.apply(whole.cut!))!.join('')).toBe('');
    expect(paragraphsOf(whole.put.doc)).toHaveLength(4);
  });

  it('loses and doubles no sign but spaces, and leaves the text one that may be, wherever it goes', () => {
    const place = fc.record({ paragraph: fc.nat(2), offset: fc.nat(30) });
    const inside = ({ paragraph: p, offset }: TextPlace) => at(p, Math.min(offset, paragraphsOf(body)[p]!.content.size));
    const signs = (of: string) => [...of.replace(/\s/g, '')].sort().join('');
    fc.assert(
      fc.property(place, place, place, fc.boolean(), (anchor, head, to, copy) => {
        const state = inHand(body, { anchor: inside(anchor), head: inside(head) });
        const tr = dragTo(state, dropPlace(portionOf(state), body, inside(to)), copy);
        if (!tr) return;
        checkBody(tr.doc);
        const moved = state.doc.textBetween(state.selection.from, state.selection.to, '\n');
        expect(signs(bodyText(tr.doc))).toBe(signs(bodyText(body) + (copy ? moved : '')));
        const { from, to: end } = tr.selection;
        expect(signs(tr.doc.textBetween(from, end, '\n'))).toBe(signs(moved));
      }),
      { numRuns: 1_000 },
    );
  });
});
