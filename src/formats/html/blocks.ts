import type { EditionAside, EditionBlock, EditionFigure } from '@/core/handoff/reading/edition';
import type { Kind, OutParagraph, OutTable, Run } from '@/core/handoff/reading/outline';
import { escaped } from '../markup';

/** What more is written of blocks than what they are: their looks, their pictures, where their links lead. */
export interface Dress {
  /** Written as XML (XHTML), where every element is closed. */
  readonly xml?: boolean;
  /** The element of a paragraph that is no heading and in no list. */
  readonly tags: Readonly<Record<Kind, string>>;
  /** Classes of a paragraph. */
  readonly classOf?: (block: OutParagraph) => string;
  /** Stretches of a paragraph as they are written, where its looks part them otherwise. */
  readonly parted?: (block: OutParagraph) => readonly Run[];
  /** Classes of a stretch of letters. */
  readonly runClass?: (run: Run, within: OutParagraph) => string;
  readonly figure?: (figure: EditionFigure) => string;
  readonly aside?: (aside: EditionAside) => string;
  readonly inlinePicture?: (run: Run) => string;
  /** Where a stretch that speaks of a story leads. */
  readonly story?: (id: string) => string | undefined;
  /** What marks that a page of the print begins. */
  readonly page?: (folio: string) => string;
}

/** Blocks in HTML (WHATWG): what they are, and what a dress says they look like. */
export function blocksHtml(blocks: readonly EditionBlock[], dress: Dress): string {
  return new Writer(dress).blocks(blocks);
}

class Writer {
  readonly #dress: Dress;

  constructor(dress: Dress) {
    this.#dress = dress;
  }

  blocks(blocks: readonly EditionBlock[]): string {
    const out: string[] = [];
    const lists: ('ul' | 'ol')[] = [];
    const toDepth = (depth: number, tag?: 'ul' | 'ol') => {
      while (lists.length > depth || (tag && lists.length === depth && lists.at(-1) !== tag)) out.push(`</li></${lists.pop()}>`);
    };
    for (const block of blocks) {
      if (block.is !== 'paragraph' || !block.list) {
        toDepth(0);
        out.push(this.#block(block));
        continue;
      }
      const tag = block.list.kind === 'number' ? 'ol' : 'ul';
      const depth = block.list.level + 1;
      toDepth(depth, tag);
      if (lists.length === depth) out.push('</li>');
      while (lists.length < depth) {
        const start =
          lists.length === depth - 1 && tag === 'ol' && (block.list.number ?? 1) !== 1 ? ` start="${block.list.number}"` : '';
        const own = lists.length === depth - 1 ? this.#classes(block) : '';
        out.push(`<${tag}${start}${own}>${lists.length < depth - 1 ? '<li>' : ''}`);
        lists.push(tag);
      }
      out.push(`<li>${this.#inline(block)}`);
    }
    toDepth(0);
    return out.join('\n');
  }

  #block(block: EditionBlock): string {
    switch (block.is) {
      case 'paragraph':
        return this.#paragraph(block);
      case 'table':
        return this.#table(block);
      case 'figure':
        return this.#dress.figure?.(block) ?? '';
      case 'aside':
        return this.#dress.aside?.(block) ?? '';
    }
  }

  #paragraph(block: OutParagraph): string {
    const tag = this.#dress.tags[block.kind];
    const written = `<${tag}${this.#classes(block)}>${this.#inline(block)}</${tag}>`;
    return block.kind === 'quotation' ? `<blockquote>${written}</blockquote>` : written;
  }

  #classes(block: OutParagraph): string {
    const own = this.#dress.classOf?.(block) ?? '';
    return own === '' ? '' : ` class="${own}"`;
  }

  #table({ head, rows }: OutTable): string {
    const row = (cells: OutTable['rows'][number], tag: 'th' | 'td') =>
      `<tr>${cells
        .map(({ paragraphs, across, down }) => {
          const spans = `${across > 1 ? ` colspan="${across}"` : ''}${down > 1 ? ` rowspan="${down}"` : ''}`;
          const one = paragraphs.length === 1 && !paragraphs[0]!.list ? paragraphs[0]! : undefined;
          const scope = tag === 'th' ? ' scope="col"' : '';
          return `<${tag}${scope}${spans}${one ? this.#classes(one) : ''}>${one ? this.#inline(one) : this.blocks(paragraphs)}</${tag}>`;
        })
        .join('')}</tr>`;
    const heads = rows.slice(0, head).map((cells) => row(cells, 'th'));
    const body = rows.slice(head).map((cells) => row(cells, 'td'));
    return `<table>${heads.length > 0 ? `<thead>${heads.join('')}</thead>` : ''}<tbody>${body.join('')}</tbody></table>`;
  }

  #inline(block: OutParagraph): string {
    return (this.#dress.parted?.(block) ?? block.runs).map((run) => this.#run(run, block)).join('');
  }

  #run(run: Run, within: OutParagraph): string {
    const { words, strong, emphasis, position, link, isBreak, of } = run;
    if (isBreak) return this.#dress.xml ? '<br/>' : '<br>';
    if (run.page !== undefined) return this.#dress.page?.(run.page) ?? '';
    if (run.picture) return this.#dress.inlinePicture?.(run) ?? '';
    let out = escaped(words);
    const looks = this.#dress.runClass?.(run, within) ?? '';
    if (looks !== '') out = `<span class="${looks}">${out}</span>`;
    if (strong) out = `<strong>${out}</strong>`;
    if (emphasis) out = `<em>${out}</em>`;
    if (position) out = position === 'superscript' ? `<sup>${out}</sup>` : `<sub>${out}</sub>`;
    const leads = link ?? (of === undefined ? undefined : this.#dress.story?.(of));
    return leads === undefined ? out : `<a href="${escaped(leads)}">${out}</a>`;
  }
}
