import type { Mark, Node } from 'prosemirror-model';
import { COPY_STYLES } from '@/core/plan/copyStyles';
import { type BodyJson, bodyText, countWords, docOf, markOf, paragraphOf } from '@/core/records/body';
import { bodySchema } from '@/core/records/bodySchema';
import type { CharacterProperties } from '@/core/records/characterStyle';
import { counted } from '@/core/records/count';
import { cutTo } from '@/core/records/plain';
import { type Block, type Copy, isSourceMark, LETTER_LOOKS, type LetterLook, sourceMark, type TableRows } from './blocks';

/** A picture of the story, and the words that stood with it. */
export interface StoryPicture {
  /** Which of the copy's. */
  readonly index: number;
  readonly caption: string;
  readonly credit: string;
}

/** Copy as a story of a house: its parts, and its body in paragraph styles. */
export interface ReadStory {
  readonly name: string;
  readonly headline: string;
  readonly standfirst?: string | undefined;
  readonly byline?: string | undefined;
  readonly body: BodyJson;
  readonly words: number;
  readonly pictures: readonly StoryPicture[];
  /** What of the copy is not in it, in words. */
  readonly dropped: readonly string[];
}

/** What a paragraph of the source may become: a part of the story, running text, words of a picture, nothing, or a style of the house. */
export const PART_TARGETS = ['headline', 'standfirst', 'byline', 'body', 'caption', 'credit', 'leave'] as const;
export type Target = (typeof PART_TARGETS)[number] | `style:${string}`;

/** What each of a source's own names becomes; what is not named here goes by what it is usually called. */
export type Mapping = Readonly<Record<string, Target>>;

/** What a story needs to know of the house that it comes to. */
export interface HouseStyles {
  readonly paragraph: readonly { readonly id: string; readonly name: string }[];
  readonly character: readonly {
    readonly id: string;
    readonly name: string;
    readonly properties: Partial<CharacterProperties>;
  }[];
}

/** A name of the source that can be mapped, how often it comes, and words that stand in it. */
export interface SourceName {
  readonly name: string;
  readonly of: 'paragraph' | 'letters';
  readonly count: number;
  readonly sample: string;
  /** What it becomes where nobody has said. */
  readonly usual: Target;
}

const LOOK_NAMES: Readonly<Record<LetterLook, string>> = {
  underline: 'Underlined',
  strike: 'Struck through',
  smallCapitals: 'Small capitals',
};

/** What a paragraph is called in the list of what becomes what. */
export function nameOf(block: Block): string {
  if (block.style !== undefined) return block.style;
  if (block.kind === 'heading') return `Heading ${block.level}`;
  if (block.kind === 'quotation') return 'Quotation';
  return block.list ? 'List' : 'Paragraph';
}

/** The names in copy that can be mapped, in the order in which they come. */
export function sourceNames(copy: Copy, house: HouseStyles): SourceName[] {
  const out = new Map<string, { of: 'paragraph' | 'letters'; count: number; sample: string; usual: Target }>();
  const count = (name: string, of: 'paragraph' | 'letters', sample: string, usual: () => Target) => {
    const known = out.get(`${of} ${name}`);
    if (known) known.count++;
    else out.set(`${of} ${name}`, { of, count: 1, sample: cutTo(sample, 60), usual: usual() });
  };
  for (const block of copy.blocks) {
    if (block.kind === 'table' || block.kind === 'picture') continue;
    count(nameOf(block), 'paragraph', wordsOf(block.content), () => usualTarget(block, house));
    for (const node of block.content)
      for (const mark of node.marks) {
        const look = lookIn(mark, copy);
        if (look) count(look, 'letters', node.text ?? '', () => usualLook(look, house));
      }
  }
  // What is the headline by where it stands is one, and what stands beside it the byline, as long as nobody says otherwise.
  const { headline, byline } = partsIn(copy.blocks, {}, house);
  for (const [at, target] of [
    [headline, 'headline'],
    [byline, 'byline'],
  ] as const) {
    const own = at < 0 ? undefined : out.get(`paragraph ${nameOf(copy.blocks[at]!)}`);
    if (own?.count === 1) own.usual = target;
  }
  return [...out].map(([key, rest]) => ({ name: key.slice(key.indexOf(' ') + 1), ...rest }));
}

/** What each block becomes, and which of them are headline and byline by where they stand; −1 where none is. */
function partsIn(
  blocks: readonly Block[],
  mapping: Mapping,
  house: HouseStyles,
): { targets: readonly Target[]; headline: number; byline: number } {
  const targets = blocks.map((block) =>
    block.kind === 'table' || block.kind === 'picture' ? 'body' : (mapping[nameOf(block)] ?? usualTarget(block, house)),
  );
  /** Whether what a paragraph becomes follows from what it is, so that it may still be a headline or byline. */
  const isFree = (i: number): boolean =>
    mapping[nameOf(blocks[i]!)] === undefined && (targets[i] === 'body' || targets[i]!.startsWith('style:'));
  const headline = headlineIn(blocks, targets, isFree);
  return { targets, headline, byline: bylineIn(blocks, targets, isFree, headline) };
}

/** What a paragraph of a source usually becomes. */
function usualTarget(block: Block, house: HouseStyles): Target {
  const name = nameOf(block).toLowerCase();
  if (/^(title|headline)$/.test(name)) return 'headline';
  if (/^(sub ?title|standfirst|deck|dek|intro|introduction|lead)$/.test(name)) return 'standfirst';
  if (/^(by-?line|author|writer)$/.test(name)) return 'byline';
  if (/caption|cutline|figure|illustration/.test(name)) return 'caption';
  if (/credit|photographer/.test(name)) return 'credit';
  const own = house.paragraph.find((style) => style.name.toLowerCase() === name);
  if (own) return `style:${own.id}`;
  if (block.kind === 'heading') return `style:${COPY_STYLES.heading}`;
  if (block.list) return `style:${COPY_STYLES.list}`;
  return block.kind === 'quotation' ? `style:${COPY_STYLES.quotation}` : 'body';
}

/** The character style that a look of the source's letters is given: one of its name, or one that looks so; else it goes. */
function usualLook(name: string, house: HouseStyles): Target {
  const own = house.character.find((style) => style.name.toLowerCase() === name.toLowerCase());
  const look = LETTER_LOOKS.find((each) => LOOK_NAMES[each] === name);
  const like = look && house.character.find(({ properties }) => looksSo(properties, look));
  const style = own ?? like;
  return style ? `style:${style.id}` : 'leave';
}

function looksSo({ underline, strike, letterCase }: Partial<CharacterProperties>, look: LetterLook): boolean {
  if (look === 'smallCapitals') return letterCase === 'smallCapitals' || letterCase === 'allSmallCapitals';
  return look === 'underline' ? underline === true : strike === true;
}

/** The name of the look that a mark of the source stands for. */
function lookIn(mark: Mark, copy: Copy): string | undefined {
  const style = mark.type.name === 'character' ? (mark.attrs['style'] as string) : undefined;
  if (style === undefined || !isSourceMark(style)) return undefined;
  const look = LETTER_LOOKS.find((each) => sourceMark(each) === style);
  return look ? LOOK_NAMES[look] : copy.letters[Number(style.slice(sourceMark('' as LetterLook).length))];
}

/** What ends so is a sentence of running text. */
const ENDS_SENTENCE = /[.,;:]\s*$/;

/** A headline is no longer than this, in words. */
const HEADLINE = 25;

/** Blocks among which the first heading is the headline. */
const BEGINNING = 6;

/** “By Ada Fenn”, “Words by Ada Fenn and Ivo Marr”. */
const BYLINE = /^(?:words |text |story )?by\s+\p{Lu}[^.!?]{1,100}$/iu;

/**
 * Copy as a story. Its headline is the first heading, or a first line that is short enough for one, never the name of
 * its file; “By …” beside it the byline.
 */
export function storyOf(copy: Copy, mapping: Mapping = {}, house: HouseStyles = NO_STYLES): ReadStory {
  const { targets, headline, byline } = partsIn(copy.blocks, mapping, house);
  const parts: Record<'headline' | 'standfirst' | 'byline', string[]> = { headline: [], standfirst: [], byline: [] };
  const body: { block: Block; target: Target }[] = [];
  const pictures: { index: number; caption: string[]; credit: string[] }[] = [];
  let left = 0;
  /** The picture that words stand beside. */
  let beside: (typeof pictures)[number] | undefined;
  copy.blocks.forEach((block, i) => {
    const target = i === headline ? 'headline' : i === byline ? 'byline' : targets[i]!;
    if (block.kind === 'picture') {
      pictures.push((beside = { index: block.picture!, caption: [], credit: [] }));
      return;
    }
    if ((target === 'caption' || target === 'credit') && beside) {
      beside[target].push(wordsOf(block.content));
      return;
    }
    beside = undefined;
    if (target === 'leave') left++;
    else if (target === 'headline' || target === 'standfirst' || target === 'byline') parts[target].push(wordsOf(block.content));
    else body.push({ block, target });
  });
  // What stands in a cell of a table is a picture of the story all the same.
  for (let index = 0; index < copy.pictures.length; index++)
    if (!pictures.some((each) => each.index === index)) pictures.push({ index, caption: [], credit: [] });
  const paragraphs = targetedBlocks(body, looksOf(copy, mapping, house));
  if (paragraphs.length === 0) paragraphs.push(paragraphOf({ style: COPY_STYLES.first }));
  const doc = docOf(paragraphs);
  const text = bodyText(doc);
  const title = parts.headline.join(' ');
  const looks = droppedLooks(copy, mapping, house);
  return {
    name: cutTo(title || opening(text), 200),
    headline: title,
    standfirst: parts.standfirst.join(' ') || undefined,
    byline: parts.byline.join(', ') || undefined,
    body: doc.toJSON() as BodyJson,
    words: countWords(text),
    pictures: pictures.map(({ index, caption, credit }) => ({
      index,
      caption: caption.join(' ') || copy.pictures[index]!.says,
      credit: credit.join(' '),
    })),
    dropped: [
      ...copy.dropped,
      ...looks,
      ...(left > 0 ? [counted(left, 'paragraph that was left out', 'paragraphs that were left out')] : []),
    ],
  };
}

const NO_STYLES: HouseStyles = { paragraph: [], character: [] };

/** Which block is the headline; -1 where the copy has none. */
function headlineIn(blocks: readonly Block[], targets: readonly Target[], isFree: (i: number) => boolean): number {
  if (targets.includes('headline')) return -1;
  const words = blocks.map((block) =>
    block.kind === 'picture' || block.kind === 'table' ? Infinity : countWords(wordsOf(block.content)),
  );
  const heading = blocks.slice(0, BEGINNING).findIndex(({ kind }, i) => kind === 'heading' && isFree(i));
  const long = words.findIndex((count) => count > HEADLINE && count < Infinity);
  if (heading >= 0 && (long < 0 || heading < long)) return heading;
  const first = blocks.findIndex(({ kind }) => kind !== 'picture');
  const block = blocks[first];
  return block?.kind === 'paragraph' &&
    !block.list &&
    words[first]! <= HEADLINE &&
    isFree(first) &&
    !ENDS_SENTENCE.test(wordsOf(block.content)) &&
    !BYLINE.test(wordsOf(block.content))
    ? first
    : -1;
}

/** Which block is the byline: near the headline, or first where there is none. */
function bylineIn(
  blocks: readonly Block[],
  targets: readonly Target[],
  isFree: (i: number) => boolean,
  headline: number,
): number {
  if (targets.includes('byline')) return -1;
  const title = headline >= 0 ? headline : targets.indexOf('headline');
  return blocks.findIndex(
    (block, i) =>
      i !== title &&
      i <= title + 3 &&
      block.kind === 'paragraph' &&
      targets[i] === 'body' &&
      isFree(i) &&
      BYLINE.test(wordsOf(block.content).trim()),
  );
}

/** Words that a story without a headline is called by. */
const opening = (text: string): string => text.trim().split(/\s+/).slice(0, 6).join(' ') || 'Untitled';

/** What becomes of the looks of the source's letters: the character style, or none. */
function looksOf(copy: Copy, mapping: Mapping, house: HouseStyles): (mark: Mark) => Mark | undefined {
  return (mark) => {
    const look = lookIn(mark, copy);
    if (look === undefined) return isSource(mark) ? undefined : mark;
    const target = mapping[look] ?? usualLook(look, house);
    return target.startsWith('style:') ? markOf('character', { style: target.slice(6) }) : undefined;
  };
}

const isSource = (mark: Mark): boolean => mark.type.name === 'character' && isSourceMark(mark.attrs['style'] as string);

/** Looks of letters for which the house has no character style. */
function droppedLooks(copy: Copy, mapping: Mapping, house: HouseStyles): string[] {
  return sourceNames(copy, house)
    .filter(({ of, name, usual }) => of === 'letters' && !(mapping[name] ?? usual).startsWith('style:'))
    .map(({ name, count }) => `“${name}” in ${counted(count, 'place')}`);
}

/** Copy as paragraphs of running text, for a text that it is pasted into. */
export function bodyBlocks({ blocks }: Copy): Node[] {
  const own = blocks.filter(({ kind }) => kind !== 'picture');
  return targetedBlocks(
    own.map((block) => ({ block, target: usualTarget(block, NO_STYLES) })),
    (mark) => (isSource(mark) ? undefined : mark),
  );
}

/** Paragraphs in the styles that they become; running text behind a heading or table, and the first of all, has no indent. */
function targetedBlocks(
  blocks: readonly { readonly block: Block; readonly target: Target }[],
  look: (mark: Mark) => Mark | undefined,
): Node[] {
  const paragraphs: Node[] = [];
  let fresh = true;
  for (const { block, target } of blocks) {
    if (block.table) {
      paragraphs.push(tableOf(block.table, look));
      fresh = true;
      continue;
    }
    const style: string = target.startsWith('style:')
      ? target.slice(6)
      : target === 'caption' || target === 'credit'
        ? target
        : fresh
          ? COPY_STYLES.first
          : COPY_STYLES.body;
    fresh = block.kind === 'heading' || style === COPY_STYLES.heading;
    paragraphs.push(paragraphOf({ style, list: block.list, startIn: block.startIn }, looked(block.content, look)));
  }
  return paragraphs;
}

const looked = (content: readonly Node[], look: (mark: Mark) => Mark | undefined): Node[] =>
  content.map((node) => {
    const marks = node.marks.flatMap((mark) => look(mark) ?? []);
    return marks.length === node.marks.length && marks.every((mark, i) => mark === node.marks[i]) ? node : node.mark(marks);
  });

/** Points around what stands in a cell, and the weight of the line under a row. */
const CELL_INSET = { top: 2, right: 4, bottom: 2, left: 0 };
const ROW_RULE = { weight: 0.5, swatch: 'ink', tint: 1 };

/** Letters beyond which a column is not made wider for them. */
const WIDE = 40;

/** A table as it stands in a text: columns as wide as what is in them asks for. */
function tableOf({ head, rows }: TableRows, look: (mark: Mark) => Mark | undefined): Node {
  const widths: number[] = [];
  const cells = rows.map((row, r) =>
    bodySchema.node(
      'row',
      null,
      row.map(({ blocks, across, down }, c) => {
        const style = r < head ? COPY_STYLES.tableHead : COPY_STYLES.table;
        const own = blocks.filter(({ kind }) => kind !== 'picture');
        const content = own.map((block) => paragraphOf({ style, list: block.list }, looked(block.content, look)));
        const longest = Math.max(4, ...own.map(({ content: words }) => wordsOf(words).length));
        if (across === 1) widths[c] = Math.max(widths[c] ?? 4, Math.min(WIDE, longest));
        const attrs = { ...(across > 1 ? { across } : {}), ...(down > 1 ? { down } : {}) };
        return bodySchema.node('cell', attrs, content.length > 0 ? content : [paragraphOf({ style })]);
      }),
    ),
  );
  const count = Math.min(100, Math.max(...rows.map((row) => row.reduce((sum, { across }) => sum + across, 0))));
  const columns = Array.from({ length: count }, (_, i) => ({ share: widths[i] ?? 4 }));
  const attrs = { columns, headerRows: head, inset: CELL_INSET, rules: { rows: ROW_RULE, head: { ...ROW_RULE, weight: 1 } } };
  return bodySchema.node('table', attrs, cells);
}

const wordsOf = (nodes: readonly Node[]): string => nodes.map((node) => node.text ?? ' ').join('');
