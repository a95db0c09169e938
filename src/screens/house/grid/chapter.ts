import type { ComposerClient } from '@/client/composerClient';
import type { DocumentStore } from '@/client/documentStore';
import type { SpecimenSource } from '@/client/specimenSource';
import type { FormatChange, GridChange } from '@/core/actions/house';
import type { PageGrid } from '@/core/page/grid';
import type { FormatRecord, MasterRecord } from '@/core/records/index';

/** What every chapter of format and grid is shown and can do. */
export interface GridChapterProps {
  readonly format: FormatRecord;
  readonly master: MasterRecord;
  /** Of a right-hand page. */
  readonly grid: PageGrid;
  readonly actions: GridActions;
  /** Shows what a change would do while it is typed or dragged; undefined ends it. */
  readonly preview: (change: FormatChange | undefined, grid?: GridChange) => void;
  /** Does what a button was pressed for, and says it where it cannot be done. */
  readonly pressed: (work: () => void) => void;
}

/** Changes of format and grid. Those that would not do throw a sentence, which stands at the field they were typed into. */
export interface GridActions {
  readonly format: (change: FormatChange) => void;
  readonly grid: (change: GridChange) => void;
  readonly baseline: (step: number) => void;
}

/** What the chapter works with once it is open. */
export interface GridTools {
  readonly store: DocumentStore;
  readonly specimen: SpecimenSource;
  readonly composer: ComposerClient;
}
