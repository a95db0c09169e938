import { readFile } from 'node:fs/promises';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { bodyText } from '@/core/records/body';
import type { AcceptanceRecord, FrameRecord, ProfileRecord, TextRecord } from '@/core/records/index';
import { openServer, query, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { alive, copyHouse, copyIssue, Desk, until } from '../support/desk';
import { PLANTED, plantFaults } from '../support/faults';

/** Checks and Fit: what is wrong is found, led to, mended and undone; what does not fit is made to; by mouse and by keys. */

const databaseUrl = inject('databaseUrl');
let server: Server;
let browser: Browser;
let desk: Desk;
let page: Page;
let issue: string;

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium();
  issue = await copyIssue(databaseUrl);
  await plantFaults(databaseUrl, issue);
  desk = await Desk.open(browser, server.origin, databaseUrl, issue);
  page = desk.page;
  await page.setViewport({ width: 1280, height: 800 });
});

afterAll(async () => {
  expect(desk?.problems ?? []).toEqual([]);
  await browser?.close();
  await server?.stop();
});

const named = (name: string, role = 'button') => `::-p-aria([name="${name}"][role="${role}"])`;

const openChecks = async (of = issue, on = page) => {
  await on.goto(`${server.origin}/issues/${of}/checks`, { waitUntil: 'domcontentloaded' });
  await on.waitForSelector('[data-checked=true]');
};

/** What is found, as its rows say it: the rule and the words. */
const rows = (on = page) =>
  on.$$eval('[data-finding]', (list) =>
    list.map((row) => ({
      key: row.getAttribute('data-finding')!,
      rule: row.getAttribute('data-rule')!,
      words: row.querySelector('p')!.textContent!,
      accepted: row.textContent!.includes('Accepted: '),
    })),
  );

const rowOf = async (rule: string, says: RegExp) => (await rows()).find((row) => row.rule === rule && says.test(row.words));

const isGone = (key: string, words: string) =>
  desk.until(
    `“${words}” is gone`,
    (own: string, said: string) =>
      document.querySelector('[data-checked=true]') !== null &&
      ![...document.querySelectorAll(`[data-finding="${CSS.escape(own)}"] p`)].some((each) => each.textContent === said),
    key,
    words,
  );

const isBack = (key: string, words: string) =>
  desk
    .until(
      `“${words}” is back`,
      (said: string) => [...document.querySelectorAll('[data-finding] p')].some((each) => each.textContent === said),
      words,
    )
    .then(() => key);

/** Goes to a row by arrow keys, from the first. */
async function walkTo(key: string): Promise<void> {
  const keys = (await rows()).map((row) => row.key);
  const now = await page.$eval('[data-finding][aria-current]', (row) => row.getAttribute('data-finding')!);
  const by = keys.indexOf(key) - keys.indexOf(now);
  for (let i = 0; i < Math.abs(by); i++) await desk.press(by > 0 ? 'ArrowDown' : 'ArrowUp');
  await desk.until('it is chosen', (own: string) => document.activeElement?.getAttribute('data-finding') === own, key);
}

describe('an issue with twenty faults', () => {
  it('has all of them found, at the word Checks, in the page line, and in the list', async () => {
    await desk.until('the page line has notches', () => document.querySelectorAll('[data-notch]').length > 3);
    expect(await page.$('nav [data-open-findings]')).not.toBeNull();
    await openChecks();
    const found = await rows();
    for (const { rule, says } of PLANTED)
      expect(
        found.filter((row) => row.rule === rule && says.test(row.words)),
        `${rule} ${says}`,
      ).toHaveLength(1);
    // Each with a true picture of its place.
    await desk.until('pictures are drawn', () => document.querySelectorAll('[data-finding] [data-drawn=true]').length > 10);
  });

  it('is mended from the list, by mouse and by keys in turn, and each mend is undone', async () => {
    await openChecks();
    let byMouse = true;
    for (const { rule, says } of PLANTED) {
      // What a press in Fit does is tried below.
      if (rule === 'overset') continue;
      await page.waitForSelector('[data-checked=true]');
      const row = (await rowOf(rule, says))!;
      expect(row, rule).toBeDefined();
      const before = (await desk.changes()).length;
      if (byMouse) {
        await page.$eval(`[data-finding="${row.key}"]`, (each) => each.scrollIntoView({ block: 'center' }));
        await page.click(`[data-finding="${row.key}"] button`);
      } else {
        await page.click('[data-finding] p');
        await walkTo(row.key);
        await desk.press('m');
      }
      byMouse = !byMouse;
      await isGone(row.key, row.words);
      await desk.stored();
      expect((await desk.changes()).length, rule).toBe(before + 1);
      await desk.press('Control', 'z');
      await isBack(row.key, row.words);
      await desk.stored();
    }
  });

  it('leads to each place on the desk: by a press, by two, and by Enter', async () => {
    for (const how of ['press', 'two', 'enter'] as const) {
      await openChecks();
      const row = (await rowOf('hairlines', /0\.1 pt/))!;
      await page.$eval(`[data-finding="${row.key}"]`, (each) => each.scrollIntoView({ block: 'center' }));
      if (how === 'press') await (await page.$(`[data-finding="${row.key}"] ::-p-text(Show on the page)`))!.click();
      else if (how === 'two') await page.click(`[data-finding="${row.key}"] p`, { count: 2 });
      else {
        await page.click('[data-finding] p');
        await walkTo(row.key);
        await desk.press('Enter');
      }
      await desk.ready();
      await desk.until(
        'its frame is chosen on the desk',
        () =>
          document.querySelector('[data-frame="planted-thin"]')?.getAttribute('aria-pressed') === 'true' ||
          document.querySelector('[data-chosen="planted-thin"], [data-bracket="planted-thin"]') !== null ||
          document.querySelector('aside[aria-label="Detail"]')?.textContent?.includes('Panel'),
      );
    }
  });

  it('is put together by kind, all of a kind is mended at once, and one undo takes it back', async () => {
    await openChecks();
    await page.click(named('By kind', 'radio')).catch(() => page.click('::-p-text(By kind)'));
    await desk.until('it is by kind', () =>
      [...document.querySelectorAll('main h2')].some((each) => each.textContent!.startsWith('Empty frames')),
    );
    const before = (await rows()).filter(({ rule }) => rule === 'byHand').length;
    expect(before).toBeGreaterThan(0);
    const row = (await rowOf('byHand', /./))!;
    await page.click('[data-finding] p');
    await walkTo(row.key);
    await desk.press('Shift', 'M');
    await desk.until('none is left', () => document.querySelector('[data-rule=byHand]') === null);
    await desk.press('Control', 'z');
    await desk.until('all are back', (count: number) => document.querySelectorAll('[data-rule=byHand]').length === count, before);
    await page.click('::-p-text(By page)');
  });

  it('is accepted with a reason, which stays after a reload, and is asked for again', async () => {
    await openChecks();
    const row = (await rowOf('light', /Planted sea/))!;
    await page.$eval(`[data-finding="${row.key}"]`, (each) => each.scrollIntoView({ block: 'center' }));
    await page.click(`[data-finding="${row.key}"] p`);
    await desk.press('a');
    await page.waitForSelector('[role=dialog] textarea');
    await desk.press('Enter');
    await page.waitForSelector('[role=dialog] ::-p-text(Say why it may pass.)');
    await page.keyboard.type('The printer has this ink.');
    await desk.press('Enter');
    await desk.until('it is accepted', () => document.body.textContent!.includes('Accepted: The printer has this ink.'));
    await desk.stored();
    expect((await desk.records<AcceptanceRecord>('acceptance')).map(({ reason }) => reason)).toEqual([
      'The printer has this ink.',
    ]);
    await openChecks();
    expect((await rowOf('light', /Planted sea/))!.accepted).toBe(true);
    await (await page.waitForSelector(named('Ask again')))!.click();
    await desk.until('it is asked for again', () => !document.body.textContent!.includes('Accepted: The printer'));
  });

  it('is checked against its own limits, which make sense or are refused at their field', async () => {
    await openChecks();
    await page.click('::-p-text(Coated paper)');
    const field = (await page.waitForSelector(named('Least resolution', 'textbox')))!;
    await field.click({ count: 3 });
    await page.keyboard.type('999');
    await desk.press('Tab');
    await page.waitForSelector('[role=dialog] ::-p-text(The least resolution cannot be above the good one.)');
    await field.click({ count: 3 });
    await page.keyboard.type('20');
    await desk.press('Tab');
    const chooser = (await page.$('[aria-label="Colour profile to bring in"]')) as unknown as {
      uploadFile(path: string): Promise<void>;
    };
    await chooser.uploadFile('/usr/share/color/icc/ghostscript/srgb.icc');
    await page.waitForSelector('[role=dialog] ::-p-text(not of a press with four inks)');
    await chooser.uploadFile('/usr/share/color/icc/ghostscript/default_cmyk.icc');
    await desk.until(
      'its name is shown',
      () => !document.querySelector('[aria-label="Colour profile"]')?.textContent?.includes('The usual one'),
    );
    await page.click(named('Done'));
    await desk.until('the coarse picture will do', () => !document.querySelector('[data-rule=resolution][data-grave=grave]'));
    await desk.stored();
    const [profile] = await desk.records<ProfileRecord>('profile');
    expect(profile).toMatchObject({ leastPpi: 20, icc: { name: expect.any(String) as string } });
    expect(await readFile('/usr/share/color/icc/ghostscript/default_cmyk.icc')).toBeDefined();
    await desk.press('Control', 'z');
    await desk.press('Control', 'z');
    await desk.stored();
  });
});

describe('a delivery', () => {
  it('is held for what nobody could miss, says what, and is made when somebody says so', async () => {
    await page.goto(`${server.origin}/issues/${issue}/handoff`, { waitUntil: 'domcontentloaded' });
    await alive(page, 'main button');
    await (await page.waitForSelector('main ::-p-text(Make screen PDF)'))!.click();
    await page.waitForSelector('[data-state=held]', { timeout: 60_000 });
    const said = await page.$eval('[data-state=held]', (row) => row.textContent!);
    expect(said).toMatch(/Held: \d+ grave findings?\./);
    expect(said).toContain('over in “The planted story”');
    const report = await (await page.$('[data-state=held] a[href*="/report"]'))!.evaluate(
      (link) => (link as HTMLAnchorElement).href,
    );
    const read = await page.evaluate(async (url) => (await fetch(url)).text(), report);
    expect(read).toContain('<h1>Checks: Longspar 14</h1>');
    expect(read).toContain('over in “The planted story”');
    await (await page.$('[data-state=held] ::-p-text(Make it all the same)'))!.click();
    await page.waitForSelector('[data-state=done]', { timeout: 60_000 });
    expect(await query(databaseUrl, "select 1 from delivery where document_id = $1 and state = 'done'", [issue])).toHaveLength(1);
  });
});

describe('Fit', () => {
  const BODY = 'what-the-gust-meter-heard-body';
  const SPAR = 'the-spar-remembers-body';
  let own: string;
  let fitted: Desk;

  beforeAll(async () => {
    own = await copyIssue(databaseUrl);
    fitted = await Desk.open(browser, server.origin, databaseUrl, own);
    await fitted.page.setViewport({ width: 1280, height: 800 });
  });

  const words = async (id: string) => bodyText((await fitted.records<TextRecord>('text')).find((each) => each.id === id)!.body);
  const fits = () => fitted.page.$eval('[data-fits]', (each) => each.getAttribute('data-fits')!);
  const mends = () => fitted.page.$$eval('[data-mend]', (list) => list.map((each) => each.getAttribute('data-mend')!));
  const take = async () => {
    await fitted.until('it can be taken', () =>
      [...document.querySelectorAll<HTMLButtonElement>('aside[aria-label=Fit] button')].some(
        ({ textContent, disabled }) => textContent === 'Take it' && !disabled,
      ),
    );
    await fitted.page.click(named('Take it'));
    await fitted.until('Fit is closed', () => document.querySelector('aside[aria-label=Fit]') === null);
  };
  const isDone = () => fitted.page.waitForSelector('[data-fit-done=true]');

  it('is opened from the tray, shows on the page what is ticked, compares while Space is held, and takes it in one change', async () => {
    const before = await words(BODY);
    const count = (await fitted.changes()).length;
    await (await fitted.page.waitForSelector(
      '::-p-aria([name="What the gust meter heard: 28 lines over. Make it fit"])',
    ))!.click();
    await isDone();
    expect(await fits()).toBe('28 lines over');
    const offered = await mends();
    const picture = offered.find((id) => id.startsWith('picture'))!;
    const onward = offered.find((id) => id.startsWith('onward'))!;
    await fitted.page.click(`[data-mend="${picture}"] input`);
    await fitted.until(
      'fewer lines are over',
      () => document.querySelector('[data-fits]')?.getAttribute('data-fits') !== '28 lines over',
    );
    await fitted.page.click(`[data-mend="${onward}"] input`);
    await fitted.until('it fits', () => !document.querySelector('[data-fits]')!.getAttribute('data-fits')!.includes('over'));
    // Nothing is done yet.
    expect((await fitted.changes()).length).toBe(count);
    await fitted.page.keyboard.down('Space');
    await fitted.until('it is seen as it is', () =>
      document.querySelector('aside[aria-label=Fit]')!.textContent!.includes('As it is.'),
    );
    await fitted.page.keyboard.up('Space');
    await fitted.until('and as it would be', () =>
      document.querySelector('aside[aria-label=Fit]')!.textContent!.includes('As it would be'),
    );
    await fitted.page.click(named('Take these 2'));
    await fitted.stored();
    const changes = await fitted.changes();
    expect(changes.length).toBe(count + 1);
    expect(changes.at(-1)!.label).toBe('Make “What the gust meter heard” fit');
    expect(await words(BODY)).toBe(before);
    await fitted.until(
      'the tray says so',
      () => !/gust meter heard: \d+ lines? over/.test(document.querySelector('aside')?.innerHTML ?? ''),
    );
    const frames = (await fitted.records<FrameRecord>('frame')).filter(
      ({ content }) => content.type === 'text' && content.text === BODY,
    );
    expect(frames).toHaveLength(3);
    await fitted.press('Control', 'z');
    await fitted.stored();
  });

  it('is opened by a key, ticked by keys, and left without a trace by Esc', async () => {
    const count = (await fitted.changes()).length;
    await fitted.page.goto(`${server.origin}/issues/${own}/pages?page=p7`, { waitUntil: 'domcontentloaded' });
    await fitted.ready();
    await fitted.go(7);
    const [frame] = await fitted.frames('Text, What the gust meter heard');
    await fitted.page.$eval(`[data-frame="${frame!.id}"]`, (each) => (each as SVGElement).focus());
    await fitted.press('Alt', 'f');
    await isDone();
    await fitted.page.$eval('[data-mend] input', (each) => (each as HTMLInputElement).focus());
    await fitted.press('Space');
    await fitted.until('it is ticked', () => document.querySelector<HTMLInputElement>('[data-mend] input')!.checked);
    await fitted.press('Escape');
    await fitted.until('Fit is closed', () => document.querySelector('aside[aria-label=Fit]') === null);
    expect((await fitted.changes()).length).toBe(count);
  });

  it('cuts no sentence but those that are ticked, shown struck through', async () => {
    const before = await words(BODY);
    await fitted.page.goto(`${server.origin}/issues/${own}/pages?fit=${BODY}`, { waitUntil: 'domcontentloaded' });
    await isDone();
    const cut = (await mends()).find((id) => id.startsWith('cut'))!;
    const sentence = await fitted.page.$eval(`[data-mend="${cut}"] s`, (each) => each.textContent!);
    expect(before).toContain(sentence);
    await fitted.page.click(`[data-mend="${cut}"] input`);
    await take();
    await fitted.stored();
    const now = await words(BODY);
    expect(now).not.toContain(sentence);
    expect(now.length).toBe(before.length - sentence.length - 1);
    await fitted.press('Control', 'z');
    await fitted.stored();
    expect(await words(BODY)).toBe(before);
  });

  it('fills the room that a story leaves, with nothing lost', async () => {
    const before = await words(SPAR);
    await fitted.page.goto(`${server.origin}/issues/${own}/pages?fit=${SPAR}`, { waitUntil: 'domcontentloaded' });
    await isDone();
    expect(await fits()).toMatch(/^room for \d+ lines?$/);
    const offered = await mends();
    expect(offered.length).toBeGreaterThan(0);
    const picture = offered.find((id) => id.startsWith('picture'))!;
    await fitted.page.click(`[data-mend="${picture}"] input`);
    await fitted.until('it fits', () => document.querySelector('[data-fits]')?.getAttribute('data-fits') === 'fits');
    await take();
    await fitted.stored();
    expect(await words(SPAR)).toBe(before);
    await fitted.page.close();
  });
});

describe('the house', () => {
  it('has limits for print, another paper brings its own, and issues are offered them', async () => {
    const house = await copyHouse(databaseUrl);
    const own = await browser.newPage();
    await own.goto(`${server.origin}/houses/${house}/print`, { waitUntil: 'domcontentloaded' });
    const paper = (await own.waitForSelector('main select'))!;
    await paper.select('newsprint');
    await until(own, 'its limits are there', () =>
      [...document.querySelectorAll<HTMLInputElement>('main input')].some((each) => each.value.startsWith('240')),
    );
    await own.close();
  });
});
