'use client';

import { Command as Menu } from 'cmdk';
import { Dialog } from '@/parts/Dialog';
import type { Command } from './commands';

/** Finds every action by name. */
export function CommandBar({ commands, onClose }: { commands: readonly Command[]; onClose: () => void }) {
  return (
    <Dialog title="Find an action" onClose={onClose}>
      <Menu label="Find an action" className="flex flex-col">
        <Menu.Input placeholder="What do you want to do?" className="border-base-300 border-b px-4 py-2.5 text-sm outline-none" />
        <Menu.List className="max-h-80 overflow-auto py-1">
          <Menu.Empty className="px-4 py-2 opacity-70">No action has that name.</Menu.Empty>
          {commands.map((command) => (
            <Menu.Item
              key={command.id}
              value={command.name}
              disabled={!command.enabled}
              onSelect={() => {
                onClose();
                command.run();
              }}
              className="data-[selected=true]:bg-primary/25 flex cursor-default items-baseline gap-3 px-4 py-1.5 data-[disabled=true]:opacity-40"
            >
              {command.name}
              {command.keys && <kbd className="narrow ml-auto font-bold opacity-60">{command.keys}</kbd>}
            </Menu.Item>
          ))}
        </Menu.List>
      </Menu>
    </Dialog>
  );
}
