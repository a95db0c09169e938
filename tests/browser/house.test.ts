import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { mm } from '@/core/length/length';
import type { FormatRecord, ParagraphStyleRecord, FrameRecord, MasterRecord } from '@/core/records/index';
import { openServer, query, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { copyHouse, until } from '../support/desk';

/** The design of a publication, set up with real mouse and keyboard on the real application. */

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
  await page.goto(`${server.origin}/houses/${house}/grid`, { waitUntil: 'domcontentloaded' });
  await until(page, 'the specimen is set', () => document.querySelectorAll('[data-chunk] text').length > 500);
});

afterAll(async () => {
  await browser?.close();
  await server?.stop();
});

const stored = () => until(page, 'it is stored', () => document.querySelector('[data-state=stored]') !== null);

async function record<T>(id: string): Promise<T> {
  await stored();
  const rows = await query<{ body: T }>(databaseUrl, 'select body from record where document_id = $1 and id = $2', [house, id]);
  return rows[0]!.body;
}
const format = () => record<FormatRecord>('format');
const master = () => record<MasterRecord>('feature');

async function fill(label: string, value: string): Promise<void> {
  const field = (await page.waitForSelector(`aside ::-p-aria([name="${label}"])`))!;
  await field.click({ count: 3 });
  await page.keyboard.type(value);
  await page.keyboard.press('Enter');
}
const press = async (words: string) => (await page.waitForSelector(`aside ::-p-text(${words})`))!.click();
const figure = (name: string) =>
  page.$eval(
    'dl[aria-label="Figures of the specimen"]',
    (list, term) => [...list.querySelectorAll('dt')].find((each) => each.textContent === term)!.nextElementSibling!.textContent!,
    name,
  );
const changes = async () => (await query(databaseUrl, 'select seq from change where document_id = $1', [house])).length;

describe('format and grid', () => {
  it('shows a spread in real text with its figures', async () => {
    expect(await figure('Type area')).toBe('52 lines');
    expect(await figure('Text')).toContain('3 columns');
    expect(Number(await figure('Characters a line'))).toBeGreaterThan(30);
    expect(await page.$$eval('[data-guide=column]', (bands) => bands.length)).toBe(12);
  });

  it('takes sizes by name, by length and arithmetic, and by proportion', async () => {
    await page.select('aside select', 'A4');
    expect(await format()).toMatchObject({ width: expect.closeTo(mm(210), 3), height: expect.closeTo(mm(297), 3) });
    await fill('Page width', '420/2 + 10mm');
    expect((await format()).width).toBeCloseTo(mm(220), 2);
    await press('3:4');
    expect((await format()).height).toBeCloseTo(mm(220) / 0.75, 2);
    await press('Landscape');
    expect((await format()).width).toBeCloseTo(mm(220) / 0.75, 2);
    await press('Portrait');
    expect((await format()).width).toBeCloseTo(mm(220), 2);
  });

  it('refits what lies on the grid of its masters', async () => {
    const folios = async () =>
      (
        await query<{ body: FrameRecord }>(
          databaseUrl,
          "select body from record where document_id = $1 and kind = 'frame' and body ->> 'on' = 'feature'",
          [house],
        )
      ).map(({ body }) => body);
    const before = await folios();
    await fill('Outer margin', '30 mm');
    expect((await master()).margins.outer).toBeCloseTo(mm(30), 2);
    const moved = (await folios()).filter((frame) => {
      const old = before.find(({ id }) => id === frame.id)!;
      return Math.abs(old.box.x - frame.box.x) > 1 || Math.abs(old.box.w - frame.box.w) > 1;
    });
    expect(moved.length).toBeGreaterThan(0);
  });

  it('takes any number of columns, and says at the field what cannot be', async () => {
    await fill('Columns', '5');
    expect((await master()).columns).toBe(5);
    await until(page, 'five bands a page are drawn', () => document.querySelectorAll('[data-guide=column]').length === 10);
    const before = await changes();
    for (const [label, value, sentence] of [
      ['Columns', '400', 'whole number from 1 to 40'],
      ['Columns', '0', 'whole number from 1 to 40'],
      ['Gutter', '60 mm', 'wider than a column'],
      ['Inner margin', '200 mm', 'no type area'],
      ['Bleed', '-3', 'Bleed: from 0 to'],
      ['Page width', '1 mm', 'Page width: from 12.7 to'],
      ['Page height', '5000 mm', 'Page height: from 12.7 to'],
      ['Top margin', 'a lot', '“a lot”'],
    ] as const) {
      await fill(label, value);
      await until(
        page,
        `“${sentence}” stands at its field`,
        (words: string) => [...document.querySelectorAll('aside [role=alert]')].some((each) => each.textContent!.includes(words)),
        sentence,
      );
      await page.keyboard.press('Escape');
    }
    expect(await changes()).toBe(before);
  });

  it('has its bands dragged, and left pages mirror them', async () => {
    const gutter = (await page.waitForSelector('[data-gutter="right-0"]'))!;
    const { x, y, width, height } = (await gutter.boundingBox())!;
    await page.mouse.move(x + width / 2, y + height / 2);
    await page.mouse.down();
    await page.mouse.move(x + width / 2 + 20, y + height / 2, { steps: 5 });
    await page.mouse.up();
    const { widths } = await master();
    expect(widths).toHaveLength(5);
    expect(widths![0]).toBeGreaterThan(widths![1]! + 20);
    const bands = await page.$$eval('[data-guide=column]', (list) => list.map((band) => Number(band.getAttribute('width'))));
    expect(bands[4]).toBeCloseTo(bands[5]!, 3);
    expect(bands[5]).toBeGreaterThan(bands[6]!);
    await page.$eval('[data-gutter="left-3"]', (element) => (element as SVGElement).focus());
    await page.keyboard.press('ArrowRight');
    expect((await master()).widths![0]).toBeCloseTo(widths![0]! - 1, 2);
    await press('Make columns equal');
    expect((await master()).widths).toBeUndefined();
  });

  it('makes the type area whole lines, and takes the step from the body', async () => {
    await fill('Baseline increment', '14 pt');
    expect((await format()).baseline.step).toBe(14);
    await press('Make whole lines');
    await until(page, 'it is whole', () =>
      [...document.querySelectorAll('aside p')].some((each) => each.textContent!.includes('whole lines')),
    );
    await press('from the body');
    expect((await format()).baseline.step).toBe(12.5);
    const { margins } = await master();
    const lines = ((await format()).height - margins.top - margins.bottom) / 12.5;
    expect(lines).toBeCloseTo(Math.round(lines), 3);
  });

  it('draws modules and guides', async () => {
    await press('Module rows');
    await until(page, 'four rows a page are drawn', () => document.querySelectorAll('[data-guide=row]').length === 8);
    await fill('Rows', '6');
    await until(page, 'six rows a page are drawn', () => document.querySelectorAll('[data-guide=row]').length === 12);
    await (await page.waitForSelector('aside section[aria-label=Guides] h3 button'))!.click();
    await press('Thirds');
    await until(page, 'two guides a page are drawn', () => document.querySelectorAll('[data-guide=drawn]').length === 4);
    const field = (await page.waitForSelector('aside section[aria-label=Guides] input:not([type=radio])'))!;
    await field.click();
    await page.keyboard.type('25 %');
    await page.keyboard.press('Enter');
    await until(page, 'a third is drawn', () => document.querySelectorAll('[data-guide=drawn]').length === 6);
    expect((await master()).guides).toHaveLength(3);
    await field.click();
    await page.keyboard.type('120 %');
    await page.keyboard.press('Enter');
    await until(page, 'a sentence says why not', () =>
      document.querySelector('aside section[aria-label=Guides] [role=alert]')?.textContent?.includes('between 0 and 100'),
    );
    expect((await master()).guides).toHaveLength(3);
  });

  it('is undone step by step, also after a reload', async () => {
    await page.reload({ waitUntil: 'domcontentloaded' });
    await page.waitForSelector('[aria-label^="Undo"]');
    for (let i = 0; i < 60; i++) {
      await stored();
      const button = await page.$('[aria-label^="Undo: "]');
      if (!button) break;
      await button.click();
    }
    const rows = await query<{ same: boolean }>(
      databaseUrl,
      `select bool_and(a.body = b.body) as same from record a join record b on a.id = b.id
        where a.document_id = $1 and b.document_id = 'longspar-house'`,
      [house],
    );
    expect(rows[0]!.same).toBe(true);
  });
});

describe('details', () => {
  it('are said once, kept, and undone', async () => {
    await (await page.waitForSelector('nav ::-p-text(Details)'))!.click();
    const field = (await page.waitForSelector('main ::-p-aria([name="Price"])'))!;
    expect(await field.evaluate((element) => (element as HTMLTextAreaElement).value)).toBe('£7.50');
    await field.click({ count: 3 });
    await page.keyboard.type('£8');
    await page.keyboard.press('Tab');
    await until(page, 'it is being stored', () => document.querySelector('[aria-label^="Undo: Change the price"]') !== null);
    expect(await record<{ price: string }>('details')).toMatchObject({ price: '£8' });
    await page.click('[aria-label^="Undo: "]');
    await until(page, 'it is as it was', () => [...document.querySelectorAll('textarea')].some((each) => each.value === '£7.50'));
    expect(await record<{ price: string }>('details')).toMatchObject({ price: '£7.50' });
  });
});

describe('colour', () => {
  it('recolours by palettes at once, keeps one of its own, and does not lose what is used', async () => {
    await (await page.waitForSelector('nav ::-p-text(Colour)'))!.click();
    await page.waitForSelector('[data-swatch=accent1]');
    await page.click('[aria-label="Use Heather"]');
    expect(await record<{ cmyk: number[] }>('accent1')).toMatchObject({ cmyk: [0.35, 0.82, 0.1, 0.12] });
    const magenta = (await page.waitForSelector('[data-swatch=accent1] ::-p-aria([name="Magenta"])'))!;
    await magenta.click({ count: 3 });
    await page.keyboard.type('60');
    await page.keyboard.press('Enter');
    expect(await record<{ cmyk: number[] }>('accent1')).toMatchObject({ cmyk: [0.35, 0.6, 0.1, 0.12] });
    await magenta.click({ count: 3 });
    await page.keyboard.type('160');
    await page.keyboard.press('Enter');
    await until(page, 'the limits stand at the field', () =>
      document.querySelector('[data-swatch=accent1] [role=alert]')?.textContent?.includes('from 0 to 100'),
    );
    await page.keyboard.press('Escape');
    await page.click('input[placeholder="Name"]');
    await page.keyboard.type('Late heather');
    await page.keyboard.press('Enter');
    await until(page, 'it is in use', () =>
      [...document.querySelectorAll('section[aria-label=Palettes] li')].some(
        (each) => each.textContent!.includes('Late heather') && each.textContent!.includes('in use'),
      ),
    );
    await page.click('[aria-label="Remove Accent 1"]');
    await until(page, 'it says why not', () =>
      [...document.querySelectorAll('[role=alert]')].some((each) =>
        each.textContent!.includes('every palette has a colour for it'),
      ),
    );
  });
});

describe('type', () => {
  it('says of styles that came in based on one another in a circle what is wrong, and mends it', async () => {
    const broken = await copyHouse(databaseUrl);
    await query(
      databaseUrl,
      `update record set body = jsonb_set(body, '{basedOn}', to_jsonb((select r.id from record r
         where r.document_id = $1 and r.kind = 'paragraphStyle' and r.body ->> 'basedOn' = 'body' order by r.id limit 1)))
        where document_id = $1 and id = 'body'`,
      [broken],
    );
    await page.goto(`${server.origin}/houses/${broken}/type`, { waitUntil: 'domcontentloaded' });
    // The sheet opens all the same, and the body is what is chosen first.
    await until(
      page,
      'specimens and the circle are in sight',
      () =>
        document.querySelectorAll('[data-specimen] text').length > 5 &&
        document.querySelector('aside [role=alert]')?.textContent?.includes('in a circle'),
    );
    await page.select('aside[aria-label=Style] select', '');
    await until(page, 'the circle is gone', () => !document.querySelector('aside [role=alert]'));
    await stored();
    const rows = await query<{ base: string | null }>(
      databaseUrl,
      "select body ->> 'basedOn' as base from record where document_id = $1 and id = 'body'",
      [broken],
    );
    expect(rows[0]!.base).toBeNull();
  });

  it('has a field for everything a style says: dragged, reckoned and refused in its limits, each one change', async () => {
    const own = await copyHouse(databaseUrl);
    const byline = async () => {
      await stored();
      const rows = await query<{ body: ParagraphStyleRecord }>(
        databaseUrl,
        "select body from record where document_id = $1 and id = 'byline'",
        [own],
      );
      return rows[0]!.body.properties;
    };
    const done = async () => (await query(databaseUrl, 'select seq from change where document_id = $1', [own])).length;
    await page.goto(`${server.origin}/houses/${own}/type`, { waitUntil: 'domcontentloaded' });
    await until(page, 'the byline is in sight', () => document.querySelector('[data-specimen=byline] text') !== null);
    await page.click('[data-specimen=byline] button');
    const before = await byline();
    const label = (await page.waitForSelector('aside section[aria-label=Letters] ::-p-xpath(.//label[.="Size"])'))!;
    const box = (await label.boundingBox())!;
    await page.mouse.move(box.x + 5, box.y + 5);
    await page.mouse.down();
    await page.mouse.move(box.x + 45, box.y + 5, { steps: 8 });
    // The sheet shows what it would be while nothing is done yet.
    await until(
      page,
      'it is tried',
      (size: string) => document.querySelector('[data-specimen=byline]')!.textContent!.includes(`${size} on`),
      String(before.size! + 5),
    );
    expect(await done()).toBe(0);
    await page.mouse.up();
    expect((await byline()).size).toBe(before.size! + 5);
    expect(await done()).toBe(1);
    await fill('Tracking', '5*4');
    expect((await byline()).tracking).toBe(20);
    await fill('Tracking', '3000');
    await until(page, 'the limits stand at the field', () =>
      [...document.querySelectorAll('aside [role=alert]')].some((each) => each.textContent!.includes('from -500 to 2000')),
    );
    await page.keyboard.press('Escape');
    await page.click('aside section[aria-label="Beginning and end"] h3 button');
    await (await page.waitForSelector('aside ::-p-xpath(.//label[normalize-space()="Drop cap"])'))!.click();
    expect((await byline()).dropCap).toEqual({ lines: 3, letters: 1, gap: 2 });
    await fill('Lines', '2');
    expect((await byline()).dropCap).toEqual({ lines: 2, letters: 1, gap: 2 });
    await page.click('aside section[aria-label="Tabs and lists"] h3 button');
    await press('Add a tab');
    await fill('At', '2 cm');
    expect((await byline()).tabs).toEqual([{ at: expect.closeTo(mm(20), 3), align: 'left' }]);
    expect(await done()).toBe(6);
    // Undo and redo by key, wherever the focus is: in a field at rest, on a select, on nothing.
    const turned = async (how: 'z' | 'Z') => {
      await page.keyboard.down('Control');
      if (how === 'Z') await page.keyboard.down('Shift');
      await page.keyboard.press(how);
      await page.keyboard.up('Shift');
      await page.keyboard.up('Control');
    };
    await turned('z');
    await until(page, 'the tab is where it was put first', () =>
      [...document.querySelectorAll<HTMLInputElement>('aside input')].some((each) => each.value === '36 pt'),
    );
    await page.focus('aside section[aria-label="Tabs and lists"] select');
    await turned('z');
    await until(page, 'the tab is gone', () => !document.querySelector('[aria-label="Remove tab 1"]'));
    await page.focus('h1');
    await turned('Z');
    await until(page, 'the tab is back', () => document.querySelector('[aria-label="Remove tab 1"]') !== null);
    expect((await byline()).tabs).toEqual([{ at: 36, align: 'left' }]);
  });

  it('finds its commands by name and says why one cannot be done; single keys can be turned off', async () => {
    // A press beside everything takes the focus out of the fields.
    await page.mouse.click(700, 20);
    await page.keyboard.press('?');
    await page.waitForSelector('[role=dialog][aria-label=Shortcuts] input[type=checkbox]');
    await page.click('[role=dialog][aria-label=Shortcuts] input[type=checkbox]');
    await page.keyboard.press('Escape');
    await until(page, 'it is closed', () => !document.querySelector('[role=dialog]'));
    await page.keyboard.press('?');
    await page.keyboard.down('Control');
    await page.keyboard.press('k');
    await page.keyboard.up('Control');
    await until(
      page,
      'commands are listed, the shortcuts did not open',
      () => [...document.querySelectorAll('[role=dialog]')].map((each) => each.ariaLabel).join() === 'Find a command',
    );
    await page.keyboard.type('shortcuts');
    await page.keyboard.press('Enter');
    await page.waitForSelector('[role=dialog][aria-label=Shortcuts] input[type=checkbox]');
    await page.click('[role=dialog][aria-label=Shortcuts] input[type=checkbox]');
    await page.keyboard.press('Escape');
  });

  it('asks what takes the place of a style that is used, and one undo brings all of it back', async () => {
    const own = await copyHouse(databaseUrl);
    const naming = () =>
      query<{ n: number }>(
        databaseUrl,
        "select count(*)::int as n from reference where document_id = $1 and to_id = 'caption' and to_kind = 'paragraphStyle'",
        [own],
      );
    expect((await naming())[0]!.n).toBeGreaterThan(0);
    await page.goto(`${server.origin}/houses/${own}/type`, { waitUntil: 'domcontentloaded' });
    await until(page, 'the caption is in sight', () => document.querySelector('[data-specimen=caption] text') !== null);
    await page.click('[data-specimen=caption] button');
    await page.evaluate(() =>
      [...document.querySelectorAll('aside button')].find((each) => each.textContent === 'Remove')?.setAttribute('data-try', ''),
    );
    await page.click('[data-try]');
    await until(page, 'it asks', () => document.querySelector('[role=dialog][aria-label="Remove Caption"] select') !== null);
    await page.select('[role=dialog] select', 'standfirst');
    await page.keyboard.press('Tab');
    await page.keyboard.press('Tab');
    await page.keyboard.press('Enter');
    await until(page, 'it is gone', () => document.querySelector('[data-specimen=caption]') === null);
    await stored();
    expect((await naming())[0]!.n).toBe(0);
    await page.click('[aria-label^=Undo]');
    await until(page, 'it is back', () => document.querySelector('[data-specimen=caption]') !== null);
    await stored();
    expect((await naming())[0]!.n).toBeGreaterThan(0);
  });
});

it('nothing went wrong in the browser on the way', () => {
  expect(problems).toEqual([]);
});
