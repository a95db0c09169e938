'use client';

import type { PointerEvent as ReactPointerEvent } from 'react';
import { LAYOUT, WRAP } from '@/core/properties/frame';
import { LOOK } from '@/core/properties/look';
import { all, find, get } from '@/core/records/document';
import { FINISHED, type FinishedKey } from '@/core/records/frame';
import type { FinishRecord } from '@/core/records/index';
import { Group } from '@/parts/fields/Group';
import { FinishSample } from '../../frame/FinishSample';
import type { Desk } from '../useDesk';
import { KeepAs } from './KeepAs';

/**
 * The finishes there are, each given by a press, or carried onto a frame; that of the chosen frames; and what they say otherwise.
 */
export function FinishChapter({ desk }: { desk: Desk }) {
  const { document, actions } = desk;
  const ids = desk.held.map(({ frame }) => frame.id);
  const frames = ids.map((id) => get(document, 'frame', id));
  const finishes = all(document, 'finish');
  const finish = frames.every((each) => each.finish === frames[0]?.finish)
    ? find(document, 'finish', frames[0]?.finish)
    : undefined;
  const own = FINISHED.filter((key) => frames.some((frame) => frame.finish !== undefined && frame.own?.includes(key)));
  const single = frames.length === 1 ? frames[0] : undefined;
  return (
    <Group
      name="Finish"
      now={finish?.name ?? (frames.some((each) => each.finish) ? 'Mixed' : undefined)}
      folded={finishes.length === 0}
    >
      {finishes.length > 0 && (
        <ul className="grid grid-cols-2 gap-1.5" aria-label="Finishes">
          {finishes.map((each) => (
            <li key={each.id} className="min-w-0">
              <FinishChip
                desk={desk}
                finish={each}
                chosen={each.id === finish?.id}
                onGive={() => (each.id === finish?.id ? actions.leaveFinish(ids) : actions.giveFinish(ids, each.id))}
              />
            </li>
          ))}
        </ul>
      )}
      {own.length > 0 && (
        <div className="flex flex-col gap-1">
          <p>
            Differs from the finish: <span className="font-medium">{own.map(keyWords).join(', ')}</span>
          </p>
          <div className="flex flex-wrap gap-1">
            <button type="button" className="btn btn-xs min-h-6" onClick={() => actions.followFinish(ids)}>
              Follow the finish
            </button>
            {single && (
              <button type="button" className="btn btn-xs min-h-6" onClick={() => actions.intoFinish(single.id)}>
                Make it the finish
              </button>
            )}
          </div>
        </div>
      )}
      {single && (
        <KeepAs
          offer="Keep its look as a finish …"
          of="the finish"
          onKeep={(name) => actions.keepFinish(single.id, name) !== undefined}
        />
      )}
    </Group>
  );
}

interface FinishChipProps {
  readonly desk: Desk;
  readonly finish: FinishRecord;
  readonly chosen: boolean;
  readonly onGive: () => void;
}

/** A finish to be pressed, or carried onto a frame. */
function FinishChip({ desk, finish, chosen, onGive }: FinishChipProps) {
  const carry = (event: ReactPointerEvent) => {
    if (event.button === 0) desk.gestures.carryOver('finish', finish.id, event);
  };
  return (
    <button
      type="button"
      data-finish={finish.id}
      aria-pressed={chosen}
      title={
        chosen
          ? `${finish.name}. Press to leave it; the look stays.`
          : `${finish.name}. Press to give it, or carry it onto a frame.`
      }
      className={`flex w-full cursor-grab touch-pan-y flex-col items-start gap-0.5 border p-1 text-left select-none ${chosen ? 'border-primary bg-primary/15' : 'border-base-300 hover:bg-base-content/5'}`}
      onPointerDown={carry}
      onClick={onGive}
    >
      <FinishSample document={desk.document} finish={finish} width={92} height={34} scale={1.6} />
      <span className="narrow w-full truncate leading-tight">{finish.name}</span>
    </button>
  );
}

/** What parts of a look are described as: they are called here as there. */
const DESCRIBED = { ...LOOK, shape: LOOK.form, inset: LAYOUT.inset, wrap: WRAP.mode };
const keyWords = (key: FinishedKey): string => DESCRIBED[key].label.toLowerCase();
