import { mm } from '../length/length';
import { formatOf } from '../page/pages';
import type { Diff } from '../records/diff';
import { type Document, find } from '../records/document';
import type { PageRecord } from '../records/index';
import { MOST_GUIDES, type PageGuide } from '../records/page';
import { said } from '../records/said';
import { ActionError, Edit } from './edit';

/** Where a guide is: on which page, and which of that page's. */
export interface GuideAt {
  readonly page: string;
  readonly index: number;
}

/** @throws ActionError */
function pageOf(document: Document, id: string): PageRecord {
  const page = find(document, 'page', id);
  if (!page) throw new ActionError('That page is no longer in the issue.');
  return page;
}

const withGuides = (page: PageRecord, guides: readonly PageGuide[]): PageRecord =>
  said({ ...page, guides: guides.length > 0 ? guides : undefined });

/** Points beyond the trim within which a guide still is one. */
const BEYOND = mm(20);

function checked(document: Document, { direction, at, spread }: PageGuide): PageGuide {
  const format = formatOf(document);
  const most = direction === 'upright' ? format.width : format.height;
  if (!(at >= -BEYOND && at <= most + BEYOND)) throw new ActionError('A guide lies on its page, or at most 20 mm beside it.');
  return said({ direction, at, spread: direction === 'level' && spread ? true : undefined });
}

/** Draws a guide on a page. @throws ActionError where it would lie beside the page, or there are too many */
export function addGuide(document: Document, page: string, guide: PageGuide): Diff {
  const edit = new Edit(document);
  const own = pageOf(document, page);
  const guides = [...(own.guides ?? []), checked(document, guide)];
  if (guides.length > MOST_GUIDES) throw new ActionError(`A page has at most ${MOST_GUIDES} guides.`);
  edit.put(withGuides(own, guides));
  return edit.diff();
}

/** Moves a guide, also to another page; it keeps its place among those of its own. @throws ActionError as `addGuide` does */
export function moveGuide(document: Document, from: GuideAt, page: string, guide: PageGuide): Diff {
  const edit = new Edit(document);
  if (page === from.page) {
    const own = pageOf(document, page);
    edit.put(withGuides(own, (own.guides ?? []).with(guideIndex(own, from.index), checked(document, guide))));
  } else {
    edit.put(without(document, from));
    edit.take(addGuide(edit.document, page, guide));
  }
  return edit.diff();
}

export function removeGuide(document: Document, from: GuideAt): Diff {
  const edit = new Edit(document);
  edit.put(without(document, from));
  return edit.diff();
}

/** Takes all guides off pages; those of their masters stay. */
export function clearGuides(document: Document, pages: readonly string[]): Diff {
  const edit = new Edit(document);
  for (const page of pages) edit.put(withGuides(pageOf(document, page), []));
  return edit.diff();
}

function without(document: Document, { page, index }: GuideAt): PageRecord {
  const own = pageOf(document, page);
  const at = guideIndex(own, index);
  return withGuides(
    own,
    (own.guides ?? []).filter((_, i) => i !== at),
  );
}

/** @throws ActionError where there is no such guide any more */
function guideIndex({ guides = [] }: PageRecord, index: number): number {
  if (!guides[index]) throw new ActionError('That guide is no longer there.');
  return index;
}
