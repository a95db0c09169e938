import { PICTURES } from '@demo/pictures/first';
import { drawn } from '@demo/pictures/picture';
import { TOWN_PICTURES } from '@demo/pictures/town';
import sharp from 'sharp';
import type { Answer } from '../answer';
import { WIRE_PICTURES } from '../wire/pictures';
import { HELD, type Holding } from './holdings';

/** Pixels of the longer side of what is shown of a picture before it is taken. */
const THUMBNAIL = 480;

const DRAWN = [...PICTURES, ...TOWN_PICTURES, ...WIRE_PICTURES];

/** A picture agency: it is searched for words, answers in IPTC’s ninjs 1.3, and hands out its pictures. */
export class Agency {
  readonly #drawn = new Map<string, Promise<Uint8Array>>();
  /** How often each was corrected since it was first sent. */
  readonly #corrected = new Map<string, number>();

  /** @param path below the agency’s own, with what is asked for behind it */
  async answer(method: string, path: string, asked: URLSearchParams): Promise<Answer | undefined> {
    // A picture editor of the agency corrects a picture: whoever took it finds that there is another.
    if (method === 'POST' && path === '/corrections') return this.#correct(asked.get('uri'));
    if (method !== 'GET') return undefined;
    if (path === '/search') return this.#list(found(asked.get('q') ?? ''));
    if (path === '/items') return this.#list(HELD.filter((held) => asked.getAll('uri').includes(uriOf(held))));
    const [, size, version, file] = /^\/(originals|thumbnails)\/(\d+)\/([\w.-]+)$/.exec(path) ?? [];
    const held = HELD.find((each) => each.file === file);
    if (size === undefined || !held) return undefined;
    const original = await this.#draw(held.file, Number(version));
    if (size === 'originals') return { media: 'image/jpeg', body: original };
    return { media: 'image/jpeg', body: await sharp(original).resize(THUMBNAIL, THUMBNAIL, { fit: 'inside' }).jpeg().toBuffer() };
  }

  #version(held: Holding): number {
    return 1 + (this.#corrected.get(held.id) ?? 0);
  }

  #correct(uri: string | null): Answer | undefined {
    const held = HELD.find((each) => uriOf(each) === uri);
    if (!held) return undefined;
    this.#corrected.set(held.id, this.#version(held));
    return this.#list([held]);
  }

  /** Each correction makes a picture a little lighter. */
  #draw(file: string, version: number): Promise<Uint8Array> {
    const name = `${version} ${file}`;
    let own = this.#drawn.get(name);
    if (!own) {
      const first = drawn(DRAWN.find((each) => each.file === file)!);
      own =
        version === 1
          ? first
          : first.then((bytes) =>
              sharp(bytes)
                .modulate({ brightness: 1 + 0.05 * (version - 1) })
                .jpeg({ quality: 92 })
                .toBuffer(),
            );
      this.#drawn.set(name, own);
    }
    return own;
  }

  /** A package of pictures, in ninjs 1.3. */
  #list(own: readonly Holding[]): Answer {
    const list = {
      uri: 'urn:skerry-pictures:search',
      type: 'composite',
      headline: 'Skerry Pictures',
      associations: Object.fromEntries(
        own.map((held) => {
          const { id, file, title, caption, credit, usage, status, width, height } = held;
          const version = this.#version(held);
          const at = `${version}/${file}`;
          return [
            id.replaceAll('-', '_'),
            {
              uri: uriOf(held),
              type: 'picture',
              version: String(version),
              pubstatus: status ?? 'usable',
              headline: title,
              description_text: caption,
              byline: credit,
              usageterms: usage,
              copyrightholder: 'Skerry Pictures',
              renditions: {
                original: { href: `originals/${at}`, mimetype: 'image/jpeg', width, height },
                thumbnail: { href: `thumbnails/${at}`, mimetype: 'image/jpeg' },
              },
            },
          ];
        }),
      ),
    };
    return { media: 'application/json', body: JSON.stringify(list) };
  }
}

const uriOf = ({ id }: Holding): string => `urn:skerry-pictures:${id}`;

/** What the agency holds that all words are found in. */
function found(words: string): readonly Holding[] {
  const sought = words.toLowerCase().split(/\s+/).filter(Boolean);
  return HELD.filter((held) => {
    const said = `${held.title} ${held.caption} ${held.credit} ${held.keywords}`.toLowerCase();
    return sought.every((word) => said.includes(word));
  });
}
