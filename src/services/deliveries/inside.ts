import JSZip from 'jszip';
import { LRUCache } from 'lru-cache';
import { getBlob, NoSuchBlobError } from '@/store/blobs';
import { findDelivery } from '@/store/deliveries';

/** Editions that were looked at last, unpacked where they are read. */
const opened = new LRUCache<string, JSZip>({ max: 3 });

const MEDIA: Readonly<Record<string, string>> = {
  html: 'text/html; charset=utf-8',
  xhtml: 'application/xhtml+xml; charset=utf-8',
  css: 'text/css; charset=utf-8',
  xml: 'application/atom+xml; charset=utf-8',
  json: 'application/feed+json; charset=utf-8',
  avif: 'image/avif',
  jpg: 'image/jpeg',
  png: 'image/png',
  woff2: 'font/woff2',
};

/** A file of an edition that was made, to be looked at in the application. @throws NoSuchBlobError */
export async function deliveredPage(id: string, path: string): Promise<{ media: string; bytes: Uint8Array }> {
  const delivery = await findDelivery(id);
  const way = delivery?.options.way;
  const media = MEDIA[path.split('.').at(-1)!];
  if (!delivery?.blob || (way !== 'web' && way !== 'epub') || !media) throw new NoSuchBlobError('There is no such page.');
  let zip = opened.get(delivery.blob);
  if (!zip) opened.set(delivery.blob, (zip = await JSZip.loadAsync((await getBlob(delivery.blob)).bytes)));
  const file = zip.file(way === 'epub' ? `EPUB/${path}` : path);
  if (!file) throw new NoSuchBlobError('There is no such page.');
  return { media, bytes: await file.async('uint8array') };
}
