import { type Document, documentOf, find, framesOn } from '../records/document';
import type { DocumentRecord, FrameRecord } from '../records/index';
import { plainBody } from '../records/body';
import { textContent } from '../records/frame';
import { pageGrid, stretchBox } from './grid';
import { formatOf, mastersOf } from './pages';

/** Ids of what a specimen adds to a house. */
export const SPECIMEN_TEXT = 'specimen-text';
export const SPECIMEN_PAGES = ['specimen-1', 'specimen-2', 'specimen-3'] as const;

/** Words that a line of running text holds at most, to have enough for the pages. */
const WORDS_A_LINE = 18;

/** What a specimen says. */
export interface SpecimenText {
  readonly publication: string;
  /** Repeated as often as the pages need, in a paragraph style. */
  readonly paragraphs: readonly string[];
  readonly style: string;
}

/**
 * Pages of a house that hold dummy text in every column, with what their master shows: the grey of a page before
 * there is copy. The first page lies alone; the second and third are the spread that is looked at.
 *
 * @param master id of the master whose grid it shows
 */
export function specimenDocument(house: Document, master: string, { publication, paragraphs, style }: SpecimenText): Document {
  const format = formatOf(house);
  const own = find(house, 'master', master) ?? mastersOf(house)[0]!;
  const records: DocumentRecord[] = [...house.records.values()].filter(
    ({ kind }) => kind !== 'page' && kind !== 'frame' && kind !== 'story',
  );
  if (!house.records.has('issue'))
    records.push({
      id: 'issue',
      kind: 'issue',
      publication,
      number: '1',
      season: 'Spring',
      date: '2000-03-01',
      language: find(house, 'details', 'details')?.language ?? 'en-GB',
    });
  records.push(...framesOn(house, own.id));
  let lines = 0;
  SPECIMEN_PAGES.forEach((id, i) => {
    const side = (i % 2 === 0) === (format.firstSide === 'right') || !format.facing ? 'right' : 'left';
    const grid = pageGrid(format, own, side);
    records.push({ id, kind: 'page', order: `a${i}`, master: own.id });
    if (i === 0) return;
    const span = Math.min(own.textSpan, grid.columns.length);
    // Columns that are left over lie outside, away from the spine.
    const outside = side === 'left' && format.pattern !== 'repeated' ? grid.columns.length % span : 0;
    for (let from = 1 + outside, n = 0; from + span - 1 <= grid.columns.length; from += span, n++) {
      lines += grid.lines;
      records.push(
        column(
          id,
          `${i}${String(n).padStart(2, '0')}`,
          stretchBox(grid, { columns: [from, from + span - 1], lines: [1, grid.lines] }),
        ),
      );
    }
  });
  const text: string[] = [];
  for (let words = 0, i = 0; words < lines * WORDS_A_LINE && paragraphs.length > 0; i++) {
    text.push(paragraphs[i % paragraphs.length]!);
    words += paragraphs[i % paragraphs.length]!.split(' ').length;
  }
  records.push({ id: SPECIMEN_TEXT, kind: 'text', role: 'body', body: plainBody(style, ...(text.length > 0 ? text : [''])) });
  return documentOf(records);
}

const column = (page: string, place: string, box: FrameRecord['box']): FrameRecord => ({
  id: `${page}-${place}`,
  kind: 'frame',
  on: page,
  side: 'both',
  box,
  order: `a${place}5`,
  content: textContent(SPECIMEN_TEXT, `a${place}5`),
  wrap: { mode: 'none', standOff: 0, outline: 'shape' },
});
