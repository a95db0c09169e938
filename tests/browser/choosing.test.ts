import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import type { FrameRecord } from '@/core/records/index';
import { openServer, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { copyDocument, Desk } from '../support/desk';

/** Frames chosen, caught while they move, put in order, locked and hidden; words on a picture read. */

const databaseUrl = inject('databaseUrl');
let server: Server;
let browser: Browser;
let desk: Desk;
let page: Page;
const MM = 72 / 25.4;

const named = (name: string, role = 'button') => `::-p-aria([name="${name}"][role="${role}"])`;
let own: string[] = [];

const frame = async (id: string): Promise<FrameRecord> => {
  await desk.stored();
  return (await desk.records<FrameRecord>('frame')).find((each) => each.id === id)!;
};
const chosen = () => page.$$eval('[data-brackets]', (list) => list.map((each) => each.getAttribute('data-brackets')!).sort());
const k = async () => (await desk.box('[data-paper]')).w / (560 * MM);

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium();
  desk = await Desk.open(browser, server.origin, databaseUrl, await copyDocument(databaseUrl, 'packet-1206'));
  page = desk.page;
  await page.setViewport({ width: 1280, height: 800 });
  await desk.go(12);
  // Two panels side by side, with 8 mm between them: common practice for portraits.
  for (const x of [0.06, 0.2]) await desk.drawPanel(x, 0.2, 0.03, 0.06);
  own = (await desk.frames('Panel')).map(({ id }) => id);
  const [first, second] = [await frame(own[0]!), await frame(own[1]!)];
  await page.click(`[data-frame="${second.id}"]`);
  const [field] = await page.$$('::-p-aria([name="From left"])');
  await field!.click();
  await page.keyboard.type(`${(first.box.x + first.box.w) / MM + 8}`);
  await page.keyboard.press('Enter');
  await desk.stored();
  await desk.press('Escape');
});

afterAll(async () => {
  expect(desk?.problems ?? []).toEqual([]);
  await browser?.close();
  await server?.stop();
});

describe('a frame under the hand', () => {
  it('is caught by the gap that others have, and says so', async () => {
    const [first, second] = [await frame(own[0]!), await frame(own[1]!)];
    expect(second.box.x - first.box.x - first.box.w).toBeCloseTo(8 * MM, 2);
    await page.click(`[data-frame="${second.id}"]`);
    await desk.press('Alt', 'd');
    await desk.until('there are three', () => document.querySelectorAll('[data-frame][aria-label^="Panel"]').length === 3);
    const third = (await desk.frames('Panel')).map(({ id }) => id).find((id) => !own.includes(id))!;
    own.push(third);
    const scale = await k();
    const at = await desk.middle(`[data-frame="${third}"]`);
    const now = await frame(third);
    const wanted = second.box.x + second.box.w + 8 * MM;
    // Two points beside where it would be as far off as the others.
    const by = (wanted - now.box.x) * scale + 2;
    await desk.drag(at, { x: at.x + by, y: at.y + 2 }, async () => {
      await desk.until('the gap is said', () =>
        [...document.querySelectorAll('[data-gap]')].some((each) => each.textContent === '8 mm, as on the left'),
      );
      expect(await page.$('[data-aligned=level]')).not.toBeNull();
    });
    expect((await frame(third)).box.x).toBeCloseTo(wanted, 2);
    expect((await frame(third)).box.y).toBeCloseTo(second.box.y, 2);
  });

  it('goes one way with Shift, and keeps its shape when it is sized', async () => {
    const before = await frame(own[2]!);
    await desk.press('Escape');
    const at = await desk.middle(`[data-frame="${own[2]}"]`);
    await page.mouse.move(at.x, at.y);
    await page.mouse.down();
    await page.keyboard.down('Shift');
    await page.mouse.move(at.x + 9, at.y + 60, { steps: 8 });
    await page.mouse.up();
    await page.keyboard.up('Shift');
    const moved = await frame(own[2]!);
    expect(moved.box.x).toBe(before.box.x);
    expect(moved.box.y).toBeGreaterThan(before.box.y + 20);
    const corner = await desk.middle('[data-pull="right bottom"]');
    await page.mouse.move(corner.x, corner.y);
    await page.mouse.down();
    await page.keyboard.down('Shift');
    await page.mouse.move(corner.x + 30, corner.y + 4, { steps: 8 });
    await page.mouse.up();
    await page.keyboard.up('Shift');
    const sized = await frame(own[2]!);
    expect(sized.box.w).toBeGreaterThan(moved.box.w + 20);
    expect(sized.box.w / sized.box.h).toBeCloseTo(moved.box.w / moved.box.h, 6);
  });

  it('is nudged by a tenth of a millimetre, a line, a column', async () => {
    const steps: readonly [string[], number, number][] = [
      [['ArrowRight'], 0.1 * MM, 0],
      [['Shift', 'ArrowDown'], 0, 10.5],
      [['Control', 'ArrowLeft'], -(38.5 + 4) * MM, 0],
    ];
    for (const [keys, dx, dy] of steps) {
      const before = await frame(own[2]!);
      await desk.press(...keys);
      const after = await frame(own[2]!);
      expect(after.box.x - before.box.x).toBeCloseTo(dx, 3);
      expect(after.box.y - before.box.y).toBeCloseTo(dy, 3);
    }
  });
});

describe('frames are chosen', () => {
  it('by a line drawn around them from beside the pages', async () => {
    await desk.press('Escape');
    const paper = await desk.box('[data-paper]');
    const last = await desk.box(`[data-frame="${own[1]}"]`);
    const from = { x: paper.x - 14, y: paper.y + 30 };
    await desk.drag(from, { x: last.x + last.w + 6, y: last.y + last.h + 4 }, async () => {
      await page.waitForSelector('[data-gathering]');
    });
    expect((await chosen()).length).toBeGreaterThanOrEqual(2);
    expect(await chosen()).toEqual(expect.arrayContaining([own[0], own[1]].sort()));
  });

  it('by a line drawn with Shift over the pages, and by Tab in the order in which they are read', async () => {
    await desk.press('Escape');
    const [first, second] = [await desk.box(`[data-frame="${own[0]}"]`), await desk.box(`[data-frame="${own[1]}"]`)];
    await page.keyboard.down('Shift');
    await desk.drag({ x: first.x - 3, y: first.y - 14 }, { x: second.x + second.w + 2, y: second.y + second.h + 3 }, async () => {
      await page.waitForSelector('[data-gathering]');
    });
    await page.keyboard.up('Shift');
    expect(await chosen()).toEqual([own[0], own[1]].sort());
    await desk.press('Escape');
    // The first frame is one press away, however many pages and stories come before it.
    const focused = () => page.evaluate(() => document.activeElement?.getAttribute('data-frame'));
    await page.focus('nav [data-page][tabindex="0"]');
    await desk.press('F6');
    expect(await focused()).not.toBeNull();
    const walked = [await focused()];
    for (let i = 0; i < 2; i++) {
      await desk.press('Tab');
      walked.push(await focused());
    }
    expect(walked.filter((id) => id && own.includes(id)).length).toBe(3);
    await desk.press('Shift', 'Tab');
    expect(await focused()).toBe(walked[1]);
    await desk.press('Escape');
  });

  it('that are alike, in one command', async () => {
    await desk.press('Escape');
    await page.click(`[data-frame="${own[0]}"]`);
    await desk.command('Choose everything like it on the spread');
    expect(await chosen()).toEqual([...own].sort());
  });

  it('all that a drag with Ctrl has left, when several were carried', async () => {
    await desk.press('Escape');
    await page.click(`[data-frame="${own[0]}"]`);
    await page.keyboard.down('Shift');
    await page.click(`[data-frame="${own[1]}"]`);
    await page.keyboard.up('Shift');
    const before = await Promise.all([frame(own[0]!), frame(own[1]!)]);
    const at = await desk.middle(`[data-frame="${own[1]}"]`);
    await page.keyboard.down('Control');
    await desk.drag(at, { x: at.x + 10, y: at.y + 120 });
    await page.keyboard.up('Control');
    await desk.until('there are five', () => document.querySelectorAll('[data-frame][aria-label^="Panel"]').length === 5);
    const copies = (await desk.frames('Panel')).map(({ id }) => id).filter((id) => !own.includes(id));
    expect(await chosen()).toEqual([...copies].sort());
    expect(await Promise.all([frame(own[0]!), frame(own[1]!)])).toEqual(before);
    await desk.press('Delete');
    await desk.until('there are three again', () => document.querySelectorAll('[data-frame][aria-label^="Panel"]').length === 3);
  });

  it('that lie beneath, by pressing again with Alt', async () => {
    await desk.press('Escape');
    await page.click(`[data-frame="${own[0]}"]`);
    await desk.command('Duplicate the frame');
    await desk.until('there are four', () => document.querySelectorAll('[data-frame][aria-label^="Panel"]').length === 4);
    await desk.until(
      'the copy is chosen',
      (id: string) => document.querySelector('[data-brackets]')?.getAttribute('data-brackets') !== id,
      own[0],
    );
    const top = (await chosen())[0]!;
    const lower = await frame(own[0]!);
    // Exactly on top of the one it is of.
    for (const [label, value] of [
      ['From left', lower.box.x],
      ['From top', lower.box.y],
    ] as const) {
      const [field] = await page.$$(`::-p-aria([name="${label}"])`);
      await field!.click();
      await page.keyboard.type(String(value / MM));
      await page.keyboard.press('Enter');
      await desk.stored();
    }
    const at = await desk.middle(`[data-frame="${top}"]`);
    await page.keyboard.down('Alt');
    await page.mouse.click(at.x, at.y);
    expect(await chosen()).toEqual([own[0]]);
    await page.mouse.click(at.x, at.y);
    expect(await chosen()).toEqual([top]);
    await page.keyboard.up('Alt');
    await desk.press('Delete');
    await desk.until('there are three again', () => document.querySelectorAll('[data-frame][aria-label^="Panel"]').length === 3);
  });
});

describe('the list of what lies on the pages', () => {
  const row = (id: string) => `[role=row][data-key="${id}"]`;

  it('names, locks and hides, and shows again', async () => {
    await page.click(named('Order', 'tab'));
    await page.waitForSelector(row(own[0]!));
    await page.click(`${row(own[0]!)} span.truncate`, { count: 2 });
    await page.waitForSelector('input[aria-label^="Name of"]');
    await page.keyboard.type('Portrait, left');
    await page.keyboard.press('Enter');
    expect((await frame(own[0]!)).name).toBe('Portrait, left');
    await page.click(named('Lock Portrait, left'));
    expect((await frame(own[0]!)).locked).toBe(true);
    // Neither the hand nor a key moves it.
    const before = await frame(own[0]!);
    await page.click(row(own[0]!));
    expect(await chosen()).toEqual([own[0]]);
    await page.focus('.workbench');
    await desk.press('ArrowRight');
    await page.waitForSelector('::-p-text(“Portrait, left” is locked. Unlock it in the list of its page.)');
    expect((await frame(own[0]!)).box).toEqual(before.box);
    await page.click(named('Unlock Portrait, left'));
    await page.click(named('Hide Portrait, left'));
    await desk.until('it is not on the desk', (id: string) => !document.querySelector(`[data-frame="${id}"]`), own[0]);
    await page.click(named('Show Portrait, left'));
    await page.waitForSelector(`[data-frame="${own[0]}"]`);
  });

  it('puts a frame above another by keys', async () => {
    const before = await page.$$eval('[role=row]', (rows) => rows.map((each) => each.getAttribute('data-key')!));
    const [top, second] = before;
    await page.focus(row(second!));
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Enter');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('ArrowUp');
    await page.keyboard.press('Enter');
    await desk.until(
      'it lies above',
      (id: string) => document.querySelector('[role=row]')?.getAttribute('data-key') === id,
      second,
    );
    await desk.stored();
    const after = await page.$$eval('[role=row]', (rows) => rows.map((each) => each.getAttribute('data-key')!));
    expect(after.slice(0, 2)).toEqual([second, top]);
    const [a, b] = [await frame(second!), await frame(top!)];
    expect(a.order > b.order).toBe(true);
  });
});

describe('words on a picture', () => {
  it('are measured against what lies under them, and a panel mends them', async () => {
    const cover = await Desk.open(browser, server.origin, databaseUrl, await copyDocument(databaseUrl, 'longspar-14'));
    const { page: other } = cover;
    await other.setViewport({ width: 1280, height: 800 });
    const [line] = await cover.frames('Text, Ninety years');
    await other.click(`[data-frame="${line!.id}"]`);
    await other.waitForSelector('[data-contrast]');
    const read = () => other.$eval('[data-contrast]', (each) => Number(each.getAttribute('data-contrast')));
    const first = await read();
    // Up to the pale sky the white words cannot be read.
    const [field] = await other.$$('::-p-aria([name="From top"])');
    await field!.click();
    await other.keyboard.type('150 mm');
    await other.keyboard.press('Enter');
    await cover.until(
      'it cannot be read',
      (was: number) => Number(document.querySelector('[data-contrast]')?.getAttribute('data-contrast') ?? 99) < Math.min(3, was),
      first,
    );
    await other.click('::-p-xpath(//button[starts-with(., "Put a dark panel behind it")])');
    await cover.until(
      'it can be read',
      () => Number(document.querySelector('[data-contrast]')?.getAttribute('data-contrast') ?? 0) >= 3,
    );
    expect((await cover.changes()).at(-1)!.label).toBe('Put a panel behind words');
    expect(cover.problems).toEqual([]);
    await other.close();
  });
});
