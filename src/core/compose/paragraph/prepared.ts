import type { DropCap, ParagraphProperties } from '../../records/paragraphStyle';
import type { Levels } from '../../type/bidi';
import type { Shaped } from '../../type/shaper';
import type { BreakArrays } from './breaks';
import type { Ink } from '../../colour/ink';
import type { Panel } from '../displayList/displayList';
import type { SetLook } from './look';
import type { Word, Words } from './words';

/** A stretch of a paragraph in one look. */
export interface StyleRun {
  readonly from: number;
  readonly to: number;
  readonly look: SetLook;
  readonly words: Words;
  /** What a font unit of this run is in the paragraph's units. */
  readonly factor: number;
  /** Its embedding level (UAX #9): an odd one is written from right to left. */
  readonly level: number;
}

/** A word, or what of it lies in one style run. */
export interface Piece {
  readonly from: number;
  readonly to: number;
  readonly run: number;
  readonly word: Word;
  /** What lies between it and the piece before at its best, in the paragraph's units. */
  readonly gap: number;
  /** That gap gives and takes when a line is justified. */
  readonly open: boolean;
}

/** A picture that stands in the text like a letter. Points. */
export interface InlinePicture {
  readonly at: number;
  readonly picture: string;
  readonly width: number;
  readonly height: number;
  readonly rise: number;
}

/** A tab: where it is in the text, and how far the text before it reaches, in units, tabs counting nothing. */
export interface Tab {
  readonly at: number;
  readonly x: number;
  /** Stretch and shrink of the text before it, in units. */
  readonly stretch: number;
  readonly shrink: number;
}

/** The first letters of a paragraph, set large beside its first lines. Points. */
export interface PreparedCap {
  readonly of: DropCap;
  readonly text: string;
  readonly shaped: Shaped;
  readonly look: SetLook;
  /** From the column's left to the text beside it. */
  readonly width: number;
  /** Taken off its x, so that its stem and not its side bearing stands at the column's edge. */
  readonly bearing: number;
  /** How far its letters stand above their own baseline, and hang below it. */
  readonly rise: number;
  readonly fall: number;
}

/** The words of a paragraph with the gaps between them, and every place where a line may end. */
export interface LineEnds extends BreakArrays {
  readonly pieces: readonly Piece[];
  readonly tabs: readonly Tab[];
  /** What hangs over the left edge when a line begins here, and over the right when it ends; undefined: nothing does. */
  readonly hangs: Hangs | undefined;
  /** Characters that no face has. */
  readonly missing: number;
}

/** By break, in units. */
export interface Hangs {
  readonly left: Float64Array;
  readonly right: Float64Array;
  readonly mostLeft: number;
  readonly mostRight: number;
}

/**
 * A paragraph made ready for breaking: its words shaped, and every place where a line may end.
 *
 * Widths are in the paragraph's own units: font units of its main face and size, so that sums of advances stay
 * whole numbers; `scale` turns them into points.
 */
export interface Prepared extends LineEnds {
  readonly text: string;
  readonly style: ParagraphProperties;
  readonly runs: readonly StyleRun[];
  /** Position in the body, from the paragraph's start, of each character; undefined where they are the same. */
  readonly positions: Uint32Array | undefined;
  readonly scale: number;
  /** Width of a space of the main face, in units. */
  readonly space: number;
  readonly pictures: readonly InlinePicture[];
  readonly cap: PreparedCap | undefined;
  /** Of the rules above and below, where the style has them. */
  readonly ruleInks: readonly [Ink, Ink] | undefined;
  readonly panel: Panel | undefined;
  /** Of the main face at its size, points; all positive. */
  readonly ascent: number;
  readonly descent: number;
  readonly capHeight: number;
  readonly marker: { readonly text: string; readonly shaped: Shaped; readonly width: number; readonly look: SetLook } | undefined;
  /** Points the lines stand in from the column's left: the style's indent, and a list's. */
  readonly indent: number;
  readonly firstIndent: number;
  /** What the faces lack or had to take from others. */
  readonly lacks: readonly string[];
  /** Where it runs from right to left, or holds what does. */
  readonly levels: Levels | undefined;
  /** How far the tallest of its looks stands above a line's baseline, and the deepest hangs below. Points. */
  readonly rise: number;
  readonly fall: number;
  /** What its fields showed, in order; undefined where it has none. */
  readonly fields: readonly { readonly at: number; readonly value: string }[] | undefined;
  /** The same paragraph with another lead-in, for one that follows the first line: characters it is to cover. */
  readonly withLead: ((characters: number) => Prepared) | undefined;
}
