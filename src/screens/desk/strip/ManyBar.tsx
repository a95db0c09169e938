'use client';

import { Group, Trash2, Ungroup } from 'lucide-react';
import type { Command } from '../../frame/commands/command';
import { CommandButton } from '../../frame/commands/CommandButton';
import type { FrameActions } from '../frames/frameActions';
import { ArrangeTools } from './ArrangeTools';
import { StripTools } from '@/parts/Strip';

interface ManyBarProps {
  readonly count: number;
  readonly actions: FrameActions;
  /** They are one group, all of it. */
  readonly isGroup: boolean;
  /** Of the desk, by id. */
  readonly commands: ReadonlyMap<string, Command>;
}

/** What one does most with several frames, in the strip at the desk's foot. */
export function ManyBar({ count, actions, isGroup, commands }: ManyBarProps) {
  const line = 'border-base-300 border-l';
  return (
    <StripTools label="Frames">
      <span className="pr-2.5 font-semibold">{isGroup ? `A group of ${count} frames` : `${count} frames`}</span>
      {!isGroup && (
        <span className="border-base-300 flex items-center border-l pl-2">
          <ArrangeTools actions={actions} count={count} />
        </span>
      )}
      {isGroup ? (
        <CommandButton of={commands.get('ungroup')!} icon={<Ungroup size={14} />} short="Ungroup" className={line} />
      ) : (
        <CommandButton of={commands.get('group')!} icon={<Group size={14} />} short="Group" className={line} />
      )}
      <CommandButton of={commands.get('remove')!} icon={<Trash2 size={14} />} short="Remove" className={line} />
    </StripTools>
  );
}
