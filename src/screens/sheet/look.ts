/** What of the desk's aids is in sight. */
export interface Look {
  readonly proof: boolean;
  readonly columns: boolean;
  readonly baselines: boolean;
  readonly tray: boolean;
  readonly detail: boolean;
}

export const USUAL_LOOK: Look = { proof: false, columns: true, baselines: false, tray: true, detail: true };
