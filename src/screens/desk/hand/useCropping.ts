'use client';

import { type PointerEvent as ReactPointerEvent, useEffect, useMemo } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import { setCrop } from '@/core/actions/pictures';
import type { Point } from '@/core/geometry/box';
import { cropValues, movedCrop, zoomedCrop } from '@/core/pictures/placing';
import type { CropValues } from '@/core/properties/crop';
import { type Document, find } from '@/core/records/document';
import type { PictureContent } from '@/core/records/frame';
import type { FrameRecord, PictureRecord } from '@/core/records/index';
import { followPointer, hasWandered } from '../../../parts/followPointer';
import { useLatest } from '../../frame/useLatest';
import type { DeskView, Zoomer } from '../../sheet/useDeskView';
import { alongFrame } from '../frames/frameInSight';
import type { useDeskActions } from '../frames/useDeskActions';
import type { Hand } from './hand';

interface Around {
  readonly hand: Hand;
  readonly store: DeskStore;
  readonly composer: ComposerClient;
  readonly view: DeskView;
  readonly actions: ReturnType<typeof useDeskActions>;
}

/** A picture in the frame that somebody is inside of. */
export interface Inside {
  readonly frame: FrameRecord & { readonly content: PictureContent };
  readonly picture: PictureRecord;
  /** As it lies in the hand now. */
  readonly crop: CropValues;
}

/** The picture of a frame, and how it lies there. */
export function insideOf(document: Document, id: string, crop?: CropValues): Inside | undefined {
  const frame = find(document, 'frame', id);
  if (frame?.content.type !== 'picture') return undefined;
  const picture = find(document, 'picture', frame.content.picture);
  if (!picture) return undefined;
  return { frame: { ...frame, content: frame.content }, picture, crop: crop ?? cropValues(frame.box, picture, frame.content) };
}

/** Milliseconds without another turn of the wheel or press of a key after which what they did is one change. */
const QUIET = 350;

/** What is done inside a picture: it moves, grows and turns under its frame, and what that comes to is made when the hand rests. */
export function useCropping(around: Around) {
  const { hand, store, composer, view, actions } = around;
  const latest = useLatest(() => around.view);

  const cropping = useMemo(() => {
    let timer: ReturnType<typeof setTimeout> | undefined;
    /** What is not a change yet. */
    let pending: { readonly frame: string; readonly crop: CropValues; readonly label: keyof CropValues } | undefined;

    const now = (): Inside | undefined => {
      const doing = hand.now();
      return doing.doing === 'cropping' ? insideOf(store.document, doing.frame, doing.crop) : undefined;
    };
    const settle = () => {
      clearTimeout(timer);
      const done = pending;
      pending = undefined;
      if (!done) return;
      const { fit: _, ...values } = done.crop;
      // What is named first is what the change is called by.
      actions.put('crop', [done.frame], { [done.label]: values[done.label as keyof typeof values], ...values });
      const doing = hand.now();
      if (doing.doing === 'cropping') hand.take({ doing: 'cropping', frame: doing.frame });
    };
    const show = (inside: Inside, crop: CropValues, label: keyof CropValues) => {
      pending = { frame: inside.frame.id, crop, label };
      hand.take({ doing: 'cropping', frame: inside.frame.id, crop });
      composer.draft(setCrop(store.document, [inside.frame.id], crop));
    };
    const soon = () => {
      clearTimeout(timer);
      timer = setTimeout(settle, QUIET);
    };
    return {
      now,
      settle,
      enter: (frame: string) => {
        if (insideOf(store.document, frame)) hand.take({ doing: 'cropping', frame });
      },
      leave: () => {
        settle();
        hand.rest('cropping');
      },
      /** Moves the picture under its frame; with Alt also so far that a part of the frame is bare. */
      drag: (start: ReactPointerEvent) => {
        settle();
        const from = now();
        if (!from) return;
        let moved = false;
        followPointer(
          (event) => {
            if (!moved && !hasWandered(start, event)) return;
            moved = true;
            const by = alongFrame(from.frame, latest().gone(start, event));
            show(from, movedCrop(from.frame.box, from.picture, from.crop, by, !event.altKey), 'x');
          },
          (event) => {
            if (event) return settle();
            pending = undefined;
            composer.draft(null);
            hand.take({ doing: 'cropping', frame: from.frame.id });
          },
        );
      },
      nudge: (x: number, y: number) => {
        const inside = now();
        if (!inside) return;
        show(inside, movedCrop(inside.frame.box, inside.picture, inside.crop, alongFrame(inside.frame, { x, y }), true), 'x');
        soon();
      },
      /** @param at the point of the spread that stays where it is; the middle of the frame when not said */
      zoom: (factor: number, at?: Point & { readonly dx: number }) => {
        const inside = now();
        if (!inside) return;
        const { x, y, w, h } = inside.frame.box;
        const point = at ? alongFrame(inside.frame, { x: at.x - at.dx - x - w / 2, y: at.y - y - h / 2 }) : { x: 0, y: 0 };
        show(inside, zoomedCrop(inside.frame.box, inside.picture, inside.crop, point, factor), 'zoom');
        soon();
      },
      turn: (degrees: number) => {
        const inside = now();
        if (!inside) return;
        show(inside, { ...inside.crop, turn: inside.crop.turn + degrees }, 'turn');
        soon();
      },
    };
  }, [hand, store, composer, actions, latest]);

  // Whatever ends it makes what is pending a change.
  useEffect(
    () =>
      hand.subscribe(() => {
        if (hand.now().doing !== 'cropping') cropping.settle();
      }),
    [hand, cropping],
  );
  const zoomAt: Zoomer = useLatest((at, factor) => {
    const over = at.target instanceof Element ? at.target.closest('[data-cropping]') : null;
    if (!cropping.now() || !over) return false;
    cropping.zoom(factor, { ...view.pointAt(at), dx: Number(over.getAttribute('data-dx')) });
    return true;
  });
  const { onZoom } = view;
  useEffect(() => onZoom(zoomAt), [onZoom, zoomAt]);
  return cropping;
}

export type Cropping = ReturnType<typeof useCropping>;
