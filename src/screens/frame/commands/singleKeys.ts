const KEPT = 'restless-kite-single-keys';
const listeners = new Set<() => void>();

/** Whether letters and signs alone are shortcuts, as this browser has it: they can be turned off (WCAG 2.1.4). */
export const singleKeys = {
  now: (): boolean => localStorage.getItem(KEPT) !== 'off',
  turn(on: boolean): void {
    if (on) localStorage.removeItem(KEPT);
    else localStorage.setItem(KEPT, 'off');
    for (const listener of listeners) listener();
  },
  subscribe(listener: () => void): () => void {
    listeners.add(listener);
    return () => listeners.delete(listener);
  },
};
