import type { Diff } from '../records/diff';
import { all, type Document } from '../records/document';
import type { AcceptanceRecord } from '../records/index';
import { said } from '../records/said';
import { ActionError, Edit, newId } from './edit';

/** What is accepted: a finding by its rule and place, what it says, and the record that it goes with. */
export interface Accepted {
  readonly about: string;
  readonly words: string;
  readonly at: string | undefined;
}

/** Lets findings pass, for a reason that stays with them. @throws ActionError where none is given */
export function acceptFindings(document: Document, findings: readonly Accepted[], reason: string): Diff {
  const why = reason.trim();
  if (why === '') throw new ActionError('Say why it may pass.');
  const edit = new Edit(document);
  for (const { about, words, at } of findings) {
    for (const before of accepting(document, about)) if (before.words !== words) edit.remove(before.id);
    const known = accepting(document, about).find((each) => each.words === words);
    edit.put<AcceptanceRecord>(
      said({
        id: known?.id ?? newId(),
        kind: 'acceptance',
        finding: about,
        words,
        reason: why,
        at: at !== undefined && edit.has(at) ? at : undefined,
      }),
    );
  }
  return edit.diff();
}

/** Asks again for what was accepted. */
export function askAgain(document: Document, findings: readonly Pick<Accepted, 'about' | 'words'>[]): Diff {
  const edit = new Edit(document);
  for (const { about, words } of findings)
    for (const each of accepting(document, about)) if (each.words === words) edit.remove(each.id);
  return edit.diff();
}

const accepting = (document: Document, about: string): readonly AcceptanceRecord[] =>
  all(document, 'acceptance').filter(({ finding }) => finding === about);
