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
import { looks } from '../../../tests/support/composed';
import { composerFor } from '../../../tests/support/faces';
import { bottom, type Box } from '../geometry/box';
import { captionsOf } from '../page/beside';
import { bodyText, plainBody } from '../records/body';
import { applied } from '../records/diff';
import { all, type Document, framesOn, get } from '../records/document';
import type { DocumentRecord, FrameRecord } from '../records/index';
import { addCaptions, captionText, combineCaptions, partCaption, placeWordsOf, setBeside } from './captions';
import { ActionError } from './edit';
import { placeFrames, removeFrames } from './frames';
import { setFormat } from './house';
import { fillFrame, placePicture, swapPictures } from './pictures';

const SPACE: Box = { x: 155, y: 144, w: 90, h: 120 };
const BARE = { id: 'bare', name: 'bare' };

const base = (...more: DocumentRecord[]): Document =>
  document(
    ...baseRecords(3),
    { id: 'caption', kind: 'paragraphStyle', name: 'Caption', properties: { size: 7, leading: 9, onGrid: false } },
    { id: 'credit', kind: 'paragraphStyle', name: 'Credit', properties: { size: 5, leading: 7, onGrid: false } },
    pictureRecord('pic', { width: 900, height: 600, caption: 'The sheds at low water.', credit: 'Inge Sarrow' }),
    pictureRecord('other', { width: 900, height: 600, caption: 'The mole in a gale.', credit: 'Orrin Vael' }),
    pictureRecord(BARE.id),
    ...more,
  );

async function placed(doc = base(), picture = 'pic', box = SPACE) {
  const { composer } = await composerFor(doc);
  const diff = placePicture(doc, { picture, page: 'p1', box }, composer);
  for (const record of diff.added) expect(flawOf(record)).toBeUndefined();
  const after = applied(doc, diff);
  const frame = framesOn(after, 'p1').find(({ content }) => content.type === 'picture' && content.picture === picture)!;
  return { before: doc, after, frame, composer, captions: captionsOf(after, frame.id) };
}

const words = (doc: Document, frame: FrameRecord) =>
  frame.content.type === 'text' ? bodyText(get(doc, 'text', frame.content.text).body) : '';

describe('captions and credits', () => {
  it('come with a picture, from its words, inside the stretch that was meant for both', async () => {
    const { after, frame, composer, captions } = await placed();
    expect(captions).toHaveLength(1);
    const [caption] = captions;
    expect(words(after, caption!)).toBe('The sheds at low water.\nInge Sarrow');
    expect(caption!.box).toMatchObject({ x: SPACE.x, w: SPACE.w });
    expect(caption!.box.y).toBeCloseTo(bottom(frame.box) + 4.252, 3);
    const { grown } = composer.compose(after);
    const foot = bottom(grown.get(caption!.id)!);
    // The picture ends on a line, and both together end in the last line of the stretch.
    expect(foot).toBeLessThanOrEqual(bottom(SPACE) + 0.01);
    expect(bottom(SPACE) - foot).toBeLessThan(12);
    expect((frame.box.h / 12) % 1).toBeCloseTo(0, 9);
  });

  it('take of the room below where the stretch is free', async () => {
    const doc = base();
    const { composer } = await composerFor(doc);
    const room = { ...SPACE, h: 300 };
    const after = applied(doc, placePicture(doc, { picture: 'pic', page: 'p1', box: SPACE, room }, composer));
    expect(framesOn(after, 'p1').find(({ content }) => content.type === 'picture')!.box).toEqual(SPACE);
  });

  it('do not come where there are no words, unless they are asked for', async () => {
    const { after, frame, captions, composer } = await placed(base(), BARE.id);
    expect(captions).toEqual([]);
    const asked = applied(after, addCaptions(after, { frames: [frame.id], what: 'caption' }, composer));
    expect(captionText(asked, frame.id, 'caption')!.body.textContent).toBe('');
    expect(() => addCaptions(asked, { frames: [frame.id], what: 'caption' }, composer)).toThrow('It has a caption already.');
    expect(() => addCaptions(asked, { frames: [captionsOf(asked, frame.id)[0]!.id], what: 'caption' }, composer)).toThrow(
      ActionError,
    );
  });

  it('lie as the house has them', async () => {
    const doc = base();
    const habit = { place: 'right', gap: 6, width: 60, credit: 'edge', always: true } as const;
    const { after, captions, frame } = await placed(applied(doc, setFormat(doc, { captions: habit })));
    const [caption, credit] = captions;
    expect(caption!.box).toEqual({ x: 251, y: frame.box.y, w: 60, h: frame.box.h });
    expect(caption!.content).toMatchObject({ align: 'bottom', grows: false });
    expect(words(after, caption!)).toBe('The sheds at low water.');
    expect(credit!.box).toMatchObject({ x: 248, h: frame.box.h });
    expect(credit!.content).toMatchObject({ turns: 3 });
    const none = await placed(applied(doc, setFormat(doc, { captions: { ...habit, always: false } })));
    expect(none.captions).toEqual([]);
  });

  it('go with their picture when it is moved, sized, or comes to another page', async () => {
    const { after, frame, captions } = await placed();
    const at = { x: 50, y: 48, w: 195, h: 96 };
    const moved = applied(after, placeFrames(after, new Map([[frame.id, { on: 'p2', box: at }]])));
    expect(get(moved, 'frame', captions[0]!.id)).toMatchObject({ on: 'p2', box: { x: 50, w: 195 } });
    expect(get(moved, 'frame', captions[0]!.id).box.y).toBeCloseTo(144 + 4.252, 3);
  });

  it('keep the place that a hand gave them', async () => {
    const { after, frame, captions } = await placed();
    const own = captions[0]!;
    const aside = applied(after, placeFrames(after, new Map([[own.id, { on: 'p1', box: { ...own.box, x: 255, y: 160 } }]])));
    expect(get(aside, 'frame', own.id).beside).toMatchObject({ place: 'own', dx: 100 });
    const box = { ...frame.box, x: frame.box.x - 20, y: frame.box.y + 12 };
    const moved = applied(aside, placeFrames(aside, new Map([[frame.id, { on: 'p1', box }]])));
    expect(get(moved, 'frame', own.id).box).toMatchObject({ x: 235, y: 172 });
    const back = applied(moved, setBeside(moved, [own.id], { place: 'below' }));
    expect(get(back, 'frame', own.id).box.x).toBe(box.x);
    expect(get(applied(back, partCaption(back, [own.id])), 'frame', own.id).beside).toBeUndefined();
  });

  it('go when their picture goes, with their words', async () => {
    const { before, after, frame } = await placed();
    const gone = applied(after, removeFrames(after, [frame.id]));
    expect(new Set(gone.records.keys())).toEqual(new Set(before.records.keys()));
  });

  it('are others with another picture, unless somebody has written them', async () => {
    const { after, frame, captions, composer } = await placed();
    const other = applied(after, fillFrame(after, { frame: frame.id, picture: 'other' }, composer));
    expect(captionsOf(other, frame.id).map((each) => words(other, each))).toEqual(['The mole in a gale.\nOrrin Vael']);
    const text = get(after, 'text', (captions[0]!.content as { text: string }).text);
    const written = document(
      ...[...after.records.values()].map((each) => (each === text ? { ...text, body: plainBody('caption', 'Mine') } : each)),
    );
    const kept = applied(written, fillFrame(written, { frame: frame.id, picture: 'other' }, composer));
    expect(captionsOf(kept, frame.id).map((each) => words(kept, each))).toEqual(['Mine']);
  });

  it('change over with two pictures that do', async () => {
    const first = await placed();
    const doc = first.after;
    const second = applied(doc, placePicture(doc, { picture: 'other', page: 'p1', box: { ...SPACE, x: 260 } }, first.composer));
    const frames = framesOn(second, 'p1').filter(({ content }) => content.type === 'picture');
    const swapped = applied(second, swapPictures(second, [frames[0]!.id, frames[1]!.id], first.composer));
    for (const [i, picture] of ['other', 'pic'].entries()) {
      const now = get(swapped, 'frame', frames[i]!.id);
      expect(now).toMatchObject({ box: { x: frames[i]!.box.x, w: frames[i]!.box.w }, content: { picture } });
      expect(captionsOf(swapped, now.id).map((each) => words(swapped, each))[0]).toContain(
        get(swapped, 'picture', picture).caption,
      );
    }
  });

  it('wrap with their picture as one', async () => {
    const doc = base(textRecord('text', proseBody(700)), textFrame('f', 'text', 'p1', { x: 50, y: 48, w: 300, h: 504 }), {
      ...pictureFrame('pf', 'pic', 'p1', { x: 155, y: 144, w: 90, h: 60 }, { mode: 'frame', standOff: 4 }),
    });
    const { composer } = await composerFor(doc);
    const after = applied(doc, addCaptions(doc, { frames: ['pf'], what: 'caption' }, composer));
    const result = composer.compose(after);
    const caption = captionsOf(after, 'pf')[0]!;
    const foot = bottom(result.grown.get(caption.id)!);
    expect(foot).toBeGreaterThan(204 + 9);
    const { lines } = looks(result);
    const level = lines().filter((line) => line.baseline > 150 && line.baseline - line.ascent < foot + 4);
    for (const line of level) expect(line.x + line.width <= 151.01 || line.x >= 248.99).toBe(true);
    // The caption itself is not pushed by what it belongs to.
    expect(looks(result).lines(captionText(after, 'pf', 'caption')!.id)[0]!.width).toBeCloseTo(90, 3);
  });
});

describe('one caption for several pictures', () => {
  const at = (...boxes: readonly (readonly [number, number, number, number])[]) =>
    placeWordsOf(boxes.map(([x, y, w, h]) => ({ x, y, w, h }))).map(({ index, words: said }) => `${index} ${said}`.trim());

  // The words that captions use to tell pictures apart: common practice of newspapers.
  it('tells where each of them is', () => {
    expect(at([100, 0, 80, 60], [0, 0, 80, 60])).toEqual(['1 Left', '0 Right']);
    expect(at([0, 0, 80, 60], [0, 80, 80, 60])).toEqual(['0 Above', '1 Below']);
    expect(at([0, 0, 50, 60], [60, 0, 50, 60], [120, 0, 50, 60])).toEqual(['0 Left', '1 Centre', '2 Right']);
    expect(at([0, 0, 50, 60], [60, 0, 50, 60], [120, 0, 50, 60], [180, 0, 50, 60])).toEqual(['0 From left', '1', '2', '3']);
    const four = at([0, 0, 50, 60], [60, 0, 50, 60], [0, 70, 50, 60], [60, 70, 50, 60]);
    expect(four).toEqual(['0 Clockwise from top left', '1', '3', '2']);
  });

  it('stands below the lowest, as wide as all, in the place of theirs', async () => {
    const first = await placed(base(), 'pic', { x: 50, y: 144, w: 90, h: 60 });
    const doc = first.after;
    const both = applied(doc, placePicture(doc, { picture: 'other', page: 'p1', box: SPACE }, first.composer));
    const frames = framesOn(both, 'p1').filter(({ content }) => content.type === 'picture');
    const combined = applied(
      both,
      combineCaptions(
        both,
        frames.map(({ id }) => id),
      ),
    );
    const captions = all(combined, 'frame').filter(({ beside }) => beside);
    expect(captions).toHaveLength(1);
    expect(words(combined, captions[0]!)).toBe(
      'Left: The sheds at low water; right: The mole in a gale.\nInge Sarrow and Orrin Vael',
    );
    expect(captions[0]!.box).toMatchObject({ x: 50, w: 195 });
    expect(() => combineCaptions(both, [frames[0]!.id])).toThrow(ActionError);
  });
});
