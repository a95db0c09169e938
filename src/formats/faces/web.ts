import { readFile } from 'node:fs/promises';
import { compress } from 'wawoff2';
import { FALLBACKS } from '@/core/type/catalogue';
import type { UsedFace } from '../html/houseType';
import { facePath } from './files';
import { faceFor } from './subset';

/** A face as pages carry it: WOFF2 (W3C) with what their words need. */
export interface WebFace extends UsedFace {
  readonly path: string;
  readonly bytes: Uint8Array;
}

/** Faces with the characters of some words, in the folder `faces`; those that none of the words need are left out. */
export async function webFaces(faces: readonly UsedFace[], words: string): Promise<WebFace[]> {
  const characters = new Set(
    [...words.toUpperCase(), ...words.toLowerCase(), ...words].map((character) => character.codePointAt(0)!),
  );
  const out: WebFace[] = [];
  for (const face of faces) {
    const only = FALLBACKS.find((each) => each.face === face.id)?.for;
    const own = only ? [...characters].filter((code) => only.test(String.fromCodePoint(code))) : [...characters];
    if (own.length === 0) continue;
    // What comes back lies in the memory of the encoder, until it is asked again.
    const bytes = Uint8Array.from(await compress(await faceFor(new Uint8Array(await readFile(facePath(face.id))), own)));
    out.push({ ...face, path: `faces/${face.id}.woff2`, bytes });
  }
  return out;
}

/** The rules by which pages find their faces. */
export const faceRules = (faces: readonly WebFace[]): string =>
  faces
    .map(
      ({ family, weight, italic, path }) =>
        `@font-face{font-family:"${family}";font-weight:${weight};font-style:${italic ? 'italic' : 'normal'};font-display:swap;src:url("${path}") format("woff2")}\n`,
    )
    .join('');
