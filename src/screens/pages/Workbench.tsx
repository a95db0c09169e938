'use client';

import { useCallback, useEffect, useMemo, useState, useSyncExternalStore, type PointerEvent as ReactPointerEvent } from 'react';
import { useDropzone } from 'react-dropzone';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import type { Sentence } from '@/client/messages';
import { grown as widened, type Box } from '@/core/geometry/box';
import { pageGrid, stretchBox, stretchWords } from '@/core/page/grid';
import { withQuotes } from '@/core/actions/quotes';
import { renameMaster, setBasedOn } from '@/core/actions/masters';
import { formatOf, inheritedFrames, placedPage, placedPages, spreads, type PlacedPage } from '@/core/page/pages';
import { deskPage } from '@/core/page/houseDesk';
import { all, find, framesOn, threadOf } from '@/core/records/document';
import { CarriedThing } from '@/parts/CarriedThing';
import { Notices } from '@/parts/Notices';
import { menuPlace } from './besideFrame';
import { CommandBar } from './CommandBar';
import type { DeskKind, DeskPlace } from './deskPlace';
import { deskCommands } from './deskCommands';
import { DeskFoot } from './DeskFoot';
import { Detail, wholeGroup } from './detail/Detail';
import { frameActionsOn } from './frameActions';
import { FrameBar } from './FrameBar';
import { isGround } from '@/core/page/ground';
import { continuation, freeSlot, largestFree, type Target } from './freeSpace';
import { frameName, textOf } from './frameWords';
import { Help } from './Help';
import { USUAL_LOOK, type Look } from './look';
import { Brackets, Corners } from './Holds';
import { Lit, Sentences } from './Lit';
import { InheritedBar } from './InheritedBar';
import { Frames, Inherited, Waiting, type FrameInSight } from './Overlay';
import { PageLine } from './PageLine';
import { MOVE } from './snap';
import { Spread } from './Spread';
import { Strip } from './Strip';
import { StretchMenu } from './StretchMenu';
import { Threads } from './Threads';
import { Tray, type Carried } from './Tray';
import { undoOrRedo } from '../frame/undoOrRedo';
import { useConflicts } from './useConflicts';
import { useDeskActions } from './useDeskActions';
import { useDeskKeys } from './useDeskKeys';
import { useDeskView } from './useDeskView';
import { useHandling, type Carry, type Marked } from './useHandling';
import { useImport } from './useImport';
import { useLatest } from './useLatest';
import { TypingCaret } from './TypingCaret';
import { useNotices } from './useNotices';
import { useSetting } from './useSetting';
import { useTyping } from './useTyping';
import { toScreen, toSpread } from './view';

interface WorkbenchProps {
  readonly place: DeskPlace;
  readonly store: DeskStore;
  readonly composer: ComposerClient;
}

interface Picking {
  readonly sentences: readonly Sentence[];
  readonly lit: number;
}

/** The desk with what belongs to it: tray, page line and detail, and what joins them. */
export function Workbench({ place, store, composer }: WorkbenchProps) {
  const { document, undo, redo } = useSyncExternalStore(store.subscribe, store.snapshot, store.snapshot);
  const fits = useSetting(composer, (setting) => setting.fits);
  const grown = useSetting(composer, (setting) => setting.grown);
  const slots = useSetting(composer, (setting) => setting.slots);
  const ready = useSetting(composer, (setting) => setting.ready);
  const trouble = useSetting(composer, (setting) => setting.trouble);
  const { notices, say, close } = useNotices();
  const actions = useDeskActions(store, composer, say);
  const { bringIn, progress } = useImport(store, say);
  useConflicts(store, say);

  /** The spread in sight: that of a page, wherever it goes; by its number where the page is no more. */
  const [at, setAt] = useState<{ readonly page: string | undefined; readonly spread: number }>({ page: place.at, spread: 0 });
  const [selection, setSelection] = useState<ReadonlySet<string>>(new Set());
  /** What stays chosen while the focus goes on. */
  const [held, setHeld] = useState<ReadonlySet<string>>(new Set());
  const [marked, setMarked] = useState<Marked>();
  /** What the page shows of its master, and was pressed. */
  const [inherited, setInherited] = useState<FrameInSight>();
  const [picking, setPicking] = useState<Picking>();
  const hand = useTyping(store, composer);
  const [hovered, setHovered] = useState<string>();
  const [allPages, setAllPages] = useState(false);
  const [look, setLook] = useState(USUAL_LOOK);
  const [dialog, setDialog] = useState<'help' | 'commands'>();

  const format = formatOf(document);
  const allSpreads = useMemo(() => spreads(document), [document]);
  const index = placedPage(document, at.page ?? '')?.spread ?? Math.min(at.spread, allSpreads.length - 1);
  const pages = allSpreads[index]!;
  const desk = useDeskView(pages, format);
  const { view, fit } = desk;

  const clear = useCallback(() => {
    setSelection(new Set());
    setHeld(new Set());
    setMarked(undefined);
    setPicking(undefined);
    setInherited(undefined);
  }, []);
  const go = useCallback(
    (to: number) => {
      const list = spreads(store.document);
      const spread = Math.max(0, Math.min(list.length - 1, to));
      setAt({ spread, page: list[spread]![0]!.page.id });
      fit();
      clear();
    },
    [store, fit, clear],
  );
  const toggle = (what: keyof Look) => setLook((old) => ({ ...old, [what]: !old[what] }));

  // The worker paints what is in sight, and the page that is hovered in the page line.
  const inSight = pages.map(({ page }) => page.id);
  const watched = [...inSight, ...(hovered && !inSight.includes(hovered) ? [hovered] : [])].join(' ');
  useEffect(() => composer.watch(watched.split(' ')), [composer, watched]);

  const chooseAdded = (diff: { added: readonly { kind: string; id: string }[] } | undefined) => {
    const frame = diff?.added.filter((record) => record.kind === 'frame').at(-1);
    if (frame) setSelection(new Set([frame.id]));
  };
  const drop = async (
    { what, id: carried, allPages: all }: Pick<Carry, 'what' | 'id' | 'allPages'>,
    target: Omit<Target, 'words'>,
  ) => {
    const place = { page: target.page.page.id, box: target.box };
    const { slot } = target;
    if (what === 'advertisement') {
      const at = { x: target.box.x + target.box.w / 2, y: target.box.y + target.box.h / 2 };
      chooseAdded(actions.book({ advertisement: carried, page: place.page, at }));
    } else if (what === 'story' && slot && slot.content.takes !== 'flow')
      await actions.fillSlots({ story: carried, page: place.page, set: slot.content.set });
    else if (what === 'story' && slot) await actions.placeStory({ story: carried, ...place, flow: slot.id, allPages: all });
    else if (what === 'picture' && target.frame) actions.fillFrame(target.frame, carried);
    else if (what === 'picture') chooseAdded(actions.placePicture({ picture: carried, ...place }));
    else if (what === 'story') await actions.placeStory({ story: carried, ...place, allPages: all });
    else await actions.goOn({ text: carried, ...place, allPages: all });
  };
  const { moving, marking, carry, bending, pull, pullCorner, markOut, carryOver } = useHandling({
    store,
    composer,
    desk,
    format,
    pages,
    spread: index,
    allPages,
    onGo: go,
    onPlaced: (places, how) => actions.move(places, how === MOVE ? 'Move a frame' : 'Size a frame'),
    onShaped: (frame, shape) => actions.look(frame, { shape }),
    onMarked: setMarked,
    onDropped: (carried, target) => void drop(carried, target),
    onNoRoom: () => say('There is no free room at that place. Move what lies there, or choose an empty stretch.', 'wrong'),
  });

  const framesOf = useCallback(
    (of: readonly PlacedPage[]): FrameInSight[] =>
      of.flatMap((page) =>
        framesOn(document, page.page.id).map((frame) => {
          const place = moving?.get(frame.id);
          const h = grown.get(frame.id)?.h ?? frame.box.h;
          return {
            frame: bending?.frame === frame.id ? { ...frame, shape: bending.shape } : frame,
            page: (place && of.find((each) => each.page.id === place.on)) ?? page,
            box: place?.box ?? { ...frame.box, h },
          };
        }),
      ),
    [document, moving, bending, grown],
  );
  const frames = useMemo(() => framesOf(pages), [framesOf, pages]);
  const fromMasters = useMemo(
    () =>
      pages.flatMap((page) =>
        inheritedFrames(document, page).map((frame) => ({
          frame,
          page,
          box: { ...frame.box, h: grown.get(frame.id)?.h ?? frame.box.h },
        })),
      ),
    [document, pages, grown],
  );
  const framesNow = useLatest(() => frames);
  const chosen = frames.filter(({ frame }) => selection.has(frame.id));
  const only = chosen.length === 1 ? chosen[0] : undefined;
  const group = chosen.length > 1 ? wholeGroup(document, chosen) : undefined;
  const text = only && textOf(document, only.frame)?.text;
  const overset = (text && fits.get(text.id)?.oversetLines) ?? 0;

  const pressInherited = (each: FrameInSight, event: ReactPointerEvent) => {
    if (event.button !== 0) return;
    event.stopPropagation();
    setMarked(undefined);
    markOut(event, () => {
      clear();
      setInherited(each);
    });
  };
  const partInherited = ({ frame, page }: FrameInSight) => {
    setInherited(undefined);
    chooseAdded(actions.part(page.page.id, [frame.id]));
  };
  const pressFrame = (each: FrameInSight, event: ReactPointerEvent) => {
    if (event.button !== 0 || event.altKey) return;
    event.stopPropagation();
    setMarked(undefined);
    setInherited(undefined);
    const { id: pressed } = each.frame;
    if (isGround(format, each.box) && !selection.has(pressed)) {
      // Ground is chosen by a press; a drag over it marks out.
      return markOut(event, () => setSelection(new Set([pressed])));
    }
    setPicking(undefined);
    setHeld(new Set());
    const { group: of } = each.frame;
    const together = of === undefined ? [pressed] : frames.filter(({ frame }) => frame.group === of).map(({ frame }) => frame.id);
    const next = event.shiftKey ? new Set([...selection, ...together]) : selection.has(pressed) ? selection : new Set(together);
    setSelection(next);
    // A second press on a group chooses the one frame in it.
    const onPress = of !== undefined && group?.id === of && !event.shiftKey ? () => setSelection(new Set([pressed])) : undefined;
    pull([each, ...frames.filter((other) => other !== each && next.has(other.frame.id))], MOVE, event, onPress);
  };
  const carryFrom = (what: Carry['what'], carried: string, event: ReactPointerEvent) => {
    setMarked(undefined);
    carryOver(what, carried, event, framesNow);
  };

  const placeByKey = ({ what, id: carried }: Carried) => {
    const waiting = what === 'story' ? freeSlot(document, pages) : undefined;
    const target = waiting ?? largestFree(format, pages, frames);
    if (target) void drop({ what, id: carried, allPages }, target);
    else say('There is no free room on this spread.', 'wrong');
  };
  const goOn = (of = text?.id) => {
    if (!of) return;
    const thread = threadOf(document, of);
    const end = thread.at(-1);
    const page = end && placedPage(document, end.on);
    const last = page && framesOf([page]).find(({ frame }) => frame.id === end.id);
    const target = last && continuation(format, last, placedPages(document), framesOf);
    if (!target) {
      return say(
        'There is no free room behind its last frame in this section. Drag the tail to where the story goes on, or add pages.',
        'wrong',
      );
    }
    if (!pages.some((each) => each.page.id === target.page.page.id)) go(target.page.spread);
    void drop({ what: 'tail', id: of, allPages }, target);
  };

  const pickSentence = async (of: string) => {
    const sentences = await composer.sentences(of);
    const here = sentences.filter(({ boxes }) => boxes.some(({ page }) => inSight.includes(page)));
    if (here.length === 0) say('No sentence of this text stands on this spread.', 'wrong');
    else setPicking({ sentences: here, lit: 0 });
  };
  const takeSentence = async (which: number) => {
    const { text: from, paragraph, from: start, to } = picking!.sentences[which]!;
    setPicking(undefined);
    chooseAdded(await actions.quote({ text: from, paragraph, from: start, to }));
  };
  const enter = () => {
    if (text?.role === 'body') void pickSentence(text.id);
  };
  const typeAt = async ({ frame, page }: FrameInSight, event?: { clientX: number; clientY: number }) => {
    if (frame.content.type !== 'text') return;
    const of = frame.content.text;
    const desktop = desk.ref.current?.getBoundingClientRect();
    const point = event && desktop && toSpread(view, event.clientX - desktop.left, event.clientY - desktop.top);
    const found = point && (await composer.placeAt(page.page.id, { x: point.x - page.dx, y: point.y }, of));
    hand.begin(of, found?.place ?? { paragraph: 0, offset: 0 });
  };
  const turn = (how: 'undo' | 'redo') => {
    void undoOrRedo(store, how, say);
    setMarked(undefined);
  };

  const frameActions = frameActionsOn({
    format,
    actions,
    only,
    group: group?.id,
    chosen: [...selection].filter((each) => find(document, 'frame', each)),
    onQuote: enter,
    onGoOn: () => goOn(),
    onRemoved: () => setSelection(new Set()),
  });

  const dropzone = useDropzone({
    onDrop: (files) => void bringIn(files),
    noClick: true,
    noKeyboard: true,
    useFsAccessApi: false,
  });
  const lastPage = pages.at(-1)!.page.id;
  const commands = deskCommands({
    undo,
    redo,
    spread: index,
    spreads: allSpreads.length,
    chosen: selection.size,
    hasOne: only !== undefined,
    isGroup: group !== undefined,
    isBody: text?.role === 'body',
    isText: text !== undefined,
    isOver: overset > 0,
    onTurn: turn,
    onGo: go,
    onFit: fit,
    onZoom: desk.zoomBy,
    onToggle: toggle,
    onBringIn: dropzone.open,
    onEnter: enter,
    onType: () => only && void typeAt(only),
    onGoOn: () => goOn(),
    onNextWrap: () => only && frameActions.wrap({ mode: nextWrap(only) }),
    onTurnFrame: (degrees) => frameActions.look({ rotation: (only?.frame.rotation ?? 0) + degrees }),
    onGroup: frameActions.group,
    onUngroup: frameActions.ungroup,
    onHold: () => setHeld(selection),
    onStack: frameActions.stack,
    onRemove: frameActions.remove,
    onAddPage: () => actions.addPages({ after: lastPage, count: 1 }),
    onDialog: setDialog,
  });
  useDeskKeys({
    commands,
    off: dialog !== undefined,
    picking: picking && {
      walk: (by) => setPicking({ ...picking, lit: (picking.lit + by + picking.sentences.length) % picking.sentences.length }),
      take: () => void takeSentence(picking.lit),
    },
    onEscape: () => (picking ? setPicking(undefined) : clear()),
    onNudge:
      chosen.length === 0
        ? undefined
        : (across, down, far) => {
            const step = far ? format.baseline.step : 1;
            const moved = ({ frame, page, box }: FrameInSight) =>
              [frame.id, { on: page.page.id, box: { ...box, x: box.x + across * step, y: box.y + down * step } }] as const;
            actions.move(new Map(chosen.map(moved)));
          },
    onBackspace: () => selection.size > 0 && frameActions.remove(),
  });

  const carryTrayItem = useLatest(({ what, id: carried }: Carried, event: ReactPointerEvent) => carryFrom(what, carried, event));
  const placeTrayItem = useLatest(placeByKey);
  const chooseFiles = useLatest(() => dropzone.open());
  const isMoving = moving !== undefined;
  const stirred = useMemo(() => new Set(isMoving ? pages.map(({ page }) => page.id) : []), [isMoving, pages]);
  const onScreen = ({ page, box }: { page: PlacedPage; box: Box }) => toScreen(view, { ...box, x: box.x + page.dx });
  const lit = marking ?? marked;
  const guides = !look.proof;
  const menuAt = marked && menuPlace(onScreen(marked), desk.size);

  return (
    <div
      {...dropzone.getRootProps({ className: 'workbench flex h-full flex-col outline-none', role: undefined, tabIndex: -1 })}
      // The browser's own dragging of pictures and words would take the pointer away from ours.
      onDragStart={(event) => event.preventDefault()}
    >
      <input {...dropzone.getInputProps({ 'aria-label': 'Stories and pictures to bring in' })} />
      {place.header({
        undo,
        redo,
        onTurn: turn,
        onCommands: () => setDialog('commands'),
        onHelp: () => setDialog('help'),
      })}
      {guides && (
        <PageLine
          document={document}
          format={format}
          spread={index}
          fits={fits}
          stirred={stirred}
          hovered={hovered}
          composer={composer}
          kind={place.kind}
          nameOf={NAMES_OF[place.kind]}
          onGo={go}
          onHover={setHovered}
        />
      )}
      <div className="flex min-h-0 flex-1">
        {look.tray && guides && place.side}
        {look.tray && guides && !place.side && (
          <Tray
            document={document}
            fits={fits}
            allPages={allPages}
            onAllPages={setAllPages}
            onCarry={carryTrayItem}
            onPlace={placeTrayItem}
            onBringIn={chooseFiles}
            importing={progress}
          />
        )}
        <main className="flex min-w-0 flex-1 flex-col">
          <h1 className="sr-only">{place.title}</h1>
          <div ref={desk.ref} className="desk bg-base-200 relative min-h-0 flex-1 overflow-hidden" data-ready={ready}>
            <PaperShadow at={toScreen(view, widened(desk.bleedBox, -format.bleed))} />
            <Spread format={format} pages={pages} composer={composer} bleedBox={desk.bleedBox} view={view} look={look} />
            <svg
              width={desk.size.width}
              height={desk.size.height}
              className="relative block"
              role="group"
              aria-label={`Spread ${pages.map(({ number }) => number).join('–')}`}
              onPointerDown={(event) => {
                if (event.button !== 0) return;
                setMarked(undefined);
                markOut(event, clear);
              }}
            >
              {guides && (
                <>
                  <Inherited document={document} frames={fromMasters} view={view} chosen={inherited} onPress={pressInherited} />
                  <Waiting frames={[...fromMasters, ...frames]} view={view} slots={slots} />
                  <Frames
                    document={document}
                    frames={frames}
                    view={view}
                    selection={selection}
                    edges={look.columns}
                    onPress={pressFrame}
                    onFocus={({ frame }) => !selection.has(frame.id) && setSelection(new Set([...held, frame.id]))}
                    onEnter={(each, event) => void typeAt(each, event)}
                  />
                  {picking && (
                    <Sentences
                      sentences={picking.sentences}
                      lit={picking.lit}
                      pages={pages}
                      view={view}
                      onLight={(which) => setPicking({ ...picking, lit: which })}
                      onTake={(which) => void takeSentence(which)}
                    />
                  )}
                  <Threads
                    document={document}
                    frames={frames}
                    view={view}
                    fits={fits}
                    selection={selection}
                    room={desk.size.width}
                    onTail={(of, event) => carryFrom('tail', of, event)}
                    onTailKey={goOn}
                  />
                  {!picking &&
                    chosen.map((each) => (
                      <Brackets
                        key={each.frame.id}
                        chosen={each}
                        view={view}
                        pullable={only !== undefined}
                        onPull={(frame, how, event) => {
                          event.stopPropagation();
                          pull([frame], how, event);
                        }}
                      />
                    ))}
                  {only?.frame.shape?.type === 'polygon' && !moving && (
                    <Corners
                      chosen={only}
                      shape={only.frame.shape}
                      view={view}
                      onPull={(corner, event) => pullCorner(only, corner, event)}
                      onShape={(shape) => actions.look(only.frame.id, { shape })}
                    />
                  )}
                  {lit && <Lit page={lit.page} box={lit.box} words={stretchWords(lit.stretch)} view={view} />}
                  {carry?.target && (
                    <Lit
                      page={carry.target.page}
                      box={carry.target.box}
                      words={carry.target.words + (carry.allPages ? ', and as many pages as it needs' : '')}
                      view={view}
                    />
                  )}
                </>
              )}
            </svg>
            {!ready && (
              <p role="status" className="absolute top-3 left-3 opacity-70">
                Setting the pages …
              </p>
            )}
            {trouble && (
              <p role="alert" className="text-error absolute top-3 left-3">
                {trouble}
              </p>
            )}
            {hand.typing && (
              <TypingCaret
                hand={hand}
                document={document}
                composer={composer}
                pages={pages}
                view={view}
                name={only ? frameName(document, only.frame) : 'Text'}
                onTurn={turn}
              />
            )}
            {picking && (
              <p
                role="status"
                className="bg-secondary text-secondary-content absolute bottom-3 left-1/2 max-w-lg -translate-x-1/2 px-3 py-1.5"
                data-picking
              >
                Press a sentence to quote it, or choose with the arrow keys and Enter.{' '}
                <span className="opacity-80">{withQuotes(picking.sentences[picking.lit]!.words)}</span>
              </p>
            )}
            {marked && menuAt && (
              <StretchMenu
                document={document}
                kind={place.kind}
                words={stretchWords(marked.stretch)}
                {...menuAt}
                onTake={(what, carried) => {
                  setMarked(undefined);
                  void drop({ what, id: carried, allPages: what === 'story' && allPages }, marked);
                }}
                onStuff={(as, words) => {
                  setMarked(undefined);
                  chooseAdded(actions.mark({ page: marked.page.page.id, box: marked.box, as, ...(words ? { words } : {}) }));
                }}
                onSlot={(takes) => {
                  setMarked(undefined);
                  chooseAdded(actions.putSlot({ page: marked.page.page.id, box: marked.box, takes }));
                }}
                onClose={() => setMarked(undefined)}
              />
            )}
          </div>
          {guides && (
            <Strip
              hint={
                hand.typing
                  ? 'You are typing into the text. Press Esc to leave it.'
                  : 'Press a frame to choose it, or drag over empty grid.'
              }
            >
              {only && !picking && !hand.typing ? (
                <FrameBar document={document} frame={only.frame} overset={overset} actions={frameActions} />
              ) : inherited ? (
                <InheritedBar document={document} inherited={inherited} onPart={() => partInherited(inherited)} />
              ) : null}
            </Strip>
          )}
          {guides && <DeskFoot desk={desk} pages={pages} width={format.width} look={look} onToggle={toggle} />}
        </main>
        {look.detail && guides && (
          <Detail
            kind={place.kind}
            slots={slots}
            onRecurring={actions.recurring}
            masterActions={{
              add: (called, like, based) => {
                const before = new Set(all(store.whole, 'master').map((each) => each.id));
                actions.addMaster(called, like, based);
                // What was made lies on the desk, so that what is done next is done to it.
                const fresh = all(store.whole, 'master').find((each) => !before.has(each.id));
                const at = fresh
                  ? spreads(store.document).findIndex((each) => each.some(({ page }) => page.id === deskPage(fresh.id, 'right')))
                  : -1;
                if (at >= 0) go(at);
              },
              rename: (master, called) => store.doWhole('Rename a master', renameMaster(store.whole, master, called)),
              basedOn: (master, base) => store.doWhole('Base a master on another', setBasedOn(store.whole, master, base)),
              remove: actions.removeMaster,
              across: actions.across,
              marginText: actions.marginText,
              part: actions.part,
              rejoin: actions.rejoin,
            }}
            document={document}
            format={format}
            pages={pages}
            chosen={chosen}
            fits={fits}
            actions={frameActions}
            onBox={(box) =>
              only &&
              // A frame that grows is as high as its text: unless its height is what was typed, its own stays.
              actions.move(
                new Map([
                  [only.frame.id, { on: only.page.page.id, box: box.h === only.box.h ? { ...box, h: only.frame.box.h } : box }],
                ]),
                'Place a frame by numbers',
              )
            }
            onMark={(page, stretch) =>
              setMarked({ page, stretch, box: stretchBox(pageGrid(format, page.master, page.side), stretch) })
            }
            onPalette={actions.palette}
            pageActions={{
              add: (after, count) => actions.addPages({ after, count }),
              remove: actions.removePage,
              move: (page, by) => {
                actions.movePage(page, by);
                // The desk goes with the page.
                const at = spreads(store.document).findIndex((each) => each.some((placed) => placed.page.id === page));
                if (at !== index) go(at);
              },
              duplicate: actions.duplicatePage,
              master: actions.master,
              part: actions.part,
              rejoin: actions.rejoin,
              across: actions.across,
            }}
          />
        )}
      </div>
      {carry && <CarriedThing at={carry} name={carriedName(carry)} />}
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

  function carriedName({ what, id: carried }: Carry): string {
    if (what === 'advertisement') return find(document, 'advertisement', carried)?.name ?? 'Advertisement';
    if (what === 'picture') return find(document, 'picture', carried)?.name ?? 'Picture';
    if (what === 'story') return find(document, 'story', carried)?.name ?? 'Story';
    return `${find(document, 'story', find(document, 'text', carried)?.story)?.name ?? 'Story'} goes on`;
  }
}

/** What is said beside the cells of a spread. */
const NAMES_OF: Readonly<Record<DeskKind, ((pages: readonly PlacedPage[]) => string | undefined) | undefined>> = {
  issue: undefined,
  masters: ([page]) => page!.master.name,
  recurring: (pages) =>
    pages
      .map(({ page }) => page.name ?? '')
      .filter(Boolean)
      .join(' · ') || undefined,
};

/** The one shadow there is. A plain element casts it: as a filter in the drawing it would be drawn anew with every word that moves. */
function PaperShadow({ at }: { at: Box }) {
  const style = { left: at.x, top: at.y, width: at.w, height: at.h };
  return <div aria-hidden="true" className="absolute shadow-[0_1px_5px_rgb(20_33_61/0.3)]" style={style} />;
}

function nextWrap({ frame }: FrameInSight): 'none' | 'frame' | 'outline' | 'clear' {
  const order =
    frame.content.type === 'picture' ? (['none', 'frame', 'outline', 'clear'] as const) : (['none', 'frame', 'clear'] as const);
  const at = order.findIndex((mode) => mode === frame.wrap.mode);
  return order[(at + 1) % order.length]!;
}
