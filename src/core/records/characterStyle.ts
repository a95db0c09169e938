import type { RecordBase } from './common';

/** A line of ink. */
export interface Stroke {
  readonly weight: number;
  readonly swatch: string;
  readonly tint: number;
}

/** An area of colour behind letters and the spaces between them. */
export interface Highlight {
  readonly swatch: string;
  readonly tint: number;
  /** It stands out by so much over the face’s ascent, under its descent and at either end. */
  readonly around: number;
}

/** The colour that letters run into from their own: line by line downwards, or along their line. */
export interface LetterGradient {
  readonly swatch: string;
  readonly tint: number;
  readonly way: 'down' | 'right';
}

/** What letters look like; shared by paragraph styles and character styles. Lengths in points. */
export interface CharacterProperties {
  readonly family: string;
  /** CSS weight, 100 to 900. Only real faces are used: what a family lacks is replaced by its nearest and reported. */
  readonly weight: number;
  readonly italic: boolean;
  readonly size: number;
  /** Thousandths of an em added after every glyph. */
  readonly tracking: number;
  readonly kerning: boolean;
  /** How the letters' case is shown; small capitals are the face's own (`smcp`, `c2sc`). */
  readonly letterCase: 'typed' | 'upper' | 'lower' | 'smallCapitals' | 'allSmallCapitals';
  /** `usual` leaves figures as the face has them. */
  readonly figures: 'usual' | 'lining' | 'oldStyle';
  readonly figureWidth: 'usual' | 'proportional' | 'tabular';
  readonly position: 'normal' | 'superscript' | 'subscript';
  /** OpenType feature tags switched on beside the face's defaults; `-tag` switches one off. */
  readonly features: readonly string[];
  readonly underline: boolean;
  readonly strike: boolean;
  /** The thickness of those lines; `face` is what the face says. */
  readonly lineWeight: number | 'face';
  /** From the baseline down to the middle of an underline, and up to that of a line through the letters. */
  readonly underlineOffset: number | 'face';
  readonly strikeOffset: number | 'face';
  readonly highlight: Highlight | null;
  /** Above the baseline by this much; negative: below. */
  readonly rise: number;
  readonly swatch: string;
  readonly tint: number;
  readonly gradient: LetterGradient | null;
  /** A line around every letter, behind it, so that it reads on a picture; `weight` stands out on each side. */
  readonly letterOutline: Stroke | null;
  /** BCP 47; `''` is the language. */
  readonly language: string;
}

/** A character style: what it says of letters lies over what their paragraph's style says. */
export interface CharacterStyleRecord extends RecordBase<'characterStyle'> {
  readonly name: string;
  readonly basedOn?: string | undefined;
  readonly properties: Partial<CharacterProperties>;
}
