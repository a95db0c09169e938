import { DOMSerializer, type Node, Slice } from 'prosemirror-model';
import { inOwnStyles } from '@/core/actions/styles';
import { pasteBlocks, pasteSlice } from '@/core/editing/moving';
import { type TextCommand, typeWords } from '@/core/editing/typing';
import { docOf } from '@/core/records/body';
import { bodySchema } from '@/core/records/bodySchema';
import { all, type Document, find } from '@/core/records/document';
import { wellFormed } from '@/core/records/plain';
import { readHtml } from '@/formats/copy/html';
import { COPY_STYLES } from '@/core/plan/copyStyles';
import { bodyBlocks } from '@/formats/copy/story';

/** The most that is taken from the clipboard, characters: more is a file, and comes in as one. */
export const MOST_PASTED = 20_000_000;

/** Styles in which what comes from elsewhere is running text. */
export const RUNNING = [COPY_STYLES.body, COPY_STYLES.first];

const STYLE_NAME = 'data-style-name';

/** Writes text for the clipboard: paragraphs carry the names of their styles, so that another publication finds its own. */
export function serializer(document: Document): DOMSerializer {
  const usual = DOMSerializer.fromSchema(bodySchema);
  return new DOMSerializer(
    {
      ...usual.nodes,
      paragraph: (node) => {
        const [tag, attributes, ...rest] = usual.nodes['paragraph']!(node) as [string, Record<string, string>, ...unknown[]];
        const name = find(document, 'paragraphStyle', node.attrs['style'] as string)?.name;
        return [tag, { ...attributes, ...(name ? { [STYLE_NAME]: name } : {}) }, ...rest] as never;
      },
    },
    usual.marks,
  );
}

/** Text as plain characters, a line a paragraph. */
export const plainOf = (slice: Slice): string =>
  slice.content.textBetween(0, slice.content.size, '\n', (leaf) => (leaf.type.name === 'lineBreak' ? '\n' : ''));

/** What the clipboard holds, as far as a text can take it. */
export interface Pasted {
  readonly html: string;
  readonly plain: string;
  /** As ProseMirror reads it. */
  readonly slice: Slice;
}

/**
 * What pasting does: text of our own keeps all that it is, in styles that the document has; text from elsewhere its
 * structure; plain text takes the look of the place it comes to.
 *
 * @throws Error with a sentence where the clipboard holds more than a text can take
 */
export function pasting(document: Document, { html, plain, slice }: Pasted, asPlain: boolean): TextCommand {
  if (Math.max(html.length, plain.length) > MOST_PASTED)
    throw new Error('The clipboard holds more than 20 million characters. Save them as a file and bring that in.');
  const words = typeWords(wellFormed(plain.replace(/\n+$/, '')));
  if (asPlain || html === '') return words;
  if (html.includes('data-pm-slice') && html.includes('data-kite')) {
    const own = ownSlice(document, slice, html);
    if (own) return pasteSlice(own);
  }
  const blocks = bodyBlocks(readHtml(wellFormed(html)));
  return blocks.length > 0 ? pasteBlocks(inStyles(document, blocks), RUNNING) : words;
}

/** Text of our own in the styles of a document; undefined where it is not what it says. */
function ownSlice(document: Document, slice: Slice, html: string): Slice | undefined {
  try {
    slice.content.forEach((node) => node.check());
    const names = stylesNamed(html);
    const byName = new Map(all(document, 'paragraphStyle').map(({ id, name }) => [name, id]));
    const named = slice.content.content.map((node) => renamed(node, document, names, byName));
    return new Slice(docOf(inStyles(document, named)).content, slice.openStart, slice.openEnd);
  } catch {
    return undefined;
  }
}

/** A block with the styles that the document has of the same name, where it has none of the same id. */
function renamed(node: Node, document: Document, names: ReadonlyMap<string, string>, byName: ReadonlyMap<string, string>): Node {
  const style = node.attrs['style'] as string | undefined;
  if (node.type.name !== 'paragraph' || style === undefined || find(document, 'paragraphStyle', style)) return node;
  const own = byName.get(names.get(style) ?? '');
  return own === undefined ? node : node.type.create({ ...node.attrs, style: own }, node.content, node.marks);
}

function stylesNamed(html: string): Map<string, string> {
  const out = new Map<string, string>();
  const read = new DOMParser().parseFromString(html, 'text/html');
  for (const element of read.querySelectorAll(`[${STYLE_NAME}]`)) {
    const { style } = JSON.parse(element.getAttribute('data-says') ?? '{}') as { style?: string };
    if (style) out.set(style, element.getAttribute(STYLE_NAME)!);
  }
  return out;
}

const inStyles = (document: Document, blocks: readonly Node[]): readonly Node[] =>
  inOwnStyles(document, { id: 'pasted', kind: 'text', role: 'body', body: docOf(blocks) }).body.content.content;
