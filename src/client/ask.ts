/** What the server said of one thing that was filled in: the sentence stands at its field. */
export class FieldRefusal extends Error {
  override name = 'FieldRefusal';
  readonly field: string | undefined;

  constructor(message: string, field: string | undefined) {
    super(message);
    this.field = field;
  }
}

/** Asks the server and gives its answer. @throws FieldRefusal with the server's sentence */
async function answered<T>(url: string, request: RequestInit): Promise<T> {
  let response: Response;
  try {
    response = await fetch(url, request);
  } catch (error) {
    if (request.signal?.aborted) throw error;
    throw new FieldRefusal('The server is not answering. Nothing was done; try again.', undefined);
  }
  const answer = (response.status === 204 ? {} : await response.json()) as T & { message?: string; field?: string };
  if (!response.ok) throw new FieldRefusal(answer.message ?? 'That could not be done.', answer.field);
  return answer;
}

/** Sends JSON and gives what comes back. @throws FieldRefusal with the server's sentence */
export const ask = <T>(url: string, body: unknown, signal?: AbortSignal): Promise<T> =>
  answered<T>(url, {
    method: 'POST',
    headers: { 'Content-Type': 'application/json' },
    body: JSON.stringify(body),
    ...(signal ? { signal } : {}),
  });

/** What the server has at a place. @throws FieldRefusal with the server's sentence */
export const got = <T>(url: string, signal: AbortSignal): Promise<T> => answered<T>(url, { signal });

/** Takes away what the server has at a place. @throws FieldRefusal with the server's sentence */
export const taken = (url: string): Promise<object> => answered<object>(url, { method: 'DELETE' });
