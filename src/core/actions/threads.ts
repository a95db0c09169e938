import type { Node } from 'prosemirror-model';
import { Transform } from 'prosemirror-transform';
import { positionOf, type TextPlace } from '../editing/places';
import { placedPage } from '../page/pages';
import { docOf, fieldOf, fieldsOf, paragraphOf, paragraphsOf, plainText, textOf } from '../records/body';
import type { Diff } from '../records/diff';
import { all, type Document, find, get, threadOf } from '../records/document';
import type { TextContent } from '../records/frame';
import type { FrameRecord, TextRecord } from '../records/index';
import { said } from '../records/said';
import type { FieldName } from '../records/text';
import { ActionError, Edit, newId, orderBehind } from './edit';
import { places } from './slots';
import { inOwnStyles } from './styles';

/** A frame that shows part of a text. @throws ActionError when it shows none */
function textFrame(document: Document, id: string): FrameRecord & { readonly content: TextContent } {
  const frame = get(document, 'frame', id);
  if (frame.content.type !== 'text') throw new ActionError('That frame shows no text.');
  return frame as FrameRecord & { readonly content: TextContent };
}

const alone = (content: TextContent, text: string): TextContent =>
  said({ ...content, text, order: 'a0', jumpTo: undefined, jumpFrom: undefined });

/** An empty text of its own, in the style that another begins in. */
function putEmpty(edit: Edit, like: TextRecord): TextRecord {
  const style = paragraphsOf(like.body)[0]?.attrs['style'] as string;
  const body = docOf([paragraphOf({ style })]);
  return edit.put<TextRecord>(inOwnStyles(edit.document, { id: newId(), kind: 'text', role: 'furniture', body }));
}

/** Takes a frame out of its thread: its text moves on, and it stands there empty, to be written in or filled. */
export function takeOut(document: Document, id: string): Diff {
  const edit = new Edit(document);
  const frame = textFrame(document, id);
  if (threadOf(document, frame.content.text).length < 2) throw new ActionError('It is the only frame of its text.');
  const { text } = frame.content;
  edit.put({ ...frame, content: alone(frame.content, putEmpty(edit, get(document, 'text', text)).id) });
  withJumps(edit, text);
  return edit.diff();
}

/** What a frame shows of its text: from its first place to where the next frame begins; to the end, in the last. */
export interface SplitOff {
  readonly frame: string;
  readonly from: TextPlace;
  readonly to?: TextPlace | undefined;
}

/** Splits a frame off its thread with what it shows, which becomes a text of its own; what came before and behind it joins up. */
export function splitOff(document: Document, { frame: id, from, to }: SplitOff): Diff {
  const edit = new Edit(document);
  const frame = textFrame(document, id);
  const text = get(document, 'text', frame.content.text);
  if (threadOf(document, text.id).length < 2) throw new ActionError('It is the only frame of its text.');
  const start = positionOf(text.body, from);
  const end = to ? positionOf(text.body, to) : text.body.content.size;
  const own = edit.put<TextRecord>({ id: newId(), kind: 'text', role: 'furniture', body: text.body.cut(start, end) });
  const rest = new Transform(text.body).delete(start, end).doc;
  edit.put<TextRecord>({ ...text, body: rest });
  edit.put({ ...frame, content: alone(frame.content, own.id) });
  withJumps(edit, text.id);
  return edit.diff();
}

/** Whether a frame waits for words: the only one of a text that has none. */
export function isEmptyFrame(document: Document, { content }: FrameRecord): boolean {
  if (content.type !== 'text') return false;
  const body = find(document, 'text', content.text)?.body;
  return (
    body !== undefined &&
    threadOf(document, content.text).length === 1 &&
    paragraphsOf(body).every((node) => plainText(node) === '')
  );
}

export interface JoinThread {
  readonly frame: string;
  readonly text: string;
}

/** Lets a text go on in a frame that stands empty. @throws ActionError when it has words of its own */
export function joinThread(document: Document, { frame: id, text }: JoinThread): Diff {
  const edit = new Edit(document);
  const frame = textFrame(document, id);
  if (!isEmptyFrame(document, frame))
    throw new ActionError('That frame has a text of its own. Remove its text first, or choose an empty frame.');
  const thread = places(document, text);
  edit.put({ ...frame, content: { ...frame.content, text, order: orderBehind(thread, thread.length - 1) } });
  const before = get(document, 'text', frame.content.text);
  if (before.story === undefined && before.id !== text) edit.remove(before.id);
  withJumps(edit, text);
  return edit.diff();
}

/** The texts that jump lines of a document say, where it has such: those that belong to no frame and hold the page. */
interface JumpTexts {
  readonly to: string;
  readonly from: string;
}

function jumpTextsOf(document: Document): JumpTexts | undefined {
  const saying = (name: FieldName) =>
    all(document, 'text').find(
      ({ id, role, story, body }) =>
        role === 'furniture' &&
        story === undefined &&
        threadOf(document, id).length === 0 &&
        paragraphsOf(body).some((node) => fieldsOf(node).some((field) => field.name === name)),
    );
  const [to, from] = [saying('nextFolio'), saying('previousFolio')];
  return to && from && { to: to.id, from: from.id };
}

/** What jump lines say where nothing else is said (common practice). */
const words = (style: string, say: string, name: FieldName): Node =>
  docOf([paragraphOf({ style }, [textOf(say), fieldOf({ name })])]);

export const jumpBodies = (style: string): { readonly to: Node; readonly from: Node } => ({
  to: words(style, 'Continued on page ', 'nextFolio'),
  from: words(style, 'From page ', 'previousFolio'),
});

function putJumpTexts(edit: Edit): JumpTexts {
  const known = jumpTextsOf(edit.document);
  if (known) return known;
  const { to, from } = jumpBodies(find(edit.document, 'paragraphStyle', 'jumpLine') ? 'jumpLine' : 'caption');
  const put = (body: Node) =>
    edit.put<TextRecord>(inOwnStyles(edit.document, { id: newId(), kind: 'text', role: 'furniture', body })).id;
  return { to: put(to), from: put(from) };
}

/** Pairs of frames between which a text goes on on a page that does not follow: where a reader has to be told. */
function jumpsOf(document: Document, text: string): [FrameRecord, FrameRecord][] {
  const thread = threadOf(document, text);
  return thread.slice(1).flatMap((next, i): [FrameRecord, FrameRecord][] => {
    const before = thread[i]!;
    const [from, to] = [placedPage(document, before.on), placedPage(document, next.on)];
    return from && to && to.number !== from.number && to.number !== from.number + 1 ? [[before, next]] : [];
  });
}

/** Whether a text says where it goes on, as far as it jumps; undefined where it does not jump. */
export function hasJumpLines(document: Document, text: string): boolean | undefined {
  const jumps = jumpsOf(document, text);
  if (jumps.length === 0) return undefined;
  return jumps.some(([{ content }]) => content.type === 'text' && content.jumpTo !== undefined);
}

/** Puts jump lines where a text jumps, or takes all of its jump lines away. */
export function setJumpLines(document: Document, text: string, on: boolean): Diff {
  const edit = new Edit(document);
  putJumps(edit, text, on ? putJumpTexts(edit) : undefined);
  return edit.diff();
}

/**
 * Makes the jump lines that a change of a thread asks for: in a house that has them, with every jump; not in a text that
 * jumped before and was told to go without.
 *
 * @param jumped whether it did before the change, and had jump lines
 */
export function withJumps(edit: Edit, text: string, jumped?: boolean): void {
  const texts = jumpTextsOf(edit.document);
  if (jumped === false || (!texts && jumped !== true)) return;
  putJumps(edit, text, texts ?? putJumpTexts(edit));
}

function putJumps(edit: Edit, text: string, texts: JumpTexts | undefined): void {
  const jumps = texts ? jumpsOf(edit.document, text) : [];
  const [from, to] = [new Set(jumps.map(([each]) => each.id)), new Set(jumps.map(([, each]) => each.id))];
  for (const frame of threadOf(edit.document, text)) {
    if (frame.content.type !== 'text') continue;
    const { jumpTo, jumpFrom } = frame.content;
    const next = said({
      ...frame.content,
      jumpTo: from.has(frame.id) ? (jumpTo ?? texts?.to) : undefined,
      jumpFrom: to.has(frame.id) ? (jumpFrom ?? texts?.from) : undefined,
    });
    edit.put({ ...frame, content: next });
  }
}
