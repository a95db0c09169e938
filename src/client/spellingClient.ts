import { type Remote, wrap } from 'comlink';
import type { Document } from '@/core/records/document';
import { type AskedWord, type Misspelt, Reading } from '@/core/spelling/reading';
import type { OwnForm } from '@/core/spelling/speller';
import type { SpellingReader } from './spelling.worker';
import { startWorker, workerUrl } from './startWorker';

/** Reads the spelling of a document's texts in a worker of its own, so that what is typed never waits for it. */
export class SpellingClient {
  readonly #worker: Worker;
  readonly #reader: Promise<Remote<SpellingReader>>;
  readonly #reading: Reading;

  constructor() {
    const { worker, ready } = startWorker(workerUrl('spelling'));
    this.#worker = worker;
    this.#reader = ready.then(() => wrap<SpellingReader>(worker));
    this.#reading = new Reading({
      setOwn: async (words) => (await this.#reader).setOwn(words),
      areWrong: async (words) => (await this.#reader).areWrong(words),
    });
  }

  /**
   * What is misspelt in a document; undefined where a later reading was begun meanwhile.
   *
   * @param own words that are right as they are
   * @throws Error with a sentence where a dictionary is not to be had
   */
  read(document: Document, own: readonly OwnForm[]): Promise<readonly Misspelt[] | undefined> {
    return this.#reading.read(document, own);
  }

  async suggestions(word: AskedWord): Promise<string[]> {
    return (await this.#reader).suggestions(word);
  }

  close(): void {
    this.#worker.terminate();
  }
}
