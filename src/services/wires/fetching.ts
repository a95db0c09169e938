import { megabytes, RefusedFileError } from '@/formats/refused';

/** Milliseconds that another house has to answer. */
const PATIENCE = 10_000;

/** An address on the web as a person types it. @throws RefusedFileError with a sentence */
export function webAddress(typed: string): string {
  let url: URL;
  try {
    url = new URL(/^[a-z][a-z0-9+.-]*:\/\//i.test(typed.trim()) ? typed.trim() : `https://${typed.trim()}`);
  } catch {
    throw new RefusedFileError('That is not a web address.', 400);
  }
  if (url.protocol !== 'http:' && url.protocol !== 'https:')
    throw new RefusedFileError('A wire’s address begins with http:// or https://.', 400);
  if (url.username || url.password) throw new RefusedFileError('An address here has no name or password in it.', 400);
  return url.href;
}

/**
 * What lies at an address of another house: never more than `limit` bytes of it, never longer than patience lasts, and not
 * what it only points to elsewhere.
 *
 * @throws RefusedFileError with a sentence that begins with `who`
 */
export async function fetched(
  who: string,
  address: string,
  limit: number,
  accept: string,
  signal?: AbortSignal,
): Promise<Uint8Array> {
  const late = AbortSignal.timeout(PATIENCE);
  try {
    const response = await fetch(address, {
      headers: { accept },
      redirect: 'error',
      signal: signal ? AbortSignal.any([late, signal]) : late,
    });
    if (!response.ok) throw new RefusedFileError(`${who} answered with an error (${response.status}).`);
    const pieces: Uint8Array[] = [];
    let size = 0;
    for await (const piece of (response.body ?? []) as unknown as AsyncIterable<Uint8Array>) {
      if ((size += piece.length) > limit)
        throw new RefusedFileError(`${who} sends more than ${megabytes(limit)}, the most that is taken.`, 413);
      pieces.push(piece);
    }
    return new Uint8Array(Buffer.concat(pieces));
  } catch (error) {
    if (error instanceof RefusedFileError) throw error;
    signal?.throwIfAborted();
    throw new RefusedFileError(late.aborted ? `${who} takes too long to answer.` : `${who} does not answer.`);
  }
}
