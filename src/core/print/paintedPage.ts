import { absentBoxes } from '../compose/displayList/absent';
import {
  type AreaItem,
  type Item,
  type Line,
  type LineMark,
  type PageList,
  type PictureItem,
  type Ramp,
  type Run,
  letterRamp,
  runWidth,
  type TextItem,
  type Veil,
} from '../compose/displayList/displayList';
import { outlineOf } from '../compose/frames/contours';
import { type Blend, blendedInks, blendedLight } from '../colour/blend';
import { type Ink, isBlack } from '../colour/ink';
import { lightOf } from '../colour/contrast';
import { type Box, grown, type Point } from '../geometry/box';
import { composedWith, IDENTITY, inverse, type Matrix } from '../geometry/matrix';
import { boxOutline, type Outline } from '../geometry/outline';
import type { Face } from '../type/face';
import { flattened } from '../type/flattened';
import { Mask } from './mask';
import { CHANNELS, type PicturePixels } from './picturePixels';

/** Pixels to the point: fine enough for what a press and an eye take for one place. */
export const FINENESS = 0.75;

export interface PaintSources {
  readonly face: (id: string) => Face;
  /** A picture's pixels as that item shows them; undefined where they cannot be had. */
  readonly pixels: (item: PictureItem | { readonly picture: string }) => PicturePixels | undefined;
}

/**
 * A page painted in its four inks and in light, to be measured: by the same display list as every painter's, bleed included.
 * An ink printed over another takes its place, but for black letters, which leave it where it is.
 */
export class PaintedPage {
  readonly width: number;
  readonly height: number;
  /** Points from the trim to the first pixel, on every side. */
  readonly bleed: number;
  /** Eight figures a pixel, row by row: cyan, magenta, yellow, black, 0 to 1; red, green, blue, 0 to 255; one that means nothing. */
  readonly pixels: Float32Array;
  readonly #mask: Mask;
  readonly #clip: Float32Array;
  readonly #sources: PaintSources;
  /** How what is painted mixes with what lies under it. */
  #blend: Blend | undefined;
  /** How much is left of what is painted, pixel by pixel; undefined where that is all. */
  #veil: Float32Array | undefined;

  constructor({ width, height, bleed }: Pick<PageList, 'width' | 'height' | 'bleed'>, sources: PaintSources) {
    this.bleed = bleed;
    this.width = Math.ceil((width + 2 * bleed) * FINENESS);
    this.height = Math.ceil((height + 2 * bleed) * FINENESS);
    const count = this.width * this.height;
    this.pixels = new Float32Array(CHANNELS * count);
    for (let at = 4; at < this.pixels.length; at += CHANNELS) this.pixels.fill(255, at, at + 3);
    this.#mask = new Mask(this.width, this.height);
    this.#clip = new Float32Array(count);
    this.#sources = sources;
  }

  /** @param dx points that the item's page lies to the right of this one */
  paint(item: Item, dx = 0): void {
    const page: Matrix = [FINENESS, 0, 0, FINENESS, FINENESS * (this.bleed + dx), FINENESS * this.bleed];
    const matrix = composedWith(page, item.transform ?? IDENTITY);
    const opacity = item.opacity ?? 1;
    this.#blend = item.blend;
    this.#veil = item.veil && this.#veiled(item.veil, page);
    if (item.type === 'area') this.#area(item, matrix, opacity);
    else if (item.type === 'picture') this.#picture(item, matrix, opacity);
    else if (item.type === 'text') this.#text(item, matrix, opacity);
  }

  /** The pixels that a box of the page covers: columns and rows, the last not included. */
  pixelsIn(box: Box): { readonly x0: number; readonly y0: number; readonly x1: number; readonly y1: number } {
    const at = (value: number, most: number) => Math.min(most, Math.max(0, value));
    return {
      x0: at(Math.floor((box.x + this.bleed) * FINENESS), this.width),
      y0: at(Math.floor((box.y + this.bleed) * FINENESS), this.height),
      x1: at(Math.ceil((box.x + box.w + this.bleed) * FINENESS), this.width),
      y1: at(Math.ceil((box.y + box.h + this.bleed) * FINENESS), this.height),
    };
  }

  /** The box of the page that a stretch of pixels covers. */
  boxOf(x0: number, y0: number, x1: number, y1: number): Box {
    return {
      x: x0 / FINENESS - this.bleed,
      y: y0 / FINENESS - this.bleed,
      w: (x1 - x0) / FINENESS,
      h: (y1 - y0) / FINENESS,
    };
  }

  #fill(ink: Ink, opacity: number, evenOdd: boolean): void {
    const colour = colourOf(ink);
    const { pixels } = this;
    const blend = this.#blend;
    this.#spend(evenOdd, (pixel, share) => {
      const at = CHANNELS * pixel;
      lay(pixels, at, blend ? mixed(blend, pixels, at, colour) : colour, share * opacity);
    });
  }

  #letters(ink: Ink, opacity: number): void {
    // Black that mixes is not printed over what lies under it, but mixed with it.
    if (!isBlack(ink) || this.#blend) return this.#fill(ink, opacity, false);
    const { pixels } = this;
    const colour = colourOf(ink);
    this.#spend(false, (pixel, share) => layOver(pixels, CHANNELS * pixel, colour, share * opacity));
  }

  #rings(outline: Outline, matrix: Matrix): void {
    for (const ring of outline) this.#mask.ring(ring, ...matrix);
  }

  #area(item: AreaItem, matrix: Matrix, opacity: number): void {
    const outline = outlineOf(item.contour);
    if (item.blur > 0) {
      this.#rings(outline, matrix);
      const soft = this.#softened((item.blur / 2) * FINENESS);
      if (item.clip) {
        this.#rings(outlineOf(item.clip), matrix);
        const clip = new Float32Array(soft.length);
        this.#mask.spend(true, (pixel, share) => (clip[pixel] = share));
        for (let pixel = 0; pixel < soft.length; pixel++) soft[pixel] = soft[pixel]! * clip[pixel]!;
      }
      this.#lay(item.ink, opacity, soft);
    } else if (item.ramp && item.stroke === 0) {
      this.#rings(outline, matrix);
      this.#ramp(item.ramp, opacity, inverse(matrix), true);
    } else if (item.stroke > 0) {
      for (const ring of outline) this.#stroke(ring, item.stroke, matrix);
      this.#fill(item.ink, opacity, false);
    } else {
      this.#rings(outline, matrix);
      this.#fill(item.ink, opacity, true);
    }
  }

  /** A line along a ring: each side of it by itself, all in one sense, so that corners count once. */
  #stroke(ring: readonly number[], weight: number, matrix: Matrix): void {
    const n = ring.length;
    const half = weight / 2;
    for (let i = 0; i < n; i += 2) {
      const next = i + 2 < n ? i + 2 : 0;
      const [ax, ay, bx, by] = [ring[i]!, ring[i + 1]!, ring[next]!, ring[next + 1]!];
      const length = Math.hypot(bx - ax, by - ay);
      if (length === 0) continue;
      const [ux, uy] = [((bx - ax) / length) * half, ((by - ay) / length) * half];
      const quad = [
        ax - ux + uy,
        ay - uy - ux,
        bx + ux + uy,
        by + uy - ux,
        bx + ux - uy,
        by + uy + ux,
        ax - ux - uy,
        ay - uy + ux,
      ];
      this.#mask.ring(quad, ...matrix);
    }
  }

  /** What is left of a frame, pixel by pixel, where it grows fainter. */
  #veiled({ transform, fade, feather }: Veil, page: Matrix): Float32Array {
    const matrix = composedWith(page, transform ?? IDENTITY);
    let out: Float32Array;
    if (feather) {
      this.#rings(outlineOf(feather.contour), matrix);
      out = this.#softened((feather.blur / 2) * FINENESS);
    } else out = new Float32Array(this.width * this.height).fill(1);
    if (!fade) return out;
    const along = ramped(fade.from, fade.to, inverse(matrix));
    for (let pixel = 0, y = 0; y < this.height; y++)
      for (let x = 0; x < this.width; x++, pixel++) out[pixel] = out[pixel]! * (1 - along(x, y));
    return out;
  }

  /** Fills with colours that run into one another. */
  #ramp({ form, from, to, stops }: Ramp, opacity: number, back: Matrix, evenOdd: boolean): void {
    const radius = Math.hypot(to.x - from.x, to.y - from.y);
    const linear = ramped(from, to, back);
    const [a, b, c, d, e, f] = back;
    const place =
      form === 'linear'
        ? linear
        : (px: number, py: number) => {
            const [x, y] = [px + 0.5, py + 0.5];
            return radius === 0 ? 1 : Math.min(1, Math.hypot(a * x + c * y + e - from.x, b * x + d * y + f - from.y) / radius);
          };
    const colours = stops.map(({ ink }) => colourOf(ink));
    const colour = new Float64Array(colours[0]!.length);
    const { pixels } = this;
    const blend = this.#blend;
    this.#spend(evenOdd, (pixel, share, px, py) => {
      const t = place(px, py);
      let i = 1;
      while (i < stops.length - 1 && stops[i]!.at < t) i++;
      const [before, after] = [stops[i - 1]!.at, stops[i]!.at];
      const part = after > before ? Math.max(0, Math.min(1, (t - before) / (after - before))) : 1;
      for (let k = 0; k < colour.length; k++) colour[k] = colours[i - 1]![k]! + (colours[i]![k]! - colours[i - 1]![k]!) * part;
      const at = CHANNELS * pixel;
      lay(pixels, at, blend ? mixed(blend, pixels, at, colour) : colour, share * opacity);
    });
  }

  /** Spends the mask on what is left under the veil. */
  #spend(evenOdd: boolean, paint: (pixel: number, share: number, x: number, y: number) => void): void {
    const veil = this.#veil;
    this.#mask.spend(evenOdd, veil ? (pixel, share, x, y) => paint(pixel, share * veil[pixel]!, x, y) : paint);
  }

  /** The mask with an edge that is blurred by a deviation of so many pixels: three boxes one after another are close to it. */
  #softened(deviation: number): Float32Array {
    const { width, height } = this;
    const from = new Float32Array(width * height);
    this.#mask.spend(true, (pixel, share) => (from[pixel] = share));
    const to = new Float32Array(width * height);
    const radius = Math.max(0, Math.round(Math.sqrt(4 * deviation * deviation + 1) / 2 - 0.5));
    if (radius > 0)
      for (let i = 0; i < 3; i++) {
        averaged(from, to, width, height, 1, width, radius);
        averaged(to, from, height, width, width, 1, radius);
      }
    return from;
  }

  /** Lays so much of an ink on every pixel. */
  #lay(ink: Ink, opacity: number, from: Float32Array): void {
    const veil = this.#veil;
    const colour = colourOf(ink);
    for (let pixel = 0; pixel < from.length; pixel++) {
      const a = from[pixel]! * opacity * (veil ? veil[pixel]! : 1);
      if (a <= 1 / 1024) continue;
      const at = CHANNELS * pixel;
      lay(this.pixels, at, this.#blend ? mixed(this.#blend, this.pixels, at, colour) : colour, a);
    }
  }

  #picture(item: PictureItem, matrix: Matrix, opacity: number): void {
    const pixels = this.#sources.pixels(item);
    if (!pixels) return;
    let clip: Float32Array | undefined;
    if (item.clip) {
      clip = this.#clip;
      clip.fill(0);
      this.#rings(outlineOf(item.clip), matrix);
      this.#mask.spend(true, (pixel, share) => (clip![pixel] = share));
    }
    this.#rings(boxOutline(item.box), matrix);
    const inner = item.inner ? composedWith(matrix, item.inner) : matrix;
    this.#pixels(pixels, item.placed, inner, opacity, clip);
  }

  /** Lays a picture where the mask is, four samples to a pixel. */
  #pixels(
    { width, height, data }: PicturePixels,
    { x, y, w, h }: Box,
    matrix: Matrix,
    opacity: number,
    clip: Float32Array | undefined,
  ): void {
    if (w <= 0 || h <= 0) return;
    const [a, b, c, d, e, f] = composedWith([width / w, 0, 0, height / h, (-x * width) / w, (-y * height) / h], inverse(matrix));
    const { pixels } = this;
    const blend = this.#blend;
    this.#spend(true, (pixel, share, px, py) => {
      const cover = clip ? share * clip[pixel]! : share;
      if (cover === 0) return;
      let [c0, c1, c2, c3, red, green, blue, seen] = [0, 0, 0, 0, 0, 0, 0, 0];
      for (let sample = 0; sample < 4; sample++) {
        const sx = px + (sample & 1 ? 0.75 : 0.25);
        const sy = py + (sample & 2 ? 0.75 : 0.25);
        let u = Math.floor(a * sx + c * sy + e);
        let v = Math.floor(b * sx + d * sy + f);
        if (u < -1 || v < -1 || u > width || v > height) continue;
        u = u < 0 ? 0 : u >= width ? width - 1 : u;
        v = v < 0 ? 0 : v >= height ? height - 1 : v;
        const at = CHANNELS * (v * width + u);
        const alpha = data[at + 7]!;
        c0 += alpha * data[at]!;
        c1 += alpha * data[at + 1]!;
        c2 += alpha * data[at + 2]!;
        c3 += alpha * data[at + 3]!;
        red += alpha * data[at + 4]!;
        green += alpha * data[at + 5]!;
        blue += alpha * data[at + 6]!;
        seen += alpha;
      }
      // Of four opacities of a byte, and inks of a byte.
      const much = (cover * opacity) / 1020;
      const ink = much / 255;
      const left = 1 - much * seen;
      const at = CHANNELS * pixel;
      if (blend) {
        if (seen === 0) return;
        const inks = 255 * seen;
        const own = [c0 / inks, c1 / inks, c2 / inks, c3 / inks, red / seen, green / seen, blue / seen];
        lay(pixels, at, mixed(blend, pixels, at, own), much * seen);
        return;
      }
      pixels[at] = pixels[at]! * left + c0 * ink;
      pixels[at + 1] = pixels[at + 1]! * left + c1 * ink;
      pixels[at + 2] = pixels[at + 2]! * left + c2 * ink;
      pixels[at + 3] = pixels[at + 3]! * left + c3 * ink;
      pixels[at + 4] = pixels[at + 4]! * left + red * much;
      pixels[at + 5] = pixels[at + 5]! * left + green * much;
      pixels[at + 6] = pixels[at + 6]! * left + blue * much;
    });
  }

  #text(item: TextItem, matrix: Matrix, opacity: number): void {
    for (const { lines } of item.columns)
      for (const line of lines) {
        for (const mark of line.marks ?? []) this.#mark(mark, line, false, matrix, opacity);
        this.#line(line, matrix, opacity);
        for (const mark of line.marks ?? []) this.#mark(mark, line, true, matrix, opacity);
      }
  }

  #mark(mark: LineMark, line: Line, over: boolean, matrix: Matrix, opacity: number): void {
    const box = { ...mark.box, x: mark.box.x + line.x, y: mark.box.y + line.baseline };
    if (mark.turn) matrix = composedWith(matrix, mark.turn);
    if (mark.type === 'picture') {
      const pixels = over ? undefined : this.#sources.pixels(mark);
      if (!pixels) return;
      this.#rings(boxOutline(box), matrix);
      this.#pixels(pixels, box, matrix, opacity, undefined);
    } else if (mark.over === over) {
      this.#rings(boxOutline(box), matrix);
      this.#fill(mark.ink, opacity, true);
    }
  }

  /** Runs in the same ink one after another are filled together. */
  #line(line: Line, straight: Matrix, opacity: number): void {
    let ink: Ink | undefined;
    for (const run of line.runs) {
      const matrix = run.turn ? composedWith(straight, run.turn) : straight;
      const ramp = letterRamp(run, line);
      if (ink && (ramp || ink !== run.look.ink)) this.#letters(ink, opacity);
      ink = ramp ? undefined : run.look.ink;
      if (run.look.outline) {
        const { weight, ink: around } = run.look.outline;
        this.#glyphs(run, line, matrix, weight);
        this.#fill(around, opacity, false);
      }
      if (run.look.absent) {
        const { boxes, weight } = absentBoxes(run, line);
        for (const box of boxes) this.#stroke(boxOutline(grown(box, 0))[0]!, weight, matrix);
      } else this.#glyphs(run, line, matrix, 0);
      if (ramp) this.#ramp(ramp, opacity, inverse(matrix), false);
    }
    if (ink) this.#letters(ink, opacity);
  }

  #glyphs(run: Run, line: Line, matrix: Matrix, around: number): void {
    const { look, shaped } = run;
    const face = this.#sources.face(look.face);
    const across = look.scale * line.glyphScale;
    const n = shaped.glyphs.length;
    const extra = n > 0 ? (runWidth(run, line) - shaped.width * across) / n : 0;
    const y = line.baseline + run.drop - look.rise;
    let x = line.x + run.x;
    const [ma, mb, mc, md, me, mf] = matrix;
    for (let i = 0; i < n; i++) {
      const rings = glyphRings(face, shaped.glyphs[i]!);
      const left = x + (shaped.offsets?.[2 * i] ?? 0) * across;
      const foot = y - (shaped.offsets?.[2 * i + 1] ?? 0) * look.scale;
      if (around > 0) {
        const own = composedWith(matrix, [across, 0, 0, -look.scale, left, foot]);
        for (const ring of rings) this.#stroke(ring, (2 * around) / look.scale, own);
      } else {
        // The same map, worked out in figures.
        const [a, b, c, d] = [ma * across, mb * across, -mc * look.scale, -md * look.scale];
        const [e, f] = [ma * left + mc * foot + me, mb * left + md * foot + mf];
        for (const ring of rings) this.#mask.ring(ring, a, b, c, d, e, f);
      }
      x += shaped.advances[i]! * across + extra;
    }
  }
}

const colours = new WeakMap<Ink, Float64Array>();

/** An ink as the channels of a pixel have it. */
function colourOf(ink: Ink): Float64Array {
  let own = colours.get(ink);
  if (!own) colours.set(ink, (own = Float64Array.of(...ink.cmyk, ...lightOf(ink.rgb))));
  return own;
}

/** A colour mixed with that of a pixel: its inks with the inks there, its light with the light. */
function mixed(blend: Blend, pixels: Float32Array, at: number, colour: ArrayLike<number>): number[] {
  const inks = blendedInks(
    blend,
    [pixels[at]!, pixels[at + 1]!, pixels[at + 2]!, pixels[at + 3]!],
    [colour[0]!, colour[1]!, colour[2]!, colour[3]!],
  );
  const light = blendedLight(
    blend,
    [pixels[at + 4]! / 255, pixels[at + 5]! / 255, pixels[at + 6]! / 255],
    [colour[4]! / 255, colour[5]! / 255, colour[6]! / 255],
  );
  return [...inks, ...light.map((value) => 255 * value)];
}

/** How far along a way a pixel lies, 0 to 1. @param back from pixels to the way's own coordinates */
function ramped(from: Point, to: Point, [a, b, c, d, e, f]: Matrix): (px: number, py: number) => number {
  const [dx, dy] = [to.x - from.x, to.y - from.y];
  const square = dx * dx + dy * dy;
  return (px, py) => {
    const [x, y] = [px + 0.5, py + 0.5];
    const t = square === 0 ? 1 : ((a * x + c * y + e - from.x) * dx + (b * x + d * y + f - from.y) * dy) / square;
    return t < 0 ? 0 : t > 1 ? 1 : t;
  };
}

/** Lays so much of a colour over a pixel. */
function lay(pixels: Float32Array, at: number, colour: ArrayLike<number>, share: number): void {
  pixels[at] = pixels[at]! + (colour[0]! - pixels[at]!) * share;
  pixels[at + 1] = pixels[at + 1]! + (colour[1]! - pixels[at + 1]!) * share;
  pixels[at + 2] = pixels[at + 2]! + (colour[2]! - pixels[at + 2]!) * share;
  pixels[at + 3] = pixels[at + 3]! + (colour[3]! - pixels[at + 3]!) * share;
  pixels[at + 4] = pixels[at + 4]! + (colour[4]! - pixels[at + 4]!) * share;
  pixels[at + 5] = pixels[at + 5]! + (colour[5]! - pixels[at + 5]!) * share;
  pixels[at + 6] = pixels[at + 6]! + (colour[6]! - pixels[at + 6]!) * share;
}

/** Prints so much of black over a pixel: the other inks stay where they are. */
function layOver(pixels: Float32Array, at: number, colour: Float64Array, share: number): void {
  for (let channel = 3; channel < 7; channel++)
    pixels[at + channel] = pixels[at + channel]! + (colour[channel]! - pixels[at + channel]!) * share;
}

/** The mean of every value with those beside it, along rows or columns. */
function averaged(
  from: Float32Array,
  to: Float32Array,
  length: number,
  count: number,
  step: number,
  stride: number,
  radius: number,
): void {
  const of = 2 * radius + 1;
  for (let row = 0; row < count; row++) {
    const at = row * stride;
    let sum = 0;
    for (let i = 0; i < Math.min(length, radius); i++) sum += from[at + i * step]!;
    for (let i = 0; i < length; i++) {
      if (i + radius < length) sum += from[at + (i + radius) * step]!;
      if (i - radius - 1 >= 0) sum -= from[at + (i - radius - 1) * step]!;
      to[at + i * step] = sum / of;
    }
  }
}

/** Straight pieces that a curve of a letter is taken in: pixels are as large as strokes of text. */
const STEPS = 3;

const known = new WeakMap<Face, Map<number, readonly (readonly number[])[]>>();

/** The outline of a glyph as rings of points, font units, upwards. */
function glyphRings(face: Face, glyph: number): readonly (readonly number[])[] {
  let own = known.get(face);
  if (!own) known.set(face, (own = new Map()));
  let rings = own.get(glyph);
  if (!rings) own.set(glyph, (rings = flattened(face.font.glyphToJson(glyph), STEPS)));
  return rings;
}
