import type { Node } from 'prosemirror-model';
import { RE2JS } from 're2js';
import { paragraphsOf, plainText } from '../records/body';
import type { TextRecord } from '../records/index';
import type { Replacement, Stretch } from './replacing';

/** What is looked for. */
export interface Query {
  /** Letters, or a pattern of RE2 (github.com/google/re2/wiki/Syntax); empty: whatever has the style or look. */
  readonly words: string;
  readonly isPattern: boolean;
  readonly matchesCase: boolean;
  readonly wholeWords: boolean;
  readonly ignoresAccents: boolean;
  /** Only in paragraphs of this style. */
  readonly paragraphStyle?: string | undefined;
  /** Only letters that look so: a character style by id, or one of these. */
  readonly look?: Look | undefined;
}

export type Look = 'strong' | 'emphasis' | 'superscript' | 'subscript' | 'link' | 'local' | `style:${string}`;

export const LOOKS: readonly Exclude<Look, `style:${string}`>[] = [
  'strong',
  'emphasis',
  'superscript',
  'subscript',
  'link',
  'local',
];

/** A stretch that was found, with what it says and what stands around it. */
export interface Match extends Stretch {
  readonly words: string;
  readonly before: string;
  readonly after: string;
  /** Groups of a pattern, from the whole on. */
  readonly groups: readonly string[];
}

/** A pattern that is none; the message says why. */
export class PatternError extends Error {
  override name = 'PatternError';
}

/** Characters of context on either side. */
const AROUND = 36;

/** The most that one search finds. */
export const MOST_MATCHES = 20_000;

interface Found {
  readonly from: number;
  readonly to: number;
  readonly groups: readonly string[];
}

type Search = (text: string) => Found[];

/** Looks a query up in texts, in their order. @throws PatternError with a sentence */
export function matchesIn(texts: readonly TextRecord[], query: Query, most = MOST_MATCHES): Match[] {
  const search = searchOf(query);
  const out: Match[] = [];
  for (const { id, body } of texts)
    for (const [paragraph, node] of paragraphsOf(body).entries()) {
      if (query.paragraphStyle !== undefined && node.attrs['style'] !== query.paragraphStyle) continue;
      const text = plainText(node);
      const areas = query.look === undefined ? undefined : lookingSo(node, query.look);
      if (areas?.length === 0) continue;
      for (const found of search ? search(text) : (areas ?? [{ from: 0, to: text.length, groups: [text] }])) {
        const { from, to, groups } = found;
        if (to === from && search) continue;
        if (areas && search && !areas.some((area) => area.from <= from && area.to >= to)) continue;
        out.push({
          text: id,
          paragraph,
          from,
          to,
          groups,
          words: text.slice(from, to),
          before: text.slice(Math.max(0, from - AROUND), from),
          after: text.slice(to, to + AROUND),
        });
        if (out.length === most) return out;
      }
    }
  return out;
}

/** How a text is searched; undefined where only styles and looks are. @throws PatternError */
function searchOf(query: Query): Search | undefined {
  if (query.words === '') return undefined;
  const search = query.isPattern ? byPattern(query) : byLetters(query);
  return query.wholeWords
    ? (text) => search(text).filter(({ from, to }) => !isWordAt(text, from) && !isWordAt(text, to))
    : search;
}

/** Whether a place stands inside a word. */
const isWordAt = (text: string, at: number): boolean =>
  /[\p{L}\p{N}\p{M}_]$/u.test(text.slice(Math.max(0, at - 2), at)) && /^[\p{L}\p{N}\p{M}_]/u.test(text.slice(at, at + 2));

function byLetters({ words, matchesCase, ignoresAccents }: Query): Search {
  const sought = folded(words, !matchesCase, ignoresAccents).text;
  return (text) => {
    const { text: looked, at } = folded(text, !matchesCase, ignoresAccents);
    const out: Found[] = [];
    if (sought === '') return out;
    for (let i = looked.indexOf(sought); i >= 0; i = looked.indexOf(sought, i + sought.length)) {
      const from = at(i);
      const to = at(i + sought.length);
      out.push({ from, to, groups: [text.slice(from, to)] });
    }
    return out;
  };
}

/** Runs in time that grows with the text alone, whatever the pattern: RE2 never goes back. */
function byPattern({ words, matchesCase, ignoresAccents }: Query): Search {
  let pattern: RE2JS;
  try {
    pattern = RE2JS.compile(words, matchesCase ? 0 : RE2JS.CASE_INSENSITIVE);
  } catch (error) {
    throw new PatternError(`That pattern cannot be read: ${(error as Error).message.replace(/^error parsing regexp: /i, '')}.`);
  }
  return (text) => {
    const { text: looked, at } = folded(text, false, ignoresAccents);
    const matcher = pattern.matcher(looked);
    const out: Found[] = [];
    while (matcher.find()) {
      const from = at(matcher.start());
      const to = at(matcher.end());
      const groups = Array.from({ length: matcher.groupCount() + 1 }, (_, i) => matcher.group(i) ?? '');
      out.push({ from, to, groups: ignoresAccents ? [text.slice(from, to), ...groups.slice(1)] : groups });
    }
    return out;
  };
}

/** Quotation marks and apostrophes are found however they are typed. */
const TYPED: Readonly<Record<string, string>> = { '’': "'", '‘': "'", '“': '"', '”': '"', '\u00a0': ' ' };

/** A text as it is compared, and where each of its places is in the text itself. */
function folded(text: string, case_: boolean, accents: boolean): { text: string; at: (place: number) => number } {
  if (!accents) {
    const plain = text.replace(/[’‘“”\u00a0]/g, (sign) => TYPED[sign]!);
    const lower = case_ ? plain.toLowerCase() : plain;
    // Hardly any letter has more of them in lower case; where one has, the long way round is right.
    if (lower.length === text.length) return { text: lower, at: (place) => place };
  }
  let out = '';
  const places: number[] = [];
  for (let i = 0; i < text.length;) {
    const letter = String.fromCodePoint(text.codePointAt(i)!);
    let own = TYPED[letter] ?? letter;
    if (accents) own = own.normalize('NFD').replace(/\p{M}/gu, '');
    if (case_) own = own.toLowerCase();
    for (let k = 0; k < own.length; k++) places.push(i);
    out += own;
    i += letter.length;
  }
  places.push(text.length);
  return { text: out, at: (place) => places[place]! };
}

/** Stretches of a paragraph that look so. */
function lookingSo(paragraph: Node, look: Look): Found[] {
  const out: { from: number; to: number; groups: string[] }[] = [];
  paragraph.forEach((node, offset) => {
    if (
      !node.marks.some((mark) =>
        look.startsWith('style:')
          ? mark.type.name === 'character' && mark.attrs['style'] === look.slice(6)
          : mark.type.name === look,
      )
    )
      return;
    const words = node.text ?? '\uFFFC';
    const last = out.at(-1);
    if (last?.to === offset) {
      last.to = offset + node.nodeSize;
      last.groups[0] += words;
    } else out.push({ from: offset, to: offset + node.nodeSize, groups: [words] });
  });
  return out;
}

/** What matches become. */
export interface Change {
  /** What their words become; undefined leaves them. In a pattern's, `$1` is its first group, `$0` all, `$$` a dollar sign. */
  readonly words?: string | undefined;
  readonly characterStyle?: string | null | undefined;
  readonly paragraphStyle?: string | undefined;
}

export const changed = (matches: readonly Match[], { words, ...styles }: Change, isPattern: boolean): Replacement[] =>
  matches.map(({ text, paragraph, from, to, groups }) => ({
    text,
    paragraph,
    from,
    to,
    ...styles,
    ...(words === undefined ? {} : { words: isPattern ? filled(words, groups) : words }),
  }));

const filled = (words: string, groups: readonly string[]): string =>
  words.replace(/\$(\$|\d{1,2})/g, (_, which: string) => (which === '$' ? '$' : (groups[Number(which)] ?? '')));
