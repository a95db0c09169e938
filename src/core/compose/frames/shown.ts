import type { Box } from '../../geometry/box';
import { composedWith, type Matrix, rotation } from '../../geometry/matrix';
import { isShown } from '../../page/layers';
import { inheritedFrames, placedPages, type PlacedPage } from '../../page/pages';
import { type Document, all, framesOn } from '../../records/document';
import { finished } from '../../page/finished';
import type { FrameRecord } from '../../records/index';

/** A frame as it shows on one page: a page's own, or a master's. */
export interface Shown {
  /** Names it among all that is shown: its frame and its page. */
  readonly key: string;
  readonly frame: FrameRecord;
  readonly page: PlacedPage;
  readonly fromMaster: boolean;
  /** The frame's box in the coordinates its content is composed in, and from there to the page's. */
  readonly local: Box;
  readonly transform: Matrix | undefined;
  /** Of the frame itself, without the turns of its text. */
  readonly rotated: Matrix | undefined;
}

/** A text in the frames it runs through: once for a thread, once a page for a master's text. */
export interface Thread {
  readonly key: string;
  readonly text: string;
  readonly frames: readonly Shown[];
}

/** The frames shown, and the threads they make; kept as long as no frame, page, master or layer changes. */
export interface ShownFrames {
  readonly shown: readonly Shown[];
  readonly threads: readonly Thread[];
  readonly pages: readonly PlacedPage[];
}

const same = (a: readonly unknown[], b: readonly unknown[]): boolean => {
  if (a.length !== b.length) return false;
  for (let i = 0; i < a.length; i++) if (a[i] !== b[i]) return false;
  return true;
};

/**
 * Works out what is shown where, and remembers it for the documents that do not change it. A frame that shows as it did
 * is the same object, and so is a thread all of whose frames do: what later stages made of them goes by that.
 */
export class Showing {
  #parts: readonly (readonly unknown[])[] = [];
  #last: ShownFrames | undefined;
  #shown = new Map<string, Shown>();
  #threads = new Map<string, Thread>();

  of(document: Document): ShownFrames {
    const parts = [
      all(document, 'frame'),
      all(document, 'page'),
      all(document, 'master'),
      all(document, 'format'),
      all(document, 'section'),
      all(document, 'layer'),
      all(document, 'finish'),
    ];
    if (this.#last && parts.every((part, i) => same(part, this.#parts[i]!))) return this.#last;
    this.#parts = parts;
    const pages = placedPages(document);
    const shown = new Map<string, Shown>();
    const add = (frame: FrameRecord, page: PlacedPage, fromMaster: boolean) => {
      const key = `${frame.id} ${page.page.id}`;
      const before = this.#shown.get(key);
      const isSame = before && before.frame === frame && before.fromMaster === fromMaster && samePlace(before.page, page);
      shown.set(key, isSame ? before : shownFrame(key, frame, page, fromMaster));
    };
    for (const page of pages) {
      for (const frame of inheritedFrames(document, page))
        if (isShown(document, frame)) add(finished(document, frame), page, true);
      for (const frame of framesOn(document, page.page.id))
        if (isShown(document, frame)) add(finished(document, frame), page, false);
    }
    this.#shown = shown;
    const list = [...shown.values()];
    const threads = threadsOf(list).map((thread) => {
      const before = this.#threads.get(thread.key);
      return before && same(before.frames, thread.frames) ? before : thread;
    });
    this.#threads = new Map(threads.map((thread) => [thread.key, thread]));
    return (this.#last = { shown: list, threads, pages });
  }
}

/** Whether a page is where it was, and shows what follows from its place alike. */
const samePlace = (a: PlacedPage, b: PlacedPage): boolean =>
  a.page === b.page &&
  a.number === b.number &&
  a.folio === b.folio &&
  a.section === b.section &&
  a.side === b.side &&
  a.master === b.master &&
  a.spread === b.spread &&
  a.dx === b.dx;

function shownFrame(key: string, frame: FrameRecord, page: PlacedPage, fromMaster: boolean): Shown {
  const { box } = frame;
  const centre = { x: box.x + box.w / 2, y: box.y + box.h / 2 };
  const rotated = frame.rotation ? rotation(frame.rotation, centre) : undefined;
  const turns = frame.content.type === 'text' ? (frame.content.turns ?? 0) : 0;
  if (turns === 0) return { key, frame, page, fromMaster, local: box, transform: rotated, rotated };
  const local = turns % 2 === 0 ? box : { x: centre.x - box.h / 2, y: centre.y - box.w / 2, w: box.h, h: box.w };
  const turned = rotation(90 * turns, centre);
  return { key, frame, page, fromMaster, local, transform: rotated ? composedWith(rotated, turned) : turned, rotated };
}

function threadsOf(shown: readonly Shown[]): Thread[] {
  const threads = new Map<string, { text: string; frames: Shown[] }>();
  for (const each of shown) {
    const { content } = each.frame;
    if (content.type !== 'text') continue;
    const key = each.fromMaster ? `${content.text} ${each.page.page.id}` : content.text;
    const thread = threads.get(key);
    if (thread) thread.frames.push(each);
    else threads.set(key, { text: content.text, frames: [each] });
  }
  const place = ({ frame }: Shown) => (frame.content.type === 'text' ? frame.content.order : '');
  return [...threads].map(([key, { text, frames }]) => ({
    key,
    text,
    frames: frames.sort((a, b) => (place(a) < place(b) ? -1 : place(a) > place(b) ? 1 : 0)),
  }));
}
