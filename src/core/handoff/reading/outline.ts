import type { Node } from 'prosemirror-model';
import { type FieldPlace, fieldValue } from '../../page/fields';
import { storyParts, storyPictures } from '../../plan/storyParts';
import type { CharacterProperties } from '../../records/characterStyle';
import type { Document } from '../../records/document';
import type { StoryRecord, TextRecord } from '../../records/index';
import type {
  FieldAttrs,
  FigureAttrs,
  InlinePictureAttrs,
  ListAttrs,
  LocalAttrs,
  ParagraphAttrs,
  TableAttrs,
} from '../../records/text';
import type { PageStart } from './pageStarts';
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
  /** The character style it is in, by id, and what is said of it by hand. */
  readonly style?: string | undefined;
  readonly local?: Partial<CharacterProperties> | undefined;
  /** The story that it speaks of, by id: an entry of a contents list. */
  readonly of?: string | undefined;
  /** It is a picture in the line instead. */
  readonly picture?: InlinePictureAttrs | undefined;
  /** It stands for no words: the page with this folio begins here. */
  readonly page?: string | undefined;
}

/** What a paragraph is, as other programs have names for. */
export type Kind = 'headline' | 'standfirst' | 'byline' | 'heading' | 'paragraph' | 'quotation' | 'caption';

export interface OutParagraph {
  readonly is: 'paragraph';
  readonly kind: Kind;
  /** The paragraph style it is in, by id. */
  readonly style?: string | undefined;
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

/** A picture between paragraphs. */
export interface OutFigure {
  readonly is: 'figure';
  readonly picture: string;
}

export type OutBlock = OutParagraph | OutTable;

/** A story as it goes out: its parts in the order in which they are read, with the words of its pictures at the end. */
export function outline(document: Document, story: StoryRecord): OutBlock[] {
  const blocks = storyParts(document, story).flatMap(({ text }) => blocksOf(document, text, { number: 1, story: story.id }));
  const captions = storyPictures(document, story).flatMap(({ caption, credit }): OutBlock[] => {
    const words = [caption, credit].filter(Boolean).join(' ');
    return words ? [{ is: 'paragraph', kind: 'caption', runs: [{ words }] }] : [];
  });
  return [...blocks.filter((block) => block.is !== 'figure').filter(says), ...captions];
}

/** Whether a block has words. */
export const says = (block: OutBlock): boolean =>
  block.is === 'table' || block.runs.some(({ words, isBreak }) => words !== '' || isBreak);

const KINDS: Readonly<Record<TextRecord['role'], Kind | undefined>> = {
  headline: 'headline',
  standfirst: 'standfirst',
  byline: 'byline',
  body: undefined,
  quote: 'quotation',
  caption: 'caption',
  credit: 'caption',
  furniture: undefined,
};

/**
 * A text as it goes out, block by block: what its paragraphs are, with their letters and the values of their fields.
 *
 * @param place that its fields speak of: where it begins, and its story
 * @param starts pages that begin in it, in their order
 */
export function blocksOf(
  document: Document,
  text: TextRecord,
  place: FieldPlace,
  starts: readonly PageStart[] = [],
): (OutBlock | OutFigure)[] {
  const reader = new Reader(document, place, starts);
  return text.body.content.content.map((node) => reader.block(node, KINDS[text.role]));
}

class Reader {
  readonly #document: Document;
  readonly #place: FieldPlace;
  readonly #starts: readonly PageStart[];
  /** Paragraphs that were read, those in cells with them. */
  #read = 0;

  constructor(document: Document, place: FieldPlace, starts: readonly PageStart[]) {
    this.#document = document;
    this.#place = place;
    this.#starts = starts;
  }

  block(node: Node, kind: Kind | undefined): OutBlock | OutFigure {
    if (node.type.name === 'figure') return { is: 'figure', picture: (node.attrs as FigureAttrs).picture };
    if (node.type.name !== 'table') return this.#paragraph(node, kind);
    const rows = node.content.content.map((row) =>
      row.content.content.map((cell): OutCell => ({
        across: (cell.attrs['across'] as number | undefined) ?? 1,
        down: (cell.attrs['down'] as number | undefined) ?? 1,
        paragraphs: cell.content.content.map((each) => this.#paragraph(each, 'paragraph')),
      })),
    );
    return { is: 'table', head: (node.attrs as TableAttrs).headerRows, rows };
  }

  #paragraph(node: Node, kind: Kind | undefined): OutParagraph {
    const { style, list } = node.attrs as ParagraphAttrs;
    const starts = this.#starts.filter(({ paragraph }) => paragraph === this.#read);
    this.#read++;
    const runs: Run[] = [];
    node.forEach((child, offset) => {
      let rest = this.#run(child);
      let from = offset;
      for (const { at, folio } of starts) {
        if (at < from || at >= offset + child.nodeSize) continue;
        if (at > from) runs.push({ ...rest, words: rest.words.slice(0, at - from) });
        rest = { ...rest, words: child.isText ? rest.words.slice(at - from) : rest.words };
        runs.push({ words: '', page: folio });
        from = at;
      }
      runs.push(rest);
    });
    return {
      is: 'paragraph',
      kind: kind ?? styleKind(this.#document, style) ?? 'paragraph',
      style,
      list,
      runs: runs.filter((run) => run.words !== '' || run.isBreak || run.picture || run.page !== undefined),
    };
  }

  #run(child: Node): Run {
    if (child.type.name === 'lineBreak') return { words: '', isBreak: true };
    if (child.type.name === 'picture') return { words: '', picture: child.attrs as InlinePictureAttrs };
    const mark = (name: string) => child.marks.find(({ type }) => type.name === name)?.attrs;
    const run: { -readonly [K in keyof Run]: Run[K] } = { words: child.text ?? '' };
    if (child.type.name === 'field') {
      const attrs = child.attrs as FieldAttrs;
      run.words = fieldValue(this.#document, attrs, this.#place);
      if (attrs.of !== undefined) run.of = attrs.of;
    }
    if (mark('strong')) run.strong = true;
    if (mark('emphasis')) run.emphasis = true;
    if (mark('superscript')) run.position = 'superscript';
    else if (mark('subscript')) run.position = 'subscript';
    const link = mark('link')?.['href'] as string | undefined;
    if (link !== undefined) run.link = link;
    const style = mark('character')?.['style'] as string | undefined;
    if (style !== undefined) run.style = style;
    const local = (mark('local') as LocalAttrs | undefined)?.properties;
    if (local !== undefined) run.local = local;
    return run;
  }
}
