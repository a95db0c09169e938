import { randomUUID } from 'node:crypto';
import { RefusedFileError } from '@/formats/refused';
import type { Wires } from '@/formats/wire/lines';
import { FEED_BYTES, type WireItem } from '@/formats/wire/ninjs';
import { documentHead } from '@/store/documents';
import { dropWire, newsOf, putNews, putTrouble, putWire, type StoredWire, wireOf, wiresOf } from '@/store/wires';
import { FieldError, NotThereError } from '../errors';
import type { BroughtCopy } from '../jobs/readCopy';
import { jobs } from '../jobs/jobs';
import { takeNews } from '../jobs/takeNews';
import { inReader } from '../reading/readers';
import { fetched, webAddress } from './fetching';

/** Milliseconds in which a wire is not asked again, however many people look. */
const PAUSE = 10_000;

/** The wires of a document's publication, asked for what is new. @throws NoSuchDocumentError */
export async function lookAtWires(document: string): Promise<Wires> {
  const { publication } = await documentHead(document);
  const before = await wiresOf(publication);
  await Promise.all(before.filter(({ askedAt }) => !askedAt || Date.now() - askedAt.getTime() > PAUSE).map(askWire));
  const wires = await Promise.all(
    (await wiresOf(publication)).map(async ({ id, name, address, trouble }) => ({
      id,
      name,
      address,
      trouble,
      news: (await newsOf<WireItem>(id)).map(({ pictures, ...rest }) => ({ ...rest, pictures: pictures.length })),
    })),
  );
  const shipped = process.env['WIRE_URL'];
  const isOffered = shipped !== undefined && !wires.some(({ address }) => address === shipped);
  return { wires, offered: isOffered ? { name: 'Ternhaven Wire', address: shipped } : null };
}

async function askWire({ id, name, address }: StoredWire): Promise<void> {
  try {
    await putNews(id, await newsAtAddress(name, address));
  } catch (error) {
    if (!(error instanceof RefusedFileError)) throw error;
    await putTrouble(id, error.message);
  }
}

/** What a wire has now, of each piece the newest version. @throws RefusedFileError */
async function newsAtAddress(name: string, address: string): Promise<WireItem[]> {
  const bytes = await fetched(`“${name}”`, address, FEED_BYTES, 'application/json');
  const newest = new Map<string, WireItem>();
  for (const item of await inReader({ job: 'feed', name, bytes })) {
    const known = newest.get(item.uri);
    if (!known || known.at <= item.at) newest.set(item.uri, item);
  }
  return [...newest.values()];
}

/** Subscribes a document's publication to a wire, which has to answer. @throws FieldError, NoSuchDocumentError */
export async function subscribe(document: string, typed: { readonly name: string; readonly address: string }): Promise<void> {
  const { publication } = await documentHead(document);
  try {
    const address = webAddress(typed.address);
    const name = typed.name.trim() || new URL(address).host;
    const news = await newsAtAddress(name, address);
    await putNews(await putWire(randomUUID(), publication, name, address), news);
  } catch (error) {
    if (!(error instanceof RefusedFileError)) throw error;
    throw new FieldError('address', error.message);
  }
}

/** Ends a subscription; what was taken from it stays where it is. @throws NoSuchDocumentError */
export async function unsubscribe(document: string, wire: string): Promise<void> {
  await dropWire((await documentHead(document)).publication, wire);
}

/** A piece of news as copy, with its pictures kept. @throws NotThereError, RefusedFileError, NoSuchDocumentError */
export async function takenNews(document: string, wire: string, uri: string, signal?: AbortSignal): Promise<BroughtCopy> {
  const own = await wireOf((await documentHead(document)).publication, wire);
  if (!own) throw new NotThereError('That wire is not subscribed to any more.');
  return jobs().ask(takeNews, { wire: own.id, name: own.name, address: own.address, uri }, signal);
}
