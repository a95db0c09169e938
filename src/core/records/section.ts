import Joi from 'joi';
import { idSchema, lineSchema, recordSchema, type RecordBase } from './common';

/** How a section's folios are written: 1, i, I, a or A. */
export const FOLIO_STYLES = ['1', 'i', 'I', 'a', 'A'] as const;
export type FolioStyle = (typeof FOLIO_STYLES)[number];

/** Folios that begin anew: "A1" is the prefix A and the figures from 1. */
export interface Folios {
  readonly style: FolioStyle;
  readonly prefix: string;
  readonly start: number;
}

/** A section of an issue, from a page up to where the next begins. A department is one whose folios go on. */
export interface SectionRecord extends RecordBase<'section'> {
  readonly name: string;
  /** The page it begins on. */
  readonly from: string;
  readonly folios?: Folios | undefined;
}

export const sectionSchema = recordSchema('section', {
  name: lineSchema.required(),
  from: idSchema.required(),
  folios: Joi.object({
    style: Joi.valid(...FOLIO_STYLES).required(),
    prefix: Joi.string().allow('').max(8).required(),
    start: Joi.number().integer().min(1).max(9999).required(),
  }),
});
