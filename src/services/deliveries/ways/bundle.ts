import { recordsSchema } from '@/core/records/schemas/jsonSchema';
import { stored, type StoredRecord } from '@/core/records/stored';
import { hashesOf } from '@/formats/bundle/hashes';
import { type BundleFile, writeBundle } from '@/formats/bundle/write';
import { givenFaces } from '@/formats/faces/givenAway';
import { endingOf, pictureStem } from '@/formats/fileNames';
import { getBlob } from '@/store/blobs';
import { documentHead, loadVersions } from '@/store/documents';
import { findPublication, listHouses } from '@/store/publications';
import type { WayOut } from './way';

/** The issue and its house in an open format, from which another installation makes the same again. */
export const makeBundle: WayOut<'bundle'> = async ({ whole, source, choices, at, progress }) => {
  const head = await documentHead(source.id);
  const publication = (await findPublication(head.publication))!;
  const house = (await listHouses()).get(head.publication);
  if (house === undefined) throw new Error('The publication of this issue has no house.');
  const own = await loadVersions(house);
  const records = [...whole.records.values()].map(stored);
  const named = new Map<string, string>();
  for (const record of [...records, ...own.records])
    for (const hash of hashesOf(record)) named.set(hash, named.get(hash) ?? nameOf(record));
  const files: BundleFile[] = [];
  for (const [sha256, name] of named) {
    await progress(files.length, named.size);
    const { media, bytes } = await getBlob(sha256);
    files.push({ sha256, media, bytes, name: `${pictureStem(name)}.${endingOf(media)}` });
  }
  await progress(named.size, named.size);
  const { name, kind, frequency } = publication;
  return writeBundle(
    { made: at.toISOString(), publication: { name, kind, frequency } },
    { name: head.name, seq: source.seq, records, versions: {} },
    { name: 'House', seq: own.seq, records: own.records, versions: own.versions },
    files,
    choices.faces ? await givenFaces(whole) : [],
    recordsSchema(),
  );
};

const nameOf = (record: StoredRecord): string =>
  record.kind === 'picture' ? record.name : record.kind === 'profile' ? (record.icc?.name ?? 'profile') : 'file';
