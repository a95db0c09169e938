import { describe, expect, it } from 'vitest';
import { documentOf } from '../records/document';
import { markOf, paragraphOf, plainBody, textOf } from '../records/body';
import { styleSheet } from '../type/styles';
import { namesIn, wordsIn, wordsOfParagraph } from './words';
import { dictionaryOf } from './speller';

const words = (text: string, language = 'en-GB') => wordsIn(text, language).map(({ word }) => word);

describe('words for a dictionary', () => {
  it('are parted as Unicode parts them (UAX #29), without what no dictionary knows', () => {
    expect(words('It didn’t “fly” – not at 14:30, nor in CMYK; see https://kite.example/a?b=c or mail a@b.example.')).toEqual([
      ...['It', 'didn’t', 'fly', 'not', 'at', 'nor', 'in', 'see', 'or', 'mail'],
    ]);
    expect(words('the kites’ lines')).toEqual(['the', 'kites', 'lines']);
    expect(words('l’homme aujourd’hui', 'fr')).toEqual(['l’homme', 'aujourd’hui']);
    const [word] = wordsIn('  harbour', 'en-GB');
    expect([word!.from, word!.to]).toEqual([2, 9]);
  });

  it('are in the language of their own formatting, else of their style, else of the issue', () => {
    const document = documentOf([
      { id: 'body', kind: 'paragraphStyle', name: 'Body', properties: {} },
      { id: 'fr', kind: 'paragraphStyle', name: 'French', properties: { language: 'fr' } },
    ]);
    const sheet = styleSheet(document);
    const node = paragraphOf({ style: 'body' }, [
      textOf('plain '),
      textOf('gesagt', [markOf('local', { properties: { language: 'de' } })]),
    ]);
    expect(wordsOfParagraph(node, sheet, 'en-GB').map(({ word, language }) => [word, language])).toEqual([
      ['plain', 'en-GB'],
      ['gesagt', 'de'],
    ]);
    expect(wordsOfParagraph(paragraphOf({ style: 'fr' }, [textOf('dit')]), sheet, 'en-GB')[0]!.language).toBe('fr');
  });

  it('have a dictionary by language, and none where none ships', () => {
    expect(['en-GB', 'en-US', 'en-AU', 'de-AT', 'fr', 'pl'].map(dictionaryOf)).toEqual([
      'en-gb',
      'en',
      'en-gb',
      'de',
      'fr',
      undefined,
    ]);
  });

  it('learns the names of the issue’s own people', () => {
    const document = documentOf([
      { id: 'b', kind: 'text', role: 'byline', story: 's', body: plainBody('byline', 'By Odalys Fenn') },
      { id: 'h', kind: 'text', role: 'headline', story: 's', body: plainBody('headline', 'Kites') },
      { id: 'x', kind: 'text', role: 'body', story: 's', body: plainBody('body', 'Text') },
      {
        id: 's',
        kind: 'story',
        name: 'Kites',
        section: '',
        order: 'a0',
        tint: 0,
        writer: 'Ivo Marr',
        parts: { headline: 'h', body: 'x', byline: 'b' },
      },
    ]);
    expect(namesIn(document)).toEqual(['By', 'Fenn', 'Ivo', 'Marr', 'Odalys']);
  });
});
