import type { Schema } from 'joi';
import { BadRequestError, BusyError, FieldError, ForeignOriginError, NotThereError, TooLargeError } from '@/services/errors';
import { mended } from '@/core/records/plain';
import { isAllowedHost, UNKNOWN_HOST } from '@/services/hosts';
import { RefusedFileError } from '@/services/imports/refused';
import { PLAIN_MESSAGES } from '@/core/records/messages';

/** Status and sentence for every error that a caller can do something about. */
function answerFor(error: unknown): { status: number; body: Record<string, unknown> } {
  const name = error instanceof Error ? error.name : '';
  const message = error instanceof Error ? error.message : '';
  if (error instanceof RefusedFileError) return { status: error.status, body: { message } };
  if (error instanceof FieldError) return { status: 400, body: { message, field: error.field } };
  if (error instanceof BadRequestError) return { status: 400, body: { message } };
  if (error instanceof ForeignOriginError) return { status: 403, body: { message } };
  if (error instanceof TooLargeError) return { status: 413, body: { message } };
  if (name === 'NoSuchDocumentError' || name === 'NoSuchBlobError') return { status: 404, body: { message } };
  if (name === 'ConflictError') return { status: 409, body: { message, theirs: (error as { theirs?: unknown }).theirs } };
  // Not refused: it is to be rebased on what others did, and sent again.
  if (name === 'StaleError') return { status: 412, body: { message } };
  if (error instanceof NotThereError) return { status: 404, body: { message } };
  if (error instanceof BusyError) return { status: 503, body: { message } };
  if (name === 'InvalidChangeError') return { status: 400, body: { message } };
  if (name === 'AbandonedError' || name === 'AbortError')
    return { status: 499, body: { message: 'Nobody waits for this any more.' } };
  // What the database found to point at nothing, and the core did not.
  if ((error as { code?: unknown } | undefined)?.code === '23503')
    return { status: 409, body: { message: 'It refers to something that is not there, so it was not stored.', theirs: [] } };
  // What PostgreSQL cannot hold (class 22, data exception) will not become better by being sent again.
  if (/^22/.test(String((error as { code?: unknown } | undefined)?.code ?? '')))
    return { status: 400, body: { message: 'That holds characters that cannot be stored.' } };
  console.error(error);
  return { status: 500, body: { message: 'The server could not do that. What was stored is safe; try again.' } };
}

const NO_STORE = { 'Cache-Control': 'no-store' };

type Params = Record<string, string>;

/**
 * A route handler: checks the parameters of its path with Joi, refuses what other sites send, and answers errors
 * with a sentence and the right status.
 */
export function handler<P extends Params>(
  params: Schema<P>,
  work: (request: Request, params: P) => Promise<Response>,
): (request: Request, context: { params: Promise<Params> }) => Promise<Response> {
  return async (request, context) => {
    try {
      if (!isAllowedHost(request.headers.get('host')))
        return Response.json({ message: UNKNOWN_HOST }, { status: 421, headers: NO_STORE });
      if (request.method !== 'GET' && request.method !== 'HEAD') refuseForeign(request);
      const answer = await work(request, checked(params, await context.params));
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

/** Only pages of this very server may change anything. Programs that send no `Origin` are not a browser's pages. */
function refuseForeign(request: Request): void {
  const site = request.headers.get('sec-fetch-site');
  const origin = request.headers.get('origin');
  const foreign = () => new ForeignOriginError('This request comes from another site and was refused.');
  if (site !== null && site !== 'same-origin' && site !== 'none') throw foreign();
  if (origin === null) return;
  let host: string;
  try {
    host = new URL(origin).host;
  } catch {
    throw foreign();
  }
  if (host !== request.headers.get('host')) throw foreign();
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
  if (size > JSON_BYTES)
    throw new TooLargeError('That is more than can be stored at once: a change may hold 8 MB. Do it in parts.');
  try {
    return mended(JSON.parse(Buffer.concat(pieces).toString('utf8')) as unknown);
  } catch {
    throw new BadRequestError('That is not JSON.');
  }
}
