import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { finished } from '@/core/page/finished';
import { bodyText } from '@/core/records/body';
import { documentOf } from '@/core/records/document';
import type { DocumentRecord, FinishRecord, FrameRecord, FurnitureRecord, GroupRecord, TextRecord } from '@/core/records/index';
import { openServer, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { alive, copyDocument, Desk } from '../support/desk';

/** What makes a page a designed one: forms, looks, finishes, furniture, box-outs with tables, tied quotes; by mouse and by keys. */

const databaseUrl = inject('databaseUrl');
let server: Server;
let browser: Browser;
let desk: Desk;
let page: Page;

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium(server.origin);
  desk = await Desk.open(browser, server.origin, databaseUrl, await copyDocument(databaseUrl, 'packet-1206'));
  page = desk.page;
  await page.setViewport({ width: 1280, height: 800 });
  await desk.go(6);
});

afterAll(async () => {
  expect(desk.problems).toEqual([]);
  await browser?.close();
  await server?.stop();
});

const frames = () => desk.records<FrameRecord>('frame');
/** The one frame that is chosen, as it is stored. */
async function chosen(): Promise<FrameRecord> {
  await desk.stored();
  const id = await page.$eval('[data-brackets]', (element) => element.getAttribute('data-brackets'));
  return (await frames()).find((frame) => frame.id === id)!;
}

/** Gives something drawn the focus, as Tab does. */
const focus = (selector: string) => page.$eval(selector, (element) => (element as unknown as HTMLElement).focus());

/** Opens a heading of the detail where it is folded. */
async function unfold(name: string): Promise<void> {
  const folded = await page.$$(`aside[aria-label=Detail] section[aria-label="${name}"] h3 button[aria-expanded=false]`);
  for (const each of folded) await each.click();
  await page.waitForSelector(`aside[aria-label=Detail] section[aria-label="${name}"] h3 button[aria-expanded=true]`);
}

const inDetail = (label: string) => `aside[aria-label=Detail] ::-p-aria([name="${label}"])`;

/** Ticks or unticks something in the detail. */
async function tick(name: string): Promise<void> {
  await (await page.waitForSelector(`aside[aria-label=Detail] ::-p-aria([name="${name}"][role="checkbox"])`))!.click();
}

/** Presses a button of the detail by its words. */
async function press(words: string): Promise<void> {
  const button = await page.waitForSelector(`aside[aria-label=Detail] ::-p-xpath(.//button[normalize-space()="${words}"])`);
  await button!.click();
}

/** Draws a panel on the paper, which is chosen then. */
async function panel(x: number, y: number, w: number, h: number): Promise<FrameRecord> {
  await desk.press('Escape');
  const before = new Set((await frames()).map(({ id }) => id));
  await desk.drag(await desk.onPaper(x, y), await desk.onPaper(x + w, y + h));
  await page.waitForSelector('[role=menu]');
  await desk.press('a');
  await page.waitForSelector('[data-brackets]');
  await desk.stored();
  return (await frames()).find(({ id }) => !before.has(id))!;
}

describe('looks', () => {
  it('run into a second colour, by a tick, and by the ends dragged on the page', async () => {
    await panel(0.08, 0.1, 0.14, 0.1);
    await unfold('Form and look');
    await tick('Gradient');
    const from = await desk.middle('[data-look-hold=gradient-from]');
    expect((await chosen()).gradient).toMatchObject({ form: 'linear', from: { x: 0.5, y: 0 }, to: { x: 0.5, y: 1 } });
    await desk.drag(from, { x: from.x + 30, y: from.y + 20 });
    await desk.until('it begins elsewhere', () => document.querySelector('[data-painted] linearGradient') !== null);
    const { gradient } = await chosen();
    expect(gradient!.from.x).toBeGreaterThan(0.55);
    expect(gradient!.from.y).toBeGreaterThan(0.1);
    // By keys: each end is a stop of its own.
    await focus('[data-look-hold=gradient-to]');
    await desk.press('ArrowLeft');
    await desk.press('Shift', 'ArrowLeft');
    expect((await chosen()).gradient!.to.x).toBeLessThan(0.5);
  });

  it('throw a shadow that is shaped on the page', async () => {
    await tick('Shadow');
    const hold = await desk.middle('[data-look-hold=shadow]');
    await desk.drag(hold, { x: hold.x + 24, y: hold.y + 12 });
    const soft = await desk.middle('[data-look-hold=shadow-blur]');
    await desk.drag(soft, { x: soft.x + 20, y: soft.y });
    const { shadow } = await chosen();
    expect(shadow!.dx).toBeGreaterThan(20);
    expect(shadow!.dy).toBeGreaterThan(10);
    expect(shadow!.blur).toBeGreaterThan(20);
  });

  it('refuse sizes of nothing at their field, and keep the last good state', async () => {
    await tick('Border');
    const weight = (await page.waitForSelector(inDetail('Weight')))!;
    await weight.click({ count: 3 });
    await page.keyboard.type('0');
    await desk.press('Tab');
    await page.waitForSelector('aside[aria-label=Detail] [aria-invalid=true]');
    expect((await chosen()).border!.weight).toBe(0.5);
    await weight.click({ count: 3 });
    await page.keyboard.type('3');
    await desk.press('Tab');
    await desk.until('it is taken', () => !document.querySelector('aside[aria-label=Detail] [aria-invalid=true]'));
    expect((await chosen()).border!.weight).toBe(3);
  });
});

describe('forms', () => {
  it('are bent point by point, by mouse and by keys', async () => {
    await panel(0.28, 0.1, 0.14, 0.1);
    await unfold('Form and look');
    await (await page.waitForSelector(inDetail('Form')))!.select('outline');
    await page.waitForSelector('[data-path-point="0-0"]');
    const corner = await desk.middle('[data-path-point="0-0"]');
    await desk.drag(corner, { x: corner.x + 20, y: corner.y + 14 });
    await focus('[data-path-point="0-1"]');
    await desk.press('Insert');
    await page.waitForSelector('[data-path-point="0-4"]');
    await focus('[data-path-point="0-1"]');
    await desk.press('c');
    await page.waitForSelector('[data-handle=out]');
    const { shape } = await chosen();
    if (shape?.type !== 'outline') throw new Error('It is no outline.');
    expect(shape.rings[0]).toHaveLength(5 * 6);
    expect(shape.rings[0]![0]).toBeGreaterThan(0.1);
    // The second point has a curve on both sides now.
    expect(shape.rings[0]!.slice(6, 8)).not.toEqual(shape.rings[0]!.slice(8, 10));
  });

  it('are joined with others by a command, and undone', async () => {
    const a = await panel(0.08, 0.26, 0.1, 0.08);
    const b = await panel(0.28, 0.26, 0.1, 0.08);
    await focus(`[data-frame="${a.id}"]`);
    await desk.press('Escape');
    await page.mouse.click(...spot(await desk.middle(`[data-frame="${a.id}"]`)));
    await page.keyboard.down('Shift');
    await page.mouse.click(...spot(await desk.middle(`[data-frame="${b.id}"]`)));
    await page.keyboard.up('Shift');
    await desk.command('Join the forms');
    await desk.until('one is left', (id: string) => !document.querySelector(`[data-frame="${id}"]`), b.id);
    const joined = await chosen();
    expect(joined.id).toBe(a.id);
    expect(joined.shape).toMatchObject({ type: 'outline' });
    await desk.press('Control', 'z');
    await page.waitForSelector(`[data-frame="${b.id}"]`);
  });

  it('come from elsewhere by a paste, and what is none is told', async () => {
    await desk.press('Escape');
    await desk.press('Escape');
    const paste = (words: string) =>
      page.evaluate((text) => {
        const data = new DataTransfer();
        data.setData('text/plain', text);
        document.body.dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
      }, words);
    await paste('M0 0H120V60Q60 120 0 60Z');
    await page.waitForSelector('[data-path-points]');
    const form = await chosen();
    expect(form.box.w).toBeCloseTo(90, 6);
    await desk.press('Delete');
    await paste('<svg xmlns="http://www.w3.org/2000/svg"><text>Words</text></svg>');
    await desk.until('it is said', () => document.body.textContent.includes('That drawing has no form in it'));
  });
});

const spot = ({ x, y }: { x: number; y: number }): [number, number] => [x, y];

describe('finishes', () => {
  it('are kept of a frame, given by a press and by carrying, and changed in one place', async () => {
    const first = await panel(0.08, 0.42, 0.1, 0.07);
    await unfold('Form and look');
    await tick('Border');
    await unfold('Finish');
    await press('Keep its look as a finish …');
    await page.keyboard.type('Noticeboard');
    await desk.press('Enter');
    await page.waitForSelector('[data-finish][aria-pressed=true]');
    await desk.stored();
    const finish = (await desk.records<FinishRecord>('finish')).find(({ name }) => name === 'Noticeboard')!;
    expect(finish.look).toMatchObject({ fill: { swatch: 'tint' }, border: { weight: 0.5 } });

    // By a press.
    const second = await panel(0.28, 0.42, 0.1, 0.07);
    await unfold('Finish');
    await page.click(`[data-finish="${finish.id}"]`);
    await page.waitForSelector(`[data-finish="${finish.id}"][aria-pressed=true]`);
    expect((await chosen()).finish).toBe(finish.id);
    // By carrying, onto a frame that is not chosen.
    const third = await panel(0.28, 0.54, 0.1, 0.07);
    await page.mouse.click(...spot(await desk.middle(`[data-frame="${second.id}"]`)));
    await unfold('Finish');
    const chip = await page.waitForSelector(`[data-finish="${finish.id}"]`);
    await chip!.scrollIntoView();
    await desk.drag(await desk.middle(`[data-finish="${finish.id}"]`), await desk.middle(`[data-frame="${third.id}"]`));
    await desk.stored();
    expect((await frames()).find(({ id }) => id === third.id)!.finish).toBe(finish.id);

    // What one says otherwise is shown, and made the finish: all follow.
    await page.mouse.click(...spot(await desk.middle(`[data-frame="${first.id}"]`)));
    await unfold('Form and look');
    await tick('Border');
    await desk.until('it is said', () => document.body.textContent.includes('Differs from the finish: border'));
    await press('Make it the finish');
    await desk.until('nothing is said otherwise', () => !document.body.textContent.includes('Differs from the finish'));
    await desk.stored();
    const all = await Promise.all((['frame', 'finish', 'swatch'] as const).map((kind) => desk.records<DocumentRecord>(kind)));
    const whole = documentOf(all.flat());
    for (const { id } of [first, second, third])
      expect(finished(whole, all[0]!.find((each) => each.id === id) as FrameRecord)).not.toHaveProperty('border');
  });

  it('are taken up and given by keys', async () => {
    const plain = await panel(0.08, 0.54, 0.1, 0.07);
    const given = await desk.frames('Panel');
    const source = (await frames()).find((frame) => frame.finish !== undefined && given.some(({ id }) => id === frame.id))!;
    await focus(`[data-frame="${source.id}"]`);
    await desk.press('Alt', 'k');
    await focus(`[data-frame="${plain.id}"]`);
    await desk.press('Alt', 'Shift', 'k');
    await desk.stored();
    expect((await frames()).find(({ id }) => id === plain.id)!.finish).toBe(source.finish);
  });
});

describe('a box-out', () => {
  it('is marked out, has the house’s finish, and takes a table made by keys', async () => {
    await desk.press('Escape');
    await desk.press('Escape');
    await desk.drag(await desk.onPaper(0.07, 0.68), await desk.onPaper(0.3, 0.88));
    await page.waitForSelector('[role=menu]');
    await desk.press('o');
    await page.waitForSelector('form input[name=words]');
    await page.keyboard.type('Knots of wind');
    await desk.press('Enter');
    await page.waitForSelector('[data-brackets]');
    const box = await chosen();
    expect(box.finish).toBe('boxOut');
    expect(box.wrap.mode).toBe('frame');
    await desk.press('Enter');
    await desk.until('it is written in', () => document.body.textContent.includes('Writing in'));
    await desk.press('Control', 'End');
    await desk.press('Alt', 't');
    await page.waitForSelector('[role=dialog] input[aria-label="Row 1, column 1"]');
    await page.keyboard.type('Wind');
    for (const words of ['Knots', 'Hours']) {
      await desk.press('Tab');
      await page.keyboard.type(words);
    }
    await page.evaluate(() => {
      const data = new DataTransfer();
      data.setData('text/plain', 'Light\t3\t12.5\nFresh\t19\t3.25\nGale\t38\t1');
      document
        .querySelector('input[aria-label="Row 2, column 1"]')!
        .dispatchEvent(new ClipboardEvent('paste', { clipboardData: data, bubbles: true, cancelable: true }));
    });
    await page.waitForSelector('input[aria-label="Row 4, column 3"]');
    const third = await page.waitForSelector('[role=dialog] ::-p-aria([name="Column 3"])');
    await third!.select('decimal');
    await focus('input[aria-label="Row 1, column 1"]');
    await desk.press('Enter');
    await desk.until('the dialog is closed', () => document.querySelector('[role=dialog]') === null);
    await desk.press('Escape');
    await desk.stored();
    const text = (await desk.records<TextRecord>('text')).find(
      ({ id }) => box.content.type === 'text' && id === box.content.text,
    )!;
    expect(bodyText(text.body).split('\n')[0]).toBe('Knots of wind');
    const table =
      text.body.child(text.body.childCount - 1).type.name === 'table'
        ? text.body.lastChild!
        : text.body.child(text.body.childCount - 2);
    expect(table.type.name).toBe('table');
    // Figures stand under one another by their points.
    expect(table.child(3).child(2).textContent).toBe('1\u2008\u2007\u2007');
    expect(table.child(1).child(2).textContent).toBe('12.5\u2007');
    expect(await desk.reads('Gale')).toBe(true);
  });
});

describe('a chart', () => {
  it('is drawn from figures typed by keys, and drawn anew from others', async () => {
    await desk.press('Escape');
    await desk.press('Escape');
    await desk.drag(await desk.onPaper(0.6, 0.1), await desk.onPaper(0.85, 0.3));
    await page.waitForSelector('[role=menu]');
    await desk.press('c');
    await page.waitForSelector('[role=dialog] input[aria-label="Label 1"]');
    await page.keyboard.type('Light');
    for (const words of ['six', 'Fresh', '19', 'Gale', '38']) {
      await desk.press('Tab');
      await page.keyboard.type(words);
    }
    await desk.press('Enter');
    await page.waitForSelector('[role=dialog] [role=alert]');
    const first = await page.waitForSelector('input[aria-label="Figure 1"]');
    await first!.click({ count: 3 });
    await page.keyboard.type('6');
    await desk.press('Enter');
    await desk.until('the dialog is closed', () => document.querySelector('[role=dialog]') === null);
    await desk.stored();
    const group = () => desk.records<GroupRecord>('group').then((all) => all.find(({ chart }) => chart !== undefined)!);
    const bars = async () => {
      const { id } = await group();
      return (await frames()).filter((frame) => frame.group === id && frame.content.type === 'panel').map(({ box }) => box);
    };
    const drawn = await bars();
    expect(drawn).toHaveLength(3);
    expect(Math.max(...drawn.map(({ w }) => w)) / Math.min(...drawn.map(({ w }) => w))).toBeCloseTo(38 / 6, 4);
    await press('Change the chart …');
    await page.waitForSelector('[role=dialog] input[aria-label="Label 1"]');
    await (await page.waitForSelector('[role=dialog] ::-p-text(Columns)'))!.click();
    await focus('input[aria-label="Figure 1"]');
    await desk.press('Enter');
    await desk.until('the dialog is closed', () => document.querySelector('[role=dialog]') === null);
    await desk.stored();
    expect((await group()).chart!.form).toBe('columns');
    expect(new Set((await bars()).map(({ w }) => Math.round(w))).size).toBe(1);
  });
});

describe('furniture', () => {
  it('is kept of frames, carried onto another page, and followed', async () => {
    await desk.press('Escape');
    await desk.press('Escape');
    // The furniture of the house has boxes of that finish too, which lie on no page.
    const pages = new Set((await desk.records<{ id: string }>('page')).map(({ id }) => id));
    const box = (await frames()).find(({ finish, on }) => finish === 'boxOut' && pages.has(on))!;
    await page.mouse.click(...spot(await desk.middle(`[data-frame="${box.id}"]`)));
    await unfold('Furniture');
    await press('Keep as furniture …');
    await page.keyboard.type('Wind table');
    await desk.press('Enter');
    await desk.until('it is furniture', () => document.body.textContent.includes('what changes there changes here'));
    await desk.press('Escape');
    await desk.press('Escape');
    await desk.stored();
    const furniture = (await desk.records<FurnitureRecord>('furniture')).find(({ name }) => name === 'Wind table');
    await unfold('Furniture');
    const chip = await page.waitForSelector(`[data-furniture="${furniture!.id}"]`);
    await chip!.scrollIntoView();
    await desk.drag(await desk.middle(`[data-furniture="${furniture!.id}"]`), await desk.onPaper(0.72, 0.5));
    await page.waitForSelector('[data-brackets]');
    const copy = await chosen();
    expect(copy.piece).toBeDefined();
    expect(copy.on).not.toBe(box.on);
    expect(copy.finish).toBe('boxOut');
    // Where it is changed and made the furniture, the first one follows.
    await unfold('Form and look');
    await tick('Shadow');
    await unfold('Furniture');
    await press('Make this the furniture');
    await desk.stored();
    expect((await frames()).find(({ id }) => id === box.id)!.shadow).toBeDefined();
    // And by keys, where there is most room.
    await desk.press('Escape');
    await desk.press('Escape');
    await unfold('Furniture');
    await focus(`[data-furniture="${furniture!.id}"]`);
    await desk.press('Enter');
    await desk.stored();
    expect((await frames()).filter(({ piece }) => piece === copy.piece)).toHaveLength(3);
  });
});

describe('the colours of an issue', () => {
  it('are found where they are used, and changed on a spread alone', async () => {
    await desk.press('Escape');
    await desk.press('Escape');
    await desk.press('Alt', 'p');
    await page.waitForSelector('[role=dialog] [data-swatch=tint]');
    const inSight = await page.$$eval('[data-frame]', (all) => all.map((each) => each.getAttribute('data-frame')));
    const before = (await frames()).find(({ finish, id }) => finish === 'boxOut' && inSight.includes(id))!;
    const row = '[role=dialog] [data-swatch=accent1]';
    await (await page.waitForSelector(`${row} select`))!.select('accent2');
    await focus(`${row} button[type=submit]`);
    await desk.press('Enter');
    await desk.stored();
    // What the finish says there the frame says itself now; the finish stays.
    const after = (await frames()).find(({ id }) => id === before.id)!;
    expect(after.border).toMatchObject({ swatch: 'accent2' });
    expect(after.own).toContain('border');
    const finish = (await desk.records<FinishRecord>('finish')).find(({ id }) => id === 'boxOut')!;
    expect(finish.look.border).toMatchObject({ swatch: 'accent1' });
    // Where it is now is a press away.
    await (await page.waitForSelector('[role=dialog] [data-swatch=accent2] button.link'))!.click();
    await desk.until('the dialog is closed', () => document.querySelector('[role=dialog]') === null);
    await page.waitForSelector('[data-brackets]');
  });

  it('come from a picture, as a palette that is kept and used', async () => {
    await desk.press('Escape');
    await desk.press('Alt', 'p');
    const pictures = (await page.waitForSelector('[role=dialog] select'))!;
    const first = await pictures.evaluate((each) => [...(each as HTMLSelectElement).options].map(({ value }) => value)[1]!);
    await pictures.select(first);
    const keep = (await page.waitForSelector(
      '[role=dialog] ::-p-xpath(.//button[starts-with(@aria-label, "Keep “Set against it")])',
    ))!;
    await keep.click();
    await page.waitForSelector(
      '[role=dialog] ::-p-xpath(.//button[starts-with(@aria-label, "Use ") and contains(@aria-label, "set against it")])',
    );
    await (await page.waitForSelector('[role=dialog] ::-p-text(In the whole issue)'))!.click();
    await (await page.waitForSelector(
      '[role=dialog] ::-p-xpath(.//button[starts-with(@aria-label, "Use ") and contains(@aria-label, "set against it")])',
    ))!.click();
    await page.waitForSelector('[role=dialog] ::-p-text(in use)');
    await desk.press('Escape');
    await desk.stored();
    expect((await desk.changes()).slice(-2).map(({ label }) => label)).toEqual(['Add a palette', 'Change the palette']);
    await desk.press('Control', 'z');
    await desk.stored();
  });
});

describe('text', () => {
  it('runs along the edge of its frame, and is written in there', async () => {
    await desk.press('Escape');
    await desk.press('Escape');
    await desk.go(12);
    await desk.drag(await desk.onPaper(0.1, 0.2), await desk.onPaper(0.3, 0.4));
    await page.waitForSelector('[role=menu]');
    await desk.press('t');
    await page.waitForSelector('[role=menu] ::-p-text(A text of its own)');
    await desk.press('n');
    await page.waitForSelector('[data-brackets]');
    const frame = await chosen();
    await desk.press('Escape');
    await page.mouse.click(...spot(await desk.middle(`[data-frame="${frame.id}"]`)));
    await unfold('Text in its frame');
    await tick('Along the edge');
    await desk.press('Escape');
    await focus(`[data-frame="${frame.id}"]`);
    await desk.press('Enter');
    await desk.until('it is written in', () => document.body.textContent.includes('Writing in'));
    await page.keyboard.type('Tide');
    expect(await desk.reads('Tide')).toBe(true);
    await desk.press('Escape');
    expect((await chosen()).content).toMatchObject({ along: { side: 'outside' } });
  });

  it('in a table goes from cell to cell by Tab, which adds a row behind the last', async () => {
    await desk.press('Escape');
    await desk.go(6);
    const inSight = await page.$$eval('[data-frame]', (all) => all.map((each) => each.getAttribute('data-frame')));
    const box = (await frames()).find(
      ({ finish, content, id }) => finish === 'boxOut' && content.type === 'text' && inSight.includes(id),
    )!;
    const rows = async () => {
      await desk.stored();
      const text = (await desk.records<TextRecord>('text')).find(
        ({ id }) => box.content.type === 'text' && id === box.content.text,
      )!;
      return text.body.children.find(({ type }) => type.name === 'table')!;
    };
    const before = (await rows()).childCount;
    await focus(`[data-frame="${box.id}"]`);
    await desk.press('Enter');
    await desk.until('it is written in', () => document.body.textContent.includes('Writing in'));
    // Below its heading, into the first cell; from there through all of them.
    await desk.press('Control', 'Home');
    await desk.press('ArrowDown');
    const cells = before * 3;
    for (let i = 0; i < cells; i++) await desk.press('Tab');
    await page.keyboard.type('Storm');
    await desk.press('Escape');
    await expect.poll(async () => (await rows()).childCount).toBe(before + 1);
    expect((await rows()).lastChild!.textContent).toBe('Storm');
  });
});

describe('the house', () => {
  it('shows its finishes and furniture, and changes a finish', async () => {
    const own = await browser.newPage();
    await own.goto(`${server.origin}/houses/packet-house/finishes`, { waitUntil: 'domcontentloaded' });
    await alive(own, '[data-finish=plate]');
    await own.click('[data-finish=plate]');
    const name = await own.waitForSelector('section[aria-label=Plate] ::-p-aria([name="Name"])');
    await name!.click({ count: 3 });
    await own.keyboard.type('Label');
    await own.keyboard.press('Tab');
    await own.waitForSelector('section[aria-label=Label]');
    await own.goto(`${server.origin}/houses/packet-house/furniture`, { waitUntil: 'domcontentloaded' });
    for (const piece of ['Fact file', 'Contact box']) await own.waitForSelector(`main ::-p-text(${piece})`);
    await own.close();
  });
});
