import type { RecordBase } from './common';
import { COLUMNS, margins, ROWS } from '../properties/sheet';
import { figure, type Kind, LINE, list, maybe, oneOf, parts, POINTS, reference, said, SHARE } from './kind';

/** A line to lay things along: upright or level, at a length or a share (0 to 1) of the page or its type area. */
export interface Guide {
  readonly direction: 'upright' | 'level';
  readonly within: 'page' | 'area';
  readonly at: { readonly points: number } | { readonly share: number };
}

/** A master page: the grid of the pages that use it. Its own frames are frame records that lie `on` it. */
export interface MasterRecord extends RecordBase<'master'> {
  readonly name: string;
  /** Points from the trim; inner is the side of the spine, so left and right pages mirror. */
  readonly margins: { readonly top: number; readonly bottom: number; readonly inner: number; readonly outer: number };
  readonly columns: number;
  readonly gutter: number;
  /** How wide each column is beside the others; all alike when not said. From the spine outwards. */
  readonly widths?: readonly number[] | undefined;
  /** Rows that make modules of the columns, with whole lines between them. */
  readonly rows?: { readonly count: number; readonly gutterLines: number } | undefined;
  readonly guides?: readonly Guide[] | undefined;
  /** Grid columns that one column of body text takes: 2 of 6, say, for three columns of text. */
  readonly textSpan: number;
  /** The master whose frames it shows beneath its own. */
  readonly basedOn?: string | undefined;
}

export const MASTER: Kind<MasterRecord> = {
  called: 'master',
  offered: 'Master',
  fields: {
    name: LINE,
    ...said(COLUMNS),
    margins: parts(said(margins(true))),
    widths: maybe(list(figure(0.001, 10_000), 40)),
    rows: maybe(parts(said(ROWS))),
    guides: maybe(
      list(
        parts({
          direction: oneOf('upright', 'level'),
          within: oneOf('page', 'area'),
          at: { is: 'either', of: [parts({ points: POINTS }), parts({ share: SHARE })] },
        }),
        200,
      ),
    ),
    basedOn: maybe(reference('master', 'holds')),
  },
};
