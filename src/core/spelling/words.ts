import type { Node } from 'prosemirror-model';
import { all, type Document, find } from '../records/document';
import { bodyText, paragraphsOf, plainText } from '../records/body';
import { spoken } from '../records/language';
import type { LocalAttrs } from '../records/text';
import type { Stretch } from '../finding/replacing';
import { PLAIN, type StyleSheet } from '../type/styles';

/** A word of a paragraph, and the language it is in (BCP 47). */
export interface Word {
  readonly from: number;
  readonly to: number;
  readonly word: string;
  readonly language: string;
}

const segmenters = new Map<string, Intl.Segmenter>();

/** Words by language as Unicode parts them (UAX #29). */
function segmenterOf(language: string): Intl.Segmenter {
  let own = segmenters.get(language);
  if (!own) segmenters.set(language, (own = new Intl.Segmenter(language, { granularity: 'word' })));
  return own;
}

/** Web and email addresses, which no dictionary knows. */
const ADDRESS = /(?:https?:\/\/|www\.)\S+|\S+@\S+\.\S+/g;

/** What no dictionary is asked for: words with figures in them, abbreviations of capitals, single letters. */
const isAsked = (word: string): boolean => /\p{L}{2}/u.test(word) && !/\p{N}/u.test(word) && !/^\p{Lu}{2,5}s?$/u.test(word);

/** The words of a text that a dictionary is asked for. */
export function wordsIn(text: string, language: string): Omit<Word, 'language'>[] {
  // Addresses become blanks of the same length, so that places stay.
  const plain = text.replace(ADDRESS, (address) => ' '.repeat(address.length)).replace(/\u00ad/g, '\u200b');
  const out: Omit<Word, 'language'>[] = [];
  for (const { segment, index, isWordLike } of segmenterOf(language).segment(plain)) {
    if (!isWordLike) continue;
    const word = segment.replace(/[’']+$/, '');
    if (isAsked(word)) out.push({ from: index, to: index + word.length, word });
  }
  return out;
}

/** The words of a paragraph, each in the language that its style, or its own formatting, says it is in. */
export function wordsOfParagraph(paragraph: Node, sheet: StyleSheet, language: string): Word[] {
  const style = sheet.paragraph.get(paragraph.attrs['style'] as string) ?? PLAIN;
  const usual = spoken(style.language || undefined, language);
  /** Stretches that are spelt so on purpose; those that touch are one. */
  const left: { from: number; to: number }[] = [];
  const others: { from: number; to: number; language: string }[] = [];
  paragraph.forEach((node, offset) => {
    for (const { type, attrs } of node.marks) {
      if (type.name === 'asWritten') {
        const last = left.at(-1);
        if (last?.to === offset) last.to += node.nodeSize;
        else left.push({ from: offset, to: offset + node.nodeSize });
      }
      const own =
        type.name === 'local'
          ? (attrs as unknown as LocalAttrs).properties.language
          : type.name === 'character'
            ? sheet.character.get(attrs['style'] as string)?.language
            : undefined;
      if (own) others.push({ from: offset, to: offset + node.nodeSize, language: own });
    }
  });
  return wordsIn(plainText(paragraph), usual)
    .filter((word) => !left.some(({ from, to }) => word.from >= from && word.to <= to))
    .map((word) => ({
      ...word,
      language: others.find(({ from, to }) => word.from >= from && word.from < to)?.language ?? usual,
    }));
}

/** Words that are spelt so on purpose, where they stand. */
export function leftAsWritten(document: Document): (Stretch & { readonly word: string })[] {
  return all(document, 'text').flatMap(({ id, body }) =>
    paragraphsOf(body).flatMap((paragraph, at) => {
      const out: (Stretch & { readonly word: string })[] = [];
      paragraph.forEach((node, offset) => {
        if (node.isText && node.marks.some(({ type }) => type.name === 'asWritten'))
          out.push({ text: id, paragraph: at, from: offset, to: offset + node.nodeSize, word: node.text! });
      });
      return out;
    }),
  );
}

/** Names of an issue's own people, and its publication's: what its bylines, writers and credits say. Nobody wants them marked. */
export function namesIn(document: Document): string[] {
  const said = [
    ...all(document, 'story').flatMap(({ writer, parts: { byline } }) => {
      const text = find(document, 'text', byline);
      return [writer ?? '', text ? bodyText(text.body) : ''];
    }),
    ...all(document, 'picture').map(({ credit }) => credit),
    find(document, 'issue', 'issue')?.publication ?? '',
  ];
  const names = said.flatMap((words) => wordsIn(words, 'en').map(({ word }) => word));
  return [...new Set(names.filter((word) => /^\p{Lu}/u.test(word)))].sort();
}
