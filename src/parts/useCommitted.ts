'use client';

import { useState, type KeyboardEvent } from 'react';
import { flushSync } from 'react-dom';

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
  /** Gives whether the words will do. */
  const commitAs = (words: string): boolean => {
    try {
      take(words);
      forget();
      return true;
    } catch (error) {
      setWrong((error as Error).message);
      return false;
    }
  };
  /** Gives whether what was typed will do. */
  const commit = (): boolean => typed === undefined || commitAs(typed);
  return {
    typed,
    wrong,
    commit,
    commitAs,
    forget,
    /** For the field: nothing in it waits to count, so that undo means the document. */
    atRest: { 'data-at-rest': typed === undefined || undefined },
    type: (words: string) => {
      setTyped(words);
      setWrong(undefined);
    },
    onKeyDown: (event: KeyboardEvent) => {
      if (event.key === 'Enter') {
        // In a form, what is typed counts before it is sent.
        event.preventDefault();
        const { form } = event.currentTarget as HTMLInputElement;
        let does = false;
        flushSync(() => (does = commit()));
        if (does) form?.requestSubmit();
      }
      if (event.key === 'Escape' && typed !== undefined) {
        event.stopPropagation();
        forget();
      }
    },
  };
}
