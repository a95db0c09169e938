'use client';

import { useCallback, useEffect, useMemo, useState, useSyncExternalStore } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import type { PlacedCaret } from '@/core/compose/displayList/caret';
import { standing } from '@/core/page/beside';
import { isLocked, isShown } from '@/core/page/layers';
import { formatOf, inheritedFrames, placedPage, type PlacedPage } from '@/core/page/pages';
import { find, framesOn, threadOf } from '@/core/records/document';
import { finished } from '@/core/page/finished';
import type { DocumentRecord, FrameRecord } from '@/core/records/index';
import { useConflicts } from '../frame/useConflicts';
import { useNotices } from '../frame/useNotices';
import { type Look, USUAL_LOOK } from '../sheet/look';
import { NO_ROW, rowInSight } from './rowInSight';
import { useDeskView } from '../sheet/useDeskView';
import { useLatest } from '../frame/useLatest';
import { useSetting } from '../sheet/useSetting';
import { toScreen } from '../sheet/view';
import type { DeskPlace } from './deskPlace';
import { frameActionsOn } from './frames/frameActions';
import { type Box, contains, middleOf, type Point } from '@/core/geometry/box';
import { type FrameInSight, onSpread } from './frames/frameInSight';
import { textOf } from './frames/frameWords';
import { useChosen } from './frames/useChosen';
import { PAUSES, useLiveChecks } from '../frame/useLiveChecks';
import { useDeskActions } from './frames/useDeskActions';
import { wholeGroup } from './frames/wholeGroup';
import { Hand, textHolder } from './hand/hand';
import { useCropping } from './hand/useCropping';
import { useGuiding } from './hand/useGuiding';
import { useOutlining } from './hand/useOutlining';
import { useHandling } from './hand/useHandling';
import { MOVE } from './hand/snap';
import { Formatter } from '../text/formatter';
import { useSelecting } from './text/useSelecting';
import { useTextInHand } from '../text/textInHand';
import { useUnitOf } from '@/parts/units';
import { usePuttingDown } from './usePuttingDown';
import { usePicking } from './usePicking';
import { useSpreadInSight } from './useSpreadInSight';

/** What a chart is drawn in: a stretch of a page, or the room of the one there is. */
export type Charting = { readonly page: string; readonly box: Box } | { readonly group: string };

/** What the parts of the desk share: what lies on it, what is chosen and in the hand, and what can be done. */
export function useDesk(place: DeskPlace, store: DeskStore, composer: ComposerClient) {
  const { document } = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  const grown = useSetting(composer, (setting) => setting.grown);
  const { notices, say, close } = useNotices();
  useConflicts(store, say);
  const [hand] = useState(() => new Hand());
  const [look, setLook] = useState(USUAL_LOOK);
  const [allPages, setAllPages] = useState(false);
  /** The frames that are shown alone, for this person and this look. */
  const [alone, setAlone] = useState<ReadonlySet<string>>();
  const actions = useDeskActions(store, composer, say);
  const chosen = useChosen();
  const { choose, clear } = chosen;
  const letGo = useCallback(() => {
    hand.rest();
    clear();
  }, [hand, clear]);
  const format = formatOf(document);
  const spread = useSpreadInSight(store, document, place.at, letGo, place.kind === 'issue' ? place.document : undefined);
  const { pages } = spread;
  // Whoever was led here by a finding sees what it is about.
  const first = place.frame;
  useEffect(() => {
    if (first !== undefined && find(store.document, 'frame', first)) choose([first]);
  }, [store, first, choose]);
  const [before, after] = [spread.every[spread.index - 1], spread.every[spread.index + 1]];
  const view = useDeskView(
    pages,
    format,
    look.row
      ? {
          before: before?.[0]?.page.id,
          after: after?.[0]?.page.id,
          // What is under way goes along; what is only chosen is left where it lies.
          onGo: (by) => (hand.now().doing === 'choosing' ? spread.go : spread.turn)(spread.index + by),
        }
      : undefined,
  );
  const row = look.row ? rowInSight(spread, format, view) : NO_ROW;

  /** Frames of a page where they lie; one that grows is as high as its text. */
  const seen = useCallback(
    (page: PlacedPage, list: readonly FrameRecord[]): FrameInSight[] =>
      list
        .filter((frame) => isShown(document, frame) && (!alone || alone.has(frame.id)))
        .map((frame) => ({
          frame: finished(document, frame),
          page,
          box: { ...frame.box, h: grown.get(frame.id)?.h ?? frame.box.h },
          locked: isLocked(document, frame),
        })),
    [document, grown, alone],
  );
  const framesOf = useCallback(
    (of: readonly PlacedPage[]) => of.flatMap((page) => seen(page, framesOn(document, page.page.id))),
    [document, seen],
  );
  const frames = useMemo(() => framesOf(pages), [framesOf, pages]);
  const fromMasters = useMemo(
    () => pages.flatMap((page) => seen(page, inheritedFrames(document, page))),
    [document, pages, seen],
  );
  const held = useMemo(() => frames.filter(({ frame }) => chosen.ids.has(frame.id)), [frames, chosen.ids]);
  const only = held.length === 1 ? held[0] : undefined;
  const group = held.length > 1 ? wholeGroup(document, held) : undefined;
  const text = only && textOf(document, only.frame)?.text;
  const overset = useSetting(composer, (setting) => (text && setting.fits.get(text.id)?.oversetLines) ?? 0);

  /** Chooses the last frame that a change added; what goes with another frame comes with it. */
  const chooseAdded = (diff: { added: readonly DocumentRecord[] } | undefined) => {
    const frame = standing(diff?.added ?? []).at(-1);
    if (frame) choose([frame]);
  };
  /** Chooses all that a change added. */
  const chooseAllAdded = (diff: { added: readonly DocumentRecord[] } | undefined) => {
    const added = standing(diff?.added ?? []);
    if (added.length > 0) choose(added);
  };
  const surroundings = {
    store,
    composer,
    format,
    pages,
    frames,
    framesOf,
    spread,
    allPages,
    actions,
    say,
    chooseAdded,
    chooseAllAdded,
  };
  const puttingDown = usePuttingDown(surroundings);
  const picking = usePicking({ ...surroundings, hand });
  const cropping = useCropping({ hand, store, composer, view, actions });
  const outlining = useOutlining({ hand, store, composer, view, actions });
  const pictureFiles = useLiveChecks(place.document, store, composer, PAUSES.desk, place.kind === 'issue');
  const guiding = useGuiding({ hand, view, format, pages, frames, actions });
  useUnitOf(document);
  const inHand = useTextInHand(store, composer, () => textHolder(hand));
  const wholeText = text?.id;
  const formatter = useMemo(() => new Formatter(store, inHand, wholeText, say), [store, inHand, wholeText, say]);
  const [looking, onLook] = useState<string>();
  /** The text that is being made to fit, in place of the detail. */
  const [fitting, setFitting] = useState(place.fit);
  /** Where a chart is to be drawn, or the group of the one that is changed. */
  const [charting, setCharting] = useState<Charting>();
  /** The colours of the issue are looked at. */
  const [colouring, setColouring] = useState(false);
  /** Where the menu of the text in hand was asked for, pixels of the ground. */
  const [textMenu, setTextMenu] = useState<Point>();
  /** The frame whose look was taken up, as it was then. */
  const [takenLook, setTakenLook] = useState<FrameRecord>();
  const selecting = useSelecting({
    hand,
    inHand,
    store,
    composer,
    desk: view,
    pages,
    width: format.width,
    onGo: spread.turn,
  });
  /** Brings a caret into sight: its spread, and its place on it. */
  const followCaret = useLatest((caret: PlacedCaret) => {
    const page = placedPage(document, caret.page);
    if (!page) return;
    if (page.spread !== spread.index) return spread.turn(page.spread);
    view.reveal(toScreen(view.view, { ...caret.box, x: caret.box.x + page.dx }));
  });
  const gestures = useHandling({
    hand,
    store,
    composer,
    desk: view,
    format,
    pages,
    frames,
    spread: spread.index,
    allPages,
    onGo: (to) => {
      const first = look.row ? spread.every[to]?.[0] : undefined;
      if (first) view.goInRow(to - spread.index, first.page.id);
      else spread.go(to);
    },
    onPlaced: (places, how) => actions.move(places, how === MOVE ? 'Move a frame' : 'Size a frame'),
    onGathered: (around, more) => {
      const within = frames.filter((each) => !each.locked && contains(around, middleOf(onSpread(each))));
      choose([...(more ? chosen.ids : []), ...within.map(({ frame }) => frame.id)]);
    },
    onCopied: (places) => chooseAllAdded(actions.leaveCopies(places)),
    onLooks: (frame, look) => actions.put('look', [frame], look),
    onTurned: (frame, rotation) => actions.put('look', [frame], { rotation }),
    onSwapped: (one, other) => void actions.swapPictures([one, other]),
    onDropped: (carried, target) => void puttingDown.drop(carried, target),
    onLook: (of) => onLook((now) => (now === of ? undefined : of)),
    onNoRoom: () => say('There is no free room at that place. Move what lies there, or choose an empty stretch.', 'wrong'),
  });
  /** The chosen frame, where its text goes on behind it. */
  const middle = only && text && threadOf(document, text.id).at(-1)?.id !== only.frame.id ? only.frame.id : undefined;
  const goOn = (of = text?.id) => of && puttingDown.goOn(of, of === text?.id ? middle : undefined);
  const pick = () => {
    if (text?.role === 'body') void picking.begin(text.id);
  };
  const frameActions = frameActionsOn({
    format,
    actions,
    only,
    group: group?.id,
    chosen: [...chosen.ids].filter((each) => find(document, 'frame', each)),
    onRemoved: clear,
    first: held[0],
    onAdded: chooseAllAdded,
  });
  return {
    place,
    store,
    composer,
    document,
    format,
    notices: { list: notices, close },
    say,
    hand,
    look,
    toggle: useCallback((what: keyof Look) => setLook((old) => ({ ...old, [what]: !old[what] })), []),
    alone,
    setAlone,
    allPages,
    setAllPages,
    actions,
    frameActions,
    chosen,
    letGo,
    spread,
    view,
    /** The spreads above and below it that are in sight too. */
    row,
    frames,
    fromMasters,
    /** The chosen frames that are in sight; the one where it is one; its text, and how much of that is over; the group they are. */
    held,
    only,
    text,
    overset,
    group,
    chooseAdded,
    chooseAllAdded,
    puttingDown,
    picking,
    cropping,
    outlining,
    guiding,
    /** A look that was taken up, to be given to other frames. */
    looks: {
      taken: takenLook,
      take: (id: string) => {
        setTakenLook(find(document, 'frame', id));
        say('The look was taken up. Choose other frames and give it to them (Alt+Shift+K).');
      },
    },
    /** What is known of the files of its pictures. */
    pictureFiles,
    /** The text that is written in. */
    inHand,
    formatter,
    selecting,
    followCaret,
    /** The text whose overset is looked at, though the caret is not in it. */
    looking,
    onLook,
    fitting,
    setFitting,
    charting,
    setCharting,
    colouring,
    setColouring,
    textMenu,
    setTextMenu,
    gestures,
    goOn,
    middle,
    isThread: text !== undefined && threadOf(document, text.id).length > 1,
    pick,
  };
}

export type Desk = ReturnType<typeof useDesk>;
