import { parseArgs } from 'node:util';
import { LengthError, parseLength } from '@/core/length/length';
import { namedSize, SIZE_NAMES } from '@/core/page/formats';
import { FAMILIES } from '@/core/type/catalogue';
import { HYPHENATION_LANGUAGES, matchLanguage } from '@/core/type/hyphenation';
import type { Box } from '@/core/geometry/box';

/** What the command `render` is asked for. Lengths in points. */
export interface RenderOptions {
  readonly input: string;
  readonly out: string;
  readonly lines: string | undefined;
  /** A JSON file with more about styles and frames. */
  readonly style: string | undefined;
  readonly page: { readonly width: number; readonly height: number };
  readonly margins: { readonly top: number; readonly outer: number; readonly bottom: number; readonly inner: number };
  readonly columns: number;
  readonly gutter: number;
  readonly font: string;
  readonly size: number;
  readonly leading: number;
  readonly align: 'justify' | 'left';
  readonly breaking: 'total-fit' | 'first-fit';
  readonly hyphens: boolean;
  readonly language: string;
  readonly picture:
    { readonly file: string; readonly at: Box; readonly wrap: 'frame' | 'outline'; readonly standOff: number } | undefined;
}

/** Thrown for options that are unknown, missing or make no sense, with one sentence for the person who typed them. */
export class OptionError extends Error {
  override name = 'OptionError';
}

export const USAGE =
  'render --input STORY.(docx|md|txt) --page A4 --margins 20mm,15mm,20mm,15mm --columns 3 --gutter 5mm ' +
  '--font "Source Serif 4" --size 10 --leading 13 --align justify|left --breaking total-fit|first-fit --hyphens on|off ' +
  '--language en-gb [--style FILE.json] [--picture FILE --at X,Y,W,H --wrap frame|outline --stand-off 5mm] --out OUT.pdf [--lines OUT.json]';

const STRING = { type: 'string' } as const;
const NAMES = {
  input: STRING,
  out: STRING,
  lines: STRING,
  style: STRING,
  page: STRING,
  margins: STRING,
  columns: STRING,
  gutter: STRING,
  font: STRING,
  size: STRING,
  leading: STRING,
  align: STRING,
  breaking: STRING,
  hyphens: STRING,
  language: STRING,
  picture: STRING,
  at: STRING,
  wrap: STRING,
  'stand-off': STRING,
} as const;

/** @throws OptionError */
export function readOptions(args: readonly string[]): RenderOptions {
  let values: Partial<Record<keyof typeof NAMES, string>>;
  try {
    ({ values } = parseArgs({ args: [...args], options: NAMES, strict: true, allowPositionals: false }));
  } catch (error) {
    const unknown = /'(-[^']*)'/.exec(String(error))?.[1];
    throw new OptionError(
      unknown
        ? `The option ${unknown} is unknown or lacks its value; the options are: ${USAGE}.`
        : `Only options are taken: ${USAGE}.`,
    );
  }

  const length = (name: keyof typeof NAMES, typed: string, unit: 'pt' | 'mm', least: number): number => {
    let value: number;
    try {
      value = parseLength(typed, unit);
    } catch (error) {
      throw new OptionError(`--${name}: ${error instanceof LengthError ? error.message : String(error)}`);
    }
    if (!(value >= least) || value > 14400) throw new OptionError(`--${name} is out of bounds: ${typed}.`);
    return value;
  };
  const choice = <T extends string>(name: keyof typeof NAMES, of: readonly T[], usual: T): T => {
    const typed = values[name];
    if (typed === undefined) return usual;
    if (!of.includes(typed as T)) throw new OptionError(`--${name} is ${of.join(' or ')}, not “${typed}”.`);
    return typed as T;
  };
  const required = (name: 'input' | 'out'): string => {
    const value = values[name];
    if (!value) throw new OptionError(`--${name} is missing.`);
    return value;
  };

  const input = required('input');
  const out = required('out');
  const page = readPage(values.page ?? 'A4', length);
  const margins = readMargins(values.margins ?? '20mm,15mm,20mm,15mm', length);
  const columns = Number(values.columns ?? '3');
  if (!Number.isInteger(columns) || columns < 1 || columns > 40)
    throw new OptionError(`--columns is a whole number from 1 to 40, not “${values.columns}”.`);
  const gutter = length('gutter', values.gutter ?? '5mm', 'mm', 0);
  const size = length('size', values.size ?? '10', 'pt', 1);
  const leading = length('leading', values.leading ?? '13', 'pt', 1);
  const across = page.width - margins.inner - margins.outer;
  if (across - gutter * (columns - 1) < columns) throw new OptionError('The margins and gutters leave the columns no width.');
  if (page.height - margins.top - margins.bottom < leading) throw new OptionError('The margins leave no height for a line.');

  const font = values.font ?? 'Source Serif 4';
  const family = FAMILIES.find((each) => each.toLowerCase() === font.toLowerCase());
  if (!family)
    throw new OptionError(`--font “${font}” is not among the families that ship with the application: ${FAMILIES.join(', ')}.`);
  const language = values.language ?? 'en-gb';
  if (!matchLanguage(language))
    throw new OptionError(
      `--language “${language}” has no hyphenation patterns here; there are ${HYPHENATION_LANGUAGES.join(', ')}.`,
    );

  return {
    input,
    out,
    lines: values.lines,
    style: values.style,
    page,
    margins,
    columns,
    gutter,
    font: family,
    size,
    leading,
    align: choice('align', ['justify', 'left'], 'justify'),
    breaking: choice('breaking', ['total-fit', 'first-fit'], 'total-fit'),
    hyphens: choice('hyphens', ['on', 'off'], 'on') === 'on',
    language,
    picture: readPicture(),
  };

  function readPicture(): RenderOptions['picture'] {
    const { picture, at } = values;
    if (picture === undefined) {
      if (at !== undefined || values.wrap !== undefined || values['stand-off'] !== undefined) {
        throw new OptionError('--at, --wrap and --stand-off go with --picture.');
      }
      return undefined;
    }
    if (at === undefined) throw new OptionError('--picture needs --at X,Y,W,H, the place and size on the first page.');
    const sides = at.split(',');
    if (sides.length !== 4) throw new OptionError(`--at takes four lengths X,Y,W,H, not “${at}”.`);
    const [x, y] = sides.slice(0, 2).map((side) => length('at', side, 'mm', -14400));
    const [w, h] = sides.slice(2).map((side) => length('at', side, 'mm', 1));
    return {
      file: picture,
      at: { x: x!, y: y!, w: w!, h: h! },
      wrap: choice('wrap', ['frame', 'outline'], 'frame'),
      standOff: length('stand-off', values['stand-off'] ?? '5mm', 'mm', 0),
    };
  }
}

type ReadLength = (name: keyof typeof NAMES, typed: string, unit: 'pt' | 'mm', least: number) => number;

function readPage(typed: string, length: ReadLength): RenderOptions['page'] {
  const named = namedSize(typed);
  if (named) return named;
  const sides = typed.split(/[x×,]/);
  if (sides.length !== 2)
    throw new OptionError(`--page is ${SIZE_NAMES.join(', ')} or a width and height such as 212mm×276mm, not “${typed}”.`);
  return { width: length('page', sides[0]!, 'mm', 36), height: length('page', sides[1]!, 'mm', 36) };
}

function readMargins(typed: string, length: ReadLength): RenderOptions['margins'] {
  const sides = typed.split(',').map((side) => length('margins', side, 'mm', 0));
  if (sides.length === 1) return { top: sides[0]!, outer: sides[0]!, bottom: sides[0]!, inner: sides[0]! };
  if (sides.length !== 4) throw new OptionError(`--margins is one length, or top, outer, bottom and inner, not “${typed}”.`);
  return { top: sides[0]!, outer: sides[1]!, bottom: sides[2]!, inner: sides[3]! };
}
