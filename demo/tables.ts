import type { Node } from 'prosemirror-model';
import { bodySchema } from '@/core/records/bodySchema';
import { plainParagraphs } from '@/core/records/body';
import type { TableAttrs } from '@/core/records/text';

/** Tables of the demo, in the styles that Longspar has for them. */

const RULES: TableAttrs['rules'] = {
  rows: { weight: 0.35, swatch: 'ink', tint: 0.5 },
  head: { weight: 0.75, swatch: 'accent1', tint: 1 },
  around: { weight: 0, swatch: 'ink', tint: 1 },
};
const INSET = { top: 2.5, right: 2, bottom: 2.5, left: 2 };
const STRIPE = { swatch: 'tint', tint: 1 };

const row = (styles: readonly string[], words: readonly string[]): Node =>
  bodySchema.node(
    'row',
    null,
    words.map((each, i) =>
      bodySchema.node('cell', { align: 'bottom' }, plainParagraphs(styles[Math.min(i, styles.length - 1)]!, each)),
    ),
  );

/** A table of words in the first columns and figures behind them. */
export function table(
  shares: readonly number[],
  wordColumns: number,
  head: readonly string[],
  rows: readonly (readonly string[])[],
): Node {
  const styles = (strong: string, figure: string) => shares.map((_, i) => (i < wordColumns ? strong : figure));
  return bodySchema.node(
    'table',
    {
      columns: shares.map((share) => ({ share })),
      headerRows: 1,
      inset: INSET,
      rules: RULES,
      stripe: STRIPE,
    } satisfies TableAttrs,
    [row(styles('tableHead', 'tableHeadFigure'), head), ...rows.map((words) => row(styles('tableText', 'tableFigure'), words))],
  );
}
