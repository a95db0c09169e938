import type { Document } from '../../document';
import type { Adjust, Crop, FrameContent, TextLayout } from '../../frame';
import type { FrameRecord } from '../../index';
import type { Fields } from '../../kind';

/** A picture in a frame: which, and how it lies there. */
export interface Shows extends Crop {
  readonly picture: string;
  readonly adjust?: Adjust | undefined;
}

/** What its share of a page is counted as. */
export type Taker = 'text' | 'pictures' | 'advertisements';

/** What is known of a kind of frame, by what it shows: everything but how it is painted and edited. */
export interface FrameKind<C extends FrameContent = FrameContent> {
  readonly fields: Fields;
  /** What a frame of it is where people read of it: "Picture, harbour". */
  named(content: C, document: Document): string;
  /** What it waits for as long as nothing fills it, and whether it waits for it at all. */
  waitsFor?(content: C): string | undefined;
  /** The text it shows. */
  text?(content: C): string;
  /** How text stands in it, or will, and the same with a change. */
  layout?(content: C): TextLayout;
  withLayout?(content: C, layout: Partial<TextLayout>): C;
  /** It is a place for a picture: the one it shows, undefined while there is none. */
  picture?(content: C, document: Document): Shows | undefined;
  /** What putting a picture into it means, in words; undefined where it takes none. */
  takesPicture?(content: C): string;
  /** The outlines of what it shows that text can run around, beside its own form. */
  outlines?(content: C, document: Document): readonly ('alpha' | 'background' | 'glyphs')[];
  /** What a copy of it on another page shows: what one story or page alone can have is led to ids of the copy's own. */
  copied(content: C, renamed: (id: string) => string): C;
  /**
   * What it is in the next issue: as it is when this is not said; as a place that waits again; undefined where the next
   * issue has no use for it.
   */
  emptied?(frame: FrameRecord, content: C, document: Document, name: string): FrameRecord | undefined;
  /** What it takes of a page; undefined where that is nothing. */
  takes?(content: C, document: Document): Taker | undefined;
  /** It waits on its master for what fills it, rather than to be parted from it. */
  readonly isFilled?: true;
  /** Text that touches it stands on it. */
  readonly isGround?: true;
  /** It is as high as its line is thick, and has no other form. */
  readonly isThin?: true;
}
