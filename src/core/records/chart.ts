import { figure, type Fields, LINE, list, maybe, oneOf, parts } from './kind';

/** What a chart is drawn as: lying bars, standing columns, a line, or the parts of a whole. */
export const CHART_FORMS = ['bars', 'columns', 'line', 'parts'] as const;
export type ChartForm = (typeof CHART_FORMS)[number];

/** A chart as it is told: the frames of its group are drawn from this, and drawn anew when it changes. */
export interface Chart {
  readonly form: ChartForm;
  readonly rows: readonly { readonly label: string; readonly value: number }[];
  /** What stands behind a figure, "%". */
  readonly unit?: string | undefined;
}

/** A chart of more says nothing in print. */
export const MOST_CHARTED = 40;

export const CHART: Fields = {
  form: oneOf(...CHART_FORMS),
  rows: list(parts({ label: LINE, value: figure(-1e12, 1e12) }), MOST_CHARTED, 1),
  unit: maybe(LINE),
};
