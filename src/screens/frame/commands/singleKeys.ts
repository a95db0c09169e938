import { keptChoice } from '@/parts/keptChoice';

const kept = keptChoice('restless-kite-single-keys');

/** Whether letters and signs alone are shortcuts, as this browser has it: they can be turned off (WCAG 2.1.4). */
export const singleKeys = {
  now: (): boolean => kept.now() !== 'off',
  turn: (on: boolean): void => kept.put(on ? undefined : 'off'),
  subscribe: kept.subscribe,
};
