import type { StoryState } from '@/core/records/story';

export const STATE_WORDS: Readonly<Record<StoryState, string>> = {
  planned: 'Planned',
  commissioned: 'Commissioned',
  delivered: 'Delivered',
  edited: 'Edited',
  passed: 'Passed',
};
