'use client';

import { counted } from '@/core/records/count';
import { STORY_STATES, type StoryState } from '@/core/records/story';
import { DayField } from '@/parts/DayField';
import { WordsField } from '@/parts/WordsField';
import { STATE_WORDS } from './stateWords';
import type { CopyActions } from './useCopyActions';

interface ChosenStoriesProps {
  readonly chosen: readonly string[];
  readonly language: string;
  readonly actions: CopyActions;
  readonly onClear: () => void;
}

/** What is done to several stories at once. */
export function ChosenStories({ chosen, language, actions, onClear }: ChosenStoriesProps) {
  return (
    <div
      role="group"
      aria-label="Chosen stories"
      className="border-base-300 bg-primary/15 flex items-end gap-3 border-b px-4 pt-1 pb-1.5"
    >
      <span className="pb-1 font-semibold whitespace-nowrap">{counted(chosen.length, 'story', 'stories')}</span>
      <label className="w-28">
        <span className="text-2xs opacity-75">State</span>
        <select
          className="field narrow"
          value=""
          onChange={(event) => actions.stories(chosen, { state: event.target.value as StoryState })}
        >
          <option value="" disabled>
            Set to …
          </option>
          {STORY_STATES.map((state) => (
            <option key={state} value={state}>
              {STATE_WORDS[state]}
            </option>
          ))}
        </select>
      </label>
      <div className="w-32">
        <WordsField label="Section" value="" onChange={(section) => actions.stories(chosen, { section: section.trim() })} />
      </div>
      <div>
        <span className="text-2xs block opacity-75">Due</span>
        <DayField
          label="Due day of the chosen stories"
          value=""
          language={language}
          width="8.5rem"
          onChange={(day) => day !== '' && actions.stories(chosen, { due: day })}
        />
      </div>
      <button
        type="button"
        className="btn btn-xs mb-1 ml-auto"
        onClick={() => {
          actions.remove(chosen);
          onClear();
        }}
      >
        Remove
      </button>
    </div>
  );
}
