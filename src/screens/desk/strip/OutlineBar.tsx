'use client';

import { Check, Minus, Plus, RotateCcw, Spline } from 'lucide-react';
import { pointsIn } from '@/core/geometry/outline';
import type { ReactNode } from 'react';
import { StripTools } from '@/parts/Strip';
import type { Command } from '../../frame/commands/command';
import { CommandButton } from '../../frame/commands/CommandButton';
import { useHand } from '../hand/hand';
import { outlinedBy } from '../hand/useOutlining';
import type { Desk } from '../useDesk';

/** What is done while an outline is mended. */
export function OutlineBar({ desk, commands }: { desk: Desk; commands: ReadonlyMap<string, Command> }) {
  const now = useHand(desk.hand, (doing) => (doing.doing === 'outlining' ? doing : undefined));
  const own = now && outlinedBy(desk.document, now.frame, now.outline);
  if (!own) return null;
  const points = pointsIn(own.outline);
  const tool = (id: string, icon: ReactNode, short: string) => (
    <CommandButton of={commands.get(id)!} icon={icon} className="" short={short} />
  );
  return (
    <StripTools label="Outline">
      <span className="pr-2.5 font-semibold whitespace-nowrap">Outline of {points} points</span>
      {tool('outline-add', <Plus size={14} />, 'Add')}
      {tool('outline-remove', <Minus size={14} />, 'Remove')}
      {tool('outline-smooth', <Spline size={14} />, 'Smooth')}
      {tool('outline-reset', <RotateCcw size={14} />, 'As traced')}
      {tool('outline-done', <Check size={14} />, 'Done')}
    </StripTools>
  );
}
