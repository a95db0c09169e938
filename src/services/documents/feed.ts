import { announcements } from '@/store/announcements';
import { changesAfter, documentHead } from '@/store/documents';

/** A comment is sent this often, so that a dead connection is noticed. */
const HEARTBEAT = 20_000;

/**
 * The changes of a document from `after` on, as they come, as a stream of server-sent events (WHATWG HTML, 9.2). Every
 * event's id is the change's number, so a browser that lost the connection goes on where it was.
 *
 * @throws NoSuchDocumentError
 */
export async function changeFeed(document: string, after: number, signal: AbortSignal): Promise<ReadableStream<Uint8Array>> {
  await documentHead(document);
  const encoder = new TextEncoder();
  let close = () => undefined as void;
  return new ReadableStream<Uint8Array>({
    start(controller) {
      let at = after;
      let busy = false;
      let again = false;
      let closed = false;
      const send = (text: string) => {
        if (!closed) controller.enqueue(encoder.encode(text));
      };
      const look = async () => {
        if (busy) {
          again = true;
          return;
        }
        busy = true;
        try {
          do {
            again = false;
            for (const change of await changesAfter(document, at)) {
              at = change.seq;
              send(`id: ${change.seq}\ndata: ${JSON.stringify(change)}\n\n`);
            }
          } while (again && !closed);
        } catch {
          // The database is away: the announcements tell when it is back.
        } finally {
          busy = false;
        }
      };
      const stop = announcements().subscribe(document, (seq) => {
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
    },
    cancel() {
      close();
    },
  });
}
