import { Node } from 'prosemirror-model';
import { bodySchema } from '@/core/records/bodySchema';
import type { Block, Cell, Copy, CopyPicture } from './blocks';

/** Copy as it is sent: its letters in the JSON form of the schema of texts. */
export type SentCopy = Omit<Copy, 'blocks'> & { readonly blocks: readonly SentBlock[] };

type SentBlock = Omit<Block, 'content' | 'table'> & {
  readonly content: readonly unknown[];
  readonly table?: { readonly head: number; readonly rows: readonly (readonly SentCell[])[] };
};
type SentCell = Omit<Cell, 'blocks'> & { readonly blocks: readonly SentBlock[] };

/** Copy whose pictures have been kept elsewhere. */
export type SentWords = Omit<SentCopy, 'pictures'> & { readonly pictures: readonly Omit<CopyPicture, 'bytes'>[] };

export const sentCopy = (copy: Copy): SentCopy => ({ ...copy, blocks: copy.blocks.map(sentBlock) });

function sentBlock({ content, table, ...rest }: Block): SentBlock {
  const rows = table?.rows.map((row) => row.map((cell) => ({ ...cell, blocks: cell.blocks.map(sentBlock) })));
  return {
    ...rest,
    content: content.map((node) => node.toJSON() as unknown),
    ...(rows ? { table: { head: table!.head, rows } } : {}),
  };
}

const NO_BYTES = new Uint8Array();

/** @throws RangeError where it is no document of the schema */
export const copyOf = (sent: SentWords): Copy => ({
  ...sent,
  blocks: sent.blocks.map(blockOf),
  pictures: sent.pictures.map((picture) => ({ ...picture, bytes: NO_BYTES })),
});

function blockOf({ content, table, ...rest }: SentBlock): Block {
  const rows = table?.rows.map((row) => row.map((cell) => ({ ...cell, blocks: cell.blocks.map(blockOf) })));
  return {
    ...rest,
    content: content.map((json) => Node.fromJSON(bodySchema, json)),
    ...(rows ? { table: { head: table!.head, rows } } : {}),
  };
}
