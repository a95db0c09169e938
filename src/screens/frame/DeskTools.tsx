'use client';

import { Keyboard, Search } from 'lucide-react';
import { TurnButtons } from './TurnButtons';

interface DeskToolsProps {
  readonly undo?: string | undefined;
  readonly redo?: string | undefined;
  readonly onTurn?: ((how: 'undo' | 'redo') => void) | undefined;
  readonly onCommands?: (() => void) | undefined;
  readonly onHelp?: (() => void) | undefined;
}

/** On the right of a header: undo and redo, every action by name, the shortcuts. */
export function DeskTools({ undo, redo, onTurn, onCommands, onHelp }: DeskToolsProps) {
  return (
    <>
      {onTurn && <TurnButtons undo={undo} redo={redo} onTurn={onTurn} />}
      {onCommands && (
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square"
          onClick={onCommands}
          aria-label="Find an action (Ctrl+K)"
          title="Find an action (Ctrl+K)"
        >
          <Search size={17} />
        </button>
      )}
      {onHelp && (
        <button
          type="button"
          className="btn btn-ghost btn-sm btn-square"
          onClick={onHelp}
          aria-label="Shortcuts (?)"
          title="Shortcuts (?)"
        >
          <Keyboard size={17} />
        </button>
      )}
    </>
  );
}
