import { flawOf } from '../../../tests/support/documents';
import { describe, expect, it } from 'vitest';
import { composerFor } from '../../../tests/support/faces';
import { gridProblem } from '../page/gridRules';
import { pageGrid } from '../page/grid';
import { formatOf, mastersOf, placedPages } from '../page/pages';
import { all, documentOf, framesOn, get } from '../records/document';
import { lineText } from '../compose/displayList/lineText';
import { pageCountAdvice, startIssue } from './startIssue';
import { startingHouse } from './startingHouse';

const KINDS = ['magazine', 'newsletter', 'newspaper'] as const;
const ORDER = { publication: 'The Tide Table', number: '7', season: 'March 2027', date: '2027-03-31', language: 'de', pages: 8 };

describe('a house to begin with', () => {
  it.each(KINDS)('of a %s is well formed, on whole lines, and sets copy in every style it needs', async (kind) => {
    const records = startingHouse(kind, 'en-GB');
    for (const record of records) expect(flawOf(record)).toBeUndefined();
    const house = documentOf(records);
    const format = formatOf(house);
    for (const master of mastersOf(house)) {
      expect(gridProblem(format, master)).toBeUndefined();
      const { area, step, lines } = pageGrid(format, master, 'left');
      expect(area.h / step).toBeCloseTo(lines, 6);
    }
    for (const style of [
      'body',
      'bodyFirst',
      'crosshead',
      'list',
      'quotation',
      'headline',
      'standfirst',
      'byline',
      'caption',
      'credit',
      'pullQuote',
    ])
      expect(get(house, 'paragraphStyle', style)).toBeDefined();
    // Every ink that is asked for is there.
    const swatches = new Set(all(house, 'swatch').map(({ id }) => id));
    for (const { properties } of all(house, 'paragraphStyle'))
      if (properties.swatch) expect(swatches.has(properties.swatch)).toBe(true);
    await composerFor(house);
  });
});

describe('an issue that begins', () => {
  it('is a copy of its house, with pages, folios and fields', async () => {
    const house = startingHouse('newsletter', 'de', { pages: [] });
    const page = { id: 'model', kind: 'page', order: 'a0', master: 'text' } as const;
    const records = startIssue([...house, page], ORDER);
    for (const record of records) expect(flawOf(record)).toBeUndefined();
    const issue = documentOf(records);
    expect(get(issue, 'issue', 'issue')).toMatchObject({ number: '7', language: 'de' });
    expect(issue.records.has('model')).toBe(false);
    const pages = placedPages(issue);
    expect(pages.map(({ master }) => master.id)).toEqual(['plain', 'text', 'text', 'text', 'text', 'text', 'text', 'plain']);
    expect(framesOn(issue, 'text')).toHaveLength(6);
    const { composer } = await composerFor(issue);
    const words = (at: number) =>
      composer
        .compose(issue)
        .pages[at]!.items.flatMap((item) =>
          item.type === 'text' ? item.columns.flatMap(({ lines }) => lines.map(lineText)) : [],
        )
        .sort();
    expect(words(0)).toEqual([]);
    expect(words(1)).toEqual(['2', 'The Tide Table']);
    expect(words(2)).toEqual(['3', 'No. 7, March 2027']);
  });

  it('takes one master where there is but one', () => {
    const house = startingHouse('magazine', 'en-GB', { pages: [] }).filter(({ id }) => id !== 'plain');
    const pages = startIssue(house, { ...ORDER, pages: 2 }).filter((record) => record.kind === 'page');
    expect(pages.map(({ master }) => master)).toEqual(['text', 'text']);
  });
});

// Common practice: stitched work is folded from sheets of four pages.
it('knows which numbers of pages can be stitched', () => {
  expect([4, 8, 32].map(pageCountAdvice)).toEqual([undefined, undefined, undefined]);
  expect(pageCountAdvice(6)).toEqual({ less: 4, more: 8 });
  expect(pageCountAdvice(33)).toEqual({ less: 32, more: 36 });
  expect(pageCountAdvice(1)).toEqual({ less: 4, more: 4 });
});
