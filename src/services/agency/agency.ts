import { LRUCache } from 'lru-cache';
import { PICTURE_BYTES } from '@/formats/pictures/read';
import { RefusedFileError } from '@/formats/refused';
import type { HeldLine } from '@/formats/wire/lines';
import { FEED_BYTES, type HeldPicture } from '@/formats/wire/ninjs';
import { NotThereError } from '../errors';
import { type KeptPicture, keptPicture } from '../jobs/readPicture';
import { inReader } from '../reading/readers';
import { fetched } from '../wires/fetching';

/** What the agency that is worked with is called. */
const NAME = 'Skerry Pictures';

/** @throws NotThereError where no agency is worked with */
function agencyUrl(): string {
  const url = process.env['AGENCY_URL'];
  if (!url) throw new NotThereError('No picture agency is set up here. Its address is said in AGENCY_URL.');
  return url;
}

/** Where the small pictures of its answers are: each is asked for by itself, which shall not ask the agency everything again. */
const thumbnails = new LRUCache<string, string>({ max: 2000 });

/** What it answers to a question. */
async function held(path: string, asked: URLSearchParams, signal?: AbortSignal): Promise<readonly HeldPicture[]> {
  const at = new URL(`${path}?${asked.toString()}`, agencyUrl()).href;
  const bytes = await fetched(`“${NAME}”`, at, FEED_BYTES, 'application/json', signal);
  const pictures = await inReader({ job: 'held', name: NAME, bytes }, signal);
  for (const { uri, thumbnail } of pictures) thumbnails.set(uri, thumbnail);
  return pictures;
}

/** The pictures an agency holds that some words are found in. @throws NotThereError, RefusedFileError */
export async function searchAgency(
  words: string,
  signal?: AbortSignal,
): Promise<{ name: string; pictures: readonly HeldLine[] }> {
  const found = await held('search', new URLSearchParams({ q: words }), signal);
  const pictures = found.map(({ original: _, thumbnail: __, ...line }) => line);
  return { name: NAME, pictures };
}

/** Pictures of it by what they are known by. @throws NotThereError, RefusedFileError */
const heldBy = (uris: readonly string[], signal?: AbortSignal): Promise<readonly HeldPicture[]> =>
  held('items', new URLSearchParams(uris.map((uri) => ['uri', uri])), signal);

/** @throws NotThereError, RefusedFileError */
async function heldPicture(uri: string, signal?: AbortSignal): Promise<HeldPicture> {
  const own = (await heldBy([uri], signal)).find((each) => each.uri === uri);
  if (!own) throw new NotThereError('The agency no longer offers that picture.');
  return own;
}

/** A file of the agency’s: on its own host, and nowhere else, so that no answer sends the server round other houses. */
async function fileOf(href: string, limit: number, signal?: AbortSignal): Promise<Uint8Array> {
  const own = new URL(href, agencyUrl());
  if (own.origin !== new URL(agencyUrl()).origin)
    throw new RefusedFileError('The agency sends to another house for that picture, so it was not taken.');
  return fetched(`“${NAME}”`, own.href, limit, 'image/*', signal);
}

/** Bytes of a picture that is only looked at. */
const THUMBNAIL_BYTES = 5_000_000;

/** A small picture of what an agency holds, for a screen, as WebP. @throws NotThereError, RefusedFileError */
export async function heldThumbnail(uri: string, signal?: AbortSignal): Promise<Uint8Array> {
  const thumbnail = thumbnails.get(uri) ?? (await heldPicture(uri, signal)).thumbnail;
  return inReader({ job: 'screenCopy', side: 400, bytes: await fileOf(thumbnail, THUMBNAIL_BYTES, signal) }, signal);
}

/**
 * Takes a picture from the agency, with its words and what it may be used for.
 * @throws RefusedFileError where it may not be printed, NotThereError
 */
export async function takeFromAgency(uri: string, signal?: AbortSignal): Promise<KeptPicture> {
  const own = await heldPicture(uri, signal);
  if (own.status !== 'usable')
    throw new RefusedFileError(`“${own.title}” may not be printed now: ${own.rights || 'the agency withholds it'}`);
  const { picture, notes } = await keptPicture(own.title, await fileOf(own.original, PICTURE_BYTES, signal), signal);
  return {
    picture: {
      ...picture,
      name: own.title,
      caption: own.caption || picture.caption,
      credit: own.credit || picture.credit,
      ...(own.rights ? { rights: own.rights } : {}),
      source: { uri, version: own.version },
    },
    notes,
  };
}

/** At most so many pictures are asked for at once. */
const ASKED = 100;

/** Of pictures that were taken from the agency, those of which it has another version now. @throws NotThereError, RefusedFileError */
export async function changedAtAgency(
  taken: readonly { readonly uri: string; readonly version: string }[],
  signal?: AbortSignal,
): Promise<ReadonlySet<string>> {
  const changed = new Set<string>();
  for (let at = 0; at < taken.length; at += ASKED) {
    const some = new Map(taken.slice(at, at + ASKED).map(({ uri, version }) => [uri, version]));
    for (const { uri, version } of await heldBy([...some.keys()], signal))
      if (some.has(uri) && some.get(uri) !== version) changed.add(uri);
  }
  return changed;
}
