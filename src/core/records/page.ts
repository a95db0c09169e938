import { idSchema, orderSchema, recordSchema, type RecordBase } from './common';

/** A page of an issue. Its number follows from its place in the order. */
export interface PageRecord extends RecordBase<'page'> {
  readonly order: string;
  readonly master: string;
}

export const pageSchema = recordSchema('page', { order: orderSchema.required(), master: idSchema.required() });
