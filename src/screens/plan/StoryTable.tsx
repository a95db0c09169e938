'use client';

import { counted } from '@/core/records/count';
import { type ColumnDef, getCoreRowModel, getSortedRowModel, type SortingState, useReactTable } from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import { type Fit, fitWords } from '@/core/compose/text/fit';
import { daysLeft, pagesWords, type PlannedStory, storyList, wordsOf } from '@/core/plan/storyList';
import type { StoryPlan } from '@/core/actions/stories';
import { type Document, find } from '@/core/records/document';
import { DayField } from '@/parts/DayField';
import { useCommitted } from '@/parts/useCommitted';
import { STORY_STATES, type StoryState } from '@/core/records/story';

interface StoryTableProps {
  readonly document: Document;
  readonly fits: ReadonlyMap<string, Fit>;
  readonly today: string;
  /** @throws ActionError with a sentence */
  readonly onStory: (id: string, changes: Partial<StoryPlan>) => void;
}

export const STATE_WORDS: Readonly<Record<StoryState, string>> = {
  planned: 'Planned',
  commissioned: 'Commissioned',
  delivered: 'Delivered',
  edited: 'Edited',
  passed: 'Passed',
};

/** A story in the table, with what its columns are sorted by. */
interface Row extends PlannedStory {
  readonly place: number;
  readonly words: number;
  readonly fit: Fit | undefined;
}

/** Lines over are worse than room left; what is not placed comes last. */
const fitRank = ({ fit }: Row): number => (fit === undefined ? Infinity : fit.room - fit.oversetLines);

const columns: ColumnDef<Row>[] = [
  { id: 'story', header: 'Story', accessorFn: ({ story }) => story.name, sortingFn: 'text' },
  { id: 'section', header: 'Section', accessorFn: ({ story }) => story.section, sortingFn: 'text' },
  {
    id: 'state',
    header: 'State',
    accessorFn: ({ story }) => STORY_STATES.indexOf(story.state ?? 'planned'),
    sortingFn: 'basic',
  },
  { id: 'words', header: 'Words', accessorFn: ({ words }) => words, sortingFn: 'basic' },
  { id: 'target', header: 'Target', accessorFn: ({ story }) => story.target, sortingFn: 'basic', sortUndefined: 'last' },
  { id: 'fit', header: 'Fit', accessorFn: fitRank, sortingFn: 'basic' },
  { id: 'page', header: 'Page', accessorFn: ({ place }) => place, sortingFn: 'basic' },
  { id: 'due', header: 'Due', accessorFn: ({ story }) => story.due, sortingFn: 'basic', sortUndefined: 'last' },
];

/** Pixels a row is high until it is measured. */
const ROW = 38;

/** Every story with its state, its fit, its page and its day, as a newsdesk lists them: in page order, or by any column. */
export function StoryTable({ document, fits, today, onStory }: StoryTableProps) {
  const language = find(document, 'issue', 'issue')?.language ?? 'en-GB';
  const [sorting, setSorting] = useState<SortingState>([]);
  const [wrong, setWrong] = useState<{ story: string; message: string }>();
  const around = useRef<HTMLDivElement>(null);
  const change = (id: string, changes: Partial<StoryPlan>) => {
    try {
      onStory(id, changes);
      setWrong(undefined);
    } catch (error) {
      setWrong({ story: id, message: (error as Error).message });
    }
  };
  const data = useMemo(
    () =>
      storyList(document).map((planned, place): Row => {
        const { story } = planned;
        return { ...planned, place, words: wordsOf(document, story), fit: fits.get(story.parts.body) };
      }),
    [document, fits],
  );
  const table = useReactTable({
    data,
    columns,
    state: { sorting },
    onSortingChange: setSorting,
    getRowId: ({ story }) => story.id,
    getCoreRowModel: getCoreRowModel(),
    getSortedRowModel: getSortedRowModel(),
    sortDescFirst: false,
  });
  const { rows } = table.getRowModel();
  // Of a long list only what is in sight is in the page.
  const virtual = useVirtualizer({
    count: rows.length,
    getScrollElement: () => around.current,
    estimateSize: () => ROW,
    getItemKey: (i) => rows[i]!.id,
    overscan: 12,
  });
  const inSight = virtual.getVirtualItems();
  const before = inSight[0]?.start ?? 0;
  const after = virtual.getTotalSize() - (inSight.at(-1)?.end ?? 0);
  const head = 'chapter border-base-300 sticky top-0 z-10 border-b bg-base-200 py-1.5 pr-4 text-left font-semibold';
  return (
    <div ref={around} className="min-h-0 flex-1 overflow-auto px-5 pb-6">
      <table className="w-full border-collapse" aria-rowcount={rows.length + 1}>
        <caption className="sr-only">Stories of the issue</caption>
        <thead>
          <tr aria-rowindex={1}>
            {table.getFlatHeaders().map(({ column }) => {
              const sorted = column.getIsSorted();
              const Sign = sorted === 'desc' ? ArrowDown : ArrowUp;
              return (
                <th
                  key={column.id}
                  scope="col"
                  className={head}
                  aria-sort={sorted === 'asc' ? 'ascending' : sorted === 'desc' ? 'descending' : 'none'}
                >
                  <button type="button" className="group flex items-center gap-1" onClick={column.getToggleSortingHandler()}>
                    {String(column.columnDef.header)}
                    <Sign size={12} className={sorted ? '' : 'opacity-0 group-hover:opacity-75'} aria-hidden="true" />
                  </button>
                </th>
              );
            })}
          </tr>
        </thead>
        <tbody>
          {before > 0 && <Gap height={before} />}
          {inSight.map(({ index, key }) => (
            <StoryRow
              key={key}
              index={index}
              row={rows[index]!.original}
              today={today}
              language={language}
              wrong={wrong?.story === key ? wrong.message : undefined}
              measure={virtual.measureElement}
              onChange={change}
            />
          ))}
          {after > 0 && <Gap height={after} />}
        </tbody>
      </table>
    </div>
  );
}

/** The height of the rows that are out of sight. */
const Gap = ({ height }: { height: number }) => (
  <tr aria-hidden="true">
    <td colSpan={columns.length} style={{ height, padding: 0 }} />
  </tr>
);

interface StoryRowProps {
  readonly index: number;
  readonly row: Row;
  readonly today: string;
  readonly language: string;
  readonly wrong: string | undefined;
  readonly measure: (row: HTMLTableRowElement | null) => void;
  readonly onChange: (id: string, changes: Partial<StoryPlan>) => void;
}

function StoryRow({ index, row: { story, pages, words, fit }, today, language, wrong, measure, onChange }: StoryRowProps) {
  const over = fit !== undefined && fit.oversetLines > 0;
  const days = daysLeft(story, today);
  const change = (changes: Partial<StoryPlan>) => onChange(story.id, changes);
  return (
    <tr ref={measure} className="border-base-300 border-b" data-index={index} aria-rowindex={index + 2} data-story-row={story.id}>
      <th scope="row" className="py-1 pr-4 text-left font-semibold">
        <span className="flex items-center">
          <span className="mr-2 h-4 w-[3px] shrink-0" style={{ background: `var(--story-${story.tint})` }} />
          <CommittedInput
            label={`Name of ${story.name}`}
            value={story.name}
            width="11.5rem"
            onCommit={(typed) => change({ name: typed.trim() })}
          />
        </span>
      </th>
      <td className="pr-4">{story.section}</td>
      <td className="pr-4">
        <select
          aria-label={`State of ${story.name}`}
          className="field narrow"
          style={{ width: '7rem' }}
          value={story.state ?? 'planned'}
          onChange={(event) => change({ state: event.target.value as StoryState })}
        >
          {STORY_STATES.map((state) => (
            <option key={state} value={state}>
              {STATE_WORDS[state]}
            </option>
          ))}
        </select>
      </td>
      <td className="pr-4 tabular-nums">{words.toLocaleString('en-GB')}</td>
      <td className="pr-4">
        <CommittedInput
          label={`Target of ${story.name}`}
          value={story.target === undefined ? '' : String(story.target)}
          width="4rem"
          onCommit={(typed) => change({ target: typed.trim() === '' ? undefined : Number(typed) })}
        />
      </td>
      <td className={`pr-4 whitespace-nowrap ${over ? 'text-error font-semibold' : fit ? 'text-success' : 'opacity-75'}`}>
        {fit ? fitWords(fit) : 'not placed'}
      </td>
      <td className="pr-4">{pagesWords(pages)}</td>
      <td className="whitespace-nowrap">
        <DayField
          label={`Due day of ${story.name}`}
          value={story.due ?? ''}
          language={language}
          width="8.5rem"
          onChange={(day) => change({ due: day === '' ? undefined : day })}
        />
        {days !== undefined && (
          <span className={`narrow pl-2 ${days < 0 ? 'text-error font-semibold' : 'opacity-75'}`}>
            {days < 0 ? `${counted(-days, 'day')} late` : days === 0 ? 'today' : `in ${counted(days, 'day')}`}
          </span>
        )}
        {wrong && (
          <p role="alert" className="text-2xs text-error">
            {wrong}
          </p>
        )}
      </td>
    </tr>
  );
}

interface CommittedInputProps {
  readonly label: string;
  readonly value: string;
  readonly width: string;
  readonly onCommit: (typed: string) => void;
}

/** A cell to type in: it counts when it is left or Enter is pressed. */
function CommittedInput({ label, value, width, onCommit }: CommittedInputProps) {
  const { typed, type: onType, commit, onKeyDown, atRest } = useCommitted((words) => words !== value && onCommit(words));
  return (
    <input
      aria-label={label}
      className="field narrow"
      style={{ width }}
      value={typed ?? value}
      onChange={(event) => onType(event.target.value)}
      onBlur={commit}
      onKeyDown={onKeyDown}
      {...atRest}
    />
  );
}
