import { nanoid } from 'nanoid';
import { isFrequency } from '@/core/plan/recurrence';
import { type Start, startingHouse } from '@/core/plan/startingHouse';
import type { PublicationKind } from '@/core/records/publicationKind';
import { insertPublicationWithHouse, listPublications } from '@/store/publications';
import { FieldError } from '../errors';

export interface NewPublication {
  readonly name: string;
  readonly kind: PublicationKind;
  readonly frequency: string;
  readonly language: string;
  /** What of the kind's design it takes. */
  readonly start?: Start | undefined;
}

/** Puts a publication on the shelf, with a house of its kind; gives the house's id. @throws FieldError */
export async function newPublication({ name, kind, frequency, language, start }: NewPublication): Promise<{ house: string }> {
  const own = name.trim();
  if (own === '') throw new FieldError('name', 'A publication needs a name.');
  if (!isFrequency(frequency)) throw new FieldError('frequency', 'It comes out weekly, monthly, or 2 to 50 times a year.');
  const same = (await listPublications()).some((each) => each.name.toLowerCase() === own.toLowerCase());
  if (same) throw new FieldError('name', `“${own}” is on the shelf already.`);
  const house = nanoid(12);
  await insertPublicationWithHouse({ id: nanoid(12), name: own, kind, frequency }, house, startingHouse(kind, language, start));
  return { house };
}
