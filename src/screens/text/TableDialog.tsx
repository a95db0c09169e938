'use client';

import { Plus, X } from 'lucide-react';
import { useState } from 'react';
import {
  type CellGrid,
  COLUMN_ALIGNS,
  type ColumnAlign,
  gridOf,
  MOST_COLUMNS,
  MOST_ROWS,
  putTable,
  tableAt,
  type TableDress,
  type TableLook,
  tableNode,
} from '@/core/editing/tables';
import { areCells, readCells } from '@/formats/copy/cells';
import { CellField } from '@/parts/CellField';
import { Choice } from '@/parts/Choice';
import { Dialog } from '@/parts/Dialog';
import { NumberField } from '@/parts/NumberField';
import { Select } from '@/parts/Select';
import { Tick } from '@/parts/Tick';
import type { Formatter } from './formatter';

const EMPTY: CellGrid = {
  cells: [
    ['', '', ''],
    ['', '', ''],
    ['', '', ''],
  ],
  headerRows: 1,
  hasTotal: false,
  aligns: ['left', 'left', 'left'],
  look: 'ruled',
};

const ALIGN_NAMES: Readonly<Record<ColumnAlign, string>> = {
  left: 'Left',
  centre: 'Centred',
  right: 'Right',
  decimal: 'Decimal',
};

const LOOKS: readonly { readonly value: TableLook; readonly name: string }[] = [
  { value: 'ruled', name: 'Ruled' },
  { value: 'banded', name: 'Banded' },
  { value: 'framed', name: 'Framed' },
  { value: 'open', name: 'Open' },
];

interface TableDialogProps {
  readonly formatter: Formatter;
  readonly dress: TableDress;
  readonly onClose: () => void;
}

/** The table the caret is in, or a new one behind its paragraph: cells typed, or pasted from a spreadsheet. */
export function TableDialog({ formatter, dress, onClose }: TableDialogProps) {
  const selected = formatter.selected();
  const there = selected && tableAt(selected.state);
  const before = there && gridOf(there.node);
  const [grid, setGrid] = useState<CellGrid>(before ?? EMPTY);
  const [says, setSays] = useState<string>();
  const width = grid.aligns.length;
  const set = (change: Partial<CellGrid>) => setGrid((now) => ({ ...now, ...change }));
  const withCell = (r: number, c: number, words: string) =>
    set({ cells: grid.cells.map((row, i) => (i === r ? row.map((cell, k) => (k === c ? words : cell)) : row)) });
  const sized = (cells: readonly (readonly string[])[], columns: number) => ({
    cells: cells.map((row) => Array.from({ length: columns }, (_, i) => row[i] ?? '')),
    aligns: Array.from({ length: columns }, (_, i) => grid.aligns[i] ?? ('left' as ColumnAlign)),
  });
  /** Pasted cells lie over those from the one with the caret on; the table grows to hold them. */
  const paste = (r: number, c: number, words: string): boolean => {
    if (!areCells(words)) return false;
    const pasted = readCells(words);
    const [rows, columns] = [r + pasted.length, c + Math.max(0, ...pasted.map((row) => row.length))];
    if (rows > MOST_ROWS || columns > MOST_COLUMNS) {
      setSays(
        `That would be ${rows} rows of ${columns} columns; ${MOST_ROWS} rows of ${MOST_COLUMNS} is the most. Nothing was pasted.`,
      );
      return true;
    }
    const next = sized(
      Array.from({ length: Math.max(rows, grid.cells.length) }, (_, i) => grid.cells[i] ?? []),
      Math.max(columns, width),
    );
    pasted.forEach((row, i) => row.forEach((cell, k) => (next.cells[r + i]![c + k] = cell)));
    setSays(undefined);
    set(next);
    return true;
  };
  const take = () => {
    formatter.run(putTable(tableNode(grid, dress, there?.node)), there ? 'Change a table' : 'Add a table');
    onClose();
  };
  if (there && !before)
    return (
      <Dialog title="Table" onClose={onClose}>
        <div className="flex flex-col gap-3 p-5">
          <h2 className="text-lg font-semibold">Table</h2>
          <p>Some cells span several columns or rows. Change their words on the page.</p>
          <button type="button" className="btn btn-sm self-start" onClick={onClose}>
            Close
          </button>
        </div>
      </Dialog>
    );
  return (
    <Dialog title="Table" size="wide" onClose={onClose}>
      <form
        className="flex max-h-[calc(100vh-12rem)] flex-col gap-3 p-5"
        onSubmit={(event) => {
          event.preventDefault();
          take();
        }}
      >
        <h2 className="text-lg font-semibold">{there ? 'Change the table' : 'New table'}</h2>
        <div className="flex items-end gap-4">
          <div className="w-28">
            <NumberField
              label="Heading rows"
              value={grid.headerRows}
              least={0}
              most={Math.max(0, Math.min(5, grid.cells.length - 1))}
              whole
              onChange={(headerRows) => set({ headerRows })}
            />
          </div>
          <Tick label="Last row is a total" value={grid.hasTotal} onChange={(hasTotal) => set({ hasTotal })} />
          <div className="ml-auto">
            <Choice label="Look" value={grid.look} of={LOOKS} onChange={(look) => set({ look })} />
          </div>
        </div>
        <div className="border-base-300 min-h-0 overflow-auto border">
          <table className="w-full border-collapse">
            <thead>
              <tr>
                {grid.aligns.map((align, c) => (
                  <th key={c} className="border-base-300 min-w-24 border p-1 font-normal">
                    <div className="flex items-end gap-1">
                      <Select
                        label={`Column ${c + 1}`}
                        value={align}
                        of={COLUMN_ALIGNS.map((value) => ({ value, name: ALIGN_NAMES[value] }))}
                        onChange={(value) => set({ aligns: grid.aligns.with(c, value) })}
                      />
                      {width > 1 && (
                        <button
                          type="button"
                          className="btn btn-ghost btn-xs btn-square"
                          aria-label={`Remove column ${c + 1}`}
                          onClick={() =>
                            set({
                              cells: grid.cells.map((row) => row.filter((_, i) => i !== c)),
                              aligns: grid.aligns.filter((_, i) => i !== c),
                            })
                          }
                        >
                          <X size={12} />
                        </button>
                      )}
                    </div>
                  </th>
                ))}
                <th className="w-8">
                  <button
                    type="button"
                    className="btn btn-ghost btn-xs btn-square"
                    aria-label="Add a column"
                    disabled={width >= MOST_COLUMNS}
                    onClick={() => set(sized(grid.cells, width + 1))}
                  >
                    <Plus size={13} />
                  </button>
                </th>
              </tr>
            </thead>
            <tbody>
              {grid.cells.map((row, r) => (
                <tr
                  key={r}
                  className={
                    r < grid.headerRows
                      ? 'font-semibold'
                      : grid.hasTotal && r === grid.cells.length - 1
                        ? 'bg-base-200 font-semibold'
                        : ''
                  }
                >
                  {grid.aligns.map((align, c) => (
                    <CellField
                      key={c}
                      label={`Row ${r + 1}, column ${c + 1}`}
                      value={row[c] ?? ''}
                      most={2000}
                      align={align === 'decimal' ? 'right' : align}
                      first={r === 0 && c === 0}
                      onChange={(words) => withCell(r, c, words)}
                      onPaste={(words) => paste(r, c, words)}
                    />
                  ))}
                  <td>
                    {grid.cells.length > 1 && (
                      <button
                        type="button"
                        className="btn btn-ghost btn-xs btn-square"
                        aria-label={`Remove row ${r + 1}`}
                        onClick={() => set({ cells: grid.cells.filter((_, i) => i !== r) })}
                      >
                        <X size={12} />
                      </button>
                    )}
                  </td>
                </tr>
              ))}
            </tbody>
          </table>
        </div>
        {says && (
          <p role="alert" className="text-error">
            {says}
          </p>
        )}
        <div className="flex items-center gap-2">
          <button type="submit" className="btn btn-primary btn-sm font-semibold">
            {there ? 'Change the table' : 'Add the table'}
          </button>
          <button
            type="button"
            className="btn btn-sm"
            disabled={grid.cells.length >= MOST_ROWS}
            onClick={() => set({ cells: [...grid.cells, grid.aligns.map(() => '')] })}
          >
            Add a row
          </button>
          <span className="narrow opacity-75">Paste cells from a spreadsheet into any of them.</span>
        </div>
      </form>
    </Dialog>
  );
}
