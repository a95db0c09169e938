import chardet from 'chardet';
import iconv from 'iconv-lite';

export interface Decoded {
  readonly text: string;
  readonly encoding: string;
  /** Found out from its letters: neither said by a byte order mark nor certain as UTF-8 is. */
  readonly isGuess: boolean;
}

/** Bytes at the beginning that a guess goes by. */
const LOOKED_AT = 100_000;

/** Bytes from which on what comes every other time says something. */
const SHORTEST = 8;

/** Letters without which a guess is worth nothing: what is left then is taken for Western European. */
const FEWEST = 4;

/**
 * Bytes as text: by their byte order mark, as UTF-8 (RFC 3629) where they are that, else as what their letters are most
 * like (`chardet`).
 *
 * @param said the encoding that a person has chosen
 */
export function decoded(bytes: Uint8Array, said?: string): Decoded {
  const source = Buffer.from(bytes.buffer, bytes.byteOffset, bytes.byteLength);
  if (said !== undefined && iconv.encodingExists(said))
    return { text: iconv.decode(source, said), encoding: said, isGuess: false };
  const marked = byMark(bytes);
  if (marked) return { text: iconv.decode(source, marked), encoding: marked, isGuess: false };
  if (!bytes.includes(0)) {
    try {
      return { text: new TextDecoder('utf-8', { fatal: true }).decode(bytes), encoding: 'UTF-8', isGuess: false };
    } catch {
      // It is older than that, or not text.
    }
  }
  const encoding = guessed(source.subarray(0, LOOKED_AT));
  return { text: iconv.decode(source, encoding), encoding, isGuess: true };
}

function byMark(bytes: Uint8Array): string | undefined {
  if (bytes[0] === 0xef && bytes[1] === 0xbb && bytes[2] === 0xbf) return 'UTF-8';
  if (bytes[0] === 0xff && bytes[1] === 0xfe) return bytes[2] === 0 && bytes[3] === 0 ? 'UTF-32LE' : 'UTF-16LE';
  if (bytes[0] === 0xfe && bytes[1] === 0xff) return 'UTF-16BE';
  return bytes[0] === 0 && bytes[1] === 0 && bytes[2] === 0xfe && bytes[3] === 0xff ? 'UTF-32BE' : undefined;
}

function guessed(bytes: Buffer): string {
  // Without a mark, every other byte of Western text in UTF-16 is nothing.
  const zeros = [0, 0];
  for (let i = 0; i < bytes.length; i++) if (bytes[i] === 0) zeros[i % 2]!++;
  const half = bytes.length < SHORTEST ? Infinity : bytes.length / 2;
  if (zeros[1]! > half * 0.3 && zeros[0]! < half * 0.05) return 'UTF-16LE';
  if (zeros[0]! > half * 0.3 && zeros[1]! < half * 0.05) return 'UTF-16BE';
  const high = bytes.reduce((sum, byte) => sum + (byte > 0x7f ? 1 : 0), 0);
  const best =
    high < FEWEST ? undefined : chardet.analyse(bytes).find(({ name }) => name !== 'UTF-8' && iconv.encodingExists(name));
  // ISO-8859-1 is a part of what the old files of Windows use, and so is ASCII.
  return best === undefined || /^(ISO-8859-1|ASCII)$/.test(best.name) ? 'windows-1252' : best.name;
}
