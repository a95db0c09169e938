import { slotsOn, type SlotFrame } from '../../page/slots';
import { DUMMY_TEXT } from '../../page/dummyText';
import { placedPage, placedPages } from '../../page/pages';
import { countWords, plainBody } from '../../records/body';
import { type Document, documentOf, find } from '../../records/document';
import type { DocumentRecord } from '../../records/index';
import type { Composer } from '../composer';
import { partOf } from './part';

/** Words to a line that a slot's dummy text is reckoned with, to have more than fits. */
const WORDS_A_LINE = 20;

/** Names a slot as it waits on one page. */
export const slotKey = (slot: string, page: string): string => `${slot} ${page}`;

/**
 * How many words the waiting slots of some pages take: dummy text in the house's body style is composed in them, as a
 * story would be, and what is shown of it is counted. So pictures, wraps and rules count as they will.
 *
 * @param composer one of its own: this composes other documents than are shown
 * @returns words for all slots of a set together, by `slotKey` of each
 */
export function slotWords(document: Document, pages: readonly string[], composer: Composer): Map<string, number> {
  const out = new Map<string, number>();
  const sets = new Map<string, { slot: SlotFrame; page: string }[]>();
  const onPages = new Set(placedPages(document).map(({ page }) => page.id));
  for (const id of pages) {
    const page = placedPage(document, id);
    if (!page) continue;
    for (const slot of slotsOn(document, page)) {
      if (slot.content.takes !== 'body' && slot.content.takes !== 'flow') continue;
      // A master's slots are for a story on each page; a page's own go on over pages.
      const set = onPages.has(slot.on) ? slot.content.set : `${slot.content.set} ${id} ${slot.content.takes}`;
      const list = sets.get(set);
      if (list) list.push({ slot, page: id });
      else sets.set(set, [{ slot, page: id }]);
    }
  }
  if (sets.size === 0) return out;
  const style = find(document, 'paragraphStyle', 'body')?.id;
  if (style === undefined) return out;
  const { step } = find(document, 'format', 'format')!.baseline;
  // Nothing but these pages need be composed for it.
  const records = new Map<string, DocumentRecord>(partOf(document, pages).records);
  const texts = new Map<string, { words: number; keys: string[] }>();
  for (const [set, list] of sets) {
    // The same names every time, so that the composer knows again what it has set.
    const text = `slot text ${set}`;
    let lines = 0;
    for (const { slot, page } of list) {
      const { layout, order } = slot.content;
      lines += layout.columns * Math.ceil(slot.box.h / step);
      const inherited = slot.on !== page;
      const id = inherited ? `slot ${slot.id} ${page}` : slot.id;
      records.set(id, {
        ...slot,
        id,
        on: page,
        side: 'both',
        ...(inherited ? { of: slot.id } : {}),
        content: { ...layout, type: 'text', text, order },
      });
    }
    const paragraphs = dummy(lines * WORDS_A_LINE);
    const words = paragraphs.reduce((sum, paragraph) => sum + countWords(paragraph), 0);
    records.set(text, { id: text, kind: 'text', role: 'body', body: plainBody(style, ...paragraphs) });
    texts.set(text, { words, keys: list.map(({ slot, page }) => slotKey(slot.id, page)) });
  }
  const { fits } = composer.compose(documentOf(records.values()));
  for (const [text, { words, keys }] of texts) {
    const shown = words - (fits.get(text)?.oversetWords ?? 0);
    for (const key of keys) out.set(key, shown);
  }
  return out;
}

function dummy(words: number): string[] {
  const out: string[] = [];
  for (let i = 0, n = 0; n < words; i++) {
    const paragraph = DUMMY_TEXT.body[i % DUMMY_TEXT.body.length]!;
    out.push(paragraph);
    n += countWords(paragraph);
  }
  return out;
}
