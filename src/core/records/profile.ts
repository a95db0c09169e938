import { PRINT, type PrintLimits } from '../properties/print';
import type { RecordBase } from './common';
import { type Kind, LINE, maybe, parts, said } from './kind';

/** What a publication is made for, and what is asked of its issues before they go out; its id is always `profile`. */
export interface ProfileRecord extends RecordBase<'profile'>, PrintLimits {
  /** The print shop’s own colour profile: its file, and what it calls itself. */
  readonly icc?: { readonly blob: string; readonly name: string } | undefined;
}

export const PROFILE: Kind<ProfileRecord> = {
  called: 'limits for print',
  offered: 'Limits for print',
  fields: { ...said(PRINT), icc: maybe(parts({ blob: { is: 'hash' }, name: LINE })) },
};
