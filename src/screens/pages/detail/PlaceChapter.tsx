'use client';

import type { Box } from '@/core/geometry/box';
import { pageGrid, stretchBox, stretchOf, stretchWords } from '@/core/page/grid';
import type { PlacedPage } from '@/core/page/pages';
import type { FormatRecord } from '@/core/records/index';
import { LengthField } from '@/parts/LengthField';
import { Chapter } from './Chapter';
import { Range } from './Range';

interface PlaceChapterProps {
  readonly format: FormatRecord;
  readonly page: PlacedPage;
  readonly box: Box;
  readonly onBox: (box: Box) => void;
}

/** Where a frame lies: in grid terms first, in lengths second. */
export function PlaceChapter({ format, page, box, onBox }: PlaceChapterProps) {
  const grid = pageGrid(format, page.master, page.side);
  const at = stretchOf(grid, box);
  return (
    <Chapter name={at.onColumns ? 'Place' : 'Place, off the columns'} now={stretchWords(at)}>
      <div>
        <Range
          name="Columns"
          from={at.columns[0]}
          to={at.columns[1]}
          most={grid.columns.length}
          onChange={(from, to) => onBox({ ...box, ...across(stretchBox(grid, { ...at, columns: [from, to] })) })}
        />
        <Range
          name="Lines"
          from={at.lines[0]}
          to={at.lines[1]}
          most={grid.lines}
          onChange={(from, to) => onBox({ ...box, ...down(stretchBox(grid, { ...at, lines: [from, to] })) })}
        />
      </div>
      <div className="flex gap-2">
        <LengthField label="From left" value={box.x} onChange={(x) => onBox({ ...box, x })} />
        <LengthField label="From top" value={box.y} onChange={(y) => onBox({ ...box, y })} />
      </div>
      <div className="flex gap-2">
        <LengthField label="Width" value={box.w} onChange={(w) => onBox({ ...box, w })} />
        <LengthField label="Height" value={box.h} onChange={(h) => onBox({ ...box, h })} />
      </div>
    </Chapter>
  );
}

const across = ({ x, w }: Box) => ({ x, w });
const down = ({ y, h }: Box) => ({ y, h });
