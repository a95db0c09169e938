import { describe, expect, it } from 'vitest';
import { field, text, composed, looks, paragraph } from '../../../tests/support/composed';
import {
  baseRecords,
  document,
  pictureFrame,
  proseBody,
  textFrame,
  textRecord,
  WRAP_NONE,
  flawOf,
} from '../../../tests/support/documents';
import { composerFor } from '../../../tests/support/faces';
import { docOf, bodyText, plainBody } from '../records/body';
import { applied, type Diff } from '../records/diff';
import { all, type Document, framesOn, get, threadOf } from '../records/document';
import type { SlotTakes } from '../records/frame';
import type { DocumentRecord, FrameRecord, MasterRecord, StoryRecord } from '../records/index';
import { inheritedFrames, masterFrames, placedPage, placedPages } from '../page/pages';
import { addMaster, isParted, partFrames, rejoinFrames, removeMaster, renameMaster, setBasedOn } from './masters';
import { copyAcross, repeatFrame, usualStep } from './copies';
import { setMaster } from './pages';
import { slotsOn } from '../page/slots';
import { crowdedWords, fillSlots, putSlot } from './slots';
import { placeStory } from './stories';

function done(doc: Document, diff: Diff): Document {
  for (const record of [...diff.added, ...diff.updated.map(({ after }) => after)]) expect(flawOf(record)).toBeUndefined();
  return applied(doc, diff);
}

const master = (id: string, more: Partial<MasterRecord> = {}): MasterRecord => ({
  ...(baseRecords()[2] as MasterRecord),
  id,
  name: id,
  ...more,
});

const slot = (
  id: string,
  on: string,
  takes: SlotTakes,
  box: FrameRecord['box'],
  order = 'a0',
  side: FrameRecord['side'] = 'both',
): FrameRecord => ({
  id,
  kind: 'frame',
  on,
  side,
  box,
  order,
  content: {
    type: 'slot',
    takes,
    set: `${on}-set`,
    name: 'Lead story',
    order,
    layout: {
      columns: 1,
      gutter: 15,
      inset: 0,
      grows: takes !== 'body' && takes !== 'flow',
      ignoresWraps: false,
      align: 'top',
    },
  },
  wrap: WRAP_NONE,
});

function story(id: string, words: number): DocumentRecord[] {
  const record: StoryRecord = {
    id,
    kind: 'story',
    name: id,
    section: 'News',
    order: 'a0',
    tint: 0,
    parts: { headline: `${id}-headline`, body: `${id}-body` },
  };
  return [
    record,
    textRecord(`${id}-headline`, plainBody('headline', 'The wind on the hill'), { role: 'headline', story: id }),
    textRecord(`${id}-body`, proseBody(words, 4), { story: id }),
  ];
}

const folioText = textRecord('folio', docOf([paragraph('body', [field('folio')])]), {
  role: 'furniture',
});
const folio = textFrame('folio-frame', 'folio', 'master', { x: 50, y: 570, w: 100, h: 14 }, { grows: true });

describe('masters', () => {
  it('show the frames of those they are based on beneath their own, on the side that they are for', () => {
    const doc = document(
      ...baseRecords(),
      folioText,
      folio,
      master('news', { basedOn: 'master' }),
      { ...pictureFrame('left', undefined, 'news', { x: 0, y: 0, w: 50, h: 50 }), side: 'left' },
      { id: 'p3', kind: 'page', order: 'a5', master: 'news' },
    );
    expect(masterFrames(doc, 'news', 'left').map(({ id }) => id)).toEqual(['folio-frame', 'left']);
    expect(masterFrames(doc, 'news', 'right').map(({ id }) => id)).toEqual(['folio-frame']);
    expect(inheritedFrames(doc, placedPage(doc, 'p3')!).map(({ id }) => id)).toEqual(['folio-frame']);
  });

  it('refuse a circle, by its names, and keep what they were', () => {
    const doc = document(...baseRecords(), master('a', { basedOn: 'master' }), master('b', { basedOn: 'a' }));
    expect(() => setBasedOn(doc, 'master', 'b')).toThrow(
      'Text cannot be based on b: that would be a circle. Text, which is the base of a, which is the base of b.',
    );
    expect(() => setBasedOn(doc, 'a', 'a')).toThrow('circle');
    expect(get(done(doc, setBasedOn(doc, 'b', undefined)), 'master', 'b')).not.toHaveProperty('basedOn');
    // A circle that came in from elsewhere shows every frame once.
    const broken = document(
      ...baseRecords().filter(({ id }) => id !== 'master'),
      folioText,
      folio,
      master('master', { basedOn: 'x' }),
      master('x', { basedOn: 'master' }),
    );
    expect(masterFrames(broken, 'master', 'right').map(({ id }) => id)).toEqual(['folio-frame']);
  });

  it('are added beside others, renamed, and removed while nothing uses them', () => {
    let doc = document(...baseRecords(), folioText, folio);
    doc = done(doc, addMaster(doc, { name: 'Text', like: 'master', based: true }));
    const own = all(doc, 'master').find(({ id }) => id !== 'master')!;
    expect(own).toMatchObject({ name: 'Text 2', basedOn: 'master', columns: 3 });
    expect(() => renameMaster(doc, own.id, 'Text')).toThrow('already');
    expect(() => removeMaster(doc, 'master')).toThrow('is the master of 2 pages');
    doc = done(doc, setMaster(doc, ['p1', 'p2'], own.id));
    expect(() => removeMaster(doc, 'master')).toThrow('is based on Text');
    doc = done(doc, setBasedOn(doc, own.id, undefined));
    doc = done(doc, removeMaster(doc, 'master'));
    expect(doc.records.has('folio')).toBe(false);
    expect(doc.records.has('folio-frame')).toBe(false);
  });
});

describe('what a page shows of its master', () => {
  it('is parted on one page, changed there, and joins again', async () => {
    let doc = document(...baseRecords(3), folioText, folio);
    doc = done(doc, partFrames(doc, 'p2'));
    const [own] = framesOn(doc, 'p2');
    expect(own).toMatchObject({ of: 'folio-frame', on: 'p2', box: folio.box });
    expect(isParted(doc, own!)).toBe(true);
    // Its text is its own too: the master's is not touched by what is typed here.
    const text = own!.content.type === 'text' ? own!.content.text : '';
    expect(text).not.toBe('folio');
    expect(inheritedFrames(doc, placedPage(doc, 'p2')!)).toEqual([]);
    expect(inheritedFrames(doc, placedPage(doc, 'p3')!)).toHaveLength(1);
    const { composer } = await composerFor(doc);
    const shown = looks(composer.compose(doc));
    expect(shown.texts(text)).toEqual(['2']);
    expect(shown.texts('folio')).toEqual(['1', '3']);
    expect(() => partFrames(doc, 'p2')).toThrow('nothing of its master');
    doc = done(doc, rejoinFrames(doc, [own!.id]));
    expect(doc.records.has(text)).toBe(false);
    expect(looks(composer.compose(doc)).texts('folio')).toEqual(['1', '2', '3']);
  });
});

describe('slots', () => {
  const records = [
    ...baseRecords(3),
    master('news'),
    slot('head', 'news', 'headline', { x: 50, y: 48, w: 300, h: 36 }, 'a0'),
    slot('one', 'news', 'body', { x: 50, y: 96, w: 90, h: 456 }, 'a1'),
    slot('two', 'news', 'body', { x: 155, y: 96, w: 90, h: 456 }, 'a2'),
    slot('by', 'news', 'byline', { x: 50, y: 84, w: 300, h: 12 }, 'a3'),
    { id: 'p2', kind: 'page', order: 'a1', master: 'news' } as const,
  ];

  it('of a master wait on every page that has it, and are filled there', async () => {
    let doc = document(...records, ...story('wind', 170));
    const page = placedPage(doc, 'p2')!;
    expect(slotsOn(doc, page).map(({ id }) => id)).toEqual(['head', 'one', 'two', 'by']);
    const { composer } = await composerFor(doc);
    doc = done(doc, fillSlots(doc, { story: 'wind', page: 'p2', set: 'news-set' }, composer));
    const { fits, lines } = looks(composer.compose(doc));
    expect(lines('wind-headline').length).toBeGreaterThan(0);
    expect(threadOf(doc, 'wind-body').map(({ of }) => of)).toEqual(['one', 'two']);
    expect(fits.get('wind-body')!.oversetLines).toBe(0);
    // A part that the story lacks leaves the master's slot waiting.
    expect(slotsOn(doc, placedPage(doc, 'p2')!).map(({ id }) => id)).toEqual(['by']);
    // Removing the filled frame brings the slot back; the text stays.
    expect(() => fillSlots(doc, { story: 'wind', page: 'p2', set: 'other' }, composer)).toThrow('have been filled');
  });

  it('of a page turn into the story’s frames, and those it has no part for go', async () => {
    let doc = document(
      ...baseRecords(),
      ...story('wind', 100),
      slot('by', 'p1', 'byline', { x: 50, y: 48, w: 90, h: 12 }),
      slot('b', 'p1', 'body', { x: 50, y: 60, w: 90, h: 120 }, 'a1'),
    );
    const { composer } = await composerFor(doc);
    doc = done(doc, fillSlots(doc, { story: 'wind', page: 'p1', set: 'p1-set' }, composer));
    expect(framesOn(doc, 'p1').map(({ id }) => id)).toEqual(['b']);
    expect(get(doc, 'frame', 'b').content).toMatchObject({ type: 'text', text: 'wind-body' });
  });

  it('grow with a headline that needs more lines, and push down what stands under it in the set', async () => {
    const long = 'A headline of many words that takes three lines of a narrow slot and not the one it was given';
    const slots = [
      slot('h', 'p1', 'headline', { x: 50, y: 48, w: 300, h: 24 }),
      slot('b', 'p1', 'body', { x: 50, y: 180, w: 300, h: 240 }, 'a1'),
      pictureFrame('between', undefined, 'p1', { x: 50, y: 84, w: 300, h: 84 }),
      pictureFrame('beside', undefined, 'p2', { x: 50, y: 84, w: 300, h: 84 }),
    ];
    const told = story('wind', 100).map((record) =>
      record.id === 'wind-headline' ? { ...record, body: plainBody('headline', long) } : record,
    ) as DocumentRecord[];
    const doc = document(...baseRecords(), ...told, ...slots);
    const { composer } = await composerFor(doc);
    const filled = done(doc, fillSlots(doc, { story: 'wind', page: 'p1', set: 'p1-set' }, composer));
    const { grown, pages } = composer.compose(filled);
    const [head, picture, body] = ['h', 'between', 'b'].map((id) => get(filled, 'frame', id).box);
    const foot = grown.get('h')!.y + grown.get('h')!.h;
    expect(foot).toBeGreaterThan(90);
    expect(head!.y).toBe(48);
    expect(picture!.y).toBeGreaterThanOrEqual(foot - 3);
    expect(picture!.h).toBe(84);
    // Whole lines of the grid; the body keeps its foot.
    expect((picture!.y - 84) / 12).toBeCloseTo(Math.round((picture!.y - 84) / 12), 6);
    expect(body!.y - picture!.y).toBe(96);
    expect(body!.y + body!.h).toBe(420);
    expect(get(filled, 'frame', 'beside').box.y).toBe(84);
    expect(crowdedWords(filled, ['h', 'b'], composer)).toBeUndefined();
    // Reworded later, the headline still keeps the body away.
    const { items } = looks({ pages, fits: new Map(), grown, beyond: new Map() });
    expect(items('wind-body')[0]!.columns[0]!.lines[0]!.baseline).toBeGreaterThan(body!.y);
    const longer = done(filled, {
      added: [],
      removed: [],
      texts: [],
      updated: [
        {
          before: get(filled, 'frame', 'h'),
          after: { ...get(filled, 'frame', 'h'), box: { ...head!, y: body!.y - 20 } },
        },
      ],
    });
    const below = looks(composer.compose(longer)).items('wind-body')[0]!.columns[0]!.lines[0]!;
    const moved = composer.compose(longer).grown.get('h')!;
    expect(below.baseline - below.ascent).toBeGreaterThanOrEqual(moved.y + moved.h - 0.01);
  });

  it('say where a headline has no room: the set has no lines left to give', async () => {
    const slots = [
      slot('h', 'p1', 'headline', { x: 50, y: 48, w: 60, h: 24 }),
      slot('b', 'p1', 'body', { x: 50, y: 84, w: 60, h: 48 }, 'a1'),
    ];
    const told = story('wind', 100).map((record) =>
      record.id === 'wind-headline' ? { ...record, body: plainBody('headline', 'Wind over the harbour wall again') } : record,
    ) as DocumentRecord[];
    const doc = document(...baseRecords(), ...told, ...slots);
    const { composer } = await composerFor(doc);
    const filled = done(doc, fillSlots(doc, { story: 'wind', page: 'p1', set: 'p1-set' }, composer));
    expect(get(filled, 'frame', 'b').box).toEqual({ x: 50, y: 96, w: 60, h: 36 });
    expect(crowdedWords(filled, ['h', 'b'], composer)).toContain('The headline needs more lines');
  });

  it('are put on a page for one story, and take what fits their kind', () => {
    let doc = document(...baseRecords());
    doc = done(doc, putSlot(doc, { page: 'p1', box: { x: 50, y: 48, w: 300, h: 36 }, takes: 'headline', name: 'Letters' }));
    doc = done(doc, putSlot(doc, { page: 'p1', box: { x: 50, y: 96, w: 300, h: 300 }, takes: 'body' }));
    const slots = slotsOn(doc, placedPages(doc)[0]!);
    expect(new Set(slots.map(({ content }) => content.set)).size).toBe(1);
    expect(slots.map(({ content }) => content.name)).toEqual(['Letters', 'Letters']);
    expect(slots.map(({ content }) => content.layout)).toMatchObject([{ grows: true }, { grows: false, columns: 3, gutter: 15 }]);
  });
});

describe('flow areas', () => {
  // One takes the two inner columns of three, the other a column of every page.
  const areas = [
    slot('wide-left', 'master', 'flow', { x: 155, y: 48, w: 195, h: 504 }, 'a0', 'left'),
    slot('wide-right', 'master', 'flow', { x: 50, y: 48, w: 195, h: 504 }, 'a1', 'right'),
    master('narrow'),
    slot('narrow-1', 'narrow', 'flow', { x: 50, y: 48, w: 90, h: 504 }, 'a0'),
    slot('narrow-2', 'narrow', 'flow', { x: 155, y: 48, w: 90, h: 504 }, 'a1'),
  ];

  it('take a long story, and as many new pages as it needs', async () => {
    const doc = document(...baseRecords(1), ...areas, ...story('wind', 2500));
    const { composer } = await composerFor(doc);
    const flow = slotsOn(doc, placedPages(doc)[0]!)[0]!;
    const poured = done(
      doc,
      placeStory(doc, { story: 'wind', page: 'p1', box: flow.box, flow: flow.id, allPages: true }, composer),
    );
    const thread = threadOf(poured, 'wind-body');
    expect(thread.length).toBe(placedPages(poured).length);
    expect(thread.map(({ of }) => of)).toEqual(thread.map((_, i) => (i % 2 === 0 ? 'wide-right' : 'wide-left')));
    // The first begins under the headline, the others where the area does.
    expect(thread[0]!.box.y).toBeGreaterThan(48);
    expect(thread[1]!.box).toEqual(areas[0]!.kind === 'frame' ? areas[0]!.box : undefined);
    expect(looks(composer.compose(poured)).fits.get('wind-body')!.oversetLines).toBe(0);
  });

  it('of another master take the text anew, and none of it is lost', async () => {
    const doc = document(...baseRecords(1), ...areas, ...story('wind', 1500));
    const { composer } = await composerFor(doc);
    const flow = slotsOn(doc, placedPages(doc)[0]!)[0]!;
    const before = done(
      doc,
      placeStory(doc, { story: 'wind', page: 'p1', box: flow.box, flow: flow.id, allPages: true }, composer),
    );
    const pages = placedPages(before).map(({ page }) => page.id);
    const after = done(before, setMaster(before, pages.slice(1, 2), 'narrow'));
    const thread = threadOf(after, 'wind-body');
    expect(thread.map(({ of }) => of).slice(0, 4)).toEqual(
      ['wide-right', 'narrow-1', 'narrow-2', 'wide-right'].slice(0, thread.length),
    );
    const { fits, lines } = looks(composer.compose(after));
    const words = bodyText(get(after, 'text', 'wind-body').body).split(/\s+/).length;
    const shown = lines('wind-body').length;
    expect(shown + fits.get('wind-body')!.oversetLines).toBe(fits.get('wind-body')!.lines);
    expect(words).toBeGreaterThan(1400);
    // All pages at once, and back: one area a page again, in the order of the pages.
    const all = done(after, setMaster(after, pages, 'narrow'));
    expect(threadOf(all, 'wind-body').map(({ of }) => of)).toEqual(pages.flatMap(() => ['narrow-1', 'narrow-2']));
    expect(threadOf(all, 'wind-body').map(({ on }) => on)).toEqual(pages.flatMap((page) => [page, page]));
    const back = done(all, setMaster(all, pages, 'master'));
    expect(threadOf(back, 'wind-body').map(({ on }) => on)).toEqual(pages);
    expect(threadOf(back, 'wind-body')[0]!.box.y).toBe(threadOf(before, 'wind-body')[0]!.box.y);
  });
});

describe('copies', () => {
  const box = { x: 50, y: 100, w: 90, h: 60 };

  it('of a page’s design lie on the facing page at the same offset, or as in a mirror', () => {
    const doc = document(
      ...baseRecords(3),
      ...story('wind', 100),
      pictureFrame('pic', undefined, 'p2', box),
      textFrame('t', 'wind-body', 'p2', { x: 200, y: 100, w: 90, h: 60 }),
    );
    const same = done(doc, copyAcross(doc, 'p2', 'p3', 'offset'));
    expect(framesOn(same, 'p3').map((frame) => [frame.content.type, frame.box.x])).toEqual([
      ['slot', 200],
      ['picture', 50],
    ]);
    const mirror = done(doc, copyAcross(doc, 'p2', 'p3', 'mirrored'));
    // By hand: a page of 400 pt; 400 − 200 − 90 = 110 and 400 − 50 − 90 = 260.
    expect(framesOn(mirror, 'p3').map((frame) => frame.box.x)).toEqual([110, 260]);
    expect(threadOf(mirror, 'wind-body')).toHaveLength(1);
    expect(() => copyAcross(doc, 'p1', 'p2', 'offset')).toThrow('nothing on that page');
  });

  it('of a frame stand in rows and columns at even steps', () => {
    const doc = document(...baseRecords(), pictureFrame('pic', undefined, 'p1', box));
    expect(usualStep(doc, get(doc, 'frame', 'pic'))).toEqual({ across: 105, down: 72 });
    const after = done(doc, repeatFrame(doc, 'pic', { across: 3, down: 2, stepAcross: 105, stepDown: 72 }));
    expect(framesOn(after, 'p1').map(({ box: { x, y } }) => [x, y])).toEqual([
      [50, 100],
      [155, 100],
      [260, 100],
      [50, 172],
      [155, 172],
      [260, 172],
    ]);
    expect(() => repeatFrame(doc, 'pic', { across: 1, down: 1, stepAcross: 1, stepDown: 1 })).toThrow('how often to repeat');
    expect(() => repeatFrame(doc, 'pic', { across: 2, down: 1, stepAcross: 0, stepDown: 1 })).toThrow('step of nothing');
    expect(() => repeatFrame(doc, 'pic', { across: 100, down: 100, stepAcross: 1, stepDown: 1 })).toThrow('400 times');
  });
});

describe('a contents list', () => {
  const line = paragraph('body', [field('folio'), text('\t'), field('story')], { each: 'story' });

  it('names the stories on the pages in their order, and follows them when pages move', async () => {
    const { doc, composer, texts, result } = await composed(
      ...baseRecords(3),
      textRecord('text', docOf([paragraph('headline', 'In this issue'), line, paragraph('body', 'And letters.')]), {
        role: 'furniture',
      }),
      textFrame('f', 'text', 'p1', { x: 50, y: 48, w: 300, h: 300 }),
      ...story('gust', 20),
      ...story('spar', 20),
      ...story('unplaced', 20),
      textFrame('g', 'gust-body', 'p3', box()),
      textFrame('s', 'spar-body', 'p2', box()),
    );
    expect(texts()).toEqual(['In this issue', '2 spar', '3 gust', 'And letters.']);
    // Typing in any line of the list is typing in the paragraph that all of them come from.
    const [item] = looks(result).items();
    expect(item!.columns[0]!.paragraphs).toEqual([0, 1, 1, 2]);
    const numbered = applied(doc, {
      added: [{ id: 's1', kind: 'section', name: 'Front', from: 'p1', folios: { style: 'i', prefix: '', start: 2 } }],
      updated: [],
      removed: [],
      texts: [],
    });
    expect(looks(composer.compose(numbered)).texts()).toEqual(['In this issue', 'iii spar', 'iv gust', 'And letters.']);
    const gone = applied(doc, { added: [], updated: [], removed: [get(doc, 'frame', 's')], texts: [] });
    expect(looks(composer.compose(gone)).texts()).toEqual(['In this issue', '3 gust', 'And letters.']);
  });

  function box() {
    return { x: 50, y: 48, w: 90, h: 200 };
  }
});
