import type { PageList, TextItem } from '../compose/displayList/displayList';
import type { Fit } from '../compose/text/fit';
import type { Box } from '../geometry/box';
import { mappedBox } from '../geometry/matrix';
import type { PictureFiles } from '../pictures/states';
import type { Document } from '../records/document';
import type { FormatRecord, RecordKind, RecordKinds, TextRecord } from '../records/index';
import type { ParagraphProperties } from '../records/paragraphStyle';
import type { ProfileRecord } from '../records/profile';
import type { ParagraphAttrs } from '../records/text';
import { paragraphsOf } from '../records/body';
import type { Face } from '../type/face';
import { PLAIN, type StyleSheet } from '../type/styles';
import type { Found } from './finding';
import type { Measured } from '../print/measured';

/**
 * A rule of the checks, one file each. It says what it looks for, and looks at a page as it is composed, at a text by itself, or at
 * the issue as a whole; what it sees of the document it asks its view for, so that it is asked again only where that changed.
 */
export interface Rule {
  readonly name: string;
  /** What it finds, as a heading: “Text over”. */
  readonly title: string;
  readonly page?: (view: PageView) => readonly Found[];
  readonly text?: (view: TextView) => readonly Found[];
  readonly issue?: (view: IssueView) => readonly Found[];
}

/** A page as a rule sees it. */
export interface PageView {
  readonly list: PageList;
  readonly folio: string;
  readonly side: 'left' | 'right';
  /** The page beside it in its spread. */
  readonly beside: string | undefined;
  readonly format: FormatRecord;
  readonly limits: ProfileRecord;
  readonly sheet: StyleSheet;
  readonly files: PictureFiles;
  readonly language: string;
  find<K extends RecordKind>(kind: K, id: string | undefined): RecordKinds[K] | undefined;
  face(id: string): Face;
  /** What its pixels say; undefined while nobody has measured them. */
  readonly measured: Measured | undefined;
}

/** A text by itself. */
export interface TextView {
  readonly text: TextRecord;
  readonly language: string;
}

/** The issue as a whole. */
export interface IssueView {
  readonly document: Document;
  readonly limits: ProfileRecord;
  readonly sheet: StyleSheet;
  readonly language: string;
  /** By text, for every text that has a frame. */
  readonly fits: ReadonlyMap<string, Fit>;
  readonly pages: readonly PageList[];
}

/** What a paragraph of a text is set in. */
export function styleOf({ sheet }: { readonly sheet: StyleSheet }, text: TextRecord, paragraph: number): ParagraphProperties {
  const node = paragraphsOf(text.body)[paragraph];
  if (!node) return PLAIN;
  const { style, local } = node.attrs as ParagraphAttrs;
  const own = sheet.paragraph.get(style) ?? PLAIN;
  return local ? { ...own, ...local } : own;
}

/** Where an item lies on its page. */
export const boxOf = ({ transform, box }: { readonly transform?: TextItem['transform']; readonly box: Box }): Box =>
  mappedBox(transform, box);

/** What is on the page itself: what its master shows is the master's. */
export const ownItems = ({ list }: { readonly list: Pick<PageList, 'items' | 'furniture'> }): PageList['items'] =>
  list.items.slice(list.furniture);
