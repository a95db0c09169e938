import type { Composed } from '@/core/compose/compose';
import { type Line, runWidth, type TextItem } from '@/core/compose/displayList';
import { lineText } from '@/core/compose/lineText';
import type { CharacterProperties } from '@/core/records/characterStyle';
import type { DocumentRecord } from '@/core/records/index';
import type { ParagraphProperties } from '@/core/records/paragraphStyle';
import type { BlockNode, InlineNode, ParagraphNode } from '@/core/records/text';
import type { TextContent } from '@/core/records/frame';
import { baseRecords, document, textFrame, textRecord } from './documents';
import { composerFor } from './faces';

/** Composes records and gives what is asked of them in tests. */
export async function composed(...records: DocumentRecord[]) {
  const doc = document(...records);
  const { composer, shaper } = await composerFor(doc);
  const result = composer.compose(doc);
  return { doc, composer, shaper, result, ...looks(result) };
}

export function looks({ pages, fits }: Composed) {
  const items = (text = 'text') =>
    pages.flatMap((page) => page.items.filter((item): item is TextItem => item.type === 'text' && item.text === text));
  const lines = (text = 'text'): Line[] => items(text).flatMap((item) => item.columns.flatMap((column) => column.lines));
  return { pages, fits, items, lines, texts: (text = 'text') => lines(text).map(lineText) };
}

/** One text in one frame of page 1, in styles of its own. */
export function oneText(
  content: readonly BlockNode[],
  styles: readonly DocumentRecord[] = [],
  frame: Partial<TextContent> = {},
  box = { x: 50, y: 48, w: 300, h: 504 },
): DocumentRecord[] {
  return [...baseRecords(), ...styles, textRecord('text', { type: 'doc', content }), textFrame('f', 'text', 'p1', box, frame)];
}

export const paragraphStyle = (id: string, properties: Partial<ParagraphProperties>, basedOn = 'body'): DocumentRecord => ({
  id,
  kind: 'paragraphStyle',
  name: id,
  basedOn,
  properties,
});

export const characterStyle = (id: string, properties: Partial<CharacterProperties>, basedOn?: string): DocumentRecord => ({
  id,
  kind: 'characterStyle',
  name: id,
  ...(basedOn ? { basedOn } : {}),
  properties,
});

export const paragraph = (
  style: string,
  content: string | readonly InlineNode[],
  attrs: Partial<ParagraphNode['attrs']> = {},
): ParagraphNode => ({
  type: 'paragraph',
  attrs: { style, ...attrs },
  ...(content.length > 0 ? { content: typeof content === 'string' ? [{ type: 'text', text: content }] : content } : {}),
});

export const text = (of: string, ...marks: NonNullable<InlineNode['marks']>): InlineNode => ({
  type: 'text',
  text: of,
  ...(marks.length > 0 ? { marks } : {}),
});

/** Right edge of what is set in a line. */
export const rightOf = (line: Line): number => Math.max(...line.runs.map((run) => line.x + run.x + runWidth(run, line)));
