import { onChanges } from '@/store/announcements';
import { changesAfter } from '@/store/documents';

/** Changes fetched at a time. */
const BATCH = 200;

/** Bytes that may lie unread before a listener is let go. */
const MOST_UNREAD = 4_000_000;

/** A comment is sent this often, so that a dead connection is noticed. */
const HEARTBEAT = 20_000;

/**
 * The changes of a document from `after` on, as they come, as a stream of server-sent events (WHATWG HTML, 9.2). Every
 * event's id is the change's number, so a browser that lost the connection goes on where it was.
 */
export function changeFeed(document: string, after: number, signal: AbortSignal): ReadableStream<Uint8Array> {
  const encoder = new TextEncoder();
  let close = () => undefined as void;
  const start = (controller: ReadableStreamDefaultController<Uint8Array>) => {
    let at = after;
    let busy = false;
    let again = false;
    let closed = false;
    const send = (text: string) => {
      if (closed) return;
      controller.enqueue(encoder.encode(text));
      // Whoever does not read is let go, and goes on from where it was when it asks again.
      if ((controller.desiredSize ?? 0) < -MOST_UNREAD) close();
    };
    const look = async () => {
      if (busy) {
        again = true;
        return;
      }
      busy = true;
      try {
        let more = false;
        do {
          again = false;
          const batch = await changesAfter(document, at, BATCH);
          for (const change of batch) {
            at = change.seq;
            send(`id: ${change.seq}\ndata: ${JSON.stringify(change)}\n\n`);
          }
          more = batch.length === BATCH;
        } while ((again || more) && !closed);
        // What is there, so that whoever listens knows whether it has heard all of it.
        send(`event: head\ndata: ${at}\n\n`);
      } catch {
        // The database is away: the announcements tell when it is back.
      } finally {
        busy = false;
      }
    };
    const stop = onChanges(document, (seq) => {
      if (seq > at) void look();
    });
    const heartbeat = setInterval(() => send(': here\n\n'), HEARTBEAT);
    close = () => {
      if (closed) return;
      closed = true;
      stop();
      clearInterval(heartbeat);
      try {
        controller.close();
      } catch {
        // Already closed by the reader.
      }
    };
    signal.addEventListener('abort', close);
    send(': open\n\n');
    void look();
  };
  const size = (piece: Uint8Array | undefined) => piece?.byteLength ?? 0;
  return new ReadableStream<Uint8Array>({ start, cancel: () => close() }, { highWaterMark: 0, size });
}
