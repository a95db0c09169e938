import MarkdownIt from 'markdown-it';
import footnotes from 'markdown-it-footnote';
import type { Copy } from './blocks';
import { readHtml } from './html';

const reader = new MarkdownIt({ html: false, linkify: false, typographer: false, breaks: false }).use(footnotes);

/** Reads Markdown (CommonMark, with tables, struck letters and notes) as copy. HTML inside it is taken as the characters it is. */
export function readMarkdown(text: string): Copy {
  return readHtml(reader.render(text));
}
