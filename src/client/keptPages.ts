/** Small pages of a document as they were last drawn, at a state of it. */
export interface Kept {
  readonly seq: number;
  readonly pages: ReadonlyMap<string, ImageData>;
}

const SHELF = 'small-pages';
const place = (document: string): string => `/kept/small-pages/${document}`;

/** What is said of the pixels, which lie one page behind the other. */
interface Contents {
  readonly seq: number;
  readonly pages: readonly { readonly page: string; readonly width: number; readonly height: number }[];
}

/**
 * Keeps small pages in the browser, so that a flatplan that is opened again shows them before anything is composed.
 * They hold for one state of the document, by number of change: of another they are not shown.
 */
export async function keepPages(document: string, { seq, pages }: Kept): Promise<void> {
  if (!('caches' in globalThis)) return;
  const contents: Contents = {
    seq,
    pages: [...pages].map(([page, { width, height }]) => ({ page, width, height })),
  };
  const head = new TextEncoder().encode(JSON.stringify(contents));
  const length = new Uint32Array([head.length]);
  const body = new Blob([length, head, ...[...pages.values()].map(({ data }) => data as BlobPart)]);
  await (await caches.open(SHELF)).put(place(document), new Response(body));
}

/** Small pages that were kept of a document, and the state they hold for; undefined where none were. */
export async function keptPages(document: string): Promise<Kept | undefined> {
  if (!('caches' in globalThis)) return undefined;
  const found = await (await caches.open(SHELF)).match(place(document));
  if (!found) return undefined;
  const bytes = await found.arrayBuffer();
  const length = new Uint32Array(bytes, 0, 1)[0]!;
  const contents = JSON.parse(new TextDecoder().decode(new Uint8Array(bytes, 4, length))) as Contents;
  const pages = new Map<string, ImageData>();
  let at = 4 + length;
  for (const { page, width, height } of contents.pages) {
    const size = 4 * width * height;
    pages.set(page, new ImageData(new Uint8ClampedArray(bytes, at, size), width, height));
    at += size;
  }
  return { seq: contents.seq, pages };
}
