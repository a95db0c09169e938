/** Files larger than this are not even sent: copy and pictures may not be. */
const MOST_BYTES = 100_000_000;

/**
 * Sends a file to be read; what is read changes nothing yet.
 * @param encoding that its letters are said to be in
 * @param most bytes that it may have
 * @throws Error with a sentence where it cannot be taken
 */
export async function upload<T>(url: string, file: File, signal?: AbortSignal, encoding?: string, most = MOST_BYTES): Promise<T> {
  if (file.size > most) throw new Error(`“${file.name}” is larger than ${most / 1_000_000} MB, the most that is taken.`);
  if (file.size === 0) throw new Error(`“${file.name}” is empty.`);
  const form = new FormData();
  if (encoding) form.append('encoding', encoding);
  form.append('file', file, file.name);
  const response = await sent(url, form, signal);
  if (!response) throw new Error(`“${file.name}” did not reach the server. Try again.`);
  const answer = (await response.json().catch(() => ({}))) as T & { message?: string };
  if (!response.ok) throw new Error(answer.message ?? `“${file.name}” could not be brought in.`);
  return answer;
}

/** Seconds to wait before a file is sent again: a server that went in the middle of reading it is back, or another is. */
const PAUSES = [0.5, 1, 2, 4, 8];

/** Sends a file until a server has answered: reading it changes nothing, so that it can be read again. Undefined where none does. */
async function sent(url: string, body: FormData, signal: AbortSignal | undefined): Promise<Response | undefined> {
  for (let again = 0; ; again++) {
    try {
      const response = await fetch(url, { method: 'POST', body, ...(signal ? { signal } : {}) });
      if (response.status < 502) return response;
    } catch {
      signal?.throwIfAborted();
    }
    const pause = PAUSES[again];
    if (pause === undefined) return undefined;
    await new Promise((resolve) => setTimeout(resolve, 1000 * pause));
    signal?.throwIfAborted();
  }
}
