import fc from 'fast-check';
import { EditorState, TextSelection } from 'prosemirror-state';
import { describe, expect, it } from 'vitest';
import { cellOf, paragraph, tableOf, text, mark } from '../../../tests/support/composed';
import { areCells, readCells } from '../../formats/copy/cells';
import { docOf, plainText } from '../records/body';
import { type CellGrid, COLUMN_ALIGNS, gridOf, putTable, TABLE_LOOKS, tableAt, tableNode, underOneAnother } from './tables';

const DRESS = { ink: 'ink', tint: 'tint', style: 'tableText', headStyle: 'tableHead', isRunning: false };

describe('figures under one another', () => {
  it('have their decimal points at one place, whatever stands behind them', () => {
    // Of one width each: a figure, a figure space; the point, a punctuation space (Unicode, chapter 6.2).
    expect(underOneAnother(['1', '12.5', '−0.25', 'none'])).toEqual(['1\u2008\u2007\u2007', '12.5\u2007', '−0.25', 'none']);
    expect(underOneAnother(['1', '12'])).toEqual(['1', '12']);
    expect(underOneAnother(['£ 1,204.50', '3 kn', ''])).toEqual(['£ 1,204.50', '3 kn\u2008\u2007\u2007', '']);
  });

  it('stand alike however many there are', () => {
    fc.assert(
      fc.property(fc.array(fc.tuple(fc.nat(9999), fc.nat(3)), { minLength: 1, maxLength: 30 }), (figures) => {
        const set = underOneAnother(figures.map(([figure, places]) => figure.toFixed(places)));
        const behind = (words: string) =>
          words.includes('.')
            ? words.length - words.indexOf('.')
            : words.includes('\u2008')
              ? words.length - words.indexOf('\u2008')
              : 0;
        expect(new Set(set.map(behind)).size).toBe(1);
      }),
    );
  });
});

describe('a table', () => {
  it('that is edited is read as it was made', () => {
    const word = fc.stringMatching(/^[A-Za-z][a-z]{0,8}$/);
    fc.assert(
      fc.property(
        fc.integer({ min: 1, max: 5 }).chain((columns) =>
          fc.record({
            cells: fc.array(fc.array(word, { minLength: columns, maxLength: columns }), { minLength: 3, maxLength: 6 }),
            headerRows: fc.integer({ min: 0, max: 1 }),
            hasTotal: fc.boolean(),
            aligns: fc.array(fc.constantFrom(...COLUMN_ALIGNS.slice(0, 3)), { minLength: columns, maxLength: columns }),
            look: fc.constantFrom(...TABLE_LOOKS),
          }),
        ),
        (grid) => {
          expect(gridOf(tableNode(grid, DRESS))).toEqual(grid);
        },
      ),
    );
  });

  it('keeps what is formatted in cells whose words stay, and the widths of its columns', () => {
    const before = tableOf(
      [
        [cellOf([paragraph('tableText', 'Wind')]), cellOf([paragraph('tableText', 'Knots')])],
        [cellOf([paragraph('tableText', [text('Light', mark('emphasis'))])]), cellOf([paragraph('tableText', '3')])],
      ],
      { columns: [{ share: 3 }, { points: 40 }], headerRows: 1, inset: 2 },
    );
    const grid = gridOf(before)!;
    const next = tableNode({ ...grid, cells: [grid.cells[0]!, ['Light', '4.5']], look: 'banded' }, DRESS, before);
    expect(next.attrs['columns']).toEqual([{ share: 3 }, { points: 40 }]);
    expect(
      next
        .child(1)
        .child(0)
        .firstChild!.firstChild!.marks.map(({ type }) => type.name),
    ).toEqual(['emphasis']);
    expect(plainText(next.child(1).child(1).firstChild!)).toBe('4.5');
    next.check();
  });

  it('whose cells take several columns is not edited as a grid', () => {
    const wide = tableOf([[cellOf([paragraph('body', 'Over both')], { across: 2 })]], {
      columns: [{ share: 1 }, { share: 1 }],
      headerRows: 0,
      inset: 0,
    });
    expect(gridOf(wide)).toBeUndefined();
  });

  it('comes behind the paragraph with the caret, or in the place of the one that has it', () => {
    const grid: CellGrid = {
      cells: [
        ['A', 'B'],
        ['1', '2'],
      ],
      headerRows: 1,
      hasTotal: false,
      aligns: ['left', 'right'],
      look: 'ruled',
    };
    const body = docOf([paragraph('body', 'Before'), paragraph('body', 'After')]);
    const state = EditorState.create({ doc: body, selection: TextSelection.create(body, 3) });
    const after = state.apply(putTable(tableNode(grid, DRESS))(state)!);
    expect(Array.from({ length: 3 }, (_, i) => after.doc.child(i).type.name)).toEqual(['paragraph', 'table', 'paragraph']);
    const inside = after.apply(after.tr.setSelection(TextSelection.near(after.doc.resolve(after.doc.child(0).nodeSize + 4))));
    expect(tableAt(inside)?.node).toBe(after.doc.child(1));
    const changed = inside.apply(putTable(tableNode({ ...grid, cells: [['C'], ['3']], aligns: ['left'] }, DRESS))(inside)!);
    expect(changed.doc.childCount).toBe(3);
    expect(changed.doc.child(1).textContent).toBe('C3');
    changed.doc.check();
  });
});

describe('pasted cells', () => {
  it('are read with tabs, commas and semicolons between them, quoted as RFC 4180 has it', () => {
    expect(readCells('Wind\tHours\nLight\t12\n')).toEqual([
      ['Wind', 'Hours'],
      ['Light', '12'],
    ]);
    expect(readCells('a,"b, ""quoted""",c\r\n1,2,3')).toEqual([
      ['a', 'b, "quoted"', 'c'],
      ['1', '2', '3'],
    ]);
    expect(readCells('a;b\n1;2,5')).toEqual([
      ['a', 'b'],
      ['1', '2,5'],
    ]);
    expect(areCells('One word')).toBe(false);
    expect(areCells('One\tTwo')).toBe(true);
  });
});
