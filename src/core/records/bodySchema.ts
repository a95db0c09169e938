import { type AttributeSpec, Schema } from 'prosemirror-model';
import { DETAIL_NAMES } from './details';
import type { FieldName } from './text';

/**
 * The one definition of what a text's body may hold: its nodes, how they nest, and the limits of what they say. A body
 * that comes from elsewhere is checked against it. Positions in a text, everywhere, are this schema's positions.
 */

export const FIELD_NAMES: readonly FieldName[] = [
  'folio',
  'nextFolio',
  'previousFolio',
  'publication',
  'number',
  'season',
  'date',
  'section',
  'story',
  'standfirst',
  ...DETAIL_NAMES,
];

type Check = (value: unknown) => boolean;

const isId: Check = (value) => typeof value === 'string' && /^[A-Za-z0-9_-]{1,40}$/.test(value);
const within =
  (least: number, most: number): Check =>
  (value) =>
    typeof value === 'number' && value >= least && value <= most;
const whole =
  (least: number, most: number): Check =>
  (value) =>
    Number.isInteger(value) && within(least, most)(value);
const oneOf =
  (...values: readonly unknown[]): Check =>
  (value) =>
    values.includes(value);
const anyOf =
  (...checks: readonly Check[]): Check =>
  (value) =>
    checks.some((check) => check(value));
const listOf =
  (check: Check, least: number, most: number): Check =>
  (value) =>
    Array.isArray(value) && value.length >= least && value.length <= most && value.every(check);

/** An object with these keys and no others; those whose name ends in `?` may be left out. */
function object(keys: Readonly<Record<string, Check>>): Check {
  const known = Object.entries(keys).map(([key, check]) => ({
    key: key.replace('?', ''),
    check,
    optional: key.endsWith('?'),
  }));
  const names = new Set(known.map(({ key }) => key));
  return (value) => {
    if (typeof value !== 'object' || value === null || Array.isArray(value)) return false;
    const own = value as Record<string, unknown>;
    return (
      Object.keys(own).every((key) => names.has(key) || own[key] === undefined) &&
      known.every(({ key, check, optional }) => (optional && own[key] === undefined) || check(own[key]))
    );
  };
}

const validated = (check: Check) => (value: unknown) => {
  if (!check(value)) throw new RangeError(`${JSON.stringify(value)?.slice(0, 60)} is not among what it may be`);
};
const needed = (check: Check): AttributeSpec => ({ validate: validated(check) });
const optional = (check: Check): AttributeSpec => ({
  default: undefined,
  validate: validated((value) => value === undefined || check(value)),
});

const length = within(0, 20_000);
const tint = within(0, 1);
const stroke = object({ weight: length, swatch: isId, tint });
const area = object({ swatch: isId, tint });
const side = within(-20_000, 20_000);

export const bodySchema = new Schema({
  nodes: {
    doc: { content: '(paragraph | figure | table)+' },
    paragraph: {
      content: 'inline*',
      attrs: {
        style: { default: 'body', validate: validated(isId) },
        list: optional(object({ kind: oneOf('bullet', 'number'), level: whole(0, 1000), 'number?': whole(0, 1e9) })),
        startIn: optional(oneOf('column', 'frame', 'page', 'oddPage')),
        each: optional(oneOf('story')),
      },
    },
    figure: {
      attrs: { picture: needed(isId), width: optional(within(1, 20_000)), align: optional(oneOf('left', 'centre', 'right')) },
      atom: true,
    },
    table: {
      content: 'row+',
      attrs: {
        columns: needed(listOf(anyOf(object({ points: length }), object({ share: within(Number.MIN_VALUE, 1000) })), 1, 100)),
        headerRows: needed(whole(0, 20)),
        inset: needed(anyOf(side, object({ top: side, right: side, bottom: side, left: side }))),
        rules: optional(object({ 'rows?': stroke, 'columns?': stroke, 'around?': stroke, 'head?': stroke })),
        headFill: optional(area),
        stripe: optional(area),
      },
    },
    row: { content: 'cell*' },
    cell: {
      content: 'paragraph+',
      attrs: {
        across: optional(whole(1, 100)),
        down: optional(whole(1, 100)),
        align: optional(oneOf('top', 'centre', 'bottom')),
        fill: optional(area),
      },
    },
    text: { group: 'inline' },
    lineBreak: { group: 'inline', inline: true },
    field: { group: 'inline', inline: true, attrs: { name: needed(oneOf(...FIELD_NAMES)), of: optional(isId) } },
    picture: {
      group: 'inline',
      inline: true,
      attrs: { picture: needed(isId), height: needed(within(1, 2000)), rise: optional(within(-2000, 2000)) },
    },
  },
  marks: {
    emphasis: {},
    strong: {},
    superscript: { excludes: 'subscript superscript' },
    subscript: { excludes: 'subscript superscript' },
    link: { attrs: { href: needed((value) => typeof value === 'string' && value.length <= 2000) } },
    character: { attrs: { style: needed(isId) } },
  },
});
