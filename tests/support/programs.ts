import { execFile } from 'node:child_process';
import { mkdtemp, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

export interface Ran {
  readonly code: number;
  readonly out: string;
  readonly error: string;
}

/** Runs a program to its end and gives what it said. */
export function ran(program: string, args: readonly string[], env: Record<string, string> = {}): Promise<Ran> {
  return new Promise((resolve) => {
    execFile(program, args, { maxBuffer: 1 << 28, env: { ...process.env, ...env } }, (failed, out, error) =>
      resolve({ code: failed ? ((failed as { code?: number }).code ?? 1) : 0, out, error }),
    );
  });
}

export const scratch = (): Promise<string> => mkdtemp(join(tmpdir(), 'kite-'));

/** Keeps bytes in a file of its own and gives its path. */
export async function filed(name: string, bytes: Uint8Array | string): Promise<string> {
  const path = join(await scratch(), name);
  await writeFile(path, bytes);
  return path;
}

/** A word as `pdftotext -bbox` finds it, in points from the page's top left corner. */
export interface PdfWord {
  readonly page: number;
  readonly text: string;
  readonly x: number;
  readonly right: number;
  readonly top: number;
  readonly bottom: number;
}

/** The words of a PDF with their places, by poppler. */
export async function pdfWords(path: string): Promise<PdfWord[]> {
  const { out } = await ran('pdftotext', ['-bbox', path, '-']);
  const words: PdfWord[] = [];
  let page = 0;
  for (const line of out.split('\n')) {
    if (line.includes('<page ')) page++;
    const match = /<word xMin="([^"]+)" yMin="([^"]+)" xMax="([^"]+)" yMax="([^"]+)">([^<]*)<\/word>/.exec(line);
    if (match) {
      const text = match[5]!
        .replaceAll('&amp;', '&')
        .replaceAll('&lt;', '<')
        .replaceAll('&gt;', '>')
        .replaceAll('&quot;', '"')
        .replaceAll('&#39;', "'");
      words.push({ page, text, x: Number(match[1]), top: Number(match[2]), right: Number(match[3]), bottom: Number(match[4]) });
    }
  }
  return words;
}
