import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import type { FrameRecord, LayerRecord, PageRecord } from '@/core/records/index';
import { openServer, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { copyDocument, Desk } from '../support/desk';

/** The desk itself and its aids: guides, rulers, measuring, layers, spreads in a row; frames turned by hand and sized as a block. */

const databaseUrl = inject('databaseUrl');
let server: Server;
let browser: Browser;
let desk: Desk;
let page: Page;
const MM = 72 / 25.4;
/** A page of the paper, points. */
const WIDTH = 280 * MM;

const named = (name: string, role = 'button') => `::-p-aria([name="${name}"][role="${role}"])`;
let own: string[] = [];

const frame = async (id: string): Promise<FrameRecord> => {
  await desk.stored();
  return (await desk.records<FrameRecord>('frame')).find((each) => each.id === id)!;
};
const guides = async () => {
  await desk.stored();
  return (await desk.records<PageRecord>('page')).flatMap(({ guides: drawn = [] }) => drawn);
};
const layers = async () => {
  await desk.stored();
  return desk.records<LayerRecord>('layer');
};
const k = async () => (await desk.box('[data-paper]')).w / (2 * WIDTH);
const onDesk = (id: string) => page.$(`[data-frame="${id}"]`).then((found) => found !== null);

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium();
  desk = await Desk.open(browser, server.origin, databaseUrl, await copyDocument(databaseUrl, 'packet-1206'));
  page = desk.page;
  await page.setViewport({ width: 1280, height: 800 });
  await desk.go(12);
  for (const x of [0.06, 0.2]) await desk.drawPanel(x, 0.2, 0.06, 0.1);
  own = (await desk.frames('Panel')).map(({ id }) => id);
});

afterAll(async () => {
  expect(desk?.problems ?? []).toEqual([]);
  await browser?.close();
  await server?.stop();
});

describe('guides', () => {
  it('are drawn onto the page from its rim, over the spread with Shift, and catch what is moved', async () => {
    const rim = await desk.middle('[data-rim=top]');
    const to = await desk.onPaper(0.1, 0.62);
    await page.keyboard.down('Shift');
    await desk.drag({ x: to.x, y: rim.y }, { x: to.x, y: to.y + 1 }, async () => {
      await desk.until('it says where it is', () =>
        /mm, over the spread$/.test(document.querySelector('[data-guiding] text')?.textContent ?? ''),
      );
    });
    await page.keyboard.up('Shift');
    const [drawn] = await guides();
    expect(drawn).toMatchObject({ direction: 'level', spread: true });
    const before = await frame(own[0]!);
    const at = await desk.middle(`[data-frame="${own[0]}"]`);
    const foot = before.box.y + before.box.h;
    await desk.drag(at, { x: at.x, y: at.y + (drawn!.at - foot) * (await k()) + 1 });
    const after = await frame(own[0]!);
    expect(after.box.y + after.box.h).toBeCloseTo(drawn!.at, 2);
    await desk.press('Control', 'z');
    await desk.stored();
  });

  it('are moved by keys, set by figure, and removed by a drop beside the page', async () => {
    await desk.press('Escape');
    const [before] = await guides();
    await page.$eval('[data-page-guide] [role=slider]', (tab) => (tab as SVGElement).focus());
    await desk.press('ArrowDown');
    await desk.until(
      'it has moved',
      (was: string) => document.querySelector('[data-page-guide] [role=slider]')?.getAttribute('aria-valuetext') !== was,
      `${Math.round((before!.at / MM) * 100) / 100} mm`,
    );
    expect((await guides())[0]!.at - before!.at).toBeCloseTo(0.1 * MM, 3);
    const heading = (await page.waitForSelector('::-p-xpath(//aside//button[starts-with(., "Guides of page")])'))!;
    if ((await heading.evaluate((button) => button.getAttribute('aria-expanded'))) === 'false') await heading.click();
    await page.click(named('Add vertical'));
    const [field] = await page.$$('::-p-aria([name="Vertical 1"])');
    await field!.click();
    await page.keyboard.type('50 mm + 1 cm');
    await page.keyboard.press('Enter');
    await desk.stored();
    const upright = (await guides()).find(({ direction }) => direction === 'upright')!;
    expect(upright.at).toBeCloseTo(60 * MM, 3);
    const tab = await desk.middle('[data-page-guide=level] [role=slider]');
    await desk.drag(tab, { x: tab.x, y: (await desk.onPaper(0, 0)).y - 30 });
    expect((await guides()).map(({ direction }) => direction)).toEqual(['upright']);
    await desk.command('Remove the guides of the spread');
    expect(await guides()).toEqual([]);
  });
});

describe('rulers and units', () => {
  it('go by the unit that a person chooses, in every field and beside the pointer', async () => {
    await desk.press('Escape');
    await desk.press('r');
    await page.waitForSelector('[data-rulers=mm]');
    await page.click(`[data-frame="${own[0]}"]`);
    const left = async () => {
      const [field] = await page.$$('::-p-aria([name="From left"])');
      return field!.evaluate((input) => (input as HTMLInputElement).value);
    };
    const { box } = await frame(own[0]!);
    expect(await left()).toBe(`${Math.round((box.x / MM) * 100) / 100} mm`);
    await page.select('[aria-label="Unit of lengths"]', 'in');
    await page.waitForSelector('[data-rulers=in]');
    expect(await left()).toBe(`${Math.round((box.x / 72) * 10_000) / 10_000} in`);
    await page.select('[aria-label="Unit of lengths"]', '');
    await page.waitForSelector('[data-rulers=mm]');
    await desk.press('Escape');
    await desk.press('r');
    await desk.until('they are gone', () => !document.querySelector('[data-rulers]'));
  });
});

describe('a measure', () => {
  const words = () => page.$eval('[data-measure]', (each) => each.getAttribute('data-measure')!);

  it('tells the distance between any two points, caught by what lies there', async () => {
    await desk.press('Escape');
    const [a, b] = [await frame(own[0]!), await frame(own[1]!)];
    await desk.press('m');
    await page.waitForSelector('[data-measure]');
    const scale = await k();
    const [first, second] = [await desk.box(`[data-frame="${own[0]}"]`), await desk.box(`[data-frame="${own[1]}"]`)];
    await page.keyboard.down('Shift');
    await desk.drag({ x: first.x + first.w + 2, y: first.y + 30 }, { x: second.x - 2, y: first.y + 30 });
    await page.keyboard.up('Shift');
    const gap = b.box.x - a.box.x - a.box.w;
    expect(scale).toBeGreaterThan(0);
    expect(await words()).toBe(`${Math.round((gap / MM) * 100) / 100} mm, 0°`);
    // A key takes its end on by a tenth of a millimetre.
    await desk.press('ArrowRight');
    expect(await words()).toBe(`${Math.round((gap / MM + 0.1) * 100) / 100} mm, 0°`);
    await desk.press('Escape');
    expect(await page.$('[data-measure]')).toBeNull();
  });
});

describe('frames', () => {
  it('are turned by hand, caught by every fifteenth degree, and by keys', async () => {
    await desk.press('Escape');
    await page.click(`[data-frame="${own[0]}"]`);
    const middle = await desk.middle(`[data-frame="${own[0]}"]`);
    const hold = await desk.middle('[data-turn]');
    const radius = Math.hypot(hold.x - middle.x, hold.y - middle.y);
    const from = Math.atan2(hold.y - middle.y, hold.x - middle.x);
    const to = from + (44 * Math.PI) / 180;
    await desk.drag(hold, { x: middle.x + radius * Math.cos(to), y: middle.y + radius * Math.sin(to) }, async () => {
      await desk.until('the degrees are said', () => document.querySelector('[data-degrees]')?.textContent === '45°');
    });
    expect((await frame(own[0]!)).rotation).toBe(45);
    await page.$eval('[data-turn]', (hold) => (hold as SVGElement).focus());
    await desk.press('ArrowRight');
    await desk.until('it is turned on', () => document.querySelector('[data-turn]')?.getAttribute('aria-valuenow') === '46');
    await desk.press('Control', 'z');
    await desk.press('Control', 'z');
    expect((await frame(own[0]!)).rotation).toBeUndefined();
  });

  it('are sized as a block, and each by itself by its own edge', async () => {
    await desk.press('Escape');
    await page.click(`[data-frame="${own[0]}"]`);
    await page.keyboard.down('Shift');
    await page.click(`[data-frame="${own[1]}"]`);
    await page.keyboard.up('Shift');
    const before = await Promise.all(own.map(frame));
    const corner = await desk.middle('[data-block] [data-pull="right bottom"]');
    await desk.drag(corner, { x: corner.x + 80, y: corner.y + 40 });
    const after = await Promise.all(own.map(frame));
    const across = (list: FrameRecord[]) => list[1]!.box.x + list[1]!.box.w - list[0]!.box.x;
    const times = across(after) / across(before);
    expect(times).toBeGreaterThan(1.1);
    for (const [i, { box }] of after.entries()) expect(box.w / before[i]!.box.w).toBeCloseTo(times, 3);
    expect(after[0]!.box.x).toBeCloseTo(before[0]!.box.x, 3);
    await desk.press('Control', 'z');
    await desk.stored();
    const edge = await desk.middle('[data-pull="bottom"]');
    await desk.drag(edge, { x: edge.x, y: edge.y + 50 });
    const grown = await Promise.all(own.map(frame));
    const by = grown.map(({ box }, i) => box.h - before[i]!.box.h);
    expect(by[0]).toBeGreaterThan(20);
    expect(by[1]).toBeCloseTo(by[0]!, 3);
    await desk.press('Control', 'z');
    await desk.stored();
  });
});

describe('layers', () => {
  it('take what is chosen, and hide, lock and show it alone through the issue', async () => {
    await desk.press('Escape');
    await page.click(named('Order', 'tab'));
    await page.click(`[data-frame="${own[0]}"]`);
    await page.click('::-p-xpath(//section[@aria-label="Layers"]//button[contains(., "Add")])');
    await page.waitForSelector('input[aria-label="Name of Layer"]');
    await page.keyboard.type('Notes');
    await page.keyboard.press('Enter');
    const [layer] = await layers();
    expect(layer!.name).toBe('Notes');
    expect((await frame(own[0]!)).layer).toBe(layer!.id);
    await page.click(named('Hide Notes'));
    await desk.until('it is not on the desk', (id: string) => !document.querySelector(`[data-frame="${id}"]`), own[0]);
    expect(await onDesk(own[1]!)).toBe(true);
    await page.click(named('Show Notes'));
    await page.click(named('Lock Notes'));
    await page.waitForSelector(`[data-frame="${own[0]}"][data-locked=true]`);
    await page.click(named('Unlock Notes'));
    await page.click(named('Do not print Notes'));
    await page.click(named('Show alone Notes'));
    await desk.until('the other is not on the desk', (id: string) => !document.querySelector(`[data-frame="${id}"]`), own[1]);
    expect((await layers())[0]).toMatchObject({ unprinted: true });
    await page.click('::-p-xpath(//button[. = "Show all"])');
    await page.waitForSelector(`[data-frame="${own[1]}"]`);
    await page.click(named('Remove the layer Notes; what lies on it stays'));
    expect(await layers()).toEqual([]);
    expect((await frame(own[0]!)).layer).toBeUndefined();
  });
});

describe('what lies beside the desk', () => {
  it('has its menu: a page of the page line, a picture of the tray', async () => {
    await desk.press('Escape');
    const pages = async () => {
      await desk.stored();
      return (await desk.records<PageRecord>('page')).length;
    };
    const before = await pages();
    await page.click('nav [aria-label^="Page 13"]', { button: 'right' });
    await (await page.waitForSelector('::-p-xpath(//*[@role="menuitem"][contains(., "Add a page after it")])'))!.click();
    await desk.until('there is one more', (n: number) => document.querySelectorAll('nav [data-page]').length === n, before + 1);
    expect(await pages()).toBe(before + 1);
    await desk.press('Control', 'z');
    await desk.until('it is gone again', (n: number) => document.querySelectorAll('nav [data-page]').length === n, before);
    await page.click('::-p-xpath(//*[@role="tab"][starts-with(., "Pictures")])');
    await page.click('[data-picture]', { button: 'right' });
    await (await page.waitForSelector('::-p-xpath(//*[@role="menuitem"][contains(., "Put it where there is room")])'))!.click();
    await desk.until('it lies there', () => document.querySelector('[data-frame][aria-label^="Picture, "]') !== null);
    await desk.press('Control', 'z');
    await desk.until('it is taken back', () => document.querySelector('[data-frame][aria-label^="Picture, "]') === null);
  });
});

describe('spreads in a row', () => {
  it('scroll on to the next one, and one that is pressed comes into the hand', async () => {
    await desk.press('Escape');
    await desk.press('w');
    await page.waitForSelector('[data-row="-1"]');
    const current = () => page.$eval('nav [aria-label^="Page "][aria-current=page]', (cell) => cell.getAttribute('aria-label')!);
    const before = await current();
    await page.mouse.move(640, 400);
    for (let i = 0; i < 40 && (await current()) === before; i++) await page.mouse.wheel({ deltaY: -60 });
    expect(await current()).not.toBe(before);
    await page.click('::-p-xpath(//button[starts-with(@aria-label, "Go to pages 12")])');
    await desk.until(
      'it is back',
      (was: string) => document.querySelector('nav [aria-label^="Page "][aria-current=page]')?.getAttribute('aria-label') === was,
      before,
    );
    await desk.press('w');
    await desk.until('it lies alone', () => !document.querySelector('[data-row]'));
    await desk.press('0');
  });
});

describe('a desk that is turned', () => {
  it('takes a frame where the hand takes it, and arrow keys as they are seen', async () => {
    await desk.press('Escape');
    const before = await frame(own[0]!);
    await desk.press('Alt', 'u');
    await page.waitForSelector('[data-turned="90"]');
    const at = await desk.middle(`[data-frame="${own[0]}"]`);
    await page.keyboard.down('Alt');
    await page.keyboard.up('Alt');
    await desk.drag(at, { x: at.x + 60, y: at.y });
    const after = await frame(own[0]!);
    expect(after.box.y).toBeLessThan(before.box.y - 20);
    expect(Math.abs(after.box.x - before.box.x)).toBeLessThan(12);
    await desk.press('ArrowDown');
    expect((await frame(own[0]!)).box.x - after.box.x).toBeCloseTo(0.1 * MM, 3);
    await page.click('::-p-xpath(//footer//button[starts-with(., "Turned 90°")])');
    await page.waitForSelector('[data-turned="0"]');
  });
});

describe('the desk', () => {
  it('is moved with the space bar held, and zoomed to what is typed', async () => {
    const before = await desk.box('[data-paper]');
    const at = await desk.onPaper(0.7, 0.6);
    await page.keyboard.down('Space');
    await desk.drag(at, { x: at.x - 80, y: at.y + 40 });
    await page.keyboard.up('Space');
    await desk.until(
      'it has gone as far as the hand',
      (x: number, y: number) => {
        const paper = document.querySelector('[data-paper]')!.getBoundingClientRect();
        return Math.abs(paper.x - x) < 0.5 && Math.abs(paper.y - y) < 0.5;
      },
      before.x - 80,
      before.y + 40,
    );
    await page.click('input[aria-label=Zoom]');
    await page.keyboard.type('100');
    await page.keyboard.press('Enter');
    await desk.until(
      'it is as large as that',
      (w: number) => Math.abs(document.querySelector('[data-paper]')!.getBoundingClientRect().width - w) < 2,
      560 * MM,
    );
  });
});
