import type { ParagraphProperties } from '../../records/paragraphStyle';
import type { Levels } from '../../type/bidi';
import { hasCharacter } from '../../type/face';
import type { Characters, Segment } from './characters';
import type { SetLook } from './look';
import type { Looks } from './looks';
import type { StyleRun } from './prepared';

/** Characters that any of our faces may lack: beyond Latin with its accents and usual punctuation. */
export const UNUSUAL = /[^\u0000-\u024F\u2000-\u206F\u2028\uFFFC]/;

/**
 * Looks over the characters, a look that lacks a character giving way to the next face that has it; each run in one
 * direction.
 *
 * @param lacking takes the characters that another face had to give, or none has
 */
export function styleRuns(
  characters: Characters,
  style: ParagraphProperties,
  main: SetLook,
  looks: Looks,
  levels: Levels | undefined,
  lacking: Set<string>,
): StyleRun[] {
  const out: StyleRun[] = [];
  const put = (from: number, to: number, look: SetLook, level: number) => {
    const last = out[out.length - 1];
    if (last?.look === look && last.level === level) out[out.length - 1] = { ...last, to };
    else {
      const words = looks.words(look, style.hyphens, style.hyphenLimits, level % 2 === 1);
      out.push({ from, to, look, words, factor: look.scale / main.scale, level });
    }
  };
  const add = (from: number, to: number, look: SetLook) => {
    if (!levels) return put(from, to, look, 0);
    for (let at = from; at < to;) {
      const level = levels.of[at]!;
      let end = at + 1;
      while (end < to && levels.of[end] === level) end++;
      put(at, end, look, level);
      at = end;
    }
  };
  for (const segment of characters.segments) {
    const look = looks.of(segment.properties);
    if (UNUSUAL.test(characters.text.slice(segment.from, segment.to)))
      covered(characters.text, segment, look, looks, add, lacking);
    else add(segment.from, segment.to, look);
  }
  if (out.length === 0) add(0, 0, main);
  if (out.length === 0) put(0, 0, main, 0);
  return out;
}

/** Belongs to the character before it: an accent, a joiner, a variation. */
const FOLLOWS = /[\p{M}\u200C\u200D\uFE00-\uFE0F\u{1F3FB}-\u{1F3FF}]/u;

/** Shows nothing of its own, and goes with what stands before it. */
const IGNORABLE = /[\p{Default_Ignorable_Code_Point}\s\uFFFC]/u;

const OF_ITS_OWN = 1;
const FOLLOWING = 2;
const SHOWING_NOTHING = 3;
const kinds = new Uint8Array(0x110000);

/** Whether a character stands on its own, follows the one before it or shows nothing: each is looked up once. */
function kindOf(code: number): number {
  let kind = kinds[code]!;
  if (kind === 0) {
    const character = String.fromCodePoint(code);
    kind = FOLLOWS.test(character) ? FOLLOWING : IGNORABLE.test(character) ? SHOWING_NOTHING : OF_ITS_OWN;
    kinds[code] = kind;
  }
  return kind;
}

const JOINER = 0x200d;

function covered(
  text: string,
  segment: Segment,
  look: SetLook,
  looks: Looks,
  add: (from: number, to: number, look: SetLook) => void,
  lacking: Set<string>,
): void {
  let at = segment.from;
  let from = at;
  let current = look;
  let joined = false;
  const { face } = look.shaper;
  const chosen = new Map<number, SetLook>();
  while (at < segment.to) {
    const code = text.codePointAt(at)!;
    const kind = kindOf(code);
    // What follows begins a run only where there is nothing before it.
    const follows = joined || (kind === FOLLOWING && at > segment.from);
    if (!follows && !(kind === SHOWING_NOTHING || (kind === FOLLOWING && IGNORABLE.test(String.fromCodePoint(code))))) {
      let next = chosen.get(code);
      if (!next) {
        const character = String.fromCodePoint(code);
        const has = hasCharacter(face, code);
        next = has ? look : (looks.fallback(look, character) ?? looks.absent(look));
        if (!has) lacking.add(character);
        chosen.set(code, next);
      }
      if (next !== current && at > from) {
        add(from, at, current);
        from = at;
      }
      current = next;
    }
    joined = code === JOINER;
    at += code > 0xffff ? 2 : 1;
  }
  add(from, at, current);
}
