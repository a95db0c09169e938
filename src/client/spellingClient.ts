import { type Remote, wrap } from 'comlink';
import type { Node } from 'prosemirror-model';
import { type Document, all, find } from '@/core/records/document';
import { paragraphsOf } from '@/core/records/body';
import { spoken } from '@/core/records/language';
import type { Stretch } from '@/core/finding/replacing';
import type { OwnForm } from '@/core/spelling/speller';
import { namesIn, wordsOfParagraph, type Word } from '@/core/spelling/words';
import { styleSheet } from '@/core/type/styles';
import type { AskedWord, SpellingReader } from './spelling.worker';
import { startWorker, workerUrl } from './startWorker';

/** A word that no dictionary knows, where it stands. */
export interface Misspelt extends Stretch {
  readonly word: string;
  readonly language: string;
}

/** Words asked for at a time: what is typed meanwhile does not wait for more. */
const AT_ONCE = 2_000;

/**
 * Reads the spelling of a document's texts in a worker of its own. A paragraph that nobody changed is read once; what is
 * typed never waits for it.
 */
export class SpellingClient {
  readonly #worker: Worker;
  readonly #reader: Promise<Remote<SpellingReader>>;
  /** The wrong words of paragraphs that have been read. */
  #read = new WeakMap<Node, readonly Word[]>();
  #own = '';
  #turn = 0;

  constructor() {
    const { worker, ready } = startWorker(workerUrl('spelling'));
    this.#worker = worker;
    this.#reader = ready.then(() => wrap<SpellingReader>(worker));
  }

  /**
   * What is misspelt in a document; undefined where a later reading was begun meanwhile.
   *
   * @param own words that are right as they are
   * @throws Error with a sentence where a dictionary is not to be had
   */
  async read(document: Document, own: readonly OwnForm[]): Promise<readonly Misspelt[] | undefined> {
    const turn = ++this.#turn;
    const reader = await this.#reader;
    const right = [...own, ...namesIn(document).map((word) => ({ word }))];
    const key = JSON.stringify(right);
    if (key !== this.#own) {
      this.#own = key;
      this.#read = new WeakMap();
      await reader.setOwn(right);
    }
    const language = spoken(find(document, 'issue', 'issue')?.language);
    const sheet = styleSheet(document);
    const characters = new Map(all(document, 'characterStyle').map((style) => [style.id, style]));
    const texts = all(document, 'text');
    const unread: { node: Node; words: Word[] }[] = [];
    for (const { body } of texts)
      for (const node of paragraphsOf(body))
        if (!this.#read.has(node)) unread.push({ node, words: wordsOfParagraph(node, sheet, characters, language) });
    for (let from = 0; from < unread.length;) {
      let to = from;
      const asked: AskedWord[] = [];
      while (to < unread.length && asked.length < AT_ONCE)
        asked.push(...unread[to++]!.words.map(({ word, language: of }) => ({ word, language: of })));
      const wrong = await reader.areWrong(asked);
      if (turn !== this.#turn) return undefined;
      let at = 0;
      for (const { node, words } of unread.slice(from, to))
        this.#read.set(
          node,
          words.filter(() => wrong[at++]),
        );
      from = to;
    }
    return texts.flatMap(({ id, body }) =>
      paragraphsOf(body).flatMap((node, paragraph) =>
        (this.#read.get(node) ?? []).map(({ from, to, word, language: of }) => ({
          text: id,
          paragraph,
          from,
          to,
          word,
          language: of,
        })),
      ),
    );
  }

  async suggestions(word: AskedWord): Promise<string[]> {
    return (await this.#reader).suggestions(word);
  }

  close(): void {
    this.#worker.terminate();
  }
}
