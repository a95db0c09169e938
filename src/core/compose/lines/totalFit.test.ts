import fc from 'fast-check';
import { breakLines, type InputItem } from 'tex-linebreak';
import { describe, expect, it } from 'vitest';
import { leastDemerits, preparedOf, ratioOf, type Item } from '../../../../tests/support/paragraphs';
import { firstFit } from './firstFit';
import { mostSteps, totalFit, USUAL } from './totalFit';

const uniform = (width: number) => ({ widthOf: () => width, uniformFrom: 1 });

/**
 * The worked example of Knuth and Plass, "Breaking Paragraphs into Lines" (1981), figures 2 and 3: the beginning of the
 * Frog King, character widths in units of 1/18 em, lines of 390 units. Text, widths, glue and the printed adjustment
 * ratios are given from memory; that eleven ratios come out as printed to three places is what vouches for them.
 */
const FROG_KING =
  'In olden times when wish-ing still helped one, there lived a king whose daugh-ters were all beau-ti-ful; and the young-est was so ' +
  'beau-ti-ful that the sun it-self, which has seen so much, was aston-ished when-ever it shone in her face. Close by the king’s castle ' +
  'lay a great dark for-est, and un-der an old lime=tree in the for-est was a well, and when the day was very warm, the king’s child ' +
  'went out into the for-est and sat down by the side of the cool foun-tain; and when she was bored she took a golden ball, and threw ' +
  'it up on high and caught it; and this ball was her fa-vor-ite play-thing.';

const WIDTHS: Readonly<Record<string, number>> = {
  a: 9, b: 10, c: 8, d: 10, e: 8, f: 6, g: 9, h: 10, i: 5, j: 6, k: 10, l: 5, m: 15, n: 10, o: 9, p: 10, q: 10, r: 7, s: 7, t: 7, u: 10, v: 9, w: 13, x: 10, y: 10, z: 8,
  C: 13, I: 6, '-': 6, ',': 5, ';': 5, '.': 5, '’': 5,
}; // prettier-ignore

function frogKing(): Item[] {
  const items: Item[] = [{ type: 'box', width: 18 }];
  for (const [i, character] of [...FROG_KING].entries()) {
    const before = FROG_KING[i - 1];
    if (character === ' ') {
      items.push(
        before === ','
          ? { type: 'glue', width: 6, stretch: 4, shrink: 2 }
          : before === ';'
            ? { type: 'glue', width: 6, stretch: 4, shrink: 1 }
            : before === '.'
              ? { type: 'glue', width: 8, stretch: 6, shrink: 1 }
              : { type: 'glue', width: 6, stretch: 3, shrink: 2 },
      );
    } else if (character === '-') items.push({ type: 'penalty', width: 6, cost: 50, flagged: true });
    else if (character === '=') items.push({ type: 'box', width: 6 }, { type: 'penalty', width: 0, cost: 50, flagged: true });
    else items.push({ type: 'box', width: WIDTHS[character]! });
  }
  return items;
}

describe('the worked example of the paper', () => {
  it('is broken as printed', () => {
    const prepared = preparedOf(frogKing());
    const { breaks } = totalFit(prepared, uniform(390), {
      ...USUAL,
      tolerance: 1,
      consecutiveHyphens: 3000,
      fitnessChange: 3000,
      finalHyphen: 0,
    });
    const ratios = breaks.slice(1, -1).map((b, i) => ratioOf(prepared, breaks[i]!, b, 390).toFixed(3));
    expect(ratios).toEqual(PRINTED);
  });
});

const PRINTED = ['0.857', '0.000', '0.280', '1.000', '0.067', '-0.278', '0.536', '-0.167', '0.700', '-0.176', '0.357'];

/** Random paragraphs of words of one to twelve units, some with hyphens. */
const paragraph = fc
  .array(fc.record({ width: fc.integer({ min: 8, max: 70 }), hyphen: fc.boolean(), comma: fc.boolean() }), {
    minLength: 4,
    maxLength: 45,
  })
  .map((words) =>
    words.flatMap(({ width, hyphen, comma }, i): Item[] => [
      ...(i > 0 ? [{ type: 'glue' as const, width: 6, stretch: comma ? 4 : 3, shrink: 2 }] : []),
      ...(hyphen && width > 24
        ? [
            { type: 'box' as const, width: Math.floor(width / 2) },
            { type: 'penalty' as const, width: 6, cost: 50, flagged: true },
            { type: 'box' as const, width: Math.ceil(width / 2) },
          ]
        : [{ type: 'box' as const, width }]),
    ]),
  );

describe('total fit', () => {
  it('finds the fewest demerits there are, whatever the width', () => {
    fc.assert(
      fc.property(paragraph, fc.integer({ min: 120, max: 320 }), (items, width) => {
        const prepared = preparedOf(items);
        const least = leastDemerits(prepared, () => width, USUAL);
        const found = totalFit(prepared, uniform(width));
        if (least < Infinity) expect(found.demerits / least).toBeCloseTo(1, 9);
        else expect(found.breaks.at(-1)).toBe(prepared.count - 1);
      }),
      { numRuns: 300, seed: 1981 },
    );
  });

  it('finds the fewest when every line has its own width', () => {
    fc.assert(
      fc.property(paragraph, fc.array(fc.integer({ min: 110, max: 320 }), { minLength: 6, maxLength: 6 }), (items, widths) => {
        const prepared = preparedOf(items);
        const widthOf = (line: number) => widths[Math.min(line, widths.length - 1)]!;
        const least = leastDemerits(prepared, widthOf, USUAL);
        const found = totalFit(prepared, { widthOf, uniformFrom: Infinity });
        if (least < Infinity) expect(found.demerits / least).toBeCloseTo(1, 9);
        else expect(found.breaks.at(-1)).toBe(prepared.count - 1);
      }),
      { numRuns: 300, seed: 1982 },
    );
  });

  // Reference: tex-linebreak, an independent implementation of the paper.
  it('breaks where tex-linebreak does', () => {
    const plain = { ...USUAL, consecutiveHyphens: 0, fitnessChange: 0, finalHyphen: 0 };
    let compared = 0;
    for (const items of fc.sample(paragraph, { numRuns: 200, seed: 7 })) {
      const prepared = preparedOf(items);
      const least = leastDemerits(prepared, () => 240, plain);
      if (least === Infinity) continue;
      const theirs: InputItem[] = [
        ...items,
        { type: 'glue', width: 0, stretch: 1e6, shrink: 0 },
        { type: 'penalty', width: 0, cost: -1000, flagged: false },
      ];
      const breakpoints = breakLines(theirs, 240, {
        maxAdjustmentRatio: USUAL.tolerance,
        initialMaxAdjustmentRatio: USUAL.tolerance,
        doubleHyphenPenalty: 0,
        adjacentLooseTightPenalty: 0,
      });
      const ours = totalFit(prepared, uniform(240), plain);
      const positions = ours.breaks.slice(1, -1).map((b) => prepared.end[b]);
      expect(positions).toEqual(breakpoints.slice(1, -1));
      compared++;
    }
    expect(compared).toBeGreaterThan(100);
  });

  it('takes a word longer than its line, and says that it was forced', () => {
    const prepared = preparedOf([
      { type: 'box', width: 50 },
      { type: 'glue', width: 6, stretch: 3, shrink: 2 },
      { type: 'box', width: 400 },
      { type: 'glue', width: 6, stretch: 3, shrink: 2 },
      { type: 'box', width: 50 },
    ]);
    const { breaks, forced } = totalFit(prepared, uniform(100));
    expect(breaks).toEqual([0, 1, 2, 3]);
    expect(forced).toBeGreaterThan(0);
  });

  it('gives an answer for a measure of nothing and for a paragraph of nothing', () => {
    const words = preparedOf(
      Array.from({ length: 9 }, (_, i): Item =>
        i % 2 ? { type: 'glue', width: 6, stretch: 3, shrink: 2 } : { type: 'box', width: 20 },
      ),
    );
    expect(totalFit(words, uniform(0)).breaks.at(-1)).toBe(words.count - 1);
    expect(totalFit(preparedOf([]), uniform(100)).breaks).toEqual([0, 1]);
  });

  it('breaks ragged text as a whole: no line is much shorter than it need be', () => {
    const widths = [60, 60, 60, 60, 60, 60, 60];
    const prepared = preparedOf(
      widths.flatMap((width, i): Item[] => [
        ...(i ? [{ type: 'glue' as const, width: 6, stretch: 3, shrink: 2 }] : []),
        { type: 'box', width },
      ]),
    );
    const { breaks } = totalFit(prepared, uniform(280), { ...USUAL, ragged: 30 });
    // Greedy would set four words and three; so does the best, as the last line is free.
    expect(breaks).toEqual([0, 4, 7]);
  });
});

describe('the steps it takes', () => {
  // What may come of any text and any page: glue without give, boxes of no width or longer than every line, lines of all widths.
  const wild: fc.Arbitrary<Item[]> = fc.array(
    fc.oneof(
      fc.record({ type: fc.constant('box' as const), width: fc.constantFrom(0, 1, 20, 400) }),
      fc.record({
        type: fc.constant('glue' as const),
        width: fc.constantFrom(0, 6),
        stretch: fc.constantFrom(0, 3, 1000),
        shrink: fc.constantFrom(0, 2),
      }),
    ),
    { maxLength: 400 },
  );

  it('are never more than a stated number, for any text, lines and wishes', () => {
    fc.assert(
      fc.property(
        wild,
        fc.array(fc.constantFrom(0, 3, 90, 300, 5000), { minLength: 1, maxLength: 9 }),
        fc.boolean(),
        fc.integer({ min: -2, max: 2 }),
        fc.constantFrom(0, 30),
        (items, widths, isUniform, looseness, ragged) => {
          const prepared = preparedOf(items);
          const measure = { widthOf: (line: number) => widths[line % widths.length]!, uniformFrom: isUniform ? 1 : Infinity };
          const { steps, breaks } = totalFit(prepared, measure, { ...USUAL, looseness, ragged });
          expect(steps).toBeLessThanOrEqual(mostSteps(prepared.count));
          expect(breaks.at(-1)).toBe(prepared.count - 1);
          const greedy = firstFit(prepared, measure);
          expect(greedy.steps).toBeLessThanOrEqual(prepared.count * (greedy.breaks.length + 1));
        },
      ),
      { numRuns: 200, seed: 21 },
    );
  });

  it('are cut short where they would grow with the square of the text', () => {
    // Everything fits into one line of any length: each break is a way on from each before it.
    const items = Array.from({ length: 6001 }, (_, i): Item =>
      i % 2 ? { type: 'glue', width: 1, stretch: 1000, shrink: 0 } : { type: 'box', width: 1 },
    );
    const prepared = preparedOf(items);
    const { steps, breaks } = totalFit(prepared, uniform(1e6), { ...USUAL, ragged: 1e6 });
    expect(steps).toBeLessThanOrEqual(mostSteps(prepared.count));
    expect(breaks.at(-1)).toBe(prepared.count - 1);
  });
});

describe('first fit', () => {
  it('takes all that fits, line by line', () => {
    const prepared = preparedOf(
      Array.from({ length: 19 }, (_, i): Item =>
        i % 2 ? { type: 'glue', width: 10, stretch: 3, shrink: 2 } : { type: 'box', width: 30 },
      ),
    );
    expect(firstFit(prepared, uniform(110)).breaks).toEqual([0, 3, 6, 9, 10]);
    expect(firstFit(prepared, uniform(109)).breaks).toEqual([0, 2, 4, 6, 8, 10]);
  });

  it('never has fewer demerits than total fit', () => {
    fc.assert(
      fc.property(paragraph, (items) => {
        const prepared = preparedOf(items);
        const greedy = firstFit(prepared, uniform(260)).breaks;
        const best = totalFit(prepared, uniform(260), { ...USUAL, consecutiveHyphens: 0, fitnessChange: 0, finalHyphen: 0 });
        let sum = 0;
        for (let i = 1; i < greedy.length; i++) {
          const r = ratioOf(prepared, greedy[i - 1]!, greedy[i]!, 260);
          sum += (1 + 100 * Math.abs(r) ** 3 + Math.max(0, prepared.penalty[greedy[i]!]!)) ** 2;
        }
        if (best.forced === 0) expect(best.demerits).toBeLessThanOrEqual(sum + 1e-6);
      }),
      { numRuns: 150, seed: 3 },
    );
  });
});
