import { Parser } from 'htmlparser2';
import type { InlineNode, Mark } from '@/core/records/text';
import type { Block } from './blocks';

const MARKS: Readonly<Record<string, Mark['type']>> = {
  em: 'emphasis',
  i: 'emphasis',
  cite: 'emphasis',
  strong: 'strong',
  b: 'strong',
  sup: 'superscript',
  sub: 'subscript',
};

const BLOCKS = new Set(['p', 'div', 'li', 'blockquote', 'td', 'th', 'tr', 'pre', 'section', 'article', 'figcaption', 'dt', 'dd']);
const SILENT = new Set(['script', 'style', 'head', 'title', 'template', 'noscript']);

/** Nested deeper than this, a list stays at its level: no page shows more. */
const DEEPEST = 8;

/**
 * Reads HTML as copy: headings, paragraphs, lists, emphasis, links, line breaks; `<hr class="page">` and
 * `<hr class="column">` start the next paragraph in a new page or column. Everything else gives its text.
 */
export function readHtml(html: string): Block[] {
  const blocks: Block[] = [];
  const marks: Mark[] = [];
  const lists: { kind: 'bullet' | 'number'; next: number }[] = [];
  let silent = 0;
  let quoted = 0;
  let heading = 0;
  let item: Block['list'];
  let startIn: Block['startIn'];
  let content: InlineNode[] = [];

  const flush = () => {
    const inline = trimmed(content);
    content = [];
    if (inline.length === 0) return;
    blocks.push({
      kind: heading > 0 ? 'heading' : quoted > 0 ? 'quotation' : 'paragraph',
      level: heading,
      list: item,
      startIn,
      content: inline,
    });
    startIn = undefined;
  };

  const parser = new Parser(
    {
      onopentag(name, attributes) {
        if (SILENT.has(name)) silent++;
        else if (/^h[1-6]$/.test(name)) {
          flush();
          heading = Number(name[1]);
        } else if (name === 'ul' || name === 'ol') {
          flush();
          lists.push({ kind: name === 'ol' ? 'number' : 'bullet', next: Number(attributes['start'] ?? 1) || 1 });
        } else if (name === 'hr') {
          flush();
          if (attributes['class'] === 'page' || attributes['class'] === 'column') startIn = attributes['class'];
        } else if (name === 'br') content.push({ type: 'lineBreak' });
        else if (BLOCKS.has(name)) {
          flush();
          if (name === 'blockquote') quoted++;
          if (name === 'li') {
            const list = lists.at(-1) ?? { kind: 'bullet', next: 1 };
            const level = Math.min(DEEPEST, Math.max(0, lists.length - 1));
            item = list.kind === 'number' ? { kind: 'number', level, number: list.next++ } : { kind: 'bullet', level };
          }
        }
        const mark = MARKS[name];
        if (mark) marks.push({ type: mark });
        if (name === 'a') marks.push({ type: 'link', attrs: { href: attributes['href'] ?? '' } });
      },
      ontext(text) {
        if (silent > 0) return;
        const plain = text.replace(/[ \t\r\n]+/g, ' ');
        if (plain === '') return;
        const own = marks.filter((mark) => mark.type !== 'link' || mark.attrs!.href !== '');
        const distinct = own.filter((mark, i) => own.findIndex((each) => each.type === mark.type) === i);
        content.push({ type: 'text', text: plain, ...(distinct.length > 0 ? { marks: distinct } : {}) });
      },
      onclosetag(name) {
        if (SILENT.has(name)) silent = Math.max(0, silent - 1);
        else if (/^h[1-6]$/.test(name)) {
          flush();
          heading = 0;
        } else if (name === 'ul' || name === 'ol') {
          flush();
          lists.pop();
          item = undefined;
        } else if (BLOCKS.has(name)) {
          flush();
          if (name === 'blockquote') quoted = Math.max(0, quoted - 1);
          if (name === 'li') item = undefined;
        }
        if (MARKS[name] || name === 'a') {
          const type = MARKS[name] ?? 'link';
          const last = marks.findLastIndex((mark) => mark.type === type);
          if (last >= 0) marks.splice(last, 1);
        }
      },
    },
    { decodeEntities: true },
  );
  parser.write(html);
  parser.end();
  flush();
  return blocks;
}

/** Inline nodes without white space at either end or doubled between two nodes, and neighbours alike joined. */
function trimmed(nodes: readonly InlineNode[]): InlineNode[] {
  const out: InlineNode[] = [];
  let afterSpace = true;
  for (const node of nodes) {
    if (node.type !== 'text') {
      out.push(node);
      afterSpace = true;
      continue;
    }
    const text: string = afterSpace ? node.text!.replace(/^ +/, '') : node.text!;
    if (text === '') continue;
    afterSpace = text.endsWith(' ');
    const last = out.at(-1);
    if (last?.type === 'text' && JSON.stringify(last.marks) === JSON.stringify(node.marks))
      out[out.length - 1] = { ...last, text: last.text! + text };
    else out.push({ ...node, text });
  }
  while (out.length > 0) {
    const last = out[out.length - 1]!;
    if (last.type === 'lineBreak') out.pop();
    else if (last.type === 'text' && last.text!.endsWith(' ')) {
      out.pop();
      const text = last.text!.trimEnd();
      if (text !== '') out.push({ ...last, text });
    } else break;
  }
  return out;
}
