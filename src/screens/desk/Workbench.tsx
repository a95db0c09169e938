'use client';

import { type ReactNode, useEffect, useMemo, useState } from 'react';
import type { ComposerClient } from '@/client/composerClient';
import type { DeskStore } from '@/client/deskStore';
import type { Stretch } from '@/core/finding/replacing';
import { find, threadOf } from '@/core/records/document';
import { grown as widened } from '@/core/geometry/box';
import { frameName } from '@/core/records/kinds/frames';
import { Notices } from '@/parts/Notices';
import { ServerData } from '../frame/ServerData';
import { useCommands } from '../frame/commands/useCommands';
import { useSetting } from '../sheet/useSetting';
import { Spread } from '../sheet/Spread';
import { toScreen } from '../sheet/view';
import { DeskFoot } from './DeskFoot';
import { DeskStrip } from './strip/DeskStrip';
import { deskCommands, UNDER_WAY } from './deskCommands';
import { useHand } from './hand/hand';
import { deskKeys } from './hand/deskKeys';
import type { DeskPlace } from './deskPlace';
import { besideAt } from './placeCommands';
import { Detail } from './detail/Detail';
import { FitPanel } from './fit/FitPanel';
import { PageLine } from './PageLine';
import { OnDesk } from './surface/OnDesk';
import { PaperShadow } from './surface/PaperShadow';
import { RowPlaces, RowSpreads } from './surface/Row';
import { Writing } from './text/Writing';
import { Rulers } from './surface/Rulers';
import { OverSurface } from './surface/OverSurface';
import { Surface, typeAt } from './surface/Surface';
import { Tray } from './tray/Tray';
import { type Finding, FindingPanel, type FindingPanelProps } from '../finding/FindingPanel';
import { ChartDialog } from './ChartDialog';
import { ColoursDialog } from './ColoursDialog';
import { quoteCommands } from './quoteCommands';
import { useInHandNow } from '../text/textInHand';
import { useSpelling } from '../spelling/useSpelling';
import { TextDialog, type TextAsked } from '../text/TextDialogs';
import { styleLists } from '../text/styleLists';
import { textCommands } from '../text/textCommands';
import { type Desk, useDesk } from './useDesk';
import { useClipboard } from './frames/useClipboard';
import { AgencyDialog } from '../agency/AgencyDialog';
import { takeIn } from '../bringIn/useBringIn';
import { useFiles } from './useFiles';
import { BringIn } from '../bringIn/BringInDialog';

interface WorkbenchProps {
  readonly place: DeskPlace;
  readonly store: DeskStore;
  readonly composer: ComposerClient;
}

/** The desk with what belongs to it: tray, page line, strip, foot and detail. */
export function Workbench({ place, store, composer }: WorkbenchProps) {
  const desk = useDesk(place, store, composer);
  const { dropzone, bringIn, progress, arrived, onTaken, close } = useFiles(desk);
  const [side, setSide] = useState<Finding>();
  const spelling = useSpelling(place.document, store, desk.look.spelling || side === 'spelling');
  useEffect(
    () =>
      composer.setMarks(
        spelling.misspelt.map(({ text, paragraph, from, to }) => ({
          text,
          anchor: { paragraph, offset: from },
          head: { paragraph, offset: to },
        })),
      ),
    [composer, spelling.misspelt],
  );
  const doing = useHand(desk.hand, (now) => now.doing);
  const hasPoint = useHand(desk.hand, (now) => now.doing === 'outlining' && now.at !== undefined);
  const underWay = UNDER_WAY[doing];
  const [asked, setAsked] = useState<TextAsked>();
  const clipboard = useClipboard(desk);
  const [isAgency, setAgency] = useState(false);
  const ofDesk = deskCommands(desk, {
    underWay,
    bringIn: dropzone.open,
    find: () => setSide('find'),
    clean: () => setSide('clean'),
    spelling: () => setSide('spelling'),
    type: () => desk.only && void typeAt(desk, desk.only),
    clipboard,
    agency: () => setAgency(true),
    doing,
    hasPoint,
  });
  const isWriting = doing === 'typing';
  const noText = underWay ?? (isWriting || desk.text ? undefined : 'Choose a text first');
  const { inHand, formatter } = desk;
  const styles = styleLists(store);
  const ofText = useMemo(
    () =>
      textCommands(styles, inHand, formatter, noText, isWriting, {
        link: () => setAsked('link'),
        newStyle: () => setAsked('newStyle'),
        characters: () => setAsked('characters'),
        table: () => setAsked('table'),
      }),
    [styles, inHand, formatter, noText, isWriting],
  );
  const ofTextById = useMemo(() => new Map(ofText.map((command) => [command.id, command])), [ofText]);
  const commands = [...ofDesk, ...quoteCommands(desk, isWriting), ...ofText];
  const byId = new Map(commands.map((command) => [command.id, command]));
  const { tools, dialogs, turn } = useCommands({
    store,
    say: desk.say,
    guided: place.kind === 'issue',
    commands,
    onKey: deskKeys(desk),
    onTurn: () => desk.hand.rest('asking', 'listing'),
  });
  const { look, view } = desk;
  const guides = !look.proof;
  return (
    <div
      {...dropzone.getRootProps({ className: 'workbench flex h-full flex-col outline-none', role: undefined, tabIndex: -1 })}
      onContextMenu={(event) => {
        const beside = besideAt(event.target);
        const rect = view.ref.current?.getBoundingClientRect();
        if (!beside || !rect) return;
        event.preventDefault();
        desk.hand.take({ doing: 'listing', ...beside, at: { x: event.clientX - rect.left, y: event.clientY - rect.top } });
      }}
      // The browser's own dragging of pictures and words would take the pointer away from ours.
      onDragStart={(event) => {
        // Rows of a list are the browser's to drag.
        if (!(event.target as Element).closest('[role=row]')) event.preventDefault();
      }}
    >
      <input {...dropzone.getInputProps({ 'aria-label': 'Stories and pictures to bring in' })} />
      {place.header(tools)}
      <Watched desk={desk}>
        {(hovered, onHover) => guides && <PageLine desk={desk} hovered={hovered} onHover={onHover} />}
      </Watched>
      <div className="flex min-h-0 flex-1">
        {side && <FindingOnDesk desk={desk} finding={side} spelling={spelling} onClose={() => setSide(undefined)} />}
        {!side &&
          look.tray &&
          guides &&
          (place.side ?? <Tray desk={desk} importing={progress} onBringIn={dropzone.open} onAgency={() => setAgency(true)} />)}
        <main className="flex min-w-0 flex-1 flex-col">
          <h1 className="sr-only">{place.title}</h1>
          <Ground desk={desk}>
            <OnDesk view={view}>
              <RowSpreads desk={desk} />
              <PaperShadow at={toScreen(view.view, widened(view.bleedBox, -desk.format.bleed))} />
              <Spread
                format={desk.format}
                pages={desk.spread.pages}
                composer={composer}
                bleedBox={view.bleedBox}
                view={view.view}
                look={look}
                alone={desk.alone}
              />
              <Surface desk={desk} />
              <RowPlaces desk={desk} />
              {guides && look.rulers && <Rulers desk={desk} />}
              <Writing desk={desk} commands={ofText} onFiles={(files) => void bringIn(files)} onTurn={turn} />
            </OnDesk>
            <OverSurface desk={desk} commands={byId} textCommands={ofTextById} />
          </Ground>
          {guides && <DeskStrip desk={desk} commands={byId} textCommands={ofTextById} />}
          {guides && (
            <DeskFoot
              desk={view}
              pages={desk.spread.pages}
              width={desk.format.width}
              look={look}
              writing={isWriting ? (desk.only ? frameName(desk.document, desk.only.frame) : 'the text') : undefined}
              onToggle={desk.toggle}
            />
          )}
        </main>
        {desk.fitting !== undefined && guides ? (
          <FitPanel key={desk.fitting} desk={desk} text={desk.fitting} />
        ) : (
          look.detail && guides && <Detail desk={desk} />
        )}
      </div>
      {dropzone.isDragActive && (
        <p
          role="status"
          className="bg-secondary text-secondary-content pointer-events-none fixed bottom-16 left-1/2 z-50 -translate-x-1/2 px-4 py-2"
        >
          Let go on a page to place it there, anywhere else to bring it into the tray.
        </p>
      )}
      {dialogs}
      {arrived && (
        <BringIn
          document={place.document}
          store={store}
          composer={composer}
          arrived={arrived}
          say={desk.say}
          onTaken={onTaken}
          onClose={close}
        />
      )}
      {isAgency && <AgencyDialog onTaken={(came) => void takeIn(store, desk.say, came)} onClose={() => setAgency(false)} />}
      {desk.charting && (
        <ChartDialog
          chart={'group' in desk.charting ? find(desk.document, 'group', desk.charting.group)?.chart : undefined}
          onTake={(chart) => {
            desk.chooseAllAdded(desk.actions.chart(desk.charting!, chart));
          }}
          onClose={() => desk.setCharting(undefined)}
        />
      )}
      {desk.colouring && <ColoursDialog desk={desk} onClose={() => desk.setColouring(false)} />}
      {asked && <TextDialog asked={asked} formatter={desk.formatter} composer={composer} onClose={() => setAsked(undefined)} />}
      <Notices notices={desk.notices.list} onClose={desk.notices.close} />
    </div>
  );
}

/** What is looked for, in place of the tray: what is found is gone to on its page. */
function FindingOnDesk({ desk, ...shared }: { desk: Desk } & Pick<FindingPanelProps, 'finding' | 'spelling' | 'onClose'>) {
  const { store, document, text, inHand, say } = desk;
  const now = useInHandNow(inHand);
  const story = find(document, 'text', now?.text ?? text?.id)?.story;
  const show = ({ text: of, paragraph, from, to }: Stretch) => {
    if (threadOf(store.document, of).length === 0) return say('That text is on no page yet. It is to be found in Copy.');
    inHand.begin(of, { anchor: { paragraph, offset: from }, head: { paragraph, offset: to } });
  };
  return (
    <aside aria-label="Finding" className="border-base-300 bg-base-100 flex w-[25rem] shrink-0 flex-col border-r">
      <ServerData>
        <FindingPanel
          {...shared}
          issue={desk.place.document}
          store={store}
          document={document}
          story={story}
          inHand={now}
          say={say}
          onShow={show}
        />
      </ServerData>
    </aside>
  );
}

/** What the desk lies on. */
function Ground({ desk, children }: { desk: Desk; children: ReactNode }) {
  const ready = useSetting(desk.composer, (setting) => setting.ready);
  return (
    <div ref={desk.view.ref} className="desk bg-base-200 relative min-h-0 flex-1 overflow-hidden" data-ready={ready}>
      {children}
    </div>
  );
}

/** Has the worker paint what is in sight: the spread, and the page that is hovered in the page line. */
function Watched({
  desk: { composer, spread, row },
  children,
}: {
  desk: Desk;
  children: (hovered: string | undefined, onHover: (page: string | undefined) => void) => ReactNode;
}) {
  const [hovered, setHovered] = useState<string>();
  const inSight = [...spread.pages, ...row.flatMap(({ pages }) => pages)].map(({ page }) => page.id);
  const watched = [...inSight, ...(hovered && !inSight.includes(hovered) ? [hovered] : [])].join(' ');
  useEffect(() => composer.watch(watched.split(' ')), [composer, watched]);
  return children(hovered, setHovered);
}
