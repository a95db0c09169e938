import { describe, expect, it } from 'vitest';
import { document, flawOf } from '../../../tests/support/documents';
import { everything } from '../../../tests/support/everything';
import { composerFor } from '../../../tests/support/faces';
import { contourOf, outlineOf } from '../compose/frames/contours';
import { doubleArea, outlineBox } from '../geometry/outline';
import { PER_POINT } from '../geometry/path';
import { applied as done } from '../records/diff';
import { all, find, get } from '../records/document';
import type { FrameRecord } from '../records/index';
import { setAppearance } from './appearance';
import { ActionError } from './edit';
import {
  combineFrames,
  type FreeOutline,
  lettersToFrame,
  MOST_POINTS,
  putOutline,
  withoutPathPoint,
  withPathPoint,
  withPathPointAfter,
  withRoundness,
} from './forms';
import { DrawingError, drawnPath, isDrawn, MOST_DRAWN } from '../../formats/svg/drawnPath';

const panel = (id: string, x: number, order: string): FrameRecord =>
  ({ ...get(document(...everything), 'frame', 'panel'), id, box: { x, y: 100, w: 100, h: 80 }, order }) as FrameRecord;
const doc = document(...everything, panel('a', 100, 'a8'), panel('b', 160, 'a9'));
const areaOf = ({ shape, box }: FrameRecord) =>
  Math.abs(outlineOf(contourOf(shape, box)).reduce((sum, ring) => sum + doubleArea(ring), 0)) / 2;

describe('forms of several frames', () => {
  it.each([
    ['join', 160 * 80],
    ['subtract', 60 * 80],
    ['intersect', 40 * 80],
  ] as const)('%s into the lowest', (how, area) => {
    const after = done(doc, combineFrames(doc, ['b', 'a'], how));
    expect(find(after, 'frame', 'b')).toBeUndefined();
    const frame = get(after, 'frame', 'a');
    expect(areaOf(frame)).toBeCloseTo(area, 0);
    expect(flawOf(frame)).toBeUndefined();
    expect(frame.fill).toEqual(get(doc, 'frame', 'a').fill);
  });

  it('are refused where nothing would be left, or on several pages', () => {
    expect(() => combineFrames(doc, ['a', 'panel'], 'intersect')).toThrow('Nothing would be left');
    expect(() => combineFrames(doc, ['a', 'pf2'], 'join')).toThrow(ActionError);
    expect(() => combineFrames(doc, ['a'], 'join')).toThrow(ActionError);
  });

  it('turned by a rotation are taken as they lie', () => {
    const turned = done(doc, setAppearance(doc, ['b'], { rotation: 90 }));
    const after = done(turned, combineFrames(turned, ['a', 'b'], 'join'));
    // b stands upright now, 80 wide and 100 high about its middle.
    expect(get(after, 'frame', 'a').box).toMatchObject({ x: 100, w: 150 });
  });
});

describe('a letter or word', () => {
  it('becomes the form of a picture frame', async () => {
    const { composer, shaper } = await composerFor(doc);
    const after = done(doc, lettersToFrame(doc, 'grown', composer, shaper));
    expect(find(after, 'frame', 'grown')).toBeUndefined();
    const made = all(after, 'frame').find(({ id }) => !find(doc, 'frame', id))!;
    expect(made.content).toEqual({ type: 'picture', fit: 'fill' });
    expect(made.shape?.type).toBe('outline');
    expect(flawOf(made)).toBeUndefined();
    // As wide as its words are, about: it lies where they were.
    expect(made.box.x).toBeGreaterThanOrEqual(49);
    expect(() => lettersToFrame(doc, 'panel', composer, shaper)).toThrow('no letters');
  });
});

describe('points of a form', () => {
  const round = (): FreeOutline =>
    get(done(doc, setAppearance(doc, ['pf2'], { shape: { type: 'outline', rings: [] } })), 'frame', 'pf2').shape as FreeOutline;

  it('begin where the form that there was had them', () => {
    expect(round().rings[0]).toHaveLength(4 * PER_POINT);
    expect(outlineBox(outlineOf(contourOf(round(), { x: 0, y: 0, w: 60, h: 60 })))!.w).toBeCloseTo(60, 5);
  });

  it('are moved with their handles, and a handle turns the other one along', () => {
    const moved = withPathPoint(round(), { ring: 0, point: 0, part: 'place' }, 0.6, 0.1);
    expect(moved.rings[0]!.slice(0, 2)).toEqual([0.6, 0.1]);
    expect(moved.rings[0]![4]! - 0.6).toBeCloseTo(round().rings[0]![4]! - 0.5, 9);
    const bent = withPathPoint(round(), { ring: 0, point: 0, part: 'out' }, 0.5, 0.3).rings[0]!;
    // Straight down on one side is straight up on the other.
    expect(bent[2]).toBeCloseTo(0.5, 9);
    expect(bent[3]).toBeLessThan(0);
  });

  it('are put in without changing the form, taken out, and made corners', () => {
    const more = withPathPointAfter(round(), 0, 1);
    expect(more.rings[0]).toHaveLength(5 * PER_POINT);
    const area = (shape: FreeOutline) => areaOf({ ...get(doc, 'frame', 'pf2'), shape });
    expect(area(more)).toBeCloseTo(area(round()), 0);
    expect(withoutPathPoint(more, 0, 2).rings[0]).toHaveLength(4 * PER_POINT);
    const corner = withRoundness(round(), 0, 0);
    expect(corner.rings[0]!.slice(0, 6)).toEqual([0.5, 0, 0.5, 0, 0.5, 0]);
    expect(withRoundness(corner, 0, 0).rings[0]![4]).toBeGreaterThan(0.5);
    const flat: FreeOutline = { type: 'outline', rings: [[0, 0, 0, 0, 0, 0, 1, 1, 1, 1, 1, 1, 0, 1, 0, 1, 0, 1]] };
    expect(() => withoutPathPoint(flat, 0, 0)).toThrow(ActionError);
  });
});

describe('drawings from elsewhere', () => {
  it('are told from copy', () => {
    for (const drawn of ['M0 0h10v10z', ' m 1,2 L3-4 5.5e-1.2Z', '<svg viewBox="0 0 1 1"/>', '<?xml version="1.0"?>\n<svg/>'])
      expect(isDrawn(drawn)).toBe(true);
    for (const copy of ['M', 'Made of wood', 'M25 is closed', 'The <svg> element']) expect(isDrawn(copy)).toBe(false);
  });

  it('become forms as large as they were drawn, open paths closed', () => {
    const path = drawnPath('M0 0H96V48H0');
    expect(path).toHaveLength(1);
    const { diff, frame } = putOutline(doc, 'p1', path, { x: 100, y: 100, w: 200, h: 200 });
    const made = get(done(doc, diff), 'frame', frame);
    // 96 CSS pixels are an inch.
    expect(made.box).toEqual({ x: 164, y: 182, w: 72, h: 36 });
    expect(areaOf(made)).toBeCloseTo(72 * 36, 5);
    expect(flawOf(made)).toBeUndefined();
  });

  it('have the area that SVG gives them: arcs, quadratic curves, transforms, plain shapes', () => {
    const size = (words: string) => {
      const { diff, frame } = putOutline(doc, 'p1', drawnPath(words), { x: 0, y: 0, w: 9000, h: 9000 });
      return areaOf(get(done(doc, diff), 'frame', frame)) / 0.75 ** 2;
    };
    expect(size('M0 50A50 50 0 1 0 100 50A50 50 0 1 0 0 50Z') / (Math.PI * 2500)).toBeCloseTo(1, 3);
    // Under a parabola: two thirds of the box around it (Archimedes, Quadrature of the Parabola).
    expect(size('M0 60Q50 -60 100 60Z')).toBeCloseTo((2 / 3) * 100 * 60, -1);
    expect(size('<svg><g transform="scale(2)"><rect x="1" y="1" width="30" height="20"/></g></svg>')).toBeCloseTo(4 * 600, 3);
    expect(
      size('<svg><defs><circle r="500"/></defs><ellipse cx="9" cy="9" rx="40" ry="20"/></svg>') / (Math.PI * 800),
    ).toBeCloseTo(1, 3);
    expect(size('<svg><polygon points="0,0 40,0 0,30"/></svg>')).toBeCloseTo(600, 3);
  });

  it('are refused with a sentence where they cannot be', () => {
    expect(() => drawnPath('<svg><text>Words</text></svg>')).toThrow(DrawingError);
    expect(() => drawnPath('M0 0L10 10Q')).toThrow('cannot be read');
    expect(() => putOutline(doc, 'p1', drawnPath('M0 0L10 0L20 0'), { x: 0, y: 0, w: 9, h: 9 })).toThrow('no area');
    const many = `M0 0${Array.from({ length: MOST_DRAWN + 1 }, (_, i) => `L${i} ${i % 7}`).join('')}Z`;
    expect(() => drawnPath(many)).toThrow('20,000 points');
  });

  it('of very many points are simplified to what a page can tell apart', () => {
    const wavy = `M0 0${Array.from({ length: 15_000 }, (_, i) => `L${i / 10} ${100 + 40 * Math.sin(i / 90)}`).join('')}L1500 0Z`;
    const { diff, frame } = putOutline(doc, 'p1', drawnPath(wavy), { x: 0, y: 0, w: 2000, h: 2000 });
    const made = get(done(doc, diff), 'frame', frame);
    const rings = (made.shape as FreeOutline).rings;
    expect(rings.reduce((sum, ring) => sum + ring.length / PER_POINT, 0)).toBeLessThanOrEqual(MOST_POINTS);
    expect(flawOf(made)).toBeUndefined();
  });
});
