import type { Node } from 'prosemirror-model';
import { around, type Box, type Point } from '../geometry/box';
import { withCaptions } from '../page/beside';
import { docOf, paragraphsOf, plainText, textOf } from '../records/body';
import type { Diff } from '../records/diff';
import { all, type Document, find, framesOn, get } from '../records/document';
import type { DocumentRecord, FrameRecord, FurnitureRecord, GroupRecord, TextRecord } from '../records/index';
import { textIn } from '../records/kinds/frames';
import { merged } from '../records/merge';
import { said } from '../records/said';
import { same } from '../records/same';
import { copiesOf } from './copying';
import { ActionError, Edit, newId, orderAfter, ownName, renaming } from './edit';
import { NO_WRAP } from './frames';

/** The piece of furniture that a frame is a copy of a part of; undefined where it is of none. */
export const furnitureOf = (document: Document, { piece }: FrameRecord): FurnitureRecord | undefined =>
  find(document, 'furniture', find(document, 'frame', piece)?.on);

/** What lies on pages of a piece of furniture, put down by put down. */
export function putDown(document: Document, furniture: string): readonly (readonly FrameRecord[])[] {
  const parts = new Set(framesOn(document, furniture).map(({ id }) => id));
  const sets = new Map<string, FrameRecord[]>();
  for (const frame of all(document, 'frame')) {
    if (frame.piece === undefined || !parts.has(frame.piece)) continue;
    const key = frame.group ?? frame.beside?.frame ?? frame.id;
    sets.set(key, [...(sets.get(key) ?? []), frame]);
  }
  return [...sets.values()];
}

const named = (document: Document, name: string, own?: string): string =>
  ownName(all(document, 'furniture'), 'piece of furniture', name, own);

/**
 * Keeps frames with all that is in them as a piece of furniture; they follow it from then on. Words of a story are kept as words.
 * @throws ActionError where none is chosen, they lie on several pages, or there is no name
 */
export function keepFurniture(document: Document, ids: readonly string[], name: string): Diff {
  const frames = withCaptions(document, ids).map((id) => get(document, 'frame', id));
  if (frames.length === 0) throw new ActionError('Nothing is chosen.');
  if (frames.some(({ on }) => on !== frames[0]!.on)) throw new ActionError('Only frames of one page make furniture.');
  const own = named(document, name);
  const edit = new Edit(document);
  const whole = around(frames.map(({ box }) => box))!;
  const furniture = edit.put<FurnitureRecord>({
    id: newId(),
    kind: 'furniture',
    name: own,
    order: orderAfter(all(document, 'furniture')),
    width: whole.w,
    height: whole.h,
  });
  const renamed = renaming();
  lay(edit, document, frames, { on: furniture.id, by: { x: -whole.x, y: -whole.y }, renamed });
  const group = frames.length > 1 ? groupOf(edit, frames) : undefined;
  for (const frame of frames)
    edit.put(said({ ...edit.get('frame', frame.id), piece: renamed(frame.id), group: group ?? frame.group }));
  return edit.diff();
}

/** The group that frames are, or a new one. */
function groupOf(edit: Edit, frames: readonly FrameRecord[]): string {
  const [first] = frames;
  const free = frames.filter(({ beside }) => !beside);
  const isGroup = first!.group !== undefined && free.every(({ group }) => group === first!.group);
  return isGroup ? first!.group! : newGroup(edit);
}

const newGroup = (edit: Edit): string =>
  edit.put<GroupRecord>({ id: newId(), kind: 'group', name: 'Furniture', wrap: NO_WRAP }).id;

interface Laid {
  readonly on: string;
  readonly by: Point;
  readonly renamed: (id: string) => string;
  /** Of copies that follow what they are copies of. */
  readonly follow?: true;
}

/** Puts copies of frames somewhere, in their order, on top of what lies there. */
function lay(edit: Edit, from: Document, frames: readonly FrameRecord[], { on, by, renamed, follow }: Laid): DocumentRecord[] {
  const copies = copiesOf(
    from,
    frames.map(({ id }) => id),
    'words',
    renamed,
  );
  const source = new Map(frames.map(({ id }) => [renamed(id), id]));
  return copies.map((record) => {
    if (record.kind !== 'frame') return edit.put(record);
    const { piece: _, of: __, ...frame } = record;
    const box = { ...frame.box, x: frame.box.x + by.x, y: frame.box.y + by.y };
    const order = orderAfter(framesOn(edit.document, on));
    return edit.put<FrameRecord>(said({ ...frame, on, side: 'both', box, order, piece: follow && source.get(record.id) }));
  });
}

/** Puts a piece of furniture on a page or master, its top left corner at a place. @returns what it put there, to be chosen */
export function putFurniture(document: Document, furniture: string, on: string, at: Point): Diff {
  const edit = new Edit(document);
  const parts = framesOn(document, get(document, 'furniture', furniture).id);
  if (parts.length === 0) throw new ActionError('There is nothing left of that furniture.');
  const renamed = renaming();
  lay(edit, document, parts, { on, by: at, renamed, follow: true });
  if (parts.length > 1 && parts.some(({ group }) => group === undefined)) {
    const group = newGroup(edit);
    for (const { id } of parts) edit.put({ ...edit.get('frame', renamed(id)), group });
  }
  return edit.diff();
}

/** Words of a piece of furniture that are filled in where it lies. */
export interface Blank {
  readonly text: string;
  /** What is to stand there: its frame's name, or what the furniture says there. */
  readonly label: string;
  readonly words: string;
}

/** The words of what was put down of a piece of furniture, in the order in which they are read; those with fields fill themselves. */
export function blanksOf(document: Document, frames: readonly FrameRecord[]): Blank[] {
  return [...frames]
    .sort((a, b) => a.box.y - b.box.y || a.box.x - b.box.x)
    .flatMap((frame): Blank[] => {
      const text = find(document, 'text', textIn(frame));
      if (!text || !isPlain(text.body)) return [];
      const part = find(document, 'frame', frame.piece);
      const asked = find(document, 'text', part && textIn(part));
      const label = frame.name ?? part?.name ?? (asked && wordsOf(asked.body).split('\n')[0]!.slice(0, 40)) ?? 'Words';
      return [{ text: text.id, label: label.trim() || 'Words', words: wordsOf(text.body) }];
    });
}

const wordsOf = (body: Node): string => paragraphsOf(body).map(plainText).join('\n');

/** Paragraphs of words alone: no tables, fields or pictures, which a line of words would take away. */
const isPlain = (body: Node): boolean =>
  body.children.every((block) => block.type.name === 'paragraph' && block.children.every((node) => node.isText));

/** Fills words in, a line for each paragraph: each is set as the one that stood there, those beyond the last as that is. */
export function fillWords(document: Document, id: string, words: string): Diff {
  const edit = new Edit(document);
  const text = get(document, 'text', id);
  if (!isPlain(text.body)) throw new ActionError('That text has more in it than words. Go into it to change it.');
  const before = paragraphsOf(text.body);
  const blocks = words.split('\n').map((line, i) => {
    const like = before[Math.min(i, before.length - 1)]!;
    // A line that is as it was keeps what is formatted in it.
    if (before[i] && plainText(before[i]) === line) return before[i];
    const marks = like.firstChild?.marks.filter(({ type }) => type.name !== 'link');
    return like.type.create(like.attrs, line === '' ? [] : [textOf(line, marks)]);
  });
  edit.put({ ...text, body: docOf(blocks) });
  return edit.diff();
}

/** Lets frames no longer follow their furniture. */
export function partFurniture(document: Document, ids: readonly string[]): Diff {
  const edit = new Edit(document);
  for (const id of ids) edit.put(said({ ...get(document, 'frame', id), piece: undefined }));
  return edit.diff();
}

export function renameFurniture(document: Document, id: string, name: string): Diff {
  const edit = new Edit(document);
  edit.put({ ...get(document, 'furniture', id), name: named(document, name, id) });
  return edit.diff();
}

/** Removes a piece of furniture; what was put on pages of it stays. */
export function removeFurniture(document: Document, id: string): Diff {
  const edit = new Edit(document);
  for (const set of putDown(document, id))
    for (const frame of set) edit.put(said({ ...edit.get('frame', frame.id), piece: undefined }));
  for (const frame of framesOn(document, id)) {
    edit.remove(frame.id);
    const text = textIn(frame);
    if (text !== undefined && edit.has(text)) edit.remove(text);
    if (frame.group !== undefined && edit.has(frame.group)) edit.remove(frame.group);
  }
  edit.remove(id);
  return edit.diff();
}

/**
 * Makes what was changed in one place of a piece of furniture what it is: it follows everywhere else, but for what was filled or
 * changed there. @throws ActionError where the frames are of none
 */
export function intoFurniture(document: Document, ids: readonly string[]): Diff {
  const frames = withCaptions(document, ids).map((id) => get(document, 'frame', id));
  const furniture = frames.map((frame) => furnitureOf(document, frame)).find((each) => each !== undefined);
  if (!furniture) throw new ActionError('They are no furniture.');
  const edit = new Edit(document);
  const whole = around(frames.map(({ box }) => box))!;
  const kept = new Set<string>();
  for (const frame of frames) {
    const part = find(document, 'frame', frame.piece);
    const box = { ...frame.box, x: frame.box.x - whole.x, y: frame.box.y - whole.y };
    if (part?.on === furniture.id) {
      kept.add(part.id);
      edit.put(asPart(edit, frame, part, box));
      continue;
    }
    // What was added to it comes into the furniture too.
    const renamed = renaming();
    lay(edit, document, [frame], { on: furniture.id, by: { x: -whole.x, y: -whole.y }, renamed });
    kept.add(renamed(frame.id));
    edit.put({ ...edit.get('frame', frame.id), piece: renamed(frame.id) });
  }
  for (const part of framesOn(document, furniture.id)) if (!kept.has(part.id)) edit.remove(part.id);
  edit.put({ ...furniture, width: whole.w, height: whole.h });
  followFurniture(edit, document, furniture.id, new Set(frames.map(({ id }) => id)));
  return edit.diff();
}

/** A part of furniture as a copy of it now is; its words are the copy's. */
function asPart(edit: Edit, frame: FrameRecord, part: FrameRecord, box: Box): FrameRecord {
  const [words, own] = [find(edit.document, 'text', textIn(frame)), find(edit.document, 'text', textIn(part))];
  if (words && own && !same(words.body, own.body)) edit.put({ ...own, body: words.body });
  const { id, on, order, group, beside } = part;
  return said({ ...frame, id, on, order, group, beside, box, content: contentOf(frame, part), piece: undefined, of: undefined });
}

/** What a frame shows, with the text of another. */
function contentOf(frame: FrameRecord, own: FrameRecord): FrameRecord['content'] {
  if (frame.content.type !== 'text' || own.content.type !== 'text') return frame.content;
  return { ...frame.content, text: own.content.text, order: own.content.order };
}

/**
 * What was put down of a piece of furniture as it now has to be: what it says otherwise than before, its copies say too, unless
 * they said otherwise themselves.
 *
 * @param before the document in which the copies were right
 * @param except frames that are right already
 */
export function followFurniture(edit: Edit, before: Document, furniture: string, except: ReadonlySet<string> = new Set()): void {
  const now = edit.document;
  const parts = framesOn(now, furniture);
  const was = new Map(framesOn(before, furniture).map((part) => [part.id, part]));
  for (const set of putDown(before, furniture)) {
    if (set.some(({ id }) => except.has(id))) continue;
    const [one] = set;
    const origin = { x: one!.box.x - was.get(one!.piece!)!.box.x, y: one!.box.y - was.get(one!.piece!)!.box.y };
    const copies = new Map(set.map((copy) => [copy.piece!, copy]));
    for (const copy of set) {
      const part = parts.find(({ id }) => id === copy.piece);
      const old = was.get(copy.piece!)!;
      if (!part) edit.remove(copy.id);
      else {
        followWords(edit, before, copy, old, part);
        if (part !== old) edit.put(follows(edit.get('frame', copy.id), old, part));
      }
    }
    const added = parts.filter(({ id }) => !was.has(id) && !copies.has(id));
    if (added.length === 0) continue;
    const renamed = renaming();
    lay(edit, now, added, { on: one!.on, by: origin, renamed, follow: true });
    for (const { id } of added) edit.put(said({ ...edit.get('frame', renamed(id)), group: one!.group }));
  }
}

/** Words that nobody has touched are those of the furniture. */
function followWords(edit: Edit, before: Document, copy: FrameRecord, old: FrameRecord, part: FrameRecord): void {
  const words = (document: Document, frame: FrameRecord): TextRecord | undefined => find(document, 'text', textIn(frame));
  const [own, was, now] = [words(edit.document, copy), words(before, old), words(edit.document, part)];
  if (own && was && now && !same(was.body, now.body) && same(own.body, was.body)) edit.put({ ...own, body: now.body });
}

/** A copy that follows a change of the part it is a copy of. */
function follows(copy: FrameRecord, old: FrameRecord, part: FrameRecord): FrameRecord {
  const here = (of: FrameRecord, box: Box): FrameRecord => {
    const { id, on, order, group, beside, side, piece } = copy;
    return said({ ...of, id, on, order, group, beside, side, piece, box, content: contentOf(of, copy) });
  };
  // It moves by as much as the part did, and is sized as that is, where it was so before.
  const sized = copy.box.w === old.box.w && copy.box.h === old.box.h;
  const box = {
    x: copy.box.x + part.box.x - old.box.x,
    y: copy.box.y + part.box.y - old.box.y,
    w: sized ? part.box.w : copy.box.w,
    h: sized ? part.box.h : copy.box.h,
  };
  const { record } = merged(here(old, box), { ...copy, box }, here(part, box));
  return record;
}
