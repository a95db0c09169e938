import { drawn } from '@demo/pictures/picture';
import type { Answer } from '../answer';
import { type Wired, WIRED } from './items';
import { WIRE_PICTURES } from './pictures';

/** Minutes after which news that is held goes out by itself. */
const HELD = 4;

/** A news wire: a feed in IPTC’s ninjs 1.3, and the pictures that go with it. */
export class Wire {
  readonly #began = Date.now();
  /** When what is held was sent out by hand, in its order. */
  readonly #sent: number[] = [];
  readonly #drawn = new Map<string, Promise<Uint8Array>>();

  /** @param path below the wire’s own */
  async answer(method: string, path: string): Promise<Answer | undefined> {
    if (method === 'POST' && path === '/next') return this.#next();
    if (method !== 'GET') return undefined;
    if (path === '/feed') return { media: 'application/json', body: JSON.stringify(this.#feed()) };
    const picture = WIRE_PICTURES.find(({ file }) => path === `/pictures/${file}`);
    if (!picture) return undefined;
    let own = this.#drawn.get(picture.file);
    if (!own) this.#drawn.set(picture.file, (own = drawn(picture)));
    return { media: 'image/jpeg', body: await own };
  }

  /** Sends out what is held next, at once. */
  #next(): Answer {
    const held = WIRED.filter(({ ago }) => ago === undefined).length;
    if (this.#sent.length < held) this.#sent.push(Date.now());
    return { media: 'application/json', body: JSON.stringify({ sent: this.#sent.length, of: held }) };
  }

  #feed(): object {
    const held = WIRED.filter(({ ago }) => ago === undefined);
    const at = (item: Wired): number =>
      item.ago === undefined
        ? (this.#sent[held.indexOf(item)] ?? this.#began + (held.indexOf(item) + 1) * HELD * 60_000)
        : this.#began - item.ago * 60_000;
    const out = new Map<string, object>();
    for (const item of [...WIRED].sort((a, b) => at(a) - at(b)))
      // The names of associations are letters, figures and low lines.
      if (at(item) <= Date.now()) out.set(item.id.replaceAll('-', '_'), ninjsOf(item, new Date(at(item))));
    return {
      uri: 'urn:ternhaven-wire:feed',
      type: 'composite',
      versioncreated: new Date().toISOString(),
      headline: 'Ternhaven Wire',
      language: 'en-GB',
      associations: Object.fromEntries(out),
    };
  }
}

const ninjsOf = (item: Wired, at: Date): object => ({
  uri: `urn:ternhaven-wire:${item.id}`,
  type: 'text',
  mimetype: 'text/html',
  version: item.version,
  versioncreated: at.toISOString(),
  pubstatus: item.status ?? 'usable',
  urgency: item.urgency,
  language: 'en-GB',
  slugline: item.slug,
  headline: item.headline,
  description_text: item.summary,
  ...(item.byline ? { byline: item.byline } : {}),
  subject: [{ name: item.subject, rel: 'department' }],
  ...(item.note ? { ednote: item.note } : {}),
  ...(item.usage ? { usageterms: item.usage } : {}),
  copyrightholder: 'Ternhaven Wire',
  body_html: item.html,
  ...(item.pictures
    ? { associations: Object.fromEntries(item.pictures.map((file, i) => [`picture${i + 1}`, pictureOf(file, at)])) }
    : {}),
});

function pictureOf(file: string, at: Date): object {
  const { caption, credit, width, height } = WIRE_PICTURES.find((each) => each.file === file)!;
  return {
    uri: `urn:ternhaven-wire:picture:${file}`,
    type: 'picture',
    versioncreated: at.toISOString(),
    pubstatus: 'usable',
    headline: file.replace(/\.[^.]+$/, ''),
    description_text: caption,
    byline: credit,
    copyrightholder: 'Ternhaven Wire',
    renditions: { original: { href: `pictures/${file}`, mimetype: 'image/jpeg', width, height } },
  };
}
