'use client';

import { useState } from 'react';
import { pageGrid, type Stretch } from '@/core/page/grid';
import type { PlacedPage } from '@/core/page/pages';
import type { FormatRecord } from '@/core/records/index';
import { Range } from './Range';

interface MarkOutSectionProps {
  readonly format: FormatRecord;
  readonly page: PlacedPage;
  readonly name: string;
  readonly onMark: (page: PlacedPage, stretch: Stretch) => void;
}

/** Marks out a stretch of grid by numbers. */
export function MarkOutSection({ format, page, name, onMark }: MarkOutSectionProps) {
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
      <button type="button" className="btn btn-xs mt-2" onClick={() => onMark(page, marked)}>
        Mark out
      </button>
    </section>
  );
}
