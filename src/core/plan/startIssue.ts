import { generateNKeysBetween } from 'fractional-indexing';
import { nanoid } from 'nanoid';
import { mastersOf, placedPages } from '../page/pages';
import { all, type Document, documentOf, find, framesOn } from '../records/document';
import type { DocumentRecord, PageRecord } from '../records/index';
import { complete } from '../records/references';
import { copyOfPage, onTheirSides, recurringPages, sideOf } from '../actions/recurring';
import { emptied, pictureIn, textIn } from '../records/kinds/frames';

/** What is said of an issue when it is started. */
export interface NewIssue {
  readonly publication: string;
  readonly number: string;
  readonly season: string;
  readonly date: string;
  readonly language: string;
  readonly pages: number;
  /** The state of the house, by number of change. */
  readonly houseSeq?: number | undefined;
}

/**
 * The records of an issue that begins: a copy of its house as it now is, the house's recurring pages at the front and
 * the back, and empty pages between them; or the pages of the last issue, its articles replaced by slots.
 *
 * @param last records of the last issue, where the new one takes its pages from there
 */
export function startIssue(
  house: readonly DocumentRecord[],
  order: NewIssue,
  last?: readonly DocumentRecord[],
): DocumentRecord[] {
  const { pages, houseSeq, ...issue } = order;
  const own = documentOf(house);
  const head: DocumentRecord = {
    id: 'issue',
    kind: 'issue',
    ...issue,
    ...(houseSeq === undefined ? {} : { house: { seq: houseSeq, settled: {} } }),
  };
  const design = designOf(own);
  const made = last ? fromLast(own, documentOf(last), design, pages) : fromHouse(own, design, pages);
  return [head, ...made];
}

/** What an issue takes of its house whatever its pages: the design, and what lies on masters. */
function designOf(house: Document): DocumentRecord[] {
  const onPages = new Set(all(house, 'page').flatMap(({ id }) => framesOn(house, id).map((frame) => frame.id)));
  const texts = new Map<string, boolean>();
  for (const frame of all(house, 'frame')) {
    const text = textIn(frame);
    if (text !== undefined) texts.set(text, (texts.get(text) ?? true) && onPages.has(frame.id));
  }
  return [...house.records.values()].filter((record) => {
    switch (record.kind) {
      case 'page':
      case 'story':
      case 'issue':
      case 'section':
      case 'advertisement':
      case 'acceptance':
        return false;
      case 'frame':
        return !onPages.has(record.id);
      case 'text':
        return texts.get(record.id) !== true;
      default:
        return true;
    }
  });
}

function fromHouse(house: Document, design: readonly DocumentRecord[], pages: number): DocumentRecord[] {
  const { front, back } = recurringPages(house);
  const masters = mastersOf(house);
  // The first shows most; the last, where there are several, least: it serves covers that no recurring page does.
  const text = masters[0]!;
  const plain = masters.at(-1)!;
  const ends = back.slice(0, Math.max(0, pages - 1));
  const begins = front.slice(0, pages - ends.length);
  const between = pages - begins.length - ends.length;
  const orders = generateNKeysBetween(null, null, pages);
  const sides = new Map<string, 'left' | 'right'>();
  const records = [...design];
  const copy = (page: PageRecord, place: number) => {
    const copied = copyOfPage(house, page, orders[place]!);
    sides.set(copied[0]!.id, sideOf(house, page.id));
    records.push(...copied);
  };
  begins.forEach(copy);
  for (let i = 0; i < between; i++) {
    const place = begins.length + i;
    const isCover = (place === 0 && front.length === 0) || (place === pages - 1 && back.length === 0);
    records.push({ id: nanoid(10), kind: 'page', order: orders[place]!, master: isCover ? plain.id : text.id });
  }
  ends.forEach((page, i) => copy(page, begins.length + between + i));
  return finished(records, sides);
}

function fromLast(house: Document, last: Document, design: readonly DocumentRecord[], pages: number): DocumentRecord[] {
  const records = new Map(design.map((record) => [record.id, record]));
  // Masters that only the last issue has come along, with what lies on them: its pages may use them.
  for (const record of all(last, 'master')) {
    if (records.has(record.id)) continue;
    records.set(record.id, record);
    for (const frame of framesOn(last, record.id)) {
      const text = find(last, 'text', textIn(frame));
      for (const each of [frame, text]) if (each && !records.has(each.id)) records.set(each.id, each);
    }
  }
  const old = placedPages(last);
  const kept = old.length <= pages ? old : [...old.slice(0, pages - 1), old.at(-1)!];
  const orders = generateNKeysBetween(null, null, pages);
  const sides = new Map<string, 'left' | 'right'>();
  const master = (id: string) => (records.get(id)?.kind === 'master' ? id : mastersOf(house)[0]!.id);
  kept.forEach(({ page, side, section }, i) => {
    // Pages that are more than the last issue had come before its last, the back cover.
    const isLast = i === kept.length - 1;
    const place = isLast ? pages - 1 : i;
    records.set(page.id, { ...page, master: master(page.master), order: orders[place]! });
    sides.set(page.id, side);
    if (section?.from === page.id) records.set(section.id, section);
    for (const frame of framesOn(last, page.id)) {
      const text = find(last, 'text', textIn(frame));
      const story = find(last, 'story', text?.story);
      const picture = pictureIn(last, frame)?.picture;
      // A picture that is the house's own stands in every issue.
      const stands = picture !== undefined && house.records.has(picture);
      const own = stands ? frame : emptied(last, frame, story?.section || 'Story');
      if (!own) continue;
      records.set(own.id, own);
      const group = find(last, 'group', own.group);
      if (group) records.set(group.id, group);
      if (text && textIn(own) === text.id) records.set(text.id, text);
    }
  });
  const text = mastersOf(house)[0]!;
  for (let i = kept.length - 1; i < pages - 1; i++) {
    const id = nanoid(10);
    records.set(id, { id, kind: 'page', order: orders[i]!, master: text.id });
  }
  return finished(complete([...records.values()], last), sides);
}

const finished = (records: readonly DocumentRecord[], sides: ReadonlyMap<string, 'left' | 'right'>): DocumentRecord[] => [
  ...onTheirSides(documentOf(records), sides).records.values(),
];

/** What is wrong with a number of pages for stitched work, and what would mend it; undefined when nothing is. */
export function pageCountAdvice(pages: number): { readonly less: number; readonly more: number } | undefined {
  return pages % 4 === 0 ? undefined : { less: Math.max(4, pages - (pages % 4)), more: pages + (4 - (pages % 4)) };
}
