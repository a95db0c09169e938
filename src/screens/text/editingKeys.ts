import type { EditorState } from 'prosemirror-state';
import { nextCell } from '@/core/editing/tableRows';
import { tableAt } from '@/core/editing/tables';
import { indentList } from '@/core/editing/formatting';
import { paragraphIn, type TextCommand, typeLineBreak, typeWords } from '@/core/editing/typing';
import { type Command, matches } from '../frame/commands/command';
import type { TextInHand } from './textInHand';

/** What a key does in a text that is written in; gives whether it means anything there. */
export function editingKey(
  inHand: TextInHand,
  commands: readonly Command[],
  onTurn: (how: 'undo' | 'redo') => void,
  event: KeyboardEvent,
): boolean {
  if (event.isComposing) return false;
  const done = () => {
    event.preventDefault();
    event.stopPropagation();
    return true;
  };
  const held = event.ctrlKey || event.metaKey;
  const letter = event.key.toLowerCase();
  if (held && !event.altKey && (letter === 'z' || letter === 'y')) {
    inHand.rest();
    onTurn(letter === 'y' || event.shiftKey ? 'redo' : 'undo');
    return done();
  }
  const found = commands.find(({ keys, not }) => !not && keys !== 'Enter' && matches(keys, event));
  if (found) {
    found.run();
    return done();
  }
  switch (event.key) {
    case 'Escape':
      inHand.leave();
      return done();
    case 'Backspace':
    case 'Delete':
      inHand.erase(event.key === 'Backspace', held ? 'word' : 'letter');
      return done();
    case 'Enter':
      if (event.shiftKey) inHand.run(typeLineBreak);
      else inHand.part();
      return done();
    case 'Tab': {
      const by = event.shiftKey ? -1 : 1;
      // Where the caret is when it is done counts: a way that is still being worked out may lead into a table.
      const does = (state: EditorState): TextCommand =>
        tableAt(state)
          ? nextCell(by)
          : paragraphIn(state).attrs['list'] !== undefined
            ? indentList(by)
            : by > 0
              ? typeWords('\t')
              : () => undefined;
      const now = inHand.now();
      const isList = now && paragraphIn(now.state).attrs['list'] !== undefined;
      const label = now && tableAt(now.state) ? 'Add a row' : isList ? 'Change the list' : undefined;
      inHand.run((state) => does(state)(state), label);
      return done();
    }
  }
  if (held && letter === 'a') {
    inHand.selectAll();
    return done();
  }
  return false;
}
