import { randomUUID } from 'node:crypto';
import { afterAll, beforeAll, expect, it } from 'vitest';
import sharp from 'sharp';
import { nanoid } from 'nanoid';
import { NO_DIFF } from '@/core/records/diff';
import { plainBody } from '@/core/records/body';
import { same } from '@/core/records/same';
import { readDocument, storedDiff, type StoredRecord } from '@/core/records/stored';
import { pictureFrame, pictureRecord, prose, textFrame, textRecord } from '../support/documents';
import { composerFor } from '../support/faces';
import { openCluster, query, type Cluster } from '../support/application';
import { Composer } from '@/core/compose/composer';
import { makeBundle } from '@/services/deliveries/ways/bundle';
import { takeBundle } from '@/services/jobs/takeBundle';
import { houseChanges } from '@/services/house/changes';
import { newIssue } from '@/services/shelf/newIssue';
import { newPublication } from '@/services/shelf/newPublication';
import { putBlob } from '@/store/blobs';
import { documentHead, loadRecords, loadVersions, storeChange } from '@/store/documents';
import { migrate } from '@/store/migrate';
import { pool } from '@/store/pool';
import { listHouses, listPublications } from '@/store/publications';
import { putUpload } from '@/store/uploads';

/** A bundle goes out of one installation and into an empty one, and comes out equal. */

let cluster: Cluster;
let bundle: Uint8Array;
let issue: string;
let sent: { records: readonly StoredRecord[]; house: Awaited<ReturnType<typeof loadVersions>>; offers: unknown };

const change = (base: number, diff: Parameters<typeof storedDiff>[0]) => ({
  id: nanoid(),
  author: 'me',
  label: 'Try',
  kind: 'edit' as const,
  base,
  diff: storedDiff(diff),
});

beforeAll(async () => {
  cluster = await openCluster();
  process.env['DATABASE_URL'] = cluster.url;
  await migrate('src/store/migrations');
  const { house } = await newPublication({ name: 'Longspar', kind: 'magazine', frequency: 'quarterly', language: 'en-GB' });
  const [publication] = await listPublications();
  ({ issue } = await newIssue(publication!.id, { number: '14', season: 'Winter', date: '2026-12-04', pages: 8 }));
  const photo = await sharp({ create: { width: 40, height: 30, channels: 3, background: '#456' } })
    .png()
    .toBuffer();
  const blob = await putBlob('image/png', photo);
  const page = (await loadRecords(issue)).records.find(({ kind }) => kind === 'page')!.id;
  await storeChange(
    issue,
    change(0, {
      ...NO_DIFF,
      added: [
        pictureRecord('own-picture', { blob, media: 'image/png', width: 40, height: 30 }),
        textRecord('own-text', plainBody('body', prose(120))),
        textFrame('own-text-frame', 'own-text', page, { x: 50, y: 48, w: 200, h: 300 }),
        pictureFrame('own-picture-frame', 'own-picture', page, { x: 260, y: 48, w: 200, h: 150 }),
      ],
    }),
  );
  // The house has gone on since: what it offers the issue goes out with it.
  const own = readDocument((await loadRecords(house)).records);
  const swatch = [...own.records.values()].find(({ kind }) => kind === 'swatch')!;
  await storeChange(
    house,
    change(0, { ...NO_DIFF, updated: [{ before: swatch, after: { ...swatch, name: 'Harbour ink' } as typeof swatch }] }),
  );
  const { records } = await loadRecords(issue);
  const whole = readDocument(records);
  const { composer, shaper } = await composerFor(whole);
  bundle = await makeBundle({
    document: whole,
    whole,
    source: { id: issue, seq: 1 },
    composed: composer.compose(whole),
    shaper,
    choices: { faces: true },
    report: { title: '', at: '', limits: '', findings: [] },
    at: new Date('2026-03-01T10:00:00Z'),
    progress: () => Promise.resolve(),
  });
  sent = { records, house: await loadVersions(house), offers: await houseChanges(await documentHead(issue)) };
  // An empty installation.
  await query(cluster.url, 'truncate publication, blob, upload cascade');
  expect(await listPublications()).toEqual([]);
}, 120_000);

afterAll(async () => {
  await pool().end();
  await cluster.stop();
});

const [ONE, TWO, THREE] = [randomUUID(), randomUUID(), randomUUID()] as const;

const run = (upload: string) => takeBundle.run({ upload }, new AbortController().signal);

it('goes into an empty installation as it was: every record, every number, what the house offers, every page', async () => {
  await putUpload(ONE, 'Longspar.zip', bundle);
  const taken = await run(ONE);
  expect(taken).toMatchObject({ name: 'Longspar', issueName: 'No. 14, Winter' });
  const { seq, records } = await loadRecords(taken.issue);
  expect(seq).toBe(1);
  expect(records).toEqual(sent.records);
  const house = (await listHouses()).get(taken.publication)!;
  expect(await loadVersions(house)).toEqual(sent.house);
  expect(await houseChanges(await documentHead(taken.issue))).toEqual(sent.offers);
  expect(JSON.stringify(sent.offers)).toContain('Harbour ink');
  // The same faces, so that what is compared is what is on the pages.
  const { shaper } = await composerFor(readDocument(records));
  const pages = (of: readonly StoredRecord[]) => new Composer(shaper).compose(readDocument(of)).pages;
  const [ours, theirs] = [pages(records), pages(sent.records)];
  ours.forEach((list, i) => expect(same(list, theirs[i]), `page ${list.number}`).toBe(true));
  expect(ours).toHaveLength(8);
});

it('comes to the same when it is done again, and beside what is there under a name of its own', async () => {
  const count = async () => (await query<{ n: number }>(cluster.url, 'select count(*)::int as n from document'))[0]!.n;
  const before = await count();
  await run(ONE);
  expect(await count()).toBe(before);
  await putUpload(TWO, 'Longspar.zip', bundle);
  expect(await run(TWO)).toMatchObject({ name: 'Longspar 2' });
  expect(await count()).toBe(before + 2);
});

it('that is broken leaves nothing behind', async () => {
  const count = async () =>
    (
      await query<{ n: number }>(
        cluster.url,
        'select (select count(*) from document)::int + (select count(*) from blob)::int as n',
      )
    )[0]!.n;
  const before = await count();
  await putUpload(THREE, 'Longspar.zip', bundle.slice(0, bundle.length - 200));
  await expect(run(THREE)).rejects.toThrow('cannot be unpacked');
  expect(await count()).toBe(before);
});
