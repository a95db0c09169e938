import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { bodyText, docOf, markOf, paragraphOf, paragraphsOf, plainBody, plainText, textOf } from '../records/body';
import { applied } from '../records/diff';
import { documentOf, get } from '../records/document';
import type { TextRecord } from '../records/index';
import { changed, matchesIn, type Query } from './find';
import { replaced } from './replacing';

const PLAIN: Query = { words: '', isPattern: false, matchesCase: false, wholeWords: false, ignoresAccents: false };
const text = (body: TextRecord['body'], id = 'text'): TextRecord => ({ id, kind: 'text', role: 'body', body });
const found = (words: string, query: Partial<Query>) =>
  matchesIn([text(plainBody('body', words))], { ...PLAIN, ...query }).map((match) => match.words);

describe('finding', () => {
  it('takes case, whole words and accents as it is told to', () => {
    const words = 'Kite, kites, a KITE and a kité; Kiterunner';
    expect(found(words, { words: 'kite' })).toEqual(['Kite', 'kite', 'KITE', 'Kite']);
    expect(found(words, { words: 'kite', matchesCase: true })).toEqual(['kite']);
    expect(found(words, { words: 'kite', wholeWords: true })).toEqual(['Kite', 'KITE']);
    expect(found(words, { words: 'kite', wholeWords: true, ignoresAccents: true })).toEqual(['Kite', 'KITE', 'kité']);
  });

  it('finds quotation marks however they are typed, and letters that are longer in lower case', () => {
    expect(found('It’s “here”', { words: '\'s "h' })).toEqual(['’s “h']);
    expect(found('İzmir, izmir', { words: 'izmir' })).toEqual(['izmir']);
    expect(found('a İ b', { words: 'b' })).toEqual(['b']);
  });

  it('finds patterns with their groups', () => {
    const matches = matchesIn([text(plainBody('body', 'pages 12–14, page 3'))], {
      ...PLAIN,
      words: '(\\d+)–(\\d+)',
      isPattern: true,
    });
    expect(matches.map(({ words, groups }) => [words, groups])).toEqual([['12–14', ['12–14', '12', '14']]]);
    expect(() => found('x', { words: '(', isPattern: true })).toThrow(/^That pattern cannot be read: .*\.$/);
  });

  it('takes a pattern that goes back without end no longer than any other', () => {
    // Published as the classic one: a?^n a^n over a^n (Cox, “Regular Expression Matching Can Be Simple And Fast”, 2007).
    const n = 60;
    expect(found('a'.repeat(n), { words: 'a?'.repeat(n) + 'a'.repeat(n), isPattern: true })).toEqual(['a'.repeat(n)]);
    expect(found(`${'a'.repeat(5_000)}!`, { words: '^(a+)+$', isPattern: true })).toEqual([]);
  });

  it('finds by style and look alone', () => {
    const body = docOf([
      paragraphOf({ style: 'crosshead' }, [textOf('One kite')]),
      paragraphOf({ style: 'body' }, [textOf('Two '), textOf('kites', [markOf('emphasis')]), textOf(' and a kite')]),
    ]);
    const own = (query: Partial<Query>) =>
      matchesIn([text(body)], { ...PLAIN, ...query }).map(({ paragraph, words }) => [paragraph, words]);
    expect(own({ paragraphStyle: 'crosshead' })).toEqual([[0, 'One kite']]);
    expect(own({ look: 'emphasis' })).toEqual([[1, 'kites']]);
    expect(own({ words: 'kite', look: 'emphasis' })).toEqual([[1, 'kite']]);
    expect(own({ words: 'kite', paragraphStyle: 'crosshead' })).toEqual([[0, 'kite']]);
  });

  it('finds what a search letter by letter finds, whatever the text', () => {
    const letters = fc.string({ unit: fc.constantFrom('a', 'b', 'A', ' ', 'é', '’', '\u2028'), maxLength: 30 });
    fc.assert(
      fc.property(letters, fc.string({ unit: fc.constantFrom('a', 'b', ' '), minLength: 1, maxLength: 3 }), (words, sought) => {
        const plain = words.toLowerCase();
        const expected: string[] = [];
        for (let i = 0; i + sought.length <= plain.length;) {
          if (plain.slice(i, i + sought.length) === sought) {
            expected.push(words.slice(i, i + sought.length));
            i += sought.length;
          } else i++;
        }
        expect(found(words.replaceAll('\u2028', 'x'), { words: sought }).length).toBe(expected.length);
      }),
      { numRuns: 300 },
    );
  });
});

describe('replacing', () => {
  const body = docOf([
    paragraphOf({ style: 'body' }, [textOf('The kite and the '), textOf('kite', [markOf('strong')]), textOf('.')]),
    paragraphOf({ style: 'body' }, [textOf('A kite.')]),
  ]);
  const document = documentOf([text(body), text(plainBody('body', 'No kite.'), 'other')]);
  const matches = (query: Partial<Query>) =>
    matchesIn([get(document, 'text', 'text'), get(document, 'text', 'other')], { ...PLAIN, ...query });

  it('is one change over all texts, and words take over the marks of those that they replace', () => {
    const diff = replaced(document, changed(matches({ words: 'kite' }), { words: 'spar' }, false));
    expect(diff.texts.map(({ id }) => id)).toEqual(['text', 'other']);
    const after = applied(document, diff);
    expect(bodyText(get(after, 'text', 'text').body)).toBe('The spar and the spar.\nA spar.');
    expect(
      get(after, 'text', 'text')
        .body.child(0)
        .child(1)
        .marks.map(({ type }) => type.name),
    ).toEqual(['strong']);
  });

  it('puts in groups, and gives styles without changing words', () => {
    const swapped = applied(
      document,
      replaced(document, changed(matches({ words: '(\\w+) (kite)', isPattern: true }), { words: '$2 $1 $$' }, true)),
    );
    expect(bodyText(get(swapped, 'text', 'other').body)).toBe('kite No $.');
    const styled = applied(
      document,
      replaced(document, changed(matches({ words: 'kite' }), { characterStyle: 'name', paragraphStyle: 'list' }, false)),
    );
    const [first] = paragraphsOf(get(styled, 'text', 'text').body);
    expect([plainText(first!), first!.attrs['style']]).toEqual(['The kite and the kite.', 'list']);
    expect(
      first!.content.content.filter(({ marks }) => marks.some(({ type }) => type.name === 'character')).map((node) => node.text),
    ).toEqual(['kite', 'kite']);
    // Replaced in other order, everything stands as it did.
    const back = applied(
      styled,
      replaced(styled, changed(matches({ words: 'kite' }), { characterStyle: null, paragraphStyle: 'body' }, false)),
    );
    expect(get(back, 'text', 'text').body.eq(body)).toBe(true);
  });

  it('says so where the text has gone meanwhile', () => {
    const gone = documentOf([text(plainBody('body', ''))]);
    expect(() => replaced(gone, changed(matches({ words: 'A kite' }), { words: 'x' }, false))).toThrow('Search again');
  });
});
