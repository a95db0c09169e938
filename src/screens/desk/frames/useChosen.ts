'use client';

import { useCallback, useMemo, useState } from 'react';
import type { FrameInSight } from './frameInSight';

const NOTHING: ReadonlySet<string> = new Set();

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
  const [ids, setIds] = useState(NOTHING);
  const [kept, setKept] = useState(NOTHING);
  const [inherited, setInherited] = useState<FrameInSight>();
  const choose = useCallback((next: Iterable<string>) => {
    setIds(new Set(next));
    setKept(NOTHING);
    setInherited(undefined);
  }, []);
  const clear = useCallback(() => choose(NOTHING), [choose]);
  return useMemo(
    () => ({
      ids,
      inherited,
      choose,
      clear,
      focus: (id) => {
        if (ids.has(id)) return;
        setIds(new Set([...kept, id]));
        setInherited(undefined);
      },
      keep: () => setKept(ids),
      press: (of) => {
        clear();
        setInherited(of);
      },
    }),
    [ids, kept, inherited, choose, clear],
  );
}
