'use client';

import { useCallback, useRef, useState } from 'react';
import type { Notice } from '@/parts/Notices';

/** Milliseconds a sentence about something that went well stays. */
const SAID_FOR = 5_000;

/** Sentences for the person at the screen; what went wrong stays until it is put away. */
export function useNotices() {
  const [notices, setNotices] = useState<readonly Notice[]>([]);
  const count = useRef(0);
  const close = useCallback((id: number) => setNotices((list) => list.filter((notice) => notice.id !== id)), []);
  const say = useCallback(
    (text: string, tone: Notice['tone'] = 'said', mend?: Notice['mend']) => {
      const id = ++count.current;
      setNotices((list) => [...list.slice(-3), { id, tone, text, mend }]);
      if (tone === 'said') setTimeout(() => close(id), SAID_FOR);
    },
    [close],
  );
  return { notices, say, close };
}

export type Say = ReturnType<typeof useNotices>['say'];
