import { applied, type Diff, inverted, isEmpty, type TextSteps } from './diff';
import type { Document } from './document';
import type { DocumentRecord } from './index';
import { merged, withPaths } from './merge';
import { redone } from './rebase';
import { looseIn, referring } from './references';
import { same } from './same';

/** A change as far as it matters to one that is taken back over it. */
export interface Since {
  readonly id: string;
  /** The edit that an undo or redo is of. */
  readonly of: string | undefined;
  readonly texts: readonly TextSteps[];
}

/**
 * A change that takes another back on a document as it now is, after others. Steps on texts find their place again;
 * properties that have been changed since stay as they are.
 *
 * @returns undefined where what it did has been changed by somebody else, or nothing is left of it
 */
export function takenBack(of: Diff, since: readonly Since[], document: Document): Diff | undefined {
  const { added, updated, removed, texts } = inverted(of);
  const now = document.records;
  if (added.some(({ id }) => now.has(id)) || !removed.every((record) => same(now.get(record.id), record))) return undefined;
  const pairs: { before: DocumentRecord; after: DocumentRecord }[] = [];
  for (const { before, after } of updated) {
    const current = now.get(before.id);
    const own = current && mergedPair(before, after, current);
    if (!own || own.clashes.length > 0) return undefined;
    pairs.push({ before: current, after: own.record });
  }
  const steps: TextSteps[] = [];
  for (const { id, steps: back } of texts) {
    const text = now.get(id);
    if (text?.kind !== 'text') return undefined;
    const over = standing(since, id).flatMap((each) => each.texts.find((own) => own.id === id)?.steps ?? []);
    const [own] = redone(text.body, [back], over).own;
    if (own!.steps.length > 0) steps.push({ id, ...own! });
  }
  const diff: Diff = { added, updated: pairs, removed, texts: steps };
  return isEmpty(diff) || leavesLoose(document, diff) ? undefined : diff;
}

/** Whether a diff would leave something that points at nothing: others use what it removes, or removed what it brings back to. */
function leavesLoose(document: Document, diff: Diff): boolean {
  if (diff.added.length + diff.updated.length + diff.removed.length === 0) return false;
  const after = applied(document, diff);
  const own = [...diff.added, ...diff.updated.map(({ before }) => before), ...diff.texts].flatMap(
    ({ id }) => after.records.get(id) ?? [],
  );
  const before = new Set(looseIn(document, own).map(({ record, reference }) => `${record.id} ${reference.id}`));
  return (
    looseIn(after, own).some(({ record, reference }) => !before.has(`${record.id} ${reference.id}`)) ||
    referring(after, diff.removed).length > 0
  );
}

/** Changes to a text without those that were taken back right away: over them a place would be lost and found nowhere. */
function standing(since: readonly Since[], text: string): Since[] {
  const out: Since[] = [];
  for (const each of since) {
    if (!each.texts.some(({ id }) => id === text)) continue;
    const last = out.at(-1);
    if (each.of !== undefined && last && (last.id === each.of || last.of === each.of)) out.pop();
    else out.push(each);
  }
  return out;
}

/**
 * Changes that wait on top of a document, after others changed it beneath them: each as it is on top of it now. Where
 * both changed the same property it keeps saying what it knew, so that whoever judges it sees that they clash.
 *
 * @param document with `over` done to it, without those that wait
 * @returns the document with all that can be shown of them, and the changes
 */
export function rebased(
  document: Document,
  waiting: readonly Diff[],
  over: Diff,
  apply: (document: Document, diff: Diff) => Document,
): { readonly document: Document; readonly waiting: readonly Diff[] } {
  const steps = new Map<string, readonly TextSteps[]>();
  for (const { id, steps: beneath } of over.texts) {
    const text = document.records.get(id);
    if (text?.kind !== 'text') continue;
    const own = waiting.map(({ texts }) => texts.find((each) => each.id === id)?.steps ?? []);
    steps.set(
      id,
      redone(text.body, own, beneath).own.map((each) => ({ id, ...each })),
    );
  }
  let now = document;
  const out = waiting.map((diff, i): Diff => {
    const next: Diff = {
      ...diff,
      updated: diff.updated.map(({ before, after }) => {
        const current = now.records.get(before.id);
        if (!current) return { before, after };
        const { record, clashes } = mergedPair(before, after, current);
        return { before: withPaths(current, before, clashes), after: record };
      }),
      texts: diff.texts.map((own) => steps.get(own.id)?.[i] ?? own).filter((own) => own.steps.length > 0),
    };
    now = apply(now, next);
    return next;
  });
  return { document: now, waiting: out };
}

/** Merges what two versions of a record say of themselves; the body of a text is the one it has now. */
function mergedPair(
  before: DocumentRecord,
  after: DocumentRecord,
  now: DocumentRecord,
): { record: DocumentRecord; clashes: readonly string[] } {
  if (before.kind !== 'text' || after.kind !== 'text' || now.kind !== 'text') return merged(before, after, now);
  const { body } = now;
  return merged<DocumentRecord>({ ...before, body }, { ...after, body }, now);
}
