import { WAYS } from '@/core/handoff/ways';
import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { bodyText, paragraphsOf, plainText } from '@/core/records/body';
import type { FrameRecord, PictureRecord, StoryRecord, TextRecord } from '@/core/records/index';
import { openServer, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { longSample, sampleAs } from '../support/copySample';
import { copyDocument, Desk, type Spot } from '../support/desk';
import { ran, scratch } from '../support/programs';

/**
 * What a newspaper does with a long story, from the file to the PDF: it arrives, is cleaned, placed, threaded over three pages with
 * jump lines, edited, corrected and read; once with the mouse, once with the keyboard alone, and by two people.
 */

const databaseUrl = inject('databaseUrl');
let server: Server;
let browser: Browser;
let file: string;

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium(server.origin);
  file = await sampleAs('docx', await longSample(3000), false);
});

afterAll(async () => {
  await browser?.close();
  await server?.stop();
});

const named = (name: string, role = 'button') => `::-p-aria([name="${name}"][role="${role}"])`;

async function opened(): Promise<{ desk: Desk; page: Page; issue: string }> {
  const issue = await copyDocument(databaseUrl, 'packet-1206');
  const desk = await Desk.open(browser, server.origin, databaseUrl, issue);
  await desk.page.setViewport({ width: 1280, height: 800 });
  return { desk, page: desk.page, issue };
}

const wall = async (desk: Desk): Promise<StoryRecord> => {
  await desk.stored();
  return (await desk.records<StoryRecord>('story')).find(({ name }) => name === 'The wall that keeps the harbour')!;
};
const bodyOf = async (desk: Desk) => {
  const { parts } = await wall(desk);
  return (await desk.records<TextRecord>('text')).find(({ id }) => id === parts.body)!.body;
};
/** The frames that the story runs through, in their order. */
const thread = async (desk: Desk): Promise<FrameRecord[]> => {
  const { parts } = await wall(desk);
  return (await desk.records<FrameRecord>('frame'))
    .filter(({ content }) => content.type === 'text' && content.text === parts.body)
    .sort((a, b) => ((a.content as { order: string }).order < (b.content as { order: string }).order ? -1 : 1));
};
const pagesOf = async (desk: Desk, frames: readonly FrameRecord[]): Promise<number[]> => {
  const pages = (await desk.records<{ id: string; order: string }>('page')).sort((a, b) => (a.order < b.order ? -1 : 1));
  return frames.map(({ on }) => pages.findIndex(({ id }) => id === on) + 1);
};

/** What the print PDF says on its pages, each as one line of words, hyphens at ends of lines taken back. */
async function delivered(issue: string, pages: readonly number[]): Promise<string[]> {
  const response = await fetch(`${server.origin}/api/documents/${issue}/deliveries`, {
    method: 'POST',
    headers: { 'content-type': 'application/json' },
    body: JSON.stringify({ way: 'screen', choices: WAYS.screen.usual, noticed: true }),
  });
  const { id } = (await response.json()) as { id: string };
  const path = join(await scratch(), 'wall.pdf');
  for (;;) {
    const { state } = (await (await fetch(`${server.origin}/api/deliveries/${id}`)).json()) as { state: string };
    if (state === 'failed' || state === 'held') throw new Error('The PDF could not be made.');
    if (state === 'done') break;
    await new Promise((resolve) => setTimeout(resolve, 200));
  }
  await writeFile(path, Buffer.from(await (await fetch(`${server.origin}/api/deliveries/${id}/file`)).arrayBuffer()));
  return Promise.all(
    pages.map(async (page) => {
      const { out } = await ran('pdftotext', ['-f', String(page), '-l', String(page), path, '-']);
      return out.replace(/[-\u00ad]\n/g, '').replace(/\s+/g, ' ');
    }),
  );
}

/** @param jump which of its pages goes on to one that does not follow it */
async function checkPdf(desk: Desk, issue: string, jump: number): Promise<void> {
  const pages = [...new Set(await pagesOf(desk, await thread(desk)))];
  expect(pages.length).toBeGreaterThanOrEqual(3);
  const words = await delivered(issue, pages);
  const all = words.join(' ');
  expect(all).toContain('The wall that keeps the harbour');
  expect(all).toMatch(/nobody hurries/);
  expect(all).toContain('Ternhaven Head');
  expect(all).not.toContain('Carrowmouth');
  // Two pages that do not follow one another say where the other is; those that do say nothing.
  expect(words[jump]).toContain(`Continued on page ${pages[jump + 1]}`);
  expect(words[jump + 1]).toContain(`From page ${pages[jump]}`);
  expect(all.match(/Continued on page/g)).toHaveLength(1);
  for (const cell of ['High water', '04.12', '3.1', 'Mind the tide', 'The first wall was of oak.']) expect(all).toContain(cell);
}

describe('a long story, with the mouse', () => {
  let desk: Desk;
  let page: Page;
  let issue: string;
  beforeAll(async () => {
    ({ desk, page, issue } = await opened());
  });

  it('arrives and is cleaned up, with its list, table, notes and picture', async () => {
    const input = (await page.$('input[type=file]'))! as unknown as { uploadFile(...paths: string[]): Promise<void> };
    await input.uploadFile(file);
    await page.waitForSelector('[role=dialog] [data-galley]');
    await page.waitForSelector('[role=dialog] ::-p-text(Clean up)');
    await page.click(named('Bring in the story'));
    const body = await bodyOf(desk);
    const text = bodyText(body);
    expect(text).toMatch(/Carrowmouth – or so they say at “Carrowmouth Head”…/);
    expect(body.children.filter(({ type }) => type.name === 'table')).toHaveLength(1);
    expect(paragraphsOf(body).filter(({ attrs }) => attrs['list'] !== undefined).length).toBeGreaterThanOrEqual(5);
    expect(text).toContain('The first wall was of oak.');
    const story = await wall(desk);
    expect((await desk.records<PictureRecord>('picture')).filter((each) => each.story === story.id)).toHaveLength(1);
  });

  it('is placed into a slot, and its tail goes on over the next page and a later one, with jump lines', async () => {
    await desk.go(4);
    const { id } = await wall(desk);
    const slot = await desk.middle('[data-frame][aria-label^="Text slot"], [data-frame][aria-label*="First story"]');
    await desk.drag(await desk.middle(`[data-story="${id}"]`), slot);
    const { parts } = await wall(desk);
    const tail = `[data-tail="${parts.body}"] rect`;
    await page.waitForSelector(tail);
    await desk.drag(await desk.middle(tail), await desk.onPaper(0.75, 0.3));
    await desk.until('the next page has it', () => document.querySelector('[data-tail]') === null);
    // The page makes room for something else: the story is over again, and goes on where there is room.
    const second = (await thread(desk)).at(-1)!;
    await page.click(`[data-frame="${second.id}"]`);
    const grip = await desk.middle('[data-pull=bottom]');
    await desk.drag(grip, { x: grip.x, y: grip.y - 250 });
    await page.waitForSelector(tail);
    await desk.drag(await desk.middle(tail), await desk.middle('nav [aria-label^="Page 8"]'), async () => {
      await desk.until(
        'page 8 opens',
        () => document.querySelector('nav [aria-label^="Page 8"]')?.getAttribute('aria-current') === 'page',
      );
      const over = await desk.onPaper(0.75, 0.3);
      await page.mouse.move(over.x, over.y, { steps: 6 });
    });
    await desk.reads('From page 5');
    expect(await pagesOf(desk, await thread(desk))).toEqual([4, 5, 9]);
  });

  it('has a word made italic, a sentence moved to another column, a name replaced throughout, and its spelling read', async () => {
    await desk.go(4);
    const first = (await thread(desk))[0]!;
    const frame = await desk.box(`[data-frame="${first.id}"]`);
    const at = (x: number, y: number): Spot => ({ x: frame.x + x * frame.w, y: frame.y + y * frame.h });
    // Two presses go into the text, two more take a word.
    const spot = at(0.1, 0.2);
    await page.mouse.click(spot.x, spot.y, { clickCount: 2 });
    await page.waitForSelector('[data-caret]');
    await page.mouse.click(spot.x, spot.y, { clickCount: 2 });
    await page.waitForSelector('[data-text-selected]');
    const italics = (body: Awaited<ReturnType<typeof bodyOf>>) =>
      paragraphsOf(body).reduce(
        (sum, each) => sum + each.children.filter(({ marks }) => marks.some(({ type }) => type.name === 'emphasis')).length,
        0,
      );
    const before = italics(await bodyOf(desk));
    await page.click(named('Emphasis'));
    expect(italics(await bodyOf(desk))).toBe(before + 1);
    // Three presses take a paragraph, which is dragged into the next column.
    const paragraphs = async () => paragraphsOf(await bodyOf(desk)).map(plainText);
    const were = await paragraphs();
    await page.mouse.click(spot.x, spot.y, { clickCount: 3 });
    const chosen = at(0.1, 0.2);
    await desk.drag(chosen, at(0.6, 0.5), async () => {
      await page.waitForSelector('[data-drop-caret]');
    });
    await expect.poll(paragraphs, { timeout: 20_000 }).not.toEqual(were);
    const are = await paragraphs();
    expect(are.join(' ').split(/\s+/).sort()).toEqual(were.join(' ').split(/\s+/).sort());
    await desk.press('Escape');
    await desk.press('Escape');
    await desk.press('Control', 'f');
    await page.waitForSelector('[aria-label="Find and replace"] input');
    await page.keyboard.type('Carrowmouth');
    await page.type('[aria-label="Find and replace"] ::-p-aria([name="Replace with"])', 'Ternhaven');
    await page.waitForSelector('[data-match]');
    await (await page.waitForSelector('::-p-text(Replace 3)'))!.click();
    await desk.stored();
    expect((await paragraphs()).join(' ')).not.toContain('Carrowmouth');
    await desk.press('F7');
    await desk.until(
      'its unknown words are listed',
      () => Number(document.querySelector('[data-misspelt]')?.getAttribute('data-misspelt') ?? 0) > 0,
    );
    await page.click(named('Close spelling'));
  });

  it('is right in the PDF', async () => {
    await checkPdf(desk, issue, 1);
    expect(desk.problems).toEqual([]);
  });
});

describe('a long story, with the keyboard alone', () => {
  let desk: Desk;
  let page: Page;
  let issue: string;
  beforeAll(async () => {
    ({ desk, page, issue } = await opened());
  });

  /** Goes on with Tab until something has the focus, by its selector and what it is called. */
  async function tabTo(selector: string, name = ''): Promise<void> {
    for (let i = 0; i < 150; i++) {
      const isThere = await page.evaluate(
        (sought, called) => {
          const own = document.activeElement;
          const labels = (own as HTMLInputElement | null)?.labels?.[0]?.textContent ?? own?.textContent ?? '';
          return own?.matches(sought) === true && labels.trim().startsWith(called);
        },
        selector,
        name,
      );
      if (isThere) return;
      await desk.press('Tab');
    }
    throw new Error(`Tab never came to ${selector} ${name}.`);
  }

  it('arrives by a command, and is taken in cleaned', async () => {
    const chooser = page.waitForFileChooser();
    await desk.command('Bring in stories and pictures');
    await (await chooser).accept([file]);
    await page.waitForSelector('[role=dialog] [data-galley]');
    await page.waitForSelector('[role=dialog] ::-p-text(Clean up)');
    await tabTo('[data-first]');
    await desk.press('Enter');
    await desk.until('it is taken in', () => document.querySelector('[role=dialog]') === null);
    expect(bodyText(await bodyOf(desk))).toMatch(/Carrowmouth – or so they say at “Carrowmouth Head”…/);
  });

  /** Marks out all columns of a page from a line to its foot, for a panel. */
  async function panel(pageNumber: number, from: number): Promise<void> {
    // A frame that Tab comes to is chosen: behind them, Esc leaves the last, and Detail is the page's.
    await tabTo('button', 'Columns and guides');
    await desk.press('Escape');
    await tabTo('[aria-label="On page"] *');
    const heading = await page.$eval('[aria-label="Mark out a stretch"] h3', (own) => own.textContent!);
    if (!heading.endsWith(` ${pageNumber}`)) await desk.press('ArrowRight');
    await desk.until(
      'that page is meant',
      (n: number) => document.querySelector('[aria-label="Mark out a stretch"]')?.textContent?.includes(`page ${n}`),
      pageNumber,
    );
    const put = async (label: string, value: string) => {
      await tabTo(`[aria-label="Mark out a stretch"] [aria-label="${label}"]`);
      await desk.press('Control', 'a');
      await page.keyboard.type(value);
    };
    await put('Columns, to', '6');
    await put('Lines, from', String(from));
    await put('Lines, to', '97');
    await tabTo('[aria-label="Mark out a stretch"] button');
    await desk.press('Enter');
    await page.waitForSelector('[role=menu]');
    await desk.press('a');
    await desk.until('the panel is there', () => document.querySelector('[role=menu]') === null);
    await desk.press('Escape');
  }
  async function goOn(): Promise<void> {
    const { parts } = await wall(desk);
    const before = (await thread(desk)).length;
    await tabTo(`[data-tail="${parts.body}"]`);
    await desk.press('Enter');
    await expect.poll(async () => (await thread(desk)).length, { timeout: 20_000 }).toBe(before + 1);
  }

  it('is placed in the first slot that waits, and goes on from its tail over three pages, past one that is taken', async () => {
    await desk.press(']');
    await desk.press(']');
    await page.waitForSelector('nav [aria-label^="Page 4"][aria-current]');
    const { id, parts } = await wall(desk);
    await panel(5, 1);
    await tabTo(`[data-story="${id}"]`);
    await desk.press('Enter');
    await page.waitForSelector(`[data-tail="${parts.body}"]`);
    await goOn();
    expect(await pagesOf(desk, await thread(desk))).toEqual([4, 6]);
    await desk.reads('From page 4');
    // What stands on page 6 ends at its middle, for something else below.
    const last = (await thread(desk)).at(-1)!;
    await tabTo(`[data-frame="${last.id}"]`);
    await tabTo('[aria-label="Detail"] [aria-label="Lines, to"]');
    await desk.press('Control', 'a');
    await page.keyboard.type('40');
    await desk.press('Enter');
    await page.waitForSelector(`[data-tail="${parts.body}"]`);
    await panel(6, 42);
    await goOn();
    expect(await pagesOf(desk, await thread(desk))).toEqual([4, 6, 7]);
  });

  it('has a word made italic, words moved to another column, a name replaced throughout, and its spelling read', async () => {
    const [first] = await thread(desk);
    await desk.press('Escape');
    await desk.press('[');
    await page.waitForSelector('nav [aria-label^="Page 4"][aria-current]');
    await tabTo(`[data-frame="${first!.id}"]`);
    await desk.press('Enter');
    await page.waitForSelector('[data-caret]');
    await desk.press('Control', 'Home');
    await desk.press('Control', 'Shift', 'ArrowRight');
    await page.waitForSelector('[data-text-selected]');
    await desk.press('Control', 'i');
    expect(paragraphsOf(await bodyOf(desk))[0]!.firstChild!.marks.map(({ type }) => type.name)).toEqual(['emphasis']);
    const text = async () => bodyText(await bodyOf(desk));
    const were = await text();
    // A line is cut and put in again a column further on.
    await desk.press('Home');
    await desk.until('nothing is selected', () => document.querySelector('[data-text-selected]') === null);
    await desk.press('Shift', 'End');
    await page.waitForSelector('[data-text-selected]');
    await desk.press('Control', 'x');
    await desk.until('it is cut', () => document.querySelector('[data-text-selected]') === null);
    const caret = () => page.$eval('[data-caret]', (own) => (own as HTMLElement).style.cssText);
    const before = await caret();
    for (let i = 0; i < 3; i++) await desk.press('PageDown');
    await expect.poll(caret).not.toBe(before);
    await desk.press('Control', 'v');
    const are = await text();
    const signs = (of: string) => [...of.replace(/\s/g, '')].sort().join('');
    expect(are).not.toBe(were);
    expect(signs(are)).toBe(signs(were));
    await desk.press('Control', 'f');
    await page.waitForSelector('[aria-label="Find and replace"] input');
    await page.keyboard.type('Carrowmouth');
    await tabTo('[aria-label="Find and replace"] input', 'Replace with');
    await page.keyboard.type('Ternhaven');
    await page.waitForSelector('[data-match]');
    await tabTo('[aria-label="Find and replace"] .btn-primary');
    await desk.press('Enter');
    await desk.stored();
    expect(await text()).not.toContain('Carrowmouth');
    await desk.press('F7');
    await desk.until(
      'its unknown words are listed',
      () => Number(document.querySelector('[data-misspelt]')?.getAttribute('data-misspelt') ?? 0) > 0,
    );
  });

  it('is right in the PDF', async () => {
    await checkPdf(desk, issue, 0);
    expect(desk.problems).toEqual([]);
  });
});

describe('two people in one story', () => {
  it('both keep every letter, on the page and in Copy', async () => {
    const { desk, issue } = await opened();
    const input = (await desk.page.$('input[type=file]'))! as unknown as { uploadFile(...paths: string[]): Promise<void> };
    await input.uploadFile(file);
    await desk.page.waitForSelector('[role=dialog] [data-galley]');
    await desk.page.click(named('Bring in the story'));
    const { id, parts } = await wall(desk);
    await desk.go(4);
    await desk.drag(await desk.middle(`[data-story="${id}"]`), await desk.onPaper(0.2, 0.3));
    await desk.page.waitForSelector(`[data-tail="${parts.body}"]`);
    const [first] = await thread(desk);
    const context = await browser.createBrowserContext();
    const other = await Desk.openIn(context, server.origin, databaseUrl, issue);
    await other.page.goto(`${server.origin}/issues/${issue}/copy?story=${id}`, { waitUntil: 'domcontentloaded' });
    const part = `[data-part="${parts.body}"] [data-text-field]`;
    await other.page.waitForSelector(part);
    await desk.page.bringToFront();
    await desk.page.click(`[data-frame="${first!.id}"]`, { clickCount: 2 });
    await desk.page.waitForSelector('[data-caret]');
    await desk.press('Control', 'Home');
    await other.page.bringToFront();
    await other.page.click(`${part} p:nth-of-type(3)`);
    await other.press('Home');
    for (const [a, b] of ['Oa', 'nb', 'ec', ' d'] as unknown as readonly string[][]) {
      await desk.page.bringToFront();
      await desk.page.keyboard.type(a!);
      await other.page.bringToFront();
      await other.page.keyboard.type(b!);
    }
    await desk.page.bringToFront();
    await desk.stored();
    await expect.poll(async () => bodyText(await bodyOf(desk)), { timeout: 20_000 }).toMatch(/^One .*abcd/s);
    expect([...desk.problems, ...other.problems]).toEqual([]);
    await context.close();
  });
});
