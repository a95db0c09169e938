import type { Looks } from './looks';

/** What preparing a paragraph draws on. */
export interface Setting {
  readonly looks: Looks;
  readonly language: string;
  /** A picture's size in pixels; undefined when it is gone. */
  picture(id: string): { readonly width: number; readonly height: number } | undefined;
}

/** What the text around a paragraph says about it. */
export interface Situation {
  /** What its fields show, in order. */
  readonly values: readonly string[];
  /** It is the last of its story. */
  readonly endsStory: boolean;
}

/** A paragraph that shows no field and ends no story. */
export const ALONE: Situation = { values: [], endsStory: false };
