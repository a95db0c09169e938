import { describe, expect, it } from 'vitest';
import { baseRecords, document, flawOf } from '../../../tests/support/documents';
import { mm } from '../length/length';
import { drawnGuides } from '../page/guides';
import { spreads } from '../page/pages';
import { applied } from '../records/diff';
import { type Document, get } from '../records/document';
import { MOST_GUIDES } from '../records/page';
import { addGuide, clearGuides, moveGuide, removeGuide } from './guides';

// Pages of 400 × 600 pt: the first a right one, then 2 and 3 facing.
const doc = document(...baseRecords(3));
const done = (of: Document, ...how: ((now: Document) => ReturnType<typeof addGuide>)[]) =>
  how.reduce((now, each) => applied(now, each(now)), of);
const guides = (of: Document, page: string) => get(of, 'page', page).guides ?? [];

describe('guides on pages', () => {
  const drawn = done(
    doc,
    (now) => addGuide(now, 'p2', { direction: 'upright', at: 120 }),
    (now) => addGuide(now, 'p2', { direction: 'level', at: 300, spread: true }),
    (now) => addGuide(now, 'p3', { direction: 'level', at: 90 }),
  );

  it('are stored with their page, in its own coordinates', () => {
    expect(guides(drawn, 'p2')).toEqual([
      { direction: 'upright', at: 120 },
      { direction: 'level', at: 300, spread: true },
    ]);
    expect(flawOf(get(drawn, 'page', 'p2'))).toBeUndefined();
  });

  it('lie on the spread where their page does, and over both pages where they are said to', () => {
    const list = drawnGuides(spreads(drawn)[1]!, 400, 600).map(({ at, from, to }) => [at, from, to]);
    expect(list).toEqual([
      [120, 0, 600],
      [300, 0, 800],
      [90, 400, 800],
    ]);
  });

  it('move on their page and to another, and are removed', () => {
    const moved = done(drawn, (now) => moveGuide(now, { page: 'p2', index: 0 }, 'p3', { direction: 'upright', at: 40 }));
    expect(guides(moved, 'p2')).toHaveLength(1);
    expect(guides(moved, 'p3')).toContainEqual({ direction: 'upright', at: 40 });
    const less = done(drawn, (now) => removeGuide(now, { page: 'p2', index: 0 }));
    expect(guides(less, 'p2').map(({ direction }) => direction)).toEqual(['level']);
    const none = done(drawn, (now) => clearGuides(now, ['p2', 'p3']));
    expect(none.records.get('p2')).not.toHaveProperty('guides');
  });

  it('are refused in a sentence beside the page, when they are gone, and when there are too many', () => {
    expect(() => addGuide(doc, 'p1', { direction: 'upright', at: 400 + mm(21) })).toThrow('at most 20 mm beside it');
    expect(() => addGuide(doc, 'p1', { direction: 'level', at: NaN })).toThrow('lies on its page');
    expect(() => moveGuide(doc, { page: 'p1', index: 0 }, 'p1', { direction: 'level', at: 1 })).toThrow('no longer there');
    expect(() => addGuide(doc, 'gone', { direction: 'level', at: 1 })).toThrow('no longer in the issue');
    let many = doc;
    for (let i = 0; i < MOST_GUIDES; i++) many = done(many, (now) => addGuide(now, 'p1', { direction: 'level', at: i }));
    expect(() => addGuide(many, 'p1', { direction: 'level', at: 1 })).toThrow(`at most ${MOST_GUIDES} guides`);
  });
});
