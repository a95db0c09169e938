import { promisify } from 'node:util';
import { deflate } from 'node:zlib';
import type { PDFContext, PDFRef } from '@cantoo/pdf-lib';

/** Off the JavaScript thread: pictures are many megabytes. */
export const squeeze = promisify(deflate);

type StreamEntries = Parameters<PDFContext['stream']>[1];

/** The most streams that wait to be squeezed: each holds the operators of a page. */
const MOST_WAITING = 16;

/** Content streams that are squeezed (ISO 32000-1, 7.4.4) by other threads while the next pages are drawn. */
export class Squeezing {
  readonly #context: PDFContext;
  readonly #waiting: Promise<void>[] = [];

  constructor(context: PDFContext) {
    this.#context = context;
  }

  /** Takes a stream in and gives its reference. @param content its operators, in ASCII */
  async add(content: string, entries: StreamEntries = {}): Promise<PDFRef> {
    const context = this.#context;
    const ref = context.nextRef();
    if (this.#waiting.length >= MOST_WAITING) await this.#waiting.shift();
    this.#waiting.push(
      squeeze(Buffer.from(content, 'latin1')).then((bytes) =>
        context.assign(ref, context.stream(bytes, { ...entries, Filter: 'FlateDecode' })),
      ),
    );
    return ref;
  }

  /** Waits until all of them are written. */
  async finish(): Promise<void> {
    await Promise.all(this.#waiting);
  }
}
