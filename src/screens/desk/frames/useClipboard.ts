'use client';

import { useEffect, useRef } from 'react';
import { type Clip, clipOf, pasteFrames } from '@/core/actions/copying';
import { putOutline } from '@/core/actions/forms';
import { removeFrames } from '@/core/actions/frames';
import { standing } from '@/core/page/beside';
import { drawnPath, isDrawn } from '@/formats/svg/drawnPath';
import { counted } from '@/core/records/count';
import { isTyping } from '../../frame/commands/command';
import { useLatest } from '../../frame/useLatest';
import { onPage } from '../../sheet/view';
import type { Desk } from '../useDesk';

/** What the clipboard calls frames; only we read it. */
const FRAMES = 'application/x-restless-kite-frames';

/** What was taken up last, for whoever pastes by a menu: a browser does not let a page read its clipboard unasked. */
let last: Clip | undefined;

/** Whether there is something to be pasted. */
export const hasClip = (): boolean => last !== undefined;

/** Copying, cutting and pasting of frames: by the browser's own events, so that its menu and other tabs take part. */
export function useClipboard(
  desk: Pick<Desk, 'hand' | 'held' | 'store' | 'place' | 'say' | 'chosen' | 'spread' | 'view' | 'format'>,
) {
  const { hand, store, place, say, chosen } = desk;
  const pointer = useRef<{ clientX: number; clientY: number } | undefined>(undefined);
  const isFree = (event: Event) =>
    !event.defaultPrevented && hand.now().doing === 'choosing' && !isTyping(event as unknown as KeyboardEvent);

  const takeUp = (data: DataTransfer, cut: boolean) => {
    const ids = desk.held.map(({ frame }) => frame.id);
    const clip = clipOf(store.document, place.document, ids, cut);
    data.setData(FRAMES, JSON.stringify(clip));
    data.setData('text/plain', clip.words);
    last = clip;
    if (!cut) return;
    store.act(ids.length === 1 ? 'Cut a frame' : `Cut ${ids.length} frames`, (document) => removeFrames(document, ids));
    chosen.clear();
  };
  /** The page under the pointer; that of what is chosen; else the first in sight. */
  const targetPage = () => {
    const { pages } = desk.spread;
    const point = pointer.current && desk.view.pointAt(pointer.current);
    const under = point?.inside ? onPage(pages, desk.format.width, desk.format.height, point)?.page : undefined;
    return (under ?? desk.held[0]?.page ?? pages[0]!).page.id;
  };
  const paste = (taken: () => Clip, inPlace: boolean) => {
    try {
      const clip = taken();
      const diff = pasteFrames(store.document, place.document, clip, { page: targetPage(), inPlace });
      store.do(`Paste ${counted(clip.frames.length, 'frame')}`, diff);
      chosen.choose(standing([...diff.added, ...diff.updated.map(({ after }) => after)]));
    } catch (error) {
      say((error as Error).message, 'wrong');
    }
  };

  /** Path data and drawings become a panel of that form. */
  const pasteDrawing = (words: string) => {
    try {
      const page = targetPage();
      const { width, height } = desk.format;
      const within = { x: width / 4, y: height / 4, w: width / 2, h: height / 2 };
      const { diff, frame } = putOutline(store.document, page, drawnPath(words), within);
      store.do('Paste a form', diff);
      chosen.choose([frame]);
    } catch (error) {
      say((error as Error).message, 'wrong');
    }
  };

  const onTake = useLatest((event: ClipboardEvent) => {
    if (!event.clipboardData || desk.held.length === 0 || !isFree(event)) return;
    // Words that somebody has selected with the mouse are what is meant.
    if (window.getSelection()?.isCollapsed === false) return;
    event.preventDefault();
    takeUp(event.clipboardData, event.type === 'cut');
  });
  const isShifted = useRef(false);
  const onPaste = useLatest((event: ClipboardEvent) => {
    const frames = event.clipboardData?.getData(FRAMES);
    if (!isFree(event)) return;
    const words = frames ? '' : (event.clipboardData?.getData('text/plain') ?? '');
    if (isDrawn(words)) {
      event.preventDefault();
      return pasteDrawing(words);
    }
    if (!frames) return;
    event.preventDefault();
    paste(() => JSON.parse(frames) as Clip, isShifted.current);
  });
  useEffect(() => {
    const follow = (event: PointerEvent) => (pointer.current = event);
    const onKey = (event: KeyboardEvent) => (isShifted.current = event.shiftKey);
    window.addEventListener('copy', onTake);
    window.addEventListener('cut', onTake);
    // Before those who paste copy and pictures.
    window.addEventListener('paste', onPaste, true);
    window.addEventListener('pointermove', follow);
    window.addEventListener('keydown', onKey, true);
    return () => {
      window.removeEventListener('copy', onTake);
      window.removeEventListener('cut', onTake);
      window.removeEventListener('paste', onPaste, true);
      window.removeEventListener('pointermove', follow);
      window.removeEventListener('keydown', onKey, true);
    };
  }, [onTake, onPaste]);

  return {
    /** The same by a menu. */
    copy: () => void window.document.execCommand('copy'),
    cut: () => void window.document.execCommand('cut'),
    paste: (inPlace: boolean) => last && paste(() => last!, inPlace),
  };
}
