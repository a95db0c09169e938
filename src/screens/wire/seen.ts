/** Up to when somebody has seen what the wires of an issue's publication sent: kept by the browser, for each who looks. */
const keyOf = (issue: string): string => `kite-wire-seen-${issue}`;

/** ISO 8601; empty for who has not looked yet. */
export const seenUpTo = (issue: string): string => localStorage.getItem(keyOf(issue)) ?? '';

export const noteSeen = (issue: string, at: string): void => localStorage.setItem(keyOf(issue), at);
