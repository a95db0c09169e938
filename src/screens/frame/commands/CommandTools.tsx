'use client';

import { Keyboard, Search } from 'lucide-react';
import type { ComponentProps } from 'react';
import { TurnButtons } from './TurnButtons';

interface CommandToolsProps {
  /** Where the place has something to undo. */
  readonly turns: ComponentProps<typeof TurnButtons> | undefined;
  readonly onCommands: () => void;
  readonly onHelp: () => void;
}

/** On the right of a header: undo and redo, every command by name, the shortcuts. */
export function CommandTools({ turns, onCommands, onHelp }: CommandToolsProps) {
  const button = (name: string, Icon: typeof Search, run: () => void) => (
    <button type="button" className="btn btn-ghost btn-sm btn-square" onClick={run} aria-label={name} title={name}>
      <Icon size={17} />
    </button>
  );
  return (
    <>
      {turns && <TurnButtons {...turns} />}
      {button('Find a command (Ctrl+K)', Search, onCommands)}
      {button('Shortcuts (?)', Keyboard, onHelp)}
    </>
  );
}
