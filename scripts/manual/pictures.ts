import type { Page } from 'puppeteer-core';
import { openChromium } from '../../tests/support/chromium';

/** The application as a reader of the manual sees it, chapter by chapter, taken from the demo. */

export interface ScreenPicture {
  readonly file: string;
  readonly caption: string;
  /** What it shows, for those who do not see it. */
  readonly alternative: string;
  readonly take: (page: Page, origin: string) => Promise<void>;
}

const ready = (page: Page) => page.waitForSelector('.desk[data-ready=true]');

/** Waits until every picture in sight has come, and small pages have theirs: until then those are areas of one grey. */
async function picturesThere(page: Page): Promise<void> {
  await page.waitForFunction(
    () =>
      [...document.images].every(({ complete }) => complete) &&
      [...document.querySelectorAll('image')].every(
        ({ href }) => performance.getEntriesByName(new URL(href.baseVal, location.href).href).length > 0,
      ) &&
      document.fonts.status === 'loaded',
    { timeout: 60_000 },
  );
  await page.waitForFunction(
    () =>
      [...document.querySelectorAll<HTMLCanvasElement>('[data-drawn=true] canvas, canvas[data-drawn=true]')].every((canvas) => {
        const { data } = canvas.getContext('2d')!.getImageData(0, 0, canvas.width, canvas.height);
        let grey = 0;
        for (let i = 0; i < data.length; i += 4) if (data[i] === 0xcf && data[i + 1] === 0xd8 && data[i + 2] === 0xdf) grey++;
        return grey < 200;
      }),
    { timeout: 60_000, polling: 500 },
  );
}

/** Opens a spread of the magazine on the desk. */
async function spread(page: Page, origin: string, number: number): Promise<void> {
  await page.goto(`${origin}/issues/longspar-14/pages?page=p${number}`, { waitUntil: 'domcontentloaded' });
  await ready(page);
}

/** The middle of a frame whose name begins so, or a place in it. */
async function inFrame(page: Page, name: string, x = 0.5, y = 0.5): Promise<readonly [number, number]> {
  const box = (await (await page.waitForSelector(`[data-frame][aria-label^="${name}"]`))!.boundingBox())!;
  return [box.x + box.width * x, box.y + box.height * y];
}

export const SCREENS: readonly ScreenPicture[] = [
  {
    file: 'front.jpg',
    caption: '',
    alternative: 'The desk: a spread of a magazine whose picture fills the left page and reaches over the fold.',
    take: async (page, origin) => {
      await spread(page, origin, 6);
      await page.keyboard.press('.');
    },
  },
  {
    file: 'shelf.jpg',
    caption: 'The shelf: covers, what is due next, and the way back to where you were.',
    alternative: 'Three publications with the covers of their issues, and beside each a list of stories that are due.',
    take: async (page, origin) => {
      await page.goto(origin, { waitUntil: 'load' });
    },
  },
  {
    file: 'house.jpg',
    caption: 'Format and grid. Drag a gutter, or type.',
    alternative: 'A spread of sample text on its grid, with fields for the size of the page, its margins and its columns.',
    take: async (page, origin) => {
      await page.goto(`${origin}/houses/longspar-house/grid`, { waitUntil: 'domcontentloaded' });
      await page.waitForFunction(() => document.querySelectorAll('[data-chunk] text').length > 500);
    },
  },
  {
    file: 'plan.jpg',
    caption: 'Plan: the whole issue, and what still waits for a place.',
    alternative: 'All pages of a newspaper, small, in their order, with a list of stories to be placed at the right.',
    take: async (page, origin) => {
      await page.goto(`${origin}/issues/packet-1206/plan`, { waitUntil: 'domcontentloaded' });
      await page.waitForFunction(() => document.querySelectorAll('[data-drawn=true]').length >= 16);
      await page.waitForSelector('[data-chart] svg');
    },
  },
  {
    file: 'copy.jpg',
    caption: 'Copy: a story in its editor, and the galley that says where its space ends.',
    alternative:
      'A list of stories with their states and lengths; one is open in an editor, with its lines as they are set beside it.',
    take: async (page, origin) => {
      await page.goto(`${origin}/issues/longspar-14/copy?story=dates-for-a-cold-quarter`, { waitUntil: 'domcontentloaded' });
      await page.waitForFunction(
        () => document.querySelector('[data-galley]')?.textContent?.includes('space ends here') === true,
      );
    },
  },
  {
    file: 'pages.jpg',
    caption: 'Pages: a frame is chosen. The strip beneath has what can be done with it.',
    alternative: 'A spread on the desk, with the list of stories at the left and the details of a chosen frame at the right.',
    take: async (page, origin) => {
      await spread(page, origin, 8);
      await page.mouse.click(...(await inFrame(page, 'Text, ', 0.2, 0.8)));
    },
  },
  {
    file: 'finish.jpg',
    caption: 'After q, the sentence under the pointer lights up; a press pulls it out.',
    alternative: 'A spread with a sentence of its text marked, about to become a pull quote.',
    take: async (page, origin) => {
      await spread(page, origin, 10);
      await page.mouse.click(...(await inFrame(page, 'Text, What the gust', 0.1, 0.9)));
      await page.keyboard.press('q');
      await page.waitForSelector('[data-sentence="4"]');
      await page.hover('[data-sentence="4"]');
    },
  },
  {
    file: 'fit.jpg',
    caption: 'Fit: what was tried, what each gains, and the page as it would be.',
    alternative: 'A page beside a list of mends for a story that is a line too long; one of them is ticked.',
    take: async (page, origin) => {
      await page.goto(`${origin}/issues/longspar-14/pages?fit=dates-for-a-cold-quarter-body`, { waitUntil: 'domcontentloaded' });
      await page.waitForSelector('[data-fit-done=true]');
      await page.click('[data-mend] input');
      await page.waitForFunction(() => !document.querySelector('[data-fits]')!.getAttribute('data-fits')!.includes('over'));
    },
  },
  {
    file: 'checks.jpg',
    caption: 'Checks: what is wrong, where, and what mends it.',
    alternative: 'A list of findings, each with a picture of its place and buttons that mend it, beside the page it is about.',
    take: async (page, origin) => {
      await page.goto(`${origin}/issues/longspar-14/checks`, { waitUntil: 'domcontentloaded' });
      await page.waitForSelector('[data-checked=true]', { timeout: 120_000 });
      await page.keyboard.press('ArrowDown');
      await page.keyboard.press('ArrowDown');
    },
  },
  {
    file: 'handoff.jpg',
    caption: 'Handoff: a card for each way out.',
    alternative: 'Cards for print PDF, imposed sheets, screen PDF and web edition, each with a picture and its choices.',
    take: async (page, origin) => {
      await page.goto(`${origin}/issues/longspar-14/handoff`, { waitUntil: 'load' });
    },
  },
];

/** Pixels of the window, and how finely it is taken: about 220 to the inch over the breadth of a page. */
const WINDOW = { width: 1280, height: 800, deviceScaleFactor: 1.25 };

/** Takes all pictures, by file, as JPEGs. */
export async function takePictures(origin: string): Promise<ReadonlyMap<string, Uint8Array>> {
  const out = new Map<string, Uint8Array>();
  const browser = await openChromium();
  try {
    const page = await browser.newPage();
    await page.setViewport(WINDOW);
    for (const { file, take } of SCREENS) {
      await take(page, origin);
      await picturesThere(page);
      out.set(file, await page.screenshot({ type: 'jpeg', quality: 88 }));
    }
  } finally {
    await browser.close();
  }
  return out;
}

/** The shortcuts of Pages, as the application lists them: the keys of each, and what it does. */
export async function shortcuts(origin: string): Promise<readonly (readonly [keys: string, what: string])[]> {
  const browser = await openChromium();
  try {
    const page = await browser.newPage();
    await spread(page, origin, 8);
    await page.keyboard.press('?');
    await page.waitForSelector('[role=dialog] dl');
    return await page.$$eval('[role=dialog] dl > div', (rows) =>
      rows.map((row) => [row.querySelector('dd')!.textContent!, row.querySelector('dt')!.textContent!] as const),
    );
  } finally {
    await browser.close();
  }
}
