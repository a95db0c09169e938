import { PRINT } from '../properties/print';
import { LAYOUT } from '../properties/frame';
import { millimetres, type Table } from '../properties/property';
import { PARAGRAPH } from '../properties/type';
import { valueWords } from '../properties/words';
import { ActionError, Edit } from '../actions/edit';
import { followFurniture } from '../actions/furniture';
import { setFormat, setGrid } from '../actions/house';
import { removeMaster } from '../actions/masters';
import { removeStyle } from '../actions/styles';
import { formatNumber } from '../length/length';
import type { Diff } from '../records/diff';
import { all, type Document, find, get } from '../records/document';
import type { DocumentRecord, RecordKind } from '../records/index';
import { KINDS } from '../records/kinds';
import { isThere, led, referencesOf } from '../records/references';
import { same } from '../records/same';
import { readRecord, type StoredRecord } from '../records/stored';

/** Something that the house says otherwise than it did: a record as it now is there, or none where it was removed. */
export interface HouseChange {
  readonly id: string;
  readonly kind: RecordKind;
  readonly now: DocumentRecord | undefined;
  /** The change of the house that made it so, by number. */
  readonly seq: number;
}

/** A change of the house as it is sent. */
export type SentChange = Omit<HouseChange, 'now'> & { readonly now: StoredRecord | undefined };

export const readChange = ({ now, ...change }: SentChange): HouseChange => ({ ...change, now: now && readRecord(now) });

/** A change of the house as it is offered to an issue. */
export interface Offer {
  readonly change: HouseChange;
  readonly name: string;
  readonly words: string;
}

/** Kinds of record that an issue has of its house. */
export const HOUSE_KINDS = (Object.keys(KINDS) as RecordKind[]).filter((kind) => KINDS[kind].offered !== undefined);

/**
 * What the house has changed since the issue was brought up to it, and the issue says otherwise: each to be taken or left.
 */
export function offersFor(issue: Document, changes: readonly HouseChange[]): Offer[] {
  const { house } = get(issue, 'issue', 'issue');
  if (!house) return [];
  return changes.flatMap((change): Offer[] => {
    const since = Math.max(house.seq, house.settled[change.id] ?? 0);
    if (change.seq <= since || !concerns(issue, change)) return [];
    const own = issue.records.get(change.id);
    if (change.now ? same(own, change.now) : own === undefined) return [];
    return [{ change, name: nameOf(issue, change, own), words: wordsOf(own, change.now) }];
  });
}

/** Frames come with the masters and the furniture that the issue has, texts with their frames. */
function concerns(issue: Document, { id, kind, now }: HouseChange): boolean {
  if (kind === 'frame')
    return now?.kind === 'frame'
      ? ['master', 'furniture'].includes(issue.records.get(now.on)?.kind ?? '')
      : find(issue, 'frame', id) !== undefined;
  if (kind === 'text' || kind === 'group' || kind === 'layer' || kind === 'picture') return issue.records.has(id);
  return true;
}

function nameOf(issue: Document, { kind, now }: HouseChange, own: DocumentRecord | undefined): string {
  const record = now ?? own!;
  const kindWords = KINDS[kind].offered ?? KINDS[kind].called;
  if (record.kind === 'frame') {
    const furniture = find(issue, 'furniture', record.on);
    return furniture ? `Part of ${furniture.name}` : `${kindWords}: ${find(issue, 'master', record.on)?.name ?? ''}`;
  }
  return 'name' in record && record.name ? `${kindWords} ${record.name}` : kindWords;
}

/** What is different, property by property, as far as it can be said in a line. */
function wordsOf(before: DocumentRecord | undefined, now: DocumentRecord | undefined): string {
  if (!now) return 'removed';
  if (!before) return 'new';
  const parts = differences(before, now, now.kind === 'profile' ? PRINT : PROPERTIES);
  return parts.length > 4 ? `${parts.slice(0, 4).join(', ')} and ${parts.length - 4} more` : parts.join(', ');
}

function differences(before: object, now: object, table: Table, path = ''): string[] {
  const p = before as Record<string, unknown>;
  const q = now as Record<string, unknown>;
  return [...new Set([...Object.keys(p), ...Object.keys(q)])].flatMap((key): string[] => {
    if (same(p[key], q[key])) return [];
    const property = table[key];
    const label = property?.label ?? LABELS[key] ?? sentenceCase(key);
    const name = path === '' ? label : `${path}, ${label.toLowerCase()}`;
    if (isPlain(p[key]) && isPlain(q[key]))
      return differences(p[key] as object, q[key] as object, table, key === 'properties' || key === 'box' ? '' : name);
    const words = (value: unknown) => (property ? valueWords(property, value) : plainWords(value));
    const [from, to] = [words(p[key]), words(q[key])];
    return from !== undefined && to !== undefined ? [`${name} ${from} → ${to}`] : [name];
  });
}

const isPlain = (value: unknown): boolean => typeof value === 'object' && value !== null && !Array.isArray(value);

/** What is described once is called and read here as in its field. */
const PROPERTIES: Table = {
  ...PARAGRAPH,
  ...LAYOUT,
  ...Object.fromEntries(
    Object.entries({ x: 'From left', y: 'From top', w: 'Width', h: 'Height', width: 'Width', height: 'Height' }).map(
      ([key, label]) => [key, { label, kind: millimetres(-20_000, 20_000) }],
    ),
  ),
};

const LABELS: Readonly<Record<string, string>> = {
  cmyk: 'Inks',
  rgb: 'Screen colour',
  spot: 'Spot ink',
  basedOn: 'Based on',
  on: 'Master',
  fill: 'Fill',
  textSpan: 'Grid columns to a text column',
};

const sentenceCase = (key: string): string =>
  key.charAt(0).toUpperCase() + key.slice(1).replace(/[A-Z]/g, (letter) => ` ${letter.toLowerCase()}`);

function plainWords(value: unknown): string | undefined {
  if (value === undefined || value === '') return 'unset';
  if (typeof value === 'number') return formatNumber(value, 2);
  if (typeof value === 'boolean') return value ? 'on' : 'off';
  return typeof value === 'string' && value.length < 40 ? value : undefined;
}

/**
 * Takes what the house says into the issue, with what of the house that refers to and the issue has not. What lies on a
 * changed grid lies on it again.
 *
 * @param changes of the house, all there are
 * @throws ActionError when something in the issue uses what the house has removed
 */
export const takeOffer = (issue: Document, change: HouseChange, changes: readonly HouseChange[]): Diff =>
  takeOffers(issue, [change], changes);

/** Takes several changes of the house as one. @throws ActionError when one of them cannot be taken */
export function takeOffers(issue: Document, taken: readonly HouseChange[], changes: readonly HouseChange[]): Diff {
  const edit = new Edit(issue);
  const byId = new Map(changes.map((change) => [change.id, change]));
  const own = new Map(taken.map((change) => [change.id, change]));
  for (const { now } of own.values()) {
    if (!now) continue;
    for (const { id } of referencesOf(now)) {
      const along = byId.get(id);
      if (along?.now && !own.has(id) && !issue.records.has(id)) own.set(id, along);
    }
  }
  // What comes may be what takes the place of what goes.
  for (const change of own.values()) if (change.now) take(edit, change);
  for (const change of own.values()) if (!change.now) take(edit, change);
  for (const { id } of own.values()) {
    const record = edit.document.records.get(id);
    if (!record) continue;
    // What it refers to in the house and the issue once left alone it does without here.
    const held = referencesOf(record).find((reference) => reference.gone === 'holds' && !isThere(edit.document, reference));
    if (held) throw new ActionError(`${nameOf(issue, own.get(id)!, record)} uses something that the issue does not have.`);
    edit.put(led(record, (reference) => (isThere(edit.document, reference) ? reference.id : undefined)));
  }
  // What was put on pages of a piece of furniture follows it.
  for (const { id } of all(issue, 'furniture')) if (edit.has(id)) followFurniture(edit, issue, id);
  return edit.diff();
}

function take(edit: Edit, change: HouseChange): void {
  const { now, id } = change;
  if (!now) edit.take(removal(edit.document, change));
  else if (now.kind === 'format') {
    const { id: _, kind: __, ...format } = now;
    edit.take(setFormat(edit.document, format));
  } else if (now.kind === 'master' && edit.has(id)) {
    const { margins, columns, gutter, widths, rows, guides, textSpan } = now;
    edit.take(setGrid(edit.document, id, { margins, columns, gutter, widths, rows, guides, textSpan }));
    edit.put(now);
  } else edit.put(now);
  settle(edit, change);
}

function removal(issue: Document, { id, kind }: HouseChange): Diff {
  if (kind === 'master') return removeMaster(issue, id);
  if (kind === 'paragraphStyle' || kind === 'characterStyle') return removeStyle(issue, id);
  if (kind === 'format' || kind === 'details') throw new ActionError('That stays: every issue has one.');
  const edit = new Edit(issue);
  edit.remove(id);
  return edit.diff();
}

/** Leaves the issue as it is; the change is not offered again. */
export function leaveOffer(issue: Document, change: HouseChange): Diff {
  const edit = new Edit(issue);
  settle(edit, change);
  return edit.diff();
}

function settle(edit: Edit, { id, seq }: HouseChange): void {
  const own = get(edit.document, 'issue', 'issue');
  if (own.house) edit.put({ ...own, house: { ...own.house, settled: { ...own.house.settled, [id]: seq } } });
}
