import * as hb from 'harfbuzzjs';

/** A face with its measures, in font units (`unitsPerEm` to the em); y grows upwards in them. */
export interface Face {
  readonly id: string;
  readonly unitsPerEm: number;
  readonly ascent: number;
  /** Negative, below the baseline. */
  readonly descent: number;
  readonly capHeight: number;
  readonly xHeight: number;
  /** Middle of the lines and their thickness; the underline lies below the baseline and is negative. */
  readonly underline: { readonly at: number; readonly weight: number };
  readonly strike: { readonly at: number; readonly weight: number };
  /** OpenType features that the face has. */
  readonly features: ReadonlySet<string>;
  /** Its licence lets it be embedded in what is given to others. */
  readonly mayEmbed: boolean;
  readonly bytes: Uint8Array;
  readonly font: hb.Font;
}

/** Thrown when a file is not a face that can be used. */
export class FaceError extends Error {
  override name = 'FaceError';
}

/**
 * Reads a face from a TrueType or OpenType file.
 * The vertical measures come from the tables `hhea`, `OS/2` and `post` as the OpenType specification 1.9 lays them out.
 *
 * @throws FaceError when the bytes hold no face
 */
export function readFace(id: string, bytes: Uint8Array): Face {
  const face = new hb.Face(new hb.Blob(bytes));
  // Copied: a table lies in the other memory, which moves when more is asked of it.
  const os2 = face.referenceTable('OS/2')?.slice();
  if (!os2 || !face.referenceTable('hmtx')) throw new FaceError(`The file of the face “${id}” holds no usable face.`);
  const font = new hb.Font(face);
  const { ascender, descender } = font.hExtents();
  const view = new DataView(os2.buffer, os2.byteOffset, os2.byteLength);
  const hasHeights = view.getUint16(0) >= 2;
  const post = face.referenceTable('post')?.slice();
  const lines = post && new DataView(post.buffer, post.byteOffset, post.byteLength);
  const thick = lines?.getInt16(10) || Math.round(face.upem / 20);
  return {
    id,
    unitsPerEm: face.upem,
    ascent: ascender,
    descent: descender,
    xHeight: hasHeights ? view.getInt16(86) : Math.round(face.upem * 0.5),
    capHeight: hasHeights ? view.getInt16(88) : Math.round(face.upem * 0.7),
    underline: { at: (lines?.getInt16(8) || -Math.round(face.upem / 10)) - thick / 2, weight: thick },
    strike: { at: view.getInt16(28) - view.getInt16(26) / 2, weight: view.getInt16(26) || thick },
    features: new Set([...face.getTableFeatureTags('GSUB'), ...face.getTableFeatureTags('GPOS')]),
    // “Restricted License embedding” (OpenType 1.9, OS/2, fsType).
    mayEmbed: (view.getUint16(8) & 0x000f) !== 0x0002,
    bytes,
    font,
  };
}

const known = new WeakMap<Face, Map<number, boolean>>();

/** Whether a face has a glyph for a character. Every character is asked once: the answer comes over from another memory. */
export function hasCharacter(face: Face, code: number): boolean {
  let own = known.get(face);
  if (!own) known.set(face, (own = new Map()));
  let has = own.get(code);
  if (has === undefined) own.set(code, (has = face.font.nominalGlyph(code) !== undefined));
  return has;
}
