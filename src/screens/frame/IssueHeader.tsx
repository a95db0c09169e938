'use client';

import { Keyboard, Search } from 'lucide-react';
import Link from 'next/link';
import type { DocumentStore } from '@/client/documentStore';
import { Crumbs } from './Crumbs';
import { SaveState } from './SaveState';
import { TurnButtons } from './TurnButtons';

/** The places of an issue that there are, in the order of the work. */
const PLACES = [
  { name: 'Pages', path: 'pages' },
  { name: 'Handoff', path: 'handoff' },
] as const;

interface IssueHeaderProps {
  readonly document: string;
  readonly publication: string;
  readonly name: string;
  readonly place: 'pages' | 'handoff';
  readonly store?: DocumentStore;
  readonly undo?: string | undefined;
  readonly redo?: string | undefined;
  readonly onTurn?: (how: 'undo' | 'redo') => void;
  readonly onCommands?: () => void;
  readonly onHelp?: () => void;
}

export function IssueHeader({
  document,
  publication,
  name,
  place,
  store,
  undo,
  redo,
  onTurn,
  onCommands,
  onHelp,
}: IssueHeaderProps) {
  return (
    <header className="border-base-300 bg-base-100 flex h-11 shrink-0 items-center gap-4 border-b px-3">
      <Crumbs publication={publication} here={name} />
      <nav aria-label="Places of the issue" className="ml-6 flex h-full gap-1">
        {PLACES.map((each) => (
          <Link
            key={each.path}
            href={`/issues/${document}/${each.path}`}
            aria-current={each.path === place ? 'page' : undefined}
            className={`flex h-full items-center border-b-[3px] px-3 pt-[3px] font-medium ${each.path === place ? 'border-primary font-bold' : 'border-transparent opacity-75 hover:opacity-100'}`}
          >
            {each.name}
          </Link>
        ))}
      </nav>
      <div className="ml-auto flex items-center gap-1">
        {store && <SaveState store={store} />}
        {onTurn && <TurnButtons undo={undo} redo={redo} onTurn={onTurn} />}
        {onCommands && (
          <button
            type="button"
            className="btn btn-ghost btn-sm btn-square"
            onClick={onCommands}
            aria-label="Find an action (Ctrl+K)"
            title="Find an action (Ctrl+K)"
          >
            <Search size={17} />
          </button>
        )}
        {onHelp && (
          <button
            type="button"
            className="btn btn-ghost btn-sm btn-square"
            onClick={onHelp}
            aria-label="Shortcuts (?)"
            title="Shortcuts (?)"
          >
            <Keyboard size={17} />
          </button>
        )}
      </div>
    </header>
  );
}
