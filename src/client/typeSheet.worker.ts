import { offer } from './earlyMessages';
import './earlyFaces';
import { Composer } from '@/core/compose/composer';
import { compareBreaking, type Specimen, specimens, wordsPerPage } from '@/core/compose/measure/typeSheet';
import type { Comparison } from '@/core/compose/measure/wordSpaces';
import type { SampleText } from '@/core/page/sampleText';
import { readDocument, type StoredRecord } from '@/core/records/stored';
import { Shaper } from '@/core/type/shaper';
import { paintItem } from '@/formats/svg/painter';
import { loadNeeds } from './loadNeeds';

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
export interface TypeSheet {
  readonly specimens: readonly PaintedSpecimen[];
  readonly figures: SheetFigures | undefined;
}

/** Sets type sheets, as its screen sees it (Comlink). */
export interface TypeSheetMaker {
  /**
   * Of several orders that wait only the newest is set, and gives undefined for the others.
   *
   * @param first told of the beginning of the first sheet, as nothing is in sight until it comes
   */
  make(order: TypeSheetOrder, first: (sheet: TypeSheet) => void): Promise<TypeSheet | undefined>;
}

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
async function make({ records, sample, body }: TypeSheetOrder, first: (sheet: TypeSheet) => void): Promise<TypeSheet> {
  const house = readDocument(records);
  await loadNeeds(house, shaper);
  if (!begun) first({ specimens: specimens(house, composer, sample, FIRST).map(painted), figures: undefined });
  begun = true;
  return {
    specimens: specimens(house, composer, sample).map(painted),
    figures: {
      comparison: compareBreaking(house, composer, body, sample.body),
      wordsPerPage: wordsPerPage(house, composer, body, sample.body),
    },
  };
}

let newest = 0;
let before: Promise<unknown> = Promise.resolve();

const maker: TypeSheetMaker = {
  make: (order, first) => {
    const own = ++newest;
    const made = before.then(() => (own === newest ? make(order, first) : undefined));
    before = made.catch(() => undefined);
    return made;
  },
};

offer(maker);
