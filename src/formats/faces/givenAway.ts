import { readFile } from 'node:fs/promises';
import { facesOf } from '@/core/compose/paragraph/faces';
import type { Document } from '@/core/records/document';
import { CATALOGUE } from '@/core/type/catalogue';
import { facePath } from './files';

/** A face as a file, with the licence by which it may be given away. */
export interface GivenFace {
  readonly id: string;
  /** An SPDX identifier. */
  readonly licence: string;
  readonly bytes: Uint8Array;
}

/** The faces that a document is set in, those that may be given away. */
export async function givenFaces(document: Document): Promise<GivenFace[]> {
  const used = new Set(facesOf(document));
  const faces = CATALOGUE.filter(({ id }) => used.has(id));
  return Promise.all(
    faces.map(async ({ id, licence }) => ({ id, licence, bytes: new Uint8Array(await readFile(facePath(id))) })),
  );
}
