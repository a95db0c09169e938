import { describe, expect, it } from 'vitest';
import { composed, paragraph } from '../../../../tests/support/composed';
import { baseRecords, document, prose, textFrame, textRecord } from '../../../../tests/support/documents';
import { composerFor } from '../../../../tests/support/faces';
import { docOf, countWords } from '../../records/body';
import { PLAIN, styleSheet } from '../../type/styles';
import { wordsThatFit } from './slotWords';
import { sampleOf } from '../../page/sampleText';
import { compareBreaking, specimens, wordsPerPage } from './typeSheet';
import { measuresOf } from './surface';
import { unevennessOf } from './wordSpaces';

const house = document(...baseRecords(0));
const body = Array.from({ length: 12 }, (_, i) => prose(40 + 7 * i, i + 1));

describe('words that fit an empty slot', () => {
  // Measured against what is really set: text like it in columns of that measure, ended where the slot ends.
  it.each([
    [90, 40],
    [142, 40],
    [200, 25],
    [300, 42],
  ])('are right within six hundredths, on %d pt and %d lines', async (measure, lines) => {
    const { composer } = await composerFor(house);
    const style = styleSheet(house).paragraph.get('body')!;
    const even = Array.from({ length: 30 }, (_, i) => prose(60, 50 + i));
    const sample = even.map((words) => composer.prepared(house, paragraph('body', words), style));
    const words = wordsThatFit(sample, measure, lines);
    const { fits } = await composed(
      ...baseRecords(1),
      textRecord('text', docOf(even.map((each) => paragraph('body', each)))),
      textFrame('f', 'text', 'p1', { x: 50, y: 48, w: measure, h: lines * 12 }),
    );
    const all = even.reduce((sum, each) => sum + countWords(each), 0);
    const fit = fits.get('text')!;
    expect(fit.oversetLines).toBeGreaterThan(0);
    expect(Math.abs(words / (all - fit.oversetWords) - 1)).toBeLessThan(0.06);
  });

  it('are none where there is no room or no text', async () => {
    const { composer } = await composerFor(house);
    const sample = [composer.prepared(house, paragraph('body', prose(50)), PLAIN)];
    expect(wordsThatFit([], 100, 10)).toBe(0);
    expect(wordsThatFit(sample, 0, 10)).toBe(0);
    expect(wordsThatFit(sample, 100, 0)).toBe(0);
  });
});

describe('a type sheet', () => {
  it('shows every paragraph style of the house with its figures', async () => {
    const { composer } = await composerFor(house);
    const list = specimens(house, composer, { headline: 'Wind over the harbour', body: body.slice(0, 3) });
    expect(list.map(({ style }) => style)).toEqual(['body', 'headline', 'crosshead', 'pullQuote']);
    const [text, headline, crosshead] = list;
    expect(text).toMatchObject({ measure: measuresOf(house).body, basedOn: undefined });
    expect(text!.charactersPerLine).toBeGreaterThan(12);
    expect(text!.charactersPerLine).toBeLessThan(26);
    expect(text!.unevenness).toBeGreaterThan(0);
    expect(headline).toMatchObject({ unevenness: undefined, measure: measuresOf(house).area });
    expect(headline!.item.columns[0]!.lines[0]!.runs[0]!.look.size).toBe(24);
    expect(crosshead).toMatchObject({ basedOn: 'Body' });
  });

  it('begins with as many specimens as are asked for, the same as in the whole sheet', async () => {
    const marked = document(...baseRecords(0), {
      id: 'em',
      kind: 'characterStyle',
      name: 'Emphasis',
      properties: { italic: true },
    });
    const { composer } = await composerFor(marked);
    const sample = { headline: 'Wind over the harbour', body: body.slice(0, 3) };
    const whole = specimens(marked, composer, sample);
    expect(whole.at(-1)!.style).toBe('em');
    for (const most of [1, 3, 4, 5, 9]) expect(specimens(marked, composer, sample, most)).toEqual(whole.slice(0, most));
  });

  it('compares the two ways of breaking on one text: the whole paragraph’s is the evener', async () => {
    const { composer } = await composerFor(house);
    const { totalFit, firstFit } = compareBreaking(house, composer, 'body', body);
    expect(totalFit.length).toBeGreaterThan(50);
    expect(Math.abs(totalFit.length - firstFit.length)).toBeLessThan(12);
    expect(unevennessOf(totalFit)).toBeLessThan(unevennessOf(firstFit));
  });

  it('reckons the words of a page from the house’s own text', async () => {
    const { composer } = await composerFor(house);
    const words = wordsPerPage(house, composer, 'body', body);
    expect(words).toBeGreaterThan(250);
    expect(words).toBeLessThan(600);
  });

  it('takes its text from the longest story there is', () => {
    const story = (id: string) =>
      ({
        id,
        kind: 'story',
        name: `Story ${id}`,
        section: '',
        order: 'a0',
        tint: 0,
        parts: { headline: 'h', body: `${id}-body` },
      }) as const;
    const issue = document(
      ...baseRecords(),
      story('short'),
      story('long'),
      textRecord('short-body', docOf([paragraph('body', prose(40))])),
      textRecord('long-body', docOf([paragraph('body', 'A head'), paragraph('body', prose(90))])),
    );
    expect(sampleOf(issue)).toEqual({ headline: 'Story long', body: [prose(90)] });
    expect(sampleOf(document(...baseRecords()))).toBeUndefined();
  });
});
