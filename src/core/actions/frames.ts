import { generateKeyBetween } from 'fractional-indexing';
import type { Box } from '../geometry/box';
import type { Outline } from '../geometry/outline';
import { finished } from '../page/finished';
import { said } from '../records/said';
import { withCaptions } from '../page/beside';
import { columnAt, pageGrid, type PageGrid } from '../page/grid';
import { formatOf, placedPage, type PlacedPage } from '../page/pages';
import { keptCrop } from '../pictures/placing';
import { LAYOUT, layoutChange, type LayoutValues, WRAP } from '../properties/frame';
import { changeProblem } from '../properties/limits';
import type { Diff } from '../records/diff';
import { type Document, find, framesOn, get, threadOf } from '../records/document';
import { type FrameContent, sidesOf, type TextContent, textContent, type TextLayout, type Wrap } from '../records/frame';
import type { FrameRecord } from '../records/index';
import type { TextRole } from '../records/text';
import { ActionError, Edit, newId, orderAfter, orderBehind } from './edit';
import { saysItself } from './finishes';
import { dissolveIfAlone } from './groups';
import { frameKind, frameName, layoutOf, withLayout } from '../records/kinds/frames';

export const NO_WRAP: Wrap = { mode: 'none', standOff: 0, outline: 'alpha' };

/** Content of a frame that is as high as its text and does not wrap: a headline, a caption, a pull quote. */
export const growingText = (text: string, order = 'a0'): TextContent =>
  textContent(text, order, { grows: true, ignoresWraps: true });

/** A thousandth of a shape is no other shape. */
const HAIR = 0.001;

/** The smallest frame that can still be taken hold of, points. */
export const LEAST_SIDE = 4;

/** A page with its grid. @throws ActionError when it is gone */
export function pageWithGrid(document: Document, id: string): { page: PlacedPage; grid: PageGrid } {
  const page = placedPage(document, id);
  if (!page) throw new ActionError('That page is no longer in the issue.');
  return { page, grid: pageGrid(formatOf(document), page.master, page.side) };
}

/** Adds a frame on top of what lies on its page. */
export function putFrame(
  edit: Edit,
  on: string,
  box: Box,
  content: FrameContent,
  wrap: Wrap = NO_WRAP,
  more: Partial<FrameRecord> = {},
): FrameRecord {
  if (box.w < LEAST_SIDE && box.h < LEAST_SIDE) throw new ActionError('That stretch is too small for a frame.');
  return edit.put<FrameRecord>({
    id: newId(),
    kind: 'frame',
    on,
    side: 'both',
    box,
    order: orderAfter(framesOn(edit.document, on)),
    content,
    wrap,
    ...more,
  });
}

/** A frame on a page that stands in the place of one of its master's: parted from it, or filling its slot. */
export const standIn = (frame: FrameRecord, page: string, more: Partial<FrameRecord> = {}): FrameRecord => ({
  ...frame,
  id: newId(),
  on: page,
  side: 'both',
  of: frame.id,
  ...more,
});

/** How many columns of text a box over `span` grid columns is set in, by the house's measure. */
export function textColumns(grid: PageGrid, master: { textSpan: number }, box: Box): number {
  // A hair inside, so that a box that ends at a column's edge does not reach for the next.
  const span = columnAt(grid, box.x + box.w - 0.01) - columnAt(grid, box.x + 0.01) + 1;
  return Math.max(1, Math.floor(span / master.textSpan));
}

/** Where a frame is to lie: on which page, and where there. */
export interface Place {
  readonly on: string;
  readonly box: Box;
}

/** @throws ActionError where a frame is locked */
function checkFree(document: Document, frame: FrameRecord): void {
  if (frame.locked) throw new ActionError(`“${frameName(document, frame)}” is locked. Unlock it in the list of its page.`);
  const layer = find(document, 'layer', frame.layer);
  if (layer?.locked) throw new ActionError(`“${frameName(document, frame)}” lies on the layer “${layer.name}”, which is locked.`);
}

/** Names frames, locks and hides them; what is given as undefined is taken off. */
export function markFrames(
  document: Document,
  ids: readonly string[],
  marks: Partial<Pick<FrameRecord, 'name' | 'locked' | 'hidden'>>,
): Diff {
  const edit = new Edit(document);
  for (const id of ids) edit.put(said({ ...get(document, 'frame', id), ...marks }));
  return edit.diff();
}

/** Puts a frame right above or below another of its page. */
export function restack(document: Document, id: string, other: string, where: 'above' | 'below'): Diff {
  const edit = new Edit(document);
  const frame = get(document, 'frame', id);
  const others = framesOn(document, frame.on).filter((each) => each.id !== id);
  const index = others.findIndex((each) => each.id === other);
  if (index < 0) throw new ActionError('Only frames of one page lie above one another.');
  edit.put({ ...frame, order: orderBehind(others, where === 'above' ? index : index - 1) });
  return edit.diff();
}

/** Moves and sizes frames. A frame that comes to another page lies on top there. @throws ActionError when a box is too small to be seen */
export function placeFrames(document: Document, places: ReadonlyMap<string, Place>): Diff {
  const edit = new Edit(document);
  /** The uppermost places of the pages that frames come to. */
  const tops = new Map<string, string>();
  for (const [id, { on, box }] of places) {
    const frame = get(document, 'frame', id);
    checkFree(document, frame);
    const thin = frameKind(frame.content).isThin;
    if (box.w < LEAST_SIDE || (box.h < LEAST_SIDE && !thin))
      throw new ActionError('A frame must be at least 4 pt wide and high.');
    const layout = layoutOf(frame.content);
    // A frame that has no room for its columns already may become wider by any step.
    if (layout && box.w < frame.box.w) checkColumns(box, layout);
    const content = cropKept(document, frame, box);
    if (on !== frame.on) {
      pageWithGrid(document, on);
      const top = tops.get(on);
      const order = top === undefined ? orderAfter(framesOn(document, on)) : generateKeyBetween(top, null);
      tops.set(on, order);
      edit.put({ ...frame, content, on, box, order });
    } else edit.put({ ...frame, content, box });
  }
  return edit.diff();
}

/**
 * What a frame shows when a side of it is pulled: a picture that a hand has laid stays where it lies, and more or less of it is
 * seen. In a frame that keeps its shape it grows and shrinks along.
 */
function cropKept(document: Document, { box: from, content }: FrameRecord, to: Box): FrameContent {
  if (content.type !== 'picture' || content.fit !== 'own' || (from.w === to.w && from.h === to.h)) return content;
  if (Math.abs(from.w * to.h - from.h * to.w) < HAIR * from.w * from.h) return content;
  const picture = find(document, 'picture', content.picture);
  return picture ? { ...content, ...keptCrop(from, to, picture, content) } : content;
}

export function setWrap(document: Document, ids: readonly string[], wrap: Partial<Wrap>): Diff {
  const edit = new Edit(document);
  const wrong = changeProblem(WRAP, wrap);
  if (wrong) throw new ActionError(wrong);
  for (const id of ids) {
    const frame = get(document, 'frame', id);
    const before = finished(document, frame).wrap;
    edit.put({ ...frame, wrap: withOutline(document, frame, { ...before, ...wrap }), ...saysItself(frame, { wrap }) });
  }
  return edit.diff();
}

/** Mends the outline that text runs around; undefined takes the mending back. */
export function setOutline(document: Document, id: string, outline: Outline | undefined): Diff {
  const edit = new Edit(document);
  const frame = get(document, 'frame', id);
  const { wrap } = finished(document, frame);
  const runs = wrap.mode === 'outline' || !outline ? {} : { wrap: { ...wrap, mode: 'outline' as const } };
  edit.put(said({ ...frame, ...runs, ...saysItself(frame, runs), outline }));
  return edit.diff();
}

/** A wrap along an outline that the frame has. @throws ActionError when it has none */
function withOutline(document: Document, { content }: FrameRecord, wrap: Wrap): Wrap {
  if (wrap.mode !== 'outline' || wrap.outline === 'shape') return wrap;
  const kind = frameKind(content);
  const has = kind.outlines?.(content, document) ?? [];
  if (has.includes(wrap.outline)) return wrap;
  if (wrap.outline === 'glyphs') throw new ActionError('Only a text has letters to run around.');
  if (!kind.picture || !kind.outlines) return { ...wrap, outline: 'shape' };
  if (has.length === 0)
    throw new ActionError('This picture has no outline: it has no transparency, and its background is not plain.');
  return { ...wrap, outline: has[0]! };
}

/** Sets how texts stand in their frames. @throws ActionError when their columns would have no width */
export function setTextLayout(document: Document, ids: readonly string[], values: Partial<LayoutValues>): Diff {
  const edit = new Edit(document);
  const wrong = changeProblem(LAYOUT, values);
  if (wrong) throw new ActionError(wrong);
  const layout = layoutChange(values);
  for (const id of ids) {
    const frame = get(document, 'frame', id);
    const before = layoutOf(frame.content);
    if (!before) throw new ActionError('Only a text frame has columns.');
    const content: TextLayout = { ...before, ...layout };
    checkColumns(frame.box, content);
    const inset = sidesOf(content.inset);
    const down = (content.turns ?? 0) % 2 === 1 ? frame.box.w : frame.box.h;
    if (!content.grows && down - inset.top - inset.bottom < LEAST_SIDE)
      throw new ActionError('The insets would leave the text no height.');
    edit.put({ ...withLayout(frame, layout), ...('inset' in layout ? saysItself(frame, { inset: layout.inset }) : {}) });
  }
  return edit.diff();
}

/** @throws ActionError when a frame of that size leaves the columns of its text no width */
function checkColumns(box: Box, { columns, gutter, inset: lengths, turns }: TextLayout): void {
  const inset = sidesOf(lengths);
  const across = (turns ?? 0) % 2 === 1 ? box.h : box.w;
  if (across - inset.left - inset.right - gutter * (columns - 1) < columns * LEAST_SIDE)
    throw new ActionError('Gutters and insets would leave the columns no width.');
}

/**
 * Takes frames off their pages, pictures with their captions. The text they showed stays in its story and moves on along the thread; a quote or
 * caption that has no other frame goes with its frame.
 */
export function removeFrames(document: Document, ids: readonly string[]): Diff {
  const edit = new Edit(document);
  for (const id of withCaptions(document, ids)) {
    const frame = edit.get('frame', id);
    checkFree(document, frame);
    edit.remove(id);
    if (frame.group !== undefined) dissolveIfAlone(edit, frame.group);
    if (frame.content.type !== 'text') continue;
    const text = find(edit.document, 'text', frame.content.text);
    const alone = threadOf(edit.document, frame.content.text).length === 0;
    if (text && alone && (GOES_ALONG.has(text.role) || (text.role !== 'body' && text.story === undefined))) edit.remove(text.id);
  }
  return edit.diff();
}

/** Texts that are nothing without their frame. */
const GOES_ALONG: ReadonlySet<TextRole> = new Set(['quote', 'furniture', 'caption', 'credit']);

/** Puts frames above or below the others of their page. */
export function stack(document: Document, id: string, where: 'front' | 'back'): Diff {
  const edit = new Edit(document);
  const frame = get(document, 'frame', id);
  const others = framesOn(document, frame.on).filter((each) => each.id !== id);
  const first = others[0];
  const order = where === 'front' ? orderAfter(others) : first ? generateKeyBetween(null, first.order) : frame.order;
  edit.put({ ...frame, order });
  return edit.diff();
}
