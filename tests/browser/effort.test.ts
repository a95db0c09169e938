import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import type { FrameRecord, IssueRecord, PictureRecord, StoryRecord, TextRecord } from '@/core/records/index';
import { openServer, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { Desk } from '../support/desk';
import { scratch } from '../support/programs';

/**
 * How much is asked of a hand: the work in its order, with every press, drag, key and typed field counted, from the shelf
 * to the delivered file and the issue after it. The bounds are ours; what is counted is what a person does.
 */

const databaseUrl = inject('databaseUrl');
let server: Server;
let browser: Browser;

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium();
});

afterAll(async () => {
  await browser?.close();
  await server?.stop();
});

/** A hand that counts what it does, step by step of the work. */
class Hand {
  readonly counts = new Map<string, number>();
  readonly page: Page;
  /** Once there is an issue. */
  desk!: Desk;
  #step = '';

  private constructor(page: Page) {
    this.page = page;
  }

  static async atShelf(): Promise<Hand> {
    const page = await browser.newPage();
    await page.setViewport({ width: 1280, height: 800 });
    const hand = new Hand(page);
    await page.goto(server.origin, { waitUntil: 'domcontentloaded' });
    return hand;
  }

  step(name: string): void {
    this.#step = name;
    this.counts.set(name, 0);
  }

  #count(): void {
    this.counts.set(this.#step, this.counts.get(this.#step)! + 1);
  }

  async press(selector: string): Promise<void> {
    this.#count();
    await (await this.page.waitForSelector(selector))!.click();
  }

  button(name: string): Promise<void> {
    return this.press(`::-p-aria([name="${name}"][role="button"])`);
  }

  place(name: string): Promise<void> {
    return this.press(`nav[aria-label="Places of the issue"] ::-p-text(${name})`);
  }

  /** Words into the field that has the focus: one action, however long they are. */
  async type(words: string): Promise<void> {
    this.#count();
    await this.page.keyboard.type(words);
  }

  async choose(label: string, value: string): Promise<void> {
    this.#count();
    await (await this.page.waitForSelector(`::-p-aria([name="${label}"][role="combobox"])`))!.select(value);
  }

  async drag(from: string, to: string): Promise<void> {
    this.#count();
    await this.desk.drag(await this.desk.middle(from), await this.desk.middle(to));
  }

  async key(...keys: string[]): Promise<void> {
    this.#count();
    await this.desk.press(...keys);
  }

  /** A file dialog: it is opened, and files are chosen in it. */
  async files(button: string, paths: readonly string[]): Promise<void> {
    const chooser = this.page.waitForFileChooser();
    await this.press(button);
    this.#count();
    await (await chooser).accept([...paths]);
  }

  /** Starts an issue with what is proposed, in the dialog that is open, and comes to its plan. */
  async begin(): Promise<void> {
    await this.press('[role=dialog] button[type=submit]');
    await this.page.waitForSelector('[data-flatplan]');
    this.desk = Desk.on(this.page, databaseUrl, new URL(this.page.url()).pathname.split('/')[2]!);
  }

  async bringIn(paths: readonly string[], stories: number): Promise<void> {
    await this.files('[aria-label="Bring in files"]', paths);
    await this.button(`Bring in ${stories} stories`);
    await this.desk.until(
      'they have come',
      (count: number) => document.querySelectorAll('[data-story]').length === count,
      stories,
    );
  }

  /** A story with its copy, once it is stored. */
  async story(name: string): Promise<StoryRecord> {
    let found: StoryRecord | undefined;
    const find = async () =>
      (found = (await this.desk.records<StoryRecord>('story')).find((each) => each.name === name && each.file !== undefined));
    await expect.poll(find, { message: `“${name}” is stored` }).toBeDefined();
    return found!;
  }

  async frameOf(text: string): Promise<FrameRecord | undefined> {
    return (await this.desk.records<FrameRecord>('frame')).find(
      ({ content }) => content.type === 'text' && content.text === text,
    );
  }

  /** Puts a story of the tray into the slots of the page in sight that are for one story. */
  async fill(story: StoryRecord, slots: string): Promise<void> {
    await this.drag(`[data-story="${story.id}"]`, `[data-frame][aria-label^="Slot for text, ${slots}"]`);
    await this.desk.until(
      'it has its place',
      (set: string) => document.querySelector(`[data-frame][aria-label^="Slot for text, ${set}"]`) === null,
      slots,
    );
    await this.desk.stored();
  }

  /** Opens a tab of the tray. */
  tab(name: string): Promise<void> {
    return this.press(`::-p-xpath(//*[@role="tab"][starts-with(., "${name}")])`);
  }

  /** Puts the one picture of the tray into the one empty frame in sight. */
  async placePicture(): Promise<void> {
    await this.tab('Pictures');
    await this.drag('[data-picture]', '[data-frame][aria-label^="Picture frame, empty"]');
    await this.desk.until(
      'the picture has its place',
      () => document.querySelector('[data-frame][aria-label^="Picture frame, empty"]') === null,
    );
    await this.desk.stored();
  }

  /** Has the first mend done that makes a story fit. */
  async fit(story: string): Promise<void> {
    await this.press(`button[aria-label^="${story}"][aria-label$="Make it fit"]`);
    await this.page.waitForSelector('[data-fit-done=true]');
    await this.press('::-p-xpath(//button[starts-with(., "Tick what would do")])');
    const take = '::-p-xpath(//button[starts-with(., "Take")][not(@disabled)])';
    await this.page.waitForSelector(take);
    await this.press(take);
    await this.desk.until('Fit is closed', () => document.querySelector('aside[aria-label=Fit]') === null);
    await this.desk.stored();
  }

  /** Makes a screen PDF, all the same where Checks has something to say. */
  async deliver(): Promise<void> {
    await this.place('Handoff');
    await this.button('Make screen PDF');
    const held = '::-p-text(Make it all the same)';
    const done = 'li[data-state=done]';
    const patience = { timeout: 90_000 };
    const came = await Promise.race([
      this.page.waitForSelector(held, patience).then(() => 'held' as const),
      this.page.waitForSelector(done, patience).then(() => 'done' as const),
    ]);
    if (came === 'held') await this.press(held);
    await this.page.waitForSelector(done, patience);
  }

  /** The counts add up to at most so many, and no step to more than it may. */
  expectAtMost(all: number, each: Readonly<Record<string, number>>): void {
    const counts = Object.fromEntries(this.counts);
    expect(Object.keys(counts)).toEqual(Object.keys(each));
    for (const [step, count] of this.counts) expect(count, step).toBeLessThanOrEqual(each[step]!);
    const sum = [...this.counts.values()].reduce((a, b) => a + b, 0);
    expect(sum, JSON.stringify(counts)).toBeLessThanOrEqual(all);
    // Nothing was counted that was not done, and something was done at every step.
    for (const [step, count] of this.counts) expect(count, step).toBeGreaterThan(0);
  }
}

async function picture(name: string): Promise<string> {
  const folder = join(await scratch(), 'pictures');
  await mkdir(folder, { recursive: true });
  const path = join(folder, name);
  await sharp({ create: { width: 2400, height: 1500, channels: 3, background: '#4f7a8a' } })
    .jpeg()
    .toFile(path);
  return path;
}

describe('a newsletter from the last issue', () => {
  it('is started, filled with three stories and a picture, looked at and delivered in at most 25 actions', async () => {
    const hand = await Hand.atShelf();
    const { page } = hand;
    hand.step('start the issue');
    await hand.press('section[aria-label="The Bridle Line"] ::-p-text(Start the next issue)');
    await hand.choose('Pages come from', 'bridle-87');
    await hand.begin();
    const { desk } = hand;
    hand.step('bring in');
    await hand.place('Pages');
    await desk.ready();
    await hand.bringIn(
      [
        'demo/bridleLine/stories/the-jar-on-the-windowsill.md',
        'demo/bridleLine/stories/from-the-chair.md',
        'demo/bridleLine/stories/mended-this-month.md',
        await picture('loft.jpg'),
      ],
      3,
    );
    hand.step('build');
    const jar = await hand.story('In the jar');
    await hand.fill(jar, 'The Circle');
    await hand.placePicture();
    hand.step('plan the rest');
    await hand.place('Plan');
    await page.waitForSelector('[data-flatplan]');
    const pages = await page.$$eval('[data-plan-page]', (list) => list.map((each) => each.getAttribute('data-plan-page')!));
    for (const [i, name] of ['From the chair', 'Mended this month'].entries()) {
      const { id } = await hand.story(name);
      await hand.drag(`[data-to-place="${id}"]`, `[data-plan-page="${pages[i + 1]}"]`);
      await desk.until('it waits no longer', (own: string) => document.querySelector(`[data-to-place="${own}"]`) === null, id);
    }
    hand.step('look');
    await hand.place('Checks');
    await page.waitForSelector('::-p-text(The issue as a whole)');
    hand.step('deliver');
    await hand.deliver();
    for (const name of ['In the jar', 'From the chair', 'Mended this month']) {
      const { parts } = await hand.story(name);
      expect(await hand.frameOf(parts.body!), name).toBeDefined();
    }
    hand.expectAtMost(25, { 'start the issue': 3, 'bring in': 4, build: 3, 'plan the rest': 3, look: 1, deliver: 3 });
    await page.close();
  });
});

const FERRY = 'Ferry to sail with the tide, council decides';
const MARKET = 'Market opens under new awnings';

describe('a newspaper', () => {
  it('is set up, and its front page planned, filled, finished, fitted, checked and delivered in at most 60 actions', async () => {
    const hand = await Hand.atShelf();
    const { page } = hand;
    hand.step('set up');
    await hand.button('New publication');
    await page.waitForSelector('[role=dialog] ::-p-aria([name="Name"])');
    await hand.type('The Outer Light');
    await hand.press('[role=dialog] ::-p-aria([name="Newspaper"][role="radio"])');
    await hand.button('Add to the shelf');
    await page.waitForFunction(() => location.pathname.endsWith('/grid'));
    hand.step('start an issue');
    await hand.press('header a');
    await hand.press('section[aria-label="The Outer Light"] ::-p-text(Start the first issue)');
    await page.waitForSelector('[role=dialog]');
    await hand.begin();
    const { desk } = hand;
    hand.step('plan');
    await hand.button('Plan a story');
    await page.waitForSelector('form ::-p-aria([name="Name"])');
    await hand.type(FERRY);
    await hand.key('Enter');
    await page.waitForSelector('[data-to-place]');
    await hand.drag('[data-to-place]', '[data-plan-page]');
    await desk.until('it waits no longer', () => document.querySelector('[data-to-place]') === null);
    await desk.stored();
    hand.step('bring in');
    await hand.place('Pages');
    await desk.ready();
    await hand.bringIn(
      [
        'demo/ternhavenPacket/stories/ferry-to-sail-with-the-tide.md',
        'demo/ternhavenPacket/stories/market-opens-under-new-awnings.md',
        await picture('ferry.jpg'),
      ],
      2,
    );
    // The copy has come into the story that was planned, where it lies.
    const ferry = await hand.story(FERRY);
    expect(ferry).toMatchObject({ file: 'ferry-to-sail-with-the-tide.md', state: 'delivered', target: 600 });
    hand.step('build the page');
    const market = await hand.story(MARKET);
    await hand.fill(market, 'Second story');
    await hand.placePicture();
    await hand.press('[data-frame][aria-label^="Picture, ferry"]');
    await hand.key('c');
    await page.waitForSelector('[data-writing]');
    await hand.type('The ferry at the slip, an hour before high water.');
    await hand.key('Escape');
    await hand.key('Escape');
    hand.step('finish');
    await hand.press(`[data-frame="${(await hand.frameOf(ferry.parts.body))!.id}"]`);
    await hand.key('q');
    await hand.press('[data-sentence="3"]');
    await desk.until('the quote is chosen', () => document.querySelector('aside h2')?.textContent?.startsWith('Pull quote'));
    await desk.stored();
    hand.step('fit');
    await hand.tab('Stories');
    await hand.fit(MARKET);
    hand.step('look');
    await hand.key('.');
    await hand.key('.');
    await hand.place('Checks');
    await page.waitForSelector('::-p-text(The issue as a whole)');
    hand.step('deliver');
    await hand.deliver();
    hand.step('start the next');
    await hand.press('header a');
    await hand.press('section[aria-label="The Outer Light"] ::-p-text(Start the next issue)');
    await page.waitForSelector('[role=dialog]');
    const first = desk;
    await hand.begin();
    expect(await hand.desk.records<IssueRecord>('issue')).toMatchObject([{ publication: 'The Outer Light', number: '2' }]);
    const quotes = (await first.records<TextRecord>('text')).filter(({ role }) => role === 'quote');
    expect(quotes.map(({ source }) => source?.text)).toEqual([ferry.parts.body]);
    const [own] = await first.records<PictureRecord>('picture');
    expect(
      (await first.records<FrameRecord>('frame')).filter(({ content }) => 'picture' in content && content.picture === own!.id),
    ).toHaveLength(1);
    hand.expectAtMost(60, {
      'set up': 4,
      'start an issue': 3,
      plan: 4,
      'bring in': 4,
      'build the page': 8,
      finish: 3,
      fit: 4,
      look: 3,
      deliver: 3,
      'start the next': 3,
    });
    await page.close();
  });
});
