import { around, type Box } from '../geometry/box';
import { outlineBox, type Outline } from '../geometry/outline';
import { cornerAt, flatPath, pathInUnit, straightPath } from '../geometry/path';
import { lineArea } from '../geometry/shapes';
import { formatNumber } from '../length/length';
import { plainBody } from '../records/body';
import type { Chart } from '../records/chart';
import type { Diff } from '../records/diff';
import { all, type Document, find, get } from '../records/document';
import { textContent, type TextContent } from '../records/frame';
import type { FrameRecord, GroupRecord, TextRecord } from '../records/index';
import { said } from '../records/said';
import { ActionError, Edit, newId } from './edit';
import { NO_WRAP, pageWithGrid, putFrame, removeFrames } from './frames';
import { membersOf } from './groups';
import { inOwnStyles } from './styles';

/**
 * Editorial charts: frames of a group, made from a few figures in the house's type and palette. They are vectors like all that lies on
 * a page, print in the issue's inks, and can be changed one by one; when the chart is told otherwise they are drawn anew.
 */

/** Points that a line of labels takes, and that stand between what is drawn and its labels. */
const LINE = 13;
const GAP = 4;
/** The share of its row that a bar is high. */
const BAR = 0.62;
/** Bars are not higher than this, points. */
const HIGHEST = 30;
/** The narrowest and lowest that a chart can be read. */
const LEAST = { w: 70, h: 50 };

/** Where labels and values stand, and what is drawn between them. */
interface Drawing {
  readonly edit: Edit;
  readonly on: string;
  readonly group: string;
  readonly style: string;
  readonly colours: readonly { readonly swatch: string; readonly tint: number }[];
  readonly ink: string;
}

/**
 * Puts a chart on a page.
 * @throws ActionError where it has no figures, no room, or parts that are negative
 */
export function putChart(document: Document, page: string, box: Box, chart: Chart): Diff {
  const edit = new Edit(document);
  pageWithGrid(document, page);
  const group = edit.put<GroupRecord>({
    id: newId(),
    kind: 'group',
    name: 'Chart',
    wrap: { mode: 'frame', standOff: 8.5, outline: 'shape' },
    chart,
  });
  draw(edit, page, group.id, box, chart);
  return edit.diff();
}

/** Has a chart say something else: its frames are drawn anew within the room they take. */
export function setChart(document: Document, id: string, chart: Chart): Diff {
  const edit = new Edit(document);
  const group = get(document, 'group', id);
  const members = membersOf(document, id);
  const box = around(members.map((frame) => frame.box));
  if (!box) throw new ActionError('There is nothing left of that chart.');
  const { on } = members[0]!;
  edit.take(
    removeFrames(
      edit.document,
      members.map((frame) => frame.id),
    ),
  );
  edit.put({ ...group, chart });
  draw(edit, on, id, box, chart);
  return edit.diff();
}

function draw(edit: Edit, on: string, group: string, box: Box, chart: Chart): void {
  const { rows, form } = chart;
  if (rows.length === 0) throw new ActionError('A chart needs figures.');
  if (!rows.every(({ value }) => Number.isFinite(value))) throw new ActionError('A chart needs figures in every row.');
  if (box.w < LEAST.w || box.h < LEAST.h) throw new ActionError('That stretch is too small for a chart.');
  if (form === 'line' && rows.length < 2) throw new ActionError('A line needs two figures or more.');
  const { document } = edit;
  const swatch = (role: string) =>
    (all(document, 'swatch').find((each) => each.role === role) ?? all(document, 'swatch')[0])?.id ?? 'ink';
  const drawing: Drawing = {
    edit,
    on,
    group,
    style: ['tableText', 'caption', 'body'].find((id) => find(document, 'paragraphStyle', id)) ?? 'body',
    colours: [1, 0.65, 0.4].flatMap((tint) => ['accent1', 'accent2'].map((role) => ({ swatch: swatch(role), tint }))),
    ink: swatch('ink'),
  };
  DRAWN[form](drawing, box, chart);
}

const DRAWN: Readonly<Record<Chart['form'], (drawing: Drawing, box: Box, chart: Chart) => void>> = {
  bars: drawBars,
  columns: drawColumns,
  line: drawLine,
  parts: drawParts,
};

/** A figure as it stands in a chart. */
const words = (value: number, unit: string | undefined): string => {
  const [whole, rest] = formatNumber(Math.abs(value), 2).split('.');
  const grouped = whole!.replace(/\B(?=(\d{3})+$)/g, ',');
  return `${value < 0 ? '−' : ''}${grouped}${rest ? `.${rest}` : ''}${unit ? (unit === '%' ? ' %' : ` ${unit}`) : ''}`;
};

function drawBars(drawing: Drawing, { x, y, w, h }: Box, { rows, unit }: Chart): void {
  const row = h / rows.length;
  const high = Math.min(HIGHEST, row * BAR);
  const label = Math.min(0.34 * w, 150);
  const value = Math.min(0.2 * w, 60);
  const room = { from: x + label + GAP, to: x + w - value - GAP };
  const scale = scaleOf(
    rows.map((each) => each.value),
    room.from,
    room.to,
  );
  rows.forEach((each, i) => {
    const middle = y + (i + 0.5) * row;
    const [a, b] = [scale(0), scale(each.value)].sort((p, q) => p - q) as [number, number];
    put(drawing, each.label, { x, y: middle - LINE / 2, w: label, h: LINE }, 'left');
    area(drawing, { x: a, y: middle - high / 2, w: Math.max(0.5, b - a), h: high }, 0);
    put(drawing, words(each.value, unit), { x: b + GAP, y: middle - LINE / 2, w: value, h: LINE }, 'left');
  });
  rule(drawing, { x: scale(0) - 0.25, y, w: 0.5, h }, 1);
}

function drawColumns(drawing: Drawing, { x, y, w, h }: Box, { rows, unit }: Chart): void {
  const column = w / rows.length;
  const wide = Math.min(HIGHEST * 1.6, column * BAR);
  const scale = scaleOf(
    rows.map((each) => each.value),
    y + h - LINE - GAP,
    y + LINE + GAP,
  );
  rows.forEach((each, i) => {
    const middle = x + (i + 0.5) * column;
    const [a, b] = [scale(0), scale(each.value)].sort((p, q) => p - q) as [number, number];
    area(drawing, { x: middle - wide / 2, y: a, w: wide, h: Math.max(0.5, b - a) }, 0);
    const above = each.value < 0 ? b + 1 : a - LINE - 1;
    put(drawing, words(each.value, unit), { x: middle - column / 2, y: above, w: column, h: LINE }, 'centre');
    put(drawing, each.label, { x: middle - column / 2, y: y + h - LINE, w: column, h: LINE }, 'centre');
  });
  rule(drawing, { x, y: scale(0) - 0.25, w, h: 0.5 }, 1);
}

function drawLine(drawing: Drawing, { x, y, w, h }: Box, { rows, unit }: Chart): void {
  const values = rows.map((each) => each.value);
  const ticks = ticksOf(Math.min(...values), Math.max(...values));
  const axis = Math.min(0.2 * w, 44);
  const foot = y + h - LINE - GAP;
  const [least, most] = [ticks[0]!, ticks.at(-1)!];
  const at = (value: number) => foot - ((value - least) / (most - least || 1)) * (foot - y - LINE / 2);
  for (const tick of ticks) {
    rule(drawing, { x: x + axis + GAP, y: at(tick) - 0.125, w: w - axis - GAP, h: 0.25 }, 0.5);
    put(drawing, words(tick, unit), { x, y: at(tick) - LINE / 2, w: axis, h: LINE }, 'right');
  }
  const step = (w - axis - 2 * GAP) / Math.max(1, rows.length - 1);
  const way = rows.flatMap((each, i) => [x + axis + GAP + i * step, at(each.value)]);
  shaped(drawing, lineArea([way], 2), 0);
  rows.forEach((each, i) => {
    const middle = x + axis + GAP + i * step;
    const [left, right] = [Math.max(x + axis, middle - step / 2), Math.min(x + w, middle + step / 2)];
    put(drawing, each.label, { x: left, y: y + h - LINE, w: Math.max(10, right - left), h: LINE }, 'centre');
  });
}

function drawParts(drawing: Drawing, { x, y, w, h }: Box, { rows, unit }: Chart): void {
  const whole = rows.reduce((sum, { value }) => sum + value, 0);
  if (rows.some(({ value }) => value < 0)) throw new ActionError('Parts of a whole cannot be negative.');
  if (whole === 0) throw new ActionError('Parts of a whole need a figure above nothing.');
  const size = Math.min(h, 0.5 * w);
  const centre = { x: x + size / 2, y: y + h / 2 };
  let turn = -Math.PI / 2;
  const row = Math.min(1.6 * LINE, h / rows.length);
  const top = y + (h - row * rows.length) / 2;
  rows.forEach((each, i) => {
    const by = (2 * Math.PI * each.value) / whole;
    if (each.value > 0) shaped(drawing, flatPath([sector(centre.x, centre.y, size / 2, turn, by)]), i);
    turn += by;
    const line = top + i * row;
    area(drawing, { x: x + size + 12, y: line + (row - 8) / 2, w: 8, h: 8 }, i);
    const share = `${formatNumber((100 * each.value) / whole, 0)} %`;
    const about = unit === '%' ? '' : `, ${words(each.value, unit)}`;
    const left = x + size + 26;
    put(
      drawing,
      `${each.label} ${share}${about}`,
      { x: left, y: line + (row - LINE) / 2, w: Math.max(20, x + w - left), h: LINE },
      'left',
    );
  });
}

/** A sector of a circle as points with curves between them, none over more than a quarter. */
function sector(x: number, y: number, r: number, from: number, by: number): number[] {
  const pieces = Math.max(1, Math.ceil(Math.abs(by) / (Math.PI / 2)));
  const step = by / pieces;
  // The handles of an arc: 4/3·tan(θ/4) of its radius.
  const k = (4 / 3) * Math.tan(step / 4) * r;
  const whole = Math.abs(by) > 2 * Math.PI - 1e-9;
  const out: number[] = whole ? [] : [...cornerAt(x, y)];
  for (let i = 0; i <= pieces; i++) {
    if (whole && i === pieces) break;
    const angle = from + i * step;
    const [px, py] = [x + r * Math.cos(angle), y + r * Math.sin(angle)];
    const [dx, dy] = [-Math.sin(angle) * k, Math.cos(angle) * k];
    const first = i === 0 && !whole;
    const last = i === pieces && !whole;
    out.push(px, py, ...(first ? [px, py] : [px - dx, py - dy]), ...(last ? [px, py] : [px + dx, py + dy]));
  }
  return out;
}

/** Where values lie between two places, nothing among them. */
function scaleOf(values: readonly number[], from: number, to: number): (value: number) => number {
  const [least, most] = [Math.min(0, ...values), Math.max(0, ...values)];
  const span = most - least || 1;
  return (value) => from + ((value - least) / span) * (to - from);
}

/**
 * Round figures about a stretch, three to six of them, in steps of one, two or five.
 * Source: Heckbert, "Nice numbers for graph labels", Graphics Gems (1990).
 */
export function ticksOf(least: number, most: number): number[] {
  const span = nice(most - least || Math.abs(most) || 1, false);
  const step = nice(span / 4, true);
  const [from, to] = [Math.floor(least / step) * step, Math.ceil(most / step) * step];
  const out: number[] = [];
  for (let i = 0; i <= Math.min(20, Math.round((to - from) / step)); i++) out.push(Number((from + i * step).toPrecision(12)));
  return out;
}

function nice(value: number, round: boolean): number {
  const power = 10 ** Math.floor(Math.log10(value));
  const share = value / power;
  const own = round
    ? share < 1.5
      ? 1
      : share < 3
        ? 2
        : share < 7
          ? 5
          : 10
    : share <= 1
      ? 1
      : share <= 2
        ? 2
        : share <= 5
          ? 5
          : 10;
  return own * power;
}

function area({ edit, on, group, colours }: Drawing, box: Box, colour: number): void {
  placed(edit, on, group, box, { type: 'panel' }, { fill: colours[colour % colours.length]! });
}

function rule({ edit, on, group, ink }: Drawing, box: Box, tint: number): void {
  placed(edit, on, group, box, { type: 'rule', weight: Math.min(box.w, box.h) }, { fill: { swatch: ink, tint } });
}

/** An area of any outline. */
function shaped({ edit, on, group, colours }: Drawing, outline: Outline, colour: number): void {
  const box = outlineBox(outline)!;
  const rings = pathInUnit(straightPath(outline), box);
  placed(edit, on, group, box, { type: 'panel' }, { fill: colours[colour % colours.length]!, shape: { type: 'outline', rings } });
}

function put({ edit, on, group, style }: Drawing, label: string, box: Box, align: 'left' | 'centre' | 'right'): void {
  if (label === '') return;
  const body = plainBody(style, label);
  const plain = body.firstChild!;
  const local = { align, firstIndent: 0, hyphens: false, spaceBefore: 0, spaceAfter: 0, onGrid: false };
  const own = body.copy(body.content.replaceChild(0, plain.type.create({ ...plain.attrs, local }, plain.content)));
  const text = edit.put<TextRecord>(inOwnStyles(edit.document, { id: newId(), kind: 'text', role: 'furniture', body: own }));
  const content: TextContent = textContent(text.id, 'a0', { ignoresWraps: true, align: 'centre' });
  placed(edit, on, group, box, content, {});
}

function placed(
  edit: Edit,
  on: string,
  group: string,
  box: Box,
  content: FrameRecord['content'],
  more: Partial<FrameRecord>,
): void {
  const large = { ...box, w: Math.max(box.w, 0.25), h: Math.max(box.h, 0.25) };
  const frame = putFrame(edit, on, { ...large, w: Math.max(large.w, 4) }, content, NO_WRAP, { group, ...more });
  edit.put(said({ ...frame, box: large }));
}

/** A figure as somebody types it: with commas between thousands, a sign, a unit behind it. Undefined where there is none. */
export function figureOf(typed: string): number | undefined {
  const plain = typed
    .replace(/[\s,’']/g, '')
    .replace('−', '-')
    .replace(/^[£$€]/, '');
  const match = /^-?(?:\d+\.?\d*|\.\d+)/.exec(plain);
  return match ? Number(match[0]) : undefined;
}
