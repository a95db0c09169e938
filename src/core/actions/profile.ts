import { changeProblem } from '../properties/limits';
import { limitsProblem, PRINT, type PrintLimits, USUAL_LIMITS } from '../properties/print';
import type { Diff } from '../records/diff';
import type { Document } from '../records/document';
import { profileOf } from '../print/profile';
import type { ProfileRecord } from '../records/index';
import { said } from '../records/said';
import { ActionError, Edit } from './edit';

/**
 * Sets what an issue is checked against; another paper brings what is usual for it.
 * @throws ActionError with the limit that is passed, or why the limits make no sense together
 */
export function setLimits(document: Document, change: Partial<PrintLimits>): Diff {
  const edit = new Edit(document);
  const before = profileOf(document);
  const wrong = changeProblem(PRINT, change);
  if (wrong) throw new ActionError(wrong);
  const { paper } = change;
  const usual = paper !== undefined && paper !== before.paper ? USUAL_LIMITS[paper] : {};
  const now = { ...before, ...usual, ...change };
  const problem = limitsProblem(now);
  if (problem) throw new ActionError(problem);
  edit.put(now);
  return edit.diff();
}

/** Takes the print shop’s own colour profile, or gives it back for the usual one. */
export function setPressProfile(document: Document, icc: ProfileRecord['icc']): Diff {
  const edit = new Edit(document);
  edit.put(said({ ...profileOf(document), icc }));
  return edit.diff();
}
