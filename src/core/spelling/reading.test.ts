import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { replaced } from '../finding/replacing';
import { plainBody } from '../records/body';
import { applied, difference } from '../records/diff';
import { type Document, documentOf } from '../records/document';
import type { DocumentRecord } from '../records/index';
import { type AskedWord, Reading } from './reading';
import type { OwnForm } from './speller';
import { leftAsWritten } from './words';

/** Dictionaries that know a word in one language alone, so that a word read in the wrong one shows. */
class FewWords {
  own: readonly OwnForm[] = [];
  asked = 0;
  setOwn(words: readonly OwnForm[]) {
    this.own = words;
  }
  areWrong(words: readonly AskedWord[]) {
    this.asked += words.length;
    const known: Readonly<Record<string, string>> = { kite: 'en-GB', sail: 'en-GB', voile: 'fr', drachen: 'de' };
    return Promise.resolve(
      words.map(({ word, language }) => known[word] !== language && !this.own.some((own) => own.word === word)),
    );
  }
}

const WORDS = ['kite', 'sail', 'voile', 'drachen', 'Fenn', 'xqz'];

const base = (): Document =>
  documentOf([
    {
      id: 'issue',
      kind: 'issue',
      publication: 'One',
      number: 1,
      date: '2026-11-27',
      language: 'en-GB',
    } as unknown as DocumentRecord,
    { id: 'body', kind: 'paragraphStyle', name: 'Body', properties: {} },
    { id: 'quoted', kind: 'paragraphStyle', name: 'Quoted', basedOn: 'body', properties: {} },
    { id: 'foreign', kind: 'characterStyle', name: 'Foreign', properties: {} },
    { id: 'a', kind: 'text', role: 'body', body: plainBody('body', 'kite voile xqz', 'sail kite') },
    { id: 'b', kind: 'text', role: 'body', body: plainBody('quoted', 'drachen kite Fenn') },
  ]);

describe('the spelling that is read as a document changes', () => {
  it('is the spelling of a document that is read anew, whatever changed: words, styles, languages, own words', async () => {
    const language = fc.constantFrom('en-GB', 'fr', 'de', '');
    const step = fc.oneof(
      fc.record({ do: fc.constant('type' as const), text: fc.constantFrom('a', 'b'), word: fc.constantFrom(...WORDS) }),
      fc.record({ do: fc.constant('style' as const), id: fc.constantFrom('body', 'quoted'), language }),
      fc.record({ do: fc.constant('letters' as const), language }),
      fc.record({ do: fc.constant('issue' as const), language: fc.constantFrom('en-GB', 'fr', 'de') }),
      fc.record({ do: fc.constant('own' as const), word: fc.constantFrom(...WORDS) }),
      fc.record({ do: fc.constant('mark' as const), text: fc.constantFrom('a', 'b') }),
      fc.record({ do: fc.constant('leave' as const), text: fc.constantFrom('a', 'b'), is: fc.boolean() }),
    );
    await fc.assert(
      fc.asyncProperty(fc.array(step, { minLength: 1, maxLength: 8 }), async (steps) => {
        let document = base();
        let own: OwnForm[] = [];
        const reading = new Reading(new FewWords());
        await reading.read(document, own);
        const put = (record: unknown) => {
          const of = record as DocumentRecord;
          document = applied(
            document,
            difference(document, documentOf([...document.records.values()].map((own) => (own.id === of.id ? of : own)))),
          );
        };
        for (const each of steps) {
          if (each.do === 'type') {
            document = applied(
              document,
              replaced(document, [{ text: each.text, paragraph: 0, from: 0, to: 0, words: `${each.word} ` }]),
            );
          } else if (each.do === 'mark')
            document = applied(
              document,
              replaced(document, [{ text: each.text, paragraph: 0, from: 0, to: 4, characterStyle: 'foreign' }]),
            );
          else if (each.do === 'leave')
            document = applied(
              document,
              replaced(document, [{ text: each.text, paragraph: 0, from: 0, to: 11, asWritten: each.is }]),
            );
          else if (each.do === 'own') own = [...own, { word: each.word }];
          else {
            const id = each.do === 'style' ? each.id : each.do === 'letters' ? 'foreign' : 'issue';
            const record = document.records.get(id)! as unknown as { properties: object };
            put(
              each.do === 'issue'
                ? { ...record, language: each.language }
                : { ...record, properties: { ...record.properties, language: each.language } },
            );
          }
          expect(await reading.read(document, own)).toEqual(await new Reading(new FewWords()).read(document, own));
        }
      }),
      { numRuns: 150 },
    );
  });

  it('asks only for the words of paragraphs that changed', async () => {
    const words = new FewWords();
    const reading = new Reading(words);
    const document = base();
    await reading.read(document, []);
    const before = words.asked;
    await reading.read(applied(document, replaced(document, [{ text: 'a', paragraph: 1, from: 0, to: 4, words: 'kite' }])), []);
    expect(words.asked - before).toBe(2);
  });

  it('leaves a word alone where it is spelt so on purpose, and there alone, until it is asked for again', async () => {
    const document = documentOf([{ id: 'a', kind: 'text', role: 'body', body: plainBody('body', 'xqz and xqz') }]);
    const wrong = async (of: Document) =>
      (await new Reading(new FewWords()).read(of, []))!.filter(({ word }) => word === 'xqz').map(({ from }) => from);
    expect(await wrong(document)).toEqual([0, 8]);
    const left = applied(document, replaced(document, [{ text: 'a', paragraph: 0, from: 0, to: 3, asWritten: true }]));
    expect(await wrong(left)).toEqual([8]);
    expect(leftAsWritten(left)).toMatchObject([{ word: 'xqz', from: 0, to: 3 }]);
    // A letter behind it is another word, which is read.
    const longer = applied(left, replaced(left, [{ text: 'a', paragraph: 0, from: 3, to: 4, words: 'z ' }]));
    expect((await new Reading(new FewWords()).read(longer, []))!.map(({ word }) => word)).toContain('xqzz');
    const again = applied(left, replaced(left, [{ text: 'a', paragraph: 0, from: 0, to: 3, asWritten: false }]));
    expect(await wrong(again)).toEqual([0, 8]);
  });
});
