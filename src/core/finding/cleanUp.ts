import type { Node } from 'prosemirror-model';
import { paragraphsOf, plainText } from '../records/body';
import { spoken } from '../records/language';
import type { TextRecord } from '../records/index';
import type { Replacement } from './replacing';

/** What is put right, by the names of what is wrong. */
export const RULES = {
  spaces: 'Several spaces',
  ends: 'Spaces at the ends of paragraphs',
  tabs: 'Stray tabs',
  empty: 'Empty paragraphs',
  quotes: 'Typewriter’s quotation marks',
  dashes: 'Hyphens for dashes',
  dots: 'Three full stops',
  ligatures: 'Ligature characters',
  softHyphens: 'Soft hyphens',
  fixedSpaces: 'Non-breaking spaces',
  ordinals: 'Raised ordinals',
} as const;
export type Rule = keyof typeof RULES;

/** A place that is proposed to be put right. */
export interface CleanUp {
  readonly rule: Rule;
  readonly replacement: Replacement;
  /** Letters in front of it, what stands there, what it becomes, and letters behind it. */
  readonly before: string;
  readonly is: string;
  readonly becomes: string;
  readonly after: string;
}

/** Quotation marks by language: the outer pair, then the inner (Unicode CLDR, delimiters). */
const QUOTES: Readonly<Record<string, readonly [string, string, string, string]>> = {
  en: ['“', '”', '‘', '’'],
  de: ['„', '“', '‚', '‘'],
  fr: ['«\u202f', '\u202f»', '‹\u202f', '\u202f›'],
  es: ['«', '»', '“', '”'],
  it: ['«', '»', '“', '”'],
  nl: ['‘', '’', '“', '”'],
  pl: ['„', '”', '«', '»'],
  sv: ['”', '”', '’', '’'],
  da: ['”', '”', '’', '’'],
  fi: ['”', '”', '’', '’'],
};

export const quotesOf = (language: string): readonly [string, string, string, string] =>
  QUOTES[language.slice(0, 2)] ?? QUOTES['en']!;

/** Ligatures of the compatibility block (Unicode, Alphabetic Presentation Forms), as the letters that they are of. */
const LIGATURES: Readonly<Record<string, string>> = { ﬀ: 'ff', ﬁ: 'fi', ﬂ: 'fl', ﬃ: 'ffi', ﬄ: 'ffl', ﬅ: 'st', ﬆ: 'st' };

/** What a letter may stand behind for a quotation mark there to open. */
const OPENS = /^$|[\s([{—–\u2018\u201c\u00ab„‚/-]$/;

interface Fixed {
  readonly rule: Rule;
  readonly from: number;
  readonly to: number;
  readonly words: string;
}

/**
 * Places of texts that typing has left untidy, in their order. Each is one that a person may take or leave; no two reach
 * over one another.
 *
 * @param language BCP 47, of the issue
 */
export function cleanUps(texts: readonly TextRecord[], language: string, rules: ReadonlySet<Rule> = ALL): CleanUp[] {
  const out: CleanUp[] = [];
  for (const { id, body } of texts) {
    const paragraphs = paragraphsOf(body);
    for (const [paragraph, node] of paragraphs.entries()) {
      const text = plainText(node);
      const push = (rule: Rule, from: number, to: number, more: Partial<Replacement>, becomes: string) =>
        out.push({
          rule,
          replacement: { text: id, paragraph, from, to, ...more },
          before: text.slice(Math.max(0, from - AROUND), from),
          is: text.slice(from, to),
          becomes,
          after: text.slice(to, to + AROUND),
        });
      // A text of one empty paragraph waits for words.
      if (text === '' || /^[ \t\u00a0]+$/.test(text)) {
        if (rules.has('empty') && paragraphs.length > 1 && !node.attrs['startIn'])
          push('empty', 0, text.length, { goes: true }, '');
        continue;
      }
      for (const { rule, from, to, words } of parted(fixesIn(text, language)))
        if (rules.has(rule)) push(rule, from, to, { words }, words);
      if (rules.has('ordinals') && spoken(language).startsWith('en'))
        for (const { from, to } of raisedOrdinals(node, text)) push('ordinals', from, to, { onLine: true }, text.slice(from, to));
    }
  }
  return out;
}

const AROUND = 24;
const ALL: ReadonlySet<Rule> = new Set(Object.keys(RULES) as Rule[]);

function fixesIn(text: string, language: string): Fixed[] {
  const out: Fixed[] = [];
  const each = (rule: Rule, pattern: RegExp, words: (match: RegExpExecArray) => string | undefined) => {
    for (const match of text.matchAll(pattern)) {
      const put = words(match);
      if (put !== undefined && put !== match[0])
        out.push({ rule, from: match.index, to: match.index + match[0].length, words: put });
    }
  };
  each('ends', /^[ \u00a0]+|[ \t\u00a0]+$/g, () => '');
  each('tabs', /^\t+|(?<=[^\t])\t{2,}/g, (match) => (match.index === 0 ? '' : '\t'));
  each('spaces', /(?<=\S) {2,}(?=\S)/g, () => ' ');
  each('dots', /(?<!\.)\.\.\.(?!\.)/g, () => '…');
  each('ligatures', /[ﬀ-ﬆ]/g, ([sign]) => LIGATURES[sign]!);
  each('softHyphens', /\u00ad/g, () => '');
  each('dashes', / ?--+ ?| - (?=\S)/g, (match) => {
    // What stands between letters without spaces is set apart by them, as British practice has it.
    const behind = text[match.index - 1];
    if (behind === undefined) return '–\u0020';
    return match.index + match[0].length === text.length ? ' –' : ' – ';
  });
  each('dashes', /(?<![\d-])(\d{1,4})-(\d{1,4})(?![\d-])/g, ([, from, to]) =>
    Number(from) < Number(to) ? `${from}–${to}` : undefined,
  );
  each('fixedSpaces', /(?<=\p{L})\u00a0(?=\p{L})/gu, () => (language.startsWith('fr') ? undefined : ' '));
  if (language.startsWith('fr')) {
    each('fixedSpaces', /(?<=[\p{L}\p{N}»)]) ?(?=[;!?])/gu, () => '\u202f');
    each('fixedSpaces', /(?<=[\p{L}\p{N}»)]) ?(?=:(?:\s|$))/gu, () => '\u00a0');
  }
  return [...out, ...quotesIn(text, language)];
}

/** Straight quotation marks as the language has them. Behind a figure, where none is open, they are primes and stay. */
function quotesIn(text: string, language: string): Fixed[] {
  const [open, close, openInner, closeInner] = quotesOf(language);
  const out: Fixed[] = [];
  let isOpen = false;
  let isInner = false;
  for (const { 0: sign, index } of text.matchAll(/["']/g)) {
    const before = text.slice(Math.max(0, index - 1), index);
    const opens =
      OPENS.test(before) ||
      (before !== '' && /["'“‘«„]/.test(before) && index - 1 === out.at(-1)?.from && isOpening(out.at(-1)!.words, language));
    const put = (words: string) => out.push({ rule: 'quotes', from: index, to: index + 1, words });
    if (sign === '"') {
      if (!isOpen && /\d/.test(before)) continue;
      if (opens) put(open);
      else put(close);
      isOpen = opens;
    } else if (/\d/.test(before) && !isInner) {
      // Six feet, or the ’90s’ end: what it is cannot be told, so it stays.
      if (/^'s\b/.test(text.slice(index, index + 3))) put('’');
    } else if (opens && !/^'(?:\d\ds?\b|(?:tis|twas|em|til|cause|n)\b)/i.test(text.slice(index, index + 7))) {
      put(openInner);
      isInner = true;
    } else {
      // An apostrophe is the same in every language; what closes a quotation within one need not be.
      const closes = isInner && !/^'\p{L}/u.test(text.slice(index, index + 3));
      put(closes ? closeInner : '’');
      if (closes) isInner = false;
    }
  }
  return out;
}

const isOpening = (words: string, language: string): boolean => {
  const [open, , inner] = quotesOf(language);
  return words === open || words === inner;
};

/** What overlaps is put right one after another: the first of it now. */
function parted(fixes: readonly Fixed[]): Fixed[] {
  const sorted = [...fixes].sort((a, b) => a.from - b.from || a.to - b.to);
  let end = -1;
  return sorted.filter(({ from, to }) => {
    if (from < end) return false;
    end = Math.max(to, from + 1);
    return true;
  });
}

/** Raised endings of English ordinals, as word processors make them. */
function raisedOrdinals(node: Node, text: string): { from: number; to: number }[] {
  const out: { from: number; to: number }[] = [];
  node.forEach((child, offset) => {
    if (!child.isText || !child.marks.some(({ type }) => type.name === 'superscript')) return;
    if (/^(?:st|nd|rd|th)$/.test(child.text!) && /\d$/.test(text.slice(0, offset)))
      out.push({ from: offset, to: offset + child.nodeSize });
  });
  return out;
}

/**
 * What a sign that has just been typed becomes: quotation marks, dashes and points of ellipsis, as in `cleanUps`.
 *
 * @param before the paragraph in front of the caret, the sign at its end
 * @returns how many letters before the caret go, and what comes for them; undefined where nothing does
 */
export function asTyped(before: string, language: string): { back: number; words: string } | undefined {
  const last = before.at(-1);
  if (last === '"' || last === "'") {
    const fixed = quotesIn(before, language).at(-1);
    return fixed && fixed.from === before.length - 1 ? { back: 1, words: fixed.words } : undefined;
  }
  if (before.endsWith('...') && !before.endsWith('....')) return { back: 3, words: '…' };
  if (/[^-]--$/.test(before)) return { back: 2, words: '–' };
  return undefined;
}
