import { describe, expect, it } from 'vitest';
import {
  baseRecords,
  document,
  flawOf,
  pictureFrame,
  pictureRecord,
  proseBody,
  textFrame,
  textRecord,
} from '../../../tests/support/documents';
import { captionsOf } from '../page/beside';
import { plainBody } from '../records/body';
import { applied, type Diff } from '../records/diff';
import { all, type Document, find, framesOn, get } from '../records/document';
import type { DocumentRecord, FrameRecord } from '../records/index';
import { referencesOf } from '../records/references';
import { repeatFrame } from './copies';
import { clipOf, duplicateFrames, pasteFrames } from './copying';
import { groupFrames } from './groups';
import { duplicatePage } from './pages';
import { removeFrames } from './frames';

const BOX = { x: 50, y: 60, w: 90, h: 60 };

const captioned = (id: string, picture: string, x = BOX.x): DocumentRecord[] => [
  pictureFrame(id, picture, 'p2', { ...BOX, x }, { mode: 'frame', standOff: 4 }),
  textRecord(`${id}-words`, plainBody('body', 'A caption'), { role: 'caption', picture }),
  {
    ...textFrame(`${id}-caption`, `${id}-words`, 'p2', { x, y: 124, w: 90, h: 12 }, { grows: true }, 'a6'),
    beside: { frame: id, place: 'below', gap: 4, width: 100 },
  },
];

const issue = (...more: DocumentRecord[]): Document =>
  document(...baseRecords(4), pictureRecord('pic'), ...captioned('pf', 'pic'), ...more);

/** The same, and that nothing in it points at nothing or is not well formed. */
function sound(doc: Document, diff: Diff): Document {
  const after = applied(doc, diff);
  for (const record of after.records.values()) {
    expect(flawOf(record)).toBeUndefined();
    for (const { id } of referencesOf(record)) expect(after.records.has(id)).toBe(true);
  }
  return after;
}

const pictures = (doc: Document, page: string) =>
  framesOn(doc, page).filter((frame): frame is FrameRecord => frame.content.type === 'picture');

describe('frames that are copied', () => {
  it('come to another page at the same place, with their captions', () => {
    const doc = issue();
    const after = sound(doc, pasteFrames(doc, 'a', clipOf(doc, 'a', ['pf'], false), { page: 'p4', inPlace: false }));
    const [copy] = pictures(after, 'p4');
    expect(copy).toMatchObject({ box: BOX, content: { picture: 'pic' } });
    const [caption] = captionsOf(after, copy!.id);
    expect(caption).toMatchObject({ on: 'p4', beside: { frame: copy!.id } });
    // Its words are its own.
    expect(caption!.content).not.toMatchObject({ text: 'pf-words' });
    expect(captionsOf(after, 'pf')).toHaveLength(1);
  });

  it('lie a little aside where they would cover what they are of, but in place when that is asked for', () => {
    const doc = issue();
    const clip = clipOf(doc, 'a', ['pf'], false);
    const xs = (inPlace: boolean) =>
      pictures(sound(doc, pasteFrames(doc, 'a', clip, { page: 'p2', inPlace })), 'p2').map(({ box }) => box.x);
    expect(xs(false)).toEqual([50, 62]);
    expect(xs(true)).toEqual([50, 50]);
  });

  it('keep their places on a spread, and across its spine', () => {
    const doc = issue(pictureFrame('right', 'pic', 'p3', { ...BOX, x: 30 }));
    const clip = clipOf(doc, 'a', ['pf', 'right'], false);
    const after = sound(doc, pasteFrames(doc, 'a', clip, { page: 'p2', inPlace: true }));
    expect(pictures(after, 'p3').map(({ box }) => box.x)).toEqual([30, 30]);
    // Page 4 has no page beside it: what would lie there comes to it too.
    const alone = sound(doc, pasteFrames(doc, 'a', clip, { page: 'p4', inPlace: true }));
    expect(pictures(alone, 'p4')).toHaveLength(2);
  });

  it('bring styles and pictures that another issue lacks, and leave those it has', () => {
    const doc = issue(
      { id: 'own', kind: 'paragraphStyle', name: 'Own', properties: { size: 7 } },
      { id: 'red', kind: 'swatch', name: 'Red', cmyk: [0, 1, 1, 0] },
      textRecord('t', plainBody('own', 'Words'), { role: 'furniture' }),
      { ...textFrame('tf', 't', 'p2', BOX), fill: { swatch: 'red', tint: 1 } },
    );
    const clip = JSON.parse(JSON.stringify(clipOf(doc, 'a', ['pf', 'tf'], false))) as ReturnType<typeof clipOf>;
    const other = document(...baseRecords(1, { size: 11 }));
    const after = sound(other, pasteFrames(other, 'b', clip, { page: 'p1', inPlace: false }));
    for (const [kind, id] of [
      ['paragraphStyle', 'own'],
      ['swatch', 'red'],
      ['picture', 'pic'],
    ] as const)
      expect(find(after, kind, id)).toEqual(get(doc, kind, id));
    expect(framesOn(after, 'p1')).toHaveLength(3);
    expect(get(after, 'paragraphStyle', 'body')).toBe(get(other, 'paragraphStyle', 'body'));
    // Another picture of the same name is another picture.
    const clash = document(...baseRecords(1), pictureRecord('pic', { blob: 'cd'.repeat(32) }));
    const both = sound(clash, pasteFrames(clash, 'b', clip, { page: 'p1', inPlace: false }));
    const shown = pictures(both, 'p1')[0]!.content as { picture: string };
    expect(shown.picture).not.toBe('pic');
    expect(get(both, 'picture', shown.picture).blob).toBe('ab'.repeat(32));
  });

  it('have the words of a story as a text of their own, one for all frames of its thread', () => {
    const doc = issue(textRecord('text', proseBody(300)), textFrame('f1', 'text', 'p1', BOX), {
      ...textFrame('f2', 'text', 'p1', { ...BOX, x: 155 }),
      content: { ...textFrame('f2', 'text', 'p1', BOX).content, order: 'a1' } as FrameRecord['content'],
    });
    const after = sound(doc, pasteFrames(doc, 'a', clipOf(doc, 'a', ['f1', 'f2'], false), { page: 'p4', inPlace: false }));
    const texts = new Set(framesOn(after, 'p4').map(({ content }) => (content as { text: string }).text));
    expect(texts.size).toBe(1);
    expect(texts.has('text')).toBe(false);
    expect(get(after, 'text', [...texts][0]!)).toEqual({ ...get(doc, 'text', 'text'), id: [...texts][0] });
  });

  it('that were cut out come back as themselves, once, and as copies after that', () => {
    const doc = issue();
    const clip = clipOf(doc, 'a', ['pf'], true);
    const cut = sound(doc, removeFrames(doc, ['pf']));
    const back = sound(cut, pasteFrames(cut, 'a', clip, { page: 'p3', inPlace: false }));
    expect(get(back, 'frame', 'pf')).toMatchObject({ on: 'p3', box: BOX });
    expect(captionsOf(back, 'pf').map(({ id }) => id)).toEqual(['pf-caption']);
    const again = sound(back, pasteFrames(back, 'a', clip, { page: 'p4', inPlace: false }));
    expect(pictures(again, 'p4')[0]!.id).not.toBe('pf');
  });

  it('are a group again', () => {
    const doc = issue(pictureFrame('other', undefined, 'p2', { ...BOX, y: 200 }));
    const grouped = applied(doc, groupFrames(doc, ['pf', 'other']));
    const after = sound(
      grouped,
      pasteFrames(grouped, 'a', clipOf(grouped, 'a', ['pf', 'other'], false), { page: 'p4', inPlace: false }),
    );
    const groups = new Set(pictures(after, 'p4').map(({ group }) => group));
    expect(groups.size).toBe(1);
    expect(all(after, 'group')).toHaveLength(2);
  });

  it('are duplicated beside themselves, repeated at even steps, and with their page, captions and all', () => {
    const doc = issue();
    const two = pictures(sound(doc, duplicateFrames(doc, ['pf'], 15)), 'p2');
    expect(two.map(({ box }) => box.x)).toEqual([50, 155]);
    const wide = issue(pictureFrame('wide', undefined, 'p1', { x: 50, y: 60, w: 300, h: 60 }));
    expect(pictures(applied(wide, duplicateFrames(wide, ['wide'], 15)), 'p1').map(({ box }) => box.y)).toEqual([60, 135]);
    const grid = sound(doc, repeatFrame(doc, 'pf', { across: 2, down: 2, stepAcross: 100, stepDown: 90 }));
    for (const frame of pictures(grid, 'p2')) expect(captionsOf(grid, frame.id)).toHaveLength(1);
    const page = sound(doc, duplicatePage(doc, 'p2'));
    const copy = all(page, 'page')[2]!;
    expect(captionsOf(page, pictures(page, copy.id)[0]!.id)).toHaveLength(1);
  });
});
