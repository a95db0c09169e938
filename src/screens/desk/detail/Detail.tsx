'use client';

import type { ReactNode } from 'react';
import { find } from '@/core/records/document';
import { isParted } from '@/core/actions/masters';
import type { DeskKind } from '../deskPlace';
import type { FrameInSight } from '../frames/frameInSight';
import type { Desk } from '../useDesk';
import { isTyping } from '../../frame/commands/command';
import { FinishChapter } from './FinishChapter';
import { FurnitureChapter, FurnitureList } from './FurnitureChapter';
import { GroupChapter } from './GroupChapter';
import { MasterChapter } from './MasterChapter';
import { PageChapter } from './PageChapter';
import { panelOf } from './panels';
import { PlaceChapter } from './PlaceChapter';
import { RecurringChapter } from './RecurringChapter';
import { RepeatChapter } from './RepeatChapter';
import { FrameFields } from './FrameFields';
import { frameName } from '@/core/records/kinds/frames';

/** What is chosen, in figures and words, all of it to be changed. */
export function Detail({ desk }: { desk: Desk }) {
  const { held, frameActions, group } = desk;
  const [first] = held;
  return (
    <aside
      aria-label="Detail"
      className="border-base-300 bg-base-100 flex w-60 shrink-0 flex-col gap-3.5 overflow-auto border-l px-3.5 py-3"
      onKeyDown={(event) => {
        // Esc in a field first takes back what was typed; in one at rest it leads back to the frame, from where it lets that go.
        if (event.key !== 'Escape' || !isTyping(event.nativeEvent)) return;
        event.stopPropagation();
        const frame = first && window.document.querySelector<SVGElement>(`[data-frame="${first.frame.id}"]`);
        if (frame) frame.focus({ preventScroll: true });
        else (event.target as HTMLElement).blur();
      }}
    >
      {!first ? (
        <>
          {SURFACES[desk.place.kind]({ desk })}
          <FurnitureList desk={desk} />
        </>
      ) : held.length === 1 ? (
        <OneFrame key={first.frame.id} desk={desk} each={first} />
      ) : (
        <>
          <GroupChapter
            count={held.length}
            group={group}
            onGroup={frameActions.group}
            onUngroup={frameActions.ungroup}
            onWrap={frameActions.groupWrap}
            onChart={() => group && desk.setCharting({ group: group.id })}
          />
          <FinishChapter desk={desk} />
          <FurnitureChapter desk={desk} />
          <FrameFields document={desk.document} frames={held.map(({ frame }) => frame)} actions={frameActions} />
        </>
      )}
    </aside>
  );
}

/** What lies on the desk itself. */
const SURFACES: Readonly<Record<DeskKind, (props: { desk: Desk }) => ReactNode>> = {
  issue: ({ desk }) => <PageChapter desk={desk} />,
  masters: ({ desk }) => <MasterChapter desk={desk} />,
  recurring: ({ desk }) => <RecurringChapter desk={desk} />,
};

function OneFrame({ desk, each }: { desk: Desk; each: FrameInSight }) {
  const { document, frameActions: actions } = desk;
  const { frame, page } = each;
  const group = find(document, 'group', frame.group);
  return (
    <>
      <h2 className="leading-tight font-semibold">{frameName(document, frame)}</h2>
      {group && <p className="opacity-75">One of a group: the group’s text wrap applies.</p>}
      {isParted(document, frame) && (
        <p className="opacity-75">
          Freed from the master {page.master.name}.{' '}
          <button type="button" className="btn btn-xs" onClick={actions.rejoin}>
            Follow master
          </button>
        </p>
      )}
      <PlaceChapter desk={desk} each={each} />
      {panelOf(desk, each)}
      <FinishChapter desk={desk} />
      <FrameFields document={document} frames={[frame]} actions={actions} />
      <FurnitureChapter desk={desk} />
      <RepeatChapter document={document} frame={frame} onRepeat={actions.repeat} />
    </>
  );
}
