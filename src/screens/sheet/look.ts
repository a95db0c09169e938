/** What of the desk's aids is in sight. */
export interface Look {
  readonly proof: boolean;
  readonly columns: boolean;
  readonly baselines: boolean;
  /** The spreads before and behind it lie above and below. */
  readonly row: boolean;
  readonly rulers: boolean;
  readonly threads: boolean;
  /** Words that no dictionary knows are underlined. */
  readonly spelling: boolean;
  /** Spaces, tabs and ends of lines and paragraphs are shown. */
  readonly invisibles: boolean;
  readonly tray: boolean;
  readonly detail: boolean;
}

export const USUAL_LOOK: Look = {
  proof: false,
  columns: true,
  baselines: false,
  row: false,
  rulers: false,
  threads: true,
  spelling: false,
  invisibles: false,
  tray: true,
  detail: true,
};
