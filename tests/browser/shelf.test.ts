import type { Browser, Page } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { openServer, query, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { copyDocument, copyHouse, holdingCode, until } from '../support/desk';

/** From an idea to the second issue: with real mouse and keyboard on the real application. */

const databaseUrl = inject('databaseUrl');
let server: Server;
let browser: Browser;
let page: Page;
const problems: string[] = [];

beforeAll(async () => {
  server = await openServer(databaseUrl);
  browser = await openChromium();
  page = await browser.newPage();
  page.on('pageerror', (error) => problems.push(String(error)));
  await toShelf();
});

afterAll(async () => {
  await browser?.close();
  await server?.stop();
});

const toShelf = () => page.goto(server.origin, { waitUntil: 'domcontentloaded' });
const press = async (words: string, role = 'button') =>
  (await page.waitForSelector(`::-p-aria([name="${words}"][role="${role}"])`))!.click();

async function fill(label: string, value: string): Promise<void> {
  const field = (await page.waitForSelector(`[role=dialog] ::-p-aria([name="${label}"])`))!;
  await field.click({ count: 3 });
  await page.keyboard.press('Backspace');
  await page.keyboard.type(value);
}
const valueOf = async (label: string) =>
  (await page.waitForSelector(`[role=dialog] ::-p-aria([name="${label}"])`))!.evaluate(
    (field) => (field as HTMLInputElement).value,
  );
const says = (words: string) =>
  until(
    page,
    `“${words}” stands at its field`,
    (text: string) =>
      [...document.querySelectorAll('[role=dialog] [role=alert]')].some((each) => each.textContent!.includes(text)),
    words,
  );

describe('a page that is seen before its code has come', () => {
  it('keeps what is pressed, and does it as soon as it can', async () => {
    const own = await browser.newPage();
    const { held, release } = await holdingCode(own);
    const arrived = own.goto(server.origin, { waitUntil: 'domcontentloaded' });
    await own.waitForSelector('::-p-xpath(//button[contains(., "New publication")])');
    await expect.poll(held).toBeGreaterThan(0);
    await (await own.$('::-p-xpath(//button[contains(., "New publication")])'))!.click();
    expect(await own.$('[role=dialog]')).toBeNull();
    await release();
    await own.waitForSelector('[role=dialog]');
    await arrived;
    await own.close();
  });
});

describe('a new publication', () => {
  it('is refused without a name, or with one that is taken', async () => {
    await press('New publication');
    await press('Add to the shelf');
    await says('needs a name');
    await fill('Name', 'longspar');
    await press('Add to the shelf');
    await says('on the shelf already');
    await (await page.waitForSelector('[role=dialog] ::-p-aria([name="Frequency"])'))!.select('n a year');
    await fill('Name', 'The Tide Table');
    await fill('Times a year', '400');
    await press('Add to the shelf');
    await says('2 to 50 times a year');
    const rows = await query(databaseUrl, "select 1 from publication where name ilike 'the tide table'");
    expect(rows).toHaveLength(0);
  });

  it('begins with a house of its kind, drawn at once', async () => {
    await (await page.waitForSelector('[role=dialog] ::-p-text(Newsletter)'))!.click();
    await press('Add to the shelf');
    await until(page, 'the house is there', () => document.querySelectorAll('[data-chunk] text').length > 500);
    expect(page.url()).toMatch(/\/houses\/[\w-]+\/grid$/);
    expect(await page.$eval('header', (element) => element.textContent)).toContain('The Tide Table');
    expect(await page.$$eval('[data-guide=column]', (bands) => bands.length)).toBe(6);
    // Its type area is whole lines from the beginning, and its furniture shows.
    await until(page, 'it says so', () => document.querySelector('aside')!.textContent!.includes('whole lines'));
    expect(await page.$eval('[data-painted]', (element) => element.textContent)).toContain('TheTideTable'.slice(0, 3));
  });

  it('takes four columns', async () => {
    const field = (await page.waitForSelector('aside ::-p-aria([name="Columns"])'))!;
    await field.click({ count: 3 });
    await page.keyboard.type('4');
    await page.keyboard.press('Enter');
    await until(page, 'four bands a page are drawn', () => document.querySelectorAll('[data-guide=column]').length === 8);
    await until(page, 'it is stored', () => document.querySelector('[data-state=stored]') !== null);
  });
});

describe('its issues', () => {
  it('begin with a number, a day that there is, and pages', async () => {
    await toShelf();
    await press('Start the first issue');
    expect(await valueOf('Number')).toBe('1');
    // A day is proposed, in the words of the publication's language.
    expect(await valueOf('Cover date')).toMatch(/^\d{1,2} [A-Z][a-z]+ 20\d\d$/);
    await fill('Cover date', '31 February 2027');
    await press('Start No. 1');
    await says('That date does not exist');
    await fill('Cover date', '2027-01-31');
    await page.keyboard.press('Tab');
    expect(await valueOf('Cover date')).toBe('31 January 2027');
    expect(await valueOf('Name')).toBe('January 2027');
    await fill('Pages', '6');
    await page.keyboard.press('Tab');
    await until(page, 'the count is warned of', () =>
      document.querySelector('[role=dialog]')!.textContent!.includes('multiple of four'),
    );
    await press('8 pages');
    expect(await valueOf('Pages')).toBe('8');
    await press('Start No. 1');
    await page.waitForSelector('[data-flatplan]');
    expect(await page.$eval('header', (element) => element.textContent)).toContain('No. 1, January 2027');
    await until(page, 'eight pages are planned', () => document.querySelectorAll('[data-plan-page]').length === 8);
    await (await page.waitForSelector('nav ::-p-text(Pages)'))!.click();
    await page.waitForSelector('.desk[data-ready=true]');
    expect(await page.$$eval('nav[aria-label="Page line"] [data-page]', (cells) => cells.length)).toBe(8);
  });

  it('are of the house: its grid, its folios, its fields', async () => {
    await page.click('nav [aria-label^="Page 2"]');
    await until(page, 'eight bands are drawn', () => document.querySelectorAll('[data-guide=column]').length === 8);
    await until(page, 'folio and running head are set', () => {
      const words = document.querySelector('[data-painted]')!.textContent!.replace(/\s+/g, '');
      return words.includes('2') && words.includes('3') && words.includes('TheTideTable') && words.includes('No.1,January2027');
    });
  });

  it('are led back to where one was', async () => {
    await toShelf();
    const link = await page.waitForSelector('section[aria-label="The Tide Table"] ::-p-text(Go on at pages 2–3)');
    await link!.click();
    await page.waitForSelector('.desk[data-ready=true]');
    await page.waitForSelector('nav [aria-label^="Page 2"][aria-current]');
  });

  it('stay as they are when the house changes', async () => {
    const rows = await query<{ id: string }>(
      databaseUrl,
      "select d.id from document d join publication p on p.id = d.publication_id where p.name = 'The Tide Table' and d.kind = 'house'",
    );
    const house = await browser.newPage();
    await house.goto(`${server.origin}/houses/${rows[0]!.id}/grid`, { waitUntil: 'domcontentloaded' });
    const field = (await house.waitForSelector('aside ::-p-aria([name="Columns"])'))!;
    await field.click({ count: 3 });
    await house.keyboard.type('5');
    await house.keyboard.press('Enter');
    await until(house, 'it is stored', () => document.querySelector('[data-state=stored]')?.textContent?.includes(':'));
    await house.close();
    await page.reload({ waitUntil: 'domcontentloaded' });
    await page.waitForSelector('.desk[data-ready=true]');
    await page.click('nav [aria-label^="Page 2"]');
    await until(page, 'it still has four columns', () => document.querySelectorAll('[data-guide=column]').length === 8);
  });

  it('go on by the frequency: number, date and pages of the next are proposed', async () => {
    await toShelf();
    const row = (await page.waitForSelector('section[aria-label="The Tide Table"]'))!;
    // It comes out 400 times a year no more: a newsletter is monthly.
    expect(await row.evaluate((element) => element.textContent)).toContain('Newsletter, monthly');
    await (await row.waitForSelector('::-p-text(Start the next issue)'))!.click();
    expect([await valueOf('Number'), await valueOf('Cover date'), await valueOf('Name'), await valueOf('Pages')]).toEqual([
      '2',
      '28 February 2027',
      'February 2027',
      '8',
    ]);
    await (await page.waitForSelector('[role=dialog] ::-p-text(Double issue)'))!.click();
    expect(await valueOf('Number')).toBe('2/3');
    await fill('Number', '1');
    await press('Start No. 1');
    await says('There is a No. 1 of The Tide Table already');
    await fill('Number', '2/3');
    await press('Start No. 2/3');
    await page.waitForSelector('[data-flatplan]');
    await toShelf();
    const again = (await page.waitForSelector('section[aria-label="The Tide Table"]'))!;
    await (await again.waitForSelector('::-p-text(Start the next issue)'))!.click();
    // After a double issue two months on, and back to the last day.
    expect([await valueOf('Number'), await valueOf('Cover date')]).toEqual(['4', '30 April 2027']);
    await page.keyboard.press('Escape');
  });
});

describe('what lies on the shelf', () => {
  const onShelf = (name: string) => `section[aria-label="${name}"]`;

  it('is renamed: the publication for its house, an issue for its pages', async () => {
    await toShelf();
    await press('Rename The Tide Table');
    await fill('Name', 'The Tide Book');
    await page.keyboard.press('Enter');
    await page.waitForSelector(onShelf('The Tide Book'));
    expect(await page.$(onShelf('The Tide Table'))).toBeNull();
    await press('Rename The Tide Book No. 1, January 2027');
    await fill('Publication name on its pages', 'The Tide Book');
    await fill('Name', 'New Year 2027');
    await page.keyboard.press('Enter');
    await page.waitForSelector('::-p-aria([name="Rename The Tide Book No. 1, New Year 2027"])');
    const [issue] = await query<{ body: object }>(
      databaseUrl,
      "select r.body from record r join document d on d.id = r.document_id where d.name = 'No. 1, New Year 2027' and r.kind = 'issue'",
    );
    expect(issue!.body).toMatchObject({ publication: 'The Tide Book', number: '1', season: 'New Year 2027' });
    await press('Rename The Tide Book No. 1, New Year 2027');
    await fill('Number', '2/3');
    await page.keyboard.press('Enter');
    await says('There is a No. 2/3 of it already');
    await page.keyboard.press('Escape');
  });

  it('is refused the name of another', async () => {
    await press('Rename The Tide Book');
    await fill('Name', 'Longspar');
    await page.keyboard.press('Enter');
    await says('on the shelf already');
    await page.keyboard.press('Escape');
  });

  it('is taken off, with a way back to all of it', async () => {
    const documents = () =>
      query<{ count: string }>(
        databaseUrl,
        "select count(*) from record r join document d on d.id = r.document_id join publication p on p.id = d.publication_id where p.name = 'The Tide Book'",
      );
    const before = await documents();
    await press('Remove The Tide Book');
    await until(page, 'it is off the shelf', (at: string) => document.querySelector(at) === null, onShelf('The Tide Book'));
    await press('Put back The Tide Book');
    await page.waitForSelector(onShelf('The Tide Book'));
    expect(await documents()).toEqual(before);
    expect(await page.$eval(onShelf('The Tide Book'), (element) => element.textContent)).toContain('No. 1');
  });
});

describe('a design', () => {
  it('is chosen by its first page and its name, by mouse or by arrow keys, and is what the house then is', async () => {
    await toShelf();
    await press('New publication');
    await fill('Name', 'Net Loft Letter');
    await press('Newsletter', 'radio');
    await (await page.waitForSelector('[role=dialog] label ::-p-text(Correspondent)'))!.click();
    await until(page, 'its pages are offered', () =>
      [...document.querySelectorAll('[role=dialog] img')].some((own) =>
        own.getAttribute('src')!.startsWith('/designs/correspondent/0/'),
      ),
    );
    await page.keyboard.press('ArrowRight');
    await until(page, 'the one beside it is', () =>
      [...document.querySelectorAll('[role=dialog] img')].some((own) =>
        own.getAttribute('src')!.startsWith('/designs/digest/0/'),
      ),
    );
    await page.keyboard.press('ArrowLeft');
    await press('Add to the shelf');
    await page.waitForFunction(() => location.pathname.startsWith('/houses/'));
    const house = new URL(page.url()).pathname.split('/')[2]!;
    const rows = await query<{ family: string }>(
      databaseUrl,
      "select body -> 'properties' ->> 'family' as family from record where document_id = $1 and id = 'body'",
      [house],
    );
    expect(rows).toEqual([{ family: 'Bitter' }]);
  });
});

describe('every kind with nothing changed', () => {
  it.each(['Newsletter', 'Magazine', 'Newspaper'])(
    'a %s begins, starts its first issue, and shows all its pages',
    async (kind) => {
      await toShelf();
      await press('New publication');
      await fill('Name', `Quay ${kind}`);
      await press(kind, 'radio');
      await press('Add to the shelf');
      await until(page, 'the house is there', () => document.querySelectorAll('[data-chunk] text').length > 200);
      await toShelf();
      await (await page.waitForSelector(`section[aria-label="Quay ${kind}"] ::-p-text(Start the first issue)`))!.click();
      await press('Start No. 1');
      await page.waitForSelector('[data-flatplan]');
      await until(page, 'every page is drawn', () => {
        const pages = document.querySelectorAll('[data-plan-page]').length;
        return pages > 1 && document.querySelectorAll('[data-drawn=true]').length === pages;
      });
    },
  );
});

describe('the guide to a first issue', () => {
  const ticked = () => page.$$eval('[data-step][data-done=true]', (steps) => steps.map((own) => own.getAttribute('data-step')));

  it('lies folded beside the work, opens, and ticks what has been done as soon as it has', async () => {
    await toShelf();
    await (await page.waitForSelector('section[aria-label="Quay Magazine"] a[href^="/issues/"][href$="/pages"]'))!.click();
    await page.waitForSelector('.desk[data-ready=true]');
    expect(await page.$('[aria-label="First issue in ten minutes"]')).toBeNull();
    await (await page.waitForSelector('header ::-p-text(First issue)'))!.click();
    await page.waitForSelector('[aria-label="First issue in ten minutes"]');
    expect(await page.$$('[data-step]')).toHaveLength(8);
    expect(await ticked()).toEqual([]);
    const input = (await page.$('input[type=file]'))! as unknown as { uploadFile(...paths: string[]): Promise<void> };
    await input.uploadFile('demo/imports/harbour-notes.txt');
    await press('Bring in the story');
    await until(page, 'the first step is ticked', () => document.querySelector('[data-step=copy][data-done=true]') !== null);
    expect(await ticked()).toEqual(['copy']);
  });

  it('stays open in every place, and put away it stays away until it is asked for', async () => {
    await (await page.waitForSelector('nav ::-p-text(Plan)'))!.click();
    await page.waitForSelector('[data-flatplan]');
    await page.waitForSelector('[aria-label="First issue in ten minutes"]');
    await press('Put the guide away');
    await page.reload({ waitUntil: 'domcontentloaded' });
    await page.waitForSelector('[data-flatplan]');
    expect(await page.$('header ::-p-text(First issue)')).toBeNull();
    await page.keyboard.down('Control');
    await page.keyboard.press('k');
    await page.keyboard.up('Control');
    await page.waitForSelector('[role=dialog] input');
    await page.keyboard.type('first issue');
    await page.keyboard.press('Enter');
    await page.waitForSelector('[aria-label="First issue in ten minutes"]');
    await press('Fold the guide');
  });
});

describe('help at a field', () => {
  it('is offered where there is something to tell, opens by a question mark, and Escape leads back', async () => {
    const rows = await query<{ id: string }>(
      databaseUrl,
      "select d.id from document d join publication p on p.id = d.publication_id where p.name = 'Quay Magazine' and d.kind = 'house'",
    );
    await page.goto(`${server.origin}/houses/${rows[0]!.id}/grid`, { waitUntil: 'domcontentloaded' });
    const field = (await page.waitForSelector('aside ::-p-aria([name="Gutter"][role="textbox"])'))!;
    const was = await field.evaluate((own) => (own as HTMLInputElement).value);
    await field.click();
    await page.keyboard.press('?');
    await page.waitForSelector('[role=note] svg');
    expect(await page.$eval('[role=note]', (own) => own.textContent)).toContain('Common practice:');
    await page.keyboard.press('?');
    await until(page, 'it is closed', () => document.querySelector('[role=note]') === null);
    await page.keyboard.press('?');
    await page.waitForSelector('[role=note]');
    await page.keyboard.press('Escape');
    await until(page, 'it is closed by Escape', () => document.querySelector('[role=note]') === null);
    // The field still has the focus, and nothing was typed into it.
    expect(await field.evaluate((own) => own === document.activeElement)).toBe(true);
    expect(await field.evaluate((own) => (own as HTMLInputElement).value)).toBe(was);
    // Of a name there is nothing to tell.
    await toShelf();
    await press('New publication');
    await (await page.waitForSelector('[role=dialog] ::-p-aria([name="Name"])'))!.click();
    await page.keyboard.type('?');
    expect(await page.$('[role=note]')).toBeNull();
    expect(await valueOf('Name')).toBe('?');
    await page.keyboard.press('Escape');
  });
});

it('nothing went wrong in the browser on the way', () => {
  expect(problems).toEqual([]);
});

describe('covers', () => {
  it('are drawn where one looks, however many wait above', async () => {
    const house = await copyHouse(databaseUrl);
    const [row] = await query<{ publication_id: string }>(databaseUrl, 'select publication_id from document where id = $1', [
      house,
    ]);
    const issues: string[] = [];
    for (let i = 0; i < 24; i++) issues.push(await copyDocument(databaseUrl, 'longspar-14', row!.publication_id));
    const own = await browser.newPage();
    const asked = new Set<string>();
    own.on('request', (request) => {
      const [, issue] = /documents\/([^/]+)\/pages\/1$/.exec(request.url()) ?? [];
      if (issue) asked.add(issue);
    });
    await own.goto(server.origin, { waitUntil: 'domcontentloaded' });
    // The link to the last of them is at the foot of the list.
    const order = await own.$$eval('main li a[href$="/pages"]', (links) =>
      links.map((link) => link.getAttribute('href')!.split('/')[2]!),
    );
    const mine = order.filter((id) => issues.includes(id));
    await own.$eval(`main li a[href="/issues/${mine.at(-1)}/pages"]`, (link) => link.scrollIntoView());
    await until(
      own,
      'the last is drawn',
      (last: string) =>
        [...document.querySelectorAll<HTMLImageElement>(`main li a[href="/issues/${last}/pages"] img`)].some(
          ({ naturalWidth }) => naturalWidth > 0,
        ),
      mine.at(-1)!,
    );
    expect(asked).not.toContain(mine[8]);
    await own.close();
  });
});
