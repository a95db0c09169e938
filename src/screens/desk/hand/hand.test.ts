import { describe, expect, it } from 'vitest';
import { baseRecords, document, textFrame } from '../../../../tests/support/documents';
import type { Box } from '@/core/geometry/box';
import { neighboursOf } from '@/core/geometry/neighbours';
import { formatOf, placedPages } from '@/core/page/pages';
import { type Document, framesOn } from '@/core/records/document';
import type { DocumentRecord } from '@/core/records/index';
import { continuation } from './freeSpace';
import { catchesOf, caughtBy, MOVE, pulled, scaledWith, turnedBy } from './snap';

// Columns of 90 pt: on right pages from 50, 155 and 260; the type area is 300 by 504 pt from (50, 48).

describe('a hand', () => {
  const doc = document(...baseRecords(1));
  // The first page is a right one; it is taken for itself, as if it began the spread.
  const catches = catchesOf(
    formatOf(doc),
    placedPages(doc).map((page) => ({ ...page, dx: 0 })),
  );

  it('brings a left edge to where a column begins, never to where the one before ends', () => {
    // 140 is where column 1 ends, 155 where column 2 begins: 144 is nearer to the end of the first.
    const box = { x: 60, y: 100, w: 40, h: 40 };
    expect(pulled(box, MOVE, 91, 0, catches, { reach: 6 }).x).toBe(155);
    expect(pulled(box, { ...MOVE, left: true }, -8, 0, catches, { reach: 6 }).x).toBe(50);
    for (const x of [136, 138, 142, 144])
      expect(pulled({ ...box, x, w: 300 }, MOVE, 0, 0, catches, { reach: 6 }).x).not.toBe(140);
  });

  it('brings a right edge to where a column ends', () => {
    const box = { x: 155, y: 100, w: 70, h: 40 };
    const pull = { ...MOVE, right: true };
    expect(pulled(box, pull, 17, 0, catches, { reach: 6 })).toMatchObject({ x: 155, w: 90 });
    // At 256 column 3 is about to begin, but nothing ends there.
    expect(pulled(box, pull, 31, 0, catches, { reach: 6 })).toMatchObject({ w: 101 });
  });
});

describe('a hand that holds', () => {
  const none = { left: [], right: [], y: [] };
  const box = { x: 100, y: 100, w: 80, h: 40 };
  const free = { reach: 0 };

  it('to one direction goes the farther of the two ways', () => {
    expect(pulled(box, MOVE, 30, -7, none, { ...free, held: true })).toEqual({ ...box, x: 130 });
    expect(pulled(box, MOVE, 3, -7, none, { ...free, held: true })).toEqual({ ...box, y: 93 });
  });

  it('to a shape keeps it, whatever is pulled, and what lies across from that stays', () => {
    const corner = { ...MOVE, right: true, bottom: true };
    expect(pulled(box, corner, 40, 5, none, { ...free, held: true })).toEqual({ x: 100, y: 100, w: 120, h: 60 });
    const leftTop = { ...MOVE, left: true, top: true };
    expect(pulled(box, leftTop, -40, 0, none, { ...free, held: true })).toEqual({ x: 60, y: 80, w: 120, h: 60 });
    expect(pulled(box, { ...MOVE, right: true }, 40, 0, none, { ...free, held: true })).toEqual({ x: 100, y: 90, w: 120, h: 60 });
  });

  it('the middle sizes to both sides of it', () => {
    expect(pulled(box, { ...MOVE, right: true }, 10, 0, none, { ...free, fromCentre: true })).toEqual({
      x: 90,
      y: 100,
      w: 100,
      h: 40,
    });
    const corner = { ...MOVE, left: true, top: true };
    expect(pulled(box, corner, -20, 0, none, { ...free, held: true, fromCentre: true })).toEqual({ x: 80, y: 90, w: 120, h: 60 });
  });

  it('a block keeps what each has of it', () => {
    const from = { x: 100, y: 100, w: 200, h: 100 };
    const to = { x: 50, y: 100, w: 300, h: 50 };
    expect(scaledWith({ x: 100, y: 100, w: 80, h: 40 }, from, to)).toEqual({ x: 50, y: 100, w: 120, h: 20 });
    expect(scaledWith({ x: 220, y: 160, w: 80, h: 40 }, from, to)).toEqual({ x: 230, y: 130, w: 120, h: 20 });
  });

  it('a turn is caught by every fifteenth degree that is near, held to them, or free', () => {
    expect([32, 26, 43.02, -88].map((degrees) => turnedBy(degrees, 'caught'))).toEqual([30, 26, 45, -90]);
    expect([32, 38, -7.6].map((degrees) => turnedBy(degrees, 'held'))).toEqual([30, 45, -15]);
    expect(turnedBy(30.44, 'free')).toBe(30.4);
  });

  it('a guide is brought to the nearest line within reach', () => {
    expect(caughtBy(103, [90, 100, 110], 6)).toBe(100);
    expect(caughtBy(103, [90, 110], 6)).toBe(103);
  });

  it('never turns a box inside out', () => {
    expect(pulled(box, { ...MOVE, left: true }, 500, 0, none, free)).toEqual({ ...box, x: 176, w: 4 });
  });

  it('brings an edge to the gap that others have, before a column that is farther', () => {
    const neighbours = neighboursOf([
      { x: 0, y: 100, w: 80, h: 40 },
      { x: 90, y: 100, w: 80, h: 40 },
    ]);
    expect(pulled({ ...box, x: 300 }, MOVE, -122.5, 0, { ...none, left: [174] }, { reach: 6, neighbours }).x).toBe(180);
    expect(pulled({ ...box, x: 300 }, MOVE, -122.5, 0, { ...none, left: [177] }, { reach: 6, neighbours }).x).toBe(177);
  });
});

describe('a text that goes on', () => {
  const area = { x: 50, y: 48, w: 300, h: 504 };
  const onPage = (doc: Document, frame: string) => {
    const pages = placedPages(doc);
    const framesOf = (of: typeof pages) =>
      of.flatMap((page) => framesOn(doc, page.page.id).map((each) => ({ frame: each, page, box: each.box })));
    const last = framesOf(pages).find((each) => each.frame.id === frame)!;
    const target = continuation(formatOf(doc), last, pages, framesOf);
    return target && { page: target.page.number, ...target.box };
  };
  const issue = (...frames: readonly DocumentRecord[]) => document(...baseRecords(6), ...frames);
  const filled = (id: string, page: number, box: Box = area) => textFrame(id, `text-${id}`, `p${page}`, box);

  it('takes the page behind, however much is free before it', () => {
    for (const page of [1, 2, 3, 4, 5]) expect(onPage(issue(filled('a', page)), 'a')).toMatchObject({ page: page + 1 });
    expect(onPage(issue(filled('a', 6)), 'a')).toBeUndefined();
  });

  it('takes the columns beside it first, then what is below, then the next page with room for four lines', () => {
    const column = { ...area, w: 90 };
    expect(onPage(issue(filled('a', 1, column)), 'a')).toMatchObject({ page: 1, x: 155 });
    expect(onPage(issue(filled('a', 1, { ...area, h: 240 })), 'a')).toMatchObject({ page: 1, x: 50, y: 288 });
    // Three lines are left at the foot, and page 2 is taken: page 3.
    expect(onPage(issue(filled('a', 1, { ...area, h: 468 }), filled('b', 2)), 'a')).toMatchObject({ page: 3 });
  });

  it('stays in its section', () => {
    const section = (id: string, from: string): DocumentRecord => ({ id, kind: 'section', name: id, from });
    const sections = [section('news', 'p1'), section('sport', 'p4')];
    expect(onPage(issue(filled('a', 2), ...sections), 'a')).toMatchObject({ page: 3 });
    expect(onPage(issue(filled('a', 3), ...sections), 'a')).toBeUndefined();
  });

  it('does not go back to columns on its left', () => {
    expect(onPage(issue(filled('a', 1, { ...area, x: 260, w: 90 })), 'a')).toMatchObject({ page: 2 });
  });
});
