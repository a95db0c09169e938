import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mark, paragraph, text } from '../../../tests/support/composed';
import { at, inHand } from '../../../tests/support/typing';
import { bodyText, checkBody, docOf, paragraphsOf, plainText } from '../records/body';
import { moveTo, pasteBlocks, selectedSlice, takeIn } from './moving';
import { everything, rangeOf, wordAt, wordBeyond, type TextPlace } from './places';

const body = docOf([
  paragraph('body', [text('The '), text('spar', mark('strong')), text(' remembers')]),
  paragraph('crosshead', 'A note'),
  paragraph('body', 'before breakfast.'),
]);

describe('moving what is selected', () => {
  it('takes it with all that it is, and it stays selected', () => {
    const state = inHand(body, { anchor: { paragraph: 0, offset: 4 }, head: { paragraph: 0, offset: 8 } });
    const after = state.apply(moveTo({ paragraph: 2, offset: 0 })(state)!);
    expect(paragraphsOf(after.doc).map(plainText)).toEqual(['The  remembers', 'A note', 'sparbefore breakfast.']);
    expect(
      paragraphsOf(after.doc)[2]!
        .child(0)
        .marks.map(({ type }) => type.name),
    ).toEqual(['strong']);
    expect(rangeOf(after)).toEqual({ anchor: { paragraph: 2, offset: 0 }, head: { paragraph: 2, offset: 4 } });
  });

  it('does nothing where it would come to lie in itself', () => {
    const state = inHand(body, { anchor: { paragraph: 0, offset: 4 }, head: { paragraph: 1, offset: 3 } });
    expect(moveTo({ paragraph: 1, offset: 1 })(state)).toBeUndefined();
    expect(moveTo({ paragraph: 0, offset: 4 })(state)).toBeUndefined();
  });

  it('loses and doubles no letter, wherever it is moved', () => {
    const place = fc.record({ paragraph: fc.nat(2), offset: fc.nat(18) }) as fc.Arbitrary<TextPlace>;
    const letters = (of: string) => [...of.replace(/\n/g, '')].sort().join('');
    fc.assert(
      fc.property(place, place, place, fc.boolean(), (anchor, head, to, copy) => {
        const state = inHand(body, { anchor, head });
        const target = { ...to, offset: Math.min(to.offset, paragraphsOf(body)[to.paragraph]!.content.size) };
        const tr = moveTo(target, copy)(state);
        if (!tr) return;
        checkBody(tr.doc);
        const moved = state.doc.textBetween(state.selection.from, state.selection.to, '\n');
        expect(letters(bodyText(tr.doc))).toBe(letters(bodyText(body) + (copy ? moved : '')));
      }),
    );
  });
});

describe('taking in', () => {
  it('joins a single paragraph into the one it comes to, and brings whole ones as they are', () => {
    const one = at(body, { paragraph: 2, offset: 6 });
    const joined = pasteBlocks([paragraph('quotation', ' a late')])(one)!;
    expect(paragraphsOf(joined.doc)[2]!.attrs['style']).toBe('body');
    expect(plainText(paragraphsOf(joined.doc)[2]!)).toBe('before a late breakfast.');
    const many = pasteBlocks([paragraph('body', 'x'), paragraph('crosshead', 'y'), paragraph('body', 'z')])(one)!;
    expect(paragraphsOf(many.doc).map(({ attrs }) => attrs['style'])).toEqual(['body', 'crosshead', 'body', 'crosshead', 'body']);
    expect(many.selection.empty).toBe(true);
  });

  it('gives all of a text to another', () => {
    const from = selectedSlice(inHand(body, everything(body)));
    const to = at(docOf([paragraph('body', '')]), { paragraph: 0, offset: 0 });
    expect(bodyText(takeIn(from)(to)!.doc)).toBe(bodyText(body));
  });
});

describe('words', () => {
  const own = docOf([paragraph('body', "The kite's tail, e.g. a knot")]);
  const word = (offset: number) => {
    const { anchor, head } = wordAt(own, { paragraph: 0, offset }, 'en-GB');
    return plainText(paragraphsOf(own)[0]!).slice(anchor.offset, head.offset);
  };

  it('are what Unicode says they are (UAX #29, WB6 and WB7: an apostrophe inside belongs to the word)', () => {
    expect([word(5), word(12), word(15.5 | 0)]).toEqual(["kite's", 'tail', 'tail']);
  });

  it('are gone over one by one, and from paragraph to paragraph', () => {
    let place: TextPlace = { paragraph: 0, offset: 0 };
    const ends: number[] = [];
    for (let i = 0; i < 4; i++) ends.push((place = wordBeyond(own, place, 1, 'en-GB')).offset);
    expect(ends).toEqual([3, 10, 15, 20]);
    expect(wordBeyond(body, { paragraph: 1, offset: 0 }, -1, 'en-GB')).toEqual({ paragraph: 0, offset: 18 });
  });
});
