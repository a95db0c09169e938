import { lineBreak, textOf } from '@/core/records/body';
import type { Block } from './blocks';

/**
 * What a single line end of plain text means: nothing, since lines were broken to a width; the end of a paragraph; or
 * the end of a line that is to stay one, as in an address or a poem.
 */
export const LINE_ENDS = ['joined', 'paragraphs', 'lines'] as const;
export type LineEnds = (typeof LINE_ENDS)[number];

/** Characters from which on a line may have been broken to a width: the narrowest letter or mail is not narrower. */
const BROKEN = 45;

/** Share of the longest line that a line has which was broken because the next word did not fit. */
const NEARLY_FULL = 0.7;

/** A line longer than this was broken to no width: it is a paragraph. */
const LONGEST = 130;

/** What line ends of a text mean, by its shape. */
export function guessedLineEnds(text: string): LineEnds {
  const lines = linesOf(text);
  const runs = runsOf(lines);
  // What stands before another line was broken there; what stands last says nothing.
  const broken = runs.flatMap((run) => run.slice(0, -1));
  if (broken.length === 0) return 'joined';
  const longest = Math.max(...lines.map(({ length }) => length));
  const isWidth = longest >= BROKEN && longest <= LONGEST;
  const full = broken.filter(({ length }) => length >= longest * NEARLY_FULL).length;
  if (isWidth && full > broken.length / 2) return 'joined';
  const isParted = runs.length > 1;
  return isParted && longest < LONGEST ? 'lines' : 'paragraphs';
}

/**
 * Reads plain text as copy. Empty lines part paragraphs; a form feed starts a new page.
 *
 * @param ends what a single line end means; guessed where it is not said
 */
export function readPlainText(text: string, ends: LineEnds = guessedLineEnds(text)): Block[] {
  const blocks: Block[] = [];
  const whole = text.replace(/\r\n?/g, '\n');
  whole.split('\f').forEach((page, number) => {
    const lines = page.split('\n').map((line) =>
      line
        .trim()
        .replace(/[ \t]*\t[ \t]*/g, '\t')
        .replace(/ {2,}/g, ' '),
    );
    const runs = runsOf(lines);
    const longest = Math.max(0, ...lines.map(({ length }) => length));
    const paragraphs = runs.flatMap((run): string[][] => {
      if (ends === 'paragraphs') return run.map((line) => [line]);
      if (ends === 'lines') return [run];
      return (runs.length > 1 ? [run] : endedByShortLines(run, longest)).map((own) => [own.join(' ')]);
    });
    paragraphs.forEach((own, i) => {
      const content = own.flatMap((line, l) => (l > 0 ? [lineBreak(), textOf(line)] : [textOf(line)]));
      blocks.push({ kind: 'paragraph', level: 0, ...(number > 0 && i === 0 ? { startIn: 'page' as const } : {}), content });
    });
  });
  return blocks;
}

const linesOf = (text: string): string[] =>
  text
    .replace(/\r\n?/g, '\n')
    .split(/[\n\f]/)
    .map((line) => line.trim());

/** Lines without empty ones between them. */
function runsOf(lines: readonly string[]): string[][] {
  const runs: string[][] = [];
  let run: string[] = [];
  for (const line of [...lines, '']) {
    if (line !== '') run.push(line);
    else if (run.length > 0) {
      runs.push(run);
      run = [];
    }
  }
  return runs;
}

/** A text without empty lines has the ends of its paragraphs where a line stops short behind a full stop. */
function endedByShortLines(run: readonly string[], longest: number): string[][] {
  const out: string[][] = [];
  let own: string[] = [];
  for (const line of run) {
    own.push(line);
    const isShort = line.length < longest * NEARLY_FULL;
    if (isShort && (/[.!?…:"”’)]$/.test(line) || out.length === 0)) {
      out.push(own);
      own = [];
    }
  }
  return own.length > 0 ? [...out, own] : out;
}
