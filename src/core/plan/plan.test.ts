import { describe, expect, it } from 'vitest';
import {
  baseRecords,
  document,
  pictureFrame,
  pictureRecord,
  proseBody,
  textFrame,
  textRecord,
  flawOf,
} from '../../../tests/support/documents';
import { composerFor } from '../../../tests/support/faces';
import { bookAdvertisement, cancelAdvertisement, placeAdvertisement } from '../actions/advertisements';
import { duplicatePages, movePages, putRecurring, removePages } from '../actions/pages';
import { removeSection, setSection } from '../actions/sections';
import { fillSlots, putSlot } from '../actions/slots';
import { planStory, setStory } from '../actions/stories';
import { Composer } from '../compose/composer';
import { partOf } from '../compose/measure/part';
import { slotKey, slotWords } from '../compose/measure/slotFits';
import { DUMMY_TEXT } from '../page/dummyText';
import { placedPages } from '../page/pages';
import { slotsOn } from '../page/slots';
import { bodyText, countWords, plainBody } from '../records/body';
import { applied, type Diff } from '../records/diff';
import { all, type Document, documentOf, framesOn, get, threadOf } from '../records/document';
import type { DocumentRecord, StoryRecord } from '../records/index';
import { balanceOf, wholeBalance } from './balance';
import { signatures, signatureWords } from './signatures';
import { startIssue } from './startIssue';
import { startingHouse } from './startingHouse';
import { daysLeft, pagesWords, storyList, wordsOf } from './storyList';

function done(doc: Document, diff: Diff): Document {
  for (const record of [...diff.added, ...diff.updated.map(({ after }) => after)]) expect(flawOf(record)).toBeUndefined();
  return applied(doc, diff);
}

const story = (id: string, words: number, more: Partial<StoryRecord> = {}): DocumentRecord[] => [
  {
    id,
    kind: 'story',
    name: id,
    section: 'News',
    order: `a${id}`,
    tint: 0,
    parts: { headline: `${id}-headline`, body: `${id}-body` },
    ...more,
  },
  textRecord(`${id}-headline`, plainBody('headline', 'Wind'), { role: 'headline', story: id }),
  textRecord(`${id}-body`, proseBody(words, 3), { story: id }),
];

const order = (doc: Document) => placedPages(doc).map(({ page }) => page.id);

describe('signatures', () => {
  it('of eight pages, stitched, fold as every booklet does', () => {
    // By hand: two leaves, one in the other. Open, the outer one shows 8 and 1, on its back 2 and 7; the inner one 6 and
    // 3, on its back 4 and 5 (common practice for saddle stitching: the two pages of a side add up to 9).
    expect(signatures(8, 8, 'stitched')).toEqual([
      {
        pages: [1, 2, 3, 4, 5, 6, 7, 8],
        leaves: [
          { outer: [8, 1], inner: [2, 7] },
          { outer: [6, 3], inner: [4, 5] },
        ],
      },
    ]);
  });

  it('lie one in another when stitched, one behind another when bound', () => {
    // By hand, 32 pages in sixteens: the outer stitched one has 1 to 8 and 25 to 32.
    expect(signatures(32, 16, 'stitched').map(({ pages }) => [pages[0], pages[7], pages[8], pages[15]])).toEqual([
      [1, 8, 25, 32],
      [9, 16, 17, 24],
    ]);
    expect(signatures(32, 16, 'bound').map(({ pages }) => [pages[0], pages.at(-1)])).toEqual([
      [1, 16],
      [17, 32],
    ]);
    // Bound, the first leaf of the second sixteen has 32 and 17 outside, 18 and 31 inside.
    expect(signatures(32, 16, 'bound')[1]!.leaves[0]).toEqual({ outer: [32, 17], inner: [18, 31] });
  });

  it('hold for every count and size: each page once, and the pages of a stitched side add up to one more than all', () => {
    for (const size of [4, 8, 16, 32] as const) {
      for (let count = 4; count <= 100; count += 4) {
        const stitched = signatures(count, size, 'stitched');
        const bound = signatures(count, size, 'bound');
        for (const list of [stitched, bound])
          expect(
            list.flatMap(({ leaves }) => leaves.flatMap(({ outer, inner }) => [...outer, ...inner])).sort((a, b) => a - b),
          ).toEqual(Array.from({ length: count }, (_, i) => i + 1));
        for (const { leaves } of stitched)
          for (const side of leaves.flatMap(({ outer, inner }) => [outer, inner])) expect(side[0] + side[1]).toBe(count + 1);
        // The right page of an outer side is odd, the left even: so it is in every printed issue.
        for (const { leaves } of bound) for (const { outer } of leaves) expect([outer[0] % 2, outer[1] % 2]).toEqual([0, 1]);
      }
    }
    expect(signatureWords(signatures(36, 16, 'stitched'))).toBe('2 of 16 and 1 of 4');
    expect(signatureWords(signatures(3, 16, 'stitched'))).toBe('1 of 4');
    // Eleven pages are printed as twelve, the last a blank side; none is left out.
    expect(signatures(11, 8, 'bound').map(({ pages }) => pages)).toEqual([
      [1, 2, 3, 4, 5, 6, 7, 8],
      [9, 10, 11, 12],
    ]);
    expect(
      signatures(11, 8, 'stitched')
        .flatMap(({ pages }) => pages)
        .sort((a, b) => a - b),
    ).toEqual(Array.from({ length: 12 }, (_, i) => i + 1));
  });
});

describe('the balance of an issue', () => {
  it('counts each cell of the grid for what lies on top of it', () => {
    const doc = document(
      ...baseRecords(2),
      ...story('wind', 20),
      pictureRecord('pic'),
      textFrame('t', 'wind-body', 'p1', { x: 50, y: 48, w: 300, h: 504 }),
      // One column of three, half of the 42 lines: a sixth of the page.
      pictureFrame('f', 'pic', 'p1', { x: 50, y: 48, w: 90, h: 252 }),
      pictureFrame('g', undefined, 'p2', { x: 50, y: 48, w: 300, h: 504 }),
    );
    const [first, second] = balanceOf(doc);
    expect(first!.pictures).toBeCloseTo(1 / 6, 6);
    expect(first!.text).toBeCloseTo(5 / 6, 6);
    expect(second).toEqual({ text: 0, pictures: 0, advertisements: 0 });
    expect(wholeBalance([first!, second!]).text).toBeCloseTo(5 / 12, 6);
  });
});

describe('advertisements', () => {
  const doc = document(...baseRecords(3));
  const booked = (size: 'full' | 'halfUpright' | 'halfFlat' | 'quarter' | 'column', from = doc, lines?: number) => {
    const after = done(from, bookAdvertisement(from, { name: 'Marram & Sons', size, ...(lines ? { lines } : {}) }));
    return [after, all(after, 'advertisement').at(-1)!.id] as const;
  };

  it('take the usual shares of the type area, at the foot and outside first', () => {
    const boxOf = (size: Parameters<typeof booked>[0], page = 'p3', lines?: number) => {
      const [with_, id] = booked(size, doc, lines);
      const placed = done(with_, placeAdvertisement(with_, { advertisement: id, page }));
      return framesOn(placed, page)[0]!.box;
    };
    // The type area: 300 × 504 pt, three columns of 90 pt and 42 lines of 12 pt.
    expect(boxOf('full')).toEqual({ x: 50, y: 48, w: 300, h: 504 });
    expect(boxOf('halfFlat')).toEqual({ x: 50, y: 300, w: 300, h: 252 });
    expect(boxOf('column', 'p3', 10)).toEqual({ x: 260, y: 432, w: 90, h: 120 });
    // On a left page the outside is left.
    expect(boxOf('column', 'p2', 10)).toEqual({ x: 50, y: 432, w: 90, h: 120 });
    expect(boxOf('halfUpright')).toEqual({ x: 260, y: 48, w: 90, h: 504 });
  });

  it('are sold by columns and lines too, and keep to the columns that there are', () => {
    const by = (columns: number, page: string) => {
      const with_ = done(doc, bookAdvertisement(doc, { name: 'Roake’s eggs', size: 'column', columns, lines: 10 }));
      const { id } = all(with_, 'advertisement').at(-1)!;
      return framesOn(done(with_, placeAdvertisement(with_, { advertisement: id, page })), page)[0]!.box;
    };
    // Two columns of 90 pt with 15 pt between them, outside first.
    expect(by(2, 'p3')).toEqual({ x: 155, y: 432, w: 195, h: 120 });
    expect(by(2, 'p2')).toEqual({ x: 50, y: 432, w: 195, h: 120 });
    expect(by(9, 'p3')).toEqual({ x: 50, y: 432, w: 300, h: 120 });
    expect(() => bookAdvertisement(doc, { name: 'Roake’s eggs', size: 'column', columns: 0 })).toThrow('1 to 24 columns');
  });

  it('go where there is room near the hand, into a place that waits for one, and are refused where there is none', () => {
    let [now, id] = booked('quarter');
    now = done(now, placeAdvertisement(now, { advertisement: id, page: 'p1', at: { x: 60, y: 60 } }));
    expect(framesOn(now, 'p1')[0]!.box).toMatchObject({ x: 50, y: 48 });
    // Placed again, it moves.
    now = done(now, placeAdvertisement(now, { advertisement: id, page: 'p2' }));
    expect(framesOn(now, 'p1')).toEqual([]);
    [now, id] = booked('full', now);
    expect(() => placeAdvertisement(now, { advertisement: id, page: 'p2' })).toThrow('Page 2 has no free room for full page');
    expect(() => bookAdvertisement(now, { name: ' ', size: 'full' })).toThrow('Name the advertiser');
    const first = all(now, 'advertisement')[0]!.id;
    now = done(now, cancelAdvertisement(now, first));
    const waiting = framesOn(now, 'p2')[0]!;
    expect(waiting.content).toEqual({ type: 'advertisement' });
    now = done(now, placeAdvertisement(now, { advertisement: id, page: 'p2' }));
    expect(get(now, 'frame', waiting.id).content).toEqual({ type: 'advertisement', advertisement: id });
  });
});

describe('pages on the plan', () => {
  const doc = document(
    ...baseRecords(6),
    ...story('wind', 200),
    textFrame('t', 'wind-body', 'p3', { x: 50, y: 48, w: 90, h: 200 }),
  );

  it('move together, are duplicated together, and sections keep their beginning', () => {
    expect(order(done(doc, movePages(doc, ['p2', 'p3'], 'p6')))).toEqual(['p1', 'p4', 'p5', 'p2', 'p3', 'p6']);
    expect(order(done(doc, movePages(doc, ['p5', 'p2'], undefined)))).toEqual(['p1', 'p3', 'p4', 'p6', 'p2', 'p5']);
    expect(order(done(doc, movePages(doc, ['p3'], 'p1')))[0]).toBe('p3');
    const none = movePages(doc, ['p2', 'p3'], 'p3');
    expect(none.updated).toEqual([]);
    const twice = done(doc, duplicatePages(doc, ['p2', 'p3']));
    expect(order(twice).slice(0, 3)).toEqual(['p1', 'p2', 'p3']);
    expect(order(twice)[5]).toBe('p4');
    // The text stays in one place.
    expect(threadOf(twice, 'wind-body')).toHaveLength(1);
    let sectioned = done(doc, setSection(doc, 'p3', { name: 'News', folios: { style: 'A', prefix: '', start: 1 } }));
    expect(() => setSection(doc, 'p3', { name: ' ' })).toThrow('needs a name');
    sectioned = done(sectioned, removePages(sectioned, ['p3']));
    expect(all(sectioned, 'section')[0]).toMatchObject({ from: 'p4', name: 'News' });
    expect(placedPages(sectioned)[2]!.folio).toBe('A');
    expect(all(done(sectioned, removeSection(sectioned, all(sectioned, 'section')[0]!.id)), 'section')).toEqual([]);
  });
});

describe('a page that is duplicated', () => {
  it('has slots for a story of its own, and a free place where an advertisement stands', () => {
    let doc = document(...baseRecords(3));
    doc = done(doc, putSlot(doc, { page: 'p2', box: { x: 50, y: 48, w: 300, h: 100 }, takes: 'body' }));
    doc = done(doc, bookAdvertisement(doc, { name: 'Harbour Bakery', size: 'quarter' }));
    doc = done(doc, placeAdvertisement(doc, { advertisement: all(doc, 'advertisement')[0]!.id, page: 'p2' }));
    const twice = done(doc, duplicatePages(doc, ['p2']));
    const copy = placedPages(twice)[2]!.page.id;
    const setOf = (page: string) =>
      framesOn(twice, page).flatMap(({ content }) => (content.type === 'slot' ? [content.set] : []));
    expect(setOf(copy)).toHaveLength(1);
    expect(setOf(copy)).not.toEqual(setOf('p2'));
    expect(framesOn(twice, copy).find(({ content }) => content.type === 'advertisement')!.content).toEqual({
      type: 'advertisement',
    });
  });
});

describe('stories on the plan', () => {
  it('are planned before there is copy, listed in the order of their pages, and known by their day', () => {
    let doc = document(
      ...baseRecords(4),
      ...story('gust', 50),
      ...story('spar', 60),
      textFrame('t', 'spar-body', 'p2', { x: 50, y: 48, w: 90, h: 200 }),
      textFrame('u', 'spar-body', 'p4', { x: 50, y: 48, w: 90, h: 200 }, { order: 'a1' }),
    );
    doc = done(doc, planStory(doc, { name: 'Harbour dues', section: 'Council', target: 450, due: '2026-12-01' }));
    const list = storyList(doc);
    expect(list.map(({ story: { name }, isPlaced }) => [name, isPlaced])).toEqual([
      ['spar', true],
      ['gust', false],
      ['Harbour dues', false],
    ]);
    expect(pagesWords(list[0]!.pages)).toBe('2–4');
    expect(wordsOf(doc, list[0]!.story)).toBe(countWords(bodyText(get(doc, 'text', 'spar-body').body)));
    const planned = list.find(({ story: { name } }) => name === 'Harbour dues')!.story;
    expect([
      daysLeft(planned, '2026-11-25'),
      daysLeft(planned, '2026-12-03'),
      daysLeft({ ...planned, state: 'passed' }, '2026-12-03'),
    ]).toEqual([6, -2, undefined]);
    doc = done(doc, setStory(doc, planned.id, { state: 'edited', target: undefined }));
    expect(get(doc, 'story', planned.id)).not.toHaveProperty('target');
    expect(() => setStory(doc, planned.id, { due: '2026-02-30' })).toThrow('date does not exist');
    expect(() => setStory(doc, planned.id, { target: 0 })).toThrow('1 to 1,000,000 words');
    expect(() => planStory(doc, { name: '', section: '' })).toThrow('needs a name');
  });

  it('of one name are told apart by a number, also when one is renamed', () => {
    const names = (of: Document) => all(of, 'story').map(({ name }) => name);
    let doc = document(...baseRecords());
    for (let i = 0; i < 3; i++) doc = done(doc, planStory(doc, { name: 'Tides', section: 'Harbour' }));
    expect(names(doc)).toEqual(['Tides', 'Tides 2', 'Tides 3']);
    const [first, second] = all(doc, 'story');
    expect(names(done(doc, setStory(doc, second!.id, { name: 'Tides' })))).toEqual(['Tides', 'Tides 2', 'Tides 3']);
    expect(names(done(doc, setStory(doc, first!.id, { name: 'Tides 3' })))).toEqual(['Tides 3 2', 'Tides 2', 'Tides 3']);
    // Their headlines are what was typed.
    expect(bodyText(get(doc, 'text', second!.parts.headline!).body)).toBe('Tides');
  });
});

describe('what fits a slot', () => {
  it('is as much dummy text as is composed into it, pictures and all', async () => {
    let doc = document(...baseRecords(2));
    doc = done(doc, putSlot(doc, { page: 'p2', box: { x: 50, y: 48, w: 300, h: 252 }, takes: 'body' }));
    const { composer, shaper } = await composerFor(doc);
    const [slot] = slotsOn(doc, placedPages(doc)[1]!);
    const words = slotWords(doc, ['p2'], new Composer(shaper)).get(slotKey(slot!.id, 'p2'))!;
    // Three columns of 21 lines of 90 pt in 9 pt type: four to seven words a line.
    expect(words / 63).toBeGreaterThan(3);
    expect(words / 63).toBeLessThan(7);
    // A picture over a third of it takes its share.
    const blocked = applied(doc, {
      added: [pictureFrame('f', undefined, 'p2', { x: 50, y: 48, w: 90, h: 252 }, { mode: 'frame' })],
      updated: [],
      removed: [],
      texts: [],
    });
    const fewer = slotWords(blocked, ['p2'], new Composer(shaper)).get(slotKey(slot!.id, 'p2'))!;
    expect(fewer / words).toBeGreaterThan(0.58);
    expect(fewer / words).toBeLessThan(0.72);
    // A story of so many words fits it, within a line or two at paragraph ends.
    const copy = DUMMY_TEXT.body
      .join(' ')
      .split(' ')
      .slice(0, Math.round(words * 0.95))
      .join(' ');
    const [record, headline, body] = story('wind', 1);
    const told = applied(doc, {
      added: [record!, headline!, { ...body!, body: plainBody('body', copy) } as DocumentRecord],
      updated: [],
      removed: [],
      texts: [],
    });
    const filled = done(told, fillSlots(told, { story: 'wind', page: 'p2', set: slot!.content.set }, composer));
    expect(composer.compose(filled).fits.get('wind-body')!.oversetLines).toBe(0);
  });

  it('does not need the rest of the issue: some pages are composed by themselves as in the whole', async () => {
    const doc = document(
      ...baseRecords(6),
      ...story('wind', 900),
      textFrame('a', 'wind-body', 'p1', { x: 50, y: 48, w: 90, h: 504 }),
      textFrame('b', 'wind-body', 'p4', { x: 50, y: 48, w: 90, h: 504 }, { order: 'a1' }),
      ...story('gust', 100),
      textFrame('c', 'gust-body', 'p5', { x: 50, y: 48, w: 90, h: 504 }),
    );
    const { composer, shaper } = await composerFor(doc);
    const part = partOf(doc, ['p4']);
    expect(framesOn(part, 'p5')).toEqual([]);
    const whole = composer.compose(doc).pages[3]!;
    const alone = new Composer(shaper).compose(part).pages[3]!;
    const lines = (page: typeof whole) =>
      page.items.flatMap((item) =>
        item.type === 'text'
          ? item.columns.flatMap(({ lines: own }) => own.map(({ runs }) => runs.map(({ text }) => text).join(' ')))
          : [],
      );
    expect(lines(alone)).toEqual(lines(whole));
    expect(lines(alone).length).toBeGreaterThan(20);
  });
});

describe('an issue that starts', () => {
  const ORDER = { publication: 'Tide Table', number: '7', season: 'March', date: '2027-03-31', language: 'en-GB', pages: 8 };

  it.each(['magazine', 'newsletter', 'newspaper'] as const)(
    'from the house of a %s has its recurring pages, with slots that say what fits',
    async (kind) => {
      const house = startingHouse(kind, 'en-GB');
      for (const record of house) expect(flawOf(record)).toBeUndefined();
      const records = startIssue(house, { ...ORDER, houseSeq: 3 });
      for (const record of records) expect(flawOf(record)).toBeUndefined();
      const issue = documentOf(records);
      expect(new Set(records.map(({ id }) => id)).size).toBe(records.length);
      expect(get(issue, 'issue', 'issue').house).toEqual({ seq: 3, settled: {} });
      const pages = placedPages(issue);
      expect(pages).toHaveLength(8);
      const names = all(documentOf(house), 'page')
        .filter(({ recurs }) => recurs !== undefined)
        .map(({ name }) => name);
      expect(pages.flatMap(({ page }) => page.name ?? [])).toEqual(names);
      expect(pages.at(-1)!.page.name).toBe('Back page');
      // Frames lie inside their page wherever the page came to lie.
      const { width, bleed } = get(issue, 'format', 'format');
      for (const { page } of pages)
        for (const { box } of framesOn(issue, page.id)) {
          expect(box.x).toBeGreaterThanOrEqual(-bleed - 0.01);
          expect(box.x + box.w).toBeLessThanOrEqual(width + bleed + 0.01);
        }
      const { composer, shaper } = await composerFor(issue);
      composer.compose(issue);
      const words = slotWords(
        issue,
        pages.map(({ page }) => page.id),
        new Composer(shaper),
      );
      expect(words.size).toBeGreaterThan(3);
      for (const n of words.values()) expect(n).toBeGreaterThan(40);
      // A recurring page that comes in no issue by itself can be put in, twice.
      const model = all(documentOf(house), 'page').find(({ recurs }) => recurs === undefined)!;
      const once = done(issue, putRecurring(issue, documentOf(house), model.id, pages[2]!.page.id));
      const twice = done(once, putRecurring(once, documentOf(house), model.id, undefined));
      expect(
        placedPages(twice)
          .map(({ page }) => page.name)
          .filter((name) => name === model.name),
      ).toHaveLength(2);
      expect(placedPages(twice)[0]!.page.name).toBe(model.name);
    },
  );

  it('takes only the recurring pages that were chosen, or none of the design at all', () => {
    const some = startingHouse('magazine', 'en-GB', { pages: ['page-cover'], palette: 1 });
    expect(some.filter(({ kind }) => kind === 'page').map(({ id }) => id)).toEqual(['page-cover']);
    expect(some.find(({ id }) => id === 'contents-0')).toBeUndefined();
    expect(some.find(({ id }) => id === 'accent1')).toMatchObject({ cmyk: [0.1, 0.85, 0.9, 0.1] });
    const blank = startingHouse('newsletter', 'en-GB', { blank: true });
    expect(blank.filter(({ kind }) => kind === 'page' || kind === 'frame')).toEqual([]);
  });

  it('from the last one has its pages: standing copy stays, articles leave slots behind', async () => {
    const house = startingHouse('newsletter', 'en-GB');
    let last = documentOf([...startIssue(house, ORDER), ...story('wind', 300), ...story('quote', 10), pictureRecord('pic')]);
    const front = placedPages(last)[0]!;
    const set = slotsOn(last, front).find(({ content }) => content.takes === 'body')!.content.set;
    last = done(last, fillSlots(last, { story: 'wind', page: front.page.id, set }, (await composerFor(last)).composer));
    const picture = framesOn(last, front.page.id).find(({ content }) => content.type === 'picture')!;
    last = applied(last, {
      added: [
        textRecord('q', plainBody('pullQuote', 'Told'), { role: 'quote', story: 'wind' }),
        textFrame('qf', 'q', front.page.id, { x: 60, y: 300, w: 90, h: 40 }),
      ],
      updated: [
        {
          before: picture,
          after: { ...picture, content: { type: 'picture', picture: 'pic', fit: 'fill' } },
        },
      ],
      removed: [],
      texts: [],
    });
    const next = documentOf(startIssue(house, { ...ORDER, number: '8', pages: 12 }, [...last.records.values()]));
    for (const record of next.records.values()) expect(flawOf(record)).toBeUndefined();
    const pages = placedPages(next);
    expect(pages).toHaveLength(12);
    expect(pages.at(-1)!.page.name).toBe('Back page');
    expect(all(next, 'story')).toEqual([]);
    expect(next.records.has('wind-body')).toBe(false);
    expect(next.records.has('q')).toBe(false);
    const left = framesOn(next, pages[0]!.page.id);
    expect(left.filter(({ content }) => content.type === 'slot').length).toBe(2);
    expect(left.find(({ id }) => id === picture.id)!.content).not.toHaveProperty('picture');
    // The nameplate is standing copy.
    expect(left.some(({ content }) => content.type === 'text' && next.records.has(content.text))).toBe(true);
    const { shaper } = await composerFor(next);
    const words = slotWords(next, [pages[0]!.page.id], new Composer(shaper));
    expect(Math.max(...words.values())).toBeGreaterThan(100);
    const fewer = documentOf(startIssue(house, { ...ORDER, pages: 4 }, [...last.records.values()]));
    expect(placedPages(fewer).at(-1)!.page.name).toBe('Back page');
    expect(placedPages(fewer)).toHaveLength(4);
  });
});
