import type { Node } from 'prosemirror-model';
import { fieldValue } from '@/core/page/fields';
import { storyParts, storyPictures } from '@/core/plan/storyParts';
import type { Document } from '@/core/records/document';
import type { StoryRecord } from '@/core/records/index';
import type { FieldAttrs, ListAttrs, TableAttrs } from '@/core/records/text';
import { styleKind } from './styleKind';

/** A stretch of letters as it goes out. */
export interface Run {
  readonly words: string;
  readonly strong?: boolean;
  readonly emphasis?: boolean;
  readonly position?: 'superscript' | 'subscript' | undefined;
  readonly link?: string | undefined;
  /** It is a line break instead. */
  readonly isBreak?: boolean;
}

/** What a paragraph is, as other programs have names for. */
export type Kind = 'headline' | 'standfirst' | 'byline' | 'heading' | 'paragraph' | 'quotation' | 'caption';

export interface OutParagraph {
  readonly is: 'paragraph';
  readonly kind: Kind;
  readonly list?: ListAttrs | undefined;
  readonly runs: readonly Run[];
}

export interface OutCell {
  readonly paragraphs: readonly OutParagraph[];
  readonly across: number;
  readonly down: number;
}

export interface OutTable {
  readonly is: 'table';
  readonly head: number;
  readonly rows: readonly (readonly OutCell[])[];
}

export type OutBlock = OutParagraph | OutTable;

/** A story as it goes out: its parts in the order in which they are read, with the words of its pictures at the end. */
export function outline(document: Document, story: StoryRecord): OutBlock[] {
  const place = { number: 1, story: story.id };
  const field = (attrs: FieldAttrs) => fieldValue(document, attrs, place);
  const blocks = storyParts(document, story).flatMap(({ text }): OutBlock[] => {
    const kind: Kind | undefined =
      text.role === 'headline' || text.role === 'standfirst' || text.role === 'byline'
        ? text.role
        : text.role === 'body'
          ? undefined
          : text.role === 'quote'
            ? 'quotation'
            : 'caption';
    return text.body.content.content.flatMap((node) => blockOf(document, node, kind, field));
  });
  const captions = storyPictures(document, story).flatMap(({ caption, credit }): OutBlock[] => {
    const words = [caption, credit].filter(Boolean).join(' ');
    return words ? [{ is: 'paragraph', kind: 'caption', runs: [{ words }] }] : [];
  });
  return [...blocks.filter((block) => block.is === 'table' || block.runs.length > 0), ...captions];
}

function blockOf(document: Document, node: Node, kind: Kind | undefined, field: (attrs: FieldAttrs) => string): OutBlock[] {
  if (node.type.name === 'table') {
    const { headerRows } = node.attrs as TableAttrs;
    const rows = node.content.content.map((row) =>
      row.content.content.map((cell): OutCell => ({
        across: (cell.attrs['across'] as number | undefined) ?? 1,
        down: (cell.attrs['down'] as number | undefined) ?? 1,
        paragraphs: cell.content.content.map((each) => paragraphOut(each, 'paragraph', field)),
      })),
    );
    return [{ is: 'table', head: headerRows, rows }];
  }
  if (node.type.name !== 'paragraph') return [];
  const style = node.attrs['style'] as string;
  return [paragraphOut(node, kind ?? styleKind(document, style) ?? 'paragraph', field)];
}

function paragraphOut(node: Node, kind: Kind, field: (attrs: FieldAttrs) => string): OutParagraph {
  const runs = node.content.content.map((child): Run => {
    const names = new Set(child.marks.map(({ type }) => type.name));
    const link = child.marks.find(({ type }) => type.name === 'link')?.attrs['href'] as string | undefined;
    const looks = {
      ...(names.has('strong') ? { strong: true } : {}),
      ...(names.has('emphasis') ? { emphasis: true } : {}),
      ...(names.has('superscript')
        ? { position: 'superscript' as const }
        : names.has('subscript')
          ? { position: 'subscript' as const }
          : {}),
      ...(link === undefined ? {} : { link }),
    };
    if (child.type.name === 'lineBreak') return { words: '', isBreak: true };
    return { words: child.text ?? (child.type.name === 'field' ? field(child.attrs as FieldAttrs) : ''), ...looks };
  });
  return {
    is: 'paragraph',
    kind,
    list: node.attrs['list'] as ListAttrs | undefined,
    runs: runs.filter(({ words, isBreak }) => words !== '' || isBreak),
  };
}
