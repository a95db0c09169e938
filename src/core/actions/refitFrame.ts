import { type PaperGrid, refitted } from '../page/refit';
import type { FrameRecord } from '../records/index';
import type { Edit } from './edit';
import { textColumns } from './frames';

/** Moves a frame from one grid to another: of another master, of another state of its own, or of the page's other side. */
export function refitFrame(edit: Edit, frame: FrameRecord, from: PaperGrid, to: PaperGrid): void {
  const box = refitted(frame.box, from, to);
  const { content } = frame;
  if (content.type !== 'text') return void edit.put({ ...frame, box });
  // A text that was divided as the house divides such a box is divided so again.
  const byHouse = content.columns === textColumns(from.grid, from.master, frame.box);
  const columns = byHouse ? textColumns(to.grid, to.master, box) : content.columns;
  const gutter = content.gutter === from.grid.gutter ? to.grid.gutter : content.gutter;
  edit.put({ ...frame, box, content: { ...content, columns, gutter } });
}
