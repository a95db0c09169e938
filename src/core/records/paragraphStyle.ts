import type { CharacterProperties, Stroke } from './characterStyle';
import type { RecordBase } from './common';

/** A rule above or below a paragraph. */
export interface ParagraphRule extends Stroke {
  /** From the first baseline up, or from the last one down, to the rule's nearer edge. */
  readonly offset: number;
  /** As wide as the column, or as the text of the line it stands at. */
  readonly width: 'column' | 'text';
  readonly leftIndent: number;
  readonly rightIndent: number;
}

/** An area of colour behind a paragraph; those that follow one another with the same are one. */
export interface ParagraphPanel {
  readonly swatch: string;
  readonly tint: number;
  /** As wide as the column, or as its widest line. */
  readonly width: 'column' | 'text';
  /** It reaches out by so much beside the text, and above its first line and below its last. */
  readonly beside: number;
  readonly above: number;
}

export interface TabStop {
  /** From the left edge of the column. */
  readonly at: number;
  readonly align: 'left' | 'centre' | 'right' | 'decimal';
  /** Repeated between the text before the tab and the text after it. */
  readonly leader?: string | undefined;
}

export interface DropCap {
  /** Lines it stands beside; its baseline is the last one's, its top the cap height of the first. */
  readonly lines: number;
  readonly letters: number;
  readonly gap: number;
  /** A character style for its letters. */
  readonly style?: string | undefined;
}

/** The beginning of a paragraph in a character style: so many words, or its first line however it breaks. */
export interface LeadIn {
  readonly extent: number | 'line';
  readonly style: string;
}

/** What may give in a justified line, as shares; `best` is what it is set to when nothing has to give. */
export interface Range {
  readonly least: number;
  readonly best: number;
  readonly most: number;
}

/** Limits of hyphenation (CSS Text 4: `hyphenate-limit-chars`, `hyphenate-limit-lines`, `hyphenate-limit-last`). */
export interface HyphenLimits {
  /** Letters of the shortest word that is divided, and the fewest before and after the hyphen. */
  readonly word: number;
  readonly before: number;
  readonly after: number;
  /** Lines in a row that may end in a hyphen. */
  readonly consecutive: number;
  /** Whether a paragraph's last word may be divided, a word across a column's end, a word with capitals. */
  readonly lastWord: boolean;
  readonly acrossColumns: boolean;
  readonly capitals: boolean;
}

/** Where a paragraph starts afresh. */
export type StartIn = 'column' | 'frame' | 'page' | 'oddPage';

/** What a paragraph style can say; what it leaves out comes from the style it is based on. Lengths in points. */
export interface ParagraphProperties extends CharacterProperties {
  readonly leading: number;
  readonly align: 'justify' | 'left' | 'centre' | 'right' | 'towardsSpine' | 'awayFromSpine';
  /** How a justified paragraph's last line stands. */
  readonly lastLine: 'left' | 'centre' | 'right' | 'justify';
  readonly breaking: 'total-fit' | 'first-fit';
  /** Total fit aims at so many lines more or fewer than the best number, for copyfit. */
  readonly looseness: number;
  /** Ems that ragged lines may fall short by before it counts as bad. */
  readonly rag: number;
  readonly hyphens: boolean;
  readonly hyphenLimits: HyphenLimits;
  readonly spaceBefore: number;
  readonly spaceAfter: number;
  readonly firstIndent: number;
  readonly leftIndent: number;
  readonly rightIndent: number;
  readonly tabs: readonly TabStop[];
  readonly ruleAbove: ParagraphRule | null;
  readonly ruleBelow: ParagraphRule | null;
  readonly panel: ParagraphPanel | null;
  /** What stands before a bulleted item, and how numbered ones are counted. */
  readonly bullet: string;
  readonly numbering: '1' | 'a' | 'A' | 'i' | 'I';
  readonly onGrid: boolean;
  readonly orphans: number;
  readonly widows: number;
  /** Lines of the next paragraph that must stand under this one in the same column. */
  readonly keepNext: number;
  readonly keepTogether: boolean;
  readonly startIn: StartIn | null;
  /** The paragraph runs across all columns of its frame. */
  readonly spans: boolean;
  readonly dropCap: DropCap | null;
  readonly leadIn: LeadIn | null;
  /** Set behind the last word where this is the last paragraph of a story. */
  readonly endMark: { readonly text: string; readonly style?: string | undefined } | null;
  /** Share of the usual amount by which hyphens and punctuation hang over the column's edges. */
  readonly hanging: number;
  /** As shares of the face's own word space, of an em, and of the glyphs' own width. */
  readonly wordSpace: Range;
  readonly letterSpace: Range;
  readonly glyphScale: Range;
}

export interface ParagraphStyleRecord extends RecordBase<'paragraphStyle'> {
  readonly name: string;
  readonly basedOn?: string | undefined;
  readonly properties: Partial<ParagraphProperties>;
}
