import { Composer } from '@/core/compose/compose';
import { facesOf } from '@/core/compose/faces';
import {
  compareBreaking,
  type Comparison,
  type SampleText,
  type Specimen,
  specimens,
  wordsPerPage,
} from '@/core/compose/typeSheet';
import { readDocument, type StoredRecord } from '@/core/records/stored';
import { Shaper } from '@/core/type/shaper';
import { paintItem } from '@/formats/svg/painter';
import { loadFaces } from './loadFaces';

/** What a type sheet is made from. */
export interface TypeSheetOrder {
  readonly records: readonly StoredRecord[];
  readonly sample: SampleText;
  /** The style whose lines are compared. */
  readonly body: string;
}

export interface PaintedSpecimen extends Omit<Specimen, 'item'> {
  readonly markup: string;
  readonly height: number;
}

/** What is measured of the whole sheet. */
export interface SheetFigures {
  readonly comparison: Comparison;
  readonly wordsPerPage: number;
}

/** A type sheet, or its beginning: its figures come when all of it is set. */
export type TypeSheet =
  { readonly specimens: readonly PaintedSpecimen[]; readonly figures: SheetFigures | undefined } | { readonly failed: string };

const send = (message: TypeSheet | 'ready'): void => self.postMessage(message);

const shaper = new Shaper();
const composer = new Composer(shaper);

/** Specimens that fill a screen. They are sent by themselves the first time, as nothing is in sight until they come. */
const FIRST = 5;

const painted = ({ item, ...rest }: Specimen): PaintedSpecimen => ({
  ...rest,
  markup: paintItem(item, () => '')
    .map((chunk) => chunk.markup)
    .join(''),
  height: item.box.h,
});

let begun = false;

/** Composes the type sheet of a house, away from the screen's own thread; from one to the next only what changed is set. */
async function make({ records, sample, body }: TypeSheetOrder): Promise<TypeSheet> {
  const house = readDocument(records);
  await loadFaces(shaper, facesOf(house));
  if (!begun) send({ specimens: specimens(house, composer, sample, FIRST).map(painted), figures: undefined });
  begun = true;
  return {
    specimens: specimens(house, composer, sample).map(painted),
    figures: {
      comparison: compareBreaking(house, composer, body, sample.body),
      wordsPerPage: wordsPerPage(house, composer, body, sample.body),
    },
  };
}

let waiting: TypeSheetOrder | undefined;
let working = false;

/** Of several orders only the newest is made. */
async function work(): Promise<void> {
  if (working) return;
  working = true;
  while (waiting) {
    const order = waiting;
    waiting = undefined;
    send(await make(order).catch((error: unknown) => ({ failed: error instanceof Error ? error.message : String(error) })));
  }
  working = false;
}

self.onmessage = ({ data }: MessageEvent<TypeSheetOrder>) => {
  waiting = data;
  void work();
};

send('ready');
