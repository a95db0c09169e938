'use client';

import { useState } from 'react';
import { pageGrid, type Stretch, stretchBox } from '@/core/page/grid';
import type { PlacedPage } from '@/core/page/pages';
import type { Desk } from '../useDesk';
import { Range } from './Range';

/** Marks out a stretch of grid by numbers. */
export function MarkOutSection({ desk: { format, hand }, page, name }: { desk: Desk; page: PlacedPage; name: string }) {
  const [marked, setMarked] = useState<Stretch>({ columns: [1, 1], lines: [1, 10] });
  const grid = pageGrid(format, page.master, page.side);
  return (
    <section aria-label="Mark out a stretch">
      <h3 className="chapter pb-1">Mark out a stretch of {name}</h3>
      <Range
        name="Columns"
        from={marked.columns[0]}
        to={marked.columns[1]}
        most={grid.columns.length}
        onChange={(from, to) => setMarked({ ...marked, columns: [from, to] })}
      />
      <Range
        name="Lines"
        from={marked.lines[0]}
        to={marked.lines[1]}
        most={grid.lines}
        onChange={(from, to) => setMarked({ ...marked, lines: [from, to] })}
      />
      <button
        type="button"
        className="btn btn-xs mt-2"
        onClick={() => hand.take({ doing: 'asking', marked: { page, stretch: marked, box: stretchBox(grid, marked) } })}
      >
        Mark out
      </button>
    </section>
  );
}
