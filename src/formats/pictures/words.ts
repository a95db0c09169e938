import exifr from 'exifr';
import { Parser } from 'htmlparser2';
import type { Metadata } from 'sharp';
import { cutTo, wellFormed } from '@/core/records/plain';

/** The words that a picture brings: all that its makers wrote into its file. */
export interface PictureFileWords {
  readonly caption: string;
  readonly credit: string;
  readonly alternative?: string;
  readonly rights?: string;
}

/** Characters of XMP that are looked through. */
const MOST_XMP = 2_000_000;

/**
 * Caption, credit, alternative text and rights from IPTC-IIM, XMP and EXIF, the first of them that has each: Caption/Abstract
 * (2:120), `dc:description`, ImageDescription; Credit (2:110), `photoshop:Credit`, By-line (2:80), `dc:creator`, Artist;
 * `Iptc4xmpCore:AltTextAccessibility`; CopyrightNotice (2:116), `dc:rights`, Copyright. The names are those of the IPTC
 * Photo Metadata Standard 2023.1, from memory.
 */
export async function wordsIn(bytes: Uint8Array, { exif, xmp, iptc }: Metadata, media: string): Promise<PictureFileWords> {
  // Containers that `exifr` does not know are asked for their EXIF alone.
  const source = media === 'image/webp' || media === 'image/gif' ? bareExif(exif) : bytes;
  const tags: Record<string, unknown> =
    (source &&
      ((await exifr
        .parse(source, { exif: false, gps: false, interop: false, iptc: false, xmp: false })
        .catch(() => undefined)) as Record<string, unknown> | undefined)) ??
    {};
  const iim = iptc ? readIim(iptc) : {};
  const xml = xmp ? readXmp(Buffer.from(xmp).toString('utf8').slice(0, MOST_XMP)) : {};
  const first = (...values: readonly unknown[]): string | undefined => {
    for (const value of values) {
      const one = Array.isArray(value) ? (value as unknown[])[0] : value;
      const words = typeof one === 'string' ? one : (one as { value?: unknown } | undefined)?.value;
      if (typeof words === 'string' && words.trim() !== '') return cutTo(decoded(words).trim(), 400);
    }
    return undefined;
  };
  const alternative = first(xml['AltTextAccessibility']);
  const rights = first(iim[116], xml['rights'], tags['Copyright'], xml['UsageTerms']);
  return {
    caption: first(iim[120], xml['description'], tags['ImageDescription']) ?? '',
    credit: first(iim[110], xml['Credit'], iim[80], xml['creator'], tags['Artist']) ?? '',
    ...(alternative === undefined ? {} : { alternative }),
    ...(rights === undefined ? {} : { rights }),
  };
}

/** The words of record 2 of an IPTC-IIM stream (IIM 4.2, chapter 6), by the number of their data set: of several, the first. */
function readIim(bytes: Uint8Array): Record<number, string> {
  const out: Record<number, string> = {};
  let at = bytes.findIndex((byte, i) => byte === 0x1c && (bytes[i + 1] === 1 || bytes[i + 1] === 2));
  while (at >= 0 && at + 5 <= bytes.length && bytes[at] === 0x1c) {
    const [record, set] = [bytes[at + 1]!, bytes[at + 2]!];
    const length = bytes[at + 3]! * 256 + bytes[at + 4]!;
    if (length > 0x7fff) break;
    if (record === 2) out[set] ??= Buffer.from(bytes.subarray(at + 5, at + 5 + length)).toString('latin1');
    at += 5 + length;
  }
  return out;
}

/** EXIF without the six bytes that introduce it in a JPEG; `exifr` reads it as the TIFF it is. */
function bareExif(exif: Uint8Array | undefined): Uint8Array | undefined {
  if (!exif) return undefined;
  return exif[0] === 0x45 && exif[1] === 0x78 ? exif.subarray(6) : exif;
}

/** UTF-8 that was read byte by byte, as IPTC-IIM is that does not say what it is written in. */
function decoded(words: string): string {
  if (!/[\u0080-\u00ff]/.test(words) || /[^\u0000-\u00ff]/.test(words)) return wellFormed(words);
  try {
    return new TextDecoder('utf-8', { fatal: true }).decode(Buffer.from(words, 'latin1'));
  } catch {
    return wellFormed(words);
  }
}

const XMP_WORDS = new Set(['description', 'creator', 'rights', 'Credit', 'UsageTerms', 'AltTextAccessibility']);

/** The words of an XMP packet (ISO 16684-1), by the local names of their properties: of several languages, the first. */
function readXmp(packet: string): Record<string, string> {
  const out: Record<string, string> = {};
  const open: string[] = [];
  const local = (name: string) => name.replace(/^.*:/, '');
  const parser = new Parser(
    {
      onopentag(name, attributes) {
        open.push(local(name));
        for (const [key, value] of Object.entries(attributes)) if (XMP_WORDS.has(local(key))) out[local(key)] ??= value;
      },
      ontext(text) {
        const property = open.findLast((name) => XMP_WORDS.has(name));
        if (property === undefined || text.trim() === '') return;
        const isItem = open.at(-1) === 'li' || open.at(-1) === property;
        if (isItem) out[property] ??= text;
      },
      onclosetag() {
        open.pop();
      },
    },
    { xmlMode: true, decodeEntities: true },
  );
  parser.end(packet);
  return out;
}
