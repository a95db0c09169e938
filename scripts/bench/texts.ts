import { readFile } from 'node:fs/promises';
import { BODY } from '../../demo/longspar/house';
import { readMarkdown } from '@/formats/copy/markdown';
import { plainBody } from '@/core/records/body';
import { documentOf, type Document } from '@/core/records/document';
import type { DocumentRecord, TextRecord } from '@/core/records/index';
import type { ParagraphProperties } from '@/core/records/paragraphStyle';

const STORIES = ['the-spar-remembers', 'what-the-gust-meter-heard', 'forty-makers-no-agreement', 'from-the-bench'];

/** Paragraphs of the demo's stories, one after another and from the beginning again, until there are `words` words. */
export async function passage(words: number): Promise<string[]> {
  const pool: string[] = [];
  for (const name of STORIES) {
    const { blocks } = readMarkdown(await readFile(`demo/longspar/stories/${name}.md`, 'utf8'));
    for (const { content } of blocks.slice(3)) pool.push(content.map((node) => node.text ?? '').join(''));
  }
  const out: string[] = [];
  for (let count = 0, i = 0; count < words; i++) {
    const text = pool[i % pool.length]!;
    out.push(text);
    count += text.split(' ').length;
  }
  return out;
}

/** The page that both sides set: A4, three columns of 56.7 mm, 9.3 on 12.5 pt, the demo's serif. */
export const PAGE = {
  width: 595,
  height: 842,
  margin: 42,
  columns: 3,
  gutter: 14,
  size: 9.3,
  leading: 12.5,
  face: 'SourceSerif4-400',
} as const;

export const AREA = {
  x: PAGE.margin,
  y: PAGE.margin,
  w: PAGE.width - 2 * PAGE.margin,
  h: Math.floor((PAGE.height - 2 * PAGE.margin) / PAGE.leading) * PAGE.leading,
};

/** Words that a page of that grid holds, generously counted, so that there are always pages enough. */
const WORDS_A_PAGE = 650;

/** A document with one text of these paragraphs, threaded over as many pages as it needs. */
export function threaded(paragraphs: readonly string[], style: Partial<ParagraphProperties> = {}): Document {
  const words = paragraphs.reduce((sum, each) => sum + each.split(' ').length, 0);
  const pages = Math.ceil(words / WORDS_A_PAGE) + 1;
  const order = (i: number) => `a${String(i).padStart(4, '0')}5`;
  const text: TextRecord = { id: 'text', kind: 'text', role: 'body', body: plainBody('body', ...paragraphs) };
  return documentOf([
    {
      id: 'issue',
      kind: 'issue',
      publication: 'Longspar',
      number: '14',
      season: 'Winter',
      date: '2026-12-04',
      language: 'en-US',
    },
    {
      id: 'format',
      kind: 'format',
      width: PAGE.width,
      height: PAGE.height,
      bleed: 9,
      safe: 12,
      facing: true,
      firstSide: 'right',
      baseline: { step: PAGE.leading, offset: 0 },
    },
    {
      id: 'master',
      kind: 'master',
      name: 'Text',
      margins: { top: PAGE.margin, bottom: PAGE.margin, inner: PAGE.margin, outer: PAGE.margin },
      columns: PAGE.columns,
      gutter: PAGE.gutter,
      textSpan: 1,
    },
    { id: 'ink', kind: 'swatch', name: 'Ink', cmyk: [0, 0, 0, 1] },
    {
      id: 'body',
      kind: 'paragraphStyle',
      name: 'Body',
      properties: { ...BODY, firstIndent: 0, figures: 'usual', ...style },
    },
    text,
    ...Array.from({ length: pages }, (_, i): DocumentRecord[] => [
      { id: `p${i}`, kind: 'page', order: order(i), master: 'master' },
      {
        id: `f${i}`,
        kind: 'frame',
        on: `p${i}`,
        side: 'both',
        box: AREA,
        order: 'a5',
        content: {
          type: 'text',
          text: 'text',
          order: order(i),
          columns: PAGE.columns,
          gutter: PAGE.gutter,
          inset: 0,
          grows: false,
          ignoresWraps: false,
          align: 'top',
        },
        wrap: { mode: 'none', standOff: 0, outline: 'alpha' },
      },
    ]).flat(),
  ]);
}
