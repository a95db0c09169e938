import { RefusedFileError } from '@/formats/refused';
import { PICTURE_BYTES } from '@/formats/pictures/read';
import type { WireItem } from '@/formats/wire/ninjs';
import { newsAt } from '@/store/wires';
import { inReader } from '../reading/readers';
import { fetched } from '../wires/fetching';
import type { JobKind } from './kind';
import { brought, type BroughtCopy } from './readCopy';

/** A piece of news on a wire. */
export interface NewsOrder {
  readonly wire: string;
  readonly name: string;
  readonly address: string;
  readonly uri: string;
}

/** Takes a piece of news as copy, and fetches its pictures. Its words become a story of an issue by a change. */
export const takeNews: JobKind<NewsOrder, BroughtCopy> = {
  name: 'take-news',
  atOnce: 1,
  async run({ wire, name, address, uri }, signal) {
    const item = await newsAt<WireItem & { readonly at: string }>(wire, uri);
    if (!item) throw new RefusedFileError('The wire no longer carries that story.', 422);
    refuseUnusable(item);
    const copy = await inReader({ job: 'news', name: item.headline, item }, signal);
    return brought(copy, signal, async (i) => {
      const place = pictureAddress(item.pictures[i]!.href, address);
      try {
        return place === undefined ? undefined : await fetched(`“${name}”`, place, PICTURE_BYTES, 'image/*', signal);
      } catch (error) {
        if (error instanceof RefusedFileError) return undefined;
        throw error;
      }
    });
  },
};

/** @throws RefusedFileError for what may not be printed */
function refuseUnusable({ headline, status }: WireItem): void {
  if (status === 'canceled') throw new RefusedFileError(`The wire has cancelled “${headline}”.`);
  if (status === 'withheld') throw new RefusedFileError(`The wire withholds “${headline}”.`);
}

/** Where a picture of news is: on the wire’s own host, and nowhere else, so that no feed sends the server round other houses. */
function pictureAddress(href: string, feed: string): string | undefined {
  try {
    const own = new URL(href, feed);
    return own.origin === new URL(feed).origin ? own.href : undefined;
  } catch {
    return undefined;
  }
}
