declare module 'hyphen' {
  const createHyphenator: (
    patterns: unknown,
    options?: { hyphenChar?: string; minWordLength?: number; async?: boolean },
  ) => (text: string) => string | Promise<string>;
  export default createHyphenator;
}
declare module 'hyphen/patterns/*' {
  const patterns: unknown;
  export default patterns;
}
declare module 'linebreak' {
  export default class LineBreaker {
    constructor(text: string);
    nextBreak(): { position: number; required: boolean } | null;
  }
}
declare module 'fontkit' {
  export interface Font {
    readonly unitsPerEm: number;
    readonly ascent: number;
    readonly descent: number;
    readonly capHeight: number;
    readonly xHeight: number;
    readonly availableFeatures: readonly string[];
    readonly characterSet: readonly number[];
    hasGlyphForCodePoint(code: number): boolean;
    layout(
      text: string,
      features: readonly string[],
      script: string,
      language: string,
      direction: string,
    ): { glyphs: readonly { id: number }[]; positions: readonly { xAdvance: number }[] };
  }
  export function openSync(path: string): Font;
  export function create(bytes: Uint8Array): Font;
}
