import { generateNKeysBetween } from 'fractional-indexing';
import type { Box } from '../geometry/box';
import { formatOf, inheritedFrames, placedPage, type PlacedPage } from '../page/pages';
import { flowOf, isFlow, isSlot, type SlotFrame, slotsOn } from '../page/slots';
import type { Diff } from '../records/diff';
import { all, type Document, find, framesOn, get, threadOf } from '../records/document';
import { type SlotContent, type SlotTakes, type TextContent, textLayout, type TextLayout, type Wrap } from '../records/frame';
import type { FrameRecord } from '../records/index';
import { said } from '../records/said';
import { ActionError, Edit, newId, orderAfter, orderBehind } from './edit';
import { NO_WRAP, pageWithGrid, putFrame, standIn, textColumns } from './frames';
import type { Typesetter } from './typesetter';
import { frameKind, textIn } from '../records/kinds/frames';

/** A headline, standfirst or byline is as high as its text; other text fills its frame. */
export const layoutFor = (takes: SlotTakes, columns: number, gutter: number): TextLayout =>
  takes === 'body' || takes === 'flow' ? textLayout({ columns, gutter }) : textLayout({ grows: true, ignoresWraps: true });

export interface PutSlot {
  readonly page: string;
  readonly box: Box;
  readonly takes: SlotTakes;
  /** The set it joins: that of the page's other slots when not said. */
  readonly set?: string;
  readonly name?: string;
}

/** Marks a place for a part of a story. Slots of one page are for one story, unless another set is said. */
export function putSlot(document: Document, { page: id, box, takes, set, name }: PutSlot): Diff {
  const edit = new Edit(document);
  const { page, grid } = pageWithGrid(document, id);
  const others = slotsOn(document, page).filter((frame) => isFlow(frame) === (takes === 'flow'));
  const own = set ?? others.find(({ content }) => content.takes === 'body' || content.takes !== takes)?.content.set ?? newId();
  const mates = all(document, 'frame').filter((frame): frame is SlotFrame => isSlot(frame) && frame.content.set === own);
  const content: SlotContent = {
    type: 'slot',
    takes,
    set: own,
    name: name ?? mates[0]?.content.name ?? (takes === 'flow' ? 'Flow area' : 'Story'),
    order: orderAfter(mates.map((frame) => ({ order: frame.content.order })).sort((a, b) => (a.order < b.order ? -1 : 1))),
    layout: layoutFor(takes, textColumns(grid, page.master, box), grid.gutter),
  };
  putFrame(edit, page.page.id, box, content, NO_WRAP);
  return edit.diff();
}

/** Renames what the slots of a set are for. */
export function nameSlots(document: Document, set: string, name: string): Diff {
  const edit = new Edit(document);
  for (const frame of all(document, 'frame'))
    if (isSlot(frame) && frame.content.set === set) edit.put({ ...frame, content: { ...frame.content, name } });
  return edit.diff();
}

export interface FillSlots {
  readonly story: string;
  readonly page: string;
  readonly set: string;
}

/**
 * Puts a story into the slots of a set: its parts into those that take them, its body through all that take body, in
 * their order. A slot for a part that the story does not have goes. A part that needs more lines than its slot had
 * pushes down what stands under it in the set; a body gives its first lines for that.
 * @throws ActionError when none of the set is there
 */
export function fillSlots(document: Document, { story: id, page: at, set }: FillSlots, typesetter: Typesetter): Diff {
  const edit = new Edit(document);
  const story = find(document, 'story', id);
  const page = placedPage(document, at);
  if (!story || !page) throw new ActionError('That story or page is no longer in the issue.');
  const own = all(document, 'frame').filter(
    (frame) => isSlot(frame) && frame.content.set === set && placedPage(document, frame.on),
  );
  const inherited = inheritedFrames(document, page).filter((frame) => isSlot(frame) && frame.content.set === set);
  const slots = [...own, ...inherited].filter((frame): frame is SlotFrame => isSlot(frame) && !isFlow(frame));
  if (slots.length === 0) throw new ActionError('Those slots have been filled or removed.');
  const number = (frame: FrameRecord) => placedPage(document, frame.on)?.number ?? page.number;
  slots.sort((a, b) => number(a) - number(b) || (a.content.order < b.content.order ? -1 : 1));
  const filled: FrameRecord[] = [];
  for (const slot of slots) {
    const { takes, layout } = slot.content;
    const text = takes === 'flow' ? undefined : story.parts[takes];
    const isOwn = placedPage(document, slot.on) !== undefined;
    const taken = text === undefined || (takes !== 'body' && threadOf(edit.document, text).length > 0);
    if (taken) {
      if (isOwn) edit.remove(slot.id);
      continue;
    }
    filled.push(fill(edit, slot, isOwn ? undefined : page.page.id, text, layout));
  }
  pushDown(edit, filled, typesetter);
  return edit.diff();
}

/** Lines that a body keeps when what stands above it needs room. */
const LEAST_BODY_LINES = 3;

/** Points that a part may reach below its slot before anything moves: descenders do. */
const GIVE = 3;

/** Makes room under the parts of a set that are higher than their slots, as far as the set has lines to give. */
function pushDown(edit: Edit, filled: readonly FrameRecord[], typesetter: Typesetter): void {
  const growing = filled.filter(({ content }) => content.type === 'text' && content.grows).sort((a, b) => a.box.y - b.box.y);
  for (const { id, on } of growing) {
    const part = get(edit.document, 'frame', id);
    const grown = typesetter.compose(edit.document).grown.get(id);
    if (!grown || grown.h <= part.box.h + GIVE) continue;
    const { step } = formatOf(edit.document).baseline;
    const bodies = filled.flatMap((each) => {
      const own = get(edit.document, 'frame', each.id);
      return own.on === on && own.content.type === 'text' && !own.content.grows && own.box.y >= part.box.y ? [own] : [];
    });
    const foot = part.box.y + part.box.h;
    const end = Math.max(foot, ...bodies.map(({ box }) => box.y + box.h));
    const beneath = framesOn(edit.document, on).filter(
      ({ id: other, box }) =>
        other !== id &&
        box.y >= foot - step / 2 &&
        box.y + box.h <= end + step / 2 &&
        box.x < part.box.x + part.box.w &&
        box.x + box.w > part.box.x,
    );
    const bodyIds = new Set(bodies.map((body) => body.id));
    const spare = Math.min(...bodies.map(({ box }) => Math.max(0, Math.floor(box.h / step + 0.01) - LEAST_BODY_LINES)), Infinity);
    const by = Math.min(Math.ceil((grown.h - part.box.h) / step - 0.01), spare) * step;
    if (!(by > 0) || by === Infinity) continue;
    for (const frame of beneath) {
      const { box } = frame;
      edit.put({ ...frame, box: { ...box, y: box.y + by, h: bodyIds.has(frame.id) ? box.h - by : box.h } });
    }
  }
}

/**
 * Says that a part of a set that was just filled is still higher than the room it has; undefined where each has its room.
 *
 * @param filled ids of the frames that its slots became
 */
export function crowdedWords(document: Document, filled: readonly string[], typesetter: Typesetter): string | undefined {
  const { grown } = typesetter.compose(document);
  for (const id of filled) {
    const part = find(document, 'frame', id);
    const own = grown.get(id);
    if (!part || !own) continue;
    const foot = own.y + own.h - GIVE;
    const { height } = formatOf(document);
    const under = framesOn(document, part.on).find(
      ({ id: other, box, content }) =>
        other !== id &&
        !frameKind(content).isGround &&
        box.y > part.box.y &&
        box.y < foot &&
        box.x < own.x + own.w &&
        box.x + box.w > own.x,
    );
    if (!under && foot <= height) continue;
    const text = find(document, 'text', textIn(part));
    const what = text?.role === 'standfirst' || text?.role === 'byline' ? text.role : 'headline';
    return `The ${what} needs more lines than there is room for above what stands under it. Shorten it, or make room below.`;
  }
  return undefined;
}

/** Puts a text's next frame in the place of a slot: the slot's own frame, or one on the page that stands in for a master's. */
function fill(edit: Edit, slot: SlotFrame, page: string | undefined, text: string, layout: TextLayout): FrameRecord {
  const content = { ...layout, type: 'text' as const, text, order: behindThread(edit.document, text) };
  // A part that grows keeps the text beneath away also when it is reworded later.
  const wrap: Wrap = layout.grows && slot.wrap.mode === 'none' ? { mode: 'frame', standOff: 0, outline: 'shape' } : slot.wrap;
  if (page === undefined) return edit.put<FrameRecord>({ ...slot, content, wrap });
  return edit.put(standIn(slot, page, { order: orderAfter(framesOn(edit.document, page)), content, wrap }));
}

/** Places of a text's frames in its thread. */
export const places = (document: Document, text: string): { order: string }[] =>
  threadOf(document, text).map((frame) => ({ order: orderOf(frame) }));

function behindThread(document: Document, text: string): string {
  const list = places(document, text);
  return orderBehind(list, list.length - 1);
}

/**
 * Lets the text that runs through a page's flow area run through that of another master instead. Frames of the old area
 * go, those of the new one take the text at the same place of its thread; whatever finds no room is overset, and lost is
 * nothing.
 *
 * @param document before the pages of the edit were given another master; @param now the page on its new master
 * @returns ids of the frames it has seen to
 */
export function pourAnew(edit: Edit, document: Document, before: PlacedPage, now: PlacedPage): ReadonlySet<string> {
  const old = new Map(flowOf(document, before).map((frame) => [frame.id, frame]));
  const poured = framesOn(document, now.page.id).filter((frame) => frame.of !== undefined && old.has(frame.of));
  const was = poured[0]?.content;
  const areas = was?.type === 'text' ? flowOf(document, now) : [];
  if (was?.type !== 'text' || areas.length === 0) return new Set();
  const thread = threadOf(document, was.text);
  const own = thread.filter((frame) => poured.includes(frame));
  const next = thread[thread.indexOf(own.at(-1)!) + 1];
  const orders = own.slice(0, areas.length).map(orderOf);
  const more = Math.max(0, areas.length - own.length);
  orders.push(...generateNKeysBetween(orderOf(own.at(-1)!), next ? orderOf(next) : null, more));
  // A headline above the first of the old frames is above the first of the new ones too.
  const cut = Math.max(0, own[0]!.box.y - old.get(own[0]!.of!)!.box.y);
  for (const frame of own.slice(areas.length)) edit.remove(frame.id);
  const jumps = said({ jumpTo: was.jumpTo, jumpFrom: was.jumpFrom });
  return new Set(
    areas.map((area, i) => {
      const whole = i > 0 || cut === 0 || cut >= area.box.h;
      const box = whole ? area.box : { ...area.box, y: area.box.y + cut, h: area.box.h - cut };
      const content: TextContent = { ...area.content.layout, ...jumps, type: 'text', text: was.text, order: orders[i]! };
      return edit.put(pouredFrame(area, now.page.id, box, content, own[i]?.id)).id;
    }),
  );
}

const orderOf = ({ content }: FrameRecord): string => (content.type === 'text' ? content.order : '');

/** The frame on a page through which text runs in the place of a flow area's. Only a whole one keeps its form. */
export function pouredFrame(area: SlotFrame, page: string, box: Box, content: FrameRecord['content'], id = newId()): FrameRecord {
  const { shape, rotation, ...plain } = area;
  const form = box.h === area.box.h ? said({ shape, rotation }) : {};
  return standIn(plain, page, { ...form, id, box, content });
}
