import { textOf } from '@/core/records/body';
import type { Block } from './blocks';

/**
 * Reads plain text as copy. Where empty lines part the text, they part its paragraphs and the lines between are
 * joined; a text without empty lines has a paragraph a line. A form feed starts a new page.
 */
export function readPlainText(text: string): Block[] {
  const lines = text.replace(/\r\n?/g, '\n').split('\n');
  const filled = lines.map((line) => line.trim() !== '');
  const last = filled.lastIndexOf(true);
  const parted = filled.some((is, i) => !is && i > 0 && i < last);
  const paragraphs: { text: string; page: boolean }[] = [];
  let open = '';
  let page = false;
  const flush = () => {
    if (open.trim() !== '') {
      paragraphs.push({ text: open.trim().replace(/\s+/g, ' '), page });
      page = false;
    }
    open = '';
  };
  for (const line of lines) {
    const own = line.replaceAll('\f', '');
    if (line.includes('\f')) {
      flush();
      page = true;
    }
    if (own.trim() === '') flush();
    else if (parted) open += (open === '' ? '' : ' ') + own;
    else {
      open = own;
      flush();
    }
  }
  flush();
  return paragraphs.map(({ text: own, page: fresh }) => ({
    kind: 'paragraph',
    level: 0,
    ...(fresh ? { startIn: 'page' as const } : {}),
    content: [textOf(own)],
  }));
}
