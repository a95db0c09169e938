import type { Browser } from 'puppeteer-core';
import { openChromium } from '../../tests/support/chromium';
import { growingText } from '@/core/actions/frames';
import { setMaster } from '@/core/actions/pages';
import { pageGrid, stretchBox } from '@/core/page/grid';
import { startingHouse } from '@/core/plan/startingHouse';
import { plainBody } from '@/core/records/body';
import { type Document, documentOf, find, get } from '@/core/records/document';
import { textContent } from '@/core/records/frame';
import type { DocumentRecord, FrameRecord, MasterRecord } from '@/core/records/index';
import { framesOf, nextFrame, watchFrames } from './frames';
import { storeIssue } from './store';
import { passage } from './texts';

const ISSUE = 'bench-plan';
export const PLAN_PAGES = 200;
export const PLAN_STORIES = 300;
/** Words of a story. */
const WORDS = 320;
/** Pages that are given another master at once. */
export const MASTER_PAGES = 100;

/** A magazine of 200 pages with 300 stories: one or two on every page, in the flow area of its master or above and below. */
export async function planIssue(): Promise<Document> {
  const house = startingHouse('magazine', 'en-GB', { pages: [] });
  const text = house.find((record): record is MasterRecord => record.id === 'text')!;
  const format = get(documentOf(house), 'format', 'format');
  // Another master, whose flow area takes four of six columns.
  const news: MasterRecord = { ...text, id: 'news', name: 'News' };
  const records: DocumentRecord[] = [
    ...house,
    news,
    { id: 'issue', kind: 'issue', publication: 'Bench', number: '1', season: '', date: '2027-01-01', language: 'en-GB' },
  ];
  for (const side of ['left', 'right'] as const) {
    const flow = find(documentOf(house), 'frame', `flow-${side}`)!;
    const box = stretchBox(pageGrid(format, news, side), { columns: [2, 5], lines: [1, pageGrid(format, news, side).lines] });
    records.push({ ...flow, id: `news-${side}`, on: 'news', box });
  }
  const paragraphs = await passage(PLAN_STORIES * WORDS);
  const each = Math.floor(paragraphs.length / PLAN_STORIES);
  let story = 0;
  for (let i = 0; i < PLAN_PAGES; i++) {
    const page = `page-${i}`;
    const side = i % 2 === 0 ? 'right' : 'left';
    const grid = pageGrid(format, text, side);
    records.push({ id: page, kind: 'page', order: `a${String(i).padStart(4, '0')}5`, master: 'text' });
    const count = i % 2 === 0 ? 1 : 2;
    for (let k = 0; k < count; k++, story++) {
      const id = `story-${story}`;
      const lines = Math.floor(grid.lines / count);
      const top = 1 + k * lines;
      const put = (frame: string, order: string, content: FrameRecord['content'], from: number, to: number, of?: string) =>
        records.push({
          id: `${id}-${frame}`,
          kind: 'frame',
          on: page,
          side: 'both',
          box: stretchBox(grid, { columns: [1, 6], lines: [from, to] }),
          order: `a${k}${order}5`,
          content,
          wrap: { mode: 'none', standOff: 0, outline: 'shape' },
          ...(of ? { of } : {}),
        });
      records.push(
        {
          id,
          kind: 'story',
          name: `Story ${story + 1}`,
          section: 'News',
          order: `a${String(story).padStart(4, '0')}5`,
          tint: story % 8,
          parts: { headline: `${id}-headline`, body: `${id}-body` },
        },
        { id: `${id}-headline`, kind: 'text', role: 'headline', story: id, body: plainBody('headline', 'Wind over the harbour') },
        {
          id: `${id}-body`,
          kind: 'text',
          role: 'body',
          story: id,
          body: plainBody('body', ...paragraphs.slice(story * each, (story + 1) * each)),
        },
      );
      put('h', '1', growingText(`${id}-headline`), top, top + 2);
      const content = textContent(`${id}-body`, 'a0', { columns: 3, gutter: text.gutter });
      put('b', '2', content, top + 4, top + lines - 1, count === 1 ? `flow-${side}` : undefined);
    }
  }
  return documentOf(records);
}

export async function storePlanIssue(): Promise<void> {
  await storeIssue(ISSUE, 'Many pages', await planIssue());
}

/** The action by itself, milliseconds, one a round: 100 pages given another master, and back. */
export async function givingMaster(rounds: number): Promise<number[]> {
  const document = await planIssue();
  const pages = Array.from({ length: MASTER_PAGES }, (_, i) => `page-${i}`);
  return Array.from({ length: rounds }, () => {
    // Nothing is remembered of a document that is new.
    const fresh = documentOf(document.records.values());
    const from = performance.now();
    setMaster(fresh, pages, 'news');
    return performance.now() - from;
  });
}

export interface PlanFigures {
  /** From asking for the place until its pages stood there, with folios and stories, milliseconds. */
  readonly there: readonly number[];
  /** Until every page in sight was a true picture: from what was kept of the last time, and where nothing was. */
  readonly again: readonly number[];
  readonly first: readonly number[];
  /** Between frames while the flatplan scrolls under the wheel, milliseconds. */
  readonly frames: readonly number[];
  /** From the choice of a master for 100 pages until the screen had been drawn with it, milliseconds. */
  readonly mastered: readonly number[];
}

/** Opens the flatplan, scrolls it, and gives 100 pages another master, as a person does. */
export async function planning(origin: string, rounds: number): Promise<PlanFigures> {
  const browser: Browser = await openChromium();
  const there: number[] = [];
  const again: number[] = [];
  const first: number[] = [];
  const frames: number[] = [];
  const mastered: number[] = [];
  try {
    const page = await browser.newPage();
    await page.setViewport({ width: 1280, height: 800 });
    await page.evaluateOnNewDocument(() => {
      const own = window as unknown as { drawnAt?: number; thereAt?: number };
      const look = () => {
        const flatplan = document.querySelector('[data-flatplan]');
        const foot = flatplan?.getBoundingClientRect().bottom ?? 0;
        const inSight = [...document.querySelectorAll('[data-plan-page]')].filter(
          (each) => each.getBoundingClientRect().top < foot,
        );
        if (inSight.length > 0) own.thereAt ??= performance.now();
        const all = inSight.length > 0 && inSight.every((each) => each.querySelector('[data-drawn=true]'));
        if (all) own.drawnAt = performance.now();
        else requestAnimationFrame(look);
      };
      requestAnimationFrame(look);
    });
    const open = async () => {
      await page.goto(`${origin}/issues/${ISSUE}/plan`, { waitUntil: 'load' });
      await page.waitForFunction(() => (window as unknown as { drawnAt?: number }).drawnAt !== undefined, { timeout: 60_000 });
      const at = await page.evaluate(() => {
        const { thereAt, drawnAt } = window as unknown as { thereAt: number; drawnAt: number };
        return { thereAt, drawnAt };
      });
      // Everything comes to rest, and the pages are kept, before it is opened again.
      await page.waitForFunction(() => caches.match('/kept/small-pages/bench-plan').then((found) => found !== undefined), {
        timeout: 60_000,
        polling: 200,
      });
      await page.evaluate(() => new Promise((resolve) => requestIdleCallback(resolve)));
      return at;
    };
    // The very first time code and faces are fetched too.
    await open();
    for (let i = 0; i < rounds; i++) {
      const at = await open();
      there.push(at.thereAt);
      again.push(at.drawnAt);
      await page.evaluate(() => caches.delete('small-pages'));
      first.push((await open()).drawnAt);
    }
    // All of the issue is composed by now, or will be: scrolling is measured when it is.
    await page.waitForFunction(() => /over|fits|room/.test(document.querySelector('[data-flatplan]')!.textContent!), {
      timeout: 60_000,
    });
    const flatplan = (await (await page.$('[data-flatplan]'))!.boundingBox())!;
    await page.mouse.move(flatplan.x + 300, flatplan.y + 200);
    await watchFrames(page);
    for (let i = 0; i < 60; i++) {
      await page.mouse.wheel({ deltaY: 120 });
      await nextFrame(page);
    }
    frames.push(...(await framesOf(page)));
    await page.evaluate(() => document.querySelector('[data-flatplan]')!.scrollTo(0, 0));
    const press = async (number: number) => {
      const target = (await page.$(`[data-plan-page="page-${number}"]`))!;
      await target.scrollIntoView();
      await target.click();
    };
    await press(0);
    await page.keyboard.down('Shift');
    await press(MASTER_PAGES - 1);
    await page.keyboard.up('Shift');
    await page.waitForFunction(
      (n) => document.querySelectorAll('[data-plan-page][aria-pressed=true]').length === n,
      {},
      MASTER_PAGES,
    );
    await page.evaluate(() => {
      const own = window as unknown as { mastered: number[] };
      own.mastered = [];
      window.addEventListener(
        'change',
        () => {
          const from = performance.now();
          requestAnimationFrame(() => {
            const { port1, port2 } = new MessageChannel();
            port1.onmessage = () => own.mastered.push(performance.now() - from);
            port2.postMessage(null);
          });
        },
        true,
      );
    });
    for (let i = 0; i < 2 * rounds; i++) {
      await page.select('[aria-label="Chosen pages"] select', i % 2 === 0 ? 'news' : 'text');
      await page.waitForFunction(
        (n) => (window as unknown as { mastered: number[] }).mastered.length > n,
        { timeout: 30_000 },
        i,
      );
      await page.waitForFunction(() => document.querySelector('[data-state=stored]') !== null, { timeout: 60_000 });
      await page.evaluate(() => new Promise((resolve) => requestIdleCallback(resolve)));
    }
    mastered.push(...(await page.evaluate(() => (window as unknown as { mastered: number[] }).mastered)));
    return { there, again, first, frames, mastered: mastered.slice(2) };
  } finally {
    await browser.close();
  }
}
