'use client';

import { Redo2, Undo2 } from 'lucide-react';

interface TurnButtonsProps {
  /** What would be undone and redone; undefined where nothing would. */
  readonly undo: string | undefined;
  readonly redo: string | undefined;
  readonly onTurn: (how: 'undo' | 'redo') => void;
}

/** Undo and redo. */
export function TurnButtons({ undo, redo, onTurn }: TurnButtonsProps) {
  const button = (how: 'undo' | 'redo', name: string, of: string | undefined, Icon: typeof Undo2) => (
    <button
      type="button"
      className="btn btn-ghost btn-sm btn-square"
      disabled={!of}
      onClick={() => onTurn(how)}
      aria-label={of ? `${name}: ${of}` : `Nothing to ${how}`}
      title={of ? `${name}: ${of}` : `Nothing to ${how}`}
    >
      <Icon size={17} />
    </button>
  );
  return (
    <>
      {button('undo', 'Undo', undo, Undo2)}
      {button('redo', 'Redo', redo, Redo2)}
    </>
  );
}
