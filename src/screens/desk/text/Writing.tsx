'use client';

import { useEffect } from 'react';
import { frameName } from '@/core/records/kinds/frames';
import type { Command } from '../../frame/commands/command';
import { useSetting } from '../../sheet/useSetting';
import { toScreen } from '../../sheet/view';
import { onSpread } from '../frames/frameInSight';
import { useHand } from '../hand/hand';
import type { Desk } from '../useDesk';
import { Caret, caretOnScreen } from './Selected';
import { TextField } from './TextField';

interface WritingProps {
  readonly desk: Desk;
  readonly commands: readonly Command[];
  readonly onTurn: (how: 'undo' | 'redo') => void;
  readonly onFiles: (files: File[]) => void;
}

/** A text that is written in, as it lies over the desk: its caret, where what is dragged would come to stand, and the field behind it. */
export function Writing({ desk, commands, onTurn, onFiles }: WritingProps) {
  const isWriting = useHand(desk.hand, ({ doing }) => doing === 'typing');
  return isWriting ? <Written desk={desk} commands={commands} onTurn={onTurn} onFiles={onFiles} /> : null;
}

function Written({ desk, commands, onTurn, onFiles }: WritingProps) {
  const { composer, spread, view, inHand } = desk;
  const selection = useSetting(composer, (setting) => setting.selection);
  const drop = useHand(desk.hand, (now) => (now.doing === 'typing' ? now.drop : undefined));
  const at = caretOnScreen(selection, spread.pages, view.view);
  const { caret } = selection;
  const text = inHand.now()?.text;

  // The view goes with the caret: to its spread, and to its place on it.
  const follow = desk.followCaret;
  // Where somebody else's words only told it again where it is, whoever looks elsewhere is left there.
  const stands = caret && `${caret.page} ${caret.box.x} ${caret.box.y}`;
  useEffect(() => {
    const now = composer.setting().selection.caret;
    if (stands && now) follow(now);
  }, [stands, composer, follow]);

  const dropPage = drop && spread.pages.find(({ page }) => page.id === drop.page);
  return (
    <>
      {at && <Caret at={at} />}
      {drop && dropPage && <Caret at={toScreen(view.view, onSpread({ page: dropPage, box: drop.box }))} isDrop />}
      <TextField
        key={text}
        inHand={inHand}
        document={desk.document}
        name={`${desk.only ? frameName(desk.document, desk.only.frame) : 'Text'}: type here; Escape leaves the text`}
        at={at}
        commands={commands}
        say={desk.say}
        onTurn={onTurn}
        onFiles={onFiles}
      />
    </>
  );
}
