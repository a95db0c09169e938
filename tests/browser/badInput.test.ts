import { WAYS } from '@/core/handoff/ways';
import { request as httpRequest } from 'node:http';
import sharp from 'sharp';
import { afterAll, beforeAll, describe, expect, inject, it } from 'vitest';
import { NO_DIFF } from '@/core/records/diff';
import { openServer, query, type Server } from '../support/application';
import { copyIssue } from '../support/desk';
import { docx, swollenDocx } from '../support/docx';
import { pictureRecord } from '../support/documents';
import { pngThatClaims } from '../support/png';

/** What comes in from outside, as files and as requests: each bad one gets one sentence and the right status. */

const databaseUrl = inject('databaseUrl');
let server: Server;
let issue: string;

beforeAll(async () => {
  server = await openServer(databaseUrl);
  issue = await copyIssue(databaseUrl);
});

afterAll(() => server?.stop());

interface Answer {
  readonly status: number;
  readonly message: string;
}

async function answered(response: Response): Promise<Answer> {
  const body = (await response.json()) as { message?: string };
  return { status: response.status, message: body.message ?? '' };
}

const upload = async (kind: 'copy' | 'pictures', name: string, bytes: Uint8Array): Promise<Answer> => {
  const form = new FormData();
  form.append('file', new Blob([bytes as BlobPart]), name);
  return answered(await fetch(`${server.origin}/api/imports/${kind}`, { method: 'POST', body: form }));
};

const blobs = async () => (await query<{ count: number }>(databaseUrl, 'select count(*)::int from blob'))[0]!.count;

const text = (words: string) => new TextEncoder().encode(words);

describe('a file that cannot be taken', () => {
  const svg = (inner: string) => text(`<svg xmlns="http://www.w3.org/2000/svg" width="4" height="4">${inner}</svg>`);

  it.each<[string, 'copy' | 'pictures', string, () => Promise<Uint8Array> | Uint8Array, number, RegExp]>([
    ['of the wrong kind', 'copy', 'kite.exe', () => text('MZ…'), 415, /“kite\.exe” is not copy/],
    ['that is empty', 'copy', 'empty.md', () => text(''), 422, /“empty\.md” is empty/],
    [
      'that is a broken DOCX',
      'copy',
      'broken.docx',
      async () => (await docx([{ runs: [{ text: 'x' }] }])).slice(0, 500),
      422,
      /“broken\.docx” is damaged/,
    ],
    ['that unpacks to far too much', 'copy', 'bomb.docx', () => swollenDocx(220), 413, /unpacks to far more/],
    ['that is no picture', 'pictures', 'kite.png', () => text('words'), 415, /“kite\.png” is not a picture/],
    ['that is an SVG with a script', 'pictures', 'evil.svg', () => svg('<script>1</script>'), 422, /holds a script/],
    [
      'that is an SVG with an outside reference',
      'pictures',
      'far.svg',
      () => svg('<image href="http://x.example/a.png"/>'),
      422,
      /outside itself/,
    ],
    [
      'that is a damaged picture',
      'pictures',
      'half.jpg',
      async () =>
        (
          await sharp({ create: { width: 400, height: 400, channels: 3, background: '#123' } })
            .jpeg()
            .toBuffer()
        ).subarray(0, 400),
      422,
      /damaged/,
    ],
    ['with a name of folders', 'copy', '../../../etc/passwd', () => text('root'), 415, /“passwd” is not copy/],
  ])('%s gets one sentence', async (_what, kind, name, bytes, status, message) => {
    const before = await blobs();
    const answer = await upload(kind, name, await bytes());
    expect(answer).toEqual({ status, message: expect.stringMatching(message) as string });
    expect(answer.message.trim().split('\n')).toHaveLength(1);
    expect(await blobs()).toBe(before);
  });

  it('of 40,000 × 40,000 pixels gets one sentence', async () => {
    const whole = await pngThatClaims(40_000, 40_000);
    expect(await upload('pictures', 'huge.png', whole)).toEqual({
      status: 413,
      message: expect.stringMatching(/40000 × 40000 pixels/) as string,
    });
  });

  it('of 200 MB is not read to its end', async () => {
    const { hostname, port } = new URL(server.origin);
    const boundary = 'xxxxkitexxxx';
    const head = `--${boundary}\r\nContent-Disposition: form-data; name="file"; filename="large.jpg"\r\nContent-Type: image/jpeg\r\n\r\n`;
    const answer = await new Promise<{ status: number; body: string }>((resolve, reject) => {
      const request = httpRequest(
        {
          hostname,
          port,
          path: '/api/imports/pictures',
          method: 'POST',
          headers: { 'Content-Type': `multipart/form-data; boundary=${boundary}` },
        },
        (response) => {
          let body = '';
          response.on('data', (piece) => (body += piece));
          response.on('end', () => resolve({ status: response.statusCode!, body }));
        },
      );
      request.on('error', reject);
      request.write(head);
      const piece = Buffer.alloc(1 << 20, 7);
      let sent = 0;
      const more = () => {
        while (sent < 200) {
          sent++;
          if (!request.write(piece)) return void request.once('drain', more);
        }
        request.end(`\r\n--${boundary}--\r\n`);
      };
      more();
    });
    expect(answer.status).toBe(413);
    expect(answer.body).toMatch(/“large\.jpg” is larger than 100 MB/);
  });

  it('that is no file at all gets one sentence', async () => {
    const post = async (body: BodyInit, type?: string) =>
      answered(
        await fetch(`${server.origin}/api/imports/copy`, {
          method: 'POST',
          body,
          ...(type ? { headers: { 'Content-Type': type } } : {}),
        }),
      );
    expect(await post('{}', 'application/json')).toMatchObject({ status: 400 });
    expect(await post('nonsense', 'multipart/form-data; boundary=a')).toMatchObject({ status: 400 });
    expect(await post('nonsense', 'multipart/form-data')).toMatchObject({ status: 400 });
    const empty = new FormData();
    empty.append('note', 'no file');
    expect(await post(empty)).toMatchObject({ status: 400, message: 'No file was sent.' });
  });

  it('leaves the server going on', async () => {
    expect(await upload('copy', 'fine.md', text('# Fine\n\nWords.'))).toMatchObject({ status: 200 });
    expect((await fetch(server.origin)).status).toBe(200);
  });
});

describe('a request that is not well formed', () => {
  const change = (diff: unknown, more: object = {}) => ({
    id: `c${Math.random().toString(36).slice(2)}`,
    author: 'me',
    label: 'Try',
    kind: 'edit',
    base: 0,
    diff,
    ...more,
  });
  const steps = (step: object) =>
    change({ ...NO_DIFF, texts: [{ id: 'the-spar-remembers-body', steps: [step as never], back: [] }] });
  const post = async (path: string, body: unknown, headers: Record<string, string> = {}) =>
    answered(
      await fetch(`${server.origin}${path}`, {
        method: 'POST',
        headers: { 'Content-Type': 'application/json', ...headers },
        body: typeof body === 'string' ? body : JSON.stringify(body),
      }),
    );
  const seq = async () =>
    (await query<{ seq: number }>(databaseUrl, 'select seq::int from document where id = $1', [issue]))[0]!.seq;

  it.each<[string, string, unknown, number]>([
    ['that is no JSON', '', '{', 400],
    ['that is no change', '', { hello: 1 }, 400],
    ['with a record nobody knows', '', change({ ...NO_DIFF, added: [{ id: 'x', kind: 'ghost' }] }), 400],
    ['with a field nobody knows', '', change({ ...NO_DIFF, added: [{ ...pictureRecord('x'), evil: true }] }), 400],
    ['with an id that climbs', '', change({ ...NO_DIFF, added: [{ ...pictureRecord('x'), id: '../../x' }] }), 400],
    ['of what is not as it was', '', change({ ...NO_DIFF, removed: [pictureRecord('lantern')] }), 409],
    ['on a version that never was', '', { ...change(NO_DIFF), base: 9_999_999 }, 400],
    ['with steps that are none', '', steps({ stepType: 'ghost' }), 400],
    ['with steps beyond the text', '', steps({ stepType: 'replace', from: 9_000_000, to: 9_000_001 }), 400],
    [
      'with steps that break the schema',
      '',
      steps({ stepType: 'replace', from: 0, to: 0, slice: { content: [{ type: 'row', content: [] }] } }),
      400,
    ],
    ['with steps that say what may not be said', '', steps({ stepType: 'attr', pos: 0, attr: 'style', value: '../../x' }), 400],
    ['of a text that is not there', '', { ...change({ ...NO_DIFF, texts: [{ id: 'ghost', steps: [], back: [] }] }) }, 409],
  ])('%s changes nothing', async (_what, _path, body, status) => {
    const before = await seq();
    const answer = await post(`/api/documents/${issue}/changes`, body);
    expect(answer.status).toBe(status);
    expect(answer.message).toMatch(/\.$/);
    expect(await seq()).toBe(before);
  });

  it('for what is not there is told so', async () => {
    expect(await post('/api/documents/nowhere/changes', change(NO_DIFF))).toMatchObject({ status: 404 });
    for (const path of [
      '/api/documents/nowhere',
      '/api/documents/nowhere/events?after=0',
      `/api/pictures/${'0'.repeat(64)}?side=200`,
      '/api/deliveries/nowhere',
      '/api/deliveries/nowhere/file',
    ]) {
      expect((await fetch(server.origin + path)).status, path).toBe(404);
    }
    expect((await fetch(`${server.origin}/issues/nowhere/pages`)).status).toBe(404);
  });

  it('with parameters that make no sense is refused', async () => {
    for (const path of [
      '/api/documents/..%2f..',
      `/api/documents/${issue}/events?after=-1`,
      `/api/documents/${issue}/events`,
      '/api/pictures/abc?side=200',
      `/api/pictures/${'a'.repeat(64)}?side=wide`,
      `/api/documents/${issue}/pages/first`,
    ]) {
      expect((await fetch(server.origin + path)).status, path).toBe(400);
    }
    expect(await post(`/api/documents/${issue}/deliveries`, { way: 'wallpaper', choices: {} })).toMatchObject({
      status: 400,
    });
    expect(await post(`/api/documents/${issue}/deliveries`, { way: 'print', choices: { sheets: 'pages' } })).toMatchObject({
      status: 400,
    });
  });

  it('from another site is refused, and changes nothing', async () => {
    const adding = change({ ...NO_DIFF, added: [{ id: 'rust', kind: 'swatch', name: 'Rust', cmyk: [0, 0.6, 0.8, 0.3] }] });
    const before = await seq();
    for (const headers of [
      { Origin: 'https://evil.example' },
      { Origin: 'null' },
      { 'Sec-Fetch-Site': 'cross-site' },
      { Origin: server.origin.replace('127.0.0.1', 'localhost') },
    ] as Record<string, string>[]) {
      expect(await post(`/api/documents/${issue}/changes`, adding, headers), JSON.stringify(headers)).toMatchObject({
        status: 403,
      });
    }
    const form = new FormData();
    form.append('file', new Blob(['# x']), 'x.md');
    expect(
      (
        await fetch(`${server.origin}/api/imports/copy`, {
          method: 'POST',
          body: form,
          headers: { Origin: 'https://evil.example' },
        })
      ).status,
    ).toBe(403);
    expect(await seq()).toBe(before);
    expect(await post(`/api/documents/${issue}/changes`, adding, { Origin: server.origin })).toMatchObject({ status: 200 });
  });

  it('reaches the server on loopback only', async () => {
    const { networkInterfaces } = await import('node:os');
    const others = Object.values(networkInterfaces())
      .flatMap((list) => list ?? [])
      .filter(({ family, internal }) => family === 'IPv4' && !internal);
    for (const { address } of others) await expect(fetch(`http://${address}:${new URL(server.origin).port}/`)).rejects.toThrow();
    expect((await fetch(server.origin)).status).toBe(200);
  });
});

describe('a delivery', () => {
  it('shows its progress, is cancelled, and stays so', async () => {
    const response = await fetch(`${server.origin}/api/documents/${issue}/deliveries`, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify({ way: 'print', choices: WAYS.print.usual }),
    });
    expect(response.status).toBe(202);
    const { id } = (await response.json()) as { id: string };
    const state = async () =>
      (await (await fetch(`${server.origin}/api/deliveries/${id}`)).json()) as { state: string; total: number; done: number };
    await expect.poll(async () => (await state()).total, { timeout: 30_000 }).toBe(8);
    await fetch(`${server.origin}/api/deliveries/${id}`, { method: 'DELETE' });
    expect((await state()).state).toBe('cancelled');
    // The thread ends at its next page; nothing becomes of it.
    const list = (await (await fetch(`${server.origin}/api/documents/${issue}/deliveries`)).json()) as {
      id: string;
      state: string;
    }[];
    expect(list[0]).toMatchObject({ id, state: 'cancelled' });
  });
});
