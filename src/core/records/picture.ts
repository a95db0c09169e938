import type { Outline } from '../geometry/outline';
import type { RecordBase } from './common';

/** A picture the issue owns. The file itself is a blob, named by its SHA-256. */
export interface PictureRecord extends RecordBase<'picture'> {
  readonly name: string;
  readonly order: string;
  readonly blob: string;
  readonly media: 'image/jpeg' | 'image/png' | 'image/webp' | 'image/svg+xml';
  /** Pixels; for SVG the size it asks for. */
  readonly width: number;
  readonly height: number;
  readonly colour: 'rgb' | 'cmyk' | 'grey';
  readonly transparent: boolean;
  /** Traced outlines in the unit square of the picture. */
  readonly outlines: { readonly alpha?: Outline | undefined; readonly background?: Outline | undefined };
  readonly caption: string;
  readonly credit: string;
}
