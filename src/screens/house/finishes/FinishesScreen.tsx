'use client';

import { useState } from 'react';
import type { Opened } from '@/client/documentStore';
import { addFinish, framesOfFinish, removeFinish, setFinish } from '@/core/actions/finishes';
import { LAYOUT, WRAP } from '@/core/properties/frame';
import { LOOK, lookChange, lookValues } from '@/core/properties/look';
import type { Table } from '@/core/properties/property';
import { counted } from '@/core/records/count';
import { all, type Document } from '@/core/records/document';
import type { FinishLook } from '@/core/records/finish';
import type { FinishRecord, FrameRecord } from '@/core/records/index';
import { Fields } from '@/parts/fields/Fields';
import { Group } from '@/parts/fields/Group';
import { WordsField } from '@/parts/WordsField';
import { choicesIn } from '../../frame/choices';
import { FinishSample } from '../../frame/FinishSample';
import { type ChapterTools, HouseChapter } from '../HouseChapter';
import { Removing } from '../Removing';
import { QuoteDesigns } from './QuoteDesigns';

interface FinishesScreenProps {
  readonly id: string;
  readonly publication: string;
  readonly opened: Opened;
}

/** The finishes of a house: what frames look like, by name. */
export function FinishesScreen(props: FinishesScreenProps) {
  return (
    <HouseChapter {...props} chapter="finishes">
      {(tools) => <Finishes {...tools} publication={props.publication} />}
    </HouseChapter>
  );
}

function Finishes({ house, act, pressed, publication }: ChapterTools & { publication: string }) {
  const finishes = all(house, 'finish');
  const [chosen, setChosen] = useState<string>();
  const [removing, setRemoving] = useState<FinishRecord>();
  const finish = finishes.find(({ id }) => id === chosen) ?? finishes[0];
  const add = () => {
    const before = new Set(finishes.map(({ id }) => id));
    pressed('Add a finish', (now) => {
      const diff = addFinish(now);
      setChosen(diff.added.find(({ id }) => !before.has(id))?.id);
      return diff;
    });
  };
  const remove = (id: string, instead?: string) => pressed('Remove a finish', (now) => removeFinish(now, id, instead));
  return (
    <>
      {removing && (
        <Removing
          name={removing.name}
          uses={framesOfFinish(house, removing.id).length}
          others={finishes.filter(({ id }) => id !== removing.id)}
          onRemove={(instead) => remove(removing.id, instead)}
          onClose={() => setRemoving(undefined)}
        />
      )}
      <h1 className="text-lg font-semibold">Finishes of {publication}</h1>
      <p className="max-w-2xl pt-1 opacity-75">
        A finish is what a frame looks like, under a name: fill, border, corners, inset, shadow, text wrap. Change it here and
        every frame of it follows; what a frame says otherwise stays.
      </p>
      <div className="grid grid-cols-[minmax(0,1fr)_19rem] gap-10 pt-5">
        <div className="min-w-0">
          <section aria-label="Finishes">
            {finishes.length === 0 ? (
              <p className="pb-3 opacity-75">
                There are none yet. Add one here, or choose a frame on a page and keep its look as a finish.
              </p>
            ) : (
              <ul className="grid grid-cols-[repeat(auto-fill,minmax(12rem,1fr))] gap-4 pb-4">
                {finishes.map((each) => (
                  <li key={each.id}>
                    <button
                      type="button"
                      data-finish={each.id}
                      aria-pressed={each.id === finish?.id}
                      className={`flex w-full flex-col gap-1.5 border p-2 text-left ${each.id === finish?.id ? 'border-primary' : 'border-base-300 hover:bg-base-content/5'}`}
                      onClick={() => setChosen(each.id)}
                    >
                      <FinishSample document={house} finish={each} width={176} height={92} scale={0.9} />
                      <span className="font-medium">{each.name}</span>
                      <span className="narrow opacity-75">{usesWords(house, each)}</span>
                    </button>
                  </li>
                ))}
              </ul>
            )}
            <button type="button" className="btn btn-sm" onClick={add}>
              Add a finish
            </button>
          </section>
          <QuoteDesigns house={house} act={act} pressed={pressed} />
        </div>
        {finish && (
          <section aria-label={finish.name} key={finish.id} className="flex flex-col gap-3">
            <div className="bg-base-100 sticky top-0 z-10 pb-2">
              <FinishSample document={house} finish={finish} width={304} height={180} scale={0.9} />
            </div>
            <WordsField
              label="Name"
              value={finish.name}
              onChange={(name) => act('Rename a finish', (now) => setFinish(now, finish.id, { name }))}
            />
            <LookFields house={house} finish={finish} act={act} />
            <button
              type="button"
              className="btn btn-sm self-start"
              onClick={() => {
                if (framesOfFinish(house, finish.id).length === 0 || finishes.length === 1) remove(finish.id);
                else setRemoving(finish);
              }}
            >
              Remove
            </button>
          </section>
        )}
      </div>
    </>
  );
}

const usesWords = (house: Document, finish: FinishRecord): string => {
  const uses = framesOfFinish(house, finish.id).length;
  return uses === 0 ? 'Not used in the house' : `On ${counted(uses, 'frame')} of the house`;
};

const FORMS = [
  { value: 'rectangle', name: 'Rectangle' },
  { value: 'rounded', name: 'Rounded corners' },
  { value: 'corners', name: 'Each corner by itself' },
  { value: 'ellipse', name: 'Ellipse' },
  { value: 'arch', name: 'Arch' },
] as const;

/** Forms that are drawn on one frame, its rotation and what it shows are no part of a finish. */
const { rotation: _, corners: __, form, ...shown } = LOOK;
const SHOWN: Table = { form: { ...form, kind: { type: 'choice', of: FORMS } }, ...(shown as Table) };
const INSET: Table = { inset: LAYOUT.inset };

function LookFields({ house, finish, act }: { house: Document; finish: FinishRecord } & Pick<ChapterTools, 'act'>) {
  const { look } = finish;
  const { inset, wrap, ...appearance } = look;
  const set = (change: Partial<FinishLook>) =>
    act('Change a finish', (now) => setFinish(now, finish.id, { look: change as FinishLook }));
  const values = { ...lookValues(asFrame(appearance)), isFilled: true };
  return (
    <>
      <Group name="Form and look">
        <Fields
          table={SHOWN}
          of={[values]}
          choices={choicesIn(house)}
          onChange={(key, value) => {
            // A rectangle is said too: without a form, frames keep theirs.
            set(value === 'rectangle' ? { shape: { type: value } } : (lookChange(key, value, values) as FinishLook));
          }}
        />
      </Group>
      <Group name="Text in its frame">
        <Fields
          table={INSET}
          of={[{ inset: inset ?? 0 }]}
          onChange={(_, value) => set({ inset: value as FinishLook['inset'] })}
        />
      </Group>
      <Group name="Text wrap">
        <Fields
          table={{ mode: WRAP.mode, side: WRAP.side, standOff: WRAP.standOff }}
          of={[{ mode: 'none', standOff: 0, ...wrap, side: wrap?.side ?? 'both' }]}
          onChange={(key, value) => set({ wrap: { mode: 'none', standOff: 0, ...wrap, [key]: value } as FinishLook['wrap'] })}
        />
      </Group>
    </>
  );
}

/** A look as a panel has it. */
const asFrame = (look: Omit<FinishLook, 'inset' | 'wrap'>): FrameRecord => ({
  id: 'finish',
  kind: 'frame',
  on: '',
  side: 'both',
  box: { x: 0, y: 0, w: 100, h: 100 },
  order: 'a0',
  content: { type: 'panel' },
  wrap: { mode: 'none', standOff: 0, outline: 'shape' },
  ...look,
});
