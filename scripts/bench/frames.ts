import type { Page } from 'puppeteer-core';

/** Notes the milliseconds between two frames that a page draws, from now on. */
export const watchFrames = (page: Page): Promise<void> =>
  page.evaluate(() => {
    const own = window as unknown as { frames: number[] };
    own.frames = [];
    let last = performance.now();
    const tick = (now: number) => {
      own.frames.push(now - last);
      last = now;
      requestAnimationFrame(tick);
    };
    requestAnimationFrame(tick);
  });

/** Begins to note them anew. */
export const forgetFrames = (page: Page): Promise<void> =>
  page.evaluate(() => {
    (window as unknown as { frames: number[] }).frames = [];
  });

/** What was noted, but for the first few, in which a gesture begins. */
export const framesOf = async (page: Page): Promise<number[]> =>
  (await page.evaluate(() => (window as unknown as { frames: number[] }).frames)).slice(5);

export const nextFrame = (page: Page): Promise<unknown> =>
  page.evaluate(() => new Promise((resolve) => requestAnimationFrame(resolve)));
