/** What of the desk's aids is in sight. */
export interface Look {
  readonly proof: boolean;
  readonly columns: boolean;
  readonly baselines: boolean;
  readonly threads: boolean;
  /** Words that no dictionary knows are underlined. */
  readonly spelling: boolean;
  readonly tray: boolean;
  readonly detail: boolean;
}

export const USUAL_LOOK: Look = {
  proof: false,
  columns: true,
  baselines: false,
  threads: true,
  spelling: false,
  tray: true,
  detail: true,
};
