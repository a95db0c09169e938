import MarkdownIt from 'markdown-it';
import type { Block } from './blocks';
import { readHtml } from './html';

const reader = new MarkdownIt({ html: false, linkify: false, typographer: false, breaks: false });

/** Reads Markdown (CommonMark) as copy. HTML inside it is taken as the characters it is. */
export function readMarkdown(text: string): Block[] {
  return readHtml(reader.render(text));
}
