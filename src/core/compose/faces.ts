import type { Document } from '../records/document';
import { chooseFace } from '../type/catalogue';
import { PLAIN, styleSheet } from '../type/styles';

/**
 * The faces a document may be set in: for each of its styles the face itself, its italic, its bold and its bold
 * italic, as emphasis in a text may ask for any of them.
 */
export function facesOf(document: Document): string[] {
  const ids = new Set<string>();
  for (const style of [PLAIN, ...styleSheet(document).values()]) {
    for (const weight of [style.weight, Math.max(700, style.weight)]) {
      for (const italic of [false, true]) {
        const choice = chooseFace(style.family, weight, italic) ?? chooseFace(PLAIN.family, weight, italic);
        if (choice) ids.add(choice.face.id);
      }
    }
  }
  return [...ids];
}
