import { describe, expect, it } from 'vitest';
import { composed, looks } from '../../../tests/support/composed';
import { baseRecords, proseBody, textFrame, textRecord } from '../../../tests/support/documents';
import { shownIn } from '../compose/displayList/caret';
import { applied, inverted, type Diff } from '../records/diff';
import { bodyText } from '../records/body';
import { type Document, find, get, threadOf } from '../records/document';
import type { TextRecord } from '../records/index';
import { jumpBodies, hasJumpLines, isEmptyFrame, joinThread, setJumpLines, splitOff, takeOut } from './threads';
import { continueThread } from './stories';

const BOX = { x: 50, y: 48, w: 300, h: 60 };

const done = (document: Document, diff: Diff): Document => {
  const after = applied(document, diff);
  expect(new Map(applied(after, inverted(diff)).records)).toEqual(new Map(document.records));
  return after;
};

const thread = (pages = 3) =>
  composed(
    ...baseRecords(pages),
    textRecord('text', proseBody(300)),
    textFrame('a', 'text', 'p1', BOX, { order: 'a0' }),
    textFrame('b', 'text', 'p2', BOX, { order: 'a1' }),
    textFrame('c', 'text', 'p3', BOX, { order: 'a2' }),
  );

const frames = (document: Document, text = 'text') => threadOf(document, text).map(({ id }) => id);
const jumps = (document: Document) =>
  threadOf(document, 'text').map(({ content }) =>
    content.type === 'text' ? [content.jumpTo !== undefined, content.jumpFrom !== undefined] : [],
  );
/** With what a newspaper's house says where stories jump. */
const withJumpTexts = (document: Document): Document => {
  const { to, from } = jumpBodies('caption');
  const text = (id: string, body: TextRecord['body']): TextRecord => ({ id, kind: 'text', role: 'furniture', body });
  return applied(document, { added: [text('jump-to', to), text('jump-from', from)], updated: [], removed: [], texts: [] });
};

describe('a frame taken out of a thread', () => {
  it('stands empty, and its text moves on', async () => {
    const { doc, composer } = await thread();
    const after = done(doc, takeOut(doc, 'b'));
    expect(frames(after)).toEqual(['a', 'c']);
    expect(isEmptyFrame(after, get(after, 'frame', 'b'))).toBe(true);
    const before = looks(composer.compose(doc)).texts();
    expect(looks(composer.compose(after)).texts()).toEqual(before.slice(0, looks(composer.compose(after)).texts().length));
    expect(() => takeOut(after, 'b')).toThrow('only frame');
  });
});

describe('a frame split off', () => {
  it('takes what it shows with it, and what came before and behind joins up', async () => {
    const { doc, composer, result } = await thread();
    const shown = shownIn(result.pages, 'text', 'b')!;
    const lines = looks(result)
      .items()[1]!
      .columns.flatMap((column) => column.lines).length;
    const after = done(doc, splitOff(doc, { frame: 'b', ...shown }));
    const { content } = get(after, 'frame', 'b');
    const own = content.type === 'text' ? content.text : '';
    expect(frames(after)).toEqual(['a', 'c']);
    const words = (document: Document, id: string) =>
      bodyText(get(document, 'text', id).body)
        .split(/\s+/)
        .filter(Boolean);
    expect([...words(after, 'text'), ...words(after, own)].sort()).toEqual(words(doc, 'text').sort());
    // It shows just what it showed.
    expect(looks(composer.compose(after)).lines(own)).toHaveLength(lines);
    const first = looks(composer.compose(doc)).texts();
    expect(looks(composer.compose(after)).texts()[0]).toBe(first[0]);
  });

  it('of the last frame leaves the overset with the rest', async () => {
    const { doc, result } = await thread();
    const shown = shownIn(result.pages, 'text', 'c')!;
    expect(shown.to).toBeUndefined();
    const after = done(doc, splitOff(doc, { frame: 'c', ...shown }));
    expect(frames(after)).toEqual(['a', 'b']);
  });
});

describe('a text', () => {
  it('goes on in an empty frame, whose own text goes', async () => {
    const { doc } = await thread();
    const out = applied(doc, takeOut(doc, 'b'));
    const { content } = get(out, 'frame', 'b');
    const own = content.type === 'text' ? content.text : '';
    const after = done(out, joinThread(out, { frame: 'b', text: 'text' }));
    expect(frames(after)).toEqual(['a', 'c', 'b']);
    expect(find(after, 'text', own)).toBeUndefined();
    expect(() => joinThread(after, { frame: 'a', text: 'text' })).toThrow('text of its own');
  });

  it('has a frame inserted in the middle of its thread', async () => {
    const { doc, composer } = await thread(4);
    const after = done(doc, continueThread(doc, { text: 'text', behind: 'a', page: 'p4', box: BOX, allPages: false }, composer));
    expect(frames(after).map((id) => (['a', 'b', 'c'].includes(id) ? id : 'new'))).toEqual(['a', 'new', 'b', 'c']);
  });
});

describe('jump lines', () => {
  it('are made with the jump, in a house that has them, only where the next page does not follow', async () => {
    const { doc, composer } = await thread(6);
    const house = withJumpTexts(doc);
    const after = done(house, continueThread(house, { text: 'text', page: 'p6', box: BOX, allPages: false }, composer));
    expect(jumps(after)).toEqual([
      [false, false],
      [false, false],
      [true, false],
      [false, true],
    ]);
    expect(looks(composer.compose(after)).texts('jump-to')).toEqual(['Continued on page 6']);
    expect(looks(composer.compose(after)).texts('jump-from')).toEqual(['From page 3']);
    // A house without them makes none.
    const plain = done(doc, continueThread(doc, { text: 'text', page: 'p6', box: BOX, allPages: false }, composer));
    expect(jumps(plain).flat()).not.toContain(true);
    expect(hasJumpLines(plain, 'text')).toBe(false);
  });

  it('are put in and taken away, and a text that goes without stays without', async () => {
    const { doc, composer } = await thread(8);
    const jumped = applied(doc, continueThread(doc, { text: 'text', page: 'p6', box: BOX, allPages: false }, composer));
    const on = done(jumped, setJumpLines(jumped, 'text', true));
    expect(hasJumpLines(on, 'text')).toBe(true);
    const off = done(on, setJumpLines(on, 'text', false));
    expect(hasJumpLines(off, 'text')).toBe(false);
    const further = applied(off, continueThread(off, { text: 'text', page: 'p8', box: BOX, allPages: false }, composer));
    expect(jumps(further).flat()).not.toContain(true);
    const kept = applied(on, continueThread(on, { text: 'text', page: 'p8', box: BOX, allPages: false }, composer));
    expect(jumps(kept).map(([to]) => to)).toEqual([false, false, true, true, false]);
    expect(hasJumpLines(doc, 'text')).toBeUndefined();
  });
});
