import { formatLength, formatNumber } from '../length/length';
import type { LengthKind, NumberKind, Property, Table, ValueKind } from './property';

/** A tag of an OpenType feature, on or off. */
export const FEATURE = /^-?[A-Za-z0-9]{4}$/;

/** What an address is, for whoever typed something else. */
export const ADDRESS_WORDS = 'A web address, such as https://example.org/14/';

/** Whether words are the address of something on the web (RFC 9110, 4.2). */
export const isAddress = (words: string): boolean => /^https?:\/\/[^\s<>"]+$/i.test(words) && URL.canParse(words);

const grouped = (value: number): string =>
  formatNumber(value, 3)
    .replace(/\B(?=(\d{3})+(?!\d))(?<!\.\d*)/g, ',')
    .replace('-', '−');

/** The limits of a figure as a person reads them: "from 1 to 2,000 pt". */
export function limitWords(kind: LengthKind | NumberKind): string {
  if (kind.type === 'length') {
    const [least, most] = [kind.least, kind.most].map((each) => formatLength(each, kind.unit).split(' ')[0]!);
    return `from ${grouped(Number(least))} to ${grouped(Number(most))} ${kind.unit}`;
  }
  const times = kind.times ?? 1;
  return `from ${grouped(kind.least * times)} to ${grouped(kind.most * times)}${kind.unit ? ` ${kind.unit}` : ''}`;
}

/** Whether a value is a figure within its limits. */
export const isWithin = ({ least, most, ...kind }: LengthKind | NumberKind, value: unknown): boolean =>
  typeof value === 'number' &&
  value >= least - 1e-9 &&
  value <= most + 1e-9 &&
  !('whole' in kind && kind.whole && !Number.isInteger(value));

/** Why a value will not do for a property, in a sentence; undefined where it will. */
export function problem({ label, kind, optional }: Property, value: unknown): string | undefined {
  if (value === undefined && optional) return undefined;
  switch (kind.type) {
    case 'length':
    case 'number':
      return isWithin(kind, value)
        ? undefined
        : `${label}: ${'whole' in kind && kind.whole ? 'a whole number ' : ''}${limitWords(kind)}.`;
    case 'either':
      return kind.of.some((each) => each.value === value) || isWithin(kind.or, value)
        ? undefined
        : `${label}: ${limitWords(kind.or)}.`;
    case 'choice':
      return kind.of.some((each) => each.value === value) ? undefined : `${label}: choose one of those listed.`;
    case 'sides':
      return (typeof value === 'object' && value !== null ? Object.values(value) : [value]).every((side) =>
        isWithin(kind.of, side),
      )
        ? undefined
        : `${label}: ${limitWords(kind.of)}.`;
    case 'tick':
      return typeof value === 'boolean' ? undefined : `${label} is on or off.`;
    case 'words':
      return typeof value === 'string' && (kind.none || value.length > 0) && value.length <= kind.most
        ? undefined
        : `${label}: from ${kind.none ? 0 : 1} to ${grouped(kind.most)} characters.`;
    case 'address':
      return value === '' || (typeof value === 'string' && value.length <= kind.most && isAddress(value))
        ? undefined
        : `${label}: ${ADDRESS_WORDS.toLowerCase()}.`;
    case 'features':
      return Array.isArray(value) &&
        value.length <= kind.most &&
        value.every((tag) => typeof tag === 'string' && FEATURE.test(tag))
        ? undefined
        : `${label}: up to ${kind.most} OpenType tags of four characters, such as ss01 or -liga.`;
    case 'pick':
      return pickProblem(label, kind, value);
    case 'part':
      if (value === null) return kind.none ? undefined : `${label} is needed.`;
      return partProblem(label, kind, value as Readonly<Record<string, unknown>>);
    case 'list':
      if (!Array.isArray(value) || value.length > kind.most) return `${label}: ${kind.most} at most.`;
      return first(value, (each) => partProblem(label, { fields: kind.fields }, each as Readonly<Record<string, unknown>>));
  }
}

function pickProblem(label: string, kind: Extract<ValueKind, { type: 'pick' }>, value: unknown): string | undefined {
  if (kind.none && value === kind.none.value) return undefined;
  const does =
    kind.of === 'weight' ? typeof value === 'number' && value >= 100 && value <= 900 : typeof value === 'string' && value;
  return does ? undefined : `${label}: choose one of those listed.`;
}

function partProblem(
  label: string,
  { fields, check }: Pick<Extract<ValueKind, { type: 'part' }>, 'fields' | 'check'>,
  value: Readonly<Record<string, unknown>>,
): string | undefined {
  const wrong = tableProblem(fields, value) ?? check?.(value);
  return wrong && `${label}: ${wrong.charAt(0).toLowerCase()}${wrong.slice(1)}`;
}

/** Why some values will not do for what a table says of them; undefined where they will. */
export const tableProblem = (table: Table, values: Readonly<Record<string, unknown>>): string | undefined =>
  first(Object.entries(table), ([key, property]) => problem(property, values[key]));

/** Why a change of some values will not do; undefined where it will. */
export const changeProblem = (table: Table, change: Readonly<Record<string, unknown>>): string | undefined =>
  first(Object.entries(change), ([key, value]) => (value === undefined || !table[key] ? undefined : problem(table[key], value)));

function first<T>(list: readonly T[], ask: (each: T) => string | undefined): string | undefined {
  for (const each of list) {
    const answer = ask(each);
    if (answer !== undefined) return answer;
  }
  return undefined;
}
