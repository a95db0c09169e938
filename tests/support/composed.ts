import { docOf } from '@/core/records/body';
import type { Composed } from '@/core/compose/composer';
import { type Line, runWidth, type TextItem } from '@/core/compose/displayList/displayList';
import { lineText } from '@/core/compose/displayList/lineText';
import { bodySchema } from '@/core/records/bodySchema';
import type { CharacterProperties } from '@/core/records/characterStyle';
import type { DocumentRecord } from '@/core/records/index';
import type { ParagraphProperties } from '@/core/records/paragraphStyle';
import type { Mark, Node } from 'prosemirror-model';
import { fieldOf, paragraphOf, textOf } from '@/core/records/body';
import type { CellAttrs, FieldAttrs, FigureAttrs, ParagraphAttrs, TableAttrs } from '@/core/records/text';
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
  content: readonly Node[],
  styles: readonly DocumentRecord[] = [],
  frame: Partial<TextContent> = {},
  box = { x: 50, y: 48, w: 300, h: 504 },
): DocumentRecord[] {
  return [...baseRecords(), ...styles, textRecord('text', docOf(content)), textFrame('f', 'text', 'p1', box, frame)];
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

export const paragraph = (style: string, content: string | readonly Node[], attrs: Partial<ParagraphAttrs> = {}): Node =>
  paragraphOf({ style, ...attrs }, typeof content === 'string' ? (content === '' ? [] : [textOf(content)]) : content);

export const text = (of: string, ...marks: readonly Mark[]): Node => textOf(of, marks);

export const field = (name: FieldAttrs['name'], of?: string): Node => fieldOf({ name, of });

/** Right edge of what is set in a line. */
export const rightOf = (line: Line): number => Math.max(...line.runs.map((run) => line.x + run.x + runWidth(run, line)));

export { markOf as mark } from '@/core/records/body';

export const figure = (attrs: FigureAttrs): Node => bodySchema.node('figure', attrs);

export const cellOf = (content: readonly Node[], attrs: CellAttrs = {}): Node => bodySchema.node('cell', attrs, [...content]);

export const tableOf = (rows: readonly (readonly Node[])[], attrs: TableAttrs): Node =>
  bodySchema.node(
    'table',
    attrs,
    rows.map((cells) => bodySchema.node('row', null, [...cells])),
  );
