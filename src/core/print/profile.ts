import { USUAL_LIMITS } from '../properties/print';
import { type Document, find } from '../records/document';
import type { ProfileRecord } from '../records/index';

const COATED: ProfileRecord = { id: 'profile', kind: 'profile', ...USUAL_LIMITS.coated };

/** The limits that a document is checked against: those of coated paper where nothing is said. */
export const profileOf = (document: Document): ProfileRecord => find(document, 'profile', 'profile') ?? COATED;
