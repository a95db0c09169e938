import { describe, expect, it } from 'vitest';
import { bodyText, docOf, markOf, paragraphOf, plainBody, textOf } from '../records/body';
import { applied } from '../records/diff';
import { documentOf, get } from '../records/document';
import type { TextRecord } from '../records/index';
import { asTyped, cleanUps, quotesOf } from './cleanUp';
import { replaced } from './replacing';

const record = (body: TextRecord['body']): TextRecord => ({ id: 'text', kind: 'text', role: 'body', body });

/** What a text is once everything in it is cleaned up; again, until nothing is left. */
function cleaned(body: TextRecord['body'], language = 'en-GB'): string {
  let document = documentOf([record(body)]);
  for (let i = 0; i < 5; i++) {
    const places = cleanUps([get(document, 'text', 'text')], language);
    if (places.length === 0) return bodyText(get(document, 'text', 'text').body);
    document = applied(
      document,
      replaced(
        document,
        places.map(({ replacement }) => replacement),
      ),
    );
  }
  throw new Error('Cleaning up never ends.');
}
const clean = (words: string, language?: string) => cleaned(plainBody('body', words), language);

describe('cleaning up', () => {
  it.each([
    ['One  kite   flew. ', 'One kite flew.'],
    ['\tBegun with a tab', 'Begun with a tab'],
    ['Tide\t\t3.4', 'Tide\t3.4'],
    ['"It\'s here," she said.', '“It’s here,” she said.'],
    ['("Here")', '(“Here”)'],
    ['She said "he said \'no\' twice".', 'She said “he said ‘no’ twice”.'],
    ["The '90s and rock 'n' roll", 'The ’90s and rock ’n’ roll'],
    // Primes after figures stay (common practice: feet and inches, minutes and seconds).
    ['6\'2" tall, 51°30\'26" north', '6\'2" tall, 51°30\'26" north'],
    ['The wind -- all of it -- dropped', 'The wind – all of it – dropped'],
    ['wind--all', 'wind – all'],
    ['A kite - a good one', 'A kite – a good one'],
    ['pages 10-14', 'pages 10–14'],
    ['2026-11-27 and 01632-960-123', '2026-11-27 and 01632-960-123'],
    ['a well-made kite', 'a well-made kite'],
    ['Wait...', 'Wait…'],
    ['Wait....', 'Wait....'],
    ['ﬁne oﬃce', 'fine office'],
    ['soft\u00adly', 'softly'],
    ['a\u00a0kite of 3\u00a0m', 'a kite of 3\u00a0m'],
  ])('%j becomes %j', (before, after) => {
    expect(clean(before)).toBe(after);
    // What is clean stays so.
    expect(clean(after)).toBe(after);
  });

  it('has the quotation marks of the language (Unicode CLDR, delimiters)', () => {
    expect(clean('"Der Wind"', 'de')).toBe('„Der Wind“');
    expect(clean('"Le vent"', 'fr')).toBe('«\u202fLe vent\u202f»');
    expect(quotesOf('sv')[0]).toBe('”');
    expect(clean('Pourquoi ?', 'fr')).toBe('Pourquoi\u202f?');
  });

  it('takes empty paragraphs out, but never the last', () => {
    const body = docOf(
      ['One', '', '  ', 'Two', ''].map((words) => paragraphOf({ style: 'body' }, words === '' ? [] : [textOf(words)])),
    );
    expect(cleaned(body)).toBe('One\nTwo');
    expect(cleaned(plainBody('body', ''))).toBe('');
    const empty = docOf([paragraphOf({ style: 'body' }), paragraphOf({ style: 'body' })]);
    expect(cleaned(empty)).toBe('');
  });

  it('sets raised ordinals on the line, in English', () => {
    const body = docOf([
      paragraphOf({ style: 'body' }, [textOf('the 3'), textOf('rd', [markOf('superscript')]), textOf(' kite')]),
    ]);
    const [place] = cleanUps([record(body)], 'en-GB');
    expect([place!.rule, place!.is]).toEqual(['ordinals', 'rd']);
    expect(cleaned(body)).toBe('the 3rd kite');
    expect(cleanUps([record(body)], 'fr')).toEqual([]);
  });

  it('shows each place before and after, and keeps to the rules that are asked for', () => {
    const places = cleanUps([record(plainBody('body', 'One  "kite"...'))], 'en-GB');
    expect(places.map(({ rule, is, becomes }) => [rule, is, becomes])).toEqual([
      ['spaces', '  ', ' '],
      ['quotes', '"', '“'],
      ['quotes', '"', '”'],
      ['dots', '...', '…'],
    ]);
    expect(cleanUps([record(plainBody('body', 'One  "kite"...'))], 'en-GB', new Set(['dots']))).toHaveLength(1);
  });
});

describe('as it is typed', () => {
  it.each([
    ['She said "', { back: 1, words: '“' }],
    ['She said “no"', { back: 1, words: '”' }],
    ["It'", { back: 1, words: '’' }],
    ["6'", undefined],
    ['Wait...', { back: 3, words: '…' }],
    ['The wind --', { back: 2, words: '–' }],
    ['plain', undefined],
  ])('%j', (before, expected) => {
    expect(asTyped(before, 'en-GB')).toEqual(expected);
  });
});
