import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import type { FrameRecord, MasterRecord, PageRecord, TextRecord } from '@/core/records/index';
import { openServer, query, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { until } from '../support/desk';

/** What somebody does who has never seen it: two publications from blank pages, and the first issue of each. */

const databaseUrl = inject('databaseUrl');
let server: Server;
let browser: Browser;
let page: Page;
const problems: string[] = [];

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium();
  page = await browser.newPage();
  page.on('pageerror', (error) => problems.push(String(error)));
});

afterAll(async () => {
  await browser?.close();
  await server?.stop();
});

const press = async (selector: string) => (await page.waitForSelector(selector))!.click();
const stored = () => until(page, 'it is stored', () => document.querySelector('[data-state=stored]') !== null);
const onDesk = () => page.waitForSelector('.desk[data-ready=true]');

async function fill(label: string, value: string): Promise<void> {
  const field = (await page.waitForSelector(`::-p-aria([name="${label}"][role="textbox"])`))!;
  await field.click({ count: 3 });
  await page.keyboard.type(value);
  await page.keyboard.press('Enter');
}

async function records<T>(document: string, kind: string): Promise<T[]> {
  const rows = await query<{ body: T }>(databaseUrl, 'select body from record where document_id = $1 and kind = $2', [
    document,
    kind,
  ]);
  return rows.map(({ body }) => body);
}

/** Drags over the desk's grid, in shares of the spread's paper. */
async function markOut(from: readonly [number, number], to: readonly [number, number]): Promise<void> {
  const paper = await page.$eval('[data-paper]', (element) => {
    const { x, y, width, height } = element.getBoundingClientRect();
    return { x, y, width, height };
  });
  const at = ([x, y]: readonly [number, number]) => [paper.x + x * paper.width, paper.y + y * paper.height] as const;
  await page.mouse.move(...at(from));
  await page.mouse.down();
  await page.mouse.move(...at(to), { steps: 8 });
  await page.mouse.up();
  await page.waitForSelector('[role=menu]');
}

const TRIALS = [
  // In shares of the spread: from the first column of the right page to the last that the flow area takes.
  { kind: 'Newsletter', name: 'The Slipway', columns: 4, pages: 8, flow: [0.55, 0.9], span: 4, count: 8 },
  { kind: 'Magazine', name: 'Fathom', columns: 5, pages: 12, flow: [0.55, 0.755], span: 3, count: 12 },
] as const;

describe.each(TRIALS)('$name, from blank pages', ({ kind, name, columns, pages, flow, span, count }) => {
  let house: string;

  it('is put on the shelf and gets its grid', async () => {
    await page.goto(server.origin, { waitUntil: 'domcontentloaded' });
    await press('::-p-aria([name="New publication"][role="button"])');
    const field = (await page.waitForSelector('[role=dialog] ::-p-aria([name="Name"])'))!;
    await field.type(name);
    await press(`[role=dialog] ::-p-aria([name="${kind}"][role="radio"])`);
    await press('[role=dialog] ::-p-aria([name="Blank pages"][role="radio"])');
    await press('[role=dialog] button[type=submit]');
    await until(page, 'its grid is in sight', () => location.pathname.endsWith('/grid'));
    house = page.url().split('/').at(-2)!;
    await until(page, 'the specimen is set', () => document.querySelectorAll('[data-chunk] text').length > 200);
    await fill('Columns', String(columns));
    await stored();
    expect((await records<MasterRecord>(house, 'master')).find(({ id }) => id === 'text')!.columns).toBe(columns);
  });

  it('gets folios, a running head and a flow area on its master', async () => {
    await press('nav ::-p-text(Masters)');
    await onDesk();
    // A blank house has two masters; the one that the grid was set for is called Text.
    await until(page, 'a master lies on the desk', () => document.querySelector('[aria-label="Master"] input') !== null);
    while ((await page.$eval('[aria-label="Master"] input', (input) => (input as HTMLInputElement).value)) !== 'Text') {
      await page.keyboard.press(']');
      await until(
        page,
        'the next master lies there',
        () => (document.querySelector('[aria-label="Master"] input') as HTMLInputElement)?.value === 'Text',
      );
    }
    await press('::-p-aria([name="Add folios"])');
    await press('::-p-aria([name="Add a running head"])');
    await until(page, 'all four stand there', () => document.querySelectorAll('[data-frame]').length === 4);
    for (const side of [0, 0.5]) {
      // The left page is the mirror of the right one.
      const [from, to] = side === 0 ? [1 - flow[1], 1 - flow[0]] : flow;
      await page.keyboard.press('Escape');
      await markOut([from, 0.2], [to, 0.86]);
      await page.keyboard.press('f');
      await until(
        page,
        'the flow area lies there',
        (n: number) => document.querySelectorAll('[data-frame]').length === n,
        side === 0 ? 5 : 6,
      );
    }
    await stored();
    const frames = (await records<FrameRecord>(house, 'frame')).filter(({ content }) => content.type === 'slot');
    expect(frames.map(({ side }) => side).sort()).toEqual(['left', 'right']);
    const widths = frames.map(({ box }) => Math.round(box.w));
    expect(widths[0]).toBe(widths[1]);
    const master = (await records<MasterRecord>(house, 'master')).find(({ id }) => id === 'text')!;
    const { width } = (await records<{ width: number }>(house, 'format'))[0]!;
    const area = width - master.margins.inner - master.margins.outer;
    const column = (area - (columns - 1) * master.gutter) / columns;
    expect(widths[0]).toBe(Math.round(span * column + (span - 1) * master.gutter));
    const fields = (await records<TextRecord>(house, 'text')).flatMap(
      ({ body }) => JSON.stringify(body).match(/"name":"\w+"/g) ?? [],
    );
    expect(fields.sort()).toEqual([
      '"name":"folio"',
      '"name":"folio"',
      '"name":"number"',
      '"name":"publication"',
      '"name":"season"',
    ]);
  });

  it('gets a recurring page with a slot', async () => {
    await press('nav ::-p-text(Recurring pages)');
    await press('::-p-aria([name="Add the first page"])');
    await onDesk();
    await fill('Page', 'From the editor');
    await stored();
    await page.select('[aria-label="Recurring page"] select', 'front');
    await markOut([0.2, 0.3], [0.5, 0.6]);
    await page.keyboard.press('s');
    await page.waitForSelector('::-p-aria([name="For text t"])');
    await page.keyboard.press('t');
    await until(page, 'the slot says what fits', () => /\d words/.test(document.querySelector('[data-slot]')?.textContent ?? ''));
    await stored();
    expect(await records<PageRecord>(house, 'page')).toMatchObject([{ name: 'From the editor', recurs: 'front' }]);
  });

  it('starts its first issue with all of that', async () => {
    await page.goto(server.origin, { waitUntil: 'domcontentloaded' });
    await press(`section[aria-label="${name}"] ::-p-text(Start the first issue)`);
    // The cover date is taken as it is proposed. Enter, with which the number of pages is typed, sends the form.
    await fill('Pages', String(pages));
    await until(page, 'the plan is in sight', () => location.pathname.endsWith('/plan'));
    await until(page, 'every page is drawn', (n: number) => document.querySelectorAll('[data-drawn=true]').length === n, count);
    const issue = page.url().split('/').at(-2)!;
    const made = await records<PageRecord>(issue, 'page');
    expect(made).toHaveLength(count);
    expect(made.filter((each) => each.name === 'From the editor')).toHaveLength(1);
    await until(page, 'pages say what fits', () =>
      document.querySelectorAll('[data-flatplan]')[0]!.textContent!.includes('words'),
    );
    expect(problems).toEqual([]);
  });
});
