import { exact } from '../length/length';
import { withCaptions } from '../page/beside';
import { formatOf, placedPage, placedPages } from '../page/pages';
import type { Diff } from '../records/diff';
import { all, type Document, documentOf, find, framesOn, get } from '../records/document';
import type { DocumentRecord, FrameRecord } from '../records/index';
import { copiedContent, emptied, pictureIn, textIn } from '../records/kinds/frames';
import { complete } from '../records/references';
import { readRecord, stored, type StoredRecord } from '../records/stored';
import { ActionError, Edit, orderAfter, renaming } from './edit';
import type { Place } from './frames';

/**
 * What becomes of a story in a copy, since a story is in one place only: its `words` are copied as a text of its own; a
 * `slot` of the same form waits for another story; it is `left` out, and what else belongs to it is copied; or it is `kept`
 * as it is, where the copy takes its place.
 */
export type Stories = 'words' | 'slot' | 'left' | 'kept';

/**
 * Copies of frames with all that is theirs alone: texts, groups, and the captions of pictures. What several share (pictures,
 * styles, swatches) is named as it was. They lie where the frames lie, in the same order.
 *
 * @param renamed the ids of the copies, by those of what is copied
 */
export function copiesOf(
  from: Document,
  ids: readonly string[],
  stories: Stories,
  renamed: (id: string) => string = renaming(),
): DocumentRecord[] {
  const out = new Map<string, DocumentRecord>();
  const chosen = new Set(withCaptions(from, ids));
  const put = (record: DocumentRecord) => void out.set(record.id, record);
  for (const frame of all(from, 'frame')) {
    if (!chosen.has(frame.id)) continue;
    const text = find(from, 'text', textIn(frame));
    const isStory = text !== undefined && (text.role === 'body' || (text.story !== undefined && !frame.beside));
    if (isStory && text.role === 'body' && stories === 'left') continue;
    const shown = isStory && stories === 'slot' ? emptied(from, frame, 'Story') : frame;
    if (!shown) continue;
    const { group: of, beside, ...alone } = shown;
    const group = find(from, 'group', of);
    if (group) put({ ...group, id: renamed(group.id) });
    if (text && shown === frame) {
      const { story, ...plain } = text;
      put({ ...plain, id: renamed(text.id), ...(story !== undefined && stories !== 'words' ? { story } : {}) });
    }
    put({
      ...alone,
      id: renamed(frame.id),
      content: copiedContent(shown.content, renamed),
      ...(group ? { group: renamed(group.id) } : {}),
      ...(beside && chosen.has(beside.frame) ? { beside: { ...beside, frame: renamed(beside.frame) } } : {}),
    });
  }
  return [...out.values()];
}

/** Frames taken up to be put elsewhere, with everything in them: what is kept of them is fit to be sent. */
export interface Clip {
  readonly document: string;
  readonly frames: readonly string[];
  readonly records: readonly StoredRecord[];
  /** Points from the spine's side of the first page to that of each frame's own, by frame. */
  readonly across: Readonly<Record<string, number>>;
  /** They were cut out: they themselves come back, once, not copies of them. */
  readonly cut: boolean;
  readonly words: string;
}

/** Takes frames up. @throws ActionError where none is chosen */
export function clipOf(document: Document, of: string, ids: readonly string[], cut: boolean): Clip {
  const frames = withCaptions(document, ids).map((id) => get(document, 'frame', id));
  if (frames.length === 0) throw new ActionError('Nothing is chosen.');
  const pages = frames.map(({ on }) => placedPage(document, on)?.dx ?? 0);
  const first = Math.min(...pages);
  const own = new Map<string, DocumentRecord>();
  for (const frame of frames) {
    own.set(frame.id, frame);
    for (const record of [
      find(document, 'text', textIn(frame)),
      find(document, 'group', frame.group),
      find(document, 'picture', pictureIn(document, frame)?.picture),
    ])
      if (record) own.set(record.id, record);
    if (frame.content.type === 'advertisement') {
      const booked = find(document, 'advertisement', frame.content.advertisement);
      if (booked) own.set(booked.id, booked);
    }
  }
  // Where the frames lay, and what stories their texts are of, is known in this document alone.
  const there = (id: string) => ['page', 'master', 'story', 'section'].includes(document.records.get(id)?.kind ?? '');
  const words = frames.flatMap((frame) => {
    const text = find(document, 'text', textIn(frame));
    return text ? [text.body.textBetween(0, text.body.content.size, '\n')] : [];
  });
  return {
    document: of,
    frames: frames.map(({ id }) => id),
    records: complete([...own.values()], document, there).map(stored),
    across: Object.fromEntries(frames.map(({ id }, i) => [id, pages[i]! - first])),
    cut,
    words: [...new Set(words)].join('\n\n'),
  };
}

export interface Paste {
  /** The page that what lay on the first page comes to. */
  readonly page: string;
  /** Exactly where it was, even on top of what was copied. */
  readonly inPlace: boolean;
}

/** Points to the right and down that a copy lies from what it would else cover. */
const ASIDE = 12;

/**
 * Puts frames that were taken up onto a page and, where they lay on both of a spread, the one beside it. What was cut out
 * of this document comes back as itself, its stories with it; else it is a copy.
 *
 * @throws ActionError where the page is gone
 */
export function pasteFrames(document: Document, of: string, clip: Clip, { page: at, inPlace }: Paste): Diff {
  const edit = new Edit(document);
  const page = placedPage(document, at);
  if (!page) throw new ActionError('That page is no longer in the issue.');
  const from = documentOf(clip.records.map(readRecord));
  const comesBack = clip.cut && clip.document === of && clip.frames.every((id) => !edit.has(id));
  const renamed = comesBack ? (id: string) => id : renaming();
  const was = new Map(clip.frames.map((id) => [renamed(id), get(from, 'frame', id)]));
  const records = comesBack ? [...from.records.values()] : copiesOf(from, clip.frames, 'words', renamed);
  const here = records.map((record) => (record.kind === 'frame' ? { ...record, on: at } : record));
  const own = complete(here, from, (id) => edit.has(id) || was.has(id));
  // A picture of the same name elsewhere may be another.
  const pictures = renaming();
  for (const record of from.records.values()) {
    if (record.kind !== 'picture') continue;
    const there = find(document, 'picture', record.id);
    if (!there) edit.put(alone(record, edit));
    else if (there.blob !== record.blob) edit.put({ ...alone(record, edit), id: pictures(record.id) });
  }
  const spread = placedPages(document).filter((each) => each.spread === page.spread);
  const { width } = formatOf(document);
  // The same frame, still where it was taken up: a copy there would not be seen.
  const covers = (frame: FrameRecord) => {
    const there = clip.document === of ? find(document, 'frame', frame.id) : undefined;
    return there?.on === at && there.box.x === frame.box.x && there.box.y === frame.box.y;
  };
  const aside = !inPlace && [...was.values()].some(covers) ? ASIDE : 0;
  for (const record of own) {
    if (record.kind === 'picture' || (edit.has(record.id) && !was.has(record.id))) continue;
    const before = was.get(record.id);
    if (record.kind !== 'frame' || !before) {
      edit.put(record);
      continue;
    }
    const across = clip.across[before.id] ?? 0;
    const x = page.dx + across + record.box.x;
    const middle = x + record.box.w / 2;
    const on = across === 0 ? page : (spread.find(({ dx }) => middle >= dx && middle <= dx + width) ?? page);
    const box = { ...record.box, x: x - on.dx + aside, y: record.box.y + aside };
    edit.put({
      ...record,
      on: on.page.id,
      side: 'both',
      box,
      order: orderAfter(framesOn(edit.document, on.page.id)),
      content: withPicture(record, (id) =>
        find(document, 'picture', id)?.blob === find(from, 'picture', id)?.blob ? id : pictures(id),
      ),
    });
  }
  return edit.diff();
}

/** A record without what it refers to and is not there. */
const alone = <R extends DocumentRecord>(record: R, edit: Edit): R =>
  complete([record], edit.document, (id) => edit.has(id))[0] as R;

function withPicture({ content }: FrameRecord, named: (id: string) => string): FrameRecord['content'] {
  if (content.type !== 'picture' || content.picture === undefined) return content;
  return { ...content, picture: named(content.picture) };
}

/**
 * Puts a copy of frames beside them: to the right where the page has room, else below, else a little aside.
 * @param gap points between the two
 */
export function duplicateFrames(document: Document, ids: readonly string[], gap: number): Diff {
  const edit = new Edit(document);
  const frames = ids.map((id) => get(document, 'frame', id));
  if (frames.length === 0) throw new ActionError('Nothing is chosen.');
  const { width, height } = formatOf(document);
  const left = Math.min(...frames.map(({ box }) => box.x));
  const right = Math.max(...frames.map(({ box }) => box.x + box.w));
  const top = Math.min(...frames.map(({ box }) => box.y));
  const foot = Math.max(
    ...withCaptions(document, ids)
      .map((id) => get(document, 'frame', id).box)
      .map(({ y, h }) => y + h),
  );
  const toRight = right + gap + (right - left) <= width;
  const below = !toRight && foot + gap + (foot - top) <= height;
  const by = toRight ? { x: right - left + gap, y: 0 } : below ? { x: 0, y: foot - top + gap } : { x: ASIDE, y: ASIDE };
  putCopies(edit, document, ids, by);
  return edit.diff();
}

/** Copies of frames, each where it was carried to. */
export function carriedCopies(document: Document, places: ReadonlyMap<string, Place>): Diff {
  const edit = new Edit(document);
  const renamed = renaming();
  const to = new Map([...places].map(([id, place]) => [renamed(id), place]));
  for (const record of copiesOf(document, [...places.keys()], 'words', renamed)) {
    const place = to.get(record.id);
    if (record.kind !== 'frame') edit.put(record);
    else edit.put({ ...record, ...place, order: orderAfter(framesOn(edit.document, place?.on ?? record.on)) });
  }
  return edit.diff();
}

/** Puts copies of frames on their pages, so far from where they are. */
export function putCopies(
  edit: Edit,
  document: Document,
  ids: readonly string[],
  by: { readonly x: number; readonly y: number },
  stories: Stories = 'words',
): void {
  for (const record of copiesOf(document, ids, stories)) {
    if (record.kind !== 'frame') edit.put(record);
    else {
      const { of: _, ...own } = record;
      const box = { ...own.box, x: exact(own.box.x + by.x), y: exact(own.box.y + by.y) };
      edit.put({ ...own, box, order: orderAfter(framesOn(edit.document, own.on)) });
    }
  }
}
