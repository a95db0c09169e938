/** What was asked for is not well formed; the message says what is wrong. */
export class BadRequestError extends Error {
  override name = 'BadRequestError';
}

/** A request that another site sent in the name of the person at the browser. */
export class ForeignOriginError extends Error {
  override name = 'ForeignOriginError';
}

/** More was sent than is taken. */
export class TooLargeError extends Error {
  override name = 'TooLargeError';
}
