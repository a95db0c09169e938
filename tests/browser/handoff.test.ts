import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import type { AxeResults } from 'axe-core';
import JSZip from 'jszip';
import type { Browser, ElementHandle, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { openServer, openStandIns, query, type Server, type StandIns } from '../support/application';
import { openChromium } from '../support/chromium';
import { alive, copyIssue, Desk } from '../support/desk';
import { filed } from '../support/programs';

/** Handoff: each way out with its choices, by mouse and by keys; and the bundle that goes out and comes in again. */

const databaseUrl = inject('databaseUrl');
let standIns: StandIns;
let server: Server;
let browser: Browser;
let desk: Desk;
let page: Page;
let issue: string;

beforeAll(async () => {
  standIns = await openStandIns();
  server = await openServer(databaseUrl, undefined, { PRINT_SHOP_URL: standIns.press });
  browser = await openChromium();
  issue = await copyIssue(databaseUrl);
  desk = await Desk.open(browser, server.origin, databaseUrl, issue);
  page = desk.page;
  await page.setViewport({ width: 1280, height: 800 });
  await page.click('nav[aria-label="Places of the issue"] ::-p-text(Handoff)');
  await page.waitForSelector('section[aria-label="Print PDF"]');
});

afterAll(async () => {
  expect(desk?.problems ?? []).toEqual([]);
  await browser?.close();
  await server?.stop();
  standIns?.stop();
});

const card = (name: string) => `section[aria-label="${name}"]`;

const inCard = async (name: string, words: string) => (await page.waitForSelector(`${card(name)} ::-p-text(${words})`))!;

/** What was made last, once it is made: text is over in the demo, so that it is held first, and made all the same. */
async function fileOf(way: string): Promise<Uint8Array> {
  const again = await page.waitForSelector('li[data-state=held] ::-p-text(Make it all the same)', { timeout: 90_000 });
  await again!.click();
  await page.waitForFunction(
    () => document.querySelector('ul[aria-label="Made earlier"] li')?.getAttribute('data-state') === 'done',
    {
      timeout: 150_000,
    },
  );
  const rows = await query<{ id: string; way: string }>(
    databaseUrl,
    `select id, options ->> 'way' as way from delivery where document_id = $1 and state = 'done' order by created_at desc limit 1`,
    [issue],
  );
  expect(rows[0]!.way).toBe(way);
  return new Uint8Array(await (await fetch(`${server.origin}/api/deliveries/${rows[0]!.id}/file`)).arrayBuffer());
}

describe('the place Handoff', () => {
  it('has a card for each way out, whose picture follows what is chosen', async () => {
    const names = await page.$$eval('main section h2', (list) => list.map((each) => each.textContent!.trim()));
    expect(names).toEqual([
      'Print PDF',
      'Imposed sheets',
      'Screen PDF',
      'Web edition',
      'EPUB',
      'Pictures of pages',
      'Stories',
      'Folder',
      'Bundle',
    ]);
    const pictures = () => page.$$eval(`${card('Print PDF')} img`, (list) => list.length);
    expect(await pictures()).toBe(1);
    await (await inCard('Print PDF', 'Spreads')).click();
    await desk.until('a spread is shown', (at: string) => document.querySelectorAll(`${at} img`).length === 2, card('Print PDF'));
    // Folds are marked where there are any.
    await inCard('Print PDF', 'Fold marks');
    await (await inCard('Print PDF', 'Single pages')).click();
    await desk.until('one page is shown', (at: string) => document.querySelectorAll(`${at} img`).length === 1, card('Print PDF'));
  });

  it('shows every sheet before it is made, by keys too', async () => {
    await (await inCard('Imposed sheets', 'See every sheet')).focus();
    await desk.press('Enter');
    await page.waitForSelector('[role=dialog] [role=img]');
    const sides = await page.$$eval('[role=dialog] [role=img]', (list) => list.map((each) => each.getAttribute('aria-label')));
    // Eight pages fill a signature of eight.
    expect(sides).toEqual(
      ['Sheet 1, front: 1, 8, 4 upside down, 5 upside down', 'Sheet 1, back: 2, 7, 3 upside down, 6 upside down'].map((side) =>
        expect.stringMatching(new RegExp(`^${side.split(':')[0]}: `)),
      ),
    );
    expect(new Set(sides[0]!.split(': ')[1]!.split(', '))).toEqual(new Set(['1', '8', '4 upside down', '5 upside down']));
    await desk.press('Escape');
    await desk.until('it is closed', () => document.querySelector('[role=dialog]') === null);
  });

  it('gives the stories out as files, by command, as was chosen', async () => {
    await page.select(`${card('Stories')} select`, 'md');
    await desk.command('Make stories');
    const zip = await JSZip.loadAsync(await fileOf('stories'));
    const names = Object.keys(zip.files);
    expect(names.filter((name) => name.endsWith('.md'))).toHaveLength(5);
    expect(names).toContain('pictures/captions.txt');
    const words = await zip.file(names.find((name) => name.includes('The spar remembers'))!)!.async('string');
    expect(words).toContain('# The spar remembers');
  });

  it('begins with what was chosen last', async () => {
    await page.reload({ waitUntil: 'domcontentloaded' });
    await page.waitForSelector(card('Stories'));
    expect(await page.$eval(`${card('Stories')} select`, (select) => (select as HTMLSelectElement).value)).toBe('md');
  });

  it('refuses a figure that there is not at its field', async () => {
    const field = (await page.waitForSelector(`${card('Screen PDF')} input:not([type=radio])`))!;
    await field.click({ count: 3 });
    await page.keyboard.type('99999');
    await page.keyboard.press('Tab');
    await page.waitForSelector(`${card('Screen PDF')} [role=alert], ${card('Screen PDF')} [aria-invalid=true]`);
    await field.click({ count: 3 });
    await page.keyboard.type('120');
    await page.keyboard.press('Tab');
  });
});

describe('a web edition', () => {
  it('refuses at its field what is no address', async () => {
    const field = (await page.waitForSelector(`${card('Web edition')} input`))!;
    await field.click();
    await page.keyboard.type('longspar');
    await page.keyboard.press('Tab');
    await inCard('Web edition', 'A web address, such as');
    await field.click({ count: 3 });
    await page.keyboard.type('https://longspar.example/14');
    await page.keyboard.press('Tab');
    await desk.until('it is taken', (at: string) => !document.querySelector(`${at} [role=alert]`), card('Web edition'));
  });

  it('is looked at in the application, by keys, on a narrow screen and in the dark', async () => {
    await desk.command('Make web edition');
    const zip = await JSZip.loadAsync(await fileOf('web'));
    expect(Object.keys(zip.files)).toContain('the-spar-remembers.html');
    const look = (await page.waitForSelector('ul[aria-label="Made earlier"] ::-p-text(Look at it)'))!;
    await look.focus();
    await desk.press('Enter');
    const frame = await (await page.waitForSelector('[role=dialog] iframe'))!.contentFrame();
    const link = (await frame.waitForSelector('::-p-text(The spar remembers)'))!;
    // By keys: pictures still come in above it.
    await link.evaluate((element) => (element.closest('a') as HTMLElement).focus());
    await desk.press('Enter');
    await frame.waitForSelector('h1 ::-p-text(The spar remembers)');
    const ground = () => frame.evaluate(() => getComputedStyle(document.body).backgroundColor);
    const light = await ground();
    await (await page.waitForSelector('[role=dialog] label ::-p-text(Dark)'))!.click();
    await expect.poll(ground).not.toBe(light);
    await (await page.waitForSelector('[role=dialog] label ::-p-text(Telephone)'))!.click();
    await expect.poll(() => frame.evaluate(() => innerWidth)).toBe(390);
    // Nothing is cut off at its side.
    expect(await frame.evaluate(() => document.documentElement.scrollWidth)).toBe(390);
    await desk.press('Escape');
    await desk.until('it is closed', () => document.querySelector('[role=dialog]') === null);
  });

  it('has no page in which axe-core finds anything, by day and by night', async () => {
    const axe = await readFile(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
    const [made] = await query<{ id: string }>(
      databaseUrl,
      `select id from delivery where document_id = $1 and options ->> 'way' = 'web' and state = 'done'`,
      [issue],
    );
    const inside = `${server.origin}/api/deliveries/${made!.id}/inside/`;
    const reader = await browser.newPage();
    try {
      await reader.goto(`${inside}index.html`);
      const paths = await reader.$$eval('a[href]', (list) =>
        list.map((each) => each.getAttribute('href')!).filter((to) => /^[^#:]+\.html$/.test(to)),
      );
      const found: string[] = [];
      for (const value of ['light', 'dark']) {
        await reader.emulateMediaFeatures([{ name: 'prefers-color-scheme', value }]);
        for (const path of new Set(['index.html', ...paths])) {
          await reader.goto(inside + path);
          await reader.evaluate(axe);
          const { violations } = (await reader.evaluate('axe.run(document, { resultTypes: ["violations"] })')) as AxeResults;
          found.push(...violations.map(({ id, nodes }) => `${path} ${value}: ${id} ${nodes[0]!.html.slice(0, 120)}`));
        }
      }
      expect(found).toEqual([]);
      expect(new Set(paths).size).toBeGreaterThan(3);
    } finally {
      await reader.close();
      await page.bringToFront();
    }
  });
});

describe('the print shop', () => {
  it('is sent the print PDF, looks at it, and says when it is on press', async () => {
    await (await inCard('Print PDF', 'Make print PDF')).click();
    await fileOf('print');
    await (await page.waitForSelector('[aria-label="Print shop"] ::-p-text(Send it to the print shop)'))!.click();
    const answer = await page.waitForSelector('[aria-label="Print shop"] ::-p-text(Accepted by)', { timeout: 90_000 });
    expect(await answer!.evaluate((element) => element.textContent)).toMatch(/on press on \d+ \w+ 20\d\d \(job /);
  });
});

describe('a bundle', () => {
  it('goes out, comes onto the shelf as a publication of its own, and is equal', async () => {
    await (await inCard('Bundle', 'Make bundle')).click();
    const bytes = await fileOf('bundle');
    const path = await filed('Longspar.zip', bytes);
    await page.goto(server.origin, { waitUntil: 'domcontentloaded' });
    await alive(page, 'header button');
    await (await page.waitForSelector('header ::-p-text(Bring in a bundle)'))!.click();
    // What is no bundle is refused with a sentence, and nothing comes of it.
    const broken = await filed('broken.zip', bytes.slice(0, bytes.length - 400));
    const file = (await page.waitForSelector('[role=dialog] input[type=file]')) as ElementHandle<HTMLInputElement>;
    await file.uploadFile(broken);
    await (await page.waitForSelector('[role=dialog] ::-p-text(Bring it in)'))!.click();
    await page.waitForSelector('[role=dialog] [role=alert] ::-p-text(cannot be unpacked)');
    await file.uploadFile(path);
    await (await page.waitForSelector('[role=dialog] ::-p-text(Bring it in)'))!.click();
    await page.waitForSelector('[role=dialog] [role=status] ::-p-text(is on the shelf)', { timeout: 90_000 });
    await (await page.waitForSelector('[role=dialog] ::-p-text(Open it)'))!.click();
    await page.waitForFunction(() => location.pathname.startsWith('/issues/'));
    const brought = new URL(page.url()).pathname.split('/')[2]!;
    const records = (id: string) =>
      query(databaseUrl, 'select id, kind, body from record where document_id = $1 order by place', [id]);
    expect(await records(brought)).toEqual(await records(issue));
    await desk.until(
      'its pages are there',
      () => document.querySelectorAll('[data-painted] text, [data-painted] image').length > 2,
    );
    // Others go on with the shelf as it was.
    await query(
      databaseUrl,
      'update publication set removed_at = now() where id = (select publication_id from document where id = $1)',
      [brought],
    );
  });
});
