'use client';

import { memo } from 'react';
import type { Node } from 'prosemirror-model';
import type { Block, Copy } from '@/formats/copy/blocks';
import { nameOf } from '@/formats/copy/story';

/** Blocks that are shown: what a file of 300 pages says is known by its beginning. */
const SHOWN = 400;

/** What the source says, block by block, each with the name that the source has for it. */
export const SourceView = memo(function SourceView({ copy }: { copy: Copy }) {
  const rest = copy.blocks.length - SHOWN;
  return (
    <section
      aria-label="What the source says"
      tabIndex={0}
      className="min-w-0 flex-1 bg-base-100 text-base-content overflow-auto px-5 py-5"
    >
      <h3 className="chapter pb-2">What the source says</h3>
      {copy.blocks.slice(0, SHOWN).map((block, i) => (
        <div key={i} className="flex gap-3 py-1">
          <span className="narrow w-24 shrink-0 truncate pt-0.5 text-right opacity-70">{labelOf(block)}</span>
          <div className="min-w-0 flex-1">
            <Shown block={block} />
          </div>
        </div>
      ))}
      {rest > 0 && <p className="pt-3 opacity-75">{rest.toLocaleString('en-GB')} more paragraphs follow.</p>}
    </section>
  );
});

const labelOf = (block: Block): string =>
  block.kind === 'table' ? 'Table' : block.kind === 'picture' ? 'Picture' : nameOf(block);

function Shown({ block }: { block: Block }) {
  if (block.kind === 'picture') return <p className="bg-base-200 px-2 py-1 opacity-75">A picture stands here.</p>;
  if (!block.table) {
    const { list } = block;
    const mark = list ? (list.kind === 'number' ? `${list.number}.` : '•') : '';
    return (
      <p
        className={
          block.kind === 'heading'
            ? 'text-base font-semibold'
            : block.kind === 'quotation'
              ? 'border-base-300 border-l-2 pl-3'
              : ''
        }
        style={list ? { paddingLeft: `${(list.level + 1) * 1.1}rem`, textIndent: '-1.1rem' } : undefined}
      >
        {mark && <span className="inline-block w-[1.1rem] indent-0">{mark}</span>}
        <Inline nodes={block.content} />
      </p>
    );
  }
  const { head, rows } = block.table;
  return (
    <table className="border-base-300 border-collapse border">
      <tbody>
        {rows.slice(0, 60).map((row, r) => (
          <tr key={r}>
            {row.map((cell, c) => {
              const Tag = r < head ? 'th' : 'td';
              return (
                <Tag
                  key={c}
                  colSpan={cell.across}
                  rowSpan={cell.down}
                  className="border-base-300 border px-2 py-0.5 text-left align-top"
                >
                  {cell.blocks.map((own, i) => (
                    <p key={i}>
                      <Inline nodes={own.content} />
                    </p>
                  ))}
                </Tag>
              );
            })}
          </tr>
        ))}
      </tbody>
    </table>
  );
}

const CLASSES: Readonly<Record<string, string>> = {
  strong: 'font-bold',
  emphasis: 'italic',
  superscript: 'align-super text-[0.75em]',
  subscript: 'align-sub text-[0.75em]',
  link: 'underline',
  character: 'bg-base-200',
};

function Inline({ nodes }: { nodes: readonly Node[] }) {
  return nodes.map((node, i) =>
    node.isText ? (
      <span key={i} className={node.marks.map(({ type }) => CLASSES[type.name] ?? '').join(' ')}>
        {node.text}
      </span>
    ) : (
      <br key={i} />
    ),
  );
}
