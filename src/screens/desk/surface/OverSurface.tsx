'use client';

import { rowTrouble } from '@/core/editing/tableRows';
import { ROWS } from '../../text/textCommands';
import { withQuotes } from '@/core/actions/quotes';
import { stretchWords } from '@/core/page/grid';
import { find } from '@/core/records/document';
import { CarriedThing } from '@/parts/CarriedThing';
import { useSetting } from '../../sheet/useSetting';
import { toScreen } from '../../sheet/view';
import { type Carry, type Marked, useHand } from '../hand/hand';
import { backToText } from '../text/backToText';
import { BeyondPanel } from '../text/BeyondPanel';
import type { Desk } from '../useDesk';
import { CommandMenu } from '../../frame/commands/CommandMenu';
import type { Command } from '../../frame/commands/command';
import { useLatest } from '../../frame/useLatest';
import { placeCommands } from '../placeCommands';
import { menuPlace, within } from './besideFrame';
import { StretchMenu } from './StretchMenu';

interface OverSurfaceProps {
  readonly desk: Desk;
  /** Of the desk, by id. */
  readonly commands: ReadonlyMap<string, Command>;
  /** Of text, by id. */
  readonly textCommands: ReadonlyMap<string, Command>;
}

/** What floats over the desk: what the typesetter says, and what the hand is being asked or told. */
export function OverSurface({ desk, commands, textCommands }: OverSurfaceProps) {
  const { hand, composer } = desk;
  const ready = useSetting(composer, (setting) => setting.ready);
  const trouble = useSetting(composer, (setting) => setting.trouble);
  const now = useHand(hand, (doing) => (FLOATING.has(doing.doing) ? doing : undefined));
  const close = useLatest(() => hand.rest('listing'));
  const closeTextMenu = useLatest(() => {
    desk.setTextMenu(undefined);
    backToText();
  });
  return (
    <>
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
      <BeyondPanel desk={desk} />
      {now?.doing === 'picking' && (
        <p
          role="status"
          className="bg-secondary text-secondary-content absolute bottom-3 left-1/2 max-w-lg -translate-x-1/2 px-3 py-1.5"
          data-picking
        >
          Press a sentence to quote it, or choose with the arrow keys and Enter.{' '}
          <span className="opacity-80">{withQuotes(now.sentences[now.lit]!.words)}</span>
        </p>
      )}
      {now?.doing === 'asking' && <Asking desk={desk} marked={now.marked} />}
      {now?.doing === 'listing' && (
        <CommandMenu
          label={now.of === 'spread' ? 'What can be done here' : 'What can be done with it'}
          {...within(now.at, desk.view.ground)}
          commands={('id' in now ? placeCommands(desk, now) : MENUS[now.of].map((id) => commands.get(id)!)).filter(
            ({ not }) => not === undefined,
          )}
          onClose={close}
        />
      )}
      {desk.textMenu && (
        <CommandMenu
          label="What can be done with the text"
          {...within(desk.textMenu, desk.view.ground)}
          commands={[...inTable(desk), ...TEXT_MENU]
            .flatMap((id) => textCommands.get(id) ?? [])
            .filter(({ not }) => not === undefined)}
          onClose={closeTextMenu}
        />
      )}
      {now?.doing === 'carrying' && <CarriedThing at={now.carry} name={carriedName(desk, now.carry)} />}
    </>
  );
}

/** What can be done to rows and columns, where the text in hand is a table's. */
function inTable({ inHand }: Desk): readonly string[] {
  const now = inHand.now();
  return now ? ROWS.flatMap(({ change }) => (rowTrouble(now.state, change) ? [] : [`table-${change}`])) : [];
}

const FLOATING: ReadonlySet<string> = new Set(['picking', 'asking', 'listing', 'carrying']);

/** What can be done with a frame, and with the spread, in the order of their menus. */
const MENUS = {
  frame: [
    'enter',
    'crop',
    'crop-fill',
    'crop-all',
    'crop-mirror',
    'caption',
    'credit',
    'combine',
    'part-caption',
    'swap-pictures',
    'pick',
    'look',
    'go-on',
    'split',
    'take-out',
    'jumps',
    'wrap',
    'outline',
    'turn',
    'turn-back',
    'group',
    'ungroup',
    'cut',
    'copy',
    'paste',
    'paste-in-place',
    'duplicate',
    'alike',
    'of-story',
    'lock',
    'hide',
    'alone',
    'front',
    'back',
    'remove',
  ],
  spread: ['paste', 'paste-in-place', 'all', 'bring', 'add', 'fit', 'row', 'proof', 'rulers', 'measure', 'columns', 'baselines'],
} as const;

/** What can be done with the text in hand, in the order of its menu. */
const TEXT_MENU = [
  'strong',
  'emphasis',
  'superscript',
  'subscript',
  'larger',
  'smaller',
  'link',
  'bullets',
  'numbers',
  'clear-local',
  'to-style',
  'new-style',
  'line-break',
  'break-column',
] as const;

/** What shall a marked-out stretch be? */
function Asking({ desk, marked }: { desk: Desk; marked: Marked }) {
  const { hand, actions, chooseAdded, view, place } = desk;
  const page = marked.page.page.id;
  const { box } = marked;
  return (
    <StretchMenu
      document={desk.document}
      kind={place.kind}
      words={stretchWords(marked.stretch)}
      {...menuPlace(view.onGround(toScreen(view.view, { ...box, x: box.x + marked.page.dx })), view.ground)}
      onTake={(what, carried) => {
        hand.rest();
        void desk.puttingDown.drop({ what, id: carried, allPages: what === 'story' && desk.allPages }, marked);
      }}
      onStuff={(as, words) => {
        hand.rest();
        const added = actions.markOut({ page, box, as, ...(words ? { words } : {}) });
        chooseAdded(added);
        // What has no words yet is written at once.
        const text = words === '' && added?.added.find(({ kind }) => kind === 'text');
        if (text) desk.inHand.beginAtEnd(text.id);
      }}
      onChart={() => {
        hand.rest();
        desk.setCharting({ page, box });
      }}
      onSlot={(takes) => {
        hand.rest();
        chooseAdded(actions.putSlot({ page, box, takes }));
      }}
      onClose={() => hand.rest()}
    />
  );
}

function carriedName({ document }: Desk, { what, id }: Carry): string {
  if (what === 'advertisement') return find(document, 'advertisement', id)?.name ?? 'Advertisement';
  if (what === 'picture') return find(document, 'picture', id)?.name ?? 'A picture that comes in';
  if (what === 'story') return find(document, 'story', id)?.name ?? 'Copy that comes in';
  if (what === 'furniture') return find(document, 'furniture', id)?.name ?? 'Furniture';
  if (what === 'finish') return find(document, 'finish', id)?.name ?? 'Finish';
  return `${find(document, 'story', find(document, 'text', id)?.story)?.name ?? 'Story'} continues`;
}
