import type { Schema } from 'joi';
import { admit, type Visit } from '@/services/door';
import { BadRequestError, DISK_FULL, isDiskFull, TooLargeError } from '@/services/errors';
import { mended } from '@/core/records/plain';
import { PLAIN_MESSAGES } from '@/core/records/messages';

/**
 * The status of every error that a caller can do something about, by name: a class is not the same in every bundle of the
 * server. Its message is the sentence.
 */
const STATUS: Readonly<Record<string, number>> = {
  BadRequestError: 400,
  FieldError: 400,
  InvalidChangeError: 400,
  ForeignOriginError: 403,
  NoSuchDocumentError: 404,
  NoSuchBlobError: 404,
  NotThereError: 404,
  ConflictError: 409,
  // Not refused: it is to be rebased on what others did, and sent again.
  StaleError: 412,
  TooLargeError: 413,
  MisdirectedError: 421,
  BusyError: 503,
};

function answerFor(error: unknown): { status: number; body: Record<string, unknown> } {
  const { name, message, ...more } = error instanceof Error ? { ...error, name: error.name, message: error.message } : NOBODY;
  const status = STATUS[name];
  if (status !== undefined) {
    const { field, theirs } = more as { field?: unknown; theirs?: unknown };
    return { status, body: { message, field, theirs } };
  }
  if (name === 'RefusedFileError') return { status: (more as { status: number }).status, body: { message } };
  if (name === 'AbandonedError' || name === 'AbortError')
    return { status: 499, body: { message: 'Nobody waits for this any more.' } };
  const code = String((more as { code?: unknown }).code ?? '');
  // What the database found to point at nothing, and the core did not.
  if (code === '23503')
    return { status: 409, body: { message: 'It refers to something that is not there, so it was not saved.', theirs: [] } };
  if (isDiskFull(error)) return { status: 507, body: { message: `${DISK_FULL} Nothing was changed; what was saved is safe.` } };
  // What PostgreSQL cannot hold (class 22, data exception) will not become better by being sent again.
  if (code.startsWith('22')) return { status: 400, body: { message: 'That holds characters that cannot be saved.' } };
  console.error(error);
  return { status: 500, body: { message: 'The server could not do that. What was saved is safe; try again.' } };
}

const NOBODY = { name: '', message: '' };

const NO_STORE = { 'Cache-Control': 'no-store' };

type Params = Record<string, string>;

/** The rest of a path, where a route takes it, is one parameter. */
const joined = (params: Readonly<Record<string, string | readonly string[]>>): Params =>
  Object.fromEntries(Object.entries(params).map(([key, value]) => [key, typeof value === 'string' ? value : value.join('/')]));

/**
 * A route handler: checks the parameters of its path with Joi, passes the door, and answers errors with a sentence and the
 * right status.
 */
export function handler<P extends Params>(
  params: Schema<P>,
  work: (request: Request, params: P, visit: Visit) => Promise<Response>,
): (request: Request, context: { params: Promise<Record<string, string | string[]>> }) => Promise<Response> {
  return async (request, context) => {
    try {
      const of = joined((await context.params) ?? {});
      const reads = request.method === 'GET' || request.method === 'HEAD';
      const own = checked(params, of);
      const visit = await admit({ headers: request.headers, right: reads ? 'read' : 'change', of: own });
      const answer = await work(request, own, visit);
      // What is told of documents is of this moment, and nobody else's to keep.
      if (!answer.headers.has('cache-control')) answer.headers.set('Cache-Control', 'no-store');
      return answer;
    } catch (error) {
      const { status, body } = answerFor(error);
      return Response.json(body, { status, headers: NO_STORE });
    }
  };
}

/** Input checked by a schema. @throws BadRequestError */
export function checked<T>(schema: Schema<T>, input: unknown): T {
  const { value, error } = schema.validate(input, { messages: PLAIN_MESSAGES });
  if (error) throw new BadRequestError(`That cannot be done: ${error.message}.`);
  return value as T;
}

/** The most bytes of JSON that are read. */
const JSON_BYTES = 8_000_000;

/** Text in it that is not well formed is mended. @throws BadRequestError, TooLargeError */
export async function readJson(request: Request): Promise<unknown> {
  if (!/^application\/json\b/.test(request.headers.get('content-type') ?? '')) throw new BadRequestError('Send JSON.');
  const pieces: Uint8Array[] = [];
  let size = 0;
  for await (const piece of (request.body ?? []) as unknown as AsyncIterable<Uint8Array>) {
    size += piece.length;
    if (size <= JSON_BYTES) pieces.push(piece);
    // The rest is read and let go: an answer before the end would break the connection, and nobody would see the sentence.
    else if (size > 16 * JSON_BYTES) break;
  }
  if (size > JSON_BYTES) throw new TooLargeError('That is too much to save at once: a change may hold 8 MB. Do it in parts.');
  try {
    return mended(JSON.parse(Buffer.concat(pieces).toString('utf8')) as unknown);
  } catch {
    throw new BadRequestError('That is not JSON.');
  }
}
