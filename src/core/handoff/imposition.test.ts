import fc from 'fast-check';
import { describe, expect, it } from 'vitest';
import { imposed, type SheetSide, SIGNATURES } from './imposition';

/** Rows of a side as a printer writes them: numbers, with “v” for those whose head is down. */
const written = ({ columns, rows, cells }: SheetSide): string[] =>
  Array.from({ length: rows }, (_, row) =>
    Array.from({ length: columns }, (_, column) => {
      const cell = cells.find((each) => each.column === column && each.row === row)!;
      return `${cell.page ?? '-'}${cell.turned ? 'v' : ''}`;
    }).join(' '),
  );

describe('a signature', () => {
  // Worked by hand. A leaflet of four: the sheet is folded once, page 1 outside on the right, 4 on its left; inside 2 and 3.
  it('of 4 pages', () => {
    const [sheet, ...more] = imposed(4, 'saddle', 4, 0);
    expect(more).toEqual([]);
    expect(written(sheet!.front)).toEqual(['4 1']);
    expect(written(sheet!.back)).toEqual(['2 3']);
  });

  // A sheet of paper was folded top to bottom, then left to right, its leaves numbered 1 to 8, and opened again: outside 8 and 1 at the
  // foot with 5 and 4 head down above them; inside 2 and 7 at the foot with 3 and 6 head down above them. Common practice.
  it('of 8 pages', () => {
    const [sheet] = imposed(8, 'bound', 8, 0);
    expect(written(sheet!.front)).toEqual(['5v 4v', '8 1']);
    expect(written(sheet!.back)).toEqual(['3v 6v', '2 7']);
  });

  // The same with three folds, right, top, left. Common practice, as handbooks of printing give it (from memory).
  it('of 16 pages', () => {
    const [sheet] = imposed(16, 'bound', 16, 0);
    expect(written(sheet!.front)).toEqual(['5v 12v 9v 8v', '4 13 16 1']);
    expect(written(sheet!.back)).toEqual(['7v 10v 11v 6v', '2 15 14 3']);
  });
});

describe('sheets', () => {
  it('that lie in one another have their outer pages first and last', () => {
    const sheets = imposed(12, 'saddle', 4, 0);
    expect(sheets.map(({ front, back }) => [written(front), written(back)])).toEqual([
      [['12 1'], ['2 11']],
      [['10 3'], ['4 9']],
      [['8 5'], ['6 7']],
    ]);
  });

  it('that lie behind one another go on where the one before ends', () => {
    const sheets = imposed(20, 'bound', 8, 0);
    expect(sheets).toHaveLength(3);
    expect(written(sheets[1]!.front)).toEqual(['13v 12v', '16 9']);
    // What is lacking stays blank at the end.
    expect(written(sheets[2]!.front)).toEqual(['-v 20v', '- 17']);
  });

  // Whatever the folding: a page and the next one are the two sides of one leaf, and spreads meet at the spine.
  it('hold every page once, with its other side behind it', () => {
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 120 }),
        fc.constantFrom(...SIGNATURES),
        fc.constantFrom('saddle', 'bound'),
        (pages, signature, binding) => {
          const sheets = imposed(pages, binding as 'saddle' | 'bound', signature, 0.3);
          const numbers = sheets.flatMap(({ front, back }) => [...front.cells, ...back.cells].flatMap(({ page }) => page ?? []));
          expect([...numbers].sort((a, b) => a - b)).toEqual(Array.from({ length: pages }, (_, i) => i + 1));
          for (const { front, back } of sheets)
            for (const cell of front.cells) {
              const behind = back.cells.find((each) => each.row === cell.row && each.column === front.columns - 1 - cell.column)!;
              expect(behind.turned).toBe(cell.turned);
              if (cell.page && behind.page) {
                expect(Math.abs(cell.page - behind.page)).toBe(1);
                expect(Math.min(cell.page, behind.page) % 2).toBe(1);
              }
              expect(behind.creep).toBe(cell.creep);
            }
        },
      ),
      { numRuns: 200 },
    );
  });

  // Common practice: the innermost sheet is pushed out by the thickness of those around it.
  it('creep by the thickness of what lies around them', () => {
    const creeps = imposed(16, 'saddle', 4, 0.3).map(({ front }) => front.cells.map(({ creep }) => Math.round(creep * 10) / 10));
    expect(creeps).toEqual([
      [0, 0],
      [0.3, 0.3],
      [0.6, 0.6],
      [0.9, 0.9],
    ]);
  });
});
