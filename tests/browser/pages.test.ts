import type { Browser } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { byOrder } from '@/core/records/document';
import type { PageRecord, TextRecord } from '@/core/records/index';
import { openServer, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { copyIssue, Desk, holdingCode } from '../support/desk';

/** The pages of an issue, put in order with mouse and keyboard. */

const databaseUrl = inject('databaseUrl');
let server: Server;
let browser: Browser;
let desk: Desk;
let issue: string;

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium();
  issue = await copyIssue(databaseUrl);
  desk = await Desk.open(browser, server.origin, databaseUrl, issue);
});

afterAll(async () => {
  await browser?.close();
  await server?.stop();
});

const pages = async () => {
  await desk.stored();
  return (await desk.records<PageRecord>('page')).sort(byOrder);
};
const order = async () => (await pages()).map(({ id }) => id).slice(0, 8);
const press = async (name: string) =>
  (await desk.page.waitForSelector(`aside section[aria-label=Pages] ::-p-aria([name="${name}"][role="button"])`))!.click();

describe('an issue that opens', () => {
  it.each(['p1', 'p4'])('shows bare paper just where its pages will lie, at %s', async (at) => {
    const own = await browser.newPage();
    await own.setViewport({ width: 1280, height: 800 });
    const { release } = await holdingCode(own);
    const arrived = own.goto(`${server.origin}/issues/${issue}/pages?page=${at}`, { waitUntil: 'domcontentloaded' });
    const boxOf = (selector: string) =>
      own.$$eval(selector, (all) => {
        const boxes = all.map((each) => each.getBoundingClientRect());
        const [x, y] = [Math.min(...boxes.map((box) => box.x)), Math.min(...boxes.map((box) => box.y))];
        return [x, y, Math.max(...boxes.map((box) => box.right)) - x, Math.max(...boxes.map((box) => box.bottom)) - y];
      });
    await own.waitForSelector('[data-bare-paper]');
    expect(await own.$('.desk')).toBeNull();
    const bare = await boxOf('[data-bare-paper]');
    await release();
    await arrived;
    await own.waitForSelector('.desk[data-ready=true]');
    const paper = await boxOf('[data-paper]');
    for (const [i, length] of bare.entries()) expect(Math.abs(length - paper[i]!)).toBeLessThan(1.5);
    await own.close();
  });
});

describe('a finger on a tablet', () => {
  it('chooses by a tap, moves a frame, scrolls the tray along it, and carries a story out of it', async () => {
    const own = await browser.newPage();
    await own.setViewport({ width: 1024, height: 440, hasTouch: true });
    await own.goto(`${server.origin}/issues/${issue}/pages?page=p4`, { waitUntil: 'domcontentloaded' });
    await own.waitForSelector('.desk[data-ready=true]');
    const swipe = async (from: readonly [number, number], by: readonly [number, number], meanwhile?: () => Promise<void>) => {
      const finger = await own.touchscreen.touchStart(...from);
      for (let i = 1; i <= 10; i++) await finger.move(from[0] + (i / 10) * by[0], from[1] + (i / 10) * by[1]);
      await meanwhile?.();
      await finger.end();
    };
    const placeOf = async (selector: string) => (await (await own.waitForSelector(selector))!.boundingBox())!;
    const HEADLINE = '[data-frame][aria-label^="Headline, The spar remembers"]';
    const before = await placeOf(HEADLINE);
    const middle = [before.x + before.width / 2, before.y + before.height / 2] as const;
    await own.touchscreen.tap(...middle);
    await own.waitForSelector('aside[aria-label=Detail] ::-p-text(Headline, The spar remembers)');
    await swipe(middle, [0, 60]);
    await expect.poll(async () => (await placeOf(HEADLINE)).y).toBeGreaterThan(before.y + 30);

    const STORY = 'aside[aria-label=Tray] [data-story]';
    const story = await placeOf(STORY);
    const at = [story.x + story.width / 2, story.y + story.height / 2] as const;
    // Along the list it is scrolled, across it a story is taken out.
    await swipe(at, [0, -100]);
    await expect.poll(async () => (await placeOf(STORY)).y).toBeLessThan(story.y - 30);
    await swipe(at, [0, 160]);
    await expect.poll(async () => (await placeOf(STORY)).y).toBe(story.y);
    await swipe(at, [300, 10], async () => {
      await own.waitForSelector('[data-carried]');
    });
    await own.close();
  });
});

describe('pages', () => {
  it('move, and the desk goes with them', async () => {
    await desk.go(4);
    await desk.reads('The spar remembers');
    await press('Move later');
    expect(await order()).toEqual(['p1', 'p2', 'p3', 'p5', 'p4', 'p6', 'p7', 'p8']);
    // The opening is now the right page of its spread.
    expect(await desk.page.$eval('aside section[aria-label=Spread] h2', (element) => element.textContent)).toBe('Pages 4 and 5');
    await desk.press('Control', 'z');
    expect(await order()).toEqual(['p1', 'p2', 'p3', 'p4', 'p5', 'p6', 'p7', 'p8']);
  });

  it('are removed with a sentence about their stories, whose text stays; the count is warned of, and mended', async () => {
    const before = await desk.records<TextRecord>('text');
    await desk.go(6);
    await press('Remove');
    await desk.until('it says what becomes of the story', () =>
      [...document.querySelectorAll('[role=status]')].some((each) => each.textContent!.includes('What the gust meter heard')),
    );
    expect(await order()).toEqual(['p1', 'p2', 'p3', 'p4', 'p5', 'p7', 'p8']);
    const body = before.find(({ id }) => id === 'what-the-gust-meter-heard-body')!;
    expect((await desk.records<TextRecord>('text')).find(({ id }) => id === body.id)!.body).toEqual(body.body);
    await desk.until('the count is warned of', () =>
      document.querySelector('aside[aria-label=Detail]')!.textContent!.includes('cannot be stitched'),
    );
    await press('Add 1 at the end');
    await desk.until(
      'it is mended',
      () => !document.querySelector('aside[aria-label=Detail]')!.textContent!.includes('cannot be stitched'),
    );
    expect(await pages()).toHaveLength(8);
    await desk.press('Control', 'z');
    await desk.stored();
    await desk.press('Control', 'z');
    expect(await order()).toEqual(['p1', 'p2', 'p3', 'p4', 'p5', 'p6', 'p7', 'p8']);
  });

  it('are duplicated, and take another master', async () => {
    await desk.go(2);
    await press('Duplicate');
    await desk.until('there are nine', () => document.querySelectorAll('nav[aria-label="Page line"] [data-page]').length === 9);
    const copy = (await pages())[2]!;
    await desk.page.$eval('nav [aria-label="Page 3"]', (cell) => (cell as HTMLElement).click());
    await (await desk.page.waitForSelector('aside [role=radiogroup] label::-p-text(Page 3)'))!.click();
    const master = (await desk.page.waitForSelector('aside ::-p-aria([name="Master"])'))!;
    expect(await master.evaluate((select) => (select as HTMLSelectElement).value)).toBe(copy.master);
    await master.select(copy.master === 'plain' ? 'feature' : 'plain');
    expect((await pages())[2]!.master).not.toBe(copy.master);
    expect(desk.problems).toEqual([]);
  });
});
