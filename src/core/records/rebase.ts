import type { Node } from 'prosemirror-model';
import { Mapping, type Step } from 'prosemirror-transform';
import { afterStep } from './body';

/** Steps that were done one after another, and those that take them back, the last first. */
export interface Done {
  readonly steps: readonly Step[];
  readonly back: readonly Step[];
}

/** What steps are on a body, with those that take them back. @throws RangeError when one does not fit */
export function done(body: Node, steps: readonly Step[]): Done {
  let doc = body;
  const back: Step[] = [];
  for (const step of steps) {
    const next = afterStep(doc, step);
    back.unshift(step.invert(doc));
    doc = next;
  }
  return { steps, back };
}

/**
 * Groups of steps that were done on a body, done again on it after others were done to it first: each finds its place
 * where that went, and what stood in a place that is gone is left out. As `prosemirror-collab` rebases what has not been
 * confirmed yet.
 *
 * @param body with `over` done to it, without `own`
 * @returns the body with all of it, the groups as they now are, and where each position went from `own` alone to all
 */
export function redone(
  body: Node,
  own: readonly (readonly Step[])[],
  over: readonly Step[],
): { readonly body: Node; readonly own: readonly Done[]; readonly mapping: Mapping } {
  const flat = own.flat();
  const mapping = new Mapping();
  for (let i = flat.length - 1; i >= 0; i--) mapping.appendMap(flat[i]!.getMap().invert());
  for (const step of over) mapping.appendMap(step.getMap());
  let doc = body;
  let from = flat.length;
  const groups = own.map((steps): Done => {
    const again: Step[] = [];
    const back: Step[] = [];
    for (const step of steps) {
      const mapped = step.map(mapping.slice(from));
      from--;
      const result = mapped?.apply(doc);
      if (!mapped || !result?.doc) continue;
      back.unshift(mapped.invert(doc));
      doc = result.doc;
      again.push(mapped);
      // What it put in is what its being taken back took out: positions in it are found again.
      mapping.appendMap(mapped.getMap(), from);
    }
    return { steps: again, back };
  });
  return { body: doc, own: groups, mapping };
}
