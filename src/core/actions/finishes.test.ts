import { describe, expect, it } from 'vitest';
import { document, flawOf } from '../../../tests/support/documents';
import { everything } from '../../../tests/support/everything';
import { finished } from '../page/finished';
import { all, get } from '../records/document';
import type { FrameRecord } from '../records/index';
import { applied as done } from '../records/diff';
import { setAppearance } from './appearance';
import {
  followFinish,
  framesOfFinish,
  giveFinish,
  giveLook,
  intoFinish,
  keepFinish,
  leaveFinish,
  removeFinish,
  setFinish,
} from './finishes';
import { setTextLayout, setWrap } from './frames';
import { ActionError } from './edit';

const doc = document(...everything);
const look = (of: typeof doc, id: string): FrameRecord => finished(of, get(of, 'frame', id));

describe('finishes', () => {
  it('keep the look of a frame by name, which looks as it did', () => {
    const after = done(doc, keepFinish(doc, 'panel', ' Plate '));
    const finish = all(after, 'finish').find(({ name }) => name === 'Plate')!;
    const { finish: _, ...now } = look(after, 'panel');
    expect(now).toEqual({ ...get(doc, 'frame', 'panel'), wrap: get(doc, 'frame', 'panel').wrap });
    expect(get(after, 'frame', 'panel')).not.toHaveProperty('fill');
    expect(finish.look.shadow).toEqual(get(doc, 'frame', 'panel').shadow);
    expect(() => keepFinish(after, 'pf', 'Plate')).toThrow(ActionError);
    expect(() => keepFinish(after, 'pf', '  ')).toThrow(ActionError);
  });

  it('give a look only: crop, text, place and rotation stay', () => {
    const turned = done(doc, setAppearance(doc, ['pf'], { rotation: 12, opacity: 0.5 }));
    const after = done(turned, giveFinish(turned, ['pf', 'f1', 'rule'], 'finish'));
    const picture = look(after, 'pf');
    expect(picture.content).toEqual(get(doc, 'frame', 'pf').content);
    expect([picture.box, picture.rotation]).toEqual([get(doc, 'frame', 'pf').box, 12]);
    expect(picture.opacity).toBeUndefined();
    expect(picture.shape).toEqual({ type: 'rounded', radius: 4 });
    expect(picture.wrap).toEqual({ mode: 'frame', standOff: 6, outline: picture.wrap.outline });
    const text = look(after, 'f1');
    expect(text.content).toMatchObject({ type: 'text', text: 'text', columns: 2, inset: 5 });
    // A rule has no form and no edge.
    expect(look(after, 'rule')).not.toHaveProperty('border');
    expect(look(after, 'rule')).not.toHaveProperty('shape');
  });

  it('are changed in one place, everywhere at once', () => {
    const given = done(doc, giveFinish(doc, ['pf', 'panel'], 'finish'));
    const after = done(given, setFinish(given, 'finish', { look: { fill: { swatch: 'ink', tint: 0.8 } } }));
    for (const id of ['pf', 'panel']) expect(look(after, id).fill).toEqual({ swatch: 'ink', tint: 0.8 });
    // What a frame says otherwise stays.
    expect(look(after, 'finished').fill).toEqual({ swatch: 'ink', tint: 0.1 });
  });

  it('know what a frame says otherwise, which is taken back or made the finish', () => {
    let now = done(doc, giveFinish(doc, ['pf', 'f1'], 'finish'));
    now = done(now, setAppearance(now, ['pf'], { border: undefined }));
    now = done(now, setWrap(now, ['pf'], { standOff: 20 }));
    now = done(now, setTextLayout(now, ['f1'], { inset: 9 }));
    expect(get(now, 'frame', 'pf').own).toEqual(['border', 'wrap']);
    expect(look(now, 'pf').border).toBeUndefined();
    expect(look(now, 'pf').wrap).toMatchObject({ mode: 'frame', standOff: 20 });
    expect(look(now, 'f1').content).toMatchObject({ inset: 9 });
    const back = done(now, followFinish(now, ['pf']));
    expect(look(back, 'pf').border).toEqual({ swatch: 'ink', tint: 1, weight: 0.5 });
    const made = done(now, intoFinish(now, 'pf'));
    expect(get(made, 'frame', 'pf')).not.toHaveProperty('own');
    expect(look(made, 'f1').border).toBeUndefined();
    expect(get(made, 'finish', 'finish').look.inset).toBe(5);
  });

  it('are left, or removed, without a frame looking otherwise', () => {
    const given = done(doc, giveFinish(doc, ['pf'], 'finish'));
    for (const after of [done(given, leaveFinish(given, ['pf', 'finished'])), done(given, removeFinish(given, 'finish'))])
      for (const id of ['pf', 'finished']) {
        const { finish: _, own: __, ...before } = look(given, id);
        expect(get(after, 'frame', id)).toEqual(before);
        expect(flawOf(get(after, 'frame', id))).toBeUndefined();
      }
    const other = done(given, keepFinish(given, 'panel', 'Plate'));
    const plate = all(other, 'finish').find(({ name }) => name === 'Plate')!.id;
    const after = done(other, removeFinish(other, 'finish', plate));
    expect(
      framesOfFinish(after, plate)
        .map(({ id }) => id)
        .sort(),
    ).toEqual(['finished', 'panel', 'pf']);
  });

  it('come along when a look is given from frame to frame', () => {
    const after = done(doc, giveLook(doc, ['pf', 'panel'], get(doc, 'frame', 'finished')));
    expect(get(after, 'frame', 'pf')).toMatchObject({ finish: 'finish', own: ['fill'], fill: { swatch: 'ink', tint: 0.1 } });
    const plain = done(doc, giveLook(doc, ['pf', 'finished'], get(doc, 'frame', 'panel')));
    expect(get(plain, 'frame', 'pf')).toMatchObject({ fill: { swatch: 'tint', tint: 1 }, shadow: { dx: 1 } });
    expect(get(plain, 'frame', 'finished')).not.toHaveProperty('finish');
  });
});
