'use client';

import type { Command } from '../../frame/commands/command';
import { useHand } from '../hand/hand';
import type { Desk } from '../useDesk';
import { FrameBar } from './FrameBar';
import { InheritedBar } from './InheritedBar';
import { ManyBar } from './ManyBar';
import { Strip } from './Strip';

/** What is done most with what is chosen; a hint where nothing is. */
export function DeskStrip({ desk, commands }: { desk: Desk; commands: ReadonlyMap<string, Command> }) {
  const { document, only, inHand, chosen, frameActions } = desk;
  const doing = useHand(desk.hand, (now) => (now.doing === 'typing' || now.doing === 'picking' ? now.doing : undefined));
  const { inherited } = chosen;
  const part = () => {
    if (!inherited) return;
    chosen.clear();
    desk.chooseAdded(desk.actions.part(inherited.page.page.id, [inherited.frame.id]));
  };
  return (
    <Strip
      hint={
        doing === 'typing'
          ? 'You are typing into the text. Press Esc to leave it.'
          : 'Press a frame to choose it, or drag over empty grid.'
      }
    >
      {only && !doing ? (
        <FrameBar document={document} frame={only.frame} actions={frameActions} commands={commands} />
      ) : inHand.length > 1 ? (
        <ManyBar count={inHand.length} isGroup={desk.group !== undefined} commands={commands} />
      ) : inherited ? (
        <InheritedBar document={document} inherited={inherited} onPart={part} />
      ) : null}
    </Strip>
  );
}
