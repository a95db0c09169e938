import { type PaperGrid, refitted } from '../page/refit';
import type { FrameRecord } from '../records/index';
import type { Edit } from './edit';
import { textColumns } from './frames';
import { layoutOf, withLayout } from '../records/kinds/frames';

/** Moves a frame from one grid to another: of another master, of another state of its own, or of the page's other side. */
export function refitFrame(edit: Edit, frame: FrameRecord, from: PaperGrid, to: PaperGrid): void {
  const box = refitted(frame.box, from, to);
  const layout = layoutOf(frame.content);
  if (!layout) return void edit.put({ ...frame, box });
  // A text that was divided as the house divides such a box is divided so again.
  const byHouse = layout.columns === textColumns(from.grid, from.master, frame.box);
  const columns = byHouse ? textColumns(to.grid, to.master, box) : layout.columns;
  const gutter = layout.gutter === from.grid.gutter ? to.grid.gutter : layout.gutter;
  edit.put({ ...withLayout(frame, { columns, gutter }), box });
}
