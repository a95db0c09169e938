import type { Browser, CDPSession } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { paragraphsOf, plainText } from '@/core/records/body';
import type { StoryRecord, TextRecord } from '@/core/records/index';
import { openServer, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { copyIssue, Desk, type Spot } from '../support/desk';

/** Text under the hand: selecting, formatting, moving, copying and pasting on the page, with mouse and keyboard. */

const databaseUrl = inject('databaseUrl');
let server: Server;
let browser: Browser;
let desk: Desk;
let cdp: CDPSession;

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium(server.origin);
  desk = await Desk.open(browser, server.origin, databaseUrl, await copyIssue(databaseUrl));
  cdp = await desk.page.createCDPSession();
  await desk.go(4);
});

afterAll(async () => {
  expect(desk?.problems ?? []).toEqual([]);
  await browser?.close();
  await server?.stop();
});

const STORY = 'The spar remembers';

const text = async (part: 'body' | 'headline' | 'standfirst' = 'body', name = STORY): Promise<TextRecord> => {
  await desk.stored();
  const story = (await desk.records<StoryRecord>('story')).find((each) => each.name === name)!;
  return (await desk.records<TextRecord>('text')).find(({ id }) => id === story.parts[part])!;
};
const words = async (...of: Parameters<typeof text>) => paragraphsOf((await text(...of)).body).map(plainText);

/** The left edge of a word on the page; `edge` 1: its right edge. */
const wordAt = async (word: string, edge: 0 | 1 = 0): Promise<Spot> => {
  await desk.until(
    `“${word}” stands on the desk`,
    (sought: string) => [...document.querySelectorAll('[data-chunk] text')].some((each) => each.textContent === sought),
    word,
  );
  return desk.page.$$eval(
    '[data-chunk] text',
    (list, sought, right) => {
      const { x, y, width, height } = list.find((each) => each.textContent === sought)!.getBoundingClientRect();
      return { x: right ? x + width - 0.3 : x + 0.4, y: y + height / 2 };
    },
    word,
    edge,
  );
};

const left = () => desk.until('the text is left', () => !document.querySelector('[data-typing], [data-caret]'));

async function into(word: string): Promise<void> {
  await desk.press('Escape');
  await left();
  const spot = await wordAt(word);
  await desk.page.mouse.click(spot.x, spot.y, { count: 2 });
  await desk.page.waitForSelector('[data-caret]');
}

const selectedWords = () => desk.page.evaluate(() => window.getSelection()!.toString());
const isSelected = (sought: string) =>
  desk.until(`“${sought}” is selected`, (own: string) => window.getSelection()!.toString().replace(/\s+/g, ' ') === own, sought);
/** Something of it is drawn as selected. */
const isDrawn = () =>
  desk.until(
    'the selection is drawn',
    () => (document.querySelector('[data-text-selected]')?.getAttribute('d') ?? '').length > 10,
  );

async function drag(from: Spot, to: Spot): Promise<void> {
  const { mouse } = desk.page;
  await mouse.move(from.x, from.y);
  await mouse.down();
  await mouse.move(to.x, to.y, { steps: 10 });
  await mouse.up();
}

async function undoAll(until: () => Promise<boolean>): Promise<void> {
  for (let i = 0; i < 30 && !(await until()); i++) {
    await desk.press('Control', 'z');
    await desk.stored();
  }
  expect(await until()).toBe(true);
}

describe('selecting', () => {
  it('takes what the pointer passes, and says that letters are text now', async () => {
    await into('forgotten.');
    expect(await desk.page.$eval('[data-typing]', (element) => element.textContent)).toContain('Esc leaves it');
    expect(await desk.page.$$('[data-writing]')).not.toHaveLength(0);
    await drag(await wordAt('forgotten.'), await wordAt('forgotten.', 1));
    await isSelected('forgotten.');
    await isDrawn();
  });

  it('takes a word with two presses and a paragraph with three, and goes on so while it is dragged', async () => {
    const spot = await wordAt('forgotten.');
    await desk.press('Escape');
    await into('forgotten.');
    // Elsewhere first, so that what was pressed to come in does not count.
    await desk.page.mouse.click(spot.x - 20, spot.y + 30);
    await desk.page.mouse.click(spot.x + 4, spot.y, { count: 2 });
    await isSelected('forgotten');
    await desk.page.mouse.click(spot.x + 4, spot.y, { count: 3 });
    await desk.until('a paragraph is selected', () => window.getSelection()!.toString().length > 100);
    const own = (await words()).find((each) => each.includes('forgotten.'))!;
    expect((await selectedWords()).replace(/\s+/g, ' ')).toBe(own.replace(/\s+/g, ' '));
  });

  it('goes by letters, words, lines, to the ends of lines and of the text, with Shift', async () => {
    await into('forgotten.');
    await desk.press('Shift', 'ArrowRight');
    await isSelected('f');
    await desk.press('Control', 'Shift', 'ArrowRight');
    await isSelected('forgotten');
    await desk.press('ArrowLeft');
    const word = await wordAt('forgotten.');
    await desk.press('Home');
    await desk.until(
      'it is left of the word',
      (x: number) => document.querySelector('[data-caret]')!.getBoundingClientRect().x < x - 5,
      word.x,
    );
    const caret = () => desk.box('[data-caret]');
    const home = await caret();
    await desk.press('Shift', 'End');
    await desk.until('the line is selected', () => window.getSelection()!.toString().length > 10);
    await desk.press('ArrowLeft');
    await desk.until(
      'the caret is home',
      (x: number) => Math.abs(document.querySelector('[data-caret]')!.getBoundingClientRect().x - x) < 1.5,
      home.x,
    );
    await desk.press('ArrowDown');
    await desk.until(
      'it is a line further',
      (y: number) => document.querySelector('[data-caret]')!.getBoundingClientRect().y > y + 2,
      home.y,
    );
    expect(Math.abs((await caret()).x - home.x)).toBeLessThan(8);
    await desk.press('ArrowUp');
    await desk.until(
      'and back',
      (y: number) => Math.abs(document.querySelector('[data-caret]')!.getBoundingClientRect().y - y) < 1,
      home.y,
    );
    await desk.press('Control', 'a');
    const every = (await words()).join(' ').replace(/\s+/g, ' ').length;
    await desk.until(
      'all is selected',
      (length: number) => window.getSelection()!.toString().replace(/\s+/g, ' ').length > length * 0.95,
      every,
    );
    await desk.until('on both pages', () => document.querySelectorAll('[data-text-selected]').length === 2);
  });

  it('reaches over columns and frames, and the view goes with the caret', async () => {
    await into('forgotten.');
    await desk.press('Control', 'Home');
    await desk.press('Control', 'Shift', 'End');
    await isDrawn();
    await desk.go(2);
    await desk.press('Escape');
    await desk.go(4);
  });
});

describe('outside a text', () => {
  it('no letter changes anything', async () => {
    await desk.press('Escape');
    const before = (await desk.changes()).length;
    const [frame] = await desk.frames(`Text, ${STORY}`);
    await desk.page.$eval(`[data-frame="${frame!.id}"]`, (element) => (element as SVGElement).focus());
    for (const letter of 'aceghijklmnoprstuvwxyz') await desk.press(letter);
    await desk.stored();
    expect((await desk.changes()).length).toBe(before);
    await desk.press('Escape');
    // What letters show they hide again.
    for (const letter of 'rw') await desk.press(letter);
    await desk.until('nothing is left of it', () => !document.querySelector('[data-rulers], [data-row], [data-measure]'));
  });

  it('keeps what is typed behind a way down that is still worked out, though Esc follows at once', async () => {
    await into('apprentice,');
    const before = (await words()).join('');
    await desk.pressFast(['ArrowDown'], ['End'], ['q'], ['x'], ['q'], ['Escape']);
    await left();
    await expect.poll(async () => (await words()).join('').length).toBe(before.length + 3);
    expect((await words()).join('')).toContain('qxq');
    await desk.press('Control', 'z');
    await desk.stored();
    expect((await words()).join('')).toBe(before);
  });

  it('Enter goes into the text of the frame that is chosen', async () => {
    const [frame] = await desk.frames(`Text, ${STORY}`);
    await desk.page.$eval(`[data-frame="${frame!.id}"]`, (element) => (element as SVGElement).focus());
    // It had the focus already: the first press chooses it again.
    await desk.press('Enter');
    await desk.press('Enter');
    await desk.page.waitForSelector('[data-caret]');
    await desk.press('Escape');
    await left();
  });
});

describe('a text of its own', () => {
  it('is marked out and typed into at once, however its name changes with its words', async () => {
    await desk.press('Escape');
    await desk.go(8);
    const from = await desk.onPaper(0.7, 0.18);
    await desk.drag(from, await desk.onPaper(0.92, 0.34));
    await desk.page.waitForSelector('[role=menu]');
    await desk.press('t');
    await desk.page.waitForSelector('[role=menuitem]');
    await desk.press('n');
    await desk.page.waitForSelector('[data-caret]');
    await desk.page.keyboard.type('Flag up, shop open.');
    await desk.stored();
    await desk.press('Alt', '=');
    await desk.page.keyboard.type(' Flag down, shut.');
    await desk.reads('Flag up, shop open. Flag down, shut.');
    const own = (await desk.records<TextRecord>('text')).map(({ body }) => paragraphsOf(body).map(plainText).join());
    await desk.stored();
    expect(own.some((each) => each.startsWith('Flag up'))).toBe(true);
    for (let i = 0; i < 4; i++) {
      await desk.press('Control', 'z');
      await desk.stored();
    }
    await desk.press('Escape');
    await desk.go(4);
  });
});

describe('formatting', () => {
  const marksOn = async (word: string): Promise<string[]> => {
    const out: string[] = [];
    for (const paragraph of paragraphsOf((await text()).body))
      paragraph.forEach((node) => {
        if (node.text === word) out.push(...node.marks.map(({ type }) => type.name));
      });
    return out;
  };

  it('makes a word bold and slanted by keys, and a step larger from the strip', async () => {
    const before = await text();
    await into('forgotten.');
    await desk.press('Control', 'Shift', 'ArrowRight');
    await isSelected('forgotten');
    await desk.press('Control', 'b');
    expect(await marksOn('forgotten')).toEqual(['strong']);
    await desk.press('Control', 'i');
    expect((await marksOn('forgotten')).sort()).toEqual(['emphasis', 'strong']);
    await desk.page.click('[data-text-tools] [aria-label="Type a step larger"]');
    expect((await marksOn('forgotten')).sort()).toEqual(['emphasis', 'local', 'strong']);
    await isSelected('forgotten');
    await desk.page.click('[data-text-tools] [aria-label="Clear local formatting"]');
    expect((await marksOn('forgotten')).sort()).toEqual(['emphasis', 'strong']);
    await undoAll(async () => JSON.stringify((await text()).body) === JSON.stringify(before.body));
  });

  it('is asked for by the right button, which leaves what is selected and gives the text back', async () => {
    const before = await text();
    await into('forgotten.');
    await desk.press('Control', 'Shift', 'ArrowRight');
    await isSelected('forgotten');
    const spot = await wordAt('forgotten.');
    await desk.page.mouse.click(spot.x + 6, spot.y, { button: 'right' });
    await (await desk.page.waitForSelector('::-p-xpath(//*[@role="menuitem"][starts-with(., "Strong")])'))!.click();
    await desk.until('the text has the focus', () => document.activeElement?.closest('[data-text-field]') != null);
    await isSelected('forgotten');
    expect(await marksOn('forgotten')).toEqual(['strong']);
    await undoAll(async () => JSON.stringify((await text()).body) === JSON.stringify(before.body));
  });

  it('changes the size of a headline that is chosen in one press, with its leading', async () => {
    await desk.press('Escape');
    const [frame] = await desk.frames(`Headline, ${STORY}`);
    await desk.page.$eval(`[data-frame="${frame!.id}"]`, (element) => (element as SVGElement).focus());
    await desk.page.waitForSelector('[data-text-tools] [aria-label="Type a step larger"]');
    await desk.page.click('[data-text-tools] [aria-label="Type a step larger"]');
    const local = paragraphsOf((await text('headline')).body)[0]!.attrs['local'] as { size: number; leading: number };
    expect(local.size).toBeGreaterThan(20);
    expect(local.leading).toBeGreaterThan(local.size * 0.8);
    await desk.press('Control', 'z');
    expect(paragraphsOf((await text('headline')).body)[0]!.attrs['local']).toBeUndefined();
  });

  it('gives a style by a few letters in the command bar, to all paragraphs that are selected', async () => {
    const before = await text();
    await into('forgotten.');
    await desk.press('Shift', 'ArrowDown');
    await desk.press('Control', 'k');
    await desk.page.waitForSelector('[role=dialog] input');
    await desk.page.keyboard.type('style cross');
    await desk.press('Enter');
    await desk.until('the dialog is gone', () => !document.querySelector('[role=dialog]'));
    const changed = paragraphsOf((await text()).body).filter(
      (node, i) => node.attrs['style'] !== paragraphsOf(before.body)[i]!.attrs['style'],
    );
    expect(changed.length).toBeGreaterThan(0);
    expect(changed.every(({ attrs }) => attrs['style'] === 'crosshead')).toBe(true);
    await undoAll(async () => JSON.stringify((await text()).body) === JSON.stringify(before.body));
  });

  it('takes any character of its face, found by its name or lately used, by keys and by a press', async () => {
    await into('forgotten.');
    await desk.press('ArrowRight');
    await desk.command('Characters of the face');
    await desk.page.waitForSelector('[role=dialog] [role=option]');
    await desk.page.keyboard.type('dagger double');
    await desk.until('it is found', () => document.querySelectorAll('[role=dialog] [role=option]').length === 1);
    await desk.press('Enter');
    await desk.until('it stands in the text', () => /‡/.test(document.querySelector('[data-painted]')!.textContent!));
    // What was lately used comes first, and a press is enough.
    await desk.command('Characters of the face');
    const first = (await desk.page.waitForSelector('[role=dialog] [role=group] [role=option]'))!;
    expect(await first.evaluate((option) => option.getAttribute('aria-label'))).toBe('double dagger');
    await first.click();
    await desk.until('it stands there twice', () => /‡‡/.test(document.querySelector('[data-painted]')!.textContent!));
    await desk.press('Control', 'z');
    await desk.press('Control', 'z');
    await desk.until('it is gone', () => !/‡/.test(document.querySelector('[data-painted]')!.textContent!));
  });

  it('links words to an address, and says what is none', async () => {
    await into('forgotten.');
    await desk.press('Control', 'Shift', 'ArrowRight');
    await isSelected('forgotten');
    await desk.press('Alt', 'l');
    await desk.page.waitForSelector('[role=dialog] input[name=words]');
    await desk.page.keyboard.type('javascript:alert(1)');
    await desk.press('Enter');
    await desk.until('it is refused', () =>
      document.querySelector('[role=dialog] [role=alert]')?.textContent?.includes('web page'),
    );
    await desk.page.click('[role=dialog] input[name=words]', { count: 3 });
    await desk.page.keyboard.type('longspar.example/spar');
    await desk.press('Enter');
    await desk.until('the dialog is gone', () => !document.querySelector('[role=dialog]'));
    expect(await marksOn('forgotten')).toEqual(['link']);
    await desk.press('Control', 'z');
    expect(await marksOn('forgotten')).toEqual([]);
  });
});

describe('moving and copying', () => {
  it('drags what is selected to another place, shown there before it is let go', async () => {
    const before = await words();
    await into('forgotten.');
    await drag(await wordAt('forgotten.'), await wordAt('forgotten.', 1));
    await isSelected('forgotten.');
    const from = await wordAt('forgotten.');
    const to = await wordAt('Ask');
    await desk.page.mouse.move(from.x + 6, from.y);
    await desk.page.mouse.down();
    await desk.page.mouse.move(to.x, to.y, { steps: 8 });
    await desk.page.waitForSelector('[data-drop-caret]');
    await desk.page.mouse.up();
    await desk.reads('forgotten.Ask');
    // Whole words, with a space behind them that nobody had to drag along.
    expect((await words()).join('\n')).toContain('forgotten. Ask');
    await isSelected('forgotten.');
    await undoAll(async () => (await words()).join('\n') === before.join('\n'));
  });

  it('cuts and pastes with all that the words are', async () => {
    const before = await text();
    await into('forgotten.');
    await desk.press('Control', 'Shift', 'ArrowRight');
    await isSelected('forgotten');
    await desk.press('Control', 'i');
    await desk.press('Control', 'x');
    expect((await words()).join('\n')).not.toContain('forgotten');
    await desk.press('Control', 'Home');
    await desk.press('Control', 'v');
    const [first] = paragraphsOf((await text()).body);
    expect(first!.child(0).toJSON()).toEqual({ type: 'text', text: 'forgotten', marks: [{ type: 'emphasis' }] });
    await undoAll(async () => JSON.stringify((await text()).body) === JSON.stringify(before.body));
  });

  it('takes the structure of a web page, not its fonts', async () => {
    const before = await text();
    await desk.page.evaluate(async () => {
      const html =
        '<h2 style="font: 40px Impact">A heading</h2><p>Plain and <b style="color:red">bold</b> words.</p><ul><li>one</li><li>two</li></ul><script>alert(1)</script>';
      await navigator.clipboard.write([
        new ClipboardItem({
          'text/html': new Blob([html], { type: 'text/html' }),
          'text/plain': new Blob(['plain'], { type: 'text/plain' }),
        }),
      ]);
    });
    await into('forgotten.');
    await desk.press('Home');
    await desk.press('Control', 'v');
    const pasted = paragraphsOf((await text()).body).filter((node) => /heading|bold|^one|^two/.test(plainText(node)));
    expect(pasted.map(plainText)).toEqual([
      expect.stringMatching(/A heading$/),
      'Plain and bold words.',
      'one',
      expect.stringMatching(/^two/),
    ]);
    expect(pasted[2]!.attrs['list']).toEqual({ kind: 'bullet', level: 0 });
    expect((await words()).join('\n')).not.toContain('alert');
    await undoAll(async () => JSON.stringify((await text()).body) === JSON.stringify(before.body));
  });

  it('pastes plain with Shift, in the look of the place', async () => {
    const before = await text();
    await into('forgotten.');
    await desk.press('Control', 'Shift', 'v');
    await desk.until('it is there', () =>
      [...document.querySelectorAll('[data-chunk] text')].some((each) => each.textContent?.startsWith('plain')),
    );
    await undoAll(async () => JSON.stringify((await text()).body) === JSON.stringify(before.body));
  });
});

describe('what an input method writes', () => {
  it('is set while it is being composed, and stays when it is taken', async () => {
    const before = await words();
    await into('forgotten.');
    // As Chromium's own protocol has it (Input.imeSetComposition), which is what W3C Input Events calls insertCompositionText.
    await cdp.send('Input.imeSetComposition', { text: 'に', selectionStart: 1, selectionEnd: 1 });
    await cdp.send('Input.imeSetComposition', { text: 'にほ', selectionStart: 2, selectionEnd: 2 });
    await desk.reads('にほ');
    await cdp.send('Input.insertText', { text: '日本' });
    await desk.reads('日本');
    await desk.page.keyboard.type('!');
    expect((await words()).join('\n')).toContain('日本!forgotten');
    expect((await words()).join('\n')).not.toContain('にほ');
    await undoAll(async () => (await words()).join('\n') === before.join('\n'));
  });
});

describe('the overset', () => {
  it('is looked at beside its tail, and written in', async () => {
    await desk.press('Escape');
    await desk.go(6);
    await desk.page.waitForSelector('[data-tail]');
    const [frame] = await desk.frames('Text, What the gust meter heard');
    await desk.page.$eval(`[data-frame="${frame!.id}"]`, (element) => (element as SVGElement).focus());
    await desk.press('Enter');
    await desk.press('Control', 'End');
    await desk.page.waitForSelector('[data-beyond] [data-caret]');
    await desk.page.keyboard.type(' Beyond.');
    await desk.until('it is set in the panel', () => document.querySelector('[data-beyond]')!.textContent!.includes('Beyond'));
    expect((await words('body', 'What the gust meter heard')).at(-1)).toMatch(/Beyond\.$/);
    const panel = await desk.middle('[data-beyond]');
    await desk.page.mouse.click(panel.x, panel.y, { count: 2 });
    await desk.until('a word there is selected', () => window.getSelection()!.toString().length > 0);
    await desk.press('Control', 'z');
    await desk.press('Escape');
    await left();
    await desk.until('the overset is put away', () => !document.querySelector('[data-beyond]'));
    // A press on the tail looks at it too, and again puts it away.
    const tail = await desk.middle('[data-tail] rect:last-of-type');
    await desk.page.mouse.click(tail.x, tail.y);
    await desk.page.waitForSelector('[data-beyond]');
    await desk.page.click('[data-beyond] [aria-label="Close the overset"]');
    await desk.until('it is closed', () => !document.querySelector('[data-beyond]'));
  });
});
