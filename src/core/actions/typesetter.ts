import type { Composed } from '../compose/composer';
import type { Document } from '../records/document';

/** What actions that must see how text falls ask: the composer, or anything that composes. */
export interface Typesetter {
  compose(document: Document): Composed;
}
