import { type AttributeSpec, type DOMOutputSpec, Schema, type TagParseRule } from 'prosemirror-model';
import { changeProblem } from '../properties/limits';
import type { Table } from '../properties/property';
import { CHARACTER, PARAGRAPH } from '../properties/type';
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

/** Some properties of a table, within their limits: what is formatted locally. */
const someOf =
  (table: Table): Check =>
  (value) =>
    typeof value === 'object' &&
    value !== null &&
    !Array.isArray(value) &&
    Object.keys(value).every((key) => key in table) &&
    changeProblem(table, value as Readonly<Record<string, unknown>>) === undefined;

/** The attributes under which a node or mark stands in HTML, so that another text can take it whole. */
const NAMED = 'data-kite';
const SAYS = 'data-says';

/**
 * How a node or mark is written in HTML, for the clipboard and for those who have a page read to them: a tag that means
 * about the same, with all that it says beside it.
 */
function written(name: string, tag: string, inside?: string) {
  const attributes = (attrs: object) => ({
    [NAMED]: name,
    [SAYS]: JSON.stringify(attrs),
    ...('href' in attrs ? { href: String(attrs.href) } : {}),
  });
  const attrsOf = (element: HTMLElement): Record<string, unknown> | false => {
    try {
      return JSON.parse(element.getAttribute(SAYS) ?? '{}') as Record<string, unknown>;
    } catch {
      return false;
    }
  };
  const rule: TagParseRule = { tag: `${tag}[${NAMED}=${name}]`, getAttrs: attrsOf };
  return {
    /** Of a node or mark with content, and of one without. */
    holding: {
      toDOM: ({ attrs }: { attrs: object }): DOMOutputSpec =>
        inside ? [tag, attributes(attrs), [inside, 0]] : [tag, attributes(attrs), 0],
      parseDOM: [rule],
    },
    alone: { toDOM: ({ attrs }: { attrs: object }): DOMOutputSpec => [tag, attributes(attrs)], parseDOM: [rule] },
  };
}

const length = within(0, 20_000);
const tint = within(0, 1);
const stroke = object({ weight: length, swatch: isId, tint });
const area = object({ swatch: isId, tint });
const side = within(-20_000, 20_000);

export const bodySchema = new Schema({
  nodes: {
    doc: { content: '(paragraph | figure | table)+' },
    paragraph: {
      ...written('paragraph', 'p').holding,
      content: 'inline*',
      attrs: {
        style: { default: 'body', validate: validated(isId) },
        list: optional(object({ kind: oneOf('bullet', 'number'), level: whole(0, 1000), 'number?': whole(0, 1e9) })),
        startIn: optional(oneOf('column', 'frame', 'page', 'oddPage')),
        each: optional(oneOf('story')),
        local: optional(someOf(PARAGRAPH)),
      },
    },
    figure: {
      ...written('figure', 'figure').alone,
      attrs: { picture: needed(isId), width: optional(within(1, 20_000)), align: optional(oneOf('left', 'centre', 'right')) },
      atom: true,
    },
    table: {
      ...written('table', 'table', 'tbody').holding,
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
    row: { ...written('row', 'tr').holding, content: 'cell*' },
    cell: {
      ...written('cell', 'td').holding,
      content: 'paragraph+',
      attrs: {
        across: optional(whole(1, 100)),
        down: optional(whole(1, 100)),
        align: optional(oneOf('top', 'centre', 'bottom')),
        fill: optional(area),
      },
    },
    text: { group: 'inline' },
    lineBreak: { ...written('lineBreak', 'br').alone, group: 'inline', inline: true },
    field: {
      ...written('field', 'span').alone,
      group: 'inline',
      inline: true,
      attrs: { name: needed(oneOf(...FIELD_NAMES)), of: optional(isId) },
    },
    picture: {
      ...written('picture', 'span').alone,
      group: 'inline',
      inline: true,
      attrs: { picture: needed(isId), height: needed(within(1, 2000)), rise: optional(within(-2000, 2000)) },
    },
  },
  marks: {
    emphasis: written('emphasis', 'em').holding,
    strong: written('strong', 'strong').holding,
    superscript: { ...written('superscript', 'sup').holding, excludes: 'subscript superscript' },
    subscript: { ...written('subscript', 'sub').holding, excludes: 'subscript superscript' },
    link: {
      ...written('link', 'a').holding,
      inclusive: false,
      attrs: { href: needed((value) => typeof value === 'string' && value.length <= 2000) },
    },
    character: { ...written('character', 'span').holding, attrs: { style: needed(isId) } },
    /** Spelt so on purpose, here: no dictionary is asked. It is not seen. */
    asWritten: { ...written('asWritten', 'span').holding, inclusive: false },
    /** What is said of letters by hand, over all styles. */
    local: { ...written('local', 'span').holding, attrs: { properties: needed(someOf(CHARACTER)) } },
  },
});
