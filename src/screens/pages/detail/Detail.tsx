'use client';

import type { Fit } from '@/core/compose/fit';
import type { Box } from '@/core/geometry/box';
import type { PlacedPage } from '@/core/page/pages';
import { type Document, find } from '@/core/records/document';
import type { GroupRecord, PageRecord } from '@/core/records/index';
import { isParted } from '@/core/actions/masters';
import type { DeskKind } from '../deskPlace';
import type { FrameActions } from '../frameActions';
import type { FrameInSight } from '../Overlay';
import { frameName, textOf } from '../frameWords';
import { GroupChapter } from './GroupChapter';
import { LookChapter } from './LookChapter';
import { MasterChapter, type MasterChapterProps } from './MasterChapter';
import { PageChapter, type PageChapterProps } from './PageChapter';
import { PictureChapter } from './PictureChapter';
import { PlaceChapter } from './PlaceChapter';
import { RecurringChapter } from './RecurringChapter';
import { RepeatChapter } from './RepeatChapter';
import { SlotChapter } from './SlotChapter';
import { TextChapter } from './TextChapter';
import { outlineNote, outlinesOf, WrapChapter } from './WrapChapter';

interface DetailProps extends PageChapterProps, MasterChapterProps {
  readonly kind: DeskKind;
  readonly slots: ReadonlyMap<string, number>;
  readonly onRecurring: (page: string, changes: Partial<Pick<PageRecord, 'name' | 'recurs'>>) => void;
  readonly chosen: readonly FrameInSight[];
  readonly fits: ReadonlyMap<string, Fit>;
  readonly actions: FrameActions;
  readonly onBox: (box: Box) => void;
}

/** What is chosen, in figures and words, all of it to be changed. */
export function Detail(props: DetailProps) {
  const { document, chosen, actions } = props;
  const [first] = chosen;
  return (
    <aside
      aria-label="Detail"
      className="border-base-300 bg-base-100 flex w-60 shrink-0 flex-col gap-3.5 overflow-auto border-l px-3.5 py-3"
    >
      {!first ? (
        <Surface {...props} />
      ) : chosen.length === 1 ? (
        <OneFrame key={first.frame.id} {...props} {...first} />
      ) : (
        <GroupChapter
          count={chosen.length}
          group={wholeGroup(document, chosen)}
          onGroup={actions.group}
          onUngroup={actions.ungroup}
          onWrap={actions.groupWrap}
        />
      )}
    </aside>
  );
}

/** What lies on the desk itself. */
function Surface(props: DetailProps) {
  switch (props.kind) {
    case 'issue':
      return <PageChapter {...props} />;
    case 'masters':
      return <MasterChapter {...props} />;
    case 'recurring':
      return <RecurringChapter {...props} />;
  }
}

interface OneFrameProps extends DetailProps, FrameInSight {
  readonly page: PlacedPage;
}

function OneFrame({ document, format, frame, page, box, fits, slots, actions, onBox }: OneFrameProps) {
  const { content } = frame;
  const group = find(document, 'group', frame.group);
  return (
    <>
      <h2 className="leading-tight font-semibold">{frameName(document, frame)}</h2>
      {group && <p className="opacity-75">One of a group; the group’s text wrap counts.</p>}
      {isParted(document, frame) && (
        <p className="opacity-75">
          Parted from the master {page.master.name}.{' '}
          <button type="button" className="btn btn-xs" onClick={actions.rejoin}>
            Rejoin
          </button>
        </p>
      )}
      <PlaceChapter format={format} page={page} box={box} onBox={onBox} />
      {content.type === 'text' && (
        <TextChapter document={document} frame={frame} content={content} fits={fits} onLayout={actions.layout} />
      )}
      {content.type === 'slot' && (
        <SlotChapter
          frame={frame}
          page={page.page.id}
          content={content}
          slots={slots}
          onName={actions.nameSlots}
          onLayout={actions.layout}
        />
      )}
      {content.type === 'picture' && <PictureChapter document={document} content={content} box={box} onFit={actions.fit} />}
      {!group && textOf(document, frame)?.text.role !== 'body' && (
        <WrapChapter
          wrap={frame.wrap}
          outlines={outlinesOf(document, frame)}
          note={outlineNote(document, frame)}
          onWrap={actions.wrap}
        />
      )}
      <LookChapter document={document} frame={frame} onLook={actions.look} />
      <RepeatChapter document={document} frame={frame} onRepeat={actions.repeat} />
    </>
  );
}

/** The group whose frames these are, all and only they. */
export function wholeGroup(document: Document, chosen: readonly FrameInSight[]): GroupRecord | undefined {
  const group = find(document, 'group', chosen[0]?.frame.group);
  return group && chosen.every(({ frame }) => frame.group === group.id) ? group : undefined;
}
