import { readFile } from 'node:fs/promises';
import * as fontkit from 'fontkit';
import { describe, expect, it } from 'vitest';
import { facePath } from '@/formats/faces/files';
import { characterNames } from '../../../tests/support/unicode';
import { chooseFace, FAMILIES } from './catalogue';
import { charactersOf, codeWords, meant } from './characters';

const all = (family: string) => charactersOf(family).flatMap(({ characters }) => characters);

describe('the characters of a face', () => {
  // Reference: fontkit's reading of the face, and UnicodeData.txt of Debian's package unicode-data.
  it.each(FAMILIES)('are those that an independent library finds in it, by their names in Unicode: %s', async (family) => {
    const names = characterNames(await readFile('/usr/share/unicode/UnicodeData.txt', 'utf8'));
    const { characterSet } = fontkit.openSync(facePath(chooseFace(family, 400, false)!.face.id));
    const own = [...new Set(characterSet)].filter((code) => names.has(code)).sort((a, b) => a - b);
    expect(all(family).map(({ code }) => code)).toEqual(own);
    for (const { code, name } of all(family)) expect(name).toBe(names.get(code));
  });

  it('are found by words of their names, by their number and by themselves', () => {
    const found = (typed: string) =>
      meant(charactersOf('Source Serif 4'), typed).flatMap(({ characters }) => characters.map(({ sign }) => sign));
    expect(found('arrow right')).toContain('→');
    expect(found('U+2014')).toEqual(['—']);
    expect(found('—')).toEqual(['—']);
    expect(found('half')).toContain('½');
    expect(found('no such character')).toEqual([]);
    expect(found('  ')).toHaveLength(all('Source Serif 4').length);
    expect(codeWords(0xe9)).toBe('U+00E9');
  });

  it('are none of a family that there is not', () => expect(charactersOf('Ternhaven Sans')).toEqual([]));
});
