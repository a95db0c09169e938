import type { Node } from 'prosemirror-model';
import type { Box } from '../geometry/box';
import type { Diff } from '../records/diff';
import { isEmpty } from '../records/diff';
import { all, type Document, find, framesOn } from '../records/document';
import { textContent } from '../records/frame';
import type { TextRecord } from '../records/index';
import type { TextRole } from '../records/text';
import { docOf, fieldsOf, paragraphOf, paragraphsOf, plainBody, plainParagraphs } from '../records/body';
import { type MarginText, marginText } from '../page/furniture';
import { formatOf } from '../page/pages';
import { ActionError, Edit, newId } from './edit';
import { growingText, NO_WRAP, pageWithGrid, putFrame, textColumns } from './frames';
import { mm } from '../length/length';
import { QUOTE_STAND_OFF } from './quotes';
import { inOwnStyles } from './styles';
import { textIn } from '../records/kinds/frames';

/** What a marked-out stretch can become without anything else being chosen. */
export type Stuff = 'headline' | 'text' | 'picture' | 'quote' | 'panel' | 'rule' | 'boxOut' | 'advertisement';

export interface MarkOut {
  readonly page: string;
  readonly box: Box;
  readonly as: Stuff;
  /** Words of the headline or quote. */
  readonly words?: string;
}

/** Turns a marked-out stretch of grid into a frame. */
export function markOut(document: Document, { page: id, box, as, words = '' }: MarkOut): Diff {
  const edit = new Edit(document);
  const { page, grid } = pageWithGrid(document, id);
  const on = page.page.id;
  switch (as) {
    case 'picture':
      putFrame(edit, on, box, { type: 'picture', fit: 'fill' }, { mode: 'frame', standOff: mm(4), outline: 'alpha' });
      break;
    case 'panel':
      putFrame(
        edit,
        on,
        box,
        { type: 'panel' },
        { mode: 'frame', standOff: mm(4), outline: 'alpha' },
        { fill: { swatch: 'tint', tint: 1 } },
      );
      break;
    case 'rule':
      putFrame(edit, on, { ...box, h: 0.75 }, { type: 'rule', weight: 0.75 }, NO_WRAP, { fill: { swatch: 'ink', tint: 1 } });
      break;
    case 'advertisement':
      putFrame(edit, on, box, { type: 'advertisement' }, { mode: 'frame', standOff: mm(4), outline: 'shape' });
      break;
    case 'text': {
      const text = putText(edit, 'furniture', 'body', words);
      putFrame(edit, on, box, textContent(text.id), NO_WRAP);
      break;
    }
    case 'boxOut': {
      // A heading, and a paragraph that waits for its words.
      const body = docOf([...plainParagraphs('crosshead', words), ...plainParagraphs('body', '')]);
      const text = edit.put<TextRecord>(inOwnStyles(document, { id: newId(), kind: 'text', role: 'furniture', body }));
      const finish = find(document, 'finish', BOX_OUT);
      putFrame(
        edit,
        on,
        box,
        textContent(text.id, 'a0', { columns: textColumns(grid, page.master, box), gutter: grid.gutter, inset: mm(3) }),
        { mode: 'frame', standOff: mm(4), outline: 'shape' },
        finish ? { finish: finish.id } : { fill: { swatch: 'tint', tint: 1 } },
      );
      break;
    }
    case 'headline':
    case 'quote': {
      const text = as === 'quote' ? putText(edit, 'quote', 'pullQuote', words) : putText(edit, 'furniture', 'headline', words);
      putFrame(
        edit,
        on,
        box,
        growingText(text.id),
        as === 'quote'
          ? { mode: 'frame', standOff: QUOTE_STAND_OFF, outline: 'alpha' }
          : { mode: 'frame', standOff: 0, outline: 'alpha' },
      );
    }
  }
  return edit.diff();
}

/** The finish that box-outs have in a house that has it. */
export const BOX_OUT = 'boxOut';

/** Adds a text that belongs to no story. */
const putText = (edit: Edit, role: TextRole, style: string, words: string): TextRecord =>
  edit.put(inOwnStyles(edit.document, { id: newId(), kind: 'text', role, body: plainBody(style, words) }));

/** Puts folios or a running head into the margins of pages. @throws ActionError when the document has no style to set them in */
export function addMarginText(document: Document, pages: readonly string[], what: MarginText): Diff {
  const edit = new Edit(document);
  const styles = all(document, 'paragraphStyle');
  const style = (styles.find(({ id }) => id === what) ?? styles.find(({ id }) => id === 'body') ?? styles[0])?.id;
  if (style === undefined) throw new ActionError('There is no paragraph style to set it in.');
  for (const id of pages) {
    const { page } = pageWithGrid(document, id);
    const { box, paragraph } = marginText(formatOf(document), page.master, page.side, what);
    // Where there is one already, another would print over it.
    if (hasMarginText(document, id, paragraph)) continue;
    const body = docOf([paragraphOf({ style }, paragraph.content)]);
    const text = edit.put<TextRecord>({ id: newId(), kind: 'text', role: 'furniture', body });
    putFrame(edit, id, box, growingText(text.id), NO_WRAP);
  }
  const diff = edit.diff();
  if (isEmpty(diff)) throw new ActionError(what === 'folio' ? 'There are folios already.' : 'There is a running head already.');
  return diff;
}

/** Whether a surface shows a text of the same fields in its margins. */
function hasMarginText(document: Document, surface: string, sought: Node): boolean {
  const fields = (paragraph: Node) =>
    fieldsOf(paragraph)
      .map(({ name }) => name)
      .join(' ');
  const own = fields(sought);
  return framesOn(document, surface).some((frame) => {
    const text = find(document, 'text', textIn(frame));
    return text?.role === 'furniture' && paragraphsOf(text.body).some((paragraph) => fields(paragraph) === own);
  });
}
