import { isValid, parseISO } from 'date-fns';

/** A day that there is, written `YYYY-MM-DD`. */
export const isDay = (text: string): boolean => /^\d{4}-\d{2}-\d{2}$/.test(text) && isValid(parseISO(text));
