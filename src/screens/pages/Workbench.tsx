'use client';

import {
  useCallback,
  useEffect,
  useMemo,
  useRef,
  useState,
  useSyncExternalStore,
  type PointerEvent as ReactPointerEvent,
} from 'react';
import { useDropzone } from 'react-dropzone';
import type { ComposerClient, Painted } from '@/client/composerClient';
import type { DocumentStore } from '@/client/documentStore';
import type { Sentence } from '@/client/messages';
import { placeFrames, type Place } from '@/core/actions/frames';
import type { Box } from '@/core/geometry/box';
import { pageGrid, stretchBetween, stretchBox, stretchWords, type Stretch } from '@/core/page/grid';
import { formatOf, spreads, type PlacedPage } from '@/core/page/pages';
import { find, framesOn } from '@/core/records/document';
import { formatLength } from '@/core/length/length';
import { Notices } from '@/parts/Notices';
import { IssueHeader } from '../issue/IssueHeader';
import { CommandBar } from './CommandBar';
import { isTyping, matches, type Command } from './commands';
import { Detail } from './Detail';
import { FrameBar, type FrameActions } from './FrameBar';
import { isGround, largestFree, targetAt, type Target } from './freeSpace';
import { textOf } from './frameWords';
import { Help } from './Help';
import { Brackets, Frames, Lit, Sentences, Threads, type FrameInSight } from './Overlay';
import { PageLine } from './PageLine';
import { BleedHatch, Guides, PaintedChunks } from './Paper';
import { catchesOf, MOVE, pulled, type Pull } from './snap';
import { StretchMenu } from './StretchMenu';
import { Tray, type Carried } from './Tray';
import { useDeskActions } from './useDeskActions';
import { useImport } from './useImport';
import { useLatest } from './useLatest';
import { useNotices } from './useNotices';
import { useSize } from './useSize';
import { fitView, onPage, toScreen, toSpread, zoomed, type View } from './view';

interface WorkbenchProps {
  readonly id: string;
  readonly publication: string;
  readonly name: string;
  readonly store: DocumentStore;
  readonly composer: ComposerClient;
}

const NOTHING_PAINTED: readonly Painted[] = [];

/** Pixels a press may wander and still be a press. */
const WANDER = 3;
/** Pixels within which edges catch on the grid. */
const REACH = 6;

/** A stretch that asks what it shall be. */
interface Marked {
  readonly page: PlacedPage;
  readonly stretch: Stretch;
  readonly box: Box;
}

/** What is on its way over the desk: from the tray, or the tail of a thread. */
interface Carry {
  readonly what: 'story' | 'picture' | 'tail';
  readonly id: string;
  readonly x: number;
  readonly y: number;
  readonly target: Target | undefined;
  readonly allPages: boolean;
}

interface Picking {
  readonly text: string;
  readonly sentences: readonly Sentence[];
  readonly lit: number;
}

export function Workbench({ id, publication, name, store, composer }: WorkbenchProps) {
  const { document, state, undo, redo } = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  const setting = useSyncExternalStore(composer.subscribe, composer.setting, composer.setting);
  const { notices, say, close } = useNotices();
  const actions = useDeskActions(store, composer, say);
  const { bringIn, progress } = useImport(store, say);

  const [spreadIndex, setSpreadIndex] = useState(0);
  const [selection, setSelection] = useState<ReadonlySet<string>>(new Set());
  const [moving, setMoving] = useState<ReadonlyMap<string, Place>>();
  const [marking, setMarking] = useState<Marked>();
  const [marked, setMarked] = useState<Marked>();
  const [carry, setCarry] = useState<Carry>();
  const [picking, setPicking] = useState<Picking>();
  const [hovered, setHovered] = useState<string>();
  const [allPages, setAllPages] = useState(false);
  const [look, setLook] = useState({ proof: false, columns: true, baselines: false, tray: true, detail: true });
  const [dialog, setDialog] = useState<'help' | 'commands'>();
  const [view, setView] = useState<View>();
  const [pointer, setPointer] = useState<{ x: number; y: number }>();

  const deskRef = useRef<HTMLDivElement>(null);
  const desk = useSize(deskRef);
  const format = formatOf(document);
  const allSpreads = useMemo(() => spreads(document), [document]);
  const index = Math.min(spreadIndex, allSpreads.length - 1);
  const pages = allSpreads[index]!;
  const spreadBox = useMemo<Box>(() => {
    const left = pages[0]!.dx;
    const last = pages.at(-1)!;
    return {
      x: left - format.bleed,
      y: -format.bleed,
      w: last.dx + format.width - left + 2 * format.bleed,
      h: format.height + 2 * format.bleed,
    };
  }, [pages, format]);
  const fitted = useMemo(() => fitView(spreadBox, Math.max(200, desk.width), Math.max(200, desk.height)), [spreadBox, desk]);
  const now = view ?? fitted;

  const go = useCallback(
    (to: number) => {
      setSpreadIndex(Math.max(0, Math.min(store.document ? spreads(store.document).length - 1 : 0, to)));
      setView(undefined);
      setMarked(undefined);
      setPicking(undefined);
      setSelection(new Set());
    },
    [store],
  );

  // The worker paints what is in sight, and the page that is hovered in the page line.
  const watched = [
    ...pages.map(({ page }) => page.id),
    ...(hovered && !pages.some(({ page }) => page.id === hovered) ? [hovered] : []),
  ].join(' ');
  useEffect(() => composer.watch(watched.split(' ')), [composer, watched]);

  useEffect(() => {
    store.onRefused = (message, mine) => {
      const what = [...mine.added, ...mine.updated.map(({ after }) => after), ...mine.removed].map((record) => record.kind);
      say(
        `${message} The ${[...new Set(what)].join(' and ')} shows as it is stored now; your version is not lost: it is in “Undo” of the other window.`,
        'wrong',
      );
    };
  }, [store, say]);

  const frames = useMemo<FrameInSight[]>(
    () =>
      pages.flatMap((page) =>
        framesOn(document, page.page.id).map((frame) => {
          const place = moving?.get(frame.id);
          const grown = setting.grown.get(frame.id);
          const box = place?.box ?? (grown ? { ...frame.box, h: grown.h } : frame.box);
          return { frame, page: (place && pages.find((each) => each.page.id === place.on)) ?? page, box };
        }),
      ),
    [document, pages, moving, setting.grown],
  );
  const chosen = frames.filter(({ frame }) => selection.has(frame.id));
  const only = chosen.length === 1 ? chosen[0] : undefined;
  const catches = useMemo(() => catchesOf(format, pages), [format, pages]);

  const deskPoint = useCallback(
    (event: { clientX: number; clientY: number }) => {
      const rect = deskRef.current!.getBoundingClientRect();
      const inside =
        event.clientX >= rect.left && event.clientX <= rect.right && event.clientY >= rect.top && event.clientY <= rect.bottom;
      return { inside, ...toSpread(now, event.clientX - rect.left, event.clientY - rect.top) };
    },
    [now],
  );

  /** Follows the pointer until it is let go or Esc is pressed. */
  const follow = useCallback((onMove: (event: PointerEvent) => void, onEnd: (event: PointerEvent | undefined) => void) => {
    const done = (event: PointerEvent | undefined) => {
      window.removeEventListener('pointermove', onMove);
      window.removeEventListener('pointerup', done);
      window.removeEventListener('pointercancel', cancel);
      window.removeEventListener('keydown', onKey, true);
      onEnd(event);
    };
    const cancel = () => done(undefined);
    const onKey = (event: KeyboardEvent) => {
      if (event.key !== 'Escape') return;
      event.stopPropagation();
      done(undefined);
    };
    window.addEventListener('pointermove', onMove);
    window.addEventListener('pointerup', done);
    window.addEventListener('pointercancel', cancel);
    window.addEventListener('keydown', onKey, true);
  }, []);

  /** Moves or pulls frames by hand: the text flows under it, and the change is made when it is let go. */
  const pull = (of: readonly FrameInSight[], how: Pull, start: ReactPointerEvent) => {
    const from = { x: start.clientX, y: start.clientY };
    let places: Map<string, Place> | undefined;
    follow(
      (event) => {
        const dx = (event.clientX - from.x) / now.k;
        const dy = (event.clientY - from.y) / now.k;
        if (!places && Math.hypot(event.clientX - from.x, event.clientY - from.y) <= WANDER) return;
        const reach = event.altKey ? 0 : REACH / now.k;
        const lead = of[0]!;
        const leadBox = { ...lead.box, x: lead.box.x + lead.page.dx };
        const to = pulled(leadBox, how, dx, dy, catches, reach);
        places = new Map();
        for (const each of of) {
          const box =
            each === lead
              ? to
              : { ...each.box, x: each.box.x + each.page.dx + to.x - leadBox.x, y: each.box.y + to.y - leadBox.y };
          // A frame belongs to the page that its middle lies on.
          const middle = box.x + box.w / 2;
          const page = pages.find(({ dx: left }) => middle >= left && middle <= left + format.width) ?? each.page;
          places.set(each.frame.id, { on: page.page.id, box: { ...box, x: box.x - page.dx } });
        }
        setMoving(places);
        composer.draft(placeFrames(store.document, places));
      },
      (event) => {
        setMoving(undefined);
        if (places && event) actions.move(places, how === MOVE ? 'Move a frame' : 'Size a frame');
        else composer.draft(null);
      },
    );
  };

  const pressFrame = (each: FrameInSight, event: ReactPointerEvent) => {
    if (event.button !== 0 || event.altKey) return;
    if (isGround(format, each.box) && !selection.has(each.frame.id)) {
      // Ground is chosen by a press; a drag over it marks out.
      markFrom(event, () => setSelection(new Set([each.frame.id])));
      event.stopPropagation();
      return;
    }
    event.stopPropagation();
    setMarked(undefined);
    setPicking(undefined);
    const next = event.shiftKey
      ? new Set([...selection, each.frame.id])
      : selection.has(each.frame.id)
        ? selection
        : new Set([each.frame.id]);
    setSelection(next);
    pull([each, ...frames.filter((other) => other !== each && next.has(other.frame.id))], MOVE, event);
  };

  /** Marks out a stretch of grid, or takes the press as one on nothing. */
  const markFrom = (start: ReactPointerEvent, onPress: () => void) => {
    const from = deskPoint(start);
    const at = onPage(pages, format.width, format.height, from);
    let mark: Marked | undefined;
    setMarked(undefined);
    follow(
      (event) => {
        if (!at || Math.hypot((event.clientX - start.clientX) as number, event.clientY - start.clientY) <= WANDER) return;
        const to = deskPoint(event);
        const grid = pageGrid(format, at.page.master, at.page.side);
        const stretch = stretchBetween(grid, at, { x: to.x - at.page.dx, y: to.y });
        mark = { page: at.page, stretch, box: stretchBox(grid, stretch) };
        setMarking(mark);
      },
      (event) => {
        setMarking(undefined);
        if (!event) return;
        if (mark) setMarked(mark);
        else onPress();
      },
    );
  };

  const clear = useCallback(() => {
    setSelection(new Set());
    setMarked(undefined);
    setPicking(undefined);
  }, []);

  // What is carried is dropped by a listener that outlives several spreads, so it asks for the latest of these.
  const latest = useRef({ pages, frames, deskPoint, format, index, allPages });
  useEffect(() => {
    latest.current = { pages, frames, deskPoint, format, index, allPages };
  });

  const carryFrom = (what: Carry['what'], carried: string, start: ReactPointerEvent) => {
    start.stopPropagation();
    setMarked(undefined);
    let current: Carry | undefined;
    follow(
      (event) => {
        if (!current && Math.hypot(event.clientX - start.clientX, event.clientY - start.clientY) <= WANDER) return;
        const { pages: inSight, frames: there, format: paper, allPages: all } = latest.current;
        const over = window.document.elementFromPoint(event.clientX, event.clientY)?.closest('[data-spread]');
        const to = over ? Number(over.getAttribute('data-spread')) : undefined;
        if (to !== undefined && to !== latest.current.index) go(to);
        const point = latest.current.deskPoint(event);
        const at = point.inside ? onPage(inSight, paper.width, paper.height, point) : undefined;
        let target: Target | undefined;
        if (at && what === 'picture') {
          const under = [...there]
            .reverse()
            .find(
              ({ frame, page, box }) =>
                frame.content.type === 'picture' &&
                page === at.page &&
                at.x >= box.x &&
                at.x <= box.x + box.w &&
                at.y >= box.y &&
                at.y <= box.y + box.h &&
                !isGround(paper, box),
            );
          if (under) target = { page: under.page, box: under.box, words: 'into this frame', frame: under.frame.id };
        }
        target ??= at && targetAt(paper, at.page, at, there);
        current = {
          what,
          id: carried,
          x: event.clientX,
          y: event.clientY,
          target,
          allPages: what !== 'picture' && all !== event.shiftKey,
        };
        setCarry(current);
      },
      (event) => {
        setCarry(undefined);
        if (event && current?.target) void drop(current, current.target);
        else if (event && current && !current.target && latest.current.deskPoint(event).inside)
          say('There is no free room at that place. Move what lies there, or choose an empty stretch.', 'wrong');
      },
    );
  };

  const chooseAdded = (diff: { added: readonly { kind: string; id: string; on?: unknown }[] } | undefined) => {
    const frame = diff?.added.filter((record) => record.kind === 'frame').at(-1);
    if (frame) setSelection(new Set([frame.id]));
  };

  const drop = async ({ what, id: carried, allPages: all }: Pick<Carry, 'what' | 'id' | 'allPages'>, target: Target) => {
    const place = { page: target.page.page.id, box: target.box };
    if (what === 'picture') {
      if (target.frame) actions.fillFrame(target.frame, carried);
      else chooseAdded(actions.placePicture({ picture: carried, ...place }));
    } else if (what === 'story') await actions.placeStory({ story: carried, ...place, allPages: all });
    else await actions.goOn({ text: carried, ...place, allPages: all });
  };

  const placeByKey = (carried: Carried) => {
    const target = largestFree(format, pages, frames);
    if (!target) return say('There is no free room on this spread.', 'wrong');
    void drop({ what: carried.what, id: carried.id, allPages }, target);
  };

  const goOn = () => {
    const text = only && textOf(document, only.frame)?.text;
    if (!text) return;
    const target =
      largestFree(format, pages, frames) ??
      (allSpreads[index + 1] && largestFree(format, allSpreads[index + 1]!, framesOfSpread(index + 1)));
    if (!target)
      return say(
        'There is no free room on this spread or the next. Drag the tail to where the story goes on, or add pages.',
        'wrong',
      );
    if (!pages.includes(target.page)) go(index + 1);
    void actions.goOn({ text: text.id, page: target.page.page.id, box: target.box, allPages });
  };
  const framesOfSpread = (which: number): FrameInSight[] =>
    allSpreads[which]!.flatMap((page) =>
      framesOn(document, page.page.id).map((frame) => ({ frame, page, box: setting.grown.get(frame.id) ?? frame.box })),
    );

  const pickSentence = async (text: string) => {
    const sentences = (await composer.sentences(text)).filter(({ boxes }) =>
      boxes.some(({ page }) => pages.some((each) => each.page.id === page)),
    );
    if (sentences.length === 0) return say('No sentence of this text stands on this spread.', 'wrong');
    setPicking({ text, sentences, lit: 0 });
  };
  const takeSentence = async (which: number) => {
    const { text, paragraph, from, to } = picking!.sentences[which]!;
    setPicking(undefined);
    chooseAdded(await actions.quote({ text, paragraph, from, to }));
  };

  const enter = () => {
    const text = only && textOf(document, only.frame)?.text;
    if (text?.role === 'body') void pickSentence(text.id);
  };

  const nudge = (dx: number, dy: number, times: number) => {
    if (chosen.length === 0) return;
    const step = { x: dx * times, y: dy * times };
    actions.move(
      new Map(
        chosen.map(({ frame, page, box }) => [
          frame.id,
          { on: page.page.id, box: { ...box, x: box.x + step.x, y: box.y + step.y } },
        ]),
      ),
    );
  };

  const turn = (how: 'undo' | 'redo') => {
    const done = how === 'undo' ? store.undo() : store.redo();
    if (done && 'refused' in done) say(done.refused, 'wrong');
    setMarked(undefined);
  };

  const frameActions: FrameActions = {
    wrap: (wrap) => only && actions.wrap(only.frame.id, wrap),
    fit: (fit) => only && actions.fit(only.frame.id, fit),
    columns: (columns) =>
      only?.frame.content.type === 'text' &&
      actions.columns(
        only.frame.id,
        columns,
        only.frame.content.gutter || pageGrid(format, only.page.master, only.page.side).gutter,
      ),
    quote: enter,
    goOn,
    stack: (where) => only && actions.stack(only.frame.id, where),
    remove: () => {
      actions.remove([...selection].filter((each) => find(document, 'frame', each)));
      setSelection(new Set());
    },
  };

  const dropzone = useDropzone({
    onDrop: (files) => void bringIn(files),
    noClick: true,
    noKeyboard: true,
    useFsAccessApi: false,
  });

  const lastPage = pages.at(-1)!.page.id;
  const zoomBy = (factor: number) => setView(zoomed(now, factor, desk.width / 2, desk.height / 2));
  const commands: Command[] = [
    { id: 'undo', name: undo ? `Undo: ${undo}` : 'Undo', keys: 'Ctrl+Z', enabled: undo !== undefined, run: () => turn('undo') },
    {
      id: 'redo',
      name: redo ? `Redo: ${redo}` : 'Redo',
      keys: 'Ctrl+Shift+Z',
      enabled: redo !== undefined,
      run: () => turn('redo'),
    },
    { id: 'previous', name: 'Previous spread', keys: '[', enabled: index > 0, run: () => go(index - 1) },
    { id: 'next', name: 'Next spread', keys: ']', enabled: index < allSpreads.length - 1, run: () => go(index + 1) },
    { id: 'fit', name: 'Fit the spread', keys: '0', enabled: true, run: () => setView(undefined) },
    { id: 'nearer', name: 'Nearer', keys: '=', enabled: true, run: () => zoomBy(1.25) },
    { id: 'farther', name: 'Farther', keys: '-', enabled: true, run: () => zoomBy(0.8) },
    { id: 'proof', name: 'Proof view', keys: '.', enabled: true, run: () => setLook((old) => ({ ...old, proof: !old.proof })) },
    {
      id: 'columns',
      name: 'Columns and guides',
      keys: ',',
      enabled: true,
      run: () => setLook((old) => ({ ...old, columns: !old.columns })),
    },
    {
      id: 'baselines',
      name: 'Baseline grid',
      keys: ';',
      enabled: true,
      run: () => setLook((old) => ({ ...old, baselines: !old.baselines })),
    },
    { id: 'tray', name: 'Fold the tray', keys: 'f', enabled: true, run: () => setLook((old) => ({ ...old, tray: !old.tray })) },
    {
      id: 'detail',
      name: 'Fold the detail',
      keys: 'd',
      enabled: true,
      run: () => setLook((old) => ({ ...old, detail: !old.detail })),
    },
    { id: 'bring', name: 'Bring in stories and pictures', keys: 'b', enabled: true, run: dropzone.open },
    {
      id: 'enter',
      name: 'Into the text: pick a sentence to quote',
      keys: 'Enter',
      enabled: only !== undefined && textOf(document, only.frame)?.text.role === 'body',
      run: enter,
    },
    {
      id: 'go-on',
      name: 'Go on with the story in the next free room',
      keys: 'g',
      enabled: only !== undefined && (setting.fits.get(textOf(document, only.frame)?.text.id ?? '')?.oversetLines ?? 0) > 0,
      run: goOn,
    },
    {
      id: 'wrap',
      name: 'Next kind of text wrap',
      keys: 'w',
      enabled: only !== undefined,
      run: () => only && frameActions.wrap({ mode: nextWrap(only) }),
    },
    { id: 'front', name: 'To the front', enabled: only !== undefined, run: () => frameActions.stack('front') },
    { id: 'back', name: 'To the back', enabled: only !== undefined, run: () => frameActions.stack('back') },
    { id: 'remove', name: 'Remove the frame', keys: 'Delete', enabled: selection.size > 0, run: frameActions.remove },
    {
      id: 'add',
      name: 'Add a page after this spread',
      enabled: true,
      run: () => void actions.addPages({ after: lastPage, count: 1 }),
    },
    { id: 'commands', name: 'Find an action', keys: 'Ctrl+K', enabled: true, run: () => setDialog('commands') },
    { id: 'help', name: 'Shortcuts', keys: '?', enabled: true, run: () => setDialog('help') },
  ];
  const onKey = useRef<(event: KeyboardEvent) => void>(() => undefined);
  useEffect(() => {
    onKey.current = (event) => {
      if (dialog || isTyping(event.target)) return;
      if (picking) {
        const by = { ArrowDown: 1, ArrowRight: 1, ArrowUp: -1, ArrowLeft: -1 }[event.key];
        if (by) {
          event.preventDefault();
          return setPicking({ ...picking, lit: (picking.lit + by + picking.sentences.length) % picking.sentences.length });
        }
        if (event.key === 'Enter') {
          event.preventDefault();
          return void takeSentence(picking.lit);
        }
      }
      if (event.key === 'Escape') return picking ? setPicking(undefined) : clear();
      const arrow = { ArrowLeft: [-1, 0], ArrowRight: [1, 0], ArrowUp: [0, -1], ArrowDown: [0, 1] }[event.key];
      if (arrow && chosen.length > 0 && !event.ctrlKey && !event.metaKey) {
        event.preventDefault();
        return nudge(arrow[0]!, arrow[1]!, event.shiftKey ? format.baseline.step : 1);
      }
      if (event.key === 'Backspace' && selection.size > 0) return frameActions.remove();
      const onButton = event.target instanceof HTMLElement && event.target.tagName === 'BUTTON';
      const command = commands.find((each) => each.enabled && matches(each.keys, event));
      if (!command || (onButton && event.key === 'Enter')) return;
      event.preventDefault();
      command.run();
    };
  });
  useEffect(() => {
    const listen = (event: KeyboardEvent) => onKey.current(event);
    window.addEventListener('keydown', listen);
    return () => window.removeEventListener('keydown', listen);
  }, []);

  // The wheel must be listened to directly: React's listener may not keep the browser from zooming.
  useEffect(() => {
    const element = deskRef.current;
    if (!element) return;
    const onWheel = (event: WheelEvent) => {
      event.preventDefault();
      const rect = element.getBoundingClientRect();
      setView((old) => {
        const from = old ?? fitted;
        if (event.ctrlKey || event.metaKey)
          return zoomed(from, Math.exp(-event.deltaY / 300), event.clientX - rect.left, event.clientY - rect.top);
        return { ...from, tx: from.tx - event.deltaX, ty: from.ty - event.deltaY };
      });
    };
    element.addEventListener('wheel', onWheel, { passive: false });
    return () => element.removeEventListener('wheel', onWheel);
  }, [fitted]);

  const lit = marking ?? marked;
  const isMoving = moving !== undefined;
  const stirred = useMemo(() => new Set(isMoving ? pages.map(({ page }) => page.id) : []), [isMoving, pages]);
  const carryTrayItem = useLatest((carried: Carried, event: ReactPointerEvent) => carryFrom(carried.what, carried.id, event));
  const placeTrayItem = useLatest(placeByKey);
  const chooseFiles = useLatest(() => dropzone.open());
  const guides = !look.proof;
  const menuAt = marked && menuPlace(toScreen(now, { ...marked.box, x: marked.box.x + marked.page.dx }), desk);
  const barAt =
    only && !moving && !picking && guides
      ? barPlace(toScreen(now, { ...only.box, x: only.box.x + only.page.dx }), desk)
      : undefined;
  const overset = only ? (setting.fits.get(textOf(document, only.frame)?.text.id ?? '')?.oversetLines ?? 0) : 0;

  return (
    <div {...dropzone.getRootProps({ className: 'flex h-full flex-col outline-none', role: undefined, tabIndex: -1 })}>
      <input {...dropzone.getInputProps({ 'aria-label': 'Stories and pictures to bring in' })} />
      <IssueHeader
        document={id}
        publication={publication}
        name={name}
        place="pages"
        state={state}
        undo={undo}
        redo={redo}
        onUndo={() => turn('undo')}
        onRedo={() => turn('redo')}
        onCommands={() => setDialog('commands')}
        onHelp={() => setDialog('help')}
      />
      {!look.proof && (
        <PageLine
          document={document}
          format={format}
          spread={index}
          fits={setting.fits}
          stirred={stirred}
          hovered={hovered}
          hoveredChunks={setting.pages.get(hovered ?? '') ?? NOTHING_PAINTED}
          onGo={go}
          onHover={setHovered}
        />
      )}
      <div className="flex min-h-0 flex-1">
        {look.tray && !look.proof && (
          <Tray
            document={document}
            fits={setting.fits}
            allPages={allPages}
            onAllPages={setAllPages}
            onCarry={carryTrayItem}
            onPlace={placeTrayItem}
            onBringIn={chooseFiles}
            importing={progress}
          />
        )}
        <main className="flex min-w-0 flex-1 flex-col">
          <h1 className="sr-only">
            {publication}, {name}: pages
          </h1>
          <div
            ref={deskRef}
            className="desk bg-base-200 relative min-h-0 flex-1 overflow-hidden"
            data-ready={setting.ready}
            onPointerMove={(event) => setPointer(deskPoint(event))}
            onPointerLeave={() => setPointer(undefined)}
          >
            <PaperShadow at={toScreen(now, trimBox(spreadBox, format.bleed))} />
            <svg
              width={desk.width}
              height={desk.height}
              className="relative block"
              role="group"
              aria-label={`Spread ${pages.map(({ number }) => number).join('–')}`}
              onPointerDown={(event) => {
                if (event.button === 0) markFrom(event, clear);
              }}
            >
              <g transform={`translate(${now.tx} ${now.ty}) scale(${now.k})`}>
                <defs>
                  <BleedHatch k={now.k} />
                  <clipPath id="spread-clip">
                    <rect
                      {...(look.proof
                        ? trimOf(spreadBox, format.bleed)
                        : { x: spreadBox.x, y: spreadBox.y, width: spreadBox.w, height: spreadBox.h })}
                    />
                  </clipPath>
                </defs>
                {guides && (
                  <rect x={spreadBox.x} y={spreadBox.y} width={spreadBox.w} height={spreadBox.h} fill="url(#bleed-hatch)" />
                )}
                <rect {...trimOf(spreadBox, format.bleed)} fill="var(--paper)" data-paper />
                {guides &&
                  pages.map((page) => (
                    <Guides key={page.page.id} format={format} page={page} columns={look.columns} baselines={false} k={now.k} />
                  ))}
                <g clipPath="url(#spread-clip)">
                  {pages.map(({ page, dx }) => (
                    <PaintedChunks key={page.id} chunks={setting.pages.get(page.id) ?? NOTHING_PAINTED} dx={dx} />
                  ))}
                </g>
                {guides && (
                  <rect
                    {...trimOf(spreadBox, format.bleed)}
                    fill="none"
                    stroke="var(--hold)"
                    strokeOpacity={0.35}
                    strokeWidth={1 / now.k}
                    pointerEvents="none"
                  />
                )}
                {guides &&
                  look.baselines &&
                  pages.map((page) => (
                    <Guides key={page.page.id} format={format} page={page} columns={false} baselines k={now.k} />
                  ))}
                {guides && pages.length > 1 && (
                  <line
                    x1={format.width}
                    x2={format.width}
                    y1={0}
                    y2={format.height}
                    stroke="var(--hold)"
                    strokeOpacity={0.3}
                    strokeWidth={1 / now.k}
                    pointerEvents="none"
                  />
                )}
              </g>
              {guides && (
                <>
                  <Frames
                    document={document}
                    frames={frames}
                    view={now}
                    selection={selection}
                    edges={look.columns}
                    onPress={pressFrame}
                    onFocus={({ frame }) => !selection.has(frame.id) && setSelection(new Set([frame.id]))}
                    onEnter={({ frame }) => {
                      const text = textOf(document, frame)?.text;
                      if (text?.role === 'body') void pickSentence(text.id);
                    }}
                  />
                  {picking && (
                    <Sentences
                      sentences={picking.sentences}
                      lit={picking.lit}
                      pages={pages}
                      view={now}
                      onLight={(which) => setPicking({ ...picking, lit: which })}
                      onTake={(which) => void takeSentence(which)}
                    />
                  )}
                  <Threads
                    document={document}
                    frames={frames}
                    view={now}
                    fits={setting.fits}
                    selection={selection}
                    room={desk.width}
                    onTail={(text, event) => carryFrom('tail', text, event)}
                  />
                  {!picking &&
                    chosen.map((each) => (
                      <Brackets
                        key={each.frame.id}
                        chosen={each}
                        view={now}
                        pullable={only !== undefined}
                        onPull={(frame, how, event) => {
                          event.stopPropagation();
                          pull([frame], how, event);
                        }}
                      />
                    ))}
                  {lit && <Lit page={lit.page} box={lit.box} words={stretchWords(lit.stretch)} view={now} />}
                  {carry?.target && (
                    <Lit
                      page={carry.target.page}
                      box={carry.target.box}
                      words={carry.target.words + (carry.allPages ? ', and as many pages as it needs' : '')}
                      view={now}
                    />
                  )}
                </>
              )}
            </svg>
            {!setting.ready && (
              <p role="status" className="absolute top-3 left-3 opacity-70">
                Setting the pages …
              </p>
            )}
            {setting.trouble && (
              <p role="alert" className="text-error absolute top-3 left-3">
                {setting.trouble}
              </p>
            )}
            {barAt && only && (
              <FrameBar
                document={document}
                frame={only.frame}
                overset={overset}
                left={barAt.left}
                top={barAt.top}
                actions={frameActions}
              />
            )}
            {picking && (
              <p
                role="status"
                className="bg-secondary text-secondary-content absolute bottom-3 left-1/2 max-w-lg -translate-x-1/2 px-3 py-1.5"
                data-picking
              >
                Press a sentence to quote it, or choose with the arrow keys and Enter.{' '}
                <span className="opacity-80">“{picking.sentences[picking.lit]!.words}”</span>
              </p>
            )}
            {marked && menuAt && (
              <StretchMenu
                document={document}
                words={stretchWords(marked.stretch)}
                left={menuAt.left}
                top={menuAt.top}
                onStory={(story) => {
                  setMarked(undefined);
                  void drop({ what: 'story', id: story, allPages }, { page: marked.page, box: marked.box, words: '' });
                }}
                onPicture={(picture) => {
                  setMarked(undefined);
                  void drop({ what: 'picture', id: picture, allPages: false }, { page: marked.page, box: marked.box, words: '' });
                }}
                onStuff={(as, words) => {
                  setMarked(undefined);
                  chooseAdded(actions.mark({ page: marked.page.page.id, box: marked.box, as, ...(words ? { words } : {}) }));
                }}
                onClose={() => setMarked(undefined)}
              />
            )}
          </div>
          {!look.proof && (
            <footer className="border-base-300 bg-base-100 narrow flex h-6 shrink-0 items-center gap-6 border-t px-3">
              <span className="w-44">{pointer && placeOf(pages, format.width, pointer)}</span>
              <span>
                {pages.length > 1 ? `Spread ${pages[0]!.number}–${pages[1]!.number}` : `Page ${pages[0]!.number}`},{' '}
                {pages[0]!.master.name} master
              </span>
              <span>{Math.round(now.k * 100)} %</span>
              <Switch
                on={look.columns}
                name="Columns and guides"
                keys=","
                run={() => setLook({ ...look, columns: !look.columns })}
              />
              <Switch
                on={look.baselines}
                name="Baselines"
                keys=";"
                run={() => setLook({ ...look, baselines: !look.baselines })}
              />
              <Switch on={look.proof} name="Proof" keys="." run={() => setLook({ ...look, proof: !look.proof })} />
            </footer>
          )}
        </main>
        {look.detail && !look.proof && (
          <Detail
            document={document}
            format={format}
            pages={pages}
            frame={only?.frame}
            page={only?.page}
            box={only?.box}
            fits={setting.fits}
            actions={frameActions}
            onBox={(box) =>
              only && actions.move(new Map([[only.frame.id, { on: only.page.page.id, box }]]), 'Place a frame by numbers')
            }
            onColumns={(columns, gutter) => only && actions.columns(only.frame.id, columns, gutter)}
            onMark={(page, stretch) =>
              setMarked({ page, stretch, box: stretchBox(pageGrid(format, page.master, page.side), stretch) })
            }
            onAddPages={(count) => void actions.addPages({ after: lastPage, count })}
          />
        )}
      </div>
      {carry && (
        <div
          className="bg-secondary text-secondary-content pointer-events-none fixed z-50 max-w-56 truncate px-2 py-1 font-medium"
          style={{ left: carry.x + 12, top: carry.y + 10 }}
        >
          {carryWords(carry)}
        </div>
      )}
      {dropzone.isDragActive && (
        <div className="border-primary bg-base-100/85 fixed inset-0 z-50 grid place-items-center border-4 text-lg font-semibold">
          Let go to bring these files into the tray
        </div>
      )}
      {dialog === 'help' && <Help commands={commands} onClose={() => setDialog(undefined)} />}
      {dialog === 'commands' && <CommandBar commands={commands} onClose={() => setDialog(undefined)} />}
      <Notices notices={notices} onClose={close} />
    </div>
  );

  function carryWords({ what, id: carried }: Carry): string {
    if (what === 'picture') return find(document, 'picture', carried)?.name ?? 'Picture';
    if (what === 'story') return find(document, 'story', carried)?.name ?? 'Story';
    const story = find(document, 'story', find(document, 'text', carried)?.story);
    return `${story?.name ?? 'Story'} goes on`;
  }
}

function Switch({ on, name, keys, run }: { on: boolean; name: string; keys: string; run: () => void }) {
  return (
    <button type="button" aria-pressed={on} onClick={run} className={on ? 'font-semibold' : 'opacity-65 hover:opacity-100'}>
      {name} <kbd className="pl-1 font-bold">{keys}</kbd>
    </button>
  );
}

/** The one shadow there is. A plain element casts it: as a filter in the drawing it would be drawn anew with every word that moves. */
function PaperShadow({ at }: { at: Box }) {
  return (
    <div
      aria-hidden="true"
      className="absolute shadow-[0_1px_5px_rgb(20_33_61/0.3)]"
      style={{ left: at.x, top: at.y, width: at.w, height: at.h }}
    />
  );
}

const trimBox = (box: Box, bleed: number): Box => ({
  x: box.x + bleed,
  y: box.y + bleed,
  w: box.w - 2 * bleed,
  h: box.h - 2 * bleed,
});

const trimOf = (box: Box, bleed: number) => ({
  x: box.x + bleed,
  y: box.y + bleed,
  width: box.w - 2 * bleed,
  height: box.h - 2 * bleed,
});

const MENU = { width: 224, height: 190 };

/** At the lower right of a stretch, but inside the desk. */
function menuPlace(at: Box, desk: { width: number; height: number }): { left: number; top: number } {
  return {
    left: Math.max(4, Math.min(desk.width - MENU.width - 4, at.x + at.w / 2 - 40)),
    top: Math.max(4, Math.min(desk.height - MENU.height - 4, at.y + 34)),
  };
}

const BAR = { width: 430, height: 28 };

/** Under a frame, or over it, or in its upper part where it fills the desk. */
function barPlace(at: Box, desk: { width: number; height: number }): { left: number; top: number } {
  const below = at.y + at.h + 16;
  const above = at.y - BAR.height - 10;
  const top =
    below + BAR.height < desk.height - 4
      ? below
      : above > 4
        ? above
        : Math.max(4, Math.min(desk.height - BAR.height - 4, at.y + 10));
  return { left: Math.max(4, Math.min(desk.width - BAR.width - 4, at.x)), top };
}

function placeOf(pages: readonly PlacedPage[], width: number, point: { x: number; y: number }): string {
  const page = pages.find(({ dx }) => point.x >= dx && point.x <= dx + width) ?? pages[0]!;
  return `x ${formatLength(point.x - page.dx, 'mm')}  y ${formatLength(point.y, 'mm')}`;
}

function nextWrap({ frame }: FrameInSight): 'none' | 'frame' | 'outline' | 'clear' {
  const order =
    frame.content.type === 'picture' ? (['none', 'frame', 'outline', 'clear'] as const) : (['none', 'frame', 'clear'] as const);
  const at = order.findIndex((mode) => mode === frame.wrap.mode);
  return order[(at + 1) % order.length]!;
}
