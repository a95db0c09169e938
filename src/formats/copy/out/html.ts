import type { Kind, OutBlock } from '@/core/handoff/reading/outline';
import { blocksHtml, type Dress } from '../../html/blocks';
import { escaped } from '../../markup';

const CLASSES: Partial<Record<Kind, string>> = { standfirst: 'standfirst', byline: 'byline', caption: 'caption' };

const PLAIN: Dress = {
  tags: { headline: 'h1', heading: 'h2', standfirst: 'p', byline: 'p', paragraph: 'p', quotation: 'p', caption: 'p' },
  classOf: ({ kind, list }) => (list ? '' : (CLASSES[kind] ?? '')),
};

/** Blocks as a page of HTML (WHATWG): what they are, nothing of what they look like. */
export const writeHtml = (title: string, language: string, blocks: readonly OutBlock[]): string =>
  `<!DOCTYPE html>\n<html lang="${escaped(language)}">\n<head><meta charset="utf-8"><title>${escaped(title)}</title></head>\n<body>\n${blocksHtml(blocks, PLAIN)}\n</body>\n</html>\n`;
