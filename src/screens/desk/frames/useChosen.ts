'use client';

import { useMemo, useState } from 'react';
import type { FrameInSight } from './frameInSight';

const NOTHING: ReadonlySet<string> = new Set();
const NONE: Pick<Chosen, 'ids' | 'inherited'> & { readonly kept: ReadonlySet<string> } = {
  ids: NOTHING,
  kept: NOTHING,
  inherited: undefined,
};

/** The frames that are chosen, by id; those kept chosen while the focus goes on; and what of a master was pressed. */
export interface Chosen {
  readonly ids: ReadonlySet<string>;
  readonly inherited: FrameInSight | undefined;
  readonly choose: (ids: Iterable<string>) => void;
  /** Chooses what has the focus, beside what is kept. */
  readonly focus: (id: string) => void;
  /** Keeps what is chosen while more is. */
  readonly keep: () => void;
  readonly press: (inherited: FrameInSight) => void;
  readonly clear: () => void;
}

export function useChosen(): Chosen {
  const [now, setNow] = useState(NONE);
  // Made once: what was made anew with every press would hold all that the desk then knew, and that what it knew before.
  const [can] = useState(() => {
    const choose = (next: Iterable<string>) => setNow({ ids: new Set(next), kept: NOTHING, inherited: undefined });
    return {
      choose,
      clear: () => choose(NOTHING),
      focus: (id: string) =>
        setNow((was) => (was.ids.has(id) ? was : { ...was, ids: new Set([...was.kept, id]), inherited: undefined })),
      keep: () => setNow((was) => ({ ...was, kept: was.ids })),
      press: (of: FrameInSight) => setNow({ ids: NOTHING, kept: NOTHING, inherited: of }),
    };
  });
  return useMemo(() => ({ ids: now.ids, inherited: now.inherited, ...can }), [now, can]);
}
