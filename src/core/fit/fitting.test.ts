import { beforeAll, describe, expect, it } from 'vitest';
import {
  baseRecords,
  document,
  pictureFrame,
  pictureRecord,
  prose,
  textFrame,
  textRecord,
} from '../../../tests/support/documents';
import { paragraphStyle } from '../../../tests/support/composed';
import { composerFor } from '../../../tests/support/faces';
import type { Composer } from '../compose/composer';
import { bodyText, plainBody } from '../records/body';
import { applied, inverted } from '../records/diff';
import { type Document, get } from '../records/document';
import type { DocumentRecord, FrameRecord } from '../records/index';
import { same } from '../records/same';
import { Fitting } from './fitting';
import { overBy, type TriedMend } from './way';

/** Sentences of which one says again what another says. */
const AGAIN =
  'The harbour master measured the height of every kite over the breakwater before the ferry left. ' +
  'Nobody on the quay believed the figures at first. ' +
  'The harbour master measured the height of every kite over the breakwater again in June. ';

const long = (seed: number, words: number): string => prose(words, seed);

/** A story of four paragraphs under a headline of two lines, with a picture in its columns, a pull quote and a standfirst. */
function story(height: number, more: readonly DocumentRecord[] = []): Document {
  const records: DocumentRecord[] = [
    ...baseRecords(4),
    paragraphStyle('free', { size: 9, leading: 12, onGrid: false, align: 'justify' }),
    textRecord('h', plainBody('headline', 'Wind over the long wall at sea'), { role: 'headline', story: 's' }),
    textRecord('sf', plainBody('body', prose(18, 8)), { role: 'standfirst', story: 's' }),
    textRecord('t', plainBody('free', long(1, 60), `${AGAIN}${long(2, 30)}`, long(3, 45), long(4, 30)), { story: 's' }),
    textRecord('q', plainBody('pullQuote', '‘Nobody on the quay believed the figures’'), {
      role: 'quote',
      story: 's',
      source: { text: 't', words: 'Nobody on the quay believed the figures' },
    }),
    {
      id: 's',
      kind: 'story',
      name: 'Wind',
      section: 'News',
      order: 'a0',
      tint: 0,
      parts: { headline: 'h', body: 't', standfirst: 'sf' },
    },
    textFrame('fh', 'h', 'p2', { x: 50, y: 48, w: 300, h: 30 }, { grows: true }),
    textFrame('fs', 'sf', 'p2', { x: 50, y: 102, w: 300, h: 24 }),
    { ...textFrame('ft', 't', 'p2', { x: 50, y: 132, w: 300, h: height }, { columns: 3 }), order: 'a1' },
    pictureRecord('pic', { colour: 'cmyk' }),
    { ...pictureFrame('pf', 'pic', 'p2', { x: 155, y: 160, w: 90, h: 96 }, { mode: 'frame', standOff: 6 }), order: 'a2' },
    {
      ...textFrame('fq', 'q', 'p2', { x: 260, y: 180, w: 90, h: 50 }, { grows: true, ignoresWraps: true }),
      order: 'a3',
      wrap: { mode: 'frame', standOff: 6, outline: 'alpha' },
    } as FrameRecord,
    ...more,
  ];
  return document(...records);
}

let composer: Composer;
beforeAll(async () => void ({ composer } = await composerFor(story(200))));

const over = (of: Document): number => overBy(composer.compose(of).fits.get('t')!);

/** The height at which the story is so many lines over; fewer than none is room. */
function tall(lines: number): Document {
  for (let height = 120; height < 460; height += 4) {
    const of = story(height);
    if (over(of) <= lines) return of;
  }
  throw new Error('It never comes to that.');
}

const found = (fitting: Fitting): TriedMend[] => [...fitting.mends()].flatMap((each) => each ?? []);

describe('a story that is over', () => {
  const of = () => tall(12);

  it('is offered mends of many kinds, each with its price, and each does what it says', () => {
    const before = of();
    const fitting = new Fitting(before, 't', composer);
    const mends = found(fitting);
    const kinds = new Set(mends.map(({ id }) => id.split(' ')[0]));
    for (const kind of ['picture', 'headline', 'quote', 'standfirst', 'onward', 'cut']) expect(kinds, kind).toContain(kind);
    const start = over(before);
    for (const { id, lines, price, name } of mends) {
      expect(price, id).not.toBe('');
      expect(name, id).not.toBe('');
      const { diff, fit } = fitting.together([id]);
      const now = over(applied(before, diff));
      expect(now, id).toBe(overBy(fit));
      expect(start - now, id).toBe(lines);
      expect(lines, id).toBeGreaterThan(0);
      // And back: what was taken is undone.
      expect(over(applied(applied(before, diff), inverted(diff)))).toBe(start);
    }
  });

  it('is made to fit by some of them together, in one change, and loses no word that nobody cut', () => {
    const before = of();
    const fitting = new Fitting(before, 't', composer);
    const mends = found(fitting);
    const chosen: string[] = [];
    for (const { id, cut } of mends) {
      if (cut) continue;
      chosen.push(id);
      if (overBy(fitting.together(chosen).fit) <= 0) break;
    }
    const { diff, fit } = fitting.together(chosen);
    expect(fit.oversetLines).toBe(0);
    const now = applied(before, diff);
    expect(over(now)).toBeLessThanOrEqual(0);
    for (const text of ['t', 'h', 'sf', 'q']) {
      const record = now.records.get(text);
      if (record?.kind === 'text') expect(bodyText(record.body)).toBe(bodyText(get(before, 'text', text).body));
    }
    expect(bodyText(get(now, 'text', 't').body)).toBe(bodyText(get(before, 'text', 't').body));
    expect(get(now, 'story', 's').parts).toEqual(get(before, 'story', 's').parts);
  });

  it('loses just the sentences that were ticked, from wherever they stand', () => {
    const before = of();
    const fitting = new Fitting(before, 't', composer);
    const cuts = found(fitting).filter(({ cut }) => cut);
    expect(cuts.length).toBeGreaterThan(2);
    expect(cuts.map(({ price }) => price).join('\n')).toContain('says again what paragraph 2 says');
    const chosen = cuts.slice(0, 3);
    const now = bodyText(get(applied(before, fitting.together(chosen.map(({ id }) => id)).diff), 'text', 't').body);
    let left = bodyText(get(before, 'text', 't').body);
    for (const { cut } of chosen) left = left.replace(`${cut!.words} `, '').replace(` ${cut!.words}`, '');
    expect(now).toBe(left);
    for (const { cut } of chosen) expect(now).not.toContain(cut!.words);
  });

  it('stays as it is until something is taken', () => {
    const before = of();
    const fitting = new Fitting(before, 't', composer);
    found(fitting);
    expect(same([...before.records], [...of().records])).toBe(true);
    expect(fitting.together([]).diff).toEqual({ added: [], updated: [], removed: [], texts: [] });
    // A mend that is not known any more is left out.
    expect(fitting.together(['gone']).fit.oversetLines).toBe(fitting.fit.oversetLines);
  });

  it('keeps spaces within what its style allows', () => {
    const fitting = new Fitting(of(), 't', composer);
    for (const { id } of found(fitting)) {
      if (id !== 'spaces') continue;
      const { diff } = fitting.together([id]);
      get(applied(fitting.document, diff), 'text', 't').body.forEach((node) => {
        const { wordSpace } = node.attrs['local'] as { wordSpace: { least: number; best: number; most: number } };
        expect(wordSpace.best).toBeGreaterThanOrEqual(wordSpace.least);
      });
    }
  });
});

describe('a story that is short', () => {
  it('is offered what fills its room, and nothing that would put words over', () => {
    const before = tall(-5);
    const filler: DocumentRecord[] = [
      textRecord('fh9', plainBody('headline', 'Tides'), { role: 'headline' }),
      textRecord('ft9', plainBody('body', prose(12, 6)), { story: 's9' }),
      { id: 's9', kind: 'story', name: 'Tides', section: '', order: 'a9', tint: 2, parts: { headline: 'fh9', body: 'ft9' } },
    ];
    const of = document(...before.records.values(), ...filler, pictureRecord('spare', { colour: 'cmyk' }));
    const fitting = new Fitting(of, 't', composer);
    const mends = found(fitting);
    expect(fitting.fit.room).toBeGreaterThan(3);
    expect(mends.length).toBeGreaterThan(1);
    for (const { id, lines } of mends) {
      const now = over(applied(of, fitting.together([id]).diff));
      expect(now, id).toBeLessThanOrEqual(0);
      expect(now + fitting.fit.room, id).toBe(lines);
    }
    expect(mends.some(({ id }) => /^(picture|leading|quote in)/.test(id))).toBe(true);
  });
});

describe('a text on no page', () => {
  it('is not made to fit', () => {
    const of = document(...story(200).records.values(), textRecord('loose', plainBody('body', 'Words.')));
    expect(() => new Fitting(of, 'loose', composer)).toThrow('That text is on no page yet.');
  });
});
