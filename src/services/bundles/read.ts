import { createHash } from 'node:crypto';
import type { ObjectSchema } from 'joi';
import sharp from 'sharp';
import { looseIn } from '@/core/records/references';
import { readDocument } from '@/core/records/stored';
import { together } from '@/core/records/together';
import { readArchive } from '@/formats/copy/archive';
import { checkSvg } from '@/formats/pictures/svgSafety';
import { plainName, RefusedFileError } from '@/formats/refused';
import { hashesOf } from '@/formats/bundle/hashes';
import {
  BUNDLE_FORMAT,
  BUNDLE_LIMITS,
  BUNDLE_VERSION,
  type Bundle,
  type BundledDocument,
  type BundledFile,
  type Manifest,
} from '@/formats/bundle/shape';
import { broughtUp } from './older';
import { DOCUMENT, MANIFEST } from './schemas';

/**
 * Reads a bundle, and believes nothing in it: every record is checked against its schema, every reference, and every file against
 * its hash and what it says it is.
 * @throws RefusedFileError with a sentence
 */
export async function readBundle(name: string, bytes: Uint8Array): Promise<Bundle> {
  const called = `“${plainName(name)}”`;
  const refused = (why: string, status: 413 | 415 | 422 = 422) => new RefusedFileError(`${called} ${why}`, status);
  const { names, entries } = await readArchive(bytes, () => true, BUNDLE_LIMITS);
  for (const each of names)
    if (/(^|[\\/])\.\.([\\/]|$)|^[\\/]|^[A-Za-z]:/.test(each))
      throw refused('holds a path that leads out of it, so it was not taken.');

  const json = (entry: string): unknown => {
    const content = entries.get(entry);
    if (!content) throw refused(`is no bundle: it has no ${entry}.`, 415);
    try {
      return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(content));
    } catch {
      throw refused(`is damaged: its ${entry} cannot be read.`);
    }
  };
  const checked = <T>(entry: string, schema: ObjectSchema<T>, version = BUNDLE_VERSION): T => {
    const { error, value } = schema.validate(broughtUp(json(entry), version), { convert: false });
    if (error) throw refused(`is damaged: in its ${entry}, ${error.message}.`);
    return value as T;
  };

  const head = json('bundle.json') as { format?: unknown; version?: unknown } | null;
  if (head?.format !== BUNDLE_FORMAT) throw refused('is no bundle.', 415);
  if (typeof head.version === 'number' && head.version > BUNDLE_VERSION)
    throw refused('was made by a newer version of Restless Kite. Bring this one up to date, then take it.');
  const manifest = checked<Manifest>('bundle.json', MANIFEST);
  const issue = checked<BundledDocument>('issue.json', DOCUMENT, manifest.version);
  const house = checked<BundledDocument>('house.json', DOCUMENT, manifest.version);
  checkDocument(issue, 'issue', refused);
  checkDocument(house, 'house', refused);

  const files = new Map<string, Uint8Array>();
  for (const file of manifest.files) {
    const content = entries.get(file.path);
    if (!content) throw refused(`lacks a file that it names, “${plainName(file.path)}”.`);
    if (createHash('sha256').update(content).digest('hex') !== file.sha256)
      throw refused(`is damaged: “${plainName(file.path)}” is not what it was.`);
    await checkFile(file, content, refused);
    files.set(file.sha256, content);
  }
  const media = new Map(manifest.files.map((file) => [file.sha256, file.media]));
  for (const record of [...issue.records, ...house.records])
    for (const hash of hashesOf(record)) if (!media.has(hash)) throw refused(`lacks the file of ${record.kind} “${record.id}”.`);
  return { manifest, issue, house, files };
}

/** Kinds that a document has one record of. */
const ONCE: ReadonlySet<string> = new Set(['issue', 'format', 'details', 'profile']);

type Refused = (why: string, status?: 413 | 415 | 422) => RefusedFileError;

/** Whether records hold together: each there once, no two contradicting one another, nothing pointing at nothing. */
function checkDocument({ records }: BundledDocument, which: 'issue' | 'house', refused: Refused): void {
  const ids = new Set<string>();
  for (const { id, kind } of records) {
    if (ids.has(id)) throw refused(`contradicts itself: its ${which} has two records “${id}”.`);
    ids.add(id);
    // Of these there is one, by the name of its kind.
    if (ONCE.has(kind) && id !== kind) throw refused(`contradicts itself: its ${which} has a ${kind} that is called “${id}”.`);
  }
  const needed =
    which === 'issue' ? (['issue', 'format', 'page', 'master'] as const) : (['format', 'master', 'details'] as const);
  for (const kind of needed)
    if (!records.some((record) => record.kind === kind)) throw refused(`is damaged: its ${which} has no ${kind}.`);
  const document = readDocument(records);
  const [loose] = looseIn(document);
  if (loose)
    throw refused(
      `contradicts itself: ${loose.record.kind} “${loose.record.id}” of its ${which} needs something that is not there.`,
    );
  const why = together(records);
  if (why !== undefined) throw refused(`contradicts itself: ${why}`);
}

/** Whether a file is what it says: a browser is shown it as that. */
async function checkFile({ media, path }: BundledFile, bytes: Uint8Array, refused: Refused): Promise<void> {
  const wrong = () => refused(`holds “${plainName(path)}”, which is not what it says it is.`);
  const starts = (words: string) => Buffer.from(bytes.subarray(0, 1024)).toString('latin1').includes(words);
  if (media === 'image/svg+xml') checkSvg(plainName(path), new TextDecoder().decode(bytes));
  else if (media === 'application/pdf') {
    if (!starts('%PDF-')) throw wrong();
  } else if (media === 'application/postscript') {
    if (!starts('%!PS')) throw wrong();
  } else if (media === 'application/vnd.iccprofile') {
    if (Buffer.from(bytes.subarray(36, 40)).toString('latin1') !== 'acsp') throw wrong();
  } else if (media.startsWith('image/')) {
    const format = await sharp(bytes, { limitInputPixels: false })
      .metadata()
      .then((found) => (found.format === 'heif' ? 'avif' : (found.format as string)))
      .catch(() => undefined);
    if (format !== media.slice('image/'.length)) throw wrong();
  } else throw wrong();
}
