import { mkdir } from 'node:fs/promises';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import type { FrameRecord, StoryRecord, TextRecord } from '@/core/records/index';
import { openServer, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { Desk } from '../support/desk';
import { scratch } from '../support/programs';

/**
 * How much is asked of a hand: the work in its order (product.md), with every press, drag, key and typed word counted, from the shelf to the
 * delivered file. The bounds are ours; what is counted is what a person does, not what the page answers.
 */

const databaseUrl = inject('databaseUrl');
let server: Server;
let browser: Browser;

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium(server.origin);
});

afterAll(async () => {
  await browser?.close();
  await server?.stop();
});

/** A hand that counts what it does, step by step of the work. */
class Hand {
  readonly counts = new Map<string, number>();
  #step = '';
  readonly page: Page;
  /** Once there is an issue. */
  desk!: Desk;

  constructor(page: Page) {
    this.page = page;
  }

  step(name: string): void {
    this.#step = name;
    this.counts.set(name, 0);
  }

  get all(): number {
    return [...this.counts.values()].reduce((sum, each) => sum + each, 0);
  }

  #count(): void {
    this.counts.set(this.#step, this.counts.get(this.#step)! + 1);
  }

  async press(selector: string): Promise<void> {
    this.#count();
    await (await this.page.waitForSelector(selector))!.click();
  }

  async button(name: string): Promise<void> {
    await this.press(`::-p-aria([name="${name}"][role="button"])`);
  }

  async place(name: string): Promise<void> {
    await this.press(`nav[aria-label="Places of the issue"] ::-p-text(${name})`);
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
}

/** Starts the next issue of a publication from the shelf. */
async function begun(publication: string): Promise<Hand> {
  const page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  await page.goto(server.origin, { waitUntil: 'networkidle0' });
  const hand = new Hand(page);
  hand.step('start an issue');
  await hand.press(`section[aria-label="${publication}"] ::-p-text(Start the next issue)`);
  await page.waitForSelector('[role=dialog]');
  await hand.press('[role=dialog] .btn-primary');
  await page.waitForSelector('[data-flatplan]');
  hand.desk = Desk.on(page, databaseUrl, new URL(page.url()).pathname.split('/')[2]!);
  return hand;
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

const stories = async (hand: Hand, named: readonly string[]): Promise<StoryRecord[]> => {
  const all = await hand.desk.records<StoryRecord>('story');
  return named.map((name) => all.find((story) => story.name === name)!);
};

async function delivered(hand: Hand): Promise<void> {
  hand.step('deliver');
  await hand.place('Handoff');
  await hand.button('Make screen PDF');
  const held = '::-p-text(Make it all the same)';
  const done = 'li[data-state=done]';
  const came = await Promise.race([
    hand.desk.page.waitForSelector(held, { timeout: 90_000 }).then(() => 'held' as const),
    hand.desk.page.waitForSelector(done, { timeout: 90_000 }).then(() => 'done' as const),
  ]);
  if (came === 'held') await hand.press(held);
  await hand.desk.page.waitForSelector(done, { timeout: 90_000 });
}

const slots = (hand: Hand) =>
  hand.desk.page.$$eval('[data-frame][aria-label^="Text slot"], [data-frame][aria-label*="slot"]', (own) => own.length);

describe('a newsletter from the last issue', () => {
  it('is started, filled with three stories and a picture, looked at and delivered in at most 25 actions', async () => {
    const hand = await begun('The Bridle Line');
    const { desk } = hand;
    hand.step('bring in copy and pictures');
    await hand.place('Pages');
    await desk.page.waitForSelector('.desk[data-ready=true]');
    await hand.files('[aria-label="Bring in files"]', [
      'demo/bridleLine/stories/the-jar-on-the-windowsill.md',
      'demo/bridleLine/stories/from-the-chair.md',
      'demo/bridleLine/stories/mended-this-month.md',
      await picture('loft.jpg'),
    ]);
    await hand.button('Bring in 3 stories');
    await desk.until('they have come', () => document.querySelectorAll('[data-story]').length === 3);
    hand.step('build spreads');
    const [jar] = await stories(hand, ['In the jar']);
    expect(await slots(hand)).toBeGreaterThan(0);
    await hand.drag(`[data-story="${jar!.id}"]`, '[data-frame][aria-label*="slot"]');
    await desk.until(
      'it has its place',
      (text: string) => document.querySelector(`[data-frame][aria-label*="${text}"]`) !== null,
      'In the jar',
    );
    hand.step('plan the rest');
    await hand.place('Plan');
    await desk.page.waitForSelector('[data-flatplan]');
    const pages = await desk.page.$$eval('[data-plan-page]', (own) => own.map((each) => each.getAttribute('data-plan-page')!));
    for (const [i, story] of (await stories(hand, ['From the chair', 'Mended this month'])).entries()) {
      await hand.drag(`[data-to-place="${story.id}"]`, `[data-plan-page="${pages[i + 1]}"]`);
      await desk.until(
        'it waits no longer',
        (id: string) => document.querySelector(`[data-to-place="${id}"]`) === null,
        story.id,
      );
    }
    hand.step('look');
    await hand.place('Checks');
    await desk.page.waitForSelector('::-p-text(The issue as a whole)');
    await delivered(hand);
    const placed = (await desk.records<FrameRecord>('frame')).filter(
      ({ content }) => content.type === 'text' && content.text.endsWith('-body'),
    );
    expect(new Set(placed.map(({ content }) => (content.type === 'text' ? content.text : ''))).size).toBe(3);
    expect(hand.all, JSON.stringify([...hand.counts])).toBeLessThanOrEqual(25);
    for (const [step, count] of hand.counts) expect(count, step).toBeLessThanOrEqual(6);
    await desk.page.close();
  });
});

describe('a newspaper’s front page', () => {
  it('is laid out with lead, second story, picture, caption and quote, fitted, checked and delivered in at most 60 actions', async () => {
    const hand = await begun('The Ternhaven Packet');
    const { desk } = hand;
    const { page } = desk;
    hand.step('bring in copy and pictures');
    await hand.place('Pages');
    await page.waitForSelector('.desk[data-ready=true]');
    await hand.files('[aria-label="Bring in files"]', [
      'demo/ternhavenPacket/stories/ferry-to-sail-with-the-tide.md',
      'demo/ternhavenPacket/stories/market-opens-under-new-awnings.md',
      await picture('ferry.jpg'),
    ]);
    await hand.button('Bring in 2 stories');
    await desk.until('they have come', () => document.querySelectorAll('[data-story]').length === 2);
    hand.step('build the page');
    const [ferry, market] = await stories(hand, [
      'Ferry to sail with the tide, council decides',
      'Market opens under new awnings',
    ]);
    for (const [story, slot] of [
      [ferry!, 'Lead story'],
      [market!, 'Second story'],
    ] as const) {
      await hand.drag(`[data-story="${story.id}"]`, `[data-frame][aria-label*="${slot}"]`);
      await desk.until(
        'it has its place',
        (name: string) => document.querySelector(`[data-frame][aria-label*="${name}"]`) !== null,
        story.name.slice(0, 12),
      );
    }
    await hand.press('::-p-aria([name^="Pictures"][role="tab"])');
    await hand.drag('[data-picture]', '[data-frame][aria-label*="icture"]');
    await desk.stored();
    hand.step('finish');
    const [frame] = (await desk.records<FrameRecord>('frame')).filter(
      ({ content }) => content.type === 'text' && content.text === ferry!.parts.body,
    );
    await hand.press(`[data-frame="${frame!.id}"]`);
    await hand.key('q');
    await page.waitForSelector('[data-sentence="3"]');
    await hand.press('[data-sentence="3"]');
    await page.waitForSelector('aside[aria-label=Detail] h2 ::-p-text(Pull quote)');
    await desk.stored();
    hand.step('look');
    await hand.key('.');
    await hand.key('.');
    await hand.place('Checks');
    await page.waitForSelector('::-p-text(The issue as a whole)');
    await delivered(hand);
    const quotes = (await desk.records<TextRecord>('text')).filter(({ role }) => role === 'quote');
    expect(quotes.some(({ source }) => source?.text === ferry!.parts.body)).toBe(true);
    expect(hand.all, JSON.stringify([...hand.counts])).toBeLessThanOrEqual(60);
    await page.close();
  });
});
