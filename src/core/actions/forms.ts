import { contourOf, outlineOf, pathOf } from '../compose/frames/contours';
import { glyphOutlines } from '../compose/frames/glyphOutlines';
import { IDENTITY, mappedOutline, rotation } from '../geometry/matrix';
import { type Box, middleOf } from '../geometry/box';
import { type Outline, outlineBox, pointsIn, simplified } from '../geometry/outline';
import { PER_POINT, type Path, pathInUnit, straightPath } from '../geometry/path';
import { type Combining, combined } from '../geometry/shapes';
import { keptCrop } from '../pictures/placing';
import type { Diff } from '../records/diff';
import { type Document, find, framesOn, get } from '../records/document';
import type { Shape } from '../records/frame';
import type { FrameRecord } from '../records/index';
import { frameKind, pictureIn, textIn } from '../records/kinds/frames';
import { said } from '../records/said';
import type { Shaper } from '../type/shaper';
import { finished } from '../page/finished';
import { ActionError, Edit } from './edit';
import { saysItself } from './finishes';
import { LEAST_SIDE, putFrame, removeFrames } from './frames';
import type { Typesetter } from './typesetter';

/** The form of a frame as points and curves that can be moved. */
export type FreeOutline = Extract<Shape, { type: 'outline' }>;

/** A form that is drawn by hand has at most so many points: more cannot be told apart, and cost on every page. */
export const MOST_POINTS = 4000;

/** The form that a frame has as points and curves. */
export const freed = ({ shape, box }: FrameRecord): FreeOutline => ({
  type: 'outline',
  rings: pathInUnit(pathOf(contourOf(shape, box)), box),
});

const WORDS: Readonly<Record<Combining, string>> = {
  join: 'joined',
  subtract: 'taken from one another',
  intersect: 'intersected',
};

/**
 * Makes one form of several frames: the lowest takes it, and what it shows stays where it is; the others go.
 * @throws ActionError where they lie on several pages, have no area, or nothing would be left
 */
export function combineFrames(document: Document, ids: readonly string[], how: Combining): Diff {
  const frames = ids.map((id) => finished(document, get(document, 'frame', id)));
  const [first] = frames;
  if (!first || frames.length < 2) throw new ActionError(`Choose two frames or more to be ${WORDS[how]}.`);
  if (frames.some(({ on }) => on !== first.on)) throw new ActionError(`Only frames of one page can be ${WORDS[how]}.`);
  if (frames.some(({ content }) => frameKind(content).isThin)) throw new ActionError(`A rule has no area to be ${WORDS[how]}.`);
  const stacked = framesOn(document, first.on).flatMap((frame) => (ids.includes(frame.id) ? [finished(document, frame)] : []));
  const [lowest, ...others] = stacked;
  if (lowest!.locked) throw new ActionError('That frame is locked.');
  const outline = others.reduce((sum, each) => combined(how, sum, edgeOf(each)), edgeOf(lowest!));
  const edit = new Edit(document);
  const own = get(document, 'frame', lowest!.id);
  edit.put({ ...withOutline(document, own, outline), ...saysItself(own, { shape: undefined }) });
  edit.take(
    removeFrames(
      edit.document,
      others.map(({ id }) => id),
    ),
  );
  return edit.diff();
}

/** The edge of a frame on its page, turned as it is. */
function edgeOf({ shape, box, rotation: degrees }: FrameRecord): Outline {
  const edge = outlineOf(contourOf(shape, box));
  return degrees ? mappedOutline(rotation(degrees, middleOf(box)), edge) : edge;
}

/** A frame with another form on its page; the picture in it stays where it lies. */
function withOutline(document: Document, frame: FrameRecord, outline: Outline): FrameRecord {
  const few = fewEnough(outline);
  const box = outlineBox(few);
  if (!box || box.w < LEAST_SIDE || box.h < LEAST_SIDE) throw new ActionError('Nothing would be left of them.');
  const { content } = frame;
  const picture = find(document, 'picture', pictureIn(document, frame)?.picture);
  const kept =
    content.type === 'picture' && picture ? { content: { ...content, ...keptCrop(frame.box, box, picture, content) } } : {};
  return said({
    ...frame,
    ...kept,
    box,
    rotation: undefined,
    outline: undefined,
    shape: { type: 'outline', rings: pathInUnit(straightPath(few), box) } satisfies FreeOutline,
  });
}

/** Points nearer than this to the line of those beside them say nothing, points; twice as much where they are still too many. */
const FINE = 0.05;

function fewEnough(outline: Outline): Outline {
  let out = outline;
  for (let fine = FINE; pointsIn(out) > MOST_POINTS && fine < 100; fine *= 2)
    out = outline.map((ring) => simplified(ring, fine)).filter((ring) => ring.length >= 6);
  return out;
}

/**
 * Puts a panel of a form that was drawn elsewhere on a page, as large as it was drawn, in the middle of `within`; smaller where it
 * is larger than that.
 * @throws ActionError where it has no area
 */
export function putOutline(document: Document, on: string, path: Path, within: Box): { diff: Diff; frame: string } {
  const flat = path.map((ring) => ring.filter((_, i) => i % PER_POINT < 2));
  const points = flat.reduce((sum, ring) => sum + ring.length / 2, 0);
  // Handles may reach beyond the points: the box is that of the curves themselves.
  const box = outlineBox(outlineOf({ type: 'path', path }));
  if (!box || box.w <= 0 || box.h <= 0) throw new ActionError('That drawing has no area.');
  const scale = Math.min(1, within.w / box.w, within.h / box.h);
  const size = { w: Math.max(LEAST_SIDE, box.w * scale), h: Math.max(LEAST_SIDE, box.h * scale) };
  const place = { x: within.x + (within.w - size.w) / 2, y: within.y + (within.h - size.h) / 2, ...size };
  const rings =
    points <= MOST_POINTS ? pathInUnit(path, box) : pathInUnit(straightPath(fewEnough(outlineOf({ type: 'path', path }))), box);
  const edit = new Edit(document);
  const frame = putFrame(edit, on, place, { type: 'panel' }, undefined, {
    fill: { swatch: 'ink', tint: 1 },
    shape: { type: 'outline', rings },
  });
  return { diff: edit.diff(), frame: frame.id };
}

/**
 * Makes a text's letters the form of a picture frame, in the place of the text.
 * @throws ActionError where it shows no letters
 */
export function lettersToFrame(document: Document, id: string, typesetter: Typesetter, shaper: Shaper): Diff {
  const frame = get(document, 'frame', id);
  const items = typesetter.compose(document).pages.flatMap((list) => list.items);
  const own = items.filter((item) => item.type === 'text' && item.frame === id && item.text === textIn(frame));
  const outline = own.flatMap((item) =>
    item.type === 'text' ? mappedOutline(item.transform ?? IDENTITY, glyphOutlines(item, shaper)) : [],
  );
  if (outline.length === 0) throw new ActionError('That frame shows no letters.');
  const edit = new Edit(document);
  const free = said({
    ...frame,
    content: { type: 'picture' as const, fit: 'fill' as const },
    fill: undefined,
    border: undefined,
  });
  const made = withOutline(document, free, outline);
  edit.take(removeFrames(edit.document, [id]));
  putFrame(
    edit,
    frame.on,
    made.box,
    made.content,
    { ...frame.wrap, outline: 'shape' },
    { shape: made.shape, order: frame.order },
  );
  return edit.diff();
}

/** Which point of a form, and what of it: its place, or the handle of the curve that comes to it or leaves it. */
export interface PathPlace {
  readonly ring: number;
  readonly point: number;
  readonly part: 'place' | 'into' | 'out';
}

const OFFSETS = { place: 0, into: 2, out: 4 } as const;

/** Where a point or handle of a form lies, in the unit square. */
export function pathPoint({ rings }: FreeOutline, { ring, point, part }: PathPlace): readonly [number, number] {
  const at = PER_POINT * point + OFFSETS[part];
  return [rings[ring]![at]!, rings[ring]![at + 1]!];
}

const NEAR = (value: number): number => Math.max(-2, Math.min(3, value));

/** A form with a point moved, its handles along with it; or with one handle moved, and the other turned along where it is smooth. */
export function withPathPoint(shape: FreeOutline, { ring, point, part }: PathPlace, x: number, y: number): FreeOutline {
  const own = [...shape.rings[ring]!];
  const at = PER_POINT * point;
  if (part === 'place') {
    const [dx, dy] = [NEAR(x) - own[at]!, NEAR(y) - own[at + 1]!];
    for (let i = 0; i < PER_POINT; i += 2) {
      own[at + i] = NEAR(own[at + i]! + dx);
      own[at + i + 1] = NEAR(own[at + i + 1]! + dy);
    }
  } else {
    const [px, py] = [own[at]!, own[at + 1]!];
    const other = at + (part === 'into' ? OFFSETS.out : OFFSETS.into);
    const moved = at + OFFSETS[part];
    const smooth = isSmooth(own, at);
    const long = Math.hypot(own[other]! - px, own[other + 1]! - py);
    own[moved] = NEAR(x);
    own[moved + 1] = NEAR(y);
    const turned = Math.hypot(own[moved]! - px, own[moved + 1]! - py);
    if (smooth && turned > 0) {
      own[other] = NEAR(px - ((own[moved]! - px) * long) / turned);
      own[other + 1] = NEAR(py - ((own[moved + 1]! - py) * long) / turned);
    }
  }
  return { ...shape, rings: shape.rings.with(ring, own) };
}

/** Handles opposite to one another, about. */
function isSmooth(ring: readonly number[], at: number): boolean {
  const [ax, ay] = [ring[at + 2]! - ring[at]!, ring[at + 3]! - ring[at + 1]!];
  const [bx, by] = [ring[at + 4]! - ring[at]!, ring[at + 5]! - ring[at + 1]!];
  const long = Math.hypot(ax, ay) * Math.hypot(bx, by);
  return long > 0 && ax * bx + ay * by < -0.999 * long;
}

/** A form with another point halfway to the next, on the curve as it is (de Casteljau); on a straight side one without handles. */
export function withPathPointAfter(shape: FreeOutline, ring: number, point: number): FreeOutline {
  const own = [...shape.rings[ring]!];
  const at = PER_POINT * point;
  const next = (at + PER_POINT) % own.length;
  const mid = (a: number, b: number) => (a + b) / 2;
  const isStraight = [0, 1].every((k) => own[at + k] === own[at + 4 + k] && own[next + k] === own[next + 2 + k]);
  const made: number[] = [];
  for (const k of [0, 1]) {
    const [p0, p1, p2, p3] = [own[at + k]!, own[at + 4 + k]!, own[next + 2 + k]!, own[next + k]!];
    if (isStraight) {
      for (const handle of [0, 2, 4]) made[handle + k] = mid(p0, p3);
      continue;
    }
    const [a, b, c] = [mid(p0, p1), mid(p1, p2), mid(p2, p3)];
    const [d, e] = [mid(a, b), mid(b, c)];
    own[at + 4 + k] = a;
    own[next + 2 + k] = c;
    made[k] = mid(d, e);
    made[2 + k] = d;
    made[4 + k] = e;
  }
  own.splice(at + PER_POINT, 0, ...made);
  return { ...shape, rings: shape.rings.with(ring, own) };
}

/** A form without a point; a ring of fewer than three goes. @throws ActionError where it is the last */
export function withoutPathPoint(shape: FreeOutline, ring: number, point: number): FreeOutline {
  const own = [...shape.rings[ring]!];
  own.splice(PER_POINT * point, PER_POINT);
  if (own.length >= 2 * PER_POINT && !(own.length === 2 * PER_POINT && isFlat(own)))
    return { ...shape, rings: shape.rings.with(ring, own) };
  if (shape.rings.length === 1) throw new ActionError('A form has at least two points with a curve, or three.');
  return { ...shape, rings: shape.rings.filter((_, i) => i !== ring) };
}

/** Two points with straight sides have no area. */
const isFlat = (ring: readonly number[]): boolean =>
  [0, PER_POINT].every((at) => [2, 4].every((k) => ring[at + k] === ring[at] && ring[at + k + 1] === ring[at + 1]));

/** A form with a corner made round, its handles along the line between its neighbours; or a round point made a corner. */
export function withRoundness(shape: FreeOutline, ring: number, point: number): FreeOutline {
  const own = [...shape.rings[ring]!];
  const n = own.length;
  const at = PER_POINT * point;
  const [x, y] = [own[at]!, own[at + 1]!];
  const isCorner = own[at + 2] === x && own[at + 3] === y && own[at + 4] === x && own[at + 5] === y;
  if (!isCorner) {
    own.splice(at + 2, 4, x, y, x, y);
    return { ...shape, rings: shape.rings.with(ring, own) };
  }
  const before = (at - PER_POINT + n) % n;
  const after = (at + PER_POINT) % n;
  const [dx, dy] = [own[after]! - own[before]!, own[after + 1]! - own[before + 1]!];
  const long = Math.hypot(dx, dy) || 1;
  const reach = (k: number) => Math.hypot(own[k]! - x, own[k + 1]! - y) / 3 / long;
  own.splice(at + 2, 4, x - dx * reach(before), y - dy * reach(before), x + dx * reach(after), y + dy * reach(after));
  return { ...shape, rings: shape.rings.with(ring, own) };
}
