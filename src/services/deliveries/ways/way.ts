import type { CheckReport } from '@/core/checks/report';
import type { Composed } from '@/core/compose/composer';
import type { WayChoices, WayName } from '@/core/handoff/ways';
import type { Document } from '@/core/records/document';
import type { Shaper } from '@/core/type/shaper';

/** What a file is made from. */
export interface Material<W extends WayName> {
  /** As it goes out: without layers that do not print. */
  readonly document: Document;
  /** All of it, and where it is kept, at the change that is delivered. */
  readonly whole: Document;
  readonly source: { readonly id: string; readonly seq: number };
  readonly composed: Composed;
  readonly shaper: Shaper;
  readonly choices: WayChoices[W];
  /** What was found before it is made. */
  readonly report: CheckReport;
  /** When the delivery was asked for. */
  readonly at: Date;
  /** Told after every page how many are done; throws where the work is to stop. */
  readonly progress: (done: number, of: number) => Promise<void>;
}

/** How what goes out one way is made. */
export type WayOut<W extends WayName> = (material: Material<W>) => Promise<Uint8Array>;
