/** Whether the guide lies open, or has been put away for good; the browser keeps it. */
const KEPT = 'restless-kite-guide';

type GuideState = 'folded' | 'open' | 'away';

const listeners = new Set<() => void>();

export const guideState = {
  now(): GuideState {
    const kept = localStorage.getItem(KEPT);
    return kept === 'open' || kept === 'away' ? kept : 'folded';
  },
  turn(to: GuideState): void {
    if (to === 'folded') localStorage.removeItem(KEPT);
    else localStorage.setItem(KEPT, to);
    for (const listener of listeners) listener();
  },
  subscribe(listener: () => void): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
};
