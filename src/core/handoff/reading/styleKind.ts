import { COPY_STYLES } from '../../plan/copyStyles';
import { type Document, find } from '../../records/document';

/** What a paragraph style stands for where type is not seen: the house’s style for it, or one based on that. */
export function styleKind(document: Document, style: string): 'heading' | 'quotation' | undefined {
  let id: string | undefined = style;
  // Styles based on one another in a circle are broken, and end all the same.
  for (let steps = 0; id !== undefined && steps < MOST_STEPS; steps++) {
    if (id === COPY_STYLES.heading) return 'heading';
    if (id === COPY_STYLES.quotation) return 'quotation';
    id = find(document, 'paragraphStyle', id)?.basedOn;
  }
  return undefined;
}

const MOST_STEPS = 50;
