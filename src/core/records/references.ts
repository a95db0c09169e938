import { Fragment, type Mark, type Node } from 'prosemirror-model';
import type { Document } from './document';
import { CHARACTER, PARAGRAPH } from '../properties/type';
import { listed, withArticle } from './count';
import type { DocumentRecord, RecordKind } from './index';
import {
  EACH,
  type Fields,
  INKED,
  maybe,
  parts,
  properties,
  reference,
  type Rule,
  rulesOf,
  SIZE,
  type WhenGone,
  withWhat,
} from './kind';
import { KINDS } from './kinds';

/**
 * What records refer to, as the fields of their kinds say it (`kinds/`). From it follow what goes, or forgets, when something is
 * removed (`actions/edit.ts`), what is brought along when records are copied elsewhere, and the foreign keys by which the
 * database refuses a change that would leave something pointing at nothing (`store/references.ts`).
 */

/** A record that another refers to, by what kinds it may be of. */
export interface Reference {
  readonly id: string;
  readonly to: readonly RecordKind[];
  readonly gone: WhenGone;
}

const RULES = Object.fromEntries(
  Object.entries(KINDS).map(([kind, { fields }]) => [kind, rulesOf(fields as Fields)]),
) as unknown as Readonly<Record<RecordKind, readonly Rule[]>>;

const AREA = maybe(withWhat(INKED));
const STROKE = maybe(withWhat({ weight: SIZE, ...INKED }));

/** The same for what stands in the body of a text, by node and mark. */
const IN_BODY: Readonly<Record<string, readonly Rule[]>> = {
  paragraph: rulesOf({ style: reference('paragraphStyle', 'holds'), local: maybe(parts(properties(PARAGRAPH))) }),
  local: rulesOf({ properties: parts(properties(CHARACTER)) }),
  character: rulesOf({ style: reference('characterStyle', 'holds') }),
  picture: rulesOf({ picture: reference('picture', 'holds') }),
  figure: rulesOf({ picture: reference('picture', 'holds') }),
  field: rulesOf({ of: reference('story', 'forgets') }),
  cell: rulesOf({ fill: AREA }),
  table: rulesOf({
    rules: maybe(parts({ rows: STROKE, columns: STROKE, around: STROKE, head: STROKE })),
    headFill: AREA,
    stripe: AREA,
  }),
};

/** Paths of references in records of a kind, and in the attributes of a node or mark: for a test that none is left out. */
export const referencePaths = (kind: RecordKind): readonly string[] => RULES[kind].map(({ at }) => at.join('.'));
export const bodyReferencePaths = (name: string): readonly string[] => (IN_BODY[name] ?? []).map(({ at }) => at.join('.'));

const kindsTo = new Map<RecordKind, ReadonlySet<RecordKind>>();

/** The kinds of record that can refer to one of a kind. */
export function kindsReferringTo(kind: RecordKind): ReadonlySet<RecordKind> {
  let kinds = kindsTo.get(kind);
  if (!kinds) {
    const refers = (rules: readonly Rule[]) => rules.some(({ to }) => to.includes(kind));
    const own = (Object.keys(RULES) as RecordKind[]).filter((each) => refers(RULES[each]));
    if (Object.values(IN_BODY).some(refers)) own.push('text');
    kindsTo.set(kind, (kinds = new Set(own)));
  }
  return kinds;
}

const known = new WeakMap<DocumentRecord, readonly Reference[]>();
const knownInBody = new WeakMap<Node, readonly Reference[]>();

/** What a record refers to, each thing once. */
export function referencesOf(record: DocumentRecord): readonly Reference[] {
  let found = known.get(record);
  if (!found) {
    const own = referred(RULES[record.kind], record);
    known.set(record, (found = record.kind === 'text' ? once([...own, ...inBody(record.body)]) : once(own)));
  }
  return found;
}

function inBody(node: Node): readonly Reference[] {
  let found = knownInBody.get(node);
  if (!found) {
    const out = referred(IN_BODY[node.type.name], node.attrs);
    for (const mark of node.marks) out.push(...referred(IN_BODY[mark.type.name], mark.attrs));
    node.forEach((child) => out.push(...inBody(child)));
    found = once(out);
    // What is typed in is one paragraph; the others are known by what they are.
    if (node.isBlock) knownInBody.set(node, found);
  }
  return found;
}

function referred(rules: readonly Rule[] | undefined, of: object): Reference[] {
  const out: Reference[] = [];
  for (const { at, to, gone } of rules ?? [])
    for (const spot of spotsOf(of, at)) {
      const id = valueAt(of, spot);
      if (typeof id === 'string') out.push({ id, to: to as readonly RecordKind[], gone });
    }
  return out;
}

/** Of several references to one thing the one that holds it fastest counts. */
function once(references: readonly Reference[]): readonly Reference[] {
  if (references.length < 2) return references;
  const byId = new Map<string, Reference>();
  for (const each of references) {
    const key = `${each.id} ${each.to.join(' ')}`;
    const before = byId.get(key);
    if (!before || STRENGTH[each.gone] > STRENGTH[before.gone]) byId.set(key, each);
  }
  return [...byId.values()];
}

const STRENGTH: Readonly<Record<WhenGone, number>> = { forgets: 0, goes: 1, holds: 2 };

function valueAt(of: object, path: readonly string[]): unknown {
  let at: unknown = of;
  for (const key of path) {
    if (typeof at !== 'object' || at === null) return undefined;
    at = (at as Record<string, unknown>)[key];
  }
  return at;
}

/** Says what a reference is led to instead: another id, or nothing. */
export type Lead = (reference: Reference) => string | undefined;

/**
 * A record with its references led elsewhere; one that is led to nothing is left out with what it stands in, where that
 * is nothing without it. The same object where nothing changes.
 */
export function led<R extends DocumentRecord>(record: R, lead: Lead): R {
  const own = ledAt(RULES[record.kind], record, lead);
  if (own.kind !== 'text') return own;
  const body = ledBody(own.body, lead)!;
  return body === own.body ? own : { ...own, body };
}

function ledAt<T extends object>(rules: readonly Rule[] | undefined, of: T, lead: Lead): T {
  let out = of;
  for (const { at, to, gone, out: without } of rules ?? [])
    // Entries that are left out of a list leave those before them where they are.
    for (const spot of spotsOf(out, at).reverse()) {
      const id = valueAt(out, spot);
      if (typeof id !== 'string') continue;
      const next = lead({ id, to: to as readonly RecordKind[], gone });
      if (next !== id) out = withValue(out, next === undefined ? spot.slice(0, without.length) : spot, next);
    }
  return out;
}

/** The paths that a path leads to: one for every entry of the lists that it goes through. */
function spotsOf(of: object, path: readonly string[]): (readonly string[])[] {
  const each = path.indexOf(EACH);
  if (each < 0) return [path];
  const before = path.slice(0, each);
  const list = valueAt(of, before);
  if (!Array.isArray(list)) return [];
  return list.flatMap((entry: unknown, i) =>
    typeof entry === 'object' && entry !== null
      ? spotsOf(entry, path.slice(each + 1)).map((rest) => [...before, String(i), ...rest])
      : [],
  );
}

function withValue<T extends object>(of: T, [key, ...rest]: readonly string[], value: unknown): T {
  if (Array.isArray(of)) {
    const i = Number(key);
    const next: unknown = rest.length === 0 ? value : withValue(of[i] as object, rest, value);
    return (next === undefined ? of.toSpliced(i, 1) : of.with(i, next)) as T;
  }
  const own = of as Record<string, unknown>;
  const next = rest.length === 0 ? value : withValue(own[key!] as object, rest, value);
  const { [key!]: _, ...others } = own;
  return (next === undefined ? others : { ...own, [key!]: next }) as T;
}

/** A node with its references led elsewhere; undefined where it is nothing without one that is led to nothing. */
function ledBody(node: Node, lead: Lead): Node | undefined {
  if (inBody(node).length === 0) return node;
  const attrs = ledAt(IN_BODY[node.type.name], node.attrs, lead);
  const marks = node.marks.flatMap((mark): Mark[] => {
    const own = ledAt(IN_BODY[mark.type.name], mark.attrs, lead);
    if (own === mark.attrs) return [mark];
    return 'style' in mark.attrs && own['style'] === undefined ? [] : [mark.type.create(own)];
  });
  const isPicture = node.type.name === 'picture' || node.type.name === 'figure';
  if (isPicture && attrs['picture'] === undefined) return undefined;
  const children = node.content.content.flatMap((child) => ledBody(child, lead) ?? []);
  const isSame =
    attrs === node.attrs &&
    marks.every((mark, i) => mark === node.marks[i]) &&
    marks.length === node.marks.length &&
    children.length === node.childCount &&
    children.every((child, i) => child === node.child(i));
  if (isSame) return node;
  if (node.isText) return node.mark(marks);
  // A body of a picture alone that is not there any more is an empty paragraph.
  const content = children.length === 0 && node.type.name === 'doc' ? [node.type.schema.node('paragraph')] : children;
  return node.type.create(attrs, Fragment.fromArray(content), marks);
}

/** A record that refers to something that is not there, or is of another kind. */
export interface Loose {
  readonly record: DocumentRecord;
  readonly reference: Reference;
}

/** What among records of a document refers to nothing in it. */
export function looseIn(document: Document, records: Iterable<DocumentRecord> = document.records.values()): Loose[] {
  const out: Loose[] = [];
  for (const record of records)
    for (const reference of referencesOf(record)) if (!isThere(document, reference)) out.push({ record, reference });
  return out;
}

export const isThere = (document: Document, { id, to }: Reference): boolean => {
  const kind = document.records.get(id)?.kind;
  return kind !== undefined && to.includes(kind);
};

/** The records that refer to any of some others. */
export function referring(document: Document, to: readonly DocumentRecord[]): { record: DocumentRecord; to: Reference }[] {
  const ids = new Set(to.map(({ id }) => id));
  const kinds = new Set(to.flatMap(({ kind }) => [...kindsReferringTo(kind)]));
  const out: { record: DocumentRecord; to: Reference }[] = [];
  if (kinds.size === 0) return out;
  for (const record of document.records.values()) {
    if (!kinds.has(record.kind)) continue;
    for (const reference of referencesOf(record)) if (ids.has(reference.id)) out.push({ record, to: reference });
  }
  return out;
}

/**
 * Records that are taken elsewhere with all that they hold on to, which comes along from where they are from. What else
 * they refer to and is neither among them nor `there` already they forget, and what is nothing without it is left out.
 *
 * @param there ids of what is at the place they are taken to
 */
export function complete(
  records: readonly DocumentRecord[],
  from: Document,
  there: (id: string) => boolean = () => false,
): DocumentRecord[] {
  const out = new Map(records.map((record) => [record.id, record]));
  for (const record of out.values()) {
    for (const { id, gone } of referencesOf(record)) {
      if (gone !== 'holds' || out.has(id) || there(id)) continue;
      const own = from.records.get(id);
      // The map is walked to its end, what is added on the way too.
      if (own) out.set(id, own);
    }
  }
  for (let isLoose = true; isLoose;) {
    isLoose = false;
    for (const [id, record] of out) {
      const own = led(record, (reference) => (out.has(reference.id) || there(reference.id) ? reference.id : undefined));
      if (own === record) continue;
      isLoose = true;
      if (referencesOf(record).some((each) => each.gone !== 'forgets' && !out.has(each.id) && !there(each.id))) out.delete(id);
      else out.set(id, own);
    }
  }
  return [...out.values()];
}

/** Why something cannot go, in a sentence: who holds it. */
export function heldWords(document: Document, gone: DocumentRecord): string {
  const holders = referring(document, [gone]).filter(({ to }) => to.gone === 'holds');
  const names = [...new Set(holders.map(({ record }) => calledBy(document, record)))];
  const some = names.length > 3 ? [...names.slice(0, 2), `${names.length - 2} more`] : names;
  return `${calledBy(document, gone)} is used by ${listed(some) || 'something'}. Choose what takes its place first.`;
}

/** What a record is called where people read of it. */
function calledBy(document: Document, record: DocumentRecord): string {
  if ('name' in record && record.name) return `“${record.name}”`;
  if (record.kind === 'text' && record.story !== undefined) {
    const story = document.records.get(record.story);
    if (story?.kind === 'story') return `“${story.name}”`;
  }
  return withArticle(KINDS[record.kind].called);
}
