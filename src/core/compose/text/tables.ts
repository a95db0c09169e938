import { LRUCache } from 'lru-cache';
import type { Node } from 'prosemirror-model';
import type { Document } from '../../records/document';
import type { CellAttrs, TableAttrs } from '../../records/text';
import type { Inks } from '../displayList/inks';
import type { Paragraphs } from './paragraphs';
import type { Prepared } from '../paragraph/prepared';
import type { Situation } from '../paragraph/setting';
import { arrangedCells, type PreparedTable } from '../column/table';

/** Widths on which a table stays laid out: of its columns, and of frames while they are dragged. */
const MOST_WIDTHS = 8;

/** Tables made ready: the same object as long as nothing in it is another. */
export class Tables {
  readonly #paragraphs: Paragraphs;
  readonly #inks: Inks;
  readonly #kept = new WeakMap<Node, { readonly by: readonly unknown[]; readonly table: PreparedTable }>();

  constructor(paragraphs: Paragraphs, inks: Inks) {
    this.#paragraphs = paragraphs;
    this.#inks = inks;
  }

  of(document: Document, node: Node, situation: (node: Node) => Situation): PreparedTable {
    let leaves = 0;
    const paragraphs: Prepared[] = [];
    const cells = arrangedCells(node).map(({ cell, column, across, row, down }) => {
      const own = cell.content.content.map((each) => this.#paragraphs.prepared(each, situation(each)));
      paragraphs.push(...own);
      const leaf = leaves;
      leaves += own.length;
      const attrs = cell.attrs as CellAttrs;
      const fillInk = attrs.fill && this.#inks.ink(document, attrs.fill.swatch, attrs.fill.tint);
      return { attrs, paragraphs: own, column, across, row, down, leaf, fill: fillInk };
    });
    const by = [this.#paragraphs.setting, ...paragraphs];
    const kept = this.#kept.get(node);
    if (kept && kept.by.length === by.length && kept.by.every((each, i) => each === by[i])) return kept.table;
    const ink = (of: { swatch: string; tint: number } | undefined) => of && this.#inks.ink(document, of.swatch, of.tint);
    const attrs = node.attrs as TableAttrs;
    const { rules = {}, headFill, stripe } = attrs;
    const inks = {
      rows: ink(rules.rows),
      columns: ink(rules.columns),
      around: ink(rules.around),
      head: ink(rules.head),
      headFill: ink(headFill),
      stripe: ink(stripe),
    };
    const table: PreparedTable = {
      node,
      attrs,
      cells,
      rows: node.childCount,
      leaves,
      inks,
      laid: new LRUCache({ max: MOST_WIDTHS }),
    };
    this.#kept.set(node, { by, table });
    return table;
  }
}
