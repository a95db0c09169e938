/** A record without the fields that are given as undefined: what is not said is not there. */
export const said = <T extends object>(record: T): T =>
  Object.fromEntries(Object.entries(record).filter(([, value]) => value !== undefined)) as T;
