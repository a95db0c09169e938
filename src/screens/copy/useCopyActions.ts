'use client';

import { useMemo } from 'react';
import type { DeskStore } from '@/client/deskStore';
import { setPictureWords } from '@/core/actions/pictures';
import { addPart, planStory, removeStories, setStories, setStory, type StoryPlan } from '@/core/actions/stories';
import { counted } from '@/core/records/count';
import { get } from '@/core/records/document';
import type { PictureRecord } from '@/core/records/index';

const stories = (ids: readonly string[]): string => (ids.length === 1 ? 'a story' : counted(ids.length, 'story', 'stories'));

/** What can be done to stories in Copy; each is one change. What cannot be done throws a sentence, which is said at its field. */
export function useCopyActions(store: DeskStore) {
  return useMemo(
    () => ({
      /** @throws ActionError with a sentence */
      story: (id: string, changes: Partial<StoryPlan>) =>
        store.act(`Change “${get(store.document, 'story', id).name}”`, (document) => setStory(document, id, changes)),
      stories: (ids: readonly string[], changes: Partial<Omit<StoryPlan, 'name'>>) =>
        store.act(`Change ${stories(ids)}`, (document) => setStories(document, ids, changes)),
      remove: (ids: readonly string[]) => store.act(`Remove ${stories(ids)}`, (document) => removeStories(document, ids)),
      /** Gives its id. */
      plan: (): string => {
        const diff = store.act('Add a story', (document) => planStory(document, { name: 'New story', section: '' }));
        return diff.added.find(({ kind }) => kind === 'story')!.id;
      },
      addPart: (id: string, role: 'standfirst' | 'byline') =>
        store.act(`Add a ${role}`, (document) => addPart(document, id, role)),
      picture: (id: string, words: Partial<Pick<PictureRecord, 'caption' | 'credit'>>) =>
        store.act('Change the words of a picture', (document) => setPictureWords(document, id, words)),
    }),
    [store],
  );
}

export type CopyActions = ReturnType<typeof useCopyActions>;
