import type { Browser } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { paragraphsOf, plainText } from '@/core/records/body';
import type { AdvertisementRecord, FrameRecord, GroupRecord, PictureRecord, StoryRecord, TextRecord } from '@/core/records/index';
import { openServer, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { copyDocument, copyIssue, Desk, type Spot, until } from '../support/desk';

/** What the typesetter can do, as the desk and the type sheet offer it: with real mouse and keyboard. */

const databaseUrl = inject('databaseUrl');
let server: Server;
let browser: Browser;
let desk: Desk;

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium();
  desk = await Desk.open(browser, server.origin, databaseUrl, await copyIssue(databaseUrl));
});

afterAll(async () => {
  await browser?.close();
  await server?.stop();
});

const frameOf = async (name: string): Promise<string> => (await desk.frames(name))[0]!.id;
const stored = async (id: string): Promise<FrameRecord> => {
  await desk.stored();
  return (await desk.records<FrameRecord>('frame')).find((frame) => frame.id === id)!;
};
const press = async (spot: Spot, options = {}) => desk.page.mouse.click(spot.x, spot.y, options);

/** Opens a chapter of the detail if it is folded. */
async function chapter(name: string): Promise<void> {
  const button = (await desk.page.waitForSelector(`aside[aria-label=Detail] section[aria-label="${name}"] h3 button`))!;
  if ((await button.evaluate((element) => element.getAttribute('aria-expanded'))) === 'false') await button.click();
}

async function fill(label: string, value: string): Promise<void> {
  const field = (await desk.page.waitForSelector(`aside[aria-label=Detail] ::-p-aria([name="${label}"])`))!;
  await field.click({ count: 3 });
  await desk.page.keyboard.type(value);
  await desk.press('Enter');
}

async function choose(label: string, value: string): Promise<void> {
  const field = (await desk.page.waitForSelector(`aside[aria-label=Detail] ::-p-aria([name="${label}"])`))!;
  await field.select(value);
}

const shownLines = () => desk.page.$$eval('[data-chunk] text', (words) => words.length);

describe('typing on the page', () => {
  const bodyText = async (): Promise<TextRecord> => {
    await desk.stored();
    const story = (await desk.records<StoryRecord>('story')).find(({ name }) => name === 'The spar remembers')!;
    return (await desk.records<TextRecord>('text')).find(({ id }) => id === story.parts.body)!;
  };
  const words = async () => paragraphsOf((await bodyText()).body).map(plainText);
  let before: string[];

  it('begins where a double press falls, and shows every letter in its line', async () => {
    await desk.go(4);
    await desk.reads('Ask her which note');
    before = await words();
    const spot = await desk.page.$$eval('[data-chunk] text', (list) => {
      const word = list.find((each) => each.textContent === 'forgotten.')!.getBoundingClientRect();
      return { x: word.x + 0.4, y: word.y + word.height / 2 };
    });
    await press(spot, { count: 2 });
    await desk.page.waitForSelector('[data-caret]');
    await desk.page.keyboard.type('never ');
    await desk.reads('and never forgotten.');
    await desk.press('Backspace');
    await desk.press('Backspace');
    await desk.page.keyboard.type('r ');
    await desk.reads('and never forgotten.');
  });

  it('makes one change of what was typed, which is stored while the hand rests', async () => {
    const now = await words();
    const at = now.findIndex((each, i) => each !== before[i]);
    expect(now[at]).toBe(before[at]!.replace('forgotten', 'never forgotten'));
    expect(now.filter((each, i) => each !== before[i])).toHaveLength(1);
    expect((await desk.changes()).filter(({ label }) => label === 'Type').length).toBeGreaterThan(0);
  });

  it('makes paragraphs with Enter and joins them again', async () => {
    await desk.press('Enter');
    await desk.page.keyboard.type('A new one.');
    await desk.reads('A new one.');
    expect(await words()).toHaveLength(before.length + 1);
    for (let i = 0; i < 'A new one.'.length + 1; i++) await desk.press('Backspace');
    await desk.stored();
    expect(await words()).toHaveLength(before.length);
  });

  it('gives the paragraph another style and beginning without leaving the text', async () => {
    const at = (await words()).findIndex((each) => each.includes('never forgotten'));
    const style = (await desk.page.waitForSelector('[data-text-tools] ::-p-aria([name="Paragraph style"])'))!;
    await style.select('crosshead');
    await desk.stored();
    expect(paragraphsOf((await bodyText()).body)[at]!.attrs.style).toBe('crosshead');
    const more = (await desk.page.waitForSelector('[data-text-tools] ::-p-aria([name="More"])'))!;
    await more.select('start-frame');
    await desk.stored();
    expect(paragraphsOf((await bodyText()).body)[at]!.attrs.startIn).toBe('frame');
    expect(await desk.page.$('[data-caret]')).not.toBeNull();
    await desk.page.keyboard.type('!');
    await desk.reads('never !forgotten');
    const field = (await desk.page.waitForSelector('[data-text-tools] ::-p-aria([name="Insert"])'))!;
    await field.select('field-price');
    await desk.reads('never !£7.50forgotten');
    await desk.press('Backspace');
    await desk.reads('never !forgotten');
    await desk.press('Escape');
    await desk.until('the text is left', () => !document.querySelector('[data-typing]'));
  });

  it('is undone like everything else', async () => {
    for (let i = 0; i < 40 && (await words()).join('\n') !== before.join('\n'); i++) {
      await desk.press('Control', 'z');
      await desk.stored();
    }
    expect(await words()).toEqual(before);
    await desk.reads('and forgotten.');
  });
});

describe('the detail of a text', () => {
  it('sets columns, insets by side, and where the lines stand', async () => {
    await desk.go(4);
    const id = await frameOf('Text, The spar');
    const box = await desk.box(`[data-frame="${id}"]`);
    await press({ x: box.x + 20, y: box.y + box.h - 12 });
    await chapter('Text in its frame');
    await fill('Inset', '2 mm');
    expect((await stored(id)).content).toMatchObject({ inset: expect.closeTo(5.669, 2) });
    await (await desk.page.waitForSelector(
      'aside section[aria-label="Text in its frame"] ::-p-text(Each side by itself)',
    ))!.click();
    await fill('Inset left', '20');
    expect((await stored(id)).content).toMatchObject({
      inset: { top: expect.closeTo(5.669, 2), left: expect.closeTo(56.693, 2) },
    });
    await choose('First baseline', 'capHeight');
    expect((await stored(id)).content).toMatchObject({ firstBaseline: 'capHeight' });
    await desk.page.click('aside ::-p-text(Spread)');
    expect((await stored(id)).content).toMatchObject({ align: 'spread' });
    await desk.page.click('aside ::-p-text(Balance columns)');
    expect((await stored(id)).content).toMatchObject({ balanced: true });
  });

  it('refuses what would leave the text no room, with a sentence', async () => {
    const id = await frameOf('Text, The spar');
    const before = await stored(id);
    await fill('Inset left', '180');
    await desk.until('it says why', () =>
      [...document.querySelectorAll('[role=alert]')].some((each) => each.textContent?.includes('no width')),
    );
    expect(await stored(id)).toEqual(before);
    await desk.press('Escape');
    for (let i = 0; i < 5; i++) await desk.press('Control', 'z');
  });
});

describe('the detail of a picture', () => {
  it('wraps on one side, with a stand-off by side', async () => {
    await desk.go(4);
    const id = await frameOf('Picture, fenn-kite');
    await press(await desk.middle(`[data-frame="${id}"]`));
    const both = await shownLines();
    await choose('Wrap on', 'left');
    expect((await stored(id)).wrap).toMatchObject({ mode: 'outline', side: 'left' });
    await desk.until(
      'the text beside it is gone',
      (count: number) => document.querySelectorAll('[data-chunk] text').length !== count,
      both,
    );
    await (await desk.page.waitForSelector('aside section[aria-label="Text wrap"] ::-p-text(Each side by itself)'))!.click();
    await fill('Stand-off left', '12');
    expect((await stored(id)).wrap.standOff).toMatchObject({ left: expect.closeTo(34.016, 2), right: expect.closeTo(14.173, 2) });
  });

  it('turns by figures and by keys; its brackets turn with it', async () => {
    const id = await frameOf('Picture, fenn-kite');
    await chapter('Form and look');
    await fill('Rotation', '20');
    expect((await stored(id)).rotation).toBe(20);
    const turned = await desk.page.$eval(`[data-brackets="${id}"]`, (element) =>
      element.parentElement!.getAttribute('transform'),
    );
    expect(turned).toMatch(/^rotate\(20 /);
    await press(await desk.middle(`[data-frame="${id}"]`));
    await desk.press('Alt', 'r');
    expect((await stored(id)).rotation).toBe(110);
    await desk.press('Alt', 'Shift', 'R');
    expect((await stored(id)).rotation).toBe(20);
  });

  it('is sized in its own directions when it is turned: what lies across stays', async () => {
    const id = await frameOf('Picture, fenn-kite');
    const before = (await stored(id)).box;
    const corner = ({ x, y, w, h }: typeof before) => {
      const [cx, cy, t] = [x + w / 2, y + h / 2, (20 * Math.PI) / 180];
      return { x: cx + Math.cos(t) * (-w / 2) - Math.sin(t) * (-h / 2), y: cy + Math.sin(t) * (-w / 2) + Math.cos(t) * (-h / 2) };
    };
    const from = await desk.middle('[data-pull="right bottom"]');
    await desk.drag(from, { x: from.x + 30, y: from.y + 20 });
    const after = (await stored(id)).box;
    expect(after.w).toBeGreaterThan(before.w + 10);
    expect(corner(after).x).toBeCloseTo(corner(before).x, 1);
    expect(corner(after).y).toBeCloseTo(corner(before).y, 1);
  });

  it('becomes a polygon whose corners are dragged, by hand and by keys', async () => {
    const id = await frameOf('Picture, fenn-kite');
    await choose('Form', 'polygon');
    const points = (frame: FrameRecord) => (frame.shape?.type === 'polygon' ? frame.shape.points : []);
    const before = points(await stored(id));
    expect(before).toHaveLength(12);
    const from = await desk.middle('[data-corner="0"]');
    await desk.drag(from, { x: from.x, y: from.y - 25 });
    const after = points(await stored(id));
    expect(after[1]).toBeLessThan(before[1]! - 0.05);
    expect(after.slice(2)).toEqual(before.slice(2));
    await desk.page.$eval('[data-corner="3"]', (element) => (element as SVGElement).focus());
    await desk.press('ArrowDown');
    expect(points(await stored(id))[7]).toBeGreaterThan(after[7]!);
    await fill('Corners', '5');
    expect(points(await stored(id))).toHaveLength(10);
  });

  it('takes a border, a shadow and opacity', async () => {
    const id = await frameOf('Picture, fenn-kite');
    await desk.page.click('aside ::-p-xpath(.//label[normalize-space()="Border"])');
    await fill('Opacity', '60');
    await desk.page.click('aside ::-p-xpath(.//label[normalize-space()="Shadow"])');
    expect(await stored(id)).toMatchObject({ border: { swatch: 'ink', weight: 0.5 }, opacity: 0.6, shadow: { blur: 4 } });
    await fill('Opacity', '130');
    await desk.until('it says the limits', () =>
      [...document.querySelectorAll('aside [role=alert]')].some((each) => each.textContent?.includes('from 0 to 100')),
    );
    expect((await stored(id)).opacity).toBe(0.6);
  });
});

describe('a frame that blends', () => {
  it('mixes with what lies under it on the page, and covers it again', async () => {
    const id = await frameOf('Picture, fenn-kite');
    await choose('Blending', 'multiply');
    expect((await stored(id)).blend).toBe('multiply');
    const mixes = (mode: string) =>
      [...document.querySelectorAll('[data-painted] svg')].some((svg) => getComputedStyle(svg).mixBlendMode === mode);
    await desk.until('its drawing mixes', mixes, 'multiply');
    await choose('Blending', 'normal');
    await desk.until('it covers again', () =>
      [...document.querySelectorAll('[data-painted] svg')].every((svg) => getComputedStyle(svg).mixBlendMode === 'normal'),
    );
    expect((await stored(id)).blend).toBeUndefined();
  });
});

describe('several frames', () => {
  it('are changed as one: a field shows where they do not agree, and sets all of them in one change', async () => {
    await desk.press('Escape');
    await desk.go(6);
    const [standfirst] = await desk.frames('Standfirst');
    const [byline] = await desk.frames('Byline');
    await press(await desk.middle(`[data-frame="${standfirst!.id}"]`));
    await chapter('Form and look');
    await fill('Opacity', '80');
    await press(await desk.middle(`[data-frame="${standfirst!.id}"]`));
    await desk.page.keyboard.down('Shift');
    await press(await desk.middle(`[data-frame="${byline!.id}"]`));
    await desk.page.keyboard.up('Shift');
    await desk.until('they do not agree', () => document.querySelector('aside input[placeholder=Mixed]') !== null);
    expect(await desk.page.$eval('[role=toolbar][aria-label=Frames]', (bar) => bar.textContent)).toContain('2 frames');
    const before = (await stored(byline!.id)).opacity;
    await fill('Opacity', '100/2');
    expect([(await stored(standfirst!.id)).opacity, (await stored(byline!.id)).opacity]).toEqual([0.5, 0.5]);
    // While it is dragged it is only shown; the page is what it was until it is let go.
    const label = (await desk.page.waitForSelector('aside ::-p-xpath(.//label[.="Rotation"])'))!;
    const box = (await label.boundingBox())!;
    await desk.page.mouse.move(box.x + 4, box.y + 4);
    await desk.page.mouse.down();
    await desk.page.mouse.move(box.x + 44, box.y + 4, { steps: 5 });
    await desk.until('both are turned', () => {
      const shown = [...document.querySelectorAll<SVGGraphicsElement>('[data-painted] [transform]')];
      const turns = shown.map((each) => each.transform.baseVal.consolidate()?.matrix.b ?? 0);
      return turns.filter((sine) => Math.abs(sine - Math.sin(Math.PI / 18)) < 1e-3).length > 1;
    });
    expect((await stored(byline!.id)).rotation).toBeUndefined();
    await desk.page.mouse.up();
    expect([(await stored(standfirst!.id)).rotation, (await stored(byline!.id)).rotation]).toEqual([10, 10]);
    await desk.press('Control', 'z');
    await desk.press('Control', 'z');
    expect([(await stored(standfirst!.id)).opacity, (await stored(byline!.id)).opacity]).toEqual([0.8, before]);
    await desk.press('Control', 'z');
  });
});

describe('a group', () => {
  it('is made of frames chosen with the mouse or kept by keys, and text keeps away from it as from one', async () => {
    await desk.press('Escape');
    await desk.go(6);
    const [standfirst] = await desk.frames('Standfirst');
    const [byline] = await desk.frames('Byline');
    await press(await desk.middle(`[data-frame="${standfirst!.id}"]`));
    await desk.press('Space');
    await desk.page.$eval(`[data-frame="${byline!.id}"]`, (element) => (element as SVGElement).focus());
    await desk.until('two are chosen', () => document.querySelectorAll('[data-brackets]').length === 2);
    await desk.press('Alt', 'g');
    await desk.stored();
    // The box of the page is a group too.
    const made = async () => (await desk.records<GroupRecord>('group')).find(({ id }) => id !== 'fact-group');
    const group = await made();
    expect([(await stored(standfirst!.id)).group, (await stored(byline!.id)).group]).toEqual([group!.id, group!.id]);
    expect(await desk.page.$eval('aside[aria-label=Detail] h2', (element) => element.textContent)).toBe('A group of 2 frames');
    const wrap = (await desk.page.waitForSelector('aside section[aria-label="Text wrap of the group"] ::-p-text(Clear)'))!;
    await wrap.click();
    await desk.stored();
    expect((await made())!.wrap.mode).toBe('clear');
  });

  it('moves together; a second press chooses one of it; it comes apart again', async () => {
    const [standfirst] = await desk.frames('Standfirst');
    const [byline] = await desk.frames('Byline');
    await desk.press('Escape');
    const before = [await stored(standfirst!.id), await stored(byline!.id)];
    const from = await desk.middle(`[data-frame="${standfirst!.id}"]`);
    await desk.drag(from, { x: from.x + 40, y: from.y + 60 });
    const after = [await stored(standfirst!.id), await stored(byline!.id)];
    const by = after.map(({ box }, i) => [box.x - before[i]!.box.x, box.y - before[i]!.box.y]);
    expect(Math.abs(by[0]![0]!) + Math.abs(by[0]![1]!)).toBeGreaterThan(10);
    expect(by[1]![0]).toBeCloseTo(by[0]![0]!, 3);
    expect(by[1]![1]).toBeCloseTo(by[0]![1]!, 3);
    await press(await desk.middle(`[data-frame="${standfirst!.id}"]`));
    await desk.until('one is chosen', () => document.querySelectorAll('[data-brackets]').length === 1);
    await desk.press('Escape');
    await press(await desk.middle(`[data-frame="${standfirst!.id}"]`));
    await desk.until('both are chosen', () => document.querySelectorAll('[data-brackets]').length === 2);
    await desk.press('Alt', 'Shift', 'G');
    await desk.stored();
    // That of the house's furniture is another.
    expect((await desk.records<GroupRecord>('group')).filter(({ id }) => id !== 'fact-group')).toEqual([]);
    expect((await stored(standfirst!.id)).group).toBeUndefined();
  });
});

describe('the palette', () => {
  it('recolours every page of the issue at once, as one change', async () => {
    await desk.press('Escape');
    await desk.go(4);
    await desk.reads('AT THE BENCH');
    const colour = await desk.page.$$eval('[data-chunk] text', (list) =>
      list
        .find((each) => each.textContent === 'BENCH')!
        .closest('[fill]')!
        .getAttribute('fill'),
    );
    const before = (await desk.changes()).length;
    const palette = (await desk.page.waitForSelector('aside ::-p-aria([name="Palette"])'))!;
    await palette.select('palette-strand');
    await desk.until(
      'the kicker has another colour',
      (old: string) =>
        [...document.querySelectorAll('[data-chunk] text')]
          .find((each) => each.textContent === 'BENCH')
          ?.closest('[fill]')
          ?.getAttribute('fill') !== old,
      colour,
    );
    await desk.stored();
    expect((await desk.changes()).length).toBe(before + 1);
    await desk.press('Control', 'z');
    await desk.stored();
    await desk.until(
      'it is as it was',
      (old: string) =>
        [...document.querySelectorAll('[data-chunk] text')]
          .find((each) => each.textContent === 'BENCH')
          ?.closest('[fill]')
          ?.getAttribute('fill') === old,
      colour,
    );
  });
});

describe('what is carried from the tray', () => {
  let packet: Desk;

  beforeAll(async () => {
    packet = await Desk.open(browser, server.origin, databaseUrl, await copyDocument(databaseUrl, 'packet-1206'));
    await packet.page.click('[role=tab]:nth-of-type(2)');
    await packet.until('pictures are in the tray', () => document.querySelectorAll('[data-picture]').length > 3);
  });

  afterAll(async () => {
    expect(packet.problems).toEqual([]);
    await packet.page.close();
  });

  const frames = () => packet.records<FrameRecord>('frame');
  const inSight = async (content: (frame: FrameRecord) => boolean): Promise<FrameRecord> => {
    const seen = new Set((await packet.frames('')).map(({ id }) => id));
    return (await frames()).find((frame) => seen.has(frame.id) && content(frame))!;
  };
  /** Carries something over a spot, and lets it go where it says what that means. */
  const letGo = async (carried: string, spot: Spot, says: string) => {
    const before = (await packet.changes()).length;
    await packet.drag(await packet.middle(carried), spot, () =>
      packet.until(
        `it says “${says}”`,
        (words: string) => document.querySelector('[data-lit]')?.textContent?.includes(words),
        says,
      ),
    );
    // Where a story falls is worked out beside the screen.
    await expect.poll(async () => (await packet.changes()).length, { timeout: 20_000 }).toBeGreaterThan(before);
    await packet.stored();
  };
  const undone = async (as: readonly FrameRecord[]) => {
    await packet.press('Control', 'z');
    await packet.stored();
    expect(await frames()).toEqual(expect.arrayContaining([...as]));
  };
  const sorted = async () => (await frames()).sort((a, b) => a.id.localeCompare(b.id));

  it('becomes the artwork of an advertisement, takes a picture’s place, or has text run around it, as it says', async () => {
    const before = await sorted();
    const picture = (await packet.records<PictureRecord>('picture')).find(({ name }) => name === 'hollin-head-dusk')!;
    const carried = `[data-picture="${picture.id}"]`;

    const booked = await inSight(({ content }) => content.type === 'advertisement' && content.advertisement !== undefined);
    await letGo(carried, await packet.middle(`[data-frame="${booked.id}"]`), 'as the artwork of this advertisement');
    const client = (await packet.records<AdvertisementRecord>('advertisement')).find(
      ({ id }) => booked.content.type === 'advertisement' && id === booked.content.advertisement,
    )!;
    expect(client.picture).toBe(picture.id);
    await undone(before);

    const shown = await inSight(
      ({ content }) => content.type === 'picture' && content.picture !== undefined && content.picture !== picture.id,
    );
    await letGo(carried, await packet.middle(`[data-frame="${shown.id}"]`), 'in place of this picture');
    const filled = (await frames()).find(({ id }) => id === shown.id)!;
    expect(filled).toMatchObject({ box: shown.box, content: { picture: picture.id } });
    await undone(before);

    // One whose middle nothing else lies on.
    const text = await inSight(
      ({ content, box }) => content.type === 'text' && box.h > 120 && box.x + box.w / 2 < booked.box.x && box.y > shown.box.y,
    );
    await letGo(carried, await packet.middle(`[data-frame="${text.id}"]`), 'here, the text runs around it');
    // Its caption comes with it.
    const added = (await frames()).filter(({ id, beside }) => !beside && !before.some((each) => each.id === id));
    expect(added).toHaveLength(1);
    expect(added[0]!.wrap.mode).not.toBe('none');
    // In the columns of the text that it was let go over.
    expect(added[0]!.box.x).toBeGreaterThanOrEqual(text.box.x - 0.01);
    expect(added[0]!.box.x + added[0]!.box.w).toBeLessThanOrEqual(text.box.x + text.box.w + 0.01);
    await undone(before);
  });

  it('is laid onto a panel, away from its edges, where nothing else is meant', async () => {
    const before = await sorted();
    const panel = await inSight(({ content }) => content.type === 'panel');
    const { x, y, w, h } = panel.box;
    await packet.page.click('[role=tab]:nth-of-type(1)');
    const story = (await packet.records<StoryRecord>('story'))[0]!;
    await letGo(`[data-story="${story.id}"]`, await packet.middle(`[data-frame="${panel.id}"]`), 'onto this panel');
    const added = (await frames()).filter(({ id }) => !before.some((each) => each.id === id));
    expect(added.length).toBeGreaterThan(0);
    for (const { box } of added) {
      expect(box.x).toBeGreaterThan(x + 5);
      expect(box.x + box.w).toBeLessThan(x + w - 5);
      expect(box.y).toBeGreaterThan(y + 5);
      expect(box.y + box.h).toBeLessThan(y + h - 5);
    }
    await undone(before);
  });
});

describe('the type sheet', () => {
  it('shows every style in real text with its figures, and the chart of word spaces', async () => {
    const page = await browser.newPage();
    await page.goto(server.origin, { waitUntil: 'domcontentloaded' });
    await page.click('a[href$="/grid"]');
    await page.waitForSelector('[data-gutter]');
    await page.click('nav a[href$="/type"]');
    await page.waitForSelector('[data-specimen]');
    await page.waitForSelector('.js-plotly-plot .scatterlayer');
    // Styles are drawn one after another.
    await until(
      page,
      'all styles are drawn',
      (count: number) => document.querySelectorAll('[data-specimen]').length >= count,
      (await desk.records('paragraphStyle')).length + (await desk.records('characterStyle')).length,
    );
    const specimens = await page.$$eval('[data-specimen]', (rows) =>
      rows.map((row) => ({
        id: row.getAttribute('data-specimen')!,
        words: row.textContent!,
        texts: row.querySelectorAll('text').length,
      })),
    );
    const styles = [
      ...(await desk.records<{ id: string }>('paragraphStyle')),
      ...(await desk.records<{ id: string }>('characterStyle')),
    ];
    expect(specimens.map(({ id }) => id).sort()).toEqual(styles.map(({ id }) => id).sort());
    for (const { texts } of specimens) expect(texts).toBeGreaterThan(0);
    const body = specimens.find(({ id }) => id === 'body')!;
    const characters = Number(/Characters a line([\d.]+)/.exec(body.words)![1]);
    // About 40 characters make a good line in a three-column page (common practice: 35 to 45).
    expect(characters).toBeGreaterThan(30);
    expect(characters).toBeLessThan(50);
    const strays = await page.$$eval('section[aria-label="Word spaces by line"] strong', (list) =>
      list.map((each) => parseFloat(each.textContent!)),
    );
    expect(strays[0]).toBeGreaterThan(0);
    expect(strays[0]).toBeLessThan(strays[1]!);
    await page.close();
  });
});

it('nothing went wrong in the browser on the way', () => {
  expect(desk.problems).toEqual([]);
});
