import { WAYS } from '@/core/handoff/ways';
import type { Browser } from 'puppeteer-core';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { bodyText } from '@/core/records/body';
import type { DocumentRecord, FrameRecord, PageRecord, PictureRecord, TextRecord } from '@/core/records/index';
import { openCluster, openServer, query, runScript, type Cluster, type Server } from '../support/application';
import { openChromium } from '../support/chromium';
import { Desk, NUDGE } from '../support/desk';
import { svg } from '../support/foreignFiles';
import { filed } from '../support/programs';

/** What was reported as stored survives anything; two servers serve one database. */

let browser: Browser;
let cluster: Cluster & { folder: string };
const servers: Server[] = [];
const issue = 'longspar-14';

beforeAll(async () => {
  browser = await openChromium();
  cluster = await openCluster();
  await runScript('scripts/migrate.ts', cluster.url);
  // The demo's issue, with its pictures' files.
  for (const table of ['blob', 'blob_piece']) {
    const rows = await query<Record<string, unknown>>(inject('databaseUrl'), `select * from ${table}`);
    for (const row of rows) {
      const names = Object.keys(row);
      await query(
        cluster.url,
        `insert into ${table} (${names.join(', ')}) values (${names.map((_, i) => `$${i + 1}`).join(', ')})`,
        Object.values(row),
      );
    }
  }
  const records = await query<{ body: DocumentRecord }>(inject('databaseUrl'), 'select body from record where document_id = $1', [
    issue,
  ]);
  await query(
    cluster.url,
    "insert into publication (id, name, kind, frequency) values ('longspar', 'Longspar', 'magazine', 'quarterly')",
  );
  await query(
    cluster.url,
    "insert into document (id, publication_id, kind, name) values ($1, 'longspar', 'issue', 'No. 14, Winter')",
    [issue],
  );
  await query(
    cluster.url,
    "insert into record (document_id, id, kind, body, version) select $1, b ->> 'id', b ->> 'kind', b, 0 from unnest($2::jsonb[]) b",
    [issue, records.map(({ body }) => JSON.stringify(body))],
  );
});

afterAll(async () => {
  await browser?.close();
  for (const server of servers) await server.stop();
  await cluster?.stop();
});

async function nudged(desk: Desk): Promise<string> {
  await desk.go(4);
  const [frame] = await desk.frames('Picture, fenn-kite-cutout');
  await desk.page.$eval(`[data-frame="${frame!.id}"]`, (element) => (element as SVGElement).focus());
  return frame!.id;
}

const boxOf = async (desk: Desk, id: string) => (await desk.records<FrameRecord>('frame')).find((frame) => frame.id === id)!.box;

describe('what was reported as stored', () => {
  it('is there after server and database were killed at that very moment', async () => {
    let server = await openServer(cluster.url);
    // The same address again: whoever sits at it is then the same author.
    const port = Number(new URL(server.origin).port);
    let desk = await Desk.open(browser, server.origin, cluster.url, issue);
    const id = await nudged(desk);
    for (let round = 0; round < 3; round++) {
      const before = await boxOf(desk, id);
      await desk.press('ArrowRight');
      await desk.until(
        'it is stored, and the clock shows',
        () => document.querySelector('[aria-label="Save state"]')?.getAttribute('data-state') === 'stored',
      );
      await expect.poll(async () => (await boxOf(desk, id)).x, { timeout: 5_000 }).toBeCloseTo(before.x + NUDGE, 6);
      const known = (await boxOf(desk, id)).x;
      const { folder } = cluster;
      await Promise.all([server.kill(), cluster.kill()]);
      await desk.page.close({ runBeforeUnload: false });
      cluster = await openCluster(folder);
      server = await openServer(cluster.url, port);
      desk = await Desk.open(browser, server.origin, cluster.url, issue);
      expect((await boxOf(desk, id)).x).toBeCloseTo(known, 9);
      await nudged(desk);
    }
    // And what was done can still be undone.
    await desk.press('Control', 'z');
    await desk.stored();
    await expect.poll(async () => (await desk.changes()).at(-1)!.kind, { timeout: 5_000 }).toBe('undo');
    await desk.page.close();
    await server.stop();
  });

  it('is not claimed while the server is away; what was done meanwhile is stored when it is back', async () => {
    const server = await openServer(cluster.url);
    const desk = await Desk.open(browser, server.origin, cluster.url, issue);
    const id = await nudged(desk);
    const before = await boxOf(desk, id);
    const port = Number(new URL(server.origin).port);
    await server.kill();
    // A file that is brought in while nobody answers is sent again.
    const input = (await desk.page.$('input[type=file]'))! as unknown as { uploadFile(path: string): Promise<void> };
    await input.uploadFile(await filed('while-away.svg', svg('<circle cx="200" cy="200" r="90"/>')));
    await nudged(desk);
    await desk.press('ArrowRight');
    await desk.press('ArrowRight');
    await desk.until('the header says that it is not stored', () =>
      document.querySelector('[aria-label="Save state"]')?.textContent?.startsWith('Not saved yet'),
    );
    expect((await boxOf(desk, id)).x).toBeCloseTo(before.x, 9);
    const again = await openServer(cluster.url, port);
    await desk.stored();
    await expect.poll(async () => (await boxOf(desk, id)).x, { timeout: 5_000 }).toBeCloseTo(before.x + 2 * NUDGE, 6);
    await expect
      .poll(async () => (await desk.records<PictureRecord>('picture')).some(({ name }) => name.startsWith('while-away')), {
        timeout: 20_000,
      })
      .toBe(true);
    await desk.page.close();
    await again.stop();
  });
});

describe('two servers on one database', () => {
  it('show each other’s changes, and refuse the later of two to the same thing', async () => {
    servers.push(await openServer(cluster.url), await openServer(cluster.url));
    // A page is only alive while it is in front.
    const two = await Desk.open(browser, servers[1]!.origin, cluster.url, issue);
    await two.go(4);
    const one = await Desk.open(browser, servers[0]!.origin, cluster.url, issue);
    const id = await nudged(one);
    const start = await two.box(`[data-frame="${id}"]`);
    for (let i = 0; i < 2; i++) await one.press('Shift', 'ArrowDown');
    await one.stored();
    await two.page.bringToFront();
    await two.until(
      'the frame has moved there too',
      (frame: string, y: number) => document.querySelector(`[data-frame="${frame}"]`)!.getBoundingClientRect().y > y + 8,
      id,
      start.y,
    );

    // The same frame, moved at two places at once: one gets through, the other is told.
    await two.page.$eval(`[data-frame="${id}"]`, (element) => (element as SVGElement).focus());
    const before = (await one.changes()).length;
    const body = await query<{ body: FrameRecord }>(cluster.url, 'select body from record where document_id = $1 and id = $2', [
      issue,
      id,
    ]);
    const frame = body[0]!.body;
    const send = (x: number, name: string, server: Server) =>
      fetch(`${server.origin}/api/documents/${issue}/changes`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({
          id: name,
          author: name,
          label: 'Race',
          kind: 'edit',
          base: before,
          diff: {
            added: [],
            removed: [],
            texts: [],
            updated: [{ before: frame, after: { ...frame, box: { ...frame.box, x } } }],
          },
        }),
      });
    const answers = await Promise.all([send(100, 'left', servers[0]!), send(200, 'right', servers[1]!)]);
    expect(answers.map(({ status }) => status).sort()).toEqual([200, 409]);
    const refused = (await answers.find(({ status }) => status === 409)!.json()) as { message: string; theirs: FrameRecord[] };
    expect(refused.message).toMatch(/Somebody else changed/);
    expect(refused.theirs[0]!.id).toBe(id);
    expect((await one.changes()).length).toBe(before + 1);
    const x = (await boxOf(one, id)).x;
    expect([100, 200]).toContain(x);
    expect([...one.problems, ...two.problems]).toEqual([]);
  });
});

describe('files that are made', () => {
  it('are made all the same when their server is killed and another starts, and of the issue as it was asked for', async () => {
    const [first, second] = [await openServer(cluster.url), await openServer(cluster.url)];
    servers.push(first, second);
    const post = async (path: string, body: unknown) => {
      const answer = await fetch(`${first.origin}/api/documents/${issue}/${path}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify(body),
      });
      expect(answer.ok).toBe(true);
      return (await answer.json()) as { id: string };
    };
    const pages = await query<{ body: PageRecord }>(
      cluster.url,
      "select body from record where document_id = $1 and kind = 'page'",
      [issue],
    );
    // One is under way, the other waits in line.
    const asked = [
      await post('deliveries', { way: 'print', choices: WAYS.print.usual, noticed: true }),
      await post('deliveries', { way: 'screen', choices: WAYS.screen.usual, noticed: true }),
    ];
    const [{ seq }] = (await query<{ seq: number }>(cluster.url, 'select seq::int from document where id = $1', [issue])) as [
      { seq: number },
    ];
    const added = [{ ...pages[0]!.body, id: 'later', order: 'b00' }];
    await post('changes', {
      id: 'a-page-later',
      author: 'late',
      label: 'Add a page',
      kind: 'edit',
      base: seq,
      diff: { added, updated: [], removed: [], texts: [] },
    });
    await first.kill();
    servers.push(await openServer(cluster.url));
    type State = {
      readonly state: string;
      readonly total: number;
      readonly message: string | null;
      readonly blob: string | null;
    };
    const states = () =>
      Promise.all(asked.map(async ({ id }) => (await (await fetch(`${second.origin}/api/deliveries/${id}`)).json()) as State));
    let now = await states();
    while (now.some(({ state }) => state === 'waiting' || state === 'working')) now = await states();
    expect(now.map(({ state, message }) => [state, message])).toEqual([
      ['done', null],
      ['done', null],
    ]);
    // Of the pages there were when it was asked for.
    expect(now.map(({ total }) => total)).toEqual([pages.length, pages.length]);
    const file = await fetch(`${second.origin}/api/deliveries/${asked[1]!.id}/file`);
    expect(
      Buffer.from(await file.arrayBuffer())
        .subarray(0, 5)
        .toString(),
    ).toBe('%PDF-');
  });
});

describe('people who write into one paragraph at the same time', () => {
  const BODY = 'the-spar-remembers-body';
  const stands = (desk: Desk, words: string) =>
    desk.until(
      `“${words}” stands there`,
      (text: string) => (document.querySelector('[data-painted]')?.textContent ?? '').replace(/\s+/g, '').includes(text),
      words.replace(/\s+/g, ''),
    );

  /** Two presses before a word: what is typed goes there. */
  async function into(desk: Desk, before: string): Promise<void> {
    await desk.page.bringToFront();
    await desk.go(4);
    await stands(desk, 'Askherwhichnote');
    const spot = await desk.page.$$eval(
      '[data-chunk] text',
      (list, word) => {
        const { x, y, height } = list.find((each) => each.textContent === word)!.getBoundingClientRect();
        return { x: x + 0.4, y: y + height / 2 };
      },
      before,
    );
    await desk.page.mouse.click(spot.x, spot.y, { count: 2 });
    await desk.page.waitForSelector('[data-caret]');
  }

  it('keep every letter: one without network meanwhile, a third moving a frame, a server killed', async () => {
    const [left, right] = [await openServer(cluster.url), await openServer(cluster.url)];
    servers.push(left, right);
    const port = Number(left.origin.split(':').pop());
    const one = await Desk.open(browser, left.origin, cluster.url, issue);
    const two = await Desk.open(browser, right.origin, cluster.url, issue);
    const alone = await browser.createBrowserContext();
    const third = await Desk.openIn(alone, right.origin, cluster.url, issue);
    const text = async () => bodyText((await one.records<TextRecord>('text')).find(({ id }) => id === BODY)!.body);
    const start = await text();

    await into(two, 'forgotten.');
    await two.page.setOfflineMode(true);
    await two.page.keyboard.type('quite ');
    await two.until('it waits for the network', () =>
      document.querySelector('[aria-label="Save state"]')?.textContent?.startsWith('Not saved yet'),
    );
    await into(one, 'plucked,');
    await one.page.keyboard.type('just ');
    await one.stored();

    await third.page.bringToFront();
    const moved = await nudged(third);
    const box = await boxOf(third, moved);
    await third.press('ArrowLeft');
    await third.stored();

    // The server of the first ends in the middle of a word, and comes back at the same place.
    await one.page.bringToFront();
    await one.page.keyboard.type('ab');
    await left.kill();
    await one.page.keyboard.type('cd ');
    servers.push(await openServer(cluster.url, port));
    await one.stored();

    await two.page.bringToFront();
    await two.page.setOfflineMode(false);
    await two.page.keyboard.type('now ');
    await two.stored();
    const both = start
      .replace('a nail, plucked, and', 'a nail, just abcd plucked, and')
      .replace('forgotten.', 'quite now forgotten.');
    await expect.poll(text, { timeout: 20_000 }).toBe(both);
    for (const desk of [one, two, third]) {
      await desk.page.bringToFront();
      await stands(desk, 'a nail, just abcd plucked, and');
      await stands(desk, 'quite now forgotten.');
    }
    expect((await boxOf(third, moved)).x).toBeCloseTo(box.x - NUDGE, 6);

    // Everybody takes back what is theirs.
    await two.page.bringToFront();
    for (let i = 0; i < 6 && (await text()).includes('quite'); i++) {
      await two.press('Control', 'z');
      await two.stored();
    }
    await expect.poll(text, { timeout: 20_000 }).toBe(start.replace('a nail, plucked, and', 'a nail, just abcd plucked, and'));
    await one.page.bringToFront();
    for (let i = 0; i < 6 && (await text()) !== start; i++) {
      await one.press('Control', 'z');
      await one.stored();
    }
    expect(await text()).toBe(start);
    expect((await boxOf(third, moved)).x).toBeCloseTo(box.x - NUDGE, 6);
    expect([...one.problems, ...two.problems, ...third.problems]).toEqual([]);
    await alone.close();
  });
});

describe('a page that cannot be made', () => {
  it('says so, and is there when it is tried again', async () => {
    const server = await openServer(cluster.url);
    servers.push(server);
    // The database has something that nobody foresaw.
    await query(cluster.url, 'alter table publication rename to elsewhere');
    const page = await browser.newPage();
    await page.goto(server.origin, { waitUntil: 'domcontentloaded' });
    const again = (await page.waitForSelector('::-p-aria([name="Try again"][role="button"])'))!;
    expect(await page.$eval('[role=alert]', (element) => element.textContent)).toContain('What was stored is safe');
    await query(cluster.url, 'alter table elsewhere rename to publication');
    await again.click();
    await page.waitForSelector('section[aria-label="Longspar"]');
    await page.close();
  });
});
