import { LRUCache } from 'lru-cache';
import type { HyphenLimits } from '../../records/paragraphStyle';
import { hyphenPoints } from '../../type/hyphenation';
import { breaksWithin } from '../../type/lineBreaks';
import type { Shaped } from '../../type/shaper';
import { hangsLeft, hangsRight } from './hanging';
import type { SetLook } from './look';
import { EMERGENCY_BREAK, HYPHEN_BREAK, PLAIN_BREAK } from './breaks';

/** A place where a word may be parted. Widths in font units, with tracking. */
export interface WordBreak {
  readonly offset: number;
  readonly flag: typeof PLAIN_BREAK | typeof HYPHEN_BREAK | typeof EMERGENCY_BREAK;
  /** Of what stays on the line, its hyphen included, and of what goes to the next; and how many glyphs each has. */
  readonly left: number;
  readonly right: number;
  readonly leftGlyphs: number;
  readonly rightGlyphs: number;
}

/** A word as one look sets it. */
export interface Word {
  readonly text: string;
  readonly shaped: Shaped;
  /** Font units, with tracking. */
  readonly width: number;
  readonly breaks: readonly WordBreak[];
}

interface Ink {
  readonly rise: number;
  readonly fall: number;
}

const inks = new WeakMap<Shaped, Ink>();

interface Hangs {
  readonly left: number;
  readonly right: number;
}

/** This many words are remembered of a look: more than an issue has of different ones. */
const MOST_WORDS = 50_000;

/** Longer stretches without a space may in need be parted anywhere: an address, a number, a word in no language. */
export const LONG = 24;

/** Words of one look, each set once: its glyphs, and where it may be parted. */
export class Words {
  readonly look: SetLook;
  readonly #limits: HyphenLimits | undefined;
  readonly #kept = new LRUCache<string, Word>({ maxSize: MOST_WORDS, sizeCalculation: () => 1 });
  readonly #kerns = new Map<number, number>();
  readonly #hangs = new Map<number, Hangs>();
  readonly space: number;

  /** They are written from right to left. */
  readonly rightToLeft: boolean;

  /** @param limits of hyphenation; without them only soft hyphens part a word */
  constructor(look: SetLook, limits: HyphenLimits | undefined, rightToLeft = false) {
    this.look = look;
    this.rightToLeft = rightToLeft;
    this.#limits = limits;
    this.space = this.widthOf(' ');
  }

  get(text: string): Word {
    let word = this.#kept.get(text);
    if (!word) {
      const shaped = this.shape(text);
      word = { text, shaped, width: this.#withTracking(shaped), breaks: this.#breaks(text, shaped) };
      this.#kept.set(text, word);
    }
    return word;
  }

  shape(text: string): Shaped {
    return this.look.shaper.shape(text, this.rightToLeft);
  }

  /** Font units, with tracking. */
  widthOf(text: string): number {
    return this.#withTracking(this.shape(text));
  }

  /**
   * What the face's kerning adds to a space between two characters. Words are shaped by themselves, so that they can
   * be remembered; few faces kern with the space, and this is where those that do are done justice.
   */
  spaceKern(left: number, right: number): number {
    const key = left * 65536 + right;
    let kern = this.#kerns.get(key);
    if (kern === undefined) {
      const { shaper } = this.look;
      const shape = (of: string) => shaper.shape(of).width;
      const a = String.fromCharCode(left);
      const b = String.fromCharCode(right);
      kern = shape(`${a} `) - shape(a) + (shape(` ${b}`) - shape(b)) - 2 * shape(' ');
      this.#kerns.set(key, kern);
    }
    return kern;
  }

  /** How far a character hangs over the left and the right edge when all of its share does. Font units. */
  hangs(code: number): Hangs {
    let own = this.#hangs.get(code);
    if (!own) {
      const character = String.fromCharCode(code);
      const [left, right] = [hangsLeft(character), hangsRight(character)];
      const width = left > 0 || right > 0 ? this.widthOf(character) : 0;
      this.#hangs.set(code, (own = { left: left * width, right: right * width }));
    }
    return own;
  }

  /** How far a word's ink reaches above and below the baseline, font units. */
  inkOf({ shaped }: Word): Ink {
    let own = inks.get(shaped);
    if (!own) {
      let rise = 0;
      let fall = 0;
      const { font } = this.look.shaper.face;
      for (let i = 0; i < shaped.glyphs.length; i++) {
        const extents = font.glyphExtents(shaped.glyphs[i]!);
        if (!extents) continue;
        const up = shaped.offsets?.[2 * i + 1] ?? 0;
        rise = Math.max(rise, extents.yBearing + up);
        fall = Math.max(fall, -(extents.yBearing + extents.height) - up);
      }
      inks.set(shaped, (own = { rise, fall }));
    }
    return own;
  }

  #withTracking(shaped: Shaped): number {
    return shaped.width + this.look.trackingUnits * shaped.glyphs.length;
  }

  #breaks(text: string, shaped: Shaped): readonly WordBreak[] {
    const points = wordBreaks(text, this.look.language, this.#limits);
    if (points.length === 0 && text.length <= LONG) return NONE;
    const out = points.map(({ offset, hyphen }): WordBreak => {
      const head = this.shape(hyphen ? hyphened(text.slice(0, offset)) : text.slice(0, offset));
      const tail = this.shape(text.slice(offset));
      return {
        offset,
        flag: hyphen ? HYPHEN_BREAK : PLAIN_BREAK,
        left: this.#withTracking(head),
        right: this.#withTracking(tail),
        leftGlyphs: head.glyphs.length,
        rightGlyphs: tail.glyphs.length,
      };
    });
    return text.length > LONG ? this.#withEmergencies(text, shaped, out) : out;
  }

  /** Places between any two clusters, reckoned from the whole word's glyphs, beside those that are better. */
  #withEmergencies(text: string, shaped: Shaped, better: readonly WordBreak[]): WordBreak[] {
    const known = new Map(better.map((each) => [each.offset, each]));
    const out: WordBreak[] = [];
    const n = shaped.glyphs.length;
    const total = this.#withTracking(shaped);
    let x = 0;
    for (let k = 0; k < n; k++) {
      // In the order of the text: glyphs of right-to-left words come from their end.
      const i = this.rightToLeft ? n - 1 - k : k;
      const before = this.rightToLeft ? i + 1 : i - 1;
      const offset = shaped.clusters[i]!;
      if (k > 0 && offset > shaped.clusters[before]! && offset > 0 && offset < text.length) {
        const flag = EMERGENCY_BREAK;
        out.push(known.get(offset) ?? { offset, flag, left: x, right: total - x, leftGlyphs: k, rightGlyphs: n - k });
        known.delete(offset);
      }
      x += shaped.advances[i]! + this.look.trackingUnits;
    }
    return [...out, ...known.values()].sort((a, b) => a.offset - b.offset);
  }
}

/** The head of a parted word with its hyphen: in the place of a soft one, or added. */
export const hyphened = (head: string): string => (head.endsWith('\u00AD') ? `${head.slice(0, -1)}-` : `${head}-`);

const NONE: readonly WordBreak[] = [];

interface Opportunity {
  readonly offset: number;
  readonly hyphen: boolean;
}

function wordBreaks(word: string, language: string, limits: HyphenLimits | undefined): readonly Opportunity[] {
  const attached = breaksWithin(word);
  const soft = word.includes('\u00AD');
  if (attached.length === 0) {
    const points = limits || soft ? hyphenPoints(word, language, limits) : [];
    return points.map((offset) => ({ offset, hyphen: true }));
  }
  const out: Opportunity[] = [];
  let from = 0;
  for (const to of [...attached, word.length]) {
    // A word joined by a hyphen is broken at that hyphen only, as is common practice.
    if (limits && !word.includes('-')) {
      for (const point of hyphenPoints(word.slice(from, to), language, limits)) out.push({ offset: from + point, hyphen: true });
    }
    if (to < word.length) out.push({ offset: to, hyphen: false });
    from = to;
  }
  return out;
}
