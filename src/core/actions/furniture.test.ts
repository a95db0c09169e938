import { describe, expect, it } from 'vitest';
import { document, flawOf } from '../../../tests/support/documents';
import { everything } from '../../../tests/support/everything';
import { bodyText, plainBody } from '../records/body';
import { standing } from '../page/beside';
import { applied } from '../records/diff';
import { all, type Document, framesOn, get } from '../records/document';
import type { Diff } from '../records/diff';
import type { FrameRecord } from '../records/index';
import { isThere, referencesOf } from '../records/references';
import { stored } from '../records/stored';
import { together } from '../records/together';
import { textIn } from '../records/kinds/frames';
import { setAppearance } from './appearance';
import { ActionError, Edit } from './edit';
import { placeFrames, removeFrames } from './frames';
import { furnitureOf, intoFurniture, keepFurniture, partFurniture, putDown, putFurniture, removeFurniture } from './furniture';

const doc = document(...everything);

function done(before: Document, diff: Diff): Document {
  const after = applied(before, diff);
  for (const record of [...diff.added, ...diff.updated.map((each) => each.after)]) expect(flawOf(record)).toBeUndefined();
  expect(together([...after.records.values()].map(stored))).toBeUndefined();
  // Nothing points at nothing.
  for (const record of after.records.values())
    for (const reference of referencesOf(record)) expect(isThere(after, reference), `${record.id} → ${reference.id}`).toBe(true);
  return after;
}

/** A panel, a caption and an empty picture kept as furniture, and put on the second page. */
function made(): { now: Document; furniture: string; there: readonly FrameRecord[] } {
  const kept = done(doc, keepFurniture(doc, ['panel', 'cap'], 'Fact file'));
  const furniture = all(kept, 'furniture').find(({ name }) => name === 'Fact file')!.id;
  const diff = putFurniture(kept, furniture, 'p2', { x: 100, y: 300 });
  const now = done(kept, diff);
  return { now, furniture, there: standing(diff.added).map((id) => get(now, 'frame', id)) };
}

const withoutPiece = ({ piece: _, ...frame }: FrameRecord): FrameRecord => frame;

describe('furniture', () => {
  it('keeps frames with what is in them, and the frames follow it', () => {
    const { now, furniture } = made();
    const parts = framesOn(now, furniture);
    expect(parts).toHaveLength(2);
    // From its own top left corner.
    expect([Math.min(...parts.map(({ box }) => box.x)), Math.min(...parts.map(({ box }) => box.y))]).toEqual([0, 0]);
    expect(furnitureOf(now, get(now, 'frame', 'panel'))?.id).toBe(furniture);
    const part = parts.find(({ content }) => content.type === 'text')!;
    expect(textIn(part)).not.toBe('caption');
    expect(bodyText(get(now, 'text', textIn(part)!).body)).toBe(bodyText(get(now, 'text', 'caption').body));
    expect(() => keepFurniture(now, ['pf'], 'Fact file')).toThrow(ActionError);
    expect(() => keepFurniture(now, ['pf', 'pf2'], 'Two pages')).toThrow(ActionError);
  });

  it('is put on pages as copies that are one group', () => {
    const { now, furniture, there } = made();
    expect(there).toHaveLength(2);
    expect(new Set(there.map(({ group }) => group)).size).toBe(1);
    expect(there[0]!.group).toBeDefined();
    const parts = framesOn(now, furniture);
    for (const frame of there) {
      const part = parts.find(({ id }) => id === frame.piece)!;
      expect(frame.box).toEqual({ ...part.box, x: part.box.x + 100, y: part.box.y + 300 });
    }
    expect(putDown(now, furniture)).toHaveLength(2);
  });

  it('is followed where it changes, but for what was filled or changed there', () => {
    const { now, furniture, there } = made();
    const words = there.find(({ content }) => content.type === 'text')!;
    const edit = new Edit(now);
    edit.put({ ...get(now, 'text', textIn(words)!), body: plainBody('body', 'Filled here') });
    const filled = done(now, edit.diff());
    const third = done(filled, putFurniture(filled, furniture, 'p3', { x: 10, y: 10 }));
    // On its own page the panel gets another border and moves; on the second page it has another fill.
    let next = done(third, setAppearance(third, ['panel'], { border: { swatch: 'ink', tint: 1, weight: 3 } }));
    const panel = there.find(({ content }) => content.type === 'panel')!;
    next = done(next, setAppearance(next, [panel.id], { fill: { swatch: 'ink', tint: 0.3 } }));
    const old = get(next, 'frame', 'panel');
    next = done(next, placeFrames(next, new Map([['panel', { on: 'p1', box: { ...old.box, w: old.box.w + 20 } }]])));
    const after = done(next, intoFurniture(next, ['panel', 'cap']));
    const follows = get(after, 'frame', panel.id);
    expect(follows.border).toMatchObject({ weight: 3 });
    expect(follows.fill).toEqual({ swatch: 'ink', tint: 0.3 });
    expect(follows.box.w).toBe(panel.box.w + 20);
    expect(bodyText(get(after, 'text', textIn(words)!).body)).toBe('Filled here');
    const untouched = framesOn(after, 'p3').find(({ content }) => content.type === 'panel')!;
    expect(untouched).toMatchObject({ border: { weight: 3 }, fill: get(doc, 'frame', 'panel').fill });
  });

  it('gains and loses parts everywhere', () => {
    const { now, furniture, there } = made();
    const group = get(now, 'frame', 'panel').group!;
    const more = applied(now, {
      added: [{ ...withoutPiece(get(now, 'frame', 'panel')), id: 'more', order: 'a9', group } as FrameRecord],
      removed: [],
      updated: [],
      texts: [],
    });
    const grown = done(more, intoFurniture(more, ['panel', 'cap', 'more']));
    expect(framesOn(grown, furniture)).toHaveLength(3);
    expect(framesOn(grown, 'p2').filter(({ group: own }) => own === there[0]!.group)).toHaveLength(3);
    const less = done(grown, removeFrames(grown, ['more']));
    const shrunk = done(less, intoFurniture(less, ['panel', 'cap']));
    expect(framesOn(shrunk, 'p2').filter(({ group: own }) => own === there[0]!.group)).toHaveLength(2);
  });

  it('is parted from, and removed, with what lies on pages left as it is', () => {
    const { now, furniture, there } = made();
    const parted = done(
      now,
      partFurniture(
        now,
        there.map(({ id }) => id),
      ),
    );
    expect(putDown(parted, furniture)).toHaveLength(1);
    const gone = done(now, removeFurniture(now, furniture));
    expect(all(gone, 'furniture')).toEqual([]);
    for (const { id, piece: _, ...frame } of there) expect(get(gone, 'frame', id)).toEqual({ id, ...frame });
    expect(all(gone, 'text')).toHaveLength(all(now, 'text').length - 1);
  });
});
