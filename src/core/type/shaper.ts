import * as hb from 'harfbuzzjs';
import { type Face, FaceError } from './face';

/** A stretch of characters as glyphs of one face. All lengths in font units. */
export interface Shaped {
  readonly glyphs: Uint16Array;
  readonly advances: Int16Array;
  /** Offset in the stretch of the character each glyph begins with. */
  readonly clusters: Uint16Array;
  /** Offsets of glyphs from where their advance puts them: x, y pairs; undefined where all are nought. */
  readonly offsets: Int16Array | undefined;
  readonly width: number;
  /** Characters the face has no glyph for. */
  readonly missing: number;
}

/** Words are mostly met again: this many are kept, of all faces together, before the memory begins anew. */
const KEPT = 200_000;

/**
 * Turns characters into glyphs, through HarfBuzz, with the face's kerning and ligatures. A shaper remembers what
 * it shaped, by face, features and characters.
 */
export class Shaper {
  readonly #faces = new Map<string, Face>();
  readonly #kept = new Map<string, Map<string, Shaped>>();
  readonly #features = new Map<string, hb.Feature[]>();
  #buffer: hb.Buffer | undefined;
  #count = 0;

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
   */
  shape(faceId: string, features: string, language: string, text: string): Shaped {
    const key = `${faceId}|${features}|${language}`;
    let kept = this.#kept.get(key);
    if (!kept) this.#kept.set(key, (kept = new Map()));
    let shaped = kept.get(text);
    if (!shaped) {
      shaped = this.#shape(this.face(faceId), features, language, text);
      if (++this.#count > KEPT) {
        this.#kept.clear();
        this.#count = 0;
        this.#kept.set(key, (kept = new Map()));
      }
      kept.set(text, shaped);
    }
    return shaped;
  }

  #shape(face: Face, features: string, language: string, text: string): Shaped {
    const buffer = (this.#buffer ??= new hb.Buffer());
    buffer.reset();
    buffer.addText(text);
    buffer.guessSegmentProperties();
    buffer.setDirection(hb.Direction.LTR);
    buffer.setLanguage(language);
    hb.shape(face.font, buffer, this.#featuresOf(features));
    const infos = buffer.getGlyphInfos();
    const positions = buffer.getGlyphPositions();
    const n = infos.length;
    const glyphs = new Uint16Array(n);
    const advances = new Int16Array(n);
    const clusters = new Uint16Array(n);
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

  #featuresOf(features: string): hb.Feature[] {
    let list = this.#features.get(features);
    if (!list) {
      list = features
        .split(',')
        .filter((tag) => tag !== '')
        .map((tag) => (tag.startsWith('-') ? new hb.Feature(tag.slice(1), 0) : new hb.Feature(tag, 1)));
      this.#features.set(features, list);
    }
    return list;
  }
}
