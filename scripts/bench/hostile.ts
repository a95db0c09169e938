import { filtersOverFilters, unpacksTo150MB } from '../../tests/support/foreignFiles';
import { storeIssue } from './store';
import { passage, threaded } from './texts';

const ISSUE = 'bench-others';

/** An issue of a few pages, for those who work while files are read. */
export async function storeSmallIssue(): Promise<void> {
  await storeIssue(ISSUE, 'Short', threaded(await passage(800)));
}

/** Milliseconds that requests of others take, one after another, while files are read that are made to stop a server. */
export async function whileHostile(origin: string): Promise<{ alone: number[]; beside: number[] }> {
  const send = (kind: 'copy' | 'pictures', name: string, content: Uint8Array | string) => {
    const form = new FormData();
    form.append('file', new File([content as BlobPart], name));
    return fetch(`${origin}/api/imports/${kind}`, { method: 'POST', body: form }).then((response) => response.text());
  };
  const request = async () => {
    const from = performance.now();
    await (await fetch(`${origin}/api/documents/${ISSUE}`)).text();
    return performance.now() - from;
  };
  const alone: number[] = [];
  for (let i = 0; i < 200; i++) alone.push(await request());
  const bomb = await unpacksTo150MB();
  let over = false;
  const work = Promise.all([
    send('copy', 'bomb.docx', bomb),
    send('copy', 'lines.txt', `a${'\n'.repeat(60_000)}b`),
    ...[1, 2, 3].map((n) => send('pictures', `filters-${n}.svg`, filtersOverFilters())),
  ]).finally(() => (over = true));
  const beside: number[] = [];
  while (!over) beside.push(await request());
  await work;
  return { alone: alone.slice(50), beside };
}
