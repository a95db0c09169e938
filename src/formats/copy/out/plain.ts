import type { OutBlock, OutParagraph } from '@/core/handoff/reading/outline';

/** Blocks as plain text: paragraphs with an empty line between them, cells of tables with tabs. */
export function writePlain(blocks: readonly OutBlock[]): string {
  return `${blocks
    .map((block) =>
      block.is === 'table'
        ? block.rows.map((cells) => cells.map(({ paragraphs }) => paragraphs.map(wordsOf).join(' ')).join('\t')).join('\n')
        : wordsOf(block),
    )
    .join('\n\n')}\n`;
}

function wordsOf({ runs, list }: OutParagraph): string {
  const words = runs.map((run) => (run.isBreak ? '\n' : run.words)).join('');
  if (!list) return words;
  return `${'  '.repeat(list.level)}${list.kind === 'number' ? `${list.number ?? 1}.` : '•'} ${words}`;
}
