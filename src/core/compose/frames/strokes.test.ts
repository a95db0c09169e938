import { describe, expect, it } from 'vitest';
import { doubleArea, outlineBox } from '../../geometry/outline';
import { contourOf, contourPath, outlineOf, pathOf } from './contours';
import { borderStroke, ruleOutline } from './strokes';

const BOX = { x: 10, y: 20, w: 200, h: 100 };
const area = (outline: readonly (readonly number[])[]) => Math.abs(outline.reduce((sum, ring) => sum + doubleArea(ring), 0)) / 2;
const inked = { swatch: 'ink', tint: 1 };

describe('edges of frames', () => {
  it('have the areas that geometry gives them', () => {
    const of = (shape: Parameters<typeof contourOf>[0]) => area(outlineOf(contourOf(shape, BOX)));
    expect(of(undefined)).toBe(200 * 100);
    expect(of({ type: 'ellipse' }) / (Math.PI * 100 * 50)).toBeCloseTo(1, 3);
    expect(of({ type: 'rounded', radius: 20 })).toBeCloseTo(200 * 100 - (4 - Math.PI) * 400, -1);
    const corner = (form: 'square' | 'rounded' | 'cut' | 'scooped') => ({ form, size: 20 });
    const corners = {
      type: 'corners',
      topLeft: corner('rounded'),
      topRight: corner('cut'),
      bottomRight: corner('scooped'),
      bottomLeft: corner('square'),
    } as const;
    const off = (1 - Math.PI / 4) * 400 + 200 + (Math.PI / 4) * 400;
    expect(of(corners)).toBeCloseTo(200 * 100 - off, -1);
    // Half an ellipse on what is left of the box.
    expect(of({ type: 'arch', rise: 60 })).toBeCloseTo(200 * 40 + (Math.PI * 100 * 60) / 2, -1);
  });

  it('never reach over the half of a side', () => {
    const box = outlineBox(outlineOf(contourOf({ type: 'rounded', radius: 9000 }, BOX)))!;
    expect(box).toEqual(BOX);
    const size = 9000;
    const all = { form: 'cut', size } as const;
    expect(
      outlineBox(outlineOf(contourOf({ type: 'corners', topLeft: all, topRight: all, bottomRight: all, bottomLeft: all }, BOX))),
    ).toEqual(BOX);
  });

  it('are the same as path data and as points', () => {
    expect(contourPath(contourOf(undefined, BOX), String)).toBe('M10 20L210 20L210 120L10 120Z');
    expect(pathOf(contourOf({ type: 'ellipse' }, BOX))[0]).toHaveLength(24);
  });
});

describe('borders', () => {
  const contour = contourOf(undefined, BOX);
  it('lie on the edge, inside it or outside', () => {
    const of = (align?: 'inside' | 'outside') =>
      outlineBox(outlineOf(borderStroke(contour, { ...inked, weight: 6, align }).contour));
    expect(of()).toEqual(BOX);
    expect(of('inside')).toEqual({ x: 13, y: 23, w: 194, h: 94 });
    expect(of('outside')).toEqual({ x: 7, y: 17, w: 206, h: 106 });
  });

  it('are dashed by a whole number of dashes, three weights long and two apart about', () => {
    const { contour: dashes, stroke } = borderStroke(contour, { ...inked, weight: 4, line: 'dashed' });
    expect(stroke).toBe(0);
    const count = 600 / (5 * 4);
    expect(outlineOf(dashes)).toHaveLength(count);
    expect(area(outlineOf(dashes))).toBeCloseTo(count * 12 * 4, -1);
    const { contour: dots } = borderStroke(contour, { ...inked, weight: 4, line: 'dotted' });
    expect(outlineOf(dots)).toHaveLength(600 / 8);
  });

  it('of more pieces than anybody sees are plain', () => {
    expect(borderStroke(contourOf(undefined, { ...BOX, w: 20_000 }), { ...inked, weight: 0.1, line: 'dotted' }).stroke).toBe(0.1);
  });
});

describe('rules', () => {
  const line = { x: 0, y: 100, w: 300, h: 2 };
  it('are their box where nothing is said of them', () => {
    expect(ruleOutline({ type: 'rule', weight: 2 }, line)).toBeUndefined();
  });

  it('have ends, within their length, across as wide as they must be', () => {
    const arrow = outlineBox(ruleOutline({ type: 'rule', weight: 2, end: 'arrow' }, line)!)!;
    expect(arrow.x).toBeCloseTo(0, 2);
    expect(arrow.x + arrow.w).toBeCloseTo(300, 2);
    expect(arrow.y + arrow.h / 2).toBeCloseTo(101, 2);
    expect(arrow.h).toBeCloseTo(8, 2);
    // Upright, its upper end is its start.
    const upright = outlineBox(ruleOutline({ type: 'rule', weight: 2, start: 'bar' }, { x: 50, y: 0, w: 2, h: 300 })!)!;
    expect(upright.y).toBeCloseTo(0, 2);
    expect(upright.w).toBeCloseTo(8, 2);
  });

  it('wave about their line, and are double by two thirds of their weight', () => {
    const wave = outlineBox(ruleOutline({ type: 'rule', weight: 2, line: 'wavy' }, line)!)!;
    expect(wave.y + wave.h / 2).toBeCloseTo(101, 0);
    expect(wave.h).toBeGreaterThan(6);
    expect(area(ruleOutline({ type: 'rule', weight: 6, line: 'double' }, { ...line, h: 6 })!)).toBeCloseTo((300 * 6 * 2) / 3, 5);
  });
});
