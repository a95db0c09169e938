import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import type { FormatRecord, FrameRecord, PageRecord, SectionRecord, StoryRecord } from '@/core/records/index';
import { openServer, query, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { copyDocument, copyHouse, until } from '../support/desk';

/** The flatplan, with real mouse and keyboard on the real application: a copy of the demo's newspaper. */

const databaseUrl = inject('databaseUrl');
let server: Server;
let browser: Browser;
let page: Page;
let issue: string;
const problems: string[] = [];

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium();
  issue = await copyDocument(databaseUrl, 'packet-1206');
  page = await browser.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  page.on('pageerror', (error) => problems.push(String(error)));
  await page.goto(`${server.origin}/issues/${issue}/plan`, { waitUntil: 'domcontentloaded' });
  await until(page, 'pages are drawn', () => document.querySelectorAll('[data-drawn=true]').length >= 10);
});

afterAll(async () => {
  await browser?.close();
  await server?.stop();
});

const press = async (selector: string) => (await page.waitForSelector(selector))!.click();
const stored = () => until(page, 'it is stored', () => document.querySelector('[data-state=stored]') !== null);

async function records<T>(kind: string, of = issue): Promise<T[]> {
  await stored();
  const rows = await query<{ body: T }>(databaseUrl, 'select body from record where document_id = $1 and kind = $2', [of, kind]);
  return rows.map(({ body }) => body);
}

/** Ids of the pages, in the order in which they are seen. */
const order = () => page.$$eval('[data-plan-page]', (pages) => pages.map((each) => each.getAttribute('data-plan-page')!));
const pageAt = async (number: number) => `[data-plan-page="${(await order())[number - 1]}"]`;

async function middle(selector: string, x = 0.5, y = 0.5): Promise<{ x: number; y: number }> {
  const handle = (await page.waitForSelector(selector))!;
  await handle.scrollIntoView();
  const box = (await handle.boundingBox())!;
  return { x: box.x + box.width * x, y: box.y + box.height * y };
}

async function drag(from: string, to: string, x = 0.5, y = 0.5): Promise<void> {
  const a = await middle(from);
  const b = await middle(to, x, y);
  await page.mouse.move(a.x, a.y);
  await page.mouse.down();
  await page.mouse.move(b.x, b.y, { steps: 8 });
  await page.mouse.up();
}

async function undo(): Promise<void> {
  const before = await changes();
  await page.keyboard.down('Control');
  await page.keyboard.press('z');
  await page.keyboard.up('Control');
  await stored();
  expect(await changes()).toBe(before + 1);
}
const changes = async () => {
  await stored();
  return (await query(databaseUrl, 'select seq from change where document_id = $1', [issue])).length;
};

describe('the flatplan', () => {
  it('shows true small pages: the nameplate black on the front, grey where text is, white where nothing is yet', async () => {
    /** Share of pixels whose inks add up to less, in a band of a page, from and to in shares of its height; without its sides. */
    const dark = async (number: number, from: number, to: number, sides = 0, darker = 540) =>
      page.$eval(
        `${await pageAt(number)} canvas`,
        (element, a, b, c, below) => {
          const canvas = element as HTMLCanvasElement;
          const { width, height } = canvas;
          const { data } = canvas
            .getContext('2d')!
            .getImageData(
              Math.round(c * width),
              Math.round(a * height),
              Math.round((1 - 2 * c) * width),
              Math.round((b - a) * height),
            );
          let count = 0;
          for (let i = 0; i < data.length; i += 4) if (data[i]! + data[i + 1]! + data[i + 2]! < below) count++;
          return count / (data.length / 4);
        },
        from,
        to,
        sides,
        darker,
      );
    // The newspaper's name stands within its upper tenth, in heavy type; below it come text and slots.
    expect(await dark(1, 0.04, 0.12)).toBeGreaterThan(0.12);
    expect(await dark(1, 0.5, 0.7, 0, 740)).toBeGreaterThan(0.2);
    expect(await dark(6, 0.3, 0.7, 0.2, 740)).toBe(0);
  });
});

describe('assigning', () => {
  it('fills the slots of a page with a story that is dragged there', async () => {
    const story = (await records<StoryRecord>('story')).find(({ name }) => name === 'Results and fixtures')!;
    await drag(`[data-to-place="${story.id}"]`, await pageAt(4), 0.3, 0.3);
    await until(
      page,
      'it is on its page',
      () =>
        !document.body.textContent!.includes('Results and fixtures') ||
        document.querySelector('[aria-label*="Results and fixtures"]') !== null,
    );
    const body = (await records<FrameRecord>('frame')).filter(
      ({ content }) => content.type === 'text' && content.text === story.parts.body,
    );
    expect(body).toHaveLength(1);
    expect(body[0]!.on).toBe((await order())[3]);
    await until(
      page,
      'the list is shorter',
      (id: string) => document.querySelector(`[data-to-place="${id}"]`) === null,
      story.id,
    );
    await undo();
    await until(page, 'it waits again', (id: string) => document.querySelector(`[data-to-place="${id}"]`) !== null, story.id);
  });

  it('pours a story into the flow area of a page, from the keyboard', async () => {
    const story = (await records<StoryRecord>('story')).find(({ name }) => name === 'The lamp at Gannet Head')!;
    await (await page.waitForSelector(await pageAt(6)))!.click();
    await page.focus(`[data-to-place="${story.id}"]`);
    await page.keyboard.press('Enter');
    await until(page, 'it is on its page', (id: string) => document.querySelector(`[data-to-place="${id}"]`) === null, story.id);
    const body = (await records<FrameRecord>('frame')).find(
      ({ content }) => content.type === 'text' && content.text === story.parts.body,
    )!;
    expect(body.on).toBe((await order())[5]);
    expect(body.of).toMatch(/^flow-/);
  });

  it('gives an advertisement its size where it is dropped, and refuses it where there is no room', async () => {
    await press('::-p-aria([role="tab"][name="Advertisements 3"])');
    const [half] = await page.$$eval('[data-to-place]', (items) =>
      items.filter((item) => item.textContent!.includes('vertical')).map((item) => item.getAttribute('data-to-place')!),
    );
    await drag(`[data-to-place="${half}"]`, await pageAt(7), 0.2, 0.5);
    await until(page, 'it has its place', (id: string) => document.querySelector(`[data-to-place="${id}"]`) === null, half);
    const placed = (await records<FrameRecord>('frame')).find(
      ({ content }) => content.type === 'advertisement' && content.advertisement === half,
    )!;
    expect(placed.on).toBe((await order())[6]);
    expect(placed.box.h / placed.box.w).toBeGreaterThan(1.5);
    const [quarter] = await page.$$eval('[data-to-place]', (items) =>
      items.filter((item) => item.textContent!.includes('Quarter')).map((item) => item.getAttribute('data-to-place')!),
    );
    const before = await changes();
    await drag(`[data-to-place="${quarter}"]`, await pageAt(1));
    await until(page, 'it is refused', () => /Page 1 has no free room for quarter page/.test(document.body.textContent!));
    expect(await changes()).toBe(before);
  });
});

describe('pages', () => {
  it('move by hand and by keys, one change each, and back', async () => {
    const before = await order();
    const first = await middle(await pageAt(4));
    const to = await middle(await pageAt(2), 0.2);
    await page.mouse.move(first.x, first.y);
    await page.mouse.down();
    await page.mouse.move(to.x, to.y, { steps: 8 });
    await page.waitForSelector('[data-drop-before]');
    await page.mouse.up();
    await until(
      page,
      'it has moved',
      (id: string) => document.querySelectorAll('[data-plan-page]')[1]!.getAttribute('data-plan-page') === id,
      before[3],
    );
    await undo();
    expect(await order()).toEqual(before);
    await page.focus(await pageAt(4));
    await page.keyboard.down('Alt');
    await page.keyboard.press('ArrowRight');
    await page.keyboard.up('Alt');
    await until(
      page,
      'it has moved',
      (id: string) => document.querySelectorAll('[data-plan-page]')[4]!.getAttribute('data-plan-page') === id,
      before[3],
    );
    await undo();
  });

  it('are chosen in a stretch, and take another master together', async () => {
    await (await page.waitForSelector(await pageAt(10)))!.click();
    await page.keyboard.down('Shift');
    await (await page.waitForSelector(await pageAt(13)))!.click();
    await page.keyboard.up('Shift');
    await until(page, 'four are chosen', () => document.querySelectorAll('[data-plan-page][aria-pressed=true]').length === 4);
    const before = await changes();
    await page.select('[aria-label="Chosen pages"] select', 'plain');
    const ids = (await order()).slice(9, 13);
    const masters = (await records<PageRecord>('page')).filter(({ id }) => ids.includes(id)).map(({ master }) => master);
    expect(masters).toEqual(['plain', 'plain', 'plain', 'plain']);
    expect(await changes()).toBe(before + 1);
    await undo();
  });

  it('are removed with a word about their stories, whose text stays', async () => {
    await (await page.waitForSelector(await pageAt(6)))!.click();
    await press('[aria-label="Chosen pages"] ::-p-text(Remove)');
    await until(page, 'it is said', () => /“The lamp at Gannet Head” keeps its text/.test(document.body.textContent!));
    await until(
      page,
      'the count is told',
      () => document.querySelector('[data-page-count]')!.textContent === '15, 1 short of 16',
    );
    const story = (await records<StoryRecord>('story')).find(({ name }) => name === 'The lamp at Gannet Head')!;
    expect((await records<{ id: string }>('text')).some(({ id }) => id === story.parts.body)).toBe(true);
    // One press mends the count, before the back cover.
    const last = (await order()).at(-1);
    await press('::-p-text(Add 1 before the back cover)');
    await until(page, 'there are sixteen', () => document.querySelector('[data-page-count]')!.textContent === '16');
    expect((await order()).at(-1)).toBe(last);
    await undo();
    await undo();
  });

  it('begin sections with folios of their own', async () => {
    await (await page.waitForSelector(await pageAt(15)))!.click();
    const folios = (await page.waitForSelector('[aria-label="Section"] select'))!;
    await folios.select('A');
    await until(page, 'the folio is a letter', () =>
      /Page A,/.test([...document.querySelectorAll('[data-plan-page]')].map((each) => each.getAttribute('aria-label')).join(';')),
    );
    const section = (await records<SectionRecord>('section')).find(({ name }) => name === 'Sport')!;
    expect(section.folios).toEqual({ style: 'A', prefix: '', start: 1 });
    await undo();
  });

  it('put in a recurring page of the house', async () => {
    await (await page.waitForSelector(await pageAt(12)))!.click();
    const count = (await order()).length;
    const select = (await page.waitForSelector('[aria-label="Chosen pages"] ::-p-aria([name="New pages"])'))!;
    await select.evaluate((element) => element.scrollIntoView());
    const value = await select.evaluate(
      (element) => [...(element as unknown as HTMLSelectElement).options].find(({ text }) => text.startsWith('News'))!.value,
    );
    await select.select(value);
    await press('[aria-label="Chosen pages"] ::-p-text(Add after)');
    await until(page, 'there is one more', (n: number) => document.querySelectorAll('[data-plan-page]').length === n, count + 1);
    expect((await records<PageRecord>('page')).filter(({ name }) => name === 'News')).toHaveLength(2);
    await undo();
  });
});

describe('below the flatplan', () => {
  it('shows the balance, and signatures that follow the binding', async () => {
    await page.waitForSelector('[data-chart] svg');
    expect(await page.$eval('[data-balance]', (line) => line.textContent)).toMatch(
      /Text \d+ %Pictures \d+ %Advertisements \d+ %/,
    );
    await page.select('[aria-label="Signatures"] select', '8');
    await press('::-p-aria([name="Bound"][role="radio"])');
    await until(page, 'it is said', () => /2 of 8, bound/.test(document.body.textContent!));
    expect((await records<FormatRecord>('format'))[0]!.binding).toEqual({ kind: 'bound', signature: 8 });
    await press('[aria-label="Signatures"] ::-p-text(Sheets)');
    const first = await page.$eval('section[aria-label="Signature B"]', (section) => section.textContent);
    // By hand: bound, the second eight has 16 and 9 outside on its first leaf, 10 and 15 inside.
    expect(first).toContain('8 pages1691015');
    await page.keyboard.press('Escape');
  });
});

describe('changes of the house', () => {
  it('are offered to the issue, and taken or left one by one', async () => {
    const house = await copyHouse(databaseUrl);
    const [publication] = await query<{ publication_id: string }>(
      databaseUrl,
      'select publication_id from document where id = $1',
      [house],
    );
    const own = await copyDocument(databaseUrl, 'longspar-14', publication!.publication_id);
    const type = await browser.newPage();
    await type.goto(`${server.origin}/houses/${house}/type`, { waitUntil: 'domcontentloaded' });
    const size = (await type.waitForSelector('aside ::-p-aria([name="Size"])'))!;
    await size.click({ count: 3 });
    await type.keyboard.type('10');
    await type.keyboard.press('Enter');
    // Before it reaches those based on it, they are named; a tie is cut.
    await type.waitForSelector('[role=alertdialog]');
    expect(await type.$eval('[role=alertdialog]', (dialog) => dialog.textContent)).toContain('Body, first');
    await (await type.waitForSelector('[role=alertdialog] ::-p-text(Quotation)'))!.click();
    await (await type.waitForSelector('[role=alertdialog] ::-p-text(Change, and detach one style)'))!.click();
    await until(type, 'it is stored', () => document.querySelector('[data-state=stored]') !== null);
    await until(type, 'the sheet shows it', () =>
      /10 on 12.5 pt/.test(document.querySelector('[data-specimen=body]')?.textContent ?? ''),
    );
    const quotation = (await type.waitForSelector('[data-specimen=quotation]'))!;
    expect(await quotation.evaluate((row) => row.textContent)).toContain('9.3 on 12.5 pt');
    await type.goto(`${server.origin}/issues/${own}/plan`, { waitUntil: 'domcontentloaded' });
    await (await type.waitForSelector('::-p-text(The house has 2 changes)'))!.click();
    expect(await type.$eval('[data-offer=body]', (row) => row.textContent)).toContain('Size 9.3 pt → 10 pt');
    await (await type.waitForSelector('[data-offer=body] ::-p-text(Take)'))!.click();
    await until(type, 'it is settled', () => document.querySelector('[data-offer=body]') === null);
    await (await type.waitForSelector('[data-offer=quotation] ::-p-text(Leave)'))!.click();
    await until(type, 'nothing is offered', () => document.querySelector('[data-offer]') === null);
    await until(type, 'it is stored', () => document.querySelector('[data-state=stored]') !== null);
    const styles = await records<{ id: string; basedOn?: string; properties: { size?: number } }>('paragraphStyle', own);
    expect(styles.find(({ id }) => id === 'body')!.properties.size).toBe(10);
    expect(styles.find(({ id }) => id === 'quotation')!.basedOn).toBe('body');
    await type.close();
    expect(problems).toEqual([]);
  });
});
