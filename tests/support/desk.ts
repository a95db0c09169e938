import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Browser, BrowserContext, HTTPRequest, Page } from 'puppeteer-core';
import { nanoid } from 'nanoid';
import { readRecord, type StoredRecord } from '@/core/records/stored';
import { query } from './application';

/** A copy of a document of the demo for one test to work on, of its publication or of another. */
export async function copyDocument(databaseUrl: string, of: string, publication?: string): Promise<string> {
  const id = nanoid(10);
  await query(
    databaseUrl,
    `insert into document (id, publication_id, kind, name)
     select $1, coalesce($3, publication_id), kind, name from document where id = $2`,
    [id, of, publication ?? null],
  );
  await query(
    databaseUrl,
    'insert into record (document_id, id, kind, body, version) select $1, id, kind, body, 0 from record where document_id = $2 order by place',
    [id, of],
  );
  await query(
    databaseUrl,
    'insert into reference (document_id, record_id, to_id, to_kind) select $1, record_id, to_id, to_kind from reference where document_id = $2',
    [id, of],
  );
  return id;
}

export const copyIssue = (databaseUrl: string): Promise<string> => copyDocument(databaseUrl, 'longspar-14');

/** A copy of Longspar's house, as that of a publication of its own. */
export async function copyHouse(databaseUrl: string): Promise<string> {
  const id = nanoid(10);
  await query(
    databaseUrl,
    "insert into publication (id, name, kind, frequency, position) values ($1, 'Trial', 'magazine', 'quarterly', 9)",
    [id],
  );
  return copyDocument(databaseUrl, 'longspar-house', id);
}

/** Waits until something on a page is as it should be. */
export async function until(page: Page, what: string, holds: (...args: never[]) => unknown, ...args: unknown[]): Promise<void> {
  try {
    await page.waitForFunction(holds as never, { timeout: 20_000, polling: 50 }, ...args);
  } catch {
    // What it came to instead is worth a look.
    const path = join(tmpdir(), `kite-${Date.now()}.png`) as `${string}.png`;
    await page.screenshot({ path });
    throw new Error(`It never came about that ${what}: see ${path}.`);
  }
}

/** Holds back the code of what a page opens next, while everything else comes; gives how to let it go. */
export async function holdingCode(page: Page): Promise<{ readonly held: () => number; readonly release: () => Promise<void> }> {
  const held: (() => void)[] = [];
  await page.setRequestInterception(true);
  const hold = (request: HTTPRequest) => {
    const go = () => void request.continue();
    if (request.url().includes('/_next/') && request.resourceType() === 'script') held.push(go);
    else go();
  };
  page.on('request', hold);
  return {
    held: () => held.length,
    // What a worker fetches would wait for whoever looks on.
    release: async () => {
      for (const go of held) go();
      page.off('request', hold);
      await page.setRequestInterception(false);
    },
  };
}

/** How far an arrow key moves a frame: a tenth of a millimetre, in points. */
export const NUDGE = 72 / 254;

export interface Spot {
  readonly x: number;
  readonly y: number;
}

/** Waits until what a page shows answers presses: React has taken it over. */
export const alive = (page: Page, selector: string): Promise<void> =>
  until(
    page,
    `“${selector}” answers presses`,
    (sought: string) => {
      const element = document.querySelector(sought);
      return element !== null && Object.keys(element).some((key) => key.startsWith('__reactProps'));
    },
    selector,
  );

/** The desk as a person uses it: with the mouse, the keyboard and eyes. */
export class Desk {
  readonly page: Page;
  readonly #databaseUrl: string;
  readonly #issue: string;
  readonly problems: string[] = [];

  private constructor(page: Page, databaseUrl: string, issue: string) {
    this.page = page;
    this.#databaseUrl = databaseUrl;
    this.#issue = issue;
    page.on('pageerror', (error) => this.problems.push(String(error)));
  }

  static open(browser: Browser, origin: string, databaseUrl: string, issue: string): Promise<Desk> {
    return Desk.openIn(browser.defaultBrowserContext(), origin, databaseUrl, issue);
  }

  /** As somebody else: what one browser knows of its user another does not. */
  static async openIn(context: BrowserContext, origin: string, databaseUrl: string, issue: string): Promise<Desk> {
    const page = await context.newPage();
    const desk = new Desk(page, databaseUrl, issue);
    await page.goto(`${origin}/issues/${issue}/pages`, { waitUntil: 'domcontentloaded' });
    await desk.ready();
    return desk;
  }

  /** In a page that has come to an issue by itself. */
  static on(page: Page, databaseUrl: string, issue: string): Desk {
    return new Desk(page, databaseUrl, issue);
  }

  async ready(): Promise<void> {
    await this.page.waitForSelector('.desk[data-ready=true]');
  }

  /** Waits until something on the screen is as it should be. */
  until(what: string, holds: (...args: never[]) => unknown, ...args: unknown[]): Promise<void> {
    return until(this.page, what, holds, ...args);
  }

  async stored(): Promise<void> {
    await this.until(
      'the header says stored',
      () => document.querySelector('[aria-label="Save state"]')?.getAttribute('data-state') === 'stored',
    );
  }

  async box(selector: string): Promise<{ x: number; y: number; w: number; h: number }> {
    const handle = await this.page.waitForSelector(selector);
    return handle!.evaluate((element) => {
      const { x, y, width, height } = element.getBoundingClientRect();
      return { x, y, w: width, h: height };
    });
  }

  async middle(selector: string): Promise<Spot> {
    const { x, y, w, h } = await this.box(selector);
    return { x: x + w / 2, y: y + h / 2 };
  }

  async drag(from: Spot, to: Spot, before?: () => Promise<void>): Promise<void> {
    const { mouse } = this.page;
    await mouse.move(from.x, from.y);
    await mouse.down();
    await mouse.move(from.x + 6, from.y + 6, { steps: 2 });
    await mouse.move(to.x, to.y, { steps: 12 });
    try {
      await before?.();
    } finally {
      await mouse.up();
    }
  }

  /** Draws a panel on the paper in sight, from one corner to the other as shares of its breadth and height. */
  async drawPanel(x: number, y: number, w: number, h: number): Promise<void> {
    await this.drag(await this.onPaper(x, y), await this.onPaper(x + w, y + h));
    await this.page.waitForSelector('[role=menu]');
    await this.press('a');
    await this.stored();
    await this.press('Escape');
  }

  async press(...keys: string[]): Promise<void> {
    const held = keys.slice(0, -1);
    for (const key of held) await this.page.keyboard.down(key as never);
    await this.page.keyboard.press(keys.at(-1) as never);
    for (const key of held.reverse()) await this.page.keyboard.up(key as never);
  }

  /** Presses keys faster than the page can follow: all of them wait while it is busy with something else. */
  async pressFast(...all: string[][]): Promise<void> {
    await this.page.evaluate(() => {
      const busy = () => {
        const until = performance.now() + 150;
        while (performance.now() < until);
      };
      setTimeout(busy);
    });
    const { keyboard } = this.page;
    await Promise.all(
      all.flatMap((keys) => [
        ...keys.map((key) => keyboard.down(key as never)),
        ...[...keys].reverse().map((key) => keyboard.up(key as never)),
      ]),
    );
  }

  /** Does a command by its name, in the command bar. */
  async command(name: string): Promise<void> {
    await this.press('Control', 'k');
    await this.page.waitForSelector('[role=dialog] input');
    await this.page.keyboard.type(name);
    await this.until(
      `“${name}” is offered`,
      (sought: string) => document.querySelector('[cmdk-item][data-selected=true]')?.textContent?.includes(sought),
      name,
    );
    await this.press('Enter');
  }

  /** Goes to the spread that holds a page, by its cell in the page line. */
  async go(pageNumber: number): Promise<void> {
    await this.page.click(`nav [aria-label^="Page ${pageNumber}"]`);
    await this.until(
      `page ${pageNumber} lies on the desk`,
      (number: number) => document.querySelector(`nav [aria-label^="Page ${number}"]`)?.getAttribute('aria-current') === 'page',
      pageNumber,
    );
  }

  /** A point of the spread's paper, in shares of its width and height. */
  async onPaper(x: number, y: number): Promise<Spot> {
    const paper = await this.box('[data-paper]');
    return { x: paper.x + x * paper.w, y: paper.y + y * paper.h };
  }

  /** Waits until some words stand on the desk, whatever spaces and lines they are set in. */
  async reads(words: string): Promise<boolean> {
    await this.until(
      `“${words}” stands on the desk`,
      (text: string) => (document.querySelector('[data-painted]')?.textContent ?? '').replace(/\s+/g, '').includes(text),
      words.replace(/\s+/g, ''),
    );
    return true;
  }

  async frames(kind: string): Promise<{ id: string; label: string }[]> {
    return this.page.$$eval(
      '[data-frame]',
      (elements, start) =>
        elements
          .map((element) => ({ id: element.getAttribute('data-frame')!, label: element.getAttribute('aria-label')! }))
          .filter(({ label }) => label.startsWith(start)),
      kind,
    );
  }

  /** Records of the issue as the database has them. */
  async records<T>(kind: string): Promise<T[]> {
    const rows = await query<{ body: StoredRecord }>(
      this.#databaseUrl,
      'select body from record where document_id = $1 and kind = $2',
      [this.#issue, kind],
    );
    return rows.map(({ body }) => readRecord(body) as T);
  }

  async changes(): Promise<{ seq: number; label: string; kind: string }[]> {
    return query(this.#databaseUrl, 'select seq::int, label, kind from change where document_id = $1 order by seq', [
      this.#issue,
    ]);
  }
}
