'use client';

import { useEffect } from 'react';
import { isTyping, matches, type Command } from './commands';
import { useLatest } from './useLatest';

interface DeskKeys {
  readonly commands: readonly Command[];
  /** A dialog is open: keys are its own. */
  readonly off: boolean;
  /** Sentences are being picked: arrows walk through them, Enter takes the lit one. */
  readonly picking: { readonly walk: (by: 1 | -1) => void; readonly take: () => void } | undefined;
  readonly onEscape: () => void;
  /** Moves what is chosen by steps; undefined when nothing is. */
  readonly onNudge: ((across: number, down: number, far: boolean) => void) | undefined;
  readonly onBackspace: () => void;
}

const ARROWS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

/** The keyboard on the desk: what is being typed into a field is left alone. */
export function useDeskKeys({ commands, off, picking, onEscape, onNudge, onBackspace }: DeskKeys): void {
  const onKey = useLatest((event: KeyboardEvent) => {
    if (off || isTyping(event)) return;
    const arrow = ARROWS[event.key];
    const onButton = event.target instanceof HTMLElement && event.target.tagName === 'BUTTON';
    const take = (work: () => void) => {
      event.preventDefault();
      work();
    };
    if (picking && arrow) return take(() => picking.walk(arrow[0] + arrow[1] > 0 ? 1 : -1));
    if (picking && event.key === 'Enter') return take(picking.take);
    if (event.key === 'Escape') return onEscape();
    if (arrow && onNudge && !event.ctrlKey && !event.metaKey) return take(() => onNudge(arrow[0], arrow[1], event.shiftKey));
    if (event.key === 'Backspace') return onBackspace();
    const command = commands.find((each) => each.enabled && matches(each.keys, event));
    if (command && !(onButton && (event.key === 'Enter' || event.key === ' '))) take(command.run);
  });
  useEffect(() => {
    window.addEventListener('keydown', onKey);
    return () => window.removeEventListener('keydown', onKey);
  }, [onKey]);
}
