import { mapParagraphs, paragraphsOf, plainBody, plainText } from '../records/body';
import type { Diff } from '../records/diff';
import { all, type Document, find, get } from '../records/document';
import type { FrameRecord, QuoteDesignRecord, TextRecord } from '../records/index';
import { textIn } from '../records/kinds/frames';
import type { Stand } from '../records/quoteDesign';
import { said } from '../records/said';
import { ActionError, Edit, freeName, newId, orderAfter, ownName } from './edit';
import { plain } from './finishes';
import { growingText } from './frames';
import { findPassage, type Passage, putWell, type Standing } from './quotePlaces';
import { inOwnStyles } from './styles';
import type { Typesetter } from './typesetter';

export type { Passage } from './quotePlaces';

/** Stand-off around a pull quote: 0.1875 in is usual (common practice). */
export const QUOTE_STAND_OFF = 13.5;

/** A passage that is to be quoted, and the design to quote it in: the first of the house when not said. */
export interface QuoteOf extends Passage {
  readonly design?: string | undefined;
}

/** How a quote is to look and stand from now on; what is not said stays. */
export interface QuoteChange {
  readonly frame: string;
  readonly design?: string | undefined;
  readonly stand?: Stand | undefined;
  readonly across?: number | undefined;
}

/**
 * Makes a pull quote of a passage, in a design of the house, where it does least harm. It keeps the passage's words, so that a later
 * change of the story can be noticed.
 *
 * @throws ActionError when the passage is not shown on any page
 */
export function makeQuote(document: Document, { design: id, ...passage }: QuoteOf, typesetter: Typesetter): Diff {
  const edit = new Edit(document);
  const source = get(document, 'text', passage.text);
  const paragraph = paragraphsOf(source.body)[passage.paragraph];
  const words = paragraph ? plainText(paragraph).slice(passage.from, passage.to).trim() : '';
  if (words === '') throw new ActionError('There are no words to quote there.');
  const spot = findPassage(typesetter, document, passage);
  if (!spot) throw new ActionError('That sentence is not on a page yet, so there is no place beside it.');
  const design = id === undefined ? all(document, 'quoteDesign')[0] : get(document, 'quoteDesign', id);
  const text = edit.put<TextRecord>(
    inOwnStyles(document, {
      id: newId(),
      kind: 'text',
      role: 'quote',
      story: source.story,
      body: plainBody(design?.style ?? 'pullQuote', withQuotes(words)),
      source: { text: source.id, words },
    }),
  );
  const how: Standing = { stand: design?.stand ?? 'column', across: design?.across ?? 1 };
  const frame: FrameRecord = {
    id: newId(),
    kind: 'frame',
    on: spot.page,
    side: 'both',
    box: spot.box,
    order: orderAfter([]),
    content: growingText(text.id),
    wrap: { mode: 'frame', standOff: QUOTE_STAND_OFF, outline: 'alpha' },
  };
  const laid = standing(dressed(frame, design), how);
  try {
    putWell(edit, laid, source.id, spot, how, typesetter);
  } catch (error) {
    // A design that has no room here stands in one column, as any quote can.
    if (!(error instanceof ActionError) || (how.stand === 'column' && how.across === 1)) throw error;
    const plainly: Standing = { stand: 'column', across: 1 };
    putWell(edit, standing(dressed(frame, design), plainly), source.id, spot, plainly, typesetter);
  }
  return edit.diff();
}

/**
 * Gives a quote another design, or another place: across more columns, between two, on a picture. It goes where it does least harm
 * there.
 *
 * @throws ActionError where there is no such place, or its story is on no page of the spread
 */
export function setQuote(document: Document, { frame: id, design: to, ...change }: QuoteChange, typesetter: Typesetter): Diff {
  const edit = new Edit(document);
  const frame = get(document, 'frame', id);
  const text = find(document, 'text', textIn(frame));
  if (text?.role !== 'quote') throw new ActionError('That is no pull quote.');
  const design = to === undefined ? designOf(document, text) : get(document, 'quoteDesign', to);
  if (to !== undefined && design) edit.put({ ...text, body: restyled(text.body, design.style) });
  const how: Standing = {
    stand: change.stand ?? design?.stand ?? 'column',
    across: change.across ?? (change.stand === undefined ? (design?.across ?? 1) : 1),
  };
  const source = sourceOf(document, text);
  const spot = source && spotOf(document, text, source, frame, typesetter);
  if (!source || !spot)
    throw new ActionError('The story of the quote is not on this spread, so there is no place for it beside it.');
  const laid = standing(to === undefined ? frame : dressed(frame, design), how);
  putWell(edit, laid, source.id, spot, how, typesetter);
  return edit.diff();
}

/** The running text that a quote is of: the one it is tied to, else that of its story. */
const sourceOf = (document: Document, { source, story }: TextRecord): TextRecord | undefined =>
  find(document, 'text', source?.text) ??
  (story === undefined ? undefined : all(document, 'text').find((each) => each.role === 'body' && each.story === story));

/** Where the words of a quote stand in its story; where they cannot be found, where the quote itself stands. */
function spotOf(
  document: Document,
  { source: from }: TextRecord,
  source: TextRecord,
  frame: FrameRecord,
  typesetter: Typesetter,
) {
  const words = from?.words;
  if (words !== undefined)
    for (const [paragraph, own] of paragraphsOf(source.body).entries()) {
      const at = plainText(own).indexOf(words);
      const spot =
        at < 0 ? undefined : findPassage(typesetter, document, { text: source.id, paragraph, from: at, to: at + words.length });
      if (spot) return spot;
    }
  return { page: frame.on, box: frame.box, y: frame.box.y };
}

/** The design that a quote has: of those in its style the first. */
export const designOf = (document: Document, { body }: TextRecord): QuoteDesignRecord | undefined => {
  const style = (paragraphsOf(body)[0]?.attrs as { style?: string } | undefined)?.style;
  return all(document, 'quoteDesign').find((each) => each.style === style);
};

/** A frame with the finish of a design in the place of its own look. */
function dressed(frame: FrameRecord, design: QuoteDesignRecord | undefined): FrameRecord {
  return design ? said({ ...plain(frame), finish: design.finish }) : frame;
}

/** A frame as it has to be for where it stands: on a picture it keeps nothing away, and nothing keeps it away. */
function standing(frame: FrameRecord, { stand }: Standing): FrameRecord {
  if (frame.content.type !== 'text') return frame;
  const isOn = stand === 'picture';
  return {
    ...frame,
    content: { ...frame.content, grows: true, ignoresWraps: isOn },
    wrap: isOn ? { ...frame.wrap, mode: 'none' } : { mode: 'frame', standOff: QUOTE_STAND_OFF, outline: 'alpha' },
    ...(frame.finish === undefined ? {} : { own: [...new Set([...(frame.own ?? []), 'wrap' as const])] }),
  };
}

/** A body with all its paragraphs in a style. */
const restyled = (body: TextRecord['body'], style: string): TextRecord['body'] =>
  mapParagraphs(body, (paragraph) => paragraph.type.create({ ...paragraph.attrs, style }, paragraph.content, paragraph.marks));

/** Adds a design of pull quotes: plain, in one column. */
export function addQuoteDesign(document: Document): Diff {
  const edit = new Edit(document);
  const designs = all(document, 'quoteDesign');
  const styles = all(document, 'paragraphStyle');
  const style = styles.find(({ id }) => id === 'pullQuote') ?? styles[0];
  if (!style) throw new ActionError('A pull quote needs a paragraph style first. Add one in Type.');
  edit.put<QuoteDesignRecord>({
    id: newId(),
    kind: 'quoteDesign',
    name: freeName(designs, 'Pull quote'),
    order: orderAfter(designs),
    style: style.id,
    stand: 'column',
    across: 1,
  });
  return edit.diff();
}

/** Changes a design: quotes that are made from then on are so. @throws ActionError where its name will not do */
export function setQuoteDesign(
  document: Document,
  id: string,
  change: Partial<Pick<QuoteDesignRecord, 'name' | 'style' | 'finish' | 'stand' | 'across'>>,
): Diff {
  const edit = new Edit(document);
  const design = get(document, 'quoteDesign', id);
  const name =
    change.name === undefined ? design.name : ownName(all(document, 'quoteDesign'), 'pull quote design', change.name, id);
  edit.put(said({ ...design, ...change, name }));
  return edit.diff();
}

export function removeQuoteDesign(document: Document, id: string): Diff {
  const edit = new Edit(document);
  edit.remove(get(document, 'quoteDesign', id).id);
  return edit.diff();
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
  // Marks are left within: speech that ends before the sentence does, or begins after it. Its other mark may lie
  // outside what was picked.
  const opens = text.indexOf('“');
  const closes = text.indexOf('”');
  if (closes >= 0 && (opens < 0 || opens > closes)) return `“${text}`;
  return text.lastIndexOf('“') > text.lastIndexOf('”') ? `${text}”` : text;
}

const spaced = (words: string): string => words.replace(/[\s\u2028]+/g, ' ').trim();

/** What a quote says of its passage, mark by mark: an ellipsis stands for words that are left out. */
export function saysOf(quote: string, passage: string): boolean {
  const whole = spaced(passage);
  let at = 0;
  for (const piece of spaced(quote.replace(/^[‘“"']+|[’”"']+$/g, '')).split('…')) {
    const words = spaced(piece);
    if (words === '') continue;
    const found = whole.indexOf(words, at);
    if (found < 0) return false;
    at = found + words.length;
  }
  return true;
}
