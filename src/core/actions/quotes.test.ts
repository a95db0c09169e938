import { describe, expect, it } from 'vitest';
import {
  baseRecords,
  document,
  pictureFrame,
  pictureRecord,
  prose,
  textFrame,
  textRecord,
} from '../../../tests/support/documents';
import { docOf, paragraphsOf, plainText } from '../records/body';
import { paragraph, paragraphStyle } from '../../../tests/support/composed';
import { composerFor } from '../../../tests/support/faces';
import { quoteTrouble } from '../checks/rules/quotes';
import { withEllipsis } from '../editing/leavingOut';
import { sentencesOf } from '../compose/displayList/sentences';
import { middleOf } from '../geometry/box';
import { applied } from '../records/diff';
import { type Document, get } from '../records/document';
import type { DocumentRecord, FrameRecord, TextRecord } from '../records/index';
import { Edit } from './edit';
import { setTextLayout } from './frames';
import {
  addQuoteDesign,
  designOf,
  makeQuote,
  QUOTE_STAND_OFF,
  removeQuoteDesign,
  saysOf,
  setQuote,
  withQuotes,
  setQuoteDesign,
} from './quotes';

const SENTENCE = 'A kite is finished when it is broken, and not a day before.';
const story = (): Document =>
  document(
    ...baseRecords(3),
    { id: 's', kind: 'story', name: 'Kites', section: '', order: 'a0', tint: 1, parts: { headline: 'headline', body: 'text' } },
    textRecord('headline', docOf([paragraph('headline', 'Kites')]), { story: 's' }),
    textRecord(
      'text',
      docOf([
        paragraph('body', `${prose(60, 3)} ${SENTENCE}`),
        ...Array.from({ length: 8 }, (_, i) => paragraph('body', prose(60, i + 5))),
      ]),
      { story: 's' },
    ),
    textFrame('left', 'text', 'p2', { x: 50, y: 48, w: 300, h: 504 }, { columns: 3, gutter: 15 }),
    textFrame('right', 'text', 'p3', { x: 50, y: 48, w: 300, h: 504 }, { columns: 3, gutter: 15, order: 'a1' }),
  );

function quoted(
  doc: Document,
  passage: { from: number; to: number; paragraph: number },
  composer: Awaited<ReturnType<typeof composerFor>>['composer'],
) {
  const diff = makeQuote(doc, { text: 'text', ...passage }, composer);
  const after = applied(doc, diff);
  const frame = diff.added.find((each): each is FrameRecord => each.kind === 'frame')!;
  return { after, frame, text: diff.added.find((each): each is TextRecord => each.kind === 'text')! };
}

describe('where a quote goes', () => {
  it('is away from its passage and from other quotes, not at a column’s edge, and no line is pushed out', async () => {
    let doc = story();
    const { composer } = await composerFor(doc);
    const middles: { on: string; x: number; y: number }[] = [];
    for (const paragraphNumber of [0, 2, 4]) {
      const words = plainText(paragraphsOf(get(doc, 'text', 'text').body)[paragraphNumber]!);
      const from = paragraphNumber === 0 ? words.indexOf(SENTENCE) : 0;
      const passage = { paragraph: paragraphNumber, from, to: paragraphNumber === 0 ? words.length : words.indexOf('.') + 1 };
      const before = composer.compose(doc).fits.get('text')!.oversetLines;
      const { after, frame } = quoted(doc, passage, composer);
      expect(composer.compose(after).fits.get('text')!.oversetLines).toBe(before);
      expect(frame.wrap).toMatchObject({ mode: 'frame', standOff: QUOTE_STAND_OFF });
      // 0.1875 in is the usual stand-off around a pull quote (common practice).
      expect(QUOTE_STAND_OFF / 72).toBe(0.1875);
      expect(frame.box.y).toBeGreaterThan(48 + 24);
      expect(frame.box.y + frame.box.h).toBeLessThan(552 - 24);
      const middle = middleOf(frame.box);
      for (const other of middles)
        if (other.on === frame.on) expect(Math.hypot(other.x - middle.x, other.y - middle.y)).toBeGreaterThan(100);
      const [stood] = sentencesOf(get(doc, 'text', 'text'), 'en', composer.compose(doc).pages).filter(
        (each) => each.paragraph === paragraphNumber && each.to === passage.to,
      );
      for (const { page, box } of stood!.boxes)
        if (page === frame.on) expect(Math.hypot(middleOf(box).x - middle.x, box.y - middle.y)).toBeGreaterThan(100);
      middles.push({ on: frame.on, ...middle });
      doc = after;
    }
  });
});

describe('where else a quote stands', () => {
  const design = (id: string, more: object) =>
    ({ id, kind: 'quoteDesign', name: id, order: id, style: 'body', stand: 'column', across: 1, ...more }) as DocumentRecord;
  const withDesigns = (): Document =>
    document(
      ...story().records.values(),
      paragraphStyle('large', { size: 16, leading: 18 }),
      { id: 'set', kind: 'finish', name: 'Set off', order: 'a0', look: { fill: { swatch: 'tint', tint: 1 }, inset: 4 } },
      design('a1', {}),
      design('a2', { style: 'large', finish: 'set', across: 2 }),
    );
  const picture = (x: number): DocumentRecord[] => [
    pictureRecord('photo', { focus: { x, y: 0.5 } }),
    pictureFrame('pf', 'photo', 'p2', { x: 50, y: 350, w: 300, h: 200 }, { mode: 'frame', standOff: 5 }),
  ];
  const first = { paragraph: 0, from: 0, to: 60 };

  it('is across two columns, over the gutter between two, or in one again, with no line pushed out', async () => {
    const doc = withDesigns();
    const { composer } = await composerFor(doc);
    const over = (of: Document) => composer.compose(of).fits.get('text')!.oversetLines;
    const { after, frame } = quoted(doc, first, composer);
    const set = (of: Document, change: object) => {
      const next = applied(of, setQuote(of, { frame: frame.id, ...change }, composer));
      expect(over(next)).toBe(over(doc));
      return { next, box: get(next, 'frame', frame.id).box };
    };
    // Columns of 90 points with gutters of 15, from 50 on.
    expect(frame.box.w).toBeCloseTo(90, 6);
    const two = set(after, { stand: 'column', across: 2 });
    expect(two.box.w).toBeCloseTo(195, 6);
    expect([50, 155].some((x) => Math.abs(x - two.box.x) < 0.01)).toBe(true);
    const between = set(two.next, { stand: 'between' });
    expect(between.box.w).toBeCloseTo(90, 6);
    expect([147.5, 252.5].some((x) => Math.abs(x - middleOf(between.box).x) < 0.01)).toBe(true);
    const one = set(between.next, { stand: 'column', across: 1 });
    expect(one.box.w).toBeCloseTo(90, 6);
    expect(() => setQuote(after, { frame: frame.id, stand: 'column', across: 4 }, composer)).toThrow(
      'not have that many columns',
    );
    expect(() => setQuote(after, { frame: frame.id, stand: 'picture' }, composer)).toThrow('No picture on that spread');
  });

  it.each([0.2, 0.8])('is on a picture, away from what it shows (%s of its width), and keeps no text away there', async (x) => {
    const doc = document(...withDesigns().records.values(), ...picture(x));
    const { composer } = await composerFor(doc);
    const { after, frame } = quoted(doc, first, composer);
    const next = applied(after, setQuote(after, { frame: frame.id, stand: 'picture' }, composer));
    const own = get(next, 'frame', frame.id);
    expect(own).toMatchObject({ on: 'p2', wrap: { mode: 'none' }, content: { ignoresWraps: true } });
    expect(middleOf(own.box).x > 200).toBe(x < 0.5);
    expect(own.box.y).toBeGreaterThan(350);
    expect(own.box.y + own.box.h).toBeLessThan(550);
  });

  it('has a design: its style, its finish, and where that usually stands', async () => {
    const doc = withDesigns();
    const { composer } = await composerFor(doc);
    const { after, frame, text } = quoted(doc, first, composer);
    expect(designOf(after, text)?.id).toBe('a1');
    const next = applied(after, setQuote(after, { frame: frame.id, design: 'a2' }, composer));
    expect(get(next, 'frame', frame.id)).toMatchObject({ finish: 'set', own: ['wrap'] });
    expect(get(next, 'frame', frame.id).box.w).toBeCloseTo(195, 6);
    expect(designOf(next, get(next, 'text', text.id))?.id).toBe('a2');
    expect(plainText(paragraphsOf(get(next, 'text', text.id).body)[0]!)).toBe(plainText(paragraphsOf(text.body)[0]!));
    // A story of one column has no room for two: the quote stands in its column all the same.
    const narrow = applied(doc, setTextLayout(doc, ['left', 'right'], { columns: 1 }));
    const diff = makeQuote(narrow, { text: 'text', ...first, design: 'a2' }, composer);
    expect(diff.added.find((each): each is FrameRecord => each.kind === 'frame')!.box.w).toBeCloseTo(300, 6);
  });

  it('is named, added, changed and removed as a design of the house', () => {
    let doc = withDesigns();
    doc = applied(doc, addQuoteDesign(doc));
    const added = [...doc.records.values()].find((each) => each.kind === 'quoteDesign' && each.name === 'Pull quote')!;
    doc = applied(doc, setQuoteDesign(doc, added.id, { name: 'Ruled', stand: 'between', finish: 'set' }));
    expect(get(doc, 'quoteDesign', added.id)).toMatchObject({ name: 'Ruled', stand: 'between', finish: 'set' });
    expect(() => setQuoteDesign(doc, added.id, { name: 'a1' })).toThrow('There is a pull quote design called a1 already.');
    doc = applied(doc, removeQuoteDesign(doc, added.id));
    expect(doc.records.has(added.id)).toBe(false);
  });
});

describe('a tied quote', () => {
  const trouble = async (change: (doc: Document, quote: string) => Document) => {
    const doc = story();
    const { composer } = await composerFor(doc);
    const words = plainText(paragraphsOf(get(doc, 'text', 'text').body)[0]!);
    const { after, text } = quoted(doc, { paragraph: 0, from: words.indexOf(SENTENCE), to: words.length }, composer);
    const changed = change(after, text.id);
    return quoteTrouble(changed, get(changed, 'text', text.id));
  };
  const rewritten = (doc: Document, id: string, to: (words: string) => string): Document => {
    const edit = new Edit(doc);
    const text = get(doc, 'text', id);
    edit.put({
      ...text,
      body: docOf(paragraphsOf(text.body).map((each) => paragraph(each.attrs['style'] as string, to(plainText(each))))),
    });
    return applied(doc, edit.diff());
  };

  it('is content while its story says so', async () => {
    expect(await trouble((doc) => doc)).toBeUndefined();
    // Words elsewhere do not matter.
    expect(await trouble((doc) => rewritten(doc, 'text', (words) => `Then ${words}`))).toBeUndefined();
  });

  it('says when the story’s words change, with both', async () => {
    const found = await trouble((doc) => rewritten(doc, 'text', (words) => words.replace('not a day before', 'never before')));
    expect(found).toEqual({ is: 'story', was: SENTENCE, now: SENTENCE.replace('not a day before', 'never before') });
  });

  it('may leave words out with an ellipsis, and says when it has others', async () => {
    expect(
      await trouble((doc, id) =>
        rewritten(doc, id, (words) => withEllipsis(words, words.indexOf(', and not'), words.indexOf(' before'))),
      ),
    ).toBeUndefined();
    expect(await trouble((doc, id) => rewritten(doc, id, (words) => words.replace('finished', 'alive')))).toMatchObject({
      is: 'quote',
      now: SENTENCE,
    });
  });

  it('is cut as British practice has it', () => {
    const words = '‘One two three four.’';
    expect(withEllipsis(words, words.indexOf('two'), words.indexOf(' four'))).toBe('‘One … four.’');
    expect(withEllipsis(words, 1, 4)).toBe('‘… two three four.’');
    expect(withEllipsis(words, words.indexOf(' four'), words.indexOf('.'))).toBe('‘One two three ….’');
    expect(saysOf('‘One … four.’', 'One two three four.')).toBe(true);
    expect(saysOf('four … One', 'One two three four.')).toBe(false);
  });

  it('stands between marks once, whichever of its own were picked with it', () => {
    // British practice: single marks, and double ones for speech within.
    expect(withQuotes('If people want to look at it they may.”')).toBe('‘If people want to look at it they may.’');
    expect(withQuotes('“I have a window.”')).toBe('‘I have a window.’');
    expect(withQuotes('“I have a window,” she says.')).toBe('“I have a window,” she says.');
    expect(withQuotes('I have a window,” she says.')).toBe('“I have a window,” she says.');
    expect(withQuotes('She says: “I have a window')).toBe('She says: “I have a window”');
  });
});
