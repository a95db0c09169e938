import type { OutBlock, OutTable, Run } from '@/core/handoff/reading/outline';

/** Blocks as Markdown (CommonMark, with tables as GitHub Flavored Markdown has them). */
export function writeMarkdown(blocks: readonly OutBlock[]): string {
  const out: string[] = [];
  let wasList = false;
  for (const block of blocks) {
    const isList = block.is === 'paragraph' && block.list !== undefined;
    if (out.length > 0) out.push(isList && wasList ? '\n' : '\n\n');
    wasList = isList;
    out.push(block.is === 'table' ? tableOf(block) : paragraphOf(block));
  }
  return `${out.join('')}\n`;
}

function paragraphOf(block: Extract<OutBlock, { is: 'paragraph' }>): string {
  const words = inline(block.runs, '  \n');
  if (block.list) {
    const { kind, level, number } = block.list;
    return `${'    '.repeat(level)}${kind === 'number' ? `${number ?? 1}.` : '-'} ${words.replace(/\n/g, `\n${'    '.repeat(level + 1)}`)}`;
  }
  switch (block.kind) {
    case 'headline':
      return `# ${inline(block.runs, ' ')}`;
    case 'heading':
      return `## ${inline(block.runs, ' ')}`;
    case 'standfirst':
      return `**${inline(block.runs, ' ')}**`;
    case 'quotation':
      return `> ${words.replace(/\n/g, '\n> ')}`;
    case 'caption':
      return `*${inline(block.runs, ' ')}*`;
    default:
      // A line that only looks like a heading or list is none.
      return words.replace(/^(\s*)([#>+-]|\d+[.)])/, '$1\\$2');
  }
}

function tableOf({ head, rows }: OutTable): string {
  const line = (cells: OutTable['rows'][number]): string =>
    `| ${cells
      .flatMap(({ paragraphs, across }) => [
        paragraphs.map(({ runs }) => inline(runs, '<br>').replaceAll('|', '\\|')).join('<br>'),
        ...Array.from({ length: across - 1 }, () => ''),
      ])
      .join(' | ')} |`;
  const columns = Math.max(...rows.map((cells) => cells.reduce((sum, { across }) => sum + across, 0)));
  const first = head > 0 ? line(rows[0]!) : `|${'  |'.repeat(columns)}`;
  return [first, `|${' --- |'.repeat(columns)}`, ...rows.slice(head > 0 ? 1 : 0).map(line)].join('\n');
}

const literal = (words: string): string => words.replace(/([\\`*_[\]<>~])/g, '\\$1');

/** Marks stand close to letters: what is blank at the ends of a stretch stands outside them. */
function inline(runs: readonly Run[], lineBreak: string): string {
  return runs
    .map(({ words, strong, emphasis, link, isBreak }) => {
      if (isBreak) return lineBreak;
      const [, before, inner, after] = /^(\s*)([\s\S]*?)(\s*)$/.exec(words)!;
      if (!inner) return words;
      let out = literal(inner);
      if (emphasis) out = `*${out}*`;
      if (strong) out = `**${out}**`;
      if (link !== undefined) out = `[${out}](<${link.replace(/[<>]/g, '')}>)`;
      return before + out + after;
    })
    .join('');
}
