import { paragraphsOf, plainBody, plainText } from '../records/body';
import type { Diff } from '../records/diff';
import { type Document, get } from '../records/document';
import type { TextRecord } from '../records/index';
import type { TextItem } from '../compose/displayList/displayList';
import { ActionError, Edit, newId } from './edit';
import { growingText, pageWithGrid, putFrame } from './frames';
import { inOwnStyles } from './styles';
import type { Typesetter } from './typesetter';

/** Stand-off around a pull quote: 0.1875 in is usual (common practice). */
export const QUOTE_STAND_OFF = 13.5;

/** A stretch of one paragraph of a text: characters `from` to `to`. */
export interface Passage {
  readonly text: string;
  readonly paragraph: number;
  readonly from: number;
  readonly to: number;
}

/**
 * Makes a pull quote of a passage, in the house's style, beside where the passage stands: in the column next to it
 * at the same height. It keeps the passage's words, so that a later change of the story can be noticed.
 *
 * @throws ActionError when the passage is not shown on any page
 */
export function makeQuote(document: Document, passage: Passage, typesetter: Typesetter): Diff {
  const edit = new Edit(document);
  const source = get(document, 'text', passage.text);
  const paragraph = paragraphsOf(source.body)[passage.paragraph];
  const words = paragraph ? plainText(paragraph).slice(passage.from, passage.to).trim() : '';
  if (words === '') throw new ActionError('There are no words to quote there.');
  const spot = findPassage(typesetter, document, passage);
  if (!spot) throw new ActionError('That sentence is not on a page yet, so there is no place beside it.');
  const { grid } = pageWithGrid(document, spot.page);
  const columns = spot.item.columns;
  const column = (columns[spot.column + 1] ?? columns[spot.column - 1] ?? columns[spot.column]!).box;

  const text = edit.put<TextRecord>(
    inOwnStyles(document, {
      id: newId(),
      kind: 'text',
      role: 'quote',
      story: source.story,
      body: plainBody('pullQuote', withQuotes(words)),
      source: { text: source.id, words },
    }),
  );
  const top = grid.first - grid.step;
  let y = top + Math.round((spot.y - top) / grid.step) * grid.step;
  const frame = putFrame(edit, spot.page, { x: column.x, y, w: column.w, h: grid.step }, growingText(text.id), {
    mode: 'frame',
    standOff: QUOTE_STAND_OFF,
    outline: 'alpha',
  });
  const { h } = typesetter.compose(edit.document).grown.get(frame.id)!;
  // It stays inside the column it interrupts.
  const over = y + h - (column.y + column.h);
  if (over > 0) y = Math.max(column.y, y - Math.ceil(over / grid.step) * grid.step);
  edit.put({ ...frame, box: { ...frame.box, y, h } });
  return edit.diff();
}

function findPassage(typesetter: Typesetter, document: Document, passage: Passage) {
  for (const list of typesetter.compose(document).pages) {
    for (const item of list.items) {
      if (item.type !== 'text' || item.text !== passage.text) continue;
      for (let column = 0; column < item.columns.length; column++) {
        const { lines, paragraphs } = item.columns[column]!;
        const line = lines.find(
          (each, i) =>
            paragraphs[i] === passage.paragraph && each.runs.some((run) => run.to > passage.from && run.from < passage.to),
        );
        if (line) return { page: list.page, item: item satisfies TextItem, column, y: line.baseline - line.ascent };
      }
    }
  }
  return undefined;
}

/** An opening or closing mark; an apostrophe stands between two letters. */
const MARK = /[‘“”"]|(?<!\p{L})['’]|['’](?!\p{L})/u;

/**
 * The words between the quotation marks of British practice. Where they bring marks of their own these are not doubled:
 * a pair around all of it gives way, and speech within narration stands as it does in the story.
 */
export function withQuotes(words: string): string {
  const text = words.trim();
  const inner = text
    .replace(/^[‘“"']+/, '')
    .replace(/[’”"']+$/, '')
    .trim();
  if (!MARK.test(inner)) return `‘${inner}’`;
  // Marks are left within: speech that ends before the sentence does, or begins after it.
  return text;
}
