import type { CharacterProperties } from '../../records/characterStyle';
import type { HyphenLimits } from '../../records/paragraphStyle';
import { spoken } from '../../records/language';
import type { Mark } from 'prosemirror-model';
import type { MarkName } from '../../records/body';
import type { LocalAttrs } from '../../records/text';
import { chooseFace, FALLBACKS } from '../../type/catalogue';
import { hasCharacter } from '../../type/face';
import type { Shaper } from '../../type/shaper';
import { PLAIN } from '../../type/styles';
import type { Ink } from '../../colour/ink';
import type { SetLook } from './look';
import type { Through } from '../../records/frame';
import type { ParagraphPanel } from '../../records/paragraphStyle';
import type { Panel, Ramp } from '../displayList/displayList';
import { Words } from './words';

/** Turns character properties into looks; the same properties always give the same look. */
export class Looks {
  readonly #shaper: Shaper;
  readonly #byProperties = new WeakMap<CharacterProperties, SetLook>();
  readonly #byContent = new Map<string, SetLook>();
  readonly #marked = new WeakMap<CharacterProperties, Map<string, CharacterProperties>>();
  readonly #words = new WeakMap<SetLook, Map<string, Words>>();
  readonly #fallbacks = new Map<SetLook, Map<string, SetLook>>();
  readonly #absent = new Map<SetLook, SetLook>();
  readonly #ink: (swatch: string, tint: number) => Ink;
  readonly #stops: (colours: readonly Through[]) => Ramp['stops'];
  readonly #panels = new Map<string, Panel>();
  readonly #language: string;
  readonly #characterStyles: ReadonlyMap<string, Partial<CharacterProperties>>;

  /** Of one state of a document's styles, swatches and language: another state has other looks. */
  constructor(
    shaper: Shaper,
    language: string,
    characterStyles: ReadonlyMap<string, Partial<CharacterProperties>>,
    ink: (swatch: string, tint: number) => Ink,
    stops: (colours: readonly Through[]) => Ramp['stops'],
  ) {
    this.#shaper = shaper;
    this.#language = language;
    this.#characterStyles = characterStyles;
    this.#ink = ink;
    this.#stops = stops;
  }

  /** @throws FaceError when the face has not been loaded */
  of(properties: CharacterProperties): SetLook {
    let look = this.#byProperties.get(properties);
    if (!look) this.#byProperties.set(properties, (look = this.#make(properties)));
    return look;
  }

  ink({ swatch, tint }: { readonly swatch: string; readonly tint: number }): Ink {
    return this.#ink(swatch, tint);
  }

  /** The same panel is the same object: paragraphs that follow one another with it have one area. */
  panel({ swatch, tint, ...rest }: ParagraphPanel): Panel {
    const key = JSON.stringify([swatch, tint, rest.width, rest.beside, rest.above]);
    let own = this.#panels.get(key);
    if (!own) this.#panels.set(key, (own = { ink: this.#ink(swatch, tint), ...rest }));
    return own;
  }

  /** A character style over other properties. */
  styled(base: CharacterProperties, style: string | undefined): CharacterProperties {
    const own = style === undefined ? undefined : this.#characterStyles.get(style);
    if (!own) return base;
    return this.#kept(base, `style:${style}`, () => ({ ...base, ...own }));
  }

  /** The marks of a stretch of text over the properties of its paragraph. */
  marked(base: CharacterProperties, marks: readonly Mark[] | undefined): CharacterProperties {
    if (!marks || marks.length === 0) return base;
    return this.#kept(base, JSON.stringify(marks), () => {
      let out = base;
      for (const mark of marks) if (mark.type.name === 'character') out = this.styled(out, mark.attrs['style'] as string);
      for (const mark of marks) if (mark.type.name === 'local') out = { ...out, ...(mark.attrs as LocalAttrs).properties };
      const has = (name: MarkName) => marks.some((mark) => mark.type.name === name);
      return {
        ...out,
        // Emphasis inside italic text is set upright, as is common practice.
        italic: has('emphasis') ? !out.italic : out.italic,
        weight: has('strong') ? Math.max(700, out.weight) : out.weight,
        position: has('superscript') ? 'superscript' : has('subscript') ? 'subscript' : out.position,
      };
    });
  }

  #kept(base: CharacterProperties, key: string, make: () => CharacterProperties): CharacterProperties {
    let own = this.#marked.get(base);
    if (!own) this.#marked.set(base, (own = new Map()));
    let properties = own.get(key);
    if (!properties) own.set(key, (properties = make()));
    return properties;
  }

  /** The memory of words set in a look, hyphenated within limits or not at all. */
  words(look: SetLook, hyphens: boolean, limits: HyphenLimits, rightToLeft = false): Words {
    let own = this.#words.get(look);
    if (!own) this.#words.set(look, (own = new Map()));
    const key = `${rightToLeft ? 'r' : ''}${hyphens ? `${limits.word} ${limits.before} ${limits.after} ${limits.capitals}` : ''}`;
    let words = own.get(key);
    if (!words) own.set(key, (words = new Words(look, hyphens ? limits : undefined, rightToLeft)));
    return words;
  }

  /** The look of a character that no face has: painters draw a box for it, so that it is missed by nobody. */
  absent(look: SetLook): SetLook {
    let own = this.#absent.get(look);
    if (!own) this.#absent.set(look, (own = { ...look, absent: true, underline: false, strike: false, highlight: undefined }));
    return own;
  }

  /** The same look in the first other face that has a character; undefined where none that is loaded has it. */
  fallback(look: SetLook, character: string): SetLook | undefined {
    const code = character.codePointAt(0)!;
    for (const { face: id } of FALLBACKS) {
      if (!this.#shaper.hasFace(id)) continue;
      const face = this.#shaper.face(id);
      if (!hasCharacter(face, code)) continue;
      let own = this.#fallbacks.get(look);
      if (!own) this.#fallbacks.set(look, (own = new Map()));
      let other = own.get(id);
      if (!other) {
        other = {
          ...look,
          face: id,
          scale: look.size / face.unitsPerEm,
          trackingUnits: (look.tracking * face.unitsPerEm) / look.size,
          shaper: this.#shaper.with(id, '', look.language),
          features: '',
        };
        own.set(id, other);
      }
      return other;
    }
    return undefined;
  }

  #make(of: CharacterProperties): SetLook {
    const choice = chooseFace(of.family, of.weight, of.italic) ?? chooseFace(PLAIN.family, of.weight, of.italic)!;
    const features = featuresOf(of);
    const language = spoken(of.language, this.#language);
    const face = this.#shaper.face(choice.face.id);
    const ink = this.#ink(of.swatch, of.tint);
    const outline = of.letterOutline && {
      weight: of.letterOutline.weight,
      ink: this.#ink(of.letterOutline.swatch, of.letterOutline.tint),
    };
    const ramp = of.gradient && {
      way: of.gradient.way,
      stops: this.#stops([
        { swatch: of.swatch, tint: of.tint, at: 0 },
        { swatch: of.gradient.swatch, tint: of.gradient.tint, at: 1 },
      ]),
    };
    const lacks = features.filter((tag) => !tag.startsWith('-') && !face.features.has(tag));
    if (!choice.exact || choice.face.family !== of.family) {
      lacks.push(`${of.family} ${of.weight}${of.italic ? ' italic' : ''}`);
    }
    const look: SetLook = {
      face: face.id,
      size: of.size,
      scale: of.size / face.unitsPerEm,
      tracking: (of.tracking * of.size) / 1000,
      trackingUnits: (of.tracking * face.unitsPerEm) / 1000,
      rise: of.rise,
      features: features.join(','),
      language,
      ink,
      absent: false,
      ramp: ramp ?? undefined,
      outline: outline ?? undefined,
      underline: of.underline,
      strike: of.strike,
      lineWeight: said(of.lineWeight),
      underlineOffset: said(of.underlineOffset),
      strikeOffset: said(of.strikeOffset),
      highlight: of.highlight
        ? { ink: this.#ink(of.highlight.swatch, of.highlight.tint), around: of.highlight.around }
        : undefined,
      shaper: this.#shaper.with(face.id, features.join(','), language),
      lacks,
    };
    const key = [
      look.face,
      look.size,
      look.tracking,
      look.rise,
      look.features,
      language,
      inkKey(ink),
      ramp ? `${ramp.way} ${inkKey(ramp.stops.at(-1)!.ink)}` : '',
      outline ? `${outline.weight} ${inkKey(outline.ink)}` : '',
      look.underline,
      look.strike,
      look.lineWeight,
      look.underlineOffset,
      look.strikeOffset,
      look.highlight ? `${look.highlight.around} ${inkKey(look.highlight.ink)}` : '',
      lacks.join(' '),
    ].join('|');
    const same = this.#byContent.get(key);
    if (same) return same;
    this.#byContent.set(key, look);
    return look;
  }
}

/** A length that is said; undefined where the face says it. */
const said = (length: number | 'face'): number | undefined => (length === 'face' ? undefined : length);

/** What tells inks apart: one of light may have the inks of another. */
const inkKey = ({ cmyk, rgb, spot }: Ink): string => `${cmyk.join(' ')} ${rgb} ${spot ? `${spot.name} ${spot.tint}` : ''}`;

/** OpenType features that character properties ask for (registered tags of the OpenType specification). */
export function featuresOf(of: CharacterProperties): string[] {
  const out = [...of.features];
  if (!of.kerning) out.push('-kern');
  // Letters set apart do not hold hands (CSS Text 3, 8.2).
  if (of.tracking !== 0) out.push('-liga', '-clig');
  if (of.letterCase === 'smallCapitals') out.push('smcp');
  if (of.letterCase === 'allSmallCapitals') out.push('smcp', 'c2sc');
  if (of.figures === 'lining') out.push('lnum');
  if (of.figures === 'oldStyle') out.push('onum');
  if (of.figureWidth === 'proportional') out.push('pnum');
  if (of.figureWidth === 'tabular') out.push('tnum');
  if (of.position === 'superscript') out.push('sups');
  if (of.position === 'subscript') out.push('subs');
  return out;
}
