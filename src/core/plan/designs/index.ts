import type { PublicationKind } from '../../records/publicationKind';
import type { Design } from './design';
import { MAGAZINES } from './magazines';
import { NEWSLETTERS } from './newsletters';
import { NEWSPAPERS } from './newspapers';

const DESIGNS: Readonly<Record<PublicationKind, readonly Design[]>> = {
  magazine: MAGAZINES,
  newsletter: NEWSLETTERS,
  newspaper: NEWSPAPERS,
};

/** The designs that a publication of a kind may begin with, the most usual first. */
export const designsOf = (kind: PublicationKind): readonly Design[] => DESIGNS[kind];

/** A design of a kind by its id; the most usual where there is none of that id. */
export const designOf = (kind: PublicationKind, id: string | undefined): Design =>
  DESIGNS[kind].find((design) => design.id === id) ?? DESIGNS[kind][0]!;

/** Every design of every kind. */
export const ALL_DESIGNS: readonly Design[] = Object.values(DESIGNS).flat();
