import type { PageGrid } from '@/core/page/grid';
import type { FormatRecord, MasterRecord } from '@/core/records/index';
import type { GridActions } from './GridBench';

/** What every chapter of format and grid is shown and can do. */
export interface GridChapterProps {
  readonly format: FormatRecord;
  readonly master: MasterRecord;
  /** Of a right-hand page. */
  readonly grid: PageGrid;
  readonly actions: GridActions;
  /** Does what a button was pressed for, and says it where it cannot be done. */
  readonly pressed: (work: () => void) => void;
}
