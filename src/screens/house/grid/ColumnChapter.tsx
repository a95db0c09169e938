'use client';

import { moduleRows } from '@/core/page/grid';
import { LEAST_GUTTER } from '@/core/page/practice';
import { LengthField } from '@/parts/LengthField';
import { COLUMNS, ROWS } from '@/core/properties/sheet';
import { Fields } from '@/parts/fields/Fields';
import { Tick } from '@/parts/Tick';
import { Group } from '@/parts/fields/Group';
import type { GridChapterProps } from './chapter';

/** Columns, the gutters between them, and rows that make modules of them. */
export function ColumnChapter({ master, grid, actions, preview, pressed }: GridChapterProps) {
  const { columns, gutter, widths, rows } = master;
  const each = rows && moduleRows(grid, rows)[0];
  return (
    <Group name="Columns and modules" now={`${columns} columns`}>
      <Fields
        table={COLUMNS}
        of={[master]}
        onPreview={(key, value) => preview(undefined, value === undefined ? undefined : { [key]: value })}
        onChange={(key, value) => actions.grid({ [key]: value })}
      />
      {columns > 1 && gutter < LEAST_GUTTER - 0.01 && (
        <p className="text-warning">Under 5 mm, lines of neighbouring columns are easily read as one.</p>
      )}
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
              Make columns equal
            </button>
          </>
        ) : (
          <p className="opacity-75">Drag a gutter on the page to make columns unequal.</p>
        ))}
      <Tick
        label="Module rows"
        value={rows !== undefined}
        onChange={(on) => pressed(() => actions.grid({ rows: on ? { count: 4, gutterLines: 1 } : undefined }))}
      />
      {rows && (
        <>
          <Fields
            table={ROWS}
            of={[rows]}
            onPreview={(key, value) => preview(undefined, value === undefined ? undefined : { rows: { ...rows, [key]: value } })}
            onChange={(key, value) => actions.grid({ rows: { ...rows, [key]: value } })}
          />
          {each && <p className="opacity-75">{each[1] - each[0] + 1} lines to a module</p>}
        </>
      )}
    </Group>
  );
}

/** One column as wide as is typed; what it takes or leaves goes to the others in their proportion. */
function withWidth(widths: readonly number[], index: number, points: number): number[] {
  const all = widths.reduce((sum, width) => sum + width, 0);
  if (!(points > 0 && points < all)) throw new RangeError('A column that wide leaves the others no width.');
  const rest = all - widths[index]!;
  return widths.map((width, i) => (i === index ? points : (width * (all - points)) / rest));
}
