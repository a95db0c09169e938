import type { Option, Picked } from '@/core/properties/property';
import { same } from '@/core/records/same';

/** What something says, by the keys of its properties. */
export type Values = Readonly<Record<string, unknown>>;

/** What of a document's own there is to choose from, beside what is said already. */
export type Choices = (of: Picked, values: Values) => readonly Option<string | number>[];

/** Where nothing of the document's own can be chosen. */
export const NO_CHOICES: Choices = () => [];

/** Stands for what several things say that do not agree. */
export const MIXED = Symbol('mixed');

/** What all of them say, or `MIXED`. */
export const agreed = (values: readonly unknown[]): unknown =>
  values.every((each) => same(each, values[0])) ? values[0] : MIXED;
