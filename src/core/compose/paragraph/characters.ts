import type { CharacterProperties } from '../../records/characterStyle';
import type { ParagraphProperties } from '../../records/paragraphStyle';
import type { Node } from 'prosemirror-model';
import type { InlinePictureAttrs } from '../../records/text';
import { spoken } from '../../records/language';
import type { InlinePicture } from './prepared';
import type { Setting, Situation } from './setting';

/** A stretch of characters with the same properties. */
export interface Segment {
  readonly from: number;
  readonly to: number;
  readonly properties: CharacterProperties;
}

/** A paragraph as it shows: its characters with fields filled in and letters in their case, and how they look. */
export interface Characters {
  readonly text: string;
  readonly segments: readonly Segment[];
  readonly positions: Uint32Array | undefined;
  readonly pictures: readonly InlinePicture[];
  readonly fields: readonly { readonly at: number; readonly value: string }[] | undefined;
}

/** Stands for a picture in the text. */
export const OBJECT = '\uFFFC';
const LINE_SEPARATOR = '\u2028';
const NARROW = '\u00A0';

/** @param lead characters of a first-line lead-in, where they are known */
export function charactersOf(
  paragraph: Node,
  style: ParagraphProperties,
  setting: Setting,
  situation: Situation,
  lead: number | undefined,
): Characters {
  const { looks } = setting;
  let text = '';
  let mapped = false;
  let position = 0;
  let fieldCount = 0;
  const segments: Segment[] = [];
  const positions: number[] = [];
  const pictures: InlinePicture[] = [];
  const fields: { at: number; value: string }[] = [];
  for (const node of paragraph.content.content) {
    const properties = looks.marked(style, node.marks);
    const isField = node.type.name === 'field';
    const typed = shown(node, isField ? (situation.values[fieldCount++] ?? '') : '');
    if (isField) fields.push({ at: text.length, value: typed });
    if (node.type.name === 'picture') pictures.push(inlinePicture(node.attrs as InlinePictureAttrs, text.length, setting));
    const own = inCase(typed, properties, setting.language);
    if (own.length > 0) push(segments, text.length, text.length + own.length, properties);
    if (isField || own.length !== typed.length) {
      if (!mapped) for (let i = 0; i < text.length; i++) positions.push(i);
      mapped = true;
    }
    if (mapped) {
      const from = node.isText && own.length !== typed.length ? caseMap(typed, properties, setting.language) : undefined;
      for (let i = 0; i < own.length; i++) positions.push(node.isText ? position + (from ? from[i]! : i) : position);
    }
    text += own;
    position += node.nodeSize;
  }
  if (style.endMark && situation.endsStory && text !== '') {
    if (!mapped) for (let i = 0; i < text.length; i++) positions.push(i);
    mapped = true;
    const mark = `${NARROW}${style.endMark.text}`;
    push(segments, text.length, text.length + mark.length, looks.styled(style, style.endMark.style));
    for (let i = 0; i < mark.length; i++) positions.push(position);
    text += mark;
  }
  if (mapped) positions.push(position);
  return {
    text,
    segments: withLead(segments, text, style, setting, lead),
    positions: mapped ? Uint32Array.from(positions) : undefined,
    pictures,
    fields: fieldCount > 0 ? fields : undefined,
  };
}

function push(segments: Segment[], from: number, to: number, properties: CharacterProperties): void {
  const last = segments.at(-1);
  if (last?.properties === properties) segments[segments.length - 1] = { ...last, to };
  else segments.push({ from, to, properties });
}

/** Controls that mean nothing here and would show as a box; none of them takes room. */

const CONTROLS = /[\u0000-\u0008\u000B\u000C\u000E-\u001F\u007F-\u009F]/g;

function shown(node: Node, value: string): string {
  if (node.type.name === 'lineBreak') return LINE_SEPARATOR;
  if (node.type.name === 'picture') return OBJECT;
  return (node.type.name === 'field' ? value : (node.text ?? '')).replace(CONTROLS, '\u200C');
}

function inlinePicture({ picture, height, rise }: InlinePictureAttrs, at: number, setting: Setting): InlinePicture {
  const size = setting.picture(picture);
  return { at, picture, height, width: size ? (height * size.width) / size.height : height, rise: rise ?? 0 };
}

function inCase(text: string, { letterCase, language }: CharacterProperties, usual: string): string {
  if (letterCase === 'upper') return text.toLocaleUpperCase(spoken(language, usual));
  return letterCase === 'lower' ? text.toLocaleLowerCase(spoken(language, usual)) : text;
}

/** For every character of the changed text: which of the typed ones it comes from. */
function caseMap(text: string, properties: CharacterProperties, usual: string): number[] {
  const out: number[] = [];
  for (let i = 0; i < text.length; i++) {
    for (let k = inCase(text[i]!, properties, usual).length; k > 0; k--) out.push(i);
  }
  return out;
}

/** The lead-in's character style laid over the beginning. */
function withLead(
  segments: readonly Segment[],
  text: string,
  style: ParagraphProperties,
  { looks }: Setting,
  lead: number | undefined,
): readonly Segment[] {
  if (!style.leadIn) return segments;
  const to = style.leadIn.extent === 'line' ? (lead ?? 0) : wordsEnd(text, style.leadIn.extent);
  return segments.flatMap((segment) => {
    if (segment.from >= to) return [segment];
    const own = { ...segment, to: Math.min(segment.to, to), properties: looks.styled(segment.properties, style.leadIn!.style) };
    return segment.to > to ? [own, { ...segment, from: to }] : [own];
  });
}

/** Where the first `count` words end. */
function wordsEnd(text: string, count: number): number {
  let at = 0;
  for (let i = 0; i < count && at < text.length; i++) {
    while (at < text.length && /\s/.test(text[at]!)) at++;
    while (at < text.length && !/\s/.test(text[at]!)) at++;
  }
  return at;
}
