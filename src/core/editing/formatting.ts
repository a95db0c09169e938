import type { Mark, MarkType, Node } from 'prosemirror-model';
import type { EditorState, Transaction } from 'prosemirror-state';
import { markOf, type MarkName } from '../records/body';
import { bodySchema } from '../records/bodySchema';
import type { CharacterProperties } from '../records/characterStyle';
import type { ParagraphProperties } from '../records/paragraphStyle';
import { said } from '../records/said';
import { same } from '../records/same';
import type { ListAttrs, LocalAttrs, ParagraphAttrs } from '../records/text';
import { PLAIN, type StyleSheet } from '../type/styles';
import { marksNow, type TextCommand } from './typing';

/** Formatting of what is selected: styles, marks, and what is said by hand over them. */

/** What is so throughout, what is so in part, and what is not. */
export type Extent = 'all' | 'some' | 'none';

/** What is selected, as it is formatted. Undefined where it differs from one place to another, or is not there. */
export interface Formatting {
  readonly paragraphStyle: string | undefined;
  readonly characterStyle: string | undefined;
  readonly strong: Extent;
  readonly emphasis: Extent;
  readonly superscript: Extent;
  readonly subscript: Extent;
  readonly link: string | undefined;
  readonly list: ListAttrs['kind'] | undefined;
  /** What the letters look like, over all that says so; a property is left out where it differs. */
  readonly letters: Partial<ParagraphProperties>;
  /** Something of it is formatted by hand. */
  readonly local: boolean;
}

/** A paragraph of which something is selected, and what of it: positions in the body. */
interface Reached {
  readonly node: Node;
  readonly position: number;
  readonly from: number;
  readonly to: number;
}

/** The paragraphs that a selection reaches. One that it only touches at its beginning is not among them. */
function reached({ doc, selection: { from, to, empty } }: EditorState): Reached[] {
  const out: Reached[] = [];
  doc.nodesBetween(from, to, (node, position) => {
    if (node.type.name !== 'paragraph') return true;
    const [start, end] = [position + 1, position + node.nodeSize - 1];
    if (!empty && start === to && from < start - 1) return false;
    out.push({ node, position, from: Math.max(from, start), to: Math.min(to, end) });
    return false;
  });
  return out;
}

const isWhole = ({ node, position, from, to }: Reached): boolean => from === position + 1 && to === position + node.nodeSize - 1;

interface Stretch {
  readonly marks: readonly Mark[];
  readonly paragraph: ParagraphAttrs;
}

/** The stretches of selected letters, those that are formatted alike once; where none are, what would be typed. */
function stretches(state: EditorState): Stretch[] {
  const out: Stretch[] = [];
  // Fifty pages are mostly plain words in two or three styles.
  const seen = new Map<readonly Mark[], Set<string>>();
  const add = (marks: readonly Mark[], paragraph: ParagraphAttrs) => {
    if (!paragraph.local) {
      let own = seen.get(marks);
      if (!own) seen.set(marks, (own = new Set()));
      const key = `${paragraph.style} ${paragraph.list?.kind}`;
      if (own.has(key)) return;
      own.add(key);
    }
    out.push({ marks, paragraph });
  };
  for (const each of reached(state)) {
    const paragraph = each.node.attrs as ParagraphAttrs;
    if (each.from === each.to) {
      if (state.selection.empty || each.node.content.size === 0) add(state.selection.empty ? marksNow(state) : [], paragraph);
      continue;
    }
    each.node.forEach((child, offset) => {
      const start = each.position + 1 + offset;
      if (start < each.to && start + child.nodeSize > each.from) add(child.marks, paragraph);
    });
  }
  return out;
}

const attrOf = (marks: readonly Mark[], name: MarkName, attr: string): string | undefined =>
  marks.find(({ type }) => type.name === name)?.attrs[attr] as string | undefined;

const localOf = (marks: readonly Mark[]): Partial<CharacterProperties> =>
  (marks.find(({ type }) => type.name === 'local')?.attrs as LocalAttrs | undefined)?.properties ?? {};

/** What a stretch of letters looks like, over all that says so but emphasis and the like, which are marks of their own. */
function lettersOf(marks: readonly Mark[], { style, local }: ParagraphAttrs, sheet: StyleSheet): ParagraphProperties {
  const character = attrOf(marks, 'character', 'style');
  return {
    ...(sheet.paragraph.get(style) ?? PLAIN),
    ...local,
    ...(character ? sheet.character.get(character) : undefined),
    ...localOf(marks),
  };
}

/** What all of some values are; undefined where they differ. */
function common<T>(list: readonly T[]): T | undefined {
  return list.length > 0 && list.every((each) => same(each, list[0])) ? list[0] : undefined;
}

/** How what is selected is formatted. */
export function formattingOf(state: EditorState, sheet: StyleSheet): Formatting {
  const parts = stretches(state);
  const extent = (name: MarkName): Extent => {
    const has = parts.filter(({ marks }) => marks.some(({ type }) => type.name === name)).length;
    return has === 0 ? 'none' : has === parts.length ? 'all' : 'some';
  };
  const looks = parts.map(({ marks, paragraph }) => lettersOf(marks, paragraph, sheet));
  const letters: Record<string, unknown> = {};
  for (const key of Object.keys(PLAIN) as (keyof ParagraphProperties)[]) {
    const value = common(looks.map((look) => look[key]));
    if (value !== undefined) letters[key] = value;
  }
  return {
    paragraphStyle: common(parts.map(({ paragraph }) => paragraph.style)),
    characterStyle: common(parts.map(({ marks }) => attrOf(marks, 'character', 'style'))),
    strong: extent('strong'),
    emphasis: extent('emphasis'),
    superscript: extent('superscript'),
    subscript: extent('subscript'),
    link: common(parts.map(({ marks }) => attrOf(marks, 'link', 'href'))),
    list: common(parts.map(({ paragraph }) => paragraph.list?.kind)),
    letters: letters as Partial<ParagraphProperties>,
    local: parts.some(({ marks, paragraph }) => paragraph.local !== undefined || Object.keys(localOf(marks)).length > 0),
  };
}

const changed = (tr: Transaction): Transaction | undefined => (tr.docChanged || tr.storedMarksSet ? tr : undefined);

/** Gives what is selected a mark, or takes it off; where nothing is selected, what is typed next. */
function withMark(state: EditorState, tr: Transaction, type: MarkType, mark: Mark | undefined): Transaction {
  if (state.selection.empty) return mark ? tr.addStoredMark(mark) : tr.removeStoredMark(type);
  for (const { from, to } of reached(state)) {
    if (from === to) continue;
    if (mark) tr.addMark(from, to, mark);
    else tr.removeMark(from, to, type);
  }
  return tr;
}

/** Marks that are there or not: emphasis, strong, superscript, subscript. What is so in part becomes so throughout. */
export const toggle =
  (name: 'emphasis' | 'strong' | 'superscript' | 'subscript'): TextCommand =>
  (state) => {
    const type = bodySchema.marks[name]!;
    const isAll = stretches(state).every(({ marks }) => type.isInSet(marks));
    return changed(withMark(state, state.tr, type, isAll ? undefined : type.create()));
  };

/** The letters in a character style; in none where it is undefined. */
export const setCharacterStyle =
  (style: string | undefined): TextCommand =>
  (state) =>
    changed(
      withMark(state, state.tr, bodySchema.marks['character']!, style === undefined ? undefined : markOf('character', { style })),
    );

/** Leads what is selected to an address; to none where it is undefined. With a caret, all of the link that it stands in. */
export const setLink =
  (href: string | undefined): TextCommand =>
  (state) => {
    const type = bodySchema.marks['link']!;
    const { tr, selection } = state;
    if (!selection.empty) return changed(withMark(state, tr, type, href === undefined ? undefined : type.create({ href })));
    const link = linkAround(state);
    if (!link) return undefined;
    tr.removeMark(link.from, link.to, type);
    return changed(href === undefined ? tr : tr.addMark(link.from, link.to, type.create({ href })));
  };

function linkAround({ selection: { $from } }: EditorState): { readonly from: number; readonly to: number } | undefined {
  const type = bodySchema.marks['link']!;
  const { parent } = $from;
  const own = type.isInSet($from.marks()) ?? ($from.nodeAfter && type.isInSet($from.nodeAfter.marks));
  if (!own) return undefined;
  let from = $from.index();
  if (from > 0 && $from.textOffset === 0 && own.isInSet(parent.child(from - 1).marks)) from--;
  let to = from;
  while (from > 0 && own.isInSet(parent.child(from - 1).marks)) from--;
  while (to + 1 < parent.childCount && own.isInSet(parent.child(to + 1).marks)) to++;
  return { from: $from.posAtIndex(from), to: $from.posAtIndex(to) + parent.child(to).nodeSize };
}

/** Attributes of the paragraphs that are selected: style, list, where they start. What is given as undefined is taken off. */
export const setParagraphs =
  (attrs: Partial<ParagraphAttrs>): TextCommand =>
  (state) => {
    const { tr } = state;
    for (const { node, position } of reached(state))
      for (const [key, value] of Object.entries(attrs))
        // Attribute by attribute, so that what others type there meanwhile is left alone.
        if (!same(node.attrs[key], value)) tr.setNodeAttribute(position, key, value);
    return changed(tr.setStoredMarks(state.storedMarks));
  };

/** Makes the paragraphs that are selected a list, or plain where all of them are such a list already. */
export const toggleList =
  (kind: ListAttrs['kind']): TextCommand =>
  (state) => {
    const { tr } = state;
    const every = reached(state);
    const isList = every.every(({ node }) => (node.attrs as ParagraphAttrs).list?.kind === kind);
    every.forEach(({ node, position }, i) => {
      const level = (node.attrs as ParagraphAttrs).list?.level ?? 0;
      const list: ListAttrs = kind === 'number' ? { kind, level, number: i + 1 } : { kind, level };
      tr.setNodeAttribute(position, 'list', isList ? undefined : list);
    });
    return changed(tr);
  };

/** Moves the items of a list that are selected a level in or out. */
export const indentList =
  (by: 1 | -1): TextCommand =>
  (state) => {
    const { tr } = state;
    for (const { node, position } of reached(state)) {
      const { list } = node.attrs as ParagraphAttrs;
      if (!list) continue;
      const level = Math.max(0, Math.min(8, list.level + by));
      if (level !== list.level) tr.setNodeAttribute(position, 'list', { ...list, level });
    }
    return changed(tr);
  };

/** What is said of letters by hand, worked out from what they look like; what is undefined is left to their styles. */
export type LetterChange = (now: ParagraphProperties) => {
  readonly [K in keyof ParagraphProperties]?: ParagraphProperties[K] | undefined;
};

/**
 * Formats letters by hand. Of a paragraph that is selected whole the paragraph says it, so that what is typed there later
 * is so too; of some of its letters, they do.
 */
export const sayOfLetters =
  (change: LetterChange, sheet: StyleSheet): TextCommand =>
  (state) => {
    const { tr } = state;
    if (state.selection.empty && paragraphHasText(state)) {
      const marks = marksNow(state);
      const paragraph = state.selection.$from.parent.attrs as ParagraphAttrs;
      const { leading: _, ...asked } = change(lettersOf(marks, paragraph, sheet));
      return changed(withLocal(tr, undefined, said({ ...localOf(marks), ...asked })));
    }
    for (const each of reached(state)) {
      const attrs = each.node.attrs as ParagraphAttrs;
      const whole = isWhole(each);
      let own: Partial<ParagraphProperties> = attrs.local ?? {};
      if (whole) {
        own = said({ ...own, ...change({ ...(sheet.paragraph.get(attrs.style) ?? PLAIN), ...attrs.local }) });
        tr.setNodeAttribute(each.position, 'local', Object.keys(own).length > 0 ? own : undefined);
      }
      each.node.forEach((child, offset) => {
        const from = Math.max(each.from, each.position + 1 + offset);
        const to = Math.min(each.to, each.position + 1 + offset + child.nodeSize);
        if (from >= to) return;
        const before = localOf(child.marks);
        const asked = change(lettersOf(child.marks, attrs, sheet));
        // Where the paragraph says it, its letters need not, unless their own style says otherwise.
        const character = attrOf(child.marks, 'character', 'style');
        const beneath = { ...own, ...(character ? sheet.character.get(character) : undefined) } as Record<string, unknown>;
        const next = Object.fromEntries(
          Object.entries({ ...before, ...asked }).filter(
            ([key, value]) => value !== undefined && !(whole && same(beneath[key], value)) && !(key === 'leading'),
          ),
        );
        if (!same(next, before)) withLocal(tr, { from, to }, next);
      });
    }
    return changed(tr);
  };

const paragraphHasText = ({ selection: { $from } }: EditorState): boolean => $from.parent.content.size > 0;

function withLocal(
  tr: Transaction,
  at: { readonly from: number; readonly to: number } | undefined,
  properties: Partial<CharacterProperties>,
): Transaction {
  const type = bodySchema.marks['local']!;
  const mark = Object.keys(properties).length > 0 ? markOf('local', { properties }) : undefined;
  if (!at) return mark ? tr.addStoredMark(mark) : tr.removeStoredMark(type);
  return mark ? tr.addMark(at.from, at.to, mark) : tr.removeMark(at.from, at.to, type);
}

/** Says properties by hand, the same for all that is selected. */
export const setLetters = (properties: ReturnType<LetterChange>, sheet: StyleSheet): TextCommand =>
  sayOfLetters(() => properties, sheet);

/** What a press makes a size larger or smaller by: half a point in text, more in headlines (common practice). */
const sizeStep = (size: number): number => (size < 14 ? 0.5 : size < 30 ? 1 : size < 72 ? 2 : 4);

/** Makes type a step larger or smaller; its leading follows, so that lines stay as open as they are. */
export const stepSize = (by: 1 | -1, sheet: StyleSheet): TextCommand =>
  sayOfLetters(({ size, leading }) => {
    const step = by * sizeStep(by > 0 ? size : size - 0.01);
    const next = Math.max(1, Math.round((size + step) * 100) / 100);
    return { size: next, leading: Math.round(((leading * next) / size) * 100) / 100 };
  }, sheet);

/** Sets letters wider or closer by so many thousandths of an em. */
export const stepTracking = (by: number, sheet: StyleSheet): TextCommand =>
  sayOfLetters(({ tracking }) => ({ tracking: tracking + by }), sheet);

/** Takes off all that is said by hand: letters and paragraphs look as their styles say. Emphasis and styles stay. */
export const clearLocal: TextCommand = (state) => {
  const { tr } = state;
  for (const { node, position, from, to } of reached(state)) {
    if ((node.attrs as ParagraphAttrs).local) tr.setNodeAttribute(position, 'local', undefined);
    if (from < to) tr.removeMark(from, to, bodySchema.marks['local']!);
  }
  return changed(tr.removeStoredMark(bodySchema.marks['local']!));
};

/** What is said by hand of the first paragraph that is selected, and of all its letters alike. */
export function localOfParagraph(state: EditorState): Partial<ParagraphProperties> {
  const first = reached(state)[0];
  if (!first) return {};
  const { local } = first.node.attrs as ParagraphAttrs;
  const letters = common(first.node.content.content.map(({ marks }) => localOf(marks))) ?? {};
  return { ...local, ...letters };
}
