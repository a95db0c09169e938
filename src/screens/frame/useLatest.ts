'use client';

import { useCallback, useEffect, useRef } from 'react';

/** A function that stays the same one while what it does is always the latest: what is memoised need not be drawn anew for it. */
export function useLatest<A extends unknown[], R>(work: (...args: A) => R): (...args: A) => R {
  const latest = useRef(work);
  useEffect(() => {
    latest.current = work;
  });
  return useCallback((...args: A) => latest.current(...args), []);
}
