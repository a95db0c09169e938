import type { Browser } from 'puppeteer-core';
import { openChromium } from '../../tests/support/chromium';
import { storeIssue } from './store';
import { passage, threaded } from './texts';

const ISSUE = 'bench-typing';

const BURST = 5;
const WARM_UP = 20;

/** Puts an issue with one story of so many words, threaded over as many pages as it needs, into the database. */
export async function storeLongIssue(words: number): Promise<void> {
  await storeIssue(ISSUE, 'Long', threaded(await passage(words)));
}

/** From a key to the new line: as the screen had its new letters, and as they had been painted; milliseconds. */
export interface TypingFigures {
  readonly pages: number;
  readonly shown: readonly number[];
  readonly painted: readonly number[];
}

/**
 * Types letters with the keyboard into a story of the application, in the middle of its thread. A key counts from when
 * the page hears it until the words of its paragraph have changed, and until the frame after that has been drawn.
 */
export async function typing(origin: string, letters: number): Promise<TypingFigures> {
  const browser: Browser = await openChromium();
  try {
    const page = await browser.newPage();
    await page.goto(`${origin}/issues/${ISSUE}/pages`, { waitUntil: 'load' });
    await page.waitForSelector('[data-chunk] text', { timeout: 60_000 });
    // To the spread in the middle, and into its text.
    const cells = await page.$$('[data-spread]');
    await cells[Math.floor(cells.length / 2)]!.click();
    await page.waitForFunction(() => document.querySelectorAll('[data-chunk] text').length > 500);
    const frame = (await page.$('[data-frame]'))!;
    const box = (await frame.boundingBox())!;
    await page.mouse.click(box.x + box.width * 0.45, box.y + box.height * 0.4, { clickCount: 2 });
    await page.waitForSelector('[data-caret]');
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
        await page.waitForFunction(() => document.querySelector('[data-state=stored]') !== null, { timeout: 60_000 });
        await page.evaluate(() => new Promise((resolve) => requestIdleCallback(resolve)));
        // A few letters on, so that no word grows beyond all words.
        for (let step = 0; step < 9; step++) await page.keyboard.press('ArrowRight');
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
    return { pages: cells.length * 2, shown: figures.shown.slice(WARM_UP), painted: figures.painted.slice(WARM_UP) };
  } finally {
    await browser.close();
  }
}
