import type { Node } from 'prosemirror-model';
import { bodyText, type BodyJson, countWords, docOf, paragraphOf } from '@/core/records/body';
import { bodySchema } from '@/core/records/bodySchema';
import { cutTo } from '@/core/records/plain';
import type { Block, TableRows } from './blocks';

/** Copy as a story of a house: what is to be its headline, and its body in paragraph styles. */
export interface ReadStory {
  readonly name: string;
  readonly headline: string;
  readonly body: BodyJson;
  readonly words: number;
}

/** Ids of the house's paragraph styles that read copy is given. */
export const COPY_STYLES = {
  first: 'bodyFirst',
  body: 'body',
  heading: 'crosshead',
  list: 'list',
  quotation: 'quotation',
  table: 'tableText',
  tableHead: 'tableHead',
} as const;

/**
 * The first heading becomes the headline; a file without one lends its name. Body paragraphs after a heading, and
 * the first of all, take the style that has no indent.
 */
export function storyOf(fileName: string, blocks: readonly Block[]): ReadStory {
  const title = blocks[0]?.kind === 'heading' ? blocks[0] : undefined;
  const rest = title ? blocks.slice(1) : blocks;
  const fallback = fileName
    .replace(/\.[^.]+$/, '')
    .replace(/[-_]+/g, ' ')
    .trim();
  const headline = title ? wordsOf(title.content) : fallback.charAt(0).toUpperCase() + fallback.slice(1);
  const paragraphs = bodyBlocks(rest);
  if (paragraphs.length === 0) paragraphs.push(paragraphOf({ style: COPY_STYLES.first }));
  const body = docOf(paragraphs);
  return { name: cutTo(headline, 200), headline, body: body.toJSON() as BodyJson, words: countWords(bodyText(body)) };
}

/** Copy as paragraphs of running text; what follows a heading, and the first of all, has no indent. */
export function bodyBlocks(blocks: readonly Block[]): Node[] {
  const paragraphs: Node[] = [];
  let fresh = true;
  for (const block of blocks) {
    if (block.table) {
      paragraphs.push(tableOf(block.table));
      fresh = true;
      continue;
    }
    const style =
      block.kind === 'heading'
        ? COPY_STYLES.heading
        : block.list
          ? COPY_STYLES.list
          : block.kind === 'quotation'
            ? COPY_STYLES.quotation
            : fresh
              ? COPY_STYLES.first
              : COPY_STYLES.body;
    fresh = block.kind === 'heading';
    paragraphs.push(paragraphOf({ style, list: block.list, startIn: block.startIn }, block.content));
  }
  return paragraphs;
}

/** Points around what stands in a cell, and the weight of the line under a row. */
const CELL_INSET = { top: 2, right: 4, bottom: 2, left: 0 };
const ROW_RULE = { weight: 0.5, swatch: 'ink', tint: 1 };

/** Letters beyond which a column is not made wider for them. */
const WIDE = 40;

/** A table as it stands in a text: columns as wide as what is in them asks for. */
function tableOf({ head, rows }: TableRows): Node {
  const widths: number[] = [];
  const cells = rows.map((row, r) =>
    bodySchema.node(
      'row',
      null,
      row.map(({ blocks, across, down }, c) => {
        const style = r < head ? COPY_STYLES.tableHead : COPY_STYLES.table;
        const content = blocks.map((block) => paragraphOf({ style, list: block.list }, block.content));
        const longest = Math.max(4, ...blocks.map(({ content: own }) => wordsOf(own).length));
        if (across === 1) widths[c] = Math.max(widths[c] ?? 4, Math.min(WIDE, longest));
        const attrs = { ...(across > 1 ? { across } : {}), ...(down > 1 ? { down } : {}) };
        return bodySchema.node('cell', attrs, content.length > 0 ? content : [paragraphOf({ style })]);
      }),
    ),
  );
  const count = Math.min(100, Math.max(...rows.map((row) => row.reduce((sum, { across }) => sum + across, 0))));
  const columns = Array.from({ length: count }, (_, i) => ({ share: widths[i] ?? 4 }));
  const attrs = { columns, headerRows: head, inset: CELL_INSET, rules: { rows: ROW_RULE, head: { ...ROW_RULE, weight: 1 } } };
  return bodySchema.node('table', attrs, cells);
}

const wordsOf = (nodes: readonly Node[]): string => nodes.map((node) => node.text ?? ' ').join('');
