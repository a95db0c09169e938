import { plainText } from '../../records/body';
import type { Node } from 'prosemirror-model';
import { holdsRightToLeft, levelsOf } from '../../type/bidi';

const known = new WeakMap<object, boolean>();

/** Letters that settle a direction; figures and marks do not. */
const STRONG = /\p{L}/u;

/**
 * Whether a text, or a table, runs from right to left: as its first paragraph with letters does (UAX #9, P2 and P3).
 * Then its columns follow one another from the right.
 */
export function runsRightToLeft(of: Node): boolean {
  let own = known.get(of);
  if (own === undefined) {
    own = first(of) ?? false;
    known.set(of, own);
  }
  return own;
}

function first(of: Node): boolean | undefined {
  if (of.type.name === 'paragraph') return direction(of);
  for (const part of of.content.content) {
    const own = first(part);
    if (own !== undefined) return own;
  }
  return undefined;
}

function direction(of: Node): boolean | undefined {
  const text = plainText(of);
  if (!holdsRightToLeft(text)) return STRONG.test(text) ? false : undefined;
  return levelsOf(text)?.rightToLeft;
}
