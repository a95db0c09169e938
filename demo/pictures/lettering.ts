import { readFile } from 'node:fs/promises';
import { readFace } from '@/core/type/face';
import { Shaper } from '@/core/type/shaper';
import { facePath } from '@/formats/faces/files';

/** Faces that drawn letters are taken from. */
const FACES = ['SourceSerif4-900', 'SourceSerif4-400', 'SourceSerif4-700', 'Archivo-600', 'Archivo-800'] as const;
export type LetterFace = (typeof FACES)[number];

let loaded: Promise<Shaper> | undefined;

function shaper(): Promise<Shaper> {
  loaded ??= (async () => {
    const made = new Shaper();
    for (const id of FACES) made.addFace(readFace(id, new Uint8Array(await readFile(facePath(id)))));
    return made;
  })();
  return loaded;
}

/** A letter as its outline, y up, with where it stands and how large. */
export interface Letter {
  readonly d: string;
  readonly x: number;
  readonly y: number;
  readonly scale: number;
}

/** Words as outlines on a line: as large as they may be, made smaller to fit a width. Lengths in units of the drawing. */
export async function lettering(
  text: string,
  face: LetterFace,
  most: number,
  wide: number,
  x: number,
  y: number,
  centred = false,
): Promise<{ readonly letters: readonly Letter[]; readonly size: number }> {
  const own = (await shaper()).face(face);
  const shaped = (await shaper()).with(face, '', 'en').shape(text);
  const size = Math.min(most, (wide * own.unitsPerEm) / shaped.width);
  const scale = size / own.unitsPerEm;
  let at = centred ? (wide / scale - shaped.width) / 2 : 0;
  const letters: Letter[] = [];
  shaped.glyphs.forEach((glyph, i) => {
    const d = own.font.glyphToPath(glyph);
    if (d !== '') letters.push({ d, x: x + at * scale, y, scale });
    at += shaped.advances[i]!;
  });
  return { letters, size };
}

export const lettersSvg = (letters: readonly Letter[], ink: string): string =>
  `<g fill="${ink}">${letters.map(({ d, x, y, scale }) => `<path transform="translate(${x.toFixed(2)} ${y.toFixed(2)}) scale(${scale.toFixed(5)} ${(-scale).toFixed(5)})" d="${d}"/>`).join('')}</g>`;
