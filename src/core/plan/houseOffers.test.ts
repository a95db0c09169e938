import { describe, expect, it } from 'vitest';
import { baseRecords, document, pictureFrame, textFrame, textRecord, flawOf } from '../../../tests/support/documents';
import { plainBody } from '../records/body';
import { applied, type Diff } from '../records/diff';
import { type Document, get } from '../records/document';
import type { DocumentRecord, IssueRecord, MasterRecord, ParagraphStyleRecord } from '../records/index';
import { type HouseChange, leaveOffer, offersFor, takeOffer, takeOffers } from './houseOffers';

const base = baseRecords(2);
const issue = document(
  ...base.map((record) =>
    record.kind === 'issue' ? ({ ...record, house: { seq: 4, settled: {} } } satisfies IssueRecord) : record,
  ),
  textRecord('t', plainBody('body', 'Words'), { role: 'furniture' }),
  textFrame('f', 't', 'p1', { x: 50, y: 48, w: 90, h: 504 }),
);

function done(doc: Document, diff: Diff): Document {
  for (const { after } of diff.updated) expect(flawOf(after)).toBeUndefined();
  return applied(doc, diff);
}

const changed = (now: DocumentRecord, seq: number): HouseChange => ({ id: now.id, kind: now.kind, now, seq });
const style = (of: Partial<ParagraphStyleRecord['properties']>): ParagraphStyleRecord => ({
  ...get(issue, 'paragraphStyle', 'body'),
  properties: { size: 9, leading: 12, ...of },
});

describe('changes of a house', () => {
  it('are offered as far as they are new and the issue says otherwise', () => {
    const changes = [
      changed(style({ size: 10, italic: true }), 5),
      // What the issue knew when it began is not offered, nor what it says the same.
      changed({ ...get(issue, 'paragraphStyle', 'headline'), name: 'Old' }, 3),
      changed(get(issue, 'paragraphStyle', 'pullQuote'), 6),
      changed(pictureFrame('new', undefined, 'master', { x: 0, y: 0, w: 50, h: 50 }), 6),
      changed(pictureFrame('elsewhere', undefined, 'no-master', { x: 0, y: 0, w: 50, h: 50 }), 6),
      { id: 'tint', kind: 'swatch', now: undefined, seq: 7 } as const,
      { id: 'never-had', kind: 'swatch', now: undefined, seq: 7 } as const,
    ];
    expect(offersFor(issue, changes).map(({ name, words }) => [name, words])).toEqual([
      ['Paragraph style Body', 'Size 9 pt → 10 pt, Italic unset → on'],
      ['Frame of a master: Text', 'new'],
      ['Colour Tint', 'removed'],
    ]);
    expect(offersFor(document(...base), changes)).toEqual([]);
  });

  it('are taken or left one by one, and offered no more until they change again', () => {
    const change = changed(style({ size: 10 }), 5);
    const taken = done(issue, takeOffer(issue, change, [change]));
    expect(get(taken, 'paragraphStyle', 'body').properties.size).toBe(10);
    expect(offersFor(taken, [change])).toEqual([]);
    const left = done(issue, leaveOffer(issue, change));
    expect(get(left, 'paragraphStyle', 'body').properties.size).toBe(9);
    expect(offersFor(left, [change])).toEqual([]);
    expect(offersFor(left, [changed(style({ size: 11 }), 8)])).toHaveLength(1);
    const removed = { id: 'tint', kind: 'swatch', now: undefined, seq: 7 } as const;
    expect(done(issue, takeOffer(issue, removed, [])).records.has('tint')).toBe(false);
    expect(() => takeOffer(issue, { id: 'body', kind: 'paragraphStyle', now: undefined, seq: 7 }, [])).toThrow(
      '“Body” is used by',
    );
  });

  it('are taken together as one change', () => {
    const changes = [changed(style({ size: 10 }), 5), { id: 'tint', kind: 'swatch', now: undefined, seq: 7 } as const];
    const taken = done(issue, takeOffers(issue, changes, changes));
    expect(get(taken, 'paragraphStyle', 'body').properties.size).toBe(10);
    expect(taken.records.has('tint')).toBe(false);
    expect(get(taken, 'issue', 'issue').house!.settled).toEqual({ body: 5, tint: 7 });
    expect(offersFor(taken, changes)).toEqual([]);
  });

  it('of a grid let what lies on it lie on it again', () => {
    const grid: MasterRecord = { ...get(issue, 'master', 'master'), columns: 2, name: 'Text, wide' };
    const taken = done(issue, takeOffer(issue, changed(grid, 5), []));
    expect(get(taken, 'master', 'master')).toMatchObject({ columns: 2, name: 'Text, wide' });
    // The first of three columns becomes the first of two: (300 − 15) / 2.
    expect(get(taken, 'frame', 'f').box).toEqual({ x: 50, y: 48, w: 142.5, h: 504 });
  });
});
