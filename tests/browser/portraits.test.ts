import { join } from 'node:path';
import type { Browser, ElementHandle, FileChooser, Page } from 'puppeteer-core';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { bodyText } from '@/core/records/body';
import type { FrameRecord, PictureRecord, TextRecord } from '@/core/records/index';
import { openServer, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { copyDocument, Desk } from '../support/desk';
import { ran, scratch } from '../support/programs';

/**
 * A page of twelve portraits as somebody new lays it, once by mouse and once by keys alone: they arrive, stand 8 mm apart
 * (common practice) with captions and credits; one is replaced, one moved in its frame, one cut out; words on a picture are
 * made readable; all of it goes to the next spread.
 */

const databaseUrl = inject('databaseUrl');
const MM = 72 / 25.4;
const SITTERS = 12;
let server: Server;
let browser: Browser;
let files: string[];
let better: string;

const portrait = (hue: number, size: number) =>
  sharp(
    Buffer.from(
      `<svg xmlns="http://www.w3.org/2000/svg" width="${size * 0.8}" height="${size}"><rect width="100%" height="100%" fill="hsl(${hue} 30% 82%)"/><ellipse cx="50%" cy="100%" rx="40%" ry="34%" fill="hsl(${hue} 45% 35%)"/><ellipse cx="50%" cy="42%" rx="20%" ry="22%" fill="hsl(28 45% 62%)"/></svg>`,
    ),
  ).jpeg();

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium(server.origin);
  const folder = await scratch();
  files = Array.from({ length: SITTERS }, (_, i) => join(folder, `sitter-${String(i + 1).padStart(2, '0')}.jpg`));
  for (const [i, file] of files.entries()) {
    await portrait(i * 30, 1000).toFile(file);
    await ran('exiftool', [
      '-overwrite_original',
      `-XMP-dc:Description=Sitter ${i + 1} of the harbour trust.`,
      '-XMP-photoshop:Credit=Inge Sarrow',
      file,
    ]);
  }
  better = join(folder, 'better.jpg');
  await portrait(200, 1400).toFile(better);
});

afterAll(async () => {
  await browser?.close();
  await server?.stop();
});

/** A new issue of a newspaper’s, and what is asked of its records. */
async function opened() {
  const desk = await Desk.open(browser, server.origin, databaseUrl, await copyDocument(databaseUrl, 'packet-1206'));
  const { page } = desk;
  await page.setViewport({ width: 1280, height: 800 });
  await desk.go(12);
  const frames = async (): Promise<FrameRecord[]> => {
    await desk.stored();
    return desk.records<FrameRecord>('frame');
  };
  const portraits = async (on?: string): Promise<FrameRecord[]> => {
    const pictures = await desk.records<PictureRecord>('picture');
    const name = ({ content }: FrameRecord) =>
      content.type === 'picture' ? (pictures.find(({ id }) => id === content.picture)?.name ?? '') : '';
    return (await frames())
      .filter((frame) => name(frame).startsWith('sitter') && (on === undefined || frame.on === on))
      .sort((a, b) => a.box.y - b.box.y || a.box.x - b.box.x);
  };
  const wordsBeside = async (id: string): Promise<string[]> => {
    const beside = (await frames()).filter((each) => each.beside?.frame === id);
    const texts = await desk.records<TextRecord>('text');
    return beside.map(({ content }) => bodyText(texts.find((text) => content.type === 'text' && text.id === content.text)!.body));
  };
  return { desk, page, frames, portraits, wordsBeside };
}
type Opened = Awaited<ReturnType<typeof opened>>;

/** Twelve stand in rows of four, 8 mm from one another, each with its own words under it. */
async function expectLaid({ portraits, wordsBeside }: Opened): Promise<FrameRecord[]> {
  const laid = await portraits();
  expect(laid).toHaveLength(SITTERS);
  for (const [i, { box }] of laid.entries())
    if (i % 4 > 0) expect((box.x - laid[i - 1]!.box.x - laid[i - 1]!.box.w) / MM).toBeCloseTo(8, 2);
  for (const [i, { id }] of laid.entries())
    expect((await wordsBeside(id)).join(' ')).toBe(`Sitter ${i + 1} of the harbour trust. Inge Sarrow`);
  return laid;
}

/** Every portrait and its words stand on the next spread as they did on the last. */
async function expectCopied({ portraits, wordsBeside }: Opened, before: readonly FrameRecord[]): Promise<void> {
  const all = await portraits();
  expect(all).toHaveLength(2 * before.length);
  const copies = all.filter(({ id }) => !before.some((own) => own.id === id));
  const places = (list: readonly FrameRecord[]) => list.map(({ box }) => `${box.x.toFixed(2)} ${box.y.toFixed(2)}`).sort();
  expect(places(copies)).toEqual(places(before));
  expect(new Set(copies.map(({ on }) => on))).not.toEqual(new Set(before.map(({ on }) => on)));
  for (const { id } of copies) expect(await wordsBeside(id)).toHaveLength(1);
}

const typeInto = async (page: Page, label: string, value: string) => {
  const [field] = await page.$$(`aside ::-p-aria([name="${label}"])`);
  await field!.focus();
  await page.keyboard.down('Control');
  await page.keyboard.press('a');
  await page.keyboard.up('Control');
  await page.keyboard.type(value);
  await page.keyboard.press('Enter');
};

/** Opens a heading of the detail where it is folded. */
const unfold = async (page: Page, name: string): Promise<ElementHandle> => {
  const heading = (await page.waitForSelector(`::-p-xpath(//aside//h3/button[starts-with(normalize-space(.), "${name}")])`))!;
  if ((await heading.evaluate((button) => button.getAttribute('aria-expanded'))) === 'false')
    await heading.evaluate((button) => (button as HTMLElement).click());
  return heading;
};

/** Where the frame that is chosen is repeated three times three rows of four. */
async function repeat(page: Page): Promise<void> {
  await unfold(page, 'Repeat');
  await typeInto(page, 'Across', '4');
  await typeInto(page, 'Gap across', '8 mm');
  await typeInto(page, 'Down', '3');
  await typeInto(page, 'Gap down', '24 mm');
}

describe('a page of twelve portraits', () => {
  it('is laid, mended and copied by mouse', async () => {
    const own = await opened();
    const { desk, page, portraits, frames } = own;
    // They arrive.
    const input = (await page.$('input[aria-label="Stories and pictures to bring in"]')) as ElementHandle<HTMLInputElement>;
    await input.uploadFile(...files);
    await page.waitForSelector('::-p-text(12 pictures came into the tray.)');
    await page.click('::-p-xpath(//*[@role="tab"][starts-with(., "Pictures")])');
    // One frame is marked out and repeated.
    await desk.drag(await desk.onPaper(0.045, 0.12), await desk.onPaper(0.09, 0.22));
    await page.waitForSelector('[role=menu]');
    await page.click('::-p-xpath(//*[@role="menuitem"][contains(., "Picture")])');
    await page.click('::-p-xpath(//*[@role="menuitem"][contains(., "Empty frame")])');
    await desk.stored();
    await repeat(page);
    await page.click('::-p-xpath(//aside//button[. = "Repeat"][contains(@class, "btn")])');
    await desk.until(
      'there are twelve',
      () => document.querySelectorAll('[data-frame][aria-label^="Picture frame, empty"]').length === 12,
    );
    await desk.press('Escape');
    // Each picture is dropped into its frame.
    const there = (await desk.frames('Picture frame, empty')).map(({ id }) => id);
    const empty = (await frames()).filter(({ id }) => there.includes(id)).sort((a, b) => a.box.y - b.box.y || a.box.x - b.box.x);
    const pictures = await desk.records<PictureRecord>('picture');
    for (const [i, { id }] of empty.entries()) {
      const picture = pictures.find(({ name }) => name === `sitter-${String(i + 1).padStart(2, '0')}`)!;
      await page.$eval(`[data-picture="${picture.id}"]`, (item) => item.scrollIntoView({ block: 'center' }));
      await desk.drag(await desk.middle(`[data-picture="${picture.id}"]`), await desk.middle(`[data-frame="${id}"]`));
      await desk.until(
        `${picture.name} is in it`,
        (frame: string, name: string) =>
          document.querySelector(`[data-frame="${frame}"]`)?.getAttribute('aria-label')?.includes(name),
        id,
        picture.name,
      );
    }
    const laid = await expectLaid(own);
    // One is replaced.
    await page.click(`[data-frame="${laid[2]!.id}"]`);
    const file = (await page.waitForSelector('input[aria-label="File to replace it with"]')) as ElementHandle<HTMLInputElement>;
    await file.uploadFile(better);
    await desk.until(
      'it is the other',
      () => document.querySelector('aside')?.textContent?.includes('') && /1,400/.test(document.body.innerText),
    );
    // One is moved in its frame.
    const at = await desk.middle(`[data-frame="${laid[5]!.id}"]`);
    await page.mouse.click(at.x, at.y, { count: 2 });
    await page.waitForSelector('[data-cropping]');
    await page.mouse.move(at.x, at.y);
    await page.mouse.wheel({ deltaY: -200 });
    await desk.drag(at, { x: at.x + 8, y: at.y + 12 });
    await desk.press('Escape');
    expect((await portraits())[5]!.content).toMatchObject({ fit: 'own' });
    // One is cut out, its outline mended.
    await desk.press('Escape');
    await page.click(`[data-frame="${laid[7]!.id}"]`, { button: 'right' });
    await (await page.waitForSelector('::-p-xpath(//*[@role="menuitem"][contains(., "Mend the outline")])'))!.click();
    await page.waitForSelector('[data-outlining]');
    const point = await desk.middle('[data-point="0-0"]');
    await desk.drag(point, { x: point.x + 8, y: point.y + 10 });
    await desk.press('Escape');
    expect((await portraits())[7]).toMatchObject({ wrap: { mode: 'outline' }, outline: expect.any(Array) as unknown });
    // The words of one lie on it, and are made readable.
    const [caption] = (await frames()).filter((each) => each.beside?.frame === laid[0]!.id);
    await page.click(`[data-frame="${caption!.id}"]`);
    await unfold(page, 'Beside its picture');
    await page.select('aside ::-p-aria([name="Position"])', 'on');
    await page.waitForSelector('[data-contrast]');
    await makeReadable(page, desk);
    // All of it goes to the next spread.
    await desk.press('Escape');
    await desk.press('Control', 'a');
    await desk.press('Control', 'c');
    const before = await portraits();
    await desk.go(14);
    await desk.press('Control', 'v');
    await page.waitForSelector('[data-brackets]');
    await expectCopied(own, before);
    expect(desk.problems).toEqual([]);
    await page.close();
  });

  it('is laid, mended and copied by keys', async () => {
    const own = await opened();
    const { desk, page, portraits, frames } = own;
    const chooser = await chooserAfter(page, () => desk.press('b'));
    await chooser.accept(files);
    await page.waitForSelector('::-p-text(12 pictures came into the tray.)');
    await page.focus('::-p-xpath(//*[@role="tab"][starts-with(., "Stories")])');
    await desk.press('ArrowRight');
    await page.waitForSelector('[data-picture]');
    // A stretch by figures, an empty frame in it, repeated.
    await typeInto(page, 'Lines, from', '4');
    await typeInto(page, 'Lines, to', '11');
    await page.focus('::-p-xpath(//aside//button[. = "Mark out"])');
    await desk.press('Enter');
    await page.waitForSelector('[role=menu]');
    await desk.press('p');
    await page.waitForSelector('::-p-xpath(//*[@role="menuitem"][contains(., "Empty frame")])');
    await desk.press('Enter');
    await desk.stored();
    await typeInto(page, 'Width', '24 mm');
    await repeat(page);
    await page.focus('::-p-xpath(//aside//button[. = "Repeat"][contains(@class, "btn")])');
    await desk.press('Enter');
    await desk.until(
      'there are twelve',
      () => document.querySelectorAll('[data-frame][aria-label^="Picture frame, empty"]').length === 12,
    );
    // Each picture goes by Enter into the next frame that waits.
    for (let i = 1; i <= SITTERS; i++) {
      const name = `sitter-${String(i).padStart(2, '0')}`;
      const { id } = (await desk.records<PictureRecord>('picture')).find((each) => each.name === name)!;
      await page.focus(`[data-picture="${id}"]`);
      await desk.press('Enter');
      await desk.until(
        `${name} is in its frame`,
        (of: string) => document.querySelector(`[data-frame][aria-label*="${of}"]`) !== null,
        name,
      );
    }
    const laid = await expectLaid(own);
    const choose = async (frame: FrameRecord) => {
      await page.$eval(`[data-frame="${frame.id}"]`, (element) => (element as SVGElement).focus());
      await page.waitForSelector(`[data-brackets="${frame.id}"]`);
    };
    // One is replaced.
    await choose(laid[2]!);
    await page.focus('::-p-xpath(//aside//button[starts-with(., "Replace the file")])');
    const again = await chooserAfter(page, () => desk.press('Enter'));
    await again.accept([better]);
    await desk.until('it is the other', () => /1,400/.test(document.body.innerText));
    // One is moved in its frame.
    await choose(laid[5]!);
    await desk.press('Enter');
    await page.waitForSelector('[data-cropping]');
    for (const key of ['+', '+', '+', 'ArrowDown', 'ArrowLeft']) await desk.press(key);
    await desk.press('Escape');
    expect((await portraits())[5]!.content).toMatchObject({ fit: 'own' });
    // One is cut out, its outline mended.
    await choose(laid[7]!);
    await desk.press('o');
    await page.waitForSelector('[data-outlining]');
    for (const key of ['Tab', 'ArrowRight', 'ArrowDown']) await desk.press(key);
    await desk.press('Escape');
    expect((await portraits())[7]).toMatchObject({ wrap: { mode: 'outline' }, outline: expect.any(Array) as unknown });
    // The words of one lie on it, and are made readable.
    const [caption] = (await frames()).filter((each) => each.beside?.frame === laid[0]!.id);
    await choose(caption!);
    await unfold(page, 'Beside its picture');
    await page.select('aside ::-p-aria([name="Position"])', 'on');
    await page.waitForSelector('[data-contrast]');
    await makeReadable(page, desk);
    // All of it goes to the next spread.
    await page.focus('.workbench');
    await desk.press('Escape');
    await desk.press('Control', 'a');
    await desk.press('Control', 'c');
    const before = await portraits();
    await desk.press(']');
    await desk.press('Control', 'v');
    await page.waitForSelector('[data-brackets]');
    await expectCopied(own, before);
    expect(desk.problems).toEqual([]);
    await page.close();
  });
});

/** The file chooser that a key opens; it is listened for before the key is pressed. */
async function chooserAfter(page: Page, press: () => Promise<void>): Promise<FileChooser> {
  const chooser = page.waitForFileChooser();
  // What is asked of a page is done in order: with this answer the listening has begun.
  await page.evaluate(() => undefined);
  await press();
  return chooser;
}

/** Presses what is offered where words cannot be read, until they can. */
async function makeReadable(page: Page, desk: Desk): Promise<void> {
  const reads = () => document.querySelector('[data-contrast] .text-success') !== null;
  for (let i = 0; i < 3 && !(await page.evaluate(reads)); i++) {
    const mend = await page.$('[data-contrast] button');
    if (!mend) break;
    await mend.focus();
    await desk.press('Enter');
    await desk.stored();
  }
  await desk.until('they can be read', reads);
}
