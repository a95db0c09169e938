/** What the server said of one thing that was filled in: the sentence stands at its field. */
export class FieldRefusal extends Error {
  override name = 'FieldRefusal';
  readonly field: string | undefined;

  constructor(message: string, field: string | undefined) {
    super(message);
    this.field = field;
  }
}

/** Sends JSON and gives what comes back. @throws FieldRefusal with the server's sentence */
export async function ask<T>(url: string, body: unknown): Promise<T> {
  let response: Response;
  try {
    response = await fetch(url, {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    });
  } catch {
    throw new FieldRefusal('The server does not answer. Nothing was done; try again.', undefined);
  }
  const answer = (await response.json()) as T & { message?: string; field?: string };
  if (!response.ok) throw new FieldRefusal(answer.message ?? 'That could not be done.', answer.field);
  return answer;
}
