/** What a stand-in answers. */
export interface Answer {
  readonly media: string;
  readonly body: string | Uint8Array;
  /** 200 where it is not said. */
  readonly status?: number;
}
