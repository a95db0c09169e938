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
        store.do(`Change “${get(store.document, 'story', id).name}”`, setStory(store.document, id, changes)),
      stories: (ids: readonly string[], changes: Partial<Omit<StoryPlan, 'name'>>) =>
        store.do(`Change ${stories(ids)}`, setStories(store.document, ids, changes)),
      remove: (ids: readonly string[]) => store.do(`Remove ${stories(ids)}`, removeStories(store.document, ids)),
      /** Gives its id. */
      plan: (): string => {
        const diff = planStory(store.document, { name: 'New story', section: '' });
        store.do('Add a story', diff);
        return diff.added.find(({ kind }) => kind === 'story')!.id;
      },
      addPart: (id: string, role: 'standfirst' | 'byline') => store.do(`Add a ${role}`, addPart(store.document, id, role)),
      picture: (id: string, words: Partial<Pick<PictureRecord, 'caption' | 'credit'>>) =>
        store.do('Change the words of a picture', setPictureWords(store.document, id, words)),
    }),
    [store],
  );
}

export type CopyActions = ReturnType<typeof useCopyActions>;
