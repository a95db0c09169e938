/** What was asked for is not well formed; the message says what is wrong. */
export class BadRequestError extends Error {
  override name = 'BadRequestError';
}

/** One thing that was filled in will not do; the message stands at its field. */
export class FieldError extends BadRequestError {
  override name = 'FieldError';
  readonly field: string;

  constructor(field: string, message: string) {
    super(message);
    this.field = field;
  }
}

/** A request that another site sent in the name of the person at the browser. */
export class ForeignOriginError extends Error {
  override name = 'ForeignOriginError';
}

/** A request for a host that this server does not answer to. */
export class MisdirectedError extends Error {
  override name = 'MisdirectedError';
}

/** There is too much to do at the moment. */
export class BusyError extends Error {
  override name = 'BusyError';
}

/** What was asked for is not there. */
export class NotThereError extends Error {
  override name = 'NotThereError';
}

/** More was sent than is taken. */
export class TooLargeError extends Error {
  override name = 'TooLargeError';
}

/** Whether something could not be written because the disk is full: PostgreSQL's disk_full (class 53), or the system's ENOSPC. */
export const isDiskFull = (error: unknown): boolean =>
  ['53100', 'ENOSPC'].includes(String((error as { code?: unknown } | null)?.code));

export const DISK_FULL = 'There is no room left on the server’s disk.';

/** Why something was not done, for whoever waits for it. */
export const reasonOf = (error: unknown): string =>
  isDiskFull(error) ? DISK_FULL : error instanceof Error ? error.message : String(error);
