import type { Node } from 'prosemirror-model';
import { pageGrid, textArea } from '../../page/grid';
import { formatOf, mastersOf } from '../../page/pages';
import { type Document, find } from '../../records/document';
import { textContent } from '../../records/frame';
import type { DocumentRecord, FrameRecord } from '../../records/index';

/** What text is set on to be measured or shown by itself. */

const SURFACE = 'surface';

/** Measure of one column of body text on a house's first master, and of its whole type area. */
export function measuresOf(house: Document): { body: number; area: number; lines: number } {
  const master = mastersOf(house)[0]!;
  const grid = pageGrid(formatOf(house), master, 'right');
  const { measure, columns, lines } = textArea(grid, master);
  return { body: measure, area: grid.area.w, lines: lines * columns };
}

/** A house without pages of its own, and one bare page to set on. */
export function bareSurface(house: Document): DocumentRecord[] {
  const kept = [...house.records.values()].filter(({ kind }) => !/^(page|frame|text|issue)$/.test(kind));
  const issue: DocumentRecord = find(house, 'issue', 'issue') ?? {
    id: 'issue',
    kind: 'issue',
    publication: '',
    number: '',
    season: '',
    date: '2000-01-01',
    language: 'en-GB',
  };
  return [...kept, issue, { id: SURFACE, kind: 'page', order: 'a0', master: mastersOf(house)[0]!.id }];
}

/** A text by itself on that page, as high as it needs to be; frame and text are called after it. */
export function framed(name: string, body: Node, measure: number): DocumentRecord[] {
  const frame: FrameRecord = {
    id: `frame-${name}`,
    kind: 'frame',
    on: SURFACE,
    side: 'both',
    box: { x: 0, y: 0, w: measure, h: 10 },
    order: 'a0',
    content: textContent(`text-${name}`, 'a0', { grows: true, ignoresWraps: true }),
    wrap: { mode: 'none', standOff: 0, outline: 'alpha' },
  };
  return [frame, { id: `text-${name}`, kind: 'text', role: 'furniture', body }];
}
