import type { Node } from 'prosemirror-model';
import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { mark, paragraph, paragraphStyle, text } from '../../../tests/support/composed';
import { at, inHand } from '../../../tests/support/typing';
import { checkBody, docOf, paragraphsOf, plainText } from '../records/body';
import type { ParagraphAttrs } from '../records/text';
import { documentOf } from '../records/document';
import { styleSheet } from '../type/styles';
import {
  clearLocal,
  formattingOf,
  indentList,
  localOfParagraph,
  setCharacterStyle,
  setLetters,
  setLink,
  setParagraphs,
  stepSize,
  toggle,
  toggleList,
} from './formatting';
import { everything, type TextRange } from './places';
import type { TextCommand } from './typing';

const sheet = styleSheet(
  documentOf([
    paragraphStyle('body', { size: 10, leading: 13 }),
    paragraphStyle('headline', { size: 40, leading: 44 }),
    { id: 'c', kind: 'characterStyle', name: 'C', properties: { tracking: 50 } },
  ]),
);

const range = (from: number, to: number, paragraph = 0, last = paragraph): TextRange => ({
  anchor: { paragraph, offset: from },
  head: { paragraph: last, offset: to },
});

function done(body: Node, of: TextRange, command: TextCommand): Node {
  const tr = command(inHand(body, of));
  const after = tr ? tr.doc : body;
  checkBody(after);
  return after;
}

const runs = (body: Node, index = 0) =>
  paragraphsOf(body)[index]!.content.content.map((node) => [node.text, ...node.marks.map(({ type }) => type.name)]);
const local = (body: Node, index = 0) => (paragraphsOf(body)[index]!.attrs as ParagraphAttrs).local;

describe('marks', () => {
  const body = docOf([paragraph('body', 'one two three'), paragraph('body', 'four')]);

  it('come on to what is selected, and off again where all of it has them', () => {
    const strong = done(body, range(4, 7), toggle('strong'));
    expect(runs(strong)).toEqual([['one '], ['two', 'strong'], [' three']]);
    // In part: it becomes so throughout.
    const wider = done(strong, range(0, 7), toggle('strong'));
    expect(runs(wider)).toEqual([['one two', 'strong'], [' three']]);
    expect(done(wider, range(0, 7), toggle('strong'))).toEqual(body);
  });

  it('reach over paragraphs, and what is only touched at its beginning is left alone', () => {
    const across = done(body, range(8, 2, 0, 1), toggle('emphasis'));
    expect([runs(across), runs(across, 1)]).toEqual([
      [['one two '], ['three', 'emphasis']],
      [['fo', 'emphasis'], ['ur']],
    ]);
    const styled = done(body, range(0, 0, 0, 1), setParagraphs({ style: 'headline' }));
    expect(paragraphsOf(styled).map(({ attrs }) => attrs['style'])).toEqual(['headline', 'body']);
  });

  it('are asked for before the next letter, where nothing is selected', () => {
    const state = at(body, { paragraph: 0, offset: 3 });
    const asked = state.apply(toggle('strong')(state)!);
    expect(formattingOf(asked, sheet).strong).toBe('all');
    expect(asked.doc).toBe(body);
  });

  it('link words, and take the whole link off from a caret in it', () => {
    const linked = done(body, range(4, 7), setLink('https://longspar.example'));
    expect(runs(linked)[1]).toEqual(['two', 'link']);
    const bold = done(linked, range(5, 6), toggle('strong'));
    expect(done(done(bold, range(5, 5), setLink(undefined)), range(5, 6), toggle('strong'))).toEqual(body);
  });
});

describe('what is said by hand', () => {
  const body = docOf([paragraph('headline', [text('A '), text('long', mark('emphasis')), text(' headline')])]);

  it('is said by the paragraph where it is selected whole, with its leading in step', () => {
    const larger = done(body, everything(body), stepSize(1, sheet));
    expect(local(larger)).toEqual({ size: 42, leading: 46.2 });
    expect(runs(larger)).toEqual(runs(body));
    expect(done(larger, everything(larger), clearLocal)).toEqual(body);
  });

  it('is said by some letters alone, and does not touch the leading', () => {
    const larger = done(body, range(0, 6), stepSize(1, sheet));
    expect(local(larger)).toBeUndefined();
    expect(paragraphsOf(larger)[0]!.child(0).marks[0]!.attrs).toEqual({ properties: { size: 42 } });
    expect(formattingOf(inHand(larger, everything(larger)), sheet).letters.size).toBeUndefined();
    expect(formattingOf(inHand(larger, range(0, 6)), sheet)).toMatchObject({ local: true, letters: { size: 42 } });
  });

  it('goes away with one command, while emphasis and styles stay', () => {
    const styled = done(body, range(0, 6), setCharacterStyle('c'));
    const coloured = done(styled, range(1, 4), setLetters({ swatch: 'accent' }, sheet));
    expect(done(coloured, everything(coloured), clearLocal)).toEqual(styled);
  });

  it('can be what a style is made of', () => {
    const said = done(body, everything(body), setLetters({ tracking: 20 }, sheet));
    expect(localOfParagraph(inHand(said, range(0, 0)))).toEqual({ tracking: 20 });
  });
});

describe('lists', () => {
  it('are made, indented and unmade', () => {
    const body = docOf([paragraph('body', 'a'), paragraph('body', 'b')]);
    const list = done(body, everything(body), toggleList('number'));
    expect(paragraphsOf(list).map(({ attrs }) => attrs['list'])).toEqual([
      { kind: 'number', level: 0, number: 1 },
      { kind: 'number', level: 0, number: 2 },
    ]);
    const inner = done(list, range(0, 1, 1), indentList(1));
    expect(paragraphsOf(inner)[1]!.attrs['list']).toMatchObject({ level: 1 });
    expect(done(list, everything(list), toggleList('number'))).toEqual(body);
  });
});

describe('formatting', () => {
  it('never changes a word, and what it does is a document that can be stored', () => {
    const commands: TextCommand[] = [
      toggle('strong'),
      toggle('superscript'),
      toggle('subscript'),
      stepSize(1, sheet),
      stepSize(-1, sheet),
      setLetters({ letterCase: 'upper', swatch: 'ink' }, sheet),
      setCharacterStyle('c'),
      setParagraphs({ style: 'headline', startIn: 'column' }),
      toggleList('bullet'),
      setLink('https://longspar.example'),
      clearLocal,
    ];
    const start = docOf([paragraph('body', 'The spar remembers'), paragraph('body', ''), paragraph('headline', 'every knot')]);
    fc.assert(
      fc.property(
        fc.array(fc.tuple(fc.nat(commands.length - 1), fc.nat(2), fc.nat(18), fc.nat(2), fc.nat(18)), { maxLength: 12 }),
        (many) => {
          let body = start;
          for (const [which, a, from, b, to] of many)
            body = done(body, { anchor: { paragraph: a, offset: from }, head: { paragraph: b, offset: to } }, commands[which]!);
          expect(paragraphsOf(body).map(plainText)).toEqual(paragraphsOf(start).map(plainText));
        },
      ),
      { numRuns: 200 },
    );
  });
});
