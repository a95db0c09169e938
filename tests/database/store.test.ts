import { readFile } from 'node:fs/promises';
import { WAYS } from '@/core/handoff/ways';
import { afterAll, beforeAll, describe, expect, it } from 'vitest';
import { nanoid } from 'nanoid';
import { bodyText, docOf, markOf, paragraphOf, plainBody, stepsBetween, textOf } from '@/core/records/body';
import { applied, inverted, NO_DIFF, type Diff, typing } from '@/core/records/diff';
import { find } from '@/core/records/document';
import { done } from '@/core/records/rebase';
import { same } from '@/core/records/same';
import { deleteAt, typeWords } from '../support/typing';
import type { DocumentRecord } from '@/core/records/index';
import { readDiff, readDocument, readRecord, storedDiff, type StoredRecord } from '@/core/records/stored';
import { onChanges } from '@/store/announcements';
import { getBlob, hasBlob, NoSuchBlobError, putBlob } from '@/store/blobs';
import { endDelivery, findDelivery, insertDelivery, listDeliveries, noteProgress } from '@/store/deliveries';
import {
  changesAfter,
  ConflictError,
  documentHead,
  InvalidChangeError,
  insertDocument,
  lastHeadings,
  loadRecords,
  NoSuchDocumentError,
  StaleError,
  storeChange,
  type NewChange,
} from '@/store/documents';
import { migrate } from '@/store/migrate';
import { referAll } from '@/store/references';
import { pool, transaction } from '@/store/pool';
import { insertPublication, listIssues, listPublications } from '@/store/publications';
import { documentAt } from '@/services/documents/at';
import { takeChange } from '@/services/documents/change';
import { BadRequestError } from '@/services/errors';
import { renameIssue, setIssueRemoved } from '@/services/shelf/keep';
import { listShelf } from '@/services/shelf/list';
import { newIssue } from '@/services/shelf/newIssue';
import { openCluster, query, type Cluster } from '../support/application';
import { baseRecords, pictureRecord, proseBody, textRecord } from '../support/documents';

let cluster: Cluster;

beforeAll(async () => {
  cluster = await openCluster();
  process.env['DATABASE_URL'] = cluster.url;
  await migrate('src/store/migrations');
  // The file that every test's picture is made from.
  await query(cluster.url, "insert into blob (sha256, media, bytes) values ($1, 'image/png', 1)", ['ab'.repeat(32)]);
  await insertPublication({ id: 'longspar', name: 'Longspar', kind: 'magazine', frequency: 'quarterly' });
});

afterAll(async () => {
  await pool().end();
  await cluster.stop();
});

/** An issue of its own for every test. */
async function issue(...more: DocumentRecord[]): Promise<string> {
  const id = nanoid(10);
  await insertDocument({ id, publication: 'longspar', kind: 'issue', name: `No. ${id}` }, [
    ...baseRecords(),
    pictureRecord('pic'),
    ...more,
  ]);
  return id;
}

const change = (diff: Diff, more: Partial<NewChange> = {}): NewChange => ({
  id: nanoid(),
  author: 'me',
  label: 'Try',
  kind: 'edit',
  base: 0,
  diff: storedDiff(diff),
  ...more,
});
/** The body of the text called “text”. */
const bodyIn = (records: readonly StoredRecord[]) => {
  const record = readRecord(records.find(({ id }) => id === 'text')!);
  if (record.kind !== 'text') throw new Error('It is no text.');
  return record.body;
};
const captioned = (before: string, after: string): Diff => ({
  ...NO_DIFF,
  updated: [{ before: pictureRecord('pic', { caption: before }), after: pictureRecord('pic', { caption: after }) }],
});

describe('migrations', () => {
  it('run once, in order', async () => {
    expect(await migrate('src/store/migrations')).toEqual([]);
    const { rows } = await pool().query('select name from migration');
    expect(rows).toEqual([
      { name: '0001-foundation.sql' },
      { name: '0002-one-house.sql' },
      { name: '0003-removed.sql' },
      { name: '0004-steps.sql' },
      { name: '0005-references.sql' },
      { name: '0006-jobs.sql' },
      { name: '0007-copy-mapping.sql' },
      { name: '0008-own-words.sql' },
      { name: '0009-wires.sql' },
      { name: '0010-crops.sql' },
      { name: '0011-checks.sql' },
      { name: '0012-record-order.sql' },
      { name: '0013-ways-out.sql' },
      { name: '0014-print-shop.sql' },
      { name: '0015-gradient-colours.sql' },
    ]);
  });

  it('let a gradient of before run by way of a list of colours, and leave words alone that look like one', async () => {
    const id = await issue();
    const through = { swatch: 'ink', tint: 0.5, at: 0.4 };
    const frame = { id: 'old', kind: 'frame', name: 'says "through": {}', gradient: { form: 'linear', through } };
    await pool().query('insert into record (document_id, id, kind, body, version) values ($1, $2, $3, $4, 0)', [
      id,
      frame.id,
      frame.kind,
      frame,
    ]);
    const sql = await readFile('src/store/migrations/0015-gradient-colours.sql', 'utf8');
    // Once more changes nothing more.
    for (let i = 0; i < 2; i++) {
      await pool().query(sql);
      const { rows } = await pool().query<{ body: unknown }>('select body from record where document_id = $1 and id = $2', [
        id,
        frame.id,
      ]);
      expect(rows[0]!.body).toEqual({ ...frame, gradient: { form: 'linear', through: [through] } });
    }
  });
});

describe('publications', () => {
  it('are listed with their issues', async () => {
    const id = await issue();
    expect(await listPublications()).toEqual([{ id: 'longspar', name: 'Longspar', kind: 'magazine', frequency: 'quarterly' }]);
    expect((await listIssues()).find((each) => each.id === id)).toMatchObject({
      publication: 'longspar',
      number: '14',
      season: 'Winter',
      date: '2026-12-04',
      pages: 2,
    });
  });

  it('tell how the work on the issue that comes out next stands: what is due first, and who has it', async () => {
    await insertPublication({ id: 'work', name: 'Work', kind: 'magazine', frequency: 'monthly' });
    const story = (id: string, more: object): DocumentRecord[] => [
      textRecord(`${id}-h`, plainBody('headline', id), { role: 'headline', story: id }),
      textRecord(`${id}-b`, plainBody('body', 'Wind.'), { story: id }),
      {
        id,
        kind: 'story',
        name: id,
        section: '',
        order: `a${id}`,
        tint: 0,
        parts: { headline: `${id}-h`, body: `${id}-b` },
        ...more,
      },
    ];
    // A byline in two runs of letters is one name.
    const byline = docOf([paragraphOf({ style: 'body' }, [textOf('By Nell '), textOf('Astbury', [markOf('emphasis')])])]);
    const [ropes, nets] = [
      story('ropes', { due: '2027-02-03' }),
      story('nets', { due: '2027-02-01', state: 'edited', writer: 'Idris Vane' }),
    ];
    const records = [
      ...baseRecords(2).map((record) => (record.kind === 'issue' ? { ...record, date: '2027-02-10' } : record)),
      ...ropes.map((record) => (record.kind === 'story' ? { ...record, parts: { ...record.parts, byline: 'by' } } : record)),
      textRecord('by', byline, { role: 'byline', story: 'ropes' }),
      ...nets,
      ...story('passed', { due: '2027-01-01', state: 'passed' }),
    ];
    await insertDocument({ id: 'work-1', publication: 'work', kind: 'issue', name: 'No. 1' }, records);
    const rowOn = async (day: string) => (await listShelf(day)).find(({ id }) => id === 'work')!;
    expect((await rowOn('2027-01-30')).work).toEqual({
      issue: 'work-1',
      states: { planned: 1, edited: 1, passed: 1 },
      due: [
        { id: 'nets', name: 'nets', writer: 'Idris Vane', due: '2027-02-01' },
        { id: 'ropes', name: 'ropes', writer: 'Nell Astbury', due: '2027-02-03' },
      ],
    });
    // It is out: nothing is due.
    expect((await rowOn('2027-02-11')).work).toBeUndefined();
  });

  it('have one issue of a number on the shelf, whoever starts, renames or puts back at the same time', async () => {
    await insertPublication({ id: 'tides', name: 'Tides', kind: 'newsletter', frequency: 'monthly' });
    await insertDocument({ id: 'tides-house', publication: 'tides', kind: 'house', name: 'House' }, baseRecords(0));
    const start = (number: string) => newIssue('tides', { number, season: '', date: '2027-01-01', pages: 2 });
    const begun = await Promise.allSettled(['1', '1', '1', '2'].map(start));
    expect(begun.filter(({ status }) => status === 'fulfilled')).toHaveLength(2);
    const list = async () => (await listIssues()).filter(({ publication }) => publication === 'tides');
    const idOf = async (number: string) => (await list()).find((each) => each.number === number)!.id;
    const [one, two] = [await idOf('1'), await idOf('2')];
    const names = (number: string) => ({ number, season: '', publication: 'Tides' });
    await expect(renameIssue(two, names('1'))).rejects.toThrow('There is a No. 1 of it already.');
    // Its own number is no hindrance, and a number that is off the shelf is free.
    await renameIssue(two, { ...names('2'), season: 'Spring' });
    await setIssueRemoved(one, true);
    await renameIssue(two, names('1'));
    await expect(setIssueRemoved(one, false)).rejects.toThrow(/^There is another No\. 1 on the shelf/);
    const moved = await Promise.allSettled([renameIssue(two, names('7')), start('7')]);
    expect(moved.map(({ status }) => status).sort()).toEqual(['fulfilled', 'rejected']);
    if ((await list()).some((each) => each.id === two && each.number === '1')) await renameIssue(two, names('8'));
    await setIssueRemoved(one, false);
    const numbers = (await list()).map(({ number }) => number);
    expect(new Set(numbers).size).toBe(numbers.length);
    expect(numbers).toContain('1');
  });

  it('of an unknown kind or without a name are refused by the database itself', async () => {
    await expect(insertPublication({ id: 'x', name: '', kind: 'magazine', frequency: 'weekly' })).rejects.toThrow(
      /check constraint/,
    );
    await expect(insertPublication({ id: 'x', name: 'X', kind: 'scroll' as 'magazine', frequency: 'weekly' })).rejects.toThrow(
      /check constraint/,
    );
  });
});

describe('a change', () => {
  it('is numbered, kept, and changes the records', async () => {
    const id = await issue();
    const stored = await storeChange(id, change(captioned('', 'A')));
    expect(stored).toMatchObject({ seq: 1, author: 'me', label: 'Try', kind: 'edit', of: null });
    expect(new Date(stored.at).getTime()).toBeGreaterThan(Date.now() - 60_000);
    const { seq, records } = await loadRecords(id);
    expect(seq).toBe(1);
    expect(records.find((record) => record.id === 'pic')).toMatchObject({ caption: 'A' });
    expect((await documentHead(id)).seq).toBe(1);
  });

  it('sent twice is stored once', async () => {
    const id = await issue();
    const once = change(captioned('', 'A'));
    const [first, second] = [await storeChange(id, once), await storeChange(id, once)];
    expect(second).toEqual(first);
    expect(await changesAfter(id, 0)).toHaveLength(1);
  });

  it('adds, removes, and is turned back by its inverse', async () => {
    const id = await issue();
    const diff: Diff = {
      added: [pictureRecord('new')],
      updated: captioned('', 'B').updated,
      removed: [baseRecords().find((record) => record.id === 'tint')!],
      texts: [],
    };
    const { seq } = await storeChange(id, change(diff));
    const before = await loadRecords(id);
    expect(before.records.some((record) => record.id === 'tint')).toBe(false);
    await storeChange(id, change(inverted(diff), { kind: 'undo', of: seq }));
    const { records } = await loadRecords(id);
    expect(records.some((record) => record.id === 'new')).toBe(false);
    expect(records.find((record) => record.id === 'tint')).toEqual(baseRecords().find((record) => record.id === 'tint'));
    expect((await lastHeadings(id, 10)).map(({ kind, of }) => [kind, of])).toEqual([
      ['edit', null],
      ['undo', 1],
    ]);
  });

  it('to a record that is no longer as it was is refused, with that record as it is', async () => {
    const id = await issue();
    await storeChange(id, change(captioned('', 'theirs')));
    const refused = storeChange(id, change(captioned('', 'mine')));
    await expect(refused).rejects.toThrow(ConflictError);
    await expect(refused).rejects.toMatchObject({
      theirs: [expect.objectContaining({ id: 'pic', caption: 'theirs' }) as unknown],
    });
    await expect(storeChange(id, change({ ...NO_DIFF, added: [pictureRecord('pic')] }))).rejects.toThrow(ConflictError);
    await storeChange(id, change({ ...NO_DIFF, removed: [pictureRecord('pic', { caption: 'theirs' })] }));
    await expect(storeChange(id, change(captioned('theirs', 'late')))).rejects.toThrow(/removed/);
    expect((await loadRecords(id)).seq).toBe(2);
  });

  it('to another record goes through beside it', async () => {
    const id = await issue(textRecord('text', proseBody(10)));
    const words = proseBody(12, 1, 5);
    await Promise.all([
      storeChange(id, change(captioned('', 'A'))),
      storeChange(id, change(typing('text', done(proseBody(10), stepsBetween(proseBody(10), words))))),
    ]);
    const { seq, records } = await loadRecords(id);
    expect(seq).toBe(2);
    expect(bodyIn(records).eq(words)).toBe(true);
  });

  it('to another property of the same record is merged with what was done before, and stored as it was merged', async () => {
    const id = await issue();
    await storeChange(id, change(captioned('', 'theirs')));
    const before = pictureRecord('pic');
    const mine = change({ ...NO_DIFF, updated: [{ before, after: { ...before, credit: 'mine' } }] });
    const stored = await storeChange(id, mine);
    expect(stored.diff.updated).toEqual([
      { before: pictureRecord('pic', { caption: 'theirs' }), after: pictureRecord('pic', { caption: 'theirs', credit: 'mine' }) },
    ]);
    const { records } = await loadRecords(id);
    expect(records.find((record) => record.id === 'pic')).toMatchObject({ caption: 'theirs', credit: 'mine' });
    // Sent once more it is the same change, and under its id no other is.
    expect(await storeChange(id, mine)).toEqual(stored);
    await expect(storeChange(id, { ...mine, diff: storedDiff(captioned('theirs', 'x')) })).rejects.toThrow(/Another change/);
  });

  it('to a text goes by steps: refused by version where others were first, and never half', async () => {
    const body = plainBody('body', 'The kite that Fenn keeps.');
    const id = await issue(textRecord('text', body));
    const at = (words: string, offset: number, base: number, of = body) =>
      change(typing('text', done(of, typeWords(of, { paragraph: 0, offset }, words).steps)), { base });
    await storeChange(id, at('blue ', 4, 0));
    await expect(storeChange(id, at(' there', 24, 0))).rejects.toThrow(StaleError);
    const now = bodyIn((await loadRecords(id)).records);
    await storeChange(id, at(' there', 29, 1, now));
    expect(bodyText(bodyIn((await loadRecords(id)).records))).toBe('The blue kite that Fenn keeps there.');
    // What a text says of itself is another matter than its words.
    const quote = { ...textRecord('text', body), role: 'quote' as const };
    await storeChange(id, change({ ...NO_DIFF, updated: [{ before: textRecord('text', body), after: quote }] }));
    const { seq, records } = await loadRecords(id);
    expect(records.find((record) => record.id === 'text')).toMatchObject({ role: 'quote' });
    expect(bodyText(bodyIn(records))).toBe('The blue kite that Fenn keeps there.');
    await expect(storeChange(id, at('x', 0, 99))).rejects.toThrow(/the server does not have/);
    const steps = [{ stepType: 'replace', from: 4_000, to: 4_001 }];
    const broken = {
      ...change(NO_DIFF, { base: seq }),
      diff: { ...storedDiff(NO_DIFF), texts: [{ id: 'text', steps, back: [] }] },
    };
    await expect(storeChange(id, broken)).rejects.toThrow(InvalidChangeError);
    const half = { ...broken, id: 'half', diff: { ...broken.diff, added: [pictureRecord('half')] } };
    await expect(storeChange(id, half)).rejects.toThrow(InvalidChangeError);
    const gone = { ...broken, id: 'gone', diff: { ...broken.diff, texts: [{ id: 'ghost', steps: [], back: [] }] } };
    await expect(storeChange(id, gone)).rejects.toThrow(ConflictError);
    expect((await loadRecords(id)).records.some((record) => record.id === 'half')).toBe(false);
    await expect(
      takeChange(id, { ...broken, diff: { ...broken.diff, texts: [{ id: 'text', steps: [{ stepType: 'ghost' }], back: [] }] } }),
    ).rejects.toThrow(BadRequestError);
  });

  it('removes a text whatever form it was stored in, and not one that somebody wrote into', async () => {
    const id = await issue();
    const marks = ['strong', 'emphasis'].map((type) => ({ type }));
    const content = [{ type: 'paragraph', attrs: { style: 'body' }, content: [{ type: 'text', text: 'Wind', marks }] }];
    await query(cluster.url, "insert into record (document_id, id, kind, body, version) values ($1, 'text', 'text', $2, 0)", [
      id,
      JSON.stringify({ id: 'text', kind: 'text', role: 'body', body: { type: 'doc', content } }),
    ]);
    const before = readRecord((await loadRecords(id)).records.find((record) => record.id === 'text')!);
    const body = bodyIn((await loadRecords(id)).records);
    const removal = change({ ...NO_DIFF, removed: [before] });
    await storeChange(id, change(typing('text', done(body, typeWords(body, { paragraph: 0, offset: 4 }, '!').steps))));
    await expect(storeChange(id, removal)).rejects.toThrow(ConflictError);
    const now = bodyIn((await loadRecords(id)).records);
    await storeChange(
      id,
      change(typing('text', done(now, deleteAt(now, { paragraph: 0, offset: 5 }, true)!.steps)), { base: 1 }),
    );
    await storeChange(id, removal);
    expect((await loadRecords(id)).records.some((record) => record.id === 'text')).toBe(false);
  });

  it('leaves records in the order in which they came, as whoever made it has them', async () => {
    const swatch = (id: string, ink: number): DocumentRecord => ({ id, kind: 'swatch', name: id, cmyk: [ink, 0, 0, 0] });
    const id = await issue(...['z', 'm', 'a', 'q'].map((name) => swatch(name, 0)));
    let memory = readDocument((await loadRecords(id)).records);
    const orders = new Set<string>();
    for (let base = 0; base < 12; base++) {
      const at = ['z', 'm', 'a', 'q'][base % 4]!;
      const before = memory.records.get(at)!;
      const after = swatch(at, base / 12);
      const diffs: Diff[] =
        base < 8
          ? [{ ...NO_DIFF, updated: [{ before, after }] }]
          : [
              { ...NO_DIFF, removed: [before] },
              { ...NO_DIFF, added: [after] },
            ];
      for (const diff of diffs) {
        memory = applied(memory, diff);
        const { seq } = await loadRecords(id);
        await storeChange(id, change(diff, { base: seq }));
        const order = [...memory.records.keys()];
        expect((await loadRecords(id)).records.map((record) => record.id)).toEqual(order);
        orders.add(order.join());
      }
    }
    expect(orders.size).toBeGreaterThan(4);
  });

  it('of many who write at once is in the log as it is in the records', async () => {
    const id = await issue(textRecord('text', plainBody('body', 'Wind.')));
    const start = (await loadRecords(id)).records;
    const write = async (words: string): Promise<void> => {
      const { seq, records } = await loadRecords(id);
      const body = bodyIn(records);
      const diff = typing('text', done(body, typeWords(body, { paragraph: 0, offset: 0 }, words).steps));
      try {
        await storeChange(id, change(diff, { base: seq }));
      } catch (error) {
        if (!(error instanceof StaleError)) throw error;
        await write(words);
      }
    };
    const words = Array.from({ length: 12 }, (_, i) => `w${i} `);
    await Promise.all(words.map(write));
    const { records } = await loadRecords(id);
    for (const word of words) expect(bodyText(bodyIn(records)).split(word)).toHaveLength(2);
    const replayed = (await changesAfter(id, 0)).reduce((doc, { diff }) => applied(doc, readDiff(diff)), readDocument(start));
    expect(bodyText(find(replayed, 'text', 'text')!.body)).toBe(bodyText(bodyIn(records)));
  });

  it('made by forty at once is numbered without gaps, and of those to one record exactly one gets through', async () => {
    const id = await issue();
    const attempts = await Promise.allSettled(
      Array.from({ length: 40 }, (_, i) => storeChange(id, change(captioned('', `${i}`)))),
    );
    expect(attempts.filter(({ status }) => status === 'fulfilled')).toHaveLength(1);
    await Promise.all(
      Array.from({ length: 40 }, (_, i) => storeChange(id, change({ ...NO_DIFF, added: [pictureRecord(`new${i}`)] }))),
    );
    expect((await changesAfter(id, 0)).map(({ seq }) => seq)).toEqual(Array.from({ length: 41 }, (_, i) => i + 1));
  });

  it('to a document that is not there is refused', async () => {
    await expect(storeChange('nowhere', change(NO_DIFF))).rejects.toThrow(NoSuchDocumentError);
    await expect(loadRecords('nowhere')).rejects.toThrow(NoSuchDocumentError);
    await expect(documentHead('nowhere')).rejects.toThrow(NoSuchDocumentError);
  });

  it('is announced to whoever listens', async () => {
    const id = await issue();
    const heard = new Promise<number>((resolve) => {
      const stop = onChanges(id, (seq) => {
        if (seq === Infinity) void storeChange(id, change(captioned('', 'A')));
        else {
          stop();
          resolve(seq);
        }
      });
    });
    expect(await heard).toBe(1);
  });
});

describe('what records refer to', () => {
  const frame: DocumentRecord = {
    id: 'f',
    kind: 'frame',
    on: 'p1',
    side: 'both',
    box: { x: 50, y: 48, w: 90, h: 90 },
    order: 'a0',
    content: { type: 'picture', picture: 'pic', fit: 'fill' },
    wrap: { mode: 'none', standOff: 0, outline: 'alpha' },
    fill: { swatch: 'tint', tint: 1 },
  };
  const adding = (...added: DocumentRecord[]): Diff => ({ ...NO_DIFF, added });
  const removing = (...removed: DocumentRecord[]): Diff => ({ ...NO_DIFF, removed });
  const tint: DocumentRecord = { id: 'tint', kind: 'swatch', name: 'Tint', cmyk: [0, 0, 0.1, 0] };
  const written = async (id: string) => {
    const { rows } = await pool().query<{ from: string; to: string; kind: string }>(
      'select record_id as from, to_id as to, to_kind as kind from reference where document_id = $1 and record_id = any($2) order by 1, 2',
      [id, ['f', 'text']],
    );
    return rows.map(({ from, to, kind }) => `${from} ${to} ${kind}`);
  };

  it('is written down with them, and again whenever they change', async () => {
    const id = await issue();
    await storeChange(id, change(adding(frame)));
    expect(await written(id)).toEqual(['f p1 page', 'f pic picture', 'f tint swatch']);
    const { fill: _, ...bare } = frame;
    await storeChange(
      id,
      change({ ...NO_DIFF, updated: [{ before: frame, after: { ...bare, on: 'master' } as DocumentRecord }] }),
    );
    expect(await written(id)).toEqual(['f master master', 'f pic picture']);
    // Texts too, by what their steps leave in them.
    const text = textRecord('text', plainBody('body', 'Words'));
    await storeChange(id, change(adding(text)));
    const other = stepsBetween(text.body, plainBody('headline', 'Words'));
    await storeChange(id, change(typing('text', done(text.body, other)), { base: 3 }));
    expect(await written(id)).toContain('text headline paragraphStyle');
    expect(await written(id)).not.toContain('text body paragraphStyle');
  });

  it('must be there: what others removed meanwhile is not pointed at, and what they began to use is not removed', async () => {
    const id = await issue();
    await storeChange(id, change(removing(tint)));
    await expect(storeChange(id, change(adding(frame)))).rejects.toThrow(/It refers to something that is not there/);
    const { fill: _, ...bare } = frame;
    await storeChange(id, change(adding(bare as DocumentRecord)));
    const removal = storeChange(id, change(removing(pictureRecord('pic'))));
    await expect(removal).rejects.toBeInstanceOf(ConflictError);
    await expect(removal).rejects.toMatchObject({ theirs: [{ id: 'f' }] });
    // Nor of another kind.
    const wrong: DocumentRecord = { ...(bare as typeof frame), id: 'g', on: 'pic' };
    await expect(storeChange(id, change(adding(wrong)))).rejects.toBeInstanceOf(ConflictError);
    // A style that steps name is one too.
    const text = textRecord('text', plainBody('body', 'Words'));
    await storeChange(id, change(adding(text)));
    const steps = stepsBetween(text.body, plainBody('nowhere', 'Words'));
    await expect(storeChange(id, change(typing('text', done(text.body, steps)), { base: 3 }))).rejects.toBeInstanceOf(
      ConflictError,
    );
    expect((await loadRecords(id)).seq).toBe(3);
    // Both ends in one change are, in whichever order.
    const both = change({
      ...NO_DIFF,
      added: [
        { ...frame, id: 'h', fill: { swatch: 'new', tint: 1 } },
        { ...tint, id: 'new' },
      ],
    });
    await storeChange(id, both);
    await storeChange(id, change(inverted({ ...NO_DIFF, added: readDiff(both.diff).added })));
  });

  it('is held by the database, whoever forgets to ask', async () => {
    const id = await issue(frame);
    const around = (sql: string) =>
      transaction(async (client) => {
        await client.query(sql, [id]);
      });
    await expect(around("delete from record where document_id = $1 and id = 'tint'")).rejects.toMatchObject({ code: '23503' });
    await expect(
      around("insert into reference (document_id, record_id, to_id, to_kind) values ($1, 'f', 'nothing', 'swatch')"),
    ).rejects.toMatchObject({ code: '23503' });
    await expect(
      around("update record set kind = 'page', body = body || '{\"kind\": \"page\"}' where document_id = $1 and id = 'pic'"),
    ).rejects.toMatchObject({ code: '23503' });
    const lost = pictureRecord('lost', { blob: 'cd'.repeat(32) });
    await expect(storeChange(id, change(adding(lost)))).rejects.toMatchObject({ code: '23503' });
    expect((await loadRecords(id)).records.some((record) => record.id === 'tint')).toBe(true);
  });

  it('of a document from before is written down once; what pointed at nothing stays, opens, and can be changed', async () => {
    const id = nanoid(10);
    const broken: DocumentRecord = { ...frame, fill: { swatch: 'gone', tint: 1 } };
    await pool().query("insert into document (id, publication_id, kind, name) values ($1, 'longspar', 'issue', 'Old')", [id]);
    await pool().query(
      "insert into record (document_id, id, kind, body, version) select $1, b ->> 'id', b ->> 'kind', b, 0 from unnest($2::jsonb[]) b",
      [id, [...baseRecords(), pictureRecord('pic'), broken].map((record) => JSON.stringify(record))],
    );
    await referAll();
    await referAll();
    expect(await written(id)).toEqual(['f p1 page', 'f pic picture']);
    const moved: DocumentRecord = { ...broken, box: { ...broken.box, x: 60 } };
    await storeChange(id, change({ ...NO_DIFF, updated: [{ before: broken, after: moved }] }));
    // Pointing at something else that is not there is a new fault.
    const worse: DocumentRecord = { ...moved, fill: { swatch: 'gone too', tint: 1 } };
    await expect(storeChange(id, change({ ...NO_DIFF, updated: [{ before: moved, after: worse }] }))).rejects.toThrow(
      /not there/,
    );
    const mended: DocumentRecord = { ...moved, fill: { swatch: 'tint', tint: 1 } };
    await storeChange(id, change({ ...NO_DIFF, updated: [{ before: moved, after: mended }] }));
    expect(await written(id)).toContain('f tint swatch');
  });

  it('does not let an issue lose its last page', async () => {
    const id = await issue();
    const pages = baseRecords().filter(({ kind }) => kind === 'page');
    await takeChange(id, change(removing(pages[0]!)));
    await expect(takeChange(id, change(removing(pages[1]!)))).rejects.toThrow('The last page stays');
  });
});

describe('a change from outside', () => {
  const sent = (diff: unknown, more: object = {}) => ({
    id: 'c1',
    author: 'me',
    label: 'Try',
    kind: 'edit',
    base: 0,
    diff,
    ...more,
  });

  it('is taken when it is well formed', async () => {
    const id = await issue();
    expect(await takeChange(id, sent(captioned('', 'A')))).toMatchObject({ seq: 1 });
  });

  it.each([
    ['nothing', undefined],
    ['a diff without parts', sent({})],
    ['an undo of nothing', sent(NO_DIFF, { kind: 'undo' })],
    ['an edit of something', sent(NO_DIFF, { of: 1 })],
    [
      'a record that becomes another',
      sent({ ...NO_DIFF, updated: [{ before: pictureRecord('pic'), after: pictureRecord('other') }] }),
    ],
    [
      'a text that is none',
      sent({
        ...NO_DIFF,
        added: [
          {
            ...textRecord('t', proseBody(1)),
            body: { type: 'doc', content: [{ type: 'paragraph', content: [{ type: 'text', text: '' }] }] } as never,
          },
        ],
      }),
    ],
    ['the removal of the issue itself', sent({ ...NO_DIFF, removed: [baseRecords().find((record) => record.id === 'format')!] })],
    ['an order that is none', sent({ ...NO_DIFF, added: [pictureRecord('n', { order: 'b0' })] })],
  ])('is refused when it is %s', async (_what, input) => {
    const id = await issue();
    await expect(takeChange(id, input)).rejects.toThrow(BadRequestError);
    expect((await loadRecords(id)).seq).toBe(0);
  });
});

describe('files', () => {
  it('are kept in pieces under the hash of their content, once', async () => {
    const bytes = new Uint8Array(3_500_000).map((_, i) => (i * 31) % 251);
    const name = await putBlob('image/png', bytes);
    expect(await putBlob('image/png', bytes)).toBe(name);
    expect(await hasBlob(name)).toBe(true);
    const { rows } = await pool().query<{ count: number }>('select count(*)::int from blob_piece where sha256 = $1', [name]);
    expect(rows[0]!.count).toBe(4);
    const kept = await getBlob(name);
    expect(kept.media).toBe('image/png');
    expect(Buffer.compare(Buffer.from(kept.bytes), Buffer.from(bytes))).toBe(0);
    await expect(getBlob('0'.repeat(64))).rejects.toThrow(NoSuchBlobError);
  });

  it('are not kept half when something fails', async () => {
    await expect(
      transaction(async (client) => {
        await client.query("insert into blob (sha256, media, bytes) values ($1, 'x', 1)", ['f'.repeat(64)]);
        throw new Error('power cut');
      }),
    ).rejects.toThrow('power cut');
    expect(await hasBlob('f'.repeat(64))).toBe(false);
  });
});

describe('a document as it was', () => {
  it('is what it was at every change, whatever came after', async () => {
    const id = await issue();
    const states = [readDocument((await loadRecords(id)).records)];
    const text = textRecord('text', plainBody('body', 'Words'));
    const diffs: Diff[] = [
      { ...NO_DIFF, added: [text] },
      typing('text', done(text.body, typeWords(text.body, { paragraph: 0, offset: 5 }, ' more').steps)),
      captioned('', 'A caption'),
    ];
    for (const [base, diff] of diffs.entries()) {
      await storeChange(id, change(diff, { base }));
      states.push(readDocument((await loadRecords(id)).records));
    }
    for (const [seq, state] of states.entries()) {
      const was = await documentAt(id, seq);
      expect([...was.records.keys()].sort()).toEqual([...state.records.keys()].sort());
      for (const record of state.records.values()) expect(same(was.records.get(record.id), record)).toBe(true);
    }
  });
});

describe('deliveries', () => {
  it('go from waiting to done, or are cancelled and stay so', async () => {
    const document = await issue();
    const blob = await putBlob('application/pdf', new Uint8Array([1, 2, 3]));
    const make = async () => {
      const id = nanoid();
      await insertDelivery({
        id,
        document,
        seq: 0,
        options: { way: 'print', choices: WAYS.print.usual },
        fileName: 'a.pdf',
        job: null,
      });
      return id;
    };
    const first = await make();
    expect(await findDelivery(first)).toMatchObject({ state: 'waiting', done: 0 });
    expect(await noteProgress(first, 3, 8)).toBe(true);
    expect(await endDelivery(first, { state: 'done', blob })).toBe(true);
    expect(await findDelivery(first)).toMatchObject({ state: 'done', done: 8, total: 8, blob });
    const second = await make();
    expect(await endDelivery(second, { state: 'cancelled', message: 'Cancelled.' })).toBe(true);
    expect(await noteProgress(second, 1, 8)).toBe(false);
    expect(await endDelivery(second, { state: 'done', blob })).toBe(false);
    expect((await listDeliveries(document)).map(({ id }) => id)).toEqual([second, first]);
  });
});
