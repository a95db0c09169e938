'use client';

import { type ReactNode, useEffect, useState, useSyncExternalStore } from 'react';
import type { DeskStore } from '@/client/deskStore';
import { guideState } from '../guide/guideState';
import { useLatest } from '../useLatest';
import type { Say } from '../useNotices';
import { type Command, command, isPressing, isSingle, isTyping, matches, onControl } from './command';
import { CommandBar } from './CommandBar';
import { CommandTools } from './CommandTools';
import { Shortcuts } from './Shortcuts';
import { singleKeys } from './singleKeys';

interface CommandsIn {
  /** Where there is something to undo: the document of the place. */
  readonly store?: Pick<DeskStore, 'subscribe' | 'snapshot' | 'undo' | 'redo'>;
  readonly say?: Say;
  /** Whether the guide to a first issue can be opened here. */
  readonly guided?: boolean;
  /** What can be done in this place, beside what can be done in all of them. */
  readonly commands?: readonly Command[];
  /** What a key means here before it can be a command's; gives whether it meant anything. */
  readonly onKey?: (event: KeyboardEvent) => boolean;
  /** Told before undo and redo. */
  readonly onTurn?: () => void;
}

/** What a place shows of its commands: on the right of its header, and the dialogs that lie over it. */
export interface Commands {
  readonly tools: ReactNode;
  readonly dialogs: ReactNode;
  readonly turn: (how: 'undo' | 'redo') => void;
}

/** What would be undone and redone. */
interface Turns {
  readonly undo: string | undefined;
  readonly redo: string | undefined;
}

const NOTHING: Turns = { undo: undefined, redo: undefined };
const nothing = () => NOTHING;
const never = () => () => undefined;

/**
 * The one list of what can be done in a place, and every way to do it: keys, command bar, shortcuts, header. Undo and
 * redo are in every place that has a document.
 */
export function useCommands({ store, say, guided = false, commands = [], onKey, onTurn }: CommandsIn): Commands {
  const { undo, redo } = useSyncExternalStore<Turns>(
    store?.subscribe ?? never,
    store?.snapshot ?? nothing,
    store?.snapshot ?? nothing,
  );
  const single = useSyncExternalStore(singleKeys.subscribe, singleKeys.now, () => true);
  const [dialog, setDialog] = useState<'commands' | 'shortcuts'>();
  const turn = (how: 'undo' | 'redo') => {
    onTurn?.();
    void store?.[how]().then((done) => {
      if (done && 'refused' in done) say?.(done.refused, 'wrong');
    });
  };
  const turns = [
    command('undo', undo ? `Undo: ${undo}` : 'Undo', 'Ctrl+Z', !undo && 'Nothing to undo', () => turn('undo')),
    command('redo', redo ? `Redo: ${redo}` : 'Redo', 'Ctrl+Shift+Z', !redo && 'Nothing to redo', () => turn('redo')),
  ];
  const every: readonly Command[] = [
    ...(store ? turns : []),
    ...commands,
    ...(guided
      ? [command('guide', 'First issue in ten minutes: the guide', undefined, undefined, () => guideState.turn('open'))]
      : []),
    command('commands', 'Find a command', 'Ctrl+K', undefined, () => setDialog('commands')),
    command('shortcuts', 'Shortcuts', '?', undefined, () => setDialog('shortcuts')),
  ];
  const press = useLatest((event: KeyboardEvent) => {
    // What a control has taken, such as an arrow in a group of choices, means nothing beyond it.
    if (dialog || event.defaultPrevented || isTyping(event)) return;
    if (onKey?.(event)) return;
    const found = every.find(({ keys, not, native }) => !not && !native && matches(keys, event) && (single || !isSingle(keys)));
    if (!found || (isPressing(event) && onControl(event))) return;
    event.preventDefault();
    found.run();
  });
  useEffect(() => {
    window.addEventListener('keydown', press);
    return () => window.removeEventListener('keydown', press);
  }, [press]);
  const close = () => setDialog(undefined);
  return {
    turn,
    tools: (
      <CommandTools
        turns={store && { undo, redo, onTurn: turn }}
        onCommands={() => setDialog('commands')}
        onHelp={() => setDialog('shortcuts')}
      />
    ),
    dialogs: (
      <>
        {dialog === 'commands' && <CommandBar commands={every} onClose={close} />}
        {dialog === 'shortcuts' && <Shortcuts commands={every} onClose={close} />}
      </>
    ),
  };
}
