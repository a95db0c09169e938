/**
 * The faces that ship with the application. Each weight and style is a file of its own, complete with all its
 * OpenType features; nothing is ever faked from another.
 */
export interface CatalogueFace {
  /** Also the CSS family name under which a browser loads the file, and the file's name in `public/fonts`. */
  readonly id: string;
  readonly family: string;
  readonly weight: number;
  readonly italic: boolean;
  /** The file inside its package. */
  readonly file: string;
  readonly licence: 'OFL-1.1';
}

const WEIGHT_NAMES: Readonly<Record<number, string>> = {
  300: 'Light',
  400: 'Regular',
  500: 'Medium',
  600: 'SemiBold',
  700: 'Bold',
  800: 'ExtraBold',
  900: 'Black',
};

function faces(family: string, slug: string, weights: readonly number[], italics: readonly number[]): CatalogueFace[] {
  const stem = family.replaceAll(' ', '');
  const one = (weight: number, italic: boolean): CatalogueFace => {
    const style = `${weight}${WEIGHT_NAMES[weight]}${italic ? '_Italic' : ''}`;
    return {
      id: `${stem}-${weight}${italic ? 'i' : ''}`,
      family,
      weight,
      italic,
      file: `@expo-google-fonts/${slug}/${style}/${stem}_${style}.ttf`,
      licence: 'OFL-1.1',
    };
  };
  return [...weights.map((weight) => one(weight, false)), ...italics.map((weight) => one(weight, true))];
}

export const CATALOGUE: readonly CatalogueFace[] = [
  ...faces('Source Serif 4', 'source-serif-4', [300, 400, 600, 700, 900], [300, 400, 600, 700]),
  ...faces('Archivo', 'archivo', [400, 500, 600, 700, 800], [400, 600]),
  ...faces('Newsreader', 'newsreader', [300, 400, 500, 600, 700], [300, 400, 600]),
  ...faces('Fraunces', 'fraunces', [300, 400, 500, 600, 700, 900], [400, 600]),
  ...faces('Bitter', 'bitter', [300, 400, 500, 600, 700, 900], [400, 600]),
  ...faces('Work Sans', 'work-sans', [300, 400, 500, 600, 700, 800], [400, 600]),
  ...faces('Barlow Condensed', 'barlow-condensed', [400, 500, 600, 700, 800, 900], [400, 600]),
  ...faces('Noto Sans', 'noto-sans', [400], []),
  ...faces('Noto Sans Hebrew', 'noto-sans-hebrew', [400], []),
  ...faces('Noto Sans Arabic', 'noto-sans-arabic', [400], []),
  ...faces('Noto Sans Symbols 2', 'noto-sans-symbols-2', [400], []),
  ...faces('Noto Sans Thai', 'noto-sans-thai', [400], []),
  ...faces('Noto Sans SC', 'noto-sans-sc', [400], []),
  ...faces('Noto Sans KR', 'noto-sans-kr', [400], []),
  ...faces('Noto Emoji', 'noto-emoji', [400], []),
];

/** The families that a house is set in, each once, in the catalogue's order. */
export const FAMILIES: readonly string[] = [
  'Source Serif 4',
  'Archivo',
  'Newsreader',
  'Fraunces',
  'Bitter',
  'Work Sans',
  'Barlow Condensed',
];

/** The weights that a family comes in, the lightest first. */
export const weightsOf = (family: string): number[] =>
  [...new Set(CATALOGUE.filter((face) => face.family === family).map(({ weight }) => weight))].sort((a, b) => a - b);

/**
 * Where a character that its own face lacks is taken from, in this order. Each entry says which characters may need
 * it, so that a face is loaded only for a document that does.
 */
export const FALLBACKS: readonly { readonly face: string; readonly for: RegExp }[] = [
  {
    face: 'NotoSans-400',
    for: /[^\p{Script=Common}\p{Script=Inherited}\p{Script=Hebrew}\p{Script=Arabic}\p{Script=Han}\p{Script=Hangul}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Bopomofo}\p{Script=Thai}]/u,
  },
  { face: 'NotoSansThai-400', for: /\p{Script=Thai}/u },
  // Han before Hangul: either has the other's common characters, and more of its own.
  {
    face: 'NotoSansSC-400',
    for: /[\p{Script=Han}\p{Script=Hiragana}\p{Script=Katakana}\p{Script=Bopomofo}\u3000-\u303F\uFF00-\uFFEF]/u,
  },
  { face: 'NotoSansKR-400', for: /\p{Script=Hangul}/u },
  { face: 'NotoSansHebrew-400', for: /\p{Script=Hebrew}/u },
  { face: 'NotoSansArabic-400', for: /\p{Script=Arabic}/u },
  { face: 'NotoEmoji-400', for: /\p{Extended_Pictographic}|\p{Regional_Indicator}/u },
  { face: 'NotoSansSymbols2-400', for: /[\p{So}\p{Sm}\p{Co}]/u },
];

export interface FaceChoice {
  readonly face: CatalogueFace;
  /** False when the family lacks the weight or style asked for and another real face stands in. */
  readonly exact: boolean;
}

/**
 * The face of a family for a weight and style. Where the family lacks it, the nearest real face of the family is
 * chosen as CSS Fonts 4 §5.2 does (style before weight) and the choice says that it is not exact.
 *
 * @returns undefined when there is no such family
 */
export function chooseFace(family: string, weight: number, italic: boolean): FaceChoice | undefined {
  const key = `${family}|${weight}|${italic}`;
  if (!choices.has(key)) choices.set(key, choose(family, weight, italic));
  return choices.get(key);
}

const choices = new Map<string, FaceChoice | undefined>();

function choose(family: string, weight: number, italic: boolean): FaceChoice | undefined {
  const own = CATALOGUE.filter((face) => face.family === family);
  if (own.length === 0) return undefined;
  const cost = (face: CatalogueFace) => (face.italic === italic ? 0 : 10_000) + Math.abs(face.weight - weight);
  const face = own.reduce((best, next) => (cost(next) < cost(best) ? next : best));
  return { face, exact: cost(face) === 0 };
}
