import type { StoredRecord } from '@/core/records/stored';

/** The version of the format that is written; see `docs/bundle.md`. It rises with everything new that a record may say. */
export const BUNDLE_VERSION = 3;

/** What a bundle calls itself. */
export const BUNDLE_FORMAT = 'restless-kite-bundle';

export const BUNDLE_MEDIA = 'application/zip';

/** Bytes that a bundle may have, packed and unpacked, and files in it. */
export const BUNDLE_BYTES = 400_000_000;
export const BUNDLE_LIMITS = { entries: 20_000, bytes: 1_000_000_000 } as const;

/** A document: its records in their order, and for those that a change has touched, that change’s number. */
export interface BundledDocument {
  readonly name: string;
  /** The number of its last change. */
  readonly seq: number;
  readonly records: readonly StoredRecord[];
  /** Of records of the house: the change that last put them in. */
  readonly versions: Readonly<Record<string, number>>;
}

/** A file of the documents: a picture as it came, what was made of it, the profile of a press. */
export interface BundledFile {
  readonly path: string;
  readonly sha256: string;
  readonly media: string;
}

/** A face that may be given away, and the licence by which it may. */
export interface BundledFace {
  readonly id: string;
  readonly path: string;
  readonly licence: string;
}

/** What stands in `bundle.json`. */
export interface Manifest {
  readonly format: typeof BUNDLE_FORMAT;
  readonly version: number;
  /** When it was made, ISO 8601. */
  readonly made: string;
  readonly publication: {
    readonly name: string;
    readonly kind: 'magazine' | 'newsletter' | 'newspaper';
    readonly frequency: string;
  };
  readonly files: readonly BundledFile[];
  readonly faces: readonly BundledFace[];
}

/** A whole bundle: an issue, its house, and the files of both. */
export interface Bundle {
  readonly manifest: Manifest;
  readonly issue: BundledDocument;
  readonly house: BundledDocument;
  /** Bytes by SHA-256. */
  readonly files: ReadonlyMap<string, Uint8Array>;
}
