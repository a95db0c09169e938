import { bottom, type Box, right } from './box';

/**
 * What lies around a box that a hand moves: the edges and middles it can be on one line with, and the gaps that it can have
 * to its neighbours as others have to theirs. All in one set of coordinates, points.
 */

/** A free stretch between two boxes that lie beside or above one another: how wide, and where its middle is. */
export interface Gap {
  readonly size: number;
  readonly x: number;
  readonly y: number;
}

/** Boxes that stay where they are, and the gaps between them. */
export interface Neighbours {
  readonly boxes: readonly Box[];
  readonly across: readonly Gap[];
  readonly down: readonly Gap[];
}

/** Gaps wider than this are no habit of a page. */
const WIDEST = 72;

/** The most boxes between which gaps are looked for: each is compared with each. */
const MOST = 500;

/** A box as it lies along one direction: from, to, and the same across it. */
interface Lying {
  readonly from: number;
  readonly to: number;
  readonly side: number;
  readonly far: number;
}

const lyingAcross = (box: Box): Lying => ({ from: box.x, to: right(box), side: box.y, far: bottom(box) });
const lyingDown = (box: Box): Lying => ({ from: box.y, to: bottom(box), side: box.x, far: right(box) });

/** Whether two lie side by side rather than off from one another. */
const level = (a: Lying, b: Lying): boolean => Math.min(a.far, b.far) - Math.max(a.side, b.side) > 0.5;

/** The one that ends nearest before another begins, and the one that begins nearest behind its end. */
function nextTo(
  own: Lying,
  others: readonly Lying[],
): { readonly before: Lying | undefined; readonly behind: Lying | undefined } {
  let before: Lying | undefined;
  let behind: Lying | undefined;
  const middle = (own.from + own.to) / 2;
  for (const other of others) {
    if (other === own || !level(own, other)) continue;
    if (other.to <= middle && (!before || other.to > before.to)) before = other;
    if (other.from >= middle && (!behind || other.from < behind.from)) behind = other;
  }
  return { before, behind };
}

/** Works out what a box can be caught by. It costs the square of their number, once for every time a hand takes hold. */
export function neighboursOf(all: readonly Box[]): Neighbours {
  const boxes = all.slice(0, MOST);
  const gaps = (lying: (box: Box) => Lying): { size: number; along: number; off: number }[] => {
    const list = boxes.map(lying);
    return list.flatMap((own) => {
      const { behind } = nextTo(own, list);
      const size = behind ? behind.from - own.to : -1;
      if (!behind || size < 0.5 || size > WIDEST) return [];
      const off = (Math.max(own.side, behind.side) + Math.min(own.far, behind.far)) / 2;
      return [{ size, along: own.to + size / 2, off }];
    });
  };
  return {
    boxes,
    across: gaps(lyingAcross).map(({ size, along, off }) => ({ size, x: along, y: off })),
    down: gaps(lyingDown).map(({ size, along, off }) => ({ size, x: off, y: along })),
  };
}

/** Places for the edges of a box, and for its middle, along one direction. */
export interface Places {
  readonly from: readonly number[];
  readonly to: readonly number[];
  readonly middle: readonly number[];
}

/** Where the edges and the middle of a box would be on one line with others, or as far from its neighbours as they are. */
export function placesFor(box: Box, { boxes, across, down }: Neighbours): { readonly x: Places; readonly y: Places } {
  const along = (lying: (box: Box) => Lying, gaps: readonly Gap[]): Places => {
    const own = lying(box);
    const list = boxes.map(lying);
    const { before, behind } = nextTo(own, list);
    const sizes = [...new Set(gaps.map(({ size }) => size))];
    const from = list.map((other) => other.from);
    const to = list.map((other) => other.to);
    const middle = list.map((other) => (other.from + other.to) / 2);
    if (before) from.push(...sizes.map((size) => before.to + size));
    if (behind) to.push(...sizes.map((size) => behind.from - size));
    if (before && behind) middle.push((before.to + behind.from) / 2);
    return { from, to, middle };
  };
  return { x: along(lyingAcross, across), y: along(lyingDown, down) };
}

/** A line that edges or middles share, or the stretch between a box and its neighbour, to be drawn. */
export type Seen =
  | { readonly is: 'line'; readonly upright: boolean; readonly at: number; readonly from: number; readonly to: number }
  | {
      readonly is: 'gap';
      readonly upright: boolean;
      /** Where across the stretch it is drawn, and from where to where. */
      readonly at: number;
      readonly from: number;
      readonly to: number;
      /** Where another gap of the same size is. */
      readonly as?: 'above' | 'below' | 'left' | 'right' | 'both' | undefined;
    };

/** Points within which two places are the same to whoever looks. */
const SAME = 0.06;

/** What there is to be seen of how a box lies among the others. */
export function seenFrom(box: Box, { boxes, across, down }: Neighbours): Seen[] {
  const out: Seen[] = [];
  const look = (lying: (box: Box) => Lying, gaps: readonly Gap[], upright: boolean) => {
    const own = lying(box);
    const list = boxes.map(lying);
    for (const edge of ['from', 'to', 'middle'] as const) {
      const place = (each: Lying) => (edge === 'middle' ? (each.from + each.to) / 2 : each[edge]);
      const there = list.filter((other) => Math.abs(place(other) - place(own)) < SAME);
      if (there.length === 0) continue;
      const ends = [own, ...there];
      out.push({
        is: 'line',
        upright,
        at: place(own),
        from: Math.min(...ends.map(({ side }) => side)),
        to: Math.max(...ends.map(({ far }) => far)),
      });
    }
    const { before, behind } = nextTo(own, list);
    const distance = (a: Lying, b: Lying): number => b.from - a.to;
    const sides = [...(before ? [[before, own] as const] : []), ...(behind ? [[own, behind] as const] : [])];
    const isEven = before && behind && Math.abs(distance(before, own) - distance(own, behind)) < SAME;
    for (const [a, b] of sides) {
      const size = distance(a, b);
      if (size < 0.5 || size > WIDEST) continue;
      const off = (Math.max(a.side, b.side) + Math.min(a.far, b.far)) / 2;
      const other = gaps.find((gap) => Math.abs(gap.size - size) < SAME);
      const as = isEven
        ? 'both'
        : other && sideOf(other, upright ? (a.to + b.from) / 2 : off, upright ? off : (a.to + b.from) / 2);
      out.push({ is: 'gap', upright: !upright, at: off, from: a.to, to: b.from, as });
    }
  };
  look(lyingAcross, across, true);
  look(lyingDown, down, false);
  return out;
}

/** On which side of a place another is, by the greater way. */
function sideOf({ x, y }: Gap, ownX: number, ownY: number): 'above' | 'below' | 'left' | 'right' {
  const [dx, dy] = [x - ownX, y - ownY];
  if (Math.abs(dy) >= Math.abs(dx)) return dy < 0 ? 'above' : 'below';
  return dx < 0 ? 'left' : 'right';
}
