import * as hb from 'harfbuzzjs';
import { type Face, FaceError } from './face';

/** A stretch of characters as glyphs of one face. All lengths in font units. */
export interface Shaped {
  readonly glyphs: Uint16Array;
  readonly advances: Int16Array;
  /** Offset in the stretch of the character each glyph begins with. */
  readonly clusters: Uint32Array;
  /** Offsets of glyphs from where their advance puts them: x, y pairs; undefined where all are nought. */
  readonly offsets: Int16Array | undefined;
  readonly width: number;
  /** Characters the face has no glyph for. */
  readonly missing: number;
}

/** Words are mostly met again: this many are kept of one face, features and language, before their memory begins anew. */
const KEPT = 50_000;

const RIGHT_TO_LEFT = /[\p{Script=Hebrew}\p{Script=Arabic}\p{Script=Syriac}\p{Script=Thaana}\p{Script=Nko}]/u;

/** Whether a stretch is written from right to left; then its glyphs come in the order in which they stand, left to right. */
export const isRightToLeft = (text: string): boolean => text.charCodeAt(0) > 0x58f && RIGHT_TO_LEFT.test(text);

/** A face with features and a language switched on: what turns characters into glyphs, and remembers what it did. */
export class FaceShaper {
  readonly face: Face;
  readonly #features: readonly hb.Feature[];
  readonly #language: string;
  readonly #kept = new Map<string, Shaped>();
  readonly #keptRightToLeft = new Map<string, Shaped>();

  constructor(face: Face, features: string, language: string) {
    this.face = face;
    this.#language = language;
    this.#features = features
      .split(',')
      .filter((tag) => tag !== '')
      .map((tag) => (tag.startsWith('-') ? new hb.Feature(tag.slice(1), 0) : new hb.Feature(tag, 1)));
  }

  /** @param rightToLeft its glyphs come in the order in which they stand, and brackets are mirrored */
  shape(text: string, rightToLeft = isRightToLeft(text)): Shaped {
    const kept = rightToLeft ? this.#keptRightToLeft : this.#kept;
    let shaped = kept.get(text);
    if (!shaped) {
      shaped = this.#shape(text, rightToLeft);
      if (kept.size >= KEPT) kept.clear();
      kept.set(text, shaped);
    }
    return shaped;
  }

  #shape(text: string, rightToLeft: boolean): Shaped {
    buffer ??= new hb.Buffer();
    buffer.reset();
    buffer.addText(text);
    buffer.guessSegmentProperties();
    buffer.setDirection(rightToLeft ? hb.Direction.RTL : hb.Direction.LTR);
    buffer.setLanguage(this.#language);
    hb.shape(this.face.font, buffer, this.#features as hb.Feature[]);
    const infos = buffer.getGlyphInfos();
    const positions = buffer.getGlyphPositions();
    const n = infos.length;
    const glyphs = new Uint16Array(n);
    const advances = new Int16Array(n);
    const clusters = new Uint32Array(n);
    let offsets: Int16Array | undefined;
    let width = 0;
    let missing = 0;
    for (let i = 0; i < n; i++) {
      const info = infos[i]!;
      const position = positions[i]!;
      glyphs[i] = info.codepoint;
      if (info.codepoint === 0) missing++;
      clusters[i] = info.cluster;
      advances[i] = position.xAdvance;
      width += position.xAdvance;
      if (position.xOffset !== 0 || position.yOffset !== 0) {
        offsets ??= new Int16Array(2 * n);
        offsets[2 * i] = position.xOffset;
        offsets[2 * i + 1] = position.yOffset;
      }
    }
    return { glyphs, advances, clusters, offsets, width, missing };
  }
}

let buffer: hb.Buffer | undefined;

/** The faces there are, and what shapes with each of them: through HarfBuzz, with the face's kerning and ligatures. */
export class Shaper {
  readonly #faces = new Map<string, Face>();
  readonly #shapers = new Map<string, FaceShaper>();

  addFace(face: Face): void {
    this.#faces.set(face.id, face);
  }

  hasFace(id: string): boolean {
    return this.#faces.has(id);
  }

  /** @throws FaceError when the face has not been added */
  face(id: string): Face {
    const face = this.#faces.get(id);
    if (!face) throw new FaceError(`The face “${id}” has not been loaded.`);
    return face;
  }

  /**
   * @param features OpenType tags to switch on, joined by commas, or `''`; a tag with `-` before it is switched off
   * @param language BCP 47, for the face's language systems
   * @throws FaceError
   */
  with(faceId: string, features: string, language: string): FaceShaper {
    const key = `${faceId}|${features}|${language}`;
    let own = this.#shapers.get(key);
    if (!own) this.#shapers.set(key, (own = new FaceShaper(this.face(faceId), features, language)));
    return own;
  }
}
