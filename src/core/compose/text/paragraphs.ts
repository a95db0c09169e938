import type { Node } from 'prosemirror-model';
import { type Document, all, find } from '../../records/document';
import { spoken } from '../../records/language';
import type { ParagraphProperties } from '../../records/paragraphStyle';
import { same } from '../../records/same';
import type { ParagraphAttrs } from '../../records/text';
import type { Shaper } from '../../type/shaper';
import { PLAIN, type StyleSheet, styleSheet } from '../../type/styles';
import type { Inks } from '../displayList/inks';
import { Looks } from '../paragraph/looks';
import { prepare } from '../paragraph/prepare';
import type { Prepared } from '../paragraph/prepared';
import { ALONE, type Setting, type Situation } from '../paragraph/setting';

/** Situations that a paragraph is remembered in: a folio stands on every page. */
const MOST_SITUATIONS = 400;

interface Known {
  readonly style: ParagraphProperties;
  readonly prepared: Prepared;
}

/** Paragraphs made ready, each once for its style and what its fields show, as long as what it is set with stays. */
export class Paragraphs {
  readonly #shaper: Shaper;
  readonly #inks: Inks;
  #known = new WeakMap<Node, Map<string, Known>>();
  readonly #local = new WeakMap<object, { readonly style: ParagraphProperties; readonly over: ParagraphProperties }>();
  #from: readonly (readonly unknown[])[] = [];
  #sheet: StyleSheet = { paragraph: new Map(), character: new Map() };
  #setting!: Setting;

  constructor(shaper: Shaper, inks: Inks) {
    this.#shaper = shaper;
    this.#inks = inks;
  }

  get sheet(): StyleSheet {
    return this.#sheet;
  }

  get setting(): Setting {
    return this.#setting;
  }

  /** Keeps what the styles' changes leave valid: paragraphs by their style, looks by swatches, character styles and language. */
  takeStyles(document: Document): void {
    const language = spoken(find(document, 'issue', 'issue')?.language);
    const now = [
      all(document, 'paragraphStyle'),
      all(document, 'characterStyle'),
      all(document, 'swatch'),
      all(document, 'picture'),
    ];
    const alike = (a: readonly unknown[] | undefined, b: readonly unknown[]) =>
      a !== undefined && a.length === b.length && a.every((each, i) => each === b[i]);
    const [paragraphs, characters, swatches, pictures] = now.map((list, i) => alike(this.#from[i], list));
    const sameLanguage = this.#setting?.language === language;
    if (!paragraphs || !characters) this.#sheet = reconciled(this.#sheet, styleSheet(document));
    if (!characters || !swatches || !pictures || !sameLanguage) {
      this.#known = new WeakMap();
      const ink = (swatch: string, tint: number) => this.#inks.ink(document, swatch, tint);
      this.#setting = {
        looks: new Looks(this.#shaper, language, this.#sheet.character, ink, (colours) => this.#inks.ramp(document, colours)),
        language,
        picture: (id) => find(document, 'picture', id),
      };
    }
    this.#from = now;
  }

  /** What a paragraph's style says, and what is said of it by hand over that. */
  styleOf(paragraph: Node): ParagraphProperties {
    const { style: id, local } = paragraph.attrs as ParagraphAttrs;
    const style = this.#sheet.paragraph.get(id) ?? PLAIN;
    if (!local) return style;
    let own = this.#local.get(local);
    if (own?.style !== style) this.#local.set(local, (own = { style, over: { ...style, ...local } }));
    return own.over;
  }

  /** @throws FaceError when a face it needs has not been loaded */
  prepared(paragraph: Node, situation: Situation = ALONE): Prepared {
    const style = this.styleOf(paragraph);
    const key = situation === ALONE ? '' : `${situation.endsStory}|${situation.values.join('|')}`;
    return this.#kept(paragraph, key, style, () => prepare(paragraph, style, this.#setting, situation));
  }

  /** A paragraph of type that is fitted to its frame: so much larger than its style says, and not hyphenated. */
  scaled(paragraph: Node, style: ParagraphProperties, situation: Situation, factor: number): Prepared {
    return this.#kept(paragraph, `fit ${factor} ${situation.values.join('|')}`, style, () => {
      const scaled = { ...style, size: style.size * factor, leading: style.leading * factor, hyphens: false };
      return prepare(paragraph, scaled, this.#setting, situation);
    });
  }

  #kept(paragraph: Node, key: string, style: ParagraphProperties, make: () => Prepared): Prepared {
    let own = this.#known.get(paragraph);
    if (!own) this.#known.set(paragraph, (own = new Map()));
    const known = own.get(key);
    if (known?.style === style) return known.prepared;
    const prepared = make();
    if (own.size >= MOST_SITUATIONS) own.clear();
    own.set(key, { style, prepared });
    return prepared;
  }
}

/** Styles that came out as they were keep their objects: what was prepared with them stays good. */
function reconciled(old: StyleSheet, now: StyleSheet): StyleSheet {
  const each = <T>(before: ReadonlyMap<string, T>, after: ReadonlyMap<string, T>): ReadonlyMap<string, T> =>
    new Map([...after].map(([id, style]) => [id, same(before.get(id), style) ? before.get(id)! : style]));
  return { paragraph: each(old.paragraph, now.paragraph), character: each(old.character, now.character) };
}
