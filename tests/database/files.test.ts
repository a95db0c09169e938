import { WAYS } from '@/core/handoff/ways';
import { readFile } from 'node:fs/promises';
import { wellFormed } from '@/core/records/plain';
import { copyOf, type SentWords } from '@/formats/copy/sent';
import { storyOf } from '@/formats/copy/story';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { migrate } from '@/store/migrate';
import { pool } from '@/store/pool';
import { insertDocument } from '@/store/documents';
import { insertPublication } from '@/store/publications';
import { baseRecords } from '../support/documents';
import { openCluster, openServer, type Cluster, type Server } from '../support/application';
import { sampleAs } from '../support/copySample';
import { docx, filtersOverFilters, svg, unpacksTo150MB } from '../support/foreignFiles';

/** Files from anywhere, put to the running application: what they do to it, and to everybody else. */

let cluster: Cluster;
let server: Server;

beforeAll(async () => {
  cluster = await openCluster();
  process.env['DATABASE_URL'] = cluster.url;
  await migrate('src/store/migrations');
  await insertPublication({ id: 'one', name: 'One', kind: 'magazine', frequency: 'quarterly' });
  await insertDocument({ id: 'issue', publication: 'one', kind: 'issue', name: 'No. 1' }, baseRecords());
  server = await openServer(cluster.url);
});

afterAll(async () => {
  await server?.stop();
  await pool().end();
  await cluster?.stop();
});

async function sent(kind: 'copy' | 'pictures', name: string, content: Uint8Array | string) {
  const form = new FormData();
  form.append('file', new File([content as BlobPart], name));
  const response = await fetch(`${server.origin}/api/imports/${kind}`, { method: 'POST', body: form });
  return { status: response.status, body: (await response.json()) as { message?: string; copy?: SentWords } };
}

/** The story that copy which was read makes. */
const storyIn = ({ copy }: { copy?: SentWords }) => storyOf(copyOf(copy!));

/** Answers to others while something is going on: that they come, and what. */
async function othersWhile(work: Promise<unknown>): Promise<{ statuses: Set<number>; count: number }> {
  let over = false;
  void work.finally(() => (over = true)).catch(() => undefined);
  const statuses = new Set<number>();
  let count = 0;
  while (!over) {
    statuses.add((await fetch(`${server.origin}/api/documents/issue`)).status);
    count++;
  }
  return { statuses, count };
}

describe('a file that would stop a server', () => {
  it('stops only its own reading: a package that unpacks to 150 MB', async () => {
    const work = sent('copy', 'bomb.docx', await unpacksTo150MB());
    const { statuses, count } = await othersWhile(work);
    const { status, body } = await work;
    expect([413, 422]).toContain(status);
    expect(body.message).toMatch(/“bomb\.docx” (takes too long|needs more memory|could not be read)/);
    expect(statuses).toEqual(new Set([200]));
    expect(count).toBeGreaterThan(20);
  });

  it('is read in time where it only looks bad: 60,000 empty lines', async () => {
    const { status, body } = await sent('copy', 'lines.txt', `a${'\n'.repeat(60_000)}b`);
    expect(status).toBe(200);
    expect(storyIn(body)).toMatchObject({ words: 1, headline: 'a' });
  });

  it('stops only its own reading: drawings with filters over filters', async () => {
    const work = Promise.all([1, 2, 3].map((n) => sent('pictures', `hostile-${n}.svg`, filtersOverFilters())));
    const { statuses, count } = await othersWhile(work);
    for (const { status, body } of await work) {
      expect([413, 422, 503]).toContain(status);
      expect(body.message).toBeTruthy();
    }
    expect(statuses).toEqual(new Set([200]));
    expect(count).toBeGreaterThan(20);
  });

  it('leaves the reading of others as it was', async () => {
    const png = await sharp({ create: { width: 20, height: 10, channels: 3, background: '#fff' } })
      .png()
      .toBuffer();
    expect((await sent('pictures', 'plain.png', png)).body).toMatchObject({ picture: { width: 20, height: 10 }, notes: [] });
    expect((await sent('pictures', 'plain.svg', svg('<rect width="10" height="10"/>'))).status).toBe(200);
    expect(storyIn((await sent('copy', 'plain.txt', 'Wind over the harbour.')).body).words).toBe(4);
  });

  it('has its name and its words mended where they are no text', async () => {
    const { body } = await sent('copy', `${'a'.repeat(119)}🪁.txt`, 'Wind');
    expect(body.message).toContain(`“${'a'.repeat(119)}”`);
    expect(wellFormed(body.message!)).toBe(body.message);
    const cut = storyIn((await sent('copy', 'a.md', `# ${'x'.repeat(199)}🪁 and more\n\nWind`)).body);
    expect(cut.name).toBe('x'.repeat(199));
    expect(wellFormed(cut.name)).toBe(cut.name);
  });
});

/** Resident memory of the server, MB; what reads files is no part of it. */
async function memory(): Promise<number> {
  const status = await readFile(`/proc/${server.process.pid}/status`, 'utf8');
  return Number(/VmRSS:\s+(\d+) kB/.exec(status)![1]) / 1024;
}

/** Of each format. */
const MUTATED = 500;
/** Seconds that any file may take, and MB that the server may grow by while all of them are read. */
const MOST_SECONDS = 15;
const MOST_GROWTH = 200;

describe('mutated files', () => {
  /** A small generator that gives the same every time. */
  const random = (seed: number) => () => (seed = (seed * 48271) % 2147483647) / 2147483647;

  it('are read or refused with a sentence, whatever is wrong with them, and never take the server along', async () => {
    const photo = await sharp({ create: { width: 60, height: 40, channels: 3, background: '#357' } })
      .jpeg()
      .toBuffer();
    const flat = await sharp({ create: { width: 60, height: 40, channels: 4, background: '#3578' } })
      .png()
      .toBuffer();
    const web = await sharp(flat).webp().toBuffer();
    const files: [kind: 'copy' | 'pictures', name: string, bytes: Uint8Array][] = [
      ['pictures', 'a.jpg', photo],
      ['pictures', 'a.png', flat],
      ['pictures', 'a.webp', web],
      ['pictures', 'a.svg', Buffer.from(svg('<g><circle r="40"/><text x="4" y="9">wind</text></g>'))],
      ['copy', 'a.docx', await docx('<w:p><w:r><w:t>Wind over the harbour</w:t></w:r></w:p>')],
      // Real files, as a word processor's converter writes them, with lists, tables, notes and a picture.
      ...(await Promise.all(
        (['docx', 'odt', 'rtf', 'html'] as const).map(
          async (ending) => ['copy', `wall.${ending}`, await readFile(await sampleAs(ending))] as ['copy', string, Uint8Array],
        ),
      )),
      ['copy', 'a.md', Buffer.from('# Wind\n\n- one\n- two **three**\n\n| a | b |\n|---|---|\n| 1 | 2 |')],
      ['copy', 'a.txt', Buffer.from('Wind\n\nover the harbour')],
    ];
    const next = random(7);
    const seen = new Map<number, number>();
    const before = await memory();
    let slowest = 0;
    for (const [kind, name, bytes] of files)
      for (let round = 0; round < MUTATED; round++) {
        let changed = Buffer.from(bytes);
        for (let n = 0; n < 1 + 6 * next(); n++) changed[Math.floor(next() * changed.length)] = Math.floor(next() * 256);
        if (next() < 0.3) changed = changed.subarray(0, Math.floor(next() * changed.length));
        const begun = performance.now();
        const { status, body } = await sent(kind, name, changed);
        slowest = Math.max(slowest, performance.now() - begun);
        seen.set(status, (seen.get(status) ?? 0) + 1);
        if (status !== 200) {
          expect([400, 413, 415, 422], `${name} ${round} ${status} ${body.message}`).toContain(status);
          expect(body.message, name).toMatch(/^“.*”.*\.$|^The|^No file|^Send/);
        }
      }
    expect(seen.get(200)).toBeGreaterThan(MUTATED);
    expect(seen.get(422)).toBeGreaterThan(MUTATED);
    expect(slowest).toBeLessThan(1000 * MOST_SECONDS);
    const growth = (await memory()) - before;
    expect(growth).toBeLessThan(MOST_GROWTH);
    expect((await fetch(`${server.origin}/api/documents/issue`)).status).toBe(200);
  }, 600_000);
});

describe('requests that mean nothing', () => {
  const get = async (path: string, init?: RequestInit) => (await fetch(`${server.origin}${path}`, init)).status;

  it('are answered with what is wrong, and never as if the server were', async () => {
    expect(await get('/api/documents/issue/pages/0')).toBe(404);
    expect(await get('/api/documents/issue/pages/9999')).toBe(404);
    expect(await get('/api/deliveries/nowhere')).toBe(404);
    expect(await get('/api/deliveries/nowhere', { method: 'DELETE' })).toBe(404);
    expect(await get('/api/documents/nowhere')).toBe(404);
    const bad = await fetch(`${server.origin}/api/documents/${encodeURIComponent('a b')}`);
    expect(bad.status).toBe(400);
    expect(((await bad.json()) as { message: string }).message).not.toMatch(/\/\^|\[A-Za/);
  });

  it('for another host are refused, and answers say what may be done with them', async () => {
    const { request } = await import('node:http');
    const port = Number(new URL(server.origin).port);
    const status = (host: string) =>
      new Promise<number>((resolve, reject) =>
        request({ port, host: '127.0.0.1', path: '/api/documents/issue', headers: { host } }, (answer) => {
          answer.resume();
          resolve(answer.statusCode!);
        })
          .on('error', reject)
          .end(),
      );
    expect(await status('elsewhere.example')).toBe(421);
    expect(await status(`elsewhere.example:${port}`)).toBe(421);
    expect(await status(`localhost:${port}`)).toBe(200);
    const page = await fetch(`${server.origin}/`);
    expect(page.headers.get('content-security-policy')).toMatch(/script-src 'self' 'nonce-[^']+'/);
    expect(page.headers.get('referrer-policy')).toBe('same-origin');
    expect(page.headers.get('cross-origin-resource-policy')).toBe('same-origin');
    expect((await fetch(`${server.origin}/api/documents/issue`)).headers.get('cache-control')).toBe('no-store');
  });

  it('to make many pictures and files at once wait in line, and all come', async () => {
    const pages = await Promise.all(Array.from({ length: 16 }, (_, i) => get(`/api/documents/issue/pages/${1 + (i % 2)}`)));
    expect(new Set(pages)).toEqual(new Set([200]));
    const begun = await Promise.all(
      Array.from({ length: 6 }, () =>
        fetch(`${server.origin}/api/documents/issue/deliveries`, {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify({ way: 'screen', choices: WAYS.screen.usual, noticed: true }),
        }).then((answer) => answer.json() as Promise<{ id: string }>),
      ),
    );
    await expect
      .poll(
        async () => {
          const all = (await (await fetch(`${server.origin}/api/documents/issue/deliveries`)).json()) as {
            id: string;
            state: string;
          }[];
          return all.filter(({ id, state }) => begun.some((each) => each.id === id) && state === 'done').length;
        },
        { timeout: 120_000, interval: 300 },
      )
      .toBe(6);
  }, 150_000);

  it('as changes: one id twice, an undo of nothing, the same id with another content', async () => {
    const swatch = (id: string) => ({ id, kind: 'swatch', name: 'S', cmyk: [0, 0, 0, 0.5] });
    const send = async (change: object) => {
      const answer = await fetch(`${server.origin}/api/documents/issue/changes`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json' },
        body: JSON.stringify({ author: 'a', label: 'L', kind: 'edit', base: 0, ...change }),
      });
      return { status: answer.status, ...((await answer.json()) as { message?: string }) };
    };
    const none = { added: [], updated: [], removed: [], texts: [] };
    const added = (...ids: string[]) => ({ ...none, added: ids.map(swatch) });
    expect((await send({ id: 'c1', diff: added('s1', 's1') })).status).toBe(400);
    expect((await send({ id: 'c2', kind: 'undo', of: 9999, diff: added('s2') })).status).toBe(400);
    expect((await send({ id: 'c3', diff: added('s3') })).status).toBe(200);
    expect((await send({ id: 'c3', diff: added('s3') })).status).toBe(200);
    expect((await send({ id: 'c3', diff: added('s4') })).status).toBe(400);
    const before = swatch('s3');
    const both = { added: [], updated: [{ before, after: { ...before, name: 'T' } }], removed: [before], texts: [] };
    expect((await send({ id: 'c4', diff: both })).status).toBe(400);
    expect((await send({ id: 'c5', label: 'nul \u0000 and \ud83e half', diff: added('s5') })).status).toBe(200);
    const ink = { ...baseRecords().find(({ id }) => id === 'issue')! };
    const wrong = { ...none, updated: [{ before: ink, after: { ...ink, language: 'en_GB' } }] };
    expect((await send({ id: 'c6', diff: wrong })).status).toBe(400);
    const style = baseRecords().find(({ id }) => id === 'headline')!;
    const round = { ...none, updated: [{ before: style, after: { ...style, basedOn: 'headline' } }] };
    expect(await send({ id: 'c7', diff: round })).toMatchObject({ status: 400, message: expect.stringContaining('circle') });
    const master = baseRecords().find(({ kind }) => kind === 'master')!;
    expect(await send({ id: 'c8', diff: { ...none, removed: [master], texts: [] } })).toMatchObject({
      status: 400,
      message: expect.stringContaining('last master'),
    });
    const big = { ...none, added: Array.from({ length: 3 }, (_, i) => ({ ...swatch(`b${i}`), name: 'x'.repeat(3_000_000) })) };
    expect(await send({ id: 'c9', diff: big })).toMatchObject({ status: 413, message: expect.stringContaining('8 MB') });
    // Two changes at once, each of which would do by itself.
    const two = await Promise.all([
      send({ id: 'd1', diff: { ...none, updated: [{ before: style, after: { ...style, basedOn: 'pullQuote' } }] } }),
      send({
        id: 'd2',
        diff: {
          ...none,
          updated: [
            {
              before: baseRecords().find(({ id }) => id === 'pullQuote')!,
              after: { ...baseRecords().find(({ id }) => id === 'pullQuote')!, basedOn: 'headline' },
            },
          ],
        },
      }),
    ]);
    expect(two.map(({ status }) => status).sort()).toEqual([200, 400]);
  });

  it('by a listener far behind bring it up to date, in batches, and say where that is', async () => {
    const client = await pool().connect();
    await client.query(
      `insert into change (document_id, seq, id, author, label, kind, diff)
       select 'issue', n + (select seq from document where id = 'issue'), 'many-' || n, 'b', 'L', 'edit', '{"added":[],"updated":[],"removed":[]}'
         from generate_series(1, 1300) n`,
    );
    await client.query("update document set seq = seq + 1300 where id = 'issue'");
    const { rows } = await client.query<{ seq: string }>("select seq from document where id = 'issue'");
    client.release();
    const answer = await fetch(`${server.origin}/api/documents/issue/events?after=0`);
    const reader = answer.body!.getReader();
    let text = '';
    while (!/event: head\ndata: \d+\n/.test(text)) text += Buffer.from((await reader.read()).value!).toString();
    await reader.cancel();
    expect(text.match(/^id: /gm)).toHaveLength(Number(rows[0]!.seq));
    expect(text).toContain(`event: head\ndata: ${rows[0]!.seq}\n`);
  });
});
