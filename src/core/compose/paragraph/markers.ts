import { counted } from '../../page/folio';
import type { ParagraphProperties } from '../../records/paragraphStyle';
import type { ListAttrs } from '../../records/text';

/** What stands before a list item. */
export function markerText(list: ListAttrs, style: ParagraphProperties): string {
  return list.kind === 'bullet' ? style.bullet : `${counted(list.number ?? 1, style.numbering)}.`;
}
