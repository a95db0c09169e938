import { drawn, PICTURES } from '@demo/longspar/pictures';
import { TOWN_PICTURES } from '@demo/townPictures';
import sharp from 'sharp';
import type { Answer } from '../answer';
import { WIRE_PICTURES } from '../wire/pictures';
import { HELD } from './holdings';

/** Pixels of the longer side of what is shown of a picture before it is taken. */
const THUMBNAIL = 480;

const DRAWN = [...PICTURES, ...TOWN_PICTURES, ...WIRE_PICTURES];

/** A picture agency: it is searched for words, answers in IPTC’s ninjs 1.3, and hands out its pictures. */
export class Agency {
  readonly #drawn = new Map<string, Promise<Uint8Array>>();

  /** @param path below the agency’s own, with what is asked for behind it */
  async answer(method: string, path: string, asked: URLSearchParams): Promise<Answer | undefined> {
    if (method !== 'GET') return undefined;
    if (path === '/search') return { media: 'application/json', body: JSON.stringify(found(asked.get('q') ?? '')) };
    const [, size, file] = /^\/(originals|thumbnails)\/([\w.-]+)$/.exec(path) ?? [];
    const held = HELD.find((each) => each.file === file);
    if (size === undefined || !held) return undefined;
    const original = await this.#draw(held.file);
    if (size === 'originals') return { media: 'image/jpeg', body: original };
    return { media: 'image/jpeg', body: await sharp(original).resize(THUMBNAIL, THUMBNAIL, { fit: 'inside' }).jpeg().toBuffer() };
  }

  #draw(file: string): Promise<Uint8Array> {
    let own = this.#drawn.get(file);
    if (!own) this.#drawn.set(file, (own = drawn(DRAWN.find((each) => each.file === file)!)));
    return own;
  }
}

/** What the agency holds that all words are found in, as a package of pictures. */
function found(words: string): object {
  const sought = words.toLowerCase().split(/\s+/).filter(Boolean);
  const own = HELD.filter((held) => {
    const said = `${held.title} ${held.caption} ${held.credit} ${held.keywords}`.toLowerCase();
    return sought.every((word) => said.includes(word));
  });
  return {
    uri: 'urn:skerry-pictures:search',
    type: 'composite',
    headline: 'Skerry Pictures',
    associations: Object.fromEntries(
      own.map(({ id, file, title, caption, credit, usage, status, width, height }) => [
        id.replaceAll('-', '_'),
        {
          uri: `urn:skerry-pictures:${id}`,
          type: 'picture',
          pubstatus: status ?? 'usable',
          headline: title,
          description_text: caption,
          byline: credit,
          usageterms: usage,
          copyrightholder: 'Skerry Pictures',
          renditions: {
            original: { href: `originals/${file}`, mimetype: 'image/jpeg', width, height },
            thumbnail: { href: `thumbnails/${file}`, mimetype: 'image/jpeg' },
          },
        },
      ]),
    ),
  };
}
