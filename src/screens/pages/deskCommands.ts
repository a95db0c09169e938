import type { Command } from './commands';
import type { Look } from './look';

/** What the commands of the desk need to know and can do. */
export interface CommandContext {
  readonly undo: string | undefined;
  readonly redo: string | undefined;
  readonly spread: number;
  readonly spreads: number;
  readonly chosen: number;
  readonly hasOne: boolean;
  readonly isGroup: boolean;
  readonly isBody: boolean;
  readonly isText: boolean;
  readonly isOver: boolean;
  readonly onTurn: (how: 'undo' | 'redo') => void;
  readonly onGo: (spread: number) => void;
  readonly onFit: () => void;
  readonly onZoom: (factor: number) => void;
  readonly onToggle: (what: keyof Look) => void;
  readonly onBringIn: () => void;
  readonly onEnter: () => void;
  readonly onType: () => void;
  readonly onGoOn: () => void;
  readonly onNextWrap: () => void;
  readonly onTurnFrame: (degrees: number) => void;
  readonly onGroup: () => void;
  readonly onHold: () => void;
  readonly onUngroup: () => void;
  readonly onStack: (where: 'front' | 'back') => void;
  readonly onRemove: () => void;
  readonly onAddPage: () => void;
  readonly onDialog: (which: 'commands' | 'help') => void;
}

/** Every action of the desk, in the order of the command bar. A new one is one line. */
export function deskCommands(on: CommandContext): Command[] {
  const command = (id: string, name: string, keys: string | undefined, enabled: boolean, run: () => void): Command => ({
    id,
    name,
    keys,
    enabled,
    run,
  });
  return [
    command('undo', on.undo ? `Undo: ${on.undo}` : 'Undo', 'Ctrl+Z', on.undo !== undefined, () => on.onTurn('undo')),
    command('redo', on.redo ? `Redo: ${on.redo}` : 'Redo', 'Ctrl+Shift+Z', on.redo !== undefined, () => on.onTurn('redo')),
    command('previous', 'Previous spread', '[', on.spread > 0, () => on.onGo(on.spread - 1)),
    command('next', 'Next spread', ']', on.spread < on.spreads - 1, () => on.onGo(on.spread + 1)),
    command('fit', 'Fit the spread', '0', true, on.onFit),
    command('nearer', 'Nearer', '=', true, () => on.onZoom(1.25)),
    command('farther', 'Farther', '-', true, () => on.onZoom(0.8)),
    command('proof', 'Proof view', '.', true, () => on.onToggle('proof')),
    command('columns', 'Columns and guides', ',', true, () => on.onToggle('columns')),
    command('baselines', 'Baseline grid', ';', true, () => on.onToggle('baselines')),
    command('tray', 'Fold the tray', 'f', true, () => on.onToggle('tray')),
    command('detail', 'Fold the detail', 'd', true, () => on.onToggle('detail')),
    command('bring', 'Bring in stories and pictures', 'b', true, on.onBringIn),
    command('enter', 'Into the text: pick a sentence to quote', 'Enter', on.isBody, on.onEnter),
    command('type', 'Type in the text', 'e', on.isText, on.onType),
    command('go-on', 'Go on with the story in the next free room', 'g', on.isOver, on.onGoOn),
    command('wrap', 'Next kind of text wrap', 'w', on.hasOne, on.onNextWrap),
    command('turn', 'Turn the frame a quarter to the right', 'r', on.hasOne, () => on.onTurnFrame(90)),
    command('turn-back', 'Turn the frame a quarter to the left', 'Shift+R', on.hasOne, () => on.onTurnFrame(-90)),
    command('group', 'Join the chosen frames into a group', 'j', on.chosen > 1 && !on.isGroup, on.onGroup),
    command('ungroup', 'Take the group apart', 'Shift+J', on.isGroup, on.onUngroup),
    command('hold', 'Keep what is chosen while choosing more', 'Space', on.chosen > 0, on.onHold),
    command('front', 'To the front', undefined, on.hasOne, () => on.onStack('front')),
    command('back', 'To the back', undefined, on.hasOne, () => on.onStack('back')),
    command('remove', 'Remove the frame', 'Delete', on.chosen > 0, on.onRemove),
    command('add', 'Add a page after this spread', undefined, true, on.onAddPage),
    command('commands', 'Find an action', 'Ctrl+K', true, () => on.onDialog('commands')),
    command('help', 'Shortcuts', '?', true, () => on.onDialog('help')),
  ];
}
