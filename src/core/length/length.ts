/**
 * Lengths. Inside the program every length is a number of points (1/72 in); units exist only where a person
 * reads or types one.
 *
 * Source of the definitions: 1 in = 25.4 mm exactly (international inch, 1959); CSS Values and Units 3, §6.2:
 * 1 in = 72 pt = 6 pc.
 */

export const UNITS = ['mm', 'cm', 'in', 'pt', 'pica'] as const;
export type Unit = (typeof UNITS)[number];

/** Points in one of each unit. */
export const POINTS: Readonly<Record<Unit, number>> = {
  pt: 1,
  mm: 72 / 25.4,
  cm: 720 / 25.4,
  in: 72,
  pica: 12,
};

/** `mm(5)` is five millimetres in points. */
export const mm = (value: number): number => value * POINTS.mm;

/** Thrown when typed text is no length or number; the message is meant for the person who typed it. */
export class LengthError extends Error {
  override name = 'LengthError';
}

const SUFFIX: Readonly<Record<string, Unit>> = {
  pt: 'pt',
  mm: 'mm',
  cm: 'cm',
  in: 'in',
  '"': 'in',
  pica: 'pica',
  picas: 'pica',
  pc: 'pica',
};

interface Term {
  /** In points when `isLength`, a bare number otherwise. */
  value: number;
  isLength: boolean;
}

/**
 * Reads what was typed into a length field: a number with or without unit, picas and points (`6p6`), and
 * sums, differences, products, quotients and brackets of these (`210/2`, `5mm + 1pica`).
 *
 * @param typed what was typed
 * @param unit the unit of a number that names none
 * @returns points
 * @throws LengthError when the text is not a length
 */
export function parseLength(typed: string, unit: Unit): number {
  if (typed.trim() === '') throw new LengthError('Type a length, such as 12 mm.');
  return evaluate(typed, unit, () => {
    throw new LengthError(`“${typed.trim()}” is not a length. Type a number with mm, cm, in, pt or pica.`);
  });
}

/**
 * Reads what was typed into a field for a number: a number, or arithmetic with numbers (`3*12`).
 *
 * @param unit what may stand behind it: `%`, `°`
 * @throws LengthError when the text is not a number
 */
export function parseNumber(typed: string, unit = ''): number {
  const fail = (): never => {
    throw new LengthError(`“${typed.trim()}” is not a number.`);
  };
  const bare = unit === '' ? typed : typed.replaceAll(unit, '');
  if (bare.trim() === '') throw new LengthError('Type a number.');
  return evaluate(bare, undefined, fail);
}

/** The longest sum that is read: it is worked out by recursion. */
const LONGEST = 100;

/** @param unit of a number that names none; without it, only numbers are read */
function evaluate(typed: string, unit: Unit | undefined, fail: () => never): number {
  const text = typed.trim().toLowerCase().replaceAll(',', '.').replaceAll('×', '*').replaceAll('−', '-');
  if (text.length > LONGEST) throw new LengthError(`That is too long: ${LONGEST} characters at most.`);
  let at = 0;
  const skip = () => {
    while (text[at] === ' ') at++;
  };

  const term = (): Term => {
    skip();
    if (text[at] === '-' || text[at] === '+') {
      const negative = text[at++] === '-';
      const of = term();
      return negative ? { ...of, value: -of.value } : of;
    }
    if (text[at] === '(') {
      at++;
      const inner = sum();
      skip();
      if (text[at++] !== ')') fail();
      return inner;
    }
    const picas = /^(\d+)p(\d+(?:\.\d+)?)/.exec(text.slice(at));
    if (picas && unit) {
      at += picas[0].length;
      return { value: Number(picas[1]) * POINTS.pica + Number(picas[2]), isLength: true };
    }
    const number = /^(?:\d+\.?\d*|\.\d+)/.exec(text.slice(at));
    if (!number) return fail();
    at += number[0].length;
    skip();
    const suffix = /^(?:picas|pica|pt|mm|cm|in|pc|")/.exec(text.slice(at));
    if (!suffix) return { value: Number(number[0]), isLength: false };
    if (!unit) return fail();
    at += suffix[0].length;
    return { value: Number(number[0]) * POINTS[SUFFIX[suffix[0]]!], isLength: true };
  };

  const product = (): Term => {
    let left = term();
    for (;;) {
      skip();
      const operator = text[at];
      if (operator !== '*' && operator !== '/') return left;
      at++;
      const right = term();
      if (operator === '*') {
        if (left.isLength && right.isLength) fail();
        left = { value: left.value * right.value, isLength: left.isLength || right.isLength };
      } else {
        if (right.isLength) fail();
        if (right.value === 0) throw new LengthError('Nothing can be divided by nought.');
        left = { value: left.value / right.value, isLength: left.isLength };
      }
    }
  };

  const asLength = (of: Term): number => (of.isLength || !unit ? of.value : of.value * POINTS[unit]);

  const sum = (): Term => {
    let left = product();
    for (;;) {
      skip();
      const operator = text[at];
      if (operator !== '+' && operator !== '-') return left;
      at++;
      const right = product();
      const sign = operator === '+' ? 1 : -1;
      left =
        left.isLength || right.isLength
          ? { value: asLength(left) + sign * asLength(right), isLength: true }
          : { value: left.value + sign * right.value, isLength: false };
    }
  };

  const result = sum();
  skip();
  if (at < text.length) fail();
  return asLength(result);
}

const DIGITS: Readonly<Record<Unit, number>> = { pt: 2, mm: 2, cm: 3, in: 4, pica: 3 };

/** A length as a person reads it, `formatLength(36, 'mm')` is `12.7 mm`. */
export function formatLength(points: number, unit: Unit): string {
  return `${formatNumber(points / POINTS[unit], DIGITS[unit])} ${unit}`;
}

/** A number with at most `digits` decimals and no trailing noughts. */
export function formatNumber(value: number, digits: number): string {
  const fixed = value.toFixed(digits);
  const trimmed = fixed.includes('.') ? fixed.replace(/\.?0+$/, '') : fixed;
  return trimmed === '-0' ? '0' : trimmed;
}

/** A length as it is kept: to a thousandth of a point, so that what was worked out in two ways is the same. */
export const exact = (points: number): number => Math.round(points * 1000) / 1000;

/** A length in a sentence, in millimetres: “3 mm”. */
export const lengthIn = (points: number): string => formatLength(points, 'mm');
