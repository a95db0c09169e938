import type { Browser, Page } from 'puppeteer-core';
import { openChromium } from '../../tests/support/chromium';
import { startingHouse } from '@/core/plan/startingHouse';
import { documentOf } from '@/core/records/document';
import type { DocumentRecord } from '@/core/records/index';
import { forgetFrames, framesOf, nextFrame, watchFrames } from './frames';
import { storeIssue } from './store';

const ISSUE = 'bench-dragging';
export const FRAMES = 300;
export const DRAGS = 1000;
/** Beside them, locked: what the hand is caught by. */
const NEIGHBOURS = 40;
/** Frames in a row and their sides, points. */
const ACROSS = 15;
const SIDE = 24;

/** Puts an issue of one page with 300 panels into the database. */
export async function storeFrames(): Promise<void> {
  const records: DocumentRecord[] = [
    ...startingHouse('magazine', 'en-GB', { pages: [] }),
    { id: 'issue', kind: 'issue', publication: 'Bench', number: '1', season: '', date: '2027-01-01', language: 'en-GB' },
    { id: 'page', kind: 'page', order: 'a0', master: 'text' },
  ];
  for (let i = 0; i < FRAMES + NEIGHBOURS; i++) {
    records.push({
      id: `panel-${i}`,
      kind: 'frame',
      on: 'page',
      side: 'both',
      box: { x: 40 + (i % ACROSS) * (SIDE + 6), y: 40 + Math.floor(i / ACROSS) * (SIDE + 6), w: SIDE, h: SIDE },
      order: `a${String(i).padStart(4, '0')}5`,
      content: { type: 'panel' },
      wrap: { mode: 'none', standOff: 0, outline: 'shape' },
      fill: { swatch: 'ink', tint: 0.4 },
      ...(i < FRAMES ? {} : { locked: true }),
    });
  }
  await storeIssue(ISSUE, 'Frames', documentOf(records));
}

export interface DraggingFigures {
  /** Between two frames while a property of all 300 is dragged, milliseconds. */
  readonly frames: readonly number[];
  /** The same while all 300 are moved among others that they are caught by. */
  readonly moved: readonly number[];
  /** Memory of the page before and after 1,000 drags of a frame, once what is not needed is let go; bytes. */
  readonly before: number;
  readonly after: number;
}

const inUse = async (page: Page): Promise<number> => {
  const session = await page.createCDPSession();
  await session.send('HeapProfiler.collectGarbage');
  const { usedSize } = await session.send('Runtime.getHeapUsage');
  await session.detach();
  return usedSize;
};

const rest = (page: Page) =>
  page.waitForFunction(() => document.querySelector('[data-state=stored]') !== null, { timeout: 60_000 });

/** Drags the opacity of 300 chosen frames, and one frame 1,000 times, in the application. */
export async function dragging(origin: string): Promise<DraggingFigures> {
  const browser: Browser = await openChromium();
  try {
    const page = await browser.newPage();
    await page.goto(`${origin}/issues/${ISSUE}/pages`, { waitUntil: 'load' });
    await page.waitForSelector('.desk[data-ready=true]', { timeout: 60_000 });
    const { before, after } = await manyDrags(page);
    await page.keyboard.press('Escape');
    await page.keyboard.down('Control');
    await page.keyboard.press('a');
    await page.keyboard.up('Control');
    const heading = await page.waitForSelector('aside ::-p-aria([name="Form and look"][role="button"])');
    if (await heading!.evaluate((button) => button.getAttribute('aria-expanded') === 'false')) await heading!.click();
    const label = (await page.waitForSelector('aside label::-p-text(Opacity)'))!;
    await label.scrollIntoView();
    const box = (await label.boundingBox())!;
    await watchFrames(page);
    await page.mouse.move(box.x + 10, box.y + box.height / 2);
    await page.mouse.down();
    for (let i = 1; i <= 120; i++) {
      await page.mouse.move(box.x + 10 - (i % 60), box.y + box.height / 2);
      await nextFrame(page);
    }
    const frames = await framesOf(page);
    await page.mouse.up();
    await rest(page);
    const first = (await (await page.$('[data-frame=panel-20]'))!.boundingBox())!;
    await forgetFrames(page);
    await page.mouse.move(first.x + 5, first.y + 5);
    await page.mouse.down();
    for (let i = 1; i <= 180; i++) {
      await page.mouse.move(first.x + 5 + 60 * Math.sin(i / 20), first.y + 5 + 40 * Math.cos(i / 20));
      await nextFrame(page);
    }
    const moved = await framesOf(page);
    await page.keyboard.press('Escape');
    await page.mouse.up();
    return { frames, moved, before, after };
  } finally {
    await browser.close();
  }
}

/** Drags one frame to and fro, first as often as fills what a page remembers of changes for undo. */
async function manyDrags(page: Page): Promise<{ before: number; after: number }> {
  const box = (await (await page.$('[data-frame=panel-0]'))!.boundingBox())!;
  const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
  const once = async (i: number) => {
    const [from, to] = i % 2 === 0 ? [0, 30] : [30, 0];
    await page.mouse.move(x + from, y);
    await page.mouse.down();
    await page.mouse.move(x + from + (to - from) / 2, y);
    await page.mouse.move(x + to, y);
    await page.mouse.up();
  };
  for (let i = 0; i < DRAGS; i++) await once(i);
  await rest(page);
  const before = await inUse(page);
  for (let i = 0; i < DRAGS; i++) await once(i);
  await rest(page);
  return { before, after: await inUse(page) };
}
