import { plainText } from '../records/body';
import type { BlockNode, BodyNode, ParagraphNode } from '../records/text';
import { holdsRightToLeft, levelsOf } from '../type/bidi';

const known = new WeakMap<object, boolean>();

/** Letters that settle a direction; figures and marks do not. */
const STRONG = /\p{L}/u;

/**
 * Whether a text, or a table, runs from right to left: as its first paragraph with letters does (UAX #9, P2 and P3).
 * Then its columns follow one another from the right.
 */
export function runsRightToLeft(of: BodyNode | BlockNode): boolean {
  let own = known.get(of);
  if (own === undefined) {
    own = first(of) ?? false;
    known.set(of, own);
  }
  return own;
}

function first(of: BodyNode | BlockNode): boolean | undefined {
  if (of.type === 'paragraph') return direction(of);
  if (of.type === 'figure') return undefined;
  for (const part of of.type === 'doc' ? of.content : of.content.flatMap((row) => row.content.flatMap((cell) => cell.content))) {
    const own = first(part);
    if (own !== undefined) return own;
  }
  return undefined;
}

function direction(of: ParagraphNode): boolean | undefined {
  const text = plainText(of);
  if (!holdsRightToLeft(text)) return STRONG.test(text) ? false : undefined;
  return levelsOf(text)?.rightToLeft;
}
