import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';
import type { AxeResults } from 'axe-core';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { openServer, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { alive, copyHouse, copyIssue, until } from '../support/desk';

/**
 * Every place and dialog, against the rules of axe-core (4.x) for WCAG 2.2 A and AA, in both themes; and the keys that
 * the ARIA Authoring Practices Guide (W3C) has for tabs, radio groups, menus, toolbars and dialogs.
 */

const databaseUrl = inject('databaseUrl');
let server: Server;
let browser: Browser;
let page: Page;
let axe: string;
let issue: string;
let house: string;

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium();
  page = await browser.newPage();
  axe = await readFile(createRequire(import.meta.url).resolve('axe-core/axe.min.js'), 'utf8');
  issue = await copyIssue(databaseUrl);
  house = await copyHouse(databaseUrl);
});

afterAll(async () => {
  await browser?.close();
  await server?.stop();
});

const THEMES = ['light', 'dark'] as const;

/** What axe finds that is serious or worse, each with the elements it is about. */
async function findings(): Promise<string[]> {
  const out: string[] = [];
  for (const theme of THEMES) {
    await page.emulateMediaFeatures([{ name: 'prefers-color-scheme', value: theme }]);
    // Colours go over into one another: they are judged where they have arrived. What moves as long as it waits never does.
    await page.evaluate(() =>
      Promise.allSettled(
        document
          .getAnimations()
          .filter(({ effect }) => effect?.getComputedTiming().endTime !== Infinity)
          .map(({ finished }) => finished),
      ),
    );
    // The browser's own door for tools: a script of the page's own is kept out by its policy.
    await page.evaluate(axe);
    const { violations } = (await page.evaluate(
      'axe.run(document, { runOnly: ["wcag2a", "wcag2aa", "wcag21a", "wcag21aa", "wcag22aa"], resultTypes: ["violations"] })',
    )) as AxeResults;
    for (const { id, impact, nodes } of violations)
      if (impact === 'serious' || impact === 'critical')
        out.push(...nodes.map(({ html, failureSummary }) => `${theme}: ${id}: ${html.slice(0, 160)} ${failureSummary}`));
  }
  return out;
}

const goTo = async (path: string, ready: string) => {
  await page.goto(`${server.origin}${path}`, { waitUntil: 'domcontentloaded' });
  await page.waitForSelector(ready);
};

const PLACES: readonly (readonly [name: string, path: () => string, ready: string])[] = [
  ['shelf', () => '/', '[data-publication], main h2'],
  ['plan', () => `/issues/${issue}/plan`, 'canvas'],
  ['pages', () => `/issues/${issue}/pages`, '.desk[data-ready=true]'],
  ['fit', () => `/issues/${issue}/pages?fit=the-spar-remembers-body`, '[data-fit-done=true]'],
  ['checks', () => `/issues/${issue}/checks`, '[data-checked=true]'],
  ['handoff', () => `/issues/${issue}/handoff`, 'main button'],
  ['details of the house', () => `/houses/${house}/details`, 'main input, main textarea'],
  ['format and grid', () => `/houses/${house}/grid`, 'aside input'],
  ['masters', () => `/houses/${house}/masters`, '.desk[data-ready=true]'],
  ['type', () => `/houses/${house}/type`, '[data-specimen=caption] text'],
  ['colour', () => `/houses/${house}/colour`, 'main input'],
  ['print', () => `/houses/${house}/print`, 'main input'],
  ['recurring pages', () => `/houses/${house}/recurring`, 'main button'],
];

describe('a place has nothing that keeps people out', () => {
  it.each(PLACES)('%s', async (_, path, ready) => {
    await goTo(path(), ready);
    expect(await findings()).toEqual([]);
  });
});

/** Presses what is called so. */
const press = async (name: string, role = 'button') =>
  (await page.waitForSelector(`::-p-aria([name="${name}"][role="${role}"])`))!.click();

const DIALOGS: readonly (readonly [name: string, open: () => Promise<void>, ready: string])[] = [
  ['a new publication', () => goTo('/', 'h1').then(() => press('New publication')), '[role=dialog]'],
  ['the next issue', () => goTo('/', 'h1').then(() => press('Start the next issue')), '[role=dialog]'],
  ['renaming', () => goTo('/', 'h1').then(() => press('Rename Longspar')), '[role=dialog]'],
  ['sheets', () => goTo(`/issues/${issue}/plan`, 'canvas').then(() => press('Sheets')), '[role=dialog]'],
  ['a story to be planned', () => goTo(`/issues/${issue}/plan`, 'canvas').then(() => press('Plan a story')), 'form'],
  ['the table of stories', () => goTo(`/issues/${issue}/copy`, '[data-story-row]'), 'table'],
  [
    'a story in Copy',
    () => goTo(`/issues/${issue}/copy`, '[data-story-row]').then(() => page.click('[data-story-row] th button')),
    '[data-part]',
  ],
  [
    'what goes in a stretch',
    () => goTo(`/issues/${issue}/pages`, '.desk[data-ready=true]').then(() => press('Mark out')),
    '[role=menu]',
  ],
  [
    'finding a command',
    async () => {
      await goTo(`/issues/${issue}/pages`, '.desk[data-ready=true]');
      await press('Find a command (Ctrl+K)');
    },
    '[role=dialog]',
  ],
  [
    'shortcuts',
    async () => {
      await goTo(`/issues/${issue}/pages`, '.desk[data-ready=true]');
      await press('Shortcuts (?)');
    },
    '[role=dialog]',
  ],
  [
    'a chosen frame with all that is said of it',
    async () => {
      await goTo(`/issues/${issue}/pages`, '.desk[data-ready=true]');
      await page.$eval('[data-frame]', (frame) => (frame as SVGElement).focus());
      await page.waitForSelector('[data-strip] [role=toolbar]');
      const closed = await page.$$('aside h3 button[aria-expanded=false]');
      for (const heading of closed) await heading.click();
    },
    'aside h3 button[aria-expanded=true]',
  ],
  [
    'a style with all that it says',
    async () => {
      await goTo(`/houses/${house}/type`, '[data-specimen=caption] text');
      await page.click('[data-specimen=caption] button');
      await page.waitForSelector('aside h3 button[aria-expanded=false]');
      const closed = await page.$$('aside h3 button[aria-expanded=false]');
      for (const heading of closed) await heading.click();
    },
    'aside h3 button[aria-expanded=true]',
  ],
];

describe('what opens over a place has nothing that keeps people out', () => {
  it.each(DIALOGS)('%s', async (_, open, ready) => {
    await open();
    await page.waitForSelector(ready);
    expect(await findings()).toEqual([]);
  });
});

/** What has the focus, in a word. */
const focused = () => page.evaluate(() => document.activeElement?.textContent || document.activeElement?.getAttribute('value'));

describe('keys mean what the ARIA Authoring Practices have them mean', () => {
  it('tabs: arrows and Home and End go through them, the chosen one shows its panel, Tab goes into it', async () => {
    await goTo(`/issues/${issue}/pages`, '.desk[data-ready=true]');
    await page.focus('aside[aria-label=Tray] [role=tab][aria-selected=true]');
    await page.keyboard.press('ArrowRight');
    expect(await focused()).toMatch(/^Pictures/);
    await page.waitForSelector('aside[aria-label=Tray] [role=tabpanel] [data-picture]');
    await page.keyboard.press('ArrowRight');
    expect(await focused()).toBe('Order');
    await page.waitForSelector('aside[aria-label=Tray] [role=tabpanel] [role=grid]');
    await page.keyboard.press('ArrowRight');
    expect(await focused()).toMatch(/^Stories/);
    await page.keyboard.press('End');
    expect(await focused()).toBe('Order');
    await page.keyboard.press('Home');
    expect(await focused()).toMatch(/^Stories/);
    expect(await page.$$eval('aside[aria-label=Tray] [role=tab][tabindex="0"]', (tabs) => tabs.length)).toBe(1);
  });

  it('radio groups: one stop for Tab, arrows choose and come round', async () => {
    await goTo('/', 'h1');
    await press('New publication');
    await page.waitForSelector('[role=dialog] [role=radiogroup]');
    await page.focus('[role=dialog] [role=radiogroup] input:checked');
    const chosen = () => page.$eval('[role=dialog] [role=radiogroup] label:has(input:checked)', (label) => label.textContent);
    expect(await chosen()).toBe('Magazine');
    await page.keyboard.press('ArrowRight');
    await until(
      page,
      'the next is chosen',
      () => document.querySelector('[role=dialog] label:has(input:checked)')?.textContent === 'Newsletter',
    );
    await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('ArrowLeft');
    await until(
      page,
      'it comes round',
      () => document.querySelector('[role=dialog] label:has(input:checked)')?.textContent === 'Newspaper',
    );
    const group = () => page.evaluate(() => document.activeElement?.closest('[role=radiogroup]')?.getAttribute('aria-label'));
    const first = await group();
    await page.keyboard.press('Tab');
    expect(await group()).not.toBe(first);
  });

  it('dialogs: the focus stays in them, Esc closes them and gives it back', async () => {
    await goTo('/', 'h1');
    await (await page.$('header ::-p-text(New publication)'))!.focus();
    await page.keyboard.press('Enter');
    await page.waitForSelector('[role=dialog]');
    for (let i = 0; i < 30; i++) {
      await page.keyboard.press('Tab');
      expect(await page.evaluate(() => document.activeElement?.closest('[role=dialog]') !== null)).toBe(true);
    }
    await page.keyboard.press('Escape');
    await until(page, 'it is closed', () => document.querySelector('[role=dialog]') === null);
    await until(page, 'the focus is back', () => document.activeElement?.textContent === 'New publication');
  });

  it('menus: the first line has the focus, arrows come round, Home and End and letters go, Enter does it, Esc leaves', async () => {
    await goTo(`/issues/${issue}/pages`, '.desk[data-ready=true]');
    await press('Mark out');
    await page.waitForSelector('[role=menu]');
    await until(page, 'the first has the focus', () => document.activeElement?.textContent?.startsWith('Text') === true);
    await page.keyboard.press('ArrowUp');
    expect(await focused()).toMatch(/^Slot/);
    await page.keyboard.press('ArrowDown');
    expect(await focused()).toMatch(/^Text/);
    await page.keyboard.press('End');
    expect(await focused()).toMatch(/^Slot/);
    await page.keyboard.press('Home');
    await page.keyboard.press('Enter');
    await until(
      page,
      'the stories are offered',
      () => document.querySelectorAll('[role=menuitem]').length > 0 && !document.activeElement?.textContent?.startsWith('Text'),
    );
    await page.keyboard.press('Escape');
    await until(page, 'it is the first list again', () => document.activeElement?.textContent?.startsWith('Text') === true);
    await page.keyboard.press('Escape');
    await until(page, 'it is gone', () => document.querySelector('[role=menu]') === null);
  });

  it('toolbars: one after another by arrows, Home and End at their ends', async () => {
    await goTo(`/issues/${issue}/pages`, '.desk[data-ready=true]');
    await page.$eval('[data-frame]', (frame) => (frame as SVGElement).focus());
    await page.waitForSelector('[role=toolbar][aria-label=Frame]');
    const names = () =>
      page.$$eval('[role=toolbar][aria-label=Frame] button:not(:disabled)', (all) =>
        all.map((each) => each.ariaLabel ?? each.textContent),
      );
    const now = () => page.evaluate(() => document.activeElement?.ariaLabel ?? document.activeElement?.textContent);
    const order = await names();
    await page.focus('[role=toolbar][aria-label=Frame] button:not(:disabled)');
    for (const name of order) {
      expect(await now()).toBe(name);
      await page.keyboard.press('ArrowRight');
    }
  });
});

describe('commands', () => {
  const bodyFrame = async () => {
    const frame = (await page.waitForSelector('[data-frame][aria-label^="Text, The spar"]'))!;
    const box = (await frame.boundingBox())!;
    return { id: await frame.evaluate((each) => each.getAttribute('data-frame')!), x: box.x + 20, y: box.y + 20 };
  };

  it('are in a menu where the right button is pressed, of just what was pressed', async () => {
    await goTo(`/issues/${issue}/pages`, '.desk[data-ready=true]');
    await page.click('nav [aria-label^="Page 4"]');
    const at = await bodyFrame();
    await page.mouse.click(at.x, at.y, { button: 'right' });
    await page.waitForSelector('[role=menu][aria-label="What can be done with it"]');
    const names = await page.$$eval('[role=menuitem]', (items) => items.map((item) => item.textContent));
    expect(names).toContain('Go into the textEnter');
    expect(names.some((name) => name?.startsWith('Group'))).toBe(false);
    expect(await page.$eval(`[data-frame="${at.id}"]`, (frame) => frame.ariaPressed)).toBe('true');
    await page.keyboard.press('Escape');
    await until(page, 'it is gone', () => document.querySelector('[role=menu]') === null);
    // The same from the keyboard, and something is done with it.
    await page.$eval(`[data-frame="${at.id}"]`, (frame) => (frame as SVGElement).focus());
    await page.mouse.click(at.x, at.y, { button: 'right' });
    await page.keyboard.press('End');
    await page.keyboard.press('Enter');
    await until(page, 'the frame is gone', (id: string) => document.querySelector(`[data-frame="${id}"]`) === null, at.id);
    await page.keyboard.down('Control');
    await page.keyboard.press('z');
    await page.keyboard.up('Control');
    await until(page, 'it is back', (id: string) => document.querySelector(`[data-frame="${id}"]`) !== null, at.id);
  });

  it('mean nothing to a key while the pointer carries something', async () => {
    const at = await bodyFrame();
    await page.mouse.move(at.x, at.y);
    await page.mouse.down();
    await page.mouse.move(at.x + 12, at.y + 6);
    await page.mouse.move(at.x + 30, at.y + 12);
    await page.keyboard.press('Delete');
    await page.keyboard.down('Alt');
    await page.keyboard.press('r');
    await page.keyboard.up('Alt');
    expect(await page.$(`[data-frame="${at.id}"]`)).not.toBeNull();
    await page.keyboard.press('Escape');
    await page.mouse.up();
    expect(await page.$eval(`[data-frame="${at.id}"]`, (frame) => frame.getAttribute('transform'))).toBeNull();
    expect(await page.$eval('[aria-label^="Undo"], [aria-label="Nothing to undo"]', (button) => button.ariaLabel)).not.toContain(
      'Rotate',
    );
  });

  it('leave a key to the control that has the focus', async () => {
    const at = await bodyFrame();
    await page.$eval(`[data-frame="${at.id}"]`, (frame) => (frame as SVGElement).focus());
    const place = () => page.$eval(`[data-frame="${at.id}"]`, (frame) => frame.getAttribute('x'));
    const before = await place();
    const heading = (await page.waitForSelector('aside ::-p-aria([name="Text in its frame"][role="button"])'))!;
    if (await heading.evaluate((button) => button.getAttribute('aria-expanded') === 'false')) await heading.click();
    await page.waitForSelector('aside[aria-label=Detail] [role=radiogroup] input:checked');
    await page.focus('aside[aria-label=Detail] [role=radiogroup] input:checked');
    await page.keyboard.press('ArrowRight');
    await until(
      page,
      'it is chosen',
      () =>
        document.querySelector('aside[aria-label=Detail] [role=radiogroup] label:has(input:checked)')?.textContent === 'Middle',
    );
    expect(await place()).toBe(before);
    await page.keyboard.press('ArrowLeft');
    await page.focus('aside[aria-label=Detail] input[type=checkbox]');
    const ticked = () => page.$eval('aside[aria-label=Detail] input[type=checkbox]', (box) => (box as HTMLInputElement).checked);
    const was = await ticked();
    await page.keyboard.press('Space');
    await page.waitForFunction(
      (old: boolean) =>
        document.querySelector<HTMLInputElement>('aside[aria-label=Detail] input[type=checkbox]')!.checked !== old,
      {},
      was,
    );
  });

  it('are found by name on the shelf and in Handoff too', async () => {
    await goTo('/', 'h1');
    // Keys mean something as soon as the page's code is there.
    for (let i = 0; i < 20 && !(await page.$('[role=dialog] input')); i++) {
      await page.keyboard.down('Control');
      await page.keyboard.press('k');
      await page.keyboard.up('Control');
      await page.waitForSelector('[role=dialog] input', { timeout: 1_000 }).catch(() => undefined);
    }
    await page.keyboard.type('house of longspar');
    await page.keyboard.press('Enter');
    await page.waitForSelector('aside input');
    await goTo(`/issues/${issue}/handoff`, 'main button');
    await alive(page, '[aria-label^="Find a command"]');
    await page.click('[aria-label^="Find a command"]');
    await page.waitForSelector('[role=dialog] input');
    expect(await page.$$eval('[role=dialog] [cmdk-item]', (items) => items.map((item) => item.textContent))).toContain(
      'Make print PDF',
    );
  });
});
