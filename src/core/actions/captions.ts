import { bottom, type Box, right } from '../geometry/box';
import { besideBox, captionsOf } from '../page/beside';
import { formatOf } from '../page/pages';
import { BESIDE, type CaptionHabit, USUAL_CAPTIONS } from '../properties/captions';
import { changeProblem } from '../properties/limits';
import { bodyText, docOf, plainParagraphs, plainText } from '../records/body';
import { listed } from '../records/count';
import type { Diff } from '../records/diff';
import { type Document, find, get, threadOf } from '../records/document';
import { type Beside, textContent, type TextContent } from '../records/frame';
import type { FrameRecord, PictureRecord, TextRecord } from '../records/index';
import { pictureIn, textIn } from '../records/kinds/frames';
import { ActionError, Edit, newId } from './edit';
import { growingText, LEAST_SIDE, NO_WRAP, pageWithGrid, putFrame } from './frames';
import { inOwnStyles } from './styles';
import type { Typesetter } from './typesetter';

/** What is set beside a picture. */
export type Beneath = 'caption' | 'credit';

/** How a document's captions are set. */
export const captionHabit = (document: Document): CaptionHabit => formatOf(document).captions ?? USUAL_CAPTIONS;

/** The text that is set as the caption or credit of a frame, where there is one. */
export function captionText(document: Document, frame: string, what: Beneath): TextRecord | undefined {
  for (const each of captionsOf(document, frame)) {
    const text = find(document, 'text', textIn(each));
    if (text?.role === what) return text;
  }
  return undefined;
}

/** How words stand in the place they have beside their picture. */
function contentAt(text: string, place: Beside['place']): TextContent {
  switch (place) {
    case 'below':
    case 'own':
      return growingText(text);
    case 'left':
    case 'right':
    case 'on':
      return textContent(text, 'a0', { align: 'bottom', ignoresWraps: true });
    case 'edge':
      return textContent(text, 'a0', { turns: 3, ignoresWraps: true });
  }
}

function putBeside(edit: Edit, frame: FrameRecord, text: TextRecord, beside: Omit<Beside, 'frame'>): FrameRecord {
  const whole: Beside = { frame: frame.id, ...beside };
  const { step } = formatOf(edit.document).baseline;
  const box = besideBox(frame.box, whole, { ...frame.box, h: step });
  return putFrame(edit, frame.on, box, contentAt(text.id, beside.place), NO_WRAP, {
    beside: whole,
    ...(frame.group === undefined ? {} : { group: frame.group }),
  });
}

const putWords = (
  edit: Edit,
  role: Beneath,
  picture: PictureRecord | undefined,
  paragraphs: readonly [style: string, words: string][],
) =>
  edit.put<TextRecord>(
    inOwnStyles(edit.document, {
      id: newId(),
      kind: 'text',
      role,
      ...(picture?.story === undefined ? {} : { story: picture.story }),
      ...(picture ? { picture: picture.id } : {}),
      body: docOf(paragraphs.flatMap(([style, words]) => plainParagraphs(style, words))),
    }),
  );

/**
 * Sets caption and credit beside a picture by the house's habit, with the words that belong to it.
 * @param wanted also where there are no words yet
 * @returns the frames that were added
 */
export function putCaptions(edit: Edit, frameId: string, wanted?: Beneath): readonly FrameRecord[] {
  const frame = get(edit.document, 'frame', frameId);
  const picture = find(edit.document, 'picture', pictureIn(edit.document, frame)?.picture);
  const habit = captionHabit(edit.document);
  const { place, gap, width } = habit;
  const has = (what: Beneath) => captionText(edit.document, frameId, what) !== undefined;
  const caption = picture?.caption ?? '';
  const credit = habit.credit === 'none' && wanted !== 'credit' ? '' : (picture?.credit ?? '');
  const joined = isJoined(habit) && credit !== '' && !has('credit') && wanted !== 'credit';
  const out: FrameRecord[] = [];
  if (!has('caption') && (caption !== '' || wanted === 'caption' || (joined && wanted === undefined))) {
    const lines = captionLines(habit, caption, joined ? credit : '');
    out.push(putBeside(edit, frame, putWords(edit, 'caption', picture, lines), { place, gap, width }));
  }
  if (!has('credit') && ((habit.credit === 'edge' && credit !== '') || wanted === 'credit'))
    out.push(
      putBeside(edit, frame, putWords(edit, 'credit', picture, [['credit', credit]]), { place: 'edge', gap: gap / 2, width }),
    );
  return out;
}

/** Whether credits are said in the captions. */
const isJoined = ({ credit }: CaptionHabit): boolean => credit === 'end' || credit === 'under';

/** The paragraphs of a caption that says its credit too, in their styles; an empty one waits for its words. */
function captionLines({ credit: place }: CaptionHabit, caption: string, credit: string): [style: string, words: string][] {
  if (place === 'end') return [['caption', [caption, credit].filter((words) => words !== '').join(' ')]];
  const lines: [string, string][] = [];
  if (caption !== '' || credit === '') lines.push(['caption', caption]);
  if (credit !== '') lines.push(['credit', credit]);
  return lines;
}

/** Another picture has other words; what somebody has written stays. */
export function recaption(edit: Edit, frameId: string, before: PictureRecord | undefined): void {
  const had = captionsOf(edit.document, frameId).length > 0;
  for (const each of captionsOf(edit.document, frameId)) {
    const text = find(edit.document, 'text', textIn(each));
    if (text?.role !== 'caption' && text?.role !== 'credit') continue;
    const said = bodyText(text.body).trim();
    const habit = captionHabit(edit.document);
    const own = ({ caption, credit }: PictureRecord) => {
      if (text.role === 'credit') return [credit];
      return captionLines(habit, caption, isJoined(habit) ? credit : '').map(([, words]) => words);
    };
    if (said !== '' && before && said !== own(before).join('\n').trim()) continue;
    edit.remove(each.id);
    edit.remove(text.id);
  }
  if (had || captionHabit(edit.document).always) putCaptions(edit, frameId);
}

/**
 * Makes a picture so much less high that what is set under it ends where there is room for it.
 * @param foot where that ends, points of the page
 */
export function makeRoomUnder(edit: Edit, frameId: string, foot: number, typesetter: Typesetter): void {
  const below = captionsOf(edit.document, frameId).filter(({ beside }) => beside?.place === 'below');
  if (below.length === 0) return;
  const { grown } = typesetter.compose(edit.document);
  const frame = get(edit.document, 'frame', frameId);
  const over = Math.max(...below.map(({ id, box }) => bottom(grown.get(id) ?? box))) - foot;
  if (over <= 0.01) return;
  const { step } = formatOf(edit.document).baseline;
  const h = frame.box.h - Math.ceil(over / step - 0.01) * step;
  if (h >= LEAST_SIDE) edit.put({ ...frame, box: { ...frame.box, h } });
}

/** Which frames are to have captions or credits. */
export interface AddCaptions {
  readonly frames: readonly string[];
  readonly what: Beneath;
}

/**
 * Gives pictures captions or credits by the house's habit; where there is no room below them on their page, the pictures
 * become less high by as many lines as they take.
 *
 * @throws ActionError where none of the frames takes one
 */
export function addCaptions(document: Document, { frames, what }: AddCaptions, typesetter: Typesetter): Diff {
  const edit = new Edit(document);
  const pictures = frames.filter((id) => get(document, 'frame', id).content.type === 'picture');
  if (pictures.length === 0) throw new ActionError('Choose a picture first.');
  let added = 0;
  for (const id of pictures) {
    added += putCaptions(edit, id, what).length;
    const { box, on } = get(edit.document, 'frame', id);
    const { grid } = pageWithGrid(document, on);
    const foot = grid.area.y + grid.area.h;
    makeRoomUnder(edit, id, bottom(box) <= foot + 0.01 ? foot : formatOf(document).height, typesetter);
  }
  if (added === 0) throw new ActionError(`${pictures.length === 1 ? 'It has' : 'They have'} a ${what} already.`);
  return edit.diff();
}

/** Sets where captions or credits lie beside their pictures. @throws ActionError with the limit that is passed */
export function setBeside(
  document: Document,
  ids: readonly string[],
  change: Partial<Pick<Beside, 'place' | 'gap' | 'width'>>,
): Diff {
  const edit = new Edit(document);
  const wrong = changeProblem(BESIDE, change);
  if (wrong) throw new ActionError(wrong);
  for (const id of ids) {
    const frame = get(document, 'frame', id);
    const { beside, content } = frame;
    if (!beside || content.type !== 'text') throw new ActionError('Only a caption or credit lies beside a picture.');
    const picture = get(document, 'frame', beside.frame);
    const { dx: _, dy: __, ...rest } = beside;
    const next: Beside = { ...rest, ...change };
    if (next.place === 'own') {
      edit.put({ ...frame, beside: { ...next, dx: frame.box.x - picture.box.x, dy: frame.box.y - bottom(picture.box) } });
      continue;
    }
    const stands = change.place === undefined ? content : contentAt(content.text, next.place);
    edit.put({ ...frame, beside: next, content: { ...stands, order: content.order } });
  }
  return edit.diff();
}

/** Lets a caption go its own way; it lies where it is. */
export function partCaption(document: Document, ids: readonly string[]): Diff {
  const edit = new Edit(document);
  for (const id of ids) {
    const { beside: _, ...alone } = get(document, 'frame', id);
    edit.put(alone);
  }
  return edit.diff();
}

/** How much two stretches share, each from a place on, so long. */
const overlap = ([a, long]: readonly [number, number], [b, other]: readonly [number, number]): number =>
  Math.min(a + long, b + other) - Math.max(a, b);

/** Where each of several boxes is among them, in words that a reader finds it by, in the order in which they are read. */
export function placeWordsOf(boxes: readonly Box[]): readonly { readonly index: number; readonly words: string }[] {
  const all = boxes.map((box, index) => ({ index, box, x: box.x + box.w / 2, y: box.y + box.h / 2 }));
  const sharing = (of: (box: Box) => readonly [number, number]) =>
    boxes.every((a) => boxes.every((b) => overlap(of(a), of(b)) > 0.5 * Math.min(of(a)[1], of(b)[1])));
  const isRow = sharing(({ y, h }) => [y, h]);
  const isColumn = sharing(({ x, w }) => [x, w]);
  const named = (list: typeof all, words: (i: number) => string) => list.map(({ index }, i) => ({ index, words: words(i) }));
  if (isRow) {
    const row = [...all].sort((a, b) => a.x - b.x);
    if (row.length === 2) return named(row, (i) => ['Left', 'Right'][i]!);
    if (row.length === 3) return named(row, (i) => ['Left', 'Centre', 'Right'][i]!);
    return named(row, (i) => (i === 0 ? 'From left' : ''));
  }
  if (isColumn) {
    const column = [...all].sort((a, b) => a.y - b.y);
    if (column.length === 2) return named(column, (i) => ['Above', 'Below'][i]!);
    if (column.length === 3) return named(column, (i) => ['Top', 'Middle', 'Foot'][i]!);
    return named(column, (i) => (i === 0 ? 'From the top' : ''));
  }
  // Around their common middle, from where the hand of a clock would meet the first at the top left.
  const mx = all.reduce((sum, { x }) => sum + x, 0) / all.length;
  const my = all.reduce((sum, { y }) => sum + y, 0) / all.length;
  const hour = ({ x, y }: { x: number; y: number }) => (Math.atan2(y - my, x - mx) + Math.PI * 2 + 1e-9) % (Math.PI * 2);
  const round = [...all].sort((a, b) => hour(a) - hour(b));
  const first = [...all].sort((a, b) => a.x - mx + a.y - my - (b.x - mx + b.y - my))[0]!;
  const at = round.indexOf(first);
  const clock = [...round.slice(at), ...round.slice(0, at)];
  return named(clock, (i) => (i === 0 ? `Clockwise from ${first.x < mx - 1e-6 ? 'top left' : 'the top'}` : ''));
}

/**
 * Sets one caption for several pictures in the place of theirs, in which each is told by where it is: "Left", "Clockwise
 * from top left". It lies below the lowest of them, as wide as all.
 *
 * @throws ActionError where they are fewer than two, or lie on several pages
 */
export function combineCaptions(document: Document, ids: readonly string[]): Diff {
  const edit = new Edit(document);
  const frames = ids.map((id) => get(document, 'frame', id)).filter(({ content }) => content.type === 'picture');
  if (frames.length < 2) throw new ActionError('Choose two pictures or more.');
  if (frames.some(({ on }) => on !== frames[0]!.on)) throw new ActionError('Only pictures of one page have one caption.');
  const pictureOf = (frame: FrameRecord) => find(document, 'picture', pictureIn(document, frame)?.picture);
  const wordsOf = (frame: FrameRecord) => {
    const text = captionText(document, frame.id, 'caption');
    const own = text ? plainText(text.body.child(0)) : '';
    const { caption = '', credit = '' } = pictureOf(frame) ?? {};
    const bare = credit !== '' && own.endsWith(credit) ? own.slice(0, -credit.length) : own;
    return (bare.trim() || caption).replace(/[.\s]+$/, '');
  };
  // Credits that stood in their captions stand in the one for all.
  const habit = captionHabit(document);
  const credits = isJoined(habit)
    ? [...new Set(frames.map((frame) => pictureOf(frame)?.credit ?? '').filter((credit) => credit !== ''))]
    : [];
  const parts = placeWordsOf(frames.map(({ box }) => box)).map(({ index, words }, i) => {
    const said = wordsOf(frames[index]!);
    return words === '' ? said : `${i === 0 ? words : words.toLowerCase()}: ${said}`;
  });
  for (const { id } of frames) {
    for (const each of captionsOf(document, id)) {
      const text = find(document, 'text', textIn(each));
      if (text?.role !== 'caption') continue;
      edit.remove(each.id);
      if (threadOf(edit.document, text.id).length === 0) edit.remove(text.id);
    }
  }
  const lowest = [...frames].sort((a, b) => bottom(b.box) - bottom(a.box) || a.box.x - b.box.x)[0]!;
  const { gap, width } = habit;
  const words = `${parts.filter((part) => part !== '').join('; ')}.`;
  const text = putWords(edit, 'caption', undefined, captionLines(habit, words, listed(credits)));
  const caption = putBeside(edit, lowest, text, { place: 'below', gap, width });
  const left = Math.min(...frames.map(({ box }) => box.x));
  const far = Math.max(...frames.map(({ box }) => right(box)));
  if (left < lowest.box.x - 0.01 || far > right(lowest.box) + 0.01) {
    const beside: Beside = { ...caption.beside!, place: 'own', dx: left - lowest.box.x, dy: gap };
    edit.put({ ...caption, box: { ...caption.box, x: left, w: far - left }, beside });
  }
  return edit.diff();
}
