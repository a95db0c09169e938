import { lineSchema, recordSchema } from './common';
import { wrapSchema } from './frame';

export const groupSchema = recordSchema('group', { name: lineSchema.required(), wrap: wrapSchema.required() });
