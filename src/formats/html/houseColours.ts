import { contrast, type Light, lightOf, NEEDED, through } from '@/core/colour/contrast';
import { hexOf, readableOn } from '@/core/colour/readable';
import { Inks } from '@/core/compose/displayList/inks';
import { all, type Document, find } from '@/core/records/document';
import { slug } from '../fileNames';

/** How much of the house's ink the ground has where the reader's screen is dark; the rest is black. */
const DARK_GROUND = 0.55;
/** Words in a darker room are not read in pure white. */
const DARK_INK = '#e9e6df';
const DARK_QUIET = '#b9b5ac';
const WHITE: Light = [255, 255, 255];
/** Contrast that running text gets, where it can (WCAG 2.2, 1.4.6). */
const TEXT_CONTRAST = 7;

/** More dazzles in the dark. */
const MOST_CONTRAST = 10;

/** How much of its colour an area behind letters has by night. */
const DARK_HIGHLIGHT = 0.4;

interface Area {
  readonly swatch: string;
  readonly tint: number;
}

/** Colours of a page, by day and by night: the name of a custom property, and its value in either. */
interface Pair {
  readonly name: string;
  readonly light: string;
  readonly dark: string;
}

/** The colours of a house as custom properties of CSS: what letters are set in is made to be read on either ground. */
export class HouseColours {
  readonly #document: Document;
  readonly #inks = new Inks();
  readonly #letters = new Map<string, Pair>();
  readonly #grounds: readonly Pair[];
  readonly #panel: Pair;
  readonly #ink: Pair;
  readonly paper: Pair;

  constructor(document: Document) {
    this.#document = document;
    const ofRole = (role: string) => {
      const swatch = all(document, 'swatch').find((each) => each.role === role);
      return swatch && this.#inks.ink(document, swatch.id, 1).rgb;
    };
    const paper = ofRole('paper') ?? '#ffffff';
    const ink = ofRole('ink') ?? '#1b1b1b';
    const dark = hexOf(through([0, 0, 0], lightOf(readableOn(ink, '#ffffff', 12)), DARK_GROUND));
    this.paper = { name: '--paper', light: paper, dark };
    const tint = ofRole('tint') ?? hexOf(through(lightOf(paper), lightOf(ink), 0.08));
    this.#panel = {
      name: '--panel',
      light: hexOf(through(lightOf(paper), lightOf(tint), 0.6)),
      dark: hexOf(through(lightOf(dark), WHITE, 0.07)),
    };
    this.#ink = { name: '--ink', light: this.#readable(ink, 'light', TEXT_CONTRAST), dark: DARK_INK };
    this.#grounds = [
      this.paper,
      this.#panel,
      this.#ink,
      { name: '--accent', ...this.#onBoth(ofRole('accent1') ?? ink) },
      {
        name: '--rule',
        light: hexOf(through(lightOf(paper), lightOf(ink), 0.3)),
        dark: hexOf(through(lightOf(dark), WHITE, 0.3)),
      },
      {
        name: '--quiet',
        light: this.#readable(hexOf(through(lightOf(ink), lightOf(paper), 0.35)), 'light', NEEDED),
        dark: DARK_QUIET,
      },
    ];
  }

  /** The colour of letters, as CSS takes it. */
  letters(swatch: string, tint: number): string {
    const record = find(this.#document, 'swatch', swatch);
    // The house's ink on the house's paper is that of running text.
    if (!record || (record.role === 'ink' && tint === 1)) return `var(${this.#ink.name})`;
    const key = `${swatch} ${tint}`;
    const stem = `${slug(record.name, 'colour')}${tint === 1 ? '' : `-${Math.round(100 * tint)}`}`;
    const known =
      this.#letters.get(key) ?? this.#named(key, stem, this.#onBoth(this.#inks.ink(this.#document, swatch, tint).rgb));
    return `var(${known.name})`;
  }

  /** An area of colour behind letters, and letters that are read on it. */
  highlighted(area: Area, letters: Area): { readonly ground: string; readonly letters: string } {
    const [on, own] = [area, letters].map(({ swatch, tint }) => this.#inks.ink(this.#document, swatch, tint).rgb) as [
      string,
      string,
    ];
    const dark = hexOf(through(lightOf(this.paper.dark), lightOf(on), DARK_HIGHLIGHT));
    const ground = this.#named(`on ${on}`, 'highlight', { light: on, dark });
    const words = this.#named(`on ${on} ${own}`, 'on-highlight', {
      light: readableOn(own, on, NEEDED),
      dark: readableOn(own, dark, NEEDED),
    });
    return { ground: `var(${ground.name})`, letters: `var(${words.name})` };
  }

  #named(key: string, stem: string, of: Omit<Pair, 'name'>): Pair {
    const known = this.#letters.get(key);
    if (known) return known;
    const taken = new Set([...this.#grounds, ...this.#letters.values()].map(({ name }) => name));
    let name = `--${stem}`;
    for (let n = 2; taken.has(name); n++) name = `--${stem}-${n}`;
    const own = { name, ...of };
    this.#letters.set(key, own);
    return own;
  }

  /** A colour that is read on the page and on its panels. */
  #readable(rgb: string, by: 'light' | 'dark', needed: number): string {
    return readableOn(readableOn(rgb, this.#panel[by], needed), this.paper[by], needed);
  }

  /** A colour that is read by day and by night, then about as clearly as by day. */
  #onBoth(rgb: string): Omit<Pair, 'name'> {
    const light = this.#readable(rgb, 'light', NEEDED);
    const clear = Math.min(MOST_CONTRAST, contrast(lightOf(light), lightOf(this.paper.light)));
    return { light, dark: this.#readable(rgb, 'dark', Math.max(NEEDED, clear)) };
  }

  /** The custom properties, by day and by night. */
  css(): string {
    const pairs = [...this.#grounds, ...this.#letters.values()];
    const said = (of: 'light' | 'dark') => pairs.map((pair) => `${pair.name}:${pair[of]}`).join(';');
    return `:root{color-scheme:light dark;${said('light')}}\n@media (prefers-color-scheme:dark){:root{${said('dark')}}}\n`;
  }
}
