import type { Node } from 'prosemirror-model';
import type { Stretch } from '../finding/replacing';
import { paragraphsOf } from '../records/body';
import { all, type Document, find } from '../records/document';
import { spoken } from '../records/language';
import { styleSheet } from '../type/styles';
import type { OwnForm } from './speller';
import { namesIn, type Word, wordsOfParagraph } from './words';

/** A word that no dictionary knows, where it stands. */
export interface Misspelt extends Stretch {
  readonly word: string;
  readonly language: string;
}

/** A word as a dictionary is asked for it. */
export interface AskedWord {
  readonly word: string;
  readonly language: string;
}

/** Whoever has the dictionaries. */
export interface Dictionaries {
  /** Takes words as right, in every language, in place of those before. */
  setOwn(words: readonly OwnForm[]): void | Promise<void>;
  /** For each word whether it is wrong. */
  areWrong(words: readonly AskedWord[]): Promise<readonly boolean[]>;
}

/** Words asked for at a time: what is typed meanwhile does not wait for more. */
const AT_ONCE = 2_000;

/** Reads the spelling of one document as it changes. A paragraph that nobody changed is read once. */
export class Reading {
  readonly #dictionaries: Dictionaries;
  /** The wrong words of paragraphs that have been read. */
  #read = new WeakMap<Node, readonly Word[]>();
  /** What all of them were read by: words that are right, and the languages of styles. */
  #own = '';
  #languages = '';
  #turn = 0;

  constructor(dictionaries: Dictionaries) {
    this.#dictionaries = dictionaries;
  }

  /**
   * What is misspelt in a document; undefined where a later reading was begun meanwhile.
   *
   * @param own words that are right as they are
   * @throws what the dictionaries throw
   */
  async read(document: Document, own: readonly OwnForm[]): Promise<readonly Misspelt[] | undefined> {
    const turn = ++this.#turn;
    const right = [...own, ...namesIn(document).map((word) => ({ word }))];
    const said = JSON.stringify(right);
    const language = spoken(find(document, 'issue', 'issue')?.language);
    const sheet = styleSheet(document);
    const languages = JSON.stringify([
      language,
      [...sheet.paragraph].map(([id, style]) => [id, style.language]),
      [...sheet.character].map(([id, style]) => [id, style.language]),
    ]);
    if (said !== this.#own || languages !== this.#languages) this.#read = new WeakMap();
    this.#languages = languages;
    if (said !== this.#own) {
      this.#own = said;
      await this.#dictionaries.setOwn(right);
      if (turn !== this.#turn) return undefined;
    }
    const read = this.#read;
    const texts = all(document, 'text');
    const unread: { node: Node; words: Word[] }[] = [];
    for (const { body } of texts)
      for (const node of paragraphsOf(body))
        if (!read.has(node)) unread.push({ node, words: wordsOfParagraph(node, sheet, language) });
    for (let from = 0; from < unread.length;) {
      let to = from;
      const asked: AskedWord[] = [];
      while (to < unread.length && asked.length < AT_ONCE)
        asked.push(...unread[to++]!.words.map(({ word, language: of }) => ({ word, language: of })));
      const wrong = await this.#dictionaries.areWrong(asked);
      if (turn !== this.#turn) return undefined;
      let at = 0;
      for (const { node, words } of unread.slice(from, to))
        read.set(
          node,
          words.filter(() => wrong[at++]),
        );
      from = to;
    }
    return texts.flatMap(({ id, body }) =>
      paragraphsOf(body).flatMap((node, paragraph) => (read.get(node) ?? []).map((word) => ({ text: id, paragraph, ...word }))),
    );
  }
}
