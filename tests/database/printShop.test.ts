import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { afterAll, afterEach, beforeAll, expect, it } from 'vitest';
import { nanoid } from 'nanoid';
import { WAYS } from '@/core/handoff/ways';
import { sendToShop } from '@/services/jobs/sendToShop';
import { newIssue } from '@/services/shelf/newIssue';
import { newPublication } from '@/services/shelf/newPublication';
import { putBlob } from '@/store/blobs';
import { endDelivery, findDelivery, insertDelivery, noteSent, type SentToShop } from '@/store/deliveries';
import { migrate } from '@/store/migrate';
import { pool } from '@/store/pool';
import { listPublications } from '@/store/publications';
import { openCluster, type Cluster } from '../support/application';

/** What is kept of a print shop, whatever it answers. */

let cluster: Cluster;
let issue: string;
let shop: Server | undefined;

beforeAll(async () => {
  cluster = await openCluster();
  process.env['DATABASE_URL'] = cluster.url;
  await migrate('src/store/migrations');
  await newPublication({ name: 'Longspar', kind: 'magazine', frequency: 'quarterly', language: 'en-GB' });
  const [publication] = await listPublications();
  ({ issue } = await newIssue(publication!.id, { number: '14', season: 'Winter', date: '2026-12-04', pages: 8 }));
});

afterEach(() => {
  shop?.close();
  shop = undefined;
});

afterAll(async () => {
  await pool().end();
  await cluster.stop();
});

/** A print shop that answers so; what it was sent comes back with what was kept. */
async function sentTo(answer: (() => string) | undefined): Promise<{ kept: SentToShop | null; body: string }> {
  let body = '';
  shop = createServer((request, response) => {
    request.setEncoding('latin1').on('data', (piece: string) => (body += piece));
    request.on('end', () => response.end(answer?.()));
  });
  await new Promise<void>((resolve) => shop!.listen(0, '127.0.0.1', resolve));
  process.env['PRINT_SHOP_URL'] = `http://127.0.0.1:${(shop.address() as AddressInfo).port}/press/`;
  if (!answer) await new Promise((resolve) => shop!.close(resolve));
  const id = nanoid(12);
  await insertDelivery({
    id,
    document: issue,
    seq: 0,
    options: { way: 'print', choices: WAYS.print.usual },
    fileName: 'a.pdf',
    job: null,
  });
  await endDelivery(id, { state: 'done', blob: await putBlob('application/pdf', new TextEncoder().encode('%PDF-1.6 trial')) });
  await noteSent(id, { state: 'sending' });
  await sendToShop.run({ delivery: id }, new AbortController().signal);
  return { kept: (await findDelivery(id))!.sent, body };
}

it('is sent the file with a ticket that says what it is, and its day is kept', async () => {
  const { kept, body } = await sentTo(() => JSON.stringify({ shop: 'Press', accepted: true, job: 'J1', onPress: '2026-12-01' }));
  expect(kept).toEqual({ state: 'accepted', shop: 'Press', job: 'J1', onPress: '2026-12-01' });
  expect(body).toContain('%PDF-1.6 trial');
  expect(body).toMatch(/"pages":8.*"trim":\{"width":[\d.]+,"height":[\d.]+\}.*"paper":"Coated paper"/);
});

it('says what is wrong, page by page', async () => {
  const problems = [{ page: 3, words: 'Too dark.' }, { words: 'Too late.' }];
  expect((await sentTo(() => JSON.stringify({ shop: 'Press', accepted: false, problems }))).kept).toEqual({
    state: 'refused',
    shop: 'Press',
    problems,
  });
});

it.each<[string, (() => string) | undefined, RegExp]>([
  ['does not answer', undefined, /does not answer/],
  ['answers what cannot be read', () => '<html>', /cannot be read/],
  ['accepts without a day', () => JSON.stringify({ shop: 'Press', accepted: true }), /cannot be read/],
])('that %s is told of in a sentence', async (_, answer, why) => {
  const { kept } = await sentTo(answer);
  expect(kept).toMatchObject({ state: 'failed' });
  expect((kept as { message: string }).message).toMatch(why);
});
