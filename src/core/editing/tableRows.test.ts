import fc from 'fast-check';
import { EditorState, TextSelection } from 'prosemirror-state';
import { describe, expect, it } from 'vitest';
import { cellOf, paragraph, tableOf } from '../../../tests/support/composed';
import { checkBody, docOf, plainText } from '../records/body';
import { changeRows, nextCell, rowTrouble } from './tableRows';
import { gridOf, tableAt } from './tables';

const words = (rows: readonly (readonly string[])[], headerRows = 1) =>
  tableOf(
    rows.map((row) => row.map((each) => cellOf([paragraph('body', each)]))),
    { columns: rows[0]!.map((_, i) => ({ share: i + 1 })), headerRows, inset: 2 },
  );

const ROWS = [
  ['Wind', 'Hours'],
  ['Light', '12'],
  ['Gale', '1'],
];

/** A state with the caret in the cell that holds some words. */
function at(cell: string, table = words(ROWS)): EditorState {
  const doc = docOf([paragraph('body', 'Before.'), table, paragraph('body', 'After.')]);
  let pos = 0;
  doc.descendants((node, start) => void (node.isText && node.text === cell && (pos = start)));
  const state = EditorState.create({ doc });
  return state.apply(state.tr.setSelection(TextSelection.create(doc, pos)));
}

const cellsIn = (state: EditorState) => gridOf(state.doc.child(1))!.cells;
const after = (state: EditorState, command: ReturnType<typeof changeRows>): EditorState => state.apply(command(state)!);
const caretIn = (state: EditorState): string => plainText(state.selection.$from.parent);

describe('rows and columns of a table', () => {
  it('come in above and below, left and right of the caret, empty and like those beside them', () => {
    const below = after(at('Light'), changeRows('rowBelow'));
    expect(cellsIn(below)).toEqual([ROWS[0], ROWS[1], ['', ''], ROWS[2]]);
    expect(caretIn(below)).toBe('');
    expect(cellsIn(after(at('Light'), changeRows('rowAbove')))).toEqual([ROWS[0], ['', ''], ROWS[1], ROWS[2]]);
    const right = after(at('Hours'), changeRows('columnRight'));
    expect(cellsIn(right)[1]).toEqual(['Light', '12', '']);
    expect(right.doc.child(1).attrs['columns']).toEqual([{ share: 1 }, { share: 2 }, { share: 2 }]);
    expect(cellsIn(after(at('12'), changeRows('columnLeft')))[0]).toEqual(['Wind', '', 'Hours']);
  });

  it('above a head make another of its rows, below it one of figures', () => {
    const more = after(at('Wind'), changeRows('rowAbove'));
    expect(more.doc.child(1).attrs['headerRows']).toBe(2);
    const figures = after(at('Wind'), changeRows('rowBelow'));
    expect(figures.doc.child(1).attrs['headerRows']).toBe(1);
    expect(cellsIn(figures)).toEqual([ROWS[0], ['', ''], ROWS[1], ROWS[2]]);
  });

  it('go, but for the last of them', () => {
    expect(cellsIn(after(at('Light'), changeRows('noRow')))).toEqual([ROWS[0], ROWS[2]]);
    const headless = after(at('Wind'), changeRows('noRow'));
    expect(headless.doc.child(1).attrs['headerRows']).toBe(0);
    const one = after(at('Hours'), changeRows('noColumn'));
    expect(cellsIn(one)).toEqual([['Wind'], ['Light'], ['Gale']]);
    expect(rowTrouble(one, 'noColumn')).toBe('It is the only column. Remove the whole table instead.');
    expect(changeRows('noColumn')(one)).toBeUndefined();
  });

  it('are left alone outside of tables, where they are many, and where cells take several of them', () => {
    const outside = EditorState.create({ doc: docOf([paragraph('body', 'No table.')]) });
    expect(rowTrouble(outside, 'rowBelow')).toBe('The caret is in no table.');
    const wide = tableOf(
      [
        [cellOf([paragraph('body', 'Both')], { across: 2 })],
        [cellOf([paragraph('body', 'a')]), cellOf([paragraph('body', 'b')])],
      ],
      {
        columns: [{ share: 1 }, { share: 1 }],
        headerRows: 0,
        inset: 2,
      },
    );
    expect(rowTrouble(at('a', wide), 'columnLeft')).toMatch(/take several rows or columns/);
    const long = words(Array.from({ length: 200 }, (_, i) => [String(i), 'x']));
    expect(rowTrouble(at('7', long), 'rowBelow')).toBe('A table has 200 rows at most.');
  });

  it('are right after any changes one upon another', () => {
    const changes = ['rowAbove', 'rowBelow', 'columnLeft', 'columnRight', 'noRow', 'noColumn'] as const;
    fc.assert(
      fc.property(fc.array(fc.constantFrom(...changes), { maxLength: 12 }), (list) => {
        let state = at('Light');
        let [rows, columns] = [3, 2];
        for (const change of list) {
          const isRefused = (change === 'noRow' && rows === 1) || (change === 'noColumn' && columns === 1);
          expect(rowTrouble(state, change) !== undefined).toBe(isRefused);
          if (isRefused) continue;
          state = after(state, changeRows(change));
          rows += change.startsWith('row') ? 1 : change === 'noRow' ? -1 : 0;
          columns += change.startsWith('column') ? 1 : change === 'noColumn' ? -1 : 0;
          checkBody(state.doc);
          const table = state.doc.child(1);
          expect(table.childCount).toBe(rows);
          for (const row of table.children) expect(row.childCount).toBe(columns);
          expect(table.attrs['columns']).toHaveLength(columns);
          expect(table.attrs['headerRows']).toBeLessThanOrEqual(rows);
          expect(tableAt(state)).toBeDefined();
        }
      }),
    );
  });
});

describe('from cell to cell', () => {
  it('goes on in the next row, back in the one before, and behind the last adds a row', () => {
    let state = at('Wind');
    const met: string[] = [];
    for (let i = 0; i < 6; i++) {
      met.push(caretIn(state));
      state = after(state, nextCell(1));
    }
    expect(met).toEqual(ROWS.flat());
    expect(cellsIn(state)).toEqual([...ROWS, ['', '']]);
    expect(caretIn(after(after(state, nextCell(-1)), nextCell(-1)))).toBe('Gale');
    expect(caretIn(after(at('Wind'), nextCell(-1)))).toBe('Wind');
    expect(nextCell(1)(EditorState.create({ doc: docOf([paragraph('body', 'x')]) }))).toBeUndefined();
  });
});
