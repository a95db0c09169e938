import type { DeskStore } from '@/client/deskStore';
import { all } from '@/core/records/document';
import type { CharacterStyleRecord, ParagraphStyleRecord, SwatchRecord } from '@/core/records/index';
import { type StyleSheet, styleSheet } from '@/core/type/styles';

/** What text of a document can be formatted with: the same object as long as none of it changes. */
export interface StyleLists {
  readonly paragraph: readonly ParagraphStyleRecord[];
  readonly character: readonly CharacterStyleRecord[];
  readonly swatch: readonly SwatchRecord[];
  readonly sheet: StyleSheet;
}

const known = new WeakMap<DeskStore, StyleLists>();

/** With every key there is another document; what it is formatted with is compared, so that nothing is drawn again for it. */
export function styleLists(store: DeskStore): StyleLists {
  const { document } = store;
  const now = {
    paragraph: all(document, 'paragraphStyle'),
    character: all(document, 'characterStyle'),
    swatch: all(document, 'swatch'),
  };
  const before = known.get(store);
  const isSame = before && (['paragraph', 'character', 'swatch'] as const).every((kind) => alike(before[kind], now[kind]));
  if (isSame) return before;
  const lists = { ...now, sheet: styleSheet(document) };
  known.set(store, lists);
  return lists;
}

const alike = (a: readonly unknown[], b: readonly unknown[]): boolean =>
  a.length === b.length && a.every((each, i) => each === b[i]);
