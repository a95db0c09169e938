import type { Inks } from '../displayList/inks';
import { type Box, grown, type Point } from '../../geometry/box';
import type { Matrix } from '../../geometry/matrix';
import { boxOutline, type Outline } from '../../geometry/outline';
import type { Document } from '../../records/document';
import type { Fill, Gradient, Tinted } from '../../records/frame';
import type { FrameRecord } from '../../records/index';
import type { AreaItem, Contour, Ramp } from '../displayList/displayList';
import { contourOf, outlineOf } from '../frames/contours';
import { showingOf } from '../frames/showing';
import { borderStroke, ruleOutline } from '../frames/strokes';

/** What a frame looks like beside what it shows: what lies under that, and what over it. */
export interface FrameAreas {
  /** Its edge. */
  readonly contour: Contour;
  readonly under: readonly AreaItem[];
  readonly over: readonly AreaItem[];
}

/**
 * The areas of a frame: shadow, glow and fill, then inner shadow and border.
 * @param thrown whose shadow it throws, where that is not its own edge
 */
export function areaItems(
  document: Document,
  inks: Inks,
  frame: FrameRecord,
  box: Box,
  rotated: Matrix | undefined,
  thrown: Contour | undefined,
): FrameAreas {
  const { fill, gradient, border, shadow, innerShadow, glow } = frame;
  const showing = showingOf(frame, box, rotated);
  const contour = edgeOf(frame, box);
  const fainter = (share: number | undefined) => (share === undefined ? {} : { opacity: share * (frame.opacity ?? 1) });
  const ink = ({ swatch, tint }: Tinted) => inks.ink(document, swatch, tint);
  const whole = (swatch: string) => ink({ swatch, tint: 1 });
  const area = (part: AreaItem['part'], more: Pick<AreaItem, 'ink'> & Partial<AreaItem>): AreaItem => ({
    type: 'area',
    frame: frame.id,
    part,
    box,
    contour,
    stroke: 0,
    blur: 0,
    ...showing,
    ...more,
  });
  const under: AreaItem[] = [];
  const over: AreaItem[] = [];
  if (shadow) {
    const { dx, dy, blur, swatch, opacity } = shadow;
    const at = { ...box, x: box.x + dx, y: box.y + dy };
    under.push(
      area('shadow', { ink: whole(swatch), contour: moved(thrown ?? contour, dx, dy), box: at, blur, ...fainter(opacity) }),
    );
  }
  if (glow) {
    const { blur, swatch, opacity } = glow;
    under.push(area('glow', { ink: whole(swatch), contour: thrown ?? contour, blur, ...fainter(opacity) }));
  }
  if (fill) {
    const ramp = gradient && rampOf(document, inks, fill, gradient, box);
    under.push(area('fill', { ink: ink(fill), ...(ramp ? { ramp } : {}), ...fainter(fill.opacity) }));
  }
  if (innerShadow) {
    const { dx, dy, blur, swatch, opacity } = innerShadow;
    const around = grown(box, 3 * blur + Math.abs(dx) + Math.abs(dy) + 1);
    const outside: Outline = [...boxOutline(around), ...outlineOf(moved(contour, dx, dy))];
    over.push(
      area('innerShadow', {
        ink: whole(swatch),
        contour: { type: 'outline', outline: outside },
        box: around,
        blur,
        clip: contour,
        ...fainter(opacity),
      }),
    );
  }
  if (border && border.weight > 0)
    over.push(area('border', { ink: ink(border), ...borderStroke(contour, border), ...fainter(border.opacity) }));
  return { contour, under, over };
}

function rampOf(document: Document, inks: Inks, fill: Fill, { form, from, to, through, ...end }: Gradient, box: Box): Ramp {
  const between = [...(through ?? [])].sort((a, b) => a.at - b.at);
  const colours = [{ ...fill, at: 0 }, ...between, { ...end, at: 1 }];
  const at = ({ x, y }: Point): Point => ({ x: box.x + x * box.w, y: box.y + y * box.h });
  return { form, from: at(from), to: at(to), stops: inks.ramp(document, colours) };
}

/** The edge of what a frame shows: of its form, or of the line that a rule is. */
function edgeOf({ shape, content }: FrameRecord, box: Box): Contour {
  const line = content.type === 'rule' ? ruleOutline(content, box) : undefined;
  return line ? { type: 'outline', outline: line } : contourOf(shape, box);
}

function moved(contour: Contour, dx: number, dy: number): Contour {
  const rings = (of: Outline) => of.map((ring) => ring.map((value, i) => value + (i % 2 === 0 ? dx : dy)));
  if (contour.type === 'outline') return { type: 'outline', outline: rings(contour.outline) };
  if (contour.type === 'path') return { type: 'path', path: rings(contour.path) };
  return { ...contour, box: { ...contour.box, x: contour.box.x + dx, y: contour.box.y + dy } };
}
