import type Joi from 'joi';

/** Values that a schema takes, for tests that go through every property there is. */

interface Described {
  type?: string;
  flags?: { presence?: string; only?: boolean };
  allow?: unknown[];
  rules?: { name: string; args?: { limit?: number; regex?: string } }[];
  keys?: Record<string, Described>;
  items?: Described[];
  matches?: { schema?: Described; is?: Described; then?: Described; switch?: { is: Described; then: Described }[] }[];
}

/** A place in a record, and what may stand there; `undefined` among the values leaves it out. */
export interface Variation {
  readonly path: readonly string[];
  readonly values: readonly unknown[];
}

/** Properties that name other records, or hold what a test gives itself. */
const LEFT_ALONE = new Set(['id', 'kind', 'body', 'blob', 'order', 'outlines', 'parts', 'set']);

/** Every property of a schema down to its leaves, each with some values, and with none where it may be left out. */
export function variationsOf(schema: Joi.Schema, ids: readonly string[]): Variation[] {
  return walk(schema.describe() as Described, [], ids);
}

function walk(of: Described, path: readonly string[], ids: readonly string[]): Variation[] {
  const out: Variation[] = [];
  for (const [key, own] of Object.entries(of.keys ?? {})) {
    if (LEFT_ALONE.has(key)) continue;
    const at = [...path, key];
    const values = valuesOf(own, ids);
    out.push({ path: at, values: own.flags?.presence === 'required' ? values : [undefined, ...values] });
    for (const option of optionsOf(own)) out.push(...walk(option, at, ids));
  }
  return out;
}

const optionsOf = (of: Described): Described[] =>
  of.matches
    ? of.matches.flatMap(({ schema, then, switch: cases }) => [
        ...(schema ? [schema] : []),
        ...(then ? [then] : []),
        ...(cases ?? []).map((each) => each.then),
      ])
    : [of];

function valuesOf(of: Described, ids: readonly string[]): unknown[] {
  const options = optionsOf(of);
  if (options.length > 1 || options[0] !== of) return options.flatMap((option) => valuesOf(option, ids));
  const allowed = (of.allow ?? []).filter((value) => typeof value !== 'object' || value === null);
  if (of.flags?.only) return allowed;
  const limit = (name: string) => of.rules?.find((rule) => rule.name === name)?.args?.limit;
  switch (of.type) {
    case 'boolean':
      return [...allowed, true, false];
    case 'number': {
      const [least, most] = [limit('min') ?? -20, Math.min(limit('max') ?? 60, 60)];
      const whole = of.rules?.some(({ name }) => name === 'integer');
      const some = [least, least + (most - least) * 0.13, least + (most - least) * 0.4, most];
      return [...allowed, ...new Set(some.map((value) => (whole ? Math.round(value) : value)))];
    }
    case 'string':
      return [...allowed, ...(of.rules?.some(({ name }) => name === 'pattern') ? ids : ['Gale', '•'])];
    case 'array': {
      const item = of.items?.[0];
      const values = item ? valuesOf(item, ids).slice(0, 2) : [];
      return [[], ...values.map((value) => [value])];
    }
    case 'object': {
      const entries = Object.entries(of.keys ?? {});
      const made = [0, 1].map((n) =>
        Object.fromEntries(
          entries.flatMap(([key, own]) => {
            const values = valuesOf(own, ids);
            return own.flags?.presence === 'required' && values.length > 0 ? [[key, values[(n + 1) % values.length]]] : [];
          }),
        ),
      );
      return [...allowed, ...made];
    }
    default:
      return allowed;
  }
}

/** A copy of a record with one place in it changed. */
export function withValue<R>(record: R, path: readonly string[], value: unknown): R {
  const [key, ...rest] = path;
  const own = (record ?? {}) as Record<string, unknown>;
  if (rest.length === 0) {
    const { [key!]: _, ...without } = own;
    return (value === undefined ? without : { ...without, [key!]: value }) as R;
  }
  return { ...own, [key!]: withValue(own[key!], rest, value) } as R;
}
