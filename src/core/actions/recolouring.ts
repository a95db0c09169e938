import { Fragment, type Node } from 'prosemirror-model';
import { finished } from '../page/finished';
import { all, type Document, find, framesOn, get } from '../records/document';
import type { CharacterProperties } from '../records/characterStyle';
import type { Diff } from '../records/diff';
import { FINISHED } from '../records/frame';
import type { FrameRecord, SwatchRecord } from '../records/index';
import { textIn } from '../records/kinds/frames';
import { markOf } from '../records/body';
import { type Lead, led, referring } from '../records/references';
import { said } from '../records/said';
import type { ParagraphProperties } from '../records/paragraphStyle';
import type { LocalAttrs, ParagraphAttrs } from '../records/text';
import { PLAIN, styleSheet, type StyleSheet } from '../type/styles';
import { ActionError, Edit, newId } from './edit';
import { removeSwatch } from './colour';
import { saysItself } from './finishes';
import { putInstead } from './instead';

/** Which swatch takes the place of which, by id. */
export type Instead = ReadonlyMap<string, string>;

/**
 * Gives what lies on some pages other colours. What a style or finish says there is said by the frame or text itself from then on,
 * so that all other pages stay as they are; a text that goes on elsewhere is recoloured there too.
 *
 * @throws ActionError where nothing on those pages has any of the colours
 */
export function recolourPages(document: Document, pages: readonly string[], instead: Instead): Diff {
  const edit = new Edit(document);
  for (const to of instead.values()) get(document, 'swatch', to);
  if (recolour(edit, pages, instead).size === 0) throw new ActionError('Nothing there is in that colour.');
  return edit.diff();
}

/** Puts one colour in the place of another everywhere; a colour without a role is gone then: the two have become one. */
export function mergeSwatch(document: Document, id: string, into: string): Diff {
  if (!get(document, 'swatch', id).role) return removeSwatch(document, id, into);
  const edit = new Edit(document);
  putInstead(edit, 'swatch', id, into);
  return edit.diff();
}

/** Gives what lies on some pages the colours of a palette: each that has a role gives way to one of the palette's for that role. */
export function givePalette(document: Document, pages: readonly string[], palette: string): Diff {
  const edit = new Edit(document);
  const { name, colours } = get(document, 'palette', palette);
  const instead = new Map<string, string>();
  for (const swatch of all(document, 'swatch')) {
    if (!swatch.role) continue;
    const own = `${swatch.name}, ${name}`;
    const there = all(edit.document, 'swatch').find((each) => each.name === own && !each.role);
    instead.set(
      swatch.id,
      there?.id ?? edit.put<SwatchRecord>({ id: newId(), kind: 'swatch', name: own, cmyk: colours[swatch.role] }).id,
    );
  }
  const given = recolour(edit, pages, instead);
  // Only the colours that something was given come in.
  for (const id of instead.values()) if (!given.has(id) && !find(document, 'swatch', id)) edit.remove(id);
  if (given.size === 0) throw new ActionError('Nothing there has a colour of the palette.');
  return edit.diff();
}

/** @returns the swatches that something has now */
function recolour(edit: Edit, pages: readonly string[], instead: Instead): ReadonlySet<string> {
  const given = new Set<string>();
  const other = (id: string): string => {
    const to = instead.get(id);
    if (to !== undefined) given.add(to);
    return to ?? id;
  };
  const lead: Lead = ({ id, to }) => (to.includes('swatch') ? other(id) : id);
  const frames = pages.flatMap((page) => framesOn(edit.document, page));
  for (const frame of frames) {
    const as = finished(edit.document, frame);
    const own = led(as, lead);
    if (own === as) continue;
    const changes = Object.fromEntries(
      FINISHED.filter((key) => own[key as keyof FrameRecord] !== as[key as keyof FrameRecord]).map((key) => [
        key,
        own[key as keyof FrameRecord],
      ]),
    );
    const content = own.content === as.content ? frame.content : led(frame, lead).content;
    edit.put<FrameRecord>(said({ ...frame, content, ...changes, ...saysItself(frame, changes) }));
  }
  const sheet = styleSheet(edit.document);
  for (const id of new Set(frames.flatMap((frame) => textIn(frame) ?? []))) {
    const text = get(edit.document, 'text', id);
    const body = recoloured(led(text, lead).body, sheet, other);
    if (body !== text.body) edit.put({ ...text, body });
  }
  return given;
}

/** Parts of a look that have a colour of their own. */
const PARTS = ['letterOutline', 'highlight', 'gradient', 'ruleAbove', 'ruleBelow', 'panel'] as const;

/** What of some properties is in colours that give way, in the others. */
function otherwise(of: Partial<ParagraphProperties>, other: (id: string) => string): Partial<ParagraphProperties> | undefined {
  const out: Record<string, unknown> = {};
  if (of.swatch !== undefined && other(of.swatch) !== of.swatch) out['swatch'] = other(of.swatch);
  for (const key of PARTS) {
    const part = of[key];
    if (part && other(part.swatch) !== part.swatch) out[key] = { ...part, swatch: other(part.swatch) };
  }
  return Object.keys(out).length > 0 ? out : undefined;
}

/** A body with what its styles say of colours said otherwise in it. */
function recoloured(node: Node, sheet: StyleSheet, other: (id: string) => string): Node {
  if (node.isText) {
    const style = node.marks.find(({ type }) => type.name === 'character');
    const changes = style && otherwise(sheet.character.get(style.attrs['style'] as string) ?? {}, other);
    if (!changes) return node;
    const local = node.marks.find(({ type }) => type.name === 'local');
    const properties: Partial<CharacterProperties> = { ...changes, ...(local?.attrs as LocalAttrs | undefined)?.properties };
    const mark = markOf('local', { properties });
    return node.mark(mark.addToSet(local ? local.removeFromSet(node.marks) : node.marks));
  }
  let attrs = node.attrs;
  if (node.type.name === 'paragraph') {
    const { style, local } = node.attrs as ParagraphAttrs;
    const changes = otherwise({ ...(sheet.paragraph.get(style) ?? PLAIN), ...local }, other);
    if (changes) attrs = { ...attrs, local: { ...local, ...changes } };
  }
  const children = node.content.content.map((child) => recoloured(child, sheet, other));
  if (attrs === node.attrs && children.every((child, i) => child === node.child(i))) return node;
  return node.type.create(attrs, Fragment.fromArray(children), node.marks);
}

/** Where a swatch is used. */
export interface SwatchUses {
  /** Pages with frames on them that have it, or show words that do. */
  readonly pages: readonly { readonly page: string; readonly frames: readonly string[] }[];
  /** Names of styles, finishes, masters and pieces of furniture. */
  readonly named: readonly string[];
}

export function usesOfSwatch(document: Document, id: string): SwatchUses {
  const pages = new Map<string, Set<string>>();
  const named = new Set<string>();
  const onPage = (frame: FrameRecord) => {
    if (find(document, 'page', frame.on)) pages.set(frame.on, (pages.get(frame.on) ?? new Set()).add(frame.id));
    else {
      const on = find(document, 'master', frame.on) ?? find(document, 'furniture', frame.on);
      if (on) named.add(on.name);
    }
  };
  for (const { record } of referring(document, [get(document, 'swatch', id)])) {
    if (record.kind === 'frame') onPage(record);
    else if (record.kind === 'text')
      for (const frame of all(document, 'frame')) {
        if (textIn(frame) === record.id) onPage(frame);
      }
    else if ('name' in record && record.name) named.add(record.name);
  }
  const order = new Map(all(document, 'page').map((page, i) => [page.id, i]));
  return {
    pages: [...pages]
      .map(([page, frames]) => ({ page, frames: [...frames] }))
      .sort((a, b) => order.get(a.page)! - order.get(b.page)!),
    named: [...named].sort((a, b) => a.localeCompare(b, 'en')),
  };
}
