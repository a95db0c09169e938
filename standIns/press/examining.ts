import { execFile } from 'node:child_process';
import { mkdtemp, rm, writeFile } from 'node:fs/promises';
import { tmpdir } from 'node:os';
import { join } from 'node:path';

/** What a job says of itself, as far as a print shop holds a PDF against it. Lengths in millimetres. */
export interface Ticket {
  readonly title: string;
  readonly pages: number;
  readonly trim: { readonly width: number; readonly height: number };
  readonly bleed: number;
  readonly spotInks: readonly string[];
}

/** Something that keeps a job off the press; of a page, or of the whole file. */
export interface Problem {
  readonly page?: number;
  readonly words: string;
}

/** Millimetres that a box may be off. */
const SLACK = 0.2;
/** Pixels to the inch below which a picture is sent back. */
const LEAST_PPI = 120;

/** Looks at a PDF with the tools that print shops have (poppler, qpdf, Ghostscript), and knows nothing of how it was made. */
export async function examined(pdf: Uint8Array, ticket: Ticket): Promise<Problem[]> {
  const folder = await mkdtemp(join(tmpdir(), 'stand-in-press-'));
  try {
    const path = join(folder, 'job.pdf');
    await writeFile(path, pdf);
    if ((await ran('qpdf', ['--check', path])).code > 2) return [{ words: 'The file is no PDF, or a damaged one.' }];
    const info = (await ran('pdfinfo', [path])).out;
    const pages = Number(/^Pages:\s+(\d+)/m.exec(info)?.[1] ?? 0);
    if (pages === 0) return [{ words: 'The file is no PDF, or a damaged one.' }];
    const problems: Problem[] = [];
    if (pages !== ticket.pages) problems.push({ words: `The ticket says ${ticket.pages} pages, and the file has ${pages}.` });
    if (/^Encrypted:\s+yes/m.test(info)) problems.push({ words: 'The file is protected; it must not be.' });
    const metadata = (await ran('pdfinfo', ['-meta', path])).out;
    if (!/GTS_PDFXVersion>\s*PDF\/X/.test(metadata)) problems.push({ words: 'The file does not say that it is PDF/X.' });
    return [...problems, ...(await boxesOf(path, pages, ticket)), ...(await fontsOf(path)), ...(await picturesOf(path))];
  } finally {
    await rm(folder, { recursive: true, force: true });
  }
}

async function boxesOf(path: string, pages: number, { trim, bleed }: Ticket): Promise<Problem[]> {
  const { out } = await ran('pdfinfo', ['-box', '-f', '1', '-l', String(pages), path]);
  const problems: Problem[] = [];
  for (let page = 1; page <= pages; page++) {
    const box = (name: string) =>
      new RegExp(`^Page\\s+${page}\\s+${name}:\\s+([-\\d.]+)\\s+([-\\d.]+)\\s+([-\\d.]+)\\s+([-\\d.]+)`, 'm')
        .exec(out)
        ?.slice(1)
        .map((points) => (Number(points) / 72) * 25.4);
    const [cut, bled] = [box('TrimBox'), box('BleedBox')];
    if (!cut || !bled) {
      problems.push({ page, words: 'It has no trim box.' });
      continue;
    }
    const [width, height] = [cut[2]! - cut[0]!, cut[3]! - cut[1]!];
    if (Math.abs(width - trim.width) > SLACK || Math.abs(height - trim.height) > SLACK)
      problems.push({
        page,
        words: `It is cut to ${width.toFixed(1)} × ${height.toFixed(1)} mm, not to ${trim.width} × ${trim.height} mm.`,
      });
    const least = Math.min(cut[0]! - bled[0]!, cut[1]! - bled[1]!, bled[2]! - cut[2]!, bled[3]! - cut[3]!);
    if (least < bleed - SLACK)
      problems.push({ page, words: `It has ${Math.max(0, least).toFixed(1)} mm of bleed, not ${bleed} mm.` });
  }
  return problems;
}

async function fontsOf(path: string): Promise<Problem[]> {
  const rows = (await ran('pdffonts', [path])).out.trim().split('\n').slice(2);
  // The columns behind the encoding: embedded, subset, with its characters.
  return rows.flatMap((row) =>
    /\s(yes|no)\s+(yes|no)\s+(yes|no)\s+\d+\s+\d+\s*$/.exec(row)?.[1] === 'no'
      ? [{ words: `The font ${row.split(/\s+/)[0]} is not in the file.` }]
      : [],
  );
}

async function picturesOf(path: string): Promise<Problem[]> {
  const rows = (await ran('pdfimages', ['-list', path])).out.trim().split('\n').slice(2);
  const problems: Problem[] = [];
  for (const row of rows) {
    const [page, , type, , , color, , , , , , , xppi] = row.trim().split(/\s+/);
    if (type !== 'image') continue;
    if (color === 'rgb') problems.push({ page: Number(page), words: 'A picture is in colours of light (RGB).' });
    if (Number(xppi) > 1 && Number(xppi) < LEAST_PPI)
      problems.push({ page: Number(page), words: `A picture has ${xppi} ppi, fewer than ${LEAST_PPI}.` });
  }
  return problems;
}

function ran(program: string, args: readonly string[]): Promise<{ code: number; out: string }> {
  return new Promise((resolve) => {
    execFile(program, args, { maxBuffer: 1 << 26, timeout: 60_000 }, (failed, out) =>
      resolve({ code: failed ? Number((failed as { code?: number | string }).code ?? 1) || 3 : 0, out }),
    );
  });
}
