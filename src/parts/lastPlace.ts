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

/** What is kept of an issue, as it is kept; null where nothing is. */
export function keptPlace(issue: string): string | null {
  try {
    return localStorage.getItem(key(issue));
  } catch {
    // A browser that keeps nothing knows of no place.
    return null;
  }
}

/** The place that is kept; undefined where it is none of ours. */
export function placeIn(kept: string | null): LastPlace | undefined {
  try {
    const said: unknown = JSON.parse(kept ?? 'null');
    return isPlace(said) ? said : undefined;
  } catch {
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
