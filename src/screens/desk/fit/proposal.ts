import type { Fit } from '@/core/compose/text/fit';
import { overBy, type TriedMend } from '@/core/fit/way';

/** The fewest mends, those first that are seen least, that would do by what each does alone; no words are cut. Empty where none would. */
export function proposal(fit: Fit, mends: readonly TriedMend[]): readonly TriedMend[] {
  const need = Math.abs(overBy(fit));
  if (need === 0) return [];
  const out: TriedMend[] = [];
  let done = 0;
  for (const mend of mends) {
    if (mend.cut || mend.lines === 0 || done >= need) continue;
    out.push(mend);
    done += mend.lines;
  }
  if (done < need) return [];
  // What others make needless is left out, what costs most first.
  return out.filter((mend) => {
    if (done - mend.lines < need) return true;
    done -= mend.lines;
    return false;
  });
}
