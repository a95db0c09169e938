/**
 * How a print shop puts light into its inks, as a table: for every red, green and blue of `side` steps from 0 to 255, blue fastest,
 * four inks of a byte each. The server reads it off a colour profile; between the steps it is linear (ICC.1:2022, 10.12, has
 * multi-dimensional tables the same way).
 */
export interface InkTable {
  readonly side: number;
  readonly inks: Uint8Array;
}

/** Steps that are fine enough: between them an ink is off by less than a hundredth on average (`tests/reference/inks.test.ts`). */
export const TABLE_SIDE = 25;

/** Reads the inks of a light off the table, 0 to 255 each, into `out`. */
export function inksOf({ side, inks }: InkTable, red: number, green: number, blue: number, out: Float32Array): void {
  const last = side - 1;
  const r = (red / 255) * last;
  const g = (green / 255) * last;
  const b = (blue / 255) * last;
  const r0 = Math.min(last - 1, Math.floor(r));
  const g0 = Math.min(last - 1, Math.floor(g));
  const b0 = Math.min(last - 1, Math.floor(b));
  out.fill(0);
  for (let corner = 0; corner < 8; corner++) {
    const [dr, dg, db] = [corner & 1, (corner >> 1) & 1, corner >> 2];
    const share = (dr ? r - r0 : 1 - r + r0) * (dg ? g - g0 : 1 - g + g0) * (db ? b - b0 : 1 - b + b0);
    if (share === 0) continue;
    const at = 4 * (((r0 + dr) * side + g0 + dg) * side + b0 + db);
    for (let ink = 0; ink < 4; ink++) out[ink]! += share * inks[at + ink]!;
  }
}

/** The light of every step of a table, three bytes each: what a profile is read off with. */
export function tableLights(side = TABLE_SIDE): Uint8Array {
  const out = new Uint8Array(3 * side ** 3);
  let at = 0;
  for (let r = 0; r < side; r++)
    for (let g = 0; g < side; g++)
      for (let b = 0; b < side; b++) for (const step of [r, g, b]) out[at++] = Math.round((255 * step) / (side - 1));
  return out;
}
