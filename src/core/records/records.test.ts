import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { baseRecords, pictureFrame, pictureRecord, proseBody, textFrame, textRecord } from '../../../tests/support/documents';
import {
  bodyOf,
  bodyText,
  checkBody,
  countWords,
  docOf,
  fieldOf,
  lineBreak,
  paragraphOf,
  paragraphsOf,
  plainBody,
  plainParagraphs,
  plainText,
  textOf,
} from './body';
import { readRecord, stored, type StoredRecord } from './stored';
import { applied, between, DiffError, inverted, isEmpty, NO_DIFF, touched } from './diff';
import { all, byOrder, documentOf, find, framesOn, get, MissingRecordError, threadOf } from './document';
import type { DocumentRecord } from './index';
import { same } from './same';
import { changeSchema, SCHEMAS } from './schemas';

const records: DocumentRecord[] = [
  ...baseRecords(2),
  pictureRecord('pic'),
  textRecord('text', proseBody(30)),
  textFrame('f2', 'text', 'p1', { x: 0, y: 0, w: 10, h: 10 }, { order: 'a1' }, 'a1'),
  textFrame('f1', 'text', 'p2', { x: 0, y: 0, w: 10, h: 10 }, { order: 'a0' }, 'a0'),
  pictureFrame('pf', 'pic', 'p1', { x: 0, y: 0, w: 10, h: 10 }),
];

describe('a document', () => {
  const doc = documentOf(records);

  it('finds its records by kind and id', () => {
    expect(get(doc, 'picture', 'pic').name).toBe('pic');
    expect(find(doc, 'picture', 'text')).toBeUndefined();
    expect(find(doc, 'picture', undefined)).toBeUndefined();
    expect(() => get(doc, 'frame', 'pic')).toThrow(MissingRecordError);
  });

  it('lists pages and frames in their order, and threads in theirs', () => {
    expect(all(doc, 'page').map(({ id }) => id)).toEqual(['p1', 'p2']);
    expect(framesOn(doc, 'p1').map(({ id }) => id)).toEqual(['f2', 'pf']);
    expect(threadOf(doc, 'text').map(({ id }) => id)).toEqual(['f1', 'f2']);
    expect(threadOf(doc, 'nothing')).toEqual([]);
    expect(byOrder({ order: 'a', id: 'x' }, { order: 'a', id: 'y' })).toBe(-1);
  });
});

describe('a diff', () => {
  const pool = records.map((record) => record.id);
  const change = fc.record({
    remove: fc.subarray(pool),
    update: fc.subarray(pool),
    add: fc.array(fc.stringMatching(/^new[a-z]{1,4}$/), { maxLength: 4 }),
  });

  const after = ({ remove, update, add }: { remove: string[]; update: string[]; add: string[] }) => {
    const doc = documentOf(records);
    const map = new Map(doc.records);
    for (const id of update) map.set(id, { ...map.get(id)! });
    for (const id of remove) map.delete(id);
    for (const id of add) map.set(id, pictureRecord(id));
    return { doc, next: { records: map } };
  };

  it('between two documents leads from one to the other, and back', () => {
    fc.assert(
      fc.property(change, (how) => {
        const { doc, next } = after(how);
        const diff = between(doc, next);
        expect(new Map(applied(doc, diff).records)).toEqual(next.records);
        expect(new Map(applied(applied(doc, diff), inverted(diff)).records)).toEqual(doc.records);
        expect(inverted(inverted(diff))).toEqual(diff);
      }),
      { seed: 5 },
    );
  });

  it('names what it touches', () => {
    const { doc, next } = after({ remove: ['pic'], update: ['format'], add: ['newa'] });
    expect(touched(between(doc, next))).toEqual(new Set(['pic', 'format', 'newa']));
    expect(isEmpty(between(doc, doc))).toBe(true);
    expect(applied(doc, NO_DIFF)).toBe(doc);
  });

  it('is refused where it does not fit', () => {
    const doc = documentOf(records);
    const gone = pictureRecord('gone');
    expect(() => applied(doc, { ...NO_DIFF, removed: [gone] })).toThrow(DiffError);
    expect(() => applied(doc, { ...NO_DIFF, updated: [{ before: gone, after: gone }] })).toThrow(/no picture/);
    expect(() => applied(doc, { ...NO_DIFF, added: [pictureRecord('pic')] })).toThrow(/already/);
  });
});

describe('sameness', () => {
  it('does not mind the order of keys, nor keys that are undefined', () => {
    expect(same({ a: 1, b: [1, { c: 2 }] }, { b: [1, { c: 2 }], a: 1 })).toBe(true);
    expect(same({ a: 1, b: undefined }, { a: 1 })).toBe(true);
    expect(same({ a: 1 }, { a: 1, b: 2 })).toBe(false);
    expect(same([1, 2], [2, 1])).toBe(false);
    expect(same([1], { 0: 1 })).toBe(false);
    expect(same(null, {})).toBe(false);
    expect(same('a', 'a')).toBe(true);
  });

  it('survives a round trip through JSON for every record', () => {
    for (const record of records) expect(same(readRecord(JSON.parse(JSON.stringify(record)) as StoredRecord), record)).toBe(true);
  });
});

describe('schemas', () => {
  it('take every record as it is made', () => {
    for (const record of records) {
      const { error } = SCHEMAS[record.kind].validate(JSON.parse(JSON.stringify(record)), { convert: false });
      expect(error, record.id).toBeUndefined();
    }
  });

  const diff = (added: unknown[]): unknown => ({
    id: 'c1',
    author: 'me',
    label: 'Try',
    kind: 'edit',
    base: 0,
    diff: { added, updated: [], removed: [], texts: [] },
  });
  const accepts = (record: unknown) => changeSchema.validate(diff([record]), { convert: false }).error === undefined;

  it('take a change', () => {
    expect(accepts(records[0])).toBe(true);
  });

  it.each([
    ['an unknown kind', { id: 'x', kind: 'ghost' }],
    ['a strange id', { ...pictureRecord('pic'), id: '../x' }],
    ['a field nobody knows', { ...pictureRecord('pic'), evil: 1 }],
    ['a blob that is no SHA-256', { ...pictureRecord('pic'), blob: 'abc' }],
    ['a box of text', { ...textFrame('f', 't', 'p', { x: 0, y: 0, w: 1, h: 1 }), box: 'everywhere' }],
    ['a negative width', { ...textFrame('f', 't', 'p', { x: 0, y: 0, w: -1, h: 1 }) }],
    ['content of no type', { ...textFrame('f', 't', 'p', { x: 0, y: 0, w: 1, h: 1 }), content: { type: 'film' } }],
    ['0 columns', textFrame('f', 't', 'p', { x: 0, y: 0, w: 1, h: 1 }, { columns: 0 })],
    ['a body without paragraphs', { ...stored(textRecord('t', plainBody('body'))), body: { type: 'doc', content: [] } }],
    ['a number as text', { ...pictureRecord('pic'), width: '1000' }],
    ['ink of more than all', { id: 's', kind: 'swatch', name: 's', cmyk: [2, 0, 0, 0] }],
  ])('refuse %s', (_what, record) => {
    expect(accepts(record)).toBe(false);
  });
});

describe('a body', () => {
  const body = docOf([
    paragraphOf({ style: 'body' }, [textOf('Wind'), lineBreak(), fieldOf({ name: 'folio' })]),
    ...plainParagraphs('body', 'Two words'),
  ]);

  it('is checked against the schema', () => {
    expect(() => checkBody(body)).not.toThrow();
    expect(() => checkBody(plainBody('body', ''))).not.toThrow();
    const refused = (...content: unknown[]) => expect(() => bodyOf({ type: 'doc', content })).toThrow(RangeError);
    refused();
    refused({ type: 'table' });
    refused({ type: 'ghost' });
    refused({ type: 'paragraph', attrs: { style: 'b' }, content: [{ type: 'text', text: '' }] });
    refused({ type: 'paragraph', attrs: { style: '../b' } });
    refused({ type: 'paragraph', attrs: { style: 'b', list: { kind: 'star', level: 0 } } });
    refused({ type: 'paragraph', attrs: { style: 'b', list: { kind: 'bullet', level: 0, evil: 1 } } });
    refused({ type: 'paragraph', attrs: { style: 'b' }, content: [{ type: 'field', attrs: { name: 'ghost' } }] });
    refused({ type: 'figure', attrs: { picture: 'p', width: 1e9 } });
    const row = { type: 'row', content: [{ type: 'cell', content: [{ type: 'paragraph' }] }] };
    const attrs = { columns: [{ share: 1 }], headerRows: 0, inset: 0 };
    expect(bodyOf({ type: 'doc', content: [{ type: 'table', attrs, content: [row] }] }).childCount).toBe(1);
    refused({ type: 'table', attrs: { ...attrs, columns: [] }, content: [row] });
    refused({ type: 'table', attrs: { ...attrs, columns: [{ share: 0 }] }, content: [row] });
    refused({ type: 'table', attrs: { ...attrs, rules: { rows: { weight: 1 } } }, content: [row] });
  });

  it('gives its plain text', () => {
    expect(plainText(paragraphsOf(body)[0]!)).toBe('Wind\u2028\uFFFC');
    expect(bodyText(body)).toBe('Wind\u2028\uFFFC\nTwo words');
  });

  it('counts words by letters and figures', () => {
    expect(countWords('It’s 11 kites — no more, “no” less.')).toBe(7);
    expect(countWords(' — … ')).toBe(0);
  });
});
