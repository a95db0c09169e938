import { mkdtemp, readFile, readdir, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import sharp from 'sharp';
import { openChromium } from '../../tests/support/chromium';
import { startingHouse } from '@/core/plan/startingHouse';
import { documentOf } from '@/core/records/document';
import type { DocumentRecord, PictureRecord } from '@/core/records/index';
import { putBlob } from '@/store/blobs';
import { framesOf, nextFrame, watchFrames } from './frames';
import { storeIssue } from './store';

/** A picture of fifty megapixels, and the many of ten that come in at once. */
const LARGE = { width: 8660, height: 5774 };
const MIDDLE = { width: 3872, height: 2592 };
export const BROUGHT_IN = 100;
export const FEW = 50;
export const MANY = 500;

/** A photograph’s worth of pixels: soft shapes, so that it is no larger a file than one of a camera. */
const photograph = async ({ width, height }: { width: number; height: number }, seed: number): Promise<Uint8Array> => {
  const small = Buffer.alloc(96 * 64 * 3);
  for (let i = 0; i < small.length; i++) small[i] = (i * 2_654_435_761 + seed * 40_503 + ((i * i) >> 3)) & 255;
  return sharp(small, { raw: { width: 96, height: 64, channels: 3 } })
    .resize(width, height, { fit: 'fill', kernel: 'cubic' })
    .jpeg({ quality: 80 })
    .toBuffer();
};

const pictureOf = (id: string, order: string, blob: string, size: { width: number; height: number }): PictureRecord => ({
  id,
  kind: 'picture',
  name: id,
  order,
  blob,
  media: 'image/jpeg',
  ...size,
  colour: 'rgb',
  transparent: false,
  outlines: {},
  caption: '',
  credit: '',
});

const issueOf = (pages: number): DocumentRecord[] => [
  ...startingHouse('magazine', 'en-GB', { pages: [] }),
  { id: 'issue', kind: 'issue', publication: 'Bench', number: '1', season: '', date: '2027-01-01', language: 'en-GB' },
  ...Array.from({ length: pages }, (_, i): DocumentRecord => ({
    id: `page-${i}`,
    kind: 'page',
    order: `a${String(i).padStart(4, '0')}5`,
    master: 'text',
  })),
];

const frameOf = (id: string, page: string, picture: string, at: number): DocumentRecord => ({
  id,
  kind: 'frame',
  on: page,
  side: 'both',
  box: { x: 60 + (at % 3) * 130, y: 60 + Math.floor(at / 3) * 100, w: 120, h: 80 },
  order: `a${String(at).padStart(4, '0')}5`,
  content: { type: 'picture', picture, fit: 'fill' },
  wrap: { mode: 'none', standOff: 0, outline: 'shape' },
});

/** Issues with few and with many pictures, ten to a page; one with a picture of fifty megapixels; an empty one. */
export async function storePictures(): Promise<void> {
  const blobs: string[] = [];
  for (let i = 0; i < 20; i++) blobs.push(await putBlob('image/jpeg', await photograph({ width: 1200, height: 800 }, i)));
  for (const count of [FEW, MANY]) {
    const records = issueOf(count / 10);
    for (let i = 0; i < count; i++) {
      const order = `a${String(i).padStart(4, '0')}5`;
      records.push(pictureOf(`picture-${i}`, order, blobs[i % blobs.length]!, { width: 1200, height: 800 }));
      records.push(frameOf(`frame-${i}`, `page-${Math.floor(i / 10)}`, `picture-${i}`, i % 10));
    }
    await storeIssue(`bench-pictures-${count}`, `${count} pictures`, documentOf(records));
  }
  const large = await putBlob('image/jpeg', await photograph(LARGE, 7));
  const box = { x: 60, y: 60, w: 360, h: 240 };
  await storeIssue(
    'bench-large',
    'Large',
    documentOf([
      ...issueOf(1),
      pictureOf('large', 'a0', large, LARGE),
      { ...frameOf('frame', 'page-0', 'large', 0), box } as DocumentRecord,
    ]),
  );
  await storeIssue('bench-many-in', 'Many in', documentOf(issueOf(1)));
}

export interface PictureFigures {
  /** From asking for an issue until its first spread stands there, milliseconds: with few pictures, and with many. */
  readonly few: readonly number[];
  readonly many: readonly number[];
  /** Between two frames while a picture of fifty megapixels is moved and zoomed in its frame. */
  readonly frames: readonly number[];
  /** Bringing many pictures in: how long it takes, how long a key waits for its answer meanwhile, the most memory the server takes. */
  readonly broughtIn: number;
  readonly answers: readonly number[];
  readonly bytes: number;
  /** From pressing Cancel until it is said, milliseconds. */
  readonly cancelled: number;
}

/** Bytes that a process and all that it started hold, as Linux counts what is theirs alone. */
async function bytesOf(pid: number): Promise<number> {
  const children = new Map<number, number[]>();
  for (const name of await readdir('/proc')) {
    if (!/^\d+$/.test(name)) continue;
    const stat = await readFile(`/proc/${name}/stat`, 'utf8').catch(() => '');
    const parent = Number(stat.slice(stat.lastIndexOf(')') + 4).split(' ')[0]);
    children.set(parent, [...(children.get(parent) ?? []), Number(name)]);
  }
  let sum = 0;
  const open = [pid];
  for (let next = open.pop(); next !== undefined; next = open.pop()) {
    const status = await readFile(`/proc/${next}/status`, 'utf8').catch(() => '');
    sum += Number(/RssAnon:\s+(\d+)/.exec(status)?.[1] ?? 0) * 1024;
    open.push(...(children.get(next) ?? []));
  }
  return sum;
}

/** @param pid of the server */
export async function withPictures(origin: string, pid: number): Promise<PictureFigures> {
  const browser = await openChromium();
  const folder = await mkdtemp(join(tmpdir(), 'kite-bench-'));
  try {
    const page = await browser.newPage();
    const opening = async (issue: string) => {
      const from = performance.now();
      await page.goto(`${origin}/issues/${issue}/pages`, { waitUntil: 'domcontentloaded' });
      await page.waitForSelector('.desk[data-ready=true]', { timeout: 60_000 });
      return performance.now() - from;
    };
    const few: number[] = [];
    const many: number[] = [];
    for (let i = 0; i < 6; i++) {
      few.push(await opening(`bench-pictures-${FEW}`));
      many.push(await opening(`bench-pictures-${MANY}`));
    }

    await opening('bench-large');
    const box = (await (await page.waitForSelector('[data-frame=frame]'))!.boundingBox())!;
    const [x, y] = [box.x + box.width / 2, box.y + box.height / 2];
    await page.mouse.click(x, y, { count: 2 });
    await page.waitForSelector('[data-cropping]');
    const isLarge = () =>
      performance.getEntriesByType('resource').some(({ name, duration }) => /api\/pictures\//.test(name) && duration > 0);
    await page.waitForFunction(isLarge, { timeout: 60_000 });
    await watchFrames(page);
    for (let i = 0; i < 60; i++) {
      await page.mouse.wheel({ deltaY: i < 30 ? -40 : 40 });
      await nextFrame(page);
    }
    await page.mouse.down();
    for (let i = 1; i <= 90; i++) {
      await page.mouse.move(x + 40 * Math.sin(i / 8), y + 30 * Math.cos(i / 8));
      await nextFrame(page);
    }
    await page.mouse.up();
    const frames = await framesOf(page);

    const files: string[] = [];
    for (let i = 0; i < BROUGHT_IN + 20; i++) {
      const path = join(folder, `gust-${i}.jpg`);
      await writeFile(path, await photograph(MIDDLE, 100 + i));
      files.push(path);
    }
    await opening('bench-many-in');
    let bytes = 0;
    const sampling = setInterval(() => void bytesOf(pid).then((now) => (bytes = Math.max(bytes, now))), 200);
    const input = (await page.$('input[aria-label="Stories and pictures to bring in"]'))!;
    const answers: number[] = [];
    const from = performance.now();
    await input.uploadFile(...(files.slice(0, BROUGHT_IN) as [string]));
    const count = () => page.evaluate(() => /Pictures (\d+)/.exec(document.body.innerText)?.[1] ?? '0');
    while (Number(await count()) < BROUGHT_IN) {
      // Guides shown and hidden by a key: from the key until they are, in the page itself.
      answers.push(
        await page.evaluate(() => {
          const isShown = () => document.querySelector('[data-guide=column]') !== null;
          const before = isShown();
          const begun = performance.now();
          return new Promise<number>((resolve) => {
            const observer = new MutationObserver(() => {
              if (isShown() === before) return;
              observer.disconnect();
              resolve(performance.now() - begun);
            });
            observer.observe(document.querySelector('.desk')!, { childList: true, subtree: true });
            window.dispatchEvent(new KeyboardEvent('keydown', { key: ',', bubbles: true }));
          });
        }),
      );
      await new Promise((resolve) => setTimeout(resolve, 100));
      if (performance.now() - from > 300_000) throw new Error(`Only ${await count()} pictures came in.`);
    }
    const broughtIn = performance.now() - from;
    clearInterval(sampling);

    await (await page.$('input[aria-label="Stories and pictures to bring in"]'))!.uploadFile(
      ...(files.slice(BROUGHT_IN) as [string]),
    );
    const cancel = (await page.waitForSelector('button::-p-text(Cancel)'))!;
    const asked = performance.now();
    await cancel.click();
    await page.waitForFunction(() => document.body.innerText.includes('Cancelled.'));
    const cancelled = performance.now() - asked;
    return { few: few.slice(1), many: many.slice(1), frames, broughtIn, answers, bytes, cancelled };
  } finally {
    await browser.close();
    await rm(folder, { recursive: true, force: true });
  }
}
