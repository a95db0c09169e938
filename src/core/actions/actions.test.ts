import { describe, expect, it } from 'vitest';
import {
  baseRecords,
  document,
  pictureFrame,
  pictureRecord,
  prose,
  proseBody,
  textFrame,
  textRecord,
  flawOf,
} from '../../../tests/support/documents';
import { composerFor } from '../../../tests/support/faces';
import { placedPages } from '../page/pages';
import { docOf, bodyText, paragraphsOf, plainBody, plainText } from '../records/body';
import { applied, inverted, isEmpty, type Diff } from '../records/diff';
import { all, find, framesOn, get, threadOf, type Document } from '../records/document';
import type { FrameRecord, PictureRecord, TextRecord } from '../records/index';
import { ActionError, Edit, orderAfter, orderBehind } from './edit';
import { evenPolygon } from '../geometry/polygon';
import { setAppearance, withCorner } from './appearance';
import { putPanelBehind } from './legible';
import { markFrames, placeFrames, removeFrames, restack, setTextLayout, setWrap, stack, textColumns } from './frames';
import { groupFrames, membersOf, setGroupWrap, ungroupFrames } from './groups';
import { markOut } from './markOut';
import { addPages, duplicatePage, movePage, removalWords, removePages, setMaster } from './pages';
import { bringInPicture, fillFrame, placePicture, setCrop } from './pictures';
import { makeQuote } from './quotes';
import { bringInStory, continueThread, deliverStory, placeStory, plannedFor, planStory } from './stories';
import { pageGrid } from '../page/grid';

const AREA = { x: 50, y: 48, w: 300, h: 504 };

/** Every action's diff must lead there and back again. */
function done(document: Document, diff: Diff): Document {
  const after = applied(document, diff);
  expect(new Map(applied(after, inverted(diff)).records)).toEqual(new Map(document.records));
  return after;
}

const added = <K extends string>(diff: Diff, kind: K) => diff.added.filter((record) => record.kind === kind);

describe('an edit', () => {
  it('collects changes into one diff', () => {
    const edit = new Edit(document(...baseRecords()));
    edit.put(pictureRecord('a'));
    edit.put({ ...pictureRecord('a'), caption: 'Later' });
    edit.remove('tint');
    const diff = edit.diff();
    expect(diff.added).toEqual([{ ...pictureRecord('a'), caption: 'Later' }]);
    expect(diff.removed.map(({ id }) => id)).toEqual(['tint']);
  });

  it('finds places in an order', () => {
    const list = [{ order: 'a0' }, { order: 'a1' }];
    expect(orderAfter(list) > 'a1').toBe(true);
    expect(orderBehind(list, 0) > 'a0' && orderBehind(list, 0) < 'a1').toBe(true);
    expect(orderBehind(list, -1) < 'a0').toBe(true);
  });
});

describe('stories', () => {
  const story = { name: 'The spar', headline: 'The spar remembers', body: proseBody(1400, 12) };

  it('come into the tray with their parts', () => {
    const doc = done(
      document(...baseRecords()),
      bringInStory(document(...baseRecords()), { ...story, standfirst: 'In a workshop', byline: 'By Marek' }),
    );
    const [record] = all(doc, 'story');
    expect(Object.keys(record!.parts).sort()).toEqual(['body', 'byline', 'headline', 'standfirst']);
    expect(bodyText(get(doc, 'text', record!.parts.headline).body)).toBe('The spar remembers');
    expect(all(doc, 'frame')).toEqual([]);
  });

  it('are not taken with a body that is none', () => {
    expect(() => bringInStory(document(...baseRecords()), { ...story, body: docOf([]) })).toThrow();
  });

  it('that are planned get the copy that comes for them, and stay what they were planned as', () => {
    const base = document(...baseRecords());
    const planned = applied(base, planStory(base, { name: 'The Spar', section: 'Feature', target: 600, due: '2026-12-01' }));
    expect(plannedFor(planned, ' the spar ')!.name).toBe('The Spar');
    expect(plannedFor(planned, 'The sparrow')).toBeUndefined();
    const { id, parts } = all(planned, 'story')[0]!;
    const doc = done(
      planned,
      deliverStory(planned, id, { ...story, standfirst: 'In a workshop', file: 'spar.md', notes: 'Call Marek' }, [
        { ...pictureRecord('spar.jpg'), name: 'spar.jpg' },
      ]),
    );
    expect(all(doc, 'story')).toMatchObject([
      {
        id,
        name: 'The Spar',
        section: 'Feature',
        target: 600,
        due: '2026-12-01',
        state: 'delivered',
        file: 'spar.md',
        notes: 'Call Marek',
      },
    ]);
    const own = all(doc, 'story')[0]!;
    expect(own.parts).toMatchObject(parts);
    const words = (part: 'headline' | 'standfirst' | 'body') => bodyText(get(doc, 'text', own.parts[part]!).body);
    expect(words('headline')).toBe('The spar remembers');
    expect(words('standfirst')).toBe('In a workshop');
    expect(words('body')).toBe(bodyText(story.body));
    expect(all(doc, 'picture')).toMatchObject([{ story: id }]);
    // It waits no longer: the same copy again is another story's.
    expect(plannedFor(doc, 'The Spar')).toBeUndefined();
  });

  it('that are planned keep a headline that was written for them', () => {
    const base = document(...baseRecords());
    const planned = applied(base, planStory(base, { name: 'The spar', section: '' }));
    const { id, parts } = all(planned, 'story')[0]!;
    const edit = new Edit(planned);
    edit.put({ ...get(planned, 'text', parts.headline), body: plainBody('headline', 'What a spar knows') });
    const written = applied(planned, edit.diff());
    const doc = done(written, deliverStory(written, id, story));
    expect(bodyText(get(doc, 'text', parts.headline).body)).toBe('What a spar knows');
  });

  const brought = () => {
    const base = document(...baseRecords(2));
    return applied(base, bringInStory(base, story));
  };

  it('are placed with their headline over the columns of the house', async () => {
    const doc = brought();
    const { composer } = await composerFor(doc);
    const diff = placeStory(doc, { story: all(doc, 'story')[0]!.id, page: 'p1', box: AREA, allPages: false }, composer);
    const after = done(doc, diff);
    const [headline, body] = framesOn(after, 'p1');
    expect(find(after, 'text', (headline!.content as { text: string }).text)?.role).toBe('headline');
    expect(body!.content).toMatchObject({ type: 'text', columns: 3, gutter: 15 });
    // The body begins on a line of the grid, right below the headline.
    expect((body!.box.y - 48) % 12).toBeCloseTo(0, 6);
    expect(body!.box.y).toBeGreaterThanOrEqual(headline!.box.y + headline!.box.h);
    expect(body!.box.y + body!.box.h).toBeCloseTo(AREA.y + AREA.h, 6);
    expect(composer.compose(after).fits.get(all(after, 'story')[0]!.parts.body)!.oversetLines).toBeGreaterThan(0);
  });

  it('take as many pages as they need, and not one more', async () => {
    const doc = brought();
    const { composer } = await composerFor(doc);
    const diff = placeStory(
      doc,
      { story: all(doc, 'story')[0]!.id, page: 'p1', box: { ...AREA, h: 120 }, allPages: true },
      composer,
    );
    const after = done(doc, diff);
    const body = all(after, 'story')[0]!.parts.body;
    const { fits, pages } = composer.compose(after);
    expect(fits.get(body)!.oversetLines).toBe(0);
    const news = added(diff, 'page').map(({ id }) => id);
    expect(news.length).toBeGreaterThanOrEqual(1);
    // The page that waits is taken first; the new ones come right behind it, and each shows some of the story.
    expect(placedPages(after).map(({ page }) => page.id)).toEqual(threadOf(after, body).map(({ on }) => on));
    expect(threadOf(after, body).map(({ on }) => on)).toEqual(['p1', 'p2', ...news]);
    for (const id of news) {
      const list = pages.find(({ page }) => page === id)!;
      expect(list.items.some((item) => item.type === 'text' && item.columns.some(({ lines }) => lines.length > 0))).toBe(true);
    }
  });

  it('go on where their tail is dragged, at the end of the thread', async () => {
    const doc = brought();
    const { composer } = await composerFor(doc);
    const id = all(doc, 'story')[0]!.id;
    const once = applied(doc, placeStory(doc, { story: id, page: 'p1', box: { ...AREA, h: 200 }, allPages: false }, composer));
    const body = get(once, 'story', id).parts.body;
    const over = composer.compose(once).fits.get(body)!.oversetLines;
    const twice = done(
      once,
      continueThread(once, { text: body, page: 'p2', box: { ...AREA, h: 120 }, allPages: false }, composer),
    );
    expect(threadOf(twice, body).map(({ on }) => on)).toEqual(['p1', 'p2']);
    const left = composer.compose(twice).fits.get(body)!.oversetLines;
    expect(left).toBeLessThan(over);
    // Placing a story that has begun goes on with it, without a second headline.
    const again = placeStory(once, { story: id, page: 'p2', box: AREA, allPages: false }, composer);
    expect(added(again, 'frame')).toHaveLength(1);
  });

  it('are refused a stretch too small, or a page or story that is gone', async () => {
    const doc = brought();
    const { composer } = await composerFor(doc);
    const id = all(doc, 'story')[0]!.id;
    expect(() => placeStory(doc, { story: id, page: 'p1', box: { ...AREA, h: 40 }, allPages: false }, composer)).toThrow(
      ActionError,
    );
    expect(() => placeStory(doc, { story: 'gone', page: 'p1', box: AREA, allPages: false }, composer)).toThrow(
      /no longer in the issue/,
    );
    expect(() => placeStory(doc, { story: id, page: 'gone', box: AREA, allPages: false }, composer)).toThrow(/page/);
  });
});

describe('frames', () => {
  const doc = document(
    ...baseRecords(3),
    pictureRecord('cut', { transparent: true, outlines: { alpha: [[0, 0, 1, 0, 0.5, 1]] } }),
    pictureRecord('plain'),
    textRecord('text', proseBody(100)),
    textFrame('tf', 'text', 'p2', AREA, { columns: 2 }),
    pictureFrame('pf', 'cut', 'p2', { x: 60, y: 60, w: 80, h: 80 }),
    pictureFrame('empty', undefined, 'p2', { x: 60, y: 160, w: 80, h: 80 }),
    pictureFrame('square', 'plain', 'p2', { x: 60, y: 260, w: 80, h: 80 }),
  );

  it('are moved, sized, and given to the page across the spine', () => {
    const after = done(doc, placeFrames(doc, new Map([['pf', { on: 'p3', box: { x: 10, y: 20, w: 30, h: 40 } }]])));
    expect(get(after, 'frame', 'pf')).toMatchObject({ on: 'p3', box: { x: 10, y: 20, w: 30, h: 40 } });
    expect(() => placeFrames(doc, new Map([['pf', { on: 'p2', box: { x: 0, y: 0, w: 2, h: 40 } }]]))).toThrow(ActionError);
    expect(() => placeFrames(doc, new Map([['pf', { on: 'gone', box: { x: 0, y: 0, w: 20, h: 40 } }]]))).toThrow(ActionError);
  });

  it('wrap by frame, by the outline the picture has, or not', () => {
    expect(get(done(doc, setWrap(doc, ['pf'], { mode: 'outline' })), 'frame', 'pf').wrap).toMatchObject({
      mode: 'outline',
      outline: 'alpha',
    });
    expect(get(done(doc, setWrap(doc, ['pf'], { mode: 'outline', outline: 'background' })), 'frame', 'pf').wrap.outline).toBe(
      'alpha',
    );
    expect(get(done(doc, setWrap(doc, ['pf'], { standOff: 14 })), 'frame', 'pf').wrap.standOff).toBe(14);
    expect(() => setWrap(doc, ['square'], { mode: 'outline' })).toThrow(/no outline/);
    expect(() => setWrap(doc, ['pf'], { standOff: -1 })).toThrow(/Stand-off: from 0/);
    expect(() => setWrap(doc, ['pf'], { standOff: NaN })).toThrow(ActionError);
  });

  it('are divided into columns that have some width', () => {
    expect(get(done(doc, setTextLayout(doc, ['tf'], { columns: 4, gutter: 10 })), 'frame', 'tf').content).toMatchObject({
      columns: 4,
      gutter: 10,
    });
    for (const [columns, gutter] of [
      [0, 10],
      [400, 1],
      [1.5, 10],
      [4, 200],
      [2, -1],
      [2, NaN],
    ])
      expect(() => setTextLayout(doc, ['tf'], { columns: columns!, gutter: gutter! })).toThrow(ActionError);
    expect(() => setTextLayout(doc, ['pf'], { columns: 2 })).toThrow(/text frame/);
  });

  it('stand their text as asked, if that leaves it room', () => {
    const layout = {
      inset: { top: 3, right: 4, bottom: 5, left: 6 },
      align: 'spread',
      turns: 1,
      firstBaseline: 'leading',
    } as const;
    expect(get(done(doc, setTextLayout(doc, ['tf'], layout)), 'frame', 'tf').content).toMatchObject({ ...layout, columns: 2 });
    expect(() => setTextLayout(doc, ['tf'], { inset: 150 })).toThrow(/no width/);
    expect(() => setTextLayout(doc, ['tf'], { inset: { top: 300, right: 0, bottom: 300, left: 0 } })).toThrow(/no height/);
    expect(() => setTextLayout(doc, ['tf'], { inset: -1 })).toThrow(/Inset: from 0/);
    expect(() => setTextLayout(doc, ['tf'], { firstBaseline: -3 })).toThrow(/First baseline: from 0/);
    // Turned, its columns divide the height.
    expect(() => setTextLayout(doc, ['tf'], { turns: 1, inset: { top: 0, right: 260, bottom: 0, left: 260 } })).toThrow(
      /no width/,
    );
  });

  it('take a form, a turn, colours and a shadow, and lose them again', () => {
    const look = {
      shape: { type: 'rounded', radius: 9 },
      rotation: 20,
      opacity: 0.5,
      fill: { swatch: 'ink', tint: 0.2 },
      border: { weight: 1, swatch: 'ink', tint: 1 },
      shadow: { dx: 1, dy: 2, blur: 3, swatch: 'ink', opacity: 0.4 },
    } as const;
    const after = done(doc, setAppearance(doc, ['pf'], look));
    expect(get(after, 'frame', 'pf')).toMatchObject(look);
    expect(flawOf(get(after, 'frame', 'pf'))).toBeUndefined();
    const nothing = Object.fromEntries(Object.keys(look).map((key) => [key, undefined]));
    expect(get(done(after, setAppearance(after, ['pf'], nothing)), 'frame', 'pf')).toEqual(get(doc, 'frame', 'pf'));
    // A turn is within half a turn either way, and none is no turn.
    expect(get(done(doc, setAppearance(doc, ['pf'], { rotation: 290 })), 'frame', 'pf').rotation).toBe(-70);
    expect(get(done(after, setAppearance(after, ['pf'], { rotation: 720 })), 'frame', 'pf')).not.toHaveProperty('rotation');
    for (const bad of [
      { rotation: NaN },
      { opacity: 1.2 },
      { border: { weight: 0, swatch: 'ink', tint: 1 } },
      { shadow: { ...look.shadow, blur: 900 } },
      { shape: { type: 'rounded', radius: -1 } as const },
    ])
      expect(() => setAppearance(doc, ['pf'], bad)).toThrow(ActionError);
  });

  it('are polygons of even corners, each of which can be moved', () => {
    const square = { type: 'polygon', points: evenPolygon(4) } as const;
    expect(square.points.map((value) => Math.round(value * 1e9) / 1e9)).toEqual([0.5, 0, 1, 0.5, 0.5, 1, 0, 0.5]);
    expect(withCorner(square, 1, 1.25, 9)).toMatchObject({ points: { 2: 1.25, 3: 2 } });
  });

  it('make a group that wraps by the widest of its stand-offs, and come apart', () => {
    const wrapping = done(doc, setWrap(doc, ['pf'], { mode: 'frame', standOff: { top: 1, right: 12, bottom: 3, left: 4 } }));
    const grouped = done(wrapping, groupFrames(wrapping, ['pf', 'square', 'empty']));
    const [group] = all(grouped, 'group');
    expect(group!.wrap).toMatchObject({ mode: 'frame', standOff: 12 });
    expect(
      membersOf(grouped, group!.id)
        .map(({ id }) => id)
        .sort(),
    ).toEqual(['empty', 'pf', 'square']);
    expect(all(done(grouped, setGroupWrap(grouped, group!.id, { mode: 'clear' })), 'group')[0]!.wrap.mode).toBe('clear');
    const apart = done(grouped, ungroupFrames(grouped, group!.id));
    expect(all(apart, 'group')).toEqual([]);
    expect(get(apart, 'frame', 'pf')).toEqual(get(wrapping, 'frame', 'pf'));
    // What is left alone is no group: by removal, and by joining another.
    const removed = done(grouped, removeFrames(grouped, ['pf', 'empty']));
    expect(all(removed, 'group')).toEqual([]);
    expect(get(removed, 'frame', 'square').group).toBeUndefined();
    const other = done(grouped, groupFrames(grouped, ['pf', 'empty']));
    expect(all(other, 'group')).toHaveLength(1);
    expect(get(other, 'frame', 'square').group).toBeUndefined();
    expect(() => groupFrames(doc, ['pf'])).toThrow(/two frames/);
    const across = done(doc, placeFrames(doc, new Map([['pf', { on: 'p3', box: { x: 10, y: 20, w: 30, h: 40 } }]])));
    expect(() => groupFrames(across, ['pf', 'square'])).toThrow(/one page/);
  });

  it('take the columns of the house over the grid columns they span', () => {
    const grid = pageGrid(get(doc, 'format', 'format'), get(doc, 'master', 'master'), 'right');
    expect(textColumns(grid, { textSpan: 1 }, AREA)).toBe(3);
    expect(textColumns(grid, { textSpan: 2 }, AREA)).toBe(1);
    expect(textColumns(grid, { textSpan: 1 }, { ...AREA, w: 90 })).toBe(1);
  });

  it('go to the front and to the back', () => {
    const ids = (after: Document) => framesOn(after, 'p2').map(({ id }) => id);
    expect(ids(done(doc, stack(doc, 'tf', 'front'))).at(-1)).toBe('tf');
    expect(ids(done(doc, stack(doc, 'square', 'back')))[0]).toBe('square');
  });

  it('leave their text in its story when they are removed', () => {
    const after = done(doc, removeFrames(doc, ['tf', 'pf']));
    expect(find(after, 'text', 'text')).toBeDefined();
    expect(find(after, 'frame', 'tf')).toBeUndefined();
    expect(find(after, 'picture', 'cut')).toBeDefined();
  });

  it('show all of a picture or are filled by it', () => {
    expect(get(done(doc, setCrop(doc, ['pf'], { fit: 'fill' })), 'frame', 'pf').content).toMatchObject({ fit: 'fill' });
    expect(() => setCrop(doc, ['tf'], { fit: 'fill' })).toThrow(ActionError);
  });
});

describe('frames in the list of their page', () => {
  const doc = document(
    ...baseRecords(),
    ...['a', 'b', 'c'].map((id, i) => ({ ...pictureFrame(id, undefined, 'p1', { ...AREA, h: 40 }), order: `a${i}` })),
  );
  const order = (of: Document) => framesOn(of, 'p1').map(({ id }) => id);

  it('come to lie above and below one another', () => {
    expect(order(done(doc, restack(doc, 'a', 'c', 'above')))).toEqual(['b', 'c', 'a']);
    expect(order(done(doc, restack(doc, 'a', 'c', 'below')))).toEqual(['b', 'a', 'c']);
    expect(order(done(doc, restack(doc, 'c', 'a', 'below')))).toEqual(['c', 'a', 'b']);
    expect(() => restack(doc, 'a', 'elsewhere', 'above')).toThrow(ActionError);
  });

  it('are named, and nothing moves, sizes or removes what is locked', () => {
    const locked = done(doc, markFrames(doc, ['a'], { locked: true, name: 'Plate' }));
    const place = new Map([['a', { on: 'p1', box: { ...AREA, h: 50 } }]]);
    expect(() => placeFrames(locked, place)).toThrow('“Plate” is locked. Unlock it in the list of its page.');
    expect(() => removeFrames(locked, ['b', 'a'])).toThrow('locked');
    const free = done(locked, markFrames(locked, ['a'], { locked: undefined }));
    expect(get(free, 'frame', 'a').locked).toBeUndefined();
    expect(() => placeFrames(free, place)).not.toThrow();
  });

  it('are hidden from the page and from the texts on it', async () => {
    const text = document(
      ...baseRecords(),
      textRecord('text', proseBody(400)),
      textFrame('f', 'text', 'p1', AREA),
      pictureFrame('pf', undefined, 'p1', { x: 100, y: 100, w: 120, h: 80 }, { mode: 'frame', standOff: 4 }),
    );
    const { composer } = await composerFor(text);
    const lines = (of: Document) => composer.compose(of).pages[0]!.items;
    expect(lines(text).some((item) => item.frame === 'pf')).toBe(true);
    const hidden = done(text, markFrames(text, ['pf'], { hidden: true }));
    expect(lines(hidden).some((item) => item.frame === 'pf')).toBe(false);
    const [item] = lines(hidden);
    for (const line of item?.type === 'text' ? item.columns.flatMap((column) => column.lines) : [])
      expect(line.width).toBeCloseTo(300, 6);
  });

  it('have a panel put behind their words, right below them', () => {
    const words = document(
      ...baseRecords(),
      textRecord('t', plainBody('body', 'Words'), { role: 'furniture' }),
      { ...pictureFrame('pf', undefined, 'p1', AREA), order: 'a0' },
      textFrame('tf', 't', 'p1', { x: 60, y: 60, w: 100, h: 20 }, {}, 'a1'),
    );
    const box = { x: 60, y: 60, w: 100, h: 30 };
    const after = done(words, putPanelBehind(words, { frame: 'tf', tone: 'dark', opacity: 0.6, box }));
    const [, panel, top] = framesOn(after, 'p1');
    expect(panel).toMatchObject({
      content: { type: 'panel' },
      opacity: 0.6,
      fill: { swatch: 'ink' },
      box: { x: 54, y: 54, w: 112, h: 42 },
    });
    expect(top!.id).toBe('tf');
  });
});

describe('pictures', () => {
  const base = document(
    ...baseRecords(),
    pictureFrame('empty', undefined, 'p1', { x: 60, y: 160, w: 80, h: 80 }, { mode: 'outline', standOff: 7 }),
  );
  const {
    id: _id,
    kind: _kind,
    order: _order,
    ...facts
  } = pictureRecord('x', { outlines: { alpha: [[0, 0, 1, 0, 1, 1]] }, transparent: true });
  const doc = done(base, bringInPicture(base, facts));
  const picture = all(doc, 'picture')[0] as PictureRecord;

  it('are placed with the wrap that suits them', async () => {
    const { composer } = await composerFor(doc);
    const place = (id: string) => placePicture(doc, { picture: id, page: 'p1', box: AREA }, composer);
    const [frame] = added(place(picture.id), 'frame') as FrameRecord[];
    expect(frame).toMatchObject({ content: { picture: picture.id, fit: 'fit' }, wrap: { mode: 'outline', outline: 'alpha' } });
    expect(() => place('gone')).toThrow(ActionError);
  });

  it('fill a frame that waits for them, keeping its stand-off', async () => {
    const after = done(doc, fillFrame(doc, { frame: 'empty', picture: picture.id }, (await composerFor(doc)).composer));
    expect(get(after, 'frame', 'empty')).toMatchObject({
      content: { picture: picture.id },
      wrap: { mode: 'outline', standOff: 7 },
    });
    const square = applied(doc, { added: [pictureRecord('square')], updated: [], removed: [], texts: [] });
    expect(
      get(
        applied(square, fillFrame(square, { frame: 'empty', picture: 'square' }, (await composerFor(square)).composer)),
        'frame',
        'empty',
      ).wrap,
    ).toMatchObject({
      mode: 'frame',
      standOff: 7,
    });
  });
});

describe('a pull quote', () => {
  const sentence = 'A kite is finished when it is broken.';
  const doc = document(
    ...baseRecords(),
    textRecord('text', plainBody('body', prose(120), `${prose(60, 3)} ${sentence} ${prose(60, 5)}`, prose(500, 9)), {
      story: 's',
    }),
    textFrame('f', 'text', 'p1', AREA, { columns: 3 }),
  );
  const from = plainText((doc.records.get('text') as TextRecord).body.child(1)).indexOf(sentence);
  const passage = { text: 'text', paragraph: 1, from, to: from + sentence.length };

  it('is set in the house style beside its sentence, wraps, and knows its source', async () => {
    const { composer } = await composerFor(doc);
    const diff = makeQuote(doc, passage, composer);
    const after = done(doc, diff);
    const [text] = added(diff, 'text') as TextRecord[];
    const [frame] = added(diff, 'frame') as FrameRecord[];
    expect(text).toMatchObject({ role: 'quote', story: 's', source: { text: 'text', words: sentence } });
    expect(bodyText(text!.body)).toBe('‘A kite is finished when it is broken.’');
    expect(paragraphsOf(text!.body)[0]!.attrs.style).toBe('pullQuote');
    expect(frame!.wrap).toMatchObject({ mode: 'frame', standOff: 13.5 });
    // In a column of the frame, inside it, on the grid, its height its text's.
    expect([50, 155, 260]).toContain(Math.round(frame!.box.x));
    expect(frame!.box.y).toBeGreaterThanOrEqual(AREA.y);
    expect(frame!.box.y + frame!.box.h).toBeLessThanOrEqual(AREA.y + AREA.h);
    expect((frame!.box.y - 48) % 12).toBeCloseTo(0, 6);
    expect(composer.compose(after).grown.get(frame!.id)!.h).toBeCloseTo(frame!.box.h, 6);
    // No text of the story is lost by it.
    const fit = composer.compose(after).fits.get('text')!;
    expect(fit.lines).toBeGreaterThan(0);
  });

  it('goes with its frame when that is removed', async () => {
    const { composer } = await composerFor(doc);
    const diff = makeQuote(doc, passage, composer);
    const after = applied(doc, diff);
    const gone = done(after, removeFrames(after, [added(diff, 'frame')[0]!.id]));
    expect(all(gone, 'text').filter(({ role }) => role === 'quote')).toEqual([]);
  });

  it('is refused where nothing is quoted, or the sentence is on no page', async () => {
    const { composer } = await composerFor(doc);
    expect(() => makeQuote(doc, { ...passage, from: 0, to: 0 }, composer)).toThrow(/no words/);
    const tray = document(...baseRecords(), textRecord('text', plainBody('body', sentence)));
    expect(() => makeQuote(tray, { text: 'text', paragraph: 0, from: 0, to: 20 }, composer)).toThrow(/not on a page/);
  });
});

describe('marking out', () => {
  const doc = document(...baseRecords());
  const box = { x: 50, y: 48, w: 195, h: 120 };

  it.each([
    ['picture', { type: 'picture' }],
    ['panel', { type: 'panel' }],
    ['rule', { type: 'rule' }],
    ['headline', { type: 'text', grows: true }],
    ['quote', { type: 'text', grows: true }],
  ] as const)('makes a %s of a stretch', (as, content) => {
    const diff = markOut(doc, { page: 'p1', box, as, words: 'Words' });
    done(doc, diff);
    const [frame] = added(diff, 'frame') as FrameRecord[];
    expect(frame!.content).toMatchObject(content);
    expect(frame!.box.x).toBe(50);
  });

  it('is refused a stretch of nothing', () => {
    expect(() => markOut(doc, { page: 'p1', box: { x: 0, y: 0, w: 1, h: 1 }, as: 'panel' })).toThrow(ActionError);
  });
});

describe('pages', () => {
  const doc = document(...baseRecords(3));

  it('are added behind a page, or before all', () => {
    const after = done(doc, addPages(doc, { after: 'p1', count: 2 }));
    expect(placedPages(after).map(({ page }) => page.id.length > 2)).toEqual([false, true, true, false, false]);
    expect(placedPages(done(doc, addPages(doc, { after: undefined, count: 1 })))[1]!.page.id).toBe('p1');
  });

  it('are taken out with their frames, and no story loses a word', () => {
    const story = bringInStory(doc, { name: 'Quay', headline: 'Quay', body: proseBody(300) });
    const withStory = done(doc, story);
    const [record] = added(story, 'story');
    const body = (record as { parts: { body: string } }).parts.body;
    const placed = document(
      ...withStory.records.values(),
      textFrame('f1', body, 'p1', { x: 50, y: 48, w: 90, h: 200 }, {}, 'a0'),
      textFrame('f2', body, 'p2', { x: 50, y: 48, w: 90, h: 200 }, { order: 'a1' }, 'a0'),
    );
    const after = done(placed, removePages(placed, ['p1']));
    expect(all(after, 'page').map(({ id }) => id)).toEqual(['p2', 'p3']);
    expect(threadOf(after, body).map(({ id }) => id)).toEqual(['f2']);
    expect(get(after, 'text', body)).toBe(get(placed, 'text', body));
    expect(removalWords(placed, ['p1'])).toMatch(/^“Quay” keeps its text/);
    expect(removalWords(placed, ['p3'])).toBeUndefined();
    expect(() => removePages(doc, ['p1', 'p2', 'p3'])).toThrow(/last page stays/);
  });

  it('are moved, as far as there are others', () => {
    const order = (of: Document) => all(of, 'page').map(({ id }) => id);
    expect(order(done(doc, movePage(doc, 'p1', 1)))).toEqual(['p2', 'p1', 'p3']);
    expect(order(done(doc, movePage(doc, 'p3', -2)))).toEqual(['p3', 'p1', 'p2']);
    expect(order(done(doc, movePage(doc, 'p1', 9)))).toEqual(['p2', 'p3', 'p1']);
    expect(isEmpty(movePage(doc, 'p1', -1))).toBe(true);
  });

  it('that come to lie on the other side keep to their columns', () => {
    const lopsided = document(
      ...[...doc.records.values()].map((record) =>
        record.kind === 'master' ? { ...record, margins: { ...record.margins, inner: 20, outer: 80 } } : record,
      ),
    );
    const at = (of: Document, side: 'left' | 'right') =>
      pageGrid(get(of, 'format', 'format'), get(of, 'master', 'master'), side).columns[1]!;
    const { x, w } = at(lopsided, 'right');
    const placed = document(...lopsided.records.values(), pictureFrame('own', undefined, 'p3', { x, y: 48, w, h: 60 }));
    for (const diff of [movePage(placed, 'p3', -1), removePages(placed, ['p1']), addPages(placed, { after: 'p1', count: 1 })]) {
      const after = done(placed, diff);
      expect(placedPages(after).find(({ page }) => page.id === 'p3')!.side).toBe('left');
      expect(get(after, 'frame', 'own').box).toMatchObject(at(placed, 'left'));
    }
    const copy = done(placed, duplicatePage(placed, 'p3'));
    expect(framesOn(copy, all(copy, 'page')[3]!.id)[0]!.box.x).toBeCloseTo(at(placed, 'left').x, 6);
  });

  it('are duplicated with what belongs to no thread', () => {
    const full = document(
      ...doc.records.values(),
      textRecord('quote', plainBody('pullQuote', 'A kite is finished when it is broken.'), { role: 'quote' }),
      textRecord('story', proseBody(40)),
      textFrame('q', 'quote', 'p1', { x: 50, y: 48, w: 90, h: 60 }),
      textFrame('b', 'story', 'p1', { x: 150, y: 48, w: 90, h: 60 }),
      pictureFrame('p', undefined, 'p1', { x: 50, y: 200, w: 90, h: 60 }),
      pictureFrame('p-too', undefined, 'p1', { x: 50, y: 300, w: 90, h: 60 }),
    );
    const grouped = done(full, groupFrames(full, ['p', 'p-too']));
    const after = done(grouped, duplicatePage(grouped, 'p1'));
    const copy = all(after, 'page')[1]!;
    const frames = framesOn(after, copy.id);
    expect(frames.map(({ content }) => content.type).sort()).toEqual(['picture', 'picture', 'text']);
    const words = frames.find(({ content }) => content.type === 'text')!.content as { text: string };
    expect(words.text).not.toBe('quote');
    expect(bodyText(get(after, 'text', words.text).body)).toBe('A kite is finished when it is broken.');
    const groups = new Set(frames.flatMap(({ group }) => (group ? [group] : [])));
    expect(groups.size).toBe(1);
    expect(all(after, 'group')).toHaveLength(2);
  });

  it('take another master, and what lay on columns lies on columns', () => {
    const two = document(
      ...doc.records.values(),
      { ...get(doc, 'master', 'master'), id: 'wide', name: 'Wide', columns: 2, gutter: 20 },
      pictureFrame('half', undefined, 'p1', { x: 155, y: 48, w: 195, h: 60 }),
    );
    const after = done(two, setMaster(two, ['p1', 'p3'], 'wide'));
    expect(all(after, 'page').map(({ master }) => master)).toEqual(['wide', 'master', 'wide']);
    expect(get(after, 'frame', 'half').box).toMatchObject({ x: 210, w: 140 });
    expect(isEmpty(setMaster(doc, ['p1'], 'master'))).toBe(true);
  });

  it('are not added without number or end', () => {
    for (const count of [0, -1, 1000]) expect(() => addPages(doc, { after: 'p1', count })).toThrow(ActionError);
  });
});
