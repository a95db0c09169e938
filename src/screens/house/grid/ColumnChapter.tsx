'use client';

import { moduleRows } from '@/core/page/grid';
import { LEAST_GUTTER } from '@/core/page/practice';
import { LengthField } from '@/parts/LengthField';
import { NumberField } from '@/parts/NumberField';
import { Tick } from '@/parts/Tick';
import { Chapter } from '../../pages/detail/Chapter';
import type { GridChapterProps } from './chapter';

/** Columns, the gutters between them, and rows that make modules of them. */
export function ColumnChapter({ master, grid, actions, pressed }: GridChapterProps) {
  const { columns, gutter, widths, rows, textSpan } = master;
  const each = rows && moduleRows(grid, rows)[0];
  return (
    <Chapter name="Columns and modules" now={`${columns} columns`}>
      <div className="flex gap-2">
        <NumberField
          label="Columns"
          value={columns}
          least={-1e6}
          most={1e6}
          whole
          onChange={(count) => actions.grid({ columns: count })}
        />
        <LengthField label="Gutter" value={gutter} onChange={(points) => actions.grid({ gutter: points })} />
      </div>
      {columns > 1 && gutter < LEAST_GUTTER - 0.01 && (
        <p className="text-warning">Under 5 mm, lines of neighbouring columns are easily read as one.</p>
      )}
      <NumberField
        label="Columns that running text takes together"
        value={textSpan}
        least={1}
        most={columns}
        whole
        onChange={(span) => actions.grid({ textSpan: span })}
      />
      {columns > 1 &&
        (widths ? (
          <>
            <div className="grid grid-cols-3 gap-x-2 gap-y-1">
              {grid.columns.map(({ w }, i) => (
                <LengthField
                  key={i}
                  label={`Column ${i + 1}`}
                  value={w}
                  onChange={(points) =>
                    actions.grid({
                      widths: withWidth(
                        grid.columns.map((column) => column.w),
                        i,
                        points,
                      ),
                    })
                  }
                />
              ))}
            </div>
            <button
              type="button"
              className="btn btn-xs self-start"
              onClick={() => pressed(() => actions.grid({ widths: undefined }))}
            >
              Make all columns alike
            </button>
          </>
        ) : (
          <p className="opacity-75">Drag a gutter on the page to make columns unequal.</p>
        ))}
      <Tick
        label="Rows that make modules"
        value={rows !== undefined}
        onChange={(on) => pressed(() => actions.grid({ rows: on ? { count: 4, gutterLines: 1 } : undefined }))}
      />
      {rows && (
        <>
          <div className="flex gap-2">
            <NumberField
              label="Rows"
              value={rows.count}
              least={1}
              most={100}
              whole
              onChange={(count) => actions.grid({ rows: { ...rows, count } })}
            />
            <NumberField
              label="Lines between"
              value={rows.gutterLines}
              least={0}
              most={20}
              whole
              onChange={(gutterLines) => actions.grid({ rows: { ...rows, gutterLines } })}
            />
          </div>
          {each && <p className="opacity-75">{each[1] - each[0] + 1} lines to a module</p>}
        </>
      )}
    </Chapter>
  );
}

/** One column as wide as is typed; what it takes or leaves goes to the others in their proportion. */
function withWidth(widths: readonly number[], index: number, points: number): number[] {
  const all = widths.reduce((sum, width) => sum + width, 0);
  if (!(points > 0 && points < all)) throw new RangeError('So wide a column leaves the others no width.');
  const rest = all - widths[index]!;
  return widths.map((width, i) => (i === index ? points : (width * (all - points)) / rest));
}
