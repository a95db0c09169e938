'use client';

import type { PointerEvent as ReactPointerEvent } from 'react';
import { blanksOf, furnitureOf } from '@/core/actions/furniture';
import { all, get } from '@/core/records/document';
import type { FurnitureRecord } from '@/core/records/index';
import { Group } from '@/parts/fields/Group';
import { WordsField } from '@/parts/WordsField';
import { FurnitureSample } from '../../frame/FurnitureSample';
import type { Desk } from '../useDesk';
import { KeepAs } from './KeepAs';

/** The furniture there is, to be carried onto a page. */
export function FurnitureList({ desk }: { desk: Desk }) {
  const list = all(desk.document, 'furniture');
  return (
    <Group name="Furniture" folded={list.length === 0}>
      {list.length === 0 ? (
        <p className="opacity-75">
          There is none yet. Choose the frames of a box you will need again, and keep them as furniture.
        </p>
      ) : (
        <ul className="grid grid-cols-2 items-start gap-2" aria-label="Furniture">
          {list.map((each) => (
            <li key={each.id} className="min-w-0">
              <Chip desk={desk} furniture={each} />
            </li>
          ))}
        </ul>
      )}
    </Group>
  );
}

function Chip({ desk, furniture }: { desk: Desk; furniture: FurnitureRecord }) {
  return (
    <button
      type="button"
      data-furniture={furniture.id}
      className="hover:bg-base-content/5 border-base-300 flex w-full cursor-grab touch-pan-y flex-col gap-1 border p-1 text-left select-none"
      title="Drag onto a page, or press Enter to put it where there is most room"
      onPointerDown={(event: ReactPointerEvent) => {
        if (event.button === 0) desk.gestures.carryOver('furniture', furniture.id, event);
      }}
      onKeyDown={(event) => {
        if (event.key !== 'Enter') return;
        event.preventDefault();
        desk.puttingDown.byKey({ what: 'furniture', id: furniture.id });
      }}
    >
      <FurnitureSample document={desk.document} furniture={furniture} width={92} />
      <span className="narrow truncate leading-tight">{furniture.name}</span>
    </button>
  );
}

/** What the chosen frames are of a piece of furniture, or can become. */
export function FurnitureChapter({ desk }: { desk: Desk }) {
  const { document, actions } = desk;
  const ids = desk.held.map(({ frame }) => frame.id);
  const frames = ids.map((id) => get(document, 'frame', id));
  const furniture = frames.map((frame) => furnitureOf(document, frame)).find((each) => each !== undefined);
  const blanks = furniture ? blanksOf(document, frames) : [];
  return (
    <Group name="Furniture" now={furniture?.name} folded={!furniture}>
      {furniture ? (
        <>
          <p>
            <span className="font-medium">{furniture.name}</span>: what changes there changes here, but for what you filled or
            changed.
          </p>
          {blanks.map(({ text, label, words }) => (
            <WordsField
              key={text}
              label={label}
              value={words}
              most={4000}
              lines={words.includes('\n') ? Math.min(8, words.split('\n').length + 1) : 1}
              onChange={(to) => actions.fillWords(text, to)}
            />
          ))}
          <div className="flex flex-wrap gap-1">
            <button type="button" className="btn btn-xs min-h-6" onClick={() => actions.intoFurniture(ids)}>
              Make this the furniture
            </button>
            <button type="button" className="btn btn-xs min-h-6" onClick={() => actions.partFurniture(ids)}>
              Stop following it
            </button>
          </div>
        </>
      ) : (
        <KeepAs
          offer="Keep as furniture …"
          of="the furniture"
          onKeep={(name) => actions.keepFurniture(ids, name) !== undefined}
        />
      )}
    </Group>
  );
}
