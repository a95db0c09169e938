import { readFile } from 'node:fs/promises';
import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { bodyText, paragraphsOf, plainText } from '@/core/records/body';
import type { PictureRecord, StoryRecord, TextRecord } from '@/core/records/index';
import { openServer, openStandIns, query, type Server, type StandIns } from '../support/application';
import { openChromium } from '../support/chromium';
import { sampleAs } from '../support/copySample';
import { copyDocument, copyHouse, copyIssue, Desk } from '../support/desk';
import { filed, ran } from '../support/programs';

/** Copy: how it comes in, the place Copy, finding, cleaning up, spelling and threads, with mouse and keyboard. */

const databaseUrl = inject('databaseUrl');
let server: Server;
let standIns: StandIns;
let browser: Browser;
let desk: Desk;
let page: Page;
let issue: string;

beforeAll(async () => {
  standIns = await openStandIns();
  server = await openServer(databaseUrl, undefined, { WIRE_URL: standIns.wire });
  browser = await openChromium();
  await browser
    .defaultBrowserContext()
    .overridePermissions(server.origin, ['clipboard-read', 'clipboard-write', 'clipboard-sanitized-write']);
  issue = await copyIssue(databaseUrl);
  desk = await Desk.open(browser, server.origin, databaseUrl, issue);
  page = desk.page;
  await page.setViewport({ width: 1280, height: 800 });
});

afterAll(async () => {
  expect(desk?.problems ?? []).toEqual([]);
  await browser?.close();
  await server?.stop();
  standIns?.stop();
});

const named = (name: string, role = 'button') => `::-p-aria([name="${name}"][role="${role}"])`;
const press = async (name: string, role?: string) => (await page.waitForSelector(named(name, role)))!.click();
const story = async (name: string) => {
  await desk.stored();
  return (await desk.records<StoryRecord>('story')).find((each) => each.name.startsWith(name));
};
const text = async (id: string) => (await desk.records<TextRecord>('text')).find((each) => each.id === id)!;
const bodyOf = async (name: string) => text((await story(name))!.parts.body);
const words = async (name: string) => bodyText((await bodyOf(name)).body);

async function choose(...files: string[]): Promise<void> {
  const input = (await page.$('input[type=file]'))! as unknown as { uploadFile(...paths: string[]): Promise<void> };
  await input.uploadFile(...files);
}

const openCopy = async () => {
  await page.goto(`${server.origin}/issues/${issue}/copy`, { waitUntil: 'domcontentloaded' });
  await page.waitForSelector('[data-story-row]');
};
const openStory = async (name: string) => {
  const { id, parts } = (await story(name))!;
  const part = `[data-part="${parts.body}"] [data-text-field]`;
  if (!(await page.$(part))) await page.click(`[data-story-row="${id}"] th button`);
  await page.waitForSelector(part);
};

describe('copy that comes in', () => {
  it('is shown as its source has it beside how it will be set, with what becomes what, and what is left out', async () => {
    await openCopy();
    await choose(await sampleAs('docx'));
    await page.waitForSelector('[role=dialog] [data-galley="3"]');
    const said = await page.$eval('[role=dialog]', (dialog) => dialog.textContent!.replace(/\s+/g, ' '));
    for (const each of [
      'wall.docx',
      '1 picture',
      'Styles of the source',
      'Image Caption',
      '“Struck through” in 1 place',
      'Nobody asks the wall.',
    ])
      expect(said).toContain(each);
    // The galley shows the house's own type: its letters are painted.
    await desk.until('it is set', () => /asks/.test(document.querySelector('[data-galley-part="body"]')?.textContent ?? ''));
  });

  it('becomes what is said there, and that is remembered for the publication', async () => {
    await page.select('select[aria-label="Block Text becomes"]', 'standfirst');
    await desk.until('the galley follows', () => document.querySelectorAll('[data-galley-part]').length === 4);
    await press('Bring in the story');
    await desk.until('the story is open', () =>
      /Nobody asks the wall/.test(document.querySelector('[data-part]:nth-of-type(1), section')?.textContent ?? ''),
    );
    const wall = (await story('The wall'))!;
    expect(await desk.records<PictureRecord>('picture')).toContainEqual(
      expect.objectContaining({ story: wall.id, caption: 'The wall at low water' }),
    );
    expect(bodyText((await text(wall.parts.standfirst!)).body)).toBe('Nobody asks the wall.');
    expect(bodyText((await text(wall.parts.byline!)).body)).toBe('By Ada Fenn');
    expect([wall.state, wall.file]).toEqual(['delivered', 'wall.docx']);
    const body = await bodyOf('The wall');
    expect(body.body.content.content.map((node) => node.type.name)).toContain('table');
    const kept = (await (await fetch(`${server.origin}/api/documents/${issue}/copy-mapping`)).json()) as object;
    expect(kept).toEqual({ 'Block Text': 'standfirst' });
  });

  it('of a file that came before is compared with its story, and changes are taken one by one', async () => {
    const changed =
      (await readFile(await sampleAs('docx'))).length > 0 &&
      (await sampleAs(
        'docx',
        `# The wall that keeps the harbour

By Ada Fenn

It was colder.

## What the wall remembers

A new end.
`,
      ));
    await choose(changed as string);
    await page.waitForSelector('::-p-aria([name="Update the story"][role="button"])');
    const count = await page.$$eval('[aria-label^="Take difference"]', (list) => list.length);
    expect(count).toBeGreaterThan(0);
    // Everything is left as it is but the first.
    for (let i = 2; i <= count; i++) await page.click(`[aria-label="Take difference ${i}"]`);
    await press('Update the story');
    await desk.until('it has been taken', () => document.querySelector('[role=dialog]') === null);
    expect((await desk.records<StoryRecord>('story')).filter(({ name }) => name.startsWith('The wall'))).toHaveLength(1);
    expect(await words('The wall')).toContain('It was colder.');
    await desk.press('Control', 'z');
    await desk.until('it is taken back', () => document.body.textContent!.includes('It was'));
    await desk.stored();
    expect(await words('The wall')).toContain('It was cold and wet');
  });

  it('in an old encoding is read as it was found out, or as it is said to be', async () => {
    const path = await filed(
      'alt.txt',
      new Uint8Array([
        ...Buffer.from('Gro'),
        0xdf,
        ...Buffer.from('e H'),
        0xe4,
        ...Buffer.from('user und Br'),
        0xfc,
        ...Buffer.from('cken\n\nDer Wind.'),
      ]),
    );
    await choose(path);
    await page.waitForSelector('::-p-aria([name="Encoding (guessed from its letters)"])');
    await desk.until('it is read', () =>
      /Große Häuser/.test(document.querySelector('[aria-label="What the source says"]')?.textContent ?? ''),
    );
    await press('Cancel');
  });
});

describe('the place Copy', () => {
  it('lists stories as a newsdesk does, and refuses a day that there is not', async () => {
    await openCopy();
    const { id } = (await story('What the gust'))!;
    const row = `[data-story-row="${id}"]`;
    await desk.until(
      'it is listed',
      (selector: string) => /Ines Calloway.*867.*28 lines over.*6–7/.test(document.querySelector(selector)?.textContent ?? ''),
      row,
    );
    await page.select(`${row} select`, 'passed');
    const target = (await page.waitForSelector(`${row} input[aria-label^="Target"]`))!;
    await target.click({ count: 3 });
    await page.keyboard.type('0');
    await page.keyboard.press('Enter');
    await desk.until('it is refused', () => /A story is planned at 1 to 1,000,000 words/.test(document.body.textContent!));
    await page.keyboard.press('Escape');
    const due = (await page.waitForSelector(`${row} input[aria-label^="Due day"]`))!;
    await due.click();
    await page.keyboard.type('31 February 2027');
    await page.keyboard.press('Enter');
    await desk.until('it is refused', () => /That date does not exist/.test(document.body.textContent!));
    await page.keyboard.press('Escape');
    expect(await story('What the gust')).toMatchObject({ state: 'passed', target: 800 });
  });

  it('sorts, filters, groups, and changes many at once', async () => {
    const names = () => page.$$eval('[data-story-row] th button', (list) => list.map((each) => each.textContent!));
    await page.type('input[type=search]', 'tam');
    await desk.until('one is left', () => document.querySelectorAll('[data-story-row]').length === 1);
    expect((await names())[0]).toContain('Two hands on the line');
    await page.click('input[type=search]', { count: 3 });
    await page.keyboard.press('Backspace');
    await page.click('::-p-text(By section)');
    await page.click('thead ::-p-text(Words)');
    await desk.until('it is sorted', () => document.querySelector('th[aria-sort=ascending]') !== null);
    const counts = await page.$$eval('[data-story-row] td:nth-of-type(4)', (cells) =>
      cells.map((cell) => Number(cell.textContent!.replace(/\D/g, ''))),
    );
    expect(counts).toEqual([...counts].sort((a, b) => a - b));
    await page.click('[aria-label="Choose From the bench"]');
    await page.click('[aria-label="Choose Two hands on the line"]');
    await page.select('[aria-label="Chosen stories"] select', 'edited');
    await desk.stored();
    expect([(await story('From the bench'))!.state, (await story('Two hands'))!.state]).toEqual(['edited', 'edited']);
  });

  it('opens a story in its parts beside a galley in its true measure, which follows every letter', async () => {
    await openCopy();
    await openStory('What the gust');
    await page.waitForSelector('[data-galley-part$="-body"] ::-p-text(The space ends here)');
    const part = `[data-part="${(await story('What the gust'))!.parts.body}"]`;
    await page.click(`${part} p`);
    await desk.press('Control', 'Home');
    await page.keyboard.type('Zephyrous ');
    await desk.until('the galley has it', () => /Zephyrous/i.test(document.querySelector('[data-galley]')?.textContent ?? ''));
    // A word is made italic with the strip's own command, by somebody whose hands are faster than the page.
    await desk.press('Control', 'Home');
    await desk.pressFast(['Control', 'Shift', 'ArrowRight'], ['Control', 'i']);
    await page.waitForSelector(`${part} em ::-p-text(Zephyrous)`);
    // What was stored before may still say so for a moment: the record itself is asked.
    await expect
      .poll(async () => {
        const [first] = paragraphsOf((await bodyOf('What the gust')).body);
        return first!.firstChild!.marks.map(({ type }) => type.name);
      })
      .toEqual(['emphasis']);
    for (let i = 0; i < 8 && /Zephyrous/.test(await words('What the gust')); i++) {
      await desk.press('Control', 'z');
      await desk.stored();
    }
    expect(await words('What the gust')).not.toContain('Zephyrous');
    // Lines and words since yesterday are counted; notes do not print.
    await page.type('::-p-aria([name="Notes to the desk"])', 'Ring the observatory.');
    await page.keyboard.press('Tab');
    await desk.stored();
    expect((await story('What the gust'))!.notes).toBe('Ring the observatory.');
  });

  it('sets quotation marks, dashes and points of ellipsis as they are typed; one press takes that back', async () => {
    const headline = `[data-part="${(await story('What the gust'))!.parts.headline}"]`;
    const said = () => page.$eval(headline, (element) => element.textContent!);
    await page.click(`${headline} p`);
    await desk.press('Control', 'End');
    await page.keyboard.type(' "yes"');
    expect(await said()).toContain('“yes”');
    await desk.press('Control', 'z');
    await desk.until(
      'the last is as it was typed',
      (selector: string) => document.querySelector(selector)!.textContent!.includes('“yes"'),
      headline,
    );
    await page.keyboard.type('...');
    expect(await said()).toContain('…');
    for (let i = 0; i < 12 && (await said()) !== 'What the gust meter heard'; i++) {
      await desk.press('Control', 'z');
      await desk.stored();
    }
    expect(await said()).toBe('What the gust meter heard');
  });

  it('gives a story out as a word processor’s file, which says what the story says', async () => {
    const { id, name } = (await story('The spar'))!;
    const response = await fetch(`${server.origin}/api/documents/${issue}/stories/${id}?as=docx`);
    expect(response.headers.get('content-disposition')).toContain(encodeURIComponent(name));
    const { out } = await ran('pandoc', [
      await filed('out.docx', new Uint8Array(await response.arrayBuffer())),
      '-t',
      'plain',
      '--wrap=none',
    ]);
    expect(out.replace(/\s+/g, ' ')).toContain((await words('The spar')).split('\n')[1]!.replace(/\s+/g, ' '));
    expect((await fetch(`${server.origin}/api/documents/${issue}/stories/none?as=docx`)).status).toBe(404);
    expect((await fetch(`${server.origin}/api/documents/${issue}/stories/${id}?as=pdf`)).status).toBe(400);
  });
});

describe('finding', () => {
  it('finds over the issue, goes to a place, and replaces what is ticked in one change', async () => {
    await openCopy();
    await desk.press('Control', 'f');
    await page.waitForSelector('[aria-label="Find and replace"] input');
    await page.keyboard.type('observatory');
    await desk.until('places are listed', () => Number(document.querySelector('[data-found]')?.getAttribute('data-found')) > 2);
    const count = Number(await page.$eval('[data-found]', (element) => element.getAttribute('data-found')));
    await (await page.$$('[data-match] button'))[0]!.click();
    await desk.until('it is selected', () => window.getSelection()!.toString().toLowerCase() === 'observatory');
    await page.click('[data-match] input');
    await page.type('::-p-aria([name="Replace with"])', 'weather station');
    const before = (await desk.changes()).length;
    await press(`Replace ${count - 1}`);
    await desk.until('they are replaced', () => document.querySelector('[data-found]')?.getAttribute('data-found') === '1');
    await desk.stored();
    expect((await desk.changes()).length).toBe(before + 1);
    await desk.press('Control', 'z');
    await desk.until(
      'they are back',
      (all: number) => document.querySelector('[data-found]')?.getAttribute('data-found') === String(all),
      count,
    );
  });

  it('says why a pattern cannot be read', async () => {
    await page.click('::-p-text(Pattern)');
    await page.click('::-p-aria([name="Find"][role="textbox"])', { count: 3 });
    await page.keyboard.type('(ob');
    await desk.until('it is said', () => /That pattern cannot be read/.test(document.body.textContent!));
    await press('Close find and replace');
  });

  it('reaches the other issues of the publication, each of which undoes its own', async () => {
    const house = await copyHouse(databaseUrl);
    const [own] = await query<{ publication_id: string }>(databaseUrl, 'select publication_id from document where id = $1', [
      house,
    ]);
    const [one, two] = [
      await copyDocument(databaseUrl, 'longspar-14', own!.publication_id),
      await copyDocument(databaseUrl, 'longspar-14', own!.publication_id),
    ];
    await page.goto(`${server.origin}/issues/${one}/copy`, { waitUntil: 'domcontentloaded' });
    await page.waitForSelector('[data-story-row]');
    await desk.press('Control', 'f');
    await page.waitForSelector('[aria-label="Find and replace"] input');
    await page.keyboard.type('observatory');
    await desk.until('places are listed', () => Number(document.querySelector('[data-found]')?.getAttribute('data-found')) > 2);
    const here = Number(await page.$eval('[data-found]', (element) => element.getAttribute('data-found')));
    await (await page.waitForSelector('::-p-aria([name="Where"][role="combobox"])'))!.select('all');
    await desk.until(
      'as many again are listed',
      (count: number) => document.querySelector('[data-found]')?.getAttribute('data-found') === String(2 * count),
      here,
    );
    await page.type('::-p-aria([name="Replace with"])', 'weather station');
    await press(`Replace ${2 * here}`);
    await desk.until('nothing is left', () => document.querySelector('[data-found]')?.getAttribute('data-found') === '0');
    for (const id of [one, two]) {
      const changes = await query<{ label: string }>(databaseUrl, 'select label from change where document_id = $1', [id]);
      expect(changes.map(({ label }) => label)).toEqual([`Replace in ${here} places`]);
    }
  });

  it('cleans up all places, or those that are ticked', async () => {
    await openCopy();
    await openStory('From the bench');
    const part = `[data-part="${(await story('From the bench'))!.parts.body}"]`;
    await page.click(`${part} p`);
    await desk.press('Control', 'Home');
    await page.evaluate(() => navigator.clipboard.writeText('He said "no"  twice. '));
    await desk.press('Control', 'Shift', 'v');
    await desk.until('it is pasted', () => /said "no"/.test(document.body.textContent!));
    await press('Clean up');
    await page.waitForSelector('[data-match] del');
    await page.click('[aria-label^="Take: Several spaces"]');
    await press('Clean up 2 places');
    await desk.stored();
    expect(await words('From the bench')).toMatch(/^He said “no” {2}twice\./);
    await press('Close clean up');
  });
});

describe('the news wire', () => {
  it('is subscribed to as it is offered; news is chosen and comes in with pictures, captions, credits and the wire’s note', async () => {
    await openCopy();
    await press('News wire');
    await press('Subscribe');
    await page.waitForSelector('[data-news$=second-ferry]');
    await page.click('[data-news$=second-ferry] input');
    await page.click('[data-news$=gale-warning] input');
    expect(await page.$('[data-news$=bridge-closed] input:disabled')).not.toBeNull();
    await press('Take in 2 stories');
    await page.waitForSelector('[role=dialog] [data-galley]');
    await press('Bring in 2 stories');
    await desk.until('the first is open', () => document.querySelector('[data-part]') !== null);
    const ferry = (await story('A second ferry'))!;
    expect(ferry).toMatchObject({ state: 'delivered', file: 'urn:ternhaven-wire:second-ferry' });
    expect(ferry.notes).toMatch(/Pictures with this story only/);
    const pictures = (await desk.records<PictureRecord>('picture')).filter((each) => each.story === ferry.id);
    expect(pictures.map(({ credit }) => credit)).toEqual(['Sefa Brill', 'Sefa Brill']);
    expect(pictures.map(({ caption }) => caption)).toContainEqual(expect.stringMatching(/Linnet/));
    expect(bodyText((await text(ferry.parts.byline!)).body)).toBe('By Perran Oake');
  });

  it('shows a correction as it comes, and its differences are taken into the story', async () => {
    expect(await words('A second ferry')).toContain('412,000');
    for (let i = 0; i < 2; i++) await fetch(standIns.wire.replace('feed', 'next'), { method: 'POST' });
    await query(databaseUrl, 'update wire set asked_at = null');
    await openCopy();
    await press('News wire');
    await page.waitForSelector('[data-news$=second-ferry] ::-p-text(version 2)');
    expect(await page.$eval('[data-news$=second-ferry]', (row) => row.textContent)).toMatch(/in this issue/);
    // A press on a headline looks at that piece alone.
    await page.click('[data-news$=second-ferry] button');
    await press('Update the story');
    await desk.stored();
    expect(await words('A second ferry')).toContain('398,000');
    expect(await words('A second ferry')).not.toContain('412,000');
    await desk.press('Control', 'z');
    await desk.stored();
    expect(await words('A second ferry')).toContain('412,000');
  });

  it('is ended, and what was taken stays; an address that is none is refused at its field', async () => {
    await page.click('::-p-text(1 wire)');
    await (await page.waitForSelector(named('Unsubscribe from Ternhaven Wire')))!.click();
    const address = (await page.waitForSelector('::-p-aria([name="Feed address"])'))!;
    await address.click({ count: 3 });
    await page.keyboard.type('ftp://wire.example');
    await desk.press('Enter');
    await desk.until('it is refused', () =>
      [...document.querySelectorAll('[role=alert]')].some((each) => each.textContent!.includes('begins with http')),
    );
    expect(await story('A second ferry')).toBeDefined();
    await press('Close the news wire');
  });
});

describe('spelling', () => {
  it('marks words that no dictionary knows, proposes others, and learns our own', async () => {
    await openCopy();
    await openStory('From the bench');
    await page.waitForSelector('.misspelt');
    const marked = () => page.$$eval('.misspelt', (list) => list.map((each) => each.textContent));
    expect(await marked()).toContain('Saltcote');
    await desk.press('F7');
    await (await page.waitForSelector('[aria-label=Spelling] li ::-p-text(Saltcote)'))!.click();
    await press('Always right');
    await desk.until(
      'it is known',
      () => ![...document.querySelectorAll('.misspelt')].some((each) => each.textContent === 'Saltcote'),
    );
    // It is known in the publication's other issues too.
    const other = await copyDocument(databaseUrl, issue);
    const own = (await (await fetch(`${server.origin}/api/documents/${other}/words`)).json()) as { word: string }[];
    expect(own.map(({ word }) => word)).toContain('Saltcote');
    await page.click('::-p-text(Own words)');
    await press('Forget Saltcote');
    await desk.until('it is forgotten', () =>
      [...document.querySelectorAll('.misspelt')].some((each) => each.textContent === 'Saltcote'),
    );
    // What is proposed replaces the word wherever it stands.
    const part = `[data-part="${(await story('From the bench'))!.parts.body}"]`;
    await page.click(`${part} p`);
    await desk.press('Control', 'Home');
    await page.keyboard.type('Harbuor ');
    await (await page.waitForSelector('[aria-label=Spelling] li ::-p-text(Harbuor)'))!.click();
    await (await page.waitForSelector('[aria-label=Spelling] ::-p-text(Harbour)'))!.click();
    await desk.stored();
    expect(await words('From the bench')).toMatch(/^Harbour /);
  });

  it('is right at one place alone where somebody says so, until it is asked for again', async () => {
    const part = `[data-part="${(await story('From the bench'))!.parts.body}"]`;
    await page.click(`${part} p`);
    await desk.press('Control', 'Home');
    await page.keyboard.type('Quorl and Quorl ');
    const marked = (count: number) =>
      desk.until(
        `Quorl is marked ${count} times`,
        (n: number) => [...document.querySelectorAll('.misspelt')].filter((each) => each.textContent === 'Quorl').length === n,
        count,
      );
    await marked(2);
    await (await page.waitForSelector('[aria-label=Spelling] li ::-p-text(Quorl)'))!.click();
    await press('Place 2');
    await press('Right at this place');
    await marked(1);
    await page.click('::-p-text(Right where they stand)');
    await press('Check Quorl again');
    await marked(2);
  });

  it('underlines them on the page', async () => {
    await page.goto(`${server.origin}/issues/${issue}/pages`, { waitUntil: 'domcontentloaded' });
    await desk.ready();
    await desk.go(3);
    await desk.press('F7');
    await desk.until(
      'words are underlined',
      () => Number(document.querySelector('path[data-misspelt]')?.getAttribute('data-misspelt')) > 0,
    );
    await press('Close spelling');
  });
});

describe('on the desk', () => {
  it('a file that is dropped on a page is placed there; what is pasted becomes a story under the pointer', async () => {
    await desk.go(8);
    await page.click('text/Add two after');
    await desk.go(10);
    const path = await filed('dropped.md', '# Dropped on a page\n\nA short one, of two sentences. This is the second.');
    const client = await page.createCDPSession();
    const at = await desk.onPaper(0.3, 0.4);
    const data = { items: [{ mimeType: 'text/markdown', data: '' }], files: [path], dragOperationsMask: 1 };
    for (const type of ['dragEnter', 'dragOver', 'dragOver'] as const)
      await client.send('Input.dispatchDragEvent', { type, ...at, data });
    await page.waitForSelector('[data-lit]');
    await client.send('Input.dispatchDragEvent', { type: 'drop', ...at, data });
    await press('Bring in the story');
    await page.waitForSelector('[data-frame][aria-label^="Text, Dropped on a page"]');

    await desk.press('Escape');
    await page.evaluate(() => {
      const html = new Blob(['<h1>Pasted here</h1><table><tr><th>Day<th>Tide</tr><tr><td>Monday<td>3.4</tr></table>'], {
        type: 'text/html',
      });
      return navigator.clipboard.write([new ClipboardItem({ 'text/html': html })]);
    });
    await page.mouse.click(40, 700);
    await page.mouse.move(700, 300);
    await desk.press('Control', 'v');
    await desk.until('it has come', () => document.body.textContent!.includes('Pasted here'));
    const body = await bodyOf('Pasted here');
    expect(body.body.content.content.map((node) => node.type.name)).toContain('table');
  });

  it('a file dropped into the text in hand goes to the place that is shown', async () => {
    await desk.go(4);
    await desk.until('words stand there', () =>
      [...document.querySelectorAll('[data-chunk] text')].some((each) => each.textContent === 'forgotten.'),
    );
    const spot = await page.$$eval('[data-chunk] text', (list) => {
      const { x, y, height } = list.find((each) => each.textContent === 'forgotten.')!.getBoundingClientRect();
      return { x: x + 0.4, y: y + height / 2 };
    });
    await page.mouse.click(spot.x, spot.y, { count: 2 });
    await page.waitForSelector('[data-caret]');
    const path = await filed('into.txt', 'quite ');
    const client = await page.createCDPSession();
    const data = { items: [{ mimeType: 'text/plain', data: '' }], files: [path], dragOperationsMask: 1 };
    for (const type of ['dragEnter', 'dragOver', 'dragOver'] as const)
      await client.send('Input.dispatchDragEvent', { type, ...spot, data });
    await page.waitForSelector('[data-drop-caret]');
    await client.send('Input.dispatchDragEvent', { type: 'drop', ...spot, data });
    await desk.until('it is there', () =>
      /quiteforgotten\./.test(document.querySelector('[data-painted]')!.textContent!.replace(/\s/g, '')),
    );
    await desk.press('Control', 'z');
    await desk.press('Escape');
  });

  it('a thread is split, a frame taken out and joined again, and jump lines are put in by a command', async () => {
    const { parts } = (await story('The spar'))!;
    const thread = async () =>
      (await desk.records<{ id: string; content: { type: string; text?: string; order?: string } }>('frame'))
        .filter(({ content }) => content.type === 'text' && content.text === parts.body)
        .sort((a, b) => (a.content.order! < b.content.order! ? -1 : 1))
        .map(({ id }) => id);
    const before = await thread();
    expect(before.length).toBeGreaterThan(1);
    const last = before.at(-1)!;
    await desk.go(5);
    await (await page.waitForSelector(`[data-frame="${last}"]`))!.click();
    await desk.command('Take this frame out of the thread');
    // The typesetter works it out first.
    await expect.poll(thread).toEqual(before.slice(0, -1));
    await desk.stored();
    await page.waitForSelector(`[data-tail="${parts.body}"]`);
    // The tail is dragged onto the empty frame.
    const tail = await desk.middle(`[data-tail="${parts.body}"] rect`);
    await desk.drag(tail, await desk.middle(`[data-frame="${last}"]`), async () => {
      await desk.until('the frame lights up', () =>
        document.querySelector('[data-lit]')?.textContent?.includes('into this frame'),
      );
    });
    await expect.poll(thread).toEqual(before);
    await desk.stored();
    await (await page.waitForSelector(`[data-frame="${last}"]`))!.click();
    await desk.command('Split this frame off with its text');
    // The typesetter works it out first.
    await expect.poll(thread).toEqual(before.slice(0, -1));
    await desk.stored();
    expect(plainText(paragraphsOf((await text(parts.body)).body)[0]!)).toBeTruthy();
    await desk.press('Control', 'z');
    await expect.poll(thread).toEqual(before);
    await desk.stored();
  });
});
