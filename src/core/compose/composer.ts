import type { Node } from 'prosemirror-model';
import type { Box } from '../geometry/box';
import { type Document, find } from '../records/document';
import type { ParagraphProperties } from '../records/paragraphStyle';
import { FaceError } from '../type/face';
import type { Shaper } from '../type/shaper';
import { type Around, Surroundings } from './frames/around';
import { Inks } from './displayList/inks';
import { writtenOut } from './text/contents';
import type { PageList, TextColumn, TextItem } from './displayList/displayList';
import type { Fit } from './text/fit';
import { PageLists } from './page/pageLists';
import { Paragraphs } from './text/paragraphs';
import { prepare } from './paragraph/prepare';
import type { Prepared } from './paragraph/prepared';
import { type Shown, Showing, type Thread } from './frames/shown';
import { type SetText, Texts } from './text/texts';

/** What composing gives: a display list a page, and how every text fits. */
export interface Composed {
  readonly pages: readonly PageList[];
  /** By text id, for every text that has a frame. */
  readonly fits: ReadonlyMap<string, Fit>;
  /** Boxes of the frames that grow with their text, by frame id. */
  readonly grown: ReadonlyMap<string, Box>;
  /** What of a text no frame shows, by text id: as it would stand in a column like its last. */
  readonly beyond: ReadonlyMap<string, TextColumn>;
}

/**
 * Composes documents, one state after another. Each stage remembers by the identity of what it was given, so that a
 * change costs what it changes. The faces a document needs must be in the shaper (see `facesOf`).
 */
export class Composer {
  readonly #inks = new Inks();
  readonly #showing = new Showing();
  readonly #surroundings: Surroundings;
  readonly #lists = new PageLists(this.#inks);
  readonly #paragraphs: Paragraphs;
  readonly #texts: Texts;

  constructor(shaper: Shaper) {
    this.#surroundings = new Surroundings(shaper);
    this.#paragraphs = new Paragraphs(shaper, this.#inks);
    this.#texts = new Texts(this.#paragraphs, this.#inks);
  }

  /** @throws FaceError when a face is missing */
  compose(document: Document): Composed {
    this.#paragraphs.takeStyles(document);
    const frames = this.#showing.of(document);
    const fits = new Map<string, Fit>();
    const grown = new Map<string, Box>();
    const beyond = new Map<string, TextColumn>();
    const items = new Map<string, readonly TextItem[]>();
    /** What cannot be composed is shown as such in its place; the rest is composed. */
    const broken = new Map<string, string>();

    // Frames whose own size or outline follows from their text come first: it decides what other texts keep away from.
    const early = (shown: Shown): boolean => {
      const { content, wrap } = shown.frame;
      return content.type === 'text' && (content.grows || (wrap.mode === 'outline' && wrap.outline === 'glyphs'));
    };
    const run = (list: readonly Thread[], around: Around) => {
      for (const thread of list) {
        const kept = find(document, 'text', thread.text);
        if (!kept) continue;
        const { body, origin } = writtenOut(document, kept.body);
        const text = body === kept.body ? kept : { ...kept, body };
        let set: SetText;
        try {
          set = this.#texts.set(document, thread, text, around);
        } catch (error) {
          if (error instanceof FaceError) throw error;
          for (const shown of thread.frames) broken.set(shown.key, (error as Error).message);
          continue;
        }
        if (!thread.frames[0]!.fromMaster) {
          fits.set(text.id, set.fit);
          if (set.beyond) beyond.set(text.id, set.beyond);
        }
        for (const [key, own] of set.items) items.set(key, origin ? own.map((item) => ofOrigin(item, origin)) : own);
        for (const shown of thread.frames) {
          const { content } = shown.frame;
          if (content.type !== 'text' || !content.grows || content.turns) continue;
          const own = set.items.get(shown.key)?.[0];
          if (own) grown.set(shown.frame.id, own.box);
        }
      }
    };
    const first = this.#surroundings.of(
      document,
      'first',
      frames.shown.filter((shown) => !early(shown)),
      grown,
      items,
    );
    run(
      frames.threads.filter((thread) => thread.frames.some(early)),
      first,
    );
    const second = this.#surroundings.of(document, 'second', frames.shown, grown, items);
    run(
      frames.threads.filter((thread) => !thread.frames.some(early)),
      second,
    );
    this.#texts.forget(frames.threads);
    return { pages: this.#lists.of(document, frames, items, grown, broken), fits, grown, beyond };
  }

  /** A paragraph as this composer would set it, for whoever wants to measure it. */
  prepared(document: Document, paragraph: Node, style: ParagraphProperties): Prepared {
    this.#paragraphs.takeStyles(document);
    return prepare(paragraph, style, this.#paragraphs.setting);
  }
}

const led = new WeakMap<TextItem, { readonly origin: readonly number[]; readonly item: TextItem }>();

/** An item of a text with a list in it, its paragraphs those that the list comes from; the same item is led once. */
function ofOrigin(item: TextItem, origin: readonly number[]): TextItem {
  const known = led.get(item);
  if (known?.origin === origin) return known.item;
  const columns = item.columns.map((column) => ({ ...column, paragraphs: column.paragraphs.map((at) => origin[at] ?? at) }));
  const own: TextItem = { ...item, columns };
  led.set(item, { origin, item: own });
  return own;
}
