import type { Node } from 'prosemirror-model';
import { type BodyJson, countWords, docOf, paragraphOf } from '@/core/records/body';
import { cutTo } from '@/core/records/plain';
import type { Block } from './blocks';

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
  const words = paragraphs.reduce((sum, paragraph) => sum + countWords(wordsOf(paragraph.content.content)), 0);
  return { name: cutTo(headline, 200), headline, body: docOf(paragraphs).toJSON() as BodyJson, words };
}

/** Copy as paragraphs of running text; what follows a heading, and the first of all, has no indent. */
export function bodyBlocks(blocks: readonly Block[]): Node[] {
  const paragraphs: Node[] = [];
  let fresh = true;
  for (const block of blocks) {
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

const wordsOf = (nodes: readonly Node[]): string => nodes.map((node) => node.text ?? ' ').join('');
