/** Where somebody was in an issue, kept by their browser: the shelf leads back there. */
export interface LastPlace {
  readonly page: string;
  /** The folios of the spread, as the page line has them. */
  readonly folios: string;
  /** Milliseconds since 1970. */
  readonly at: number;
}

const key = (issue: string): string => `restless-kite-place-${issue}`;

const isPlace = (said: unknown): said is LastPlace =>
  typeof said === 'object' &&
  said !== null &&
  typeof (said as LastPlace).page === 'string' &&
  typeof (said as LastPlace).folios === 'string' &&
  typeof (said as LastPlace).at === 'number';

export function lastPlace(issue: string): LastPlace | undefined {
  try {
    const said: unknown = JSON.parse(localStorage.getItem(key(issue)) ?? 'null');
    return isPlace(said) ? said : undefined;
  } catch {
    // What is kept there is not ours, or nothing may be kept: then nobody was anywhere.
    return undefined;
  }
}

export function keepPlace(issue: string, page: string, folios: string, now = Date.now()): void {
  try {
    localStorage.setItem(key(issue), JSON.stringify({ page, folios, at: now } satisfies LastPlace));
  } catch {
    // A browser that keeps nothing costs the way back, no more.
  }
}
