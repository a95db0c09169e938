import { type Adjusted, adjustPixels, blurOf, sharpenPixels } from '@/core/pictures/adjusting';
import { cssBlend } from '@/core/colour/blend';
import type { Ink } from '@/core/colour/ink';
import { absentBoxes } from '@/core/compose/displayList/absent';
import { contourPath } from '@/core/compose/frames/contours';
import type {
  AreaItem,
  Item,
  Line,
  LineMark,
  PageList,
  PictureItem,
  Ramp,
  Run,
  TextItem,
  Veil,
} from '@/core/compose/displayList/displayList';
import { letterRamp, runWidth } from '@/core/compose/displayList/displayList';
import type { Box } from '@/core/geometry/box';
import type { Face } from '@/core/type/face';

/**
 * Paints display lists small, as pictures of pages: letters too small to be read are the grey that they make, larger
 * ones their outlines. It needs no fonts but the typesetter's, and so runs in a worker.
 */
export type Canvas = OffscreenCanvasRenderingContext2D;

export interface Sources {
  readonly face: (id: string) => Face;
  /** A picture that has been loaded; undefined while it has not. */
  readonly picture: (id: string) => CanvasImageSource | undefined;
}

/** Pixels under which letters cannot be read, and are shown as the grey of their line. */
const LEGIBLE = 5;

/** How much of its line's x-height text blackens, about: letters and the white in and between them. */
const GREY = 0.42;

/**
 * Paints a page at `k` pixels to the point, from the canvas's corner.
 *
 * @param facing the page that it lies beside, and where that one's left edge is from its own: what reaches over is seen here
 */
export function paintSmall(
  canvas: Canvas,
  list: PageList,
  k: number,
  sources: Sources,
  facing?: { readonly list: PageList; readonly dx: number },
): void {
  canvas.setTransform(1, 0, 0, 1, 0, 0);
  canvas.fillStyle = '#fff';
  canvas.fillRect(0, 0, list.width * k, list.height * k);
  list.items.slice(0, list.furniture).forEach((item) => paintItem(canvas, item, k, 0, sources));
  for (const item of facing?.list.items.slice(facing.list.furniture) ?? []) {
    const reaches = facing!.dx > 0 ? item.box.x < -1 : item.box.x + item.box.w > facing!.list.width + 1;
    if (reaches) paintItem(canvas, item, k, facing!.dx, sources);
  }
  list.items.slice(list.furniture).forEach((item) => paintItem(canvas, item, k, 0, sources));
}

function paintItem(canvas: Canvas, item: Item, k: number, dx: number, sources: Sources): void {
  if (item.veil) return paintVeiled(canvas, item, item.veil, k, dx, sources);
  canvas.save();
  canvas.setTransform(k, 0, 0, k, dx * k, 0);
  if (item.transform) canvas.transform(...item.transform);
  canvas.globalAlpha = item.opacity ?? 1;
  if (item.blend) canvas.globalCompositeOperation = cssBlend(item.blend) as GlobalCompositeOperation;
  switch (item.type) {
    case 'area':
      paintArea(canvas, item, k);
      break;
    case 'picture':
      paintPicture(canvas, item, sources);
      break;
    case 'text':
      paintText(canvas, item, k, sources);
      break;
    case 'empty':
      paintEmpty(canvas, item.box, k);
      break;
    case 'broken':
      paintBroken(canvas, item.box, k);
  }
  canvas.restore();
}

/** What grows fainter is painted by itself, and what is left of it laid on the page. */
function paintVeiled(canvas: Canvas, item: Item, veil: Veil, k: number, dx: number, sources: Sources): void {
  const { width, height } = canvas.canvas;
  const own = new OffscreenCanvas(width, height).getContext('2d')!;
  paintItem(own, { ...item, veil: undefined, blend: undefined }, k, dx, sources);
  const keep = (paint: () => void) => {
    own.save();
    own.setTransform(k, 0, 0, k, dx * k, 0);
    if (veil.transform) own.transform(...veil.transform);
    own.globalCompositeOperation = 'destination-in';
    paint();
    own.restore();
  };
  const { fade, feather } = veil;
  if (fade)
    keep(() => {
      const ramp = own.createLinearGradient(fade.from.x, fade.from.y, fade.to.x, fade.to.y);
      ramp.addColorStop(0, '#fff');
      ramp.addColorStop(1, '#fff0');
      own.fillStyle = ramp;
      own.fillRect(-5000, -5000, 15_000, 15_000);
    });
  if (feather) {
    // Only what is painted is kept by a fill: what lies outside it is cleared by laying the soft edge whole.
    const edge = new OffscreenCanvas(width, height).getContext('2d')!;
    edge.setTransform(k, 0, 0, k, dx * k, 0);
    if (veil.transform) edge.transform(...veil.transform);
    edge.filter = `blur(${(feather.blur / 2) * k}px)`;
    edge.fill(new Path2D(contourPath(feather.contour, String)), 'evenodd');
    own.globalCompositeOperation = 'destination-in';
    own.setTransform(1, 0, 0, 1, 0, 0);
    own.drawImage(edge.canvas, 0, 0);
  }
  canvas.save();
  canvas.setTransform(1, 0, 0, 1, 0, 0);
  if (item.blend) canvas.globalCompositeOperation = cssBlend(item.blend) as GlobalCompositeOperation;
  canvas.drawImage(own.canvas, 0, 0);
  canvas.restore();
}

function paintArea(canvas: Canvas, { contour, ink, ramp, stroke, blur, clip }: AreaItem, k: number): void {
  const path = new Path2D(contourPath(contour, String));
  if (clip) canvas.clip(new Path2D(contourPath(clip, String)), 'evenodd');
  // A filter works in pixels, whatever the coordinates are.
  if (blur > 0) canvas.filter = `blur(${(blur / 2) * k}px)`;
  if (stroke > 0) {
    canvas.lineWidth = stroke;
    canvas.strokeStyle = ink.rgb;
    canvas.stroke(path);
  } else {
    canvas.fillStyle = ramp ? rampOf(canvas, ramp) : ink.rgb;
    canvas.fill(path, 'evenodd');
  }
}

function rampOf(canvas: Canvas, { form, from, to, stops }: Ramp): CanvasGradient {
  const own =
    form === 'linear'
      ? canvas.createLinearGradient(from.x, from.y, to.x, to.y)
      : canvas.createRadialGradient(from.x, from.y, 0, from.x, from.y, Math.hypot(to.x - from.x, to.y - from.y));
  for (const { at, ink } of stops) own.addColorStop(at, ink.rgb);
  return own;
}

function paintPicture(canvas: Canvas, { box, placed, inner, adjusted, clip, picture }: PictureItem, sources: Sources): void {
  const image = sources.picture(picture);
  if (!image) {
    canvas.fillStyle = '#cfd8df';
    canvas.fillRect(box.x, box.y, box.w, box.h);
    return;
  }
  const frame = new Path2D();
  frame.rect(box.x, box.y, box.w, box.h);
  canvas.clip(frame);
  if (clip) canvas.clip(new Path2D(contourPath(clip, String)), 'evenodd');
  if (inner) canvas.transform(...inner);
  canvas.drawImage(adjusted ? adjustedImage(image, adjusted) : image, placed.x, placed.y, placed.w, placed.h);
}

/** A picture with its pixels changed. */
function adjustedImage(image: CanvasImageSource, adjusted: Adjusted): CanvasImageSource {
  const { width, height } = image as ImageBitmap;
  const own = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
  own.drawImage(image, 0, 0);
  const pixels = own.getImageData(0, 0, width, height);
  const blur = blurOf(adjusted, width);
  if (blur !== undefined) {
    own.filter = `blur(${blur}px)`;
    own.drawImage(image, 0, 0);
    own.filter = 'none';
    sharpenPixels(pixels.data, own.getImageData(0, 0, width, height).data, adjusted.sharpen!.amount);
  }
  adjustPixels(pixels.data, adjusted);
  own.putImageData(pixels, 0, 0);
  return own.canvas;
}

/** A place that waits for something. */
function paintEmpty(canvas: Canvas, { x, y, w, h }: Box, k: number): void {
  canvas.strokeStyle = '#7d93a6';
  canvas.lineWidth = 1 / k;
  canvas.setLineDash([3 / k, 2 / k]);
  canvas.strokeRect(x, y, w, h);
}

function paintBroken(canvas: Canvas, { x, y, w, h }: Box, k: number): void {
  canvas.fillStyle = '#c8102e14';
  canvas.fillRect(x, y, w, h);
  canvas.strokeStyle = '#c8102e';
  canvas.lineWidth = 1 / k;
  canvas.strokeRect(x, y, w, h);
  canvas.beginPath();
  canvas.moveTo(x, y);
  canvas.lineTo(x + w, y + h);
  canvas.moveTo(x + w, y);
  canvas.lineTo(x, y + h);
  canvas.stroke();
}

function paintText(canvas: Canvas, { columns }: TextItem, k: number, sources: Sources): void {
  const alpha = canvas.globalAlpha;
  for (const { lines } of columns) {
    for (const line of lines) {
      for (const mark of line.marks ?? []) paintMark(canvas, mark, line, false, sources);
      for (const run of line.runs) {
        if (run.turn) {
          canvas.save();
          canvas.transform(...run.turn);
        }
        if (run.look.absent) paintAbsent(canvas, run, line);
        else if (run.look.size * k < LEGIBLE) paintGrey(canvas, run, line, alpha);
        else paintRun(canvas, run, line, sources.face(run.look.face));
        if (run.turn) canvas.restore();
      }
      for (const mark of line.marks ?? []) paintMark(canvas, mark, line, true, sources);
    }
  }
}

function paintMark(canvas: Canvas, mark: LineMark, line: Line, over: boolean, sources: Sources): void {
  const { x, y, w, h } = { ...mark.box, x: mark.box.x + line.x, y: mark.box.y + line.baseline };
  if (mark.turn) {
    canvas.save();
    canvas.transform(...mark.turn);
  }
  if (mark.type === 'picture') {
    const image = over ? undefined : sources.picture(mark.picture);
    if (image) canvas.drawImage(image, x, y, w, h);
  } else if (mark.over === over) {
    canvas.fillStyle = mark.ink.rgb;
    canvas.fillRect(x, y, w, h);
  }
  if (mark.turn) canvas.restore();
}

function paintGrey(canvas: Canvas, run: Run, line: Line, alpha: number): void {
  const { look } = run;
  canvas.globalAlpha = alpha * GREY * (look.ink.rgb === '#ffffff' ? 1.6 : 1);
  canvas.fillStyle = look.ink.rgb;
  const high = look.size * 0.5;
  canvas.fillRect(line.x + run.x, line.baseline + run.drop - look.rise - high, runWidth(run, line), high);
  canvas.globalAlpha = alpha;
}

function paintAbsent(canvas: Canvas, run: Run, line: Line): void {
  const { boxes, weight } = absentBoxes(run, line);
  canvas.strokeStyle = run.look.ink.rgb;
  canvas.lineWidth = weight;
  for (const { x, y, w, h } of boxes) canvas.strokeRect(x, y, w, h);
}

const paths = new WeakMap<Face, Map<number, Path2D>>();

function glyphPath(face: Face, glyph: number): Path2D {
  let own = paths.get(face);
  if (!own) paths.set(face, (own = new Map()));
  let path = own.get(glyph);
  if (!path) own.set(glyph, (path = new Path2D(face.font.glyphToPath(glyph))));
  return path;
}

function paintRun(canvas: Canvas, run: Run, line: Line, face: Face): void {
  const { look, shaped } = run;
  const across = look.scale * line.glyphScale;
  const spacing = (look.tracking + line.letterSpace) * line.glyphScale;
  const y = line.baseline + run.drop - look.rise;
  let x = line.x + run.x;
  const paint = (ink: Ink, weight: number) => {
    if (weight > 0) {
      canvas.strokeStyle = ink.rgb;
      canvas.lineWidth = (2 * weight) / look.scale;
    } else canvas.fillStyle = ink.rgb;
  };
  const ramp = letterRamp(run, line);
  const whole = ramp && new Path2D();
  canvas.save();
  for (let i = 0; i < shaped.glyphs.length; i++) {
    const path = glyphPath(face, shaped.glyphs[i]!);
    const dx = (shaped.offsets?.[2 * i] ?? 0) * across;
    const dy = (shaped.offsets?.[2 * i + 1] ?? 0) * look.scale;
    canvas.save();
    canvas.transform(across, 0, 0, -look.scale, x + dx, y - dy);
    if (look.outline) {
      paint(look.outline.ink, look.outline.weight);
      canvas.stroke(path);
    }
    if (whole) whole.addPath(path, new DOMMatrix([across, 0, 0, -look.scale, x + dx, y - dy]));
    else {
      paint(look.ink, 0);
      canvas.fill(path);
    }
    canvas.restore();
    x += shaped.advances[i]! * across + spacing;
  }
  if (whole) {
    canvas.fillStyle = rampOf(canvas, ramp);
    canvas.fill(whole);
  }
  canvas.restore();
}
