import { gridProblem } from '../page/gridRules';
import { formatOf, placedPages } from '../page/pages';
import { snappedBottom } from '../page/practice';
import { type PaperGrid, paperGrid } from '../page/refit';
import type { Diff } from '../records/diff';
import { all, type Document, framesOn, get } from '../records/document';
import type { FormatRecord, MasterRecord } from '../records/index';
import { said } from '../records/said';
import { ActionError, Edit } from './edit';
import { refitFrame } from './refitFrame';

export type FormatChange = Partial<Omit<FormatRecord, 'id' | 'kind'>>;
export type GridChange = Partial<
  Pick<MasterRecord, 'margins' | 'columns' | 'gutter' | 'widths' | 'rows' | 'guides' | 'textSpan'>
>;

/** Thrown where a page's design would not do; `field` says which part of it. */
export class GridError extends ActionError {
  override name = 'GridError';
  readonly field: string;

  constructor(field: string, message: string) {
    super(message);
    this.field = field;
  }
}

/**
 * Gives a document another format, for all its pages. Frames that lie on the grid of theirs lie on it again.
 * @throws GridError with the field and a sentence
 */
export function setFormat(document: Document, change: FormatChange): Diff {
  const edit = new Edit(document);
  const format = formatOf(document);
  edit.put(said({ ...format, ...change }));
  return refit(edit, document, all(document, 'master'));
}

/** Gives the pages of a master another grid. @throws GridError with the field and a sentence */
export function setGrid(document: Document, id: string, change: GridChange): Diff {
  const edit = new Edit(document);
  const master = get(document, 'master', id);
  const next = said({ ...master, ...change });
  // Widths of other columns than there are say nothing.
  if (change.columns !== undefined && change.columns !== master.columns && !change.widths)
    delete (next as { widths?: unknown }).widths;
  edit.put({ ...next, textSpan: Math.min(next.textSpan, Math.max(1, next.columns)) });
  return refit(edit, document, [master]);
}

/** Takes the baseline grid from a leading, and makes the type area of every master a whole number of lines of it. */
export function setBaseline(document: Document, step: number): Diff {
  const edit = new Edit(document);
  const format = formatOf(document);
  const next = { ...format, baseline: { ...format.baseline, step } };
  const masters = all(document, 'master');
  for (const master of masters) {
    const problem = gridProblem(next, master);
    if (problem) throw new GridError(problem.field, problem.message);
  }
  edit.put(next);
  for (const master of masters)
    edit.put({ ...master, margins: { ...master.margins, bottom: snappedBottom(next, master.margins).bottom } });
  return refit(edit, document, masters);
}

/** Moves frames from the grids their masters had to those they have. */
function refit(edit: Edit, before: Document, masters: readonly MasterRecord[]): Diff {
  const oldFormat = formatOf(before);
  const format = formatOf(edit.document);
  const grids = new Map<string, Readonly<Record<'left' | 'right', readonly [PaperGrid, PaperGrid]>>>();
  for (const master of masters) {
    const now = get(edit.document, 'master', master.id);
    const problem = gridProblem(format, now);
    if (problem) throw new GridError(problem.field, problem.message);
    const on = (side: 'left' | 'right') => [paperGrid(oldFormat, master, side), paperGrid(format, now, side)] as const;
    const own = { left: on('left'), right: on('right') };
    grids.set(master.id, own);
    for (const frame of framesOn(before, master.id)) refitFrame(edit, frame, ...own[frame.side === 'left' ? 'left' : 'right']);
  }
  for (const { page, side } of placedPages(before)) {
    const own = grids.get(page.master)?.[side];
    if (own) for (const frame of framesOn(before, page.id)) refitFrame(edit, frame, ...own);
  }
  return edit.diff();
}
