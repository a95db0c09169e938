'use client';

import type { Box } from '@/core/geometry/box';
import { pageGrid, stretchBox, stretchOf, stretchWords } from '@/core/page/grid';
import type { FrameInSight } from '../frames/frameInSight';
import { useInHand } from '../hand/hand';
import type { Desk } from '../useDesk';
import { placeFrames } from '@/core/actions/frames';
import { PLACE } from '@/core/properties/sheet';
import type { Diff } from '@/core/records/diff';
import { Fields } from '@/parts/fields/Fields';
import { Group } from '@/parts/fields/Group';
import { ArrangeTools } from '../strip/ArrangeTools';
import { Range } from './Range';

/** Where a frame lies: in grid terms first, in lengths second. */
export function PlaceChapter({ desk, each }: { desk: Desk; each: FrameInSight }) {
  const { page, box } = useInHand(desk.hand, each, desk.spread.pages);
  const onBox = (to: Box) => {
    // A frame that grows is as high as its text: unless its height is what was typed, its own stays.
    const h = to.h === box.h ? each.frame.box.h : to.h;
    desk.actions.move(new Map([[each.frame.id, { on: page.page.id, box: { ...to, h } }]]), 'Place a frame by numbers');
  };
  /** What a place would do while it is typed or dragged; nothing where it will not do. */
  const placed = (to: Box): Diff | null => {
    try {
      return placeFrames(desk.store.document, new Map([[each.frame.id, { on: page.page.id, box: to }]]));
    } catch {
      return null;
    }
  };
  const grid = pageGrid(desk.format, page.master, page.side);
  const at = stretchOf(grid, box);
  return (
    <Group name={at.onColumns ? 'Place' : 'Place, off the columns'} now={stretchWords(at)}>
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
      <div className="-mx-1 flex flex-wrap items-center pt-1.5">
        <ArrangeTools alone count={1} actions={desk.frameActions} />
      </div>
      <Fields
        table={PLACE}
        of={[box]}
        onPreview={(key, value) => desk.composer.draft(value === undefined ? null : placed({ ...box, [key]: value }))}
        onChange={(key, value) => onBox({ ...box, [key]: value })}
      />
    </Group>
  );
}

const across = ({ x, w }: Box) => ({ x, w });
const down = ({ y, h }: Box) => ({ y, h });
