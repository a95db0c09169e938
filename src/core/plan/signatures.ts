import { listed } from '../records/count';
import type { FormatRecord } from '../records/index';

/** How sheets are held together: through the fold, one signature inside another; or one behind another, at the spine. */
export type Binding = 'stitched' | 'bound';

export const SIGNATURE_SIZES = [4, 8, 16, 32] as const;
export type SignatureSize = (typeof SIGNATURE_SIZES)[number];

/** How the pages of a format are held together; stitched, of 16, when nothing is said. */
export const bindingOf = ({ binding }: FormatRecord): NonNullable<FormatRecord['binding']> =>
  binding ?? { kind: 'stitched', signature: 16 };

/** A folded leaf of four pages: what is printed on its outer and its inner side, left and right, by page number. */
export interface Leaf {
  readonly outer: readonly [number, number];
  readonly inner: readonly [number, number];
}

/** Pages that are printed on one sheet, and the leaves it is folded to, the outermost first. */
export interface Signature {
  /** In reading order. */
  readonly pages: readonly number[];
  readonly leaves: readonly Leaf[];
}

/**
 * How an issue's pages share sheets. Bound signatures follow one another; stitched ones lie one in another, so that the
 * outermost has the first pages and the last. What is left over for the last signature, or the innermost, makes smaller
 * ones. Where pages are no multiple of four, the last leaf has blank sides: page numbers greater than `count`.
 *
 * @param count pages of the issue
 * @param size pages to a signature
 */
export function signatures(count: number, size: SignatureSize, binding: Binding): Signature[] {
  const out: Signature[] = [];
  const whole = Math.ceil(count / 4) * 4;
  for (let done = 0; done < whole;) {
    const own = largest(whole - done, size);
    // A stitched one takes half of its pages from the front of what is left, and half from the back.
    const pages =
      binding === 'bound'
        ? range(done + 1, own)
        : [...range(done / 2 + 1, own / 2), ...range(whole - done / 2 - own / 2 + 1, own / 2)];
    out.push({ pages, leaves: leavesOf(pages) });
    done += own;
  }
  return out;
}

/** The size asked for, or the largest smaller one that there are pages for. */
const largest = (left: number, size: SignatureSize): number =>
  [...SIGNATURE_SIZES].reverse().find((each) => each <= size && each <= left) ?? 4;

const range = (from: number, count: number): number[] => Array.from({ length: count }, (_, i) => from + i);

/** Folding puts the first page of a signature beside its last, the second beside the last but one, and so on. */
function leavesOf(pages: readonly number[]): Leaf[] {
  const n = pages.length;
  return Array.from({ length: n / 4 }, (_, i) => ({
    outer: [pages[n - 1 - 2 * i]!, pages[2 * i]!] as const,
    inner: [pages[2 * i + 1]!, pages[n - 2 - 2 * i]!] as const,
  }));
}

/** What an issue's signatures are, in words: "2 of 16 and 1 of 4". */
export function signatureWords(list: readonly Signature[]): string {
  const counts = new Map<number, number>();
  for (const { pages } of list) counts.set(pages.length, (counts.get(pages.length) ?? 0) + 1);
  const parts = [...counts].map(([size, n]) => `${n} of ${size}`);
  return listed(parts) || 'none';
}
