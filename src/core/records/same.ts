import { Node } from 'prosemirror-model';

/** Whether two JSON values, or bodies of text, are the same, whatever the order of their keys; a key that is undefined is not there. */
export function same(a: unknown, b: unknown): boolean {
  if (a === b) return true;
  if (a instanceof Node || b instanceof Node) return a instanceof Node && b instanceof Node && a.eq(b);
  if (typeof a !== 'object' || typeof b !== 'object' || a === null || b === null) return false;
  if (Array.isArray(a) !== Array.isArray(b)) return false;
  const p = a as Record<string, unknown>;
  const q = b as Record<string, unknown>;
  for (const key of Object.keys(p)) if (p[key] !== undefined && !same(p[key], q[key])) return false;
  for (const key of Object.keys(q)) if (q[key] !== undefined && p[key] === undefined) return false;
  return true;
}
