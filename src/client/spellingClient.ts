import { type Remote, wrap } from 'comlink';
import type { Document } from '@/core/records/document';
import { type AskedWord, type Misspelt, Reading } from '@/core/spelling/reading';
import type { OwnForm } from '@/core/spelling/speller';
import type { SpellingReader } from './spelling.worker';
import { startWorker, workerUrl } from './startWorker';

/** Reads the spelling of a document's texts in a worker of its own, so that what is typed never waits for it. */
export class SpellingClient {
  readonly #worker: Worker;
  readonly #reader: Remote<SpellingReader>;
  readonly #reading: Reading;

  constructor() {
    this.#worker = startWorker(workerUrl('spelling')).worker;
    this.#reader = wrap<SpellingReader>(this.#worker);
    this.#reading = new Reading({
      setOwn: (words) => this.#reader.setOwn(words),
      areWrong: (words) => this.#reader.areWrong(words),
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

  suggestions(word: AskedWord): Promise<string[]> {
    return this.#reader.suggestions(word);
  }

  close(): void {
    this.#worker.terminate();
  }
}
