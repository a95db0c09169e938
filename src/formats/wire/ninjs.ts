import { countWords, textOf } from '@/core/records/body';
import { cutTo, wellFormed } from '@/core/records/plain';
import type { Block, Copy } from '../copy/blocks';
import { readHtml } from '../copy/html';
import { readPlainText } from '../copy/plainText';
import { RefusedFileError } from '../refused';

/**
 * News as wires send it: IPTC’s ninjs, in the shape of its versions 1 (objects by name) and 2 and 3 (lists). A feed is one
 * item of the type `composite` whose associations are its news, a list of items, or one item alone.
 */

/** The most bytes of a feed that are read, and the most items of it. */
export const FEED_BYTES = 10_000_000;
const MOST_ITEMS = 500;

/** The most pictures that come with one item. */
const MOST_PICTURES = 40;

/** A picture that goes with news, where the wire keeps it. */
export interface WirePicture {
  readonly name: string;
  /** Where its file is, as the wire says it: perhaps relative to the feed. */
  readonly href: string;
  readonly caption: string;
  readonly credit: string;
}

/** One piece of news, as plain data. */
export interface WireItem {
  /** What it is known by, whatever version of it comes. */
  readonly uri: string;
  readonly version: string;
  /** When this version was made, ISO 8601; empty where the wire does not say. */
  readonly at: string;
  readonly headline: string;
  /** What the desk calls it. */
  readonly slug: string;
  readonly summary: string;
  readonly byline: string;
  readonly subjects: readonly string[];
  /** 1, the most urgent, to 9. */
  readonly urgency: number | undefined;
  readonly status: 'usable' | 'withheld' | 'canceled';
  /** Not to be printed before, ISO 8601. */
  readonly embargoed: string | undefined;
  /** What the wire says to the desk: its note, and how it may be used. */
  readonly note: string;
  readonly words: number;
  readonly body: { readonly is: 'html' | 'text'; readonly value: string };
  readonly pictures: readonly WirePicture[];
}

type Json = Readonly<Record<string, unknown>>;

/** @throws RefusedFileError where it is no news of this form */
export function readFeed(name: string, bytes: Uint8Array): WireItem[] {
  const json = jsonOf(bytes, `“${name}” does not send news`);
  const found = itemsIn(json).filter((item) => isObject(item) && typeof item['uri'] === 'string');
  const isEmptyFeed = isObject(json) ? json['type'] === 'composite' || Array.isArray(json['items']) : Array.isArray(json);
  if (found.length === 0 && !isEmptyFeed)
    throw new RefusedFileError(`“${name}” does not send news: what came is not in the form of ninjs.`, 415);
  return found.slice(0, MOST_ITEMS).flatMap((item) => itemOf(item as Json) ?? []);
}

/** What came, as data. @throws RefusedFileError that says what it is not, where it cannot be read */
function jsonOf(bytes: Uint8Array, isNot: string): unknown {
  try {
    return JSON.parse(new TextDecoder('utf-8', { fatal: true }).decode(bytes));
  } catch {
    throw new RefusedFileError(`${isNot}: what came is not JSON.`, 415);
  }
}

function itemsIn(json: unknown): readonly unknown[] {
  if (Array.isArray(json)) return json;
  if (!isObject(json)) return [];
  if (Array.isArray(json['items'])) return json['items'];
  return json['type'] === 'composite' ? named(json['associations']) : [json];
}

/** Words of an item that is text; nothing for a picture by itself, or one without any words. */
function itemOf(item: Json): WireItem | undefined {
  if (item['type'] !== undefined && item['type'] !== 'text') return undefined;
  const body = bodyOf(item);
  const headline = line(firstOf(item['headlines']) ?? item['headline'] ?? item['title']);
  if (body.value === '' && headline === '') return undefined;
  const summary = line(firstOf(item['descriptions']) ?? item['description_text'] ?? item['description_usage'], 2000);
  return {
    uri: line(item['uri']),
    version: versionOf(item),
    at: instant(item['versioncreated']) ?? instant(item['versionCreated']) ?? '',
    headline,
    slug: line(item['slugline'] ?? firstOf(item['sluglines'])),
    summary,
    byline: line(item['byline'] ?? firstOf(item['bylines'])),
    subjects: named(item['subject'] ?? item['subjects'])
      .flatMap((each) => (isObject(each) ? line(each['name'], 80) : []))
      .filter(Boolean)
      .slice(0, 8),
    urgency: typeof item['urgency'] === 'number' && item['urgency'] >= 1 && item['urgency'] <= 9 ? item['urgency'] : undefined,
    status: statusOf(item),
    embargoed: instant(item['embargoed'] ?? item['embargoedUntil']),
    note: [line(item['ednote'] ?? item['edNote'], 2000), line(item['usageterms'] ?? item['usageTerms'], 2000)]
      .filter(Boolean)
      .join('\n'),
    words: countWords(body.is === 'html' ? body.value.replace(/<[^<>]*>/g, ' ') : body.value),
    body,
    pictures: named(item['associations'])
      .flatMap((each) => (isObject(each) ? (pictureOf(each) ?? []) : []))
      .slice(0, MOST_PICTURES),
  };
}

/** Whether an item may be printed now; it may where nothing is said. */
function statusOf({ pubstatus }: Json): WireItem['status'] {
  return pubstatus === 'withheld' || pubstatus === 'canceled' ? pubstatus : 'usable';
}

function bodyOf(item: Json): WireItem['body'] {
  for (const key of ['body_html', 'body_xhtml'])
    if (typeof item[key] === 'string') return { is: 'html', value: wellFormed(item[key]) };
  if (typeof item['body_text'] === 'string') return { is: 'text', value: wellFormed(item['body_text']) };
  const bodies = named(item['bodies']).filter(isObject);
  const own = bodies.find(({ contenttype, contentType }) => /html/.test(line(contenttype ?? contentType))) ?? bodies[0];
  const value = own && typeof own['value'] === 'string' ? wellFormed(own['value']) : '';
  return { is: own && /html/.test(line(own['contenttype'] ?? own['contentType'])) ? 'html' : 'text', value };
}

/** A picture among what an item brings; nothing where it is something else, or its file is nowhere. */
function pictureOf(item: Json): WirePicture | undefined {
  if (item['type'] !== 'picture' && item['type'] !== 'graphic') return undefined;
  const renditions = named(item['renditions']).filter(isObject);
  const areaOf = ({ width, height }: Json) => (Number(width) || 0) * (Number(height) || 0);
  // The original, else the largest that is there.
  const own = renditions.find(({ name }) => name === 'original') ?? [...renditions].sort((a, b) => areaOf(b) - areaOf(a))[0];
  const href = line(own?.['href'], 2000);
  if (href === '') return undefined;
  return {
    name: cutTo(line(item['headline'] ?? firstOf(item['headlines']) ?? item['slugline']) || fileIn(href), 100),
    href,
    caption: line(firstOf(item['descriptions']) ?? item['description_text'], 2000),
    credit: line(item['byline'] ?? firstOf(item['bylines']) ?? item['creditline'] ?? item['copyrightholder'], 400),
  };
}

/** A picture that an agency holds, as plain data. */
export interface HeldPicture {
  readonly uri: string;
  readonly title: string;
  readonly caption: string;
  readonly credit: string;
  /** What it may be used for, as the agency says it. */
  readonly rights: string;
  readonly status: WireItem['status'];
  /** Which version of it this is; empty where the agency does not say. */
  readonly version: string;
  readonly width: number | undefined;
  readonly height: number | undefined;
  /** Where its file is, and a smaller picture of it, as the agency says it: perhaps relative to where it was asked. */
  readonly original: string;
  readonly thumbnail: string;
}

/** The most pictures of one answer that are shown. */
const MOST_HELD = 200;

/** The pictures of an agency’s answer. @throws RefusedFileError where it is none of this form */
export function readHeld(name: string, bytes: Uint8Array): HeldPicture[] {
  return itemsIn(jsonOf(bytes, `“${name}” does not answer as a picture agency`))
    .filter(isObject)
    .slice(0, MOST_HELD)
    .flatMap((item) => {
      const own = pictureOf(item);
      if (!own || typeof item['uri'] !== 'string') return [];
      const renditions = named(item['renditions']).filter(isObject);
      const by = (wanted: string) => renditions.find(({ name: called }) => called === wanted);
      const size = (value: unknown) => (typeof value === 'number' && value > 0 ? value : undefined);
      return {
        uri: line(item['uri']),
        title: own.name,
        caption: own.caption,
        credit: own.credit,
        rights: line(item['usageterms'] ?? item['usageTerms'] ?? item['copyrightnotice'], 400),
        status: statusOf(item),
        version: versionOf(item),
        width: size(by('original')?.['width']),
        height: size(by('original')?.['height']),
        original: own.href,
        thumbnail: line(by('thumbnail')?.['href'], 2000) || own.href,
      };
    });
}

const versionOf = (item: Json): string =>
  typeof item['version'] === 'number' ? String(item['version']) : line(item['version'], 40);

const fileIn = (href: string): string => /([^/?#]+)(?:[?#].*)?$/.exec(href)?.[1] ?? 'picture';

const isObject = (value: unknown): value is Json => typeof value === 'object' && value !== null && !Array.isArray(value);

/** Things by name, or in a list, as a list; each with the name it stood under, where it has none itself. */
function named(value: unknown): readonly unknown[] {
  if (Array.isArray(value)) return value;
  if (!isObject(value)) return [];
  return Object.entries(value).map(([name, each]) => (isObject(each) ? { name, ...each } : each));
}

/** What the first of a list says: headlines, descriptions and bylines of version 2 on. */
function firstOf(value: unknown): unknown {
  const [first] = Array.isArray(value) ? (value as readonly unknown[]) : [];
  return isObject(first) ? first['value'] : first;
}

/** A line of words, as long as one may be; empty for anything else. */
const line = (value: unknown, most = 400): string =>
  typeof value === 'string' ? cutTo(wellFormed(value).replace(/\s+/g, ' ').trim(), most) : '';

/** A moment as ISO 8601 has it; nothing where it is none. */
function instant(value: unknown): string | undefined {
  const time = typeof value === 'string' ? Date.parse(value) : Number.NaN;
  return Number.isNaN(time) ? undefined : new Date(time).toISOString();
}

/**
 * News as copy: its parts under their own names, its words, and behind them its pictures with caption and credit. Their files
 * are where `pictures` says, and come by themselves.
 */
export function copyOfNews({ headline, summary, byline, note, body, pictures }: WireItem): Copy {
  const part = (style: string, words: string): Block[] =>
    words === '' ? [] : [{ kind: 'paragraph', level: 0, style, content: [textOf(words)] }];
  const own = body.is === 'html' ? readHtml(body.value) : { blocks: readPlainText(body.value), dropped: [] };
  // Pictures of the wire stand in its list; what its words say of where they are is not taken twice.
  const words = own.blocks.filter(({ kind }) => kind !== 'picture');
  const [first] = words;
  const repeats =
    first?.kind === 'heading' &&
    first.content
      .map((node) => node.text ?? '')
      .join('')
      .trim() === headline;
  return {
    blocks: [
      ...part('Headline', headline),
      ...part('Standfirst', summary),
      ...part('Byline', byline),
      ...(repeats ? words.slice(1) : words),
      ...pictures.flatMap(({ caption, credit }, picture): Block[] => [
        { kind: 'picture', level: 0, content: [], picture },
        ...part('Caption', caption),
        ...part('Credit', credit),
      ]),
    ],
    pictures: pictures.map(({ name, caption }) => ({ name, says: caption, bytes: new Uint8Array() })),
    letters: [],
    dropped: own.dropped,
    ...(note ? { notes: note } : {}),
  };
}
