'use client';

import { Command as Menu } from 'cmdk';
import { Dialog } from '@/parts/Dialog';
import { type Command, meantBy } from './command';

/** Finds every command by name; of one that cannot be done now it says why. */
export function CommandBar({ commands, onClose }: { commands: readonly Command[]; onClose: () => void }) {
  return (
    <Dialog title="Find a command" onClose={onClose}>
      <Menu label="Find a command" filter={meantBy} className="flex flex-col">
        <Menu.Input placeholder="What do you want to do?" className="border-base-300 border-b px-4 py-2.5 text-sm outline-none" />
        <Menu.List className="max-h-80 overflow-auto py-1">
          <Menu.Empty className="px-4 py-2 opacity-70">No command has that name.</Menu.Empty>
          {commands.map((command) => (
            <Menu.Item
              key={command.id}
              value={command.name}
              disabled={command.not !== undefined}
              onSelect={() => {
                onClose();
                command.run();
              }}
              className="data-[selected=true]:bg-primary/25 flex cursor-default items-baseline gap-3 px-4 py-1.5 data-[disabled=true]:opacity-40"
            >
              {command.name}
              {command.not && <span className="narrow ml-auto">{command.not}</span>}
              {command.keys && !command.not && <kbd className="narrow ml-auto font-bold opacity-75">{command.keys}</kbd>}
            </Menu.Item>
          ))}
        </Menu.List>
      </Menu>
    </Dialog>
  );
}
