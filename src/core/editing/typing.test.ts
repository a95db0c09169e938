import type { Node } from 'prosemirror-model';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { cellOf, mark, paragraph, tableOf, text } from '../../../tests/support/composed';
import { deleteAt, restyled, typeField, typeWords } from '../../../tests/support/typing';
import { checkBody, docOf, paragraphsOf, plainText, stepped, stepsBetween } from '../records/body';
import { lengthOf, steppedPlace, type TextPlace } from './places';

const doc = (...content: Node[]): Node => docOf(content);
const words = (body: Node) => paragraphsOf(body).map(plainText);

const table = (...cells: string[][]): Node =>
  tableOf(
    cells.map((own) => [cellOf(own.map((each) => paragraph('body', each)))]),
    { columns: [{ share: 1 }], headerRows: 0, inset: 0 },
  );

/** Does what was typed, and gives the body and the caret. */
function typed(body: Node, at: TextPlace, what: string): { body: Node; caret: TextPlace } {
  const { steps, caret } = typeWords(body, at, what);
  return { body: stepped(body, steps), caret };
}

describe('typing words', () => {
  it('puts them where the caret is, in the look of the letter before it', () => {
    const body = doc(paragraph('body', [text('plain '), text('slanted', mark('emphasis')), text(' again')]));
    expect(words(typed(body, { paragraph: 0, offset: 6 }, 'and ').body)).toEqual(['plain and slanted again']);
    const within = typed(body, { paragraph: 0, offset: 13 }, '!').body;
    expect(paragraphsOf(within)[0]!.child(1).toJSON()).toEqual({ type: 'text', text: 'slanted!', marks: [{ type: 'emphasis' }] });
  });

  it('begins paragraphs at line ends, of the same style; only the first keeps its wish for a new column', () => {
    const body = doc(paragraph('list', 'one two', { startIn: 'column', list: { kind: 'bullet', level: 1 } }));
    const { body: after, caret } = typed(body, { paragraph: 0, offset: 4 }, 'a\r\nb\nc');
    expect(words(after)).toEqual(['one a', 'b', 'ctwo']);
    expect(caret).toEqual({ paragraph: 2, offset: 1 });
    expect(paragraphsOf(after).map(({ attrs }) => attrs)).toEqual([
      { style: 'list', startIn: 'column', list: { kind: 'bullet', level: 1 } },
      { style: 'list', list: { kind: 'bullet', level: 1 } },
      { style: 'list', list: { kind: 'bullet', level: 1 } },
    ]);
  });

  it('reaches into the cells of a table, and into nothing else of it', () => {
    const body = doc(paragraph('body', 'before'), table(['a', 'b'], ['c']), paragraph('body', 'after'));
    const after = typed(body, { paragraph: 2, offset: 1 }, 'ee').body;
    expect(words(after)).toEqual(['before', 'a', 'bee', 'c', 'after']);
    expect(after.child(0)).toBe(body.child(0));
    expect(after.child(1).child(1)).toBe(body.child(1).child(1));
  });
});

describe('putting a field in', () => {
  it('counts as one letter, in the look of the one before it, and is taken out as one', () => {
    const body = doc(paragraph('body', [text('page '), text('no.', mark('strong')), text(' of all')]));
    const { steps, caret } = typeField(body, { paragraph: 0, offset: 8 }, 'folio');
    const after = stepped(body, steps);
    expect(paragraphsOf(after)[0]!.child(2).toJSON()).toEqual({
      type: 'field',
      attrs: { name: 'folio' },
      marks: [{ type: 'strong' }],
    });
    expect(caret).toEqual({ paragraph: 0, offset: 9 });
    checkBody(after);
    expect(stepped(after, deleteAt(after, caret, true)!.steps)).toEqual(body);
  });
});

describe('taking out', () => {
  it('takes a letter with its accents, and a sign that is joined of several, as one', () => {
    // Decomposed é; a family of three joined by zero-width joiners (Unicode UAX #29, grapheme clusters).
    for (const letter of ['e\u0301', '👩‍👩‍👧']) {
      const body = doc(paragraph('body', `a${letter}b`));
      const end = 1 + letter.length;
      const back = deleteAt(body, { paragraph: 0, offset: end }, true)!;
      expect(words(stepped(body, back.steps))).toEqual(['ab']);
      expect(back.caret).toEqual({ paragraph: 0, offset: 1 });
      expect(words(stepped(body, deleteAt(body, { paragraph: 0, offset: 1 }, false)!.steps))).toEqual(['ab']);
      expect(steppedPlace(body, { paragraph: 0, offset: 1 }, 1)).toEqual({ paragraph: 0, offset: end });
    }
  });

  it('joins paragraphs, but not what is in a table with what is not', () => {
    const body = doc(paragraph('head', 'one'), paragraph('body', 'two'), table(['x', 'y']), paragraph('body', 'end'));
    const joined = deleteAt(body, { paragraph: 1, offset: 0 }, true)!;
    expect(words(stepped(body, joined.steps))).toEqual(['onetwo', 'x', 'y', 'end']);
    expect(paragraphsOf(stepped(body, joined.steps))[0]!.attrs.style).toBe('head');
    expect(joined.caret).toEqual({ paragraph: 0, offset: 3 });
    expect(words(stepped(body, deleteAt(body, { paragraph: 2, offset: 1 }, false)!.steps))).toEqual(['one', 'two', 'xy', 'end']);
    for (const [at, back] of [
      [{ paragraph: 0, offset: 0 }, true],
      [{ paragraph: 2, offset: 0 }, true],
      [{ paragraph: 1, offset: 3 }, false],
      [{ paragraph: 4, offset: 0 }, true],
      [{ paragraph: 4, offset: 3 }, false],
    ] as const)
      expect(deleteAt(body, at, back)).toBeUndefined();
  });
});

describe('giving a paragraph other attributes', () => {
  it('changes that one, and takes off what is undefined', () => {
    const body = doc(paragraph('body', 'a'), paragraph('body', 'b', { startIn: 'page' }));
    const to = stepped(body, restyled(body, { paragraph: 1, offset: 0 }, { style: 'crosshead', startIn: undefined }).steps);
    expect(paragraphsOf(to)[1]!.attrs).toEqual({ style: 'crosshead' });
    expect(to.child(0)).toBe(body.child(0));
    checkBody(to);
  });
});

describe('paragraphs that say the same', () => {
  it('stay the same objects before and behind what changed', () => {
    const before = doc(...['a', 'b', 'c', 'd'].map((each) => paragraph('body', each)));
    const after = doc(...['a', 'x', 'y', 'c', 'd'].map((each) => paragraph('body', each)));
    const out = stepped(before, stepsBetween(before, after));
    expect(out.eq(after)).toBe(true);
    expect(out.content.content.map((each) => before.content.content.indexOf(each))).toEqual([0, -1, -1, 2, 3]);
  });
});

// A plain string with line ends is the model: every key does to the body what it does to the string.
it('typing and taking out, key after key, does what it does to a plain string', () => {
  const key = fc.oneof(
    fc.record({ type: fc.constant('words' as const), words: fc.constantFrom('a', 'bc', '\n', 'd\ne', 'é', '-') }),
    fc.record({ type: fc.constant('erase' as const), back: fc.boolean() }),
    fc.record({ type: fc.constant('step' as const), by: fc.constantFrom(1 as const, -1 as const), times: fc.nat(6) }),
  );
  fc.assert(
    fc.property(
      fc.array(fc.constantFrom('', 'one', 'two words'), { minLength: 1, maxLength: 3 }),
      fc.array(key, { maxLength: 30 }),
      (start, keys) => {
        let body = doc(...start.map((each) => paragraph('body', each)));
        let model = start.join('\n');
        let at: TextPlace = { paragraph: 0, offset: 0 };
        let index = 0;
        for (const each of keys) {
          if (each.type === 'words') {
            ({ body, caret: at } = typed(body, at, each.words));
            model = model.slice(0, index) + each.words + model.slice(index);
            index += each.words.length;
          } else if (each.type === 'erase') {
            const out = deleteAt(body, at, each.back);
            const from = each.back ? index - 1 : index;
            expect(out === undefined).toBe(from < 0 || from >= model.length);
            if (!out) continue;
            body = stepped(body, out.steps);
            at = out.caret;
            model = model.slice(0, from) + model.slice(from + 1);
            index = from;
          } else {
            for (let i = 0; i < each.times; i++) {
              at = steppedPlace(body, at, each.by);
              index = Math.max(0, Math.min(model.length, index + each.by));
            }
          }
          expect(words(body).join('\n')).toBe(model);
          const list = paragraphsOf(body);
          expect(list.slice(0, at.paragraph).reduce((sum, own) => sum + lengthOf(own) + 1, 0) + at.offset).toBe(index);
        }
      },
    ),
    { numRuns: 300, seed: 9 },
  );
});
