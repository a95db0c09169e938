import type { Box } from '../../geometry/box';
import { type Exclusion, exclusion, type Flow, type StandOff } from '../../geometry/exclusion';
import { inverse, type Matrix, mappedOutline } from '../../geometry/matrix';
import { boxOutline, laidOver, type Outline, outlineBox } from '../../geometry/outline';
import { tracedOn } from '../../pictures/placing';
import { isGround } from '../../page/ground';
import { formatOf } from '../../page/pages';
import { type Document, find } from '../../records/document';
import { sidesOf, type Wrap } from '../../records/frame';
import type { FrameRecord, GroupRecord, PictureRecord } from '../../records/index';
import type { Shaper } from '../../type/shaper';
import { contourOf, outlineOf } from './contours';
import type { TextItem } from '../displayList/displayList';
import { glyphOutlines } from './glyphOutlines';
import { type Shown } from './shown';
import { frameKind, pictureIn } from '../../records/kinds/frames';

/** Exclusions of a spread, in its coordinates, and the frames each stands for. */
export interface Around {
  readonly bySpread: ReadonlyMap<number, readonly Exclusion[]>;
  readonly owners: ReadonlyMap<Exclusion, ReadonlySet<string>>;
}

/** What several frames are run around as: a group, or a picture with its caption and credit. */
type Whole = GroupRecord | FrameRecord;

interface Together {
  readonly of: Whole;
  readonly members: Shown[];
}

/** What a frame is a part of for the text around it; undefined where it stands for itself. */
function wholeOf(document: Document, frame: FrameRecord, captioned: ReadonlySet<string>): Whole | undefined {
  const lead = frame.beside ? (find(document, 'frame', frame.beside.frame) ?? frame) : frame;
  const group = find(document, 'group', lead.group);
  if (group && group.wrap.mode !== 'none') return group;
  return captioned.has(lead.id) && lead.wrap.mode !== 'none' ? lead : undefined;
}

interface Kept {
  readonly made: readonly unknown[];
  readonly exclusion: Exclusion;
}

/** What texts keep away from; remembers every exclusion as long as what it is made of is the same. */
export class Surroundings {
  readonly #shaper: Shaper;
  readonly #kept = new Map<string, Kept>();
  #lists = new Map<string, readonly Exclusion[]>();

  constructor(shaper: Shaper) {
    this.#shaper = shaper;
  }

  /**
   * @param name of this round: frames that grow are left out of the first
   * @param grown boxes of frames that are as high as their text
   * @param items composed texts, for frames whose letters are run around
   */
  of(
    document: Document,
    name: string,
    shown: readonly Shown[],
    grown: ReadonlyMap<string, Box>,
    items: ReadonlyMap<string, readonly TextItem[]>,
  ): Around {
    const bySpread = new Map<number, Exclusion[]>();
    const owners = new Map<Exclusion, ReadonlySet<string>>();
    const together = new Map<string, Together>();
    const add = (spread: number, own: Exclusion, of: ReadonlySet<string>) => {
      owners.set(own, of);
      const list = bySpread.get(spread);
      if (list) list.push(own);
      else bySpread.set(spread, [own]);
    };
    const captioned = new Set(shown.flatMap(({ frame }) => (frame.beside ? [frame.beside.frame] : [])));
    for (const each of shown) {
      const whole = wholeOf(document, each.frame, captioned);
      if (whole) {
        const key = `${whole.id} ${each.page.page.id}`;
        const own = together.get(key);
        if (own) own.members.push(each);
        else together.set(key, { of: whole, members: [each] });
      } else if (each.frame.wrap.mode !== 'none') {
        add(each.page.spread, this.#ofFrame(document, each, grown, items), new Set([each.frame.id]));
      }
    }
    for (const [key, { of, members }] of together) {
      // A picture is one with its caption only once that has its height: each round remembers its own.
      const own = this.#ofWhole(document, `${name} ${key}`, of, members, grown, items);
      add(members[0]!.page.spread, own, new Set(members.map(({ frame }) => frame.id)));
    }
    const lists = new Map<number, readonly Exclusion[]>();
    for (const [spread, list] of bySpread) {
      const key = `${name} ${spread}`;
      const before = this.#lists.get(key);
      const same = before && before.length === list.length && list.every((each, i) => each === before[i]);
      lists.set(spread, same ? before : list);
      if (!same) this.#lists.set(key, list);
    }
    return { bySpread: lists, owners };
  }

  #ofFrame(
    document: Document,
    shown: Shown,
    grown: ReadonlyMap<string, Box>,
    items: ReadonlyMap<string, readonly TextItem[]>,
  ): Exclusion {
    const { frame, page } = shown;
    const box = grown.get(frame.id) ?? frame.box;
    const picture = pictureOf(document, shown);
    const letters = frame.wrap.mode === 'outline' && frame.wrap.outline === 'glyphs' ? items.get(shown.key)?.[0] : undefined;
    return this.#same(shown.key, [frame, picture, box.x, box.y, box.w, box.h, page.dx, letters, formatOf(document)], () => ({
      ...made(this.#outline(document, shown, frame.wrap, box, picture, letters), frame.wrap),
      ...(isStoodOn(document, frame, box) ? { ground: { ...box, x: box.x + page.dx } } : {}),
    }));
  }

  #ofWhole(
    document: Document,
    key: string,
    of: Whole,
    members: readonly Shown[],
    grown: ReadonlyMap<string, Box>,
    items: ReadonlyMap<string, readonly TextItem[]>,
  ): Exclusion {
    const boxes = members.map(({ frame }) => grown.get(frame.id) ?? frame.box);
    const parts = members.flatMap((each, i) => {
      const letters = of.wrap.outline === 'glyphs' ? items.get(each.key)?.[0] : undefined;
      const { x, y, w, h } = boxes[i]!;
      return [each.frame, pictureOf(document, each), x, y, w, h, each.page.dx, letters];
    });
    return this.#same(key, [of, formatOf(document), ...parts], () => {
      const outlines = members.flatMap((each, i) => {
        const letters = items.get(each.key)?.[0];
        return this.#outline(document, each, of.wrap, boxes[i]!, pictureOf(document, each), letters);
      });
      const whole = of.wrap.mode === 'outline' ? outlines : boxOutline(outlineBox(outlines)!);
      const lead = members.findIndex(({ frame }) => frame === of && isStoodOn(document, frame, frame.box));
      const ground = boxes[lead];
      return { ...made(whole, of.wrap), ...(ground ? { ground: { ...ground, x: ground.x + members[lead]!.page.dx } } : {}) };
    });
  }

  /** What of a frame is run around, in its spread's coordinates. */
  #outline(
    document: Document,
    { frame, page, rotated, transform }: Shown,
    wrap: Wrap,
    box: Box,
    picture: PictureRecord | undefined,
    letters: TextItem | undefined,
  ): Outline {
    let outline = boxOutline(box);
    if (wrap.mode === 'outline') {
      const traced = outlineBy(frame, wrap, picture);
      if (traced && !picture) outline = laidOver(traced, box);
      else if (traced) outline = tracedOn(traced, box, picture!, pictureIn(document, frame)!);
      else if (letters && wrap.outline === 'glyphs') {
        const own = glyphOutlines(letters, this.#shaper);
        if (own.length > 0) return shifted(transform ? mappedOutline(transform, own) : own, page.dx);
      } else outline = outlineOf(contourOf(frame.shape, box));
    }
    return shifted(rotated ? mappedOutline(rotated, outline) : outline, page.dx);
  }

  #same(key: string, parts: readonly unknown[], make: () => Exclusion): Exclusion {
    const kept = this.#kept.get(key);
    if (kept && kept.made.length === parts.length && parts.every((part, i) => part === kept.made[i])) return kept.exclusion;
    const own = make();
    this.#kept.set(key, { made: parts, exclusion: own });
    return own;
  }
}

/**
 * Whether text that lies wholly within a frame stands on it: on a panel, and on a picture that fills its page, where it would have no
 * other place.
 */
const isStoodOn = (document: Document, { content, wrap }: FrameRecord, box: Box): boolean =>
  frameKind(content).isGround === true ||
  (content.type === 'picture' && wrap.mode !== 'outline' && isGround(formatOf(document), box));

/** The outline in the unit square of a picture, or of a box, that a wrap means: mended by hand, or as it was traced. */
export const outlineBy = (frame: FrameRecord, wrap: Wrap, picture: PictureRecord | undefined): Outline | undefined =>
  wrap.outline === 'glyphs'
    ? undefined
    : (frame.outline ?? (picture && wrap.outline !== 'shape' ? picture.outlines[wrap.outline] : undefined));

const pictureOf = (document: Document, { frame }: Shown): PictureRecord | undefined =>
  frameKind(frame.content).outlines ? find(document, 'picture', pictureIn(document, frame)?.picture) : undefined;

const flowOf = (wrap: Wrap): Flow => (wrap.mode === 'clear' ? 'clear' : (wrap.side ?? 'both'));

function made(outline: Outline, wrap: Wrap): Exclusion {
  return exclusion(outline, sidesOf(wrap.standOff), flowOf(wrap), outlineBox(outline) ?? { x: 0, y: 0, w: 0, h: 0 });
}

const shifted = (outline: Outline, dx: number): Outline =>
  dx === 0 ? outline : outline.map((ring) => ring.map((value, i) => (i % 2 === 0 ? value + dx : value)));

/** Exclusions as they are met from the coordinates of one page, or of a turned frame on it; kept so that identity holds. */
const seen = new WeakMap<Exclusion, Map<string, Exclusion>>();

export function seenFrom(own: Exclusion, dx: number, transform: Matrix | undefined): Exclusion {
  if (dx === 0 && !transform) return own;
  let byPlace = seen.get(own);
  if (!byPlace) seen.set(own, (byPlace = new Map()));
  const key = transform ? `${dx} ${transform.join(' ')}` : String(dx);
  let out = byPlace.get(key);
  if (!out) {
    let outline = shifted(own.outline, -dx);
    let { standOff } = own;
    if (transform) {
      outline = mappedOutline(inverse(transform), outline);
      const most = Math.max(standOff.top, standOff.right, standOff.bottom, standOff.left);
      standOff = turnedStandOff(own.standOff, transform) ?? { top: most, right: most, bottom: most, left: most };
    }
    out = exclusion(outline, standOff, own.flow, outlineBox(outline) ?? { x: 0, y: 0, w: 0, h: 0 }, own.inside);
    if (byPlace.size > 64) byPlace.clear();
    byPlace.set(key, out);
  }
  return out;
}

/** Stand-offs seen after a number of quarter turns; undefined for a slant, where sides have no sides. */
function turnedStandOff({ top, right, bottom, left }: StandOff, [a, b]: Matrix): StandOff | undefined {
  if (a === 1 && b === 0) return { top, right, bottom, left };
  if (a === 0 && b === 1) return { top: right, right: bottom, bottom: left, left: top };
  if (a === -1 && b === 0) return { top: bottom, right: left, bottom: top, left: right };
  if (a === 0 && b === -1) return { top: left, right: top, bottom: right, left: bottom };
  return undefined;
}

/** The outside of a frame's shape as something its own text keeps out of, `inset` from the edge. */
export function outsideOf(outline: Outline, inset: StandOff): Exclusion {
  const around = outlineBox(outline)!;
  const far = 1e5;
  const rim = boxOutline({ x: around.x - far, y: around.y - far, w: around.w + 2 * far, h: around.h + 2 * far });
  // From the outside, what stands off the top edge is below it, and so for all sides.
  const standOff = { top: inset.bottom, right: inset.left, bottom: inset.top, left: inset.right };
  return exclusion([...rim, ...outline], standOff, 'both', outlineBox(rim)!, 'evenOdd');
}
