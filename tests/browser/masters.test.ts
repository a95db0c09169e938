import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import type { FrameRecord, MasterRecord } from '@/core/records/index';
import { openServer, query, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { copyHouse, copyIssue, Desk, NUDGE, until } from '../support/desk';

/** Masters, changed on the desk and on pages, with real mouse and keyboard on the real application. */

const databaseUrl = inject('databaseUrl');
let server: Server;
let browser: Browser;
let page: Page;
let house: string;
const problems: string[] = [];

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium();
  house = await copyHouse(databaseUrl);
  page = await browser.newPage();
  page.on('pageerror', (error) => problems.push(String(error)));
  await page.goto(`${server.origin}/houses/${house}/masters`, { waitUntil: 'domcontentloaded' });
  await page.waitForSelector('.desk[data-ready=true]');
});

afterAll(async () => {
  await browser?.close();
  await server?.stop();
});

const press = async (selector: string) => (await page.waitForSelector(selector))!.click();
/** Presses a frame in its middle, as a hand does. */
async function pressFrame(id: string): Promise<void> {
  const box = (await (await page.waitForSelector(`[data-frame="${id}"]`))!.boundingBox())!;
  await page.mouse.click(box.x + box.width / 2, box.y + box.height / 2);
  await until(
    page,
    'it is chosen',
    (of: string) => document.querySelector(`[data-frame="${of}"]`)?.getAttribute('aria-pressed') === 'true',
    id,
  );
}
const stored = () => until(page, 'it is stored', () => document.querySelector('[data-state=stored]') !== null);

async function records<T>(kind: string): Promise<T[]> {
  await stored();
  const rows = await query<{ body: T }>(databaseUrl, 'select body from record where document_id = $1 and kind = $2', [
    house,
    kind,
  ]);
  return rows.map(({ body }) => body);
}
const frames = () => records<FrameRecord>('frame');

describe('masters on the desk', () => {
  it('lie there as spreads, named in the page line', async () => {
    expect(
      await page.$$eval('nav[aria-label="Page line"] [data-spread]', (cells) => cells.map((cell) => cell.textContent)),
    ).toEqual(['LRFeature', 'LRPlain, no folio']);
    expect(await page.$$eval('[data-frame]', (all) => all.length)).toBe(2);
  });

  it('move what lies on one side for all pages of that side, and undo it', async () => {
    const [folio] = (await frames()).filter(({ side }) => side === 'left');
    await pressFrame(folio!.id);
    await page.keyboard.press('ArrowDown');
    const nudged = (await frames()).find(({ id }) => id === folio!.id)!;
    expect(nudged.side).toBe('left');
    expect(nudged.box.y).toBeCloseTo(folio!.box.y + NUDGE, 6);
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await until(page, 'it is redoable', () => !document.querySelector<HTMLButtonElement>('[aria-label^="Redo"]')!.disabled);
    expect((await frames()).find(({ id }) => id === folio!.id)!.box).toEqual(folio!.box);
  });

  it('copy a page’s design across the spread as in a mirror', async () => {
    await page.keyboard.press('Escape');
    await press('::-p-aria([name="Left page"])');
    await press('::-p-aria([name="Mirrored"])');
    const width = 600.945;
    const own = await frames();
    const left = own.find(({ side }) => side === 'left')!;
    const copy = own
      .filter(({ side }) => side === 'right')
      .find(({ box }) => Math.abs(box.x - (width - left.box.x - left.box.w)) < 0.5);
    expect(copy).toBeDefined();
    expect(own.filter(({ on }) => on === copy!.on)).toHaveLength(3);
  });

  it('repeat an item with a gap', async () => {
    // The topmost is the one that a press reaches.
    const [right] = (await frames()).filter(({ side }) => side === 'right').sort((a, b) => (a.order < b.order ? 1 : -1));
    await pressFrame(right!.id);
    await press('::-p-aria([name="Repeat"][role="button"])');
    for (const [label, value] of [
      ['Down', '3'],
      ['Gap down', '8 pt'],
    ] as const) {
      const field = (await page.waitForSelector(`section[aria-label="Repeat"] ::-p-aria([name="${label}"])`))!;
      await field.click({ count: 3 });
      await page.keyboard.type(value);
      await page.keyboard.press('Enter');
    }
    const across = (await page.waitForSelector('section[aria-label="Repeat"] ::-p-aria([name="Across"])'))!;
    await across.click({ count: 3 });
    await page.keyboard.type('1');
    await page.keyboard.press('Enter');
    await press('section[aria-label="Repeat"] button.btn');
    const rows = (await frames())
      .filter(({ side, box }) => side === 'right' && Math.abs(box.x - right!.box.x) < 0.01)
      .map(({ box }) => box.y)
      .sort((a, b) => a - b);
    expect(rows.at(-1)! - rows.at(-2)!).toBeCloseTo(right!.box.h + 8, 2);
  });

  it('are based on one another, and refuse a circle in a sentence', async () => {
    await page.keyboard.press('Escape');
    await press('::-p-text(New based on this)');
    const made = async () => (await records<MasterRecord>('master')).find(({ basedOn }) => basedOn === 'feature');
    const above = (await made())!;
    expect(above.name).toBe('Feature 2');
    // The new one comes onto the desk; the circle is closed from its base.
    await until(
      page,
      'the new one is on the desk, with what its base shows',
      () => document.body.textContent!.includes('Feature 2 master') && document.querySelectorAll('[data-inherited]').length >= 2,
    );
    const before = await records<MasterRecord>('master');
    await press('nav[aria-label="Page line"] ::-p-text(Feature)');
    await page.waitForSelector(`[aria-label="Master"] select option[value="${above.id}"]`);
    await page.select('[aria-label="Master"] select', above.id);
    await until(page, 'it is refused', () =>
      /cannot be based on Feature 2: that would be a circle/.test(document.body.textContent!),
    );
    expect(await records<MasterRecord>('master')).toEqual(before);
    // What the base shows, the new one shows too.
    await press('nav[aria-label="Page line"] ::-p-text(Feature 2)');
    await until(page, 'the base’s folios stand there', () => document.querySelectorAll('[data-inherited]').length >= 2);
    expect(await page.$$eval('[data-frame]', (all) => all.length)).toBe(0);
    expect(problems).toEqual([]);
  });
});

describe('what pages show of their masters', () => {
  it('cannot be moved, is parted by a press, changed, and joins again', async () => {
    const issue = await copyIssue(databaseUrl);
    const desk = await Desk.open(browser, server.origin, databaseUrl, issue);
    await desk.go(4);
    const [inherited] = await desk.page.$$('[data-inherited]');
    const id = await inherited!.evaluate((element) => element.getAttribute('data-inherited')!);
    const spot = await desk.middle(`[data-inherited="${id}"]`);
    await desk.page.mouse.click(spot.x, spot.y);
    const changes = (await desk.changes()).length;
    await desk.page.keyboard.press('ArrowRight');
    expect((await desk.changes()).length).toBe(changes);
    await (await desk.page.waitForSelector('::-p-text(Free from master)'))!.click();
    await desk.until(
      'it is the page’s own',
      (of: string) =>
        document.querySelector(`[data-inherited="${of}"]`) === null ||
        document.querySelectorAll(`[data-inherited="${of}"]`).length === 0,
      id,
    );
    await desk.page.keyboard.press('ArrowUp');
    await desk.stored();
    const own = (await desk.records<FrameRecord>('frame')).filter(({ of }) => of !== undefined);
    const master = (await desk.records<FrameRecord>('frame')).find((frame) => frame.id === id)!;
    expect(own).toMatchObject([{ of: id }]);
    expect(own[0]!.box.y).toBeCloseTo(master.box.y - NUDGE, 6);
    await (await desk.page.waitForSelector('aside ::-p-text(Follow master)'))!.click();
    await desk.until('the master’s shows again', (of: string) => document.querySelector(`[data-inherited="${of}"]`) !== null, id);
    await desk.stored();
    expect((await desk.records<FrameRecord>('frame')).filter(({ of }) => of !== undefined)).toEqual([]);
    expect(desk.problems).toEqual([]);
  });
});
