'use client';

import { useEffect, useMemo, useRef, type PointerEvent as ReactPointerEvent } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import { setAppearance, turnedWithin } from '@/core/actions/appearance';
import { ActionError } from '@/core/actions/edit';
import { placeFrames, type Place } from '@/core/actions/frames';
import { isEmptyFrame } from '@/core/actions/threads';
import { between, type Box, contains, middleOf, type Point } from '@/core/geometry/box';
import { type Neighbours, neighboursOf, seenFrom } from '@/core/geometry/neighbours';
import { withCaptions } from '@/core/page/beside';
import { carriedCopies } from '@/core/actions/copying';
import type { Diff } from '@/core/records/diff';
import { type Document, find } from '@/core/records/document';
import { pageGrid, stretchBetween, stretchBox } from '@/core/page/grid';
import type { PlacedPage } from '@/core/page/pages';
import type { Appearance } from '@/core/properties/look';
import type { FormatRecord, FrameRecord, FurnitureRecord } from '@/core/records/index';
import { followPointer, hasWandered } from '../../../parts/followPointer';
import { isGround } from '@/core/page/ground';
import { pictureTarget, slotAt, targetAt, type Target } from './freeSpace';
import type { Carry, Hand, Marked } from './hand';
import { alongFrame, type FrameInSight, onSpread } from '../frames/frameInSight';
import { catchesOf, type Grip, MOVE, pulled, pulledTurned, type Pull, scaledWith, turnedBy } from './snap';
import type { DeskView } from '../../sheet/useDeskView';
import { onPage } from '../../sheet/view';
import { frameKind, layoutOf, textIn } from '@/core/records/kinds/frames';

/** Of a file that is still on its way nobody knows the shape. */
const UNKNOWN_SHAPE = { width: 4, height: 3 };

/** Pixels within which edges catch on the grid. */
const REACH = 6;

interface Surroundings {
  readonly hand: Hand;
  readonly store: DeskStore;
  readonly composer: ComposerClient;
  readonly desk: DeskView;
  readonly format: FormatRecord;
  readonly pages: readonly PlacedPage[];
  readonly frames: readonly FrameInSight[];
  readonly spread: number;
  readonly allPages: boolean;
  readonly onGo: (spread: number) => void;
  readonly onPlaced: (places: ReadonlyMap<string, Place>, how: Pull) => void;
  readonly onCopied: (places: ReadonlyMap<string, Place>) => void;
  /** @param more what is chosen stays so */
  readonly onGathered: (around: Box, more: boolean) => void;
  readonly onLooks: (frame: string, look: Partial<Appearance>) => void;
  readonly onTurned: (frame: string, rotation: number) => void;
  readonly onSwapped: (one: string, other: string) => void;
  readonly onDropped: (carry: Carry, target: Target) => void;
  /** A tail was pressed, not dragged. */
  readonly onLook: (text: string) => void;
  readonly onNoRoom: () => void;
}

/** Gestures on the desk: moving and pulling frames, marking out stretches, carrying things to them. */
export function useHandling(around: Surroundings) {
  const { hand, format, pages, desk } = around;
  const catches = useMemo(() => catchesOf(format, pages), [format, pages]);
  // A gesture outlives the drawing it began on, even the spread: its listeners ask for what is so now.
  const latest = useRef(around);
  useEffect(() => {
    latest.current = around;
  });

  /**
   * Moves or pulls frames by hand: the text flows under it, and the change is made when they are let go. Several that are
   * sized each grow by as much as the first, or, as a `block`, keep their shares of the box around them.
   */
  const pull = (
    of: readonly FrameInSight[],
    how: Pull,
    start: ReactPointerEvent,
    { onPress, block }: { readonly onPress?: (() => void) | undefined; readonly block?: Box } = {},
  ) => {
    const { store, composer } = around;
    const { k } = desk.view;
    let places: Map<string, Place> | undefined;
    // With Ctrl, what is carried is a copy; with Shift too, a picture changes places with the one under the pointer.
    let copies = false;
    let onto: Target | undefined;
    let neighbours: Neighbours | undefined;
    followPointer(
      (event) => {
        if (!places && !hasWandered(start, event)) return;
        const by = desk.gone(start, event);
        const lead = of[0]!;
        const from = block ?? onSpread(lead);
        const turned = block ? undefined : lead.frame.rotation;
        const isMove = how === MOVE;
        neighbours ??= neighboursAround(
          store.document,
          format,
          around.frames,
          of.map(({ frame }) => frame.id),
        );
        const grip: Grip = {
          reach: event.altKey ? 0 : REACH / k,
          neighbours,
          held: event.shiftKey,
          fromCentre: !isMove && (event.ctrlKey || event.metaKey),
        };
        const to =
          turned && !isMove ? pulledTurned(from, how, by.x, by.y, turned, grip) : pulled(from, how, by.x, by.y, catches, grip);
        const next = new Map<string, Place>();
        const grown = { x: to.x - from.x, y: to.y - from.y, w: to.w - from.w, h: to.h - from.h };
        for (const each of of) {
          const own = onSpread(each);
          const along = { x: own.x + grown.x, y: own.y + grown.y, w: own.w + grown.w, h: own.h + grown.h };
          const box = block ? scaledWith(own, from, to) : each === lead ? to : along;
          // A frame belongs to the page that its middle lies on.
          const middle = box.x + box.w / 2;
          const page = pages.find(({ dx }) => middle >= dx && middle <= dx + format.width) ?? each.page;
          next.set(each.frame.id, { on: page.page.id, box: { ...box, x: box.x - page.dx } });
        }
        copies = isMove && (event.ctrlKey || event.metaKey);
        onto = copies && event.shiftKey && of.length === 1 ? pictureUnder(around.frames, lead, desk.pointAt(event)) : undefined;
        const change = copies ? carriedCopies : placeFrames;
        try {
          // What is only moved always can be, or says why not when it is let go: it is worked out when it is its turn.
          composer.draft(
            onto ? null : isMove ? () => orNothing(() => change(store.document, next)) : change(store.document, next),
          );
          places = next;
        } catch (error) {
          // As small as it can be: it stays as it was a moment ago.
          if (!(error instanceof ActionError)) throw error;
          places ??= new Map(of.map(({ frame, page, box }) => [frame.id, { on: page.page.id, box }]));
        }
        hand.take({
          doing: 'moving',
          places: onto ? new Map() : places,
          seen: onto ? [] : seenFrom(to, neighbours),
          by: isMove && !onto ? grown : undefined,
          onto,
        });
      },
      (event) => {
        hand.rest('moving');
        if (event && onto?.frame) latest.current.onSwapped(of[0]!.frame.id, onto.frame);
        else if (places && event && copies) latest.current.onCopied(places);
        else if (places && event) latest.current.onPlaced(places, how);
        else if (places) composer.draft(null);
        else if (event) onPress?.();
      },
    );
  };

  /** Turns a frame about its middle, caught by every fifteenth degree; Shift holds it to them, Alt frees it of them. */
  const pullTurn = (each: FrameInSight, start: ReactPointerEvent) => {
    const { store, composer } = around;
    const { frame } = each;
    const middle = middleOf(onSpread(each));
    const angle = (event: { clientX: number; clientY: number }) => {
      const at = desk.pointAt(event);
      return (Math.atan2(at.y - middle.y, at.x - middle.x) * 180) / Math.PI;
    };
    const began = angle(start);
    let to: number | undefined;
    followPointer(
      (event) => {
        if (to === undefined && !hasWandered(start, event)) return;
        const how = event.shiftKey ? 'held' : event.altKey ? 'free' : 'caught';
        to = turnedWithin(turnedBy((frame.rotation ?? 0) + angle(event) - began, how));
        hand.take({ doing: 'turning', frame: frame.id, rotation: to });
        composer.draft(setAppearance(store.document, [frame.id], { rotation: to }));
      },
      (event) => {
        hand.rest('turning');
        if (to !== undefined && event) latest.current.onTurned(frame.id, to);
        else if (to !== undefined) composer.draft(null);
      },
    );
  };

  /**
   * Drags something of what a frame looks like, such as a corner of its form: text follows.
   * @param looks what it looks like when the hand has gone so far along its sides, points
   */
  const pullLook = ({ frame }: FrameInSight, start: ReactPointerEvent, looks: (by: Point) => Partial<Appearance>) => {
    const { store, composer } = around;
    let to: Partial<Appearance> | undefined;
    followPointer(
      (event) => {
        if (!to && !hasWandered(start, event)) return;
        to = looks(alongFrame(frame, desk.gone(start, event)));
        hand.take({ doing: 'bending', frame: frame.id, look: to });
        composer.draft(setAppearance(store.document, [frame.id], to));
      },
      (event) => {
        hand.rest('bending');
        if (to && event) latest.current.onLooks(frame.id, to);
        else if (to) composer.draft(null);
      },
    );
  };

  /** Marks out a stretch of grid, or takes the press as one on nothing. */
  const markOut = (start: ReactPointerEvent, onPress: () => void) => {
    const at = onPage(pages, format.width, format.height, desk.pointAt(start));
    let mark: Marked | undefined;
    // From beside the pages, or with Shift, a line is drawn around frames.
    const from = at && !start.shiftKey ? undefined : desk.pointAt(start);
    let gathered: Box | undefined;
    followPointer(
      (event) => {
        if (!hasWandered(start, event)) return;
        if (from) {
          gathered = between(from, desk.pointAt(event));
          return hand.take({ doing: 'gathering', around: gathered });
        }
        if (!at) return;
        const to = desk.pointAt(event);
        const grid = pageGrid(format, at.page.master, at.page.side);
        const stretch = stretchBetween(grid, at, { x: to.x - at.page.dx, y: to.y });
        mark = { page: at.page, stretch, box: stretchBox(grid, stretch) };
        hand.take({ doing: 'marking', marked: mark });
      },
      (event) => {
        hand.rest('marking', 'gathering');
        if (!event) return;
        if (gathered) return latest.current.onGathered(gathered, start.shiftKey);
        if (mark) hand.take({ doing: 'asking', marked: mark });
        else onPress();
      },
    );
  };

  /** What is carried where the pointer is now, and what would take it there. */
  const carriedTo = (
    what: Carry['what'],
    id: string,
    event: { readonly clientX: number; readonly clientY: number; readonly shiftKey: boolean },
  ): Carry => {
    const now = latest.current;
    const cell = window.document.elementFromPoint(event.clientX, event.clientY)?.closest('[data-spread]');
    const to = cell ? Number(cell.getAttribute('data-spread')) : now.spread;
    if (to !== now.spread) now.onGo(to);
    const point = now.desk.pointAt(event);
    const at = point.inside ? onPage(now.pages, now.format.width, now.format.height, point) : undefined;
    if (what === 'finish') {
      const under = at && topmost(now.frames, at, () => true);
      const target = under && { page: under.page, box: under.box, frame: under.frame.id, words: 'this frame gets the finish' };
      return { what, id, x: event.clientX, y: event.clientY, target, allPages: false };
    }
    if (what === 'furniture') {
      const furniture = find(now.store.document, 'furniture', id);
      const target = at && furniture && furnitureTarget(now.format, at, furniture);
      return { what, id, x: event.clientX, y: event.clientY, target, allPages: false };
    }
    const waiting = at && what === 'picture' ? pictureFrameAt(now.format, now.frames, at) : undefined;
    const slot = at && what === 'story' ? slotAt(now.store.document, at.page, at) : undefined;
    const shape = find(now.store.document, 'picture', id) ?? UNKNOWN_SHAPE;
    const free =
      at &&
      (what === 'picture'
        ? pictureTarget(now.format, at.page, at, now.frames, shape)
        : targetAt(now.format, at.page, at, now.frames));
    // Where nothing is free something is still meant: a picture on text is run around there, a story lies on its panel.
    const onto =
      at && !waiting && !slot && !free
        ? what === 'picture'
          ? pictureOnText(now.format, now.frames, at, shape)
          : what === 'story' || what === 'tail'
            ? storyOnPanel(now.format, now.frames, at)
            : undefined
        : undefined;
    const empty = at && what === 'tail' ? emptyFrameAt(now.store.document, now.frames, at) : undefined;
    const target = empty ?? waiting ?? slot ?? free ?? onto;
    const allPages = what !== 'picture' && now.allPages !== event.shiftKey;
    return { what, id, x: event.clientX, y: event.clientY, target, allPages };
  };

  /** Carries something over the desk; over a cell of the page line, that spread comes up. */
  const carryOver = (what: Carry['what'], id: string, start: ReactPointerEvent) => {
    start.stopPropagation();
    let current: Carry | undefined;
    followPointer(
      (event) => {
        if (!current && !hasWandered(start, event)) return;
        current = carriedTo(what, id, event);
        hand.take({ doing: 'carrying', carry: current });
      },
      (event) => {
        hand.rest('carrying');
        if (event && !current && what === 'tail') latest.current.onLook(id);
        if (!event || !current) return;
        if (current.target) latest.current.onDropped(current, current.target);
        else if (what !== 'finish' && latest.current.desk.pointAt(event).inside) latest.current.onNoRoom();
      },
    );
  };

  return { pull, pullTurn, pullLook, markOut, carryOver, carriedTo };
}

/** A change, or none where it cannot be. */
function orNothing(change: () => Diff): Diff | null {
  try {
    return change();
  } catch (error) {
    if (error instanceof ActionError) return null;
    throw error;
  }
}

/** What a hand that moves frames is caught by: what goes along with them, and what lies under everything, is no neighbour. */
function neighboursAround(
  document: Document,
  format: FormatRecord,
  frames: readonly FrameInSight[],
  moved: readonly string[],
): Neighbours {
  const own = new Set(withCaptions(document, moved));
  return neighboursOf(frames.filter(({ frame, box }) => !own.has(frame.id) && !isGround(format, box)).map(onSpread));
}

/** Where a piece of furniture lies that is held by its middle: on the columns and the baseline grid of its page. */
function furnitureTarget(
  format: FormatRecord,
  { page, x, y }: { page: PlacedPage; x: number; y: number },
  { name, width, height }: FurnitureRecord,
): Target {
  const grid = pageGrid(format, page.master, page.side);
  const left = x - width / 2;
  const column = grid.columns.reduce((a, b) => (Math.abs(b.x - left) < Math.abs(a.x - left) ? b : a));
  const top = grid.first - grid.step;
  const box = { x: column.x, y: top + Math.round((y - height / 2 - top) / grid.step) * grid.step, w: width, h: height };
  return { page, box, words: `${name} lies here` };
}

/** The topmost frame under a point that will do. */
const topmost = (
  frames: readonly FrameInSight[],
  at: { page: PlacedPage; x: number; y: number },
  does: (frame: FrameInSight) => boolean,
): FrameInSight | undefined =>
  [...frames].reverse().find((each) => each.page === at.page && contains(each.box, at) && does(each));

/** The picture under a point of the spread with which another would change places. */
function pictureUnder(frames: readonly FrameInSight[], moved: FrameInSight, at: Point): Target | undefined {
  const isFilled = ({ frame: { content } }: FrameInSight) => content.type === 'picture' && content.picture !== undefined;
  if (!isFilled(moved)) return undefined;
  const under = [...frames].reverse().find((each) => each !== moved && contains(onSpread(each), at) && isFilled(each));
  return under && { page: under.page, box: under.box, frame: under.frame.id, words: 'changes places with this picture' };
}

/** What putting a picture into a frame means, in words. */
const words = ({ content }: FrameRecord): string | undefined => frameKind(content).takesPicture?.(content);

/** The picture frame under a point, which a carried picture would fill. */
function pictureFrameAt(
  format: FormatRecord,
  frames: readonly FrameInSight[],
  at: { page: PlacedPage; x: number; y: number },
): Target | undefined {
  const under = topmost(frames, at, ({ frame, box }) => !isGround(format, box) && words(frame) !== undefined);
  return under && { page: under.page, box: under.box, words: words(under.frame)!, frame: under.frame.id };
}

/** The frame under a point that waits for words, in which a text would go on. */
function emptyFrameAt(
  document: Document,
  frames: readonly FrameInSight[],
  at: { page: PlacedPage; x: number; y: number },
): Target | undefined {
  const under = topmost(frames, at, ({ frame }) => isEmptyFrame(document, frame));
  return under && { page: under.page, box: under.box, words: 'into this frame', frame: under.frame.id };
}

/** Over the columns of text under a point, as deep as the picture's own form asks: the text runs around it. */
function pictureOnText(
  format: FormatRecord,
  frames: readonly FrameInSight[],
  at: { page: PlacedPage; x: number; y: number },
  { width, height }: { readonly width: number; readonly height: number },
): Target | undefined {
  const under = frames.find(({ frame, page, box }) => textIn(frame) !== undefined && page === at.page && contains(box, at));
  const layout = under && layoutOf(under.frame.content);
  if (!under || !layout) return undefined;
  const { columns, gutter } = layout;
  const { box } = under;
  const grid = pageGrid(format, at.page.master, at.page.side);
  const w = (box.w - gutter * (columns - 1)) / columns;
  const column = Math.max(0, Math.min(columns - 1, Math.floor((at.x - box.x) / (w + gutter))));
  const lines = Math.max(3, Math.round((w * height) / width / grid.step));
  const h = Math.min(lines * grid.step, box.h);
  const first = grid.first - grid.step;
  const line = Math.round((at.y - h / 2 - first) / grid.step);
  const y = Math.max(box.y, Math.min(box.y + box.h - h, first + line * grid.step));
  return { page: at.page, box: { x: box.x + column * (w + gutter), y, w, h }, words: 'here, the text runs around it' };
}

/** Inside a panel under a point, with room between its edge and the text. */
function storyOnPanel(
  format: FormatRecord,
  frames: readonly FrameInSight[],
  at: { page: PlacedPage; x: number; y: number },
): Target | undefined {
  const under = topmost(frames, at, ({ frame }) => frameKind(frame.content).isGround === true);
  if (!under) return undefined;
  const { x, y, w, h } = under.box;
  const inset = Math.min(PANEL_INSET, w / 6, h / 6);
  const box = { x: x + inset, y: y + inset, w: w - 2 * inset, h: h - 2 * inset };
  return box.h >= 4 * format.baseline.step ? { page: at.page, box, words: 'onto this panel', on: under.frame.id } : undefined;
}

/** Points between the edge of a panel and the text laid on it (common practice: 3 mm or so). */
const PANEL_INSET = 9;
