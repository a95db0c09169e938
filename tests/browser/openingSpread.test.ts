import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { mm } from '@/core/length/length';
import { paragraphsOf, plainText } from '@/core/records/body';
import type { FrameRecord, GroupRecord, PageRecord, TextRecord } from '@/core/records/index';
import { textIn } from '@/core/records/kinds/frames';
import { openServer, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { copyIssue, Desk, type Spot } from '../support/desk';

/**
 * An opening spread from nothing: a headline on a picture that bleeds, a cut-out between columns, a tied quote, a box-out with a
 * table and a chart, furniture of the house, and a row of portraits 8 mm apart. Once by mouse, once by keys alone.
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

/** A spread of two empty pages at the end of an issue, and what is found on it. */
class Opening {
  readonly desk: Desk;
  readonly page: Page;
  #before: ReadonlySet<string> = new Set();

  private constructor(desk: Desk) {
    this.desk = desk;
    this.page = desk.page;
  }

  static async begin(): Promise<Opening> {
    const own = new Opening(await Desk.open(browser, server.origin, databaseUrl, await copyIssue(databaseUrl)));
    await own.page.setViewport({ width: 1280, height: 800 });
    return own;
  }

  async frames(): Promise<FrameRecord[]> {
    await this.desk.stored();
    const pages = (await this.desk.records<PageRecord>('page')).sort((a, b) => (a.order < b.order ? -1 : 1)).slice(-2);
    return (await this.desk.records<FrameRecord>('frame')).filter(({ on }) => pages.some(({ id }) => id === on));
  }

  /** Frames that were not there when this was last asked. */
  async added(): Promise<FrameRecord[]> {
    const now = await this.frames();
    const out = now.filter(({ id }) => !this.#before.has(id));
    this.#before = new Set(now.map(({ id }) => id));
    return out;
  }

  async text(role: TextRecord['role'], name?: string): Promise<FrameRecord> {
    const texts = await this.desk.records<TextRecord>('text');
    const frame = (await this.frames()).find((each) => {
      const text = texts.find(({ id }) => id === textIn(each));
      return text?.role === role && (name === undefined || plainText(paragraphsOf(text.body)[0]!).includes(name));
    });
    return frame!;
  }

  async frame(id: string): Promise<FrameRecord> {
    return (await this.frames()).find((each) => each.id === id)!;
  }

  inDetail(label: string): string {
    return `aside[aria-label=Detail] ::-p-aria([name="${label}"])`;
  }

  async open(name: string): Promise<void> {
    const heading = `aside[aria-label=Detail] section[aria-label="${name}"] h3 button`;
    await this.page.waitForSelector(heading);
    if (await this.page.$(`${heading}[aria-expanded=false]`)) {
      await this.page.focus(`${heading}[aria-expanded=false]`);
      await this.desk.press('Enter');
    }
    await this.page.waitForSelector(`${heading}[aria-expanded=true]`);
  }

  /** Types into fields of the detail, one after another. */
  async type(values: Readonly<Record<string, string>>): Promise<void> {
    for (const [label, value] of Object.entries(values)) {
      const field = (await this.page.waitForSelector(this.inDetail(label)))!;
      await field.focus();
      await this.desk.press('Control', 'a');
      await this.page.keyboard.type(value);
      await this.desk.press('Enter');
    }
  }

  /** What the spread has to be in the end, however it was made. */
  async expectMade(): Promise<void> {
    const { desk } = this;
    const all = await this.frames();
    const texts = await desk.records<TextRecord>('text');
    const headline = await this.text('headline');
    const picture = all.find(({ content }) => content.type === 'picture' && content.picture === 'hollin-head-dusk')!;
    // The picture bleeds on three sides of its page, and the headline lies on it, in white.
    expect(picture.box.x).toBeLessThan(-mm(2.9));
    expect(picture.box.y).toBeLessThan(-mm(2.9));
    expect(picture.box.h).toBeGreaterThan(mm(276 + 5.9));
    expect(headline.on).toBe(picture.on);
    expect(headline.order > picture.order).toBe(true);
    const words = texts.find(({ id }) => id === textIn(headline))!;
    expect(JSON.stringify(words.body)).toContain('"swatch":"paper"');
    const body = await this.text('body');
    const cutOut = all.find(({ content }) => content.type === 'picture' && content.picture === 'fenn-kite-cutout')!;
    expect(cutOut).toMatchObject({ on: body.on, wrap: { mode: 'outline' } });
    const quote = texts.find(({ role, id }) => role === 'quote' && all.some((frame) => textIn(frame) === id))!;
    const story = texts.find(({ id }) => id === textIn(body))!;
    expect(paragraphsOf(story.body).some((each) => plainText(each).includes(quote.source!.words))).toBe(true);
    const box = await this.text('furniture', 'length of a tail');
    expect(box.finish).toBe('boxOut');
    const inBox = texts.find(({ id }) => id === textIn(box))!;
    const table = inBox.body.children.find(({ type }) => type.name === 'table')!;
    expect(table.childCount).toBe(3);
    const charts = (await desk.records<GroupRecord>('group')).filter(({ chart }) => chart);
    expect(all.filter(({ group, content }) => group === charts[0]!.id && content.type === 'panel')).toHaveLength(2);
    expect(all.filter(({ piece }) => piece !== undefined)).toHaveLength(2);
    const portraits = all
      .filter(({ content }) => content.type === 'picture' && content.picture === 'orrin-profile')
      .sort((a, b) => a.box.x - b.box.x);
    expect(portraits).toHaveLength(3);
    for (const [i, { box: own }] of portraits.slice(1).entries()) {
      expect(own.x - portraits[i]!.box.x - portraits[i]!.box.w).toBeCloseTo(mm(8), 2);
      expect(own.y).toBeCloseTo(portraits[0]!.box.y, 2);
    }
    expect(desk.problems).toEqual([]);
  }
}

const TAILS = [
  ['Sail', 'Tail'],
  ['1 m', '7 m'],
  ['2 m', '12 m'],
];

/** Fills the dialog of a table that has just been opened, from cell to cell. */
async function fillTable({ desk, page }: Opening): Promise<void> {
  await page.waitForSelector('[role=dialog] input[aria-label="Row 1, column 1"]');
  for (const [r, row] of TAILS.entries())
    for (const [c, words] of row.entries()) {
      await page.focus(`[role=dialog] input[aria-label="Row ${r + 1}, column ${c + 1}"]`);
      await page.keyboard.type(words);
    }
  await page.focus('[role=dialog] [aria-label="Remove column 3"]');
  await desk.press('Enter');
  await page.focus('[role=dialog] input[aria-label="Row 1, column 1"]');
  await desk.press('Enter');
  await desk.until('the dialog is closed', () => document.querySelector('[role=dialog]') === null);
}

async function fillChart({ desk, page }: Opening): Promise<void> {
  await page.waitForSelector('[role=dialog] input[aria-label="Label 1"]');
  await page.keyboard.type('Half');
  for (const words of ['11', 'Whole', '9']) {
    await desk.press('Tab');
    await page.keyboard.type(words);
  }
  await desk.press('Enter');
  await desk.until('the dialog is closed', () => document.querySelector('[role=dialog]') === null);
}

describe('an opening spread', () => {
  it('is made from nothing by mouse', async () => {
    const own = await Opening.begin();
    const { desk, page } = own;
    const { mouse } = page;
    const press = async (selector: string) => (await page.waitForSelector(selector))!.click();
    const button = (words: string) => press(`aside[aria-label=Detail] ::-p-xpath(.//button[normalize-space()="${words}"])`);
    const carry = async (selector: string, to: Spot) => {
      await page.$eval(selector, (item) => item.scrollIntoView({ block: 'center' }));
      await desk.drag(await desk.middle(selector), to);
      await page.waitForSelector('[data-brackets]');
      await desk.stored();
    };
    const tab = (name: string) => press(`::-p-xpath(//*[@role="tab"][starts-with(., "${name}")])`);
    /** Presses where nothing lies, so that nothing is chosen. */
    const nothing = async () => {
      const { x, y, w } = await desk.box('.desk');
      await mouse.click(x + w / 2, y + 12);
      await desk.until('nothing is chosen', () => document.querySelector('[data-brackets]') === null);
    };
    /** Marks out a stretch of the right page by figures, where a text lies under it already. */
    const markOut = async (columns: readonly [number, number], lines: readonly [number, number], as: string) => {
      await nothing();
      await press('aside[aria-label=Detail] ::-p-text(Page 11)');
      for (const [label, value] of [
        ['Columns, from', columns[0]],
        ['Columns, to', columns[1]],
        ['Lines, from', lines[0]],
        ['Lines, to', lines[1]],
      ] as const) {
        await (await page.waitForSelector(`aside [aria-label="${label}"]`))!.click({ count: 3 });
        await page.keyboard.type(String(value));
      }
      await button('Mark out');
      await press(`::-p-xpath(//*[@role="menuitem"][contains(., "${as}")])`);
    };

    await desk.go(8);
    await button('Add two after');
    await desk.go(10);
    await button('Add page after');
    await desk.go(10);
    await tab('Pictures');
    await carry('[data-picture="hollin-head-dusk"]', await desk.onPaper(0.1, 0.2));
    const [picture] = (await own.added()).filter(({ content }) => content.type === 'picture');
    // Out to the bleed at the corner above, and to the spine and the bleed below.
    const paper = await desk.box('[data-paper]');
    const corner = async (name: string) => desk.middle(`[data-pull="${name}"]`);
    await desk.drag(await corner('right bottom'), { x: paper.x + paper.w / 2, y: paper.y + paper.h + 5 });
    await desk.drag(await corner('left top'), { x: paper.x - 5, y: paper.y - 5 });
    await desk.stored();
    expect((await own.frame(picture!.id)).box.w).toBeGreaterThan(mm(200));
    // The story on the page beside it, and its headline onto the picture.
    await tab('Stories');
    await carry('::-p-xpath(//*[@data-story][contains(., "Forty makers")])', await desk.onPaper(0.7, 0.5));
    const headline = await own.text('headline');
    await desk.drag(await desk.middle(`[data-frame="${headline.id}"]`), await desk.onPaper(0.25, 0.15));
    await desk.stored();
    await button('Set it in Paper');
    // The cut-out between the columns.
    await nothing();
    await tab('Pictures');
    await carry('[data-picture="fenn-kite-cutout"]', await desk.onPaper(0.72, 0.5));
    await press('.desk ~ * ::-p-aria([name="Outline"])');
    // A sentence of the story is quoted.
    const body = await own.text('body');
    await nothing();
    const { x, y } = await desk.box(`[data-frame="${body.id}"]`);
    await mouse.click(x + 20, y + 60);
    await press('::-p-xpath(//button[normalize-space()="Quote"])');
    await page.waitForSelector('[data-sentence]');
    await mouse.click(x + 30, y + 120);
    await page.waitForSelector('aside[aria-label=Detail] h2 ::-p-text(Pull quote)');
    await desk.stored();
    // The box-out with its table, and a chart in its lower half.
    await markOut([5, 6], [28, 40], 'Box-out');
    await page.waitForSelector('form input[name=words]');
    await page.keyboard.type('The length of a tail');
    await press('form ::-p-text(Place it)');
    await page.waitForSelector('[data-brackets]');
    const at = await desk.middle('[data-brackets]');
    await mouse.click(at.x, at.y, { count: 2 });
    await desk.until('it is written in', () => document.body.textContent.includes('Writing in'));
    await (await page.waitForSelector('select[aria-label=Insert]'))!.select('table');
    await fillTable(own);
    await nothing();
    await markOut([5, 6], [42, 52], 'Chart');
    await fillChart(own);
    await desk.stored();
    // Furniture of the house, and a row of portraits.
    await nothing();
    await own.open('Furniture');
    await carry('[data-furniture="fact-file"]', await desk.onPaper(0.12, 0.75));
    await nothing();
    await tab('Pictures');
    await carry('[data-picture="orrin-profile"]', await desk.onPaper(0.06, 0.45));
    await own.type({ Width: '28 mm', Height: '34 mm' });
    await own.open('Repeat');
    await own.type({ Across: '3', 'Gap across': '8 mm' });
    await press('section[aria-label="Repeat"] button.btn');
    await desk.stored();
    await own.expectMade();
    await page.close();
  }, 240_000);

  it('is made from nothing by keys', async () => {
    const own = await Opening.begin();
    const { desk, page } = own;
    const nothing = async () => {
      await desk.press('Escape');
      await desk.press('Escape');
      await desk.until('nothing is chosen', () => document.querySelector('[data-brackets]') === null);
    };
    /** Takes something of the tray by Enter: it goes where there is most room. */
    const take = async (tab: string, selector: string) => {
      await nothing();
      await page.focus(`::-p-xpath(//*[@role="tab"][@aria-selected="true"])`);
      for (let i = 0; i < 3; i++) {
        const now = await page.$eval('[role=tab][aria-selected=true]', (each) => each.textContent);
        if (now.startsWith(tab)) break;
        await desk.press('ArrowRight');
      }
      await page.focus(selector);
      await desk.press('Enter');
      if (tab === 'Pictures') await page.waitForSelector('[data-brackets]');
      else await desk.until('it is placed', () => document.querySelector('[data-frame][aria-label*="Forty makers"]') !== null);
      await desk.stored();
    };
    const choose = async (id: string) => {
      await nothing();
      await page.$eval(`[data-frame="${id}"]`, (element) => (element as unknown as HTMLElement).focus());
      await page.waitForSelector(`[data-brackets="${id}"]`);
    };
    const button = async (words: string) => {
      await page.focus(`aside[aria-label=Detail] ::-p-xpath(.//button[normalize-space()="${words}"])`);
      await desk.press('Enter');
    };
    const markOut = async (columns: readonly [number, number], lines: readonly [number, number], letter: string) => {
      await nothing();
      await page.focus(
        'aside[aria-label=Detail] [role=radio][aria-checked=true], aside[aria-label=Detail] input[type=radio]:checked',
      );
      if (!(await page.$('::-p-xpath(//section[@aria-label="Mark out a stretch"]//h3[contains(., "11")])')))
        await desk.press('ArrowRight');
      for (const [label, value] of [
        ['Columns, from', columns[0]],
        ['Columns, to', columns[1]],
        ['Lines, from', lines[0]],
        ['Lines, to', lines[1]],
      ] as const) {
        await page.focus(`aside [aria-label="${label}"]`);
        await desk.press('Control', 'a');
        await page.keyboard.type(String(value));
      }
      await button('Mark out');
      await page.waitForSelector('[role=menu]');
      await desk.press(letter);
    };

    for (let i = 0; i < 4; i++) await desk.press(']');
    for (const number of [9, 10, 11]) {
      await desk.command('Add a page after this spread');
      await page.waitForSelector(`nav [aria-label^="Page ${number}"]`);
      await desk.stored();
      await desk.press(']');
    }
    await take('Pictures', '[data-picture="hollin-head-dusk"]');
    const picture = (await own.added()).find(({ content }) => content.type === 'picture')!;
    await own.type({ Width: '215 mm', Height: '282 mm', 'From left': '-3 mm', 'From top': '-3 mm' });
    await take('Stories', '::-p-xpath(//*[@data-story][contains(., "Forty makers")])');
    const headline = await own.text('headline');
    const body = await own.text('body');
    expect(body.on).not.toBe(picture.on);
    // Over the spine, column by column, and down a little.
    await choose(headline.id);
    for (let i = 0; i < 7; i++) await desk.press('Control', 'ArrowLeft');
    await desk.press('Control', 'ArrowDown');
    await desk.until('it lies on the picture', () => document.querySelector('aside [data-contrast]') !== null);
    await button('Set it in Paper');
    // The cut-out, in a stretch between the columns; its outline by the wrap's key.
    await markOut([3, 4], [20, 38], 'p');
    await page.waitForSelector('::-p-xpath(//*[@role="menuitem"][contains(., "fenn-kite-cutout")])');
    await page.focus('::-p-xpath(//*[@role="menuitem"][contains(., "fenn-kite-cutout")])');
    await desk.press('Enter');
    await page.waitForSelector('[data-brackets]');
    await desk.stored();
    const cutOut = (await own.frames()).find(
      ({ content }) => content.type === 'picture' && content.picture === 'fenn-kite-cutout',
    )!;
    await choose(cutOut.id);
    await desk.press('Control', 'ArrowRight');
    for (let i = 0; i < 4 && (await own.frame(cutOut.id)).wrap.mode !== 'outline'; i++) {
      await desk.press('Alt', 'w');
      await desk.stored();
    }
    // A sentence of the story is quoted.
    await choose(body.id);
    await desk.press('q');
    await page.waitForSelector('[data-sentence]');
    for (let i = 0; i < 3; i++) await desk.press('ArrowDown');
    await desk.press('Enter');
    await page.waitForSelector('aside[aria-label=Detail] h2 ::-p-text(Pull quote)');
    await desk.stored();
    // The box-out with its table, and a chart.
    await markOut([5, 6], [28, 40], 'o');
    await page.waitForSelector('form input[name=words]');
    await page.keyboard.type('The length of a tail');
    await desk.press('Enter');
    await page.waitForSelector('[data-brackets]');
    await desk.press('Enter');
    await desk.until('it is written in', () => document.body.textContent.includes('Writing in'));
    await desk.press('Control', 'End');
    await desk.press('Alt', 't');
    await fillTable(own);
    await desk.press('Escape');
    await markOut([5, 6], [42, 52], 'c');
    await fillChart(own);
    await desk.stored();
    // Furniture of the house, and a row of portraits.
    await nothing();
    await own.open('Furniture');
    await page.focus('[data-furniture="fact-file"]');
    await desk.press('Enter');
    await page.waitForSelector('[data-brackets]');
    await desk.stored();
    await take('Pictures', '[data-picture="orrin-profile"]');
    await own.type({ Width: '28 mm', Height: '34 mm', 'From left': '20 mm' });
    await own.open('Repeat');
    await own.type({ Across: '3', 'Gap across': '8 mm' });
    await page.focus('section[aria-label="Repeat"] button.btn');
    await desk.press('Enter');
    await desk.stored();
    await own.expectMade();
    await page.close();
  }, 240_000);
});
