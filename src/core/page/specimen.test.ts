import { describe, expect, it } from 'vitest';
import { baseRecords, document, pictureFrame, prose } from '../../../tests/support/documents';
import { framesOn, get, threadOf } from '../records/document';
import type { MasterRecord } from '../records/index';
import { spreads } from './pages';
import { SPECIMEN_TEXT, specimenDocument } from './specimen';

const text = { publication: 'Longspar', paragraphs: [prose(80, 1), prose(60, 2)], style: 'body' };
const house = (master: Partial<MasterRecord>) =>
  document(
    ...baseRecords(2).map((record) => (record.kind === 'master' ? { ...record, ...master } : record)),
    pictureFrame('furniture', undefined, 'master', { x: 0, y: 0, w: 10, h: 10 }),
    pictureFrame('model', undefined, 'p1', { x: 0, y: 0, w: 10, h: 10 }),
  );

describe('a specimen', () => {
  it('fills every text column of a spread, in reading order, and shows what the master shows', () => {
    const made = specimenDocument(house({ textSpan: 1 }), 'master', text);
    expect(spreads(made).map((pages) => pages.length)).toEqual([1, 2]);
    const thread = threadOf(made, SPECIMEN_TEXT);
    expect(thread.map(({ on, box }) => [on, Math.round(box.x)])).toEqual([
      ['specimen-2', 50],
      ['specimen-2', 155],
      ['specimen-2', 260],
      ['specimen-3', 50],
      ['specimen-3', 155],
      ['specimen-3', 260],
    ]);
    expect(framesOn(made, 'master').map(({ id }) => id)).toEqual(['furniture']);
    expect(made.records.has('model')).toBe(false);
    expect(get(made, 'text', SPECIMEN_TEXT).body.childCount).toBeGreaterThan(10);
  });

  it('leaves over the outer column on both pages, or the same one where left pages repeat right ones', () => {
    const xs = (pattern?: 'repeated') => {
      const own = house({ textSpan: 2 });
      const of = pattern ? document(...[...own.records.values()].map((r) => (r.kind === 'format' ? { ...r, pattern } : r))) : own;
      return threadOf(specimenDocument(of, 'master', text), SPECIMEN_TEXT).map(({ box }) => Math.round(box.x));
    };
    expect(xs()).toEqual([155, 50]);
    expect(xs('repeated')).toEqual([50, 50]);
  });

  it('has as many columns as there are, in order', () => {
    const thread = threadOf(specimenDocument(house({ columns: 12, gutter: 4 }), 'master', text), SPECIMEN_TEXT);
    const left = thread.filter(({ on }) => on === 'specimen-2').map(({ box }) => box.x);
    expect(left).toHaveLength(12);
    expect([...left].sort((a, b) => a - b)).toEqual(left);
  });
});
