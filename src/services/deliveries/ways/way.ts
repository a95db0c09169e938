import type { Composed } from '@/core/compose/composer';
import type { Document } from '@/core/records/document';
import type { Shaper } from '@/core/type/shaper';
import type { DeliveryOptions } from '@/store/deliveries';

/** What a file is made from. */
export interface Material {
  readonly document: Document;
  readonly composed: Composed;
  readonly shaper: Shaper;
  readonly options: DeliveryOptions;
  /** Told after every page how many are done; throws where the work is to stop. */
  readonly progress: (done: number, of: number) => Promise<void>;
}

/** A way out: a kind of file that an issue is delivered as. */
export interface WayOut {
  readonly id: DeliveryOptions['purpose'];
  readonly ending: string;
  readonly media: string;
  make(material: Material): Promise<Uint8Array>;
}
