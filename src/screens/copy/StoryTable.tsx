'use client';

import { counted } from '@/core/records/count';
import {
  type ColumnDef,
  getCoreRowModel,
  getFilteredRowModel,
  getSortedRowModel,
  type SortingState,
  useReactTable,
} from '@tanstack/react-table';
import { useVirtualizer } from '@tanstack/react-virtual';
import Link from 'next/link';
import { spotUrl } from '../frame/spotUrl';
import { ArrowDown, ArrowUp } from 'lucide-react';
import { useMemo, useRef, useState } from 'react';
import { type Fit, fitWords } from '@/core/compose/text/fit';
import { daysLeft, pagesWords, type PlannedStory, storyList, wordsOf } from '@/core/plan/storyList';
import { writerOf } from '@/core/plan/storyParts';
import type { StoryPlan } from '@/core/actions/stories';
import { type Document, find, threadOf } from '@/core/records/document';
import { DayField } from '@/parts/DayField';
import { toggled } from '@/parts/toggled';
import { useCommitted } from '@/parts/useCommitted';
import { STORY_STATES, type StoryState } from '@/core/records/story';
import { STATE_WORDS } from './stateWords';

interface StoryTableProps {
  readonly issue: string;
  readonly document: Document;
  readonly fits: ReadonlyMap<string, Fit>;
  readonly today: string;
  /** Words that stories are looked for by: in their names, sections and writers. */
  readonly filter: string;
  /** Stories under headings of their sections. */
  readonly isGrouped: boolean;
  /** One is open beside it: there is room for what tells stories apart. */
  readonly isNarrow: boolean;
  readonly open: string | undefined;
  readonly chosen: ReadonlySet<string>;
  readonly onOpen: (id: string) => void;
  readonly onChoose: (ids: ReadonlySet<string>) => void;
  /** @throws ActionError with a sentence */
  readonly onStory: (id: string, changes: Partial<StoryPlan>) => void;
}

/** A story in the table, with what its columns are sorted by. */
interface Row extends PlannedStory {
  readonly place: number;
  readonly words: number;
  readonly writer: string;
  readonly fit: Fit | undefined;
  /** The page that its body begins on. */
  readonly page: string | undefined;
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

/** What there is no room for beside an open story. */
const WIDE_ONLY: ReadonlySet<string> = new Set(['section', 'target']);

/** Pixels a row is high until it is measured. */
const ROW = 46;

/** A heading of a section, or a story. */
type Shown = { readonly section: string; readonly count: number } | { readonly row: Row };

/** Every story with its state, its fit, its page and its day, as a newsdesk lists them: in page order, or by any column. */
export function StoryTable(props: StoryTableProps) {
  const { document, fits, filter, isGrouped, isNarrow, chosen, onChoose, onStory } = props;
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
        const { body } = story.parts;
        const page = threadOf(document, body)[0]?.on;
        return {
          ...planned,
          place,
          words: wordsOf(document, story),
          writer: writerOf(document, story),
          fit: fits.get(body),
          page,
        };
      }),
    [document, fits],
  );
  const table = useReactTable({
    data,
    columns,
    state: {
      sorting,
      globalFilter: filter,
      columnVisibility: isNarrow ? Object.fromEntries([...WIDE_ONLY].map((id) => [id, false])) : {},
    },
    onSortingChange: setSorting,
    globalFilterFn: ({ original: { story, writer } }, _, words: string) =>
      [story.name, story.section, writer].some((each) => each.toLowerCase().includes(words.trim().toLowerCase())),
    getRowId: ({ story }) => story.id,
    getCoreRowModel: getCoreRowModel(),
    getFilteredRowModel: getFilteredRowModel(),
    getSortedRowModel: getSortedRowModel(),
    sortDescFirst: false,
  });
  const { rows } = table.getRowModel();
  const shown = useMemo(
    () => (isGrouped ? grouped(rows.map(({ original }) => original)) : rows.map(({ original }) => ({ row: original }))),
    [rows, isGrouped],
  );
  // Of a long list only what is in sight is in the page.
  const virtual = useVirtualizer({
    count: shown.length,
    getScrollElement: () => around.current,
    estimateSize: () => ROW,
    getItemKey: (i) => keyOf(shown[i]!),
    overscan: 12,
  });
  const inSight = virtual.getVirtualItems();
  const before = inSight[0]?.start ?? 0;
  const after = virtual.getTotalSize() - (inSight.at(-1)?.end ?? 0);
  const head = 'chapter border-base-300 sticky top-0 z-10 border-b bg-base-100 py-1.5 pr-3 text-left font-semibold';
  const every = rows.map(({ id }) => id);
  const isEvery = every.length > 0 && every.every((id) => chosen.has(id));
  const across = table.getVisibleLeafColumns().length + 1;
  return (
    <div ref={around} className="min-h-0 flex-1 overflow-auto px-4 pb-6">
      <table className="w-full border-collapse" aria-rowcount={rows.length + 1}>
        <caption className="sr-only">Stories of the issue</caption>
        <thead>
          <tr aria-rowindex={1}>
            <th scope="col" className={head}>
              <input
                type="checkbox"
                className="checkbox checkbox-xs"
                aria-label="Choose all stories"
                checked={isEvery}
                onChange={() => onChoose(new Set(isEvery ? [] : every))}
              />
            </th>
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
          {before > 0 && <Gap height={before} across={across} />}
          {inSight.map(({ index, key }) => {
            const each = shown[index]!;
            return 'row' in each ? (
              <StoryRow
                key={key}
                {...props}
                index={index}
                row={each.row}
                wrong={wrong?.story === each.row.story.id ? wrong.message : undefined}
                measure={virtual.measureElement}
                onChange={change}
              />
            ) : (
              <tr key={key} ref={virtual.measureElement} data-index={index}>
                <th scope="rowgroup" colSpan={across} className="bg-base-200 narrow px-2 py-1 text-left font-semibold">
                  {each.section} <span className="opacity-75">{each.count}</span>
                </th>
              </tr>
            );
          })}
          {after > 0 && <Gap height={after} across={across} />}
        </tbody>
      </table>
      {rows.length === 0 && (
        <p className="pt-6 opacity-75">
          {data.length === 0 ? 'There is no story yet. Bring copy in, or add a story.' : 'No story is called so.'}
        </p>
      )}
    </div>
  );
}

const keyOf = (of: Shown): string => ('row' in of ? of.row.story.id : `section ${of.section}`);

/** Stories under their sections, in the order in which these first come. */
function grouped(rows: readonly Row[]): Shown[] {
  const sections = new Map<string, Row[]>();
  for (const row of rows) {
    const section = row.story.section || 'No section';
    sections.set(section, [...(sections.get(section) ?? []), row]);
  }
  return [...sections].flatMap(([section, own]) => [{ section, count: own.length }, ...own.map((row) => ({ row }))]);
}

/** The height of the rows that are out of sight. */
const Gap = ({ height, across }: { height: number; across: number }) => (
  <tr aria-hidden="true">
    <td colSpan={across} style={{ height, padding: 0 }} />
  </tr>
);

interface StoryRowProps extends StoryTableProps {
  readonly index: number;
  readonly row: Row;
  readonly wrong: string | undefined;
  readonly measure: (row: HTMLTableRowElement | null) => void;
  readonly onChange: (id: string, changes: Partial<StoryPlan>) => void;
}

function StoryRow({
  issue,
  document,
  index,
  row,
  today,
  wrong,
  isNarrow,
  open,
  chosen,
  measure,
  onOpen,
  onChoose,
  onChange,
}: StoryRowProps) {
  const { story, pages, words, writer, fit, page } = row;
  const language = find(document, 'issue', 'issue')?.language ?? 'en-GB';
  const over = fit !== undefined && fit.oversetLines > 0;
  const days = daysLeft(story, today);
  const change = (changes: Partial<StoryPlan>) => onChange(story.id, changes);
  return (
    <tr
      ref={measure}
      className={`border-base-300 border-b align-top ${open === story.id ? 'bg-primary/20' : ''}`}
      data-index={index}
      aria-rowindex={index + 2}
      data-story-row={story.id}
    >
      <td className="py-1.5 pr-2">
        <input
          type="checkbox"
          className="checkbox checkbox-xs"
          aria-label={`Choose ${story.name}`}
          checked={chosen.has(story.id)}
          onChange={() => onChoose(toggled(chosen, story.id))}
        />
      </td>
      <th scope="row" className="py-1 pr-3 text-left font-semibold">
        <button
          type="button"
          className="flex w-full items-stretch text-left leading-tight"
          aria-expanded={open === story.id}
          onClick={() => onOpen(story.id)}
        >
          <span className="mr-2 w-[3px] shrink-0" style={{ background: `var(--story-${story.tint})` }} />
          <span className="min-w-0">
            <span className="block hover:underline">{story.name}</span>
            <span className="narrow block font-normal opacity-75">{writer || 'No writer yet'}</span>
          </span>
        </button>
      </th>
      {!isNarrow && (
        <td className="py-1 pr-3">
          <CommittedInput
            label={`Section of ${story.name}`}
            value={story.section}
            width="8rem"
            onCommit={(section) => change({ section: section.trim() })}
          />
        </td>
      )}
      <td className="py-1 pr-3">
        <select
          aria-label={`State of ${story.name}`}
          className="field narrow"
          style={{ width: isNarrow ? '6.2rem' : '7rem' }}
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
      <td className="py-1.5 pr-3 leading-tight tabular-nums">
        {words.toLocaleString('en-GB')}
        {isNarrow && story.target !== undefined && (
          <span className="narrow block opacity-75">of {story.target.toLocaleString('en-GB')}</span>
        )}
      </td>
      {!isNarrow && (
        <td className="py-1 pr-3">
          <CommittedInput
            label={`Target of ${story.name}`}
            value={story.target === undefined ? '' : String(story.target)}
            width="4rem"
            onCommit={(typed) => change({ target: typed.trim() === '' ? undefined : Number(typed) })}
          />
        </td>
      )}
      <td className={`py-1.5 pr-3 leading-tight ${over ? 'text-error font-semibold' : fit ? 'text-success' : 'opacity-75'}`}>
        {fit && page ? (
          <Link
            href={spotUrl(issue, { page }, story.parts.body)}
            prefetch={false}
            className="hover:underline"
            aria-label={`${story.name}: ${fitWords(fit)}. Make it fit`}
          >
            {fitWords(fit)}
          </Link>
        ) : page ? (
          '…'
        ) : (
          'not placed'
        )}
      </td>
      <td className="py-1.5 pr-3 whitespace-nowrap">
        {page ? (
          <Link
            href={`/issues/${issue}/pages?page=${page}`}
            prefetch={false}
            className="underline"
            aria-label={`Page ${pagesWords(pages)}: open it in Pages`}
          >
            {pagesWords(pages)}
          </Link>
        ) : (
          <span aria-label="on no page">–</span>
        )}
      </td>
      <td className={`py-1 ${isNarrow ? 'leading-tight' : 'whitespace-nowrap'}`}>
        {isNarrow ? (
          story.due &&
          new Intl.DateTimeFormat(language, { day: 'numeric', month: 'short', timeZone: 'UTC' }).format(Date.parse(story.due))
        ) : (
          <DayField
            label={`Due day of ${story.name}`}
            value={story.due ?? ''}
            language={language}
            width="8.5rem"
            onChange={(day) => change({ due: day === '' ? undefined : day })}
          />
        )}
        {days !== undefined && (
          <span className={`narrow ${isNarrow ? 'block' : 'pl-2'} ${days < 0 ? 'text-error font-semibold' : 'opacity-75'}`}>
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
