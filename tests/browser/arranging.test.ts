import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import type { FrameRecord } from '@/core/records/index';
import { openServer, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { copyDocument, Desk } from '../support/desk';

/** Frames arranged together: on one line, at a stated gap, of one size; with the mouse and by commands. */

const databaseUrl = inject('databaseUrl');
let server: Server;
let browser: Browser;
let desk: Desk;
let page: Page;

const MM = 72 / 25.4;
const named = (name: string, role = 'button') => `::-p-aria([name="${name}"][role="${role}"])`;

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium();
  desk = await Desk.open(browser, server.origin, databaseUrl, await copyDocument(databaseUrl, 'packet-1206'));
  page = desk.page;
  await page.setViewport({ width: 1280, height: 800 });
  await desk.go(12);
  // Three empty picture frames, side by side and out of step.
  for (const [x, y, w, h] of [
    [0.08, 0.2, 0.08, 0.12],
    [0.2, 0.26, 0.12, 0.1],
    [0.36, 0.22, 0.06, 0.2],
  ] as const)
    await desk.drawPanel(x, y, w, h);
});

afterAll(async () => {
  expect(desk?.problems ?? []).toEqual([]);
  await browser?.close();
  await server?.stop();
});

let own: string[] = [];
const boxes = async () => {
  await desk.stored();
  const frames = await desk.records<FrameRecord>('frame');
  return own.map((id) => frames.find((each) => each.id === id)!.box);
};
const choose = async (...ids: string[]) => {
  await desk.press('Escape');
  await page.click(`[data-frame="${ids[0]}"]`);
  await page.keyboard.down('Shift');
  for (const id of ids.slice(1)) await page.click(`[data-frame="${id}"]`);
  await page.keyboard.up('Shift');
  await page.waitForSelector('[role=toolbar][aria-label=Frames]');
};

describe('frames that are chosen together', () => {
  it('are laid on one line, shown before it is done, in one change that is undone at once', async () => {
    own = (await desk.frames('Panel')).map(({ id }) => id);
    expect(own).toHaveLength(3);
    const before = await boxes();
    await choose(...own);
    const tool = (await page.waitForSelector(named('Align tops')))!;
    const seen = () => page.$eval(`[data-frame="${own[1]}"]`, (frame) => frame.getBoundingClientRect().y);
    const was = await seen();
    await tool.hover();
    // The page shows it; nothing is changed yet.
    expect((await boxes()).map(({ y }) => y)).toEqual(before.map(({ y }) => y));
    await tool.click();
    const after = await boxes();
    for (const { y } of after) expect(y).toBeCloseTo(Math.min(...before.map((box) => box.y)), 2);
    await desk.until(
      'it has moved',
      (id: string, y: number) => document.querySelector(`[data-frame="${id}"]`)!.getBoundingClientRect().y < y,
      own[1],
      was,
    );
    await desk.press('Control', 'z');
    expect(await boxes()).toEqual(before);
    await desk.press('Control', 'Shift', 'z');
    await desk.stored();
  });

  it('stand at a stated gap, and take the size of the one that was chosen first', async () => {
    const [first, second, third] = own as [string, string, string];
    await choose(second, first, third);
    await (await page.waitForSelector('::-p-aria([name="Gap"][role="textbox"])'))!.click();
    await page.keyboard.type('8');
    await desk.press('Enter');
    await page.click(named('Set the gaps across'));
    const row = (await boxes()).sort((a, b) => a.x - b.x);
    expect((row[1]!.x - row[0]!.x - row[0]!.w) / MM).toBeCloseTo(8, 2);
    expect((row[2]!.x - row[1]!.x - row[1]!.w) / MM).toBeCloseTo(8, 2);
    const wide = (await boxes())[1]!;
    await page.click(named('As large as the first'));
    for (const box of await boxes()) expect([box.w, box.h]).toEqual([wide.w, wide.h]);
  });

  it('are arranged by commands from the keyboard alone, and one alone to what lies under it', async () => {
    await choose(...own);
    await desk.command('Align feet');
    const feet = (await boxes()).map(({ y, h }) => Math.round(y + h));
    expect(new Set(feet).size).toBe(1);
    await desk.press('Escape');
    await page.click(`[data-frame="${own[2]}"]`);
    await page.select('[aria-label=Detail] [aria-label="Aligned to"]', 'page');
    await page.click(`[aria-label=Detail] ${named('Align left edges')}`);
    expect((await boxes())[2]!.x).toBe(0);
    // The one at the page's edge lies over the first now: the other two change places.
    await choose(own[1]!, own[2]!);
    const before = await boxes();
    await page.click(named('Change places'));
    const after = await boxes();
    expect(after[1]!.x).toBeCloseTo(before[2]!.x, 2);
    expect(after[2]!.x).toBeCloseTo(before[1]!.x, 2);
  });
});
