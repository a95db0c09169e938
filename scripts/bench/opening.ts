import type { Browser } from 'puppeteer-core';
import { openChromium } from '../../tests/support/chromium';

/** How a magazine of 36 pages opens at a spread: nothing kept by the browser, and as on the second day. */

/** Milliseconds until a spread that has come to rest is kept, and some more. */
const KEPT_AFTER = 3000;

/** The left page of a spread of Longspar No. 14 with a large picture and the beginning of a feature. */
const PAGE = 6;

export interface OpeningFigures {
  /** Milliseconds from asking for the issue: until anything is painted, and until the spread stands there as it is. */
  readonly painted: readonly number[];
  readonly spread: readonly number[];
  /** Milliseconds that a press waits for its answer to begin, pressed as soon as anything is there to be pressed. */
  readonly answer: readonly number[];
}

interface Watched {
  readonly painted: number;
  readonly spread: number;
  readonly isComposed: boolean;
  readonly answer: number;
}

/** @param rest milliseconds that somebody looks at it */
async function once(browser: Browser, url: string, isKept: boolean, rest = 0): Promise<Watched> {
  const context = isKept ? browser.defaultBrowserContext() : await browser.createBrowserContext();
  const page = await context.newPage();
  await page.setViewport({ width: 1280, height: 800 });
  await page.evaluateOnNewDocument(() => {
    const seen = { spread: 0, isComposed: false, answer: 0 };
    Object.assign(window, { seen });
    let before = '';
    const look = () => {
      // All words of the spread, and no picture that is still to come. Where it was kept from the last time it stands
      // before it is composed: what counts is since when it is what it then stays.
      const desk = document.querySelector('.desk');
      const pictures = [...(desk?.querySelectorAll('image') ?? [])];
      const loaded = new Set(performance.getEntriesByType('resource').map(({ name }) => name));
      const isThere = ({ href }: SVGImageElement) => loaded.has(new URL(href.baseVal, location.href).href);
      const words =
        pictures.length > 0 && pictures.every(isThere) ? (desk!.querySelector('[data-painted]')?.textContent ?? '') : '';
      if (words !== before) Object.assign(seen, { spread: performance.now() });
      before = words;
      if (desk instanceof HTMLElement && desk.dataset['ready'] === 'true' && words !== '') seen.isComposed = true;
      else requestAnimationFrame(look);
    };
    requestAnimationFrame(look);
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as PerformanceEventTiming[]) {
        if (entry.name === 'pointerdown' && seen.answer === 0)
          seen.answer = Math.max(0.1, entry.processingStart - entry.startTime);
      }
    }).observe({ type: 'event', durationThreshold: 16, buffered: true } as PerformanceObserverInit);
    new PerformanceObserver((list) => {
      for (const entry of list.getEntries() as PerformanceEventTiming[])
        seen.answer ||= Math.max(0.1, entry.processingStart - entry.startTime);
    }).observe({ type: 'first-input', buffered: true });
  });
  await page.goto(url, { waitUntil: 'domcontentloaded' });
  // Where there is nothing to be pressed: what is measured is that somebody listens.
  await page.mouse.click(880, 22);
  await page.waitForFunction(() => (window as unknown as { seen: Watched }).seen.isComposed, { timeout: 60_000 });
  await page.waitForFunction(() => (window as unknown as { seen: Watched }).seen.answer > 0, { timeout: 10_000 });
  const watched = await page.evaluate(() => ({
    ...(window as unknown as { seen: Watched }).seen,
    painted: performance.getEntriesByName('first-contentful-paint')[0]!.startTime,
  }));
  await new Promise((over) => setTimeout(over, rest));
  await page.close();
  if (!isKept) await context.close();
  return watched;
}

/** @param isKept whether the browser has opened it before */
export async function opening(origin: string, isKept: boolean, rounds: number): Promise<OpeningFigures> {
  const url = `${origin}/issues/longspar-14/pages?page=p${PAGE}`;
  const browser = await openChromium();
  try {
    // The server, too, is not asked for the first time.
    await once(browser, url, true, KEPT_AFTER);
    const all: Watched[] = [];
    for (let i = 0; i < rounds; i++) all.push(await once(browser, url, isKept));
    return {
      painted: all.map(({ painted }) => painted),
      spread: all.map(({ spread }) => spread),
      answer: all.map(({ answer }) => answer),
    };
  } finally {
    await browser.close();
  }
}
