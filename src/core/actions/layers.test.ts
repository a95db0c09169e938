import { describe, expect, it } from 'vitest';
import { baseRecords, document, pictureFrame, pictureRecord, textFrame, textRecord } from '../../../tests/support/documents';
import { composerFor } from '../../../tests/support/faces';
import { plainBody } from '../records/body';
import { asDelivered, isLocked, isShown } from '../page/layers';
import { applied } from '../records/diff';
import { all, type Document, get } from '../records/document';
import { placeFrames } from './frames';
import { addLayer, putOnLayer, removeLayer, setLayer } from './layers';

const BOX = { x: 50, y: 48, w: 90, h: 200 };
const doc = document(
  ...baseRecords(),
  textRecord('en', plainBody('body', 'The wind turns at noon.')),
  textRecord('de', plainBody('body', 'Mittags dreht der Wind.')),
  textFrame('f-en', 'en', 'p1', BOX),
  textFrame('f-de', 'de', 'p1', BOX),
  pictureRecord('pic', { width: 400, height: 300 }),
  pictureFrame('note', 'pic', 'p2', { ...BOX, x: 200 }),
);
const withLayers = (): { doc: Document; id: (name: string) => string } => {
  const one = applied(doc, addLayer(doc, 'Deutsch', ['f-de']));
  const two = applied(one, addLayer(one, 'Notes', ['note']));
  return { doc: two, id: (name) => all(two, 'layer').find((layer) => layer.name === name)!.id };
};
const change = (of: Document, id: string, how: Parameters<typeof setLayer>[2]) => applied(of, setLayer(of, id, how));

describe('layers', () => {
  it('hide and lock all that lies on them, wherever it does, and nothing else', async () => {
    const { doc: layered, id } = withLayers();
    const hidden = change(layered, id('Deutsch'), { hidden: true });
    expect(['f-en', 'f-de', 'note'].map((frame) => isShown(hidden, get(hidden, 'frame', frame)))).toEqual([true, false, true]);
    const { composer } = await composerFor(doc);
    const framesIn = (of: Document) => [
      ...new Set(
        composer.compose(of).pages.flatMap(({ items }) => items.flatMap((item) => (item.type === 'text' ? [item.frame] : []))),
      ),
    ];
    expect(framesIn(layered).sort()).toEqual(['f-de', 'f-en']);
    expect(framesIn(hidden)).toEqual(['f-en']);

    const locked = change(layered, id('Deutsch'), { locked: true });
    expect(isLocked(locked, get(locked, 'frame', 'f-de'))).toBe(true);
    const place = new Map([['f-de', { on: 'p1', box: { ...BOX, x: 60 } }]]);
    expect(() => placeFrames(locked, place)).toThrow('lies on the layer “Deutsch”, which is locked');
    expect(() => placeFrames(locked, new Map([['f-en', { on: 'p1', box: BOX }]]))).not.toThrow();
  });

  it('are left out of what is delivered where they do not print, and stay on the desk', async () => {
    const { doc: layered, id } = withLayers();
    expect(asDelivered(layered)).toBe(layered);
    const unprinted = change(layered, id('Notes'), { unprinted: true });
    expect(isShown(unprinted, get(unprinted, 'frame', 'note'))).toBe(true);
    const sent = asDelivered(unprinted);
    const { composer } = await composerFor(doc);
    const pictures = composer.compose(sent).pages.flatMap(({ items }) => items.filter(({ type }) => type === 'picture'));
    expect(pictures).toEqual([]);
    expect(asDelivered(change(unprinted, id('Notes'), { hidden: true })).records.size).toBe(unprinted.records.size);
  });

  it('take frames and give them back; one that is removed leaves them where they are', () => {
    const { doc: layered, id } = withLayers();
    const moved = applied(layered, putOnLayer(layered, ['f-en'], id('Notes')));
    expect(get(moved, 'frame', 'f-en').layer).toBe(id('Notes'));
    const off = applied(moved, putOnLayer(moved, ['f-en'], undefined));
    expect(get(off, 'frame', 'f-en')).not.toHaveProperty('layer');
    const gone = applied(moved, removeLayer(moved, id('Notes')));
    expect(get(gone, 'frame', 'note')).not.toHaveProperty('layer');
    expect(() => putOnLayer(gone, ['f-en'], id('Notes'))).toThrow('no longer there');
  });

  it('have a name of their own', () => {
    const { doc: layered, id } = withLayers();
    expect(() => setLayer(layered, id('Notes'), { name: ' ' })).toThrow('needs a name');
    const again = applied(layered, addLayer(layered, 'Notes', []));
    expect(all(again, 'layer').map(({ name }) => name)).toEqual(['Deutsch', 'Notes', 'Notes 2']);
  });
});
