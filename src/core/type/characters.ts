import data from './characters.json';

/** A character of a face, and what Unicode calls it. */
export interface FaceCharacter {
  readonly sign: string;
  readonly code: number;
  readonly name: string;
}

export interface CharacterBlock {
  readonly name: string;
  readonly characters: readonly FaceCharacter[];
}

const families = data.families as Readonly<Record<string, string>>;
const names = data.names as Readonly<Record<string, string>>;
const blocks = data.blocks as unknown as readonly (readonly [from: number, name: string])[];

const known = new Map<string, readonly CharacterBlock[]>();

/** The characters that a family of the catalogue has, block by block (Unicode); none for a family that is not there. */
export function charactersOf(family: string): readonly CharacterBlock[] {
  let own = known.get(family);
  if (!own) {
    const codes = (families[family] ?? '').split(' ').flatMap((stretch) => {
      const [from, to = from] = stretch.split('-').map((code) => parseInt(code, 16));
      return from === undefined || Number.isNaN(from) ? [] : Array.from({ length: to! - from + 1 }, (_, i) => from + i);
    });
    own = blocks.flatMap(([from, name], i) => {
      const end = blocks[i + 1]?.[0] ?? Infinity;
      const characters = codes.filter((code) => code >= from && code < end).map(characterOf);
      return characters.length > 0 ? [{ name, characters }] : [];
    });
    known.set(family, own);
  }
  return own;
}

/** A character by its number. */
export const characterOf = (code: number): FaceCharacter => ({
  code,
  sign: String.fromCodePoint(code),
  name: names[code.toString(16)] ?? '',
});

/** As it is written of a character: "U+2192". */
export const codeWords = (code: number): string => `U+${code.toString(16).toUpperCase().padStart(4, '0')}`;

/** Blocks with the characters that are meant: by their name, all words of it in any order, by their number, or by themselves. */
export function meant(list: readonly CharacterBlock[], typed: string): readonly CharacterBlock[] {
  const words = typed.toLowerCase().split(/\s+/).filter(Boolean);
  if (words.length === 0) return list;
  const fits = ({ sign, code, name }: FaceCharacter) =>
    sign === typed.trim() ||
    codeWords(code).toLowerCase() === words.join('') ||
    words.every((word) =>
      name
        .toLowerCase()
        .split(/[\s-]+/)
        .some((own) => own.startsWith(word)),
    );
  return list.flatMap(({ name, characters }) => {
    const own = characters.filter(fits);
    return own.length > 0 ? [{ name, characters: own }] : [];
  });
}
