'use client';

import { useState, type KeyboardEvent } from 'react';

/**
 * What is typed into a field: it counts when the field is left or Enter is pressed, and Esc takes it back. Where it will
 * not do it stays, to be mended, and the sentence why is there to be said.
 *
 * @param take takes what was typed; throws an Error with a sentence where it will not do
 */
export function useCommitted(take: (typed: string) => void) {
  const [typed, setTyped] = useState<string>();
  const [wrong, setWrong] = useState<string>();
  const forget = () => {
    setTyped(undefined);
    setWrong(undefined);
  };
  const commit = () => {
    if (typed === undefined) return;
    try {
      take(typed);
      forget();
    } catch (error) {
      setWrong((error as Error).message);
    }
  };
  return {
    typed,
    wrong,
    commit,
    type: (words: string) => {
      setTyped(words);
      setWrong(undefined);
    },
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key === 'Enter') {
        // In a form, what is typed is to be seen before it is sent.
        event.preventDefault();
        commit();
      }
      if (event.key === 'Escape' && typed !== undefined) {
        event.stopPropagation();
        forget();
      }
    },
  };
}
