import { readFile, writeFile } from 'node:fs/promises';
import { openSync } from 'fontkit';
import { format, resolveConfig } from 'prettier';
import { chooseFace, FAMILIES } from '@/core/type/catalogue';
import { facePath } from '@/formats/faces/files';
import { characterBlocks, characterNames } from '../tests/support/unicode';

/**
 * Writes `src/core/type/characters.json`: which characters the faces of a house have, and what Unicode calls them (Debian's
 * package unicode-data). To be run when a face or the standard changes; a test says so.
 */
const names = characterNames(await readFile('/usr/share/unicode/UnicodeData.txt', 'utf8'));
const blocks = characterBlocks(await readFile('/usr/share/unicode/Blocks.txt', 'utf8'));
const families: Record<string, string> = {};
const used = new Set<number>();
for (const family of FAMILIES) {
  const { characterSet } = openSync(facePath(chooseFace(family, 400, false)!.face.id));
  const own = [...new Set(characterSet)].filter((code) => names.has(code)).sort((a, b) => a - b);
  for (const code of own) used.add(code);
  families[family] = ranges(own);
}
const written = {
  families,
  blocks: blocks
    .filter(({ from, to }) => [...used].some((code) => code >= from && code <= to))
    .map(({ from, name }) => [from, name]),
  names: Object.fromEntries([...used].sort((a, b) => a - b).map((code) => [code.toString(16), names.get(code)!])),
};
const file = 'src/core/type/characters.json';
await writeFile(file, await format(JSON.stringify(written), { ...(await resolveConfig(file)), parser: 'json' }));

/** Numbers as "20-7e a0": stretches of them, in hexadecimal. */
function ranges(codes: readonly number[]): string {
  const out: string[] = [];
  for (let i = 0; i < codes.length; i++) {
    const from = codes[i]!;
    while (codes[i + 1] === codes[i]! + 1) i++;
    out.push(from === codes[i] ? from.toString(16) : `${from.toString(16)}-${codes[i]!.toString(16)}`);
  }
  return out.join(' ');
}
