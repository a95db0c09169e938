import { leaveOut } from '@/core/editing/leavingOut';
import { placeOf } from '@/core/editing/places';
import { find } from '@/core/records/document';
import type { TextRole } from '@/core/records/text';
import { type Command, command } from '../frame/commands/command';
import type { Desk } from './useDesk';

/**
 * What can be done with the words that are selected in a text: to quote them, and to cut a quote. What is selected is asked for when
 * it is done: whoever lists commands need not be drawn anew with every letter.
 */
export function quoteCommands(desk: Desk, isWriting: boolean): Command[] {
  const none = isWriting ? undefined : 'Go into a text first';
  /** What is selected in a text that has a part; or a sentence why there is none. */
  const selected = (role: TextRole, other: string) => {
    const now = desk.inHand.now();
    const text = find(desk.document, 'text', now?.text);
    if (!now || text?.role !== role) return desk.say(other, 'wrong');
    const { doc, selection } = now.state;
    const [from, to] = [placeOf(doc, selection.from), placeOf(doc, selection.to)];
    if (selection.empty) return desk.say('Select words first.', 'wrong');
    if (from.paragraph !== to.paragraph) return desk.say('Select words of one paragraph.', 'wrong');
    return { text: text.id, paragraph: from.paragraph, from: from.offset, to: to.offset };
  };
  return [
    command('quote-selected', 'Quote the selected words', 'Alt+Q', none, () => {
      const passage = selected('body', 'Only running text is quoted.');
      if (!passage) return;
      desk.letGo();
      void desk.actions.quote(passage).then((diff) => desk.chooseAdded(diff));
    }),
    command('leave-out', 'Leave the selected words out of the quote', 'Alt+X', none, () => {
      if (selected('quote', 'That is no pull quote.')) desk.inHand.run(leaveOut, 'Leave words out of a quote');
    }),
  ];
}
