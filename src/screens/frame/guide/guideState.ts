import { keptChoice } from '@/parts/keptChoice';

type GuideState = 'folded' | 'open' | 'away';

const kept = keptChoice('restless-kite-guide');

/** Whether the guide lies open, or has been put away for good. */
export const guideState = {
  now(): GuideState {
    const state = kept.now();
    return state === 'open' || state === 'away' ? state : 'folded';
  },
  turn: (to: GuideState): void => kept.put(to === 'folded' ? undefined : to),
  subscribe: kept.subscribe,
};
