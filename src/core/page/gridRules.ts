import { formatLength } from '../length/length';
import type { FormatRecord, MasterRecord } from '../records/index';
import { pageGrid } from './grid';

/** Points. A page is at least half an inch, the least that a machine can trim, and at most what a wide press prints. */
export const LEAST_PAGE = 36;
export const MOST_PAGE = 10_000;
export const MOST_BLEED = 144;
export const MOST_COLUMNS = 40;

/** A type area narrower or lower than this holds no line of any text. */
const LEAST_AREA = 12;

/** Which part of a page's design is wrong, and the sentence that says so. */
export interface GridProblem {
  readonly field: 'width' | 'height' | 'bleed' | 'safe' | 'margins' | 'columns' | 'gutter' | 'widths' | 'baseline' | 'rows';
  readonly message: string;
}

const isLength = (value: number, least: number, most: number): boolean => value >= least && value <= most;

/** What is wrong with a page's format and grid; undefined when all is well. Lengths are said in millimetres. */
export function gridProblem(format: FormatRecord, master: MasterRecord): GridProblem | undefined {
  const said = (points: number) => formatLength(points, 'mm');
  for (const field of ['width', 'height'] as const) {
    if (!isLength(format[field], LEAST_PAGE, MOST_PAGE))
      return { field, message: `A page is between ${said(LEAST_PAGE)} and ${said(MOST_PAGE)} wide and high.` };
  }
  if (!isLength(format.bleed, 0, MOST_BLEED)) return { field: 'bleed', message: `A bleed is between 0 and ${said(MOST_BLEED)}.` };
  if (!isLength(format.safe, 0, Math.min(format.width, format.height) / 2))
    return { field: 'safe', message: 'The safe area would leave nothing of the page.' };
  if (!isLength(format.baseline.step, 2, 400)) return { field: 'baseline', message: 'Lines are between 2 and 400 pt apart.' };
  if (!isLength(format.baseline.offset, 0, format.height))
    return { field: 'baseline', message: 'The first line lies in the type area.' };
  const { margins, columns, gutter, rows, widths } = master;
  if (!Object.values(margins).every((margin) => margin >= 0))
    return { field: 'margins', message: 'A margin is not below nothing.' };
  if (!Number.isInteger(columns) || columns < 1 || columns > MOST_COLUMNS)
    return { field: 'columns', message: `A page has 1 to ${MOST_COLUMNS} columns.` };
  const grid = pageGrid(format, master, 'right');
  if (grid.area.w < LEAST_AREA || grid.area.h < LEAST_AREA || grid.lines < 1)
    return { field: 'margins', message: 'These margins leave no type area.' };
  if (!(gutter >= 0)) return { field: 'gutter', message: 'A gutter is not below nothing.' };
  const narrowest = Math.min(...grid.columns.map(({ w }) => w));
  if (columns > 1 && !(gutter <= narrowest)) return { field: 'gutter', message: 'The gutter would be wider than a column.' };
  if (!(narrowest >= 4)) return { field: 'columns', message: 'So many columns would have no width.' };
  if (widths && (widths.length !== columns || !widths.every((width) => width > 0)))
    return { field: 'widths', message: 'Every column has a width.' };
  if (rows && Math.floor((grid.lines - rows.gutterLines * (rows.count - 1)) / rows.count) < 1)
    return { field: 'rows', message: 'So many rows would have no line each.' };
  return undefined;
}
