/** The day it is, ISO 8601. */
export const today = (): string => new Date().toISOString().slice(0, 10);
