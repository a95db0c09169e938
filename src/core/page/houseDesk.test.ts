import { describe, expect, it } from 'vitest';
import { baseRecords, document, pictureFrame, textFrame, textRecord, flawOf } from '../../../tests/support/documents';
import { addMarginText } from '../actions/markOut';
import { placeFrames, removeFrames } from '../actions/frames';
import { partFrames } from '../actions/masters';
import { putSlot } from '../actions/slots';
import { plainBody } from '../records/body';
import { applied, type Diff } from '../records/diff';
import { all, type Document, framesOn, get } from '../records/document';
import type { MasterRecord } from '../records/index';
import { deskPage, masterOnDesk, mastersDesk, realMasters, recurringDesk } from './houseDesk';
import { inheritedFrames, placedPage, spreads } from './pages';

const base = baseRecords(0).filter(({ id }) => id !== 'issue');
const news: MasterRecord = {
  ...(base.find(({ id }) => id === 'master') as MasterRecord),
  id: 'news',
  name: 'News',
  basedOn: 'master',
};
const house = document(
  ...base,
  news,
  textRecord('t', plainBody('body', 'Folio'), { role: 'furniture' }),
  { ...textFrame('left', 't', 'master', { x: 50, y: 560, w: 90, h: 12 }), side: 'left' },
  pictureFrame('both', undefined, 'master', { x: 0, y: 0, w: 400, h: 20 }),
  { ...pictureFrame('own', undefined, 'news', { x: 50, y: 48, w: 90, h: 60 }), side: 'right' },
);
const desk = mastersDesk('Longspar');
const seen = desk.look(house);

/** The house after something was done on its desk. */
function after(diff: Diff, of: Document = house): Document {
  const back = desk.back(diff, of);
  for (const record of [...back.added, ...back.updated.map(({ after: now }) => now)]) expect(flawOf(record)).toBeUndefined();
  return applied(of, back);
}

describe('masters on the desk', () => {
  it('lie there as spreads, a left page and a right one, by name', () => {
    expect(spreads(seen).map((pages) => pages.map(({ page, side }) => [page.id, side]))).toEqual([
      [
        ['news--l', 'left'],
        ['news--r', 'right'],
      ],
      [
        ['master--l', 'left'],
        ['master--r', 'right'],
      ],
    ]);
    expect(framesOn(seen, 'master--l').map(({ id }) => id)).toEqual(['left', 'both--l']);
    expect(framesOn(seen, 'master--r').map(({ id }) => id)).toEqual(['both']);
    expect(masterOnDesk(deskPage('news', 'left'))).toBe('news');
    expect(
      realMasters(seen)
        .map(({ id }) => id)
        .sort(),
    ).toEqual(['master', 'news']);
    // What a master takes from the one it is based on shows on its spread.
    expect(inheritedFrames(seen, placedPage(seen, 'news--l')!).map(({ id }) => id)).toEqual(['left--base', 'both--base']);
    const single = desk.look(
      document(...base.map((record) => (record.kind === 'format' ? { ...record, facing: false } : record)), news),
    );
    expect(spreads(single).map((pages) => pages.length)).toEqual([1, 1]);
  });

  it('take what is done there: moved to the other side, added, removed, of both sides at once', () => {
    const box = { x: 60, y: 560, w: 90, h: 12 };
    expect(get(after(placeFrames(seen, new Map([['left', { on: 'master--r', box }]]))), 'frame', 'left')).toMatchObject({
      side: 'right',
      on: 'master',
      box,
    });
    // A frame for both sides is one frame, whichever of its places is moved.
    const moved = after(placeFrames(seen, new Map([['both--l', { on: 'master--l', box: { x: 0, y: 0, w: 400, h: 30 } }]])));
    expect(get(moved, 'frame', 'both')).toMatchObject({ side: 'both', on: 'master', box: { h: 30 } });
    expect(moved.records.has('both--l')).toBe(false);
    const fewer = after(removeFrames(seen, ['both--l']));
    expect(fewer.records.has('both')).toBe(false);
    const folios = after(addMarginText(seen, ['news--l', 'news--r'], 'folio'));
    expect(
      framesOn(folios, 'news')
        .map(({ side }) => side)
        .sort(),
    ).toEqual(['left', 'right', 'right']);
    const flow = after(putSlot(seen, { page: 'news--l', box: { x: 50, y: 48, w: 300, h: 504 }, takes: 'flow' }));
    expect(framesOn(flow, 'news').find(({ content }) => content.type === 'slot')).toMatchObject({ side: 'left', on: 'news' });
    // Pages and the issue that the desk adds are none of the house.
    expect(all(folios, 'page')).toEqual([]);
    expect(folios.records.has('issue')).toBe(false);
  });

  it('part what they take from their base, in the base’s own name', () => {
    const parted = after(partFrames(seen, 'news--l', ['left--base']));
    const own = framesOn(parted, 'news').find(({ of }) => of !== undefined)!;
    expect(own).toMatchObject({ of: 'left', side: 'left' });
    const again = desk.look(parted);
    expect(inheritedFrames(again, placedPage(again, 'news--l')!).map(({ id }) => id)).toEqual(['both--base']);
  });
});

describe('recurring pages on the desk', () => {
  it('are the house itself, with an issue for its fields', () => {
    const view = recurringDesk('Longspar');
    const shown = view.look(house);
    expect(get(shown, 'issue', 'issue').publication).toBe('Longspar');
    const diff = {
      added: [{ id: 'p', kind: 'page', order: 'a0', master: 'news' }],
      updated: [],
      removed: [],
      texts: [],
    } as const;
    expect(view.back({ ...diff, added: [...diff.added, get(shown, 'issue', 'issue')] }, house).added).toEqual(diff.added);
  });
});
