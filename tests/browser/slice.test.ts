import { readdir, readFile } from 'node:fs/promises';
import type { Browser } from 'puppeteer-core';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import type { FrameRecord, PageRecord, PictureRecord, StoryRecord, TextRecord } from '@/core/records/index';
import { paragraphsOf, plainText } from '@/core/records/body';
import { openServer, query, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { copyIssue, Desk, until } from '../support/desk';
import { docx } from '../support/docx';
import { prose } from '../support/documents';
import { filed, pdfWords, ran } from '../support/programs';

/** The whole path, from a file of copy to a PDF, with real mouse and keyboard on the real application. */

const databaseUrl = inject('databaseUrl');
let server: Server;
let browser: Browser;
let issue: string;
let desk: Desk;

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium();
  issue = await copyIssue(databaseUrl);
  desk = await Desk.open(browser, server.origin, databaseUrl, issue);
});

afterAll(async () => {
  await browser?.close();
  await server?.stop();
});

const body = (story: StoryRecord | undefined) => story!.parts.body;
const threadOf = (frames: FrameRecord[], text: string) =>
  frames
    .filter(({ content }) => content.type === 'text' && content.text === text)
    .sort((a, b) => ((a.content as { order: string }).order < (b.content as { order: string }).order ? -1 : 1));

describe('the shelf', () => {
  it('lists Longspar and its issue with a true picture, and opens it', async () => {
    const page = await browser.newPage();
    await page.goto(server.origin, { waitUntil: 'domcontentloaded' });
    await page.waitForFunction(() =>
      [...document.images].some(
        (image) => image.alt.includes('Cover of Longspar') && image.complete && image.naturalWidth === 320,
      ),
    );
    expect(await page.$eval('h2', (element) => element.textContent)).toBe('Longspar');
    await page.click('a[href="/issues/longspar-14/pages"]');
    await page.waitForSelector('.desk[data-ready=true]');
    expect(await page.$eval('header', (element) => element.textContent)).toContain('No. 14, Winter');
    await page.close();
  });
});

describe('the desk', () => {
  it('moves between spreads by keys and by the page line', async () => {
    await desk.press(']');
    await desk.until('pages 2 and 3 are there', () => document.querySelector('.desk [aria-label="Spread 2–3"]') !== null);
    expect(await desk.reads('In this number')).toBe(true);
    await desk.press('[');
    await desk.until('the cover is there', () => document.querySelector('.desk [aria-label="Spread 1"]') !== null);
    await desk.go(4);
    await desk.until('the feature is set', () => document.querySelector('[data-painted]')!.textContent!.includes('remembers'));
    // Folios come from the master.
    expect(await desk.reads('4Longspar')).toBe(true);
    expect(await desk.reads('No.14,Winter5')).toBe(true);
    expect(await desk.page.$$eval('[data-guide=column]', (bands) => bands.length)).toBe(12);
  });

  it('takes everything away in proof view, and gives it back', async () => {
    await desk.press('.');
    await desk.until(
      'nothing but paper is left',
      () => !document.querySelector('[data-guide=column], [aria-label=Tray], [data-frame]'),
    );
    await desk.press('.');
    await desk.until('the guides are back', () => document.querySelector('[data-guide=column]') !== null);
  });

  it('finds every action by name, and lists the shortcuts', async () => {
    await desk.press('Control', 'k');
    await desk.page.waitForSelector('[role=dialog][aria-label="Find a command"] input');
    await desk.page.keyboard.type('baseline');
    await desk.until('the action is found', () =>
      document.querySelector('[cmdk-item][data-selected=true]')?.textContent?.startsWith('Baseline grid'),
    );
    await desk.press('Enter');
    await desk.until('the baseline grid shows', () => document.querySelectorAll('.desk line').length > 50);
    await desk.press('?');
    await desk.page.waitForSelector('[role=dialog][aria-label="Shortcuts"]');
    await desk.press('Escape');
    await desk.until('the list is gone', () => !document.querySelector('[role=dialog]'));
    await desk.press(';');
  });
});

describe('bringing in copy', () => {
  it('makes stories of three files at once, in the house’s styles', async () => {
    const files = [
      await filed('from-the-quay.docx', await docx([
        { style: 'Heading1', runs: [{ text: 'From the quay' }] },
        { runs: [{ text: `${prose(600, 21)} It was ` }, { text: 'nine feet', italic: true }, { text: ' long.' }] },
        { style: 'Heading2', runs: [{ text: 'The ferry' }] },
        { list: 'bullet', runs: [{ text: 'rope' }] },
        { runs: [{ text: 'A line' }, { break: 'line', text: 'broken' }] },
        { runs: [{ text: prose(500, 22) }] },
      ])),
      'demo/imports/a-letter-from-the-hill-school.md',
      'demo/imports/harbour-notes.txt',
    ]; // prettier-ignore
    const [chooser] = await Promise.all([desk.page.waitForFileChooser(), desk.page.click('[aria-label="Bring in files"]')]);
    await chooser.accept(files);
    // What has come is looked at first: one press takes all three.
    await (await desk.page.waitForSelector('::-p-aria([name="Bring in 3 stories"][role="button"])'))!.click();
    await desk.until('three stories have come', () => document.querySelectorAll('[data-story]').length === 8);
    await desk.stored();
    const stories = await desk.records<StoryRecord>('story');
    const texts = await desk.records<TextRecord>('text');
    const quay = stories.find(({ name }) => name === 'From the quay')!;
    const paragraphs = paragraphsOf(texts.find(({ id }) => id === body(quay))!.body);
    expect(paragraphs.map(({ attrs }) => attrs['style'] as string)).toEqual(['bodyFirst', 'crosshead', 'list', 'body', 'body']);
    expect(paragraphs[0]!.content.toJSON()).toContainEqual({ type: 'text', text: 'nine feet', marks: [{ type: 'emphasis' }] });
    expect(paragraphs[3]!.content.toJSON()).toContainEqual({ type: 'lineBreak' });
    expect(stories.map(({ name }) => name)).toEqual(
      expect.arrayContaining(['A letter from the hill school', 'The ferry will leave from the']),
    );
    const words = await desk.page.$eval(`[data-story="${quay.id}"]`, (element) => element.textContent);
    expect(words).toContain(
      `${paragraphs.map(plainText).join(' ').split(/\s+/).length.toLocaleString('en-GB')} words`.replace(/^/, ''),
    );
  });

  it('takes a file that is dropped on the window', async () => {
    const path = await filed('dropped.md', '# Dropped on the desk\n\nA short one.');
    const client = await desk.page.createCDPSession();
    const data = { items: [], files: [path], dragOperationsMask: 1 };
    for (const type of ['dragEnter', 'dragOver', 'drop'] as const)
      await client.send('Input.dispatchDragEvent', { type, x: 100, y: 400, data });
    await (await desk.page.waitForSelector('::-p-aria([name="Bring in the story"][role="button"])'))!.click();
    await desk.until('the story has come', () =>
      [...document.querySelectorAll('[data-story]')].some((element) => element.textContent?.includes('Dropped on the desk')),
    );
    await desk.stored();
  });

  it('says in one sentence what it cannot take, and stores nothing', async () => {
    const before = (await desk.changes()).length;
    const [chooser] = await Promise.all([desk.page.waitForFileChooser(), desk.page.click('[aria-label="Bring in files"]')]);
    await chooser.accept([await filed('broken.docx', 'no zip at all')]);
    await desk.until('the sentence is there', () =>
      document.querySelector('[role=alert]')?.textContent?.includes('“broken.docx” is not a DOCX file'),
    );
    expect((await desk.changes()).length).toBe(before);
    await desk.page.click('[aria-label="Dismiss"]');
  });
});

describe('putting a story on the page', () => {
  let quay: StoryRecord;

  it('adds pages, and drops the story on the grid: it flows through the columns', async () => {
    await desk.go(8);
    await desk.page.click('text/Add two after');
    await desk.until(
      'there are ten pages',
      () => document.querySelectorAll('nav[aria-label="Page line"] [data-page]').length === 10,
    );
    await desk.go(10);
    await desk.page.click('text/Add page after');
    await desk.until('page 11 lies beside it', () => document.querySelector('.desk [aria-label="Spread 10–11"]') !== null);
    quay = (await desk.records<StoryRecord>('story')).find(({ name }) => name === 'From the quay')!;
    await desk.drag(await desk.middle(`[data-story="${quay.id}"]`), await desk.onPaper(0.25, 0.4), async () => {
      await desk.until('the stretch lights up', () =>
        document.querySelector('[data-lit]')?.textContent?.includes('columns 1 to 6'),
      );
    });
    await desk.until(
      'the story is set',
      () => document.querySelectorAll('[data-frame][aria-label^="Text, From the quay"]').length === 1,
    );
    await desk.stored();
    const frames = threadOf(await desk.records<FrameRecord>('frame'), body(quay));
    expect(frames[0]!.content).toMatchObject({ columns: 3 });
    expect(await desk.reads('From the quay')).toBe(true);
    // A chunk is a paragraph of a column: frame, text, column, number.
    const columns = await desk.page.$$eval(
      '[data-chunk]',
      (chunks, id) =>
        new Set(
          chunks
            .map((chunk) => chunk.getAttribute('data-chunk')!)
            .filter((key) => key.startsWith(id))
            .map((key) => key.split('/')[2]),
        ).size,
      frames[0]!.id,
    );
    expect(columns).toBe(3);
  });

  it('shows what is over at its tail, and goes on where the tail is dragged', async () => {
    // Made smaller by its lower edge, so that the story has a tail.
    const [frame] = threadOf(await desk.records<FrameRecord>('frame'), body(quay));
    const box = await desk.box(`[data-frame="${frame!.id}"]`);
    await desk.page.mouse.click(box.x + box.w / 2, box.y + box.h / 2);
    await desk.drag(await desk.middle('[data-pull=bottom]'), { x: box.x + box.w / 2, y: box.y + box.h * 0.5 });
    const tail = `[data-tail="${body(quay)}"]`;
    await desk.page.waitForSelector(tail);
    const over = Number(/\+(\d+) line/.exec(await desk.page.$eval(tail, (element) => element.textContent ?? ''))![1]);
    expect(over).toBeGreaterThan(20);
    await desk.stored();
    // The dragged edge was caught by a line of the grid.
    const pulled = threadOf(await desk.records<FrameRecord>('frame'), body(quay))[0]!;
    const lines = (pulled.box.y + pulled.box.h - 56.6929) / 12.5;
    expect(Math.abs(lines - Math.round(lines))).toBeLessThan(0.01);

    await desk.press('Escape');
    const from = await desk.box(tail);
    await desk.drag({ x: from.x + 16, y: from.y + from.h / 2 }, await desk.onPaper(0.75, 0.5), async () => {
      await desk.until('the stretch on the right page lights up', () => document.querySelector('[data-lit]') !== null);
    });
    await desk.until('the tail is gone', (selector: string) => !document.querySelector(selector), tail);
    await desk.stored();
    const thread = threadOf(await desk.records<FrameRecord>('frame'), body(quay));
    expect(thread).toHaveLength(2);
    expect(thread[0]!.on).not.toBe(thread[1]!.on);
    expect(thread[1]!.content).toMatchObject({ gutter: (thread[0]!.content as { gutter: number }).gutter });
  });

  it('takes the tail to another spread over the page line', async () => {
    const [first, second] = threadOf(await desk.records<FrameRecord>('frame'), body(quay));
    await desk.page.click(`[data-frame="${second!.id}"]`);
    await desk.press('Delete');
    const tail = `[data-tail="${body(quay)}"]`;
    await desk.page.waitForSelector(tail);
    const from = await desk.box(tail);
    const cell = await desk.middle('nav [aria-label^="Page 8"]');
    const { mouse } = desk.page;
    await mouse.move(from.x + 16, from.y + from.h / 2);
    await mouse.down();
    await mouse.move(cell.x, cell.y, { steps: 10 });
    await desk.until('page 8 comes up under the hand', () => document.querySelector('.desk [aria-label="Spread 8–9"]') !== null);
    const to = await desk.onPaper(0.75, 0.4);
    await mouse.move(to.x, to.y, { steps: 10 });
    await desk.page.waitForSelector('[data-lit]');
    await mouse.up();
    await desk.until(
      'the story goes on there',
      () => document.querySelectorAll('[data-frame][aria-label^="Text, From the quay"]').length === 1,
    );
    await desk.stored();
    const thread = threadOf(await desk.records<FrameRecord>('frame'), body(quay));
    expect(thread.map(({ id }) => id)[0]).toBe(first!.id);
    expect(thread).toHaveLength(2);
  });

  it('goes on from the keyboard in reading order: below on its page, then on the page behind', async () => {
    const quayBody = body(quay);
    const thread = threadOf(await desk.records<FrameRecord>('frame'), quayBody);
    await desk.page.$eval(`[data-frame="${thread.at(-1)!.id}"]`, (element) => (element as SVGElement).focus());
    await desk.press('Delete');
    await desk.stored();
    await desk.go(10);
    await desk.page.waitForSelector(`[data-tail="${quayBody}"]`);
    const tail = `[data-tail="${quayBody}"]`;
    const linesOver = () => desk.page.$eval(tail, (element) => Number(/\+(\d+)/.exec(element.textContent!)![1]));
    const over = await linesOver();
    await desk.page.$eval(tail, (element) => (element as SVGElement).focus());
    await desk.press('Enter');
    await desk.until(
      'fewer lines are over',
      (at: string, before: number) => Number(/\+(\d+)/.exec(document.querySelector(at)?.textContent ?? '')?.[1]) < before,
      tail,
      over,
    );
    await desk.page.$eval(tail, (element) => (element as SVGElement).focus());
    await desk.press('Enter');
    await desk.until('the tail is gone', (at: string) => !document.querySelector(at), tail);
    await desk.stored();
    const gone = threadOf(await desk.records<FrameRecord>('frame'), quayBody);
    const pages = (await desk.records<PageRecord>('page')).sort((a, b) => (a.order < b.order ? -1 : 1));
    expect(gone.map(({ on }) => pages.findIndex(({ id }) => id === on) + 1)).toEqual([10, 10, 11]);
    expect(gone[1]!.box.y).toBeGreaterThanOrEqual(gone[0]!.box.y + gone[0]!.box.h);
    // Both are taken back, so that the lower half of the page is free again.
    for (let i = 0; i < 2; i++) {
      await desk.press('Control', 'z');
      await desk.stored();
    }
    await desk.page.waitForSelector(tail);
  });

  it('adds as many pages as a story needs', async () => {
    const before = (await desk.records<PageRecord>('page')).length;
    await desk.page.click('text/Add two after');
    await desk.until(
      'two more are there',
      (count: number) => document.querySelectorAll('nav[aria-label="Page line"] [data-page]').length === count,
      before + 2,
    );
    const [chooser] = await Promise.all([desk.page.waitForFileChooser(), desk.page.click('[aria-label="Bring in files"]')]);
    await chooser.accept([
      await filed('long.md', `# A long one\n\n${Array.from({ length: 14 }, (_, i) => prose(300, i + 50)).join('\n\n')}`),
    ]);
    await (await desk.page.waitForSelector('::-p-aria([name="Bring in the story"][role="button"])'))!.click();
    await desk.until('it has come', () =>
      [...document.querySelectorAll('[data-story]')].some((element) => element.textContent?.includes('A long one')),
    );
    const long = (await desk.page.$$eval('[data-story]', (elements) =>
      elements.find((element) => element.textContent?.includes('A long one'))?.getAttribute('data-story'),
    ))!;
    await desk.page.click('text/As many pages as it needs');
    await desk.go(10);
    await desk.drag(await desk.middle(`[data-story="${long}"]`), await desk.onPaper(0.25, 0.6), async () => {
      await desk.until('it says what it will do', () =>
        document.querySelector('[data-lit]')?.textContent?.includes('as many pages as it needs'),
      );
    });
    await desk.until(
      'pages have come',
      (count: number) => document.querySelectorAll('nav[aria-label="Page line"] [data-page]').length > count,
      before + 2,
    );
    await desk.page.click('text/As many pages as it needs');
    await desk.stored();
    const fit = await desk.page.$eval(`[data-story="${long}"]`, (element) => element.closest('li')!.textContent);
    expect(fit).toMatch(/fits|room for/);
    expect((await desk.changes()).at(-1)!.label).toBe('Place a story');
  });

  it('marks out a stretch, which asks what it shall be', async () => {
    // Four pages at the end hold an empty spread, whether the last there was stood left or right.
    const last = (await desk.page.$$('nav[aria-label="Page line"] [data-page]')).length;
    for (const count of [last, last + 2]) {
      await desk.go(count);
      await desk.page.click('text/Add two after');
      await desk.until(
        'two more are there',
        (there: number) => document.querySelectorAll('nav[aria-label="Page line"] [data-page]').length === there,
        count + 2,
      );
    }
    await desk.stored();
    await desk.go(last % 2 === 0 ? last + 2 : last + 1);
    const letter = (await desk.page.$$eval('[data-story]', (elements) =>
      elements.find((element) => element.textContent?.includes('hill school'))?.getAttribute('data-story'),
    ))!;
    await desk.drag(await desk.onPaper(0.12, 0.2), await desk.onPaper(0.35, 0.6), async () => {
      expect(await desk.page.$eval('[data-lit]', (element) => element.textContent)).toMatch(/columns? \d.*lines \d+ to \d+/);
    });
    await desk.page.waitForSelector('[role=menu]');
    await desk.press('t');
    await desk.page.waitForFunction(() =>
      [...document.querySelectorAll('[role=menuitem]')].some((element) => element.textContent?.includes('hill school')),
    );
    await desk.page.click('[role=menu] ::-p-text(A letter from the hill school)');
    await desk.until(
      'the letter is set',
      () => document.querySelectorAll('[data-frame][aria-label^="Text, A letter"]').length === 1,
    );
    await desk.stored();
    const story = (await desk.records<StoryRecord>('story')).find(({ id }) => id === letter);
    expect(threadOf(await desk.records<FrameRecord>('frame'), body(story))).toHaveLength(1);
    // And a panel, by one letter.
    await desk.drag(await desk.onPaper(0.6, 0.7), await desk.onPaper(0.9, 0.85));
    await desk.page.waitForSelector('[role=menu]');
    await desk.press('a');
    await desk.page.waitForSelector('[data-frame][aria-label^="Panel"]');
    await desk.stored();
    expect(
      (await desk.records<FrameRecord>('frame')).filter(
        ({ content, on }) => content.type === 'panel' && !['p3', 'p8'].includes(on),
      ),
    ).toHaveLength(1);
  });
});

describe('a picture', () => {
  it('comes in, is dragged to the grid, and text runs around its outline', async () => {
    const disc = Buffer.from(
      '<svg xmlns="http://www.w3.org/2000/svg" width="900" height="900"><circle cx="450" cy="450" r="440" fill="#c33"/></svg>',
    );
    const [chooser] = await Promise.all([desk.page.waitForFileChooser(), desk.page.click('[aria-label="Bring in files"]')]);
    await chooser.accept([await filed('red-disc.png', await sharp(disc).png().toBuffer())]);
    await desk.page.click('[role=tab]:nth-of-type(2)');
    await desk.until('it is in the tray', () =>
      [...document.querySelectorAll('[data-picture]')].some((element) => element.textContent?.includes('red-disc')),
    );
    await desk.stored();
    const picture = (await desk.records<PictureRecord>('picture')).find(({ name }) => name === 'red-disc')!;
    expect(picture).toMatchObject({ width: 900, height: 900, transparent: true });
    expect(picture.outlines.alpha![0]!.length).toBeGreaterThan(20);
    await desk.drag(await desk.middle(`[data-picture="${picture.id}"]`), await desk.onPaper(0.7, 0.3), async () => {
      await desk.page.waitForSelector('[data-lit]');
    });
    await desk.until(
      'it is on the page',
      () => document.querySelectorAll('[data-frame][aria-label^="Picture, red-disc"]').length === 1,
    );
    await desk.until(
      'its wrap is by outline',
      () => document.querySelector('[role=toolbar] [aria-pressed=true]')?.textContent === 'Outline',
    );
  });

  it('is sized and moved by hand over three columns: text flows under it before it is let go', async () => {
    // To the spread of the feature, whose left page has three columns of text.
    await desk.go(4);
    const picture = (await desk.records<PictureRecord>('picture')).find(({ name }) => name === 'fenn-kite-cutout')!;
    const [frame] = (await desk.records<FrameRecord>('frame')).filter(
      ({ content, on }) => content.type === 'picture' && content.picture === picture.id && on === 'p4',
    );
    const selector = `[data-frame="${frame!.id}"]`;
    const text = () =>
      desk.page.$$eval('[data-chunk] text', (words) =>
        words.map((word) => `${word.getAttribute('x')} ${word.getAttribute('y')}`).join(),
      );
    await desk.until('the feature is set', () => document.querySelectorAll('[data-chunk] text').length > 600);
    const before = await text();
    const changes = (await desk.changes()).length;
    const from = await desk.middle(selector);
    await desk.drag(from, { x: from.x - 70, y: from.y + 40 }, async () => {
      await desk.until(
        'the text has moved',
        (old: string) =>
          [...document.querySelectorAll('[data-chunk] text')]
            .map((word) => `${word.getAttribute('x')} ${word.getAttribute('y')}`)
            .join() !== old,
        before,
      );
      // Under the hand only: nothing is stored yet.
      expect((await desk.changes()).length).toBe(changes);
    });
    await desk.until('it is storing or stored', () => document.querySelector('[aria-label="Save state"]') !== null);
    await desk.stored();
    const moved = (await desk.records<FrameRecord>('frame')).find(({ id }) => id === frame!.id)!;
    expect(moved.box.x).not.toBe(frame!.box.x);
    expect((await desk.changes()).at(-1)!.label).toBe('Move a frame');
    // Its top was caught by a line, its side by a column or nothing.
    const lines = (moved.box.y - 56.6929) / 12.5;
    const foot = (moved.box.y + moved.box.h - 56.6929) / 12.5;
    expect(Math.min(Math.abs(lines - Math.round(lines)), Math.abs(foot - Math.round(foot)))).toBeLessThan(0.01);
  });

  it('wraps in every way, with a stand-off that is typed', async () => {
    const choose = async (name: string, mode: string) => {
      await desk.page.click(`[aria-label="Text wrap"] ::-p-text(${name})`);
      await desk.until(
        `${name} is chosen`,
        (label: string) =>
          [...document.querySelectorAll('label:has(input[type=radio]:checked)')].some((element) => element.textContent === label),
        name,
      );
      await desk.stored();
      const frame = (await desk.records<FrameRecord>('frame')).filter(
        ({ content, on }) => content.type === 'picture' && on === 'p4',
      )[0]!;
      expect(frame.wrap.mode).toBe(mode);
      return frame;
    };
    await choose('Frame', 'frame');
    await choose('Clear', 'clear');
    await choose('None', 'none');
    await choose('Outline', 'outline');
    const field = (await desk.page.$('aria/Stand-off[role="textbox"]'))!;
    await field.click();
    await desk.page.keyboard.type('0.25in');
    await desk.press('Enter');
    await desk.until('it is taken', () => [...document.querySelectorAll('input')].some((input) => input.value === '6.35 mm'));
    await field.click({ count: 3 });
    await desk.page.keyboard.type('wide');
    await desk.press('Enter');
    await desk.until('the field says what is wrong', () =>
      document.querySelector('[role=alert]')?.textContent?.includes('“wide” is not a length'),
    );
    await desk.press('Escape');
    await desk.stored();
    const [frame] = (await desk.records<FrameRecord>('frame')).filter(
      ({ content, on }) => content.type === 'picture' && on === 'p4',
    );
    expect(frame!.wrap.standOff).toBeCloseTo(18, 6);
  });
});

describe('a pull quote', () => {
  it('is made of a sentence that is pressed, wraps, and can be moved', async () => {
    await desk.press('Escape');
    await desk.go(6);
    const story = (await desk.records<StoryRecord>('story')).find(({ name }) => name === 'What the gust meter heard')!;
    await desk.until('the text is set', () => document.querySelectorAll('[data-chunk] text').length > 400);
    const frames = await desk.frames('Text, What the gust meter heard');
    const box = await desk.box(`[data-frame="${frames[0]!.id}"]`);
    await desk.page.mouse.click(box.x + 20, box.y + box.h - 20);
    await desk.press('q');
    await desk.page.waitForSelector('[data-sentence="2"]');
    const sentence = await desk.middle('[data-sentence="2"]');
    await desk.page.mouse.move(sentence.x, sentence.y);
    await desk.until('the sentence is lit', () => document.querySelector('[data-picking]')?.textContent?.includes('‘'));
    const words = await desk.page.$eval('[data-picking] span', (element) => element.textContent!.slice(1, -1));
    await desk.page.mouse.click(sentence.x, sentence.y);
    await desk.until(
      'the quote is chosen',
      () =>
        document.querySelector('[data-brackets]') !== null &&
        document.querySelector('aside h2')?.textContent?.startsWith('Pull quote'),
    );
    await desk.stored();
    const quote = (await desk.records<TextRecord>('text')).find(({ source }) => source?.words === words)!;
    expect(quote).toMatchObject({ role: 'quote', source: { text: body(story) } });
    const frame = (await desk.records<FrameRecord>('frame')).find(
      ({ content }) => content.type === 'text' && content.text === quote.id,
    )!;
    expect(frame.wrap).toMatchObject({ mode: 'frame', standOff: 13.5 });
    await desk.until('the quote is set in its own style', () =>
      [...document.querySelectorAll('[data-chunk] text')].some((element) =>
        element.closest('g[font-family^="SourceSerif4-600i"]'),
      ),
    );

    const at = await desk.middle(`[data-frame="${frame.id}"]`);
    await desk.drag(at, { x: at.x, y: at.y - 60 });
    await desk.stored();
    const moved = (await desk.records<FrameRecord>('frame')).find(({ id }) => id === frame.id)!;
    expect(moved.box.y).toBeLessThan(frame.box.y);
    expect(moved.box.h).toBeGreaterThan(30);
  });
});

describe('undo and redo', () => {
  it('walk back through everything, also after a reload, and forward again', async () => {
    const shown = async () => ({
      frames: (await desk.records<FrameRecord>('frame')).length,
      quotes: (await desk.records<TextRecord>('text')).filter(({ role }) => role === 'quote').length,
    });
    const full = await shown();
    const undo = async () => {
      const count = (await desk.changes()).length;
      await desk.press('Control', 'z');
      await desk.stored();
      await expect.poll(async () => (await desk.changes()).length, { timeout: 10_000 }).toBe(count + 1);
    };
    await undo();
    await undo();
    expect((await shown()).quotes).toBe(full.quotes - 1);
    await desk.page.reload({ waitUntil: 'domcontentloaded' });
    await desk.ready();
    const label = await desk.page.$eval('header [aria-label^="Undo:"]', (element) => element.getAttribute('aria-label'));
    expect(label).toBe('Undo: Change the stand-off');
    await undo();
    expect((await desk.changes()).at(-1)).toMatchObject({ kind: 'undo', label: 'Change the stand-off' });
    for (let i = 0; i < 3; i++) {
      const count = (await desk.changes()).length;
      await desk.press('Control', 'Shift', 'Z');
      await desk.stored();
      await expect.poll(async () => (await desk.changes()).length, { timeout: 10_000 }).toBe(count + 1);
    }
    expect(await shown()).toEqual(full);
    expect((await desk.changes()).slice(-3).map(({ kind }) => kind)).toEqual(['redo', 'redo', 'redo']);
  });

  it('shows a change made in one tab in another', async () => {
    const other = await Desk.open(browser, server.origin, databaseUrl, issue);
    await other.go(4);
    await desk.page.bringToFront();
    await desk.go(4);
    const [frame] = await desk.frames('Picture, fenn-bench');
    await desk.page.$eval(`[data-frame="${frame!.id}"]`, (element) => (element as SVGElement).focus());
    const before = await other.box(`[data-frame="${frame!.id}"]`);
    for (let i = 0; i < 3; i++) await desk.press('Shift', 'ArrowDown');
    await desk.stored();
    await other.page.bringToFront();
    await other.until(
      'the frame has moved there too',
      (id: string, y: number) => document.querySelector(`[data-frame="${id}"]`)!.getBoundingClientRect().y > y + 10,
      frame!.id,
      before.y,
    );
    expect(other.problems).toEqual([]);
    await other.page.close();
    await desk.page.bringToFront();
    for (let i = 0; i < 3; i++) await desk.press('Control', 'z');
    await desk.stored();
  });
});

describe('handoff', () => {
  const made = async (purpose: 'Print' | 'Screen') => {
    const { page } = desk;
    await page.click(`text/Make ${purpose.toLowerCase()} PDF`);
    // Text is over in the demo: it is held, and made all the same.
    const again = await page.waitForSelector('li[data-state=held] ::-p-text(Make it all the same)', { timeout: 60_000 });
    await again!.click();
    await page.waitForFunction(
      (name) => [...document.querySelectorAll('li[data-state=done]')].some((element) => element.textContent?.startsWith(name)),
      { timeout: 150_000 },
      `${purpose} PDF`,
    );
    const rows = await query<{ id: string; content: Buffer }>(
      databaseUrl,
      `select d.id, string_agg(p.content, ''::bytea order by p.position) as content from delivery d join blob_piece p on p.sha256 = d.blob
        where d.document_id = $1 and d.options ->> 'way' = $2 group by d.id`,
      [issue, purpose.toLowerCase()],
    );
    const response = await fetch(`${server.origin}/api/deliveries/${rows[0]!.id}/file`);
    const bytes = new Uint8Array(await response.arrayBuffer());
    expect(Buffer.compare(Buffer.from(bytes), rows[0]!.content)).toBe(0);
    expect(response.headers.get('content-disposition')).toMatch(/Longspar-No-14-Winter/);
    return filed(`${purpose}.pdf`, bytes);
  };

  it('makes a screen PDF whose words stand where the screen shows them', async () => {
    const pages = (await desk.records<PageRecord>('page')).length;
    await desk.go(6);
    await desk.until('the text is set', () => document.querySelectorAll('[data-chunk] text').length > 400);
    const shown = await desk.page.evaluate(() => {
      const paper = document.querySelector('[data-paper]')!.getBoundingClientRect();
      const k = paper.width / Number(document.querySelector('[data-paper]')!.getAttribute('width'));
      return [...document.querySelectorAll('[data-chunk] text')].map((word) => {
        const box = word.getBoundingClientRect();
        return {
          text: word.textContent!,
          x: (box.x - paper.x) / k,
          right: (box.right - paper.x) / k,
          y: (box.y + box.height / 2 - paper.y) / k,
        };
      });
    });
    await desk.page.click('nav[aria-label="Places of the issue"] ::-p-text(Handoff)');
    await desk.page.waitForSelector('text/Make screen PDF');
    const path = await made('Screen');
    expect((await ran('qpdf', ['--check', path])).code).toBe(0);
    expect((await ran('pdfinfo', [path])).out).toMatch(new RegExp(`Pages:\\s+${pages}\\b`));
    const words = (await pdfWords(path)).filter(({ page }) => page === 6);
    const width = (212 / 25.4) * 72;
    const onLeft = shown.filter(({ x }) => x < width);
    expect(onLeft.length).toBeGreaterThan(150);
    let found = 0;
    for (const word of onLeft) {
      if (
        words.some(
          (each) => each.text.includes(word.text) && Math.abs(each.x - word.x) < 1 && each.top < word.y && each.bottom > word.y,
        )
      )
        found++;
    }
    // Words set in two pieces, a stressed one with its comma, say, are one word to poppler.
    expect(found / onLeft.length).toBeGreaterThan(0.97);
  });

  it('makes a print PDF with its boxes, marks, inks and fonts', async () => {
    const path = await made('Print');
    expect((await ran('qpdf', ['--check', path])).code).toBe(0);
    const { out } = await ran('pdfinfo', ['-box', '-f', '1', '-l', '1', path]);
    const box = (name: string) =>
      new RegExp(`${name}:\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)\\s+([\\d.]+)`).exec(out)!.slice(1).map(Number);
    const [trim, bleed, media] = [box('TrimBox'), box('BleedBox'), box('MediaBox')];
    expect(((trim[2]! - trim[0]!) / 72) * 25.4).toBeCloseTo(212, 1);
    expect(((trim[3]! - trim[1]!) / 72) * 25.4).toBeCloseTo(276, 1);
    expect(((trim[0]! - bleed[0]!) / 72) * 25.4).toBeCloseTo(3, 1);
    expect(media[2]!).toBeGreaterThan(bleed[2]!);
    const fonts = (await ran('pdffonts', [path])).out.trim().split('\n').slice(2);
    expect(fonts.length).toBeGreaterThan(5);
    for (const font of fonts) expect(font).toMatch(/yes yes yes/);
    const images = (await ran('pdfimages', ['-list', path])).out.trim().split('\n').slice(2);
    expect(images.filter((row) => /^\s*\d+\s+\d+\s+image\b/.test(row)).every((row) => /cmyk/.test(row))).toBe(true);
    // The cover's picture, at all its pixels.
    expect(images.some((row) => /\b2700\s+3480\b/.test(row))).toBe(true);
    const text = (await ran('pdftotext', ['-f', '4', '-l', '4', path, '-'])).out.replace(/-\n/g, '').replace(/\s+/g, ' ');
    expect(text).toContain('kite that Odalys Fenn keeps above the bench');
    expect(await readFile(path)).toBeDefined();
  });
});

it('a desk that is opened again stands with the spread it had, and says so when its typesetter stops', async () => {
  const own = await copyIssue(databaseUrl);
  const page = await browser.newPage();
  const painted = () => document.querySelectorAll('[data-painted] text, [data-painted] image').length > 2;
  await page.goto(`${server.origin}/issues/${own}/pages`, { waitUntil: 'domcontentloaded' });
  await until(page, 'it is painted', painted);
  await until(
    page,
    'it is kept',
    async (key: string) => {
      const name = 'restless-kite-spreads';
      if (!(await indexedDB.databases()).some((each) => each.name === name)) return false;
      return new Promise((resolve) => {
        const opening = indexedDB.open(name);
        opening.onsuccess = () => {
          const asked = opening.result.transaction('spreads').objectStore('spreads').get(key);
          asked.onsuccess = () => resolve(asked.result !== undefined);
        };
      });
    },
    own,
  );
  // A browser in which no worker starts: whatever is seen was there before.
  await page.evaluateOnNewDocument(() => {
    window.Worker = class extends EventTarget {
      constructor() {
        super();
        setTimeout(() => this.dispatchEvent(new ErrorEvent('error', { message: 'no worker starts' })), 300);
      }
      postMessage() {}
      terminate() {}
    } as never;
  });
  await page.reload({ waitUntil: 'domcontentloaded' });
  await until(page, 'it stands', painted);
  await until(page, 'it says that nothing is composed', () =>
    [...document.querySelectorAll('[role=alert]')].some((each) =>
      each.textContent!.includes('The typesetter stopped (no worker starts). Reload the page; what was done is kept.'),
    ),
  );
  await page.close();
});

it('what a browser loads holds no library of schemas', async () => {
  for (const [folder, least] of [
    ['.next/static/chunks', 10],
    ['public/workers', 4],
  ] as const) {
    const scripts = (await readdir(folder, { recursive: true })).filter((name) => name.endsWith('.js'));
    expect(scripts.length).toBeGreaterThan(least);
    // What Joi calls the first of its rules, in every build of it.
    for (const name of scripts) expect((await readFile(`${folder}/${name}`, 'utf8')).includes('any.required'), name).toBe(false);
  }
});

it('the typesetter starts once, with the page’s first lines and the faces that it will need', async () => {
  const page = await browser.newPage();
  await page.evaluateOnNewDocument(() => {
    const started: { page: string; name: string }[] = ((self as never as { started: unknown[] }).started = [] as never);
    const Real = Worker;
    self.Worker = class extends Real {
      constructor(url: string | URL, options: WorkerOptions = {}) {
        super(url, options);
        started.push({ page: document.readyState, name: options.name ?? '' });
      }
    };
  });
  await page.goto(`${server.origin}/issues/${await copyIssue(databaseUrl)}/pages`, { waitUntil: 'domcontentloaded' });
  await page.waitForSelector('.desk[data-ready=true]');
  const started = await page.evaluate(() => (self as never as { started: { page: string; name: string }[] }).started);
  expect(started.map(({ page }) => page)).toEqual(['loading']);
  expect(started[0]!.name.split(' ')).toContain('SourceSerif4-400');
  // No face is fetched a second time.
  const [worker] = page.workers();
  const faces = await worker!.evaluate(() =>
    performance
      .getEntriesByType('resource')
      .map(({ name }) => name)
      .filter((name) => name.includes('/fonts/')),
  );
  expect(new Set(faces).size).toBe(faces.length);
  await page.close();
});

it('nothing went wrong in the browser on the way', () => {
  expect(desk.problems).toEqual([]);
});
