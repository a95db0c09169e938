import type { OutParagraph, Run } from '@/core/handoff/reading/outline';
import { COPY_STYLES } from '@/core/plan/copyStyles';
import type { CharacterProperties } from '@/core/records/characterStyle';
import type { Document } from '@/core/records/document';
import type { ParagraphProperties, ParagraphRule } from '@/core/records/paragraphStyle';
import { type CatalogueFace, chooseFace } from '@/core/type/catalogue';
import { featuresOf } from '@/core/compose/paragraph/looks';
import { PLAIN, type StyleSheet, styleSheet } from '@/core/type/styles';
import { HouseColours } from './houseColours';

/** What running text is read at, rem, and the smallest that words are given. */
const TEXT_REM = 1.125;
const LEAST_REM = 0.8125;
/** What the largest words are given on a wide screen and on a narrow one. */
const MOST_REM = 4.5;
const MOST_NARROW_REM = 2.4;
/** Above this the size of words follows the width of the screen. */
const FLUID_REM = 1.7;
/** Lines as wide as a screen’s are read with more between them than those of a column. */
const TEXT_LEADING = 1.5;

/** A face that words are set in. */
export type UsedFace = Pick<CatalogueFace, 'id' | 'family' | 'weight' | 'italic'>;

/**
 * The type of a house as CSS: a class for each paragraph style and character style that is met, and for what is said of letters
 * by hand. Sizes stand to one another as they do in print, seen from the house’s running text.
 */
export class HouseType {
  readonly colours: HouseColours;
  readonly #sheet: StyleSheet;
  readonly #base: ParagraphProperties;
  readonly #fallbacks: readonly string[];
  readonly #rules = new Map<string, string>();
  readonly #faces = new Map<string, UsedFace>();
  readonly #local = new Map<string, string>();
  /** Large initials for readers that set them by themselves (CSS Inline 3). */
  readonly #initials: string[] = [];

  /** @param fallbacks families that have the characters which the house’s own lack */
  constructor(document: Document, fallbacks: readonly string[]) {
    this.colours = new HouseColours(document);
    this.#sheet = styleSheet(document);
    this.#base = this.#sheet.paragraph.get(COPY_STYLES.body) ?? PLAIN;
    this.#fallbacks = fallbacks;
    this.#use(this.#base);
  }

  /** The family of running text, and that of what stands around it. */
  get text(): string {
    return this.#family(this.#base.family);
  }

  label(style: string): string {
    const of = this.#sheet.paragraph.get(style) ?? this.#base;
    this.#use(of);
    return this.#family(of.family);
  }

  paragraph(style: string | undefined): ParagraphProperties {
    return (style === undefined ? undefined : this.#sheet.paragraph.get(style)) ?? this.#base;
  }

  /** Classes of a paragraph, whose rules are kept. */
  classOf({ style }: Pick<OutParagraph, 'style'>): string {
    if (style === undefined) return '';
    const name = `s-${style}`;
    if (!this.#rules.has(`.${name}`)) this.#writeParagraph(name, this.paragraph(style));
    return name;
  }

  /** Classes of a stretch of letters. */
  runClass({ style, local, strong, emphasis }: Run, within: OutParagraph): string {
    const under = this.paragraph(within.style);
    const classes: string[] = [];
    let set: CharacterProperties = under;
    const own = style === undefined ? undefined : this.#sheet.character.get(style);
    if (own) {
      set = { ...set, ...own };
      classes.push(`c-${style}`);
      this.#rules.set(`.c-${style}`, this.#letters(own, set));
    }
    if (local) {
      set = { ...set, ...local };
      const key = JSON.stringify(local);
      const name = this.#local.get(key) ?? `l-${this.#local.size + 1}`;
      this.#local.set(key, name);
      classes.push(name);
      this.#rules.set(`.${name}`, this.#letters(local, set));
    }
    this.#use({ ...set, weight: strong ? Math.max(700, set.weight) : set.weight, italic: emphasis ? !set.italic : set.italic });
    return classes.join(' ');
  }

  /** The faces that were met. */
  get faces(): readonly UsedFace[] {
    return [...this.#faces.values()];
  }

  /** Rules for all that was met. */
  css(): string {
    const rules = [...this.#rules].map(([selector, rule]) => `${selector}{${rule}}`);
    if (this.#initials.length > 0) rules.push(`@supports (initial-letter:2){${this.#initials.join('')}}`);
    return rules.join('\n');
  }

  /** The stretches of a paragraph, parted where its style’s lead-in ends. */
  parted({ style, runs }: OutParagraph): readonly Run[] {
    const { leadIn } = this.paragraph(style);
    if (!leadIn || leadIn.extent === 'line') return runs;
    const out: Run[] = [];
    let left = leadIn.extent;
    for (const run of runs) {
      const led = left > 0 ? firstWords(run.words, left) : '';
      left -= led.match(/\S+/g)?.length ?? 0;
      if (led !== '') out.push({ ...run, words: led, style: run.style ?? leadIn.style });
      if (led === '' || led.length < run.words.length) out.push({ ...run, words: run.words.slice(led.length) });
    }
    return out;
  }

  #use({ family, weight, italic }: Pick<CharacterProperties, 'family' | 'weight' | 'italic'>): void {
    const choice = chooseFace(family, weight, italic) ?? chooseFace(PLAIN.family, weight, italic);
    if (choice) this.#faces.set(choice.face.id, choice.face);
  }

  #family(family: string): string {
    const generic = /serif/i.test(family) ? 'Georgia, serif' : 'system-ui, sans-serif';
    return [family, ...this.#fallbacks].map((name) => `"${name}"`).join(', ') + `, ${generic}`;
  }

  #writeParagraph(name: string, of: ParagraphProperties): void {
    const em = (points: number) => `${round(points / of.size)}em`;
    const rem = this.#rem(of.size);
    const said = [
      this.#letters(of, of),
      `line-height:${round(Math.max(of.leading / of.size, rem <= 1.2 * TEXT_REM ? TEXT_LEADING : 1.05))}`,
      `text-align:${ALIGN[of.align]}`,
    ];
    if (of.firstIndent !== 0) said.push(`text-indent:${em(of.firstIndent)}`);
    if (of.leftIndent > 0) said.push(`padding-inline-start:${em(of.leftIndent)}`);
    if (of.rightIndent > 0) said.push(`padding-inline-end:${em(of.rightIndent)}`);
    if (of.spaceBefore > 0) said.push(`margin-block-start:${em(of.spaceBefore)}`);
    if (of.spaceAfter > 0) said.push(`margin-block-end:${em(of.spaceAfter)}`);
    const edge = (side: 'top' | 'bottom', rule: ParagraphRule | null) => {
      if (!rule || rule.weight === 0) return;
      said.push(
        `border-${side}:${round(Math.max(1, rule.weight * 1.33))}px solid ${this.colours.letters(rule.swatch, rule.tint)}`,
      );
      said.push(`padding-${side}:0.35em`);
    };
    edge('top', of.ruleAbove);
    edge('bottom', of.ruleBelow);
    if (of.panel) {
      const { ground, letters } = this.colours.highlighted(of.panel, of);
      said.push(`background:${ground}`, `color:${letters}`, `padding:${em(of.panel.above)} ${em(of.panel.beside)}`);
    }
    this.#rules.set(`.${name}`, said.join(';'));
    if (of.endMark)
      this.#rules.set(
        `.${name}.ends::after`,
        `content:" ${cssWords(of.endMark.text)}";content:" ${cssWords(of.endMark.text)}" / ""`,
      );
    if (of.dropCap) {
      const { lines, style } = of.dropCap;
      const own = style === undefined ? undefined : this.#sheet.character.get(style);
      const look = own ? `;${this.#letters(own, { ...of, ...own }, ['size'])}` : '';
      this.#rules.set(
        `.${name}::first-letter`,
        `float:left;font-size:${round(lines * 1.32)}em;line-height:0.78;padding:0.06em 0.09em 0 0${look}`,
      );
      this.#initials.push(
        `.${name}::first-letter{float:none;font-size:inherit;line-height:inherit;padding:0 0.12em 0 0;initial-letter:${lines}}`,
      );
    }
    if (of.leadIn?.extent === 'line') {
      const own = this.#sheet.character.get(of.leadIn.style);
      if (own) this.#rules.set(`.${name}::first-line`, this.#letters(own, { ...of, ...own }, ['size']));
    }
  }

  /** What is said of letters; the face is that of all that is said about them. */
  #letters(
    own: Partial<CharacterProperties>,
    set: CharacterProperties,
    without: readonly (keyof CharacterProperties)[] = [],
  ): string {
    this.#use(set);
    const has = (...keys: readonly (keyof CharacterProperties)[]) =>
      keys.some((key) => own[key] !== undefined && !without.includes(key));
    const said: string[] = [];
    if (has('family')) said.push(`font-family:${this.#family(set.family)}`);
    if (has('weight')) said.push(`font-weight:${set.weight}`);
    if (has('italic')) said.push(`font-style:${set.italic ? 'italic' : 'normal'}`);
    if (has('size')) said.push(`font-size:${this.#size(set.size)}`);
    if (has('tracking') && (set.tracking !== 0 || own !== set)) said.push(`letter-spacing:${round(set.tracking / 1000)}em`);
    if (has('letterCase')) {
      if (set.letterCase === 'upper') said.push('text-transform:uppercase');
      if (set.letterCase === 'lower') said.push('text-transform:lowercase');
    }
    const features = featuresOf({ ...PLAIN, ...own });
    if (features.length > 0)
      said.push(
        `font-feature-settings:${features.map((tag) => (tag.startsWith('-') ? `"${tag.slice(1)}" 0` : `"${tag}"`)).join(',')}`,
      );
    const lines = [set.underline ? 'underline' : '', set.strike ? 'line-through' : ''].filter(Boolean);
    if (has('underline', 'strike') && lines.length > 0) said.push(`text-decoration:${lines.join(' ')}`);
    if (has('highlight') && set.highlight) {
      const { swatch, tint, around } = set.highlight;
      const { ground, letters } = this.colours.highlighted({ swatch, tint }, set);
      said.push(`background:${ground}`, `color:${letters}`, `padding-inline:${round(around / set.size)}em`);
    } else if (has('swatch', 'tint')) said.push(`color:${this.colours.letters(set.swatch, set.tint)}`);
    return said.join(';');
  }

  #rem(size: number): number {
    return Math.max(LEAST_REM, (TEXT_REM * size) / this.#base.size);
  }

  #size(size: number): string {
    const rem = this.#rem(size);
    if (rem <= FLUID_REM) return `${round(rem)}rem`;
    const most = Math.min(MOST_REM, rem);
    const least = Math.min(MOST_NARROW_REM, FLUID_REM + 0.25 * (most - FLUID_REM));
    return `clamp(${round(least)}rem,${round(least * 0.6)}rem + ${round(1.6 * (most - least * 0.6))}vw,${round(most)}rem)`;
  }
}

const ALIGN: Readonly<Record<ParagraphProperties['align'], string>> = {
  justify: 'start',
  left: 'start',
  centre: 'center',
  right: 'end',
  towardsSpine: 'start',
  awayFromSpine: 'end',
};

const round = (value: number): number => Math.round(value * 1000) / 1000;

/** The beginning of a stretch, up to the end of so many words. */
const firstWords = (words: string, count: number): string => new RegExp(`^(\\s*\\S+){1,${count}}`).exec(words)?.[0] ?? '';

/** Words inside the quotation marks of CSS. */
const cssWords = (words: string): string => words.replace(/["\\\n<]/g, (sign) => `\\${sign.codePointAt(0)!.toString(16)} `);
