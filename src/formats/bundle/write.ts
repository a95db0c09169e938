import JSZip from 'jszip';
import type { GivenFace } from '../faces/givenAway';
import { BUNDLE_FORMAT, BUNDLE_VERSION, type BundledDocument, type Manifest } from './shape';

/** A file that goes into a bundle. */
export interface BundleFile {
  readonly sha256: string;
  readonly media: string;
  /** What people call it; where two are called alike, the hash tells them apart. */
  readonly name: string;
  readonly bytes: Uint8Array;
}

/**
 * An issue and its house, with everything they need, as one file: see `docs/bundle.md`.
 * @param schema what a record may say, as a JSON Schema
 */
export async function writeBundle(
  of: Pick<Manifest, 'made' | 'publication'>,
  issue: BundledDocument,
  house: BundledDocument,
  files: readonly BundleFile[],
  faces: readonly GivenFace[],
  schema: object,
): Promise<Uint8Array> {
  const zip = new JSZip();
  const json = (value: unknown) => `${JSON.stringify(value, null, 1)}\n`;
  const listed = files.map(({ sha256, media, name }) => ({ path: `files/${sha256.slice(0, 12)} ${name}`, sha256, media }));
  const manifest: Manifest = {
    format: BUNDLE_FORMAT,
    version: BUNDLE_VERSION,
    ...of,
    files: listed,
    faces: faces.map(({ id, licence }) => ({ id, path: `faces/${id}.ttf`, licence })),
  };
  zip.file('bundle.json', json(manifest));
  zip.file('issue.json', json(issue));
  zip.file('house.json', json(house));
  zip.file('records.schema.json', json(schema));
  zip.file('Read me.txt', README);
  // What is squeezed already is laid in as it is.
  for (const [i, { bytes }] of files.entries()) zip.file(listed[i]!.path, bytes, { compression: 'STORE' });
  for (const { id, bytes } of faces) zip.file(`faces/${id}.ttf`, bytes);
  return zip.generateAsync({ type: 'uint8array', compression: 'DEFLATE' });
}

const README = `A bundle: one issue of a publication with its house, as an open format.

bundle.json          what it is: format, version, publication, the files and faces in it
issue.json           the issue: its records, in their order
house.json           the house that the issue was made with
records.schema.json  what a record may say, as a JSON Schema (draft 2020-12)
files/               pictures as they came, and what else the records name by their SHA-256
faces/               the faces that may be given away, each under the licence that bundle.json names

Bring it in on the shelf: “Bring in a bundle”.
`;
