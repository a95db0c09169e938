import type { Node } from 'prosemirror-model';
import type { Box } from '../geometry/box';
import { pageGrid } from '../page/grid';
import { flowOf, type SlotFrame } from '../page/slots';
import { formatOf, placedPage, placedPages, type PlacedPage } from '../page/pages';
import type { Diff } from '../records/diff';
import { all, type Document, find, framesOn, get, threadOf } from '../records/document';
import type { FrameRecord, StoryRecord, TextRecord } from '../records/index';
import { type TextContent, textContent } from '../records/frame';
import type { TextRole } from '../records/text';
import { type Difference, taken } from '../editing/comparing';
import { bodyText, checkBody, plainBody } from '../records/body';
import { said } from '../records/said';
import type { StoryState } from '../records/story';
import { isDay } from '../records/day';
import { ActionError, Edit, freeName, newId, orderAfter, orderBehind } from './edit';
import { type NewPicture, putPicture } from './pictures';
import { growingText, NO_WRAP, pageWithGrid, putFrame, textColumns } from './frames';
import { putPages } from './pages';
import { places, pouredFrame } from './slots';
import { inOwnStyles } from './styles';
import { hasJumpLines, withJumps } from './threads';
import type { Typesetter } from './typesetter';

/** Number of tints that tell stories apart. */
const TINTS = 8;

export interface NewStory {
  readonly name: string;
  readonly section?: string;
  readonly headline: string;
  readonly standfirst?: string;
  readonly byline?: string;
  readonly body: Node;
  /** The file it came in. */
  readonly file?: string | undefined;
  /** What is said of it at the desk. */
  readonly notes?: string | undefined;
}

/** Adds a story, its texts and the pictures that came with it to the issue; they lie in the tray until they are placed. */
export function bringInStory(document: Document, story: NewStory, pictures: readonly NewPicture[] = [], id = newId()): Diff {
  const edit = new Edit(document);
  putStory(edit, story, id);
  for (const picture of pictures) putPicture(edit, { ...picture, story: id });
  return edit.diff();
}

export function putStory(edit: Edit, story: NewStory, id: string = newId()): StoryRecord {
  checkBody(story.body);
  const stories = all(edit.document, 'story');
  const part = (role: TextRole, body: Node): string =>
    edit.put<TextRecord>(inOwnStyles(edit.document, { id: `${id}-${role}`, kind: 'text', role, story: id, body })).id;
  return edit.put<StoryRecord>({
    id,
    kind: 'story',
    // Two stories of one name are told apart by a number, in the tray and wherever a story is named; a headline has none.
    name: freeName(stories, story.name),
    section: story.section ?? '',
    order: orderAfter(stories),
    tint: stories.length % TINTS,
    ...(story.file ? { file: story.file, state: 'delivered' as const } : {}),
    ...(story.notes ? { notes: story.notes } : {}),
    parts: {
      headline: part('headline', plainBody('headline', story.headline)),
      ...(story.standfirst ? { standfirst: part('standfirst', plainBody('standfirst', story.standfirst)) } : {}),
      ...(story.byline ? { byline: part('byline', plainBody('byline', story.byline)) } : {}),
      body: part('body', story.body),
    },
  });
}

/** What is known of a story before there is copy. */
export interface StoryPlan {
  readonly name: string;
  readonly section: string;
  readonly state?: StoryState | undefined;
  readonly due?: string | undefined;
  readonly target?: number | undefined;
  readonly writer?: string | undefined;
  readonly notes?: string | undefined;
}

/** Plans a story whose copy is still to come: it has a name and parts that are empty. @throws ActionError */
export function planStory(document: Document, plan: StoryPlan): Diff {
  const edit = new Edit(document);
  checkPlan(plan);
  const story = putStory(edit, {
    name: plan.name.trim(),
    section: plan.section.trim(),
    headline: plan.name.trim(),
    body: plainBody('body'),
  });
  edit.put<StoryRecord>(said({ ...story, state: plan.state, due: plan.due, target: plan.target }));
  return edit.diff();
}

/** Whether a story is planned and no copy has come for it. */
export function waitsForCopy(document: Document, { file, parts }: StoryRecord): boolean {
  return file === undefined && bodyText(get(document, 'text', parts.body).body).trim() === '';
}

/** The planned story that copy of this name is for, whichever way it is written; undefined where none waits for it. */
export function plannedFor(document: Document, name: string): StoryRecord | undefined {
  const plain = (words: string) => words.trim().toLocaleLowerCase();
  return all(document, 'story').find((story) => plain(story.name) === plain(name) && waitsForCopy(document, story));
}

/**
 * Gives a planned story its copy and the pictures that came with it: its name, section, day and place stay. A headline that
 * somebody has written meanwhile stays too.
 */
export function deliverStory(document: Document, id: string, copy: NewStory, pictures: readonly NewPicture[] = []): Diff {
  checkBody(copy.body);
  const edit = new Edit(document);
  const story = get(document, 'story', id);
  const write = (role: keyof StoryRecord['parts'], body: Node): string => {
    const before = find(document, 'text', story.parts[role] ?? '');
    return edit.put<TextRecord>(
      inOwnStyles(document, before ? { ...before, body } : { id: `${id}-${role}`, kind: 'text', role, story: id, body }),
    ).id;
  };
  const headline = get(document, 'text', story.parts.headline);
  if (bodyText(headline.body).trim() === story.name) write('headline', plainBody('headline', copy.headline));
  edit.put<StoryRecord>({
    ...story,
    state: 'delivered',
    ...(copy.file ? { file: copy.file } : {}),
    ...(copy.notes && !story.notes ? { notes: copy.notes } : {}),
    parts: {
      ...story.parts,
      ...(copy.standfirst ? { standfirst: write('standfirst', plainBody('standfirst', copy.standfirst)) } : {}),
      ...(copy.byline ? { byline: write('byline', plainBody('byline', copy.byline)) } : {}),
      body: write('body', copy.body),
    },
  });
  for (const picture of pictures) putPicture(edit, { ...picture, story: id });
  return edit.diff();
}

/** Changes what is known of a story. @throws ActionError */
export function setStory(document: Document, id: string, changes: Partial<StoryPlan>): Diff {
  const edit = new Edit(document);
  const story = get(document, 'story', id);
  const next = said({ ...story, ...changes });
  checkPlan(next);
  const others = all(document, 'story').filter((other) => other.id !== id);
  edit.put(changes.name === undefined ? next : { ...next, name: freeName(others, next.name) });
  return edit.diff();
}

/** Changes the same of several stories. @throws ActionError */
export function setStories(document: Document, ids: readonly string[], changes: Partial<Omit<StoryPlan, 'name'>>): Diff {
  const edit = new Edit(document);
  for (const id of ids) edit.take(setStory(edit.document, id, changes));
  return edit.diff();
}

/** Takes stories out of the issue, with their texts and the frames that show them. */
export function removeStories(document: Document, ids: readonly string[]): Diff {
  const edit = new Edit(document);
  for (const id of ids) edit.remove(id);
  return edit.diff();
}

/** Adds a part that a story does not have yet, empty. */
export function addPart(document: Document, id: string, role: 'standfirst' | 'byline'): Diff {
  const edit = new Edit(document);
  const story = get(document, 'story', id);
  if (story.parts[role]) return edit.diff();
  const text = edit.put<TextRecord>(inOwnStyles(document, { id: newId(), kind: 'text', role, story: id, body: plainBody(role) }));
  edit.put<StoryRecord>({ ...story, parts: { ...story.parts, [role]: text.id } });
  return edit.diff();
}

/** Takes over what a file says otherwise that a story came from. */
export function updateStory(document: Document, id: string, differences: readonly Difference[]): Diff {
  const edit = new Edit(document);
  const text = get(document, 'text', get(document, 'story', id).parts.body);
  edit.put<TextRecord>(inOwnStyles(document, { ...text, body: taken(text.body, differences) }));
  return edit.diff();
}

function checkPlan({ name, due, target }: Pick<StoryPlan, 'name' | 'due' | 'target'>): void {
  if (!name.trim()) throw new ActionError('A story needs a name.');
  if (due !== undefined && !isDay(due)) throw new ActionError('That date does not exist.');
  if (target !== undefined && !(Number.isInteger(target) && target >= 1 && target <= 1_000_000))
    throw new ActionError('A story is planned at 1 to 1,000,000 words.');
}

export interface PlaceStory {
  readonly story: string;
  readonly page: string;
  readonly box: Box;
  /** The part of the page's flow area that it is poured into, where `box` is that part's. */
  readonly flow?: string | undefined;
  /** Go on in new pages until all of it is shown. */
  readonly allPages: boolean;
}

/** Share of a line that is left at least between the parts of a story. */
const LEAST_GAP = 0.3;

/** Lines of body that must be left under a headline for the stretch to count as large enough. */
const LEAST_BODY_LINES = 3;

/**
 * Puts a story on a page: its headline, standfirst and byline where they have no frame yet, each as high as its
 * text, and under them the body in the columns of the house. A story whose body runs already goes on here.
 *
 * @throws ActionError when the stretch is too small
 */
export function placeStory(document: Document, intent: PlaceStory, typesetter: Typesetter): Diff {
  const edit = new Edit(document);
  const story = find(document, 'story', intent.story);
  if (!story) throw new ActionError('That story is no longer in the issue.');
  const { page, grid } = pageWithGrid(document, intent.page);
  let { y } = intent.box;
  const { x, w } = intent.box;
  const foot = y + intent.box.h;
  const begun = threadOf(document, story.parts.body).length > 0;
  const jumped = hasJumpLines(document, story.parts.body);
  for (const id of [story.parts.headline, story.parts.standfirst, story.parts.byline]) {
    if (!id || begun || threadOf(document, id).length > 0) continue;
    const frame = putFrame(edit, page.page.id, { x, y, w, h: grid.step }, growingText(id, orderAfter(places(edit.document, id))));
    const box = typesetter.compose(edit.document).grown.get(frame.id)!;
    edit.put({ ...frame, box });
    // The next part begins on the next line of the grid, and never so close that the two seem one.
    y = nextLine(grid.first, grid.step, box.y + box.h + LEAST_GAP * grid.step);
  }
  if (foot - y < LEAST_BODY_LINES * grid.step - 0.01) {
    throw new ActionError('That stretch is too small: under the headline there is no room for three lines of text.');
  }
  const box = { x, y, w, h: foot - y };
  const area = flowOf(document, page).find(({ id }) => id === intent.flow);
  let frame: FrameRecord;
  if (area) {
    frame = pour(edit, story.parts.body, area, page.page.id, box);
    for (const next of flowOf(document, page)) {
      if (next.content.order > area.content.order && waits(edit.document, page, next))
        frame = pour(edit, story.parts.body, next, page.page.id, next.box, frame.id);
    }
  } else frame = putBody(edit, story.parts.body, page.page.id, box, textColumns(grid, page.master, box), grid.gutter);
  withJumps(edit, story.parts.body, jumped);
  if (intent.allPages) flow(edit, story.parts.body, frame, typesetter);
  return edit.diff();
}

function nextLine(first: number, step: number, y: number): number {
  return first - step + Math.ceil((y - (first - step)) / step - 1e-6) * step;
}

function putBody(
  edit: Edit,
  text: string,
  page: string,
  box: Box,
  columns: number,
  gutter: number,
  behind?: string,
): FrameRecord {
  const thread = threadOf(edit.document, text);
  const index = behind === undefined ? thread.length - 1 : thread.findIndex((frame) => frame.id === behind);
  const order = orderBehind(places(edit.document, text), index);
  // A frame that goes on with a text is divided and set as the one before it.
  const before = thread[index]?.content;
  const taken =
    before?.type === 'text' && !before.grows
      ? said({ ...before, jumpTo: undefined, jumpFrom: undefined })
      : textContent(text, order);
  return putFrame(edit, page, box, { ...taken, text, order, columns, gutter: taken.gutter || gutter }, NO_WRAP);
}

/** Whether a slot of a page's master is still to be filled there. */
const waits = (document: Document, page: PlacedPage, slot: FrameRecord): boolean =>
  !framesOn(document, page.page.id).some(({ of }) => of === slot.id);

/** Lets a text go on in part of a page's flow area, behind a frame of its thread, or at its end. */
function pour(edit: Edit, text: string, area: SlotFrame, page: string, box: Box, behind?: string): FrameRecord {
  const thread = threadOf(edit.document, text);
  const index = behind === undefined ? thread.length - 1 : thread.findIndex((frame) => frame.id === behind);
  const order = orderBehind(places(edit.document, text), index);
  const content: TextContent = { ...area.content.layout, type: 'text', text, order };
  return edit.put({ ...pouredFrame(area, page, box, content), order: orderAfter(framesOn(edit.document, page)) });
}

export interface ContinueThread {
  readonly text: string;
  /** The frame of its thread that the new one comes behind; the last when not said. */
  readonly behind?: string | undefined;
  readonly page: string;
  readonly box: Box;
  readonly allPages: boolean;
}

/** Goes on with a text in a new frame at the end of its thread; the frame takes over how the last one is divided and set. */
export function continueThread(document: Document, intent: ContinueThread, typesetter: Typesetter): Diff {
  const edit = new Edit(document);
  const { text, behind } = intent;
  get(document, 'text', text);
  const jumped = hasJumpLines(document, text);
  const { page, grid } = pageWithGrid(document, intent.page);
  const columns = textColumns(grid, page.master, intent.box);
  const frame = putBody(edit, text, page.page.id, intent.box, columns, grid.gutter, behind);
  withJumps(edit, text, jumped);
  if (intent.allPages) flow(edit, text, frame, typesetter);
  return edit.diff();
}

/** Pages that one flow may add: a text of 300,000 words in large type needs fewer. */
const MOST_FLOW_PAGES = 900;

/**
 * The next page in reading order on which nothing lies yet, in the same section and on the same master: a text that
 * needs more pages takes those that wait before any are added.
 */
export function emptyPageAfter(document: Document, { number, section, master }: PlacedPage): PlacedPage | undefined {
  return placedPages(document).find(
    (page) =>
      page.number > number &&
      page.section?.id === section?.id &&
      page.master.id === master.id &&
      framesOn(document, page.page.id).length === 0,
  );
}

/**
 * Runs a text on over the pages that wait behind the frame's page, then over pages added behind those, each with a frame
 * over its whole type area, until all of it is shown.
 */
export function flow(edit: Edit, text: string, from: FrameRecord, typesetter: Typesetter): void {
  let behind = from;
  const addedPages: string[] = [];
  for (;;) {
    const over = typesetter.compose(edit.document).fits.get(text)?.oversetLines ?? 0;
    if (over === 0) break;
    const { page, grid } = pageWithGrid(edit.document, behind.on);
    const columns = textColumns(grid, page.master, grid.area);
    const areas = flowOf(edit.document, page);
    const held = areas.reduce((sum, { box, content }) => sum + content.layout.columns * Math.floor(box.h / grid.step), 0);
    const count = Math.max(1, Math.ceil(over / Math.max(1, areas.length > 0 ? held : columns * grid.lines)));
    if (addedPages.length + count > MOST_FLOW_PAGES)
      throw new ActionError('The story would need more pages than an issue may have. Is the type area large enough?');
    const waiting = emptyPageAfter(edit.document, page);
    const fresh = waiting ? [waiting.page] : putPages(edit, { after: behind.on, count, master: page.master.id });
    for (const own of fresh) {
      if (!waiting) addedPages.push(own.id);
      const placed = placedPage(edit.document, own.id)!;
      const areas = flowOf(edit.document, placed);
      for (const each of areas) behind = pour(edit, text, each, own.id, each.box, behind.id);
      if (areas.length > 0) continue;
      const area = pageGrid(formatOf(edit.document), placed.master, placed.side);
      behind = putBody(edit, text, own.id, { ...area.area, h: area.lines * area.step }, columns, area.gutter, behind.id);
    }
  }
  // The estimate may have been a page too generous.
  const shown = typesetter.compose(edit.document);
  for (const page of addedPages.reverse()) {
    const list = shown.pages.find((each) => each.page === page);
    const lines = list?.items.some(
      (item) => item.type === 'text' && item.text === text && item.columns.some((column) => column.lines.length > 0),
    );
    if (lines) break;
    for (const frame of framesOn(edit.document, page)) edit.remove(frame.id);
    edit.remove(page);
  }
}
