import {
  Document,
  ExternalHyperlink,
  HeadingLevel,
  LevelFormat,
  Packer,
  Paragraph,
  type ParagraphChild,
  Table,
  TableCell,
  TableRow,
  TextRun,
} from 'docx';
import type { Kind, OutBlock, OutParagraph, OutTable, Run } from '@/core/handoff/reading/outline';

/** Named styles by what paragraphs are, so that a word processor, or whoever reads the file again, knows them. */
const STYLES: Partial<Record<Kind, { readonly id: string; readonly name: string }>> = {
  standfirst: { id: 'Subtitle', name: 'Subtitle' },
  byline: { id: 'Byline', name: 'Byline' },
  quotation: { id: 'Quote', name: 'Quote' },
  caption: { id: 'Caption', name: 'Caption' },
};

const NUMBERS = 'numbers';
const LEVELS = 9;

/** Blocks as DOCX (Office Open XML, ECMA-376). */
export async function writeDocx(title: string, blocks: readonly OutBlock[]): Promise<Uint8Array> {
  /** Every list with numbers begins anew: it has a numbering of its own. */
  let list = 0;
  let wasNumbered = false;
  const children = blocks.map((block) => {
    const isNumbered = block.is === 'paragraph' && block.list?.kind === 'number';
    if (isNumbered && !wasNumbered) list++;
    wasNumbered = isNumbered || (block.is === 'paragraph' && block.list !== undefined && wasNumbered);
    return block.is === 'table' ? tableOf(block) : paragraphOf(block, list);
  });
  const document = new Document({
    title,
    styles: {
      paragraphStyles: Object.values(STYLES).map(({ id, name }) => ({
        id,
        name,
        basedOn: 'Normal',
        next: 'Normal',
        quickFormat: true,
      })),
    },
    numbering: {
      config: [
        {
          reference: NUMBERS,
          levels: Array.from({ length: LEVELS }, (_, level) => ({
            level,
            format: LevelFormat.DECIMAL,
            text: `%${level + 1}.`,
            style: { paragraph: { indent: { left: 720 * (level + 1), hanging: 360 } } },
          })),
        },
      ],
    },
    sections: [{ children }],
  });
  return new Uint8Array(await Packer.toBuffer(document));
}

function paragraphOf({ kind, list, runs }: OutParagraph, numbering: number): Paragraph {
  const style = STYLES[kind];
  const level = Math.min(LEVELS - 1, list?.level ?? 0);
  return new Paragraph({
    children: runs.map(childOf),
    ...(kind === 'headline' ? { heading: HeadingLevel.TITLE } : kind === 'heading' ? { heading: HeadingLevel.HEADING_2 } : {}),
    ...(style ? { style: style.id } : {}),
    ...(list?.kind === 'bullet'
      ? { bullet: { level } }
      : list
        ? { numbering: { reference: NUMBERS, level, instance: numbering } }
        : {}),
  });
}

function childOf({ words, strong, emphasis, position, link, isBreak }: Run): ParagraphChild {
  if (isBreak) return new TextRun({ break: 1 });
  const run = new TextRun({
    text: words,
    ...(strong ? { bold: true } : {}),
    ...(emphasis ? { italics: true } : {}),
    ...(position === 'superscript' ? { superScript: true } : position === 'subscript' ? { subScript: true } : {}),
  });
  return link === undefined ? run : new ExternalHyperlink({ link, children: [run] });
}

const tableOf = ({ head, rows }: OutTable): Table =>
  new Table({
    rows: rows.map(
      (cells, i) =>
        new TableRow({
          tableHeader: i < head,
          children: cells.map(
            ({ paragraphs, across, down }) =>
              new TableCell({ columnSpan: across, rowSpan: down, children: paragraphs.map((each) => paragraphOf(each, 0)) }),
          ),
        }),
    ),
  });
