import { same } from './same';

/** What two people did to one record at the same time, property by property. */
export interface Merged<R> {
  /** Theirs with mine over it; where both changed the same property, mine. */
  readonly record: R;
  /** Properties that both changed, as paths with dots; none where both fit together. */
  readonly clashes: readonly string[];
}

/** Properties that are one thing, however many parts they have: half of one box and half of another is neither. */
const WHOLE: ReadonlySet<string> = new Set([
  'outline',
  'box',
  'shape',
  'own',
  'chart',
  'gradient',
  'fade',
  'cmyk',
  'focus',
  'at',
  'beside',
  'outlines',
  'source',
  'frequency',
]);

type Plain = Readonly<Record<string, unknown>>;

const isPlain = (value: unknown): value is Plain =>
  typeof value === 'object' && value !== null && !Array.isArray(value) && Object.getPrototypeOf(value) === Object.prototype;

/**
 * Merges two versions of a record that were both made from `before`: what one of them left as it was is as the other
 * says.
 */
export function merged<R extends object>(before: R, mine: R, theirs: R): Merged<R> {
  const clashes: string[] = [];
  const record = over(before as Plain, mine as Plain, theirs as Plain, '', clashes) as R;
  return { record, clashes };
}

function over(before: Plain, mine: Plain, theirs: Plain, path: string, clashes: string[]): Plain {
  const out: Record<string, unknown> = {};
  for (const key of new Set([...Object.keys(theirs), ...Object.keys(mine)])) {
    const [b, m, t] = [before[key], mine[key], theirs[key]];
    const at = path + key;
    let value: unknown;
    if (same(m, b)) value = t;
    else if (same(t, b) || same(t, m)) value = m;
    // Content of another type is other content, and not the same with other properties.
    else if (isPlain(b) && isPlain(m) && isPlain(t) && !WHOLE.has(key) && b['type'] === m['type'] && b['type'] === t['type'])
      value = over(b, m, t, `${at}.`, clashes);
    else {
      clashes.push(at);
      value = m;
    }
    if (value !== undefined) out[key] = value;
  }
  return out;
}

/** `record` with what `from` says at some paths. */
export function withPaths<R extends object>(record: R, from: R, paths: readonly string[]): R {
  let out = record as Plain;
  for (const path of paths) out = withPath(out, from as Plain, path.split('.'));
  return out as R;
}

function withPath(record: Plain, from: Plain | undefined, [key, ...rest]: readonly string[]): Plain {
  const own = rest.length === 0 ? from?.[key!] : withPath(record[key!] as Plain, from?.[key!] as Plain | undefined, rest);
  const { [key!]: _, ...others } = record;
  return own === undefined ? others : { ...others, [key!]: own };
}
