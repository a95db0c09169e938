import type { Broken } from '../lines/breaking';
import type { PlacedLine } from './placed';
import type { Prepared } from '../paragraph/prepared';

/** How a paragraph was last broken over lines of one width, and last set into lines. */
export interface Memory {
  width: number;
  broken: Broken | undefined;
  lines: readonly PlacedLine[];
}

const memories = new WeakMap<Prepared, Memory>();

/** Goes with the prepared paragraph it is of. */
export function memoryOf(of: Prepared): Memory {
  let memory = memories.get(of);
  if (!memory) memories.set(of, (memory = { width: NaN, broken: undefined, lines: [] }));
  return memory;
}
