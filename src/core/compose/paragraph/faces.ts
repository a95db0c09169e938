import { paragraphsOf, plainText } from '../../records/body';
import type { CharacterProperties } from '../../records/characterStyle';
import type { LocalAttrs, ParagraphAttrs } from '../../records/text';
import { type Document, all, find } from '../../records/document';
import { spoken } from '../../records/language';
import type { Node } from 'prosemirror-model';
import { chooseFace, FALLBACKS } from '../../type/catalogue';
import { PLAIN, styleSheet } from '../../type/styles';

/**
 * The faces a document may be set in: for each of its styles the face itself, its italic, its bold and its bold
 * italic, as emphasis in a text may ask for any of them; each character style over each paragraph style; and for
 * characters that those may lack the faces that have them.
 */
export function facesOf(document: Document): string[] {
  const ids = new Set<string>();
  const sheet = styleSheet(document);
  const local = all(document, 'text').flatMap(({ body }) => localIn(body));
  for (const style of [PLAIN, ...sheet.paragraph.values()]) {
    for (const own of [{}, ...sheet.character.values(), ...local.filter(asksForFace)]) {
      const { family, weight, italic } = { ...style, ...own };
      for (const heavy of [weight, Math.max(700, weight)]) {
        for (const slant of [italic, !italic]) {
          const choice = chooseFace(family, heavy, slant) ?? chooseFace(PLAIN.family, heavy, slant);
          if (choice) ids.add(choice.face.id);
        }
      }
    }
    for (const { face, for: needs } of FALLBACKS) {
      const shown = style.bullet + (style.endMark?.text ?? '');
      if (needs.test(shown.replace(USUAL, ''))) ids.add(face);
    }
  }
  for (const text of all(document, 'text')) for (const id of fallbacksOf(text.body)) ids.add(id);
  return [...ids];
}

/** The languages, as BCP 47 tags, that a document's words may be hyphenated in. */
export function languagesOf(document: Document): string[] {
  const { paragraph, character } = styleSheet(document);
  const local = all(document, 'text').flatMap(({ body }) => localIn(body));
  const own = [...paragraph.values(), ...character.values(), ...local].map(({ language }) => language ?? '');
  return [...new Set([spoken(find(document, 'issue', 'issue')?.language), ...own])];
}

/** Latin with its accents and usual punctuation: every family has it. */
const USUAL = /[\u0000-\u024F\u2000-\u206F]+/g;

const asksForFace = ({ family, weight, italic }: Partial<CharacterProperties>): boolean =>
  family !== undefined || weight !== undefined || italic !== undefined;

const knownLocal = new WeakMap<Node, readonly Partial<CharacterProperties>[]>();

/** What is said by hand in a node, of paragraphs and of letters, each once. */
function localIn(node: Node): readonly Partial<CharacterProperties>[] {
  let out = knownLocal.get(node);
  if (!out) {
    const own = new Map<string, Partial<CharacterProperties>>();
    const take = (properties: Partial<CharacterProperties>) => own.set(JSON.stringify(properties), properties);
    const { local } = node.attrs as ParagraphAttrs;
    if (local) take(local);
    for (const mark of node.marks) if (mark.type.name === 'local') take((mark.attrs as LocalAttrs).properties);
    node.forEach((child) => localIn(child).forEach(take));
    out = own.size === 0 ? NONE : [...own.values()];
    if (node.isBlock) knownLocal.set(node, out);
  }
  return out;
}

const NONE: readonly Partial<CharacterProperties>[] = [];

const known = new WeakMap<Node, readonly string[]>();

function fallbacksOf(body: Node): readonly string[] {
  let ids = known.get(body);
  if (!ids) {
    let unusual = '';
    for (const paragraph of paragraphsOf(body)) unusual += plainText(paragraph).replace(USUAL, '');
    ids = unusual === '' ? [] : FALLBACKS.filter(({ for: needs }) => needs.test(unusual)).map(({ face }) => face);
    known.set(body, ids);
  }
  return ids;
}
