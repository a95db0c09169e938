'use client';

import { useState } from 'react';
import { type Fit, fitWords } from '@/core/compose/fit';
import { daysLeft, pagesWords, storyList, wordsOf } from '@/core/plan/storyList';
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

/** Every story with its state, its fit, its page and its day, as a newsdesk lists them. */
export function StoryTable({ document, fits, today, onStory }: StoryTableProps) {
  const language = find(document, 'issue', 'issue')?.language ?? 'en-GB';
  const [wrong, setWrong] = useState<{ story: string; message: string }>();
  const change = (id: string, changes: Partial<StoryPlan>) => {
    try {
      onStory(id, changes);
      setWrong(undefined);
    } catch (error) {
      setWrong({ story: id, message: (error as Error).message });
    }
  };
  const head = 'chapter border-base-300 sticky top-0 z-10 border-b bg-base-200 py-1.5 pr-4 text-left font-semibold';
  return (
    <div className="min-h-0 flex-1 overflow-auto px-5 pb-6">
      <table className="w-full border-collapse">
        <caption className="sr-only">Stories of the issue</caption>
        <thead>
          <tr>
            {['Story', 'Section', 'State', 'Words', 'Target', 'Fit', 'Page', 'Due'].map((name) => (
              <th key={name} scope="col" className={head}>
                {name}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          {storyList(document).map(({ story, pages }) => {
            const fit = fits.get(story.parts.body);
            const over = fit !== undefined && fit.oversetLines > 0;
            const days = daysLeft(story, today);
            return (
              <tr key={story.id} className="border-base-300 border-b" data-story-row={story.id}>
                <th scope="row" className="py-1 pr-4 text-left font-semibold">
                  <span
                    className="mr-2 inline-block h-3 w-[3px] align-[-1px]"
                    style={{ background: `var(--story-${story.tint})` }}
                  />
                  <CommittedInput
                    label={`Name of ${story.name}`}
                    value={story.name}
                    width="15rem"
                    onCommit={(typed) => change(story.id, { name: typed.trim() })}
                  />
                </th>
                <td className="pr-4">{story.section}</td>
                <td className="pr-4">
                  <select
                    aria-label={`State of ${story.name}`}
                    className="field narrow"
                    style={{ width: '8rem' }}
                    value={story.state ?? 'planned'}
                    onChange={(event) => change(story.id, { state: event.target.value as StoryState })}
                  >
                    {STORY_STATES.map((state) => (
                      <option key={state} value={state}>
                        {STATE_WORDS[state]}
                      </option>
                    ))}
                  </select>
                </td>
                <td className="pr-4 tabular-nums">{wordsOf(document, story).toLocaleString('en-GB')}</td>
                <td className="pr-4">
                  <CommittedInput
                    label={`Target of ${story.name}`}
                    value={story.target === undefined ? '' : String(story.target)}
                    width="4rem"
                    onCommit={(typed) => change(story.id, { target: typed.trim() === '' ? undefined : Number(typed) })}
                  />
                </td>
                <td
                  className={`pr-4 whitespace-nowrap ${over ? 'text-error font-semibold' : fit ? 'text-success' : 'opacity-60'}`}
                >
                  {fit ? fitWords(fit) : 'not placed'}
                </td>
                <td className="pr-4">{pagesWords(pages)}</td>
                <td className="whitespace-nowrap">
                  <DayField
                    label={`Due day of ${story.name}`}
                    value={story.due ?? ''}
                    language={language}
                    width="9.5rem"
                    onChange={(day) => change(story.id, { due: day === '' ? undefined : day })}
                  />
                  {days !== undefined && (
                    <span className={`narrow pl-2 ${days < 0 ? 'text-error font-semibold' : 'opacity-75'}`}>
                      {days < 0 ? `${-days} days late` : days === 0 ? 'today' : `in ${days} days`}
                    </span>
                  )}
                  {wrong?.story === story.id && (
                    <p role="alert" className="text-2xs text-error">
                      {wrong.message}
                    </p>
                  )}
                </td>
              </tr>
            );
          })}
        </tbody>
      </table>
    </div>
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
