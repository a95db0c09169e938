/** A picture as files of an edition: in which widths and formats, and what is said in its place. */
export interface ShownPicture {
  readonly alternative: string;
  /** It has no ground of its own: it is never cut. */
  readonly isCutOut: boolean;
  /** Of the largest, pixels. */
  readonly width: number;
  readonly height: number;
  /** By format, the one that readers should rather take first; the last can be shown by all. */
  readonly sources: readonly {
    readonly media: string;
    readonly files: readonly { readonly path: string; readonly width: number }[];
  }[];
}
