import { readFile } from 'node:fs/promises';
import { createRequire } from 'node:module';

/** The parts of HarfBuzz's subsetter that are called here. */
interface Subsetter {
  memory: WebAssembly.Memory;
  malloc(size: number): number;
  free(at: number): void;
  hb_blob_create(data: number, length: number, mode: number, user: number, destroy: number): number;
  hb_blob_destroy(blob: number): void;
  hb_blob_get_data(blob: number, length: number): number;
  hb_blob_get_length(blob: number): number;
  hb_face_create(blob: number, index: number): number;
  hb_face_destroy(face: number): void;
  hb_face_reference_blob(face: number): number;
  hb_set_add(set: number, value: number): void;
  hb_set_clear(set: number): void;
  hb_set_invert(set: number): void;
  hb_subset_input_create_or_fail(): number;
  hb_subset_input_destroy(input: number): void;
  hb_subset_input_glyph_set(input: number): number;
  hb_subset_input_unicode_set(input: number): number;
  hb_subset_input_set(input: number, which: number): number;
  hb_subset_input_set_flags(input: number, flags: number): void;
  hb_subset_or_fail(face: number, input: number): number;
  _initialize?(): void;
}

const MODE_WRITABLE = 2;
const NO_HINTING = 0x1;
const RETAIN_GLYPH_IDS = 0x2;
const GLYPHS_ONLY = 0x200; // no layout closure: the glyphs are chosen already
const DROP_TABLES = 3;
const LAYOUT_FEATURES = 6;

let loading: Promise<Subsetter> | undefined;

async function load(): Promise<Subsetter> {
  const path = createRequire(import.meta.url).resolve('harfbuzzjs/dist/harfbuzz-subset.wasm');
  const { instance } = await WebAssembly.instantiate(await readFile(path));
  const exports = instance.exports as unknown as Subsetter;
  exports._initialize?.();
  return exports;
}

const tag = (name: string): number => [...name].reduce((sum, letter) => sum * 256 + letter.charCodeAt(0), 0);

/** Tables that a PDF's glyphs placed one by one have no use for. */
const NO_USE = ['GSUB', 'GPOS', 'GDEF', 'kern', 'DSIG', 'STAT', 'name', 'meta', 'gasp'];

/**
 * A face with the outlines of some glyphs only; ids stay what they were.
 * @throws Error when the face cannot be subset
 */
export async function subsetFace(bytes: Uint8Array, glyphs: Iterable<number>): Promise<Uint8Array> {
  return subset(bytes, (hb, input) => {
    const set = hb.hb_subset_input_glyph_set(input);
    hb.hb_set_add(set, 0);
    for (const glyph of glyphs) hb.hb_set_add(set, glyph);
    const dropped = hb.hb_subset_input_set(input, DROP_TABLES);
    for (const table of NO_USE) hb.hb_set_add(dropped, tag(table));
    hb.hb_subset_input_set_flags(input, NO_HINTING | RETAIN_GLYPH_IDS | GLYPHS_ONLY);
  });
}

/**
 * A face with what some characters need, and all that it can do with those: its features stay.
 * @param characters as Unicode has them, by number
 * @throws Error when the face cannot be subset
 */
export async function faceFor(bytes: Uint8Array, characters: Iterable<number>): Promise<Uint8Array> {
  return subset(bytes, (hb, input) => {
    const set = hb.hb_subset_input_unicode_set(input);
    for (const character of characters) hb.hb_set_add(set, character);
    const features = hb.hb_subset_input_set(input, LAYOUT_FEATURES);
    hb.hb_set_clear(features);
    hb.hb_set_invert(features);
    hb.hb_subset_input_set_flags(input, NO_HINTING);
  });
}

async function subset(bytes: Uint8Array, choose: (hb: Subsetter, input: number) => void): Promise<Uint8Array> {
  const hb = await (loading ??= load());
  const at = hb.malloc(bytes.length);
  new Uint8Array(hb.memory.buffer).set(bytes, at);
  const blob = hb.hb_blob_create(at, bytes.length, MODE_WRITABLE, 0, 0);
  const face = hb.hb_face_create(blob, 0);
  const input = hb.hb_subset_input_create_or_fail();
  try {
    choose(hb, input);
    const made = hb.hb_subset_or_fail(face, input);
    if (made === 0) throw new Error('A face could not be subset.');
    const out = hb.hb_face_reference_blob(made);
    const start = hb.hb_blob_get_data(out, 0);
    const copy = new Uint8Array(hb.memory.buffer).slice(start, start + hb.hb_blob_get_length(out));
    hb.hb_blob_destroy(out);
    hb.hb_face_destroy(made);
    return copy;
  } finally {
    hb.hb_subset_input_destroy(input);
    hb.hb_face_destroy(face);
    hb.hb_blob_destroy(blob);
    hb.free(at);
  }
}
