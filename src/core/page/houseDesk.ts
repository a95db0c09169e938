import { generateNKeysBetween } from 'fractional-indexing';
import type { Diff } from '../records/diff';
import { all, type Document, documentOf, find, framesOn } from '../records/document';
import type { DocumentRecord, FrameRecord, MasterRecord, PageRecord } from '../records/index';
import { formatOf } from './pages';

/** How a document is looked at on the desk: what lies there, and what a change there is in the document itself. */
export interface DeskView {
  readonly look: (document: Document) => Document;
  readonly back: (diff: Diff, document: Document) => Diff;
}

/** A house has no issue yet: fields show what a first one would. */
const sampleIssue = (house: Document, publication: string): DocumentRecord => ({
  id: 'issue',
  kind: 'issue',
  publication,
  number: '1',
  season: 'Spring',
  date: '2000-03-01',
  language: find(house, 'details', 'details')?.language ?? 'en-GB',
});

/** The recurring pages of a house, as pages. */
export const recurringDesk = (publication: string): DeskView => ({
  look: (house) => documentOf([...house.records.values(), sampleIssue(house, publication)]),
  back: (diff) => without(diff, ({ kind }) => kind === 'issue'),
});

const LEFT = '--l';
const RIGHT = '--r';
/** Copies of what a master takes from the one that it is based on. */
export const BASE = '--base';

/** The page on which a master lies on the desk, for pages of a side. */
export const deskPage = (master: string, side: 'left' | 'right'): string => master + (side === 'left' ? LEFT : RIGHT);

/** The master that a page of the desk shows. */
export const masterOnDesk = (page: string): string => page.replace(/--[lr]$/, '');

/** The record of the house that one on the desk stands for. */
const ownId = (house: Document, id: string): string => (house.records.has(id) ? id : id.replace(/--(?:l|base)$/, ''));

/**
 * The masters of a house, each as a spread: its left page and its right one. A frame for both sides lies on both, and
 * is changed on both by a change of either; what a master takes from another shows as it does on pages.
 */
export const mastersDesk = (publication: string): DeskView => ({
  look: (house) => mastersSpread(house, publication),
  back: toMasters,
});

function mastersSpread(house: Document, publication: string): Document {
  const format = formatOf(house);
  // By name, so that a master keeps its place whatever is put on it.
  const masters = [...all(house, 'master')].sort((a, b) => a.name.localeCompare(b.name, 'en') || (a.id < b.id ? -1 : 1));
  const sides = format.facing ? (['left', 'right'] as const) : (['right'] as const);
  const orders = generateNKeysBetween(null, null, masters.length * sides.length);
  const bases = new Set(masters.flatMap(({ basedOn }) => basedOn ?? []));
  const records: DocumentRecord[] = [...house.records.values()].filter(
    ({ kind }) => kind !== 'page' && kind !== 'frame' && kind !== 'format' && kind !== 'master',
  );
  records.push({ ...format, firstSide: format.facing ? 'left' : 'right' }, sampleIssue(house, publication));
  masters.forEach((master, i) => {
    const own = master.basedOn === undefined ? master : { ...master, basedOn: master.basedOn + BASE };
    records.push(own);
    if (bases.has(master.id)) {
      records.push({ ...own, id: master.id + BASE });
      for (const frame of framesOn(house, master.id))
        records.push({ ...standingIn(frame), id: frame.id + BASE, on: master.id + BASE });
    }
    sides.forEach((side, k) => {
      const id = deskPage(master.id, side);
      records.push({ id, kind: 'page', order: orders[i * sides.length + k]!, master: master.id } satisfies PageRecord);
      for (const frame of framesOn(house, master.id)) {
        if (frame.side !== 'both' && frame.side !== side) continue;
        const { group, ...alone } = standingIn(frame);
        const copy = frame.side === 'both' && side === 'left';
        const grouped = group === undefined || copy ? alone : { ...alone, group };
        records.push({ ...grouped, id: copy ? frame.id + LEFT : frame.id, on: id, side: 'both' });
      }
    });
  });
  return documentOf(records);
}

const standingIn = (frame: FrameRecord): FrameRecord => (frame.of === undefined ? frame : { ...frame, of: frame.of + BASE });

function toMasters(diff: Diff, house: Document): Diff {
  const facing = formatOf(house).facing;
  const frame = (record: FrameRecord): FrameRecord => {
    const own = find(house, 'frame', ownId(house, record.id));
    const on = masterOnDesk(record.on);
    const there = record.on.endsWith(LEFT) ? 'left' : 'right';
    const side = !facing || (own?.side === 'both' && own.on === on) ? 'both' : there;
    return {
      ...record,
      id: ownId(house, record.id),
      on,
      side,
      ...(record.of === undefined ? {} : { of: ownId(house, record.of) }),
      ...(own?.group !== undefined && record.id !== own.id ? { group: own.group } : {}),
    };
  };
  const master = ({ ...record }: MasterRecord): MasterRecord =>
    record.basedOn === undefined ? record : { ...record, basedOn: ownId(house, record.basedOn) };
  const mapped = (record: DocumentRecord): DocumentRecord =>
    record.kind === 'frame' ? frame(record) : record.kind === 'master' ? master(record) : record;
  const once = <T>(list: readonly T[], id: (each: T) => string): T[] => [
    ...new Map(list.map((each) => [id(each), each])).values(),
  ];
  const kept = without(diff, ({ kind }) => kind === 'page' || kind === 'issue' || kind === 'format');
  return {
    added: once(kept.added.map(mapped), ({ id }) => id),
    updated: once(
      kept.updated.map(({ after }) => {
        const now = mapped(after);
        return { before: house.records.get(now.id)!, after: now };
      }),
      ({ after }) => after.id,
    ),
    removed: once(
      kept.removed.flatMap(({ id }) => house.records.get(ownId(house, id)) ?? []),
      ({ id }) => id,
    ),
    texts: kept.texts,
  };
}

const without = (diff: Diff, dropped: (record: DocumentRecord) => boolean): Diff => ({
  added: diff.added.filter((record) => !dropped(record)),
  updated: diff.updated.filter(({ after }) => !dropped(after)),
  removed: diff.removed.filter((record) => !dropped(record)),
  texts: diff.texts,
});

/** The masters that are there to be chosen: those of the desk that stand for a base are not. */
export const realMasters = (document: Document): readonly MasterRecord[] =>
  all(document, 'master').filter(({ id }) => !id.endsWith(BASE));
