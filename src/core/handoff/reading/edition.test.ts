import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { docOf } from '@/core/records/body';
import type { DocumentRecord, FrameRecord } from '@/core/records/index';
import { composed, field, figure, paragraph, paragraphStyle, text } from '../../../../tests/support/composed';
import { baseRecords, pictureFrame, pictureRecord, prose, textFrame, textRecord } from '../../../../tests/support/documents';
import { editionOf, type EditionBlock, storiesOf, wordsOf } from './edition';
import type { OutBlock } from './outline';
import { spreadAmong } from './spreading';

const story = (id: string, more: Partial<Extract<DocumentRecord, { kind: 'story' }>['parts']> = {}): DocumentRecord => ({
  id,
  kind: 'story',
  name: `Story ${id}`,
  section: '',
  order: 'a0',
  tint: 0,
  parts: { headline: `${id}-head`, body: `${id}-body`, ...more },
});

const headline = (id: string, words: string, on: string, box: FrameRecord['box']): DocumentRecord[] => [
  textRecord(`${id}-head`, docOf([paragraph('headline', words)]), { role: 'headline', story: id }),
  textFrame(`${id}-head-frame`, `${id}-head`, on, box),
];

const says = (block: EditionBlock): string =>
  block.is === 'figure' ? `[${block.picture.id}]` : block.is === 'aside' ? `“${wordsOf(block.blocks)}”` : wordsOf([block]);

const long = [1, 2, 3, 4, 5, 6].map((seed) => prose(90, seed));

/** A story over three pages with a picture on each, a quotation on its second, and what is printed besides. */
const issue = (...more: DocumentRecord[]): DocumentRecord[] => [
  ...baseRecords(4),
  paragraphStyle('crosshead', { weight: 700 }),
  story('a', { standfirst: 'a-stand', byline: 'a-by' }),
  ...headline('a', 'Wind over the wall', 'p2', { x: 50, y: 48, w: 300, h: 30 }),
  textRecord('a-stand', docOf([paragraph('body', 'Ninety years of gusts.')]), { role: 'standfirst', story: 'a' }),
  textFrame('a-stand-frame', 'a-stand', 'p2', { x: 50, y: 80, w: 300, h: 24 }),
  textRecord('a-by', docOf([paragraph('body', 'By Ines Calloway')]), { role: 'byline', story: 'a' }),
  textRecord('a-body', docOf(long.map((words) => paragraph('body', words))), { story: 'a' }),
  textFrame('a1', 'a-body', 'p2', { x: 50, y: 110, w: 300, h: 200 }),
  textFrame('a2', 'a-body', 'p3', { x: 50, y: 48, w: 300, h: 150 }, { order: 'a1' }),
  textFrame('a3', 'a-body', 'p4', { x: 50, y: 48, w: 300, h: 400 }, { order: 'a2' }),
  pictureRecord('wide', { caption: 'The wall.', credit: 'Inge Sarrow' }),
  pictureRecord('small'),
  pictureRecord('second', { caption: 'Never printed: other words stand under it.' }),
  pictureRecord('sold'),
  pictureFrame('wide-frame', 'wide', 'p2', { x: 50, y: 320, w: 300, h: 200 }),
  pictureFrame('small-frame', 'small', 'p2', { x: 250, y: 200, w: 60, h: 60 }),
  pictureFrame('second-frame', 'second', 'p3', { x: 50, y: 220, w: 200, h: 120 }),
  textRecord('second-words', docOf([paragraph('body', 'The gust meter at work.')]), { role: 'caption', picture: 'second' }),
  textFrame('second-words-frame', 'second-words', 'p3', { x: 50, y: 350, w: 200, h: 24 }),
  textRecord('a-quote', docOf([paragraph('body', 'It remembers the wind.')]), { role: 'quote', story: 'a' }),
  textFrame('a-quote-frame', 'a-quote', 'p3', { x: 260, y: 220, w: 90, h: 60 }),
  pictureFrame('sold-frame', 'sold', 'p4', { x: 50, y: 470, w: 300, h: 80 }),
  { id: 'advertisement', kind: 'advertisement', name: 'Bakery', order: 'a0', size: 'quarter', picture: 'sold' },
  textRecord(
    'notice',
    docOf([paragraph('body', 'The loft is open on Tuesdays.'), paragraph('body', [field('story')], { each: 'story' })]),
  ),
  textFrame('notice-frame', 'notice', 'p4', { x: 200, y: 455, w: 150, h: 14 }),
  ...more,
];

const editionFrom = async (...records: DocumentRecord[]) => {
  const { doc, result } = await composed(...records);
  return { edition: editionOf(doc, result.pages), doc, result };
};

describe('an issue as an edition', () => {
  it('has a story whole, with its parts, its writer and the pages that it was printed on', async () => {
    const [a] = storiesOf((await editionFrom(...issue())).edition);
    expect(a).toMatchObject({
      title: 'Wind over the wall',
      summary: 'Ninety years of gusts.',
      writer: 'Ines Calloway',
      folios: ['2', '4'],
    });
    const words = a!.body.filter((block): block is OutBlock => block.is === 'paragraph');
    expect(wordsOf(words)).toBe(long.join(' '));
  });

  it('opens with the largest picture of its first page; the others stand among what is printed beside them', async () => {
    const [a] = storiesOf((await editionFrom(...issue())).edition);
    expect(a!.lead?.picture.id).toBe('wide');
    const order = a!.body.map(says);
    const at = (words: string) => order.findIndex((each) => each.startsWith(words));
    expect(order.filter((each) => /^[[“]/.test(each))).toEqual(['[small]', '[second]', '“It remembers the wind.”']);
    expect(at('[small]')).toBeGreaterThan(0);
    expect(at('[small]')).toBeLessThan(at('[second]'));
    // What stands on the last page alone is behind what the page before it shows.
    expect(at('[second]')).toBeLessThan(order.length - 1);
  });

  it('has under a picture what is printed there, or else what is kept with it', async () => {
    const [a] = storiesOf((await editionFrom(...issue())).edition);
    const second = a!.body.find((block) => block.is === 'figure' && block.picture.id === 'second');
    expect(second?.is === 'figure' && wordsOf(second.caption)).toBe('The gust meter at work.');
    expect(wordsOf(a!.lead!.caption)).toBe('The wall. Inge Sarrow');
  });

  it('has what belongs to no story, and neither advertisements nor contents lists', async () => {
    const { edition } = await editionFrom(...issue());
    expect(edition.sections.flatMap(({ more }) => more.map((blocks) => blocks.map(says)))).toEqual([
      ['The loft is open on Tuesdays.'],
    ]);
    expect(JSON.stringify(edition.sections)).not.toContain('sold');
  });

  it('gives a picture to the story among whose texts it lies, not to one that is nearer by a hair', async () => {
    const { edition } = await editionFrom(
      ...baseRecords(3),
      story('a'),
      story('b'),
      ...headline('a', 'Over it', 'p2', { x: 50, y: 48, w: 195, h: 30 }),
      textRecord('a-body', docOf([paragraph('body', prose(40))]), { story: 'a' }),
      textFrame('a-frame', 'a-body', 'p2', { x: 50, y: 330, w: 195, h: 200 }),
      ...headline('b', 'Beside it', 'p2', { x: 255, y: 48, w: 95, h: 60 }),
      textRecord('b-body', docOf([paragraph('body', prose(40))]), { story: 'b' }),
      textFrame('b-frame', 'b-body', 'p2', { x: 255, y: 110, w: 95, h: 400 }),
      pictureRecord('pic'),
      pictureFrame('pic-frame', 'pic', 'p2', { x: 50, y: 120, w: 195, h: 170 }),
    );
    expect(storiesOf(edition).map(({ id, lead }) => [id, lead?.picture.id])).toEqual([
      ['a', 'pic'],
      ['b', undefined],
    ]);
  });

  it('has sections and departments with their stories, in the order of their pages', async () => {
    const section = (id: string, name: string, from: string): DocumentRecord => ({ id, kind: 'section', name, from });
    const { edition } = await editionFrom(...issue(section('s1', 'Harbour', 'p2'), section('s2', 'Hill', 'p4')));
    expect(edition.sections.map(({ name, stories }) => [name, stories.map(({ id }) => id)])).toEqual([
      ['Harbour', ['a']],
      ['Hill', []],
    ]);
  });

  it('says where printed pages begin, to the letter', async () => {
    const { edition, doc, result } = await editionFrom(...issue());
    const [a] = storiesOf(edition);
    const words = a!.body.flatMap((block) =>
      block.is === 'paragraph' ? block.runs.map((run) => (run.page ? `|${run.page}|` : run.words)) : [],
    );
    const parts = words.join('').split(/\|(\d)\|/);
    expect(parts.filter((_, i) => i % 2 === 1)).toEqual(['2', '3', '4']);
    // Against the first line of the body on each page, as it is set.
    for (const [i, folio] of ['2', '3', '4'].entries()) {
      const item = result.pages[Number(folio) - 1]!.items.find((each) => each.type === 'text' && each.text === 'a-body');
      const first = item?.type === 'text' ? item.columns[0]!.lines[0]!.runs.map((run) => run.text)[0]! : '';
      expect(parts[2 * i + 2]!.startsWith(first.replace(/[-‐]$/, ''))).toBe(true);
    }
    expect(doc).toBeDefined();
  });

  it('has pictures that stand in its text where they stand', async () => {
    const { edition } = await editionFrom(
      ...baseRecords(2),
      story('a'),
      ...headline('a', 'Knots', 'p1', { x: 50, y: 48, w: 300, h: 30 }),
      pictureRecord('knot', { caption: 'A bend.' }),
      textRecord(
        'a-body',
        docOf([paragraph('body', 'Before'), figure({ picture: 'knot', width: 60 }), paragraph('body', [text('After')])]),
        {
          story: 'a',
        },
      ),
      textFrame('a-frame', 'a-body', 'p1', { x: 50, y: 90, w: 300, h: 300 }),
    );
    expect(storiesOf(edition)[0]!.body.map(says)).toEqual(['Before', '[knot]', 'After']);
  });
});

describe('what stands beside a text', () => {
  it('is spread over it whole, in the order of the page, and never behind a heading or within a list', () => {
    const block = fc.constantFrom(
      { is: 'paragraph', kind: 'paragraph' },
      { is: 'paragraph', kind: 'heading' },
      { is: 'paragraph', kind: 'paragraph', list: {} },
    );
    fc.assert(
      fc.property(
        fc.array(block, { maxLength: 12 }),
        fc.array(fc.tuple(fc.integer({ min: 1, max: 4 }), fc.nat(300)), { maxLength: 6 }),
        (kinds, placed) => {
          type Own = { is: string; kind?: string; list?: unknown; name: string };
          const blocks: Own[] = kinds.map((each, i) => ({ ...each, name: `b${i}` }));
          const body = docOf(blocks.length > 0 ? blocks.map(({ name }) => paragraph('body', name)) : [paragraph('body', '')]);
          const starts = [1, 2, 3].map((number) => ({
            number,
            folio: String(number),
            paragraph: Math.floor(((number - 1) * blocks.length) / 3),
            at: 0,
          }));
          const beside = placed.map(([page, y], i) => ({
            page,
            box: { x: 0, y, w: 10, h: 10 },
            block: { is: 'figure', name: `f${i}` } as Own,
          }));
          const out = spreadAmong(blocks, textRecord('t', body), starts, beside);
          expect(out.filter(({ is }) => is === 'paragraph')).toEqual(blocks);
          const figures = out.filter(({ is }) => is === 'figure').map(({ name }) => Number(name.slice(1)));
          expect([...figures].sort((a, b) => a - b)).toEqual(placed.map((_, i) => i));
          // By page, and within it from the top.
          const keys = figures.map((i) => placed[i]![0] * 1000 + placed[i]![1]);
          expect(keys).toEqual([...keys].sort((a, b) => a - b));
          out.forEach((each, i) => {
            const before = out[i - 1];
            if (each.is !== 'figure' || before?.is !== 'paragraph' || i === out.length - 1) return;
            const after = out.slice(i).find(({ is }) => is === 'paragraph');
            if (after) expect(before.kind === 'heading' || (before.list !== undefined && after.list !== undefined)).toBe(false);
          });
        },
      ),
      { numRuns: 300 },
    );
  });
});
