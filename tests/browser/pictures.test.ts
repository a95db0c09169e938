import { writeFile } from 'node:fs/promises';
import { join } from 'node:path';
import { PDFDocument, rgb } from '@cantoo/pdf-lib';
import type { Browser, Page } from 'puppeteer-core';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { bodyText } from '@/core/records/body';
import type { FrameRecord, PictureRecord, TextRecord } from '@/core/records/index';
import { openServer, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { copyDocument, Desk, type Spot } from '../support/desk';
import { ran, scratch } from '../support/programs';

/** Pictures as a person lays them: they come in, are cropped, captioned, cut out, copied; by mouse and by keys. */

const databaseUrl = inject('databaseUrl');
let server: Server;
let browser: Browser;
let desk: Desk;
let page: Page;
let folder: string;

/** A picture of four fields, so that it is seen what of it is shown. */
const fields = (width: number, height: number) =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="${width}" height="${height}"><rect width="100%" height="100%" fill="#8ab"/><rect width="50%" height="50%" fill="#c52"/><circle cx="50%" cy="50%" r="90" fill="#fd6"/></svg>`,
    ),
  );

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium(server.origin);
  desk = await Desk.open(browser, server.origin, databaseUrl, await copyDocument(databaseUrl, 'packet-1206'));
  page = desk.page;
  await page.setViewport({ width: 1280, height: 800 });
  folder = await scratch();
});

afterAll(async () => {
  expect(desk?.problems ?? []).toEqual([]);
  await browser?.close();
  await server?.stop();
});

const named = (name: string, role = 'button') => `::-p-aria([name="${name}"][role="${role}"])`;

const picture = async (name: string): Promise<PictureRecord> => {
  await desk.stored();
  return (await desk.records<PictureRecord>('picture')).find((each) => each.name === name)!;
};
const framesOf = async (id: string): Promise<FrameRecord[]> => {
  await desk.stored();
  return (await desk.records<FrameRecord>('frame')).filter(({ content }) => content.type === 'picture' && content.picture === id);
};
const captionsOf = async (frame: string): Promise<{ frame: FrameRecord; words: string }[]> => {
  await desk.stored();
  const texts = await desk.records<TextRecord>('text');
  return (await desk.records<FrameRecord>('frame'))
    .filter(({ beside }) => beside?.frame === frame)
    .map((each) => {
      const { content } = each;
      return { frame: each, words: bodyText(texts.find(({ id }) => content.type === 'text' && id === content.text)!.body) };
    });
};
const crop = (frame: FrameRecord) => frame.content as Extract<FrameRecord['content'], { type: 'picture' }>;

async function bring(...files: string[]): Promise<void> {
  const input = (await page.$('input[type=file]'))! as unknown as { uploadFile(...paths: string[]): Promise<void> };
  await input.uploadFile(...files);
}

const toPictures = async () => {
  await page.click('::-p-xpath(//*[@role="tab"][starts-with(., "Pictures")])');
  await page.waitForSelector('[data-picture]');
};

/** Carries a picture from the tray to a place, and waits until it lies there and is chosen. */
async function carry(name: string, to: Spot): Promise<void> {
  await desk.drag(await desk.middle(`[data-picture="${(await picture(name)).id}"]`), to);
  await chosen(`Picture, ${name}`);
}

const chosen = (label: string) =>
  desk.until(
    `${label} is chosen`,
    (start: string) => document.querySelector('[data-frame][aria-pressed=true]')?.getAttribute('aria-label')?.startsWith(start),
    label,
  );

describe('pictures that come in', () => {
  it('bring their words, and several kinds come at once', async () => {
    const sheds = join(folder, 'sheds.tif');
    await fields(1800, 1200).tiff().toFile(sheds);
    await ran('exiftool', [
      '-overwrite_original',
      '-XMP-dc:Description=The sheds at low water.',
      '-XMP-photoshop:Credit=Inge Sarrow',
      sheds,
    ]);
    const plan = join(folder, 'plan.pdf');
    const pdf = await PDFDocument.create();
    for (const width of [300, 200, 100])
      pdf.addPage([width, 100]).drawRectangle({ x: 10, y: 10, width: 50, height: 50, color: rgb(0.7, 0.1, 0.1) });
    await writeFile(plan, await pdf.save());
    await fields(900, 900).avif().toFile(join(folder, 'square.avif'));
    await bring(sheds, plan, join(folder, 'square.avif'));
    await page.waitForSelector('::-p-text(3 pictures came into the tray.)');
    expect(await picture('sheds')).toMatchObject({
      media: 'image/tiff',
      width: 1800,
      height: 1200,
      caption: 'The sheds at low water.',
      credit: 'Inge Sarrow',
    });
    expect((await picture('sheds')).preview).toBeDefined();
    expect(await picture('plan')).toMatchObject({ media: 'application/pdf', page: 1, pages: 3, width: 300 });
    expect((await picture('square')).media).toBe('image/avif');
  });

  it('are not brought in twice; another of the same name may take the place of the first', async () => {
    await bring(join(folder, 'sheds.tif'));
    await page.waitForSelector('::-p-text(“sheds” is in the issue already; it was not brought in again.)');
    const first = await picture('square');
    await fields(1200, 1200).avif().toFile(join(folder, 'square.avif'));
    await bring(join(folder, 'square.avif'));
    await (await page.waitForSelector(named('Put the new one in its place')))!.click();
    await desk.until('there is one again', () => !document.body.textContent!.includes('There is another picture'));
    expect(await picture('square')).toMatchObject({ id: first.id, width: 1200 });
  });
});

describe('a picture from the tray', () => {
  it('lies on the column under the pointer in its own shape, its caption and credit below it', async () => {
    await desk.go(12);
    await toPictures();
    const { id } = await picture('sheds');
    await carry('sheds', await desk.onPaper(0.06, 0.3));
    const [frame] = await framesOf(id);
    // A column of the newspaper is 38.5 mm wide; the picture, three by two, takes as many lines as come nearest.
    expect(frame!.box.w).toBeCloseTo((38.5 / 25.4) * 72, 0);
    expect(Math.abs(frame!.box.h - (frame!.box.w * 2) / 3)).toBeLessThan(10.5);
    expect(await captionsOf(frame!.id)).toMatchObject([
      { words: 'The sheds at low water. Inge Sarrow', frame: { on: frame!.on } },
    ]);
  });

  it('lies over two columns where it is let go between them', async () => {
    const { id } = await picture('square');
    const column = (await framesOf((await picture('sheds')).id))[0]!.box;
    const paper = await desk.box('[data-paper]');
    const k = paper.w / ((560 / 25.4) * 72);
    const between = column.x + column.w + 6;
    await carry('square', { x: paper.x + k * (between + 2 * (column.w + 11.3)), y: paper.y + paper.h * 0.3 });
    const [frame] = await framesOf(id);
    expect(frame!.box.w).toBeCloseTo(2 * column.w + (4 / 25.4) * 72, 0);
    expect(await captionsOf(frame!.id)).toEqual([]);
  });

  it('has an empty caption that is written at once', async () => {
    await desk.press('c');
    await page.waitForSelector('[data-writing]');
    await page.keyboard.type('A square of four fields.');
    await desk.press('Escape');
    const [frame] = await framesOf((await picture('square')).id);
    await desk.until(
      'it is saved',
      () => document.querySelector('[aria-label="Save state"]')?.getAttribute('data-state') === 'stored',
    );
    expect((await captionsOf(frame!.id)).map(({ words }) => words)).toEqual(['A square of four fields.']);
    await desk.press('Escape');
  });

  it('takes its caption along when it is moved and sized', async () => {
    const { id } = await picture('square');
    const [before] = await framesOf(id);
    const [caption] = await captionsOf(before!.id);
    const at = await desk.middle(`[data-frame="${before!.id}"]`);
    await desk.drag(at, { x: at.x + 4, y: at.y + 90 });
    const [moved] = await framesOf(id);
    expect(moved!.box.y).toBeGreaterThan(before!.box.y + 50);
    const [now] = await captionsOf(before!.id);
    expect(now!.frame.box.y - caption!.frame.box.y).toBeCloseTo(moved!.box.y - before!.box.y, 3);
  });
});

describe('inside a picture', () => {
  let id: string;
  let frame: string;
  const now = async () => crop((await framesOf(id))[0]!);

  it('two presses go in: all of it shows, a drag moves it, the wheel zooms at the pointer', async () => {
    id = (await picture('square')).id;
    frame = (await framesOf(id))[0]!.id;
    await desk.press('Escape');
    const at = await desk.middle(`[data-frame="${frame}"]`);
    await page.mouse.click(at.x, at.y);
    await page.mouse.click(at.x, at.y, { count: 2 });
    await page.waitForSelector('[data-cropping] [data-thirds]');
    expect((await now()).fit).toBe('fill');
    await page.mouse.move(at.x + 30, at.y + 30);
    await page.mouse.wheel({ deltaY: -250 });
    await desk.until('it has grown', () =>
      document.querySelector('[role=toolbar][aria-label="Inside the picture"]')?.textContent?.includes('187 %'),
    );
    await desk.until(
      'it is a change',
      () => document.querySelector('[aria-label="Save state"]')?.getAttribute('data-state') !== 'pending',
    );
    const spot = { x: at.x - 40, y: at.y - 40 };
    await desk.drag(spot, { x: spot.x + 25, y: spot.y + 12 });
    await desk.until(
      'the picture lies by hand',
      () => document.querySelector('[aria-label="Detail"] [aria-checked=true], [aria-label="Detail"]') !== null,
    );
    const own = await now();
    expect(own.fit).toBe('own');
    expect(own.zoom).toBeCloseTo(Math.exp(250 / 400), 2);
    // Under the pointer, right of and below the middle, it stood still; then it came along to the right and down.
    expect(own.at!.x).toBeLessThan(0.56);
    expect(own.at!.x).toBeGreaterThan(0.3);
    expect((await desk.changes()).slice(-2).map(({ label }) => label)).toEqual([
      'Zoom a picture in its frame',
      'Move a picture in its frame',
    ]);
  });

  it('keys nudge, zoom and leave it, and what was done is one change', async () => {
    const before = await now();
    const count = (await desk.changes()).length;
    for (let i = 0; i < 4; i++) await page.keyboard.press('ArrowLeft');
    await page.keyboard.press('ArrowUp');
    await desk.press('Escape');
    await desk.until('nobody is inside it', () => !document.querySelector('[data-cropping]'));
    const after = await now();
    expect(after.at!.x).toBeGreaterThan(before.at!.x);
    expect(after.at!.y).toBeGreaterThan(before.at!.y);
    expect((await desk.changes()).length).toBe(count + 1);
    // Enter goes in again, and Enter comes out.
    await desk.press('Enter');
    await page.waitForSelector('[data-cropping]');
    await desk.press('Enter');
    await desk.until('nobody is inside it', () => !document.querySelector('[data-cropping]'));
  });

  it('its focus is what an automatic crop keeps', async () => {
    await desk.press('Enter');
    const ring = await desk.middle('[data-focus-of]');
    await desk.drag(ring, { x: ring.x - 60, y: ring.y });
    await desk.until(
      'it is stored',
      () => document.querySelector('[aria-label="Save state"]')?.getAttribute('data-state') === 'stored',
    );
    const { focus } = await picture('square');
    expect(focus!.x).toBeLessThan(0.45);
    await page.click(named('Fill'));
    await desk.press('Escape');
    expect(await now()).toEqual({ type: 'picture', picture: id, fit: 'fill' });
  });

  it('is mirrored and turned, also by figures', async () => {
    await desk.command('Mirror the picture');
    await desk.command('Turn the picture 90° clockwise in its frame');
    expect(await now()).toMatchObject({ mirrored: true, turn: 90 });
    const [field] = await page.$$('::-p-aria([name="Turned inside"])');
    await field!.click();
    await page.keyboard.type('7.5');
    await page.keyboard.press('Enter');
    await desk.stored();
    expect((await now()).turn).toBe(7.5);
    await desk.press('Control', 'z');
    await desk.stored();
    expect((await now()).turn).toBe(90);
  });
});

describe('a page of a PDF', () => {
  it('is chosen in the detail', async () => {
    const { id } = await picture('plan');
    await desk.press('Escape');
    await carry('plan', await desk.onPaper(0.1, 0.62));
    const [field] = await page.$$('::-p-aria([name="Page, of 3"])');
    await field!.click();
    await page.keyboard.type('2');
    await page.keyboard.press('Enter');
    await page.waitForSelector('::-p-text(PDF, page 2)');
    expect(await picture('plan')).toMatchObject({ id, page: 2, width: 200 });
  });
});

describe('an outline', () => {
  it('is mended point by point, and text wraps along it', async () => {
    await desk.go(12);
    const [frame] = await framesOf((await picture('square')).id);
    await desk.press('Escape');
    await page.click(`[data-frame="${frame!.id}"]`);
    await desk.press('o');
    await page.waitForSelector('[data-outlining]');
    const points = () => page.$$eval('[data-point]', (list) => list.length);
    const before = await points();
    const corner = await desk.middle('[data-point="0-0"]');
    await desk.drag(corner, { x: corner.x + 14, y: corner.y + 18 });
    await desk.stored();
    const mended = (await framesOf((await picture('square')).id))[0]!;
    expect(mended.wrap.mode).toBe('outline');
    expect(mended.outline![0]!.length).toBe(2 * before);
    // By keys: the next point, one more behind it, moved, and taken out again.
    await page.keyboard.press('Tab');
    await page.waitForSelector('[data-point="0-1"][data-chosen]');
    await page.keyboard.press('Insert');
    await desk.until('there is one more', (n: number) => document.querySelectorAll('[data-point]').length === n, before + 1);
    await page.keyboard.press('ArrowRight');
    await page.keyboard.press('Delete');
    await desk.until('there is one less', (n: number) => document.querySelectorAll('[data-point]').length === n, before);
    await page.click(named('As traced'));
    await desk.stored();
    expect((await framesOf((await picture('square')).id))[0]!.outline).toBeUndefined();
    await desk.press('Escape');
    await desk.until('it is left', () => !document.querySelector('[data-outlining]'));
  });
});

describe('frames that are copied', () => {
  it('come to the next spread in place, with their captions, and undone they are gone', async () => {
    const { id } = await picture('sheds');
    const [frame] = await framesOf(id);
    await desk.press('Escape');
    await page.click(`[data-frame="${frame!.id}"]`);
    await desk.press('Control', 'c');
    await desk.go(14);
    const paper = await desk.onPaper(0.1, 0.5);
    await page.mouse.move(paper.x, paper.y);
    await desk.press('Control', 'v');
    await page.waitForSelector('[data-brackets]');
    const copy = (await framesOf(id)).find((each) => each.id !== frame!.id)!;
    expect(copy.box).toEqual(frame!.box);
    expect(copy.on).not.toBe(frame!.on);
    expect((await captionsOf(copy.id)).map(({ words }) => words)).toEqual(['The sheds at low water. Inge Sarrow']);
    await desk.press('Control', 'z');
    await desk.until('it is gone', () => !document.querySelector('[data-brackets]'));
    expect(await framesOf(id)).toHaveLength(1);
  });

  it('are left behind where they are carried with Ctrl', async () => {
    await desk.go(12);
    const { id } = await picture('sheds');
    const [frame] = await framesOf(id);
    const at = await desk.middle(`[data-frame="${frame!.id}"]`);
    await page.keyboard.down('Control');
    await desk.drag(at, { x: at.x, y: at.y + 140 });
    await page.keyboard.up('Control');
    const both = await framesOf(id);
    expect(both).toHaveLength(2);
    expect(both.find((each) => each.id === frame!.id)!.box).toEqual(frame!.box);
  });

  it('that are cut come back as themselves', async () => {
    const { id } = await picture('sheds');
    const [own] = await framesOf(id);
    await desk.press('Escape');
    await page.click(`[data-frame="${own!.id}"]`);
    await desk.press('Control', 'x');
    await desk.until('it is cut', (of: string) => !document.querySelector(`[data-frame="${of}"]`), own!.id);
    await desk.press('Control', 'v');
    await page.waitForSelector(`[data-frame="${own!.id}"]`);
    expect((await framesOf(id)).find((each) => each.id === own!.id)!.box).toEqual(own!.box);
    expect(await captionsOf(own!.id)).toHaveLength(1);
  });
});

describe('pictures that lie there', () => {
  it('change places where one is let go on another with Ctrl and Shift', async () => {
    await desk.go(12);
    await desk.press('Escape');
    const [one, other] = [await picture('sheds'), await picture('square')];
    const [from] = await framesOf(one.id);
    const [to] = await framesOf(other.id);
    const start = await desk.middle(`[data-frame="${from!.id}"]`);
    const end = await desk.middle(`[data-frame="${to!.id}"]`);
    await page.keyboard.down('Control');
    await page.keyboard.down('Shift');
    await desk.drag(start, end, async () => {
      await page.waitForSelector('::-p-text(changes places with this picture)');
    });
    await page.keyboard.up('Shift');
    await page.keyboard.up('Control');
    await desk.until(
      'they have changed places',
      (frame: string) =>
        document.querySelector(`[data-frame="${frame}"]`)?.getAttribute('aria-label')?.startsWith('Picture, sheds'),
      to!.id,
    );
    expect((await framesOf(other.id)).map(({ id }) => id)).toContain(from!.id);
    await desk.press('Control', 'z');
    await desk.stored();
  });

  it('say where they are too coarse to print, and are made smaller until they are not', async () => {
    const { id } = await picture('square');
    const [frame] = await framesOf(id);
    await desk.press('Escape');
    await page.click(`[data-frame="${frame!.id}"]`);
    const [zoom] = await page.$$('aside ::-p-aria([name="Zoom"])');
    await zoom!.click();
    await page.keyboard.type('900 %');
    await page.keyboard.press('Enter');
    await page.waitForSelector('[data-picture-states=coarse]');
    const ppi = () => page.$eval('[data-ppi]', (line) => Number(line.getAttribute('data-ppi')));
    expect(await ppi()).toBeLessThan(200);
    await page.click('[data-state=coarse] button');
    await desk.until('it is fine enough', () => !document.querySelector('[data-picture-states]'));
    expect(await ppi()).toBeGreaterThanOrEqual(200);
    await desk.press('Control', 'z');
    await desk.press('Control', 'z');
    await desk.stored();
  });
});
