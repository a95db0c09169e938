import puppeteer from 'puppeteer-core';

/** `npm run screenshots`: the pictures of `docs/screenshots`, from a running application with fresh demo data. */
const origin = process.env.ORIGIN ?? 'http://127.0.0.1:3000';
const folder = 'docs/screenshots';
const browser = await puppeteer.launch({
  executablePath: '/usr/bin/chromium',
  args: ['--headless', '--no-sandbox', '--disable-gpu', '--no-first-run', '--disable-background-networking'],
  defaultViewport: { width: 1280, height: 800 },
});
const page = await browser.newPage();
const picturesThere = () =>
  page
    .waitForFunction(() =>
      [...document.images, ...document.querySelectorAll('image')].every((image) => !('complete' in image) || image.complete),
    )
    .then(() => page.waitForNetworkIdle({ idleTime: 400 }));
const shot = async (name) => {
  await picturesThere();
  await page.screenshot({ path: `${folder}/${name}.png` });
};
const box = (selector) => page.$eval(selector, (element) => element.getBoundingClientRect().toJSON());
const frame = (label) =>
  page.$$eval(
    '[data-frame]',
    (elements, start) =>
      `[data-frame="${elements.find((element) => element.getAttribute('aria-label').startsWith(start)).getAttribute('data-frame')}"]`,
    label,
  );
const go = async (number) => {
  await page.click(`nav [aria-label^="Page ${number}"]`);
  await page.mouse.move(640, 790);
  await page.waitForFunction(() => document.querySelectorAll('[data-chunk] text').length > 60);
};

await page.goto(origin, { waitUntil: 'domcontentloaded' });
await shot('shelf');
await page.click('a[href$="/grid"]');
await page.waitForFunction(() => document.querySelectorAll('[data-chunk] text').length > 500);
await shot('grid');
await page.click('nav a[href$="/colour"]');
await page.waitForSelector('[data-swatch]');
await shot('colour');
await page.click('nav a[href$="/type"]');
await page.waitForSelector('[data-specimen]');
await page.waitForSelector('.js-plotly-plot .scatterlayer');
await shot('type');
await page.goto(`${origin}/houses/packet-house/finishes`, { waitUntil: 'domcontentloaded' });
await page.waitForSelector('[data-finish]');
await shot('finishes');

const drawn = (count) => page.waitForFunction((n) => document.querySelectorAll('[data-drawn=true]').length >= n, {}, count);
await page.goto(`${origin}/issues/packet-1206/plan`, { waitUntil: 'domcontentloaded' });
await drawn(16);
await page.waitForFunction(() => /words/.test(document.querySelector('[data-flatplan]').textContent));
await page.waitForSelector('[data-chart] svg');
await page.click('[data-plan-page]:nth-of-type(1)');
// Small pages are drawn again when their pictures have come: until then these are areas of one grey.
await page.waitForFunction(() =>
  [...document.querySelectorAll('[data-drawn=true] canvas, canvas[data-drawn=true]')].every((canvas) => {
    const { data } = canvas.getContext('2d').getImageData(0, 0, canvas.width, canvas.height);
    let grey = 0;
    for (let i = 0; i < data.length; i += 4) if (data[i] === 0xcf && data[i + 1] === 0xd8 && data[i + 2] === 0xdf) grey++;
    return grey < 200;
  }),
);
await shot('plan');
await page.goto(`${origin}/issues/longspar-14/copy`, { waitUntil: 'domcontentloaded' });
await page.waitForFunction(() => /lines? over/.test(document.querySelector('table')?.textContent));
await page.click('[data-story-row="dates-for-a-cold-quarter"] th button');
await page.waitForSelector('.misspelt');
await page.waitForFunction(() => /space ends here/.test(document.querySelector('[data-galley]').textContent));
await shot('copy');
await (await page.$('input[type=file]')).uploadFile('demo/imports/a-letter-from-the-hill-school.md');
await page.waitForFunction(() => /kites/.test(document.querySelector('[role=dialog] [data-galley-part="body"]')?.textContent));
await shot('bring-in');
await page.keyboard.press('Escape');
await page.goto(`${origin}/houses/packet-house/masters`, { waitUntil: 'domcontentloaded' });
await page.waitForFunction(() => /\d words/.test(document.querySelector('.desk')?.textContent ?? ''));
await shot('masters');
await page.goto(`${origin}/issues/longspar-14/checks`, { waitUntil: 'domcontentloaded' });
await page.waitForSelector('[data-checked=true]');
// The text that is over, by the keys that go from finding to finding.
const isOverset = () => document.activeElement?.getAttribute('data-rule') === 'overset';
while (!(await page.evaluate(isOverset))) await page.keyboard.press('ArrowDown');
await page.waitForFunction(() => document.querySelectorAll('[data-chunk] text').length > 60);
await shot('checks');
await page.goto(`${origin}/issues/longspar-14/pages?fit=dates-for-a-cold-quarter-body`, { waitUntil: 'domcontentloaded' });
await page.waitForSelector('[data-fit-done=true]');
await page.click('[data-mend] input');
await page.waitForFunction(() => !/over/.test(document.querySelector('[data-fits]').getAttribute('data-fits')));
await shot('fit');
await page.keyboard.press('Escape');
await page.goto(origin, { waitUntil: 'load' });
await (await page.waitForSelector('::-p-aria([name="New publication"][role="button"])')).click();
await page.waitForFunction(
  () =>
    [...document.querySelectorAll('[role=dialog] img')].length > 3 &&
    [...document.querySelectorAll('[role=dialog] img')].every((image) => image.naturalWidth > 0),
);
await shot('new-publication');

await page.goto(`${origin}/issues/longspar-14/pages`, { waitUntil: 'domcontentloaded' });
await page.waitForSelector('.desk[data-ready=true]');

await go(8);
await page.waitForSelector('[data-frame]');
const kite = await box(await frame('Picture, fenn-kite'));
await page.mouse.click(kite.x + kite.width / 2, kite.y + kite.height / 2);
await shot('desk');
await page.keyboard.press('Escape');

await go(10);
const text = await box(await frame('Text, What the gust'));
await page.mouse.click(text.x + 20, text.y + text.height - 20);
await page.keyboard.press('q');
await page.waitForSelector('[data-sentence="4"]');
await page.hover('[data-sentence="4"]');
await shot('quote');
await page.keyboard.press('Escape');
await page.keyboard.press('Escape');

const words = await box(await frame('Text, What the gust'));
await page.mouse.click(words.x + 30, words.y + 60, { count: 2 });
await page.waitForSelector('[data-caret]');
await page.mouse.move(words.x + 30, words.y + 70);
await page.mouse.down();
await page.mouse.move(words.x + words.width * 0.8, words.y + 96, { steps: 8 });
await page.mouse.up();
await page.waitForSelector('[data-text-selected]');
await shot('writing');
await page.keyboard.press('Escape');
await page.keyboard.press('Escape');

await go(6);
const bench = await box(await frame('Picture, fenn-bench'));
const inside = { x: bench.x + bench.width * 0.62, y: bench.y + bench.height * 0.45 };
await page.mouse.click(inside.x, inside.y);
await page.mouse.click(inside.x, inside.y, { count: 2 });
await page.waitForSelector('[data-cropping]');
await page.mouse.move(inside.x, inside.y);
await page.mouse.wheel({ deltaY: -110 });
await page.waitForNetworkIdle({ idleTime: 800 });
await shot('crop');
await page.keyboard.press('Escape');
await page.keyboard.press('Escape');

await page.click('nav [aria-label^="Page 36"]');
await page.waitForSelector('nav [aria-label^="Page 36"][aria-current]');
await page.evaluate(() =>
  [...document.querySelectorAll('button')].find((button) => button.textContent === 'Add two after').click(),
);
await page.waitForFunction(() => document.querySelectorAll('nav [data-page]').length === 38);
await go(33);
const tail = await box('[data-tail]');
await page.mouse.move(tail.x + 16, tail.y + tail.height / 2);
await page.mouse.down();
const cell = await box('nav [aria-label^="Page 37"]');
await page.mouse.move(cell.x + 10, cell.y + 8, { steps: 6 });
await page.waitForFunction(() => document.querySelector('.desk [aria-label="Spread 36–37"]') !== null);
const paper = await box('[data-paper]');
await page.mouse.move(paper.x + paper.width * 0.72, paper.y + paper.height * 0.4, { steps: 6 });
await page.waitForSelector('[data-lit]');
await shot('tail');
await page.keyboard.press('Escape');
await page.mouse.up();

await page.mouse.move(paper.x + paper.width * 0.64, paper.y + paper.height * 0.2);
await page.mouse.down();
await page.mouse.move(paper.x + paper.width * 0.86, paper.y + paper.height * 0.52, { steps: 8 });
await page.mouse.up();
await page.waitForSelector('[role=menu]');
await page.keyboard.press('ArrowDown');
await page.keyboard.press('ArrowDown');
await shot('marking-out');
await page.keyboard.press('Escape');
await page.keyboard.down('Control');
await page.keyboard.press('z');
await page.keyboard.up('Control');
await page.waitForFunction(() => document.querySelectorAll('nav [data-page]').length === 36);
await page.waitForSelector('[data-state=stored]');

await page.goto(`${origin}/issues/longspar-14/handoff`, { waitUntil: 'domcontentloaded' });
await shot('handoff');
await browser.close();
