'use client';

import { useEffect } from 'react';
import { isTyping } from '../pages/commands';
import { useLatest } from '../pages/useLatest';

/** The keyboard on the plan, beside what has the focus: undo, redo, and choosing nothing. */
export function usePlanKeys(onTurn: (how: 'undo' | 'redo') => void, onEscape: () => void): void {
  const onKey = useLatest((event: KeyboardEvent) => {
    if (isTyping(event)) return;
    if (event.key === 'Escape') return onEscape();
    if ((event.ctrlKey || event.metaKey) && event.key.toLowerCase() === 'z') {
      event.preventDefault();
      onTurn(event.shiftKey ? 'redo' : 'undo');
    }
  });
  useEffect(() => {
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [onKey]);
}
