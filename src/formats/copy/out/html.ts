import { escaped } from '@/formats/markup';
import type { Kind, OutBlock, OutParagraph, OutTable, Run } from './outline';

const TAGS: Readonly<Record<Kind, readonly [open: string, close: string]>> = {
  headline: ['<h1>', '</h1>'],
  standfirst: ['<p class="standfirst">', '</p>'],
  byline: ['<p class="byline">', '</p>'],
  heading: ['<h2>', '</h2>'],
  paragraph: ['<p>', '</p>'],
  quotation: ['<blockquote><p>', '</p></blockquote>'],
  caption: ['<p class="caption">', '</p>'],
};

/** Blocks as a page of HTML (WHATWG): what they are, nothing of what they look like. */
export function writeHtml(title: string, language: string, blocks: readonly OutBlock[]): string {
  return `<!DOCTYPE html>\n<html lang="${escaped(language)}">\n<head><meta charset="utf-8"><title>${escaped(title)}</title></head>\n<body>\n${htmlOf(blocks)}\n</body>\n</html>\n`;
}

function htmlOf(blocks: readonly OutBlock[]): string {
  const out: string[] = [];
  const lists: ('ul' | 'ol')[] = [];
  const toDepth = (depth: number, tag?: 'ul' | 'ol') => {
    while (lists.length > depth || (tag && lists.length === depth && lists.at(-1) !== tag)) out.push(`</li></${lists.pop()}>`);
  };
  for (const block of blocks) {
    if (block.is === 'table' || !block.list) {
      toDepth(0);
      out.push(block.is === 'table' ? tableOf(block) : paragraphOf(block));
      continue;
    }
    const tag = block.list.kind === 'number' ? 'ol' : 'ul';
    const depth = block.list.level + 1;
    toDepth(depth, tag);
    if (lists.length === depth) out.push('</li>');
    while (lists.length < depth) {
      const start =
        lists.length === depth - 1 && tag === 'ol' && (block.list.number ?? 1) !== 1 ? ` start="${block.list.number}"` : '';
      out.push(`<${tag}${start}>${lists.length < depth - 1 ? '<li>' : ''}`);
      lists.push(tag);
    }
    out.push(`<li>${inline(block.runs)}`);
  }
  toDepth(0);
  return out.join('\n');
}

const paragraphOf = ({ kind, runs }: OutParagraph): string => TAGS[kind].join(inline(runs));

function tableOf({ head, rows }: OutTable): string {
  const row = (cells: OutTable['rows'][number], tag: 'th' | 'td') =>
    `<tr>${cells
      .map(({ paragraphs, across, down }) => {
        const spans = `${across > 1 ? ` colspan="${across}"` : ''}${down > 1 ? ` rowspan="${down}"` : ''}`;
        return `<${tag}${spans}>${paragraphs.length === 1 ? inline(paragraphs[0]!.runs) : htmlOf(paragraphs)}</${tag}>`;
      })
      .join('')}</tr>`;
  const heads = rows.slice(0, head).map((cells) => row(cells, 'th'));
  const body = rows.slice(head).map((cells) => row(cells, 'td'));
  return `<table>${heads.length > 0 ? `<thead>${heads.join('')}</thead>` : ''}<tbody>${body.join('')}</tbody></table>`;
}

const inline = (runs: readonly Run[]): string =>
  runs
    .map(({ words, strong, emphasis, position, link, isBreak }) => {
      if (isBreak) return '<br>';
      let out = escaped(words);
      if (strong) out = `<strong>${out}</strong>`;
      if (emphasis) out = `<em>${out}</em>`;
      if (position) out = position === 'superscript' ? `<sup>${out}</sup>` : `<sub>${out}</sub>`;
      return link === undefined ? out : `<a href="${escaped(link)}">${out}</a>`;
    })
    .join('');
