'use client';

import { useEffect, useSyncExternalStore } from 'react';
import { formatLength, type Unit, UNITS } from '@/core/length/length';
import { type Document, find } from '@/core/records/document';
import { keptChoice } from './keptChoice';

/**
 * The unit in which lengths on the page are read and typed: what this person chose, else what the publication goes by.
 * Sizes of type are in points everywhere.
 */
const kept = keptChoice('restless-kite-unit');
const USUAL: Unit = 'mm';

let publication: Unit = USUAL;
/** The units by name. */
export const UNIT_NAMES: Readonly<Record<Unit, string>> = {
  mm: 'Millimetres',
  cm: 'Centimetres',
  in: 'Inches',
  pt: 'Points',
  pica: 'Picas',
};

const isUnit = (word: string | null): word is Unit => UNITS.includes(word as Unit);

export const units = {
  /** What this person chose; undefined where it is as the publication has it. */
  own(): Unit | undefined {
    const unit = kept.now();
    return isUnit(unit) ? unit : undefined;
  },
  ofPublication: (): Unit => publication,
  now: (): Unit => units.own() ?? publication,
  choose: (unit: Unit | undefined): void => kept.put(unit),
  subscribe: kept.subscribe,
};

/** The unit now. */
export const useUnit = (): Unit => useSyncExternalStore(units.subscribe, units.now, () => USUAL);

/** The same where a document lies open: where nobody chose otherwise, it is its publication's. */
export function useUnitOf(document: Document): Unit {
  const own = find(document, 'details', 'details')?.unit ?? USUAL;
  useEffect(() => {
    publication = own;
    kept.tell();
  }, [own]);
  return useUnit();
}

/** A length on the page in words, in the unit now. */
export const lengthWords = (points: number): string => formatLength(points, units.now());
