/**
 * How pages are laid on the sheets of a press so that they come in order when these are folded (common practice; the layouts of
 * `imposition.test.ts` are worked by hand). The layout is not kept in a table: a sheet is folded here as it is on the machine.
 */

/** Pages of a signature: what one folded sheet holds, front and back. */
export const SIGNATURES = [4, 8, 16, 32] as const;
export type Signature = (typeof SIGNATURES)[number];

/** The largest signature that so many pages fill; of four where none does. */
export const fittingSignature = (pages: number): Signature => SIGNATURES.findLast((each) => pages % each === 0) ?? 4;

/** How sheets become a whole: one in another with wire through the fold, or one behind another, glued or sewn. */
export type Binding = 'saddle' | 'bound';

/** A page on a side of a sheet; `page` counts from 1, undefined for one that stays blank. */
export interface PlacedCell {
  readonly page: number | undefined;
  /** From the left and from the top, as that side is looked at. */
  readonly column: number;
  readonly row: number;
  /** Its head is at the foot of the sheet. */
  readonly turned: boolean;
  /** Points that it is moved towards the spine, so that what lies further in is not cut narrower. */
  readonly creep: number;
}

export interface SheetSide {
  readonly columns: number;
  readonly rows: number;
  readonly cells: readonly PlacedCell[];
}

/** A sheet of the press: both its sides, the back as it lies when the sheet is turned over sideways. */
export interface PressSheet {
  readonly front: SheetSide;
  readonly back: SheetSide;
}

/** A leaf of a folded sheet: where it is on the open one, which side is up, and whether its head is. */
interface Leaf {
  readonly column: number;
  readonly row: number;
  readonly frontUp: boolean;
  readonly headUp: boolean;
}

type Stack = readonly Leaf[];

/** Folds of each signature, in their order: the half that is laid over the other; the last makes the spine. */
const FOLDS: Readonly<Record<Signature, readonly ('left' | 'right' | 'top')[]>> = {
  4: ['left'],
  8: ['top', 'left'],
  16: ['right', 'top', 'left'],
  32: ['top', 'right', 'top', 'left'],
};

/** Columns and rows of pages on a side. */
const GRIDS: Readonly<Record<Signature, readonly [columns: number, rows: number]>> = {
  4: [2, 1],
  8: [2, 2],
  16: [4, 2],
  32: [4, 4],
};

const turnedOver = (stack: Stack, headTurns: boolean): Leaf[] =>
  [...stack].reverse().map((leaf) => ({
    ...leaf,
    frontUp: !leaf.frontUp,
    headUp: headTurns ? !leaf.headUp : leaf.headUp,
  }));

/** The leaves of a folded signature, the first on top, its spine at the left. */
function folded(signature: Signature): Stack {
  const [columns, rows] = GRIDS[signature];
  // The back lies up on the machine, so that the front’s page 1 comes to lie outside.
  let stacks: Stack[][] = Array.from({ length: rows }, (_, row) =>
    Array.from({ length: columns }, (_, column) => [{ column, row, frontUp: false, headUp: true }]),
  );
  for (const fold of FOLDS[signature]) {
    if (fold !== 'top') {
      const half = stacks[0]!.length / 2;
      const [over, under] = fold === 'left' ? [0, half] : [half, 0];
      stacks = stacks.map((line) =>
        Array.from({ length: half }, (_, i) => [...turnedOver(line[over + half - 1 - i]!, false), ...line[under + i]!]),
      );
    } else {
      const half = stacks.length / 2;
      stacks = Array.from({ length: half }, (_, i) =>
        stacks[half + i]!.map((stack, column) => [...turnedOver(stacks[half - 1 - i]![column]!, true), ...stack]),
      );
    }
  }
  const [[stack]] = stacks as [[Stack]];
  return stack;
}

/** A place on a signature: side, place on that side, and how the page lies there; by the number of the page in it, from 0. */
interface Place {
  readonly side: 'front' | 'back';
  readonly column: number;
  readonly row: number;
  readonly turned: boolean;
}

function placesOf(signature: Signature): readonly Place[] {
  const [columns] = GRIDS[signature];
  const leaves = folded(signature);
  const upright = leaves[0]!.headUp;
  return leaves.flatMap((leaf) => {
    const on = (isFront: boolean): Place => ({
      side: isFront ? 'front' : 'back',
      // Seen from its own side: the open sheet lies with its back up.
      column: isFront ? columns - 1 - leaf.column : leaf.column,
      row: leaf.row,
      turned: leaf.headUp !== upright,
    });
    return [on(leaf.frontUp), on(!leaf.frontUp)];
  });
}

/**
 * The sheets of the press for so many pages. Pages that are lacking to whole signatures stay blank, at the end.
 * @param thickness of the paper, points: sheets that lie further in are moved towards the spine by it; 0 moves nothing
 */
export function imposed(pages: number, binding: Binding, signature: Signature, thickness: number): PressSheet[] {
  const places = placesOf(signature);
  const [columns, rows] = GRIDS[signature];
  const count = Math.max(1, Math.ceil(pages / signature));
  const all = count * signature;
  return Array.from({ length: count }, (_, sheet) => {
    const cells: Record<'front' | 'back', PlacedCell[]> = { front: [], back: [] };
    places.forEach(({ side, column, row, turned }, i) => {
      const number = binding === 'saddle' ? nested(i, sheet, signature, all) : sheet * signature + i + 1;
      // Leaves that lie within others, counted from the outermost of the whole, or of the signature.
      const half = signature / 2;
      const within = Math.floor((i < half ? i : signature - 1 - i) / 2) + (binding === 'saddle' ? (sheet * half) / 2 : 0);
      cells[side].push({
        page: number <= pages ? number : undefined,
        column,
        row,
        turned,
        creep: within * thickness,
      });
    });
    return { front: { columns, rows, cells: cells.front }, back: { columns, rows, cells: cells.back } };
  });
}

/** The number of a page of a sheet that lies in others: its first half from the front of the whole, its second from the back. */
function nested(i: number, sheet: number, signature: Signature, all: number): number {
  const half = signature / 2;
  return i < half ? sheet * half + i + 1 : all - (sheet + 1) * half + (i - half) + 1;
}
