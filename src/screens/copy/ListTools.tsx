'use client';

import { Eraser, FilePlus2, Plus, RadioTower, SpellCheck, TextSearch } from 'lucide-react';
import { Tick } from '@/parts/Tick';
import type { Finding } from '../finding/FindingPanel';

interface ListToolsProps {
  readonly filter: string;
  readonly isGrouped: boolean;
  /** A story is open beside the list. */
  readonly isNarrow: boolean;
  readonly onFilter: (words: string) => void;
  readonly onGrouped: (is: boolean) => void;
  readonly onFind: (finding: Finding) => void;
  readonly onWire: () => void;
  readonly onNew: () => void;
  readonly onBringIn: () => void;
}

const FINDINGS = [
  { finding: 'find', name: 'Find and replace', keys: ' (Ctrl+F)', Icon: TextSearch },
  { finding: 'spelling', name: 'Spelling', keys: ' (F7)', Icon: SpellCheck },
  { finding: 'clean', name: 'Clean up', keys: '', Icon: Eraser },
] as const;

/** What is done with the list of stories: it is filtered and grouped, and stories come into it. */
export function ListTools({
  filter,
  isGrouped,
  isNarrow,
  onFilter,
  onGrouped,
  onFind,
  onWire,
  onNew,
  onBringIn,
}: ListToolsProps) {
  return (
    <div className="flex items-center gap-3 px-4 pt-2.5 pb-2">
      <input
        type="search"
        className="field max-w-96 min-w-0 flex-1"
        aria-label="Find in stories"
        placeholder="Find in stories …"
        value={filter}
        onChange={(event) => onFilter(event.target.value)}
      />
      <span className="whitespace-nowrap">
        <Tick label="By section" value={isGrouped} onChange={onGrouped} />
      </span>
      <span className={`ml-auto flex shrink-0 ${isNarrow ? 'gap-1' : 'gap-2'}`}>
        {FINDINGS.map(({ finding, name, keys, Icon }) => (
          <button
            key={finding}
            type="button"
            className="btn btn-sm"
            aria-label={name}
            title={`${name}${keys}`}
            onClick={() => onFind(finding)}
          >
            <Icon size={14} aria-hidden="true" />
          </button>
        ))}
        <button type="button" className="btn btn-sm" aria-label="News wire" title="News wire" onClick={onWire}>
          <RadioTower size={14} aria-hidden="true" />
        </button>
        <button type="button" className="btn btn-sm" aria-label="New story" title="New story" onClick={onNew}>
          <Plus size={14} aria-hidden="true" /> {!isNarrow && 'New story'}
        </button>
        <button type="button" className="btn btn-sm" aria-label="Bring in" title="Bring in copy and pictures" onClick={onBringIn}>
          <FilePlus2 size={14} aria-hidden="true" /> {!isNarrow && 'Bring in'}
        </button>
      </span>
    </div>
  );
}
