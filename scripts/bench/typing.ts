import type { Browser, KeyInput } from 'puppeteer-core';
import { openChromium } from '../../tests/support/chromium';
import { storeIssue } from './store';
import { passage, threaded } from './texts';

const BURST = 5;
const WARM_UP = 20;

/** Puts an issue with one story of so many words, threaded over as many pages as it needs, into the database. */
export async function storeLongIssue(issue: string, words: number): Promise<void> {
  await storeIssue(issue, 'Long', threaded(await passage(words)));
}

/** From a key to the new line: as the screen had its new letters, and as they had been painted; milliseconds. */
export interface TypingFigures {
  readonly shown: readonly number[];
  readonly painted: readonly number[];
}

/** Opens the text of an issue at a spread, and writes in it. */
async function writingAt(browser: Browser, origin: string, issue: string, spreadOf: (spreads: number) => number) {
  const page = await browser.newPage();
  await page.goto(`${origin}/issues/${issue}/pages`, { waitUntil: 'load' });
  await page.waitForSelector('[data-chunk] text', { timeout: 60_000 });
  const cells = await page.$$('[data-spread]');
  await cells[spreadOf(cells.length)]!.click();
  await page.waitForFunction(() => document.querySelectorAll('[data-chunk] text').length > 200);
  const box = (await (await page.$('[data-frame]'))!.boundingBox())!;
  await page.mouse.click(box.x + box.width * 0.45, box.y + box.height * 0.4, { clickCount: 2 });
  await page.waitForSelector('[data-caret]');
  return { page, box };
}

/**
 * Types letters with the keyboard into a story of the application, in the middle of its thread. A key counts from when
 * the page hears it until the words of its paragraph have changed, and until the frame after that has been drawn.
 */
export async function typing(origin: string, issue: string, letters: number): Promise<TypingFigures> {
  const browser: Browser = await openChromium();
  try {
    // In the middle of it.
    const { page } = await writingAt(browser, origin, issue, (spreads) => Math.floor((spreads - 1) / 2));
    await page.evaluate(() => {
      const own = window as unknown as { figures: { shown: number[]; painted: number[] } };
      own.figures = { shown: [], painted: [] };
      let heard = 0;
      window.addEventListener('keydown', (event) => event.key.length === 1 && (heard = performance.now()), true);
      new MutationObserver((changes) => {
        if (heard === 0 || !changes.some(({ target }) => (target as Element).closest?.('[data-chunk]'))) return;
        const from = heard;
        heard = 0;
        own.figures.shown.push(performance.now() - from);
        requestAnimationFrame(() => {
          const { port1, port2 } = new MessageChannel();
          port1.onmessage = () => own.figures.painted.push(performance.now() - from);
          port2.postMessage(null);
        });
      }).observe(document.querySelector('[data-painted]')!, { childList: true, subtree: true });
    });
    // Typed in bursts, between which everything comes to rest: what is typed is stored by a server on the same two cores,
    // and what a key takes is to be seen without that. The first bursts let the browser compile what it runs.
    for (let i = 0; i < letters + WARM_UP; i++) {
      if (i % BURST === 0) {
        // A few letters on, so that no word grows beyond all words.
        for (let step = 0; step < 9; step++) await page.keyboard.press('ArrowRight');
        await page.waitForFunction(() => document.querySelector('[data-state=stored]') !== null, { timeout: 60_000 });
        // The caret has come to where it was sent, and all that follows from it is drawn.
        await page.evaluate(
          () =>
            new Promise<void>((resolve) => {
              let quiet = 0;
              let last = '';
              const look = () => {
                const now = document.querySelector<HTMLElement>('[data-caret]')?.style.cssText ?? '';
                quiet = now === last ? quiet + 1 : 0;
                last = now;
                if (quiet < 5) requestAnimationFrame(look);
                else requestIdleCallback(() => resolve());
              };
              look();
            }),
        );
      }
      const before = await page.evaluate(() => (window as unknown as { figures: { painted: number[] } }).figures.painted.length);
      await page.keyboard.press((['e', 't', 'a', 'o', 'i'] as const)[i % 5]!);
      await page.waitForFunction(
        (n) => (window as unknown as { figures: { painted: number[] } }).figures.painted.length > n,
        { timeout: 10_000, polling: 5 },
        before,
      );
    }
    const figures = await page.evaluate(() => (window as unknown as { figures: { shown: number[]; painted: number[] } }).figures);
    return { shown: figures.shown.slice(WARM_UP), painted: figures.painted.slice(WARM_UP) };
  } finally {
    await browser.close();
  }
}

/** Movements of the pointer that are counted. */
const MOVES = 120;

/**
 * Selects a text to its end, and takes the end of the selection along under the pointer, on the spread where the text ends:
 * from a movement of the pointer until what is selected is drawn to it; milliseconds.
 */
export async function selecting(origin: string, issue: string): Promise<{ pages: number; shown: number[] }> {
  const browser: Browser = await openChromium();
  try {
    const { page, box } = await writingAt(browser, origin, issue, () => 1);
    const chord = async (...keys: KeyInput[]) => {
      for (const key of keys.slice(0, -1)) await page.keyboard.down(key);
      await page.keyboard.press(keys.at(-1)!);
      for (const key of keys.slice(0, -1)) await page.keyboard.up(key);
    };
    const spreadNow = () => page.$eval('[data-spread]:has([aria-current])', (cell) => Number(cell.getAttribute('data-spread')));
    await chord('Control', 'End');
    await page.waitForFunction(() => !document.querySelector('[data-spread="1"] [aria-current]'));
    // The spread before the last is full.
    const goal = (await spreadNow()) - 1;
    await chord('Control', 'Home');
    await page.waitForSelector('[data-spread="0"] [aria-current]');
    await chord('Control', 'Shift', 'End');
    await page.waitForSelector(`[data-spread="${goal + 1}"] [aria-current]`);
    await page.keyboard.down('Shift');
    await page.mouse.move(box.x + 40, box.y + 40);
    await page.mouse.down();
    await page.mouse.move(box.x + 80, box.y + 80, { steps: 4 });
    await page.waitForSelector('[data-text-selected]');
    await page.evaluate(() => {
      const own = window as unknown as { shown: number[] };
      own.shown = [];
      let heard = 0;
      window.addEventListener('pointermove', () => (heard ||= performance.now()), true);
      new MutationObserver((changes) => {
        if (heard === 0 || !changes.some(({ target }) => (target as Element).closest?.('[data-text-selected]'))) return;
        own.shown.push(performance.now() - heard);
        heard = 0;
      }).observe(document.body, { subtree: true, childList: true, attributes: true, attributeFilter: ['d'] });
    });
    for (let i = 0; i < MOVES + WARM_UP; i++) {
      const before = await page.evaluate(() => (window as unknown as { shown: number[] }).shown.length);
      // Down the lines that stand there, more than one each time, and up again.
      const down = (i % 10) / 40;
      await page.mouse.move(box.x + 60 + (i % 3) * 5, box.y + 80 + down * (box.height - 160));
      await page.waitForFunction(
        (n) => (window as unknown as { shown: number[] }).shown.length > n,
        { polling: 5, timeout: 10_000 },
        before,
      );
    }
    await page.mouse.up();
    await page.keyboard.up('Shift');
    const shown = await page.evaluate(() => (window as unknown as { shown: number[] }).shown);
    return { pages: goal * 2, shown: shown.slice(WARM_UP) };
  } finally {
    await browser.close();
  }
}
