import type { ParagraphProperties } from '../../records/paragraphStyle';
import type { MasterRecord, PageRecord, PaletteRecord } from '../../records/index';
import type { PublicationKind } from '../../records/publicationKind';
import type { Cmyk } from '../../records/swatch';
import type { Layout } from './layout';

export type Colours = PaletteRecord['colours'];

/** The faces of a design, and how loudly it speaks in them. */
export interface Voice {
  /** Families of running text, of headlines, and of all that is small. */
  readonly text: string;
  readonly display: string;
  readonly small: string;
  /** Weight of headlines, and their size as a multiple of the body's. */
  readonly weight: number;
  readonly scale: number;
  /** Points to an em, thousandths. */
  readonly tracking: number;
}

/** Puts a recurring page into the house and gives what lays it out. */
export type Put = (id: string, name: string, recurs: PageRecord['recurs'], master: MasterRecord) => Layout;

/** What a house of a kind may begin with: its format and grid, its voice, its colours and its recurring pages. Lengths in points. */
export interface Design {
  readonly id: string;
  readonly kind: PublicationKind;
  readonly name: string;
  /** What it is good for, in a sentence. */
  readonly says: string;
  readonly width: number;
  readonly height: number;
  readonly columns: number;
  readonly gutter: number;
  /** Grid columns to a column of text. */
  readonly textSpan: number;
  /** Of running text. */
  readonly size: number;
  readonly leading: number;
  readonly margins: { readonly top: number; readonly inner: number; readonly outer?: number };
  readonly voice: Voice;
  readonly palettes: readonly (readonly [name: string, colours: Colours])[];
  /** What its styles say otherwise than those that all designs have, by id. */
  readonly styles?: Readonly<Record<string, Partial<ParagraphProperties>>>;
  /** Its boxes: on a tint, between rules, or in a frame. */
  readonly boxes: 'tint' | 'ruled' | 'framed';
  readonly pages: (page: Put, text: MasterRecord, plain: MasterRecord) => void;
}

/** Colours on white paper. Body text prints in black alone: four inks never meet so finely. */
export const palette = (accent1: Cmyk, accent2: Cmyk, tint: Cmyk): Colours => ({
  ink: [0, 0, 0, 1],
  paper: [0, 0, 0, 0],
  accent1,
  accent2,
  tint,
});
