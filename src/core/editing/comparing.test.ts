import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyText, docOf, paragraphOf, plainBody, textOf } from '../records/body';
import { compared, taken } from './comparing';

const body = (...words: string[]) => plainBody('body', ...words);

describe('comparing a text with what came again', () => {
  it('finds what is otherwise, paragraph by paragraph', () => {
    const differences = compared(body('One', 'Two', 'Three'), body('One', 'Two and a half', 'Three', 'Four'));
    expect(
      differences.map(({ at, before, after }) => [
        at,
        before.map((node) => node.textContent),
        after.map((node) => node.textContent),
      ]),
    ).toEqual([
      [1, ['Two'], ['Two and a half']],
      [3, [], ['Four']],
    ]);
    expect(compared(body('One'), body('One'))).toEqual([]);
  });

  it('keeps the styles that the editor has given, and the words that are not taken', () => {
    const own = docOf([
      paragraphOf({ style: 'crosshead' }, [textOf('Old head')]),
      paragraphOf({ style: 'body' }, [textOf('Kept')]),
    ]);
    const differences = compared(own, body('New head', 'Changed'));
    expect(differences).toHaveLength(1);
    const after = taken(own, differences);
    expect(after.content.content.map((node) => [node.attrs['style'], node.textContent])).toEqual([
      ['crosshead', 'New head'],
      ['body', 'Changed'],
    ]);
    expect(taken(own, []).eq(own)).toBe(true);
  });

  it('comes to the other text when all is taken, whatever the two say', () => {
    const words = fc.array(fc.constantFrom('a', 'b', 'c', 'd'), { minLength: 1, maxLength: 9 });
    fc.assert(
      fc.property(words, words, (one, other) => {
        const before = body(...one);
        const after = body(...other);
        expect(bodyText(taken(before, compared(before, after)))).toBe(bodyText(after));
      }),
      { numRuns: 300 },
    );
  });
});
