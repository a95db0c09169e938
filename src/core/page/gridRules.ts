import { problem, tableProblem } from '../properties/limits';
import { BASELINE, COLUMNS, margins as marginTable, PAPER } from '../properties/sheet';
import type { FormatRecord, MasterRecord } from '../records/index';
import { pageGrid } from './grid';

/** A type area narrower or lower than this holds no line of any text. */
const LEAST_AREA = 12;

/** Which part of a page's design is wrong, and the sentence that says so. */
export interface GridProblem {
  readonly field: 'width' | 'height' | 'bleed' | 'safe' | 'margins' | 'columns' | 'gutter' | 'widths' | 'baseline' | 'rows';
  readonly message: string;
}

/** What is wrong with a page's format and grid; undefined when all is well. */
export function gridProblem(format: FormatRecord, master: MasterRecord): GridProblem | undefined {
  // Each figure by itself as its table has it, then all of them together.
  for (const [field, property] of Object.entries(PAPER)) {
    const message = problem(property, format[field as keyof typeof PAPER]);
    if (message) return { field: field as keyof typeof PAPER, message };
  }
  if (!(format.safe <= Math.min(format.width, format.height) / 2))
    return { field: 'safe', message: 'The safe area would leave nothing of the page.' };
  const lines = tableProblem(BASELINE, format.baseline);
  if (lines) return { field: 'baseline', message: lines };
  if (!(format.baseline.offset >= 0 && format.baseline.offset <= format.height))
    return { field: 'baseline', message: 'The first line must lie in the type area.' };
  const { margins, columns, gutter, rows, widths } = master;
  const white = tableProblem(marginTable(format.facing), margins);
  if (white) return { field: 'margins', message: white };
  const many = problem(COLUMNS.columns, columns);
  if (many) return { field: 'columns', message: many };
  const between = problem(COLUMNS.gutter, gutter);
  if (between) return { field: 'gutter', message: between };
  const grid = pageGrid(format, master, 'right');
  if (grid.area.w < LEAST_AREA || grid.area.h < LEAST_AREA || grid.lines < 1)
    return { field: 'margins', message: 'These margins leave no type area.' };
  const narrowest = Math.min(...grid.columns.map(({ w }) => w));
  if (columns > 1 && !(gutter <= narrowest)) return { field: 'gutter', message: 'The gutter would be wider than a column.' };
  if (!(narrowest >= 4)) return { field: 'columns', message: 'That many columns would have no width.' };
  if (widths && (widths.length !== columns || !widths.every((width) => width > 0)))
    return { field: 'widths', message: 'Every column needs a width.' };
  if (rows && Math.floor((grid.lines - rows.gutterLines * (rows.count - 1)) / rows.count) < 1)
    return { field: 'rows', message: 'That many rows would have no line each.' };
  return undefined;
}
